<script lang="ts">
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { allPieces } from '$core/vector';
  import GroundPicker from '$lib/ui/artwork/GroundPicker.svelte';
  import { OnGround } from '$lib/ui/artwork/ground.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
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
  import { undoPlace } from '$lib/ui/shell/undo.svelte';
  import { lineOf } from '$lib/ui/work/line.svelte';
  import { placeOf } from '$lib/ui/work/places';

  const { data } = $props();
  const line = $derived(lineOf(data.artwork));
  // A newer state that came with the page data, from another tab say.
  $effect(() => {
    const fresh = data.artwork;
    untrack(() => line.hear(fresh));
  });
  const current = $derived(line.state);
  const drawing = $derived(line.drawing);
  const kept = $derived(line.kept);
  const shaping = new Shaping(() => line);
  const pointing = new Pointing(shaping);

  const draw = oncePerFrame((gesture) => (pointing.on ? pointing.draw(gesture) : shaping.draw(gesture)));

  $effect(() => {
    void kept;
    untrack(() => {
      shaping.prune();
      pointing.prune();
      shaping.refresh();
    });
  });
  $effect(() => {
    void [kept, shaping.chosen];
    untrack(() => shaping.look());
  });

  const onGround = new OnGround(
    () => data.commission.grounds,
    () => current,
  );

  $effect(() => undoPlace.put(line.undoing));

  async function onward(): Promise<void> {
    await line.settled();
    await goto(placeOf(data.commission.id, current));
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
      { press: 'd', label: 'Duplicate', run: () => shaping.duplicate() },
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
      { press: 'Escape', label: 'Leave what is on', run: () => pointing.escape() || shaping.escape() },
      { press: 'Mod+Enter', label: 'On to its inks', run: () => void onward() },
    ]),
  );
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
        <ArtworkLayer artwork={drawing} {view} />
        <ShapesLayer {shaping} {view} handles={!pointing.on} />
        {#if pointing.on}<PointsLayer {shaping} {pointing} {view} />{/if}
      {/snippet}
      {#snippet foot()}
        <label class="flex items-center gap-1.5"
          ><input type="checkbox" checked={pointing.on} onchange={() => pointing.toggle()} /> Points</label
        >
        <span class="flex-1"></span>
        <GroundPicker grounds={onGround.grounds} bind:at={onGround.at} />
      {/snippet}
    </Sheet>
  {/snippet}
  {#snippet slip()}
    <ChosenForm {shaping} />
    {#if pointing.on}<PointForm {pointing} />{/if}
    <NearlyList {shaping} />
    <div class="mb-3 grid grid-cols-2 gap-2">
      {#each ACTS as { name, label, press } (name)}
        <button
          class="button flex justify-between {shaping.act === name ? 'border-active! bg-paper' : ''}"
          aria-pressed={shaping.act === name}
          onclick={() => shaping.toggleAct(name)}
          >{label}<span class="text-[11px] text-muted">{press.toUpperCase()}</span></button
        >
      {/each}
    </div>
    <ActForm {shaping} />
    <Stack {shaping} />
    <p class="text-[12px] text-muted" role="status">
      Version {current.version}{line.isWaiting ? ', not yet kept' : ''}
    </p>
  {/snippet}
  {#snippet next()}
    <button class="next-step" onclick={onward}>On to its inks</button>
  {/snippet}
  {#snippet proofs()}
    <Proofs
      source={allPieces(kept).length ? { kind: 'artwork', artwork: kept } : null}
      grounds={data.commission.grounds}
      of="the artwork"
    />
  {/snippet}
</Frame>
