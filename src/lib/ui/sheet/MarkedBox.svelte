<script lang="ts">
  import type { View } from './view';
  /** A marked box of the work: what lies outside it is dimmed. Arrow keys move it; with shift they change its size. */
  interface Box {
    x: number;
    y: number;
    width: number;
    height: number;
  }
  let { box = $bindable(), width, height, view }: { box: Box; width: number; height: number; view: View } = $props();

  function press(event: KeyboardEvent): void {
    const step = Math.max(1, Math.round(width / 64));
    const [dx, dy] = (
      { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] } as Record<
        string,
        number[]
      >
    )[event.key] ?? [0, 0];
    if (!dx && !dy) return;
    event.preventDefault();
    event.stopPropagation();
    const between = (v: number, least: number, most: number) => Math.max(least, Math.min(most, v));
    if (event.shiftKey)
      box = {
        ...box,
        width: between(box.width + dx, 12, width - box.x),
        height: between(box.height + dy, 12, height - box.y),
      };
    else box = { ...box, x: between(box.x + dx, 0, width - box.width), y: between(box.y + dy, 0, height - box.height) };
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
  class="absolute border border-white outline-1 outline-black/70"
  style="left: {view.x + box.x * view.zoom}px; top: {view.y + box.y * view.zoom}px; width: {box.width *
    view.zoom}px; height: {box.height * view.zoom}px; box-shadow: 0 0 0 4000px rgb(0 0 0 / 0.28)"
  role="application"
  aria-label="Marked area: arrow keys move it, with shift they change its size"
  tabindex="0"
  onkeydown={press}
  data-marked
></div>
