<script lang="ts">
  import { letterPoints } from '$core/lockup';
  import { mapPoint } from '$core/path';
  import type { View } from '../sheet/view';
  import type { Arranging } from './arranging.svelte';

  /** Over the lockup: what is chosen, what it lies on, the gaps to its neighbours, and the clear space. Coordinates are those of the paper. */
  const { arranging, view }: { arranging: Arranging; view: View } = $props();
  const px = $derived(1 / view.zoom);
  const drawn = $derived(arranging.drawn);
  const paper = $derived(arranging.paper);
  const chosen = $derived(arranging.chosen.flatMap((id) => arranging.drawnPart(id) ?? []));
  const lines = $derived(arranging.handling.snapLines.length ? arranging.handling.snapLines : arranging.gaps);
  const canScale = $derived(arranging.part !== null && arranging.part.kind !== 'frame' && !arranging.kerning.ownLetter);
  /** The points of a letter that is changed by hand. */
  const points = $derived.by(() => {
    const letter = arranging.kerning.ownLetter;
    if (!letter) return [];
    return letterPoints(letter.outlines).map((p) => ({
      key: `${p.contour} ${p.segment} ${p.which}`,
      which: p.which,
      at: mapPoint(letter.map, p.at),
      of: p.of && mapPoint(letter.map, p.of),
    }));
  });
  const pair = $derived.by(() => {
    const letter = arranging.act === 'kern' ? arranging.kerning.letters[arranging.kerning.pair] : undefined;
    const part = letter && arranging.subject ? arranging.drawnPart(arranging.subject.id) : null;
    if (!letter || !part?.text) return null;
    const rad = (letter.turnDeg * Math.PI) / 180;
    const [c, s] = [Math.cos(rad), Math.sin(rad)];
    const at = [letter.origin[0] + letter.advance * c, letter.origin[1] + letter.advance * s];
    const up = part.text.capHeightPx;
    return {
      from: [at[0] - 0.25 * up * -s, at[1] + 0.25 * up * c],
      to: [at[0] + 1.25 * up * s, at[1] - 1.25 * up * c],
    };
  });
</script>

<svg class="pointer-events-none absolute inset-0 h-full w-full overflow-hidden" aria-hidden="true" data-lockup-layer>
  <g
    transform="translate({view.x - paper.x * view.zoom} {view.y - paper.y * view.zoom}) scale({view.zoom})"
    fill="none"
  >
    {#if drawn && arranging.showsClear}
      <rect
        x={drawn.origin[0]}
        y={drawn.origin[1]}
        width={drawn.artwork.widthPx}
        height={drawn.artwork.heightPx}
        stroke="#5b6b8c"
        stroke-width={px}
        stroke-dasharray="{3 * px} {4 * px}"
        data-clear-space
      />
    {/if}
    {#each chosen as { id, box, text } (id)}
      <rect
        x={box.x}
        y={box.y}
        width={box.width}
        height={box.height}
        stroke="#fff"
        stroke-width={3 * px}
        stroke-opacity="0.8"
      />
      <rect
        x={box.x}
        y={box.y}
        width={box.width}
        height={box.height}
        stroke="#1d2e4e"
        stroke-width={px}
        data-chosen-part={id}
      />
      {#each text?.baselines ?? [] as line, k (k)}
        <path d="M{box.x} {line.y}H{box.x + box.width}" stroke="#1d6f6a" stroke-width={px} />
        {#if k === 0 && text}
          <path d="M{box.x} {line.y - text.capHeightPx}H{box.x + box.width}" stroke="#1d6f6a" stroke-width={px} />
        {/if}
      {/each}
      {#if canScale}
        {#each [[box.x, box.y], [box.x + box.width, box.y], [box.x, box.y + box.height], [box.x + box.width, box.y + box.height]] as [x, y] (`${x} ${y}`)}
          <rect
            x={x - 4.5 * px}
            y={y - 4.5 * px}
            width={9 * px}
            height={9 * px}
            fill="#fff"
            stroke="#1d2e4e"
            stroke-width={1.25 * px}
          />
        {/each}
      {/if}
    {/each}
    {#each lines as { from, to }, k (k)}
      <path d="M{from[0]} {from[1]}L{to[0]} {to[1]}" stroke="#1d6f6a" stroke-width={1.5 * px} data-snap-line />
    {/each}
    {#each points as { at, of, which, key } (key)}
      {#if of}<path d="M{of[0]} {of[1]}L{at[0]} {at[1]}" stroke="#1d6f6a" stroke-width={px} />{/if}
      {#if which === 'to'}
        <rect
          x={at[0] - 4 * px}
          y={at[1] - 4 * px}
          width={8 * px}
          height={8 * px}
          fill="#fff"
          stroke="#1d2e4e"
          stroke-width={1.25 * px}
          data-letter-point={key}
        />
      {:else}
        <circle
          cx={at[0]}
          cy={at[1]}
          r={3.5 * px}
          fill="#1d6f6a"
          stroke="#fff"
          stroke-width={px}
          data-letter-point={key}
        />
      {/if}
    {/each}
    {#if pair}
      <path d="M{pair.from[0]} {pair.from[1]}L{pair.to[0]} {pair.to[1]}" stroke="#fff" stroke-width={4 * px} />
      <path
        d="M{pair.from[0]} {pair.from[1]}L{pair.to[0]} {pair.to[1]}"
        stroke="#a3211d"
        stroke-width={1.5 * px}
        data-pair
      />
    {/if}
  </g>
  {#each lines as { from, to, told, wordsAt }, k (k)}
    {@const isLevel = Math.abs(from[1] - to[1]) < 1e-6}
    {@const at = wordsAt ?? [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]}
    <text
      x={(at[0] - paper.x) * view.zoom + view.x + (wordsAt && isLevel ? 0 : 8)}
      y={(at[1] - paper.y) * view.zoom + view.y + (wordsAt ? (isLevel ? 18 : 4) : -5)}
      text-anchor={wordsAt && isLevel ? 'middle' : 'start'}
      font-size="12"
      fill="#14524e"
      stroke="#fff"
      stroke-width="3"
      paint-order="stroke"
      data-snap>{told}</text
    >
  {/each}
</svg>
