<script lang="ts">
  import type { Colouring } from './colouring.svelte';
  import Mark from './Mark.svelte';

  /** Schemes that were shuffled and not kept: a press keeps one. */
  const { colouring, ground }: { colouring: Colouring; ground: string } = $props();
  const schemes = $derived(colouring.schemes);
</script>

<section aria-label="Shuffled, not kept" data-shuffled={schemes?.schemes.length ?? 0}>
  <h2 class="mb-1 text-[14px]">Shuffled, not kept</h2>
  {#if schemes}
    {#each schemes.told as line (line)}<p class="mb-1 text-[12px] text-muted" role="status">{line}.</p>{/each}
    <ul class="grid grid-cols-3 gap-2">
      {#each schemes.schemes as scheme, k (scheme.hexes.join())}
        <li>
          <button
            class="h-[64px] w-full border border-line p-1.5"
            style="background: {colouring.groundSeen(ground)}"
            title="{scheme.how}, {scheme.leastContrast.toFixed(1)} : 1"
            aria-label="Keep: {scheme.how}"
            onclick={() => colouring.keepScheme(k)}
          >
            <Mark artwork={colouring.seen(scheme.hexes)} alt="" />
          </button>
        </li>
      {/each}
    </ul>
  {:else}
    <p class="text-[12px] text-muted">Shuffle for twelve harmonies; those that you press stay.</p>
  {/if}
</section>
