/** Pictures of four formats, and drawings, as chance and malice leave them. */
import { mkdir, readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { drawCandidate } from '../../core/engine';
import { randomFrom } from '../../core/random';
import { encodePng } from '../../node/pictures';

export type Format = 'png' | 'jpg' | 'webp' | 'svg';
export const FORMATS: readonly Format[] = ['png', 'jpg', 'webp', 'svg'];

/** Those that took longest or went wrong in a long run: tried each time. */
export const WORST = join(import.meta.dirname, '../fixtures/worst');

const SVG = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><defs><linearGradient id="g"><stop stop-color="#182A5C"/><stop offset="1" stop-color="#F2C14E"/></linearGradient><clipPath id="c"><circle cx="50" cy="50" r="40"/></clipPath></defs><style>.w{fill:url(#g)}</style><g class="w" clip-path="url(#c)" transform="rotate(10 50 50)"><path d="M10 10h40v40zM20 70q10-20 30 0t30 5A9 9 0 0 1 60 60z"/><use href="#p" x="5"/></g><path id="p" d="M5 90C20 60 60 120 95 90" fill="none" stroke="#A00" stroke-width="6" stroke-dasharray="4 2"/></svg>`;

async function wholeOnes(): Promise<Record<Format, Buffer>> {
  const png = await encodePng(drawCandidate({ prompt: 'an owl, midnight blue', sizePx: 96 }, 0).picture);
  return {
    png,
    jpg: await sharp(png).jpeg({ quality: 80 }).toBuffer(),
    webp: await sharp(png).webp({ quality: 80 }).toBuffer(),
    svg: Buffer.from(SVG),
  };
}

/** One way or another of spoiling a file. */
function spoil(file: Buffer, random: () => number): Buffer {
  const bytes = Buffer.from(file);
  const at = () => Math.floor(random() * bytes.length);
  switch (Math.floor(random() * 6)) {
    case 0:
      return bytes.subarray(0, at());
    case 1: {
      // Sizes and lengths stand at the beginning: the largest number that fits.
      bytes.fill(
        0xff,
        Math.min(bytes.length, 4 + Math.floor(random() * 60)),
        Math.min(bytes.length, 8 + Math.floor(random() * 60)),
      );
      return bytes;
    }
    case 2: {
      const [from, to] = [at(), at()].sort((p, q) => p - q);
      return Buffer.concat([bytes.subarray(0, from), bytes.subarray(to)]);
    }
    case 3: {
      const [from, to] = [at(), at()].sort((p, q) => p - q);
      return Buffer.concat([bytes.subarray(0, to), bytes.subarray(from)]);
    }
    case 4: {
      // In text: numbers grow.
      const text = bytes
        .toString('latin1')
        .replace(/\d+/g, (n) => (random() < 0.15 ? n + '9'.repeat(Math.floor(random() * 12)) : n));
      return Buffer.from(text, 'latin1');
    }
    default:
      for (let n = 1 + Math.floor(random() * 12); n > 0; n--) bytes[at()] = Math.floor(random() * 256);
      return bytes;
  }
}

export interface Tried {
  readonly name: string;
  readonly file: Buffer;
  readonly status: number;
  readonly ms: number;
  /** What went wrong with how it was answered. */
  readonly fault: string | null;
}

/** Brings one file in, and has it traced where it is a picture; what is not answered within `limitMs`, or with a 5xx, is a fault. */
async function bring(
  address: string,
  commissionId: string,
  name: string,
  file: Buffer,
  limitMs: number,
): Promise<Tried> {
  const format = name.split('.').pop() as Format;
  const ways =
    format === 'svg'
      ? [`/api/commissions/${commissionId}/artworks?name=${name}`]
      : [`/api/commissions/${commissionId}/pictures?name=${name}`, '/api/trace'];
  const since = performance.now();
  let [status, fault] = [0, null as string | null];
  for (const way of ways) {
    try {
      const answer = await fetch(address + way, {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: new Uint8Array(file),
        signal: AbortSignal.timeout(limitMs),
      });
      status = answer.status;
      const text = await answer.text();
      if (status >= 500 && !(status === 503 && answer.headers.has('retry-after')))
        fault ??= `${way} answered ${status}: ${text.slice(0, 200)}`;
      else if (status >= 400 && !(JSON.parse(text) as { error?: { message?: string } }).error?.message)
        fault ??= `${way} says nothing`;
    } catch (error) {
      fault ??= `${way}: ${(error as Error).message}`;
    }
  }
  return { name, file, status, ms: performance.now() - since, fault };
}

export interface MutationReport {
  readonly tried: number;
  readonly taken: number;
  readonly refused: number;
  readonly faults: readonly string[];
  readonly slowest: readonly Tried[];
}

/** So many spoilt files of each format, and the worst of earlier runs. Faulty ones are kept in `keepIn` where that is given. */
export async function mutatedPictures(
  address: string,
  commissionId: string,
  { each = 25, seed = 1, limitMs = 30_000, keepIn = undefined as string | undefined } = {},
): Promise<MutationReport> {
  const random = randomFrom(seed);
  const whole = await wholeOnes();
  const files: [string, Buffer][] = [];
  for (const format of FORMATS)
    for (let n = 0; n < each; n++) {
      let file = whole[format];
      for (let k = 1 + Math.floor(random() * 2); k > 0; k--) file = spoil(file, random);
      files.push([`${seed}-${n}.${format}`, file]);
    }
  for (const name of await readdir(WORST).catch(() => [])) files.push([name, await readFile(join(WORST, name))]);
  const tried: Tried[] = [];
  for (const [name, file] of files) tried.push(await bring(address, commissionId, name, file, limitMs));
  const slowest = [...tried].sort((p, q) => q.ms - p.ms).slice(0, 5);
  if (keepIn) {
    await mkdir(keepIn, { recursive: true });
    for (const { name, file } of [...tried.filter((t) => t.fault), ...slowest])
      await writeFile(join(keepIn, name), file);
  }
  return {
    tried: tried.length,
    taken: tried.filter((t) => t.status < 300).length,
    refused: tried.filter((t) => t.status >= 400).length,
    faults: tried.flatMap((t) => (t.fault ? [`${t.name}: ${t.fault}`] : [])),
    slowest,
  };
}
