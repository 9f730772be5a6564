<script lang="ts">
  import type { Thread, ThreadBranch, ThreadWork } from '$lib/contract/answers';
  import { placeOf } from '../work/places';
  import Knot from './Knot.svelte';

  /** The line of descent of a commission's concepts: small linked pictures, oldest on top; it forks where a concept did. */
  interface Props {
    thread: Thread;
    commissionId: string;
    /** The address of the page, to mark where one is. */
    path: string;
  }
  const { thread, commissionId, path }: Props = $props();

  const base = $derived(`/commissions/${commissionId}`);
  const drawing = (w: ThreadWork) =>
    `/api/works/${w.id}/${w.kind === 'retouched' ? 'picture.png' : 'drawing.svg'}?step=${w.head}`;
  const picture = (id: string) => `/api/pictures/${id}`;
  const candidateOf = (b: ThreadBranch) => (b.candidate ? `${base}/candidates/${b.candidate.id}` : null);
  const workOf = (w: ThreadWork) => placeOf(commissionId, w);

  const all = (works: readonly ThreadWork[]): ThreadWork[] => works.flatMap((w) => [w, ...all(w.works)]);
  /** The works from a branch's root down to the one that the page is at, or else to the first end. */
  function lineTo(works: readonly ThreadWork[], at: ThreadWork | undefined): ThreadWork[] {
    const next = works.find((w) => at && all([w]).includes(at)) ?? works[0];
    return next ? [next, ...(next === at && !next.works.length ? [] : lineTo(next.works, at))] : [];
  }
  const isAt = (w: ThreadWork) => path.startsWith(workOf(w));
  const holds = (b: ThreadBranch) =>
    (candidateOf(b) !== null && path.startsWith(candidateOf(b)!)) || all(b.works).some(isAt);

  const active = $derived(thread.branches.find(holds));
  const line = $derived(active ? lineTo(active.works, all(active.works).find(isAt)) : []);
  /** What the line passes by: works of the same branch, and the other branches as far down as they reach. */
  const others = $derived([
    ...(active
      ? all(active.works)
          .filter((w) => !line.includes(w))
          .map(knotOfWork)
      : []),
    ...thread.branches.filter((b) => b !== active).map(knotOfBranch),
  ]);
  /** The stations of a work that is at the end of the line, or that one is at. */
  function stationsOf(work: ThreadWork, k: number): readonly string[] {
    if (work.kind === 'lockup') return isAt(work) ? ['colourways'] : [];
    return work.kind === 'artwork' && (k + 1 === line.length || isAt(work)) ? ['shapes', 'depth', 'colourways'] : [];
  }
  interface End {
    id: string;
    href: string;
    label: string;
    longLabel: string;
    picture: string;
  }
  function knotOfWork(w: ThreadWork): End {
    return { id: w.id, href: workOf(w), label: w.name, longLabel: `${w.name} · v${w.version}`, picture: drawing(w) };
  }
  function knotOfBranch(b: ThreadBranch): End {
    const [work] = b.works;
    if (!b.candidate) return knotOfWork(work);
    const { id, label } = b.candidate;
    return {
      id,
      href: work ? workOf(work) : candidateOf(b)!,
      label,
      longLabel: work ? `${label} · v${work.version}` : label,
      picture: work ? drawing(work) : picture(b.candidate.pictureId),
    };
  }
</script>

<nav
  class="relative flex min-h-0 flex-col items-center overflow-y-auto border-r border-line bg-panel pt-4 pb-3"
  aria-label="Thread"
