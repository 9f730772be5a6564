<script lang="ts">
  import type { Picture } from '$core/raster';
  /** Draws a picture on a canvas; `side` is the longer side in CSS pixels, the picture's own when left out. */
  const { picture, side, label }: { picture: Picture; side?: number; label: string } = $props();
  let canvas = $state<HTMLCanvasElement>();
  const scale = $derived(side ? side / Math.max(picture.widthPx, picture.heightPx) : 1);

  $effect(() => {
    const { widthPx, heightPx, rgba } = picture;
    canvas!.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(rgba), widthPx, heightPx), 0, 0);
  });
</script>

<canvas
  bind:this={canvas}
  width={picture.widthPx}
  height={picture.heightPx}
  style="width: {picture.widthPx * scale}px; height: {picture.heightPx * scale}px"
  aria-label={label}
></canvas>
