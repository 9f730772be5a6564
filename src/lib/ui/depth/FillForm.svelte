<script lang="ts">
  import { readHex } from '$core/colour';
  import { roomiestPlace, swatchOf, turnedRound, withoutStop, withStopAs } from '$core/vector';
  import { notices } from '../notices.svelte';
  import Choice from '../slip/Choice.svelte';
  import Typed from '../slip/Typed.svelte';
  import type { Deepening } from './deepening.svelte';

  /** The fill of what is chosen: plain, or a gradient with its stops. */
  const { deepening }: { deepening: Deepening } = $props();
  const gradient = $derived(deepening.gradient);
  const kind = $derived(gradient?.kind ?? 'plain');

  function percent(text: string): number | null {
    const value = Number(text.replace('%', '').trim());
    if (text.trim() !== '' && Number.isFinite(value)) return Math.max(0, Math.min(100, value)) / 100;
    notices.tell(`"${text}" is no share such as 40: it is as it was`, { id: 'share' });
    return null;
  }
  function coloured(k: number, text: string): void {
    const hex = readHex(text);
    if (hex) deepening.set(withStopAs(gradient!, k, { hex }));
    else notices.tell(`"${text}" is not a hex colour such as #1D2E4E: the stop is as it was`, { id: 'hex' });
  }
</script>

<Choice
  label="Fill"
  bind:value={() => kind, (to) => deepening.fill(to)}
  options={[
    { value: 'plain', label: 'plain' },
    { value: 'linear', label: 'straight', hint: 'One gradient over all that is chosen' },
    { value: 'radial', label: 'round', hint: 'From a middle outwards, over all that is chosen' },
  ]}
/>
{#if gradient}
  <div class="nothing mb-2 h-4 border border-line" data-gradient={gradient.kind}>
    <div class="h-full" style="background: {swatchOf(gradient)}"></div>
  </div>
  <ul class="mb-2 flex flex-col gap-1" aria-label="Stops">
    {#each gradient.stops as stop, k (k)}
      <li
        class="flex items-center gap-1.5 border-l-2 pl-1.5 {deepening.stop === k
          ? 'border-active'
          : 'border-transparent'}"
      >
        <input
          type="color"
          class="h-6 w-7 shrink-0 cursor-pointer"
          value={stop.hex.toLowerCase()}
          aria-label="Colour of stop {k + 1}"
          onfocus={() => (deepening.stop = k)}
          oninput={(e) => deepening.try(withStopAs(gradient, k, { hex: e.currentTarget.value.toUpperCase() }))}
          onchange={(e) => deepening.set(withStopAs(gradient, k, { hex: e.currentTarget.value.toUpperCase() }))}
        />
        <Typed
          class="field w-[80px]"
          value={stop.hex}
          maxlength={7}
          aria-label="Hex of stop {k + 1}"
          ontyped={(text) => coloured(k, text)}
        />
        <Typed
          class="field w-[52px] text-right"
          value={`${Math.round(stop.at * 1000) / 10}`}
          aria-label="Place of stop {k + 1}, in percent"
          title="Place, in percent of the way"
          ontyped={(text) => {
            const at = percent(text);
            if (at !== null) deepening.set(withStopAs(gradient, k, { at }));
          }}
        />
        <Typed
          class="field w-[46px] text-right"
          value={`${Math.round((stop.opacity ?? 1) * 100)}`}
          aria-label="Opacity of stop {k + 1}, in percent"
          title="Opacity, in percent"
          ontyped={(text) => {
            const opacity = percent(text);
            if (opacity !== null) deepening.set(withStopAs(gradient, k, { opacity }));
          }}
        />
        {#if gradient.stops.length > 2}
          <button
            class="quiet text-danger!"
            aria-label="Take out stop {k + 1}"
            title="Take it out"
            onclick={() => {
              deepening.stop = 0;
              deepening.set(withoutStop(gradient, k));
            }}>out</button
          >
        {/if}
      </li>
    {/each}
  </ul>
  <div class="mb-2 flex flex-wrap gap-3">
    <button class="quiet" onclick={() => deepening.addStop(roomiestPlace(gradient))}>add a stop</button>
    <button class="quiet" aria-pressed={deepening.picking} onclick={() => (deepening.picking = !deepening.picking)}
      >{deepening.picking ? 'press a place' : `pick stop ${deepening.stop + 1} from the sheet`}</button
    >
    <button class="quiet" onclick={() => deepening.set(turnedRound(gradient))}>turn round</button>
    <label class="flex items-center gap-1.5"
      ><input
        type="checkbox"
        checked={gradient.mixed === 'oklab'}
        onchange={(e) => {
          const { mixed: _mixed, ...rest } = gradient;
          deepening.set(e.currentTarget.checked ? { ...rest, mixed: 'oklab' } : rest);
        }}
      /> even to the eye</label
    >
  </div>
  <p class="mb-3 text-[12px] text-muted">Drag its ends and stops on the sheet; a press on its way adds a stop.</p>
{/if}
