<script lang="ts">
  import { goto, invalidate } from '$app/navigation';
  import type { Brief, Commission } from '$lib/contract/answers';
  import { api, ApiError } from '$lib/ui/api';
  import Allowance from '$lib/ui/brief/Allowance.svelte';
  import BriefForm from '$lib/ui/brief/BriefForm.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';

  const { data } = $props();
  const commission = $derived(data.commission);

  function briefOf({
    name,
    client,
    trade,
    audience,
    mood,
    coloursWanted,
    coloursUnwanted,
    grounds,
    kindOfMark,
    notes,
    allowance,
  }: Commission): Brief {
    return {
      name,
      client,
      trade,
      audience,
      mood,
      coloursWanted,
      coloursUnwanted,
      grounds,
      kindOfMark,
      notes,
      allowance,
    };
  }

  // svelte-ignore state_referenced_locally
  let brief = $state<Brief>(briefOf(data.commission));
  // svelte-ignore state_referenced_locally
  let saved = $state.raw<Brief>(briefOf(data.commission));
  let errors = $state<Readonly<Record<string, string>>>({});
  let saving = $state(false);
  const same = (p: unknown, q: unknown) => JSON.stringify(p) === JSON.stringify(q);

  // What comes from another tab, or from undo, is taken over where nothing else was typed meanwhile.
  $effect(() => {
    const fresh = briefOf(commission);
    if (same(fresh, saved)) return;
    const before = saved;
    saved = fresh;
    for (const key of Object.keys(fresh) as (keyof Brief)[])
      if (same($state.snapshot(brief)[key], before[key])) Object.assign(brief, { [key]: fresh[key] });
  });

  async function save(field: keyof Brief): Promise<void> {
    const value = $state.snapshot(brief)[field];
    if (same(value, saved[field])) return;
    saving = true;
    try {
      const changed = await api<Commission>('PATCH', `/api/commissions/${commission.id}`, {
        [field]: value,
        revision: commission.revision,
      });
      errors = {};
      saved = briefOf(changed);
      await invalidate('odd-quill:commission');
    } catch (error) {
      if (error instanceof ApiError && Object.keys(error.fields).length) errors = error.fields;
      else
        notices.fail(error, {
          label: 'Save mine',
          run: () => void invalidate('odd-quill:commission').then(() => save(field)),
        });
    } finally {
      saving = false;
    }
  }

  async function archive(): Promise<void> {
    try {
      await api('PATCH', `/api/commissions/${commission.id}`, {
        archived: !commission.archived,
        revision: commission.revision,
      });
      await invalidate('odd-quill:commission');
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
        <BriefForm bind:brief {errors} onsettle={(field) => void save(field)} />
      </form>
    </div>
  {/snippet}
  {#snippet slip()}
    <Allowance bind:credits={brief.allowance} error={errors.allowance} onsettle={() => void save('allowance')} />
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
      {saving ? 'Saving' : 'Every field is saved when you leave it, and can be undone.'}
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
