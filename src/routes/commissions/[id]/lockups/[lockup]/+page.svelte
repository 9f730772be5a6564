<script lang="ts">
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { partName, textsOf } from '$core/lockup';
  import GroundPicker from '$lib/ui/artwork/GroundPicker.svelte';
  import { OnGround } from '$lib/ui/artwork/ground.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import AddForm from '$lib/ui/lockup/AddForm.svelte';
  import AlignForm from '$lib/ui/lockup/AlignForm.svelte';
  import AlternatesForm from '$lib/ui/lockup/AlternatesForm.svelte';
  import { ACTS, Arranging } from '$lib/ui/lockup/arranging.svelte';
  import BendForm from '$lib/ui/lockup/BendForm.svelte';
  import DressForm from '$lib/ui/lockup/DressForm.svelte';
  import Faces from '$lib/ui/lockup/Faces.svelte';
  import FrameForm from '$lib/ui/lockup/FrameForm.svelte';
  import KernForm from '$lib/ui/lockup/KernForm.svelte';
  import Layouts from '$lib/ui/lockup/Layouts.svelte';
  import LettersForm from '$lib/ui/lockup/LettersForm.svelte';
  import LockupLayer from '$lib/ui/lockup/LockupLayer.svelte';
  import NoticedLines from '$lib/ui/lockup/NoticedLines.svelte';
  import Parts from '$lib/ui/lockup/Parts.svelte';
  import StandsForm from '$lib/ui/lockup/StandsForm.svelte';
  import TextFields from '$lib/ui/lockup/TextFields.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import ArtworkLayer from '$lib/ui/sheet/ArtworkLayer.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import { oncePerFrame } from '$lib/ui/sheet/view';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import Figure from '$lib/ui/slip/Figure.svelte';
  import { heard } from '$lib/ui/work/heard.svelte';
  import { lockupLineOf } from '$lib/ui/work/line.svelte';
  import { placeOf } from '$lib/ui/work/places';

  const { data } = $props();
  const work = heard(() => data.lockup.work, lockupLineOf);
  const line = $derived(work.line);
  const current = $derived(line.state);
  const onGround = new OnGround(
    () => data.commission.grounds,
    () => ({ groundHex: null, drawing: { inks: current.drawing.inks } }),
  );
  const arranging = new Arranging(
    () => line,
    () => data.lockup,
    () => onGround.hex,
    () => data.commission.name,
  );
  const gesture = oncePerFrame((g) => arranging.handling.gesture(g));
  const texts = $derived(textsOf(arranging.lockup).filter((t) => !t.hidden));
  const drawn = $derived(arranging.drawn);
  const paper = $derived(arranging.paper);
  /** Opened, the whole form is in view. */
  const inView = (act: string) => (form: HTMLElement) =>
    form.scrollIntoView({ block: isList(act) ? 'start' : 'nearest' });
  /** The form of a part that was chosen in the list below it is in view. */
  const formInView = (id: string | undefined) => (top: HTMLElement) => {
    if (id) top.scrollIntoView({ block: 'nearest' });
  };
  /** Lists to choose from want the slip's height for themselves. */
  const isList = (act: string) => act === 'faces' || act === 'layouts';

  $effect(() => {
    const answer = data.lockup;
    untrack(() => arranging.hear(answer));
  });
  $effect(() => {
    void [arranging.lockup, arranging.artworks, onGround.hex, arranging.act === 'letters' && arranging.subject?.id];
    untrack(() => arranging.draw());
  });
  $effect(() => {
    void [line.kept, arranging.artworks];
    untrack(() => arranging.look());
  });

  async function onwards(): Promise<void> {
    arranging.keepTried();
    await line.settled();
    await goto(`${placeOf(data.commission.id, current)}/deliver`);
  }

  $effect(() =>
    keys.add([
      ...ACTS.map(({ name, label, press }) => ({ press, label, run: () => arranging.toggleAct(name) })),
      { press: 'g', label: 'Next ground', run: () => onGround.shift(1) },
      { press: 'Shift+g', label: 'Ground before', run: () => onGround.shift(-1) },
      { press: 'c', label: 'Clear space on or off', run: () => (arranging.showsClear = !arranging.showsClear) },
      { press: 'p', label: 'Choose the next part', run: () => arranging.next(1) },
      { press: 'Shift+p', label: 'Choose the part before', run: () => arranging.next(-1) },
      { press: '[', label: 'Back in the stack', run: () => arranging.restack(-1) },
      { press: ']', label: 'Forward in the stack', run: () => arranging.restack(1) },
      { press: ',', label: 'A little smaller', run: () => arranging.scale(1 / 1.02) },
      { press: '.', label: 'A little larger', run: () => arranging.scale(1.02) },
      { press: 'Delete', label: 'Remove what is chosen', run: () => arranging.remove() },
      { press: 'Escape', label: 'Leave what is on', run: () => arranging.escape() },
      { press: 'Mod+Enter', label: 'On to the delivery', run: () => void onwards() },
    ]),
  );
  // With a part chosen the arrows move it; while one kerns, they kern.
  $effect(() => {
    if (arranging.act === 'kern' && arranging.subject)
      return keys.add([
        { press: 'ArrowLeft', label: 'Closer', run: () => arranging.kerning.kern(-1) },
        { press: 'ArrowRight', label: 'Wider', run: () => arranging.kerning.kern(1) },
        { press: 'Shift+ArrowLeft', label: 'Much closer', run: () => arranging.kerning.kern(-4) },
        { press: 'Shift+ArrowRight', label: 'Much wider', run: () => arranging.kerning.kern(4) },
        { press: 'ArrowDown', label: 'The next pair', run: () => arranging.kerning.nextPair(1) },
        { press: 'ArrowUp', label: 'The pair before', run: () => arranging.kerning.nextPair(-1) },
      ]);
    if (!arranging.chosen.length) return;
    const ways = [['ArrowLeft', -1, 0], ['ArrowRight', 1, 0], ['ArrowUp', 0, -1], ['ArrowDown', 0, 1]] as const; // prettier-ignore
    return keys.add(
      ways.flatMap(([press, x, y]) => [
        { press, label: 'Move what is chosen by 1 px', run: () => arranging.move(x, y) },
        { press: `Shift+${press}`, label: 'Move it by 10 px', run: () => arranging.move(10 * x, 10 * y) },
      ]),
    );
  });
