<script lang="ts">
  import type { Name } from '$core/naming';
  import type { ClientName } from '$lib/contract/answers';
  import type { Naming } from './naming.svelte';

  /** Names for the client: those that were kept, those that were just made, those that were set aside. */
  interface Props {
    naming: Naming;
  }
  const { naming }: Props = $props();
  const kept = $derived(naming.decided.filter((n) => n.decision === 'kept'));
  const aside = $derived(naming.decided.filter((n) => n.decision === 'aside'));
</script>

{#snippet row(name: Name | ClientName, decision: string)}
  <li
    class="group flex items-start gap-2 border border-line bg-panel px-3 py-2 {decision === 'aside'
      ? 'text-muted'
      : ''}"
    data-name={name.name}
  >
    <div class="min-w-0 flex-1">
      <p class="truncate text-[19px] leading-tight {decision === 'aside' ? 'line-through' : ''}">{name.name}</p>
      <p class="text-[12px] text-muted" title="How it was made; strong syllables as X, weak ones as x">
        {[name.told, 'rhythm' in name ? name.rhythm : ''].filter(Boolean).join(' · ')}
      </p>
      {#if 'marks' in name && name.marks.length}<p class="text-[12px] text-danger">{name.marks.join('; ')}</p>{/if}
    </div>
    <div class="flex shrink-0 flex-col items-end gap-0.5 text-[12px]">
      <button class="underline" aria-pressed={decision === 'kept'} onclick={() => void naming.decide(name, 'kept')}
        >{decision === 'kept' ? 'do not keep' : 'keep'}</button
      >
      <button class="underline" aria-pressed={decision === 'aside'} onclick={() => void naming.decide(name, 'aside')}
        >{decision === 'aside' ? 'bring back' : 'set aside'}</button
      >
      <button class="underline" onclick={() => naming.moreLike(name)}>more like it</button>
    </div>
  </li>
{/snippet}

{#if kept.length}
  <h2 class="mb-2 text-[15px]">Kept · {kept.length}</h2>
  <ul class="mb-6 grid grid-cols-3 gap-2">
    {#each kept as name (name.id)}{@render row(name, 'kept')}{/each}
  </ul>
{/if}
{#if naming.made.length}
  <h2 class="mb-2 text-[15px]">{naming.like ? `Like ${naming.like.name}` : 'Made'} · {naming.fresh.length}</h2>
  <ul class="mb-6 grid grid-cols-3 gap-2" aria-busy={naming.busy}>
    {#each naming.fresh as name (name.name)}{@render row(name, 'undecided')}{/each}
  </ul>
{:else if !kept.length && !aside.length}
  <p class="max-w-[60ch] text-muted">
    Names come from what the client does, where, in which mood and for whom: compounds, blends that share a sound,
    alliteration, borrowed roots, inventions that can be said. Each says how it was made.
  </p>
{/if}
{#if aside.length}
  <h2 class="mb-2 text-[15px]">Set aside · {aside.length}</h2>
  <ul class="grid grid-cols-3 gap-2">
    {#each aside as name (name.id)}{@render row(name, 'aside')}{/each}
  </ul>
{/if}
