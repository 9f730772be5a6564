<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import type { Direction } from '$core/brief';
  import { GAP, patternFrom } from '$core/wording';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import { reload } from '$lib/ui/reload';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import { putPrompt } from '$lib/ui/wall/draft';
  import { tellBefore } from '$lib/ui/wall/prompt-before';
  import DirectionCard from '$lib/ui/words/DirectionCard.svelte';
  import Economy from '$lib/ui/words/Economy.svelte';
  import FromApp from '$lib/ui/words/FromApp.svelte';
  import NameList from '$lib/ui/words/NameList.svelte';
  import { Naming } from '$lib/ui/words/naming.svelte';
  import Patterns from '$lib/ui/words/Patterns.svelte';
  import Prompts from '$lib/ui/words/Prompts.svelte';
  import ThreadCosts from '$lib/ui/words/ThreadCosts.svelte';

  const { data } = $props();
  const commission = $derived(data.commission);
  const base = $derived(`/commissions/${commission.id}`);
  const shows = $derived(page.url.searchParams.get('show') === 'names' ? 'names' : 'prompts');
  const refresh = () => reload('odd-quill:commission');

  // svelte-ignore state_referenced_locally
  const naming = new Naming(data.commission, () => data.names);

  /** Takes words to the prompt box; what was being written there is told of, to be had back. */
  function use({ prompt, leaveOut }: Pick<Direction, 'prompt' | 'leaveOut'>): void {
    const { id } = commission;
    const before = putPrompt(id, { prompt, ...(leaveOut ? { leaveOut } : {}) });
    if (before.prompt.trim() && before.prompt !== prompt) tellBefore(before.prompt, () => putPrompt(id, before));
    void goto(base);
  }

  /** Keeps a prompt with a gap where its figure is, or where words of it are marked. */
  async function keepPattern(prompt: string, figure: string | null): Promise<void> {
    const marked = window.getSelection()?.toString().trim() ?? '';
    const made = (marked && patternFrom(prompt, marked)) || (figure && patternFrom(prompt, figure));
    if (!made) {
      notices.tell(`Mark the words that change in “${prompt}”, then press again: a gap (${GAP}) takes their place`, { id: 'pattern' }); // prettier-ignore
      return;
    }
    try {
      await outbox.send({ method: 'POST', path: '/api/patterns', body: { prompt: made }, what: `the pattern “${made}”`, settle: refresh }); // prettier-ignore
      notices.tell(`Kept as a pattern: ${made}`, { id: 'pattern' });
    } catch (error) {
      notices.fail(error);
    }
  }

  const another = () => goto(`?seed=${data.seed + 1}`, { noScroll: true, keepFocus: true });
  $effect(() =>
    keys.add([
      { press: 'n', label: 'Names', run: () => void goto('?show=names') },
      { press: 'p', label: 'Prompts', run: () => void goto('?') },
      { press: 'Mod+Enter', label: 'On to the rounds', run: () => void goto(base) },
    ]),
  );
</script>

<Frame slipTitle={shows === 'names' ? 'Names' : 'Words'}>
  {#snippet sheet()}
    <div class="flex h-full flex-col">
      <nav class="flex gap-1 border-b border-line bg-panel px-6 pt-2" aria-label="Words">
        {#each [{ id: 'prompts', label: 'Prompts' }, { id: 'names', label: 'Names' }] as tab (tab.id)}
          <a
            href={tab.id === 'names' ? '?show=names' : '?'}
            aria-current={shows === tab.id ? 'page' : undefined}
            class="border-b-[3px] px-3 py-1.5 {shows === tab.id
              ? 'border-active font-semibold'
              : 'border-transparent text-muted hover:text-text'}">{tab.label}</a
          >
        {/each}
      </nav>
      <div class="min-h-0 flex-1 overflow-y-auto px-6 py-5">
        {#if shows === 'names'}
          <NameList {naming} />
        {:else}
          <section class="mb-6" aria-labelledby="from-brief">
            <div class="mb-2 flex items-baseline gap-3">
              <h2 id="from-brief" class="text-[15px]">From the brief</h2>
              <span class="text-muted">by rules and word lists; to be edited</span>
              <button class="button ml-auto" onclick={another}>Three others</button>
            </div>
            <ul class="grid grid-cols-3 gap-3">
              {#each data.directions as direction (direction.title)}
                <li class="flex flex-col border border-line bg-panel p-3" data-direction>
                  <DirectionCard {direction} onuse={use} />
                </li>
              {/each}
            </ul>
          </section>
          <FromApp commissionId={commission.id} onuse={use} />
          <Prompts
            wording={data.wording}
            onuse={(prompt) => use({ prompt, leaveOut: '' })}
            onpattern={(prompt, figure) => void keepPattern(prompt, figure)}
          />
          <Patterns patterns={data.patterns} {commission} onuse={(prompt) => use({ prompt, leaveOut: '' })} />
        {/if}
      </div>
    </div>
  {/snippet}
  {#snippet slip()}
    {#if shows === 'names'}
      {#each naming.fields as field (field.id)}
        <label class="mb-3 block" for="naming-{field.id}">
          {field.label}
          <input
            id="naming-{field.id}"
            class="field mt-0.5 w-full"
            maxlength="200"
            bind:value={naming.asked[field.id]}
          />
        </label>
      {/each}
      <p class="mb-3 text-muted">Made by rules from word lists. Whether a name is free is for you to find out.</p>
      {#if naming.like}
        <p class="mb-3 border-l-[3px] border-active pl-2">
          More like <b>{naming.like.name}</b>.
          <button class="underline" onclick={() => naming.moreLike(null)}>All kinds again</button>
        </p>
      {/if}
    {:else}
      <Economy wording={data.wording} />
      <ThreadCosts wording={data.wording} href="{base}/candidates" />
    {/if}
  {/snippet}
  {#snippet next()}
    {#if shows === 'names'}
      <button class="next-step" disabled={naming.busy || !naming.asked.trade.trim()} onclick={() => void naming.make()}
        >{naming.made.length ? 'Fifty others' : 'Make fifty names'}</button
      >
    {:else}
      <button class="next-step" onclick={() => goto(base)}>On to the rounds</button>
    {/if}
  {/snippet}
</Frame>
