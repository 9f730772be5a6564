import { availableParallelism } from 'node:os';
import { basename, dirname, extname, join } from 'node:path';
import * as v from 'valibot';
import { readSvg, SvgError } from '../core/import';
import { fileStem, FORS, inksSaid, looksOf, sensibleFor, SETS, subjectKind, subjectOf, type For, type Look, type PackageSubject } from '../core/package'; // prettier-ignore
import { allPieces, ArtworkSchema, type Artwork } from '../core/vector';
import { makePackage, type OrderedFile, type PackageOrder } from '../node/package-run';
import { Pool, TaskError } from '../node/pool';
import { zipFile, type ZipFile } from '../node/zip';
import { fileFault, makeFolder, textOf, writeOutput } from './outputs';
import { readArgs, THREAD_FILE, UsageError } from './usage';

const LOOK_WORDS = ['own', 'one-colour', 'reversed'];

/** Into a folder, as a zip would take them. */
const toFolder = (out: string): ZipFile => ({
  put: (name, bytes) => writeOutput(join(out, name), bytes),
  end: async () => {},
  drop: async () => {},
});

async function toZip(out: string, date: string): Promise<ZipFile> {
  await makeFolder(dirname(out));
  return zipFile(out, date);
}

function forsFrom(text: string): For[] {
  if (text === 'all') return [...FORS];
  const asked = text.split(',').map((w) => w.trim());
  const wrong = asked.find((w) => !(FORS as readonly string[]).includes(w));
  if (wrong !== undefined) throw new UsageError(`--for has no "${wrong}": ${FORS.join(', ')}, or all`);
  return FORS.filter((f) => asked.includes(f));
}

