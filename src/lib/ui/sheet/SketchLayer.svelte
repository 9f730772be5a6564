<script lang="ts">
  import type { SketchLeft } from '$lib/contract/answers';
  import type { View } from './view';
  /** The sketch that a candidate was made from, over it, where its figure lies. Its paper lets the candidate through. */
  interface Props {
    sketch: SketchLeft;
    width: number;
    height: number;
    view: View;
    opacity: number;
  }
  const { sketch, width, height, view, opacity }: Props = $props();
  // The frame is square: the sketch's picture lies in its middle, as large as fits.
  const side = $derived(Math.min(width, height));
  const left = $derived((width - side) / 2 + sketch.frame.x * side);
  const top = $derived((height - side) / 2 + sketch.frame.y * side);
</script>

<img
  src="/api/pictures/{sketch.pictureId}"
  alt="The sketch over the candidate"
  draggable="false"
  class="pointer-events-none absolute object-contain mix-blend-multiply select-none"
  style="left: {view.x + left * view.zoom}px; top: {view.y + top * view.zoom}px; width: {sketch.frame.width *
    side *
    view.zoom}px; height: {sketch.frame.height * side * view.zoom}px; opacity: {opacity}"
/>
