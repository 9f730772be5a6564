<script lang="ts">
  import type { TextPart } from '$core/lockup';
  import type { Arranging } from './arranging.svelte';

  /** Single letters: one may be the mark. */
  const { arranging, part }: { arranging: Arranging; part: TextPart } = $props();
  const letters = $derived(arranging.drawnPart(part.id)?.text?.letters ?? []);
  /** Every character of the text that could be a letter, also those that are something else now. */
  const places = $derived([...part.text].reduce<{ at: number; text: string }[]>((list, text) => {
    const at = list.length ? list[list.length - 1].at + list[list.length - 1].text.length : 0;
    return [...list, { at, text }];
  }, []).filter((p) => p.text.trim())); // prettier-ignore
  const mark = $derived(arranging.mark);
  function toggle(at: number): void {
    if (!mark) return;
    const { [String(at)]: was, ...rest } = part.instead ?? {};
    const instead = was ? rest : { ...rest, [String(at)]: { kind: 'mark' as const, markId: mark.id } };
    arranging.set(part.id, { instead: Object.keys(instead).length ? instead : null });
  }
</script>

<p class="mb-2 text-[12px] text-muted">
  Press a letter to have the mark stand in its place, as high as it is; press again to have the letter back.
</p>
<div class="mb-2 flex flex-wrap gap-1" data-letters={letters.length}>
  {#each places as { at, text } (at)}
    <button
      class="button min-w-8 {part.instead?.[String(at)] ? 'border-active! font-semibold' : ''}"
      disabled={!mark}
      aria-pressed={Boolean(part.instead?.[String(at)])}
      onclick={() => toggle(at)}>{text}</button
    >
  {/each}
</div>
