<script lang="ts">
  /** A button that opens the browser's choice of files. */
  interface Props {
    /** What stands on the button. */
    text: string;
    /** What the choice is called for those who hear it. */
    label: string;
    accept: string;
    multiple?: boolean;
    disabled?: boolean;
    title?: string;
    /** The look of the button. */
    look?: 'button' | 'quiet';
    onfiles: (files: FileList) => void;
  }
  const { text, label, accept, multiple = true, disabled = false, title, look = 'button', onfiles }: Props = $props();
  let chooser = $state<HTMLInputElement>();
</script>

<input
  bind:this={chooser}
  type="file"
  {accept}
  {multiple}
  class="hidden"
  aria-label={label}
  onchange={(e) => {
    const { files } = e.currentTarget;
    if (files?.length) onfiles(files);
    e.currentTarget.value = '';
  }}
/>
<button class="{look} whitespace-nowrap" {disabled} {title} onclick={() => chooser?.click()}>{text}</button>
