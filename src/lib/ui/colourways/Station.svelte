<script lang="ts">
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { VISIONS } from '$core/colour';
  import { allPieces, artworkIn, MASTER } from '$core/vector';
  import type { Commission, PictureBelow, WorkKind } from '$lib/contract/answers';
  import { Colouring, type PaletteLine } from '$lib/ui/colourways/colouring.svelte';
  import InksForm from '$lib/ui/colourways/InksForm.svelte';
  import Lend from '$lib/ui/colourways/Lend.svelte';
  import Shuffled from '$lib/ui/colourways/Shuffled.svelte';
  import Table from '$lib/ui/colourways/Table.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import Figure from '$lib/ui/slip/Figure.svelte';
  import { placeOf } from '$lib/ui/work/places';

  /** Colourways of a work by the commission's grounds. */
  interface Props {
    line: PaletteLine;
    work: { readonly id: string; readonly kind: WorkKind };
    commission: Commission;
    pictures: readonly PictureBelow[];
  }
  const { line, work, commission, pictures }: Props = $props();
  const kept = $derived(line.kept);
  // svelte-ignore state_referenced_locally
  const colouring = new Colouring(
    () => line,
    () => commission,
    `odd-quill-colours-${work.id}`,
  );
  const chosen = $derived(artworkIn(kept, colouring.chosen));
  const ground = $derived(commission.grounds[0]?.hex ?? '#FFFFFF');

  const colourwayQuery = (id: string) => (id === MASTER ? '' : `?colourway=${encodeURIComponent(id)}`);

  $effect(() => {
    void kept;
    untrack(() => {
      colouring.look();
      // One that was undone is chosen no longer.
      if (colouring.row.id !== colouring.chosen) colouring.chosen = colouring.row.id;
    });
  });

  const delivery = $derived(`${placeOf(commission.id, work)}/deliver${colourwayQuery(colouring.chosen)}`);
  async function deliver(): Promise<void> {
    await line.settled();
    await goto(delivery);
  }

  $effect(() =>
    keys.add([
      { press: 's', label: 'Shuffle twelve more', run: () => colouring.shuffle() },
      { press: 'n', label: 'Choose the next colourway', run: () => colouring.next(1) },
      { press: 'Shift+n', label: 'Choose the colourway before', run: () => colouring.next(-1) },
      { press: 'Delete', label: 'Remove the colourway', run: () => colouring.remove() },
      {
        press: 'Escape',
        label: 'Tune no ink by itself',
        run: () => (colouring.picking ? (colouring.picking = false) : (colouring.inkId = '')),
      },
      { press: 'Mod+Enter', label: 'On to the delivery', run: () => void deliver() },
    ]),
  );
</script>

<Frame slipTitle="Colourways">
  {#snippet sheet()}<Table {colouring} />{/snippet}
  {#snippet slip()}
    {#if colouring.weak.length}
      <ul class="mb-3" aria-label="Noticed" data-weak={colouring.weak.length}>
        {#each colouring.weak as weak, k (k)}
          <li class="flex min-h-8 items-center gap-2 border-b border-line">
            <span class="flex-1"
              >{weak.names.join(weak.isGround ? ' on ' : ' beside ')} {weak.ratio.toFixed(1)} : 1</span
            >
            <button class="quiet text-text!" onclick={() => colouring.putRight(weak)}>put right</button>
          </li>
        {/each}
      </ul>
    {:else if colouring.touching}
      <p class="mb-3 text-muted" data-weak="0">All inks that touch, and all grounds, hold {colouring.least} : 1.</p>
    {/if}
    <InksForm {colouring} />
    <Figure
      label="Least contrast"
      bind:value={colouring.least}
      min={1}
      max={7}
      step={0.1}
      unit=": 1"
      onsettle={() => colouring.remember()}
    />
    <label class="mb-2 flex items-center justify-between gap-2"
      >Seen by
      <select class="field" bind:value={colouring.vision}>
        {#each VISIONS as vision (vision)}<option value={vision}>{vision}</option>{/each}
      </select></label
    >
    <label class="mb-3 flex items-center gap-2"
      ><input type="checkbox" bind:checked={colouring.free} onchange={() => colouring.remember()} /> What is dark and light
      is free</label
    >
    <Lend {colouring} commissionId={commission.id} {pictures} />
    <Shuffled {colouring} {ground} />
    <p class="mt-3"><a class="quiet" href={delivery}>on to the delivery</a></p>
  {/snippet}
  {#snippet next()}
    <button class="next-step" disabled={colouring.busy || !kept.inks.length} onclick={() => colouring.shuffle()}
      >{colouring.schemes ? 'Shuffle twelve more' : 'Shuffle twelve'}</button
    >
  {/snippet}
  {#snippet proofs()}
    <Proofs
      source={allPieces(chosen).length ? { kind: 'artwork', artwork: chosen } : null}
      grounds={commission.grounds}
      of="the colourway {colouring.row.name}"
    />
  {/snippet}
</Frame>
