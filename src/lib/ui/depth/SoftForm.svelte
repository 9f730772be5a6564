<script lang="ts">
  import type { SoftEffect } from '$core/vector';
  import Figure from '../slip/Figure.svelte';
  import type { Deepening } from './deepening.svelte';

  /** Shadows and blur of what is chosen, each to be changed or taken out. */
  const { deepening }: { deepening: Deepening } = $props();
  const effects = $derived(deepening.effects);
  const most = $derived(Math.max(4, Math.round(0.12 * deepening.sizePx)));
  const step = $derived(deepening.sizePx > 200 ? 0.5 : 0.1);
  const drawn = $derived(deepening.drawing.inks);

  const withOne = (k: number, change: Partial<SoftEffect>): SoftEffect[] =>
    effects.map((e, n) => (n === k ? ({ ...e, ...change } as SoftEffect) : e));
  const rounded = (v: number): number => Math.round(v / step) * step;
</script>

{#snippet figure(label: string, k: number, field: string, value: number, min: number, max: number, unit = 'px', by = 1)}
  <Figure
    {label}
    bind:value={
      () => (unit === '%' ? Math.round(value * by) : Number(rounded(value).toFixed(2))),
      (v) =>
        Math.abs(v - (unit === '%' ? Math.round(value * by) : rounded(value))) > 1e-6 &&
        deepening.trySoft(withOne(k, { [field]: v / by }))
    }
    {min}
    {max}
    step={unit === '%' ? 1 : step}
    {unit}
    onsettle={(v) => deepening.soften(withOne(k, { [field]: v / by }))}
  />
{/snippet}

{#each effects as effect, k (k)}
  <section
    class="mb-2 border border-line bg-paper px-3 pt-2"
    aria-label="{effect.kind} {k + 1}"
    data-soft={effect.kind}
  >
    <p class="mb-1.5 flex items-center justify-between">
      {effect.kind === 'blur' ? 'Blur' : 'Shadow'}
      <button class="quiet text-danger!" onclick={() => deepening.soften(effects.filter((_, n) => n !== k))}
        >take out</button
      >
    </p>
    {#if effect.kind === 'blur'}
      {@render figure('Softness', k, 'radiusPx', effect.radiusPx, 0, most)}
    {:else}
      {@render figure('To the right', k, 'dxPx', effect.dxPx, -most, most)}
      {@render figure('Down', k, 'dyPx', effect.dyPx, -most, most)}
      {@render figure('Softness', k, 'blurPx', effect.blurPx, 0, most)}
      {@render figure('Strength', k, 'opacity', effect.opacity, 0, 100, '%', 100)}
      <label class="mb-3 flex items-center justify-between gap-2"
        >Ink
        <select
          class="field max-w-40"
          value={effect.inkId}
          onchange={(e) => deepening.soften(withOne(k, { inkId: e.currentTarget.value }))}
        >
          {#each drawn as ink (ink.id)}<option value={ink.id}>{ink.name}</option>{/each}
        </select></label
      >
    {/if}
  </section>
{/each}
{#if effects.length < 8}
  <div class="mb-4 flex gap-3">
    <button class="quiet" onclick={() => deepening.addSoft('shadow')}>add a shadow</button>
    <button class="quiet" onclick={() => deepening.addSoft('blur')}>add a blur</button>
  </div>
{/if}
