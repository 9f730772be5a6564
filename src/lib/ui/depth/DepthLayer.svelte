<script lang="ts">
  import { formatPath, mapContour, mapPoint } from '$core/path';
  import { gradientHandles, placeAt } from '$core/vector';
  import type { View } from '../sheet/view';
  import type { Deepening } from './deepening.svelte';

  /** Over the artwork: the outlines of what is chosen, and its gradient's way with the ends and stops on it. */
  const { deepening, view }: { deepening: Deepening; view: View } = $props();
  const px = $derived(1 / view.zoom);
  const outlines = $derived(
    deepening.pieces
      .map(({ node, map }) =>
        formatPath(
          node.contours.map((c) => mapContour(map, c)),
          2,
        ),
      )
      .join(''),
  );
  const gradient = $derived(deepening.gradient);
  const map = $derived(deepening.map);
  const handles = $derived(gradient && map ? gradientHandles(gradient, map) : []);
  const way = $derived(gradient && map ? [0, 1].map((at) => mapPoint(map, placeAt(gradient, at))) : null);
  const stopOf = (name: 'from' | 'to' | number): number =>
    typeof name === 'number' ? name : name === 'from' ? 0 : gradient!.stops.length - 1;
</script>

<svg class="pointer-events-none absolute inset-0 h-full w-full overflow-hidden" aria-hidden="true" data-depth-layer>
  <g transform="translate({view.x} {view.y}) scale({view.zoom})" fill="none">
    {#if outlines}
      <path d={outlines} stroke="#fff" stroke-width={3 * px} />
      <path d={outlines} stroke="#1d2e4e" stroke-width={1.25 * px} data-chosen-outline />
    {/if}
    {#if way && gradient}
      {@const [a, b] = way}
      {#if gradient.kind === 'radial'}
        <circle
          cx={a[0]}
          cy={a[1]}
          r={Math.hypot(b[0] - a[0], b[1] - a[1])}
          stroke="#fff"
          stroke-width={2.5 * px}
          stroke-opacity="0.7"
        />
        <circle
          cx={a[0]}
          cy={a[1]}
          r={Math.hypot(b[0] - a[0], b[1] - a[1])}
          stroke="#1d2e4e"
          stroke-width={px}
          stroke-dasharray="{4 * px} {4 * px}"
        />
      {/if}
      <path d="M{a[0]} {a[1]}L{b[0]} {b[1]}" stroke="#fff" stroke-width={4 * px} />
      <path d="M{a[0]} {a[1]}L{b[0]} {b[1]}" stroke="#1d2e4e" stroke-width={1.5 * px} />
      {#each handles as { name, at } (name)}
        {@const k = stopOf(name)}
        {@const isMarked = deepening.stop === k}
        {#if typeof name === 'number'}
          <rect
            x={at[0] - 5 * px}
            y={at[1] - 5 * px}
            width={10 * px}
            height={10 * px}
            transform="rotate(45 {at[0]} {at[1]})"
            fill={gradient.stops[k].hex}
            stroke={isMarked ? '#a3211d' : '#fff'}
            stroke-width={2 * px}
            data-handle={name}
          />
        {:else}
          <circle cx={at[0]} cy={at[1]} r={8 * px} fill="#1d2e4e" />
          <circle
            cx={at[0]}
            cy={at[1]}
            r={6.5 * px}
            fill={gradient.stops[k].hex}
            stroke={isMarked ? '#a3211d' : '#fff'}
            stroke-width={2 * px}
            data-handle={name}
          />
        {/if}
      {/each}
    {/if}
  </g>
</svg>
