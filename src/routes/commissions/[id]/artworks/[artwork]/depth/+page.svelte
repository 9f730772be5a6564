<script lang="ts">
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { allPieces, tileOf } from '$core/vector';
  import GroundPicker from '$lib/ui/artwork/GroundPicker.svelte';
  import { OnGround } from '$lib/ui/artwork/ground.svelte';
  import { Deepening } from '$lib/ui/depth/deepening.svelte';
  import DepthLayer from '$lib/ui/depth/DepthLayer.svelte';
  import FillForm from '$lib/ui/depth/FillForm.svelte';
  import PartsForm from '$lib/ui/depth/PartsForm.svelte';
  import SoftForm from '$lib/ui/depth/SoftForm.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import ArtworkLayer from '$lib/ui/sheet/ArtworkLayer.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import { oncePerFrame } from '$lib/ui/sheet/view';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import Choice from '$lib/ui/slip/Choice.svelte';
  import { heard } from '$lib/ui/work/heard.svelte';
  import { lineOf } from '$lib/ui/work/line.svelte';
  import { placeOf } from '$lib/ui/work/places';

  const { data } = $props();
  const work = heard(() => data.artwork, lineOf);
  const line = $derived(work.line);
  const current = $derived(line.state);
  const kept = $derived(line.kept);
  const drawing = $derived(line.drawing);
  const onGround = new OnGround(
    () => data.commission.grounds,
    () => current,
  );
  const deepening = new Deepening(
    () => line,
    () => onGround.hex,
  );
  let shadow = $state<'soft' | 'long'>('soft');
  const tile = $derived(tileOf(kept));
  const found = $derived([...(deepening.seen?.shadows ?? []), ...(deepening.seen?.ramps ?? [])]);
  const inFound = $derived(found.reduce((sum, f) => sum + f.ids.length, 0));
  const gesture = oncePerFrame((g) => deepening.gesture(g));
  /** More lines than this of what was noticed are no help. */
  const MOST = 3;

  $effect(() => {
    void kept;
    untrack(() => deepening.look());
  });

  async function onwards(): Promise<void> {
    await line.settled();
    await goto(`${placeOf(data.commission.id, current)}/colourways`);
  }

  $effect(() =>
    keys.add([
      { press: 'g', label: 'Next ground', run: () => onGround.shift(1) },
      { press: 'Shift+g', label: 'Ground before', run: () => onGround.shift(-1) },
      { press: 'n', label: 'Choose the next piece', run: () => deepening.next(1) },
      { press: 'Shift+n', label: 'Choose the piece before', run: () => deepening.next(-1) },
      {
        press: 'Escape',
        label: 'Choose nothing',
        run: () => (deepening.picking ? (deepening.picking = false) : deepening.choose([])),
      },
      { press: 'Mod+Enter', label: 'On to the colourways', run: () => void onwards() },
    ]),
  );
</script>

<Frame slipTitle="Depth">
  {#snippet sheet()}
    <Sheet
      width={drawing.widthPx}
      height={drawing.heightPx}
      label="Artwork {current.name}; a press chooses, ends and stops of gradients are dragged"
      ground={onGround.hex}
      ondraw={gesture}
    >
      {#snippet layers(view)}
        <ArtworkLayer artwork={drawing} {view} />
        <DepthLayer {deepening} {view} />
      {/snippet}
      {#snippet foot()}
        <span class="flex-1 text-muted">Shift presses more · Alt and drag moves the sheet</span>
        <GroundPicker grounds={onGround.grounds} bind:at={onGround.at} />
      {/snippet}
    </Sheet>
  {/snippet}
  {#snippet slip()}
    {#if deepening.seen?.isStale || found.length}
      <ul class="mb-3" aria-label="Noticed" data-noticed={found.length}>
        {#if deepening.seen?.isStale}
          <li class="flex min-h-8 items-center gap-2 border-b border-line">
            <span class="flex-1">Depth lies on shapes as they were</span>
            <button class="quiet text-text!" onclick={() => deepening.makeAnew()}>make anew</button>
          </li>
        {/if}
        {#each found.slice(0, MOST) as one (one.ids.join())}
          <li class="flex min-h-8 items-center gap-2 border-b border-line">
            <button class="flex-1 text-left hover:underline" onclick={() => deepening.choose(one.ids)}
              >{one.ids.length} pieces are one {'gradient' in one
                ? `gradient, off by ${(100 * one.offBy).toFixed(1)}%`
                : `soft shadow, off by ${((100 * one.offBy) / 255).toFixed(1)}%`}</button
            >
            <button class="quiet text-text!" onclick={() => deepening.makeOne(one)}>make one</button>
          </li>
        {/each}
        {#if found.length > 1}
          <li class="flex min-h-8 items-center gap-2 border-b border-line">
            <span class="flex-1">{inFound} pieces are {found.length} gradients and shadows</span>
            <button class="quiet text-text!" onclick={() => deepening.makeOne(...found)}>make all</button>
          </li>
        {/if}
      </ul>
    {:else if deepening.seen}
      <p class="mb-3 text-muted" data-noticed="0">No pieces here are one gradient or one shadow taken apart.</p>
    {/if}
    <section class="mb-4" aria-label="What is chosen" data-chosen={deepening.chosen.length}>
      {#if deepening.chosen.length}
        <FillForm {deepening} />
        <SoftForm {deepening} />
      {:else}
        <p class="text-muted">Press a piece on the sheet to give it a gradient, a shadow or a blur.</p>
      {/if}
    </section>
    <section class="border-t border-line pt-3" aria-label="Depth of an app icon">
      <h2 class="mb-1.5 text-[14px]">
        Depth of an app icon {#if deepening.busy}<span class="ml-1 font-normal text-muted" role="status"
            >being made</span
          >{/if}
      </h2>
      {#if !deepening.parts.length}
        <p class="mb-2 text-[12px] text-muted">
          Light from above, a rim, an inner highlight and a shadow, made of {deepening.chosen.length
            ? 'what is chosen'
            : 'the whole mark'}; each can be changed or taken out.
        </p>
        <Choice
          label="Shadow"
          bind:value={shadow}
          options={[
            { value: 'soft', label: 'soft' },
            { value: 'long', label: 'long' },
          ]}
        />
      {/if}
      {#if !tile && kept.nodes.length}
        <p class="mb-2 flex items-center justify-between gap-2" data-tile="none">
          It stands on no tile
          <button class="quiet text-text!" onclick={() => deepening.layTile(onGround.hex)}>lay one under it</button>
        </p>
      {/if}
      <PartsForm {deepening} />
    </section>
  {/snippet}
  {#snippet next()}
    {#if deepening.parts.length}
      <button class="next-step" onclick={onwards}>On to the colourways</button>
    {:else}
      <button
        class="next-step"
        disabled={deepening.busy || !kept.nodes.length}
        onclick={() => deepening.iconDepth(shadow)}>Give it the depth of an icon</button
      >
    {/if}
  {/snippet}
  {#snippet proofs()}
    <Proofs
      source={allPieces(drawing).length ? { kind: 'artwork', artwork: kept } : null}
      grounds={data.commission.grounds}
      of="the artwork"
    />
  {/snippet}
</Frame>
