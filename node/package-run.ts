/** A whole package: planned, made by threads, checked, handed on file by file. */
import { createHash, randomUUID } from 'node:crypto';
import { setMaxListeners } from 'node:events';
import { planPackage, readmeLines, type For, type Look, type PackageCheck, type PackageGround, type PackageSets, type PackageSubject, type PlannedFile, type Wanted } from '../core/package'; // prettier-ignore
import type { TaskHooks } from './pool';
import type { Tasks } from './tasks';

/** A subject with the day (ISO) from which it is as it is. */
export interface OrderedSubject extends PackageSubject {
  readonly date: string;
}

export interface PackageOrder {
  readonly title: string;
  /** ISO date of the package. */
  readonly date: string;
  readonly grounds: readonly PackageGround[];
  readonly sets: PackageSets;
  readonly rows: readonly (Omit<Wanted, 'subject'> & { readonly subject: OrderedSubject })[];
  /** Lines of the README that say of what it was made. */
  readonly made?: readonly string[];
  /** Where it all came from, for descent.json: whatever is known. */
  readonly descent: object;
}

/** A file that was made. */
export interface OrderedFile {
  readonly name: string;
  readonly for: For;
  readonly about: string;
  readonly widthPx: number | null;
  readonly heightPx: number | null;
  readonly bytes: number;
  readonly sha256: string;
}

/** What does tasks: a pool, or the thread itself in tests. */
export type RunTask = <K extends 'packageLook' | 'packageFile'>(
  kind: K,
  input: Tasks[K]['input'],
  hooks?: Pick<TaskHooks, 'signal' | 'lane'>,
) => Promise<Tasks[K]['output']>;

export interface PackageHooks {
  /** Takes each file, in the order of the package; the next is handed on when it is done. */
  readonly put: (file: OrderedFile, bytes: Uint8Array) => Promise<void>;
  /** Hears of each look and file that is done, of how many, and which it was. */
  readonly onProgress?: (done: number, of: number, name: string) => void;
  /** Hears of a lane of tasks that no more will come: what its thread holds can go. */
  readonly onLaneDone?: (lane: string) => void;
  readonly signal?: AbortSignal;
}

/** So many files are under way, or wait to be handed on: enough for a few threads, and few enough to be held. */
const AHEAD = 4;

/** What draws PDF again takes more memory than all the rest: one thread has it. */
const LANE = 'PDF';
const isDrawnAgain = ({ making }: PlannedFile): boolean => making.as === 'pdf' && making.colours === 'rgb';

const rowKey = (subject: string, look: Look): string => `${subject} ${look.key}`;

/** Runs tasks in turn with so many under way, and gives what came of each in their order. */
async function* inOrder<T, R>(items: readonly T[], ahead: number, run: (item: T) => Promise<R>): AsyncGenerator<R> {
  const under: Promise<R>[] = [];
  let next = 0;
  while (next < items.length || under.length) {
    while (next < items.length && under.length < ahead) {
      const begun = run(items[next++]);
      // One that fails while another is waited for is heard of when its turn comes, if it comes.
      begun.catch(() => {});
      under.push(begun);
    }
    yield await under.shift()!;
  }
}

/**
 * Makes a package and hands its files on one by one; none is held longer than it takes to hand it on. The same order gives the same bytes. Throws an AbortError when its
 * signal says so, and a RangeError when there is nothing to make.
 */
