<script lang="ts">
  import { keys } from '../keys.svelte';
  import type { Undoing } from './undo.svelte';

  const { undo, redo, onundo, onredo }: Undoing = $props();
  $effect(() =>
    keys.add([
      { press: 'Mod+z', label: 'Undo', run: () => undo !== null && onundo() },
      { press: 'Mod+Shift+z', label: 'Redo', run: () => redo !== null && onredo() },
    ]),
  );
</script>

{#snippet one(word: string, told: string | null, run: () => void)}
  <button
    class="quiet max-w-[220px] gap-1.5 no-underline!"
    disabled={told === null}
    title={told ?? `Nothing to ${word.toLowerCase()}`}
    onclick={run}
    data-undo={word.toLowerCase()}
  >
    <span class={told ? 'underline decoration-line underline-offset-3' : ''}>{word}</span>
    {#if told}<span class="truncate" data-undo-words>{told}</span>{/if}
  </button>
{/snippet}

<span class="flex min-w-0 gap-3">
  {@render one('Undo', undo, onundo)}
  {@render one('Redo', redo, onredo)}
</span>
