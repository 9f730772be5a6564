<script lang="ts">
  import { keys } from '../keys.svelte';
  /** What can be taken back and done again, in words; null when there is nothing. */
  interface Props {
    undo: string | null;
    redo: string | null;
    onundo: () => void;
    onredo: () => void;
  }
  const { undo, redo, onundo, onredo }: Props = $props();
  $effect(() =>
    keys.add([
      { press: 'Mod+z', label: 'Undo', run: () => undo !== null && onundo() },
      { press: 'Mod+Shift+z', label: 'Redo', run: () => redo !== null && onredo() },
    ]),
  );
</script>

<span class="flex gap-3">
  <button class="quiet" disabled={undo === null} title={undo ?? 'Nothing to undo'} onclick={onundo}>Undo</button>
  <button class="quiet" disabled={redo === null} title={redo ?? 'Nothing to redo'} onclick={onredo}>Redo</button>
</span>
