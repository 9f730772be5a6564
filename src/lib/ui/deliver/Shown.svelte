<script lang="ts">
  import type { Looked } from './delivering.svelte';

  /** One look, large, with what was found in it. */
  interface Props {
    looked: Looked;
    ground: string;
    onback: () => void;
  }
  const { looked, ground, onback }: Props = $props();
  const work = $derived(looked.line.work);
  const boxes = $derived(looked.check?.at?.boxes ?? []);
  const src = $derived(
    looked.motion ??
      `/api/works/${work.workId}/drawing.svg?step=${work.stepId}&look=${encodeURIComponent(looked.line.look.key)}`,
  );
  const share = (value: number, of: number) => `${(100 * value) / of}%`;
</script>

<div class="flex h-full flex-col gap-3 p-5" data-looked={looked.check?.what ?? (looked.motion ? 'motion' : 'look')}>
  <p class="flex items-baseline gap-3">
    <button class="quiet text-text!" onclick={onback}>back to the table</button>
    <span class="min-w-0 flex-1 truncate"
      >{looked.check?.said ?? `${work.name}, ${looked.line.look.name}`}{looked.motion ? ', as it moves' : ''}</span
    >
  </p>
  <div class="flex min-h-0 flex-1 items-center justify-center p-8" style="background: {ground}">
    <div
      class="relative max-h-full max-w-full"
      style="aspect-ratio: {work.widthPx} / {work.heightPx}; {work.widthPx > 1.3 * work.heightPx
        ? 'width: 100%'
        : 'height: 100%'}; {looked.check?.what === 'grey' ? 'filter: grayscale(1)' : ''}"
    >
      {#key src}<img {src} alt="{work.name}, {looked.line.look.name}" class="size-full" />{/key}
      {#each boxes as box, k (k)}
        <span
          class="absolute min-h-4 min-w-4 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-danger"
          style="left: {share(box.x + box.width / 2, work.widthPx)}; top: {share(
            box.y + box.height / 2,
            work.heightPx,
          )}; width: {share(box.width * 1.2, work.widthPx)}; height: {share(box.height * 1.2, work.heightPx)}"
        ></span>
      {/each}
    </div>
  </div>
</div>
