<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { creditsFor, SIZE_MOST_PX } from '$core/credit';
  import { letteringNoticed, type RetouchStep } from '$core/retouch';
  import type { LetteringRead, RetouchedState, Round } from '$lib/contract/answers';
  import { ask as askServer } from '$lib/ui/api';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import MarkedBox from '$lib/ui/sheet/MarkedBox.svelte';
  import PictureLayer from '$lib/ui/sheet/PictureLayer.svelte';
  import SketchLayer from '$lib/ui/sheet/SketchLayer.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import Figure from '$lib/ui/slip/Figure.svelte';
  import { freshKey } from '$lib/ui/tab';
  import { decide, decided } from '$lib/ui/wall/decide';
  import { misreadOf } from '$lib/ui/wall/misread';

  const { data } = $props();
  const candidate = $derived(decided(data.candidate));
  const misread = $derived(misreadOf(candidate));
  const href = $derived(`/api/pictures/${candidate.pictureId}`);
  const source = $derived({ kind: 'picture', href } as const);
  const base = $derived(`/commissions/${data.commission.id}`);

  /** The area to make again, in pixels of the candidate, while one is being marked. */
  let marking = $state(false);
  let box = $state<{ x: number; y: number; width: number; height: number } | null>(null);
  let words = $state('');
  let sketchShown = $state(55);
  let busy = $state(false);
  const longPx = $derived(Math.max(candidate.widthPx, candidate.heightPx));
  const ready = $derived(box !== null && box.width >= 12 && box.height >= 12);
  const way = $derived(data.round?.way ?? null);

  /** Starts a round from this candidate, and goes where it will hang. */
  async function ask(what: string, body: Record<string, unknown>): Promise<void> {
    if (busy) return;
    busy = true;
    const here = page.url.pathname;
    try {
      await outbox.send<Round>({
        method: 'POST',
        path: `/api/commissions/${data.commission.id}/rounds`,
        body: { requestKey: freshKey(), prompt: '', ...body },
        what,
      });
      if (page.url.pathname === here) await goto(base);
    } catch (error) {
      notices.fail(error);
    } finally {
      busy = false;
    }
  }

  const redo = () =>
    box &&
    ask(`one area of ${candidate.label} again`, {
      prompt: words,
      way: {
        kind: 'redo',
        candidateId: candidate.id,
        area: {
          x: box.x / candidate.widthPx,
          y: box.y / candidate.heightPx,
          width: box.width / candidate.widthPx,
          height: box.height / candidate.heightPx,
        },
      },
    });

  function startMarking(): void {
    marking = true;
    box ??= {
      x: candidate.widthPx * 0.3,
      y: candidate.heightPx * 0.3,
      width: candidate.widthPx * 0.4,
      height: candidate.heightPx * 0.4,
    };
  }

  /** Begins a retouched picture with what puts the lettering right. */
  async function withoutLettering(): Promise<void> {
    try {
      const { lines, asked } = await askServer<LetteringRead>('GET', `/api/candidates/${candidate.id}/lettering`);
      await retouch(letteringNoticed(lines, asked, longPx).flatMap((n) => n.step ?? []));
    } catch (error) {
      notices.fail(error);
    }
  }

  async function retouch(steps: readonly RetouchStep[] = []): Promise<void> {
    if (busy) return;
    busy = true;
    const here = page.url.pathname;
    try {
      const { id } = await outbox.send<RetouchedState>({
        method: 'POST',
        path: `/api/candidates/${candidate.id}/retouched`,
        body: { steps },
        what: `${candidate.label} to be retouched`,
      });
      if (page.url.pathname === here) await goto(`${base}/retouched/${id}`);
    } catch (error) {
      notices.fail(error);
    } finally {
      busy = false;
    }
  }

  const trace = () => goto(`${base}/candidates/${candidate.id}/trace`);
  $effect(() =>
    keys.add([
      { press: 'k', label: 'Keep it, or take that back', run: () => void decide(candidate, 'kept') },
      { press: 'a', label: 'Set it aside, or bring it back', run: () => void decide(candidate, 'aside') },
      { press: 'Mod+Enter', label: 'Trace this candidate', run: () => void trace() },
      { press: 'u', label: 'Retouch it', run: () => void retouch() },
      { press: 'r', label: 'Mark an area to redo', run: () => (marking ? (marking = false) : startMarking()) },
      { press: 'Escape', label: 'Back to the wall', run: () => void (marking ? (marking = false) : goto(base)) },
    ]),
  );
</script>

