<script lang="ts">
  import { EASE_NAMES, MOTION_KINDS, MOTION_WORDS, motionAsk, type MotionKind } from '$core/motion';
  import { motionWanted, type MotionWish } from '$core/package';
  import Figure from '$lib/ui/slip/Figure.svelte';
  import type { Delivering } from './delivering.svelte';

  /** Which movements there are, how long, how even and in which order; seen on the sheet at once. */
  const { delivering, workId }: { delivering: Delivering; workId: string } = $props();
  const sets = $derived(delivering.plan.sets);
  let opened: MotionKind | null = $state(null);
  let asked: MotionWish = $state({});

  const line = $derived(
    delivering.wantedLines.find((l) => delivering.wants(l.key, 'motion')) ??
      delivering.lines.find((l) => l.work.workId === workId)!,
  );

  function see(kind: MotionKind): void {
    const { seconds, ease, loop, order } = { ...motionWanted(sets, kind), ...asked };
    const query = `kind=${kind}&look=${encodeURIComponent(line.look.key)}&seconds=${seconds}&ease=${ease}&loop=${loop}&order=${order}`; // prettier-ignore
    delivering.looked = { line, check: null, motion: `/api/works/${line.work.workId}/motion.svg?${query}` };
  }

  function open(kind: MotionKind): void {
    opened = opened === kind ? null : kind;
    asked = {};
    if (opened) see(kind);
  }

  function take(kind: MotionKind, wish: MotionWish): void {
    asked = { ...asked, ...wish };
    see(kind);
    const wishes = { ...sets.motion.wishes, [kind]: { ...sets.motion.wishes[kind], ...asked } };
    void delivering.change({ ...delivering.sets, motion: { ...sets.motion, wishes } });
  }

  function want(kind: MotionKind, on: boolean): void {
    const kinds = MOTION_KINDS.filter((k) => (k === kind ? on : sets.motion.kinds.includes(k)));
    void delivering.change({ ...delivering.sets, motion: { ...sets.motion, kinds } });
  }
</script>

<h3 class="mt-3 mb-1 text-[13px]">Movements</h3>
<ul class="mb-2">
  {#each line.work.motions as kind (kind)}
    {@const ask = { ...motionWanted(sets, kind), ...(opened === kind ? asked : {}) }}
    <li class="border-b border-line">
      <div class="flex min-h-8 items-center gap-2">
        <label class="flex min-w-0 flex-1 items-center gap-2"
          ><input
            type="checkbox"
            checked={sets.motion.kinds.includes(kind)}
            onchange={(e) => want(kind, e.currentTarget.checked)}
          />
          {MOTION_WORDS[kind]}</label
        >
        <button class="quiet" aria-expanded={opened === kind} onclick={() => open(kind)}>see</button>
      </div>
      {#if opened === kind}
        <div class="pb-2">
          <Figure
            label="Length"
            value={ask.seconds}
            min={0.4}
            max={8}
            step={0.1}
            unit="s"
            onsettle={(seconds) => take(kind, { seconds })}
          />
          <label class="mb-2 flex items-center justify-between gap-2"
            >Pace
            <select
              class="field"
              value={ask.ease}
              onchange={(e) => take(kind, { ease: e.currentTarget.value as never })}
            >
              {#each EASE_NAMES as name (name)}<option value={name}>{name}</option>{/each}
            </select></label
          >
          {#if kind === 'drawn' || kind === 'assembled'}
            <label class="mb-2 flex items-center justify-between gap-2"
              >Order
              <select
                class="field"
                value={ask.order}
                onchange={(e) => take(kind, { order: e.currentTarget.value as never })}
              >
                <option value="distance">from the middle</option>
                <option value="stacking">from the lowest</option>
              </select></label
            >
          {/if}
          <label class="flex items-center gap-2"
            ><input
              type="checkbox"
              checked={ask.loop}
              onchange={(e) => take(kind, { loop: e.currentTarget.checked })}
            /> again and again</label
          >
          {#if JSON.stringify(ask) !== JSON.stringify(motionAsk(kind))}<button
              class="quiet"
              onclick={() => take(kind, motionAsk(kind))}>as it is best begun</button
            >{/if}
        </div>
      {/if}
    </li>
  {/each}
</ul>
