import { createHash } from 'node:crypto';
import { execFile, spawn } from 'node:child_process';
import { once } from 'node:events';
import { closeSync, existsSync, openSync } from 'node:fs';
import { mkdtemp, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { unzipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { readSvg } from '../core/import';
import { drawCandidate } from '../core/engine';
import { blankPicture } from '../core/raster';
import { allPieces } from '../core/vector';
import { decodePicture, encodePng } from '../node/pictures';
import { main } from './main';

const COMMAND = resolve(import.meta.dirname, 'odd-quill.mjs');
let folder: string;

interface Ran {
  readonly code: number;
  readonly out: string;
  readonly err: string;
}

/** Runs the command as one does, in a process of its own. */
const runAlone = (...args: string[]) =>
  new Promise<Ran>((done) => {
    execFile(process.execPath, [COMMAND, ...args], { cwd: folder }, (error, out, err) =>
      done({ code: error ? Number(error.code) : 0, out, err }),
    );
  });

/** Runs the command here, in the tests' folder: what it does is the same, and it need not start first. */
async function run(...args: string[]): Promise<Ran> {
  const [out, err]: [string[], string[]] = [[], []];
  const into = (lines: string[]) => (text: unknown) => void lines.push(`${String(text)}\n`);
  const spies = [
    vi.spyOn(console, 'log').mockImplementation(into(out)),
    vi.spyOn(console, 'error').mockImplementation(into(err)),
    vi.spyOn(process.stdout, 'write').mockImplementation((text) => {
      out.push(String(text));
      return true;
    }),
  ];
  const before = process.cwd();
  process.chdir(folder);
  try {
    return { code: await main(args), out: out.join(''), err: err.join('') };
  } finally {
    process.chdir(before);
    for (const spy of spies) spy.mockRestore();
  }
}

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'odd-quill-cli-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

describe('odd-quill', () => {
  it('explains itself, on standard output', async () => {
    const { code, out, err } = await runAlone('--help');
    expect([code, err]).toEqual([0, '']);
    for (const option of [
      '--colours N|auto',
      '--ground keep|drop|outside',
      '--stacking stacked|cutout',
      '--leave-out TEXT',
      '--json',
    ])
      expect(out).toContain(option);
    expect((await runAlone('--version')).out).toMatch(/^\d+\.\d+\.\d+\n$/);
  });

  it('says what it did not understand, on standard error, with exit code 2', async () => {
    for (const args of [
      [],
      ['paint'],
      ['trace'],
      ['trace', '--colors', '3', 'x.png'],
      ['candidates'],
      ['candidates', '--prompt', 'fox', '--count', 'many'],
    ]) {
      const { code, out, err } = await run(...args);
      expect([args.join(' '), code, out]).toEqual([args.join(' '), 2, '']);
      expect(err).toMatch(/^odd-quill: /);
    }
    expect((await run('candidates', '--prompt', '  ')).err).toContain('prompt is empty');
  });

  it('draws candidates, seeded and repeatable, and tells of them in JSON', async () => {
    const args = [
      'candidates',
      '--prompt',
      'noctule bat over a crescent moon',
      '--seed',
      '7',
      '--size',
      '128',
      '--count',
      '2',
      '--ratio',
      '3:2',
      '--json',
    ];
    const { code, out } = await run(...args, '--out', 'a');
    expect(code).toBe(0);
    const report = JSON.parse(out) as {
      candidates: { file: string; widthPx: number; heightPx: number; seed: number }[];
      figures: unknown;
      credits: number;
    };
    expect(report.candidates.map((c) => [c.widthPx, c.heightPx])).toEqual([
      [128, 85],
      [128, 85],
    ]);
    expect(report.figures).toEqual([
      { word: 'noctule bat', drawn: 'bat', via: 'synonym' },
      { word: 'crescent moon', drawn: 'crescent moon', via: 'name' },
    ]);
    expect(report.credits).toBe(2);
    await run(...args, '--out', 'b');
    for (const name of await readdir(join(folder, 'a'))) {
      const [p, q] = await Promise.all(['a', 'b'].map((dir) => readFile(join(folder, dir, name))));
      expect(p.equals(q)).toBe(true);
      expect((await decodePicture(p)).widthPx).toBe(128);
    }
  });

  it('traces several pictures into a folder, one JSON object a line', async () => {
    const inputs = (await readdir(join(folder, 'a'))).map((n) => join('a', n));
    const { code, out } = await run('trace', ...inputs, '--out', 'svg', '--json', '--ground', 'drop');
    expect(code).toBe(0);
    const reports = out
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l) as Record<string, unknown>);
    expect(reports.map((r) => r.input)).toEqual(inputs);
    for (const report of reports) {
      const svg = await readFile(join(folder, report.output as string), 'utf8');
      expect(svg).toContain('viewBox="0 0 128 85"');
      expect(Buffer.byteLength(svg)).toBe(report.bytes);
      expect(Object.keys(report)).toEqual([
        'input',
        'output',
        'widthPx',
        'heightPx',
        'inks',
        'segments',
        'corners',
        'certainty',
        'symmetry',
        'gradients',
        'fit',
        'bytes',
        'ms',
      ]);
    }
  });

  it('drops the ground everywhere, or outside the figure alone', async () => {
    const ring = blankPicture(64, 64, [255, 255, 255]);
    for (let k = 0; k < 64 * 64; k++) {
      const [x, y] = [(k % 64) - 32, Math.floor(k / 64) - 32];
      const out = Math.hypot(x + 0.5, y + 0.5);
      if (out > 10 && out < 25) ring.rgba.set([24, 42, 92], k * 4);
    }
    await writeFile(join(folder, 'ring.png'), await encodePng(ring));
    const [pieces, papers]: [Record<string, number>, Record<string, boolean>] = [{}, {}];
    for (const ground of ['keep', 'outside', 'drop']) {
      const { code } = await run('trace', 'ring.png', '--out', `ring-${ground}.svg`, '--ground', ground);
      expect(code).toBe(0);
      const svg = await readFile(join(folder, `ring-${ground}.svg`), 'utf8');
      pieces[ground] = svg.match(/<(?:circle|rect|path|ellipse) /g)?.length ?? 0;
      papers[ground] = svg.includes('<rect width="64" height="64"/>');
    }
    // The ring on its paper, on a disc of that, and alone.
    expect(pieces).toEqual({ keep: 2, outside: 2, drop: 1 });
    expect(papers).toEqual({ keep: true, outside: false, drop: false });
  });

  it('writes one picture to a named file, in two colours with the ground', async () => {
    const [name] = await readdir(join(folder, 'a'));
    const { out } = await run('trace', join('a', name), '--out', 'one.svg', '--colours', '2', '--json');
    expect((JSON.parse(out) as { inks: unknown[] }).inks).toHaveLength(2);
    expect(await readFile(join(folder, 'one.svg'), 'utf8')).toMatch(/^<svg /);
  });

  it('takes a palette, a tolerance and a size of specks', async () => {
    const [name] = await readdir(join(folder, 'a'));
    const { out } = await run(
      'trace',
      join(folder, 'a', name),
      '--out',
      'p.svg',
      '--palette',
      '#ffffff,#20346e',
      '--tolerance',
      '0.5',
      '--specks',
      '40',
      '--json',
    );
    const report = JSON.parse(out) as { inks: { hex: string }[]; fit: { meanPx: number; maxPx: number } };
    expect(report.inks.map((i) => i.hex).sort()).toEqual(['#20346E', '#FFFFFF']);
    expect(report.fit.meanPx).toBeLessThanOrEqual(report.fit.maxPx);
    expect((await run('trace', name, '--tolerance', 'much')).code).toBe(2);
    expect((await run('trace', name, '--symmetry', 'maybe')).code).toBe(2);
    const banded = await run('trace', join(folder, 'a', name), '--out', 'g.svg', '--gradients', '--json');
    expect(JSON.parse(banded.out)).toHaveProperty('gradients');
    const exact = await run('trace', join(folder, 'a', name), '--out', 's.svg', '--symmetry', 'exact', '--json');
    expect(Object.keys(JSON.parse(exact.out) as object)).toContain('symmetry');
    expect((await run('trace', name, '--palette', 'blue')).code).toBe(2);
  });

  it('draws after a reference, in a finish and kind, on a contact sheet, and offshoots of a report', async () => {
    const [sketch] = (
      JSON.parse(
        (
          await run(
            'candidates',
            '--prompt',
            'whale, white ground',
            '--finish',
            'pencil sketch',
            '--count',
            '1',
            '--size',
            '400',
            '--leeway',
            '0',
            '--out',
            'sketch',
            '--json',
          )
        ).out,
      ) as { candidates: { file: string }[] }
    ).candidates;
    const { code, out } = await run(
      'candidates',
      '--prompt',
      'fox, navy',
      '--reference',
      sketch.file,
      '--closeness',
      '100',
      '--kind',
      'pictorial',
      '--detail',
      '30',
      '--flaws',
      '0',
      '--size',
      '256',
      '--count',
      '2',
      '--contact-sheet',
      'sheet.png',
      '--json',
    );
    expect(code).toBe(0);
    const report = JSON.parse(out) as { candidates: { file: string | null; sketch: { kept: number } }[] };
    expect(report.candidates.map((c) => c.file)).toEqual([null, null]);
    expect(report.candidates[0].sketch.kept).toBeGreaterThan(0.9);
    expect((await decodePicture(await readFile(join(folder, 'sheet.png')))).widthPx).toBeGreaterThan(600);
    await writeFile(
      join(folder, 'report.json'),
      (await run('candidates', '--prompt', 'owl', '--size', '128', '--out', 'o', '--json')).out,
    );
    const grown = await run(
      'candidates',
      '--offshoot-of',
      'report.json:2',
      '--drift',
      '10',
      '--count',
      '1',
      '--size',
      '128',
      '--out',
      'o2',
      '--json',
    );
    expect(
      (JSON.parse(grown.out) as { candidates: { recipe: { descent: unknown[] } }[] }).candidates[0].recipe.descent,
    ).toHaveLength(3);
    expect(
      (await run('candidates', '--prompt', 'owl', '--offshoot-of', '7', '--count', '1', '--size', '128', '--out', 'o3'))
        .code,
    ).toBe(0);
    for (const wrong of [
      ['--finish', 'marzipan'],
      ['--kind', 'poster'],
      ['--closeness', '5'],
      ['--detail', 'much'],
      ['--offshoot-of', 'nowhere.json'],
    ])
      expect((await run('candidates', '--prompt', 'owl', ...wrong)).code, wrong.join(' ')).toBeGreaterThan(0);
  }, 60_000);

  it('lists the finishes, and draws them', async () => {
    const { out } = await run('finishes', '--out', 'fin', '--size', '64', '--json');
    const list = JSON.parse(out) as { name: string; about: string; file: string }[];
    expect(list.length).toBeGreaterThanOrEqual(24);
    expect(await readdir(join(folder, 'fin'))).toHaveLength(list.length);
  }, 60_000);

  it('goes on after an input it cannot use, and ends with exit code 1', async () => {
    const [name] = await readdir(join(folder, 'a'));
    await writeFile(join(folder, 'text.png'), 'not a picture');
    const { code, out, err } = await run(
      'trace',
      'text.png',
      'missing.png',
      join('a', name),
      '--out',
      'more',
      '--json',
    );
    expect(code).toBe(1);
    expect(out.trim().split('\n')).toHaveLength(1);
    expect(err).toContain('text.png: The file is not a PNG');
    expect(err).toContain('missing.png: there is no such file');
  });

  it('does not write two inputs over each other', async () => {
    const { code, err } = await run('trace', 'a/x.png', 'b/x.png', '--out', 'same');
    expect(code).toBe(2);
    expect(err).toContain('would both be written');
  });

  it('does not write two inputs over each other beside themselves either', async () => {
    await writeFile(join(folder, 'mark.png'), await encodePng(blankPicture(16, 16)));
    await writeFile(join(folder, 'mark.jpg'), 'x');
    const { code, err } = await run('trace', join(folder, 'mark.png'), join(folder, 'mark.jpg'));
    expect([code, err]).toEqual([2, expect.stringContaining('both be written')]);
  });

  it('reads SVG drawings, says what is left out, and writes them again', async () => {
    const file = join(folder, 'drawn.svg');
    await writeFile(
      file,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 50 40"><style>.a{fill:#182A5C}</style><text>x</text><g transform="scale(2)"><rect class="a" width="9" height="9"/></g></svg>',
    );
    const cut = join(folder, 'cut.svg');
    await writeFile(cut, '<svg viewBox="0 0 9 9"><rect');
    const { code, out, err } = await run('import', file, cut, '--out', join(folder, 'imported'), '--json');
    expect(code).toBe(1);
    expect(err).toContain('broken or cut off');
    const report = JSON.parse(out) as { output: string };
    expect(report).toMatchObject({
      widthPx: 50,
      heightPx: 40,
      pieces: 1,
      inks: [{ hex: '#182A5C', pieces: 1 }],
      leftOut: [{ what: 'text', count: 1 }],
    });
    expect(await readFile(report.output, 'utf8')).toContain('<rect width="18" height="18"/>');
    expect((await run('import', file)).code).toBe(2);
  });

  it('makes the edits of a file to an SVG, and says which it cannot', async () => {
    const file = join(folder, 'two.svg');
    await writeFile(
      file,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 50 40"><rect width="9" height="9"/><g><circle cx="20" cy="20" r="5" fill="red"/></g></svg>',
    );
    const edits = async (list: unknown) => {
      const path = join(folder, 'edits.json');
      await writeFile(path, JSON.stringify(list));
      return run('shapes', file, '--edits', path, '--out', join(folder, 'edited.svg'), '--json');
    };
    const done = await edits([
      { kind: 'remove-nodes', nodeIds: ['n1'] },
      { kind: 'node-transform', nodeIds: ['n2'], by: [1, 0, 0, 1, 5, 0] },
    ]);
    expect(JSON.parse(done.out)).toMatchObject({ points: [6, 2], nodes: 1 });
    expect(await readFile(join(folder, 'edited.svg'), 'utf8')).toContain('<circle cx="25" cy="20" r="5"/>');
    expect(await edits([{ kind: 'remove-nodes', nodeIds: ['n9'] }])).toMatchObject({
      code: 1,
      err: expect.stringContaining('no such piece'),
    });
    expect(await edits([{ kind: 'flatten' }])).toMatchObject({ code: 2 });
    expect(await edits('nothing')).toMatchObject({ code: 2 });
  });

  it('writes an SVG in other colours, in one, and says what cannot be had', async () => {
    const file = join(folder, 'mark.svg');
    await writeFile(
      file,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><circle cx="50" cy="50" r="40" fill="#182A5C"/><circle cx="50" cy="50" r="15" fill="#F4C552"/></svg>',
    );
    const out = join(folder, 'colours');
    const done = await run(
      'colourways',
      file,
      '--out',
      out,
      '--count',
      '3',
      '--seed',
      '4',
      '--lock',
      '#F4C552',
      '--json',
    );
    const lines = done.out.trim().split('\n').map((l) => JSON.parse(l) as { file: string; inks: { hex: string }[]; leastContrast: number; how: string }); // prettier-ignore
    expect(lines).toHaveLength(3);
    for (const line of lines) {
      expect(line.inks[1].hex).toBe('#F4C552');
      expect(line.leastContrast).toBeGreaterThanOrEqual(3);
      expect((await readFile(line.file, 'utf8')).toUpperCase()).toContain(line.inks[0].hex);
    }
    const one = await run('colourways', file, '--out', out, '--one-colour', '#111', '--reversed', '#FFFFFF', '--json');
    expect(
      one.out
        .trim()
        .split('\n')
        .map((l) => (JSON.parse(l) as { merged: unknown[] }).merged),
    ).toEqual([[], []]);
    const much = await run('colourways', file, '--out', out, '--least', '12', '--grounds', '#FFFFFF,#000000', '--json');
    expect(much.err).toMatch(/12 : 1 cannot be had everywhere/);
    expect((await run('colourways', file, '--out', out, '--lock', 'mauve')).code).toBe(2);
    expect((await run('colourways', file, '--out', out, '--grounds', 'nothing')).code).toBe(2);
    expect((await run('colourways', file)).code).toBe(2);
  });

  it('sets text in a face that ships, straight and on a circle, as wide as asked for, and says what it cannot', async () => {
    const file = join(folder, 'name.svg');
    const set = (...more: string[]) => run('lettering', '--out', file, '--json', ...more);
    interface Told {
      readonly face: string;
      readonly licence: string;
      readonly widthPx: number;
      readonly glyphs: { text: string; x: number; y: number; turnDeg: number; advance: number }[];
    }
    const told = async (...more: string[]) => JSON.parse((await set(...more)).out) as Told;
    const wide = await told('--text', 'Noctule', '--face', 'fraunces', '--weight', '600', '--width', '400');
    expect(wide).toMatchObject({ face: 'Fraunces', licence: 'OFL-1.1', widthPx: 400 });
    expect(wide.glyphs.map((g) => g.text).join('')).toBe('Noctule');
    const { artwork } = readSvg(await readFile(file, 'utf8'));
    expect(artwork.widthPx).toBeCloseTo(400, 1);
    expect(allPieces(artwork)).toHaveLength(7);
    for (const side of ['above', 'below']) {
      const round = await told(
        '--text',
        'NIGHT RAIL',
        '--face',
        'Jost',
        '--size',
        '40',
        '--arc',
        '180',
        '--side',
        side,
      );
      for (const g of round.glyphs) expect(Math.abs(Math.hypot(g.x, g.y) - 180)).toBeLessThan(0.01);
      expect(round.glyphs[0].x).toBeLessThan(0);
      expect(Math.sign(round.glyphs[0].y)).toBe(side === 'above' ? -1 : 1);
    }
    const optical = await told('--text', 'AVATAR', '--face', 'Jost', '--kerning', 'optical');
    expect(optical.widthPx).not.toBe((await told('--text', 'AVATAR', '--face', 'Jost')).widthPx);
    expect(await set('--text', '夜', '--face', 'Jost')).toMatchObject({ code: 1, err: expect.stringContaining('Noto Sans JP') }); // prettier-ignore
    expect(await set('--text', 'a', '--face', 'Jst')).toMatchObject({ code: 1, err: expect.stringContaining('there is Jost') }); // prettier-ignore
    expect(await set('--text', 'much too long', '--face', 'Jost', '--arc', '20')).toMatchObject({ code: 1, err: expect.stringMatching(/radius of \d+ px/) }); // prettier-ignore
    for (const wrong of [['--face', 'Jost'], ['--text', 'a'], ['--text', 'a', '--face', 'Jost', '--kerning', 'tight'], ['--text', 'a', '--face', 'Jost', '--tracking', 'wide'], ['--text', 'a'.repeat(501), '--face', 'Jost']])
      expect((await set(...wrong)).code).toBe(2); // prettier-ignore
  });

  it('arranges a mark and a name in layouts, in the face that is likest, or in one', async () => {
    const mark = join(folder, 'moon.svg');
    await writeFile(mark, '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><circle cx="50" cy="50" r="44" fill="#F2C14E"/><circle cx="50" cy="50" r="20" fill="#182A5C"/></svg>'); // prettier-ignore
    const out = join(folder, 'lockups');
    const lockup = (...more: string[]) => run('lockup', '--mark', mark, '--name', 'Noctule Night Rail', ...more);
    const all = await lockup('--line', 'Sleeper trains', '--out', out, '--json');
    const lines = all.out.trim().split('\n').map((l) => JSON.parse(l) as { file: string; layout: string; face: string }); // prettier-ignore
    expect(lines.length).toBeGreaterThanOrEqual(12);
    for (const { file } of lines) {
      const { artwork, leftOut } = readSvg(await readFile(file, 'utf8'));
      expect(leftOut).toEqual([]);
      expect(allPieces(artwork).length).toBeGreaterThan(3);
    }
    const one = join(folder, 'emblem.svg');
    const told = JSON.parse((await lockup('--layout', 'emblem', '--face', 'Jost', '--weight', '600', '--out', one, '--json')).out) as object; // prettier-ignore
    expect(told).toMatchObject({ layout: 'emblem', face: 'Jost', weight: 600, licence: 'OFL-1.1' });
    expect(await lockup('--layout', 'beside-line', '--out', one)).toMatchObject({ code: 1, err: expect.stringContaining('second line') }); // prettier-ignore
    expect(await lockup('--layout', 'sideways', '--out', one)).toMatchObject({ code: 2 });
    expect(await lockup('--face', 'Jost', '--line', '夜', '--out', one)).toMatchObject({ code: 1, err: expect.stringContaining('Noto Sans JP') }); // prettier-ignore
    expect(await run('lockup', '--mark', mark, '--out', one)).toMatchObject({ code: 2 });
    expect(await run('lockup', '--mark', join(folder, 'nothing.svg'), '--name', 'a', '--out', one)).toMatchObject({ code: 1 }); // prettier-ignore
  });

  it('lists faces by words and by the mark', async () => {
    const lines = async (...more: string[]) =>
      (await run('faces', '--json', ...more)).out.trim().split('\n').map((l) => JSON.parse(l) as { name: string; class: string; because: string[]; licence: string; weight?: number }); // prettier-ignore
    expect((await lines()).length).toBeGreaterThanOrEqual(60);
    expect((await lines('--mood', 'gothic medieval'))[0]).toMatchObject({ class: 'blackletter', because: ['gothic', 'medieval'] }); // prettier-ignore
    const file = join(folder, 'thin.svg');
    await writeFile(file, '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><circle cx="50" cy="50" r="44" fill="none" stroke="#222" stroke-width="3"/></svg>'); // prettier-ignore
    const like = await lines('--like', file);
    expect(like[0].weight).toBeLessThan(400);
    expect(like[0].because.length).toBeGreaterThan(0);
    expect(await run('faces', '--mood', 'zzz')).toMatchObject({ code: 1 });
    expect(await run('faces', '--like', join(folder, 'nothing.svg'))).toMatchObject({ code: 1 });
  });

  it('tells what an SVG is constructed of, and draws that', async () => {
    const file = join(folder, 'badge.svg');
    await writeFile(
      file,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 400"><title>Badge</title><circle cx="200" cy="200" r="160"/><circle cx="200" cy="200" r="140" fill="#fff"/><rect x="120" y="160" width="160" height="80" rx="20"/></svg>',
    );
    const out = join(folder, 'construction.svg');
    const done = await run('construct', file, '--out', out, '--json');
    const found = JSON.parse(done.out) as { circles: { radiusPx: number }[]; unit: { px: number } };
    expect(found.circles.map((c) => Math.round(c.radiusPx))).toEqual([160, 140, 20, 20, 20, 20]);
    expect(found.unit.px).toBeCloseTo(20, 1);
    expect(await readFile(out, 'utf8')).toMatch(
      /<title>Badge<\/title>[^]*<circle cx="200" cy="200" r="160"\/>[^]*r 8 u/,
    );
    expect((await run('construct', file)).out).toMatch(/6 circles, 4 lines at 2 angles; 100% .* a unit of 20.00 px/);
    const empty = join(folder, 'empty.svg');
    await writeFile(empty, '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"/>');
    expect(await run('construct', empty)).toMatchObject({ code: 1, err: expect.stringContaining('no shape') });
    expect((await run('construct')).code).toBe(2);
    expect((await run('construct', file, '--within', '-1')).code).toBe(2);
  });
});

