<script lang="ts">
  import { invalidate } from '$app/navigation';
  import { navigating, page } from '$app/state';
  import TopBar from '$lib/ui/shell/TopBar.svelte';
  import UndoRedo from '$lib/ui/shell/UndoRedo.svelte';
  import Thread from '$lib/ui/thread/Thread.svelte';
  import { api } from '$lib/ui/api';
  import { notices } from '$lib/ui/notices.svelte';
  import { watchCommission } from '$lib/ui/watch.svelte';
  import { isOwnHead } from '$lib/ui/work/line.svelte';
  import type { WatchEvent } from '$lib/contract/answers';

  const { data, children } = $props();
  const commission = $derived(data.commission);
  const left = $derived(commission.allowance - commission.creditsSpent - commission.creditsReserved);
  /** An artwork has an undo of its own; everywhere else it is the commission's. */
  const ownUndo = $derived(page.route.id?.endsWith('/artworks/[artwork]') ?? false);

  // Reloading the data of a page breaks off a navigation that is under way: what is heard meanwhile waits for its end.
  let due = $state(false);
  let isWorkDue = false;
  async function refresh(events: readonly WatchEvent[] = []): Promise<void> {
    isWorkDue ||= events.some((e) => e.subject === 'everything' || (e.subject === 'work' && !isOwnHead(e.head)));
    due = navigating.to !== null;
    if (due) return;
    const works = isWorkDue ? [invalidate('odd-quill:work')] : [];
    isWorkDue = false;
    await Promise.all([invalidate('odd-quill:commission'), ...works]);
  }
  $effect(() => {
    if (due && navigating.to === null) void refresh();
  });

  const id = $derived(commission.id);
  $effect(() => watchCommission(id, (events) => void refresh(events)));

  async function step(direction: 'undo' | 'redo'): Promise<void> {
    try {
      const { told } = await api<{ told: string }>('POST', `/api/commissions/${commission.id}/${direction}`);
      notices.tell(direction === 'undo' ? `Taken back: ${told}` : `Done again: ${told}`, { id: 'undo' });
      await refresh();
    } catch (error) {
      notices.fail(error);
    }
  }
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
      {#if !ownUndo}
        <UndoRedo
          undo={data.changes.undo}
          redo={data.changes.redo}
          onundo={() => void step('undo')}
          onredo={() => void step('redo')}
        />
      {/if}
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
