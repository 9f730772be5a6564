<script lang="ts">
  import type { Axis } from '$core/redraw';
  import type { View } from '../sheet/view';

  /** An axis that something is mirrored in, across the sheet. */
  interface Props {
    axis: Axis;
    view: View;
    width: number;
    height: number;
  }
  const { axis, view, width, height }: Props = $props();
  const d = $derived.by(() => {
    const t = (axis.angleDeg * Math.PI) / 180;
    const far = (width + height) * view.zoom;
    const [x, y] = [axis.through[0] * view.zoom + view.x, axis.through[1] * view.zoom + view.y];
    const [dx, dy] = [far * Math.cos(t), far * Math.sin(t)];
    return `M${x - dx} ${y - dy}L${x + dx} ${y + dy}`;
  });
</script>

<path {d} stroke="#a3211d" stroke-width="1.25" stroke-dasharray="9 5" data-axis />
