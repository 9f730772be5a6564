<script lang="ts">
  import { creditsFor } from '$core/credit';
  import { filled, GAP, hasGap, thingsIn } from '$core/wording';
  import type { Commission, Pattern } from '$lib/contract/answers';
  import { notices } from '../notices.svelte';
  import { outbox } from '../outbox.svelte';
  import { reload } from '../reload';
  import { freshKey } from '../tab';

  /** Prompts with a gap for their figure, for every commission: filled with one thing, or with several for as many rounds. */
  interface Props {
    patterns: readonly Pattern[];
    commission: Commission;
    onuse: (prompt: string) => void;
  }
  const { patterns, commission, onuse }: Props = $props();
  const things = $state<Record<string, string>>({});
  let own = $state('');
  let busy = $state(false);
  const shown = $derived(patterns.filter((p) => !p.archived));
  const away = $derived(patterns.filter((p) => p.archived));
  const left = $derived(commission.allowance - commission.creditsSpent - commission.creditsReserved);
  const promptsOf = (p: Pattern): string[] => filled(p.prompt, thingsIn(things[p.id] ?? ''));
  const costOf = (p: Pattern): number => promptsOf(p).length * creditsFor(p.settings.count, 1024);
  const refresh = () => reload('odd-quill:commission');

  async function send(path: string, method: 'POST' | 'PATCH', body: unknown, what: string): Promise<boolean> {
    try {
      await outbox.send({ method, path, body, what, settle: refresh });
      return true;
    } catch (error) {
      notices.fail(error);
      return false;
    }
  }

  async function add(): Promise<void> {
    if (await send('/api/patterns', 'POST', { prompt: own }, `the pattern “${own}”`)) own = '';
  }

  async function askAll(pattern: Pattern): Promise<void> {
    if (busy) return;
    busy = true;
    const prompts = promptsOf(pattern);
    let asked = 0;
    for (const prompt of prompts) {
      const body = { requestKey: freshKey(), prompt, ...pattern.settings, ratio: '1:1', references: [], way: null };
      if (!(await send(`/api/commissions/${commission.id}/rounds`, 'POST', body, `a round of “${prompt}”`))) break;
      asked++;
    }
    busy = false;
    if (asked === prompts.length) things[pattern.id] = '';
    // What could not be asked for stays where it was typed.
    else
      things[pattern.id] = thingsIn(things[pattern.id] ?? '')
        .slice(asked)
        .join(', ');
    if (asked) notices.tell(`${asked} ${asked === 1 ? 'round' : 'rounds'} asked for`, { id: 'patterns' });
  }
</script>

<section aria-labelledby="patterns">
  <div class="mb-2 flex items-baseline gap-3">
    <h2 id="patterns" class="text-[15px]">Patterns · {shown.length}</h2>
    <span class="text-muted">prompts with a gap for their figure, for every commission</span>
  </div>
  <ul class="mb-3 space-y-2">
    {#each shown as pattern (pattern.id)}
      {@const made = promptsOf(pattern)}
      {@const cost = costOf(pattern)}
      <li class="border border-line bg-panel px-3 py-2" data-pattern={pattern.prompt}>
        <p class="mb-2 text-[15px]">
          {#each pattern.prompt.split(/(_{2,})/) as part, i (i)}{#if i % 2}<span
                class="mx-1 inline-block w-14 border-b-2 border-active"
                role="img"
                aria-label="gap"
              ></span>{:else}{part}{/if}{/each}
        </p>
        <div class="flex flex-wrap items-center gap-2">
          <input
            class="field w-72"
            placeholder="owl, or: tree, car, house"
            aria-label="What goes into the gap of {pattern.prompt}"
            maxlength="400"
            bind:value={things[pattern.id]}
          />
          <button class="button" disabled={made.length !== 1} onclick={() => onuse(made[0])}>Use it</button>
          <button class="button" disabled={!made.length || busy} onclick={() => void askAll(pattern)}
            >{made.length
              ? `Ask for ${made.length} ${made.length === 1 ? 'round' : 'rounds'} · ${cost} ${cost === 1 ? 'credit' : 'credits'}`
              : 'Ask for rounds'}</button
          >
          <button
            class="ml-auto text-[12px] text-muted underline"
            onclick={() => void send(`/api/patterns/${pattern.id}`, 'PATCH', { archived: true }, 'a pattern put away')}
            >put away</button
          >
        </div>
        {#if cost > left}<p class="mt-1 text-[12px] text-danger">
            {Math.max(0, left)} credits are left of the allowance.
          </p>{/if}
      </li>
    {/each}
  </ul>
  <form
    class="flex gap-2"
    onsubmit={(e) => {
      e.preventDefault();
      void add();
    }}
  >
    <input
      class="field flex-1"
      aria-label="A new pattern"
      placeholder="badge of a {GAP} in a ring, two colours"
      maxlength="2000"
      bind:value={own}
    />
    <button class="button" disabled={!hasGap(own)}>Keep this pattern</button>
  </form>
  {#if own.trim() && !hasGap(own)}<p class="mt-1 text-[12px] text-muted">Write {GAP} where the figure goes.</p>{/if}
  {#if away.length}
    <details class="mt-3 text-muted">
      <summary>Put away · {away.length}</summary>
      <ul class="mt-1">
        {#each away as pattern (pattern.id)}
          <li>
            {pattern.prompt}
            <button
              class="underline"
              onclick={() =>
                void send(`/api/patterns/${pattern.id}`, 'PATCH', { archived: false }, 'a pattern brought back')}
              >bring back</button
            >
          </li>
        {/each}
      </ul>
    </details>
  {/if}
</section>
