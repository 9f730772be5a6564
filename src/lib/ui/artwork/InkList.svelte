<script lang="ts">
  import { readHex } from '$core/colour';
  import { countPieces, seenInks, swatchOf, type Artwork, type Edit } from '$core/vector';
  import { notices } from '../notices.svelte';
  import Typed from '../slip/Typed.svelte';

  /** The inks of an artwork: change one and every piece with it changes. `ontry` hears a colour while it is being chosen. */
  interface Props {
    drawing: Artwork;
    marked: string | null;
    onmark: (inkId: string) => void;
    ontry: (edit: Edit | null) => void;
    onedit: (edit: Edit) => void;
  }
  const { drawing, marked, onmark, ontry, onedit }: Props = $props();

  const inks = $derived(seenInks(drawing));
  /** An ink that is about to be merged, and into which: chosen first, then done, so that looking through the list merges nothing. */
  let merging = $state<{ from: string; into: string } | null>(null);

  function typed(inkId: string, text: string, before: string): void {
    const hex = readHex(text);
    if (!hex) notices.tell(`"${text}" is not a hex colour such as #1D2E4E: the ink is as it was`, { id: 'hex' });
    else if (hex !== before) onedit({ kind: 'ink-colour', inkId, hex });
  }
</script>

<ul class="mb-4 flex flex-col gap-3" aria-label="Inks">
  {#each inks as ink (ink.id)}
    {@const pieces = countPieces(drawing, ink.id)}
    <li class="border-l-2 pl-2 {marked === ink.id ? 'border-active' : 'border-transparent'}" data-ink={ink.name}>
      <div class="flex items-center gap-2">
        <input
          type="color"
          class="h-7 w-8 shrink-0 cursor-pointer"
          value={ink.hex.toLowerCase()}
          aria-label="Colour of {ink.name}"
          oninput={(e) => ontry({ kind: 'ink-colour', inkId: ink.id, hex: e.currentTarget.value.toUpperCase() })}
          onchange={(e) => onedit({ kind: 'ink-colour', inkId: ink.id, hex: e.currentTarget.value.toUpperCase() })}
        />
        <Typed
          class="field min-w-0 flex-1"
          value={ink.name}
          maxlength={60}
          aria-label="Name of the ink {ink.hex}"
          ontyped={(text) => {
            const name = text.trim();
            if (name && name !== ink.name) onedit({ kind: 'ink-name', inkId: ink.id, name });
          }}
        />
        <Typed
          class="field w-[84px]"
          value={ink.hex}
          maxlength={7}
          aria-label="Hex of {ink.name}"
          ontyped={(text) => typed(ink.id, text, ink.hex)}
        />
      </div>
      {#if ink.gradient}
        <div class="mt-1.5" data-gradient>
          <div class="h-3 border border-line" style="background: {swatchOf(ink.gradient)}"></div>
          <div class="mt-1 flex flex-wrap items-center gap-1 text-[12px]">
            {#each ink.gradient.stops as stop, k (k)}
              {@const change = (e: { currentTarget: HTMLInputElement }): Edit => ({
                kind: 'gradient-stop',
                inkId: ink.id,
                stop: k,
                hex: e.currentTarget.value.toUpperCase(),
              })}
              <input
                type="color"
                class="h-6 w-6 shrink-0 cursor-pointer"
                value={stop.hex.toLowerCase()}
                title={stop.hex}
                aria-label="Stop {k + 1} of {ink.name}"
                oninput={(e) => ontry(change(e))}
                onchange={(e) => onedit(change(e))}
              />
            {/each}
            <span class="flex-1"></span>
            <button class="quiet" onclick={() => onedit({ kind: 'plain-ink', inkId: ink.id })}>Make it plain</button>
          </div>
        </div>
      {/if}
      <div class="mt-1 flex items-center gap-3 text-[12px]">
        <button class="quiet shrink-0" aria-pressed={marked === ink.id} onclick={() => onmark(ink.id)}
          >{pieces} {pieces === 1 ? 'piece' : 'pieces'}</button
        >
        {#if inks.length > 1}
          {@const into = merging?.from === ink.id ? merging.into : ''}
          <select
            class="min-h-6 max-w-40 min-w-0 bg-transparent text-muted"
            aria-label="Merge into another ink: {ink.name}"
            value={into}
            onchange={(e) => (merging = e.currentTarget.value ? { from: ink.id, into: e.currentTarget.value } : null)}
          >
            <option value="">Merge into …</option>
            {#each inks.filter((i) => i.id !== ink.id) as other (other.id)}<option value={other.id}
                >into {other.name} {other.hex}</option
              >{/each}
          </select>
          {#if into}
            <button
              class="quiet"
              onclick={() => {
                onedit({ kind: 'merge-inks', inkId: ink.id, intoInkId: into });
                merging = null;
              }}>Merge</button
            >
          {/if}
        {/if}
      </div>
    </li>
  {/each}
</ul>
