<script lang="ts">
  import type { Brief } from '$lib/contract/answers';
  import Grounds from './Grounds.svelte';
  import Said from './Said.svelte';

  /** The brief as a form. `onsettle` hears the name of a field when one has left it. */
  interface Props {
    brief: Brief;
    /** Why fields were refused, by their names; of a field that is a list, also by those of its parts. */
    errors?: Readonly<Record<string, string | undefined>>;
    /** What another tab made of fields while they were being written here. */
    theirs?: Partial<Brief>;
    /** Under which name a ground that is being typed is kept in this browser. */
    place: string;
    onsettle?: (field: keyof Brief) => void;
    onmine?: (field: keyof Brief) => void;
    ontheirs?: (field: keyof Brief) => void;
  }
  let { brief = $bindable(), errors = {}, theirs = {}, place, onsettle, onmine, ontheirs }: Props = $props();

  const errorOf = (key: keyof Brief): string | undefined =>
    errors[key] ?? Object.entries(errors).find(([name]) => name.startsWith(`${key}.`))?.[1];
  const inWords = (value: unknown): string =>
    Array.isArray(value)
      ? value.map((g: { name: string; hex: string }) => `${g.name} ${g.hex}`).join(', ')
      : String(value);
  const marked = (key: keyof Brief) => ({
    'aria-invalid': errorOf(key) ? ('true' as const) : undefined,
    'aria-describedby': `brief-${key}-said`,
  });
  const edge = (key: keyof Brief) => (errorOf(key) ? 'border-danger!' : '');

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

{#snippet said(key: keyof Brief)}
  <Said
    id="brief-{key}"
    error={errorOf(key)}
    theirs={key in theirs ? inWords(theirs[key]) : undefined}
    onmine={() => onmine?.(key)}
    ontheirs={() => ontheirs?.(key)}
  />
{/snippet}

<div class="grid grid-cols-[140px_minmax(0,1fr)] items-start gap-x-5 gap-y-2.5">
  <label class="pt-1 font-semibold" for="brief-name">Name</label>
  <div>
    <input
      id="brief-name"
      class="field w-full text-[15px] {edge('name')}"
      bind:value={brief.name}
      maxlength="120"
      placeholder="for example: Noctule Night Rail"
      data-first-field
      {...marked('name')}
      onchange={() => onsettle?.('name')}
    />
    {@render said('name')}
  </div>
  {#each FIELDS as { key, label, example } (key)}
    <label class="pt-1" for="brief-{key}">{label}</label>
    <div>
      <input
        id="brief-{key}"
        class="field w-full {edge(key)}"
        bind:value={brief[key]}
        maxlength="300"
        placeholder="for example: {example}"
        {...marked(key)}
        onchange={() => onsettle?.(key)}
      />
      {@render said(key)}
    </div>
  {/each}
  <label class="pt-1" for="brief-kind">Kind of mark</label>
  <div>
    <select
      id="brief-kind"
      class="field w-60 {edge('kindOfMark')}"
      bind:value={brief.kindOfMark}
      {...marked('kindOfMark')}
      onchange={() => onsettle?.('kindOfMark')}
    >
      <option value="">open</option>
      {#each KINDS as kind (kind)}<option value={kind}>{kind}</option>{/each}
    </select>
    {@render said('kindOfMark')}
  </div>
  <span class="pt-1" id="brief-grounds">Grounds</span>
  <div>
    <Grounds bind:grounds={brief.grounds} {place} onsettle={() => onsettle?.('grounds')} />
    {@render said('grounds')}
  </div>
  <label class="pt-1" for="brief-notes">Notes</label>
  <div>
    <textarea
      id="brief-notes"
      class="field min-h-24 w-full resize-y {edge('notes')}"
      bind:value={brief.notes}
      maxlength="4000"
      placeholder="What must or must not appear, where it will be used, what the client said"
      {...marked('notes')}
      onchange={() => onsettle?.('notes')}></textarea>
    {@render said('notes')}
  </div>
</div>
