<script lang="ts">
  import type { Box } from '$core/path';
  import type { View } from '../sheet/view';

  /** The box that is being drawn to choose what lies in it. */
  interface Props {
    box: Box | null;
    view: View;
  }
  const { box, view }: Props = $props();
</script>

{#if box}
  <rect
    x={box.x * view.zoom + view.x}
    y={box.y * view.zoom + view.y}
    width={box.width * view.zoom}
    height={box.height * view.zoom}
    fill="rgb(29 46 78 / 0.08)"
    stroke="#1d2e4e"
    stroke-dasharray="4 3"
  />
{/if}
