<script lang="ts">
  import { page } from '$app/state';
  import TopBar from '$lib/ui/shell/TopBar.svelte';
  import UndoRedo from '$lib/ui/shell/UndoRedo.svelte';
  import Thread from '$lib/ui/thread/Thread.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import { reload } from '$lib/ui/reload';
  import { undoPlace } from '$lib/ui/shell/undo.svelte';
  import { watchCommission } from '$lib/ui/watch.svelte';
  import { isOwnHead } from '$lib/ui/work/line.svelte';
  import type { WatchEvent } from '$lib/contract/answers';

  const { data, children } = $props();
  const commission = $derived(data.commission);
  const left = $derived(commission.allowance - commission.creditsSpent - commission.creditsReserved);

  async function refresh(events: readonly WatchEvent[] = []): Promise<void> {
    const isWorkDue = events.some((e) => e.subject === 'everything' || (e.subject === 'work' && !isOwnHead(e.head)));
    await reload('odd-quill:commission', ...(isWorkDue ? (['odd-quill:work'] as const) : []));
  }

  const id = $derived(commission.id);
  $effect(() => watchCommission(id, (events) => void refresh(events)));

  async function step(direction: 'undo' | 'redo', body: object): Promise<void> {
    try {
      const { told = 'the last change' } = await outbox.send<{ told?: string }>({
        method: 'POST',
        path: `/api/commissions/${commission.id}/${direction}`,
        body,
        what: direction === 'undo' ? 'a change taken back' : 'a change made again',
        settle: () => refresh(),
      });
      notices.tell(direction === 'undo' ? `Taken back: ${told}` : `Done again: ${told}`, { id: 'undo' });
    } catch (error) {
      notices.fail(error);
    }
  }

  // Of the commission's changes, what one sees on this screen: the brief, decisions, or those about one candidate.
  $effect(() => {
    const { scope, changes } = data;
    if (!scope || !changes) return;
    return undoPlace.put({
      ...changes,
      onundo: () => void step('undo', scope),
      onredo: () => void step('redo', scope),
    });
  });
</script>

<svelte:head><title>{commission.name} · Odd Quill</title></svelte:head>

<div class="grid h-full grid-cols-[104px_minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)]">
  <TopBar dark={data.dark}>
    {#snippet where()}
      <a href="/commissions/{commission.id}" class="truncate font-medium">{commission.name}</a>
      <span class="truncate text-muted">{page.data.place ?? ''}</span>
      {#if commission.archived}<span class="border border-muted px-1.5 text-[12px]">archived</span>{/if}
    {/snippet}
    {#snippet middle()}
      {#if undoPlace.current}<UndoRedo {...undoPlace.current} />{/if}
      <a
        href="/commissions/{commission.id}/brief"
        class="whitespace-nowrap text-muted hover:text-text"
        title="The allowance stands in the brief"
        data-credits={commission.creditsSpent}
        >Credits <span class={left <= 0 ? 'font-semibold text-danger' : ''}
          >{commission.creditsSpent} of {commission.allowance}</span
        ></a
      >
    {/snippet}
  </TopBar>
  <Thread thread={data.thread} commissionId={commission.id} path={page.url.pathname} />
  {@render children()}
</div>