describe('what cannot be read or written', () => {
  it.each(['null', '5', '"x"', '{"recipe": 5}', '{"candidates": 7}', '[]'])(
    'a report that holds %s is refused in a sentence',
    async (text) => {
      await writeFile(join(folder, 'report.json'), text);
      const { code, err } = await run('candidates', '--prompt', 'fox', '--offshoot-of', 'report.json', '--out', 'none');
      expect(code).toBeGreaterThan(0);
      expect(err).toMatch(/^odd-quill: .*recipe/);
      expect(err).not.toMatch(/\n {4}at /);
    },
  );

  it('a place that takes no folder is told, and not tried for ever', async () => {
    await writeFile(join(folder, 'dot.png'), await encodePng(blankPicture(8, 8, [0, 0, 0])));
    for (const args of [
      ['trace', 'dot.png', '--out', '/proc/nowhere'],
      ['candidates', '--prompt', 'fox', '--out', '/proc/nowhere/below'],
    ]) {
      const { code, err } = await run(...args);
      expect(code).toBe(1);
      expect(err).toMatch(/^odd-quill: [^\n]+\n$/);
    }
  });

  it.runIf(existsSync('/dev/full'))('a full disk behind standard output is told', async () => {
    const full = openSync('/dev/full', 'w');
    const child = spawn(process.execPath, [COMMAND, '--version'], { cwd: folder, stdio: ['ignore', full, 'pipe'] });
    let err = '';
    child.stderr!.on('data', (chunk) => (err += chunk));
    const [code] = (await once(child, 'exit')) as [number];
    closeSync(full);
    expect(code).toBe(1);
    expect(err).toBe('odd-quill: standard output: the disk is full\n');
  });
});

