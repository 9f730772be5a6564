<script lang="ts">
  import type { Understood } from '$lib/contract/answers';
  import { stretchesOf, type Stretch } from '$core/prompt';
  /** The prompt as it was read, part by part in its own order, and what is drawn for words that have no drawing of their own. A press on a part changes it. */
  const {
    prompt,
    understood,
    briefColours = '',
    onchange,
  }: {
    prompt: string;
    understood: Understood;
    /** The colours of the brief, which a prompt without any is drawn in. */
    briefColours?: string;
    onchange: (prompt: string) => void;
  } = $props();
  const parts = $derived(understood.parts);
  const stretches = $derived(stretchesOf(parts));
  const firstFigure = $derived(stretches.find((s) => s.name === 'figure'));
  /** What is being changed, as the prompt was then. */
  let changed = $state.raw<Stretch | null>(null);
  let draft = $state('');
  // What was being changed is gone when the prompt is another.
  $effect(() => {
    void prompt;
    changed = null;
  });

  function drawnFor({ figure }: Stretch): string | null {
    if (figure === null) return null;
    const { via, drawn } = parts.figures[figure];
    return via === 'none' ? 'no drawing' : via === 'broader' ? `drawn as ${drawn}` : null;
  }

  /** Colours that are named in it. */
  function coloursIn({ name, from, to }: Stretch): { word: string; hex: string }[] {
    const text = prompt.slice(from, to).toLowerCase().replaceAll('-', ' ');
    const named =
      name === 'ground'
        ? [parts.ground]
        : name === 'gradient'
          ? (parts.gradient ?? [])
          : name === 'colour'
            ? parts.colours
            : [];
    return named.filter((colour) => colour !== null).filter(({ word }) => text.includes(word));
  }

  /** What could stand in place of words that nothing is drawn for. */
  function insteadOf({ figure, name, from, to }: Stretch): readonly string[] {
    const isMissing = figure !== null ? parts.figures[figure].via === 'none' : name === 'not understood';
    const word = figure !== null ? parts.figures[figure].word : prompt.slice(from, to).toLowerCase();
    return isMissing ? (understood.near?.[word] ?? []) : [];
  }

  function replace({ from, to }: Stretch, words: string): void {
    onchange(`${prompt.slice(0, from)}${words}${prompt.slice(to)}`);
  }

  function begin(stretch: Stretch): void {
    changed = stretch;
    draft = prompt.slice(stretch.from, stretch.to);
  }

  function change(): void {
    if (!changed) return;
    const { from, to } = changed;
    const words = draft.trim();
    changed = null;
    if (words !== prompt.slice(from, to))
      onchange(`${prompt.slice(0, from)}${words}${prompt.slice(to)}`.replace(/ {2,}/g, ' ').trim());
  }

  function focused(input: HTMLInputElement): void {
    input.focus();
    input.select();
  }
</script>

<ul class="flex flex-wrap items-baseline gap-x-3 gap-y-0.5" aria-label="Understood">
  {#each stretches as stretch (stretch.from)}
    {@const drawn = drawnFor(stretch)}
    <li class="flex items-baseline gap-1 whitespace-nowrap" data-part={stretch.name}>
      {#if stretch.name !== 'relation' && (stretch.name !== 'figure' || stretch === firstFigure)}<span
          class="text-muted {stretch.isUnknown ? 'text-danger' : ''}">{stretch.name}</span
        >{/if}
      {#each coloursIn(stretch) as colour (colour.hex)}
        <span
          class="inline-block h-3 w-3 self-center border border-line"
          style="background: {colour.hex}"
          title="{colour.word} {colour.hex}"
        ></span>
      {/each}
      {#if changed?.from === stretch.from}
        <input
          class="field h-6 px-1 py-0"
          style="width: {Math.max(6, draft.length + 2)}ch"
          aria-label="{stretch.name}, changed"
          bind:value={draft}
          use:focused
          onblur={change}
          onkeydown={(e) => {
            if (e.key === 'Enter') {
              e.preventDefault();
              change();
            }
            if (e.key === 'Escape') {
              e.stopPropagation();
              changed = null;
            }
          }}
        />
      {:else}
        <button
          class="underline decoration-line decoration-dotted underline-offset-3 {stretch.name === 'relation'
            ? 'text-muted'
            : ''} {stretch.isUnknown ? 'text-danger' : ''}"
          title="Change it"
          onclick={() => begin(stretch)}>{prompt.slice(stretch.from, stretch.to)}</button
        >
      {/if}
      {#if drawn}<span class="text-danger">{drawn}</span>{/if}
      {#each insteadOf(stretch) as near (near)}
        <button
          class="border border-line px-1.5 leading-5 hover:bg-paper"
          title="Draw {near} instead"
          onclick={() => replace(stretch, near)}>{near}?</button
        >
      {/each}
    </li>
  {/each}
  {#if !parts.figures.length && !parts.lettering.length}<li class="text-danger">
      no figure yet: name a thing to draw
    </li>{/if}
  {#if briefColours && (parts.figures.length || parts.lettering.length) && !parts.colours.length && !parts.gradient && !parts.mood}<li
      class="flex items-baseline gap-1"
      data-part="usual colours"
    >
      <span class="text-muted">colours of the brief</span>
      {briefColours}
    </li>{/if}
  {#each parts.settled as one, i (i)}
    <li class="text-danger">“{one.kept}” won over “{one.dropped}”</li>
  {/each}
</ul>
