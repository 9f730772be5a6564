<script lang="ts" generics="T extends string">
  /** A few choices side by side, one of which holds. */
  interface Props {
    label: string;
    value: T;
    options: readonly { value: T; label: string; hint?: string }[];
    onsettle?: (value: T) => void;
  }
  let { label, value = $bindable(), options, onsettle }: Props = $props();
  const name = $props.id();
</script>

<fieldset class="mb-3 flex items-center justify-between gap-2">
  <legend class="float-left">{label}</legend>
  <div class="flex rounded-sm border border-line">
    {#each options as option (option.value)}
      <label
        class="px-2.5 py-[3px] whitespace-nowrap not-first:border-l not-first:border-line has-checked:bg-active has-checked:text-on-active has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-active"
        title={option.hint}
      >
        <input
          class="sr-only"
          type="radio"
          {name}
          value={option.value}
          bind:group={value}
          onchange={() => onsettle?.(value)}
        />
        {option.label}
      </label>
    {/each}
  </div>
</fieldset>
