<script lang="ts">
  import type { Point } from '$core/path';
  import type { View } from '../sheet/view';
  import { curveThrough } from './outline';
  import type { Retouching } from './retouching.svelte';

  /** What is being drawn on a picture: the stroke, the box or the outline under way, where the brush is, and boxes that are shown. */
  interface Props {
    retouching: Retouching;
    view: View;
    boxes: readonly (readonly [number, number, number, number])[];
  }
  const { retouching, view, boxes }: Props = $props();

  const line = (points: readonly Point[]): string =>
    points.length === 1
      ? `M${points[0][0]} ${points[0][1]}l0.001 0`
      : points.map(([x, y], k) => `${k ? 'L' : 'M'}${x} ${y}`).join('');
  const UNKNOWN = 'rgb(128 128 128 / 0.75)';
  const colour = $derived(retouching.act === 'cover' ? (retouching.brush.hex ?? UNKNOWN) : 'rgb(163 33 29 / 0.45)');
  const pull = $derived(retouching.outline.at(-1));
  // Lines keep their width on the screen.
  const px = $derived(1 / view.zoom);
</script>

<svg class="pointer-events-none absolute inset-0 h-full w-full overflow-hidden" aria-hidden="true" data-drawn>
  <g transform="translate({view.x} {view.y}) scale({view.zoom})" fill="none">
    {#each boxes as [x, y, w, h], k (k)}
      <rect x={x - 4 * px} y={y - 4 * px} width={w + 8 * px} height={h + 8 * px} stroke="white" stroke-width={3 * px} />
      <rect
        x={x - 4 * px}
        y={y - 4 * px}
        width={w + 8 * px}
        height={h + 8 * px}
        stroke="#1d2e4e"
        stroke-width={1.5 * px}
        stroke-dasharray="{5 * px} {4 * px}"
        data-shown-box
      />
    {/each}
    {#each retouching.laid as { points, widthPx, hex }, k (k)}
      <path
        d={line(points)}
        stroke={hex ?? UNKNOWN}
        stroke-width={widthPx}
        stroke-linecap="round"
        stroke-linejoin="round"
      />
    {/each}
    {#if retouching.isBoxing && retouching.stroke.length === 2}
      {@const [[ax, ay], [bx, by]] = retouching.stroke}
      <rect
        x={Math.min(ax, bx)}
        y={Math.min(ay, by)}
        width={Math.abs(bx - ax)}
        height={Math.abs(by - ay)}
        fill="rgb(163 33 29 / 0.25)"
        stroke="#a3211d"
        stroke-width={px}
      />
    {:else if retouching.isDrawingAxis && retouching.stroke.length === 2}
      <path d={line(retouching.stroke)} stroke="#a3211d" stroke-width={1.5 * px} stroke-dasharray="{6 * px} {4 * px}" />
    {:else if retouching.isBrushing && retouching.stroke.length}
      <path
        d={line(retouching.stroke)}
        stroke={colour}
        stroke-width={retouching.brush.widthPx}
        stroke-linecap="round"
        stroke-linejoin="round"
      />
    {/if}
    {#if retouching.isBrushing && retouching.hover}
      <circle
        cx={retouching.hover[0]}
        cy={retouching.hover[1]}
        r={retouching.brush.widthPx / 2}
        stroke="white"
        stroke-width={3 * px}
      />
      <circle
        cx={retouching.hover[0]}
        cy={retouching.hover[1]}
        r={retouching.brush.widthPx / 2}
        stroke="#1a1a1a"
        stroke-width={px}
      />
    {/if}
    {#if retouching.outline.length}
      <path d={curveThrough(retouching.outline, false)} stroke="white" stroke-width={3 * px} />
      <path d={curveThrough(retouching.outline, false)} stroke="#1d2e4e" stroke-width={1.5 * px} />
      {#if pull && retouching.hover}
        <path
          d="M{pull.at[0]} {pull.at[1]}L{retouching.hover[0]} {retouching.hover[1]}"
          stroke="#1d2e4e"
          stroke-width={px}
          stroke-dasharray="{4 * px} {3 * px}"
        />
      {/if}
      {#each retouching.outline as { at }, k (k)}
        <circle
          cx={at[0]}
          cy={at[1]}
          r={(k ? 3 : 5) * px}
          fill={k ? '#1d2e4e' : 'white'}
          stroke="#1d2e4e"
          stroke-width={1.5 * px}
        />
      {/each}
    {/if}
  </g>
</svg>
