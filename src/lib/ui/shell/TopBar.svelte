<script lang="ts">
  import type { Snippet } from 'svelte';
  import { keys } from '../keys.svelte';
  import { outbox } from '../outbox.svelte';
  import Keys from './Keys.svelte';

  /** The line on top: where one is on the left; what holds for every screen on the right. */
  const { dark, where, middle }: { dark: boolean; where?: Snippet; middle?: Snippet } = $props();
  // svelte-ignore state_referenced_locally
  let isDark = $state(dark);
  let keysOpen = $state(false);

  function surround(): void {
    isDark = !isDark;
    document.documentElement.dataset.surround = isDark ? 'dark' : 'light';
    document.cookie = `surround=${isDark ? 'dark' : 'light'}; path=/; max-age=31536000; samesite=lax`;
  }

  $effect(() =>
    keys.add([
      { press: 'd', label: 'Dark or light surround', run: surround },
      { press: '?', label: 'This list', run: () => (keysOpen = !keysOpen) },
    ]),
  );
</script>

<header class="col-span-full flex h-11 min-w-0 items-center gap-4 border-b border-line bg-panel px-4">
  <a href="/" class="text-[16px] font-extrabold tracking-tight text-active">Odd Quill</a>
  {@render where?.()}
  <span class="flex-1"></span>
  {#if outbox.late.length}
    <span
      class="border border-muted px-1.5 whitespace-nowrap"
      role="status"
      title={outbox.late.map((w) => w.what).join('\n')}
      data-unkept
      >{outbox.late.length === 1 ? outbox.late[0].what.slice(0, 40) : `${outbox.late.length} changes`} · not yet kept</span
    >
  {/if}
  {@render middle?.()}
  <button class="quiet" onclick={surround} aria-pressed={isDark}>{isDark ? 'Light surround' : 'Dark surround'}</button>
  <button class="quiet px-1 font-semibold" onclick={() => (keysOpen = true)} aria-label="? Keys on this screen"
    >?</button
  >
</header>
<Keys bind:open={keysOpen} />
