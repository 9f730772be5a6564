<script lang="ts">
  import { formatPath, type Point } from '$core/path';
  import type { View } from '../sheet/view';
  import AxisLine from './AxisLine.svelte';
  import type { Below } from './below.svelte';
  import type { Redrawing } from './redrawing.svelte';
  import SnapName from './SnapName.svelte';
  import type { Axis } from '$core/redraw';

  /** What is being drawn, its places and handles, the axis it is mirrored in, and where the drawing lies furthest from its picture. */
  interface Props {
    redrawing: Redrawing;
    below: Below;
    axis: Axis;
    view: View;
    width: number;
    height: number;
  }
  const { redrawing, below, axis, view, width, height }: Props = $props();
  const place = ([x, y]: Point): Point => [x * view.zoom + view.x, y * view.zoom + view.y];
  const outline = $derived(formatPath(redrawing.underWay, 2));
  const px = $derived(1 / view.zoom);
  const places = $derived(redrawing.tool === 'pen' ? redrawing.path.places.map((p) => p.at) : redrawing.places);
  const last = $derived(redrawing.tool === 'pen' ? redrawing.path.places.at(-1) : undefined);
  const worst = $derived(
    below.deviation?.at && below.deviation.greatestPx > 0.5 && below.opacity > 0 ? below.deviation : null,
  );
  const off = $derived(redrawing.offPx);
  /** Beside the pointer: what it is drawn to, and how far what is drawn lies from the picture. */
  const told = $derived.by(() => {
    const at = redrawing.snap?.at ?? redrawing.hover ?? places.at(-1) ?? null;
    const words = [redrawing.snap?.told, off === null ? null : `off by ${off.toFixed(1)} px`].filter(Boolean);
    return at && words.length ? { at, told: words.join(' · ') } : null;
  });
</script>

<svg class="pointer-events-none absolute inset-0 h-full w-full overflow-hidden" aria-hidden="true" data-drawing>
  {#if redrawing.isMirrored}<AxisLine {axis} {view} {width} {height} />{/if}
  <g transform="translate({view.x} {view.y}) scale({view.zoom})" fill="none">
    {#if outline}
      <path d={outline} stroke="#fff" stroke-width={3.5 * px} />
      <path d={outline} stroke="#1d2e4e" stroke-width={1.5 * px} data-under-way />
    {/if}
  </g>
  {#each places as p, k (k)}
    {@const [x, y] = place(p)}
    <rect x={x - 3.5} y={y - 3.5} width="7" height="7" fill={k ? '#fff' : '#1d2e4e'} stroke="#1d2e4e" />
  {/each}
  {#if last?.out}
    {@const [a, b] = [place(last.at), place(last.out)]}
    <path d="M{a[0]} {a[1]}L{b[0]} {b[1]}" stroke="#1d2e4e" />
    <circle cx={b[0]} cy={b[1]} r="4" fill="#fff" stroke="#1d2e4e" stroke-width="1.25" />
  {/if}
  {#if worst?.at}
    {@const [x, y] = place(worst.at)}
    <circle cx={x} cy={y} r="9" fill="none" stroke="#fff" stroke-width="4" />
    <circle cx={x} cy={y} r="9" fill="none" stroke="#a3211d" stroke-width="1.75" data-worst />
  {/if}
  <SnapName snap={told} {view} />
</svg>
