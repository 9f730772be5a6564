import { basename, dirname, extname, join } from 'node:path';
import { readSvg, SvgError } from '../core/import';
import {
  checkLook,
  fileStem,
  FORS,
  ONE_COLOUR,
  planPackage,
  readmeLines,
  REVERSED,
  sensibleFor,
  subjectOf,
  type For,
  type Look,
  type PackageCheck,
  type PackageSubject,
  type Wanted,
} from '../core/package';
import { allPieces } from '../core/vector';
import { checkFile } from '../node/package-checks';
import { PackageMaker } from '../node/package-files';
import { zipFile, type ZipFile } from '../node/zip-file';
import { fileFault, makeFolder, textOf, writeOutput } from './outputs';
import { readArgs, UsageError } from './usage';

const LOOKS: Readonly<Record<string, Look>> = {
  own: { key: 'master', name: 'own', kind: 'own' },
  'one-colour': ONE_COLOUR,
  reversed: REVERSED,
};

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
      const { artwork } = readSvg(await textOf(input));
      if (!allPieces(artwork).length) throw new SvgError('The file has no shape in it');
      const own = basename(input, extname(input));
      const stem = positionals.length === 1 ? fileStem(name) : fileStem(`${fileStem(name).slice(0, 30)}-${own}`);
      const kind = artwork.widthPx > 1.6 * artwork.heightPx ? 'lockup' : 'mark';
      subjects.push(subjectOf(artwork, { key: `${k}`, name: positionals.length === 1 ? name : `${name}, ${own}`, stem, kind })); // prettier-ignore
    } catch (error) {
      broken++;
      console.error(`odd-quill: ${input}: ${fileFault(error)}`);
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
