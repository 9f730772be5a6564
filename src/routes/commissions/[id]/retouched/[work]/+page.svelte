<script lang="ts">
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import type { Noticed } from '$core/retouch';
  import GroundPicker from '$lib/ui/artwork/GroundPicker.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import ActForm from '$lib/ui/retouch/ActForm.svelte';
  import DrawnLayer from '$lib/ui/retouch/DrawnLayer.svelte';
  import FillStrip from '$lib/ui/retouch/FillStrip.svelte';
  import MadeLayer from '$lib/ui/retouch/MadeLayer.svelte';
  import NoticedList from '$lib/ui/retouch/NoticedList.svelte';
  import { ACTS, FILLS, Retouching } from '$lib/ui/retouch/retouching.svelte';
  import StepList from '$lib/ui/retouch/StepList.svelte';
  import PictureLayer from '$lib/ui/sheet/PictureLayer.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import { copyWork } from '$lib/ui/work/copy';
  import { heard } from '$lib/ui/work/heard.svelte';
  import { retouchingLineOf } from '$lib/ui/work/line.svelte';
  import { placeOf } from '$lib/ui/work/places';
  import type { ThreadWork } from '$lib/contract/answers';

  const { data } = $props();
  const work = heard(() => data.retouched, retouchingLineOf);
  const line = $derived(work.line);
  const current = $derived(line.state);
  const list = $derived(line.drawing);

  // svelte-ignore state_referenced_locally
  let picked = $state.raw<readonly string[]>(data.picked);
  const retouching = new Retouching(
    () => line,
    (hex) => void keepColour(hex, true),
  );
  const made = $derived(retouching.made);
  const mend = $derived(retouching.stepOf('mend'));

  $effect(() => {
    const { entries } = list;
    untrack(() => retouching.make(entries));
  });
  // What the open form lets one choose from.
  const chosenStep = $derived(JSON.stringify([retouching.chosen, retouching.fillCount, withoutHow()]));
  function withoutHow() {
    const step = retouching.entry?.step;
    return step?.kind === 'mend' ? { ...step, how: null, seed: null } : (step ?? null);
  }
  $effect(() => {
    void chosenStep;
    untrack(() => retouching.choices());
  });

  /** Whether what is mended lies in the lower half of the picture: its fills are shown where they do not hide it. */
  const isMendLow = $derived.by(() => {
    if (!mend || !made) return false;
    const [area] = mend.areas;
    const y =
      area.by === 'box'
        ? area.box[1] + area.box[3] / 2
        : area.by === 'brush'
          ? area.points.reduce((sum, p) => sum + p[1], 0) / area.points.length
          : Number(/^M\S+ (\S+?)[A-Z]/.exec(area.outline)?.[1] ?? 0);
    return y > made.heightPx / 2;
  });

  const all = (works: readonly ThreadWork[]): ThreadWork[] => works.flatMap((w) => [w, ...all(w.works)]);
  const artworks = $derived(data.thread.branches.flatMap((b) => all(b.works)).filter((w) => w.kind === 'artwork'));

  let before = $state(false);
  let isPicking = $state(false);
  let shown = $state.raw<Noticed | null>(null);

  // svelte-ignore state_referenced_locally
  let groundAt = $state(data.commission.grounds.length);
  const ground = $derived(data.commission.grounds[groundAt]?.hex ?? null);
  const proofed = $derived(made ? ({ kind: 'pixels', picture: made.small } as const) : null);

  async function keepColour(hex: string, kept: boolean): Promise<void> {
    try {
      picked = await outbox.send<string[]>({
        method: 'POST',
        path: `/api/commissions/${data.commission.id}/colours`,
        body: { hex, kept },
        what: `the colour ${hex} ${kept ? 'kept' : 'dropped'}`,
      });
      if (kept) notices.tell(`${hex} is kept with the commission`, { id: 'picked' });
    } catch (error) {
      notices.fail(error);
    }
  }

  const putRight = (noticed: readonly Noticed[]): void => {
    shown = null;
    retouching.addAll(noticed.flatMap((n) => n.step ?? []));
  };

  async function trace(): Promise<void> {
    await line.settled();
    await goto(`${placeOf(data.commission.id, current)}/trace`);
  }

  const copy = () => copyWork(line, data.commission.id);

  function escape(): void {
    if (retouching.outline.length || retouching.stroke.length) retouching.leave();
    else if (retouching.act) retouching.toggle(retouching.act);
    else retouching.chosen = null;
  }

  $effect(() =>
    keys.add([
      ...ACTS.map(({ name, label, press }) => ({ press, label, run: () => retouching.toggle(name) })),
      { press: 'b', label: 'Before or after', run: () => (before = !before) },
      { press: '[', label: 'Narrower brush', run: () => widen(1 / 1.25) },
      { press: ']', label: 'Wider brush', run: () => widen(1.25) },
      { press: 'Enter', label: 'Close the outline', run: () => retouching.finishOutline() },
      {
        press: 'Delete',
        label: 'Take the chosen step out of the list',
        run: () => retouching.chosen && line.edit({ kind: 'remove-step', id: retouching.chosen }),
      },
      { press: 'Escape', label: 'Leave what is on', run: escape },
      { press: 'i', label: 'Hold it and press on the sheet: pick a colour', run: () => {} },
      { press: 'Mod+Enter', label: 'Trace this picture', run: () => void trace() },
    ]),
  );
  const widen = (by: number): void => {
    const { widthPx } = retouching.brush;
    const to = by > 1 ? Math.max(widthPx + 1, widthPx * by) : Math.min(widthPx - 1, widthPx * by);
    retouching.brush.widthPx = Math.max(1, Math.min(500, Math.round(to)));
  };

  const isTyping = (event: KeyboardEvent): boolean =>
    (event.target as HTMLElement).matches('input:not([type=checkbox]):not([type=radio]), textarea, select');
