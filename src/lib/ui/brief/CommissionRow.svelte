<script lang="ts">
  import type { CommissionCard, Station } from '$lib/contract/answers';

  const {
    card,
    onchange,
  }: { card: CommissionCard; onchange: (fields: { name?: string; archived?: boolean }) => void } = $props();
  let renaming = $state(false);
  let field = $state<HTMLInputElement>();

  const STATIONS: readonly { at: Station; label: string }[] = [
    { at: 'brief', label: 'brief' },
    { at: 'rounds', label: 'rounds' },
    { at: 'artwork', label: 'artwork' },
    { at: 'delivered', label: 'delivered' },
  ];
  const reached = $derived(STATIONS.findIndex((s) => s.at === card.station));
  const counts = $derived(
    [
      card.rounds && `${card.rounds} ${card.rounds === 1 ? 'round' : 'rounds'}`,
      card.kept && `${card.kept} kept`,
      card.artworks && `${card.artworks} ${card.artworks === 1 ? 'artwork' : 'artworks'}`,
      card.deliveries && `${card.deliveries} delivered`,
    ].filter(Boolean),
  );
  const href = $derived(card.station === 'brief' ? `/commissions/${card.id}/brief` : `/commissions/${card.id}`);

  $effect(() => field?.select());

  function rename(event: Event): void {
    event.preventDefault();
    const name = field!.value.trim();
    renaming = false;
    if (name && name !== card.name) onchange({ name });
  }
</script>

<li class="flex items-stretch border border-line bg-panel" data-commission={card.name}>
  <a {href} class="flex shrink-0 gap-px border-r border-line bg-line" aria-label="Open {card.name}" tabindex="-1">
    {#each { length: 4 }, i (i)}
      {@const picture = card.pictures[i]}
      <span class="flex h-[104px] w-[104px] items-center justify-center {picture ? 'bg-white' : 'bg-panel'}">
        {#if picture}<img
            src={picture.href}
            alt={picture.label}
            class="max-h-[92px] max-w-[92px] object-contain"
            loading="lazy"
          />{/if}
      </span>
    {/each}
  </a>
  <div class="flex min-w-0 flex-1 flex-col justify-center px-5">
    {#if renaming}
      <form onsubmit={rename} class="flex gap-2">
        <input
          bind:this={field}
          class="field w-80 text-[16px]"
          value={card.name}
          maxlength="120"
          aria-label="Name of the commission"
          onkeydown={(e) => e.key === 'Escape' && (renaming = false)}
        />
        <button class="button">Rename</button>
        <button type="button" class="quiet" onclick={() => (renaming = false)}>Leave it</button>
      </form>
    {:else}
      <a {href} class="truncate text-[16px] font-bold hover:underline">{card.name}</a>
    {/if}
    <p class="truncate text-muted">{[card.client, card.trade].filter(Boolean).join(' · ') || 'No client named yet'}</p>
    <p class="mt-2 flex items-center gap-1.5 text-[12px]">
      <span class="sr-only">Stands at {STATIONS[reached]?.label}, of</span>
      {#each STATIONS as station, i (station.at)}
        {#if i}<span class="h-px w-4 {i <= reached ? 'bg-active' : 'bg-line'}"></span>{/if}
        <span class={i === reached ? 'font-semibold text-active' : i < reached ? '' : 'text-muted'}
          >{station.label}</span
        >
      {/each}
      {#if counts.length}<span class="ml-3 text-muted">{counts.join(', ')}</span>{/if}
    </p>
  </div>
  <div class="flex shrink-0 flex-col items-end justify-center gap-1 px-5">
    <button class="quiet" onclick={() => (renaming = true)} aria-label="Rename {card.name}">Rename</button>
    <button
      class="quiet"
      onclick={() => onchange({ archived: !card.archived })}
      aria-label="{card.archived ? 'Bring back' : 'Archive'} {card.name}"
      >{card.archived ? 'Bring back' : 'Archive'}</button
    >
  </div>
</li>
