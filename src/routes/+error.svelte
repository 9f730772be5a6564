<script lang="ts">
  import { page } from '$app/state';

  const away = $derived(page.status >= 500);

  // A page that could not be had because something was away comes back by itself.
  $effect(() => {
    if (!away) return;
    const timer = setInterval(async () => {
      const answer = await fetch('/api/health').catch(() => null);
      if (answer?.ok) location.reload();
    }, 1500);
    return () => clearInterval(timer);
  });
</script>

<svelte:head><title>Odd Quill</title></svelte:head>
<main class="flex h-full flex-col items-center justify-center gap-3 bg-mat p-8 text-center">
  <h1 class="text-[18px]">{page.error?.message}</h1>
  {#if away}
    <p>Nothing you made is lost. This page comes back by itself as soon as the server does.</p>
  {:else}
    <p>The address may have been mistyped, or the thing it meant is elsewhere.</p>
  {/if}
  <a class="button" href="/">All commissions</a>
</main>
