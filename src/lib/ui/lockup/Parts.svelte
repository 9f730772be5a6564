<script lang="ts">
  import { partName } from '$core/lockup';
  import type { Arranging } from './arranging.svelte';

  /** The parts of the lockup, from the top to the bottom. */
  const { arranging }: { arranging: Arranging } = $props();
  const parts = $derived([...arranging.lockup.parts].reverse());
</script>

<section class="mb-3" aria-label="Parts">
  <h2 class="mb-1 text-[14px]">Parts</h2>
  <ul>
    {#each parts as part (part.id)}
      <li class="flex items-center gap-2 border-b border-line">
        <button
          class="min-w-0 flex-1 truncate py-1 text-left {arranging.chosen.includes(part.id)
            ? 'font-semibold'
            : ''} {part.hidden ? 'text-muted line-through' : ''}"
          aria-pressed={arranging.chosen.includes(part.id)}
          onclick={(e) =>
            arranging.choose(e.shiftKey ? [...arranging.chosen.filter((c) => c !== part.id), part.id] : [part.id])}
          data-part={part.id}>{partName(part)}</button
        >
        <span class="text-[11px] text-muted">{part.kind}</span>
        <button class="quiet" onclick={() => arranging.set(part.id, { hidden: part.hidden ? null : true })}
          >{part.hidden ? 'show' : 'hide'}</button
        >
      </li>
    {/each}
  </ul>
</section>
