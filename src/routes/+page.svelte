<script lang="ts">
  import type { CommissionCard } from '$lib/contract/answers';
  import CommissionRow from '$lib/ui/brief/CommissionRow.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import { reload } from '$lib/ui/reload';
  import TopBar from '$lib/ui/shell/TopBar.svelte';

  const { data } = $props();
  const open = $derived(data.commissions.filter((c) => !c.archived));
  const archived = $derived(data.commissions.filter((c) => c.archived));

  async function change(card: CommissionCard, fields: { name?: string; archived?: boolean }): Promise<void> {
    const { name, archived } = card;
    try {
      await outbox.send({
        method: 'PATCH',
        path: `/api/commissions/${card.id}`,
        body: { ...fields, seen: { name, archived } },
        what: fields.name ? `${name} renamed` : `${name} ${fields.archived ? 'archived' : 'brought back'}`,
        settle: reload,
      });
      if (fields.archived)
        notices.tell(`${name} is archived`, {
          action: { label: 'Bring back', run: () => void change({ ...card, archived: true }, { archived: false }) },
        });
    } catch (error) {
      notices.fail(error);
      await reload();
    }
  }
</script>

<svelte:head><title>Commissions · Odd Quill</title></svelte:head>

<div class="grid h-full grid-rows-[auto_minmax(0,1fr)]">
  <TopBar dark={data.dark}>
    {#snippet where()}<h1 class="text-[13px] font-medium">Commissions</h1>{/snippet}
    {#snippet middle()}<a class="button flex items-center bg-active! text-on-active!" href="/new">Start a commission</a
      >{/snippet}
  </TopBar>
  <main tabindex="-1" aria-label="Commissions" class="overflow-y-auto bg-mat px-6 py-6">
    <div class="mx-auto max-w-[1120px]">
      {#if open.length}
        <ul class="flex flex-col gap-3">
          {#each open as card (card.id)}<CommissionRow {card} onchange={(fields) => change(card, fields)} />{/each}
        </ul>
      {:else}
        <div class="border border-line bg-panel px-8 py-10 text-center">
          <p class="text-[15px]">No commission is open.</p>
          <p class="mt-1 mb-4 text-muted">
            A commission is one client's job, from the brief to the files. Start with what the client told you.
          </p>
          <a class="button inline-flex items-center" href="/new">Start a commission</a>
        </div>
      {/if}
      {#if archived.length}
        <details class="mt-6">
          <summary class="py-1 text-muted">Archived · {archived.length}</summary>
          <ul class="mt-2 flex flex-col gap-3">
            {#each archived as card (card.id)}<CommissionRow
                {card}
                onchange={(fields) => change(card, fields)}
              />{/each}
          </ul>
        </details>
      {/if}
    </div>
  </main>
</div>
