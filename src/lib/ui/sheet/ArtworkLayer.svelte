<script lang="ts" module>
  import { formatPath, type Piece } from '$core/vector';
  // Pieces are never changed, only replaced, so their path data is made once.
  const paths = new WeakMap<Piece, string>();
  function pathOf(piece: Piece): string {
    let d = paths.get(piece);
    if (d === undefined) paths.set(piece, (d = formatPath(piece.contours)));
    return d;
  }
</script>

<script lang="ts">
  import type { Artwork, Point } from '$core/vector';
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
  const fillOf = $derived(
    new Map(artwork.inks.map((i) => [i.id, i.gradient ? `url(#${uid}-${i.id})` : i.hex] as const)),
  );

  const place = ([x, y]: Point): [number, number] => [x * view.zoom + view.x, y * view.zoom + view.y];
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
    for (const piece of artwork.pieces)
      for (const contour of piece.contours) {
        let from = contour.start;
        for (const s of contour.segments) {
          dots += square(s.to, 2);
          // Handles help only where there is room to see which point they belong to.
          if (s.kind === 'curve' && view.zoom >= 2) handles += line(from, s.c1) + line(s.to, s.c2);
          from = s.to;
        }
      }
    return { dots, handles };
  });
  const outlined = $derived(
    artwork.pieces.filter((p) => p.id === markedPiece || (markedInk !== null && p.inkId === markedInk)),
  );
</script>

<svg class="pointer-events-none absolute inset-0 h-full w-full" aria-hidden="true" data-artwork>
  <defs>
    {#each artwork.inks as { id, gradient } (id)}
      {#if gradient}
        {@const [[x1, y1], [x2, y2]] = [gradient.from, gradient.to]}
        {#snippet stops()}
          {#each gradient.stops as stop, k (k)}<stop offset={stop.at} stop-color={stop.hex} />{/each}
        {/snippet}
        {#if gradient.kind === 'linear'}
          <linearGradient id="{uid}-{id}" gradientUnits="userSpaceOnUse" {x1} {y1} {x2} {y2}
            >{@render stops()}</linearGradient
          >
        {:else}
          <radialGradient
            id="{uid}-{id}"
            gradientUnits="userSpaceOnUse"
            cx={x1}
            cy={y1}
            r={Math.hypot(x2 - x1, y2 - y1)}>{@render stops()}</radialGradient
          >
        {/if}
      {/if}
    {/each}
  </defs>
  <g transform="translate({view.x} {view.y}) scale({view.zoom})">
    {#each artwork.pieces as piece (piece.id)}
      <path d={pathOf(piece)} fill={fillOf.get(piece.inkId)} />
    {/each}
    {#each outlined as piece (piece.id)}
      <!-- Two lines, light under dark, so that the mark is seen on any colour. -->
      <path d={pathOf(piece)} fill="none" stroke="#fff" stroke-width="4" vector-effect="non-scaling-stroke" />
      <path
        d={pathOf(piece)}
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
