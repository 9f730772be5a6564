<script lang="ts">
  import Row from '$lib/ui/slip/Row.svelte';

  interface Props {
    /** Credits that the image engine may charge in all. */
    credits: number;
    /** Why it was refused. */
    error?: string;
    onsettle?: () => void;
  }
  let { credits = $bindable(), error, onsettle }: Props = $props();
</script>

<Row label="Allowance" for="allowance">
  <span
    ><input
      id="allowance"
      class="field w-20 text-right {error ? 'border-danger!' : ''}"
      type="number"
      min="0"
      max="100000"
      aria-invalid={error ? 'true' : undefined}
      aria-describedby={error ? 'allowance-error' : undefined}
      bind:value={credits}
      onchange={onsettle}
    /> credits</span
  >
</Row>
{#if error}<p id="allowance-error" class="-mt-2 mb-3 text-right text-danger">{error}</p>{/if}