</script>

<svelte:window
  onkeydown={(e) => {
    if (e.key.toLowerCase() === 'i' && !e.ctrlKey && !e.metaKey && !isTyping(e)) isPicking = true;
  }}
  onkeyup={(e) => e.key.toLowerCase() === 'i' && (isPicking = false)}
  onblur={() => (isPicking = false)}
/>

<Frame slipTitle="Retouch">
  {#snippet sheet()}
    <Sheet
      width={made?.widthPx ?? list.widthPx}
      height={made?.heightPx ?? list.heightPx}
      label="{current.name}{retouching.act ? `; ${retouching.act} is on` : ''}"
      {ground}
      ondraw={retouching.draws || isPicking ? (gesture) => retouching.draw(gesture, isPicking) : undefined}
    >
      {#snippet layers(view)}
        {#if before || !made}
          <PictureLayer
            href={made ? retouching.href : `/api/works/${current.id}/picture.png?step=${current.head}`}
            width={list.widthPx}
            height={list.heightPx}
            {view}
            alt={made ? 'The candidate as it was' : current.name}
          />
        {:else}
          <MadeLayer bitmap={made.bitmap} {view} label={current.name} />
        {/if}
        <DrawnLayer {retouching} {view} boxes={shown?.boxes ?? []} />
        {#if retouching.making !== null && made}
          <div
            class="absolute top-3 left-1/2 flex -translate-x-1/2 items-center gap-2 border border-line bg-panel px-3 py-1"
            role="progressbar"
            aria-label="Retouching"
            aria-valuenow={Math.round(retouching.making * 100)}
          >
            Retouching
            <span class="h-1 w-24 bg-line"
              ><span class="block h-1 bg-active" style="width: {retouching.making * 100}%"></span></span
            >
          </div>
        {/if}
      {/snippet}
      {#snippet foot()}
        <label class="flex items-center gap-1.5"><input type="checkbox" bind:checked={before} /> Before</label>
        <span class="flex-1"></span>
        <GroundPicker grounds={data.commission.grounds} bind:at={groundAt} />
      {/snippet}
    </Sheet>
    {#if mend && (retouching.fills.length || retouching.filling !== null)}
      <div class="pointer-events-none absolute inset-x-0 top-0 bottom-9">
        <div class="pointer-events-auto">
          <FillStrip
            above={isMendLow}
            fills={retouching.fills}
            filling={retouching.filling}
            count={retouching.fillCount}
            taken={mend}
            ontake={(fill) => retouching.takeFill(fill)}
            onmore={() => (retouching.fillCount = FILLS.more)}
            onclose={() => (retouching.chosen = null)}
          />
        </div>
      </div>
    {/if}
  {/snippet}
  {#snippet slip()}
    {#if retouching.error}<p class="mb-3 text-danger" role="alert">{retouching.error}</p>{/if}
    <NoticedList
      noticed={retouching.noticed}
      off={retouching.letteringOff}
      looking={retouching.looking}
      onshow={(one) => (shown = one)}
      onright={putRight}
    />
    <div class="mb-3 grid grid-cols-2 gap-2" role="group" aria-label="What to do">
      {#each ACTS as { name, label, press } (name)}
        <button
          class="flex min-h-8 items-center justify-between border px-2.5 {retouching.act === name
            ? 'border-active bg-active text-on-active'
            : 'border-line bg-paper hover:border-text'}"
          aria-pressed={retouching.act === name}
          onclick={() => retouching.toggle(name)}
          >{label} <span class="text-[11px] opacity-70" aria-hidden="true">{press.toUpperCase()}</span></button
        >
      {/each}
    </div>
    <ActForm
      {retouching}
      grounds={data.commission.grounds}
      {picked}
      {artworks}
      ondrop={(hex) => void keepColour(hex, false)}
    />
    <button class="quiet mb-3" aria-pressed={retouching.act === 'pick'} onclick={() => retouching.toggle('pick')}
      >Pick colours off the picture, or hold I</button
    >
    <StepList
      entries={list.entries}
      faults={made?.faults ?? []}
      chosen={retouching.chosen}
      onchoose={(id) => retouching.choose(id)}
      onedit={(edit) => line.edit(edit)}
    />
    <p class="mt-3 flex items-center gap-3 text-muted">
      Version {current.version}
      {#if line.isWaiting}<span role="status" data-waiting>not yet kept</span>{/if}
      <button class="quiet" onclick={copy} title="With a list of its own; this one stays as it is"
        >Copy as another</button
      >
    </p>
  {/snippet}
  {#snippet next()}
    <button class="next-step" onclick={trace}>Trace this picture</button>
  {/snippet}
  {#snippet proofs()}
    <Proofs source={proofed} grounds={data.commission.grounds} of="the retouched picture" />
  {/snippet}
</Frame>
