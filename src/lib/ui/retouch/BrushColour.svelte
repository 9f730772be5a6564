<script lang="ts">
  /** The colour that is painted: the one around the stroke, one that was picked, or any. */
  let { hex = $bindable(), picked }: { hex: string | null; picked: readonly string[] } = $props();
  const id = $props.id();
</script>

<fieldset class="mb-3 flex items-center justify-between gap-2">
  <legend class="float-left">Colour</legend>
  <span class="flex flex-wrap items-center justify-end gap-1.5">
    <button
      class="h-6 border px-1.5 text-[12px] {hex === null ? 'border-active bg-active text-on-active' : 'border-line'}"
      aria-pressed={hex === null}
      onclick={() => (hex = null)}
      title="The commonest colour around the stroke">around it</button
    >
    {#each picked.slice(-4) as one (one)}
      <button
        class="h-6 w-6 border {one === hex ? 'border-active outline-2 outline-active' : 'border-muted'}"
        style="background: {one}"
        aria-label="Paint with {one}"
        aria-pressed={one === hex}
        title={one}
        onclick={() => (hex = one)}
      ></button>
    {/each}
    <label class="sr-only" for={id}>Paint with another colour</label>
    <input
      {id}
      type="color"
      class="h-6 w-8 border border-muted"
      value={(hex ?? '#808080').toLowerCase()}
      onchange={(e) => (hex = e.currentTarget.value.toUpperCase())}
    />
  </span>
</fieldset>
