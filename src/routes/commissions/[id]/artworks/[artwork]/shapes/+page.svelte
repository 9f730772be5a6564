<script lang="ts">
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { allPieces, type Guide } from '$core/vector';
  import GroundPicker from '$lib/ui/artwork/GroundPicker.svelte';
  import { OnGround } from '$lib/ui/artwork/ground.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import { Below } from '$lib/ui/shapes/below.svelte';
  import BelowLayer from '$lib/ui/shapes/BelowLayer.svelte';
  import { Constructing } from '$lib/ui/shapes/constructing.svelte';
  import ConstructionLayer from '$lib/ui/shapes/ConstructionLayer.svelte';
  import ConstructionNote from '$lib/ui/shapes/ConstructionNote.svelte';
  import DrawForm from '$lib/ui/shapes/DrawForm.svelte';
  import DrawLayer from '$lib/ui/shapes/DrawLayer.svelte';
  import GuidesLayer from '$lib/ui/shapes/GuidesLayer.svelte';
  import { Redrawing } from '$lib/ui/shapes/redrawing.svelte';
  import Rulers from '$lib/ui/shapes/Rulers.svelte';
  import ActForm from '$lib/ui/shapes/ActForm.svelte';
  import ChosenForm from '$lib/ui/shapes/ChosenForm.svelte';
  import NearlyList from '$lib/ui/shapes/NearlyList.svelte';
  import ShapesLayer from '$lib/ui/shapes/ShapesLayer.svelte';
  import { Pointing } from '$lib/ui/shapes/pointing.svelte';
  import PointForm from '$lib/ui/shapes/PointForm.svelte';
  import PointsLayer from '$lib/ui/shapes/PointsLayer.svelte';
  import { ACTS, Shaping } from '$lib/ui/shapes/shaping.svelte';
  import Stack from '$lib/ui/shapes/Stack.svelte';
  import ArtworkLayer from '$lib/ui/sheet/ArtworkLayer.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import { oncePerFrame } from '$lib/ui/sheet/view';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import { heard } from '$lib/ui/work/heard.svelte';
  import { lineOf } from '$lib/ui/work/line.svelte';
  import { placeOf } from '$lib/ui/work/places';

  const { data } = $props();
  const work = heard(() => data.artwork, lineOf);
  const line = $derived(work.line);
  const current = $derived(line.state);
  const drawing = $derived(line.drawing);
  const kept = $derived(line.kept);
  const shaping = new Shaping(() => line);
  const pointing = new Pointing(shaping);
  const constructing = new Constructing(shaping);
  // svelte-ignore state_referenced_locally
  const workId = data.artwork.id;
  const below = new Below(
    () => data.pictures,
    () => line.kept,
    `odd-quill-below-${workId}`,
  );
  const redrawing = new Redrawing(shaping, below, () => constructing.axis, `odd-quill-draw-${workId}`);
  shaping.more = () => ({ construction: constructing.shown, pictureAt: below.edgeAt });
  pointing.axis = () => (pointing.isMirrored ? constructing.axis : null);

  const draw = oncePerFrame((gesture) => {
    if (redrawing.on) redrawing.draw(gesture);
    else if (pointing.on) pointing.draw(gesture);
    else shaping.draw(gesture);
  });

  $effect(() => {
    void kept;
    untrack(() => {
      shaping.prune();
      pointing.prune();
      redrawing.refresh();
      shaping.refresh();
      below.measure();
    });
  });
  $effect(() => {
    void [kept, shaping.chosen];
    untrack(() => shaping.look());
  });
  $effect(() => {
    void [kept, shaping.chosen, constructing.on, redrawing.isMirrored, pointing.isMirrored];
    untrack(() => {
      if (constructing.on || redrawing.isMirrored || pointing.isMirrored) constructing.look();
    });
  });
  // The edges of the picture are found once somebody draws over it, or sees it.
  $effect(() => {
    if (redrawing.on || below.opacity > 0) untrack(() => below.find());
  });

  /** A guide that is being pulled out of a ruler, or along it. */
  let pulled = $state.raw<{ guide: Guide | null; id: string } | null>(null);
  const guides = $derived.by(() => {
    const list = kept.guides.filter((g) => g.id !== pulled?.id);
    return pulled?.guide ? [...list, pulled.guide] : list;
  });
  function pull(guide: Guide | null, id: string, what: 'drag' | 'end'): void {
    pulled = what === 'drag' ? { guide, id } : null;
    if (what === 'drag') return;
    if (guide) shaping.edit([{ kind: 'set-guide', guide }]);
    else if (kept.guides.some((g) => g.id === id)) shaping.edit([{ kind: 'remove-guide', guideId: id }]);
  }

  const onGround = new OnGround(
    () => data.commission.grounds,
    () => current,
  );

  async function onward(): Promise<void> {
    await line.settled();
    await goto(`${placeOf(data.commission.id, current)}/colourways`);
  }

  /** Chooses the node after the one that is chosen, or before it, from the top of the stack down. */
  function chooseNext(by: number): void {
    const list = [...drawing.nodes].reverse().filter((n) => !n.hidden && !n.locked);
    if (!list.length) return;
    const at = list.findIndex((n) => shaping.chosen.includes(n.id));
    const from = at < 0 ? (by > 0 ? -1 : 0) : at;
    shaping.choose([list[(from + by + list.length) % list.length].id]);
  }

  $effect(() =>
    keys.add([
      ...ACTS.map(({ name, label, press }) => ({ press, label, run: () => shaping.toggleAct(name) })),
      { press: 'd', label: 'Draw, or leave that', run: () => redrawing.toggle() },
      { press: 'Shift+d', label: 'Duplicate', run: () => shaping.duplicate() },
      { press: 'v', label: 'Construction on or off', run: () => (constructing.on = !constructing.on) },
      { press: 'q', label: 'Picture below on or off', run: () => below.fade(below.opacity > 0 ? 0 : 35) },
      { press: 'g', label: 'Next ground', run: () => onGround.shift(1) },
      { press: 'Shift+g', label: 'Ground before', run: () => onGround.shift(-1) },
      { press: 'p', label: 'Points on or off', run: () => pointing.toggle() },
      { press: 'n', label: 'Choose the next node', run: () => chooseNext(1) },
      { press: 'Shift+n', label: 'Choose the node before', run: () => chooseNext(-1) },
      { press: 'Mod+a', label: 'Choose everything', run: () => shaping.chooseBy('all') },
      { press: '[', label: 'Back in the stack', run: () => shaping.restack('back') },
      { press: ']', label: 'Forward in the stack', run: () => shaping.restack('forward') },
      { press: 'Mod+g', label: 'Group', run: () => shaping.group() },
      { press: 'Mod+Shift+g', label: 'Take the group apart', run: () => shaping.ungroup() },
      {
        press: 'Delete',
        label: 'Remove what is chosen',
        run: () => (pointing.on && pointing.picked.length ? pointing.change('remove') : shaping.remove()),
      },
      { press: 'Enter', label: 'Do what the open form says', run: () => shaping.apply() },
      {
        press: 'Escape',
        label: 'Leave what is on',
        run: () => redrawing.escape() || pointing.escape() || shaping.escape(),
      },
      { press: 'Mod+Enter', label: 'On to its colourways', run: () => void onward() },
    ]),
  );
  // While one draws, some keys are those of the tools.
  $effect(() => {
    if (!redrawing.on) return;
    return keys.add([
      { press: 'w', label: 'Next tool', run: () => redrawing.nextTool(1) },
      { press: 'Shift+w', label: 'Tool before', run: () => redrawing.nextTool(-1) },
      { press: 'a', label: 'Go on as a line, a curve or an arc', run: () => redrawing.nextWay() },
      { press: 'Enter', label: 'End the path', run: () => redrawing.finish() },
      { press: 'Backspace', label: 'Take the last place back', run: () => void redrawing.back() },
      { press: 'Delete', label: 'Take the last place back', run: () => redrawing.back() || shaping.remove() },
    ]);
  });
  // With something chosen the arrows move that, and the sheet without.
  $effect(() => {
    if (!shaping.chosen.length) return;
    const ways = [
      ['ArrowLeft', -1, 0],
      ['ArrowRight', 1, 0],
      ['ArrowUp', 0, -1],
      ['ArrowDown', 0, 1],
    ] as const;
    return keys.add(
      ways.flatMap(([press, x, y]) => [
        { press, label: 'Move what is chosen by 1 px', run: () => shaping.move(x, y) },
        { press: `Shift+${press}`, label: 'Move it by 10 px', run: () => shaping.move(10 * x, 10 * y) },
      ]),
    );
  });
