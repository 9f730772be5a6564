<script lang="ts">
  import type { Candidate, DecisionState } from '$lib/contract/answers';
  import { misreadOf } from './misread';

  /** A candidate on the wall. An undecided one shares the strip, a kept one grows, one set aside is a sliver until it is touched. */
  interface Props {
    candidate: Candidate;
    selected: boolean;
    onpick: () => void;
    onopen: () => void;
    ondecide: (decision: DecisionState) => void;
    ongrow: () => void;
  }
  const { candidate, selected, onpick, onopen, ondecide, ongrow }: Props = $props();

  const HEIGHT = { kept: 250, undecided: 188, aside: 120 } as const;
  const SLIVER_PX = 40;
  const aspect = $derived(candidate.widthPx / candidate.heightPx);
  const sliver = $derived(candidate.decision === 'aside' && !selected);
  const height = $derived(HEIGHT[candidate.decision === 'aside' && selected ? 'undecided' : candidate.decision]);
  const misread = $derived(misreadOf(candidate));
  const words = $derived({ kept: 'kept', aside: 'aside', undecided: '' }[candidate.decision]);
</script>

<div
  class="group relative shrink-0 overflow-hidden bg-white transition-[width,height] duration-200 {selected
    ? 'outline-2 outline-active'
    : 'outline outline-black/10'}"
  style="height: {height}px; width: {sliver ? SLIVER_PX : height * aspect}px"
  data-candidate={candidate.id}
  data-decision={candidate.decision}
>
  <button
    class="absolute inset-0 block h-full w-full"
    onclick={onpick}
    ondblclick={onopen}
    aria-pressed={selected}
    aria-label="Candidate {candidate.label}{words ? `, ${words}` : ''}{misread ? `, reads ${misread.reads}` : ''}"
  >
    <img
      src="/api/pictures/{candidate.pictureId}"
      alt=""
      loading="lazy"
      draggable="false"
      class="h-full w-full object-contain {candidate.decision === 'aside' ? 'opacity-45' : ''}"
    />
  </button>
  <span
    class="pointer-events-none absolute bottom-0 left-0 max-w-full truncate bg-white/85 px-1.5 py-0.5 text-[11px] text-neutral-600"
    >{sliver
      ? 'aside'
      : `${words ? `${words} · ` : ''}${candidate.label}${candidate.sketch ? ` · ${Math.round(candidate.sketch.kept * 100)}% of the sketch` : ''}`}{#if misread && !sliver}<span
        class="ml-1 text-danger"
        title={misread.asked ? `asked: ${misread.asked}` : 'no lettering was asked for'}
        data-reads>· reads <em>{misread.reads}</em></span
      >{/if}</span
  >
  {#if !sliver}
    <span
      class="absolute top-1 right-1 left-1 flex flex-wrap justify-end gap-1 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
    >
      {#if candidate.decision !== 'aside'}
        <button class="button min-h-6! px-2! py-0! text-[12px]" onclick={() => ondecide('kept')}
          >{candidate.decision === 'kept' ? 'Do not keep' : 'Keep'}</button
        >
      {/if}
      {#if candidate.decision !== 'kept'}
        <button class="button min-h-6! px-2! py-0! text-[12px]" onclick={() => ondecide('aside')}
          >{candidate.decision === 'aside' ? 'Bring back' : 'Set aside'}</button
        >
      {/if}
      <button
        class="button min-h-6! px-2! py-0! text-[12px]"
        onclick={ongrow}
        aria-label="Offshoots of {candidate.label}">Offshoots</button
      >
      <button class="button min-h-6! px-2! py-0! text-[12px]" onclick={onopen}>Open</button>
    </span>
  {/if}
</div>
