import { createWriteStream } from 'node:fs';
import { readFile, rename, rm } from 'node:fs/promises';
import { basename, dirname, extname, join } from 'node:path';
import { once } from 'node:events';
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import { readSvg, SvgError } from '../core/import';
import {
  fileStem,
  FORS,
  ONE_COLOUR,
  planPackage,
  readmeLines,
  REVERSED,
  sensibleFor,
  type For,
  type Look,
  type Wanted,
} from '../core/package';
import { allPieces } from '../core/vector';
import { checkFile, checkLook, type PackageCheck } from '../node/package-checks';
import { PackageMaker } from '../node/package-files';
import { subjectOf, type PackageSubject } from '../node/package-subject';
import { fileFault, makeFolder, writeOutput } from './outputs';
import { readArgs, UsageError } from './usage';

const LOOKS: Readonly<Record<string, Look>> = {
  own: { key: 'master', name: 'own', kind: 'own' },
  'one-colour': ONE_COLOUR,
  reversed: REVERSED,
};

/** Where the files of a package go. */
interface Outlet {
  readonly put: (name: string, bytes: Uint8Array) => Promise<void>;
  readonly end: () => Promise<void>;
  readonly drop: () => Promise<void>;
}

const toFolder = (out: string): Outlet => ({
  put: (name, bytes) => writeOutput(join(out, name), bytes),
  end: async () => {},
  drop: async () => {},
});

/** A zip that is written as its files come; under its name only when it is whole. */
async function toZip(out: string, date: string): Promise<Outlet> {
  await makeFolder(dirname(out));
  const partial = `${out}.part`;
  const file = createWriteStream(partial);
  await once(file, 'open');
  let failed: Error | null = null;
  file.on('error', (error) => (failed = error));
  const zip = new Zip((error, chunk) => {
    if (error) failed = error;
    else file.write(chunk);
  });
  const mtime = new Date(`${date}T12:00:00`);
  const settled = async (): Promise<void> => {
    if (failed) throw failed;
    if (file.writableNeedDrain) await once(file, 'drain');
  };
  return {
    async put(name, bytes) {
      const isPacked = /\.(png|jpe?g|ico|pdf|gif)$/.test(name);
      const entry = isPacked ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 9 });
      entry.mtime = mtime;
      zip.add(entry);
      entry.push(bytes, true);
      await settled();
    },
    async end() {
      zip.end();
      await new Promise<void>((done, fail) => {
        file.once('error', fail);
        file.end(() => done());
      });
      if (failed) throw failed;
      await rename(partial, out);
    },
    async drop() {
      file.destroy();
      await rm(partial, { force: true });
    },
  };
}

function forsFrom(text: string): For[] {
  if (text === 'all') return [...FORS];
  const asked = text.split(',').map((w) => w.trim());
  const wrong = asked.find((w) => !(FORS as readonly string[]).includes(w));
  if (wrong !== undefined) throw new UsageError(`--for has no "${wrong}": ${FORS.join(', ')}, or all`);
  return FORS.filter((f) => asked.includes(f));
}

function looksFrom(text: string): Look[] {
  return text.split(',').map((w) => {
    const look = LOOKS[w.trim()];
    if (!look) throw new UsageError(`--colourways has no "${w.trim()}": ${Object.keys(LOOKS).join(', ')}`);
    return look;
  });
}

/** `odd-quill package`: SVG files as what a client is owed, checked, in a folder or a zip. */
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
  const looks = looksFrom(values.colourways ?? 'own,one-colour,reversed');
  const name = values.name.trim();

  const subjects: PackageSubject[] = [];
  let broken = 0;
  for (const [k, input] of positionals.entries())
    try {
      const { artwork } = readSvg(new TextDecoder('utf-8', { fatal: true }).decode(await readFile(input)));
      if (!allPieces(artwork).length) throw new SvgError('The file has no shape in it');
      const own = basename(input, extname(input));
      const stem = positionals.length === 1 ? fileStem(name) : fileStem(`${fileStem(name).slice(0, 30)}-${own}`);
      const kind = artwork.widthPx > 1.6 * artwork.heightPx ? 'lockup' : 'mark';
      subjects.push(subjectOf(artwork, { key: `${k}`, name: positionals.length === 1 ? name : `${name}, ${own}`, stem, kind })); // prettier-ignore
    } catch (error) {
      broken++;
      const said = error instanceof TypeError ? 'The file is not text in UTF-8' : fileFault(error);
      console.error(`odd-quill: ${input}: ${said}`);
    }
  if (broken) return 1;

  const wanted: Wanted[] = subjects.flatMap((subject) =>
    looks.map((look) => {
      const sensible = sensibleFor(subject, look);
      // What is asked for by name is made of its own inks whatever it is; of other looks where that makes sense.
      const own = fors ? (look.kind === 'own' ? fors : fors.filter((f) => sensible.includes(f))) : sensible;
      return { subject, look, for: own };
    }),
  );
  const plan = planPackage(wanted);
  if (!plan.length) throw new UsageError('nothing of that is made of these colourways: add own');
  const maker = new PackageMaker(subjects, { date, title: name, grounds: [] }, plan);
  const outlet = /\.zip$/i.test(values.out) ? await toZip(values.out, date) : toFolder(values.out);
  const files: { name: string; for: For; widthPx: number | null; heightPx: number | null; bytes: number }[] = [];
  const checks: PackageCheck[] = [];
  const put = async (file: Omit<(typeof files)[number], 'bytes'>, bytes: Uint8Array): Promise<void> => {
    await outlet.put(file.name, bytes);
    files.push({ ...file, bytes: bytes.length });
  };
  try {
    for (const { subject, look } of wanted) {
      const called = look.kind === 'own' ? subject.name : `${subject.name}, ${look.name}`;
      checks.push(...checkLook(called, maker.artworkOf({ subject: subject.key, look }), { longerMm: 40 }));
    }
    for (const file of plan) {
      const bytes = await maker.make(file);
      checks.push(...(await checkFile(file, bytes, maker.artworkOf(file))));
      await put({ name: file.name, for: file.for, widthPx: file.widthPx, heightPx: file.heightPx }, bytes);
    }
    const text = (lines: readonly string[]) => new TextEncoder().encode(lines.join('\n') + '\n');
    const plain = { for: 'developers', widthPx: null, heightPx: null } as const;
    await put(
      { name: 'checks.txt', ...plain },
      text([`Checked before it left: ${name}, ${date}`, '', ...checks.map((c) => `${c.ok ? 'ok   ' : 'LOOK '} ${c.file ? `${c.file}: ` : ''}${c.said}`)]),
    ); // prettier-ignore
    await put({ name: 'README.txt', ...plain }, text(readmeLines(name, date, plan)));
    await outlet.end();
  } catch (error) {
    await outlet.drop();
    throw error;
  }
  if (values.json) console.log(JSON.stringify({ files, checks }));
  else {
    const bad = checks.filter((c) => !c.ok);
    const total = files.reduce((sum, f) => sum + f.bytes, 0);
    console.log(`${values.out}: ${files.length} files, ${Math.round(total / 1000)} KB; ${checks.length} checks, ${bad.length} to look at`); // prettier-ignore
    for (const c of bad) console.log(`  ${c.file ? `${c.file}: ` : ''}${c.said}`);
  }
  return 0;
}
