<script lang="ts">
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { FOR_WORDS } from '$core/package';
  import type { Commission, Delivery, PackagePlan, WorkState } from '$lib/contract/answers';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import { reload } from '$lib/ui/reload';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import { freshKey } from '$lib/ui/tab';
  import { placeOf } from '$lib/ui/work/places';
  import Checked from './Checked.svelte';
  import { Delivering } from './delivering.svelte';
  import Deliveries from './Deliveries.svelte';
  import SetForm from './SetForm.svelte';
  import Shown from './Shown.svelte';
  import { bytesRead, filesRead } from './sizes';
  import WantedTable from './WantedTable.svelte';

  /** What a client gets of a commission's works, chosen by what it is for, and what it got before. */
  interface Props {
    data: {
      readonly artwork: WorkState;
      readonly plan: PackagePlan;
      readonly deliveries: readonly Delivery[];
      readonly commission: Commission;
    };
  }
  const { data }: Props = $props();
  const artwork = $derived(data.artwork);
  const delivering = new Delivering(() => data, untrack(() => page.url.searchParams.get('colourway'))); // prettier-ignore
  let busy = $state(false);

  // What is wanted is looked at, and again when a work has a newer state.
  $effect(() => {
    const { plan } = data;
    untrack(() => delivering.take(plan));
    if (Object.keys(untrack(() => delivering.sets)).length) void untrack(() => delivering.change(delivering.sets));
  });
  $effect(() => {
    if (delivering.unlooked) void untrack(() => delivering.look());
  });
  const lastDone = $derived(data.deliveries.find((d) => d.state === 'done')?.id);
  $effect(() => void delivering.lookAtLast(lastDone));

  const refresh = () => reload('odd-quill:commission');

  async function deliver(): Promise<void> {
    if (busy || !delivering.count) return;
    busy = true;
    try {
      await outbox.send<Delivery>({
        method: 'POST',
        path: `/api/works/${artwork.id}/deliveries`,
        body: { requestKey: freshKey(), head: artwork.head, note: delivering.note, ...delivering.asked },
        what: `a delivery of ${filesRead(delivering.count)}`,
        settle: refresh,
      });
      delivering.note = '';
      delivering.remember();
    } catch (error) {
      notices.fail(error);
      await reload('odd-quill:commission', 'odd-quill:work');
    } finally {
      busy = false;
    }
  }

  function back(): void {
    if (delivering.looked) delivering.looked = null;
    else if (delivering.opened) delivering.opened = null;
    else void goto(placeOf(data.commission.id, artwork));
  }

  $effect(() =>
    keys.add([
      { press: 'Mod+Enter', label: 'Make the package', run: () => void deliver() },
      {
        press: 'Escape',
        label:
          artwork.kind === 'lockup' ? 'Back to the table, or to the lettering' : 'Back to the table, or to the inks',
        run: back,
      },
    ]),
  );

  /** What a look is seen on: where it drowns, if that is what is shown. */
  const ground = $derived.by(() => {
    const { looked } = delivering;
    if (!looked) return '#FFFFFF';
    return looked.check?.at?.groundHex ?? (looked.line.look.kind === 'reversed' ? '#111111' : '#FFFFFF');
  });
</script>

<Frame slipTitle="Deliver version {artwork.version}" about="What the client gets">
  {#snippet sheet()}
    {#if delivering.looked}
      <Shown looked={delivering.looked} {ground} onback={() => (delivering.looked = null)} />
    {:else}
      <div class="flex h-full flex-col gap-4 p-5">
        <div class="min-h-0 shrink overflow-auto"><WantedTable {delivering} grounds={data.commission.grounds} /></div>
        <div class="max-h-[40%] shrink-0 overflow-auto">
          <Checked {delivering} commissionId={data.commission.id} />
        </div>
      </div>
    {/if}
  {/snippet}
  {#snippet slip()}
    {#if delivering.opened}
      <SetForm {delivering} purpose={delivering.opened} workId={artwork.id} />
    {:else}
      {#if delivering.faults}
        <p class="mb-3 border-b border-line pb-2">
          {delivering.faults === 1 ? 'One thing' : `${delivering.faults} things`} to look at before it leaves
        </p>
      {/if}
      <ul class="mb-3" aria-label="Files" data-tree>
        {#each delivering.groups as group (group.purpose)}
          <li class="border-b border-line">
            <details>
              <summary class="flex min-h-8 cursor-pointer items-center gap-2">
                <span class="flex-1">{group.purpose}/</span>
                <span class="text-muted">{group.bytes === null ? '' : bytesRead(group.bytes)}</span>
                <span class="w-14 text-right underline decoration-line underline-offset-2"
                  >{filesRead(group.files.length)}</span
                >
              </summary>
              <ul class="pb-2 text-[12px]">
                {#each group.files as file (file.name)}
                  <li class="truncate text-muted" title="{file.name}: {file.about}">
                    {file.name.slice(group.purpose.length + 1)}
                  </li>
                {/each}
              </ul>
              <button class="quiet mb-1" onclick={() => (delivering.opened = group.purpose)}
                >change what is in {FOR_WORDS[group.purpose]}</button
              >
            </details>
          </li>
        {:else}
          <li class="text-muted">Nothing yet: tick in the table what the client is to have.</li>
        {/each}
        {#if delivering.count}
          <li class="flex min-h-8 items-center border-b border-line">
            <span class="flex-1">README, checks, descent</span><span>3 files</span>
          </li>
        {/if}
      </ul>
      <label class="mb-2 flex items-center gap-2"
        ><input type="checkbox" bind:checked={delivering.isSheetWanted} onchange={() => delivering.remember()} /> with a brand
        sheet</label
      >
      {#if delivering.count}
        <p class="mb-3" data-total={delivering.count}>
          <span class="font-semibold"
            >{filesRead(delivering.count)}{delivering.bytes === null
              ? ''
              : `, about ${bytesRead(delivering.bytes)}`}</span
          >
          {#if delivering.changed !== null && delivering.last}<span class="text-muted"
              >since delivery {delivering.last.number}: {delivering.changed || 'none'} changed</span
            >{/if}
        </p>
      {/if}
      <label for="note">Note to yourself</label>
      <input
        id="note"
        class="field mt-1 mb-3 w-full"
        maxlength="300"
        bind:value={delivering.note}
        oninput={() => delivering.remember()}
        placeholder="for example: for the shop sign"
      />
      <p class="mb-4"><button class="quiet" onclick={() => delivering.begin()}>tick what makes sense again</button></p>
      <h2 class="mb-1.5 border-t border-line pt-3 text-[14px]">Deliveries</h2>
      <Deliveries deliveries={data.deliveries} />
    {/if}
  {/snippet}
  {#snippet next()}
    <button class="next-step" disabled={busy || !delivering.count} onclick={deliver}>Make the package</button>
  {/snippet}
  {#snippet proofs()}
    <Proofs
      source={{ kind: 'artwork', artwork: artwork.drawing }}
      grounds={data.commission.grounds}
      of="the {artwork.kind}"
    />
  {/snippet}
</Frame>