describe('odd-quill retouch and cut-out', () => {
  const ring = async () => {
    const picture = drawCandidate({ prompt: 'an owl, two colours, flat, white ground', sizePx: 200 }, 0).picture;
    await writeFile(join(folder, 'owl.png'), await encodePng(picture));
  };

  it('takes the ground off, and says what became of what is enclosed', async () => {
    await ring();
    const { code, out } = await run('cut-out', 'owl.png', '--out', 'cut/owl.png', '--json');
    expect(code).toBe(0);
    const report = JSON.parse(out) as { file: string; inner: { box: number[]; dropped: boolean }[]; ms: number };
    expect(report).toMatchObject({ file: 'cut/owl.png', ms: expect.any(Number) as number });
    for (const { box, dropped } of report.inner) expect([box.length, typeof dropped]).toEqual([4, 'boolean']);
    const { widthPx, heightPx, rgba } = await decodePicture(await readFile(join(folder, 'cut/owl.png')));
    expect([widthPx, heightPx, rgba[3]]).toEqual([200, 200, 0]);
    expect((await run('cut-out', 'cut/owl.png', '--out', 'again.png')).out).toContain('no ground to take off');
  });

  it('makes a list of steps', async () => {
    await ring();
    const steps = [
      { kind: 'cut-out' },
      { kind: 'ground', hex: '#20346E' },
      {
        kind: 'cover',
        points: [
          [5, 5],
          [40, 5],
        ],
        widthPx: 6,
        hex: '#FF0000',
      },
    ];
    await writeFile(join(folder, 'steps.json'), JSON.stringify(steps));
    const { code, out } = await run('retouch', 'owl.png', '--steps', 'steps.json', '--out', 'done.png', '--json');
    expect(code).toBe(0);
    expect(JSON.parse(out)).toMatchObject({ steps: ['cut out', 'ground #20346E', 'covered with #FF0000, 6 px wide'] });
    const { rgba } = await decodePicture(await readFile(join(folder, 'done.png')));
    expect([
      [...rgba.subarray(4 * (100 * 200 + 1), 4 * (100 * 200 + 1) + 4)],
      [...rgba.subarray(4 * (5 * 200 + 20), 4 * (5 * 200 + 20) + 3)],
    ]).toEqual([
      [32, 52, 110, 255],
      [255, 0, 0],
    ]);
  });

  it('mends an area in as many ways as asked for', async () => {
    await ring();
    const area = blankPicture(200, 200, [0, 0, 0]);
    for (let y = 80; y < 100; y++) for (let x = 90; x < 130; x++) area.rgba.set([255, 255, 255], 4 * (y * 200 + x));
    await writeFile(join(folder, 'area.png'), await encodePng(area));
    const { code, out } = await run(
      'mend',
      'owl.png',
      '--area',
      'area.png',
      '--out',
      'fills',
      '--count',
      '5',
      '--json',
    );
    expect(code).toBe(0);
    const { fills, ms } = JSON.parse(out) as { fills: { file: string; how: string }[]; ms: number };
    expect([fills.length, fills[0].how, ms > 0]).toEqual([5, 'carried on', true]);
    const owl = await decodePicture(await readFile(join(folder, 'owl.png')));
    for (const { file } of fills) {
      const filled = await decodePicture(await readFile(join(folder, file)));
      const changed = owl.rgba.some((v, i) => v !== filled.rgba[i] && !area.rgba[i - (i % 4)]);
      expect(changed).toBe(false);
    }
    await writeFile(join(folder, 'small.png'), await encodePng(blankPicture(10, 10, [255, 255, 255])));
    await writeFile(join(folder, 'black.png'), await encodePng(blankPicture(200, 200, [0, 0, 0])));
    await writeFile(join(folder, 'white.png'), await encodePng(blankPicture(200, 200, [255, 255, 255])));
    for (const [mask, said] of [
      ['small.png', 'of one size'],
      ['black.png', 'empty'],
      ['white.png', 'the whole picture'],
      ['none.png', 'none.png'],
    ] as const) {
      const told = await run('mend', 'owl.png', '--area', mask, '--out', 'nowhere');
      expect([told.code > 0, told.err.includes(said)]).toEqual([true, true]);
    }
    expect(existsSync(join(folder, 'nowhere'))).toBe(false);
  });

  it('say what is wrong with what they are given, and write nothing', async () => {
    await ring();
    await writeFile(join(folder, 'bad.json'), '[{"kind": "cover", "points": [], "widthPx": 3}]');
    await writeFile(join(folder, 'off.json'), '[{"kind": "cover", "points": [[-900, 1]], "widthPx": 3}]');
    await writeFile(join(folder, 'not.json'), '{');
    for (const [args, said] of [
      [['cut-out', 'owl.png'], 'wants --out'],
      [['cut-out', 'owl.png', '--out', 'x.png', '--inner', 'some'], '--inner is auto'],
      [['cut-out', 'nothing.png', '--out', 'x.png'], 'nothing.png'],
      [['retouch', 'owl.png', '--out', 'x.png'], 'wants --steps'],
      [['retouch', 'owl.png', '--steps', 'bad.json', '--out', 'x.png'], 'one point or more'],
      [['retouch', 'owl.png', '--steps', 'not.json', '--out', 'x.png'], 'is not JSON'],
      [['retouch', 'owl.png', '--steps', 'off.json', '--out', 'x.png'], 'step 1: The stroke lies outside'],
    ] as const) {
      const { code, err } = await run(...args);
      expect([code > 0, err.includes(said), err.includes('    at ')]).toEqual([true, true, false]);
    }
    expect(existsSync(join(folder, 'x.png'))).toBe(false);
  });
});

