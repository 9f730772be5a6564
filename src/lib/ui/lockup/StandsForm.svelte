<script lang="ts">
  import type { Follows, TextPart } from '$core/lockup';
  import Choice from '../slip/Choice.svelte';
  import Figure from '../slip/Figure.svelte';
  import type { Arranging } from './arranging.svelte';

  /** What a text stands on: a line, a circle, a frame's edge, an outline of the mark. */
  const { arranging, part }: { arranging: Arranging; part: TextPart } = $props();
  const follows = $derived(part.follows);
  const frames = $derived(arranging.lockup.parts.filter((p) => p.kind === 'frame' && !['rules', 'underline', 'banner', 'ribbon'].includes(p.shape))); // prettier-ignore
  const drawn = $derived(arranging.drawnPart(part.id));
  const kind = $derived(follows?.kind ?? 'line');

  function choose(to: string): void {
    if (to === 'line') {
      // It stays about where it is seen.
      const box = drawn?.body;
      arranging.set(part.id, {
        follows: null,
        ...(box ? { x: box.x + box.width / 2, y: box.y + box.height, align: 'centre' } : {}),
      });
    } else if (to === 'arc') {
      const width = drawn?.box.width ?? 400;
      const radiusPx = Math.max(width * 0.6, part.sizePx * 1.5);
      const body = drawn?.body;
      const y = body ? body.y + body.height + radiusPx : part.y + radiusPx;
      arranging.set(part.id, { follows: { kind: 'arc', radiusPx, side: 'above', even: 'middle' }, ...(body ? { x: body.x + body.width / 2, y } : {}), align: 'centre' }); // prettier-ignore
    } else if (to === 'path') {
      arranging.choose([part.id]);
      arranging.handling.picking = 'path';
    } else arranging.set(part.id, { follows: { kind: 'frame', frameId: to, side: 'above' } satisfies Follows });
  }
  const change = (fields: Record<string, unknown>): void =>
    arranging.set(part.id, { follows: { ...follows, ...fields } });
  const tried = (fields: Record<string, unknown>): void =>
    arranging.try(part.id, { follows: { ...follows, ...fields } });
  /** How far the text bends, from its first to its last letter, in degrees. */
  const bend = $derived.by(() => {
    if (follows?.kind !== 'arc') return 0;
    const letters = drawn?.text?.letters ?? [];
    return letters.length > 1 ? Math.abs(letters[letters.length - 1].turnDeg - letters[0].turnDeg) : 0;
  });
  const radiusFor = (deg: number): number =>
    follows?.kind === 'arc' ? Math.min(20_000, Math.max(1, (follows.radiusPx * bend) / deg)) : 1;
</script>

<label class="mb-3 flex items-center justify-between gap-2"
  >It stands on
  <select
    class="field w-40"
    value={follows?.kind === 'frame' ? follows.frameId : kind}
    onchange={(e) => choose(e.currentTarget.value)}
  >
    <option value="line">a line</option>
    <option value="arc">a circle</option>
    {#each frames as frame (frame.id)}<option value={frame.id}
        >{frame.kind === 'frame' ? frame.shape.replace('-', ' ') : ''} {frame.id}</option
      >{/each}
    {#if arranging.mark}<option value="path">an outline of the mark</option>{/if}
  </select></label
>
{#if arranging.handling.picking === 'path'}
  <p class="mb-2" role="status">Press the piece of the mark whose outline it is to follow.</p>
{/if}
{#if follows?.kind === 'arc'}
  <Figure
    label="Radius"
    bind:value={
      () => Math.round(follows.radiusPx),
      (v) => Math.abs(v - Math.round(follows.radiusPx)) > 0.4 && tried({ radiusPx: v })
    }
    min={10}
    max={3000}
    unit="px"
    onsettle={(v) => change({ radiusPx: v })}
  />
  {#if bend > 0}
    <!-- The same by how far the text goes round: its length stays what it is. -->
    <Figure
      label="Bent by"
      bind:value={
        () => Math.round(bend), (v) => Math.abs(v - Math.round(bend)) > 0.4 && tried({ radiusPx: radiusFor(v) })
      }
      min={5}
      max={340}
      unit="°"
      hint="from the first letter to the last"
      onsettle={(v) => Math.abs(v - bend) > 0.05 && change({ radiusPx: radiusFor(v) })}
    />
  {/if}
  <Figure
    label="Round the circle"
    bind:value={
      () => Math.round(follows.turnDeg ?? 0), (v) => v !== Math.round(follows.turnDeg ?? 0) && tried({ turnDeg: v })
    }
    min={-180}
    max={180}
    unit="°"
    onsettle={(v) => change({ turnDeg: v })}
  />
  <Choice
    label="Side"
    bind:value={() => follows.side, (v) => v !== follows.side && change({ side: v })}
    options={[
      { value: 'above', label: 'above' },
      { value: 'below', label: 'below' },
    ]}
  />
  <Choice
    label="Even at"
    bind:value={() => follows.even, (v) => v !== follows.even && change({ even: v })}
    options={[
      { value: 'baseline', label: 'foot' },
      { value: 'middle', label: 'middle' },
      { value: 'outside', label: 'top' },
    ]}
  />
{:else if follows?.kind === 'frame'}
  <Choice
    label="Edge"
    bind:value={() => follows.side, (v) => v !== follows.side && change({ side: v })}
    options={[
      { value: 'above', label: 'above' },
      { value: 'below', label: 'below' },
    ]}
  />
{:else if follows?.kind === 'path'}
  <Figure
    label="Along it"
    bind:value={() => Math.round(100 * follows.at), (v) => v !== Math.round(100 * follows.at) && tried({ at: v / 100 })}
    min={0}
    max={100}
    unit="%"
    onsettle={(v) => change({ at: v / 100 })}
  />
  <Figure
    label="Off it"
    bind:value={
      () => Math.round(follows.offPx ?? 0), (v) => v !== Math.round(follows.offPx ?? 0) && tried({ offPx: v })
    }
    min={-200}
    max={200}
    unit="px"
    onsettle={(v) => change({ offPx: v })}
  />
  <label class="mb-2 flex items-center gap-1.5"
    ><input
      type="checkbox"
      checked={follows.flipped === true}
      onchange={(e) => change({ flipped: e.currentTarget.checked || undefined })}
    /> on its other side</label
  >
{/if}
{#if kind !== 'line'}
  <Choice
    label="By its"
    bind:value={() => part.align, (v) => v !== part.align && arranging.set(part.id, { align: v })}
    options={[
      { value: 'left', label: 'start' },
      { value: 'centre', label: 'middle' },
      { value: 'right', label: 'end' },
    ]}
  />
{/if}
