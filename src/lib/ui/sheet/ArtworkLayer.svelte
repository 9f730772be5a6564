<script lang="ts" module>
  import { type Contour, formatPath, mapContour, mapPoint, type Point } from '$core/path';
  // Outlines are never changed, only replaced, so their path data is made once.
  const paths = new WeakMap<readonly Contour[], string>();
  function pathOf(contours: readonly Contour[]): string {
    let d = paths.get(contours);
    // Three decimals: enlarged eight times and more, a hundredth of a pixel shows.
    if (d === undefined) paths.set(contours, (d = formatPath(contours, 3)));
    return d;
  }
</script>

<script lang="ts">
  import {
    isApart,
    layered,
    sceneOf,
    type SceneEffect,
    type SceneLayer,
    type SceneNode,
    type SceneShape,
  } from '$core/scene';
  import { inksOfPiece, placedNodes, type Artwork, type Gradient } from '$core/vector';
  import type { View } from './view';

  /** An artwork drawn as vectors at any zoom, with its points and a marked piece on demand. */
  interface Props {
    artwork: Artwork;
    view: View;
    points?: boolean;
    markedPiece?: string | null;
    markedInk?: string | null;
  }
  const { artwork, view, points = false, markedPiece = null, markedInk = null }: Props = $props();
  const uid = $props.id();
  const scene = $derived(sceneOf(artwork, { strokes: 'kept' }));
  const nodes = $derived(layered(scene));

  /** Gradients and layers that need a definition, each with its id. */
  const definitions = $derived.by(() => {
    // Made anew with every scene, and never changed after.
    /* eslint-disable svelte/prefer-svelte-reactivity */
    const gradients = new Map<string, { id: string; gradient: Gradient }>();
    const layers = new Map<SceneLayer, string>();
    /* eslint-enable svelte/prefer-svelte-reactivity */
    const add = (shapes: readonly SceneShape[]): void => {
      for (const { paint, layers: within } of shapes) {
        if (paint.gradient) {
          const key = JSON.stringify(paint.gradient);
          if (!gradients.has(key)) gradients.set(key, { id: `${uid}-g${gradients.size}`, gradient: paint.gradient });
        }
        for (const layer of within)
          if (isApart(layer) && !layers.has(layer)) {
            layers.set(layer, `${uid}-l${layers.size}`);
            if (layer.mask) add(layer.mask.shapes);
          }
      }
    };
    add(scene.shapes);
    return { gradients, layers };
  });
  const fillOf = ({ paint }: SceneShape): string =>
    paint.gradient ? `url(#${definitions.gradients.get(JSON.stringify(paint.gradient))!.id})` : paint.hex;

  const place = ([x, y]: Point): [number, number] => [x * view.zoom + view.x, y * view.zoom + view.y];
  const shownPieces = $derived(
    [...placedNodes(artwork.nodes)].flatMap(({ node, within, map }) =>
      node.kind === 'piece' && ![...within, node].some((n) => n.hidden) ? [{ piece: node, map }] : [],
    ),
  );
  const squares = $derived.by(() => {
    if (!points) return null;
    let dots = '';
    let handles = '';
    const square = (p: Point, r: number): string => {
      const [x, y] = place(p);
      return `M${(x - r).toFixed(1)} ${(y - r).toFixed(1)}h${2 * r}v${2 * r}h${-2 * r}z`;
    };
    const line = (p: Point, q: Point): string => {
      const [[px, py], [qx, qy]] = [place(p), place(q)];
      return `M${px.toFixed(1)} ${py.toFixed(1)}L${qx.toFixed(1)} ${qy.toFixed(1)}`;
    };
    for (const { piece, map } of shownPieces)
      for (const contour of piece.contours) {
        let from = mapPoint(map, contour.start);
        if (contour.open) dots += square(from, 2);
        for (const s of contour.segments) {
          const to = mapPoint(map, s.to);
          dots += square(to, 2);
          // Handles help only where there is room to see which point they belong to.
          if (s.kind === 'curve' && view.zoom >= 2)
            handles += line(from, mapPoint(map, s.c1)) + line(to, mapPoint(map, s.c2));
          from = to;
        }
      }
    return { dots, handles };
  });
  const outlined = $derived(
    shownPieces
      .filter(({ piece }) => piece.id === markedPiece || (markedInk !== null && inksOfPiece(piece).includes(markedInk)))
      .map(({ piece, map }) => ({ id: piece.id, d: pathOf(piece.contours.map((c) => mapContour(map, c))) })),
  );
  const CAPS = { butt: undefined, round: 'round', square: 'square' } as const;
  const JOINS = { mitre: undefined, round: 'round', bevel: 'bevel' } as const;
</script>

