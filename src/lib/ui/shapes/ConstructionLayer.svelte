<script lang="ts">
  import type { Construction } from '$core/exact';
  import type { View } from '../sheet/view';

  /** The lines and circles that outlines lie on, over the artwork. */
  interface Props {
    shown: Pick<Construction, 'lines' | 'circles'>;
    view: View;
  }
  const { shown, view }: Props = $props();
  const px = $derived(1 / view.zoom);
  /** How far lines go on beyond what lies on them, in pixels of the screen. */
  const BEYOND_PX = 40;
  const ends = $derived(
    shown.lines.map(({ from, to }) => {
      const long = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
      const [x, y] = [((to[0] - from[0]) / long) * BEYOND_PX * px, ((to[1] - from[1]) / long) * BEYOND_PX * px];
      return `M${from[0] - x} ${from[1] - y}L${to[0] + x} ${to[1] + y}`;
    }),
  );
</script>

<svg
  class="pointer-events-none absolute inset-0 h-full w-full overflow-hidden"
  aria-hidden="true"
  data-construction={shown.circles.length + shown.lines.length}
>
  <g transform="translate({view.x} {view.y}) scale({view.zoom})" fill="none">
    <!-- Light under dark, so that they are seen on any ink. -->
    {#each [['#fff', 3, 0.7], ['#2f7d78', 1.25, 1]] as [stroke, width, opacity] (stroke)}
      <g stroke={String(stroke)} stroke-width={Number(width) * px} stroke-opacity={Number(opacity)}>
        {#each shown.circles as { centre, radiusPx }, k (k)}<circle cx={centre[0]} cy={centre[1]} r={radiusPx} />{/each}
        <path d={ends.join('')} />
      </g>
    {/each}
    {#each shown.circles as { centre }, k (k)}
      <path
        d="M{centre[0] - 4 * px} {centre[1]}h{8 * px}M{centre[0]} {centre[1] - 4 * px}v{8 * px}"
        stroke="#2f7d78"
        stroke-width={px}
      />
    {/each}
  </g>
</svg>
