<script lang="ts">
  import type { Commission } from '$lib/contract/answers';
  import ColoursForm from './ColoursForm.svelte';
  import CutOutForm from './CutOutForm.svelte';
  import GroundForm from './GroundForm.svelte';
  import StraightenForm from './StraightenForm.svelte';
  import Choice from '../slip/Choice.svelte';
  import Figure from '../slip/Figure.svelte';
  import BrushColour from './BrushColour.svelte';
  import type { Retouching } from './retouching.svelte';

  /** The short form of the act that is on. */
  interface Props {
    retouching: Retouching;
    grounds: Commission['grounds'];
    picked: readonly string[];
    artworks: readonly { readonly id: string; readonly name: string }[];
    ondrop: (hex: string) => void;
  }
  const { retouching, grounds, picked, artworks, ondrop }: Props = $props();
  const { brush } = $derived(retouching);
  const act = $derived(retouching.act);
  const mend = $derived(retouching.stepOf('mend'));

  /** A stroke that is chosen takes the brush as it is now. */
  function recover(): void {
    const step = retouching.stepOf('cover');
    if (step) retouching.put({ ...step, ...brush });
  }
</script>

{#if act}
  <section class="mb-4 border border-line bg-paper px-3 pt-3 pb-1" aria-label="The act that is on" data-act={act}>
    {#if act === 'cover'}
      <Figure label="Width" bind:value={brush.widthPx} min={1} max={500} unit="px" onsettle={recover} />
      <BrushColour
        bind:hex={
          () => brush.hex,
          (hex) => {
            brush.hex = hex;
            recover();
          }
        }
        {picked}
      />
      <label class="mb-2 flex items-center gap-2"
        ><input type="checkbox" bind:checked={brush.oneSide} onchange={recover} /> Stay on one side of an edge</label
      >
      <p class="mb-2 text-[12px] text-muted">Shift goes on straight from the last stroke.</p>
    {:else if act === 'outline'}
      <BrushColour bind:hex={brush.hex} {picked} />
      <p class="mb-2 text-[12px] text-muted">
        Press from point to point; drag to bend. Press the first point again, or Enter, to fill it.
      </p>
    {:else if act === 'mend'}
      <Choice
        label="Area"
        bind:value={retouching.areaBy}
        options={[
          { value: 'brush', label: 'brush' },
          { value: 'box', label: 'box' },
          { value: 'outline', label: 'outline' },
        ]}
        onsettle={() => retouching.leave()}
      />
      {#if retouching.areaBy === 'brush'}
        <Figure label="Width" bind:value={brush.widthPx} min={1} max={500} unit="px" />
      {/if}
      {#if retouching.lettering?.lines.length}
        <button class="button mb-2" onclick={() => retouching.mendLettering()}
          >The lettering: {retouching.lettering.lines.flatMap((l) => l.words.map((w) => w.text)).join(' ')}</button
        >
      {/if}
      {#if mend}
        <Figure
          label="Grown by"
          value={mend.growPx}
          min={0}
          max={40}
          unit="px"
          onsettle={(growPx) => growPx !== mend.growPx && retouching.put({ ...mend, growPx })}
        />
      {:else}
        <p class="mb-2 text-[12px] text-muted">Mark what is to go: it is filled to match what surrounds it.</p>
      {/if}
    {:else if act === 'take-out'}
      <Choice
        label="A press takes out"
        bind:value={retouching.part}
        options={[
          { value: 'colour', label: 'a part', hint: 'A part of one colour' },
          { value: 'piece', label: 'a piece', hint: 'A separate piece with all its colours' },
          { value: 'outline', label: 'outlined', hint: 'What lies in an outline that you draw' },
        ]}
        onsettle={() => retouching.leave()}
      />
      <p class="mb-2 text-[12px] text-muted">
        {retouching.part === 'outline' ? 'Press from point to point; drag to bend; Enter closes it. ' : ''}What lay
        behind it is mended.
      </p>
    {:else if act === 'cut-out'}
      <CutOutForm {retouching} />
    {:else if act === 'colours'}
      <ColoursForm {retouching} {grounds} {picked} {artworks} />
    {:else if act === 'ground'}
      <GroundForm {retouching} {grounds} />
    {:else if act === 'straighten'}
      <StraightenForm {retouching} />
    {:else}
      <Choice
        label="Mean of"
        value={String(retouching.pickPx) as '1' | '3' | '5'}
        options={[
          { value: '1', label: '1 px' },
          { value: '3', label: '3 px' },
          { value: '5', label: '5 px' },
        ]}
        onsettle={(v) => (retouching.pickPx = Number(v) as 1 | 3 | 5)}
      />
    {/if}
    {#if act === 'pick' || (act === 'colours' && picked.length)}
      <h2 class="mb-1 text-[12px]">Picked for this commission</h2>
      <ul class="mb-2 flex flex-wrap gap-1.5" data-picked>
        {#each picked as hex (hex)}
          <li>
            <button
              class="flex h-6 items-center gap-1 border border-line pr-1 text-[11px]"
              title="Drop {hex}"
              aria-label="Drop the picked colour {hex}"
              onclick={() => ondrop(hex)}><span class="h-full w-5" style="background: {hex}"></span>{hex} ×</button
            >
          </li>
        {:else}
          <li class="text-[12px] text-muted">Press on the sheet; or hold I, whatever else is on.</li>
        {/each}
      </ul>
    {/if}
  </section>
{/if}
