<script lang="ts">
  import { goto, invalidate } from '$app/navigation';
  import type { DecisionState } from '$lib/contract/answers';
  import { api } from '$lib/ui/api';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';
  import Proofs from '$lib/ui/proofs/Proofs.svelte';
  import PictureLayer from '$lib/ui/sheet/PictureLayer.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import Frame from '$lib/ui/shell/Frame.svelte';

  const { data } = $props();
  const candidate = $derived(data.candidate);
  const href = $derived(`/api/pictures/${candidate.pictureId}`);
  const source = $derived({ kind: 'picture', href } as const);
  const base = $derived(`/commissions/${data.commission.id}`);

  async function decide(decision: DecisionState): Promise<void> {
    try {
      await api('PATCH', `/api/candidates/${candidate.id}`, {
        decision: candidate.decision === decision ? 'undecided' : decision,
      });
      await invalidate('odd-quill:commission');
    } catch (error) {
      notices.fail(error);
    }
  }

  const trace = () => goto(`${base}/candidates/${candidate.id}/trace`);
  $effect(() =>
    keys.add([
      { press: 'k', label: 'Keep it, or take that back', run: () => void decide('kept') },
      { press: 'a', label: 'Set it aside, or bring it back', run: () => void decide('aside') },
      { press: 'Mod+Enter', label: 'Trace this candidate', run: () => void trace() },
      { press: 'Escape', label: 'Back to the wall', run: () => void goto(base) },
    ]),
  );
</script>

<Frame slipTitle="Candidate {candidate.label}">
  {#snippet sheet()}
    {#key candidate.id}
      <Sheet width={candidate.widthPx} height={candidate.heightPx} label="Candidate {candidate.label}" ground={null}>
        {#snippet layers(view)}
          <PictureLayer
            {href}
            width={candidate.widthPx}
            height={candidate.heightPx}
            {view}
            alt="Candidate {candidate.label}"
          />
        {/snippet}
      </Sheet>
    {/key}
  {/snippet}
  {#snippet slip()}
    <div class="mb-4 flex flex-wrap gap-2">
      <button class="button" aria-pressed={candidate.decision === 'kept'} onclick={() => decide('kept')}
        >{candidate.decision === 'kept' ? 'Do not keep' : 'Keep'}</button
      >
      <button class="button" aria-pressed={candidate.decision === 'aside'} onclick={() => decide('aside')}
        >{candidate.decision === 'aside' ? 'Bring back' : 'Set aside'}</button
      >
      <a class="button flex items-center" href={base}>Back to the wall</a>
    </div>
    <dl class="grid grid-cols-[72px_1fr] gap-x-3 gap-y-1.5">
      <dt class="text-muted">decision</dt>
      <dd>{{ kept: 'kept', aside: 'set aside', undecided: 'undecided' }[candidate.decision]}</dd>
      <dt class="text-muted">size</dt>
      <dd>{candidate.widthPx} × {candidate.heightPx} px</dd>
      {#if data.round}
        <dt class="text-muted">prompt</dt>
        <dd>{data.round.prompt}</dd>
        {#if data.round.leaveOut}
          <dt class="text-muted">left out</dt>
          <dd>{data.round.leaveOut}</dd>
        {/if}
        <dt class="text-muted">leeway</dt>
        <dd>{data.round.leeway}</dd>
        <dt class="text-muted">seed</dt>
        <dd>{candidate.seed}</dd>
      {:else}
        <dt class="text-muted">from</dt>
        <dd class="break-words">{candidate.fileName}, brought in</dd>
      {/if}
      <dt class="text-muted">made</dt>
      <dd>{new Date(candidate.createdAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}</dd>
    </dl>
    <a class="quiet mt-4 inline-block" {href} download="{data.commission.name} {candidate.label}.png"
      >Download the picture as PNG</a
    >
  {/snippet}
  {#snippet next()}
    <button class="next-step" onclick={trace}
      >{candidate.artworkId ? 'Trace this candidate again' : 'Trace this candidate'}</button
    >
  {/snippet}
  {#snippet proofs()}
    <Proofs {source} grounds={data.commission.grounds} of="candidate {candidate.label}" />
  {/snippet}
</Frame>
