<script lang="ts">
  import type { AppRead, Direction } from '$core/brief';
  import { ask } from '../api';
  import FileChooser from '../FileChooser.svelte';
  import { keep, kept } from '../kept';
  import { notices } from '../notices.svelte';
  import DirectionCard from './DirectionCard.svelte';
  import { pngOf } from './screens';

  /** Prompts for an app's icon, from what is said of it and from what its screens look like. */
  const { commissionId, onuse }: { commissionId: string; onuse: (direction: Direction) => void } = $props();
  const MOST_SCREENS = 6;

  // svelte-ignore state_referenced_locally
  const place = `odd-quill-app-${commissionId}`;
  let description = $state(kept(place, { description: '' })?.description ?? '');
  let screens = $state.raw<readonly { name: string; png: string }[]>([]);
  let found = $state.raw<AppRead | null>(null);
  let busy = $state(false);
  $effect(() => keep(place, { description }));

  async function add(files: FileList): Promise<void> {
    for (const file of [...files].slice(0, MOST_SCREENS - screens.length)) {
      try {
        screens = [...screens, { name: file.name, png: await pngOf(file) }];
      } catch {
        notices.tell(`${file.name} is no picture that can be read; the other screens stay`, { id: 'app' });
      }
    }
  }

  async function read(): Promise<void> {
    busy = true;
    try {
      found = await ask<AppRead>('POST', '/api/app-reading', { description, screens: screens.map((s) => s.png) });
    } catch (error) {
      notices.fail(error);
    }
    busy = false;
  }
</script>

<details class="mb-6 border-t border-line pt-3" open={description.length > 0}>
  <summary class="cursor-pointer text-[15px] font-semibold">
    From an app <span class="font-normal text-muted">its description and its screens</span>
  </summary>
  <label class="mt-2 block" for="app-description">
    What it does
    <textarea
      id="app-description"
      class="field mt-0.5 block h-[72px] w-full resize-y"
      maxlength="4000"
      bind:value={description}
      placeholder="The first sentence counts most"></textarea>
  </label>
  <div class="mt-2 flex flex-wrap items-center gap-3">
    <FileChooser
      text="Add screens"
      label="Screens of the app"
      accept="image/png,image/jpeg,image/webp"
      disabled={screens.length >= MOST_SCREENS}
      onfiles={(files) => void add(files)}
    />
    {#each screens as screen, i (i)}
      <span class="text-muted">
        {screen.name}
        <button class="underline" onclick={() => (screens = screens.filter((_, k) => k !== i))}>take off</button>
      </span>
    {/each}
    <button class="button ml-auto" disabled={busy || !description.trim()} onclick={() => void read()}>
      {busy ? 'Reading …' : 'Read it'}
    </button>
  </div>
  {#if found}
    <dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1" data-app-read>
      <dt class="text-muted">what it is about</dt>
      <dd>{found.things.map((t) => t.word).join(', ') || 'no thing that could be drawn'}</dd>
      <dt class="text-muted">what one does</dt>
      <dd>{found.acts.map((t) => t.word).join(', ') || 'nothing that was understood'}</dd>
      {#if found.look}
        <dt class="text-muted">what it wears</dt>
        <dd class="flex flex-wrap items-center gap-3">
          {#each found.look.colours as { hex, share } (hex)}
            <span class="flex items-center gap-1">
              <span class="inline-block h-3 w-3 border border-line" style="background: {hex}"></span>
              {hex}
              {Math.round(100 * share)} %
            </span>
          {:else}
            <span>no colour beside black, white and grey</span>
          {/each}
          <span class="text-muted">{found.look.isShaded ? 'shaded' : 'flat'}</span>
        </dd>
      {/if}
    </dl>
    <ul class="mt-3 grid grid-cols-3 gap-3">
      {#each found.directions as direction (direction.title)}
        <li class="flex flex-col border border-line bg-panel p-3" data-app-direction>
          <DirectionCard {direction} {onuse} />
        </li>
      {:else}
        <li class="col-span-3 text-muted">Nothing to draw was found in it: name the things that the app is about.</li>
      {/each}
    </ul>
  {/if}
</details>
