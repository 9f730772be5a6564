<script lang="ts">
  import Figure from '../slip/Figure.svelte';
  import AxisChoice from './AxisChoice.svelte';
  import type { Constructing } from './constructing.svelte';
  import type { Pointing } from './pointing.svelte';

  /** What can be done to the points that are picked. */
  interface Props {
    pointing: Pointing;
    constructing: Constructing;
  }
  const { pointing, constructing }: Props = $props();
  const none = $derived(!pointing.picked.length);
  const CHANGES = [
    ['smooth', 'Smooth'],
    ['corner', 'Corner'],
    ['straight', 'Straight'],
    ['arc', 'Arc'],
    ['level', 'Level'],
    ['upright', 'Upright'],
    ['line', 'In line'],
    ['cut', 'Cut'],
    ['join', 'Join'],
  ] as const;
</script>

<section
  class="mb-4 border border-line bg-paper px-3 pt-3 pb-2"
  aria-label="Points"
  data-picked={pointing.picked.length}
>
  <p class="mb-2" role="status">
    <b>{none ? 'Points' : pointing.picked.length === 1 ? 'one point' : `${pointing.picked.length} points`}</b>
    <span class="text-[12px] text-muted"
      >{none ? 'Press one, or drag a box; press an outline twice to add one.' : 'Drag them, or their handles.'}</span
    >
  </p>
  <div class="mb-2 grid grid-cols-4 gap-1.5 text-[12px]">
    {#each CHANGES as [how, label] (how)}
      <button class="button px-1!" disabled={none} onclick={() => pointing.change(how)}>{label}</button>
    {/each}
  </div>
  <Figure label="Corner radius" bind:value={pointing.radiusPx} min={0.5} max={60} step={0.5} unit="px" />
  <AxisChoice {constructing} label="The other half follows" bind:on={pointing.isMirrored} />
  <div class="mb-1 flex flex-wrap items-center gap-2">
    <button class="button" disabled={none} onclick={() => pointing.change('round')}>Round</button>
    <button class="button" disabled={none} onclick={() => pointing.pickAlike()}>Alike corners</button>
    <button class="quiet text-danger!" disabled={none} onclick={() => pointing.change('remove')}>remove</button>
  </div>
</section>