</script>

<Frame slipTitle="Lettering" about="Lockup {current.name}">
  {#snippet sheet()}
    <Sheet
      width={paper.width}
      height={paper.height}
      label="Lockup {current.name}; a press chooses a part, a drag moves it; with Alt the sheet moves"
      ground={onGround.hex}
      ondraw={gesture}
    >
      {#snippet layers(view)}
        {#if drawn}
          <ArtworkLayer
            artwork={drawn.artwork}
            view={{
              zoom: view.zoom,
              x: view.x + (drawn.origin[0] - paper.x) * view.zoom,
              y: view.y + (drawn.origin[1] - paper.y) * view.zoom,
            }}
          />
        {/if}
        <LockupLayer {arranging} {view} />
      {/snippet}
      {#snippet foot()}
        <label class="flex items-center gap-1.5"
          ><input type="checkbox" bind:checked={arranging.showsClear} /> Clear space</label
        >
        <span class="flex-1 truncate text-muted">{drawn ? '' : 'being drawn'}</span>
        <GroundPicker grounds={onGround.grounds} bind:at={onGround.at} />
      {/snippet}
    </Sheet>
  {/snippet}
  {#snippet slip()}
    <NoticedLines {arranging} data={data.lockup} />
    <div {@attach formInView(arranging.part?.id)}></div>
    {#if arranging.part?.kind === 'frame'}
      <FrameForm {arranging} part={arranging.part} />
    {:else if arranging.text}
      <TextFields {arranging} part={arranging.text} full={arranging.act === null} />
    {:else if arranging.part?.kind === 'mark'}
      {@const mark = arranging.part}
      <p class="mb-2">
        The mark, version {data.lockup.versions[mark.stepId] ?? '?'} of {data.lockup.marks.find(
          (m) => m.id === mark.workId,
        )?.name ?? 'an artwork that is gone'}
      </p>
      <Figure
        label="Turned"
        bind:value={
          () => Math.round(mark.turnDeg ?? 0),
          (v) => v !== Math.round(mark.turnDeg ?? 0) && arranging.try(mark.id, { turnDeg: v })
        }
        min={-180}
        max={180}
        unit="°"
        onsettle={(v) => arranging.set(mark.id, { turnDeg: v })}
      />
    {:else}
      {#each texts as text (text.id)}<TextFields {arranging} part={text} full={false} />{/each}
    {/if}
    <div class="mb-3 grid grid-cols-2 gap-2">
      {#each ACTS as { name, label, press } (name)}
        <button
          class="button flex justify-between {arranging.act === name ? 'border-active! bg-paper' : ''}"
          aria-pressed={arranging.act === name}
          onclick={() => arranging.toggleAct(name)}
          >{label}<span class="text-[11px] text-muted">{press.toUpperCase()}</span></button
        >
      {/each}
    </div>
    {#if arranging.act}
      {@const subject = arranging.subject}
      <section
        class="mb-4 border border-line bg-paper px-3 pt-3 pb-2 {isList(arranging.act) ? 'min-h-[560px]' : ''}"
        aria-label="The act that is on"
        data-act={arranging.act}
        {@attach inView(arranging.act)}
      >
        {#if subject && arranging.act !== 'layouts' && arranging.act !== 'align' && arranging.act !== 'add'}
          <p class="mb-2 truncate text-[12px] text-muted">of “{partName(subject)}”</p>
        {/if}
        {#if arranging.act === 'layouts'}
          <Layouts {arranging} />
        {:else if arranging.act === 'align'}
          <AlignForm {arranging} />
        {:else if arranging.act === 'add'}
          <AddForm {arranging} year={data.year} />
        {:else if !subject}
          <p class="text-muted">There is no text yet: add a name.</p>
        {:else if arranging.act === 'faces'}
          <Faces {arranging} commissionId={data.commission.id} />
        {:else if arranging.act === 'stands'}
          <StandsForm {arranging} part={subject} />
        {:else if arranging.act === 'kern'}
          <KernForm {arranging} part={subject} />
        {:else if arranging.act === 'alternates'}
          <AlternatesForm {arranging} part={subject} />
        {:else if arranging.act === 'warp'}
          <BendForm {arranging} part={subject} />
        {:else if arranging.act === 'dress'}
          <DressForm {arranging} part={subject} />
        {:else}
          <LettersForm {arranging} part={subject} />
        {/if}
      </section>
    {:else if !arranging.chosen.length}
      <h2 class="mb-1 text-[14px]">Faces that go with this mark</h2>
      <div class="mb-4"><Faces {arranging} commissionId={data.commission.id} few={3} /></div>
      <h2 class="mb-1.5 text-[14px]">Layouts</h2>
      <div class="mb-4"><Layouts {arranging} few={6} /></div>
    {/if}
    <Parts {arranging} />
    <Figure
      label="Clear space"
      bind:value={
        () => arranging.lockup.clear,
        (v) => v !== arranging.line.kept.clear && (line.tried = { kind: 'clear-space', clear: v })
      }
      min={0}
      max={4}
      step={0.1}
      unit="cap"
      onsettle={(v) => arranging.edit({ kind: 'clear-space', clear: v })}
    />
    {#if arranging.mark}
      <p class="mb-2">
        <a class="quiet" href="/commissions/{data.commission.id}/artworks/{arranging.mark.workId}/lettering"
          >another lockup of this mark</a
        >
      </p>
    {/if}
    <p class="text-[12px] text-muted" role="status">
      Version {current.version}{line.isWaiting ? ', not yet kept' : ''}
    </p>
  {/snippet}
  {#snippet next()}
    <button class="next-step" onclick={onwards}>On to the delivery</button>
  {/snippet}
  {#snippet proofs()}
    <Proofs
      source={arranging.cut ? { kind: 'artwork', artwork: arranging.cut } : null}
      grounds={data.commission.grounds}
      of="the lockup"
    />
  {/snippet}
</Frame>
