<script lang="ts">
  import { untrack } from 'svelte';
  import type { NearlyLine } from '$core/vector';
  import type { Shaping } from './shaping.svelte';

  /** What the artwork nearly is: each line with its figure, shown on the sheet while it is pointed at, made exact at one press. */
  interface Props {
    shaping: Shaping;
  }
  const { shaping }: Props = $props();
  /** The line whose members are listed one by one. */
  let opened = $state<string | null>(null);
  const show = (line: NearlyLine | null) => (shaping.shown = line);

  let section = $state<HTMLElement>();
  /** How high the list is held while a form is open below it, in px: what is found then moves nothing that one is about to press. */
  let heldPx = $state<number | null>(null);
  $effect(() => {
    const isOpen = shaping.act !== null;
    untrack(() => (heldPx = isOpen ? (heldPx ?? section?.offsetHeight ?? null) : null));
  });
  /** How high all of it would be, in px: where that is more than is held, a line below shows that it goes on. */
  let wholePx = $state(0);
</script>

<section
  class="mb-4 {heldPx === null ? '' : 'overflow-y-auto'} {heldPx !== null && wholePx > heldPx
    ? 'border-b border-muted'
    : ''}"
  style:height={heldPx === null ? null : `${heldPx}px`}
  bind:this={section}
  aria-label="Nearly true"
  aria-busy={shaping.looking}
  data-nearly={shaping.looking ? 'looking' : 'ready'}
>
  <div bind:offsetHeight={wholePx}>
    <div class="mb-1 flex items-baseline justify-between gap-2">
      <h2 class="text-[14px]">Nearly true</h2>
      <span class="text-[12px] text-muted" role="status">{shaping.looking ? 'Looking at the shapes' : ''}</span>
    </div>
    {#if shaping.nearly.length}
      <ul class="flex flex-col">
        {#each shaping.nearly as line (line.key)}
          <li
            class="flex min-h-8 items-center gap-2 border-b border-line"
            onpointerenter={() => show(line)}
            onpointerleave={() => show(null)}
            data-line={line.key}
          >
            <span class="flex-1 py-1 leading-snug"
              >{line.told}
              {#if line.each}
                <button
                  class="quiet text-[12px]"
                  aria-expanded={opened === line.key}
                  onclick={() => (opened = opened === line.key ? null : line.key)}
                  >{opened === line.key ? 'together' : 'one by one'}</button
                >
              {/if}</span
            >
            <button
              class="quiet shrink-0 whitespace-nowrap text-text!"
              disabled={shaping.busy}
              onfocus={() => show(line)}
              onblur={() => show(null)}
              onclick={() => shaping.putRight(line)}
              aria-label="{line.act}: {line.told}">{line.act}</button
            >
          </li>
          {#if opened === line.key}
            {#each line.each ?? [] as one (one.key)}
              {@const alone = { ...one, act: line.act }}
              <li
                class="flex min-h-7 items-center gap-2 border-b border-line pl-3 text-[12px]"
                onpointerenter={() => show(alone)}
                onpointerleave={() => show(null)}
                data-one={one.key}
              >
                <span class="flex-1 leading-snug text-muted">{one.told}</span>
                <button
                  class="quiet shrink-0 whitespace-nowrap text-text!"
                  disabled={shaping.busy}
                  onfocus={() => show(alone)}
                  onblur={() => show(null)}
                  onclick={() => shaping.putRight(alone)}
                  aria-label="{line.act}: {one.told}">{line.act}</button
                >
              </li>
            {/each}
          {/if}
        {/each}
      </ul>
    {:else}
      <p class="text-muted {shaping.looking ? 'invisible' : ''}">Nothing is only nearly level, equal or symmetrical.</p>
    {/if}
  </div>
</section>
