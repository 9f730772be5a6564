<script lang="ts">
  import { tick } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import type { Brief, Commission } from '$lib/contract/answers';
  import { ApiError } from '$lib/ui/api';
  import Allowance from '$lib/ui/brief/Allowance.svelte';
  import BriefForm from '$lib/ui/brief/BriefForm.svelte';
  import { forget, keep, kept } from '$lib/ui/kept';
  import { NEW_COMMISSION } from '$lib/ui/brief/places';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import TopBar from '$lib/ui/shell/TopBar.svelte';

  const { data } = $props();
  const EMPTY: Brief = {
    name: '',
    client: '',
    trade: '',
    audience: '',
    mood: '',
    coloursWanted: '',
    coloursUnwanted: '',
    grounds: [
      { name: 'white', hex: '#FFFFFF' },
      { name: 'black', hex: '#000000' },
    ],
    kindOfMark: '',
    notes: '',
    allowance: 120,
  };

  let brief = $state<Brief>(EMPTY);
  let errors = $state<Readonly<Record<string, string>>>({});
  let busy = $state(false);
  let started = false;
  /** Kept in this browser and not answered yet, also when it was sent before a reload. */
  const starting = $derived(outbox.list.some((w) => w.path === '/api/commissions'));

  // What was typed outlives a reload and a closed tab.
  $effect(() => {
    const draft = kept(NEW_COMMISSION, EMPTY);
    if (draft) brief = draft;
  });
  $effect(() => {
    if (!started && JSON.stringify(brief) !== JSON.stringify(EMPTY)) keep(NEW_COMMISSION, brief);
  });

  async function start(): Promise<void> {
    if (busy || starting) return;
    busy = true;
    errors = {};
    try {
      const { id } = await outbox.send<Commission>({
        method: 'POST',
        path: '/api/commissions',
        body: $state.snapshot(brief),
        what: `${brief.name} started`,
      });
      started = true;
      forget(NEW_COMMISSION);
      if (page.url.pathname === '/new') await goto(`/commissions/${id}`);
    } catch (error) {
      if (error instanceof ApiError && Object.keys(error.fields).length) {
        errors = error.fields;
        await tick();
        document.querySelector<HTMLElement>('[aria-invalid=true]')?.focus();
      } else notices.fail(error);
    } finally {
      busy = false;
    }
  }

  $effect(() => keys.add([{ press: 'Mod+Enter', label: 'Start the commission', run: () => void start() }]));
</script>

<svelte:head><title>New commission · Odd Quill</title></svelte:head>

<div class="grid h-full grid-rows-[auto_minmax(0,1fr)]">
  <TopBar dark={data.dark}>
    {#snippet where()}<span>New commission</span>{/snippet}
  </TopBar>
  <Frame slipTitle="New commission">
    {#snippet sheet()}
      <div class="h-full overflow-y-auto px-8 py-6">
        <form
          class="mx-auto max-w-[820px] border border-line bg-panel px-8 py-6"
          onsubmit={(e) => {
            e.preventDefault();
            void start();
          }}
        >
          <BriefForm bind:brief {errors} place="new" />
          <!-- Enter in a field starts, as the button beside the form does. -->
          <button type="submit" class="hidden" tabindex="-1" aria-hidden="true">Start the commission</button>
        </form>
      </div>
    {/snippet}
    {#snippet slip()}
      <p class="mb-4 text-muted">
        Only the name is needed now. All of it can be changed later, and what you typed stays until you start.
      </p>
      <Allowance bind:credits={brief.allowance} error={errors.allowance} />
      <p class="text-muted">What the image engine may charge this commission in all: one credit a candidate.</p>
    {/snippet}
    {#snippet next()}
      <button class="next-step" disabled={busy || starting} onclick={start}
        >{starting ? 'Being started' : 'Start the commission'}</button
      >
    {/snippet}
  </Frame>
</div>
