<script lang="ts">
  import type { Side } from '$core/vector';
  import Choice from '../slip/Choice.svelte';
  import EconomyChart from '../slip/EconomyChart.svelte';
  import Figure from '../slip/Figure.svelte';
  import type { Shaping } from './shaping.svelte';

  /** The short form of the act that is on, and what it would do, in figures. */
  interface Props {
    shaping: Shaping;
  }
  const { shaping }: Props = $props();
  const { act, made } = $derived(shaping);
  const inks = $derived(shaping.line.drawing.inks);
  const JOINS = [
    { value: 'round', label: 'round' },
    { value: 'mitre', label: 'mitred' },
    { value: 'bevel', label: 'bevelled' },
  ] as const;
  const SIDES: readonly (readonly [Side, string])[] = [
    ['left', 'left'],
    ['centre', 'centre'],
    ['right', 'right'],
    ['top', 'top'],
    ['middle', 'middle'],
    ['bottom', 'bottom'],
  ];
  /** Opened, and with its figures there, the whole form is in view. */
  const inView = (_figures: unknown) => (form: HTMLElement) => form.scrollIntoView({ block: 'nearest' });
  const isWorked = $derived(act === 'offset' || act === 'border' || act === 'thin-out');
</script>

{#snippet corners(form: { join: 'round' | 'mitre' | 'bevel' })}
  <Choice label="Corners" bind:value={form.join} options={[...JOINS]} onsettle={() => shaping.preview()} />
{/snippet}

{#if act}
  <section
    class="mb-4 border border-line bg-paper px-3 pt-3 pb-2"
    aria-label="The act that is on"
    data-act={act}
    {@attach inView(made)}
  >
    {#if act === 'offset'}
      <Figure
        label="By"
        bind:value={shaping.offset.byPx}
        min={-40}
        max={40}
        step={0.5}
        unit="px"
        hint="Below 0 it shrinks"
        onsettle={() => shaping.preview()}
      />
      {@render corners(shaping.offset)}
    {:else if act === 'border'}
      <Figure
        label="Width"
        bind:value={shaping.border.byPx}
        min={0.5}
        max={80}
        step={0.5}
        unit="px"
        hint="Behind everything that is chosen"
        onsettle={() => shaping.preview()}
      />
      {@render corners(shaping.border)}
      <label class="mb-3 flex items-center justify-between gap-2"
        >Ink
        <select class="field max-w-40" bind:value={shaping.border.inkId} onchange={() => shaping.preview()}>
          <option value="">{inks[0]?.name ?? 'none'}</option>
          {#each inks.slice(1) as ink (ink.id)}<option value={ink.id}>{ink.name}</option>{/each}
        </select></label
      >
    {:else if act === 'thin-out'}
      <Figure
        label="Within"
        bind:value={shaping.thin.tolerancePx}
        min={0.01}
        max={2}
        step={0.01}
        unit="px"
        hint="No outline strays further than that"
        onsettle={() => shaping.preview()}
      />
      <h3 class="mb-1 text-[12px] text-muted">Points against px that outlines stray; press one to take it</h3>
      {#if shaping.curve && shaping.curve.length > 1}
        <EconomyChart
          points={shaping.curve.map((c) => ({ segments: c.points, meanPx: c.greatestPx, smoothness: c.tolerancePx }))}
          smoothness={shaping.thin.tolerancePx}
          onpick={(tolerance) => {
            shaping.thin.tolerancePx = tolerance;
            shaping.preview();
          }}
        />
      {:else}
        <!-- As high as the chart, so that nothing below moves when it comes. -->
        <p class="mb-2 h-[128px] text-[12px] text-muted">
          {shaping.curve ? 'There is no other count of points to choose' : 'Finding how few points would do'}
        </p>
      {/if}
    {:else if act === 'line'}
      <Figure
        label="Width"
        bind:value={shaping.stroke.widthPx}
        min={0.5}
        max={100}
        step={0.5}
        unit="px"
        onsettle={() => shaping.alongChosen('try')}
      />
      {#each [['start', 'At its start'], ['middle', 'In its middle'], ['end', 'At its end']] as const as [key, label] (key)}
        <Figure
          {label}
          bind:value={shaping.stroke[key]}
          min={0}
          max={200}
          unit="%"
          onsettle={() => shaping.alongChosen('try')}
        />
      {/each}
      <Choice
        label="Ends"
        bind:value={shaping.stroke.cap}
        options={[
          { value: 'butt', label: 'cut' },
          { value: 'round', label: 'round' },
          { value: 'square', label: 'square' },
        ]}
        onsettle={() => shaping.alongChosen('try')}
      />
      <Choice
        label="Corners"
        bind:value={shaping.stroke.join}
        options={[...JOINS]}
        onsettle={() => shaping.alongChosen('try')}
      />
      <label class="mb-3 flex items-center justify-between gap-2"
        >Ink
        <select class="field max-w-40" bind:value={shaping.stroke.inkId} onchange={() => shaping.alongChosen('try')}>
          {#if !inks.some((i) => i.id === shaping.stroke.inkId)}
            <option value={shaping.stroke.inkId}>{inks[0]?.name ?? 'none'}</option>
          {/if}
          {#each inks as ink (ink.id)}<option value={ink.id}>{ink.name}</option>{/each}
        </select></label
      >
      <div class="mb-2 flex flex-wrap items-center gap-2">
        <button class="button" disabled={!shaping.pieces.length} onclick={() => shaping.alongChosen('make')}
          >Draw the line</button
        >
        <button class="button" disabled={shaping.busy} onclick={() => shaping.outlineLines()}
          >Make areas of lines</button
        >
        <button class="quiet" disabled={!shaping.pieces.length} onclick={() => shaping.withoutLine()}>take away</button>
      </div>
    {:else if act === 'mirror'}
      <div class="mb-2 grid grid-cols-2 gap-2">
        <button class="button" onclick={() => shaping.mirror(0)}>Left to right</button>
        <button class="button" onclick={() => shaping.mirror(1)}>Top to bottom</button>
        <button
          class="button"
          onclick={() => shaping.mirror(0, true)}
          title="A mirrored copy on the other half of the sheet">Copy across</button
        >
        <button class="button" onclick={() => shaping.mirror(1, true)} title="A mirrored copy below or above"
          >Copy down</button
        >
      </div>
    {:else if act === 'align'}
      <Choice
        label="Middles by"
        bind:value={shaping.lineUpBy}
        options={[
          { value: 'outline', label: 'outline' },
          { value: 'optical', label: 'mass', hint: 'By the optical middle: where as much lies on either side' },
        ]}
      />
      <div class="mb-2 grid grid-cols-3 gap-2">
        {#each SIDES as [side, label] (side)}
          <button class="button" disabled={!shaping.chosen.length} onclick={() => shaping.lineUp(side)}>{label}</button>
        {/each}
      </div>
      <div class="mb-2 grid grid-cols-2 gap-2">
        <button class="button" disabled={shaping.chosen.length < 3} onclick={() => shaping.spread(0)}
          >Even across</button
        >
        <button class="button" disabled={shaping.chosen.length < 3} onclick={() => shaping.spread(1)}>Even down</button>
      </div>
      <p class="mb-1 text-[12px] text-muted">One alone is lined up with the sheet.</p>
    {:else if act === 'choose'}
      <div class="mb-2 grid grid-cols-2 gap-2">
        <button class="button" disabled={!shaping.chosen.length} onclick={() => shaping.chooseBy('ink')}
          >All of its ink</button
        >
        <button class="button" disabled={!shaping.chosen.length} onclick={() => shaping.chooseBy('alike')}
          >All alike</button
        >
        <button class="button" onclick={() => shaping.chooseBy('left')}>All others</button>
        <button class="button" onclick={() => shaping.chooseBy('all')}>Everything</button>
        <button class="button" onclick={() => shaping.chooseBy('specks')}>Specks</button>
        <button class="button" onclick={() => shaping.swapHidden()} title="What is hidden shows, what shows is hidden"
          >Swap hidden</button
        >
      </div>
    {/if}
    {#if isWorked}
      <p class="mb-2 min-h-[36px] text-[12px] text-muted" role="status" data-would>
        {#if shaping.busy}
          {shaping.doing ? 'Working it out: it is done then' : 'Working it out'}
        {:else if made?.put}
          {made.points[0]} to {made.points[1]} points · strays {made.greatestPx.toFixed(2)} px · {Math.round(
            made.areaPx2[0],
          ).toLocaleString('en-GB')} to {Math.round(made.areaPx2[1]).toLocaleString('en-GB')} px²
        {:else if made}
          Nothing would change
        {/if}
      </p>
      <div class="mb-1 flex gap-2">
        <button class="button" disabled={!shaping.busy && !made?.put} onclick={() => shaping.apply()}>Do it</button>
        <button class="quiet" onclick={() => shaping.toggleAct(act)}>Leave it</button>
      </div>
    {/if}
  </section>
{:else if made}
  <p class="mb-3 text-[12px] text-muted" role="status" data-did>
    {made.told}: {made.points[0]} to {made.points[1]} points, strays {made.greatestPx.toFixed(2)} px
  </p>
{/if}
