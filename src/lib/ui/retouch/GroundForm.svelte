<script lang="ts">
  import type { Commission } from '$lib/contract/answers';
  import type { Retouching } from './retouching.svelte';

  /** What the picture stands on: nothing, a ground of the brief, or any colour. */
  const { retouching, grounds }: { retouching: Retouching; grounds: Commission['grounds'] } = $props();
  const id = $props.id();
  const put = (hex: string) => retouching.put({ kind: 'ground', hex });
</script>

<div class="mb-3 flex flex-wrap items-center gap-2">
  <button
    class="nothing h-8 w-8 border border-muted"
    aria-label="No ground"
    title="none: cut out"
    onclick={() => retouching.add({ kind: 'cut-out', inner: 'auto', parts: [], strokes: [] })}
  ></button>
  {#each grounds as { name, hex } (hex)}
    <button
      class="h-8 w-8 border border-muted"
      style="background: {hex}"
      aria-label="Ground {name}"
      title={name}
      onclick={() => put(hex)}
    ></button>
  {/each}
  <label class="sr-only" for={id}>Another ground</label>
  <input
    {id}
    type="color"
    class="h-8 w-10 border border-muted"
    value="#ffffff"
    onchange={(e) => put(e.currentTarget.value.toUpperCase())}
  />
</div>
