<script lang="ts">
  import { FOR_WORDS, PARTS, type For, type PackageSets } from '$core/package';
  import Figure from '$lib/ui/slip/Figure.svelte';
  import type { Delivering } from './delivering.svelte';
  import Lines from './Lines.svelte';
  import Movements from './Movements.svelte';
  import NumberList from './NumberList.svelte';
  import Press from './Press.svelte';

  /** One set, opened: which of its files there are, and their sizes. */
  const { delivering, purpose, workId }: { delivering: Delivering; purpose: For; workId: string } = $props();
  const sets = $derived(delivering.plan.sets);
  const isLeftOut = (part: string) => sets.leftOut.includes(`${purpose}/${part}`);

  const change = (own: Partial<PackageSets>) => void delivering.change({ ...delivering.sets, ...own });
  const put = <K extends keyof PackageSets>(key: K, own: Partial<PackageSets[K]>) => change({ [key]: { ...sets[key], ...own } }); // prettier-ignore
  function want(part: string, on: boolean): void {
    const name = `${purpose}/${part}`;
    change({ leftOut: on ? sets.leftOut.filter((n) => n !== name) : [...sets.leftOut, name] });
  }
  function asBegun(): void {
    const { leftOut = [], ...rest } = delivering.sets;
    const own: Partial<Record<keyof PackageSets, unknown>> = { ...rest };
    for (const key of purpose === 'web' ? (['web', 'favicon'] as const) : purpose === 'print' ? (['print', 'press'] as const) : [purpose]) delete own[key as keyof PackageSets]; // prettier-ignore
    const kept = leftOut.filter((n) => !n.startsWith(`${purpose}/`));
    void delivering.change({ ...(own as Partial<PackageSets>), ...(kept.length ? { leftOut: kept } : {}) });
  }
  const cover = /^([a-z0-9-]+)\s+(\d+)\s*[x×]\s*(\d+)$/;
  const metres = /^([a-z0-9-]+)\s+([\d.]+)\s*m$/;
</script>

<div data-set={purpose}>
  <h2 class="mb-2 flex items-baseline text-[14px]">
    <span class="flex-1">For {FOR_WORDS[purpose]}</span>
    <button class="quiet font-normal" onclick={() => (delivering.opened = null)}>done</button>
  </h2>
  <ul class="mb-3">
    {#each Object.entries(PARTS[purpose]) as [part, words] (part)}
      <li class="flex min-h-7 items-center">
        <label class="flex items-center gap-2"
          ><input type="checkbox" checked={!isLeftOut(part)} onchange={(e) => want(part, e.currentTarget.checked)} />
          {words}</label
        >
      </li>
    {/each}
  </ul>
  {#if purpose === 'print'}
    <Figure
      label="Longer side"
      value={sets.print.longerMm}
      min={5}
      max={1000}
      unit="mm"
      onsettle={(longerMm) => put('print', { longerMm })}
    />
    <Figure
      label="Bleed beyond the trim"
      value={sets.print.bleedMm}
      min={0}
      max={20}
      step={0.5}
      unit="mm"
      onsettle={(bleedMm) => put('print', { bleedMm })}
    />
    <Press {delivering} />
  {:else if purpose === 'web'}
    <Figure
      label="PNG at once"
      value={sets.web.basePx}
      min={16}
      max={1024}
      unit="px"
      onsettle={(basePx) => put('web', { basePx })}
    />
    <NumberList
      label="and so many times"
      unit="times"
      values={sets.web.times}
      least={1}
      most={4}
      onsettle={(times) => put('web', { times })}
    />
    <NumberList
      label="Favicon"
      unit="px"
      values={sets.favicon.icoPx}
      least={8}
      most={256}
      onsettle={(icoPx) => put('favicon', { icoPx })}
    />
    <NumberList
      label="Icons of the manifest"
      unit="px"
      values={sets.favicon.manifestPx}
      least={8}
      most={4096}
      onsettle={(manifestPx) => put('favicon', { manifestPx })}
    />
    <NumberList
      label="that may be cut to any shape"
      unit="px"
      values={sets.favicon.maskablePx}
      least={8}
      most={4096}
      onsettle={(maskablePx) => put('favicon', { maskablePx })}
    />
  {:else if purpose === 'shops'}
    <NumberList
      label="For the shops"
      unit="px"
      values={sets.shops.storePx}
      least={8}
      most={4096}
      onsettle={(storePx) => put('shops', { storePx })}
    />
    <NumberList
      label="On phones"
      unit="px"
      values={sets.shops.iconPx}
      least={8}
      most={4096}
      onsettle={(iconPx) => put('shops', { iconPx })}
    />
    <NumberList
      label="Layers"
      unit="px"
      values={sets.shops.layerPx}
      least={8}
      most={4096}
      onsettle={(layerPx) => put('shops', { layerPx })}
    />
  {:else if purpose === 'social'}
    <NumberList
      label="Avatars"
      unit="px"
      values={sets.social.avatarPx}
      least={8}
      most={4096}
      onsettle={(avatarPx) => put('social', { avatarPx })}
    />
    <Lines
      label="Covers"
      values={sets.social.covers}
      write={(c) => `${c.name} ${c.widthPx} x ${c.heightPx}`}
      read={(text) => {
        const [, name, w, h] = cover.exec(text) ?? [];
        return name && [w, h].every((n) => Number(n) >= 8 && Number(n) <= 4096) ? { name, widthPx: Number(w), heightPx: Number(h) } : null; // prettier-ignore
      }}
      hint="a name and two sides, as in cover-wide 1500 x 500"
      onsettle={(covers) => put('social', { covers })}
    />
  {:else if purpose === 'stickers'}
    <NumberList
      label="Longer sides"
      unit="mm"
      values={sets.stickers.longerMm}
      least={5}
      most={2000}
      onsettle={(longerMm) => put('stickers', { longerMm })}
    />
    <Figure
      label="Cut line outside by"
      value={sets.stickers.cutMm}
      min={0.5}
      max={20}
      step={0.5}
      unit="mm"
      onsettle={(cutMm) => put('stickers', { cutMm })}
    />
  {:else if purpose === 'large'}
    <Lines
      label="Sizes"
      values={sets.large}
      write={(l) => `${l.name} ${l.longerMm / 1000} m`}
      read={(text) => {
        const [, name, m] = metres.exec(text) ?? [];
        return name && Number(m) >= 0.1 && Number(m) <= 50 ? { name, longerMm: Math.round(Number(m) * 1000) } : null;
      }}
      hint="a name and a longer side, as in van 2 m"
      onsettle={(large) => change({ large })}
    />
  {:else if purpose === 'office'}
    <Figure
      label="On letters"
      value={sets.office.letterheadMm}
      min={10}
      max={210}
      unit="mm"
      onsettle={(letterheadMm) => put('office', { letterheadMm })}
    />
    <Figure
      label="Pictures"
      value={sets.office.picturePx}
      min={64}
      max={4096}
      step={16}
      unit="px"
      onsettle={(picturePx) => put('office', { picturePx })}
    />
  {:else if purpose === 'motion'}
    <Movements {delivering} {workId} />
    <Figure
      label="Animated pictures"
      value={sets.motion.picturePx}
      min={64}
      max={1024}
      step={16}
      unit="px"
      onsettle={(picturePx) => put('motion', { picturePx })}
    />
  {/if}
  <p class="mt-3"><button class="quiet" onclick={asBegun}>as it was begun</button></p>
</div>
