<script lang="ts">
  import { Popover } from 'bits-ui';
  import type { FinishChoice } from '$lib/contract/answers';

  /** Finishes, chosen by picture; null leaves the finish to the prompt. */
  interface Props {
    value: string | null;
    finishes: readonly FinishChoice[];
    /** What the prompt asks for, shown while nothing else is chosen. */
    asked: string | null;
  }
  let { value = $bindable(), finishes, asked }: Props = $props();
  let open = $state(false);
  const shown = $derived(value ?? asked);
  const href = (name: string) => `/api/finishes/${encodeURIComponent(name)}`;

  function choose(name: string | null): void {
    value = name;
    open = false;
  }
</script>

<div class="mb-3 flex items-center justify-between gap-3">
  <span id="finish-label">Finish</span>
  <Popover.Root bind:open>
    <Popover.Trigger
      class="field flex h-10 w-[172px] items-center gap-2 py-0! pr-2 pl-0.5! text-left"
      aria-label="Finish: {value ?? 'as the prompt says'}"
    >
      {#if shown}
        <img src={href(shown)} alt="" class="h-9 w-9 bg-white object-contain" />
      {:else}
        <span class="nothing h-9 w-9 shrink-0"></span>
      {/if}
      <span class="min-w-0 flex-1 truncate">{value ?? (asked ? `${asked}, as asked` : 'as the prompt says')}</span>
    </Popover.Trigger>
    <Popover.Portal>
      <Popover.Content
        side="left"
        align="start"
        sideOffset={10}
        role="dialog"
        class="z-40 max-h-[640px] w-[560px] overflow-y-auto border border-text bg-panel p-3"
        aria-label="Finishes"
      >
        <div class="mb-2 flex items-baseline justify-between gap-4">
          <p class="text-muted">One figure in every finish the engine has.</p>
          <button class="quiet" aria-pressed={value === null} onclick={() => choose(null)}>As the prompt says</button>
        </div>
        <ul class="grid grid-cols-5 gap-2" aria-labelledby="finish-label">
          {#each finishes as finish (finish.name)}
            <li>
              <button
                class="block w-full bg-white text-left text-neutral-900 {value === finish.name
                  ? 'outline-2 outline-active'
                  : 'outline outline-black/15 hover:outline-black/50'}"
                aria-pressed={value === finish.name}
                title={finish.about}
                onclick={() => choose(finish.name)}
              >
                <img src={href(finish.name)} alt="" loading="lazy" class="aspect-square w-full object-contain" />
                <span class="block truncate px-1 pb-0.5 text-[11px]">{finish.name}</span>
              </button>
            </li>
          {:else}
            <li class="col-span-5 text-danger">The image engine is not answering, so its finishes are not known.</li>
          {/each}
        </ul>
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
</div>