describe('odd-quill read', () => {
  it('tells how a prompt is understood, in lines or as JSON, every word of it', async () => {
    const told = await run('read', 'three herons in a teapot, seal, no text');
    expect(told.code).toBe(0);
    expect(told.out).toMatch(/0 {2}3 x herons[^]*1 {2}teapot {2}inside 0[^]*kind: emblem\n[^]*leave out: text/);
    const { figures, words } = JSON.parse((await run('read', '--json', 'letter R made of vines')).out) as {
      figures: { word: string; relation: string; to: number | null }[];
      words: { word: string; part: string }[];
    };
    expect(figures).toMatchObject([{ word: 'vines', relation: 'made of', to: null }]);
    expect(words.map((w) => w.part)).toEqual(['lettering', 'lettering', 'relation', 'relation', 'figure']);
    expect((await run('read', 'a fox with a moon', '--leave-out', 'moon')).out).not.toMatch(/1 {2}moon/);
    expect((await run('read')).code).toBe(2);
    expect((await run('read', '   ')).code).toBe(2);
  });
});

describe('odd-quill names and prompt', () => {
  it('makes names, told in lines or as JSON, and says what it cannot make any of', async () => {
    const told = await run('names', '--trade', 'a bakery', '--count', '12', '--seed', '3');
    expect(told.out.trim().split('\n')).toHaveLength(12);
    const json = await run('names', '--trade', 'a bakery', '--place', 'Harbour Lane', '--count', '5', '--json');
    const names = json.out.trim().split('\n').map((line) => JSON.parse(line) as { name: string; told: string }); // prettier-ignore
    expect(names).toHaveLength(5);
    const again = await run('names', '--trade', 'a bakery', '--place', 'Harbour Lane', '--count', '5', '--earlier', names[0].name); // prettier-ignore
    expect(again.out.split('\n')[0]).toContain('before');
    for (const args of [[], ['--trade', ' '], ['--trade', 'x', '--count', '0'], ['--trade', 'x', '--count', '1.5']])
      expect((await run('names', ...args)).code, args.join(' ')).toBe(2);
  });

  it('makes three prompts of a brief in a file, and says what is wrong with one', async () => {
    await writeFile(join(folder, 'brief.json'), JSON.stringify({ trade: 'a bakery', mood: 'warm', coloursWanted: 'navy', grounds: [] })); // prettier-ignore
    const told = await run('prompt', '--brief', join(folder, 'brief.json'), '--json');
    const directions = JSON.parse(told.out) as { prompt: string; reasons: string[] }[];
    expect(directions).toHaveLength(3);
    for (const { prompt } of directions) expect(prompt).toContain('navy');
    expect((await run('prompt', '--brief', join(folder, 'brief.json'))).out).toContain('what it means');
    await writeFile(join(folder, 'cut.json'), '{"trade": "a bak');
    await writeFile(join(folder, 'numbers.json'), '{"trade": 3}');
    await writeFile(join(folder, 'nothing.json'), '{"name": "Only a name"}');
    expect((await run('prompt', '--brief', join(folder, 'nothing.json'))).out).toContain('two fields');
    for (const [file, message] of [['cut', 'not JSON'], ['numbers', 'trade is not a text'], ['none', 'no such file']] as const) {
      const { code, err } = await run('prompt', '--brief', join(folder, `${file}.json`));
      expect(code, file).toBeGreaterThan(0);
      expect(err.toLowerCase(), file).toContain(message.toLowerCase());
    } // prettier-ignore
    expect((await run('prompt')).code).toBe(2);
  });
});

