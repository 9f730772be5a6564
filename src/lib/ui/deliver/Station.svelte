<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { clearestGround } from '$core/judge';
  import type { PackageEntry } from '$core/package';
  import { artworkIn, colourwaysOf, MASTER } from '$core/vector';
  import type { Commission, Delivery, WorkState } from '$lib/contract/answers';
  import GroundPicker from '$lib/ui/artwork/GroundPicker.svelte';
  import { forget, keep, kept } from '$lib/ui/kept';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import { reload } from '$lib/ui/reload';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import ArtworkLayer from '$lib/ui/sheet/ArtworkLayer.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import { freshKey } from '$lib/ui/tab';
  import { placeOf } from '$lib/ui/work/places';

  /** Where a work is delivered, and what was delivered of it before. */
  interface Props {
    data: {
      readonly artwork: WorkState;
      /** What a package would have, by colourways' ids. */
      readonly contents: Readonly<Record<string, readonly PackageEntry[]>>;
      readonly deliveries: readonly Delivery[];
      readonly commission: Commission;
    };
  }
  const { data }: Props = $props();
  const artwork = $derived(data.artwork);
  const grounds = $derived(data.commission.grounds);
  const colourways = $derived(colourwaysOf(artwork.drawing));
  let colourwayId = $state(page.url.searchParams.get('colourway') ?? MASTER);
  /** One that went meanwhile is none. */
  const colourway = $derived(colourways.find((c) => c.id === colourwayId) ?? colourways[0]);
  const isMaster = $derived(colourway.id === MASTER);
  const drawing = $derived(artworkIn(artwork.drawing, colourway.id));
  const contents = $derived(data.contents[colourway.id] ?? []);
  // svelte-ignore state_referenced_locally
  let groundAt = $state(
    clearestGround(
      data.commission.grounds.map((g) => g.hex),
      data.artwork.drawing.inks.map((i) => i.hex),
    ),
  );
  let note = $state('');
  let busy = $state(false);

  // A note that was being written is there again after a reload.
  const place = $derived(`odd-quill-note-${artwork.id}`);
  $effect(() => {
    const before = kept(place, { note: '' });
    if (before) note = before.note;
  });
  const noted = (text: string) => (text ? keep(place, { note: text }) : forget(place));

  const refresh = () => reload('odd-quill:commission');

  async function deliver(): Promise<void> {
    if (busy) return;
    busy = true;
    try {
      await outbox.send<Delivery>({
        method: 'POST',
        path: `/api/works/${artwork.id}/deliveries`,
        body: { requestKey: freshKey(), head: artwork.head, note, ...(isMaster ? {} : { colourwayId: colourway.id }) },
        what: `a delivery of ${artwork.name}, version ${artwork.version}${isMaster ? '' : `, ${colourway.name}`}`,
        settle: refresh,
      });
      note = '';
      noted('');
    } catch (error) {
      notices.fail(error);
      await refresh();
    } finally {
      busy = false;
    }
  }

  async function again(delivery: Delivery): Promise<void> {
    try {
      await outbox.send({
        method: 'POST',
        path: `/api/deliveries/${delivery.id}/again`,
        what: `delivery ${delivery.number} again`,
        settle: refresh,
      });
    } catch (error) {
      notices.fail(error);
    }
  }

  const kilobytes = (bytes: number) => `${Math.round(bytes / 1000)} KB`;
  const shift = (by: number) => (groundAt = (groundAt + by + grounds.length + 1) % (grounds.length + 1));

  $effect(() =>
    keys.add([
      { press: 'g', label: 'Next ground', run: () => shift(1) },
      { press: 'Mod+Enter', label: 'Make the package', run: () => void deliver() },
      {
        press: 'Escape',
        label: artwork.kind === 'lockup' ? 'Back to the lettering' : 'Back to the inks',
        run: () => void goto(placeOf(data.commission.id, artwork)),
      },
    ]),
  );
</script>

<Frame slipTitle="Deliver version {artwork.version}">
  {#snippet sheet()}
    <Sheet
      width={artwork.drawing.widthPx}
      height={artwork.drawing.heightPx}
      label="{artwork.kind === 'lockup' ? 'Lockup' : 'Artwork'} {artwork.name}"
      ground={grounds[groundAt]?.hex ?? null}
    >
      {#snippet layers(view)}<ArtworkLayer artwork={drawing} {view} />{/snippet}
      {#snippet foot()}
        <span class="flex-1"></span>
        <GroundPicker {grounds} bind:at={groundAt} />
      {/snippet}
    </Sheet>
  {/snippet}
  {#snippet slip()}
    {#if colourways.length > 1}
      <label class="mb-4 flex items-center justify-between gap-2"
        >In the colourway
        <select
          class="field max-w-40"
          bind:value={() => colourway.id, (to) => (colourwayId = to)}
          data-delivered={colourway.id}
        >
          {#each colourways as c (c.id)}<option value={c.id}>{c.name}</option>{/each}
        </select></label
      >
    {/if}
    <h2 class="mb-1.5 text-[14px]">What the client gets</h2>
    <ul class="mb-4 flex flex-col gap-1">
      {#each contents as file (file.name)}
        <li title={file.about} class="truncate">{file.name}</li>
      {/each}
    </ul>
    <label for="note">Note to yourself</label>
    <input
      id="note"
      class="field mt-1 mb-5 w-full"
      maxlength="300"
      bind:value={note}
      oninput={() => noted(note)}
      placeholder="for example: for the shop sign"
    />

    <h2 class="mb-1.5 border-t border-line pt-3 text-[14px]">Deliveries</h2>
    <ul class="flex flex-col gap-3" data-deliveries>
      {#each data.deliveries as delivery (delivery.id)}
        <li data-delivery={delivery.state}>
          <p class="flex items-baseline gap-2">
            <span class="font-semibold">{delivery.number}</span>
            <span class="min-w-0 truncate"
              >version {delivery.version}{delivery.about.colourway ? `, ${delivery.about.colourway.name}` : ''}</span
            >
            <span class="flex-1 text-right text-muted">{delivery.about.date}</span>
          </p>
          {#if delivery.note}<p class="text-muted">{delivery.note}</p>{/if}
          {#if delivery.state === 'done'}
            <p class="flex gap-3">
              <a class="quiet text-active!" href="/api/deliveries/{delivery.id}/package.zip" download
                >Download, {kilobytes(delivery.bytes)}</a
              >
              <button class="quiet" onclick={() => again(delivery)} title="Of the same version, with the same bytes"
                >Make again</button
              >
            </p>
          {:else if delivery.state === 'failed'}
            <p class="text-danger">{delivery.error}</p>
            <button class="quiet" onclick={() => again(delivery)}>Make again</button>
          {:else}
            <p role="status" class="text-muted">Being packed</p>
          {/if}
        </li>
      {:else}
        <li class="text-muted">
          None yet. Each is kept with the version it was made from, so that it can be made again.
        </li>
      {/each}
    </ul>
  {/snippet}
  {#snippet next()}
    <button class="next-step" disabled={busy || !artwork.drawing.nodes.length} onclick={deliver}
      >Make the package</button
    >
  {/snippet}
  {#snippet proofs()}
    <Proofs
      source={{ kind: 'artwork', artwork: drawing }}
      {grounds}
      of={isMaster ? `the ${artwork.kind}` : `the colourway ${colourway.name}`}
    />
  {/snippet}
</Frame>
