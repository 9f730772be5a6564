import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import {
  checkRequest,
  contactSheet,
  creditsFor,
  FINISHES,
  finishExample,
  knownFinish,
  seedAt,
  type CandidateRequest,
  type Recipe,
} from '../core/engine';
import { KINDS, type Kind } from '../core/prompt';
import { fileStem } from '../core/package';
import type { Picture } from '../core/raster';
import { decodePicture, encodePng } from '../node/pictures';
import { Pool } from '../node/pool';
import { makeFolder, writeOutput } from './outputs';
import { readArgs, THREAD_FILE, UsageError, wholeNumber } from './usage';

/** Side of a contact sheet's cells. */
const CELL_PX = 320;

/** The recipe to grow from: out of a report that `--json` wrote (`FILE.json` or `FILE.json:POSITION`), or of a round's seeds. */
async function recipeFrom(text: string, asked: CandidateRequest): Promise<Recipe> {
  const file = /^(.+\.json)(?::(\d+))?$/.exec(text);
  if (file) {
    let report: { candidates?: { recipe?: Recipe }[]; recipe?: Recipe } | null;
    try {
      report = JSON.parse(await readFile(file[1], 'utf8')) as typeof report;
    } catch (error) {
      throw Object.assign(new Error(`${file[1]}: ${(error as Error).message}`), { code: 'bad_recipe' });
    }
    const at = Number(file[2] ?? 1) - 1;
    const recipe = report?.recipe ?? report?.candidates?.[at]?.recipe;
    if (!recipe) throw new UsageError(`${file[1]} has no candidate ${at + 1} with a recipe`);
    return recipe;
  }
  const seeds = text.split(/[,\s]+/).filter(Boolean);
  if (!seeds.length || seeds.some((s) => !/^\d+(?::\d)?$/.test(s)))
    throw new UsageError(
      '--offshoot-of wants a report written by --json, or the seed of a round, such as 7 or 7:2 for its third candidate',
    );
  const [round, position = '0'] = seeds[0].split(':');
  const parent = checkRequest({ ...asked, offshootOf: null, seed: Number(round) });
  const own = 0.1 + 0.9 * (parent.leeway / 100);
  return {
    version: 1,
    prompt: parent.prompt,
    leaveOut: parent.leaveOut,
    leeway: parent.leeway,
    ratio: parent.ratio,
    colours: parent.colours,
    finish: parent.finish,
    kind: parent.kind,
    detail: parent.detail,
    flaws: parent.flaws,
    descent: [
      { seed: Number(round), drift: 1 },
      { seed: seedAt(Number(round), Number(position)), drift: own },
      // Further seeds are further generations, each drifting as far as this one will.
      ...seeds.slice(1).map((s) => ({ seed: Number(s.split(':')[0]), drift: ((asked.drift ?? 25) / 100) ** 0.9 })),
    ],
    position: Number(position),
    closeness: [],
    balance: null,
    mended: false,
  };
}

