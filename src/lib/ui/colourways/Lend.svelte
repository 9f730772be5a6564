<script lang="ts">
  import type { PictureBelow } from '$lib/contract/answers';
  import type { Colouring } from './colouring.svelte';

  /** Colours taken from a picture of the commission, or from another commission's work: chosen, then taken by a press. */
  interface Props {
    colouring: Colouring;
    commissionId: string;
    pictures: readonly PictureBelow[];
  }
  const { colouring, commissionId, pictures }: Props = $props();
  let chosen = $state('');
  const others = $derived(colouring.others ?? []);
  const picture = $derived(pictures.find((p) => `picture ${p.id}` === chosen));
  const other = $derived(others.find((o) => `${o.workId} ${o.colourwayId}` === chosen));

  function take(): void {
    if (picture) colouring.fromPicture(picture);
    else if (other) colouring.fromOther(other);
    chosen = '';
  }
</script>

<div class="mb-3 flex items-center gap-2">
  <select
    class="field min-w-0 flex-1"
    aria-label="Take colours from"
    bind:value={chosen}
    onpointerdown={() => void colouring.lookForOthers(commissionId)}
    onfocus={() => void colouring.lookForOthers(commissionId)}
  >
    <option value="">Colours from …</option>
    {#if pictures.length}
      <optgroup label="Pictures here">
        {#each pictures as p (p.id)}<option value="picture {p.id}">{p.label}</option>{/each}
      </optgroup>
    {/if}
    {#each [...new Set(others.map((o) => o.commission))] as commission (commission)}
      <optgroup label={commission}>
        {#each others.filter((o) => o.commission === commission) as o (o.workId + o.colourwayId)}
          <option value="{o.workId} {o.colourwayId}">{o.artwork}, {o.name}</option>
        {/each}
      </optgroup>
    {/each}
  </select>
  <button class="button" disabled={colouring.busy || (!picture && !other)} onclick={take}>Take</button>
</div>
