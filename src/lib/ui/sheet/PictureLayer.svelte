<script lang="ts">
  import type { View } from './view';
  /** A picture of pixels; its pixels are shown as such once they are enlarged. */
  const { href, width, height, view, alt }: { href: string; width: number; height: number; view: View; alt: string } =
    $props();
</script>

<img
  src={href}
  {width}
  {height}
  {alt}
  draggable="false"
  class="pointer-events-none absolute top-0 left-0 max-w-none origin-top-left select-none"
  style="transform: translate({view.x}px, {view.y}px) scale({view.zoom}); image-rendering: {view.zoom >= 2
    ? 'pixelated'
    : 'auto'}"
/>
