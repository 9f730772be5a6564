<script lang="ts">
  import type { Direction } from '$core/brief';

  /** A prompt to start from, with its reasons. */
  const { direction, onuse }: { direction: Direction; onuse: (direction: Direction) => void } = $props();
</script>

<h3 class="mb-1 text-[13px] text-muted">{direction.title}</h3>
<p class="mb-2 text-[15px] leading-snug">{direction.prompt}</p>
{#if direction.leaveOut}<p class="mb-2 text-muted">leave out: {direction.leaveOut}</p>{/if}
<ul class="mb-3 list-disc pl-4 text-[12px] text-muted">
  {#each direction.reasons as reason, i (i)}<li>{reason}</li>{/each}
</ul>
<button class="button mt-auto self-start" onclick={() => onuse(direction)}>Use it</button>
