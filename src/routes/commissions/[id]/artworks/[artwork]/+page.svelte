<script lang="ts">
  import { goto } from '$app/navigation';
  import { allPieces, pieceAt, swatchOf } from '$core/vector';
  import GroundPicker from '$lib/ui/artwork/GroundPicker.svelte';
  import { OnGround } from '$lib/ui/artwork/ground.svelte';
  import InkList from '$lib/ui/artwork/InkList.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import ArtworkLayer from '$lib/ui/sheet/ArtworkLayer.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import { copyWork } from '$lib/ui/work/copy';
  import { heard } from '$lib/ui/work/heard.svelte';
  import { lineOf } from '$lib/ui/work/line.svelte';
  import { placeOf } from '$lib/ui/work/places';

  const { data } = $props();

  const work = heard(() => data.artwork, lineOf);
  const line = $derived(work.line);
  const current = $derived(line.state);
  const drawing = $derived(line.drawing);
  const pieces = $derived(allPieces(drawing));

  let pieceId = $state<string | null>(null);
  let inkId = $state<string | null>(null);
  let points = $state(false);
  const piece = $derived(pieces.find((p) => p.id === pieceId) ?? null);
  const pieceInk = $derived(
    piece ? (drawing.inks.find((i) => i.id === (piece.inkId ?? piece.stroke?.inkId)) ?? null) : null,
  );

  const onGround = new OnGround(
    () => data.commission.grounds,
    () => current,
  );

  const removePiece = () => {
    if (!piece) return;
    line.edit({ kind: 'remove-nodes', nodeIds: [piece.id] });
    pieceId = null;
  };

  function pick(point: [number, number]): void {
    pieceId = pieceAt(drawing, point)?.id ?? null;
    inkId = null;
  }

  /** Marks the piece after the marked one, or before it, from the top of the stack down. */
  function markNext(by: number): void {
    if (!pieces.length) return;
    const at = pieces.findIndex((p) => p.id === pieceId);
    const from = at < 0 ? (by > 0 ? pieces.length : -1) : at;
    pieceId = pieces[(from - by + pieces.length) % pieces.length].id;
    inkId = null;
  }

  async function deliver(): Promise<void> {
    await line.settled();
    await goto(`${placeOf(data.commission.id, current)}/deliver`);
  }
  const copy = () => copyWork(line, data.commission.id);

  $effect(() =>
    keys.add([
      { press: 'g', label: 'Next ground', run: () => onGround.shift(1) },
      { press: 'Shift+g', label: 'Ground before', run: () => onGround.shift(-1) },
      { press: 'p', label: 'Points on or off', run: () => (points = !points) },
      { press: 'n', label: 'Mark the next piece', run: () => markNext(1) },
      { press: 'Shift+n', label: 'Mark the piece before', run: () => markNext(-1) },
      { press: 'Delete', label: 'Remove the marked piece', run: removePiece },
      { press: 'Escape', label: 'Mark nothing', run: () => (pieceId = inkId = null) },
      { press: 'e', label: 'Edit its shapes', run: () => void goto(`${placeOf(data.commission.id, current)}/shapes`) },
      { press: 'Mod+Enter', label: 'On to the delivery', run: () => void deliver() },
    ]),
  );
</script>

<Frame slipTitle="Inks">
  {#snippet sheet()}
    <Sheet
      width={drawing.widthPx}
      height={drawing.heightPx}
      label="Artwork {current.name}; a click marks a piece"
      ground={onGround.hex}
      onpick={pick}
    >
      {#snippet layers(view)}
        <ArtworkLayer artwork={drawing} {view} {points} markedPiece={pieceId} markedInk={inkId} />
      {/snippet}
      {#snippet foot()}
        <label class="flex items-center gap-1.5"><input type="checkbox" bind:checked={points} /> Points</label>
        <span class="flex-1"></span>
        <GroundPicker grounds={onGround.grounds} bind:at={onGround.at} />
      {/snippet}
    </Sheet>
  {/snippet}
  {#snippet slip()}
    <p class="mb-3 flex gap-3">
      <a class="quiet" href="{placeOf(data.commission.id, current)}/shapes">Edit its shapes</a>
      <a class="quiet" href="{placeOf(data.commission.id, current)}/depth">Its depth</a>
      <a class="quiet" href="{placeOf(data.commission.id, current)}/colourways">Its colourways</a>
    </p>
    <InkList
      {drawing}
      marked={inkId ?? piece?.inkId ?? null}
      onmark={(id) => {
        inkId = inkId === id ? null : id;
        pieceId = null;
      }}
      ontry={(change) => (line.tried = change)}
      onedit={(change) => line.edit(change)}
    />
    <section class="mb-4 border-t border-line pt-3" aria-label="Marked piece">
      <h2 class="mb-1.5 text-[14px]">Piece</h2>
      {#if piece && pieceInk}
        <p class="mb-2 flex items-center gap-2" data-piece-ink={pieceInk.name} role="status">
          <span
            class="h-[18px] w-[18px] border border-line"
            style="background: {pieceInk.gradient ? swatchOf(pieceInk.gradient) : pieceInk.hex}"
          ></span>
          {pieceInk.name}
          {pieceInk.hex}
        </p>
        <div class="flex flex-wrap items-center gap-2">
          <button class="button text-danger!" onclick={removePiece}>Remove the piece</button>
          {#if drawing.inks.length > 1}
            <label class="sr-only" for="piece-ink">Ink of the piece</label>
            <select
              id="piece-ink"
              class="field max-w-36"
              value={piece.inkId}
              onchange={(e) => line.edit({ kind: 'piece-ink', nodeIds: [piece.id], inkId: e.currentTarget.value })}
            >
              {#each drawing.inks as ink (ink.id)}<option value={ink.id}>{ink.name}</option>{/each}
            </select>
          {/if}
        </div>
      {:else}
        <p class="text-muted">
          Click a piece on the sheet, or press N, to see its ink, change it, or remove the piece.
        </p>
      {/if}
    </section>
    <section class="border-t border-line pt-3" aria-label="History">
      <div class="mb-1.5 flex items-baseline justify-between">
        <h2 class="text-[14px]">
          Version {current.version}
          {#if line.isWaiting}<span class="ml-1 font-normal text-muted" role="status" data-waiting>not yet kept</span
            >{/if}
        </h2>
      </div>
      <ol class="flex flex-col" data-steps>
        {#each current.steps as step (step.id)}
          <li>
            <button
              class="flex min-h-6 w-full items-center gap-2 text-left hover:underline {step.id === current.head
                ? 'font-semibold'
                : 'text-muted'}"
              aria-current={step.id === current.head ? 'step' : undefined}
              title="Return to this version"
              onclick={() => step.id !== current.head && line.returnTo(step.id)}
            >
              <span class="w-7 shrink-0">v{step.number}</span><span class="truncate">{step.told}</span>
            </button>
          </li>
        {/each}
      </ol>
      <button class="quiet mt-2" onclick={copy} title="With a history of its own; this one stays as it is"
        >Copy as another artwork</button
      >
    </section>
  {/snippet}
  {#snippet next()}
    <button class="next-step" onclick={deliver}>Deliver version {current.version}</button>
  {/snippet}
  {#snippet proofs()}
    <Proofs
      source={pieces.length ? { kind: 'artwork', artwork: drawing } : null}
      grounds={data.commission.grounds}
      of="the artwork"
    />
  {/snippet}
</Frame>
