<script lang="ts">
  import Row from '$lib/ui/slip/Row.svelte';
  import Said from './Said.svelte';

  interface Props {
    /** Credits that the image engine may charge in all. */
    credits: number;
    /** Why it was refused. */
    error?: string;
    /** What another tab made of it meanwhile. */
    theirs?: number;
    onsettle?: () => void;
    onmine?: () => void;
    ontheirs?: () => void;
  }
  let { credits = $bindable(), error, theirs, onsettle, onmine, ontheirs }: Props = $props();
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
      aria-describedby="allowance-said"
      bind:value={credits}
      onchange={onsettle}
    /> credits</span
  >
</Row>
<div class="-mt-2 mb-3 text-right">
  <Said id="allowance" {error} theirs={theirs === undefined ? undefined : String(theirs)} {onmine} {ontheirs} />
</div>
