<script lang="ts">
  import type { Dress, TextPart } from '$core/lockup';
  import Figure from '../slip/Figure.svelte';
  import type { Arranging } from './arranging.svelte';

  /** What letters wear: a line outside, a line within, a shadow; and what of the mark passes before them. */
  const { arranging, part }: { arranging: Arranging; part: TextPart } = $props();
  const dress = $derived(part.dress ?? {});
  const inks = $derived(arranging.lockup.inks);
  const cap = $derived(arranging.drawnPart(part.id)?.text?.capHeightPx ?? 100);
  const round = (v: number): number => Number(v.toFixed(1));

  const withOne = <K extends keyof Dress>(name: K, value: Dress[K] | undefined): { dress: Dress | null } => {
    const next = { ...dress, [name]: value };
    if (!value) delete next[name];
    return { dress: Object.keys(next).length ? next : null };
  };
  const set = <K extends keyof Dress>(name: K, value: Dress[K] | undefined): void =>
    arranging.set(part.id, withOne(name, value));
  const tried = <K extends keyof Dress>(name: K, value: Dress[K]): void => arranging.try(part.id, withOne(name, value));
  const other = $derived(inks.find((i) => i.id !== part.inkId)?.id ?? part.inkId);
</script>

{#snippet figure(
  label: string,
  value: number,
  most: number,
  apply: (v: number, settled: boolean) => void,
  unit = 'px',
  least = 0,
)}
  <Figure
    {label}
    bind:value={() => round(value), (v) => Math.abs(v - round(value)) > 0.04 && apply(v, false)}
    min={least}
    max={Math.ceil(most)}
    step={unit === '%' ? 1 : 0.5}
    {unit}
    onsettle={(v) => apply(v, true)}
  />
{/snippet}
{#snippet ink(label: string, value: string | null, apply: (id: string | null) => void, ground: boolean)}
  <label class="mb-3 flex items-center justify-between gap-2"
    >{label}
    <select class="field w-36" value={value ?? ''} onchange={(e) => apply(e.currentTarget.value || null)}>
      {#if ground}<option value="">the ground</option>{/if}
      {#each inks as i (i.id)}<option value={i.id}>{i.name}</option>{/each}
    </select></label
  >
{/snippet}

<div class="mb-2 flex flex-wrap gap-x-4 gap-y-1">
  <label class="flex items-center gap-1.5"
    ><input
      type="checkbox"
      checked={dress.outline !== undefined}
      onchange={(e) =>
        set('outline', e.currentTarget.checked ? { inkId: null, widthPx: round(0.09 * cap), gapPx: 0 } : undefined)}
    /> outline</label
  >
  <label class="flex items-center gap-1.5"
    ><input
      type="checkbox"
      checked={dress.inline !== undefined}
      onchange={(e) =>
        set(
          'inline',
          e.currentTarget.checked
            ? { inkId: null, widthPx: round(0.02 * cap) || 0.5, insetPx: round(0.035 * cap) || 0.5 }
            : undefined,
        )}
    /> inline</label
  >
  <label class="flex items-center gap-1.5"
    ><input
      type="checkbox"
      checked={dress.shadow !== undefined}
      onchange={(e) =>
        set(
          'shadow',
          e.currentTarget.checked
            ? { inkId: other, dxPx: round(0.06 * cap), dyPx: round(0.06 * cap), blurPx: 0, opacity: 1 }
            : undefined,
        )}
    /> shadow</label
  >
</div>
{#if dress.outline}
  {@const o = dress.outline}
  {@render ink('Outline in', o.inkId, (inkId) => set('outline', { ...o, inkId }), true)}
  {@render figure('Width', o.widthPx, 0.5 * cap, (v, end) =>
    (end ? set : tried)('outline', { ...o, widthPx: Math.max(0.5, v) }),
  )}
  {@render figure('Gap', o.gapPx, 0.4 * cap, (v, end) => (end ? set : tried)('outline', { ...o, gapPx: v }))}
{/if}
{#if dress.inline}
  {@const i = dress.inline}
  {@render ink('Inline in', i.inkId, (inkId) => set('inline', { ...i, inkId }), true)}
  {@render figure('Width', i.widthPx, 0.2 * cap, (v, end) =>
    (end ? set : tried)('inline', { ...i, widthPx: Math.max(0.5, v) }),
  )}
  {@render figure('From the edge', i.insetPx, 0.2 * cap, (v, end) =>
    (end ? set : tried)('inline', { ...i, insetPx: Math.max(0.5, v) }),
  )}
{/if}
{#if dress.shadow}
  {@const s = dress.shadow}
  {@render ink('Shadow in', s.inkId, (inkId) => set('shadow', { ...s, inkId: inkId ?? s.inkId }), false)}
  {@render figure(
    'To the right',
    s.dxPx,
    0.6 * cap,
    (v, end) => (end ? set : tried)('shadow', { ...s, dxPx: v }),
    'px',
    -Math.ceil(0.6 * cap),
  )}
  {@render figure(
    'Down',
    s.dyPx,
    0.6 * cap,
    (v, end) => (end ? set : tried)('shadow', { ...s, dyPx: v }),
    'px',
    -Math.ceil(0.6 * cap),
  )}
  {@render figure('Softness', s.blurPx, 0.3 * cap, (v, end) => (end ? set : tried)('shadow', { ...s, blurPx: v }))}
  {@render figure(
    'Strength',
    100 * s.opacity,
    100,
    (v, end) => (end ? set : tried)('shadow', { ...s, opacity: v / 100 }),
    '%',
  )}
  <label class="mb-2 flex items-center gap-1.5"
    ><input
      type="checkbox"
      checked={s.long === true}
      onchange={(e) => set('shadow', { ...s, long: e.currentTarget.checked || undefined })}
    /> all the way to it</label
  >
{/if}
{#if arranging.mark}
  <p class="flex items-center justify-between gap-2 border-t border-line pt-2">
    {part.behind
      ? `Passes behind ${part.behind.nodes.length} piece${part.behind.nodes.length === 1 ? '' : 's'} of the mark`
      : 'Before the mark'}
    <span class="flex gap-3">
      <button
        class="quiet"
        aria-pressed={arranging.handling.picking === 'behind'}
        onclick={() => {
          arranging.choose([part.id]);
          arranging.handling.picking = 'behind';
        }}>choose a piece</button
      >
      {#if part.behind}<button class="quiet" onclick={() => arranging.set(part.id, { behind: null })}>none</button>{/if}
    </span>
  </p>
  {#if arranging.handling.picking === 'behind'}<p role="status">
      Press the piece of the mark that is to lie before the lettering.
    </p>{/if}
{/if}
