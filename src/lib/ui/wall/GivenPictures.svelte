<script lang="ts">
  import Figure from '../slip/Figure.svelte';
  import type { RoundDraft } from './draft';

  /** What goes with the words of the next round: references with their closeness, or the candidates it grows from. */
  let { draft = $bindable() }: { draft: RoundDraft } = $props();
</script>

{#snippet thumb(id: string, alt: string, size: string)}
  <img src="/api/pictures/{id}" {alt} class="{size} bg-white object-contain outline outline-black/10" />
{/snippet}

{#if draft.way}
  <section class="mb-3 border border-line bg-paper p-2.5" aria-label="Grows from">
    <div class="mb-2 flex items-start gap-2">
      {#if draft.way.kind === 'offshoot'}
        {@render thumb(draft.way.pictureId, '', 'h-12 w-12')}
        <p class="min-w-0 flex-1">
          Offshoots of <strong class="font-semibold">{draft.way.label}</strong><br />
          <span class="text-muted">change its words above, or leave them</span>
        </p>
      {:else}
        {#each draft.way.pictureIds as id, i (i)}
          {@render thumb(id, '', 'h-12 w-12')}
        {/each}
        <p class="min-w-0 flex-1">
          Crossing of <strong class="font-semibold">{draft.way.labels[0]}</strong> and
          <strong class="font-semibold">{draft.way.labels[1]}</strong>
        </p>
      {/if}
      <button class="quiet" onclick={() => (draft.way = null)} aria-label="Leave: do not grow from a candidate"
        >Leave</button
      >
    </div>
    {#if draft.way.kind === 'offshoot'}
      <Figure
        label="Drift"
        bind:value={draft.way.drift}
        min={0}
        max={100}
        hint="0 stays with its parent, 100 strays far"
      />
    {:else}
      <Figure
        label="Balance"
        bind:value={draft.way.balance}
        min={0}
        max={100}
        hint="0 is {draft.way.labels[0]}, 100 is {draft.way.labels[1]}"
      />
    {/if}
  </section>
{/if}

{#each draft.references as reference, i (reference.pictureId)}
  <section class="mb-3 flex gap-2.5 border border-line bg-paper p-2.5 pb-0" aria-label="Reference {i + 1}">
    <div class="w-14 shrink-0">
      {@render thumb(reference.pictureId, `Reference ${i + 1}`, 'h-14 w-14')}
      <button
        class="quiet mt-0.5 text-[12px]"
        aria-label="Remove reference {i + 1}"
        onclick={() => (draft.references = draft.references.filter((_, k) => k !== i))}>Remove</button
      >
    </div>
    <div class="min-w-0 flex-1">
      <Figure
        label="Closeness"
        bind:value={draft.references[i].closeness}
        min={0}
        max={100}
        hint="100 follows its outline"
      />
    </div>
  </section>
{/each}