>
  <div class="flex shrink-0 gap-1">
    <Knot href="{base}/brief" label="brief" current={path === `${base}/brief`} medium />
    <Knot
      href="{base}/words"
      label="words"
      title="Words: prompts, names, patterns, cost"
      current={path === `${base}/words`}
      medium
    />
  </div>
  <div class="h-4 w-px shrink-0 bg-muted"></div>
  <Knot
    href={base}
    label={thread.rounds ? `rounds · ${thread.rounds}` : 'rounds'}
    picture={thread.latestPictureId ? picture(thread.latestPictureId) : undefined}
    current={path === base}
  />

  {#if active}
    {@const forked = others.length > 0}
    <svg class="h-5 w-[104px] shrink-0" aria-hidden="true">
      <path d={forked ? 'M52 0C52 12 34 8 34 20' : 'M52 0V20'} fill="none" stroke="var(--muted)" />
      {#if forked}<path d="M52 0C52 12 84 8 84 20" fill="none" stroke="var(--muted)" />{/if}
    </svg>
    <div class="flex w-full shrink-0 {forked ? '' : 'justify-center'}">
      <div class="flex w-[68px] flex-col items-center">
        {#if active.candidate}
          {@const href = candidateOf(active)!}
          <Knot
            {href}
            label={active.candidate.label}
            picture={picture(active.candidate.pictureId)}
            current={path === href}
          />
          {#if line[0]?.kind !== 'retouched' && !line[0]?.isDrawn}{@render traced(href, line[0])}{/if}
        {/if}
        {#each line as work, k (work.id)}
          {#if k > 0 || active.candidate}<div class="h-3.5 w-px bg-muted"></div>{/if}
          {#each stationsOf(work, k) as station (station)}
            <Knot
              href="{workOf(work)}/{station}"
              label={station}
              picture={drawing(work)}
              current={path === `${workOf(work)}/${station}`}
            />
            <div class="h-3.5 w-px bg-muted"></div>
          {/each}
          <Knot
            href={workOf(work)}
            label={work.kind === 'retouched'
              ? 'retouched'
              : work.kind === 'lockup'
                ? `${work.name.replace(/^lockup, /, '')} · v${work.version}`
                : k > 0 && line[k - 1].kind === work.kind
                  ? `copy · v${work.version}`
                  : `inks · v${work.version}`}
            title="{work.name} · v{work.version}"
            picture={drawing(work)}
            current={path === workOf(work)}
          />
          {#if work.kind === 'retouched'}{#if line[k + 1]?.kind !== 'retouched' && !line[k + 1]?.isDrawn}{@render traced(
                workOf(work),
                line[k + 1],
              )}{/if}{:else}
            {#if work.kind === 'artwork' && (k + 1 === line.length || path.startsWith(workOf(work)))}
              <div class="h-3.5 w-px bg-muted"></div>
              <Knot
                href="{workOf(work)}/lettering"
                label="lettering"
                waiting
                current={path === `${workOf(work)}/lettering`}
              />
            {/if}
            {#if k + 1 === line.length || path.startsWith(`${workOf(work)}/`)}
              <div class="h-3.5 w-px bg-muted"></div>
              <Knot
                href="{workOf(work)}/deliver"
                label={work.deliveries ? 'delivered' : 'deliver'}
                picture={work.deliveries ? drawing(work) : undefined}
                waiting={!work.deliveries}
                current={path === `${workOf(work)}/deliver`}
              />
            {/if}{/if}
        {/each}
      </div>
      {#if forked}
        <div class="flex w-[34px] flex-col items-center gap-2">
          {#each others as end (end.id)}
            <Knot small href={end.href} label={end.label} picture={end.picture} current={false} />
          {/each}
        </div>
      {/if}
    </div>
  {:else if others.length}
    <svg class="h-6 w-[104px] shrink-0" aria-hidden="true">
      {#if others.length === 1}
        <path d="M52 0V24" stroke="var(--muted)" />
      {:else}
        <path d="M52 0C52 14 28 8 28 24M52 0C52 14 76 8 76 24" fill="none" stroke="var(--muted)" />
      {/if}
    </svg>
    <div class="flex w-[96px] shrink-0 flex-wrap justify-center gap-x-1 gap-y-2">
      {#each others as end (end.id)}
        <Knot medium href={end.href} label={end.longLabel} picture={end.picture} current={false} />
      {/each}
    </div>
  {/if}
</nav>

{#snippet traced(href: string, artwork: ThreadWork | undefined)}
  <div class="h-3.5 w-px bg-muted"></div>
  <Knot
    href="{href}/trace"
    label="trace"
    picture={artwork ? drawing(artwork) : undefined}
    waiting={!artwork}
    current={path === `${href}/trace`}
  />
{/snippet}
