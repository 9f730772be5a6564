<script lang="ts">
  import type { Constructing } from './constructing.svelte';

  /** Whether something is mirrored, and in which axis. */
  interface Props {
    constructing: Constructing;
    label: string;
    on: boolean;
    onchange?: () => void;
  }
  let { constructing, label, on = $bindable(), onchange }: Props = $props();
</script>

<div class="mb-3">
  <label class="flex items-center gap-2"><input type="checkbox" bind:checked={on} {onchange} /> {label}</label>
  {#if on}
    <select
      class="field mt-1 w-full"
      value={constructing.axis.key}
      onchange={(e) => (constructing.axisKey = e.currentTarget.value)}
      aria-label="The axis"
    >
      {#each constructing.axes as axis (axis.key)}<option value={axis.key}>about {axis.told}</option>{/each}
    </select>
  {/if}
</div>
