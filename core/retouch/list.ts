/** A retouched picture as what is kept of it: the picture it is made from, and the list of what is done to that. */
import * as v from 'valibot';
import type { Picture } from '../raster';
import { RetouchError, StepSchema, tellStep, withStep, type RetouchStep } from './steps';

/** At most so many entries: a list longer than this is no longer looked through by anybody. */
export const ENTRIES_MOST = 500;

const entryId = v.pipe(v.string(), v.regex(/^[\w-]{1,64}$/, 'an id of letters, digits, - and _'));

/** One line of the list. */
export interface RetouchEntry {
  readonly id: string;
  readonly step: RetouchStep;
  /** Left out when the picture is made, and kept in the list. */
  readonly hidden: boolean;
}

export interface Retouched {
  /** The picture that it is made from, by its SHA-256. */
  readonly pictureId: string;
  /** Of that picture, in pixels. */
  readonly widthPx: number;
  readonly heightPx: number;
  readonly entries: readonly RetouchEntry[];
}

/** What one does to the list. */
export const ListEditSchema = v.variant('kind', [
  v.object({ kind: v.literal('add-step'), id: entryId, step: StepSchema }),
  v.object({ kind: v.literal('change-step'), id: entryId, step: StepSchema }),
  v.object({ kind: v.literal('hide-step'), id: entryId, hidden: v.boolean() }),
  /** `to` is its place in the list after the move, from 0. */
  v.object({ kind: v.literal('move-step'), id: entryId, to: v.pipe(v.number(), v.integer(), v.minValue(0)) }),
  v.object({ kind: v.literal('remove-step'), id: entryId }),
]);
export type ListEdit = v.InferOutput<typeof ListEditSchema>;

/** An edit that cannot be made of the list; the message says why. */
export class ListEditError extends Error {}

function placeOf(entries: readonly RetouchEntry[], id: string): number {
  const at = entries.findIndex((e) => e.id === id);
  if (at < 0) throw new ListEditError('The list has no such step any more');
  return at;
}

/** The list after an edit, and what it did in the words of the history. Throws a ListEditError. */
export function editedList(state: Retouched, edit: ListEdit): { state: Retouched; told: string } {
  const { entries } = state;
  const withEntries = (next: readonly RetouchEntry[], told: string) => ({ state: { ...state, entries: next }, told });
  if (edit.kind === 'add-step') {
    if (entries.some((e) => e.id === edit.id)) throw new ListEditError('The list has that step already');
    if (entries.length >= ENTRIES_MOST) throw new ListEditError(`A list has at most ${ENTRIES_MOST} steps`);
    return withEntries([...entries, { id: edit.id, step: edit.step, hidden: false }], tellStep(edit.step));
  }
  const at = placeOf(entries, edit.id);
  const told = tellStep(entries[at].step);
  switch (edit.kind) {
    case 'change-step':
      return withEntries(entries.with(at, { ...entries[at], step: edit.step }), `${tellStep(edit.step)}, changed`);
    case 'hide-step':
      return withEntries(
        entries.with(at, { ...entries[at], hidden: edit.hidden }),
        `${told}, ${edit.hidden ? 'hidden' : 'shown again'}`,
      );
    case 'move-step': {
      const rest = entries.toSpliced(at, 1);
      return withEntries(rest.toSpliced(Math.min(rest.length, edit.to), 0, entries[at]), `${told}, moved`);
    }
    case 'remove-step':
      return withEntries(entries.toSpliced(at, 1), `${told}, out of the list`);
  }
}

/** The list after edits that belong together. Throws a ListEditError. */
export function editedListBy(state: Retouched, edits: readonly ListEdit[]): { state: Retouched; told: string } {
  const words: string[] = [];
  let after = state;
  for (const edit of edits) {
    const made = editedList(after, edit);
    after = made.state;
    words.push(made.told);
  }
  return { state: after, told: words.length > 3 ? `${words.length} steps: ${words[0]} …` : words.join('; ') };
}

/** An entry that could not be made of what lies below it. */
export interface EntryFault {
  readonly id: string;
  readonly message: string;
}

export interface Made {
  readonly picture: Picture;
  /** Entries that were passed over, since they do not fit what lies below them. */
  readonly faults: readonly EntryFault[];
}

/** Pictures on the way are kept while they take no more than this together, in bytes. */
const KEPT_BYTES = 400_000_000;

/**
 * Makes pictures of lists, again and again as a list changes: what comes before the first change is not made anew. An entry that does not fit is passed over and told.
 */
export class Maker {
  /** Pictures by the entries that led to them. */
  private readonly known = new Map<string, { picture: Picture; fault: string | null }>();

  constructor(private readonly source: Picture) {}

  make(entries: readonly RetouchEntry[], onStep?: (done: number, of: number) => void): Made {
    const shown = entries.filter((e) => !e.hidden);
    const faults: EntryFault[] = [];
    let picture = this.source;
    let path = '';
    for (const [k, { id, step }] of shown.entries()) {
      path += `${JSON.stringify(step)}\n`;
      let made = this.known.get(path);
      if (!made) {
        onStep?.(k, shown.length);
        made = attempt(picture, step);
      }
      // Back to the young end.
      this.known.delete(path);
      this.known.set(path, made);
      if (made.fault !== null) faults.push({ id, message: made.fault });
      picture = made.picture;
    }
    this.forget();
    return { picture, faults };
  }

  private forget(): void {
    const seen = new Set<Picture>();
    let bytes = 0;
    for (const [path, { picture }] of [...this.known].reverse()) {
      if (!seen.has(picture)) bytes += picture.rgba.length;
      seen.add(picture);
      if (bytes > KEPT_BYTES) this.known.delete(path);
    }
  }
}

function attempt(picture: Picture, step: RetouchStep): { picture: Picture; fault: string | null } {
  try {
    return { picture: withStep(picture, step), fault: null };
  } catch (error) {
    if (error instanceof RetouchError) return { picture, fault: error.message };
    throw error;
  }
}
