<script lang="ts">
  import type { TextPart } from '$core/lockup';
  import type { Arranging } from './arranging.svelte';

  /** What a text says, as it is typed; and how it is set, in figures. */
  const { arranging, part, full }: { arranging: Arranging; part: TextPart; full: boolean } = $props();
  const id = $props.id();
  const ROLES = { name: 'name', line: 'line', other: 'text' } as const;
  const drawn = $derived(arranging.drawnPart(part.id)?.text ?? null);
  const inks = $derived(arranging.lockup.inks);
  const others = $derived(arranging.lockup.parts.filter((p) => p.kind === 'text' && p.id !== part.id) as TextPart[]);

  type Field = 'sizePx' | 'tracking' | 'leading' | 'turnDeg';
  /** A number that is typed, within its bounds; what is no number is put back. */
  function number(event: Event, field: Field, least: number, most: number): void {
    const input = event.currentTarget as HTMLInputElement;
    const value = Number(input.value.replace(',', '.'));
    if (input.value.trim() === '' || !Number.isFinite(value)) input.value = shown(field);
    else arranging.set(part.id, { [field]: Math.min(most, Math.max(least, value)) });
  }
  const shown = (field: Field): string => {
    const value = field === 'sizePx' ? (drawn?.sizePx ?? part.sizePx) : field === 'tracking' ? (drawn?.tracking ?? part.tracking) : (part[field] ?? 0); // prettier-ignore
    return String(Number(value.toFixed(field === 'sizePx' ? 1 : 3)));
  };
  function fit(value: string): void {
    const [by, to] = value.split(' ');
    arranging.set(part.id, { fit: by ? { to, by } : null });
  }
</script>

<div class="mb-3" data-text={part.id}>
  <label for={id} class="mb-0.5 block text-muted"
    >{ROLES[part.role]}{#if part.fit && typeof part.fit.to === 'string'}, as wide as “{others
        .find((o) => o.id === part.fit?.to)
        ?.text.slice(0, 14) ?? ''}”{/if}</label
  >
  <textarea
    {id}
    class="field w-full resize-none"
    rows={Math.min(4, part.text.split('\n').length)}
    maxlength="500"
    value={part.text}
    spellcheck="false"
    oninput={(e) => arranging.try(part.id, { text: e.currentTarget.value })}
    onblur={(e) => arranging.typed(part.id, e.currentTarget.value)}></textarea>
  {#if full}
    <div class="mt-2 grid grid-cols-2 gap-x-3 gap-y-1.5">
      {#each [['sizePx', 'size', 1, 5000, 'px'], ['tracking', 'tracking', -0.5, 4, 'em'], ['leading', 'leading', 0.3, 5, ''], ['turnDeg', 'turned', -180, 180, '°']] as const as [field, label, least, most, unit] (field)}
        <label class="flex items-center justify-between gap-1"
          >{label}
          <span class="flex items-center gap-0.5"
            ><input
              class="field w-[54px] px-1.5! text-right"
              inputmode="decimal"
              value={shown(field)}
              disabled={field === 'sizePx'
                ? part.fit?.by === 'size'
                : field === 'tracking'
                  ? part.fit?.by === 'tracking'
                  : false}
              onchange={(e) => number(e, field, least, most)}
            /><span class="w-4 text-[11px] text-muted">{unit}</span></span
          ></label
        >
      {/each}
      <label class="col-span-2 flex items-center justify-between gap-2"
        >kerning
        <select
          class="field w-40"
          value={part.kerning}
          onchange={(e) => arranging.set(part.id, { kerning: e.currentTarget.value })}
        >
          <option value="face">as the face says</option>
          <option value="optical">optical</option>
          <option value="none">none</option>
        </select></label
      >
      <label class="col-span-2 flex items-center justify-between gap-2"
        >letters
        <select
          class="field w-40"
          value={part.letters}
          onchange={(e) => arranging.set(part.id, { letters: e.currentTarget.value })}
        >
          <option value="typed">as typed</option>
          <option value="capitals">capitals</option>
          <option value="small-capitals">small capitals</option>
        </select></label
      >
      <label class="col-span-2 flex items-center justify-between gap-2"
        >stands by its
        <select
          class="field w-40"
          value={part.align}
          onchange={(e) => arranging.set(part.id, { align: e.currentTarget.value })}
        >
          <option value="left">left</option>
          <option value="centre">middle</option>
          <option value="right">right</option>
        </select></label
      >
      {#if others.length}
        <label class="col-span-2 flex items-center justify-between gap-2"
          >as wide as
          <select
            class="field w-40"
            value={part.fit && typeof part.fit.to === 'string' ? `${part.fit.by} ${part.fit.to}` : ''}
            onchange={(e) => fit(e.currentTarget.value)}
          >
            <option value="">nothing else</option>
            {#each others as other (other.id)}
              {#each [['tracking', 'tracking'], ['size', 'size'], ['axis', 'width axis']] as const as [by, label] (by)}
                <option value="{by} {other.id}">“{other.text.slice(0, 12)}” by {label}</option>
              {/each}
            {/each}
          </select></label
        >
      {/if}
      <label class="col-span-2 flex items-center justify-between gap-2"
        >ink
        <span class="flex items-center gap-1.5"
          >{#if part.inkId.startsWith('lettering-')}
            <input
              type="color"
              class="h-6 w-7 border border-line bg-paper p-0.5"
              value={inks.find((i) => i.id === part.inkId)?.hex.toLowerCase()}
              onchange={(e) => arranging.recolour(part.inkId, e.currentTarget.value)}
              aria-label="Colour of this ink"
            />
          {:else}
            <span class="h-5 w-5 border border-line" style="background: {inks.find((i) => i.id === part.inkId)?.hex}"
            ></span>
          {/if}
          <select
            class="field w-33"
            value={part.inkId}
            data-ink-of={part.id}
            onchange={(e) =>
              e.currentTarget.value ? arranging.set(part.id, { inkId: e.currentTarget.value }) : arranging.ownInk(part)}
          >
            {#each inks as ink (ink.id)}<option value={ink.id}>{ink.name}</option>{/each}
            <option value="">an ink of its own</option>
          </select></span
        ></label
      >
      <label class="col-span-2 flex items-center justify-between gap-2"
        >after it
        <select
          class="field w-40"
          value={part.sign ?? ''}
          onchange={(e) => arranging.set(part.id, { sign: e.currentTarget.value || null })}
        >
          <option value="">no sign</option>
          <option value="trade-mark">™ trade mark</option>
          <option value="registered">® registered</option>
        </select></label
      >
      <label class="col-span-2 flex items-center gap-1.5"
        ><input
          type="checkbox"
          checked={part.hangs === true}
          onchange={(e) => arranging.set(part.id, { hangs: e.currentTarget.checked || null })}
        />
        quotes and stops hang over the edge</label
      >
    </div>
  {/if}
</div>
