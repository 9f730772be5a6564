<script lang="ts">
  import { tellStep, type EntryFault, type ListEdit, type RetouchEntry } from '$core/retouch';

  /** What was done to the picture, in order; each can be hidden, moved, changed and taken out again. */
  interface Props {
    entries: readonly RetouchEntry[];
    faults: readonly EntryFault[];
    chosen: string | null;
    onchoose: (id: string) => void;
    onedit: (edit: ListEdit) => void;
  }
  const { entries, faults, chosen, onchoose, onedit }: Props = $props();
  const faultOf = (id: string) => faults.find((f) => f.id === id)?.message;
</script>

<section aria-label="Done, in order">
  <h2 class="mb-1 text-[14px]">Done, in order</h2>
  <ol class="flex flex-col" data-entries>
    {#each entries as entry, k (entry.id)}
      {@const fault = faultOf(entry.id)}
      {@const told = tellStep(entry.step)}
      <li class="border-b border-line {entry.id === chosen ? 'font-semibold' : ''}" data-entry={entry.id}>
        <div class="flex min-h-8 items-center gap-2">
          <button
            class="flex min-h-6 min-w-0 flex-1 items-center gap-2 text-left hover:underline {entry.hidden
              ? 'text-muted line-through'
              : ''}"
            aria-pressed={entry.id === chosen}
            onclick={() => onchoose(entry.id)}
            title={told}
            ><span class="w-4 shrink-0 text-muted">{k + 1}</span><span class="truncate">{told}</span></button
          >
          <button
            class="quiet"
            onclick={() => onedit({ kind: 'hide-step', id: entry.id, hidden: !entry.hidden })}
            aria-label="{entry.hidden ? 'Show' : 'Hide'} step {k + 1}: {told}">{entry.hidden ? 'show' : 'hide'}</button
          >
        </div>
        {#if fault}<p class="pb-1 pl-6 text-danger" role="alert">Left out: {fault}</p>{/if}
        {#if entry.id === chosen}
          <div class="flex gap-3 pb-1 pl-6 font-normal">
            <button
              class="quiet"
              disabled={k === 0}
              onclick={() => onedit({ kind: 'move-step', id: entry.id, to: k - 1 })}>earlier</button
            >
            <button
              class="quiet"
              disabled={k + 1 === entries.length}
              onclick={() => onedit({ kind: 'move-step', id: entry.id, to: k + 1 })}>later</button
            >
            <button class="quiet text-danger!" onclick={() => onedit({ kind: 'remove-step', id: entry.id })}
              >take out of the list</button
            >
          </div>
        {/if}
      </li>
    {:else}
      <li class="text-muted">Nothing yet: the candidate itself is never changed.</li>
    {/each}
  </ol>
</section>
