<script lang="ts" module>
  import type { Specimen as Shown } from '$core/lettering';
  // Words in faces, and the order of faces for an artwork, stay what they are: opened again, the list is there at once.
  /* eslint-disable svelte/prefer-svelte-reactivity */
  const specimens = new Map<string, Shown>();
  const lists = new Map<string, unknown>();
  /* eslint-enable svelte/prefer-svelte-reactivity */
</script>

<script lang="ts">
  import type { FamilyFacts } from '$core/lettering';
  import type { BroughtFace, LikeFaceAnswer } from '$lib/contract/answers';
  import { ask } from '../api';
  import FileChooser from '../FileChooser.svelte';
  import { notices } from '../notices.svelte';
  import Specimen from './Specimen.svelte';
  import type { Arranging } from './arranging.svelte';

  /** Faces to choose from, each with the commission's own words in it: the likest to the mark first, or those that words fit. */
  interface Props {
    arranging: Arranging;
    commissionId: string;
    /** How many are shown at once; all others by a press. */
    few?: number;
  }
  const { arranging, commissionId, few }: Props = $props();
  const id = $props.id();

  interface Row {
    family: string;
    weight: number;
    name: string;
    told: string;
    licence: string;
    isOwn: boolean;
  }
  const CLASSES = ['serif', 'slab', 'grotesque', 'geometric', 'humanist', 'rounded', 'condensed', 'script', 'blackletter', 'stencil', 'display', 'typewriter'] as const; // prettier-ignore
  /** What one does not look for first. */
  const LOUD: ReadonlySet<string> = new Set(['script', 'blackletter', 'stencil', 'display']);
  let words = $state('');
  let kind = $state('');
  let weight = $state('');
  let width = $state('');
  let by = $state<'mark' | 'words' | 'favourites'>('mark');
  let rows = $state.raw<readonly Row[]>([]);
  let found = $state.raw<ReadonlyMap<string, Shown>>(new Map(specimens));
  let favourites = $state.raw<readonly string[]>([]);
  let own = $state.raw<readonly BroughtFace[]>([]);
  let most = $state(0);
  const part = $derived(arranging.subject);
  const text = $derived((part?.letters === 'capitals' ? part.text.toUpperCase() : (part?.text ?? '')).replaceAll('\n', ' ').slice(0, 40)); // prettier-ignore
  const STEP = 8;
  const shown = $derived(rows.slice(0, few ?? most));

  /** How wide capitals are, against their height, and what that is called. */
  const WIDTHS: Readonly<Record<string, readonly [number, number]>> = { narrow: [0, 0.93], normal: [0.93, 1.15], wide: [1.15, 9] }; // prettier-ignore
  const isWanted = (f: Found): boolean =>
    (!kind || f.class === kind) &&
    (!weight || f.weights.includes(Number(weight))) &&
    (!width || (typeof f.width === 'number' && f.width >= WIDTHS[width][0] && f.width < WIDTHS[width][1]));
  type Found = FamilyFacts & Partial<LikeFaceAnswer>;
  const rowOf = (f: Found): Row => ({
    family: f.id,
    weight: weight
      ? Number(weight)
      : (f.weight ?? f.weights.reduce((b, w) => (Math.abs(w - 500) < Math.abs(b - 500) ? w : b), f.weights[0])),
    name: f.name,
    told: (f.because?.length ? f.because : f.moods.slice(0, 2)).join(' · '),
    licence: f.licence,
    isOwn: false,
  });
  const rowOfOwn = (f: BroughtFace): Row => ({
    family: f.id,
    weight: f.weight,
    name: `${f.name} ${f.style}`,
    told: EMBEDDING[f.embedding],
    licence: f.licenceUrl || f.licence.split('\n')[0].slice(0, 40) || 'no licence in its file',
    isOwn: true,
  });
  const EMBEDDING = { free: 'may be embedded', editable: 'editable embedding', view: 'embedding for viewing alone', restricted: 'may not be embedded' } as const; // prettier-ignore

  async function known<T>(path: string): Promise<T> {
    if (!lists.has(path)) lists.set(path, await ask<T>('GET', path));
    return lists.get(path) as T;
  }
  async function load(): Promise<void> {
    try {
      const work = arranging.mark?.workId;
      const having = few ? '' : arranging.having;
      const isByMark = by === 'mark' && work && !words.trim() && !having;
      const path = isByMark
        ? `/api/works/${work}/faces`
        : `/api/faces?mood=${encodeURIComponent(words)}${kind ? `&class=${kind}` : ''}${having ? `&having=${encodeURIComponent(having)}` : ''}`;
      const [list, kept] = await Promise.all([
        known<Found[]>(path),
        ask<{ faces: BroughtFace[]; favourites: string[] }>('GET', `/api/commissions/${commissionId}/faces`),
      ]);
      [own, favourites] = [kept.faces, kept.favourites];
      const fitting = list.filter((f) => isWanted(f) && !(few && LOUD.has(f.class)));
      // Where nobody asked for a loud one, those come after the rest.
      const isLoud = (f: Found): boolean => Boolean(isByMark) && !kind && LOUD.has(f.class);
      const all = [...fitting.filter((f) => !isLoud(f)), ...fitting.filter(isLoud)].map(rowOf);
      const word = words.trim().toLowerCase();
      // A face that is called so comes before those that feel so.
      const called = word ? all.filter((r) => r.name.toLowerCase().includes(word)) : [];
      const named = [...called, ...all.filter((r) => !called.includes(r))];
      const brought = own.map(rowOfOwn);
      rows =
        by === 'favourites'
          ? [...brought, ...named].filter((r) => favourites.includes(r.family))
          : [...brought, ...named];
      most = STEP;
    } catch (error) {
      notices.fail(error);
    }
  }
  $effect(() => {
    void [by, kind, weight, width, arranging.mark?.workId, arranging.having];
    void load();
  });

  // The words in each that is shown, a few at once, so that the first stand there soon.
  const keyOf = (r: Row, t: string): string => `${r.family} ${r.weight} ${t}`;
  const AT_ONCE = 4;
  async function showIn(list: readonly Row[], asked: string): Promise<void> {
    for (let k = 0; k < list.length; k += AT_ONCE) {
      const faces = list.slice(k, k + AT_ONCE).map(({ family, weight }) => ({ family, weight }));
      const made = await ask<Shown[]>('POST', '/api/specimens', { text: asked, faces });
      if (text !== asked) return;
      for (const one of made) specimens.set(`${one.family} ${one.weight} ${asked}`, one);
      found = new Map(specimens);
    }
  }
  let waiting = false;
  $effect(() => {
    // Where few are shown, as many are made ready as the whole list begins with.
    const wanted = rows.slice(0, Math.max(few ?? most, STEP)).filter((r) => text.trim() && !found.has(keyOf(r, text)));
    if (!wanted.length) return;
    const asked = text;
    // What is being typed is waited for; a list that was opened is not.
    const timer = setTimeout(() => void showIn(wanted, asked).catch((error) => notices.fail(error)), waiting ? 400 : 0);
    waiting = true;
    return () => clearTimeout(timer);
  });

  function choose(row: Row): void {
    if (part) arranging.set(part.id, { face: { family: row.family, weight: row.weight } });
  }
  async function favour(row: Row): Promise<void> {
    try {
      const kept = !favourites.includes(row.family);
      ({ favourites } = await ask<{ favourites: string[] }>('PUT', `/api/commissions/${commissionId}/faces`, {
        family: row.family,
        kept,
      }));
    } catch (error) {
      notices.fail(error);
    }
  }
  async function bringIn(file: File | undefined): Promise<void> {
    if (!file) return;
    try {
      const face = await ask<BroughtFace>('POST', `/api/commissions/${commissionId}/faces`, file);
      notices.tell(`${face.name} ${face.style} was brought in: ${EMBEDDING[face.embedding]}; ${face.licence ? face.licence.split('\n')[0].slice(0, 90) : 'its file names no licence'}`); // prettier-ignore
      await load();
      choose(rowOfOwn(face));
    } catch (error) {
      notices.fail(error);
    }
  }
