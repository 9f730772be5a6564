<script lang="ts">
  import { FIGURES } from '$core/redraw';
  import type { PictureBelow } from '$lib/contract/answers';
  import Choice from '../slip/Choice.svelte';
  import Figure from '../slip/Figure.svelte';
  import Typed from '../slip/Typed.svelte';
  import AxisChoice from './AxisChoice.svelte';
  import type { Below } from './below.svelte';
  import type { Constructing } from './constructing.svelte';
  import { TOOLS, type Redrawing } from './redrawing.svelte';
  import type { Shaping } from './shaping.svelte';

  /** Drawing over a picture: the tools, what they have, the picture's guides, and how far the drawing lies from it. */
  interface Props {
    redrawing: Redrawing;
    below: Below;
    constructing: Constructing;
    shaping: Shaping;
    pictures: readonly PictureBelow[];
  }
  const { redrawing, below, constructing, shaping, pictures }: Props = $props();
  const inks = $derived(shaping.line.drawing.inks);
  const guides = $derived(shaping.line.kept.guides);
  const untaken = $derived(redrawing.untaken);
  const takenOffered = $derived(below.offered.length - untaken.length);
  /** Sets a guide where a figure says. */
  function guideAt(way: 'level' | 'upright', text: string): void {
    const at = Number(text.replace(',', '.').replace(/px/, ''));
    if (!text.trim() || !Number.isFinite(at)) return;
    const id = `guide-${crypto.randomUUID().slice(0, 8)}`;
    const through: [number, number] = way === 'level' ? [0, at] : [at, 0];
    shaping.edit([{ kind: 'set-guide', guide: { id, kind: 'line', through, angleDeg: way === 'level' ? 0 : 90 } }]);
  }
  const remember = () => redrawing.remember();
  const HINTS = {
    pen: 'Press for a corner, drag for a curve; back to the first place closes it, Enter ends it.',
    circle: 'Drag it, or press its places one by one.',
    ellipse: 'Drag it, or press its places one by one; places are drawn to guides.',
    rectangle: 'Drag it from corner to corner.',
    polygon: 'Drag it from its middle to a corner.',
    line: 'Drag it from end to end; with Shift level, upright or at 45°.',
    guides: 'Press a dotted guide to take it, a dashed one to let it go. Rulers give more.',
  } as const;
</script>

