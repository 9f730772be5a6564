<script lang="ts" module>
  import { boxOf, formatPath, mapContour } from '$core/path';
  import { placedNodes, type ArtNode } from '$core/vector';

  interface Picture {
    readonly view: string;
    readonly paths: readonly { readonly d: string; readonly inkId: string | null; readonly rule?: 'evenodd' }[];
  }
  // Nodes are never changed, only replaced, so their pictures are made once.
  const pictures = new WeakMap<ArtNode, Picture>();

  /** The pieces of a node, drawn small. */
  function pictureOf(node: ArtNode): Picture {
    const known = pictures.get(node);
    if (known) return known;
    const own = [...placedNodes([node])].flatMap((p) =>
      p.node.kind === 'piece' ? [{ piece: p.node, contours: p.node.contours.map((c) => mapContour(p.map, c)) }] : [],
    );
    const box = boxOf(own.flatMap((o) => o.contours));
    const side = Math.max(box.width, box.height, 1e-6) * 1.1;
    const picture: Picture = {
      view: `${box.x + box.width / 2 - side / 2} ${box.y + box.height / 2 - side / 2} ${side} ${side}`,
      paths: own.map(({ piece, contours }) => ({
        d: formatPath(contours, 1),
        inkId: piece.inkId ?? piece.stroke?.inkId ?? null,
        rule: piece.rule,
      })),
    };
    pictures.set(node, picture);
    return picture;
  }
</script>

<script lang="ts">
  import { dndzone, type DndEvent } from 'svelte-dnd-action';
  import Typed from '../slip/Typed.svelte';
  import { nameOfNode, swatch } from './names';
  import type { Shaping } from './shaping.svelte';

  /** The nodes of an artwork from the top of the stack to its bottom, with pictures; dragged to be put elsewhere. */
  interface Props {
    shaping: Shaping;
  }
  const { shaping }: Props = $props();
  /** As it is kept: what is being dragged need not be drawn here as well. */
  const drawing = $derived(shaping.line.kept);
  /** More than this are not listed: a press on the sheet finds the others. */
  const MOST = 120;

  interface Row {
    readonly id: string;
    readonly node: ArtNode;
  }
  const rows = $derived<Row[]>([...drawing.nodes].reverse().map((node) => ({ id: node.id, node })));
  /** The order while one is being dragged. */
  let dragged = $state.raw<Row[] | null>(null);
  const list = $derived((dragged ?? rows).slice(0, MOST));

  /** The node whose name is being typed. */
  let naming = $state<string | null>(null);
  function name(id: string, text: string): void {
    naming = null;
    const typed = text.trim();
    shaping.edit([{ kind: 'node-name', nodeIds: [id], name: typed || null }]);
  }

  function settle(event: CustomEvent<DndEvent<Row>>): void {
    const order = event.detail.items;
    dragged = null;
    const { id } = event.detail.info;
    const from = rows.findIndex((r) => r.id === id);
    const to = order.findIndex((r) => r.id === id);
    if (to < 0 || to === from) return;
    // The list goes from the top down, the stack from the bottom up.
    shaping.edit([{ kind: 'move-nodes', nodeIds: [id], intoId: null, at: rows.length - 1 - to }]);
  }

  const hexOf = (inkId: string | null) => drawing.inks.find((i) => i.id === inkId)?.hex ?? 'none';
</script>

<section class="mb-4 border-t border-line pt-3" aria-label="Stack">
  <div class="mb-1 flex items-baseline justify-between">
    <h2 class="text-[14px]">Stack</h2>
    <span class="flex gap-2">
      <button class="quiet" disabled={!shaping.chosen.length} onclick={() => shaping.restack('forward')}>forward</button
      >
      <button class="quiet" disabled={!shaping.chosen.length} onclick={() => shaping.restack('back')}>back</button>
      <button class="quiet" disabled={shaping.chosen.length < 2} onclick={() => shaping.group()}>group</button>
      <button class="quiet" disabled={shaping.chosen.length !== 1} onclick={() => (naming = shaping.chosen[0])}
        >name</button
      >
    </span>
  </div>
  <ul
    class="flex flex-col"
    use:dndzone={{ items: list, flipDurationMs: 0, dropTargetStyle: {}, type: 'stack' }}
    onconsider={(e: CustomEvent<DndEvent<Row>>) => (dragged = e.detail.items)}
    onfinalize={settle}
    data-stack
  >
    {#each list as { id, node } (id)}
      {@const picture = pictureOf(node)}
      {@const isChosen = shaping.chosen.includes(id)}
      <li
        class="flex min-h-8 items-center gap-2 border-b border-line {isChosen ? 'bg-paper' : ''}"
        aria-label={nameOfNode(drawing, node)}
      >
        <svg class="h-6 w-6 shrink-0 border border-line {node.hidden ? 'opacity-30' : ''}" viewBox={picture.view}>
          {#each picture.paths as p, k (k)}<path d={p.d} fill={hexOf(p.inkId)} fill-rule={p.rule} />{/each}
        </svg>
        {#if naming === id}
          <Typed
            class="field min-w-0 flex-1"
            value={node.name ?? ''}
            placeholder={nameOfNode(drawing, node)}
            aria-label="Name of {nameOfNode(drawing, node)}"
            maxlength={120}
            autofocus
            onkeydown={(e: KeyboardEvent) => e.key === 'Enter' && (e.currentTarget as HTMLInputElement).blur()}
            onfocusout={() => (naming = null)}
            ontyped={(text) => name(id, text)}
          />
        {:else}
          <button
            class="min-w-0 flex-1 truncate text-left hover:underline {isChosen ? 'font-semibold' : ''}"
            aria-pressed={isChosen}
            title="Press twice to name it"
            onclick={(e) => (e.shiftKey ? shaping.toggle(id) : shaping.choose([id]))}
            ondblclick={() => (naming = id)}>{nameOfNode(drawing, node)}</button
          >
        {/if}
        {#if node.kind === 'piece'}
          <span class="h-3 w-3 shrink-0" style="background: {swatch(drawing, node.inkId ?? node.stroke?.inkId ?? null)}"
          ></span>
        {/if}
        <button
          class="quiet shrink-0"
          aria-pressed={node.hidden === true}
          onclick={() => shaping.edit([{ kind: 'node-hidden', nodeIds: [id], hidden: !node.hidden }])}
          >{node.hidden ? 'show' : 'hide'}</button
        >
        <button
          class="quiet shrink-0"
          aria-pressed={node.locked === true}
          onclick={() => shaping.edit([{ kind: 'node-locked', nodeIds: [id], locked: !node.locked }])}
          >{node.locked ? 'unlock' : 'lock'}</button
        >
      </li>
    {/each}
  </ul>
  {#if rows.length > MOST}
    <p class="mt-1 text-[12px] text-muted">
      {rows.length - MOST} more lie below; press them on the sheet to choose them.
    </p>
  {/if}
</section>