/** `odd-quill candidates`: draws a round without a server. */
export async function candidatesCommand(args: readonly string[]): Promise<number> {
  const { values } = readArgs({
    args: [...args],
    allowPositionals: false,
    options: {
      prompt: { type: 'string' },
      out: { type: 'string' },
      count: { type: 'string' },
      seed: { type: 'string' },
      size: { type: 'string' },
      ratio: { type: 'string' },
      leeway: { type: 'string' },
      'leave-out': { type: 'string' },
      colours: { type: 'string' },
      reference: { type: 'string', multiple: true },
      closeness: { type: 'string', multiple: true },
      balance: { type: 'string' },
      finish: { type: 'string' },
      kind: { type: 'string' },
      detail: { type: 'string' },
      'offshoot-of': { type: 'string', multiple: true },
      drift: { type: 'string' },
      flaws: { type: 'string' },
      'contact-sheet': { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  const { prompt, reference: files = [], closeness = [] } = values;
  if (prompt === undefined && !files.length && !values['offshoot-of'])
    throw new UsageError('candidates wants a --prompt');
  if (closeness.length > files.length) throw new UsageError('each --closeness goes with a --reference before it');
  if (values.kind !== undefined && !(KINDS as readonly string[]).includes(values.kind))
    throw new UsageError(`there is no kind of mark "${values.kind}"; the kinds are: ${KINDS.join(', ')}`);
  if (values.finish !== undefined && !knownFinish(values.finish))
    throw new UsageError(
      `there is no finish "${values.finish}"; the finishes are: ${Object.keys(FINISHES).join(', ')}`,
    );
  const started = performance.now();
  const references = await Promise.all(
    files.map(async (file, i) => ({
      picture: await decodePicture(await readFile(file)),
      closeness: wholeNumber('closeness', closeness[i]) ?? 50,
    })),
  );
  const plain: CandidateRequest = {
    prompt: prompt ?? '',
    leaveOut: values['leave-out'],
    leeway: wholeNumber('leeway', values.leeway),
    ratio: values.ratio,
    colours: wholeNumber('colours', values.colours),
    count: wholeNumber('count', values.count),
    seed: wholeNumber('seed', values.seed),
    sizePx: wholeNumber('size', values.size),
    finish: values.finish,
    kind: values.kind as Kind | undefined,
    detail: wholeNumber('detail', values.detail),
    flaws: wholeNumber('flaws', values.flaws),
    balance: wholeNumber('balance', values.balance),
    drift: wholeNumber('drift', values.drift),
    ...(references.length ? { references } : {}),
  };
  const parent = values['offshoot-of'];
  const asked: CandidateRequest = parent ? { ...plain, offshootOf: await recipeFrom(parent.join(' '), plain) } : plain;
  const checked = checkRequest(asked);
  // With only a contact sheet asked for, the pictures themselves are not kept.
  const out = values.out ?? (values['contact-sheet'] ? null : '.');
  if (out !== null) await makeFolder(out);
  const pool = new Pool(THREAD_FILE);
  try {
    const stem = fileStem((checked.prompt || 'reference').slice(0, 40));
    const pictures: Picture[] = [];
    const candidates = await Promise.all(
      Array.from({ length: checked.count }, async (_, position) => {
        const { png, ...drawn } = await pool.run('draw', { request: asked, position });
        const file = out === null ? null : join(out, `${stem}-${position + 1}.png`);
        if (file !== null) await writeOutput(file, png);
        if (values['contact-sheet']) pictures[position] = await decodePicture(png);
        return { file, ...drawn };
      }),
    );
    const sheet = values['contact-sheet'] ?? null;
    if (sheet) await writeOutput(sheet, await encodePng(contactSheet(pictures, Math.min(4, pictures.length), CELL_PX)));
    const report = {
      candidates,
      figures: checked.understood.figures,
      parts: checked.understood.parts,
      contactSheet: sheet,
      credits: creditsFor(checked.count, checked.sizePx),
      ms: Math.round(performance.now() - started),
    };
    if (values.json) console.log(JSON.stringify(report));
    else {
      for (const c of candidates)
        console.log(
          `${c.file ?? `candidate ${candidates.indexOf(c) + 1}`}: ${c.widthPx} x ${c.heightPx} px, seed ${c.seed}${c.sketch ? `, ${Math.round(c.sketch.kept * 100)}% of the sketch left` : ''}`,
        );
      for (const s of checked.understood.parts.settled) console.log(`${s.part}: "${s.kept}" won over "${s.dropped}"`);
      if (sheet) console.log(`${sheet}: contact sheet`);
    }
    return 0;
  } finally {
    await pool.close();
  }
}

/** `odd-quill finishes`: lists the finishes, and draws an example of each. */
export async function finishesCommand(args: readonly string[]): Promise<number> {
  const { values } = readArgs({
    args: [...args],
    allowPositionals: false,
    options: {
      out: { type: 'string' },
      'contact-sheet': { type: 'string' },
      size: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  const size = wholeNumber('size', values.size) ?? 256;
  const { out } = values;
  const list = Object.entries(FINISHES).map(([name, { about }]) => ({
    name,
    about,
    file: out ? join(out, `${fileStem(name)}.png`) : null,
  }));
  if (out || values['contact-sheet']) {
    if (out) await makeFolder(out);
    const pictures: Picture[] = [];
    for (const finish of list) {
      const picture = finishExample(finish.name, size);
      pictures.push(picture);
      if (finish.file) await writeOutput(finish.file, await encodePng(picture));
    }
    const sheet = values['contact-sheet'];
    if (sheet) await writeOutput(sheet, await encodePng(contactSheet(pictures, 7, size)));
  }
  if (values.json) console.log(JSON.stringify(list));
  else for (const { name, about, file } of list) console.log(`${name}: ${about}${file ? ` (${file})` : ''}`);
  return 0;
}