export async function makePackage(
  { title, date, grounds, sets, rows, made = [], descent }: PackageOrder,
  run: RunTask,
  { put, onProgress = () => {}, onLaneDone = () => {}, signal }: PackageHooks,
): Promise<{ files: OrderedFile[]; checks: PackageCheck[] }> {
  // Each file that is under way listens.
  if (signal) setMaxListeners(0, signal);
  const plan = planPackage(rows, sets);
  if (!plan.length) throw new RangeError('Nothing is wanted of it');
  const subjects = [...new Map(rows.map(({ subject }) => [subject.key, subject])).values()];
  const subjectBy = new Map(subjects.map((s) => [s.key, s]));
  const hexes = grounds.map((g) => g.hex);
  const key = randomUUID();
  const files: OrderedFile[] = [];
  const checks: PackageCheck[] = [];

  const wanted = rows.filter((r) => r.for.some((f) => f !== 'sheet'));
  // Looks come first, then files, with three that tell of them.
  const of = wanted.length + plan.length + 3;
  const looks = new Map<string, Tasks['packageLook']['output']>();
  const inLooks: { subject: string; look: Look; artwork: PackageSubject['artwork'] }[] = [];
  const asks = wanted.map(({ subject: { key: id, name, artwork }, look }) => ({ subject: { key: id, name, artwork }, look, sets, grounds })); // prettier-ignore
  for await (const { id, told, made: look } of inOrder(asks, AHEAD, async (ask) => ({ id: rowKey(ask.subject.key, ask.look), told: { subject: ask.subject.key, look: ask.look }, made: await run('packageLook', ask, { signal }) }))) {
    looks.set(id, look);
    inLooks.push({ ...told, artwork: look.artwork });
    checks.push(...look.checks);
    onProgress(looks.size, of, `${subjectBy.get(told.subject)!.name}, ${told.look.name}`);
  } // prettier-ignore

  const make = (file: PlannedFile): Promise<Tasks['packageFile']['output']> => {
    if (file.making.as === 'sheet') {
      const newest = subjects.map((s) => s.date).sort()[subjects.length - 1];
      return run('packageFile', { file, title, subjects, looks: inLooks, files: plan, context: { date: newest, grounds: hexes, sets } }, { signal }); // prettier-ignore
    }
    const { name, date: own } = subjectBy.get(file.subject)!;
    const { artwork } = looks.get(rowKey(file.subject, file.look))!;
    return run('packageFile', { file, key, name, artwork, context: { date: own, grounds: hexes, sets } }, { signal, ...(isDrawnAgain(file) ? { lane: LANE } : {}) }); // prettier-ignore
  };
  const hand = async (file: Omit<OrderedFile, 'bytes' | 'sha256'>, bytes: Uint8Array): Promise<void> => {
    signal?.throwIfAborted();
    const { name, for: purpose, about, widthPx, heightPx } = file;
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    const ordered = { name, for: purpose, about, widthPx, heightPx, bytes: bytes.length, sha256 };
    await put(ordered, bytes);
    files.push(ordered);
    onProgress(wanted.length + files.length, of, name);
  };
  const lastDrawn = [...plan].reverse().find(isDrawnAgain);
  // The sheet takes longest: it is begun first, and is there when its turn comes.
  const sheet = plan.find((f) => f.making.as === 'sheet');
  const sheetMade = sheet && make(sheet);
  sheetMade?.catch(() => {});
  for await (const { file, result } of inOrder(plan, AHEAD, async (planned) => ({ file: planned, result: await (planned === sheet ? sheetMade! : make(planned)) }))) {
    checks.push(...result.checks);
    await hand(file, result.bytes);
    if (file === lastDrawn) onLaneDone(LANE);
  } // prettier-ignore

  const lines = (text: readonly string[]): Uint8Array => new TextEncoder().encode(text.join('\n') + '\n');
  const plain = { for: 'developers', widthPx: null, heightPx: null } as const;
  const listed = [...checks].sort((a, b) => Number(a.ok) - Number(b.ok));
  await hand({ ...plain, name: 'checks.txt', about: 'what was looked at before it left' }, lines([`Checked before it left: ${title}, ${date}`, '', ...listed.map((c) => `${c.ok ? 'ok   ' : 'LOOK '} ${c.file ? `${c.file}: ` : ''}${c.said}`)])); // prettier-ignore
  const known = files.map(({ name, bytes, sha256 }) => ({ name, bytes, sha256 }));
  await hand({ ...plain, name: 'descent.json', about: 'where it came from: brief, rounds, edits, versions; SHA-256 of every file; how to make it again' }, lines([JSON.stringify({ format: 'odd-quill-descent', version: 1, title, date, ...descent, files: known }, null, 1)])); // prettier-ignore
  await hand({ ...plain, name: 'README.txt', about: 'this list' }, lines(readmeLines(title, date, plan, made)));
  return { files, checks };
}
