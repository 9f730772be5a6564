<script lang="ts">
  import { inGamut, hexToCmyk, hexToOklch, hexToRgb, nameColour, oklchToHex, readHex, TUNINGS } from '$core/colour';
  import { MASTER } from '$core/vector';
  import Figure from '../slip/Figure.svelte';
  import Typed from '../slip/Typed.svelte';
  import { notices } from '../notices.svelte';
  import type { Colouring } from './colouring.svelte';

  /** The inks of the colourway that is chosen: locked, typed, tuned. */
  const { colouring }: { colouring: Colouring } = $props();
  const inks = $derived(colouring.inks.map((ink) => ({ ...ink, own: colouring.hexes[ink.k] })));
  const ink = $derived(inks.find((i) => i.id === colouring.inkId) ?? null);
  const lch = $derived(ink ? hexToOklch(ink.own) : null);
  /** Hue of a grey, which has none of its own: the one last set. */
  let lastHue = $state(0);
  const CHROMA_STEP = 0.005;
  /** What the sliders show: a slider tells its value rounded to its steps as soon as it is there, and that is no change. */
  const light = $derived(lch ? Math.round(100 * lch.L) : 0);
  const chroma = $derived(lch ? Math.round(Math.round(lch.C / CHROMA_STEP) * CHROMA_STEP * 1000) / 1000 : 0);
  /** As much chroma as sRGB has there; more is asked for in vain, which is said. */
  const most = $derived(lch ? inGamut({ L: lch.L, C: 0.4, hDeg: lch.C > 0.004 ? lch.hDeg : lastHue }).C : 0);
  const isHeld = $derived(most - (lch?.C ?? 0) < CHROMA_STEP / 2);
  const hue = $derived(lch && lch.C > 0.004 ? Math.round(lch.hDeg) % 360 : lastHue);

  function typed(inkId: string, text: string): void {
    const hex = readHex(text);
    if (hex) colouring.set([[inkId, hex]]);
    else notices.tell(`"${text}" is not a hex colour such as #1D2E4E: the ink is as it was`, { id: 'hex' });
  }
  function tune(change: { L?: number; C?: number; hDeg?: number }, how: 'try' | 'set'): void {
    if (!ink || !lch) return;
    colouring[how]([[ink.id, oklchToHex({ L: lch.L, C: lch.C, hDeg: hue, ...change })]]);
  }
</script>

<section class="mb-3" aria-label="The chosen colourway" data-chosen-colourway={colouring.chosen}>
  <div class="mb-2 flex items-center gap-2">
    <Typed
      class="field min-w-0 flex-1"
      value={colouring.row.name}
      maxlength={60}
      aria-label="Name of the colourway"
      ontyped={(text) => colouring.rename(text)}
    />
    <button class="quiet" onclick={() => colouring.copy()}>copy</button>
    {#if colouring.chosen !== MASTER}
      <button class="quiet" onclick={() => colouring.makeMaster()}>make master</button>
      <button class="quiet text-danger!" onclick={() => colouring.remove()}>remove</button>
    {/if}
  </div>
  <ul class="flex max-h-[170px] flex-col gap-1 overflow-y-auto" aria-label="Inks">
    {#each inks as i (i.id)}
      {@const isLocked = colouring.locked.includes(i.id)}
      <li class="flex items-center gap-2" data-ink={i.name}>
        <button
          class="h-6 w-6 shrink-0 border {colouring.inkId === i.id
            ? 'border-active outline-2 outline-active'
            : 'border-line'}"
          style="background: {i.own}"
          aria-label="Tune {i.name}"
          aria-pressed={colouring.inkId === i.id}
          onclick={() => (colouring.inkId = colouring.inkId === i.id ? '' : i.id)}
        ></button>
        <span class="min-w-0 flex-1 truncate">{i.name}</span>
        <button class="quiet" aria-pressed={isLocked} onclick={() => colouring.toggleLock(i.id)}
          >{isLocked ? 'locked' : 'lock'}</button
        >
        <Typed
          class="field w-[84px]"
          value={i.own}
          maxlength={7}
          aria-label="Hex of {i.name}"
          ontyped={(text) => typed(i.id, text)}
        />
      </li>
    {/each}
  </ul>
</section>
{#if ink && lch}
  <section class="mb-2 border border-line bg-paper px-3 pt-3" aria-label="Tune {ink.name}" data-tune>
    <Figure
      label="Lightness"
      bind:value={() => light, (v) => v !== light && tune({ L: v / 100 }, 'try')}
      min={0}
      max={100}
      unit="%"
      onsettle={(v) => tune({ L: v / 100 }, 'set')}
    />
    <Figure
      label="Chroma"
      bind:value={() => chroma, (v) => Math.abs(v - chroma) > 1e-6 && tune({ C: v }, 'try')}
      min={0}
      max={0.37}
      step={CHROMA_STEP}
      hint="sRGB has up to {most.toFixed(3)} at this lightness and hue{isHeld ? ': it is held there' : ''}"
      onsettle={(v) => tune({ C: v }, 'set')}
    />
    <Figure
      label="Hue"
      bind:value={
        () => hue,
        (v) => {
          if (v === hue) return;
          lastHue = v;
          tune({ hDeg: v }, 'try');
        }
      }
      min={0}
      max={359}
      unit="°"
      onsettle={(v) => tune({ hDeg: v }, 'set')}
    />
    <p class="mb-1">
      <button class="quiet" aria-pressed={colouring.picking} onclick={() => (colouring.picking = !colouring.picking)}
        >{colouring.picking ? 'press a place on the table' : 'pick from the table'}</button
      >
    </p>
    <p class="mb-2 text-[12px] text-muted">
      near {nameColour(ink.own)} · RGB {hexToRgb(ink.own).join(' ')} · CMYK about {hexToCmyk(ink.own).join(' ')}
    </p>
  </section>
{/if}
<div
  class="mb-3 grid grid-cols-3 gap-1.5 text-[12px]"
  role="group"
  aria-label="{ink ? ink.name : 'All inks'} a step on"
>
  {#each TUNINGS as how (how)}<button class="button px-1!" onclick={() => colouring.step(how)}>{how}</button>{/each}
</div>
{#if colouring.one}
  <details class="mb-3">
    <summary class="cursor-pointer">One colour and reversed</summary>
    <table class="mt-1 w-full text-[12px]" data-one-colour>
      <tbody>
        {#each inks as i (i.id)}
          <tr class="border-b border-line">
            <th class="py-1 text-left font-normal" scope="row">{i.name}</th>
            {#each ['plain', 'reversed'] as const as on (on)}
              {@const now = colouring.stateOf(i.id, on)}
              <td class="py-1 text-right">
                <button
                  class="quiet {now?.isByHand ? 'font-semibold text-text!' : ''}"
                  aria-pressed={now?.state === 'filled'}
                  aria-label="{i.name} {on === 'plain' ? 'in one colour' : 'reversed'}: {now?.state === 'filled'
                    ? 'filled'
                    : 'left out'}{now?.isByHand ? ', by hand' : ''}"
                  title={now?.isByHand
                    ? 'Decided by hand; press to leave it to what touches what'
                    : 'Press for the other'}
                  onclick={() => colouring.turnState(i.id, on)}
                  >{now?.state === 'filled' ? 'filled' : 'left out'}</button
                >
              </td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </details>
{/if}
