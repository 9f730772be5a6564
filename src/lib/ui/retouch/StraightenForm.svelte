<script lang="ts">
  import Choice from '../slip/Choice.svelte';
  import Figure from '../slip/Figure.svelte';
  import type { Retouching } from './retouching.svelte';

  /** The picture's frame: turned, mirrored, cut to its figure, made square. */
  const { retouching }: { retouching: Retouching } = $props();
  const turn = $derived(retouching.stepOf('turn')?.degrees ?? 0);
  const crop = $derived(retouching.stepOf('crop'));
  const mirror = $derived(retouching.stepOf('mirror'));
</script>

<Figure
  label="Turn"
  bind:value={() => turn, (degrees) => degrees !== turn && retouching.attempt({ kind: 'turn', degrees })}
  min={-45}
  max={45}
  step={0.5}
  unit="°"
  onsettle={(degrees) => retouching.settleTurn(degrees)}
/>
<div class="mb-3 grid grid-cols-2 gap-2">
  <button class="button" onclick={() => retouching.add({ kind: 'turn', degrees: null })}>By its axis</button>
  <button class="button" onclick={() => retouching.add({ kind: 'square' })}>Make square</button>
  <button class="button" onclick={() => retouching.add({ kind: 'crop', box: null, margin: 0.08 })}>Cut to figure</button
  >
  <button
    class="button"
    aria-pressed={retouching.frame === 'box'}
    onclick={() => (retouching.frame = retouching.frame === 'box' ? 'none' : 'box')}>Cut to a box</button
  >
  <button class="button" onclick={() => retouching.add({ kind: 'mirror', axis: null, keep: 'left' })}>Mirror</button>
  <button
    class="button"
    aria-pressed={retouching.frame === 'axis'}
    onclick={() => (retouching.frame = retouching.frame === 'axis' ? 'none' : 'axis')}>Draw an axis</button
  >
</div>
{#if retouching.frame !== 'none'}
  <p class="mb-2 text-[12px] text-muted" role="status">
    {retouching.frame === 'box'
      ? 'Drag a box on the sheet.'
      : 'Drag a line on the sheet: one half is mirrored about it.'}
  </p>
{/if}
{#if mirror}
  <Choice
    label="The half that stays"
    value={mirror.keep}
    options={[
      { value: 'left', label: 'left' },
      { value: 'right', label: 'right' },
    ]}
    onsettle={(keep) => retouching.put({ ...mirror, keep: keep as 'left' | 'right' })}
  />
{/if}
{#if crop && !crop.box}
  <Figure
    label="Margin"
    value={Math.round(100 * crop.margin)}
    min={0}
    max={100}
    unit="%"
    onsettle={(share) => retouching.put({ ...crop, margin: share / 100 })}
  />
{/if}
