<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { COUNT_LIMIT, creditsFor, REFERENCE_LIMIT } from '$core/credit';
  import { KINDS } from '$core/prompt';
  import type { Candidate, DecisionState, Round, Understood } from '$lib/contract/answers';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import { outbox } from '$lib/ui/outbox.svelte';
  import { reload } from '$lib/ui/reload';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import { freshKey } from '$lib/ui/tab';
  import Frame from '$lib/ui/shell/Frame.svelte';
  import Figure from '$lib/ui/slip/Figure.svelte';
  import Row from '$lib/ui/slip/Row.svelte';
  import { bringInFiles, keepReference } from '$lib/ui/wall/bring-in';
  import { decide, decided } from '$lib/ui/wall/decide';
  import {
    canAsk,
    crossingOf,
    draftFrom,
    GIVEN,
    keepDraft,
    keptDraft,
    offshootOf,
    RATIOS,
    requestOf,
    type RoundDraft,
  } from '$lib/ui/wall/draft';
  import FinishPicker from '$lib/ui/wall/FinishPicker.svelte';
  import GivenPictures from '$lib/ui/wall/GivenPictures.svelte';
  import PromptBox from '$lib/ui/wall/PromptBox.svelte';
  import { stripsOf } from '$lib/ui/wall/strips';
  import Wall from '$lib/ui/wall/Wall.svelte';

  const { data } = $props();
  const commission = $derived(data.commission);
  const strips = $derived(stripsOf(data.wall).map((s) => ({ ...s, candidates: s.candidates.map(decided) })));
  const candidates = $derived(strips.flatMap((s) => s.candidates));

  // svelte-ignore state_referenced_locally
  let draft = $state<RoundDraft>(draftFrom(data.wall.rounds[0] ?? null));
  let busy = $state(false);
  let dropping = $state(false);
  let picked = $state<string | null>(null);
  let understood = $state.raw<Understood | null>(null);
  /** A candidate that waits for the one it is to be crossed with. */
  let crossing = $state<Candidate | null>(null);
  const selected = $derived(
    candidates.find((c) => c.id === picked) ?? candidates.find((c) => c.decision === 'kept') ?? candidates[0] ?? null,
  );
  const source = $derived(
    selected ? ({ kind: 'picture', href: `/api/pictures/${selected.pictureId}` } as const) : null,
  );
  const cost = $derived(creditsFor(draft.count, 1024));
  const left = $derived(commission.allowance - commission.creditsSpent - commission.creditsReserved);

  // A prompt that was being written is there again after a reload.
  const id = $derived(commission.id);
  $effect(() => {
    const take = () => {
      const kept = keptDraft(id);
      if (kept) draft = kept;
    };
    take();
    window.addEventListener(GIVEN, take);
    return () => window.removeEventListener(GIVEN, take);
  });
  $effect(() => keepDraft(id, $state.snapshot(draft)));

  const refresh = () => reload('odd-quill:commission');

  async function ask(): Promise<void> {
    if (busy) return;
    busy = true;
    const wanted = $state.snapshot(draft) as RoundDraft;
    try {
      await outbox.send<Round>({
        method: 'POST',
        path: `/api/commissions/${commission.id}/rounds`,
        body: { requestKey: freshKey(), ...requestOf(wanted) },
        what: wanted.prompt.trim() ? `a round of “${wanted.prompt.trim()}”` : 'a round',
        settle: refresh,
      });
      document.getElementById('wall')?.scrollTo({ top: 0, behavior: 'smooth' });
    } catch (error) {
      notices.fail(error);
    } finally {
      busy = false;
    }
  }

  async function roundAction(round: Round, action: 'cancel' | 'again'): Promise<void> {
    try {
      await outbox.send({
        method: 'POST',
        path: `/api/rounds/${round.id}/${action}`,
        what: action === 'cancel' ? `round ${round.number} cancelled` : `round ${round.number} again`,
        settle: refresh,
      });
    } catch (error) {
      notices.fail(error);
    }
  }

  async function bringIn(files: Iterable<File>): Promise<void> {
    dropping = false;
    const here = page.url.pathname;
    const { candidates: made, artworks, told } = await bringInFiles(commission.id, files);
    if (made.length) picked = made[made.length - 1].id;
    await refresh();
    // One drawing alone is what one wants to look at.
    if (artworks.length === 1 && !made.length && page.url.pathname === here)
      await goto(`/commissions/${commission.id}/artworks/${artworks[0].id}`);
    for (const text of told) notices.tell(text, { grave: true });
  }

  async function give(files: Iterable<File>): Promise<void> {
    for (const file of files) {
      if (draft.references.length >= REFERENCE_LIMIT) {
        notices.fail(new Error(`At most ${REFERENCE_LIMIT} references go with a prompt: remove one first`));
        return;
      }
      const pictureId = await keepReference(commission.id, file);
      if (pictureId) giveCandidate({ pictureId });
    }
  }

  function giveCandidate({ pictureId }: { pictureId: string }): void {
    if (draft.references.some((r) => r.pictureId === pictureId) || draft.references.length >= REFERENCE_LIMIT) return;
    draft.way = null;
    draft.references = [...draft.references, { pictureId, closeness: 70 }];
  }

  function grow(candidate: Candidate): void {
    const round = data.wall.rounds.find((r) => r.id === candidate.roundId) ?? null;
    draft = offshootOf(draft, candidate, round);
    document.getElementById('prompt')?.focus();
  }

  /** Picks a candidate, or crosses with it the one that waits. */
  function pick(candidate: Candidate): void {
    if (crossing && crossing.id !== candidate.id) {
      draft = crossingOf(draft, crossing, candidate);
      crossing = null;
    }
    picked = candidate.id;
  }

  function pasted(event: ClipboardEvent): void {
    const files = [...(event.clipboardData?.files ?? [])];
    // The text of an SVG is a drawing too; nobody means it as a prompt.
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (!files.length && /^\s*<(?:svg|\?xml|!DOCTYPE svg)[\s>]/i.test(text))
      files.push(new File([text], 'pasted.svg', { type: 'image/svg+xml' }));
    if (!files.length) return;
    event.preventDefault();
    void bringIn(files);
  }

  /** Decides, and stays with the candidate that one decided about. */
  function settleOn(candidate: Candidate | null, decision: DecisionState): void {
    if (!candidate) return;
    picked = candidate.id;
    void decide(candidate, decision);
  }

  const open = (candidate: Candidate) => goto(`/commissions/${commission.id}/candidates/${candidate.id}`);

  function move(by: number): void {
    if (!candidates.length) return;
    const at = selected ? candidates.indexOf(selected) : -1;
    const to = candidates[Math.max(0, Math.min(candidates.length - 1, at + by))];
    picked = to.id;
    document.querySelector(`[data-candidate="${to.id}"]`)?.scrollIntoView({ block: 'nearest' });
  }

  function moveStrip(by: number): void {
    const at = strips.findIndex((s) => selected && s.candidates.includes(selected));
    for (let i = at + by; i >= 0 && i < strips.length; i += by)
      if (strips[i].candidates.length) {
        picked = strips[i].candidates[0].id;
        document.querySelector(`[data-candidate="${picked}"]`)?.scrollIntoView({ block: 'nearest' });
        return;
      }
  }

  $effect(() =>
    keys.add([
      { press: 'ArrowLeft', label: 'Candidate before', run: () => move(-1) },
      { press: 'ArrowRight', label: 'Candidate after', run: () => move(1) },
      { press: 'ArrowUp', label: 'Strip above', run: () => moveStrip(-1) },
      { press: 'ArrowDown', label: 'Strip below', run: () => moveStrip(1) },
      { press: 'k', label: 'Keep it, or take that back', run: () => settleOn(selected, 'kept') },
      { press: 'a', label: 'Set it aside, or bring it back', run: () => settleOn(selected, 'aside') },
      { press: 'g', label: 'Offshoots of it', run: () => selected && grow(selected) },
      { press: 'x', label: 'Cross it with another', run: () => (crossing = crossing ? null : selected) },
      { press: 'Escape', label: 'Do not cross', run: () => (crossing = null) },
      { press: 'o', label: 'Open it on the sheet', run: () => selected && void open(selected) },
      { press: 'p', label: 'Write the prompt', run: () => document.getElementById('prompt')?.focus() },
      { press: 'Mod+Enter', label: 'Ask for candidates', run: () => void ask() },
    ]),
  );
