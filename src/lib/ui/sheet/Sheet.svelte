<script lang="ts">
  import type { Snippet } from 'svelte';
  import { keys } from '../keys.svelte';
  import { fitView, pointUnder, zoomAbout, type DrawGesture, type View } from './view';

  /** The work on its ground, on a neutral mat, with one zoom and one pan for all its layers. */
  interface Props {
    width: number;
    height: number;
    label: string;
    /** The colour under the work; null shows that there is nothing. */
    ground: string | null;
    layers: Snippet<[View]>;
    /** Stands in the line under the sheet, after the zoom. */
    foot?: Snippet;
    onpick?: (point: [number, number]) => void;
    /** While given, a drag marks a box of the work, in its pixels, instead of moving the sheet; told as it grows. */
    onmark?: (box: { x: number; y: number; width: number; height: number }) => void;
    /** While given, presses and drags with the main button draw on the work instead of moving the sheet; with Alt, or the middle button, they still move it. */
    ondraw?: (gesture: DrawGesture) => void;
  }
  const { width, height, label, ground, layers, foot, onpick, onmark, ondraw }: Props = $props();

  let element = $state<HTMLDivElement>();
  const size = $state({ width: 0, height: 0 });
  let own = $state<View | null>(null);
  const view = $derived<View>(own ?? fitView(size.width || 800, size.height || 600, width, height));

  const middle = (): [number, number] => [size.width / 2, size.height / 2];
  const zoomBy = (factor: number, at = middle()): void => void (own = zoomAbout(view, view.zoom * factor, ...at));
  const panBy = (dx: number, dy: number): void => void (own = { ...view, x: view.x + dx, y: view.y + dy });
  const actual = (): void => void (own = zoomAbout(view, 1, ...middle()));
  const fit = (): void => void (own = null);

  $effect(() =>
    keys.add([
      { press: '+', label: 'Zoom in', run: () => zoomBy(1.5) },
      { press: '=', label: 'Zoom in', run: () => zoomBy(1.5) },
      { press: '-', label: 'Zoom out', run: () => zoomBy(1 / 1.5) },
      { press: 'f', label: 'Fit the sheet', run: fit },
      { press: '1', label: 'Actual size', run: actual },
      { press: 'ArrowLeft', label: 'Move the sheet', run: () => panBy(60, 0) },
      { press: 'ArrowRight', label: 'Move the sheet', run: () => panBy(-60, 0) },
      { press: 'ArrowUp', label: 'Move the sheet', run: () => panBy(0, 60) },
      { press: 'ArrowDown', label: 'Move the sheet', run: () => panBy(0, -60) },
    ]),
  );

  const at = (event: MouseEvent): [number, number] => {
    const box = element!.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  };

  function wheel(event: WheelEvent): void {
    event.preventDefault();
    zoomBy(Math.exp(-event.deltaY * (event.deltaMode ? 0.05 : 0.0018)), at(event));
  }

  let drag = $state<{ x: number; y: number; moved: boolean; from: [number, number] | null } | null>(null);

  let drawing = false;
  const draw = (what: DrawGesture['what'], event: PointerEvent): void =>
    ondraw?.({ what, point: pointUnder(view, ...at(event)), shift: event.shiftKey, zoom: view.zoom });

  function down(event: PointerEvent): void {
    if (event.button > 1) return;
    const [x, y] = at(event);
    if (ondraw && event.button === 0 && !event.altKey) {
      drawing = true;
      element!.setPointerCapture(event.pointerId);
      draw('down', event);
      return;
    }
    drag = { x, y, moved: false, from: onmark && event.button === 0 && !event.altKey ? pointUnder(view, x, y) : null };
    element!.setPointerCapture(event.pointerId);
  }

  function move(event: PointerEvent): void {
    if (drawing || (ondraw && !drag)) {
      // All that the pointer went through since the last frame: a fast stroke is as round as a slow one.
      const all = drawing ? (event.getCoalescedEvents?.() ?? []) : [];
      for (const one of all.length ? all : [event]) draw(drawing ? 'drag' : 'hover', one);
      return;
    }
    if (!drag) return;
    const [x, y] = at(event);
    const moved = drag.moved || Math.hypot(x - drag.x, y - drag.y) > 3;
    if (!moved) return;
    if (drag.from && onmark) mark(drag.from, pointUnder(view, x, y));
    else panBy(x - drag.x, y - drag.y);
    drag = { x, y, moved, from: drag.from };
  }

  /** A box between two points, kept within the work. */
  function mark([ax, ay]: [number, number], [bx, by]: [number, number]): void {
    const within = (v: number, most: number) => Math.max(0, Math.min(most, v));
    const [x0, x1] = [within(Math.min(ax, bx), width), within(Math.max(ax, bx), width)];
    const [y0, y1] = [within(Math.min(ay, by), height), within(Math.max(ay, by), height)];
    onmark?.({ x: x0, y: y0, width: x1 - x0, height: y1 - y0 });
  }

  function up(event: PointerEvent): void {
    if (drawing) {
      drawing = false;
      draw('up', event);
      return;
    }
    if (drag && !drag.moved) onpick?.(pointUnder(view, ...at(event)));
    drag = null;
  }

  // Wheel listeners are passive unless said otherwise, and then the page would zoom as well.
  $effect(() => {
    const target = element!;
    target.addEventListener('wheel', wheel, { passive: false });
    return () => target.removeEventListener('wheel', wheel);
  });
</script>

<div class="flex h-full flex-col">
  <div
    bind:this={element}
    bind:clientWidth={size.width}
    bind:clientHeight={size.height}
    class="relative min-h-0 flex-1 touch-none overflow-hidden {onmark || ondraw
      ? 'cursor-crosshair'
      : drag?.moved
        ? 'cursor-grabbing'
        : onpick
          ? 'cursor-default'
          : 'cursor-grab'}"
    role="application"
    aria-label={label}
    data-zoom={view.zoom.toFixed(4)}
    onpointerdown={down}
    onpointermove={move}
    onpointerup={up}
    onpointercancel={(e) => (drawing ? up(e) : (drag = null))}
    onpointerleave={(e) => !drawing && draw('leave', e)}
  >
    <div
      class="absolute shadow-[0_1px_3px_rgb(0_0_0/0.25)] {ground === null ? 'nothing' : ''}"
      style="left: {view.x}px; top: {view.y}px; width: {width * view.zoom}px; height: {height *
        view.zoom}px; {ground === null ? '' : `background: ${ground}`}"
    ></div>
    {@render layers(view)}
  </div>
  <div class="flex h-9 shrink-0 items-center gap-4 px-4 text-muted">
    <span class="w-12 text-right" aria-live="off"
      >{view.zoom >= 0.1 ? Math.round(view.zoom * 100) : (view.zoom * 100).toFixed(1)}%</span
    >
    <button class="quiet" onclick={fit} disabled={!own}>Fit</button>
    <button class="quiet" onclick={actual} disabled={view.zoom === 1}>Actual size</button>
    {@render foot?.()}
  </div>
</div>
