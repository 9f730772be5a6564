<script lang="ts">
  import type { View } from '../sheet/view';
  /** A picture of pixels that a worker made. */
  const { bitmap, view, label }: { bitmap: ImageBitmap; view: View; label: string } = $props();
  let canvas = $state<HTMLCanvasElement>();

  $effect(() => {
    const context = canvas!.getContext('2d')!;
    [canvas!.width, canvas!.height] = [bitmap.width, bitmap.height];
    context.drawImage(bitmap, 0, 0);
  });
</script>

<canvas
  bind:this={canvas}
  class="pointer-events-none absolute top-0 left-0 max-w-none origin-top-left"
  style="transform: translate({view.x}px, {view.y}px) scale({view.zoom}); image-rendering: {view.zoom >= 2
    ? 'pixelated'
    : 'auto'}"
  aria-label={label}
  data-made
></canvas>
