<script lang="ts">
  import type { PackageCheck } from '$core/package';
  import { placeOf } from '$lib/ui/work/places';
  import type { Delivering, Line } from './delivering.svelte';

  /** What was looked at before anything is made, and in the package that was made last; what is to be looked at comes first. */
  const { delivering, commissionId }: { delivering: Delivering; commissionId: string } = $props();
  let isAll = $state(false);
  const checks = $derived(delivering.checks);
  const shown = $derived(isAll ? checks.map((c) => ({ ...c, more: 0 })) : delivering.noticed);
  const good = $derived(checks.filter((c) => c.check.ok).length);
  const made = $derived(delivering.last?.checks ?? []);
  const alike = $derived(made.filter((c) => c.what === 'alike'));
  const wrong = $derived(made.filter((c) => !c.ok && c.file !== null));
  const furthest = $derived(Math.max(0, ...alike.map((c) => c.figure ?? 0)));

  /** Where one puts it right. */
  function rightAt({ what }: PackageCheck, { work }: Line): { href: string; words: string } | null {
    const place = placeOf(commissionId, { id: work.workId, kind: work.kind });
    if (what === 'grey' || what === 'contrast') return { href: `${place}/colourways`, words: 'to its colours' };
    if (what === 'line' || what === 'gap') return work.kind === 'lockup' ? { href: place, words: 'to its lettering' } : { href: `${place}/shapes`, words: 'to its shapes' }; // prettier-ignore
    return null;
  }
</script>

<section class="border border-line bg-panel px-4 py-3" aria-label="Checked" data-checked={delivering.faults}>
  <h2 class="mb-1 flex items-baseline gap-3 text-[14px]">
    Checked
    <span class="flex-1 text-[12px] font-normal text-muted" role="status"
      >{#if delivering.unlooked}{delivering.unlooked} still to be looked at{:else if checks.length}{good} of {checks.length}
        as they should be{/if}</span
    >
    {#if checks.length > delivering.faults || isAll}<button class="quiet font-normal" onclick={() => (isAll = !isAll)}
        >{isAll ? 'only what is to be looked at' : 'all of it'}</button
      >{/if}
  </h2>
  <ul>
    {#each shown as { line, check, more }, k (`${line.key} ${check.what} ${k}`)}
      {@const right = check.ok ? null : rightAt(check, line)}
      <li class="flex min-h-8 items-center gap-3 border-b border-line {check.ok ? '' : 'text-danger'}">
        <span class="flex-1"
          >{check.said}{more ? ` (and in ${more === 1 ? 'another look' : `${more} more looks`})` : ''}</span
        >
        {#if !check.ok && (check.what === 'ink' || check.what === 'press')}
          <button class="quiet text-text!" onclick={() => (delivering.opened = 'print')}>give its inks</button>
        {:else if right}
          <a class="quiet text-text!" href={right.href}>{right.words}</a>
        {/if}
        {#if check.at}<button class="quiet text-text!" onclick={() => (delivering.looked = { line, check })}
            >show</button
          >{/if}
      </li>
    {/each}
    {#if !delivering.unlooked && !delivering.faults && checks.length}
      <li class="min-h-8 border-b border-line py-1">
        Nothing that a press, a shop or a sign maker would stumble over.
      </li>
    {/if}
    {#if delivering.last && made.length}
      <li class="flex min-h-8 items-center gap-3 border-b border-line">
        <span class="flex-1"
          >Delivery {delivering.last.number}: {alike.filter((c) => c.ok).length} of {alike.length} drawings drawn again alike{alike.length
            ? `, at most ${furthest.toFixed(2)}% off`
            : ''}</span
        >
        <a class="quiet text-text!" href="/api/deliveries/{delivering.last.id}/files/checks.txt" target="_blank"
          >the report</a
        >
      </li>
      {#each wrong as check, k (k)}
        <li class="flex min-h-8 items-center gap-3 border-b border-line text-danger">
          <span class="flex-1">{check.file}: {check.said}</span>
          <a class="quiet text-text!" href="/api/deliveries/{delivering.last.id}/files/{check.file}" target="_blank"
            >show</a
          >
        </li>
      {/each}
    {/if}
  </ul>
</section>
