<script lang="ts">
  import { onDestroy } from 'svelte';
  import { shownText, type TextPart } from '$core/lockup';
  import { alternatesWorker } from '$lib/workers/client';
  import type { AlternatesShown } from '$lib/workers/messages';
  import { notices } from '../notices.svelte';
  import Figure from '../slip/Figure.svelte';
  import Specimen from './Specimen.svelte';
  import type { Arranging } from './arranging.svelte';

  /** What the face has beside its plain letters: alternates as pictures, weights, axes. */
  const { arranging, part }: { arranging: Arranging; part: TextPart } = $props();
  const worker = alternatesWorker();
  onDestroy(() => worker.close());
  let found = $state.raw<AlternatesShown | null>(null);
  const text = $derived(shownText(part).replaceAll('\n', ' '));
  const key = $derived(JSON.stringify([part.face, text]));
  $effect(() => {
    void key;
    worker.ask(
      { want: 'alternates', face: part.face, text },
      { onResult: (f) => (found = f), onError: (m) => notices.tell(m, { id: 'alternates' }) },
    );
  });
  const NAMES: Readonly<Record<string, string>> = { wdth: 'Width', opsz: 'Optical size', slnt: 'Slant', ital: 'Italic', SOFT: 'Softness', WONK: 'Wonk', GRAD: 'Grade' }; // prettier-ignore
  const isOn = (tag: string, own: boolean): boolean => (part.features?.[tag] ?? (own ? 1 : 0)) > 0;
  function toggle(tag: string, own: boolean): void {
    const { [tag]: _was, ...rest } = part.features ?? {};
    const now = !isOn(tag, own);
    const features = now === own ? rest : { ...rest, [tag]: now ? 1 : 0 };
    arranging.set(part.id, { features: Object.keys(features).length ? features : null });
  }
  const axisNow = (tag: string, own: number): number => part.face.axes?.[tag] ?? own;
  const withAxis = (tag: string, value: number) => ({
    face: { ...part.face, axes: { ...part.face.axes, [tag]: value } },
  });
</script>

{#if found}
  <div class="mb-2 flex items-center justify-between gap-2">
    <label class="flex items-center gap-2"
      >weight
      <select
        class="field"
        value={String(
          found.weights.reduce(
            (b, w) => (Math.abs(w - part.face.weight) < Math.abs(b - part.face.weight) ? w : b),
            found.weights[0] ?? 400,
          ),
        )}
        onchange={(e) => arranging.set(part.id, { face: { ...part.face, weight: Number(e.currentTarget.value) } })}
      >
        {#each found.weights as weight (weight)}<option value={String(weight)}>{weight}</option>{/each}
      </select></label
    >
    {#if found.hasItalic}
      <label class="flex items-center gap-1.5"
        ><input
          type="checkbox"
          checked={part.face.italic === true}
          onchange={(e) =>
            arranging.set(part.id, { face: { ...part.face, italic: e.currentTarget.checked || undefined } })}
        /> italic</label
      >
    {/if}
  </div>
  {#each found.axes as { tag, min, max, default: own } (tag)}
    <Figure
      label={NAMES[tag] ?? tag}
      bind:value={
        () => Number(axisNow(tag, own).toFixed(1)),
        (v) => Math.abs(v - axisNow(tag, own)) > 0.01 && arranging.try(part.id, withAxis(tag, v))
      }
      {min}
      {max}
      step={max - min > 20 ? 1 : 0.5}
      onsettle={(v) => arranging.set(part.id, withAxis(tag, v))}
    />
  {/each}
  <ul aria-label="Alternates" data-alternates={found.alternates.length}>
    {#each found.alternates as { tag, words, isOn: own, d, box } (tag)}
      <li class="border-b border-line">
        <button
          class="w-full py-1 text-left {isOn(tag, own) !== own ? 'border-l-2 border-active pl-2' : ''}"
          aria-pressed={isOn(tag, own) !== own}
          onclick={() => toggle(tag, own)}
        >
          <Specimen {d} {box} alt={words} height={24} />
          <span class="block text-[11px] text-muted">{own ? `without ${words}` : words}</span>
        </button>
      </li>
    {:else}
      <li class="text-muted">This face has no other forms of these letters.</li>
    {/each}
  </ul>
{:else}
  <p class="text-muted">The face is being looked at.</p>
{/if}
