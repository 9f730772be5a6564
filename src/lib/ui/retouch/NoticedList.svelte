<script lang="ts">
  import type { Noticed } from '$core/retouch';

  /** What was found by itself: each line with its figure, shown on the sheet or put right at one press. */
  interface Props {
    noticed: readonly Noticed[];
    looking: boolean;
    /** Why something cannot be looked for, in a sentence. */
    off?: string | null;
    onshow: (noticed: Noticed | null) => void;
    onright: (noticed: readonly Noticed[]) => void;
  }
  const { noticed, looking, off = null, onshow, onright }: Props = $props();
  const small = $derived(noticed.filter((n) => n.isSmall && n.step));
</script>

<section class="mb-4" aria-label="Noticed" aria-busy={looking} data-noticed={looking ? 'looking' : 'ready'}>
  {#if noticed.length}
    <ul class="flex flex-col">
      {#each noticed as one (one.kind)}
        <li
          class="flex min-h-8 items-center gap-2 border-b border-line"
          onpointerenter={() => onshow(one)}
          onpointerleave={() => onshow(null)}
        >
          <span class="flex-1">{one.told}</span>
          {#if one.boxes.length}
            <button class="quiet" onfocus={() => onshow(one)} onblur={() => onshow(null)} aria-label="Show {one.told}"
              >show</button
            >
          {/if}
          {#if one.step}
            <button class="quiet text-text!" onclick={() => onright([one])} aria-label="Put right: {one.told}"
              >put right</button
            >
          {/if}
        </li>
      {/each}
    </ul>
    {#if small.length > 1}
      <button class="quiet mt-1" onclick={() => onright(small)}>Put right all {small.length} small ones</button>
    {/if}
  {:else}
    <p class="text-muted">{looking ? 'Looking at the picture' : 'Nothing that wants putting right'}</p>
  {/if}
  {#if off}<p class="mt-1 text-[12px] text-muted" data-off>{off}</p>{/if}
</section>
