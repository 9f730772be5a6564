import { readFile } from 'node:fs/promises';
import * as v from 'valibot';
import { join } from 'node:path';
import {
  cutOut,
  maskFrom,
  mended,
  retouched,
  RetouchError,
  StepSchema,
  tellStep,
  type InnerChoice,
  type RetouchStep,
} from '../core/retouch';
import { decodePicture, encodePng } from '../node/pictures';
import { writeOutput } from './outputs';
import { readArgs, UsageError } from './usage';

const INNER: readonly string[] = ['auto', 'keep', 'drop'] satisfies readonly InnerChoice[];

/** One input and where its picture goes. */
function inputAndOutput(command: string, positionals: readonly string[], out: string | undefined): [string, string] {
  if (positionals.length !== 1) throw new UsageError(`${command} wants one picture`);
  if (out === undefined) throw new UsageError(`${command} wants --out FILE.png: it writes over no picture`);
  return [positionals[0], out];
}

/** `odd-quill cut-out`: the ground taken off a picture, which keeps its size. */
export async function cutOutCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      out: { type: 'string' },
      inner: { type: 'string', default: 'auto' },
      json: { type: 'boolean', default: false },
    },
  });
  const [input, file] = inputAndOutput('cut-out', positionals, values.out);
  if (!INNER.includes(values.inner)) throw new UsageError('--inner is auto, keep or drop');
  const started = performance.now();
  const { picture, groundHex, enclosed } = cutOut(await decodePicture(await readFile(input)), {
    inner: values.inner as InnerChoice,
  });
  await writeOutput(file, await encodePng(picture));
  const inner = enclosed.map(({ box, dropped }) => ({ box, dropped }));
  const ms = Math.round(performance.now() - started);
  if (values.json) console.log(JSON.stringify({ file, inner, ms }));
  else if (groundHex === null) console.log(`${file}: there was no ground to take off, ${ms} ms`);
  else {
    const gone = inner.filter((i) => i.dropped).length;
    console.log(`${file}: ground ${groundHex} off, ${gone} of ${inner.length} enclosed areas too, ${ms} ms`);
  }
  return 0;
}

async function stepsFrom(path: string): Promise<RetouchStep[]> {
  let read: unknown;
  try {
    read = JSON.parse(await readFile(path, 'utf8'));
  } catch (error) {
    if (error instanceof SyntaxError) throw new UsageError(`${path} is not JSON`);
    throw error;
  }
  const checked = v.safeParse(v.array(StepSchema), read);
  if (checked.success) return checked.output;
  const [issue] = checked.issues;
  throw new UsageError(`${path}: ${v.getDotPath(issue) ?? 'steps'}: ${issue.message}`);
}

/** `odd-quill retouch`: the steps of a JSON array, made in turn. */
export async function retouchCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: { out: { type: 'string' }, steps: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  const [input, file] = inputAndOutput('retouch', positionals, values.out);
  if (values.steps === undefined) throw new UsageError('retouch wants --steps FILE.json (docs/retouch.md)');
  const steps = await stepsFrom(values.steps);
  const started = performance.now();
  const picture = retouched(await decodePicture(await readFile(input)), steps);
  await writeOutput(file, await encodePng(picture));
  const told = steps.map(tellStep);
  const ms = Math.round(performance.now() - started);
  if (values.json) console.log(JSON.stringify({ file, steps: told, ms }));
  else console.log(`${file}: ${told.join(', ') || 'no step'}, ${ms} ms`);
  return 0;
}

/** `odd-quill mend`: an area filled to match what is around it, in as many ways as asked for. */
export async function mendCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      area: { type: 'string' },
      out: { type: 'string' },
      count: { type: 'string', default: '4' },
      seed: { type: 'string', default: '1' },
      json: { type: 'boolean', default: false },
    },
  });
  if (positionals.length !== 1) throw new UsageError('mend wants one picture');
  if (values.area === undefined) throw new UsageError('mend wants --area MASK.png, white where it is to be mended');
  if (values.out === undefined) throw new UsageError('mend wants --out DIR');
  const [count, seed] = [Number(values.count), Number(values.seed)];
  if (!Number.isInteger(count) || count < 1 || count > 16)
    throw new UsageError('--count is a whole number from 1 to 16');
  if (!Number.isInteger(seed) || seed < 0 || seed > 0xffffffff)
    throw new UsageError('--seed is a whole number from 0 to 4294967295');
  const [picture, area] = await Promise.all(
    [positionals[0], values.area].map(async (path) => decodePicture(await readFile(path))),
  );
  const started = performance.now();
  const fills = mended(picture, maskFrom(area, picture), { count, seed });
  if (!fills.length) throw new RetouchError('The area is the whole picture: there is nothing around it to go by');
  const ms = Math.round(performance.now() - started);
  const written: { file: string; how: string }[] = [];
  for (const [k, { how, picture: filled }] of fills.entries()) {
    const file = join(values.out, `${k + 1}-${how.replaceAll(' ', '-')}.png`);
    await writeOutput(file, await encodePng(filled));
    written.push({ file, how });
  }
  if (values.json) console.log(JSON.stringify({ fills: written, ms }));
  else {
    for (const { file, how } of written) console.log(`${file}: ${how}`);
    console.log(`${ms} ms`);
  }
  return 0;
}
