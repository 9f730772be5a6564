<script lang="ts">
  import type { TextPart } from '$core/lockup';
  import Figure from '../slip/Figure.svelte';
  import type { Arranging } from './arranging.svelte';

  /** Lettering bent as a whole: its outlines follow, its text stays live. */
  const { arranging, part }: { arranging: Arranging; part: TextPart } = $props();
  const KINDS = ['none', 'arch', 'bulge', 'wave', 'slant'] as const;
  const kind = $derived(part.warp?.kind ?? 'none');
  function choose(to: (typeof KINDS)[number]): void {
    if (to === kind) return;
    arranging.set(part.id, { warp: to === 'none' ? null : { kind: to, amount: part.warp?.amount ?? 0.3 } });
  }
  const percent = $derived(Math.round(100 * (part.warp?.amount ?? 0)));
</script>

<label class="mb-3 flex items-center justify-between gap-2"
  >Bent as
  <select
    class="field w-40"
    value={kind}
    onchange={(e) => choose(e.currentTarget.value as (typeof KINDS)[number])}
    data-bend
  >
    {#each KINDS as k (k)}<option value={k}>{k === 'none' ? 'it is' : `${k === 'arch' ? 'an' : 'a'} ${k}`}</option
      >{/each}
  </select></label
>
{#if part.warp}
  <Figure
    label="By"
    bind:value={
      () => percent, (v) => v !== percent && arranging.try(part.id, { warp: { ...part.warp!, amount: v / 100 } })
    }
    min={-100}
    max={100}
    unit="%"
    onsettle={(v) => arranging.set(part.id, { warp: { ...part.warp!, amount: v / 100 } })}
  />
{/if}
