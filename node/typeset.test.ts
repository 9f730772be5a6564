/** Lockups drawn with the faces that ship: where letters come to stand, what frames enclose, what is left free. */
import { beforeAll, describe, expect, it } from 'vitest';
import { artworkToSvg } from '../core/export';
import { editedLockup, FRAME_SHAPES, type DrawnLockup, type FramePart, type Lockup, type LockupEdit, type TextPart } from '../core/lockup'; // prettier-ignore
import { circleOfArcs, contains, flatten, mapContour, rectangle, tightBox, type Box, type Contour } from '../core/path';
import { drawLockup, lockupLines } from '../core/typeset';
import { allPieces, findNode, piecesWithin, type Artwork } from '../core/vector';
import { shelf } from './faces';
import { drawnLockup } from './make-lockups';

const WORK = crypto.randomUUID();
const STEP = crypto.randomUUID();
const mark: Artwork = {
  widthPx: 100,
  heightPx: 100,
  inks: [
    { id: 'lamp', hex: '#F2C14E', name: 'lamp' },
    { id: 'midnight', hex: '#182A5C', name: 'midnight' },
  ],
  nodes: [
    { kind: 'piece', id: 'disc', inkId: 'lamp', contours: [circleOfArcs(50, 50, 40)] },
    { kind: 'piece', id: 'bar', inkId: 'midnight', contours: [rectangle(10, 45, 80, 10)] },
  ],
  guides: [],
};
const text = (id: string, words: string, more: Partial<TextPart> = {}): TextPart => ({
  kind: 'text',
  id,
  role: 'name',
  text: words,
  face: { family: 'archivo', weight: 600 },
  x: 0,
  y: 300,
  sizePx: 100,
  tracking: 0,
  leading: 1.2,
  align: 'left',
  kerning: 'face',
  letters: 'typed',
  inkId: 'midnight',
  ...more,
});
const lockup: Lockup = {
  parts: [
    { kind: 'mark', id: 'm1', workId: WORK, stepId: STEP, prefix: '', x: 0, y: 0, scale: 2 },
    text('t1', 'Noctule'),
    text('t2', 'Night Rail', { role: 'line', y: 380, sizePx: 40, letters: 'capitals' }),
  ],
  inks: [...mark.inks] as Lockup['inks'],
  clear: 1,
};
const draw = (...edits: LockupEdit[]): Promise<DrawnLockup> =>
  drawnLockup({ lockup: editedLockup(lockup, edits).state, artworks: { [STEP]: mark }, faces: {} });
const set = (id: string, fields: Record<string, unknown>): LockupEdit => ({ kind: 'change-part', id, set: fields });
const part = (d: DrawnLockup, id: string) => d.parts.find((p) => p.id === id)!;
/** What is drawn of a part, in the lockup's coordinates. */
function outlinesOf(d: DrawnLockup, id: string): Contour[] {
  const back = (c: Contour): Contour => mapContour([1, 0, 0, 1, ...d.origin], c);
  return piecesWithin(findNode(d.artwork, id)!).flatMap((p) => p.node.contours.map((c) => back(mapContour(p.map, c))));
}
const right = (b: Box): number => b.x + b.width;

