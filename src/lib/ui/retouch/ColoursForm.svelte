<script lang="ts">
  import type { RetouchStep } from '$core/retouch';
  import type { Commission, WorkState } from '$lib/contract/answers';
  import { ask } from '../api';
  import { notices } from '../notices.svelte';
  import Figure from '../slip/Figure.svelte';
  import type { Retouching } from './retouching.svelte';

  /** Colours changed as a whole: near ends to true ones, one to another, all to a list, and the tone of everything. */
  interface Props {
    retouching: Retouching;
    grounds: Commission['grounds'];
    picked: readonly string[];
    /** Whose colours may be taken. */
    artworks: readonly { readonly id: string; readonly name: string }[];
  }
  const { retouching, grounds, picked, artworks }: Props = $props();
  const palette = $derived(retouching.look?.palette ?? []);
  const given = $derived([...new Set([...grounds.map((g) => g.hex), ...picked])]);

  /** All colours to the inks of an artwork. */
  async function likeWork(list: HTMLSelectElement): Promise<void> {
    const id = list.value;
    list.value = '';
    try {
      const { drawing, name } = await ask<WorkState>('GET', `/api/works/${id}`);
      const hexes = [...new Set(drawing.inks.map((i) => i.hex))];
      retouching.add({ kind: 'palette', hexes: [...hexes, '#FFFFFF'], of: name });
    } catch (error) {
      notices.fail(error);
    }
  }

  type Tone = RetouchStep & { kind: 'tone' };
  const PLAIN: Tone = { kind: 'tone', brightness: 0, contrast: 0, saturation: 0, warmth: 0 };
  const TONES = ['brightness', 'contrast', 'saturation', 'warmth'] as const;
  const tone = $derived(retouching.stepOf('tone') ?? PLAIN);

  const changed = (name: (typeof TONES)[number], value: number): Tone => ({ ...tone, [name]: value });
</script>

<div class="mb-3 flex flex-wrap gap-2">
  <button class="button" onclick={() => retouching.add({ kind: 'true-ends', black: true, white: false })}
    >True black</button
  >
  <button class="button" onclick={() => retouching.add({ kind: 'true-ends', black: false, white: true })}
    >True white</button
  >
</div>
<h2 class="mb-1 text-[12px]">Colours of the picture</h2>
<ul class="mb-2 max-h-36 overflow-y-auto" data-palette>
  {#each palette as { hex, share, isGround } (hex)}
    <li class="flex min-h-7 items-center gap-2">
      <input
        type="color"
        class="h-6 w-8 border border-muted"
        value={hex.toLowerCase()}
        aria-label="Change {hex} to another colour"
        onchange={(e) => retouching.add({ kind: 'recolour', from: hex, to: e.currentTarget.value.toUpperCase() })}
      />
      <span class="flex-1">{hex}{isGround ? ', ground' : ''}</span>
      <span class="text-muted">{(100 * share).toFixed(share < 0.1 ? 1 : 0)}%</span>
    </li>
  {:else}
    <li class="text-muted">{retouching.looking ? 'Looking for colours' : 'There is none'}</li>
  {/each}
</ul>
{#if given.length}
  <button
    class="quiet mb-2"
    onclick={() => retouching.add({ kind: 'palette', hexes: given, of: 'the commission' })}
    title={given.join(', ')}>All to the commission's {given.length} colours</button
  >
{/if}
{#if artworks.length}
  <label class="mb-3 flex items-center justify-between gap-2"
    >All to those of
    <select class="field w-36" value="" onchange={(e) => void likeWork(e.currentTarget)}>
      <option value="" disabled>an artwork</option>
      {#each artworks as { id, name } (id)}<option value={id}>{name}</option>{/each}
    </select></label
  >
{/if}
{#each TONES as name (name)}
  <Figure
    label={name[0].toUpperCase() + name.slice(1)}
    bind:value={() => tone[name], (value) => value !== tone[name] && retouching.attempt(changed(name, value))}
    min={-100}
    max={100}
    onsettle={(value) => retouching.settleTone(changed(name, value))}
  />
{/each}
