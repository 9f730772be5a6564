<script lang="ts">
  import { counted } from '../counted';
  import Figure from '../slip/Figure.svelte';
  import type { Constructing } from './constructing.svelte';

  /** What the shapes are constructed of, in figures, and the drawing of it to take along. */
  interface Props {
    constructing: Constructing;
    /** Of the drawing as a file. */
    href: string;
  }
  const { constructing, href }: Props = $props();
  const construction = $derived(constructing.found?.construction ?? null);
  const sizes = $derived.by(() => {
    const radii = (construction?.circles ?? []).map((c) => c.radiusPx.toFixed(1));
    return [...new Set(radii)].slice(0, 6).map((r) => ({ r, times: radii.filter((x) => x === r).length }));
  });
  const degrees = (deg: number) => `${Number((180 - deg).toFixed(1)) % 180}°`;
</script>

<section class="mb-4" aria-label="Construction" data-construct={constructing.looking ? 'looking' : 'ready'}>
  <h2 class="mb-1 text-[14px]">Construction</h2>
  {#if construction}
    <p>
      <b>{counted(construction.circles.length, 'circle')}</b>, <b>{counted(construction.lines.length, 'line')}</b> at
      <b>{counted(construction.angles.length, 'angle')}</b>;
      {Math.round(100 * construction.share)}% of the outlines lie on them, within
      {construction.greatestPx.toFixed(2)} px
    </p>
    {#if sizes.length}
      <p class="text-[12px] text-muted">
        radii {sizes.map(({ r, times }) => (times > 1 ? `${r} (${times})` : r)).join(', ')} px
      </p>
    {/if}
    {#if construction.angles.length}
      <p class="text-[12px] text-muted">
        angles {construction.angles
          .slice(0, 6)
          .map((a) => degrees(a.deg))
          .join(', ')}
      </p>
    {/if}
    <p class="text-[12px] text-muted">
      {construction.unit
        ? `a unit of ${construction.unit.px.toFixed(1)} px measures ${construction.unit.fit} of ${construction.unit.of}`
        : 'no unit measures them all'}
    </p>
    <div class="mt-2">
      <Figure
        label="Within"
        bind:value={constructing.withinPx}
        min={0.1}
        max={8}
        step={0.1}
        unit="px"
        hint="The more, the fewer circles and lines"
        onsettle={() => constructing.look()}
      />
    </div>
    <a class="quiet mt-1 inline-block" {href} download="construction.svg">save the drawing</a>
  {:else}
    <p class="text-[12px] text-muted" role="status">
      {constructing.looking ? 'Looking at the shapes' : 'Nothing is drawn yet.'}
    </p>
  {/if}
</section>