/** The looks that are asked for of a work: its own, in one colour, reversed, its colourways by their names, a colour by its hex. */
function looksFrom(text: string, artwork: Artwork): Look[] {
  const all = looksOf(artwork);
  if (text === 'all') return all;
  return text.split(',').map((w) => {
    const word = w.trim();
    if (/^#[0-9a-f]{6}$/i.test(word)) return { key: word.toUpperCase(), name: word.slice(1).toUpperCase(), kind: 'one-colour', hex: word.toUpperCase() }; // prettier-ignore
    const look = all.find((l) => (l.kind === 'colourway' ? l.name.toLowerCase() === word.toLowerCase() : l.kind === word)); // prettier-ignore
    if (look) return look;
    const named = all.filter((l) => l.kind === 'colourway').map((l) => l.name);
    throw new UsageError(`--colourways has no "${word}": ${[...LOOK_WORDS, 'a colour such as #1F2D50', ...named].join(', ')}, or all`); // prettier-ignore
  });
}

/** A work of a file: an SVG, or the JSON that a package has of the whole work. Throws an SvgError where it is neither. */
async function workIn(path: string): Promise<Artwork> {
  const text = await textOf(path);
  if (extname(path).toLowerCase() !== '.json') return readSvg(text).artwork;
  try {
    const kept = JSON.parse(text) as { format?: unknown; artwork?: unknown };
    if (kept.format === 'odd-quill-artwork') return v.parse(ArtworkSchema, kept.artwork) as Artwork;
  } catch {
    // Neither is what follows.
  }
  throw new SvgError('The file is not a work that a package of ours has');
}

/** `odd-quill package`: works as what a client is owed, checked, in a folder or a zip. */
export async function packageCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      name: { type: 'string' },
      out: { type: 'string' },
      for: { type: 'string' },
      colourways: { type: 'string' },
      date: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  if (!positionals.length) throw new UsageError('package wants at least one SVG file');
  if (!values.name?.trim())
    throw new UsageError('package wants --name: what the client is called, as file names begin');
  if (!values.out) throw new UsageError('package wants --out: a folder, or a file that ends with .zip');
  const date = values.date ?? new Date().toISOString().slice(0, 10);
  if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || Number.isNaN(Date.parse(date)))
    throw new UsageError(`--date wants a day such as 2026-11-24, not "${date}"`);
  const fors = values.for === undefined ? null : forsFrom(values.for);
  const asked = values.colourways ?? 'own,one-colour,reversed';
  const name = values.name.trim();

  const subjects: PackageSubject[] = [];
  let broken = 0;
  for (const [k, input] of positionals.entries())
    try {
      const artwork = await workIn(input);
      if (!allPieces(artwork).length) throw new SvgError('The file has no shape in it');
      const own = basename(input, extname(input));
      const stem = positionals.length === 1 ? fileStem(name) : fileStem(`${fileStem(name).slice(0, 30)}-${own}`);
      subjects.push(subjectOf(artwork, { key: `${k}`, name: positionals.length === 1 ? name : `${name}, ${own}`, stem, kind: subjectKind(artwork) })); // prettier-ignore
    } catch (error) {
      broken++;
      console.error(`odd-quill: ${input}: ${fileFault(error)}`);
    }
  if (broken) return 1;

  const rows: PackageOrder['rows'] = subjects.flatMap((subject) =>
    looksFrom(asked, subject.artwork).map((look) => {
      const sensible = sensibleFor(subject, look);
      // What is asked for by name is made of its own inks whatever it is; of other looks where that makes sense.
      const own = fors ? (look.kind === 'own' ? fors : fors.filter((f) => sensible.includes(f))) : sensible;
      return { subject: { ...subject, date }, look, for: own };
    }),
  );
  if (rows.every((r) => !r.for.length)) throw new UsageError('nothing of that is made of these colourways: add own');
  const outlet = /\.zip$/i.test(values.out) ? await toZip(values.out, date) : toFolder(values.out);
  const pool = new Pool(THREAD_FILE, Math.min(4, availableParallelism()), { maxYoungGenerationSizeMb: 16 });
  // Stopped from outside, nothing half-made stays under the name that was asked for.
  const stopped = new AbortController();
  const stop = (): void => stopped.abort();
  process.once('SIGINT', stop).once('SIGTERM', stop);
  const made = subjects.map((s) => `Inks of ${s.name}: ${inksSaid(s.artwork)}`); // prettier-ignore
  const again = ['odd-quill', 'package', ...positionals.map((p) => basename(p)), '--name', name, ...(values.for ? ['--for', values.for] : []), '--colourways', asked, '--date', date]; // prettier-ignore
  const descent = { works: subjects.map((s, k) => ({ name: s.name, file: basename(positionals[k]) })), again: again.map((w) => (/\s/.test(w) ? JSON.stringify(w) : w)).join(' ') }; // prettier-ignore
  try {
    const { files, checks } = await makePackage(
      { title: name, date, grounds: [], sets: SETS, rows, made, descent },
      (kind, input, hooks) => pool.run(kind, input, hooks),
      {
        put: (file, bytes) => outlet.put(file.name, bytes),
        onLaneDone: (lane) => pool.endLane(lane),
        signal: stopped.signal,
      },
    );
    await outlet.end();
    report(values.out, files, checks, values.json);
    return 0;
  } catch (error) {
    await outlet.drop();
    if (!(error instanceof TaskError && error.name === 'AbortError')) throw error;
    console.error('odd-quill: stopped: the package is not whole');
    return 130;
  } finally {
    process.off('SIGINT', stop).off('SIGTERM', stop);
    await pool.close();
  }
}

function report(
  out: string,
  files: readonly OrderedFile[],
  checks: Awaited<ReturnType<typeof makePackage>>['checks'],
  json: boolean,
): void {
  if (json) return console.log(JSON.stringify({ files, checks }));
  const bad = checks.filter((c) => !c.ok);
  const total = files.reduce((sum, f) => sum + f.bytes, 0);
  console.log(`${out}: ${files.length} files, ${Math.round(total / 1000)} KB; ${checks.length} checks, ${bad.length} to look at`); // prettier-ignore
  for (const c of bad) console.log(`  ${c.file ? `${c.file}: ` : ''}${c.said}`);
}