describe('lettering of lockups', () => {
  it('stands by its left, its middle or its right', async () => {
    for (const [align, share] of [['left', 0], ['centre', 0.5], ['right', 1]] as const) {
      const { baselines } = part(await draw(set('t1', { align, x: 250 })), 't1').text!;
      expect(baselines[0].from + share * (baselines[0].to - baselines[0].from)).toBeCloseTo(250, 6);
    } // prettier-ignore
  });

  it('becomes as wide as another text by size, by tracking and by its width axis', async () => {
    for (const by of ['size', 'tracking', 'axis']) {
      const d = await draw(set('t2', { fit: { to: 't1', by } }));
      const [name, line] = [part(d, 't1').box, part(d, 't2').box];
      expect(line.width / name.width, by).toBeCloseTo(1, 3.3);
      expect(Math.abs(line.width / name.width - 1), by).toBeLessThan(5e-4);
      if (by !== 'size') expect(part(d, 't2').text!.sizePx).toBe(40);
    }
    // The axis made it wider itself, and tracking little.
    const d = await draw(set('t2', { fit: { to: 't1', by: 'axis' }, sizePx: 62 }));
    expect(Math.abs(part(d, 't2').text!.tracking)).toBeLessThan(0.01);
  });

  it('goes with what it is as wide as when that is typed anew', async () => {
    const d = await draw(set('t2', { fit: { to: 't1', by: 'tracking' } }), set('t1', { text: 'Noctules' }));
    expect(part(d, 't2').box.width / part(d, 't1').box.width).toBeCloseTo(1, 3);
  });

  it('stands on circles above and below, each origin on it', async () => {
    for (const side of ['above', 'below'] as const) {
      const follows = { kind: 'arc', radiusPx: 400, side, even: 'middle' };
      const d = await draw(set('t1', { follows, x: 500, y: 500, align: 'centre' }));
      for (const { origin } of part(d, 't1').text!.letters)
        expect(Math.hypot(origin[0] - 500, origin[1] - 500)).toBeCloseTo(400, 6);
      expect(part(d, 't1').box.y < 500).toBe(side === 'above');
    }
  });

  it('that has no room on its circle stands on a line, and it is said how large the circle would have to be', async () => {
    const d = await draw(set('t1', { follows: { kind: 'arc', radiusPx: 30, side: 'above', even: 'middle' } }));
    expect(d.faults).toHaveLength(1);
    expect(d.faults[0].message).toMatch(/needs a radius of \d+ px or more/);
    expect(part(d, 't1').text!.letters).toHaveLength(7);
    const state = editedLockup(lockup, [set('t1', { follows: { kind: 'arc', radiusPx: 30, side: 'above', even: 'middle' } })]).state; // prettier-ignore
    const [line] = lockupLines(state, d, (face, t) => shelf.family(face, t), { [STEP]: mark });
    const fixed = editedLockup(state, line.fix!.edits).state;
    const better = await drawnLockup({ lockup: fixed, artworks: { [STEP]: mark }, faces: {} });
    expect(better.faults).toEqual([]);
  });

  it('follows an outline of the mark, which moves with it', async () => {
    const follows = { kind: 'path', markId: 'm1', nodeId: 'disc', contour: 0, at: 0.5 };
    const d = await draw(set('t1', { follows, sizePx: 30 }));
    for (const { origin } of part(d, 't1').text!.letters)
      expect(Math.hypot(origin[0] - 100, origin[1] - 100)).toBeCloseTo(80, 1);
    const moved = await draw(set('t1', { follows, sizePx: 30 }), { kind: 'move-parts', ids: ['m1'], dx: 70, dy: 0 });
    expect(part(moved, 't1').text!.letters[0].origin[0]).toBeCloseTo(part(d, 't1').text!.letters[0].origin[0] + 70, 3);
    const gone = await draw(set('t1', { follows: { ...follows, nodeId: 'gone' } }));
    expect(gone.faults[0].message).toMatch(/not there any more/);
  });

  it('bends as a whole, and its stems stay upright', async () => {
    const flat = await draw(set('t1', { text: 'HIH' }));
    for (const kind of ['arch', 'bulge', 'wave'] as const) {
      const bent = await draw(set('t1', { text: 'HIH', warp: { kind, amount: 0.5 } }));
      const [a, b] = [part(flat, 't1').box, part(bent, 't1').box];
      expect(b.width, kind).toBeCloseTo(a.width, 3);
      expect(b.height, kind).toBeGreaterThan(a.height * 1.05);
      // The I keeps its stem: its sides are straight, and as far apart.
      const xs = (d: DrawnLockup) => tightBox(part(d, 't1').outlines.slice(1, 2))!;
      expect(xs(bent).width, kind).toBeCloseTo(xs(flat).width, 3);
    }
    const slanted = await draw(set('t1', { text: 'HIH', warp: { kind: 'slant', amount: 0.3 } }));
    expect(part(slanted, 't1').outlines.every((c) => c.segments.every((s) => s.kind === 'line'))).toBe(true);
    expect(part(slanted, 't1').box.height).toBeCloseTo(part(flat, 't1').box.height, 6);
  });

  it('has signs at cap height, and small capitals where its face has none', async () => {
    const plain = await draw();
    for (const sign of ['trade-mark', 'registered']) {
      const d = await draw(set('t1', { sign }));
      const cap = part(d, 't1').text!.capHeightPx;
      const added = part(d, 't1').outlines.slice(part(plain, 't1').outlines.length);
      const own = tightBox(added)!;
      expect(own.y, sign).toBeCloseTo(300 - cap, 3);
      expect(own.height, sign).toBeLessThan(0.5 * cap);
      expect(own.x).toBeGreaterThan(right(part(plain, 't1').box));
    }
    const small = await draw(set('t1', { letters: 'small-capitals' }));
    const heights = outlinesOf(small, 't1').map((c) => tightBox([c])!.height);
    expect(Math.max(...heights.slice(1)) / heights[0]).toBeLessThan(0.92);
  });

  it('hangs its quotes over the edge', async () => {
    const d = await draw(set('t1', { text: '“Night”\nNight', hangs: true }));
    const plain = await draw(set('t1', { text: '“Night”\nNight' }));
    const at = (from: DrawnLockup, k: number): number => part(from, 't1').text!.letters[k].origin[0];
    // The two Ns stand under one another.
    expect(at(d, 1)).toBeCloseTo(at(d, 7), 6);
    expect(at(plain, 1)).toBeGreaterThan(at(plain, 7) + 20);
  });

  it('lets the mark stand in place of a letter, as high as that', async () => {
    const d = await draw(set('t1', { instead: { 1: { kind: 'mark', markId: 'm1' } } }));
    const o = tightBox(part(await draw(set('t1', { text: 'o' })), 't1').outlines)!;
    const own = part(d, 'm1').box;
    expect(own.height).toBeCloseTo(o.height, 3);
    expect(part(d, 't1').outlines.some((c) => contains([c], [own.x + own.width / 2, own.y + own.height / 2]))).toBe(false); // prettier-ignore
  });

  it('of a face that is not there is told, and all else is drawn', async () => {
    const d = await draw(set('t1', { face: { family: 'gone-for-good', weight: 400 } }));
    expect(d.faults).toEqual([expect.objectContaining({ partId: 't1', kind: 'face' })]);
    expect(d.parts.map((p) => p.id)).toEqual(['m1', 't2']);
  });

  it.each(['', ' ', '😀', 'أهلا Night שלום', 'x'.repeat(500), '\n\n', 'A\nB\nC\nD\nE'])('takes %j', async (words) => {
    const d = await draw(set('t1', { text: words, fit: { to: 300, by: 'tracking' } }));
    expect(Number.isFinite(d.artwork.widthPx) && d.artwork.widthPx > 0).toBe(true);
    expect(artworkToSvg(d.artwork)).toContain('</svg>');
  });
});