</script>

{#if few === undefined}
  <div class="mb-2 grid grid-cols-[minmax(0,1fr)_104px] gap-2">
    <input
      {id}
      class="field"
      type="search"
      placeholder="quiet, punctual; or a name"
      aria-label="Words or a name"
      bind:value={words}
      onchange={() => void load()}
    />
    <select class="field w-full" bind:value={kind} aria-label="Class">
      <option value="">all classes</option>
      {#each CLASSES as c (c)}<option value={c}>{c}</option>{/each}
    </select>
  </div>
  <div class="mb-2 grid grid-cols-2 gap-2">
    <select class="field w-full" bind:value={weight} aria-label="Weight">
      <option value="">all weights</option>
      {#each [100, 200, 300, 400, 500, 600, 700, 800, 900] as w (w)}<option value={String(w)}>has {w}</option>{/each}
    </select>
    <select class="field w-full" bind:value={width} aria-label="Width">
      <option value="">all widths</option>
      {#each Object.keys(WIDTHS) as w (w)}<option value={w}>{w}</option>{/each}
    </select>
  </div>
  <div class="mb-2 flex items-center gap-2.5 text-[12px] whitespace-nowrap">
    <button
      class="quiet {by === 'mark' ? 'font-semibold text-text!' : ''}"
      aria-pressed={by === 'mark'}
      onclick={() => (by = 'mark')}>like the mark</button
    >
    <button
      class="quiet {by === 'favourites' ? 'font-semibold text-text!' : ''}"
      aria-pressed={by === 'favourites'}
      onclick={() => (by = 'favourites')}>favourites {favourites.length || ''}</button
    >
    <span class="flex-1"></span>
    <FileChooser
      look="quiet"
      text="bring in a face"
      label="A font file"
      accept=".otf,.ttf,.woff,.woff2"
      multiple={false}
      onfiles={([file]) => void bringIn(file)}
    />
  </div>
{/if}
{#if few === undefined && arranging.having}
  <p class="mb-1 flex items-center justify-between">
    Those that have “{arranging.having}”
    <button class="quiet" onclick={() => (arranging.having = '')}>all faces</button>
  </p>
{/if}
<!-- What comes late has its room already: nothing moves away from under the pointer. -->
<ul aria-label="Faces" data-faces={rows.length} style={few ? `min-height: ${57 * few}px` : ''}>
  {#each shown as row (row.family)}
    {@const specimen = found.get(keyOf(row, text))}
    {@const isOn = part?.face.family === row.family}
    <li class="flex items-center gap-1 border-b border-line">
      <button
        class="min-w-0 flex-1 py-1.5 text-left {isOn ? 'border-l-2 border-active pl-2' : ''}"
        aria-pressed={isOn}
        title="{row.name}, {row.licence}"
        onclick={() => choose(row)}
        data-face={row.family}
      >
        {#if specimen?.d}
          <Specimen d={specimen.d} box={specimen.box} alt="{text} in {row.name}" height={28} />
        {:else if specimen}
          <span class="block h-7 text-danger">has no {specimen.missing.slice(0, 4).join(' ')}</span>
        {:else}
          <span class="block h-7"></span>
        {/if}
        <span class="block truncate text-[11px] text-muted">{row.name} {row.weight} · {row.told} · {row.licence}</span>
      </button>
      {#if few === undefined}
        <button
          class="quiet px-1 text-[16px]"
          aria-label="{favourites.includes(row.family) ? 'No longer a' : 'A'} favourite: {row.name}"
          aria-pressed={favourites.includes(row.family)}
          onclick={() => void favour(row)}>{favourites.includes(row.family) ? '●' : '○'}</button
        >
      {/if}
    </li>
  {:else}
    <li class="py-2 text-muted">
      {by === 'favourites' ? 'No favourites yet: the ring beside a face marks it.' : 'Faces are being looked for'}
    </li>
  {/each}
</ul>
{#if few === undefined && most < rows.length}
  <button class="quiet mt-1" onclick={() => (most += STEP)}>{rows.length - most} more</button>
{/if}
