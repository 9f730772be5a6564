<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { TRACE_DEFAULTS, type EconomyPoint, type Trace } from '$core/trace';
  import { swatchOf } from '$core/vector';
  import type { BroughtIn, Commission, WorkState } from '$lib/contract/answers';
  import type { TraceSource } from './source';
  import { forget, keep as keepHere, kept } from '$lib/ui/kept';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import { reload } from '$lib/ui/reload';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import ArtworkLayer from '$lib/ui/sheet/ArtworkLayer.svelte';
  import Divider from '$lib/ui/sheet/Divider.svelte';
  import PictureLayer from '$lib/ui/sheet/PictureLayer.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import { undoPlace } from '$lib/ui/shell/undo.svelte';
  import Choice from '$lib/ui/slip/Choice.svelte';
  import Figure from '$lib/ui/slip/Figure.svelte';
  import Row from '$lib/ui/slip/Row.svelte';
  import EconomyChart from '$lib/ui/slip/EconomyChart.svelte';
  import { SettingsHistory } from '$lib/ui/slip/settings-history.svelte';
  import { settingsTold, type Settings } from '$lib/ui/slip/trace-settings';
  import { economyWorker, traceWorker } from '$lib/workers/client';

  /** Tracing a picture: a candidate's, or a retouched one. */
  interface Props {
    source: TraceSource;
    /** What was traced from it before. */
    artwork: Pick<WorkState, 'head' | 'version' | 'traceOptions'> | null;
    commission: Pick<Commission, 'id' | 'grounds'>;
  }
  const { source: from, artwork, commission }: Props = $props();
  const { href } = $derived(from);

  // svelte-ignore state_referenced_locally
  const options = $state<Settings>({ ...TRACE_DEFAULTS, ...artwork?.traceOptions });

  // What was set is there again after a reload, and can be taken back.
  const place = $derived(`odd-quill-trace-${from.id}`);
  const history = new SettingsHistory<Settings>($state.snapshot(options) as Settings, settingsTold, (settings) =>
    Object.assign(options, settings),
  );
  $effect(() => {
    const before = kept(place, TRACE_DEFAULTS as Settings);
    if (before) untrack(() => Object.assign(options, before));
  });
  $effect(() => {
    const settings = $state.snapshot(options) as Settings;
    untrack(() => {
      if (history.hear(settings)) keepHere(place, settings);
    });
  });
  $effect(() =>
    undoPlace.put({
      undo: history.undo,
      redo: history.redo,
      onundo: () => history.takeBack(),
      onredo: () => history.doAgain(),
    }),
  );
  let trace = $state.raw<Trace | null>(null);
  let done = $state(0);
  let busy = $state(true);
  let error = $state<string | null>(null);
  let divider = $state(0.5);
  let points = $state(false);
  let keeping = $state(false);

  const worker = traceWorker();
  onDestroy(() => worker.close());

  $effect(() => {
    const wanted = { want: 'trace', href, options: $state.snapshot(options) } as const;
    busy = true;
    done = 0;
    worker.ask(wanted, {
      onProgress: (share) => (done = share),
      onCoarse: (result) => (trace = result),
      onResult: (result) => {
        trace = result;
        busy = false;
        error = null;
      },
      onError: (message) => {
        error = message;
        busy = false;
      },
    });
  });

  // The economy curve depends on everything but the smoothness, which is what is chosen on it.
  const curveWorker = economyWorker();
  onDestroy(() => curveWorker.close());
  let economy = $state.raw<readonly EconomyPoint[]>([]);
  const inksAndAreas = $derived(JSON.stringify([options.colours, options.ground, options.speckPx2, options.gradients]));
  const AXES = { upright: 'an upright axis', level: 'a level axis', slanting: 'a slanting axis' } as const;
  const axis = $derived.by(() => {
    const found = trace?.symmetry;
    if (!found) return null;
    const turn = Math.abs(Math.sin(found.angleRad));
    return { ...found, words: AXES[turn > 0.9999 ? 'upright' : turn < 0.0001 ? 'level' : 'slanting'] };
  });
  $effect(() => {
    void inksAndAreas;
    const wanted = { want: 'economy', href, options: untrack(() => $state.snapshot(options)) } as const;
    // A moment of rest first: while a control is being moved, the trace is what matters.
    const timer = setTimeout(() => {
      curveWorker.ask(wanted, { onResult: (points) => (economy = points), onError: () => (economy = []) });
    }, 400);
    return () => clearTimeout(timer);
  });

  /** How many inks there are, the ground's included, where that is fewer than were asked for; null where it is not, or not known yet. */
  const fewer = $derived.by(() => {
    if (!trace || busy || options.colours === 'auto') return null;
    const { groundHex, artwork } = trace;
    const isGroundApart = groundHex !== null && !artwork.inks.some((ink) => ink.hex === groundHex);
    const found = artwork.inks.length + (isGroundApart ? 1 : 0);
    return found < options.colours ? found : null;
  });

  const ground = $derived(trace?.groundHex ?? '#FFFFFF');
  const source = $derived(trace?.artwork.nodes.length ? ({ kind: 'artwork', artwork: trace.artwork } as const) : null);
  const kilobytes = (bytes: number) => (bytes < 1000 ? `${bytes} B` : `${(bytes / 1000).toFixed(1)} KB`);

  async function keep(): Promise<void> {
    if (!trace || busy || keeping) return;
    keeping = true;
    try {
      const here = page.url.pathname;
      const { id } = await outbox.send<WorkState>({
        method: 'POST',
        path: from.keepPath,
        body: {
          options: $state.snapshot(options),
          groundHex: trace.groundHex,
          drawing: trace.artwork,
          head: artwork?.head ?? null,
          ...(from.stepId ? { stepId: from.stepId } : {}),
        },
        what: `the trace of ${from.label}`,
      });
      forget(place);
      if (page.url.pathname === here) await goto(`/commissions/${commission.id}/artworks/${id}/shapes`);
    } catch (failure) {
      notices.fail(failure);
      await reload('odd-quill:commission');
    } finally {
      keeping = false;
    }
  }

  /** Begins an artwork of nothing, to be drawn over the picture. */
  async function redraw(): Promise<void> {
    if (keeping) return;
    keeping = true;
    try {
      const { artwork: begun } = await outbox.send<BroughtIn>({
        method: 'POST',
        path: `/api/commissions/${commission.id}/artworks`,
        body: { name: `${from.label}, redrawn`, widthPx: from.widthPx, heightPx: from.heightPx, ...from.over },
        what: `an artwork over ${from.label}`,
      });
      await goto(`/commissions/${commission.id}/artworks/${begun.id}/shapes`);
    } catch (failure) {
      notices.fail(failure);
    } finally {
      keeping = false;
    }
  }

  $effect(() =>
    keys.add([
      { press: 'p', label: 'Points on or off', run: () => (points = !points) },
      { press: '[', label: 'More of the trace', run: () => (divider = Math.max(0, divider - 0.1)) },
      { press: ']', label: 'More of the picture', run: () => (divider = Math.min(1, divider + 0.1)) },
      { press: 'Mod+Enter', label: 'Keep this trace', run: () => void keep() },
      {
        press: 'Escape',
        label: 'Back to the picture',
        run: () => void goto(from.back),
      },
    ]),
  );
