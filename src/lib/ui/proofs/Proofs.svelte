<script lang="ts">
  import { onDestroy } from 'svelte';
  import { GRAPHIC_CONTRAST, leastContrast, REVERSED_HEX, type ProofSheet } from '$core/judge';
  import type { Picture } from '$core/raster';
  import type { GroundColour } from '$lib/contract/answers';
  import { proofsWorker } from '$lib/workers/client';
  import type { ProofSource } from '$lib/workers/messages';
  import Pixels from './Pixels.svelte';

  /** The work as it will be used, always in view: small, in one colour, reversed, and on the commission's grounds. */
  interface Props {
    source: ProofSource | null;
    grounds: readonly GroundColour[];
    /** What the proofs are of, as in "candidate 5.1". */
    of: string;
  }
  const { source, grounds, of }: Props = $props();

  /** How long a change is left in peace before it is judged. */
  const AFTER_MS = 120;
  const worker = proofsWorker();
  onDestroy(() => worker.close());
  let sheet = $state.raw<ProofSheet | null>(null);
  let busy = $state(false);
  let error = $state<string | null>(null);

  $effect(() => {
    if (!source) {
      sheet = null;
      busy = false;
      return;
    }
    busy = true;
    const wanted = source;
    // What was changed is drawn first: judging it takes the second of two cores.
    const timer = setTimeout(() => judge(wanted), AFTER_MS);
    return () => clearTimeout(timer);
  });

  function judge(wanted: ProofSource): void {
    worker.ask(
      { source: wanted },
      {
        onResult: (result) => {
          sheet = result;
          busy = false;
          error = null;
        },
        onError: (message) => {
          error = message;
          busy = false;
        },
      },
    );
  }

  interface Cell {
    picture: Picture;
    side?: number;
    ground: string;
    label: string;
    figure: string;
    bad: boolean;
    why: string;
  }

  const percent = (share: number): string => `${Math.round(share * 100)}% lost`;
  const SIDE = 50;

  const cells = $derived.by((): Cell[] => {
    if (!sheet) return [];
    const { small, oneColour, reversed, mark, inks } = sheet;
    return [
      ...small.map((s) => ({
        picture: s.picture,
        ground: '#FFFFFF',
        label: `${s.sizePx} px`,
        figure: percent(s.lostShare),
        bad: s.lostShare > 0.3,
        why: `Share of the mark's edges that cannot be found again at ${s.sizePx} px`,
      })),
      {
        picture: oneColour.picture,
        side: SIDE,
        ground: '#FFFFFF',
        label: 'one colour',
        figure: oneColour.lostShare < 0.08 ? 'holds' : percent(oneColour.lostShare),
        bad: oneColour.lostShare > 0.3,
        why: 'Share of the edges between inks that go when the mark is printed in black alone',
      },
      {
        picture: reversed.picture,
        side: SIDE,
        ground: REVERSED_HEX,
        label: 'reversed',
        figure: `${reversed.contrast.toFixed(1)} : 1`,
        bad: reversed.contrast < GRAPHIC_CONTRAST,
        why: 'Least contrast of an ink with near-black; inks that would drown are shown white',
      },
      ...grounds.map((g) => {
        const contrast = leastContrast(inks, g.hex);
        return {
          picture: mark,
          side: SIDE,
          ground: g.hex,
          label: g.name,
          figure: `${contrast.toFixed(1)} : 1`,
          bad: contrast < GRAPHIC_CONTRAST,
          why: `Least contrast of an ink with ${g.hex}; graphics want ${GRAPHIC_CONTRAST} : 1 or more`,
        };
      }),
    ];
  });
</script>

<section
  class="flex h-[104px] min-w-0 overflow-x-auto border-t border-line bg-panel"
  aria-label="Proofs of {of}"
  aria-busy={busy}
  data-proofs={busy ? 'busy' : sheet ? 'ready' : 'empty'}
>
  {#each cells as cell (cell.label + cell.ground)}
    <figure
      class="flex min-w-[88px] flex-1 flex-col items-stretch border-l border-line first:border-l-0"
      class:opacity-60={busy}
      title={cell.why}
    >
      <div class="m-[3px] mb-0 flex h-[60px] items-center justify-center" style="background: {cell.ground}">
        <Pixels picture={cell.picture} side={cell.side} label="{of}, {cell.label}" />
      </div>
      <figcaption class="px-1 py-[3px] text-center text-[12px] leading-[1.35]">
        <span class="block truncate text-muted">{cell.label}</span>
        <span class={cell.bad ? 'font-semibold text-danger' : 'font-semibold'}>{cell.figure}</span>
      </figcaption>
    </figure>
  {:else}
    <p class="m-auto px-6 text-center text-muted">
      {#if error}{error}{:else if source}Making proofs of {of}{:else}Proofs at 16 to 64 px, in one colour, reversed and
        on your grounds stand here as soon as there is a picture{/if}
    </p>
  {/each}
</section>
