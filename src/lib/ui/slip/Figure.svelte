<script lang="ts">
  import { Slider } from 'bits-ui';

  /** A slider with a figure that one can type. `value` follows the gesture; `onsettle` hears where it ended. */
  interface Props {
    label: string;
    value: number;
    min: number;
    max: number;
    step?: number;
    unit?: string;
    hint?: string;
    onsettle?: (value: number) => void;
  }
  let { label, value = $bindable(), min, max, step = 1, unit = '', hint, onsettle }: Props = $props();
  const id = $props.id();

  function typed(event: Event): void {
    const field = event.currentTarget as HTMLInputElement;
    const wanted = Number(field.value);
    if (field.value.trim() !== '' && Number.isFinite(wanted)) {
      // What is bound may follow later, when it is worked out from what is heard here.
      const own = Math.min(max, Math.max(min, Number((Math.round(wanted / step) * step).toFixed(6))));
      value = own;
      onsettle?.(own);
    }
    field.value = String(value);
  }
</script>

<div class="mb-3">
  <div class="flex items-center justify-between gap-2">
    <label for={id}>{label}</label>
    <span class="flex items-center gap-1">
      <input {id} class="field w-16 text-right" inputmode="decimal" {value} onchange={typed} />
      {#if unit}<span class="w-7 text-muted">{unit}</span>{/if}
    </span>
  </div>
  {#if hint}<p class="mt-0.5 text-[12px] text-muted">{hint}</p>{/if}
  <Slider.Root
    type="single"
    bind:value
    {min}
    {max}
    {step}
    class="relative mt-1 flex h-5 w-full touch-none items-center"
    onValueCommit={(v) => onsettle?.(v)}
  >
    <span class="h-[2px] w-full bg-line"><Slider.Range class="absolute h-[2px] bg-active" /></span>
    <Slider.Thumb index={0} class="block h-4 w-[5px] rounded-[1px] bg-active" aria-label={label} />
  </Slider.Root>
</div>
