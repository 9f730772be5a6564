<script lang="ts">
  import { untrack } from 'svelte';
  import { nameOfLockup, textsOf } from '$core/lockup';
  import type { LayoutShown } from '$lib/workers/messages';
  import Mark from '../colourways/Mark.svelte';
  import type { Arranging } from './arranging.svelte';

  /** Layouts of this mark and this name, as pictures to choose from. */
  const { arranging, few }: { arranging: Arranging; few?: number } = $props();
  const mark = $derived(arranging.mark);
  const artwork = $derived(mark ? arranging.artworks[mark.stepId] : undefined);
  const name = $derived(nameOfLockup(arranging.line.kept) ?? '');
  const line = $derived(textsOf(arranging.line.kept).find((t) => t.role === 'line')?.text ?? '');
  const subject = $derived(arranging.subject);
  const face = $derived(subject?.face ?? null);
  const key = $derived(JSON.stringify([mark?.stepId, name, line, face, subject?.inkId]));

  $effect(() => {
    void key;
    if (!mark || !artwork || !name.trim() || !face) return;
    const asked = { workId: mark.workId, stepId: mark.stepId, artwork: { ...artwork, inks: arranging.line.kept.inks } };
    const inkId = arranging.line.kept.inks.some((i) => i.id === subject?.inkId) ? (subject?.inkId ?? null) : null;
    const own = key;
    untrack(() => arranging.layouts(own, { want: 'layouts', mark: asked, name, line, face, inkId }));
  });
  const found = $derived(arranging.laidOut);
  const shown = $derived(found.slice(0, few ?? found.length));
  const current = $derived(arranging.line.kept.layout);

  function choose(layout: LayoutShown): void {
    arranging.choose([]);
    arranging.edit({ kind: 'lay-out', layout: layout.words, parts: layout.lockup.parts });
  }
</script>

<div class="grid grid-cols-3 content-start gap-1.5" style="min-height: {few ? 134 : 0}px" data-layouts={found.length}>
  {#each shown as layout (layout.id)}
    <button
      class="h-16 border bg-white p-1 {current === layout.words
        ? 'border-2 border-active'
        : 'border-line hover:border-text'}"
      aria-pressed={current === layout.words}
      aria-label={layout.words}
      title={layout.words}
      onclick={() => choose(layout)}
      data-layout={layout.id}
    >
      <Mark artwork={layout.artwork} alt="" />
    </button>
  {:else}
    <p class="col-span-3 text-muted">{name.trim() ? 'Layouts are being made' : 'Type a name to see it in layouts.'}</p>
  {/each}
</div>
