<script lang="ts">
  import Row from '$lib/ui/slip/Row.svelte';

  interface Props {
    /** Credits that the image engine may charge in all. */
    credits: number;
    onsettle?: () => void;
  }
  let { credits = $bindable(), onsettle }: Props = $props();
</script>

<Row label="Allowance" for="allowance">
  <span
    ><input
      id="allowance"
      class="field w-20 text-right"
      type="number"
      min="0"
      max="100000"
      bind:value={credits}
      onchange={onsettle}
    /> credits</span
  >
</Row>
