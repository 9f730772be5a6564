<script lang="ts">
  import { diffWords } from '$core/prompt';
  import type { Candidate, DecisionState, Round } from '$lib/contract/answers';
  import { progress } from '../watch.svelte';
  import CandidateTile from './CandidateTile.svelte';
  import RoundProgress from './RoundProgress.svelte';
  import type { Strip } from './strips';

  /** Rounds as strips on a wall, newest first. Decisions set the size of what hangs there; nothing is ever replaced. */
  interface Props {
    strips: readonly Strip[];
    selected: Candidate | null;
    onpick: (candidate: Candidate) => void;
    onopen: (candidate: Candidate) => void;
    ondecide: (candidate: Candidate, decision: DecisionState) => void;
    ongrow: (candidate: Candidate) => void;
    onreuse: (round: Round) => void;
    oncancel: (round: Round) => void;
    onagain: (round: Round) => void;
  }
  const { strips, selected, onpick, onopen, ondecide, ongrow, onreuse, oncancel, onagain }: Props = $props();
  const running = (round: Round) => round.state === 'waiting' || round.state === 'drawing';

  /** Rounds that were running when this was last looked at: one that is not any more is announced. */
  let ran: ReadonlySet<string> = new Set<string>();
  let announced = $state('');
  $effect(() => {
    const rounds = strips.flatMap((s) => s.round ?? []);
    const ended = rounds.filter((r) => ran.has(r.id) && !running(r));
    ran = new Set(rounds.filter(running).map((r) => r.id));
    if (ended.length) announced = ended.map(endOf).join(' ');
  });
  const endOf = ({ number, state, candidates, error }: Round): string =>
    state === 'done'
      ? `Round ${number} is finished: ${candidates.length} ${candidates.length === 1 ? 'candidate' : 'candidates'}.`
      : state === 'failed'
        ? `Round ${number} failed: ${error}.`
        : `Round ${number} was cancelled.`;
</script>

<p class="sr-only" role="status" data-announced>{announced}</p>
<div id="wall" class="min-h-0 flex-1 overflow-y-auto px-4 pt-3 pb-6">
  {#each strips as strip (strip.id)}
    {@const round = strip.round}
    <section class="mb-5" aria-label={round ? `Round ${round.number}` : 'Brought in'} data-round={round?.number}>
      <header class="mb-2 flex items-baseline gap-3">
        {#if round}
          <h2 class="min-w-0 flex-1 font-normal">
            <span class="font-semibold">{round.number}</span>
            <span class="text-muted">·</span>
            {#if strip.promptBefore === null}
              {round.prompt}
            {:else}
              {#each diffWords(strip.promptBefore, round.prompt) as word, i (i)}
                {#if word.change === 'added'}
                  <ins class="decoration-active decoration-2 underline-offset-3">{word.text}</ins>
                {:else if word.change === 'dropped'}
                  <del class="text-muted">{word.text}</del>
                {:else}
                  {word.text}
                {/if}{i >= 0 ? ' ' : ''}
              {/each}
            {/if}
            {#if round.way.kind === 'offshoot'}
              <span class="text-muted">offshoots of {round.way.from}, drift {round.way.drift}</span>
            {:else if round.way.kind === 'crossing'}
              <span class="text-muted"
                >crossing of {round.way.from} and {round.way.with}, balance {round.way.balance}</span
              >
            {:else if round.way.kind === 'redo'}
              <span class="text-muted">one area of {round.way.from} again</span>
            {:else if round.way.kind === 'enlarge'}
              <span class="text-muted">{round.way.from} enlarged {round.way.factor} times</span>
            {/if}
            {#if round.finish}<span class="text-muted">in {round.finish}</span>{/if}
            {#if round.leaveOut}<span class="text-muted">without {round.leaveOut}</span>{/if}
          </h2>
          {#if round.way.kind === 'prompt'}
            {#each round.references as reference (reference.pictureId)}
              <span
                class="flex items-center gap-1 self-center text-muted"
                title="Reference, closeness {reference.closeness}"
              >
                <img
                  src="/api/pictures/{reference.pictureId}"
                  alt="Reference"
                  class="h-6 w-6 bg-white object-contain"
                />
                {reference.closeness}
              </span>
            {/each}
          {/if}
          <button
            class="quiet whitespace-nowrap"
            onclick={() => onreuse(round)}
            aria-label="Start from this: the prompt of round {round.number}">Start from this</button
          >
        {:else}
          <h2 class="text-muted">brought in</h2>
        {/if}
      </header>

      {#if round && running(round)}
        {@const done = progress.of(round.id, round.progress)}
        <div class="flex items-end gap-2.5" aria-busy="true" data-running>
          {#each { length: round.count }, i (i)}
            <div class="relative flex aspect-square max-w-[236px] min-w-0 flex-1 items-end bg-panel/60">
              {#if done >= 0.25}
                {#key Math.floor(done * 12)}
                  <img
                    src="/api/rounds/{round.id}/previews/{i}?at={Math.floor(done * 12)}"
                    alt=""
                    class="absolute inset-0 h-full w-full object-contain opacity-80"
                    onerror={(e) => (e.currentTarget as HTMLImageElement).remove()}
                  />
                {/key}
              {/if}
              <div class="h-1 w-full bg-line">
                <div class="h-1 bg-active transition-[width]" style="width: {done * 100}%"></div>
              </div>
            </div>
          {/each}
        </div>
        <p class="mt-2 flex items-center gap-3">
          <RoundProgress number={round.number} isWaiting={round.state === 'waiting'} {done} />
          <button class="quiet" onclick={() => oncancel(round)}>Cancel this round</button>
        </p>
      {:else if round && (round.state === 'failed' || round.state === 'cancelled')}
        <div class="flex items-center gap-4 border border-line bg-panel px-4 py-3">
          <p class="flex-1 {round.state === 'failed' ? 'text-danger' : 'text-muted'}">
            {round.state === 'failed' ? round.error : 'This round was cancelled; nothing was charged.'}
          </p>
          <button class="button" onclick={() => onagain(round)}>Try again</button>
        </div>
      {:else}
        <div class="flex flex-wrap items-end gap-2.5">
          {#each strip.candidates as candidate (candidate.id)}
            <CandidateTile
              {candidate}
              selected={candidate.id === selected?.id}
              onpick={() => onpick(candidate)}
              onopen={() => onopen(candidate)}
              ondecide={(decision) => ondecide(candidate, decision)}
              ongrow={() => ongrow(candidate)}
            />
          {/each}
        </div>
      {/if}
    </section>
  {:else}
    <div class="mx-auto mt-16 max-w-md text-center">
      <p class="text-[15px]">Nothing hangs here yet.</p>
      <p class="mt-1 text-muted">
        Write a plain sentence above and ask for four candidates; or bring in a picture, such as the client's sketch:
        drop it here, paste it, or choose it.
      </p>
    </div>
  {/each}
</div>
