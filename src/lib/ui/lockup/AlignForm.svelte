<script lang="ts">
  import { ALIGNMENTS } from '$core/lockup';
  import type { Arranging } from './arranging.svelte';

  /** Parts aligned with the rest, or with the one that was chosen first. */
  const { arranging }: { arranging: Arranging } = $props();
  const WORDS: Readonly<Record<(typeof ALIGNMENTS)[number], string>> = {
    left: 'left',
    centre: 'centre',
    'optical-centre': 'centre, optically',
    right: 'right',
    top: 'top',
    middle: 'middle',
    'optical-middle': 'middle, optically',
    foot: 'foot',
    baseline: 'baseline',
    'cap-height': 'cap height',
  };
</script>

{#if arranging.chosen.length}
  <p class="mb-2 text-[12px] text-muted">
    {arranging.chosen.length === 1 ? 'With all that is not chosen' : 'With the part that was chosen first'}
  </p>
  <div class="mb-2 grid grid-cols-2 gap-1.5">
    {#each ALIGNMENTS as how (how)}
      <button class="button text-left" onclick={() => arranging.align(how)} data-align={how}>{WORDS[how]}</button>
    {/each}
  </div>
{:else}
  <p class="text-muted">Press a part on the sheet first.</p>
{/if}
