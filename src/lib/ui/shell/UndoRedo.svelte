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

<!-- Neither moves when what the other would do changes: of two quick presses the second must not fall on what the first brought there. -->
<span class="flex min-w-0 gap-3">
  <button
    class="quiet w-[176px] min-w-9 justify-end gap-1.5 no-underline!"
    disabled={undo === null}
    title={undo ?? 'Nothing to undo'}
    onclick={onundo}
    data-undo="undo"
  >
    {#if undo}<span class="truncate" data-undo-words>{undo}</span>{/if}
    <span class={undo ? 'underline decoration-line underline-offset-3' : ''}>Undo</span>
  </button>
  <button
    class="quiet no-underline!"
    disabled={redo === null}
    title={redo ?? 'Nothing to redo'}
    onclick={onredo}
    data-undo="redo"
  >
    <span class={redo ? 'underline decoration-line underline-offset-3' : ''}>Redo</span>
  </button>
</span>
