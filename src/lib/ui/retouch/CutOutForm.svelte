<script lang="ts">
  import type { InnerChoice } from '$core/retouch';
  import Choice from '../slip/Choice.svelte';
  import Figure from '../slip/Figure.svelte';
  import type { Retouching } from './retouching.svelte';

  /** The ground off: what becomes of what the figure encloses, and two brushes. */
  const { retouching }: { retouching: Retouching } = $props();
  const step = $derived(retouching.stepOf('cut-out'));
  const fresh = { kind: 'cut-out', inner: 'auto', parts: [], strokes: [] } as const;
</script>

{#if !step}
  <button class="button mb-2 w-full" onclick={() => retouching.add({ ...fresh, parts: [], strokes: [] })}
    >Take the ground off</button
  >
{:else}
  <Choice
    label="Enclosed"
    value={step.inner}
    options={[
      { value: 'auto', label: 'told', hint: 'A hole goes, a spot such as an eye stays' },
      { value: 'keep', label: 'kept' },
      { value: 'drop', label: 'dropped' },
    ]}
    onsettle={(inner) => retouching.put({ ...step, inner: inner as InnerChoice, parts: [] })}
  />
  {#if retouching.enclosed.length}
    <ul class="mb-2 max-h-28 overflow-y-auto" aria-label="Areas that the figure encloses" data-enclosed>
      {#each retouching.enclosed as { box, areaPx2, dropped }, k (k)}
        <li class="flex min-h-6 items-center gap-2">
          <span class="flex-1">{k + 1} · {Math.round(areaPx2)} px², at {box[0]}, {box[1]}</span>
          <button
            class="quiet"
            aria-pressed={!dropped}
            onclick={() => retouching.dropEnclosed(k, !dropped)}
            aria-label="{dropped ? 'Keep' : 'Drop'} enclosed area {k + 1}">{dropped ? 'keep' : 'drop'}</button
          >
        </li>
      {/each}
    </ul>
  {/if}
{/if}
<Choice
  label="By"
  bind:value={retouching.strokes}
  options={[
    { value: 'parts', label: 'parts', hint: 'A press on a part takes it away, or brings it back' },
    { value: 'back', label: 'put back' },
    { value: 'away', label: 'take away' },
  ]}
/>
{#if retouching.strokes !== 'parts'}
  <Figure label="Width" bind:value={retouching.brush.widthPx} min={1} max={500} unit="px" />
{:else}
  <p class="mb-2 text-[12px] text-muted">A press on a part or a hole takes it away, or brings it back.</p>
{/if}
