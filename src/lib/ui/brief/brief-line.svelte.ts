import type { Brief, Commission } from '$lib/contract/answers';
import { ApiError } from '../api';
import { forget, keep } from '../kept';
import { notices } from '../notices.svelte';
import { outbox } from '../outbox.svelte';
import { reload } from '../reload';
import { leftBehind, placeIn } from '../tab';
import { briefPlace } from './places';

export type Field = keyof Brief;

/** Words for the fields, as the form has them. */
export const FIELD_WORDS: Readonly<Record<Field, string>> = {
  name: 'name',
  client: 'client',
  trade: 'trade',
  audience: 'audience',
  mood: 'mood words',
  coloursWanted: 'colours wanted',
  coloursUnwanted: 'colours not wanted',
  grounds: 'grounds',
  kindOfMark: 'kind of mark',
  notes: 'notes',
  allowance: 'allowance',
};
const FIELDS = Object.keys(FIELD_WORDS) as Field[];

export const briefOf = (commission: Commission): Brief =>
  Object.fromEntries(FIELDS.map((k) => [k, commission[k]])) as unknown as Brief;

/** As text, whatever order a database gives the parts of a ground. */
const textOf = (value: unknown): string =>
  JSON.stringify(value, (_key, part: unknown) =>
    part && typeof part === 'object' && !Array.isArray(part) ? Object.fromEntries(Object.entries(part).sort()) : part,
  );
const same = (p: unknown, q: unknown) => textOf(p) === textOf(q);

/** A field that is not saved yet, and what it was when one began to write in it. */
interface Draft {
  readonly value: unknown;
  readonly seen: unknown;
}

/**
 * A brief that is being written. Each field is saved on its own, with what it was when one began to write, so that a tab never writes over what it has not seen:
 * where another one was faster, both texts are there to choose from. What is written is kept in this browser from the first key until it is saved.
 */
export class BriefLine {
  /** What the fields show. */
  brief = $state() as Brief;
  /** Why fields were refused. */
  errors = $state<Partial<Record<Field, string>>>({});
  /** What another tab made of fields that were being written here. */
  theirs = $state.raw<Partial<Brief>>({});
  /** What the server had when a field was last taken over from it. */
  private seen: Brief;
  /** What was sent and is not answered. */
  private sent: Partial<Brief> = {};

  constructor(
    private readonly id: string,
    commission: Commission,
  ) {
    this.brief = briefOf(commission);
    this.seen = briefOf(commission);
  }

  private valueOf(field: Field): unknown {
    const value = $state.snapshot(this.brief)[field];
    // As the server keeps it.
    return field === 'name' ? String(value).trim() : value;
  }
  private isTouched = (field: Field): boolean => !same(this.valueOf(field), this.seen[field]);

  /** Takes up what was being written before a reload, or in a tab that is gone. */
  async restore(): Promise<void> {
    for (const { text } of await leftBehind(briefPlace(this.id)))
      try {
        this.takeUp(JSON.parse(text) as Partial<Record<Field, Draft>>);
      } catch {
        // Cut off while it was being written.
      }
    this.isRestored = true;
    this.keepDraft();
  }
  /** Until then, what was written before must not be written over. */
  private isRestored = false;

  private takeUp(drafts: Partial<Record<Field, Draft>>): void {
    for (const field of FIELDS) {
      const draft = drafts[field];
      if (!draft || this.isTouched(field) || same(draft.value, this.seen[field])) continue;
      const now = this.seen[field];
      Object.assign(this.seen, { [field]: draft.seen });
      Object.assign(this.brief, { [field]: draft.value });
      this.compare(field, now);
      this.save(field);
    }
  }

  /** Keeps what is being written in this browser. */
  keepDraft(): void {
    const drafts = FIELDS.filter(this.isTouched).map((field): [Field, Draft] => [
      field,
      { value: this.valueOf(field), seen: this.seen[field] },
    ]);
    const place = placeIn(briefPlace(this.id));
    if (!place || !this.isRestored) return;
    if (drafts.length) keep(place, Object.fromEntries(drafts));
    else forget(place);
  }

  /** Hears what the server has now: taken over where nothing is being written, told where something is. */
  hear(commission: Commission): void {
    const fresh = briefOf(commission);
    for (const field of FIELDS) this.compare(field, fresh[field]);
    this.keepDraft();
  }

  private compare(field: Field, now: unknown): void {
    if (same(now, this.seen[field])) return;
    const isOwn = field in this.sent && same(now, this.sent[field]);
    if (!this.isTouched(field) || isOwn || same(now, this.valueOf(field))) {
      if (!this.isTouched(field)) Object.assign(this.brief, { [field]: now });
      Object.assign(this.seen, { [field]: now });
      const { [field]: _, ...rest } = this.theirs;
      this.theirs = rest;
    } else this.theirs = { ...this.theirs, [field]: now };
  }

  /** Saves a field, if it was changed and nobody else changed it meanwhile. */
  save(field: Field): void {
    const value = this.valueOf(field);
    const before = field in this.sent ? this.sent[field] : this.seen[field];
    if (same(value, before) || field in this.theirs) return;
    Object.assign(this.sent, { [field]: value });
    void this.send(field, value, before);
  }

  private async send(field: Field, value: unknown, before: unknown): Promise<void> {
    try {
      const answer = await outbox.send<Commission>({
        method: 'PATCH',
        path: `/api/commissions/${this.id}`,
        body: { [field]: value, seen: { [field]: before } },
        what: `the brief's ${FIELD_WORDS[field]}`,
        settle: () => reload('odd-quill:commission'),
      });
      this.errors = { ...this.errors, [field]: undefined };
      Object.assign(this.seen, { [field]: answer[field] ?? value });
      if (field === 'name' && same(this.valueOf(field), value)) Object.assign(this.brief, { name: value });
      this.keepDraft();
    } catch (error) {
      const fields = error instanceof ApiError ? Object.entries(error.fields) : [];
      const own = fields.find(([name]) => name.split('.')[0] === field);
      if (own) this.errors = { ...this.errors, [field]: own[1] };
      else notices.fail(error);
      if (error instanceof ApiError && error.code === 'changed_elsewhere') void reload('odd-quill:commission');
    } finally {
      if (same(this.sent[field], value)) delete this.sent[field];
    }
  }

  /** Saves whatever is being written. */
  saveAll(): void {
    for (const field of FIELDS) if (this.isTouched(field)) this.save(field);
  }

  /** Takes what the other tab wrote. */
  takeTheirs(field: Field): void {
    Object.assign(this.brief, { [field]: this.theirs[field] });
    this.settleOn(field);
  }

  /** Keeps what was written here, and saves it over what the other tab wrote, which can be undone. */
  keepMine(field: Field): void {
    this.settleOn(field);
    this.save(field);
  }

  private settleOn(field: Field): void {
    const { [field]: now, ...rest } = this.theirs;
    Object.assign(this.seen, { [field]: now });
    this.theirs = rest;
    this.keepDraft();
  }
}
