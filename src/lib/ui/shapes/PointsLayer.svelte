<script lang="ts">
  import { mapPoint, type Point } from '$core/path';
  import { findNode, handlesAt, pointOfContour, pointsOf } from '$core/vector';
  import type { Axis } from '$core/redraw';
  import type { View } from '../sheet/view';
  import AxisLine from './AxisLine.svelte';
  import DrawnBox from './DrawnBox.svelte';
  import type { Pointing, Picked } from './pointing.svelte';
  import SnapName from './SnapName.svelte';
  import type { Shaping } from './shaping.svelte';

  /** The points of what is chosen, those that are picked with their handles, and the name of what one is drawn to. */
  interface Props {
    shaping: Shaping;
    pointing: Pointing;
    view: View;
    /** The axis about which the other half follows. */
    axis: Axis | null;
  }
  const { shaping, pointing, view, axis }: Props = $props();
  const sizeOf = ({ line: { drawing } }: Shaping) => ({ width: drawing.widthPx, height: drawing.heightPx });
  const place = ([x, y]: Point): Point => [x * view.zoom + view.x, y * view.zoom + view.y];
  const square = ([x, y]: Point, r: number): string =>
    `M${(x - r).toFixed(1)} ${(y - r).toFixed(1)}h${2 * r}v${2 * r}h${-2 * r}z`;

  const all = $derived(
    pointing.pieces
      .flatMap(({ node, map }) =>
        pointsOf(node).map((at) =>
          square(place(mapPoint(map, pointOfContour(node.contours[at.contour], at.index))), 3),
        ),
      )
      .join(''),
  );
  interface Shown {
    readonly at: Point;
    readonly handles: readonly Point[];
  }
  const picked = $derived(pointing.picked.flatMap((p: Picked): Shown[] => shownOf(p)));
  function shownOf(p: Picked): Shown[] {
    const placed = findNode(shaping.line.drawing, p.nodeId);
    if (placed?.node.kind !== 'piece') return [];
    const contour = placed.node.contours[p.contour];
    if (!contour || p.index > contour.segments.length) return [];
    const { into, out } = handlesAt(placed.node, p);
    return [
      {
        at: place(mapPoint(placed.map, pointOfContour(contour, p.index))),
        handles: [into, out].filter((h) => h !== null).map((h) => place(mapPoint(placed.map, h))),
      },
    ];
  }
</script>

<svg class="pointer-events-none absolute inset-0 h-full w-full overflow-hidden" aria-hidden="true" data-point-layer>
  {#if axis}<AxisLine {axis} {view} {...sizeOf(shaping)} />{/if}
  <path d={all} fill="#fff" stroke="#1d2e4e" stroke-width="1" data-points />
  {#each picked as { at, handles }, k (k)}
    {#each handles as h, m (m)}
      <path d="M{at[0]} {at[1]}L{h[0]} {h[1]}" stroke="#1d2e4e" stroke-width="1" />
      <circle cx={h[0]} cy={h[1]} r="4" fill="#fff" stroke="#1d2e4e" stroke-width="1.25" data-handle />
    {/each}
    <path d={square(at, 4)} fill="#1d2e4e" stroke="#fff" stroke-width="1" data-picked-point />
  {/each}

  <DrawnBox box={pointing.boxing} {view} />
  <SnapName snap={pointing.snap} {view} />
</svg>
