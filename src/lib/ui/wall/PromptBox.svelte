<script lang="ts">
  import { sharpen } from '$core/wording';
  import type { Understood } from '$lib/contract/answers';
  import { PROMPT_MOST } from '$lib/contract/requests';
  import FileChooser from '../FileChooser.svelte';
  import { tellBefore } from './prompt-before';
  import UnderstoodLine from './UnderstoodLine.svelte';

  let {
    prompt = $bindable(),
    leaveOut,
    briefColours,
    onfiles,
    ongiven,
    onunderstood,
  }: {
    prompt: string;
    leaveOut: string;
    briefColours: string;
    /** Pictures for the wall. */
    onfiles: (files: FileList) => void;
    /** Pictures to go with the prompt. */
    ongiven: (files: Iterable<File>) => void;
    onunderstood: (understood: Understood | null) => void;
  } = $props();

  const READ_AFTER_MS = 180;
  let understood = $state.raw<Understood | null>(null);
  /** The prompt that was understood so. */
  let readOf = $state('');
  /** What crowds the prompt or contradicts itself in it. */
  const blunt = $derived.by(() => {
    const found = understood && readOf === prompt ? sharpen(understood.parts) : null;
    return found?.noticed.length ? found : null;
  });

  /** Takes the shorter prompt; the longer one is told of, to be had back with a press. */
  function sharpened(): void {
    const shorter = blunt?.shorter;
    if (!shorter) return;
    const before = prompt;
    prompt = shorter;
    tellBefore(before, () => (prompt = before));
  }

  let over = $state(false);
  $effect(() => onunderstood(understood));

  // The engine says what it understands while one writes; only the newest answer counts, and silence is no error here.
  $effect(() => {
    const read = prompt;
    const body = JSON.stringify({ prompt, leaveOut });
    if (!prompt.trim() || prompt.length > PROMPT_MOST) {
      understood = null;
      return;
    }
    const abort = new AbortController();
    const timer = setTimeout(async () => {
      try {
        const answer = await fetch('/api/read', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body,
          signal: abort.signal,
        });
        if (!answer.ok) return;
        understood = (await answer.json()) as Understood;
        readOf = read;
      } catch {
        // Overtaken, also while the answer was coming in.
      }
    }, READ_AFTER_MS);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  });
</script>

<div
  class="border-b border-line bg-panel px-4 pt-3 pb-2 {over ? 'outline-3 -outline-offset-3 outline-active' : ''}"
  role="group"
  aria-label="Prompt; pictures dropped here are given with it"
  ondragover={(e) => {
    if (!e.dataTransfer?.types.includes('Files')) return;
    e.preventDefault();
    e.stopPropagation();
    over = true;
  }}
  ondragleave={(e) => {
    if (!e.currentTarget.contains(e.relatedTarget as Node)) over = false;
  }}
  ondrop={(e) => {
    if (!e.dataTransfer?.files.length) return;
    e.preventDefault();
    e.stopPropagation();
    over = false;
    ongiven(e.dataTransfer.files);
  }}
>
  <label for="prompt" class="sr-only">Prompt</label>
  <textarea
    id="prompt"
    class="field block h-[50px] w-full resize-none py-1.5 text-[14px]"
    bind:value={prompt}
    placeholder="Figure first, then the kind of mark, its finish and colours: emblem of a noctule bat over a crescent moon, midnight blue and lamp yellow, flat"
  ></textarea>
  {#if blunt}
    <p class="mt-1.5 flex items-baseline gap-3 border-l-[3px] border-active pl-2 text-[13px]" data-blunt>
      <span class="min-w-0 flex-1">{blunt.noticed.map((n) => n.told).join('; ')}</span>
      {#if blunt.shorter}<button class="underline" title={blunt.shorter} onclick={sharpened}>Take a shorter one</button
        >{/if}
    </p>
  {/if}
  <div class="mt-1.5 flex min-h-6 items-start gap-4">
    <div class="min-w-0 flex-1">
      {#if prompt.length > PROMPT_MOST}
        <p class="text-danger">The prompt has {prompt.length} characters; at most {PROMPT_MOST} are read.</p>
      {:else if understood}
        <UnderstoodLine
          prompt={readOf}
          {understood}
          {briefColours}
          onchange={(changed) => {
            if (prompt === readOf) prompt = changed;
          }}
        />
      {:else}
        <p class="text-muted">What the engine understands of the prompt stands here.</p>
      {/if}
    </div>
    <FileChooser
      look="quiet"
      text="Give a reference"
      label="Pictures to give with the prompt"
      accept="image/png,image/jpeg,image/webp"
      title="A sketch or picture for the engine to follow; or drop it on the prompt"
      onfiles={ongiven}
    />
    <FileChooser
      look="quiet"
      text="Bring in a picture or SVG"
      label="Pictures and drawings to bring in"
      accept="image/png,image/jpeg,image/webp,image/svg+xml,.svg"
      title="PNG, JPEG or WebP becomes a candidate, SVG an artwork; or drop one on the wall, or paste it"
      {onfiles}
    />
  </div>
</div>