{#snippet stops(gradient: Gradient)}
  {#each gradient.stops as stop, k (k)}<stop
      offset={stop.at}
      stop-color={stop.hex}
      stop-opacity={stop.opacity}
    />{/each}
{/snippet}

{#snippet effect(e: SceneEffect, k: number, from: string)}
  {#if e.kind === 'blur'}
    <feGaussianBlur in={from} stdDeviation={e.radiusPx} result="e{k}" />
  {:else}
    <feOffset in={from} dx={e.dxPx} dy={e.dyPx} />
    <feGaussianBlur stdDeviation={e.blurPx} result="s{k}" />
    <feFlood flood-color={e.hex} flood-opacity={e.opacity} />
    <feComposite in2="s{k}" operator="in" />
    <feMerge result="e{k}"><feMergeNode /><feMergeNode in={from} /></feMerge>
  {/if}
{/snippet}

{#snippet drawn(list: readonly SceneNode[])}
  {#each list as node, k (node.kind === 'shape' ? `${node.shape.nodeId}${node.shape.line ? '-line' : ''}` : `${node.layer.nodeId}-${k}`)}
    {#if node.kind === 'layer'}
      {@const id = definitions.layers.get(node.layer)}
      <g
        opacity={node.layer.opacity < 1 ? node.layer.opacity : undefined}
        clip-path={node.layer.clip ? `url(#${id}-clip)` : undefined}
        mask={node.layer.mask ? `url(#${id}-mask)` : undefined}
        filter={node.layer.effects.length ? `url(#${id}-soft)` : undefined}>{@render drawn(node.nodes)}</g
      >
    {:else if node.shape.line}
      {@const { line } = node.shape}
      <path
        d={pathOf(node.shape.contours)}
        fill="none"
        stroke={fillOf(node.shape)}
        stroke-opacity={node.shape.opacity < 1 ? node.shape.opacity : undefined}
        stroke-width={line.widthPx}
        stroke-linecap={CAPS[line.cap]}
        stroke-linejoin={JOINS[line.join]}
        stroke-miterlimit={line.join === 'mitre' ? String(line.mitreLimit) : undefined}
        stroke-dasharray={line.dash?.join(' ')}
        stroke-dashoffset={line.dashOffset}
      />
    {:else}
      <path
        d={pathOf(node.shape.contours)}
        fill={fillOf(node.shape)}
        fill-rule={node.shape.rule === 'evenodd' ? 'evenodd' : undefined}
        fill-opacity={node.shape.opacity < 1 ? node.shape.opacity : undefined}
      />
    {/if}
  {/each}
{/snippet}

<svg class="pointer-events-none absolute inset-0 h-full w-full" aria-hidden="true" data-artwork>
  <defs>
    {#each definitions.gradients.values() as { id, gradient } (id)}
      {@const [[x1, y1], [x2, y2]] = [gradient.from, gradient.to]}
      {@const turned = gradient.transform ? `matrix(${gradient.transform.join(' ')})` : undefined}
      {#if gradient.kind === 'linear'}
        <linearGradient
          {id}
          gradientUnits="userSpaceOnUse"
          gradientTransform={turned}
          spreadMethod={gradient.spread}
          {x1}
          {y1}
          {x2}
          {y2}>{@render stops(gradient)}</linearGradient
        >
      {:else}
        <radialGradient
          {id}
          gradientUnits="userSpaceOnUse"
          gradientTransform={turned}
          spreadMethod={gradient.spread}
          cx={x1}
          cy={y1}
          fx={gradient.focus?.[0]}
          fy={gradient.focus?.[1]}
          r={Math.hypot(x2 - x1, y2 - y1)}>{@render stops(gradient)}</radialGradient
        >
      {/if}
    {/each}
    {#each definitions.layers as [layer, id] (id)}
      {#if layer.clip}
        <clipPath id="{id}-clip">
          {#each layer.clip as c, k (k)}<path d={pathOf(c.contours)} clip-rule={c.rule} />{/each}
        </clipPath>
      {/if}
      {#if layer.mask}
        <mask
          id="{id}-mask"
          maskUnits="userSpaceOnUse"
          style={layer.mask.by === 'opacity' ? 'mask-type: alpha' : undefined}
          x={-scene.widthPx}
          y={-scene.heightPx}
          width={3 * scene.widthPx}
          height={3 * scene.heightPx}>{@render drawn(layered(layer.mask))}</mask
        >
      {/if}
      {#if layer.effects.length}
        <filter
          id="{id}-soft"
          filterUnits="userSpaceOnUse"
          color-interpolation-filters="sRGB"
          x={-scene.widthPx}
          y={-scene.heightPx}
          width={3 * scene.widthPx}
          height={3 * scene.heightPx}
        >
          {#each layer.effects as e, k (k)}{@render effect(e, k, k ? `e${k - 1}` : 'SourceGraphic')}{/each}
        </filter>
      {/if}
    {/each}
  </defs>
  <g transform="translate({view.x} {view.y}) scale({view.zoom})">
    {@render drawn(nodes)}
    {#each outlined as { id, d } (id)}
      <!-- Two lines, light under dark, so that the mark is seen on any colour. -->
      <path {d} fill="none" stroke="#fff" stroke-width="4" vector-effect="non-scaling-stroke" />
      <path
        {d}
        fill="none"
        stroke="#1d2e4e"
        stroke-width="1.5"
        stroke-dasharray="5 3"
        vector-effect="non-scaling-stroke"
      />
    {/each}
  </g>
  {#if squares}
    <path d={squares.handles} stroke="#5a5a5a" stroke-width="1" fill="none" />
    <path d={squares.dots} fill="#fff" stroke="#1d2e4e" stroke-width="1" data-points />
  {/if}
</svg>
