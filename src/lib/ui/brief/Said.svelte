<script lang="ts">
  /** What is to be said beside a field: why it was refused, and what another tab made of it while it was being written here. */
  interface Props {
    id: string;
    error?: string;
    /** What another tab wrote, in words. */
    theirs?: string;
    onmine?: () => void;
    ontheirs?: () => void;
  }
  const { id, error, theirs, onmine, ontheirs }: Props = $props();
</script>

<div id="{id}-said">
  {#if error}<p class="mt-0.5 text-danger">{error}</p>{/if}
  {#if theirs !== undefined}
    <div class="mt-1 border-l-2 border-danger pl-2" role="alert" data-theirs>
      <p>
        Changed in another tab meanwhile{theirs ? ':' : ', to nothing.'}
        <span class="whitespace-pre-wrap">{theirs}</span>
      </p>
      <p class="mt-1 flex gap-2">
        <button type="button" class="button" onclick={onmine}>Keep mine</button>
        <button type="button" class="button" onclick={ontheirs}>Take that</button>
      </p>
    </div>
  {/if}
</div>
