<script lang="ts">
  import { onDestroy } from 'svelte';
  import { goto } from '$app/navigation';
  import { allPieces } from '$core/vector';
  import type { WorkState } from '$lib/contract/answers';
  import Mark from '$lib/ui/colourways/Mark.svelte';
  import { ask } from '$lib/ui/api';
  import { forget, keep, kept } from '$lib/ui/kept';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import { freshKey } from '$lib/ui/tab';
  import { placeOf } from '$lib/ui/work/places';
  import { layoutsWorker } from '$lib/workers/client';
  import type { LayoutShown } from '$lib/workers/messages';

  /** Where a lockup is begun: the name in all layouts beside this mark, to choose from. */
  const { data } = $props();
  const artwork = $derived(data.artwork);
  const worker = layoutsWorker();
  onDestroy(() => worker.close());
  const place = $derived(`odd-quill-lettering-${artwork.id}`);
  // svelte-ignore state_referenced_locally
  const before = kept(place, { name: data.commission.name, line: '' });
  // svelte-ignore state_referenced_locally
  let name = $state(before?.name ?? data.commission.name);
  let line = $state(before?.line ?? '');
  let found = $state.raw<readonly LayoutShown[]>([]);
  let chosenId = $state('beside');
  let busy = $state(false);
  const chosen = $derived(found.find((l) => l.id === chosenId) ?? found[0]);
  const isDrawn = $derived(allPieces(artwork.drawing).length > 0);

  $effect(() => {
    const words = { name: name.trim(), line: line.trim() };
    keep(place, words);
    if (!words.name || !isDrawn) {
      found = [];
      return;
    }
    const mark = { workId: artwork.id, stepId: artwork.head, artwork: artwork.drawing };
    const { family, weight } = data.face;
    const timer = setTimeout(
      () =>
        worker.ask(
          { want: 'layouts', mark, ...words, face: { family, weight }, inkId: null },
          { onResult: (all) => (found = all), onError: (m) => notices.tell(m, { id: 'layouts' }) },
        ),
      120,
    );
    return () => clearTimeout(timer);
  });

  async function begin(): Promise<void> {
    if (!chosen || busy) return;
    busy = true;
    try {
      const made = await ask<WorkState>('POST', `/api/commissions/${data.commission.id}/lockups`, { artworkId: artwork.id, name: name.trim(), line: line.trim(), layout: chosen.id, face: data.face.name, weight: data.face.weight }, freshKey()); // prettier-ignore
      forget(place);
      await goto(placeOf(data.commission.id, made), { invalidateAll: true });
    } catch (error) {
      notices.fail(error);
    } finally {
      busy = false;
    }
  }
  function shift(by: number): void {
    if (found.length) chosenId = found[(found.findIndex((l) => l === chosen) + by + found.length) % found.length].id;
  }
  $effect(() =>
    keys.add([
      { press: 'n', label: 'The next layout', run: () => shift(1) },
      { press: 'Shift+n', label: 'The layout before', run: () => shift(-1) },
      { press: 'Mod+Enter', label: 'Begin with the layout', run: () => void begin() },
    ]),
  );
</script>

<Frame slipTitle="Lettering">
  {#snippet sheet()}
    <div class="h-full overflow-y-auto p-5" data-layouts={found.length}>
      <div class="grid grid-cols-3 gap-3">
        {#each found as layout (layout.id)}
          <button
            class="flex h-40 flex-col border bg-white p-3 {chosen === layout
              ? 'border-2 border-active'
              : 'border-line hover:border-text'}"
            aria-pressed={chosen === layout}
            onclick={() => (chosenId = layout.id)}
            ondblclick={() => void begin()}
            data-layout={layout.id}
          >
            <span class="min-h-0 flex-1"><Mark artwork={layout.artwork} alt="" /></span>
            <span class="mt-1 text-[12px] text-neutral-600">{layout.words}</span>
          </button>
        {:else}
          <p class="col-span-3 mt-20 text-center text-muted">
            {#if !isDrawn}Nothing is drawn in this artwork yet: trace or draw the mark first{:else if name.trim()}Layouts
              are being made{:else}Type the name to see it in layouts{/if}
          </p>
        {/each}
      </div>
    </div>
  {/snippet}
  {#snippet slip()}
    <label class="mb-3 block"
      ><span class="mb-0.5 block text-muted">name</span>
      <input class="field w-full" maxlength="100" bind:value={name} spellcheck="false" /></label
    >
    <label class="mb-3 block"
      ><span class="mb-0.5 block text-muted">line, if there is one</span>
      <input
        class="field w-full"
        maxlength="100"
        bind:value={line}
        placeholder="what the client does, or a year"
        spellcheck="false"
      /></label
    >
    <p class="mb-1">
      {data.face.name}
      {data.face.weight}
    </p>
    <p class="mb-3 text-[12px] text-muted">
      {data.face.because.length ? `goes with this mark: ${data.face.because.join(', ')}` : 'a plain face to begin with'} ·
      {data.face.licence}. Faces are changed on the next screen.
    </p>
    <p class="text-[12px] text-muted">Everything stays live: text, places and frames can all be changed afterwards.</p>
  {/snippet}
  {#snippet next()}
    <button class="next-step" disabled={!chosen || busy} onclick={begin}>Begin with this layout</button>
  {/snippet}
  {#snippet proofs()}
    <Proofs
      source={chosen ? { kind: 'artwork', artwork: chosen.artwork } : null}
      grounds={data.commission.grounds}
      of="the lockup"
    />
  {/snippet}
</Frame>
