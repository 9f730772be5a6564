<script lang="ts">
  /** A text in a face, as an outline. */
  interface Props {
    d: string;
    box: readonly [number, number, number, number];
    alt: string;
    height?: number;
  }
  const { d, box, alt, height = 30 }: Props = $props();
  const pad = 8;
</script>

<svg
  viewBox="{box[0] - pad} {Math.min(box[1], -110)} {box[2] + 2 * pad} {Math.max(box[1] + box[3], 34) -
    Math.min(box[1], -110)}"
  preserveAspectRatio="xMinYMid meet"
  style="height: {height}px"
  class="w-full"
  role="img"
  aria-label={alt}><path {d} fill="currentColor" /></svg
>
