<script lang="ts">
  import type { TextPart } from '$core/lockup';
  import type { Arranging } from './arranging.svelte';

  /** Single letters: the mark may stand in one's place, or its outlines are changed by hand; the rest stays live. */
  const { arranging, part }: { arranging: Arranging; part: TextPart } = $props();
  /** Every character of the text that is seen, also those that are something else now. */
  const places = $derived.by(() => {
    let at = 0;
    return [...part.text].flatMap((text) => {
      const own = { at, text };
      at += text.length;
      return text.trim() ? [own] : [];
    });
  });
  const mark = $derived(arranging.mark);
  const at = $derived(arranging.kerning.letterAt);
  const now = $derived(at === null ? undefined : part.instead?.[String(at)]);
  type Instead = NonNullable<TextPart['instead']>[string];
  function become(to: Instead | null): void {
    if (at === null) return;
    const { [String(at)]: _was, ...rest } = part.instead ?? {};
    const instead = to ? { ...rest, [String(at)]: to } : rest;
    arranging.set(part.id, { instead: Object.keys(instead).length ? instead : null });
  }
  const outlines = $derived(arranging.kerning.letters.find((l) => l.at === at)?.outlines ?? []);
</script>

<div class="mb-2 flex flex-wrap gap-1" data-letters={places.length}>
  {#each places as { at: place, text } (place)}
    <button
      class="button min-w-8 px-1.5! {at === place ? 'border-active! font-semibold' : ''} {part.instead?.[String(place)]
        ? 'underline'
        : ''}"
      aria-pressed={at === place}
      onclick={() => (arranging.kerning.letterAt = at === place ? null : place)}>{text}</button
    >
  {/each}
</div>
{#if at === null}
  <p class="text-[12px] text-muted">
    Press a letter to have the mark stand in its place, or to change its outline by hand.
  </p>
{:else}
  <div class="mb-2 grid grid-cols-2 gap-1.5">
    <button
      class="button text-left"
      disabled={!mark}
      aria-pressed={now?.kind === 'mark'}
      data-as-mark
      onclick={() => become(now?.kind === 'mark' ? null : { kind: 'mark', markId: mark!.id })}
      >{now?.kind === 'mark' ? 'the letter again' : 'the mark'}</button
    >
    <button
      class="button text-left"
      disabled={part.warp !== undefined || (!outlines.length && now?.kind !== 'drawn')}
      aria-pressed={now?.kind === 'drawn'}
      data-by-hand
      onclick={() => become(now?.kind === 'drawn' ? null : { kind: 'drawn', contours: [...outlines] })}
      >{now?.kind === 'drawn' ? 'the letter again' : 'by hand'}</button
    >
  </div>
  {#if now?.kind === 'drawn'}
    <p class="text-[12px] text-muted" role="status">
      Its points are dragged on the sheet; it stands where the letter did, and the rest of the text stays live.
    </p>
  {:else if part.warp}
    <p class="text-[12px] text-muted">A letter is changed by hand before the text is bent: take the bend away first.</p>
  {/if}
{/if}
