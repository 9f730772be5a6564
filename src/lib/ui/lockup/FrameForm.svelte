<script lang="ts">
  import { DIVIDERS, FRAME_SHAPES, partName, partOf, type FramePart } from '$core/lockup';
  import Figure from '../slip/Figure.svelte';
  import type { Arranging } from './arranging.svelte';

  /** A frame, in figures: it is sized by what is in it. */
  const { arranging, part }: { arranging: Arranging; part: FramePart } = $props();
  const inks = $derived(arranging.lockup.inks);
  const cap = $derived(arranging.drawn?.capHeightPx ?? 100);
  const FIELDS = [['gapPx', 'Gap to what is in it', 3], ['bandPx', 'Band for text', 4], ['linePx', 'Line', 0.5]] as const; // prettier-ignore
  const round = (v: number): number => Number(v.toFixed(1));
  const isRing = $derived(part.shape === 'ring' || part.shape === 'double-ring');
  const hasText = (side: string): boolean => arranging.lockup.parts.some((p) => p.kind === 'text' && p.follows?.kind === 'frame' && p.follows.frameId === part.id && p.follows.side === side); // prettier-ignore
  const others = $derived(arranging.lockup.parts.filter((p) => p.id !== part.id && !(p.kind === 'text' && p.follows?.kind === 'frame' && p.follows.frameId === part.id))); // prettier-ignore
  function around(id: string, isIn: boolean): void {
    const list = isIn ? [...part.around, id] : part.around.filter((a) => a !== id);
    if (list.length) arranging.set(part.id, { around: list });
  }
  function addOn(side: 'above' | 'below'): void {
    const before = arranging.lockup.parts.length;
    arranging.addText(side === 'above' ? 'name' : 'line', side === 'above' ? 'Name' : 'Est. and town');
    const added = arranging.lockup.parts[before];
    if (added) arranging.set(added.id, { follows: { kind: 'frame', frameId: part.id, side }, sizePx: Math.max(4, (part.bandPx || cap) * 0.55), letters: 'capitals', tracking: 0.08 }); // prettier-ignore
  }
</script>

<label class="mb-3 flex items-center justify-between gap-2"
  >Shape
  <select
    class="field w-40"
    value={part.shape}
    onchange={(e) => arranging.set(part.id, { shape: e.currentTarget.value })}
  >
    {#each FRAME_SHAPES as shape (shape)}<option value={shape}>{shape.replace('-', ' ')}</option>{/each}
  </select></label
>
{#each FIELDS as [field, label, most] (field)}
  <Figure
    {label}
    bind:value={
      () => round(part[field]), (v) => Math.abs(v - round(part[field])) > 0.04 && arranging.try(part.id, { [field]: v })
    }
    min={0}
    max={Math.ceil(most * cap)}
    step={0.5}
    unit="px"
    hint={part[field] > 0 ? `${(part[field] / cap).toFixed(2)} cap heights` : ''}
    onsettle={(v) => arranging.set(part.id, { [field]: v })}
  />
{/each}
<label class="mb-3 flex items-center justify-between gap-2"
  >Line in
  <select
    class="field w-40"
    value={part.lineInkId}
    onchange={(e) => arranging.set(part.id, { lineInkId: e.currentTarget.value })}
  >
    {#each inks as i (i.id)}<option value={i.id}>{i.name}</option>{/each}
  </select></label
>
<label class="mb-3 flex items-center justify-between gap-2"
  >Filled with
  <select
    class="field w-40"
    value={part.fillInkId ?? ''}
    onchange={(e) => arranging.set(part.id, { fillInkId: e.currentTarget.value || null })}
  >
    <option value="">nothing</option>
    {#each inks as i (i.id)}<option value={i.id}>{i.name}</option>{/each}
  </select></label
>
{#if isRing}
  <label class="mb-3 flex items-center justify-between gap-2"
    >Between texts
    <select
      class="field w-40"
      value={part.divider ?? 'none'}
      onchange={(e) => arranging.set(part.id, { divider: e.currentTarget.value })}
    >
      {#each DIVIDERS as d (d)}<option value={d}>{d}</option>{/each}
    </select></label
  >
{/if}
{#if part.shape !== 'rules' && part.shape !== 'underline' && part.shape !== 'banner' && part.shape !== 'ribbon'}
  <div class="mb-3 flex gap-3">
    {#each ['above', 'below'] as const as side (side)}
      {#if !hasText(side)}<button class="quiet" onclick={() => addOn(side)}>text {side}</button>{/if}
    {/each}
  </div>
{/if}
<fieldset class="mb-3">
  <legend class="text-muted">Goes round</legend>
  {#each others as other (other.id)}
    <label class="flex items-center gap-1.5"
      ><input
        type="checkbox"
        checked={part.around.includes(other.id)}
        onchange={(e) => around(other.id, e.currentTarget.checked)}
      />
      {partName(partOf(arranging.lockup, other.id) ?? other)}</label
    >
  {/each}
</fieldset>
