<script lang="ts">
  import type { PackageSets } from '$core/package';
  import type { Delivering } from './delivering.svelte';

  /** How each ink is printed: its shares, as converted or as given, and the name of a spot ink. */
  const { delivering }: { delivering: Delivering } = $props();
  const inks = $derived.by(() => {
    const found: { hex: string; name: string; cmyk: readonly number[] }[] = [];
    for (const line of delivering.wantedLines)
      for (const ink of delivering.facts[line.key]?.inks ?? [])
        if (!found.some((f) => f.hex === ink.hex)) found.push(ink);
    return found;
  });
  const press = $derived(delivering.plan.sets.press);
  const faults: Record<string, string> = $state({});

  function give(hex: string, own: PackageSets['press'][string]): void {
    const { [hex]: before, ...rest } = press;
    const next = { ...before, ...own };
    if (!next.spot) delete (next as { spot?: string }).spot;
    if (!next.cmyk) delete (next as { cmyk?: unknown }).cmyk;
    void delivering.change({
      ...delivering.sets,
      press: Object.keys(next).length ? { ...rest, [hex]: next } : rest,
    });
  }

  function typed(hex: string, text: string): void {
    const parts = text.split(/[,;\s]+/).filter(Boolean).map(Number); // prettier-ignore
    const isShares = parts.length === 4 && parts.every((n) => n >= 0 && n <= 100);
    faults[hex] = !parts.length || isShares ? '' : 'four shares of 0 to 100';
    if (!faults[hex]) give(hex, { cmyk: parts.length ? (parts as never) : undefined });
  }
</script>

<h3 class="mt-3 mb-1 text-[13px]">Inks on the press</h3>
<p class="mb-2 text-[12px] text-muted">
  Shares of cyan, magenta, yellow and black as they are converted; give those of a proof, or the name of a spot ink,
  which has a plate of its own.
</p>
{#each inks as ink (ink.hex)}
  {@const own = press[ink.hex]}
  <fieldset class="mb-2 min-w-0 border-b border-line pb-2">
    <legend class="flex items-center gap-2"
      ><span class="size-3.5 border border-line" style="background: {ink.hex}"></span>{ink.name}
      <span class="text-muted">{ink.hex}</span></legend
    >
    <div class="flex gap-2">
      <input
        class="field w-28 min-w-0 {own?.cmyk ? '' : 'text-muted'}"
        aria-label="{ink.name}: cyan, magenta, yellow, black in percent"
        value={(own?.cmyk ?? ink.cmyk).join(' ')}
        onchange={(e) => typed(ink.hex, e.currentTarget.value)}
      />
      <input
        class="field min-w-0 flex-1"
        aria-label="{ink.name}: name of a spot ink"
        placeholder="spot ink"
        maxlength="60"
        value={own?.spot ?? ''}
        onchange={(e) => give(ink.hex, { spot: e.currentTarget.value.trim() })}
      />
    </div>
    {#if faults[ink.hex]}<p class="text-[12px] text-danger" role="alert">{faults[ink.hex]}</p>{/if}
    {#if own?.cmyk}<button class="quiet text-[12px]" onclick={() => give(ink.hex, { cmyk: undefined })}
        >as converted: {ink.cmyk.join(' ')}</button
      >{/if}
  </fieldset>
{:else}
  <p class="text-muted">Tick something, then its inks are here.</p>
{/each}
