<script lang="ts">
  import type { Thread, ThreadBranch } from '$lib/contract/answers';
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
  const drawing = (a: { id: string; head: string }) => `/api/artworks/${a.id}/drawing.svg?step=${a.head}`;
  const picture = (id: string) => `/api/pictures/${id}`;
  const candidateOf = (b: ThreadBranch) => `${base}/candidates/${b.candidate.id}`;
  const artworkOf = (b: ThreadBranch) => `${base}/artworks/${b.artwork!.id}`;
  const holds = (b: ThreadBranch) =>
    path.startsWith(candidateOf(b)) || (b.artwork !== null && path.startsWith(artworkOf(b)));

  const active = $derived(thread.branches.find(holds));
  const others = $derived(thread.branches.filter((b) => b !== active));
  /** Where a branch is gone to from elsewhere: as far down as it reaches. */
  const endOf = (b: ThreadBranch) => (b.artwork ? artworkOf(b) : candidateOf(b));
</script>

<nav
  class="flex min-h-0 flex-col items-center overflow-y-auto border-r border-line bg-panel pt-4 pb-3"
  aria-label="Thread"
>
  <Knot href="{base}/brief" label="brief" current={path === `${base}/brief`} />
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
        <Knot
          href={candidateOf(active)}
          label={active.candidate.label}
          picture={picture(active.candidate.pictureId)}
          current={path === candidateOf(active)}
        />
        <div class="h-3.5 w-px bg-muted"></div>
        <Knot
          href="{candidateOf(active)}/trace"
          label="trace"
          picture={active.artwork ? drawing(active.artwork) : undefined}
          waiting={!active.artwork}
          current={path === `${candidateOf(active)}/trace`}
        />
        {#if active.artwork}
          <div class="h-3.5 w-px bg-muted"></div>
          <Knot
            href={artworkOf(active)}
            label="inks · v{active.artwork.version}"
            picture={drawing(active.artwork)}
            current={path === artworkOf(active)}
          />
          <div class="h-3.5 w-px bg-muted"></div>
          <Knot
            href="{artworkOf(active)}/deliver"
            label={active.deliveries ? 'delivered' : 'deliver'}
            picture={active.deliveries ? drawing(active.artwork) : undefined}
            waiting={!active.deliveries}
            current={path === `${artworkOf(active)}/deliver`}
          />
        {/if}
      </div>
      {#if forked}
        <div class="flex w-[34px] flex-col items-center gap-2">
          {#each others as branch (branch.candidate.id)}
            <Knot
              small
              href={endOf(branch)}
              label={branch.candidate.label}
              picture={branch.artwork ? drawing(branch.artwork) : picture(branch.candidate.pictureId)}
              current={false}
            />
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
      {#each others as branch (branch.candidate.id)}
        <Knot
          medium
          href={endOf(branch)}
          label={branch.artwork ? `${branch.candidate.label} · v${branch.artwork.version}` : branch.candidate.label}
          picture={branch.artwork ? drawing(branch.artwork) : picture(branch.candidate.pictureId)}
          current={false}
        />
      {/each}
    </div>
  {/if}
</nav>
