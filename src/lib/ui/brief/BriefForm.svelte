<script lang="ts">
  import type { Brief } from '$lib/contract/answers';
  import Grounds from './Grounds.svelte';

  /** The brief as a form. `onsettle` hears the name of a field when one has left it. */
  interface Props {
    brief: Brief;
    errors?: Readonly<Record<string, string>>;
    onsettle?: (field: keyof Brief) => void;
  }
  let { brief = $bindable(), errors = {}, onsettle }: Props = $props();

  const KINDS = [
    'pictorial',
    'abstract',
    'lettermark',
    'wordmark',
    'combination mark',
    'emblem',
    'negative-space mark',
    'mascot',
    'app icon',
    'icon sheet',
  ];
  const FIELDS: readonly {
    key: 'client' | 'trade' | 'audience' | 'mood' | 'coloursWanted' | 'coloursUnwanted';
    label: string;
    example: string;
  }[] = [
    { key: 'client', label: 'Client', example: 'Maren Holt, managing director' },
    { key: 'trade', label: 'Trade', example: 'sleeper trains between northern cities' },
    { key: 'audience', label: 'Audience', example: 'people who would rather wake up there' },
    { key: 'mood', label: 'Mood words', example: 'quiet, punctual, a little magical' },
    { key: 'coloursWanted', label: 'Colours wanted', example: 'midnight blue, lamp yellow' },
    { key: 'coloursUnwanted', label: 'Colours not wanted', example: 'red, orange' },
  ];
</script>

<div class="grid grid-cols-[140px_minmax(0,1fr)] items-start gap-x-5 gap-y-2.5">
  <label class="pt-1 font-semibold" for="brief-name">Name</label>
  <div>
    <input
      id="brief-name"
      class="field w-full text-[15px] {errors.name ? 'border-danger!' : ''}"
      bind:value={brief.name}
      maxlength="120"
      placeholder="for example: Noctule Night Rail"
      aria-invalid={errors.name ? 'true' : undefined}
      aria-describedby={errors.name ? 'brief-name-error' : undefined}
      onchange={() => onsettle?.('name')}
    />
    {#if errors.name}<p id="brief-name-error" class="mt-0.5 text-danger">{errors.name}</p>{/if}
  </div>
  {#each FIELDS as { key, label, example } (key)}
    <label class="pt-1" for="brief-{key}">{label}</label>
    <div>
      <input
        id="brief-{key}"
        class="field w-full {errors[key] ? 'border-danger!' : ''}"
        bind:value={brief[key]}
        maxlength="300"
        placeholder="for example: {example}"
        aria-invalid={errors[key] ? 'true' : undefined}
        aria-describedby={errors[key] ? `brief-${key}-error` : undefined}
        onchange={() => onsettle?.(key)}
      />
      {#if errors[key]}<p id="brief-{key}-error" class="mt-0.5 text-danger">{errors[key]}</p>{/if}
    </div>
  {/each}
  <label class="pt-1" for="brief-kind">Kind of mark</label>
  <select id="brief-kind" class="field w-60" bind:value={brief.kindOfMark} onchange={() => onsettle?.('kindOfMark')}>
    <option value="">open</option>
    {#each KINDS as kind (kind)}<option value={kind}>{kind}</option>{/each}
  </select>
  <span class="pt-1" id="brief-grounds">Grounds</span>
  <Grounds bind:grounds={brief.grounds} onsettle={() => onsettle?.('grounds')} />
  <label class="pt-1" for="brief-notes">Notes</label>
  <textarea
    id="brief-notes"
    class="field min-h-24 w-full resize-y"
    bind:value={brief.notes}
    maxlength="4000"
    placeholder="What must or must not appear, where it will be used, what the client said"
    onchange={() => onsettle?.('notes')}></textarea>
</div>
