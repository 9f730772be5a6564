<script lang="ts">
  import type { MendWay } from '$core/retouch';
  import type { FillShown } from '$lib/workers/messages';
  import Pixels from '../proofs/Pixels.svelte';
  import { FILLS } from './retouching.svelte';

  /** The ways in which a mend may come out, as the work itself, small. */
  interface Props {
    fills: readonly FillShown[];
    /** How far they are, 0..1; null when all are there. */
    filling: number | null;
    count: number;
    /** The one that is taken; null for the likeliest. */
    taken: { readonly how: MendWay | null; readonly seed: number };
    /** Whether it stands at the upper edge of the sheet. */
    above: boolean;
    ontake: (fill: FillShown) => void;
    onmore: () => void;
    onclose: () => void;
  }
  const { fills, filling, count, taken, above, ontake, onmore, onclose }: Props = $props();
  const isTaken = (fill: FillShown, k: number): boolean =>
    taken.how === null ? k === 0 : fill.how === taken.how && fill.seed === taken.seed;
</script>

<div
  class="absolute {above
    ? 'top-2'
    : 'bottom-2'} left-1/2 flex max-w-[96%] -translate-x-1/2 items-stretch gap-1 overflow-x-auto border border-active bg-panel p-1.5"
  role="group"
  aria-label="Fills of this mend"
  data-fills={filling === null ? 'ready' : 'filling'}
>
  {#each fills as fill, k (k)}
    <button
      class="flex w-[96px] shrink-0 flex-col items-center gap-0.5 border-2 p-0.5 {isTaken(fill, k)
        ? 'border-active'
        : 'border-transparent hover:border-line'}"
      aria-pressed={isTaken(fill, k)}
      onclick={() => ontake(fill)}
    >
      <span class="flex h-[64px] items-center"
        ><Pixels
          picture={fill.picture}
          side={Math.min(84, (64 * Math.max(fill.picture.widthPx, fill.picture.heightPx)) / fill.picture.heightPx)}
          label=""
        /></span
      >
      <span class="text-[11px] leading-tight">{fill.how}{fill.seed === fills[0].seed ? '' : ` ${fill.seed}`}</span>
    </button>
  {/each}
  <div class="flex w-[64px] shrink-0 flex-col items-center justify-center gap-1 text-[11px]">
    {#if filling !== null}
      <span class="text-muted" role="status">{fills.length} of {count}</span>
    {:else if count < FILLS.more}
      <button class="quiet text-[11px]" onclick={onmore}>four more</button>
    {/if}
    <button class="quiet text-[11px]" onclick={onclose}>close</button>
  </div>
</div>
