import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { checkRequest, creditsFor, type CandidateRequest } from '../core/engine';
import { fileStem } from '../core/package';
import { Pool } from '../node/pool';
import { readArgs, THREAD_FILE, UsageError, wholeNumber } from './usage';

/** `odd-quill candidates`: draws a round without a server. */
export async function candidatesCommand(args: readonly string[]): Promise<number> {
  const { values } = readArgs({
    args: [...args],
    allowPositionals: false,
    options: {
      prompt: { type: 'string' },
      out: { type: 'string', default: '.' },
      count: { type: 'string' },
      seed: { type: 'string' },
      size: { type: 'string' },
      ratio: { type: 'string' },
      leeway: { type: 'string' },
      'leave-out': { type: 'string' },
      colours: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  const { prompt, out } = values;
  if (prompt === undefined) throw new UsageError('candidates wants a --prompt');
  const started = performance.now();
  const asked: CandidateRequest = {
    prompt,
    leaveOut: values['leave-out'],
    leeway: wholeNumber('leeway', values.leeway),
    ratio: values.ratio,
    colours: wholeNumber('colours', values.colours),
    count: wholeNumber('count', values.count),
    seed: wholeNumber('seed', values.seed),
    sizePx: wholeNumber('size', values.size),
  };
  const checked = checkRequest(asked);
  await mkdir(out, { recursive: true });
  const pool = new Pool(THREAD_FILE);
  try {
    const stem = fileStem(prompt.slice(0, 40));
    const candidates = await Promise.all(
      Array.from({ length: checked.count }, async (_, position) => {
        const { png, ...drawn } = await pool.run('draw', { request: asked, position });
        const file = join(out, `${stem}-${position + 1}.png`);
        await writeFile(file, png);
        return { file, ...drawn };
      }),
    );
    const report = {
      candidates,
      figures: checked.understood.figures,
      credits: creditsFor(checked.count, checked.sizePx),
      ms: Math.round(performance.now() - started),
    };
    if (values.json) console.log(JSON.stringify(report));
    else for (const c of candidates) console.log(`${c.file}: ${c.widthPx} x ${c.heightPx} px, seed ${c.seed}`);
    return 0;
  } finally {
    await pool.close();
  }
}
