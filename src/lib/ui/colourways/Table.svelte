<script lang="ts">
  import { contrastRatio, luminance, rgbToHex } from '$core/colour';
  import { withHexes, type Artwork } from '$core/vector';
  import { ON_ALL, UNSORTED, type Colouring } from './colouring.svelte';
  import { colourSeen } from '../pick';
  import Mark from './Mark.svelte';

  /** Colourways by grounds, and each in one colour: all at once, with the least contrast under each. */
  const { colouring }: { colouring: Colouring } = $props();
  const rows = $derived(
    colouring.sorted.map((row) => ({ ...row, artwork: colouring.seen(row.hexes), own: row.hexes })),
  );
  const grounds = $derived(colouring.grounds);
  const onAll = $derived(colouring.sortedBy === ON_ALL);
  const darkest = (hexes: readonly string[]) =>
    hexes.reduce((a, b) => (luminance(b) < luminance(a) ? b : a), '#FFFFFF');
  const lightest = (hexes: readonly string[]) =>
    hexes.reduce((a, b) => (luminance(b) > luminance(a) ? b : a), '#000000');
  const inked = (artwork: Artwork, hex: string) => withHexes(artwork, new Map([['one', hex]]));
  /** Text on a ground that is read on it. */
  const on = (ground: string) =>
    contrastRatio(ground, '#FFFFFF') > contrastRatio(ground, '#111111') ? '#FFFFFF' : '#111111';
  const shown = (least: number) => (Number.isFinite(least) ? `${least.toFixed(1)} : 1` : '');

  /** The colour at the place that was pressed: of a mark, or of what it stands on. */
  async function pick(event: MouseEvent): Promise<void> {
    event.preventDefault();
    event.stopPropagation();
    const cell = (event.target as Element).closest('td');
    const image = cell?.querySelector('img');
    if (!cell || !image) return colouring.picked(null);
    const box = image.getBoundingClientRect();
    const scale = Math.min(box.width / image.naturalWidth, box.height / image.naturalHeight);
    const size = [image.naturalWidth * scale, image.naturalHeight * scale] as const;
    const at = [event.clientX - box.left - (box.width - size[0]) / 2, event.clientY - box.top - (box.height - size[1]) / 2] as const; // prettier-ignore
    const [r, g, b] = (getComputedStyle(cell).backgroundColor.match(/\d+/g) ?? []).map(Number);
    colouring.picked(await colourSeen(image.src, size, at, rgbToHex([r, g, b])).catch(() => null));
  }
</script>

<!-- While a colour is being picked any press on the table is that; with keys a colour is typed instead. -->
<div
  class="h-full overflow-auto p-4 {colouring.picking ? 'cursor-crosshair' : ''}"
  onclickcapture={(event) => {
    if (colouring.picking) void pick(event);
  }}
  data-table={colouring.touching && colouring.one ? 'ready' : 'looking'}
>
  <table class="w-full table-fixed border-collapse bg-panel">
    <thead>
      <tr>
        <th class="w-[104px] border border-line" aria-sort={onAll ? 'descending' : undefined}>
          <button
            class="min-h-6 w-full text-[12px] font-normal text-muted hover:underline {onAll
              ? 'font-semibold! text-text!'
              : ''}"
            title={onAll ? 'In the order in which they were made' : 'Sort by the least contrast on all grounds'}
            onclick={() => (colouring.sortedBy = onAll ? UNSORTED : ON_ALL)}>{onAll ? 'least of all ↓' : 'sort'}</button
          >
        </th>
        {#each grounds as ground (ground.key)}
          {@const isBy = colouring.sortedBy === ground.key}
          <th
            class="border border-line py-1 text-[12px] font-normal text-muted"
            scope="col"
            aria-sort={isBy ? 'descending' : undefined}
          >
            <button
              class="min-h-6 w-full px-1 hover:underline {isBy ? 'font-semibold text-text' : ''}"
              title={isBy ? 'In the order in which they were made' : `Sort by the least contrast on ${ground.name}`}
              onclick={() => (colouring.sortedBy = isBy ? UNSORTED : ground.key)}
              >{ground.name}{isBy ? ' ↓' : ''}</button
            >
          </th>
        {/each}
        <th class="border border-line py-2 text-[12px] font-normal text-muted" scope="col">one colour</th>
        <th class="border border-line py-2 text-[12px] font-normal text-muted" scope="col">reversed</th>
      </tr>
    </thead>
    <tbody>
      {#each rows as row (row.id)}
        {@const isChosen = row.id === colouring.chosen}
        <tr data-colourway={row.id} class={isChosen ? 'outline-2 -outline-offset-1 outline-active' : ''}>
          <th class="border border-line p-2 text-left align-middle font-normal" scope="row">
            <button
              class="w-full text-left hover:underline {isChosen ? 'font-semibold' : ''}"
              aria-pressed={isChosen}
              onclick={() => (colouring.chosen = row.id)}>{row.name}</button
            >
            <span class="line-clamp-3 text-[12px] leading-tight text-muted" title={row.how}>{row.how}</span>
          </th>
          {#each grounds as ground (ground.key)}
            {@const hex = colouring.groundSeen(ground.hex)}
            {@const { least, between } = colouring.leastOn(row.own, ground)}
            {@const picture = ground.picture?.((h) => colouring.groundSeen(h), colouring.vision)}
            <td
              class="relative border border-line p-0"
              style="background: {hex}{picture ? ` center / cover url('${picture}')` : ''}"
            >
              <div class="h-[96px] px-2.5 pt-2 pb-5">
                <Mark artwork={row.artwork} alt="{row.name} on {ground.name}" />
              </div>
              <span
                class="absolute right-1.5 bottom-0.5 text-[11px] {least < colouring.least ? 'font-semibold' : ''}"
                style="color: {on(hex)}"
                title={between
                  ? `least between ${between[0]} and ${between[1].startsWith('#') ? ground.name : between[1]}`
                  : ''}>{shown(least)}</span
              >
            </td>
          {/each}
          {#each [false, true] as isReversed (isReversed)}
            {@const ground = isReversed ? darkest(row.own) : '#FFFFFF'}
            {@const ink = isReversed ? lightest(row.own) : darkest(row.own)}
            {@const made = colouring.one?.[isReversed ? 'reversed' : 'plain']}
            <td class="relative border border-line p-0" style="background: {colouring.groundSeen(ground)}">
              <div class="h-[96px] px-2.5 pt-2 pb-5">
                {#if made}
                  <Mark
                    artwork={inked(made.artwork, colouring.groundSeen(ink))}
                    alt="{row.name} {isReversed ? 'reversed' : 'in one colour'}"
                  />
                {/if}
              </div>
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
  {#if colouring.one}
    {@const merged = [...colouring.one.plain.merged, ...colouring.one.reversed.merged]}
    <p class="mt-2 text-[12px] text-muted" role="status" data-merged={merged.length}>
      {merged.length
        ? `In one colour ${merged
            .slice(0, 3)
            .map((p) => p.join(' and '))
            .join(', ')} run into one another`
        : 'In one colour, and reversed, all inks that touch keep apart.'}
    </p>
  {/if}
</div>
