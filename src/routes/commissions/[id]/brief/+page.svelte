<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import Allowance from '$lib/ui/brief/Allowance.svelte';
  import { BriefLine } from '$lib/ui/brief/brief-line.svelte';
  import BriefForm from '$lib/ui/brief/BriefForm.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import { reload } from '$lib/ui/reload';
  import Frame from '$lib/ui/shell/Frame.svelte';

  const { data } = $props();
  const commission = $derived(data.commission);
  // svelte-ignore state_referenced_locally
  const line = new BriefLine(data.commission.id, data.commission);

  $effect(() => untrack(() => void line.restore()));
  // From the first key.
  $effect(() => {
    void JSON.stringify(line.brief);
    untrack(() => line.keepDraft());
  });
  // What comes from another tab, or from undo, is taken over where nothing else was typed meanwhile.
  $effect(() => {
    const fresh = commission;
    untrack(() => line.hear(fresh));
  });
  // A field that one is still in when the screen changes is saved too.
  onDestroy(() => line.saveAll());

  const unkept = $derived(outbox.list.some((w) => w.path === `/api/commissions/${commission.id}` && !w.isAnswered));

  async function archive(): Promise<void> {
    try {
      const { id, name, archived } = commission;
      await outbox.send({
        method: 'PATCH',
        path: `/api/commissions/${id}`,
        body: { archived: !archived, seen: { archived } },
        what: `${name} ${archived ? 'brought back' : 'archived'}`,
        settle: () => reload('odd-quill:commission'),
      });
    } catch (error) {
      notices.fail(error);
    }
  }

  const onward = () => goto(`/commissions/${commission.id}`);
  $effect(() => keys.add([{ press: 'Mod+Enter', label: 'On to the rounds', run: () => void onward() }]));
</script>

<Frame slipTitle="Brief">
  {#snippet sheet()}
    <div class="h-full overflow-y-auto px-8 py-6">
      <form class="mx-auto max-w-[820px] border border-line bg-panel px-8 py-6" onsubmit={(e) => e.preventDefault()}>
        <BriefForm
          bind:brief={line.brief}
          errors={line.errors}
          theirs={line.theirs}
          place={commission.id}
          onsettle={(field) => line.save(field)}
          onmine={(field) => line.keepMine(field)}
          ontheirs={(field) => line.takeTheirs(field)}
        />
      </form>
    </div>
  {/snippet}
  {#snippet slip()}
    <Allowance
      bind:credits={line.brief.allowance}
      error={line.errors.allowance}
      theirs={line.theirs.allowance}
      onsettle={() => line.save('allowance')}
      onmine={() => line.keepMine('allowance')}
      ontheirs={() => line.takeTheirs('allowance')}
    />
    <dl class="mb-4 grid grid-cols-[1fr_auto] gap-y-1 text-muted">
      <dt>charged</dt>
      <dd class="text-right">{commission.creditsSpent}</dd>
      <dt>held for running rounds</dt>
      <dd class="text-right">{commission.creditsReserved}</dd>
      <dt>left</dt>
      <dd class="text-right font-semibold text-text">
        {commission.allowance - commission.creditsSpent - commission.creditsReserved}
      </dd>
    </dl>
    <p class="mb-4 text-muted" aria-live="polite">
      {unkept ? 'Saving' : 'Every field is saved when you leave it, and can be undone.'}
    </p>
    <button class="button" onclick={archive}
      >{commission.archived ? 'Bring this commission back' : 'Archive this commission'}</button
    >
  {/snippet}
  {#snippet next()}
    <button class="next-step" onclick={onward}
      >{data.thread.rounds ? 'On to the rounds' : 'Write the first prompt'}</button
    >
  {/snippet}
</Frame>
