<script lang="ts">
  import type { Wording } from '$lib/contract/answers';
  import { counted } from '../counted';

  /** What each concept that was kept or worked on cost on its way, the dearest first, and what went into none. */
  interface Props {
    wording: Pick<Wording, 'threads' | 'besides'>;
    /** Where a candidate is looked at, but for its id. */
    href: string;
  }
  const { wording, href }: Props = $props();
  const most = $derived(Math.max(1, wording.besides, ...wording.threads.map((t) => t.credits)));
  const through = (rounds: readonly number[]): string =>
    rounds.length === 1 ? `round ${rounds[0]}` : `rounds ${rounds.slice(0, -1).join(', ')} and ${rounds.at(-1)}`;
</script>

{#snippet bar(credits: number, colour: string)}
  <span class="block h-[6px] w-full bg-ground">
    <span class="block h-full {colour}" style="width: {(100 * credits) / most}%"></span>
  </span>
{/snippet}

{#if wording.threads.length}
  <h2 class="mt-4 mb-1 text-[14px]">By thread</h2>
  <ul class="mb-1" data-threads>
    {#each wording.threads as thread (thread.candidateId)}
      <li>
        <a
          href="{href}/{thread.candidateId}"
          class="mb-1 grid grid-cols-[32px_1fr] items-center gap-2 hover:bg-ground"
          title="Look at this candidate"
        >
          <img
            src="/api/pictures/{thread.pictureId}"
            alt="Of round {thread.rounds.at(-1)}"
            class="size-8 bg-white object-contain outline outline-black/10"
          />
          <span>
            <span class="flex justify-between gap-2">
              <span>{counted(thread.credits, 'credit')}</span>
              <span class="text-muted">{through(thread.rounds)}</span>
            </span>
            {@render bar(thread.credits, 'bg-active')}
          </span>
        </a>
      </li>
    {/each}
  </ul>
  {#if wording.besides}
    <p class="grid grid-cols-[32px_1fr] gap-2">
      <span></span>
      <span>
        <span class="flex justify-between gap-2">
          <span>{counted(wording.besides, 'credit')}</span>
          <span class="text-muted">on no thread</span>
        </span>
        {@render bar(wording.besides, 'bg-line')}
      </span>
    </p>
  {/if}
{/if}
