<script lang="ts">
  import { clearestGround } from '$core/judge';
  import { FOR_WORDS, FORS } from '$core/package';
  import type { GroundColour } from '$lib/contract/answers';
  import type { Delivering, Line } from './delivering.svelte';

  /** What is wanted: works in their looks by what they are for. */
  const { delivering, grounds }: { delivering: Delivering; grounds: readonly GroundColour[] } = $props();
  const purposes = FORS.filter((f) => f !== 'sheet');
  /** Works that have nothing to do with this one are there when they are asked for, or wanted. */
  let isAllShown = $state(false);
  const lines = $derived(
    delivering.lines.filter(
      (l) =>
        isAllShown ||
        l.work.isRelated ||
        delivering.lines.some((o) => o.work === l.work && delivering.ticks[o.key]?.length),
    ),
  );
  const others = $derived(new Set(delivering.lines.filter((l) => !lines.includes(l)).map((l) => l.work)).size);
  const keys = $derived(lines.map((l) => l.key));

  /** A ground that each look is seen on. */
  function groundOf({ key, look }: Line): string {
    if (look.kind === 'reversed') return '#111111';
    const inks = delivering.facts[key]?.inks.map((i) => i.hex) ?? [];
    const all = ['#FFFFFF', ...grounds.map((g) => g.hex)];
    return inks.length ? all[Math.max(0, clearestGround(all, inks))] : '#FFFFFF';
  }
  /** What is in one colour takes a while to be made: it is shown when it was looked at. */
  function pictureOf({ key, work, look }: Line): string | null {
    const at = `/api/works/${work.workId}/drawing.svg?step=${work.stepId}`;
    if (look.kind === 'own' || look.kind === 'colourway') return `${at}&colourway=${encodeURIComponent(look.key)}`;
    return delivering.facts[key] ? `${at}&look=${encodeURIComponent(look.key)}` : null;
  }
  const isAll = (purpose: (typeof FORS)[number]) => keys.every((k) => delivering.wants(k, purpose));
</script>

<table class="w-full table-fixed border-collapse bg-panel" data-wanted={delivering.unlooked ? 'looking' : 'ready'}>
  <thead>
    <tr>
      <th class="w-[210px] border border-line p-2 text-left text-[12px] font-normal text-muted" scope="col"
        >What the client gets</th
      >
      {#each purposes as purpose (purpose)}
        <th class="border border-line p-0 text-[12px] font-normal" scope="col">
          <button
            class="min-h-11 w-full px-1 leading-tight text-muted hover:underline {delivering.opened === purpose
              ? 'font-semibold text-text!'
              : ''}"
            aria-expanded={delivering.opened === purpose}
            title="Open this set: its files, their sizes"
            onclick={() => (delivering.opened = delivering.opened === purpose ? null : purpose)}
            >{FOR_WORDS[purpose]}</button
          >
        </th>
      {/each}
    </tr>
  </thead>
  <tbody>
    {#each lines as line, k (line.key)}
      {@const isFirst = k === 0 || lines[k - 1].work !== line.work}
      <tr data-line="{line.work.name}, {line.look.name}" class={isFirst && k ? 'border-t-2 border-t-muted' : ''}>
        <th class="border border-line p-0 text-left font-normal" scope="row">
          <button
            class="flex w-full items-center gap-2 p-1 text-left hover:underline"
            title="See it"
            onclick={() => (delivering.looked = { line, check: null })}
          >
            <span class="flex h-8 w-11 shrink-0 items-center justify-center p-0.5" style="background: {groundOf(line)}">
              {#if pictureOf(line)}<img
                  src={pictureOf(line)}
                  alt=""
                  loading="lazy"
                  class="max-h-full max-w-full"
                />{:else}<span class="bg-panel px-1 text-[11px] text-muted" title="This look is being made">…</span
                >{/if}
            </span>
            <span class="min-w-0 flex-1 leading-tight"
              ><span class="block truncate" title={line.work.name}>{line.work.name}</span><span
                class="block truncate text-[12px] text-muted">{line.look.name}</span
              ></span
            >
          </button>
        </th>
        {#each purposes as purpose (purpose)}
          {@const isOn = delivering.wants(line.key, purpose)}
          <td class="border border-line p-0">
            <button
              class="h-10 w-full text-center hover:bg-line/40"
              role="checkbox"
              aria-checked={isOn}
              aria-label="{line.work.name}, {line.look.name}: {FOR_WORDS[purpose]}"
              onclick={() => delivering.tick([line.key], [purpose], !isOn)}
              >{#if isOn}<svg viewBox="0 0 12 12" class="mx-auto size-3.5" aria-hidden="true"
                  ><path d="M1.5 6.5 4.6 9.8 10.5 2.2" fill="none" stroke="currentColor" stroke-width="1.6" /></svg
                >{:else}<span class="text-muted" aria-hidden="true">·</span>{/if}</button
            >
          </td>
        {/each}
      </tr>
    {/each}
  </tbody>
  <tfoot>
    <tr>
      <th class="border border-line p-2 text-left text-[12px] font-normal text-muted" scope="row">all of them</th>
      {#each purposes as purpose (purpose)}
        <td class="border border-line p-0">
          <button
            class="min-h-8 w-full text-[12px] text-muted hover:underline"
            aria-label="{isAll(purpose) ? 'Nothing' : 'All'} for {FOR_WORDS[purpose]}"
            onclick={() => delivering.tick(keys, [purpose], !isAll(purpose))}>{isAll(purpose) ? 'none' : 'all'}</button
          >
        </td>
      {/each}
    </tr>
  </tfoot>
</table>
{#if others}
  <p class="mt-2">
    <button class="quiet" onclick={() => (isAllShown = true)}
      >{others === 1 ? 'one more work' : `${others} more works`} of this commission</button
    >
  </p>
{/if}