</script>

<Frame slipTitle="Shapes">
  {#snippet sheet()}
    <Sheet
      width={drawing.widthPx}
      height={drawing.heightPx}
      label="Shapes of {current.name}; a press chooses a piece, a drag moves it; with Alt the sheet moves"
      ground={onGround.hex}
      ondraw={draw}
    >
      {#snippet layers(view)}
        <BelowLayer {below} {view} />
        <div class="absolute inset-0" style="opacity: {redrawing.on && below.opacity > 0 ? 0.75 : 1}">
          <ArtworkLayer artwork={drawing} {view} />
        </div>
        {#if constructing.shown}<ConstructionLayer shown={constructing.shown} {view} />{/if}
        <GuidesLayer
          {guides}
          offered={redrawing.on && redrawing.tool === 'guides' ? redrawing.untaken : []}
          {view}
          width={drawing.widthPx}
          height={drawing.heightPx}
        />
        <ShapesLayer {shaping} {view} handles={!pointing.on && !redrawing.on} />
        {#if redrawing.on}
          <DrawLayer
            {redrawing}
            {below}
            axis={constructing.axis}
            {view}
            width={drawing.widthPx}
            height={drawing.heightPx}
          />
        {:else if pointing.on}<PointsLayer {shaping} {pointing} {view} axis={pointing.axis()} />{/if}
        <Rulers {view} {guides} onguide={pull} />
      {/snippet}
      {#snippet foot()}
        <label class="flex items-center gap-1.5"
          ><input type="checkbox" checked={pointing.on} onchange={() => pointing.toggle()} /> Points</label
        >
        <label class="flex items-center gap-1.5"
          ><input type="checkbox" bind:checked={constructing.on} /> Construction</label
        >
        {#if data.pictures.length}
          <label class="flex items-center gap-1.5 whitespace-nowrap"
            >Picture below
            <input
              type="range"
              class="w-20 accent-active"
              min="0"
              max="100"
              value={below.opacity}
              oninput={(e) => below.fade(Number(e.currentTarget.value))}
              aria-label="Picture below, percent"
            /></label
          >
        {/if}
        <span class="flex-1"></span>
        <GroundPicker grounds={onGround.grounds} bind:at={onGround.at} />
      {/snippet}
    </Sheet>
  {/snippet}
  {#snippet slip()}
    {#if redrawing.on}
      <DrawForm {redrawing} {below} {constructing} {shaping} pictures={data.pictures} />
    {:else}
      <ChosenForm {shaping} />
      {#if pointing.on}<PointForm {pointing} {constructing} />{/if}
      <NearlyList {shaping} />
    {/if}
    {#if constructing.on}<ConstructionNote {constructing} href="/api/works/{current.id}/construction.svg" />{/if}
    <div class="mb-3 grid grid-cols-2 gap-2">
      {#each ACTS as { name, label, press } (name)}
        <button
          class="button flex justify-between {shaping.act === name ? 'border-active! bg-paper' : ''}"
          aria-pressed={shaping.act === name}
          onclick={() => shaping.toggleAct(name)}
          >{label}<span class="text-[11px] text-muted">{press.toUpperCase()}</span></button
        >
      {/each}
      <button
        class="button flex justify-between {redrawing.on ? 'border-active! bg-paper' : ''}"
        aria-pressed={redrawing.on}
        onclick={() => redrawing.toggle()}>Draw<span class="text-[11px] text-muted">D</span></button
      >
    </div>
    <ActForm {shaping} />
    <Stack {shaping} />
    <p class="text-[12px] text-muted" role="status">
      Version {current.version}{line.isWaiting ? ', not yet kept' : ''}
    </p>
  {/snippet}
  {#snippet next()}
    <button class="next-step" onclick={onward}>On to its colourways</button>
  {/snippet}
  {#snippet proofs()}
    <Proofs
      source={allPieces(kept).length ? { kind: 'artwork', artwork: kept } : null}
      grounds={data.commission.grounds}
      of="the artwork"
    />
  {/snippet}
</Frame>
