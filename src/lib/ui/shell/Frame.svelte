<script lang="ts">
  import type { Snippet } from 'svelte';

  /** The fixed parts of a working screen beside the thread: sheet in the middle, slip on the right, proofs below. */
  interface Props {
    sheet: Snippet;
    slip: Snippet;
    /** The one next step, at the foot of the slip. */
    next?: Snippet;
    proofs?: Snippet;
    slipTitle: string;
    /** What the sheet shows, for those who do not see it. */
    about?: string;
  }
  const { sheet, slip, next, proofs, slipTitle, about = slipTitle }: Props = $props();
</script>

<div class="grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)_300px] grid-rows-[minmax(0,1fr)_auto]">
  <main tabindex="-1" aria-label={about} class="relative min-h-0 min-w-0 bg-mat">{@render sheet()}</main>
  <aside class="row-span-2 flex min-h-0 flex-col border-l border-line bg-panel" aria-label={slipTitle}>
    <div class="min-h-0 flex-1 overflow-y-auto px-4 pt-4 pb-3">
      <h1 class="mb-3 text-[15px]">{slipTitle}</h1>
      {@render slip()}
    </div>
    {#if next}<div class="border-t border-line p-4">{@render next()}</div>{/if}
  </aside>
  {#if proofs}{@render proofs()}{/if}
</div>
