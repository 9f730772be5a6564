<script lang="ts">
  import { wordingOf, type Told } from '$core/wording';
  import type { Wording } from '$lib/contract/answers';

  /** The prompts of a commission with what each gave, kept ones first. */
  interface Props {
    wording: Wording;
    onuse: (prompt: string) => void;
    /** Keeps it with a gap in place of its figure, or of the words that are marked. */
    onpattern: (prompt: string, figure: string | null) => void;
  }
  const { wording, onuse, onpattern }: Props = $props();
  let search = $state('');
  const shown = $derived(wordingOf(wording.prompts, search));
  const most = 14;
  const gave = ({ kept, aside, undecided, credits }: Told): string => {
    const decided = [kept ? `${kept} kept` : '', aside ? `${aside} set aside` : ''].filter(Boolean).join(', ');
    return `${decided || `${undecided} undecided`} · ${credits} ${credits === 1 ? 'credit' : 'credits'}`;
  };
</script>

<section class="mb-6" aria-labelledby="wording">
  <div class="mb-2 flex items-center gap-3">
    <h2 id="wording" class="text-[15px]">Wording so far · {wording.prompts.length}</h2>
    <input
      class="field ml-auto w-56"
      type="search"
      placeholder="Search the prompts"
      aria-label="Search the prompts"
      maxlength="200"
      bind:value={search}
    />
  </div>
  {#if wording.words.kept.length || wording.words.aside.length}
    <dl class="mb-3 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-[13px]">
      {#each [{ told: 'led to kept ones', words: wording.words.kept }, { told: 'led to what was set aside', words: wording.words.aside }] as group (group.told)}
        {#if group.words.length}
          <dt class="text-muted">{group.told}</dt>
          <dd class="flex flex-wrap gap-x-3">
            {#each group.words.slice(0, most) as { word, kept, aside } (word)}
              <button class="hover:underline" title="{kept} kept, {aside} set aside" onclick={() => (search = word)}
                >{word} <span class="text-muted">{kept}:{aside}</span></button
              >
            {/each}
          </dd>
        {/if}
      {/each}
    </dl>
  {/if}
  {#if shown.length}
    <ul class="border border-line bg-panel">
      {#each shown as round (round.id)}
        <li
          class="grid grid-cols-[44px_1fr_auto_auto] items-center gap-3 border-b border-line px-3 py-2 last:border-b-0"
        >
          <span class="text-muted">{round.number}</span>
          <span class="min-w-0 select-text">{round.prompt}</span>
          <span class="text-[13px] {round.kept ? 'text-text' : 'text-muted'}">{gave(round)}</span>
          <span class="flex gap-2">
            <button class="button" onclick={() => onuse(round.prompt)}>Use it</button>
            <button
              class="button"
              onmousedown={(e) => e.preventDefault()}
              onclick={() => onpattern(round.prompt, round.figure)}>Make a pattern</button
            >
          </span>
        </li>
      {/each}
    </ul>
  {:else}
    <p class="text-muted">
      {wording.prompts.length ? 'No prompt has those words.' : 'Nothing was asked for yet.'}
    </p>
  {/if}
</section>
