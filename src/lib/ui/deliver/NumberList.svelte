<script lang="ts">
  /** Numbers with commas between, typed; what is no list of such numbers stays as it was typed, with what is wrong. */
  interface Props {
    label: string;
    unit: string;
    values: readonly number[];
    least: number;
    most: number;
    onsettle: (values: number[]) => void;
  }
  const { label, unit, values, least, most, onsettle }: Props = $props();
  const id = $props.id();
  let fault = $state('');

  function typed(event: Event): void {
    const field = event.currentTarget as HTMLInputElement;
    const parts = field.value.split(/[,;\s]+/).filter(Boolean).map(Number); // prettier-ignore
    const wrong = parts.find((n) => !Number.isFinite(n) || n < least || n > most);
    fault = !parts.length ? 'at least one' : wrong !== undefined ? `${least} to ${most} ${unit} each` : '';
    if (!fault) onsettle([...new Set(parts)]);
  }
</script>

<div class="mb-2">
  <label for={id} class="flex items-baseline justify-between">{label} <span class="text-muted">{unit}</span></label>
  <input
    {id}
    class="field w-full"
    value={values.join(', ')}
    onchange={typed}
    aria-invalid={fault ? 'true' : undefined}
    aria-describedby={fault ? `${id}-fault` : undefined}
  />
  {#if fault}<p id="{id}-fault" class="text-[12px] text-danger" role="alert">{fault}</p>{/if}
</div>
