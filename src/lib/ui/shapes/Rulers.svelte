<script lang="ts">
  import type { Guide } from '$core/vector';
  import type { View } from '../sheet/view';

  /** Rulers above and beside the sheet, in its pixels. A drag out of one pulls a guide; a guide is moved, or put back, by its mark on the ruler. */
  interface Props {
    view: View;
    guides: readonly Guide[];
    /** Told of a guide that is pulled, moved or, with null, put back, while that goes on and when it ends. */
    onguide: (guide: Guide | null, id: string, what: 'drag' | 'end') => void;
  }
  const { view, guides, onguide }: Props = $props();
  const box = $state({ width: 0, height: 0 });
  const THICK_PX = 18;
  /** Ticks lie at least this far apart on the screen. */
  const APART_PX = 8;

  /** Lengths between ticks, and every how many of them a figure stands. */
  const steps = $derived.by(() => {
    const least = APART_PX / view.zoom;
    const power = 10 ** Math.floor(Math.log10(least));
    const tick = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= least)!;
    return { tick, figure: tick * (String(tick).replace(/[0.]/g, '').startsWith('2') ? 5 : 10) };
  });
  /** All ticks of a ruler as one path, and its figures. */
  function ticksOf(
    offset: number,
    size: number,
    axis: 0 | 1,
  ): { path: string; figures: { at: number; told: string }[] } {
    const { tick, figure } = steps;
    const first = Math.ceil(-offset / view.zoom / tick);
    const last = Math.floor((size - offset) / view.zoom / tick);
    let path = '';
    const figures: { at: number; told: string }[] = [];
    for (let k = first; k <= last; k++) {
      const value = k * tick;
      const at = Math.round(10 * (offset + value * view.zoom)) / 10;
      const isFigure = Math.abs(value / figure - Math.round(value / figure)) < 1e-6;
      if (isFigure) figures.push({ at, told: String(Math.round(value * 100) / 100) });
      const long = isFigure ? 10 : 4;
      path += axis === 0 ? `M${at} ${THICK_PX}v${-long}` : `M${THICK_PX} ${at}h${-long}`;
    }
    return { path, figures };
  }
  const across = $derived(ticksOf(view.x, box.width, 0));
  const down = $derived(ticksOf(view.y, box.height, 1));
  type Straight = Guide & { kind: 'line' };
  const straight = $derived(guides.filter((g): g is Straight => g.kind === 'line'));
  const levels = $derived(straight.filter((g) => g.angleDeg === 0));
  const uprights = $derived(straight.filter((g) => g.angleDeg === 90));
  /** Where the mark of a guide stands on its ruler. */
  const placeOf = ({ through }: Straight, axis: 0 | 1): number =>
    (axis === 0 ? view.x : view.y) + through[axis] * view.zoom;

  let element = $state<HTMLDivElement>();
  let pulled: { id: string; axis: 0 | 1 } | null = null;

  function start(event: PointerEvent, axis: 0 | 1): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    const [x, y] = at(event);
    const near = (axis === 1 ? uprights : levels).find(
      (g) => Math.abs(placeOf(g, axis === 1 ? 0 : 1) - (axis === 1 ? x : y)) <= 6,
    );
    // A ruler above gives level guides, or moves upright ones along it; one beside the other way round.
    if (near) pulled = { id: near.id, axis: axis === 1 ? 0 : 1 };
    else pulled = { id: `guide-${crypto.randomUUID().slice(0, 8)}`, axis };
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  }
  const at = (event: PointerEvent): [number, number] => {
    const own = element!.getBoundingClientRect();
    return [event.clientX - own.left, event.clientY - own.top];
  };
  function guideAt(event: PointerEvent): Guide | null {
    const [x, y] = at(event);
    const { id, axis } = pulled!;
    // To tenths while one looks from afar, finer from near by.
    const fine = view.zoom > 4 ? 100 : 10;
    const round = (v: number) => Math.round(v * fine) / fine;
    // A guide that is dragged to the ruler it came from is put back.
    if (axis === 1 ? y < THICK_PX : x < THICK_PX) return null;
    return axis === 1
      ? { id, kind: 'line', through: [0, round((y - view.y) / view.zoom)], angleDeg: 0 }
      : { id, kind: 'line', through: [round((x - view.x) / view.zoom), 0], angleDeg: 90 };
  }
  function move(event: PointerEvent): void {
    if (pulled) onguide(guideAt(event), pulled.id, 'drag');
  }
  function end(event: PointerEvent): void {
    if (!pulled) return;
    event.stopPropagation();
    onguide(guideAt(event), pulled.id, 'end');
    pulled = null;
  }
</script>

{#snippet ruler(axis: 0 | 1)}
  {@const isAbove = axis === 1}
  {@const { path, figures } = isAbove ? across : down}
  <svg
    class="pointer-events-auto absolute top-0 left-0 touch-none border-line bg-panel {isAbove
      ? 'w-full cursor-row-resize border-b'
      : 'h-full cursor-col-resize border-r'}"
    width={isAbove ? undefined : THICK_PX}
    height={isAbove ? THICK_PX : undefined}
    role="img"
    aria-label={isAbove
      ? 'Ruler above the sheet: drag out of it for a level guide'
      : 'Ruler beside the sheet: drag out of it for an upright guide'}
    data-ruler={isAbove ? 'above' : 'beside'}
    onpointerdown={(e) => start(e, axis)}
    onpointermove={move}
    onpointerup={end}
    onpointercancel={end}
  >
    <path d={path} stroke="var(--muted)" stroke-width="1" />
    {#each figures as { at: place, told }, k (k)}
      <text
        x={isAbove ? place + 3 : 10}
        y={isAbove ? 10 : place + 3}
        font-size="9"
        fill="var(--muted)"
        transform={isAbove ? undefined : `rotate(-90 10 ${place})`}
        text-anchor={isAbove ? undefined : 'end'}>{told}</text
      >
    {/each}
    {#each isAbove ? uprights : levels as g (g.id)}
      {@const place = placeOf(g, isAbove ? 0 : 1)}
      <path
        d={isAbove ? `M${place} ${THICK_PX}l-5 -8h10z` : `M${THICK_PX} ${place}l-8 -5v10z`}
        fill="#1d2e4e"
        stroke="#fff"
        data-guide-mark={g.id}
      />
    {/each}
  </svg>
{/snippet}

<div
  bind:this={element}
  bind:clientWidth={box.width}
  bind:clientHeight={box.height}
  class="pointer-events-none absolute inset-0 overflow-hidden"
>
  {@render ruler(1)}
  {@render ruler(0)}
  <div
    class="absolute top-0 left-0 border-r border-b border-line bg-panel"
    style="width: {THICK_PX}px; height: {THICK_PX}px"
  ></div>
</div>
