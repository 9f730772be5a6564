<script lang="ts">
  import type { Point } from '$core/path';
  import type { View } from '../sheet/view';

  /** The name of what a place that is dragged lies on, beside it. */
  interface Props {
    snap: { readonly at: Point; readonly told: string } | null;
    view: View;
  }
  const { snap, view }: Props = $props();
</script>

{#if snap}
  <text
    x={snap.at[0] * view.zoom + view.x + 10}
    y={snap.at[1] * view.zoom + view.y - 8}
    font-size="12"
    fill="#1d2e4e"
    stroke="#fff"
    stroke-width="3"
    paint-order="stroke"
    data-snap>{snap.told}</text
  >
{/if}