</script>

<Frame slipTitle="Trace">
  {#snippet sheet()}
    <Sheet width={from.widthPx} height={from.heightPx} label="Picture and trace of {from.label}" ground={null}>
      {#snippet layers(view)}
        <PictureLayer {href} width={from.widthPx} height={from.heightPx} {view} alt={from.label} />
        <div class="pointer-events-none absolute inset-0" style="clip-path: inset(0 0 0 {divider * 100}%)">
          <div
            class="absolute {options.ground !== 'keep' ? 'nothing' : ''}"
            style="left: {view.x}px; top: {view.y}px; width: {from.widthPx * view.zoom}px; height: {from.heightPx *
              view.zoom}px; {options.ground !== 'keep' ? '' : `background: ${ground}`}"
          ></div>
          {#if trace}<ArtworkLayer artwork={trace.artwork} {view} {points} />{/if}
          {#if axis && options.symmetry === 'exact'}
            {@const reach = (from.widthPx + from.heightPx) * view.zoom}
            <div
              class="absolute h-px border-t border-dashed border-danger"
              style="left: {view.x + axis.x * view.zoom - reach}px; top: {view.y + axis.y * view.zoom}px; width: {2 *
                reach}px; transform: rotate({axis.angleRad}rad)"
              data-axis
            ></div>
          {/if}
        </div>
        <Divider bind:share={divider} />
        {#if busy}
          <div
            class="absolute top-3 left-1/2 flex -translate-x-1/2 items-center gap-2 border border-line bg-panel px-3 py-1"
            role="progressbar"
            aria-label="Tracing"
            aria-valuenow={Math.round(done * 100)}
          >
            Tracing
            <span class="h-1 w-24 bg-line"><span class="block h-1 bg-active" style="width: {done * 100}%"></span></span>
          </div>
        {/if}
      {/snippet}
      {#snippet foot()}
        <span>picture | trace</span>
        <label class="flex items-center gap-1.5"><input type="checkbox" bind:checked={points} /> Points</label>
      {/snippet}
    </Sheet>
  {/snippet}
  {#snippet slip()}
    {#if error}<p class="mb-3 text-danger" role="alert">{error}</p>{/if}
    <!-- Many inks scroll on their own, so that what can be done about them stays in sight. -->
    <ul class="mb-4 flex max-h-[236px] flex-col gap-1.5 overflow-y-auto" aria-label="Inks found" data-inks>
      {#each trace?.artwork.inks ?? [] as ink, i (ink.id)}
        <li class="flex items-center gap-2">
          <span
            class="h-[18px] w-[18px] shrink-0 border border-line"
            style="background: {ink.gradient ? swatchOf(ink.gradient) : ink.hex}"
          ></span>
          <span class="flex-1 truncate">{ink.name}</span>
          <span class="text-muted">{ink.gradient ? 'gradient' : ink.hex}</span>
          <span class="w-[70px] shrink-0 text-right whitespace-nowrap text-muted"
            >{trace!.figures.inks[i].pieces} {trace!.figures.inks[i].pieces === 1 ? 'piece' : 'pieces'}</span
          >
        </li>
      {:else}
        <li class="text-muted">
          {busy ? 'Looking for inks' : 'No ink was found: keep the ground, or ask for more inks'}
        </li>
      {/each}
    </ul>
    <Row label="Inks" for="inks">
      <select id="inks" class="field" bind:value={options.colours}>
        <option value="auto"
          >{trace && options.colours === 'auto'
            ? `automatic · ${trace.certainty > 0.66 ? 'sure' : trace.certainty > 0.33 ? 'fairly sure' : 'a guess'}`
            : 'automatic'}</option
        >
        {#each { length: 16 }, i (i)}<option value={i + 1}>{i + 1} with the ground</option>{/each}
      </select>
    </Row>
    {#if fewer !== null}
      <p class="-mt-2 mb-3 text-right text-muted" role="status" data-fewer>
        The picture has {fewer} with the ground, and no more.
        <button class="quiet" onclick={() => (options.colours = 'auto')}>Automatic</button>
      </p>
    {/if}
    <Choice
      label="Ground"
      bind:value={options.ground}
      options={[
        { value: 'drop', label: 'dropped', hint: 'Left out wherever its colour shows' },
        { value: 'outside', label: 'outside', hint: 'Left out outside the figure alone: what that encloses stays' },
        { value: 'keep', label: 'kept', hint: 'The lowest piece, as large as the picture' },
      ]}
    />
    <Choice
      label="Stacking"
      bind:value={options.stacking}
      options={[
        { value: 'stacked', label: 'stacked', hint: 'Each piece runs under those above it: easier to edit' },
        { value: 'cutout', label: 'cut out', hint: 'Pieces lie side by side: one layer for cutters and screens' },
      ]}
    />
    <Figure label="Specks under" bind:value={options.speckPx2} min={0} max={400} unit="px²" />
    <Figure label="Smoothness" bind:value={options.smoothness} min={0} max={100} />
    {#if trace && (trace.gradients || options.gradients)}
      <label class="mb-3 flex items-start gap-2">
        <input type="checkbox" class="mt-1" bind:checked={options.gradients} />
        <span
          >Make gradients, not bands<br />
          <span class="text-[12px] text-muted"
            >{trace.gradients === 0
              ? 'No area changes'
              : trace.gradients === 1
                ? 'One area changes'
                : `${trace.gradients} areas change`} in colour evenly</span
          ></span
        >
      </label>
    {/if}
    {#if axis}
      <label class="mb-3 flex items-start gap-2">
        <input
          type="checkbox"
          class="mt-1"
          checked={options.symmetry === 'exact'}
          onchange={(e) => (options.symmetry = e.currentTarget.checked ? 'exact' : 'auto')}
        />
        <span
          >Make it exactly symmetrical<br />
          <span class="text-[12px] text-muted">{Math.round(axis.share * 100)}% alike about {axis.words}</span></span
        >
      </label>
    {/if}
    {#if trace}
      <div class="border-t border-line pt-3 {busy ? 'opacity-60' : ''}">
        {#if economy.length}
          <h2 class="mb-1 text-[14px]">Points against error</h2>
          <EconomyChart points={economy} smoothness={options.smoothness} onpick={(s) => (options.smoothness = s)} />
        {/if}
        <p data-figures>
          <b>{trace.figures.pieces}</b> pieces · <b>{trace.figures.segments}</b> points, <b>{trace.figures.corners}</b>
          of them corners ·
          <b>{kilobytes(trace.figures.bytes)}</b> as SVG · off by <b>{trace.figures.fit.meanPx.toFixed(2)} px</b> on the
          mean,
          <b>{trace.figures.fit.maxPx.toFixed(2)} px</b> at most
        </p>
      </div>
    {/if}
    <p class="mt-3 border-t border-line pt-3 text-[12px] text-muted">
      Too poor to be traced?
      <button class="quiet text-text!" disabled={keeping} onclick={redraw}>Draw it anew over the picture</button>
    </p>
  {/snippet}
  {#snippet next()}
    <button class="next-step" disabled={busy || keeping || !trace?.artwork.nodes.length} onclick={keep}
      >{artwork ? `Keep as version ${artwork.version + 1}` : 'Keep this trace'}</button
    >
  {/snippet}
  {#snippet proofs()}
    <Proofs {source} grounds={commission.grounds} of="the trace" />
  {/snippet}
</Frame>
