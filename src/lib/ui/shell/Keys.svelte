<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { keyLabel, keys } from '../keys.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  const shown = $derived([...new Map(keys.groups.flat().map((k) => [k.press, k])).values()]);
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/25" />
    <Dialog.Content
      class="fixed top-16 right-6 z-50 max-h-[calc(100vh-6rem)] w-80 overflow-auto rounded-md border border-line bg-panel p-4"
    >
      <Dialog.Title class="mb-2 text-[15px] font-bold">Keys on this screen</Dialog.Title>
      <Dialog.Description class="sr-only">Every key that does something here</Dialog.Description>
      <dl class="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1.5">
        {#each shown as key (key.press)}
          <dt>{key.label}</dt>
          <dd>
            <kbd class="rounded-sm border border-line bg-paper px-1.5 py-0.5 font-sans text-[12px]"
              >{keyLabel(key.press)}</kbd
            >
          </dd>
        {/each}
        <dt>Out of a field</dt>
        <dd><kbd class="rounded-sm border border-line bg-paper px-1.5 py-0.5 font-sans text-[12px]">Escape</kbd></dd>
        <dt>Figures and sliders, when focused</dt>
        <dd><kbd class="rounded-sm border border-line bg-paper px-1.5 py-0.5 font-sans text-[12px]">← →</kbd></dd>
      </dl>
      <Dialog.Close class="button mt-4">Close</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
