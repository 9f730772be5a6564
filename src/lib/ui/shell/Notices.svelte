<script lang="ts">
  import { notices } from '../notices.svelte';
</script>

<div
  class="pointer-events-none fixed top-[52px] left-1/2 z-30 flex w-[min(640px,90vw)] -translate-x-1/2 flex-col gap-2"
  aria-live="polite"
>
  {#each notices.list as notice (notice.id)}
    <div
      class="pointer-events-auto flex items-start gap-3 rounded-md border bg-panel px-3 py-2 {notice.grave
        ? 'border-danger'
        : 'border-muted'}"
      role={notice.grave ? 'alert' : 'status'}
      data-notice
    >
      <p class="flex-1">{notice.text}</p>
      {#if notice.action}
        {@const { label, run } = notice.action}
        <button
          class="button"
          onclick={() => {
            notices.drop(notice.id);
            run();
          }}>{label}</button
        >
      {/if}
      <button class="quiet py-1" onclick={() => notices.drop(notice.id)}>Close</button>
    </div>
  {/each}
</div>
