<script lang="ts">
  /** A line that is dragged across the sheet; `share` is where it stands, 0 at the left edge, 1 at the right. */
  let { share = $bindable(0.5) }: { share?: number } = $props();
  let line = $state<HTMLDivElement>();
  let dragging = $state(false);

  function move(event: PointerEvent): void {
    if (!dragging) return;
    const box = line!.parentElement!.getBoundingClientRect();
    share = Math.max(0, Math.min(1, (event.clientX - box.left) / box.width));
  }

  function key(event: KeyboardEvent): void {
    const by = { ArrowLeft: -0.02, ArrowRight: 0.02, Home: -1, End: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    share = Math.max(0, Math.min(1, share + by));
  }
</script>

<div
  bind:this={line}
  class="absolute top-0 bottom-0 w-5 -translate-x-1/2 cursor-ew-resize touch-none"
  style="left: {share * 100}%"
  role="slider"
  aria-orientation="horizontal"
  aria-label="Picture before the trace, percent"
  aria-valuenow={Math.round(share * 100)}
  aria-valuemin={0}
  aria-valuemax={100}
  tabindex="0"
  onpointerdown={(e) => {
    e.stopPropagation();
    dragging = true;
    line!.setPointerCapture(e.pointerId);
  }}
  onpointermove={move}
  onpointerup={(e) => {
    e.stopPropagation();
    dragging = false;
  }}
  onkeydown={key}
>
  <div class="pointer-events-none absolute top-0 bottom-0 left-1/2 w-px bg-[#1d2e4e] outline outline-white/80"></div>
  <div
    class="pointer-events-none absolute top-1/2 left-1/2 h-7 w-3 -translate-x-1/2 -translate-y-1/2 rounded-[2px] border border-white bg-[#1d2e4e]"
  ></div>
</div>
