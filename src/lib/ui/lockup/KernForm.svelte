<script lang="ts">
  import type { TextPart } from '$core/lockup';
  import Figure from '../slip/Figure.svelte';
  import type { Arranging } from './arranging.svelte';

  /** Kerning by hand, pair by pair. */
  const { arranging, part }: { arranging: Arranging; part: TextPart } = $props();
  const letters = $derived(arranging.kerning.letters);
  const [first, second] = $derived([letters[arranging.kerning.pair], letters[arranging.kerning.pair + 1]]);
  const done = $derived(Object.keys(part.byHand ?? {}).length);
</script>

{#if first && second}
  <p class="mb-2 flex items-center justify-between">
    <button class="quiet" onclick={() => arranging.kerning.nextPair(-1)} aria-label="The pair before">←</button>
    <span class="text-[15px]" data-kern-pair>“{first.text}{second.text}”</span>
    <button class="quiet" onclick={() => arranging.kerning.nextPair(1)} aria-label="The next pair">→</button>
  </p>
  <Figure
    label="Moved by"
    bind:value={
      () => Number(arranging.kerning.kerned.toFixed(3)),
      (v) => Math.abs(v - arranging.kerning.kerned) > 1e-4 && arranging.kerning.kernTo(v)
    }
    min={-0.5}
    max={0.5}
    step={0.005}
    unit="em"
    hint="Arrows left and right kern, up and down go to other pairs; a press on the sheet chooses one"
    onsettle={(v) => arranging.kerning.kernTo(v)}
  />
  {#if done}
    <button class="quiet mb-2" onclick={() => arranging.set(part.id, { byHand: null })}>take all {done} back</button>
  {/if}
{:else}
  <p class="text-muted">Two letters are needed to kern.</p>
{/if}
