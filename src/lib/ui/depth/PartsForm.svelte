<script lang="ts">
  import { DEPTH_NAMES, DEPTH_PARTS, type DepthPart, type DepthPiece } from '$core/vector';
  import Figure from '../slip/Figure.svelte';
  import type { Deepening } from './deepening.svelte';

  /** The depth of an app icon: the parts that are there, each with its figures, and those that are not. */
  const { deepening }: { deepening: Deepening } = $props();
  /** Light comes from above: so are the parts listed. */
  const there = $derived([...deepening.parts].reverse());
  const missing = $derived(DEPTH_PARTS.filter((p) => !there.some((t) => t.depth.part === p)).reverse());
  const size = $derived(deepening.sizePx);

  const FIGURES: Readonly<Record<string, { label: string; share: number }>> = {
    widthPx: { label: 'Width', share: 0.05 },
    dyPx: { label: 'Down', share: 0.1 },
    blurPx: { label: 'Softness', share: 0.08 },
    lengthPx: { label: 'Length', share: 1.5 },
  };
  const figuresOf = ({ depth }: DepthPiece): [string, number][] =>
    Object.entries(depth).filter((e): e is [string, number] => e[0] in FIGURES);

  function changed({ depth: { of, ...part } }: DepthPiece, field: string, value: number, isSettled: boolean): void {
    deepening.partAs({ ...part, [field]: value } as DepthPart, of, isSettled);
  }
</script>

{#if there.length}
  <ul class="mb-2 flex flex-col" aria-label="Depth" data-parts={there.length}>
    {#each there as piece (piece.depth.part)}
      {@const { part, strength } = piece.depth}
      {@const isOpen = deepening.open === part}
      <li class="border-b border-line" data-part={part}>
        <p class="flex min-h-8 items-center gap-2">
          <button
            class="flex-1 text-left hover:underline {isOpen ? 'font-semibold' : ''}"
            aria-expanded={isOpen}
            onclick={() => (deepening.open = isOpen ? '' : part)}>{DEPTH_NAMES[part]}</button
          >
          <span class="text-muted">{Math.round(strength * 100)}%</span>
          <button class="quiet" aria-label="Take out: {DEPTH_NAMES[part]}" onclick={() => deepening.removePart(part)}
            >take out</button
          >
        </p>
        {#if isOpen}
          <div class="pt-1 pl-2">
            <Figure
              label="Strength"
              bind:value={
                () => Math.round(strength * 100),
                (v) => v !== Math.round(strength * 100) && changed(piece, 'strength', v / 100, false)
              }
              min={0}
              max={100}
              unit="%"
              onsettle={(v) => changed(piece, 'strength', v / 100, true)}
            />
            {#if piece.depth.part === 'long-shadow'}
              {@const { angleDeg } = piece.depth}
              <Figure
                label="Towards"
                bind:value={
                  () => Math.round(angleDeg), (v) => v !== Math.round(angleDeg) && changed(piece, 'angleDeg', v, false)
                }
                min={0}
                max={180}
                step={5}
                unit="°"
                onsettle={(v) => changed(piece, 'angleDeg', v, true)}
              />
            {/if}
            {#each figuresOf(piece) as [field, value] (field)}
              {@const { label, share } = FIGURES[field]}
              {@const max = Math.max(1, Math.round(share * size))}
              {@const step = max > 20 ? 0.5 : 0.05}
              {@const shown = Number((Math.round(value / step) * step).toFixed(2))}
              <Figure
                {label}
                bind:value={() => shown, (v) => Math.abs(v - shown) > 1e-6 && changed(piece, field, v, false)}
                min={field === 'widthPx' ? step : 0}
                {max}
                {step}
                unit="px"
                onsettle={(v) => changed(piece, field, v, true)}
              />
            {/each}
          </div>
        {/if}
      </li>
    {/each}
  </ul>
{/if}
{#if missing.length}
  <div class="mb-4 flex flex-wrap gap-x-3 gap-y-1 text-[12px]" role="group" aria-label="Parts to add">
    {#each missing as part (part)}
      <button class="quiet" onclick={() => deepening.addPart(part)}>add {DEPTH_NAMES[part].toLowerCase()}</button>
    {/each}
  </div>
{/if}