</script>

<svelte:window onpaste={pasted} />

<Frame slipTitle="Next round">
  {#snippet sheet()}
    <div
      class="flex h-full flex-col {dropping ? 'outline-3 -outline-offset-3 outline-active' : ''}"
      role="region"
      aria-label="Rounds; pictures and SVG drawings can be dropped here"
      ondragover={(e) => {
        e.preventDefault();
        dropping = true;
      }}
      ondragleave={(e) => {
        if (!e.currentTarget.contains(e.relatedTarget as Node)) dropping = false;
      }}
      ondrop={(e) => {
        e.preventDefault();
        void bringIn(e.dataTransfer?.files ?? []);
      }}
    >
      <PromptBox
        bind:prompt={draft.prompt}
        leaveOut={draft.leaveOut}
        briefColours={draft.way ? '' : data.commission.coloursWanted}
        onfiles={(files) => void bringIn(files)}
        ongiven={(files) => void give(files)}
        onunderstood={(u) => (understood = u)}
      />
      {#if crossing}
        <p class="flex items-center gap-3 border-b border-line bg-active px-4 py-1.5 text-on-active" role="status">
          <span class="flex-1">Choose the candidate to cross {crossing.label} with.</span>
          <button class="underline" onclick={() => (crossing = null)}>Do not cross</button>
        </p>
      {/if}
      <Wall
        {strips}
        {selected}
        onpick={pick}
        ongrow={grow}
        onopen={(c) => void open(c)}
        ondecide={(c, d) => void decide(c, d)}
        onreuse={(r) => {
          draft = draftFrom(r);
          document.getElementById('prompt')?.focus();
        }}
        oncancel={(r) => void roundAction(r, 'cancel')}
        onagain={(r) => void roundAction(r, 'again')}
      />
    </div>
  {/snippet}
  {#snippet slip()}
    <GivenPictures bind:draft />
    <FinishPicker bind:value={draft.finish} finishes={data.finishes} asked={understood?.parts.finish ?? null} />
    <Row label="Kind of mark" for="kind">
      <select id="kind" class="field w-[172px]" bind:value={draft.kind}>
        <option value={null}
          >{understood?.parts.kind ? `${understood.parts.kind}, as asked` : 'as the prompt says'}</option
        >
        {#each KINDS as kind (kind)}<option value={kind}>{kind}</option>{/each}
      </select>
    </Row>
    <Row label="Detail" for="detail">
      <select id="detail" class="field w-[172px]" bind:value={draft.detail}>
        <option value={null}>as the prompt says</option>
        <option value={5}>minimal</option>
        <option value={25}>few details</option>
        <option value={50}>some details</option>
        <option value={75}>many details</option>
        <option value={100}>detailed</option>
      </select>
    </Row>
    <Figure
      label="Leeway"
      bind:value={draft.leeway}
      min={0}
      max={100}
      hint="0 keeps to the prompt, 100 departs from it"
    />
    <div class="mb-3 grid grid-cols-[76px_76px_1fr] gap-2">
      <label class="block">
        Candidates
        <select id="count" class="field mt-0.5 w-full" bind:value={draft.count}>
          {#each { length: COUNT_LIMIT }, i (i)}<option value={i + 1}>{i + 1}</option>{/each}
        </select>
      </label>
      <label class="block">
        Ratio
        <select id="ratio" class="field mt-0.5 w-full" bind:value={draft.ratio}>
          {#each RATIOS as ratio (ratio)}<option value={ratio}>{ratio.replace(':', ' : ')}</option>{/each}
        </select>
      </label>
      <label class="block min-w-0">
        Colours
        <select id="colours" class="field mt-0.5 w-full" bind:value={draft.colours}>
          <option value={null}>as it says</option>
          {#each [1, 2, 3, 4, 5, 6] as n (n)}<option value={n}>{n} + ground</option>{/each}
        </select>
      </label>
    </div>
    <label for="leave-out">Leave out</label>
    <textarea
      id="leave-out"
      class="field mt-1 mb-3 h-11 w-full resize-none"
      maxlength="500"
      bind:value={draft.leaveOut}
      placeholder="for example: stars, text"></textarea>

    {#if selected}
      <h2 class="mb-1 border-t border-line pt-3 text-[14px]">Candidate {selected.label}</h2>
      <p class="mb-2 text-muted">
        {selected.widthPx} × {selected.heightPx} px{#if selected.decision !== 'undecided'}, {selected.decision ===
          'kept'
            ? 'kept'
            : 'set aside'}{/if}
      </p>
      <div class="flex flex-wrap gap-2">
        <button class="button" aria-pressed={selected.decision === 'kept'} onclick={() => settleOn(selected, 'kept')}
          >{selected.decision === 'kept' ? 'Do not keep' : 'Keep'}</button
        >
        <button class="button" aria-pressed={selected.decision === 'aside'} onclick={() => settleOn(selected, 'aside')}
          >{selected.decision === 'aside' ? 'Bring back' : 'Set aside'}</button
        >
        <a class="button flex items-center" href="/commissions/{commission.id}/candidates/{selected.id}/trace"
          >Trace it</a
        >
        <button class="button" onclick={() => grow(selected)}>Offshoots</button>
        <button class="button" aria-pressed={crossing?.id === selected.id} onclick={() => (crossing = selected)}
          >Cross with another</button
        >
        <button class="button" onclick={() => giveCandidate(selected)}>Give as reference</button>
      </div>
    {/if}
  {/snippet}
  {#snippet next()}
    <button class="next-step" disabled={busy || !canAsk(draft)} onclick={ask}
      >Ask for {['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'][draft.count - 1]} · {cost}
      {cost === 1 ? 'credit' : 'credits'}</button
    >
    {#if cost > left}<p class="mt-2 text-[12px] text-danger">
        {Math.max(0, left)} credits are left of the allowance.
      </p>{/if}
    <p class="mt-2 text-[12px] text-muted">The image engine here is a stand-in that draws from a stock of figures.</p>
  {/snippet}
  {#snippet proofs()}
    <Proofs {source} grounds={commission.grounds} of={selected ? `candidate ${selected.label}` : 'a candidate'} />
  {/snippet}
</Frame>
