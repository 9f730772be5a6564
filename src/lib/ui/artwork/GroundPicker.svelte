<script lang="ts">
  import type { GroundColour } from '$lib/contract/answers';
  /** Which ground the work is shown on; one past the last is none. */
  let { grounds, at = $bindable() }: { grounds: readonly GroundColour[]; at: number } = $props();
</script>

<fieldset class="flex items-center gap-1.5">
  <legend class="float-left mr-2">Ground</legend>
  {#each [...grounds, { name: 'nothing', hex: '' }] as ground, i (i)}
    <button
      class="h-6 w-6 border {i === at ? 'border-active outline-2 outline-active' : 'border-muted'} {ground.hex
        ? ''
        : 'nothing'}"
      style={ground.hex ? `background: ${ground.hex}` : ''}
      aria-label="On {ground.name}"
      aria-pressed={i === at}
      title={ground.name}
      onclick={() => (at = i)}
    ></button>
  {/each}
</fieldset>
