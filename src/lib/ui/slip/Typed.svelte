<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';

  /**
   * A field that shows a value, and leaves alone what is being typed in it when the value changes meanwhile. `ontyped` hears the text when one has left the field;
   * the field then shows the value that came of it.
   */
  interface Props extends HTMLInputAttributes {
    value: string;
    ontyped: (text: string) => void;
  }
  const { value, ontyped, ...rest }: Props = $props();
  let typing = $state<string | null>(null);
</script>

<input
  {...rest}
  value={typing ?? value}
  oninput={(e) => (typing = e.currentTarget.value)}
  onchange={() => {
    if (typing !== null && typing !== value) ontyped(typing);
    typing = null;
  }}
  onblur={() => (typing = null)}
/>
