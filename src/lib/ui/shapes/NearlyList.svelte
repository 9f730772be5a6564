<script lang="ts">
  import type { NearlyLine } from '$core/vector';
  import type { Shaping } from './shaping.svelte';

  /** What the artwork nearly is: each line with its figure, shown on the sheet while it is pointed at, made exact at one press. */
  interface Props {
    shaping: Shaping;
  }
  const { shaping }: Props = $props();
  const show = (line: NearlyLine | null) => (shaping.shown = line);
</script>

<section
  class="mb-4"
  aria-label="Nearly true"
  aria-busy={shaping.looking}
  data-nearly={shaping.looking ? 'looking' : 'ready'}
>
  <h2 class="mb-1 text-[14px]">Nearly true</h2>
  {#if shaping.nearly.length}
    <ul class="flex flex-col">
      {#each shaping.nearly as line (line.key)}
        <li
          class="flex min-h-8 items-center gap-2 border-b border-line"
          onpointerenter={() => show(line)}
          onpointerleave={() => show(null)}
          data-line={line.key}
        >
          <span class="flex-1 py-1 leading-snug">{line.told}</span>
          <button
            class="quiet shrink-0 whitespace-nowrap text-text!"
            disabled={shaping.busy}
            onfocus={() => show(line)}
            onblur={() => show(null)}
            onclick={() => shaping.putRight(line)}
            aria-label="{line.act}: {line.told}">{line.act}</button
          >
        </li>
      {/each}
    </ul>
  {/if}
  {#if shaping.looking}
    <p class="mt-1 text-[12px] text-muted" role="status">Looking at the shapes</p>
  {:else if !shaping.nearly.length}
    <p class="text-muted">Nothing is only nearly level, equal or symmetrical.</p>
  {/if}
</section>