<section class="mb-4" aria-label="Draw" data-tool={redrawing.tool}>
  <h2 class="mb-2 text-[14px]">Draw</h2>
  <div class="mb-2 grid grid-cols-4 gap-1.5 text-[12px]">
    {#each TOOLS as tool (tool)}
      <button
        class="button px-1! {redrawing.tool === tool ? 'border-active! bg-paper font-semibold' : ''}"
        aria-pressed={redrawing.tool === tool}
        onclick={() => redrawing.pick(tool)}>{tool}</button
      >
    {/each}
    <button class="button px-1!" onclick={() => redrawing.toggle()}>leave</button>
  </div>
  <p class="mb-3 text-[12px] text-muted">{HINTS[redrawing.tool]}</p>
  {#if redrawing.tool === 'pen'}
    <Choice
      label="Goes on as"
      bind:value={redrawing.way}
      options={[
        { value: 'line', label: 'line' },
        { value: 'curve', label: 'curve', hint: 'Drag where it ends to bend it' },
        { value: 'arc', label: 'arc', hint: 'It goes on smoothly; drag where it ends to say what it comes through' },
      ]}
      onsettle={remember}
    />
    {#if redrawing.path.places.length}
      <div class="mb-3 flex items-center gap-2">
        <button class="button" disabled={redrawing.path.places.length < 2} onclick={() => redrawing.finish()}
          >End it here</button
        >
        <button class="quiet" onclick={() => redrawing.back()}>take the last place back</button>
      </div>
    {/if}
  {:else if redrawing.tool === 'circle'}
    <label class="mb-3 flex items-center justify-between gap-2"
      >By
      <select class="field" bind:value={redrawing.circleBy} onchange={remember}>
        {#each ['circle-centre', 'circle-ends', 'circle-three'] as const as by (by)}
          <option value={by}>{FIGURES[by].label}</option>
        {/each}
      </select></label
    >
  {:else if redrawing.tool === 'ellipse'}
    <label class="mb-3 flex items-center justify-between gap-2"
      >By
      <select class="field" bind:value={redrawing.ellipseBy} onchange={remember}>
        {#each ['ellipse-box', 'ellipse-axis'] as const as by (by)}
          <option value={by}>{FIGURES[by].label}</option>
        {/each}
      </select></label
    >
  {:else if redrawing.tool === 'rectangle'}
    <Figure
      label="Corner radius"
      bind:value={redrawing.radiusPx}
      min={0}
      max={200}
      step={0.5}
      unit="px"
      onsettle={remember}
    />
  {:else if redrawing.tool === 'polygon'}
    <Figure label="Sides" bind:value={redrawing.sides} min={3} max={24} onsettle={remember} />
  {/if}
  {#if redrawing.tool !== 'guides'}
    {#if redrawing.tool !== 'line'}
      <Choice
        label="As"
        value={redrawing.filled ? 'area' : 'line'}
        options={[
          { value: 'area', label: 'area' },
          { value: 'line', label: 'line' },
        ]}
        onsettle={(v) => {
          redrawing.filled = v === 'area';
          remember();
        }}
      />
    {/if}
    {#if !redrawing.filled || redrawing.tool === 'line'}
      <Figure
        label="Line width"
        bind:value={redrawing.widthPx}
        min={0.5}
        max={100}
        step={0.5}
        unit="px"
        onsettle={remember}
      />
    {/if}
    {#if inks.length}
      <label class="mb-3 flex items-center justify-between gap-2"
        >Ink
        <select class="field max-w-40" bind:value={redrawing.inkId} onchange={remember}>
          {#if !inks.some((i) => i.id === redrawing.inkId)}<option value={redrawing.inkId}>{inks[0].name}</option>{/if}
          {#each inks as ink (ink.id)}<option value={ink.id}>{ink.name}</option>{/each}
        </select></label
      >
    {/if}
    <AxisChoice {constructing} label="With its image" bind:on={redrawing.isMirrored} onchange={remember} />
  {/if}

  <div class="border-t border-line pt-3">
    {#if pictures.length}
      <label class="mb-2 flex items-center justify-between gap-2"
        >Over
        <select
          class="field max-w-48"
          value={below.pictureId}
          onchange={(e) => below.choose(e.currentTarget.value)}
          aria-label="The picture below"
        >
          {#each pictures as p (p.id)}<option value={p.id}>{p.label}</option>{/each}
        </select></label
      >
      <Figure
        label="Picture below"
        bind:value={() => below.opacity, (v) => below.fade(v)}
        min={0}
        max={100}
        unit="%"
        onsettle={() => below.remember()}
      />
      <p class="mb-2" role="status" data-deviation={below.looking ? 'looking' : 'ready'}>
        {#if below.looking}
          <span class="text-[12px] text-muted">Looking for the picture's edges</span>
        {:else if below.deviation}
          off by <b>{below.deviation.greatestPx.toFixed(1)} px</b> at most,
          {below.deviation.meanPx.toFixed(1)} px on the mean ·
          <b>{Math.round(100 * below.deviation.drawnShare)}%</b> of its edges drawn
        {:else if below.edges}
          <span class="text-[12px] text-muted">Nothing is drawn yet.</span>
        {/if}
      </p>
    {:else}
      <p class="mb-2 text-[12px] text-muted">This commission has no picture yet that could lie below.</p>
    {/if}
    <p class="mb-1" data-offered-count={below.offered.length}>
      Guides: {guides.length} set{#if below.offered.length}, {takenOffered} of {below.offered.length} offered taken{/if}
    </p>
    <div class="mb-2 grid grid-cols-2 gap-x-3">
      {#each [['level', 'level at'], ['upright', 'upright at']] as const as [way, label] (way)}
        <label class="flex items-center justify-between gap-1 text-muted"
          >{label}
          <Typed
            class="field w-[62px] text-right"
            value=""
            inputmode="decimal"
            aria-label="A guide {label}, in px"
            ontyped={(text) => guideAt(way, text)}
          /></label
        >
      {/each}
    </div>
    <div class="flex gap-3">
      {#if untaken.length}
        <button class="quiet" onclick={() => redrawing.take(untaken)}>take all</button>
      {/if}
      {#if guides.length}
        <button class="quiet" onclick={() => shaping.edit(guides.map((g) => ({ kind: 'remove-guide', guideId: g.id })))}
          >remove all</button
        >
      {/if}
    </div>
  </div>
</section>
