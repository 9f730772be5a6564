<script lang="ts" generics="T">
  /** Things of a name and figures, one a line, typed; a line that is none stays as it was typed, with what is wrong. */
  interface Props {
    label: string;
    values: readonly T[];
    write: (value: T) => string;
    /** Null where a line is none. */
    read: (line: string) => T | null;
    hint: string;
    onsettle: (values: T[]) => void;
  }
  const { label, values, write, read, hint, onsettle }: Props = $props();
  const id = $props.id();
  let fault = $state('');

  function typed(event: Event): void {
    const lines = (event.currentTarget as HTMLTextAreaElement).value
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean);
    const found = lines.map(read);
    const wrong = found.findIndex((f) => f === null);
    fault = wrong >= 0 ? `"${lines[wrong]}" is none: ${hint}` : !lines.length ? 'at least one' : '';
    if (!fault) onsettle(found as T[]);
  }
</script>

<div class="mb-2">
  <label for={id}>{label}</label>
  <textarea
    {id}
    class="field mt-0.5 w-full resize-y"
    rows={Math.min(8, values.length + 1)}
    value={values.map(write).join('\n')}
    onchange={typed}
    aria-invalid={fault ? 'true' : undefined}
    aria-describedby="{id}-hint"></textarea>
  <p id="{id}-hint" class="text-[12px] {fault ? 'text-danger' : 'text-muted'}" role={fault ? 'alert' : undefined}>
    {fault || hint}
  </p>
</div>