describe('odd-quill read-lettering', () => {
  it('tells what pictures say, a line each, and goes on after one that is none', async () => {
    const prompt = 'emblem of a hedgehog in a ring, named Juniper Row, green';
    const { picture } = drawCandidate({ prompt, sizePx: 512, seed: 3, flaws: 0, leeway: 0 }, 0);
    await writeFile(join(folder, 'emblem.png'), await encodePng(picture));
    await writeFile(join(folder, 'plain.png'), await encodePng(blankPicture(80, 80, [250, 250, 250])));
    await writeFile(join(folder, 'broken.png'), 'no picture');
    const read = await run('read-lettering', 'broken.png', 'emblem.png', 'plain.png', '--asked', 'juniper row', '--json'); // prettier-ignore
    expect([read.code, read.err.includes('broken.png')]).toEqual([1, true]);
    const lines = read.out.trim().split('\n').map((line) => JSON.parse(line) as { input: string; found: { text: string; confidence: number; box: number[]; onArc: boolean }[]; verdict: string }); // prettier-ignore
    expect(lines.map((l) => [l.input, l.verdict, l.found.length])).toEqual([
      ['emblem.png', 'right', 2],
      ['plain.png', 'none', 0],
    ]);
    const [{ text, confidence, box, onArc }] = lines[0].found;
    expect([text.toLowerCase(), onArc, confidence > 0.5 && confidence <= 1, box.length]).toEqual(['juniper', true, true, 4]); // prettier-ignore
    expect((await run('read-lettering', 'emblem.png', '--asked', 'Jupiter Row')).out).toMatch(/wrong, reads juniper row/i); // prettier-ignore
    expect((await run('read-lettering')).code).toBe(2);
  });
});