describe('frames', () => {
  const frame = (shape: FramePart['shape'], around: string[], more: Partial<FramePart> = {}): LockupEdit => ({
    kind: 'add-part',
    to: 0,
    part: { kind: 'frame', id: 'f1', shape, around, gapPx: 30, bandPx: 0, linePx: 6, lineInkId: 'midnight', fillInkId: 'lamp', ...more }, // prettier-ignore
  });

  it.each(['ring', 'double-ring', 'shield', 'hexagon', 'diamond', 'box', 'banner'] as const)('%s holds what it goes round, with its gap', async (shape) => {
    const around = shape === 'banner' ? ['t1'] : ['m1', 't1', 't2'];
    const d = await draw(frame(shape, around));
    const fill = piecesWithin(findNode(d.artwork, 'f1-fill')!).flatMap((p) => p.node.contours.map((c) => mapContour(p.map, c)));
    const inFrame = (x: number, y: number): boolean => contains(fill, [x - d.origin[0], y - d.origin[1]]);
    for (const c of around.flatMap((id) => part(d, id).outlines)) {
      const run = flatten(c, 1);
      for (let k = 0; k < run.length; k += 2)
        for (const [dx, dy] of [[0, 0], [10, 0], [-10, 0], [0, 10], [0, -10]]) expect(inFrame(run[k] + dx, run[k + 1] + dy), shape).toBe(true);
    }
  }); // prettier-ignore

  it('grow with what is in them', async () => {
    for (const shape of FRAME_SHAPES) {
      const [short, long] = await Promise.all(['Rail', 'Noctule Night Railway'].map((t) => draw(set('t1', { text: t }), frame(shape, ['t1'], { bandPx: 20 })))); // prettier-ignore
      expect(part(long, 'f1').box.width, shape).toBeGreaterThan(part(short, 'f1').box.width * 1.5);
    }
  });

  it('have text in their band, above and below, which goes with them', async () => {
    const edits: LockupEdit[] = [
      frame('double-ring', ['m1'], { bandPx: 80, divider: 'dot' }),
      set('t1', { follows: { kind: 'frame', frameId: 'f1', side: 'above' }, sizePx: 50, align: 'centre' }),
      set('t2', { follows: { kind: 'frame', frameId: 'f1', side: 'below' }, align: 'centre' }),
    ];
    const d = await draw(...edits);
    const [inner, outer] = [80 + 30, 80 + 30 + 80];
    for (const id of ['t1', 't2'])
      for (const c of part(d, id).outlines) {
        const run = flatten(c, 0.5);
        for (let k = 0; k < run.length; k += 2) {
          const off = Math.hypot(run[k] - 100, run[k + 1] - 100);
          expect(off, id).toBeGreaterThan(inner);
          expect(off, id).toBeLessThan(outer);
        }
      }
    // Two dots, level with each other, between the texts.
    const dots = findNode(d.artwork, 'f1-signs')!.node;
    expect(dots.kind === 'piece' && dots.contours).toHaveLength(2);
    const moved = await draw(...edits, { kind: 'move-parts', ids: ['m1'], dx: 50, dy: 0 });
    expect(part(moved, 't1').box.x).toBeCloseTo(part(d, 't1').box.x + 50, 3);
  });

  it('that are rules stand left and right of a line at half its height, an underline under it', async () => {
    const rules = part(await draw(frame('rules', ['t2'], { bandPx: 60 })), 'f1').outlines.map((c) => tightBox([c])!);
    const line = part(await draw(), 't2');
    expect(right(rules[0])).toBeCloseTo(line.box.x - 30, 3);
    expect(rules[1].x).toBeCloseTo(right(line.box) + 30, 3);
    for (const r of rules) {
      expect(r.y + r.height / 2).toBeCloseTo(380 - line.text!.capHeightPx / 2, 3);
      expect(r.width).toBeCloseTo(60, 6);
    }
    const under = part(await draw(frame('underline', ['t1'])), 'f1').outlines.map((c) => tightBox([c])!);
    expect(under[0].width).toBeCloseTo(part(await draw(), 't1').box.width, 3);
    expect(under[0].y).toBeCloseTo(330, 3);
  });
});

