<script lang="ts">
  import { formatPath, mapContour } from '$core/path';
  import { placedNodes } from '$core/vector';
  import type { View } from '../sheet/view';
  import DrawnBox from './DrawnBox.svelte';
  import { handlesOf } from './handles';
  import SnapName from './SnapName.svelte';
  import type { Shaping } from './shaping.svelte';

  /** Over the artwork: the outlines and the box of what is chosen, its handles, the box being drawn, and places of what was found. */
  interface Props {
    shaping: Shaping;
    view: View;
    /** Whether the box has handles to scale and turn it. */
    handles?: boolean;
  }
  const { shaping, view, handles: hasHandles = true }: Props = $props();
  const px = $derived(1 / view.zoom);
  const drawing = $derived(shaping.line.drawing);
  const box = $derived(shaping.box);
  const handles = $derived(box && hasHandles ? handlesOf(box, view.zoom) : []);
  const outlines = $derived(
    shaping.chosen.length
      ? [...placedNodes(drawing.nodes)]
          .filter(
            (p) =>
              p.node.kind === 'piece' &&
              (shaping.chosen.includes(p.node.id) || p.within.some((g) => shaping.chosen.includes(g.id))),
          )
          .map((p) =>
            p.node.kind === 'piece'
              ? formatPath(
                  p.node.contours.map((c) => mapContour(p.map, c)),
                  2,
                )
              : '',
          )
          .join('')
      : '',
  );
  const places = $derived(
    (shaping.shown?.places ?? [])
      .map((run) => run.map(([x, y], k) => `${k ? 'L' : 'M'}${x.toFixed(2)} ${y.toFixed(2)}`).join(''))
      .join(''),
  );
  const isAxis = $derived(shaping.shown?.key.startsWith('symmetry') ?? false);
</script>

<svg class="pointer-events-none absolute inset-0 h-full w-full overflow-hidden" aria-hidden="true" data-shapes>
  <g transform="translate({view.x} {view.y}) scale({view.zoom})" fill="none">
    {#if outlines}
      <path d={outlines} stroke="#fff" stroke-width={3 * px} />
      <path d={outlines} stroke="#1d2e4e" stroke-width={1.25 * px} data-chosen-outline />
    {/if}
    {#if places}
      <path d={places} stroke="#fff" stroke-width={5 * px} stroke-linecap="round" />
      <path
        d={places}
        stroke={isAxis ? '#a3211d' : '#2f7d78'}
        stroke-width={2.25 * px}
        stroke-dasharray={isAxis ? `${9 * px} ${5 * px}` : undefined}
        data-shown-places
      />
    {/if}

    {#if box && hasHandles}
      {@const turn = handles[handles.length - 1]}
      <rect
        x={box.x}
        y={box.y}
        width={box.width}
        height={box.height}
        stroke="#1d2e4e"
        stroke-opacity="0.55"
        stroke-width={px}
        data-chosen-box
      />
      <path
        d="M{turn.at[0]} {turn.at[1]}L{turn.at[0]} {box.y}"
        stroke="#1d2e4e"
        stroke-opacity="0.55"
        stroke-width={px}
      />
      {#each handles.slice(0, -1) as handle (handle.name)}
        <rect
          x={handle.at[0] - 4 * px}
          y={handle.at[1] - 4 * px}
          width={8 * px}
          height={8 * px}
          fill="#fff"
          stroke="#1d2e4e"
          stroke-width={1.25 * px}
        />
      {/each}
      <circle cx={turn.at[0]} cy={turn.at[1]} r={4.5 * px} fill="#fff" stroke="#1d2e4e" stroke-width={1.25 * px} />
      {#if shaping.about}
        {@const [x, y] = shaping.about}
        <circle cx={x} cy={y} r={6 * px} fill="#fff" fill-opacity="0.85" stroke="#a3211d" stroke-width={1.25 * px} />
        <path
          d="M{x - 9 * px} {y}h{18 * px}M{x} {y - 9 * px}v{18 * px}"
          stroke="#a3211d"
          stroke-width={px}
          data-about
        />
      {/if}
    {/if}
  </g>
  <DrawnBox box={shaping.boxing} {view} />
  <SnapName snap={shaping.snap} {view} />
</svg>