describe('odd-quill package', () => {
  const FOX = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 64 64"><path fill="#B5402A" d="M12 12L32 25L52 12L48 40L32 55L16 40Z"/><circle cx="25" cy="34" r="4" fill="#182A5C"/></svg>'; // prettier-ignore
  interface Told {
    readonly files: { name: string; for: string; widthPx: number | null; heightPx: number | null; bytes: number }[];
    readonly checks: { ok: boolean; said: string }[];
  }
  const listed = async (dir: string): Promise<string[]> =>
    (await readdir(join(folder, dir), { recursive: true, withFileTypes: true }))
      .filter((f) => f.isFile())
      .map((f) => join(f.parentPath, f.name).slice(join(folder, dir).length + 1))
      .sort();

  it('makes what a client is owed, checked, every file listed, for names in any script', async () => {
    await writeFile(join(folder, 'fox.svg'), FOX);
    const args = ['package', 'fox.svg', '--name', 'Лиса & Søn 🦊', '--for', 'print,web,developers', '--date', '2026-11-24', '--json']; // prettier-ignore
    const { code, out, err } = await run(...args, '--out', 'owed');
    expect([code, err]).toEqual([0, '']);
    const told = JSON.parse(out) as Told;
    expect(await listed('owed')).toEqual(told.files.map((f) => f.name).sort());
    expect(told.files.every((f) => ['print', 'web', 'developers'].includes(f.for) && f.bytes > 0)).toBe(true);
    expect(told.files.map((f) => f.name)).toContain('print/lisa-son-fox-cmyk.pdf');
    expect(told.checks.length).toBeGreaterThan(10);
    expect(told.checks.filter((c) => !c.ok)).toEqual([]);
    expect(await readFile(join(folder, 'owed/README.txt'), 'utf8')).toContain('Лиса & Søn 🦊');
    // As a zip, twice: the same bytes, and nothing half made beside it.
    const zipped: Buffer[] = [];
    for (const zip of ['a.zip', 'b.zip']) {
      expect((await run(...args, '--out', zip)).code).toBe(0);
      zipped.push(await readFile(join(folder, zip)));
    }
    const [first, second] = zipped;
    expect(first.equals(second)).toBe(true);
    expect(Object.keys(unzipSync(first)).sort()).toEqual(await listed('owed'));
    expect((await readdir(folder)).filter((f) => f.endsWith('.part'))).toEqual([]);
  });

  it('packs a work that it packed, in its own inks and in a colour for all of it', async () => {
    const args = ['--name', 'Fox', '--for', 'print', '--date', '2026-11-24', '--json'];
    const made = await run('package', 'owed/developers/lisa-son-fox-work.json', ...args, '--colourways', 'own,#1f2d50', '--out', 'again'); // prettier-ignore
    expect([made.code, made.err]).toEqual([0, '']);
    const paths = async (path: string) => [...(await readFile(join(folder, path), 'utf8')).matchAll(/ d="([^"]+)"/g)].map((m) => m[1]); // prettier-ignore
    expect(await paths('again/print/fox.svg')).toEqual(await paths('owed/print/lisa-son-fox.svg'));
    const one = await readFile(join(folder, 'again/print/fox-1f2d50.svg'), 'utf8');
    expect(one).toContain('#1F2D50');
    expect(one).not.toContain('#B5402A');
    const descent = JSON.parse(await readFile(join(folder, 'again/descent.json'), 'utf8')) as { again: string; files: { name: string; sha256: string }[] }; // prettier-ignore
    expect(descent.again).toBe('odd-quill package lisa-son-fox-work.json --name Fox --for print --colourways own,#1f2d50 --date 2026-11-24'); // prettier-ignore
    for (const { name, sha256 } of descent.files) expect(createHash('sha256').update(await readFile(join(folder, 'again', name))).digest('hex')).toBe(sha256); // prettier-ignore
    await writeFile(join(folder, 'other.json'), '{"format": "something"}');
    const { code, err } = await run('package', 'other.json', ...args, '--out', 'none');
    expect([code, err.includes('not a work')]).toEqual([1, true]);
  });

  it('says what is wrong, and leaves nothing behind', async () => {
    await writeFile(join(folder, 'fox.svg'), FOX);
    await writeFile(join(folder, 'empty.svg'), '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"/>');
    for (const [args, exit, said] of [
      [['fox.svg', '--name', 'Fox'], 2, 'wants --out'],
      [['fox.svg', '--out', 'x.zip'], 2, 'wants --name'],
      [['fox.svg', '--name', 'Fox', '--out', 'x.zip', '--for', 'prints'], 2, '--for has no "prints"'],
      [['fox.svg', '--name', 'Fox', '--out', 'x.zip', '--colourways', 'blue'], 2, '--colourways has no "blue"'],
      [['fox.svg', '--name', 'Fox', '--out', 'x.zip', '--for', 'shops', '--colourways', 'reversed'], 2, 'add own'],
      [['empty.svg', '--name', 'Fox', '--out', 'x.zip'], 1, 'no shape in it'],
      [['gone.svg', '--name', 'Fox', '--out', 'x.zip'], 1, 'there is no such file'],
      [['fox.svg', '--name', 'Fox', '--out', 'fox.svg/x.zip', '--for', 'web'], 1, 'the folder to write to is a file'],
    ] as const) {
      const { code, err } = await run('package', ...args);
      expect([code, err.includes(said), err.includes('    at ')], err).toEqual([exit, true, false]);
    }
    expect((await readdir(folder)).filter((f) => f.startsWith('x.zip'))).toEqual([]);
  });
});
