<script lang="ts">
  import { counted } from '../counted';
  import { allPieces, figuresOf, findNode, inksOfPiece } from '$core/vector';
  import Typed from '../slip/Typed.svelte';
  import { nameOfNode } from './names';
  import type { Shaping } from './shaping.svelte';

  /** What is chosen, in figures that can be typed: where it stands, how large it is. */
  interface Props {
    shaping: Shaping;
  }
  const { shaping }: Props = $props();
  /** As it is kept: only the box follows a drag. */
  const drawing = $derived(shaping.line.kept);
  const chosen = $derived(shaping.chosen);
  const box = $derived(shaping.box);
  const figures = $derived(figuresOf(drawing, chosen.length ? chosen : drawing.nodes.map((n) => n.id)));
  const node = $derived(chosen.length === 1 ? (findNode(drawing, chosen[0])?.node ?? null) : null);
  const inks = $derived([
    ...new Set(
      allPieces(drawing)
        .filter((p) => chosen.includes(p.id))
        .flatMap(inksOfPiece),
    ),
  ]);
  const inkNames = $derived(inks.map((k) => drawing.inks.find((i) => i.id === k)?.name ?? '').join(', '));
  const shown = (x: number) => (Math.round(x * 10) / 10).toFixed(1);

  const PLACES = [
    ['upper left', 0, 0],
    ['upper side', 0.5, 0],
    ['upper right', 1, 0],
    ['left side', 0, 0.5],
    ['middle', 0.5, 0.5],
    ['right side', 1, 0.5],
    ['lower left', 0, 1],
    ['lower side', 0.5, 1],
    ['lower right', 1, 1],
  ] as const;
  const placeOf = (u: number, v: number): [number, number] => [box!.x + u * box!.width, box!.y + v * box!.height];
  /** A point that was dragged to where none of these lies. */
  const ELSEWHERE = 'elsewhere';
  const aboutNow = $derived.by(() => {
    const { pivot } = shaping;
    const found = PLACES.find(([, u, v]) => {
      const [x, y] = placeOf(u, v);
      return pivot !== null && Math.hypot(pivot[0] - x, pivot[1] - y) < 1e-6;
    });
    return found?.[0] ?? ELSEWHERE;
  });
  function chooseAbout(name: string): void {
    const found = PLACES.find(([own]) => own === name);
    if (found) shaping.about = placeOf(found[1], found[2]);
  }

  const FIELDS = [
    ['x', 'left'],
    ['y', 'top'],
    ['width', 'wide'],
    ['height', 'high'],
  ] as const;
  function typed(what: 'x' | 'y' | 'width' | 'height' | 'turn', text: string): void {
    const value = Number(text.replace(',', '.').replace(/px|°/g, ''));
    if (text.trim() && Number.isFinite(value)) shaping.place(what, value);
  }
</script>

<section class="mb-4" aria-label="Chosen" data-chosen={chosen.length}>
  <p class="mb-2" role="status">
    <b>{chosen.length === 0 ? 'Everything' : node ? nameOfNode(drawing, node) : `${chosen.length} chosen`}</b>
    <span class="text-muted">
      {counted(figures.pieces, 'piece')}{inkNames ? ` · ${inkNames}` : ''} · {counted(figures.points, 'point')} · {Math.round(
        figures.areaPx2,
      ).toLocaleString('en-GB')} px²
    </span>
  </p>
  {#if box}
    <div class="grid grid-cols-2 gap-x-3 gap-y-1.5">
      {#each FIELDS as [what, label] (what)}
        <label class="flex items-center justify-between gap-1 text-muted"
          >{label}
          <Typed
            class="field w-[78px] text-right"
            value={shown(box[what])}
            inputmode="decimal"
            aria-label="{label}, in px"
            ontyped={(text) => typed(what, text)}
          /></label
        >
      {/each}
      <label class="flex items-center justify-between gap-1 text-muted"
        >turn by
        <Typed
          class="field w-[78px] text-right"
          value="0.0"
          inputmode="decimal"
          aria-label="turn by, in degrees"
          ontyped={(text) => typed('turn', text)}
        /></label
      >
      <label class="flex items-center justify-between gap-1 text-muted"
        >about
        <select
          class="field w-[92px] text-text"
          value={aboutNow}
          onchange={(e) => chooseAbout(e.currentTarget.value)}
          aria-label="About which point it is scaled, turned and mirrored"
          title="The mark that shows it on the sheet can be dragged to any point"
        >
          {#each PLACES as [name] (name)}<option value={name}>{name}</option>{/each}
          {#if aboutNow === ELSEWHERE}<option value={ELSEWHERE}>{ELSEWHERE}</option>{/if}
        </select></label
      >
    </div>
  {:else}
    <p class="text-[12px] text-muted">Press a piece to choose it, again for what lies below; drag a box for several.</p>
  {/if}
</section>