<Frame slipTitle="Candidate {candidate.label}">
  {#snippet sheet()}
    {#key candidate.id}
      <Sheet
        width={candidate.widthPx}
        height={candidate.heightPx}
        label="Candidate {candidate.label}"
        ground={null}
        onmark={marking ? (b) => (box = b) : undefined}
      >
        {#snippet layers(view)}
          <PictureLayer
            {href}
            width={candidate.widthPx}
            height={candidate.heightPx}
            {view}
            alt="Candidate {candidate.label}"
          />
          {#if candidate.sketch}
            <SketchLayer
              sketch={candidate.sketch}
              width={candidate.widthPx}
              height={candidate.heightPx}
              {view}
              opacity={sketchShown / 100}
            />
          {/if}
          {#if marking && box}<MarkedBox bind:box width={candidate.widthPx} height={candidate.heightPx} {view} />{/if}
        {/snippet}
      </Sheet>
    {/key}
  {/snippet}
  {#snippet slip()}
    <div class="mb-4 flex flex-wrap gap-2">
      <button class="button" aria-pressed={candidate.decision === 'kept'} onclick={() => decide(candidate, 'kept')}
        >{candidate.decision === 'kept' ? 'Do not keep' : 'Keep'}</button
      >
      <button class="button" aria-pressed={candidate.decision === 'aside'} onclick={() => decide(candidate, 'aside')}
        >{candidate.decision === 'aside' ? 'Bring back' : 'Set aside'}</button
      >
      <a class="button flex items-center" href={base}>Back to the wall</a>
    </div>
    {#if misread}
      <section class="mb-3 flex items-center gap-2 border-t border-line pt-3" aria-label="Lettering">
        <span class="flex-1"
          >Reads <em>{misread.reads}</em>{misread.asked
            ? `, asked ${misread.asked}`
            : '; no lettering was asked for'}</span
        >
        <button class="quiet text-text!" disabled={busy} onclick={withoutLettering}>put right</button>
      </section>
    {/if}
    {#if candidate.sketch}
      <section class="mb-3 border-t border-line pt-3" aria-label="Sketch">
        <p class="mb-2 flex items-baseline gap-2">
          <strong class="text-[20px] font-semibold">{Math.round(candidate.sketch.kept * 100)}%</strong>
          <span class="text-muted">of the sketch's figure is left</span>
        </p>
        <Figure label="Sketch over it" bind:value={sketchShown} min={0} max={100} unit="%" />
      </section>
    {/if}

    <section class="mb-3 border-t border-line pt-3" aria-label="Redo an area">
      {#if marking}
        <h2 class="mb-1 text-[14px]">Redo this area</h2>
        <p class="mb-2 text-muted">
          Drag a box on the sheet{#if box}: {Math.round(box.width)} × {Math.round(box.height)} px{/if}. Only what lies
          in it changes.
        </p>
        <label for="redo-words" class="sr-only">What is to be there</label>
        <textarea
          id="redo-words"
          class="field mb-2 h-14 w-full resize-none"
          maxlength="500"
          bind:value={words}
          placeholder="what is to be there, such as a lantern; empty for the same again"></textarea>
        <div class="flex gap-2">
          <button class="button" disabled={busy || !ready} onclick={redo}
            >Redo it · {creditsFor(1, longPx)} credit</button
          >
          <button class="button" onclick={() => (marking = false)}>Leave it</button>
        </div>
      {:else}
        <div class="flex flex-wrap gap-2">
          <button class="button" disabled={busy} onclick={() => retouch()}>Retouch it</button>
          <button class="button" onclick={startMarking}>Redo an area</button>
          {#each [2, 4] as factor (factor)}
            {#if candidate.enlarges && longPx * factor <= SIZE_MOST_PX}
              <button
                class="button"
                disabled={busy}
                onclick={() =>
                  ask(`${candidate.label} enlarged`, { way: { kind: 'enlarge', candidateId: candidate.id, factor } })}
                >Enlarge {factor} × · {creditsFor(1, longPx * factor)} credits</button
              >
            {/if}
          {/each}
        </div>
      {/if}
    </section>

    <dl class="grid grid-cols-[72px_1fr] gap-x-3 gap-y-1.5">
      <dt class="text-muted">decision</dt>
      <dd>{{ kept: 'kept', aside: 'set aside', undecided: 'undecided' }[candidate.decision]}</dd>
      <dt class="text-muted">size</dt>
      <dd>{candidate.widthPx} × {candidate.heightPx} px</dd>
      {#if data.round}
        <dt class="text-muted">prompt</dt>
        <dd>{data.round.prompt || 'none'}</dd>
        {#if way && way.kind !== 'prompt'}
          <dt class="text-muted">grown</dt>
          <dd>
            {way.kind === 'offshoot'
              ? `from ${way.from}, drift ${way.drift}`
              : way.kind === 'crossing'
                ? `from ${way.from} and ${way.with}, balance ${way.balance}`
                : way.kind === 'redo'
                  ? `from ${way.from}, one area again`
                  : `from ${way.from}, ${way.factor} times enlarged`}
          </dd>
        {/if}
        {#if data.round.finish}
          <dt class="text-muted">finish</dt>
          <dd>{data.round.finish}</dd>
        {/if}
        {#if data.round.leaveOut}
          <dt class="text-muted">left out</dt>
          <dd>{data.round.leaveOut}</dd>
        {/if}
        <dt class="text-muted">leeway</dt>
        <dd>{data.round.leeway}</dd>
        <dt class="text-muted">seed</dt>
        <dd>{candidate.seed}</dd>
      {:else}
        <dt class="text-muted">from</dt>
        <dd class="break-words">{candidate.fileName}, brought in</dd>
      {/if}
      <dt class="text-muted">made</dt>
      <dd>{new Date(candidate.createdAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}</dd>
    </dl>
    <a class="quiet mt-4 inline-block" {href} download="{data.commission.name} {candidate.label}.png"
      >Download the picture as PNG</a
    >
  {/snippet}
  {#snippet next()}
    <button class="next-step" onclick={trace}
      >{candidate.artworkId ? 'Trace this candidate again' : 'Trace this candidate'}</button
    >
  {/snippet}
  {#snippet proofs()}
    <Proofs {source} grounds={data.commission.grounds} of="candidate {candidate.label}" />
  {/snippet}
</Frame>