describe('what letters wear', () => {
  let flat: DrawnLockup;
  beforeAll(async () => {
    flat = await draw();
  });
  const over: LockupEdit = { kind: 'move-parts', ids: ['t1'], dx: 0, dy: -190 };

  it('leaves the ground free about them: nothing of the mark is nearer than it says', async () => {
    const d = await draw(over, set('t1', { dress: { outline: { inkId: null, widthPx: 8, gapPx: 0 } } }));
    const letters = outlinesOf(d, 't1');
    const bar = outlinesOf(d, 'm1');
    expect(bar.length).toBeGreaterThan(1);
    const places = letters.flatMap((c) => { const run = flatten(c, 0.2); return Array.from({ length: run.length / 2 }, (_, k) => [run[2 * k], run[2 * k + 1]] as const); }); // prettier-ignore
    const near = bar.flatMap((c) => { const run = flatten(c, 0.2); return Array.from({ length: run.length / 2 }, (_, k) => Math.min(...places.map(([x, y]) => Math.hypot(run[2 * k] - x, run[2 * k + 1] - y)))); }); // prettier-ignore
    expect(Math.min(...near)).toBeGreaterThan(7.8);
    // No ink stands for the ground: it shows through.
    expect(d.artwork.inks.map((i) => i.id)).toEqual(['lamp', 'midnight']);
  });

  it('is painted with the ground where that is quicker, and looks the same', async () => {
    const state = editedLockup(lockup, [over, set('t1', { dress: { outline: { inkId: null, widthPx: 8, gapPx: 0 } } })]).state; // prettier-ignore
    const of = { artworkOf: () => mark, familyOf: (f: TextPart['face'], t: string) => shelf.family(f, t) };
    const painted = drawLockup(state, of, { ground: '#EEEEEE' });
    expect(painted.artwork.inks.map((i) => i.hex)).toContain('#EEEEEE');
    expect(painted.artwork.widthPx).toBeCloseTo(drawLockup(state, of).artwork.widthPx, 6);
  });

  it('can be an outline in an ink with a gap, a line within, and a shadow', async () => {
    const d = await draw(set('t1', { dress: { outline: { inkId: 'lamp', widthPx: 5, gapPx: 4 }, inline: { inkId: 'lamp', widthPx: 1, insetPx: 2 }, shadow: { inkId: 'lamp', dxPx: 6, dyPx: 6, blurPx: 0, opacity: 0.5, long: true } } })); // prettier-ignore
    const ids = allPieces(d.artwork).map((p) => p.id);
    expect(ids).toEqual(expect.arrayContaining(['t1-outline', 't1-inline', 't1-shadow']));
    const outer = tightBox(outlinesOf(d, 't1-outline'))!;
    const own = part(flat, 't1').box;
    expect(own.x - outer.x).toBeCloseTo(9, 1);
    expect(right(outer) - right(own)).toBeCloseTo(9, 1);
    const inline = tightBox(outlinesOf(d, 't1-inline'))!;
    expect(inline.x - own.x).toBeCloseTo(2, 1);
    const shadow = tightBox(outlinesOf(d, 't1-shadow'))!;
    expect(right(shadow) - right(own)).toBeCloseTo(6, 1);
  });

  it('passes behind what of the mark was chosen, and before the rest', async () => {
    const d = await draw(over, set('t1', { behind: { markId: 'm1', nodes: ['bar'] } }));
    const order = allPieces(d.artwork).map((p) => p.id);
    const at = (id: string): number => order.findIndex((o) => o === id || o.startsWith(`${id}-`));
    expect(at('m1/disc')).toBeLessThan(at('t1'));
    expect(at('m1/bar')).toBeGreaterThan(at('t1'));
    expect(order.filter((o) => o === 'm1/bar')).toHaveLength(1);
  });
});
