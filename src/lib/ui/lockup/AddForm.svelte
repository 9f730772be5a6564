<script lang="ts">
  import { FRAME_SHAPES } from '$core/lockup';
  import type { Arranging } from './arranging.svelte';

  /** What may be added: another text, or a frame about what is chosen. */
  const { arranging, year }: { arranging: Arranging; year: number } = $props();
</script>

<div class="mb-2 grid grid-cols-2 gap-1.5">
  <button class="button text-left" onclick={() => arranging.addText('line', 'A line under it')}>a line</button>
  <button class="button text-left" onclick={() => arranging.addText('other', `Est. ${year}`)}>est. and year</button>
  <button class="button text-left" onclick={() => arranging.addText('other', 'Town')}>a town</button>
  <button class="button text-left" onclick={() => arranging.addText('name', 'Name')}>a name</button>
</div>
<p class="mb-1 text-[12px] text-muted">
  Frames, about {arranging.chosen.length ? 'what is chosen' : 'everything'}
</p>
<div class="mb-2 grid grid-cols-2 gap-1.5">
  {#each FRAME_SHAPES as shape (shape)}
    <button class="button text-left" onclick={() => arranging.addFrame(shape)} data-frame={shape}
      >{shape.replace('-', ' ')}</button
    >
  {/each}
</div>
