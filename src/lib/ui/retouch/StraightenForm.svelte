<script lang="ts">
  import Figure from '../slip/Figure.svelte';
  import type { Retouching } from './retouching.svelte';

  /** The picture's frame: turned, mirrored, cut to its figure, made square. */
  const { retouching }: { retouching: Retouching } = $props();
  const turn = $derived(retouching.stepOf('turn')?.degrees ?? 0);
  const crop = $derived(retouching.stepOf('crop'));
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
  <button class="button" onclick={() => retouching.add({ kind: 'mirror', axis: null, keep: 'left' })}
    >Mirror the left</button
  >
  <button class="button" onclick={() => retouching.add({ kind: 'mirror', axis: null, keep: 'right' })}
    >Mirror the right</button
  >
  <button class="button" onclick={() => retouching.add({ kind: 'crop', box: null, margin: 0.08 })}>Cut to figure</button
  >
  <button class="button" onclick={() => retouching.add({ kind: 'square' })}>Make square</button>
</div>
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
