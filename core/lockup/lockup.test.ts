import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { circle, polygon } from '../path';
import { applyDelta, deltaBetween, reversed } from '../history';
import {
  alignmentOf,
  casedAs,
  editedLockup,
  freePartId,
  gapsOf,
  letterPoints,
  lockupFault,
  LockupError,
  LockupSchema,
  nameOfLockup,
  respelled,
  shownText,
  snappedMove,
  tidied,
  withLetterPoint,
  withText,
  type DrawnLockup,
  type DrawnPart,
  type Lockup,
  type LockupEdit,
  type TextPart,
} from './index';

const WORK = '00000000-0000-4000-8000-000000000001';
const STEP = '00000000-0000-4000-8000-000000000002';
const text = (id: string, words: string, more: Partial<TextPart> = {}): TextPart => ({
  kind: 'text',
  id,
  role: 'name',
  text: words,
  face: { family: 'jost', weight: 500 },
  x: 100,
  y: 200,
  sizePx: 100,
  tracking: 0,
  leading: 1.2,
  align: 'left',
  kerning: 'face',
  letters: 'typed',
  inkId: 'a',
  ...more,
});
const lockup: Lockup = {
  parts: [
    { kind: 'frame', id: 'f1', shape: 'ring', around: ['m1'], gapPx: 10, bandPx: 40, linePx: 4, lineInkId: 'a', fillInkId: null }, // prettier-ignore
    { kind: 'mark', id: 'm1', workId: WORK, stepId: STEP, prefix: '', x: 10, y: 20, scale: 2 },
    text('t1', 'Noctule\nNight Rail'),
    text('t2', 'Sleeper trains', { role: 'line', fit: { to: 't1', by: 'tracking' } }),
    text('t3', 'Est. 1998', { role: 'other', follows: { kind: 'frame', frameId: 'f1', side: 'below' } }),
  ],
  inks: [
    { id: 'a', hex: '#182A5C', name: 'midnight' },
    { id: 'b', hex: '#F2C14E', name: 'lamp' },
  ],
  clear: 1,
};
const after = (...edits: LockupEdit[]): Lockup => editedLockup(lockup, edits).state;
const part = (state: Lockup, id: string): TextPart => state.parts.find((p) => p.id === id) as TextPart;

describe('edits of lockups', () => {
  it('take what the schema takes, and leave the lockup given as it was', () => {
    const before = JSON.stringify(lockup);
    expect(v.is(LockupSchema, lockup)).toBe(true);
    expect(lockupFault(lockup)).toBeNull();
    const moved = after({ kind: 'move-parts', ids: ['m1', 't1'], dx: 5, dy: -3, scale: { by: 2, x: 0, y: 0 } });
    expect(part(moved, 't1')).toMatchObject({ x: 205, y: 397, sizePx: 200 });
    expect(moved.parts.find((p) => p.id === 'm1')).toMatchObject({ x: 25, y: 37, scale: 4 });
    expect(JSON.stringify(lockup)).toBe(before);
  });

  it('change fields, take them away, and are told in words', () => {
    const { state, told } = editedLockup(lockup, [
      { kind: 'change-part', id: 't2', set: { tracking: 0.2, fit: null } },
    ]);
    expect(part(state, 't2').fit).toBeUndefined();
    expect(told).toBe('Sleeper trains: tracking 0.2');
    expect(editedLockup(lockup, [{ kind: 'change-part', id: 't1', set: { text: 'Nachtzug' } }]).told).toBe('“Nachtzug” typed'); // prettier-ignore
  });

  it('refuse what does not fit, in a sentence', () => {
    const refused: [LockupEdit, RegExp][] = [
      [{ kind: 'change-part', id: 'gone', set: {} }, /no such part/],
      [{ kind: 'change-part', id: 't1', set: { sizePx: -1 } }, /sizePx: above 0/],
      [{ kind: 'change-part', id: 't1', set: { kind: 'mark' } }, /stays what it is/],
      [{ kind: 'change-part', id: 't1', set: { inkId: 'zz' } }, /ink that the lockup does not have/],
      [{ kind: 'change-part', id: 't1', set: { fit: { to: 't2', by: 'size' } } }, /in a circle/],
      [{ kind: 'change-part', id: 'f1', set: { around: ['t3'] } }, /in a circle/],
      [{ kind: 'change-part', id: 't1', set: { text: 'x'.repeat(501) } }, /at most 500 characters/],
      [{ kind: 'add-part', part: text('t1', 'twice') }, /already/],
      [{ kind: 'palette', edit: { kind: 'remove-nodes', nodeIds: ['x'] } as never }, /no edit of inks/],
      [{ kind: 'mark-step', id: 't1', stepId: STEP, inks: [] }, /only a mark/],
    ];
    for (const [edit, why] of refused) {
      expect(() => after(edit), JSON.stringify(edit)).toThrow(LockupError);
      expect(() => after(edit)).toThrow(why);
    }
  });

  it('take what named a part away with it', () => {
    const state = after({ kind: 'remove-parts', ids: ['t1', 'm1'] });
    // The ring went round the mark alone, and a text stood on it.
    expect(state.parts.map((p) => p.id)).toEqual(['t2', 't3']);
    expect(part(state, 't2').fit).toBeUndefined();
    expect(part(state, 't3').follows).toBeUndefined();
    expect(lockupFault(state)).toBeNull();
  });

  it('recolour as artworks do, with colourways', () => {
    const colourway = { id: 'c1', name: 'night', inks: [{ inkId: 'a', hex: '#FFFFFF' }] };
    const state = after(
      { kind: 'palette', edit: { kind: 'ink-colour', inkId: 'b', hex: '#ABCDEF' } as never },
      { kind: 'palette', edit: { kind: 'add-colourway', colourway } as never },
    );
    expect(state.inks[1].hex).toBe('#ABCDEF');
    expect(state.colourways).toEqual([colourway]);
  });

  it('show a mark at another step with the inks that it has there, new ones too', () => {
    const next = '00000000-0000-4000-8000-000000000003';
    const inks = [
      { id: 'b', hex: '#FFAA00', name: 'lamp' },
      { id: 'c', hex: '#00AA55', name: 'signal' },
    ];
    const state = after({ kind: 'mark-step', id: 'm1', stepId: next, inks });
    expect(state.inks.map((i) => i.hex)).toEqual(['#182A5C', '#FFAA00', '#00AA55']);
    expect(state.parts[1]).toMatchObject({ stepId: next });
  });

  it('come to what a delta leads to, and back', () => {
    const edits = fc.constantFrom<LockupEdit>(
      { kind: 'change-part', id: 't1', set: { tracking: 0.1 } },
      { kind: 'change-part', id: 't1', set: { byHand: { 2: 0.03 } } },
      { kind: 'move-parts', ids: ['t1'], dx: 4, dy: 4 },
      { kind: 'order-part', id: 't1', to: 0 },
      { kind: 'clear-space', clear: 2 },
      { kind: 'own-ink', ink: { id: 'n', hex: '#111111', name: 'new' } },
    );
    fc.assert(
      fc.property(fc.uniqueArray(edits, { maxLength: 5 }), (list) => {
        const state = after(...list);
        const delta = deltaBetween(lockup, state);
        if (!delta) return;
        expect(applyDelta(lockup, delta)).toEqual(state);
        expect(applyDelta(state, reversed(delta))).toEqual(lockup);
      }),
    );
  });
});

describe('what is kept by places of a text', () => {
  it('stays with its letters when text is typed before and after them, and goes with what is typed anew', () => {
    expect(withText({ 0: 'N', 4: 'u' }, 'Noctule', 'The Noctule')).toEqual({ 4: 'N', 8: 'u' });
    expect(withText({ 0: 'N', 4: 'u' }, 'Noctule', 'Noctule Rail')).toEqual({ 0: 'N', 4: 'u' });
    expect(withText({ 0: 'N', 4: 'u' }, 'Noctule', 'Noctale')).toEqual({ 0: 'N' });
    const kerned = editedLockup(lockup, [{ kind: 'change-part', id: 't1', set: { byHand: { 8: 0.02 } } }]).state;
    const typed = editedLockup(kerned, [{ kind: 'change-part', id: 't1', set: { text: 'Old Noctule\nNight Rail' } }]).state; // prettier-ignore
    expect(part(typed, 't1').byHand).toEqual({ 12: 0.02 });
  });

  it('never holds a place outside the text', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 12 }), fc.string({ maxLength: 12 }), (a, b) => {
        const all = Object.fromEntries([...a].map((_, k) => [k, a[k]]));
        for (const [k, c] of Object.entries(withText(all, a, b))) expect(b[Number(k)]).toBe(c);
      }),
    );
  });
});

describe('spelling', () => {
  it('is put into the lines that there are', () => {
    expect(nameOfLockup(lockup)).toBe('Noctule Night Rail');
    const state = after(...respelled(lockup, 'Noktule Night Railway Company'));
    expect(part(state, 't1').text).toBe('Noktule\nNight Railway Company');
    expect(nameOfLockup(state)).toBe('Noktule Night Railway Company');
    expect(respelled(lockup, 'Noctule Night Rail')).toEqual([]);
  });

  it('in haste is tidied: quotes, dashes, spaces', () => {
    expect(tidied("Maren's  Inn")).toBe('Maren’s Inn');
    expect(tidied("\"Night\" 'Rail' since '98")).toBe('“Night” ‘Rail’ since ’98');
    expect(tidied('1998-2026 ...')).toBe('1998–2026 …');
    expect(tidied('Rail-Road')).toBe('Rail-Road');
    fc.assert(fc.property(fc.string(), (s) => tidied(tidied(s)) === tidied(s)));
  });

  it('typed in other letters than the client writes itself with is written as they do, lines kept', () => {
    expect(casedAs('noctule\nnight RAIL', 'Noctule Night Rail')).toBe('Noctule\nNight Rail');
    expect(casedAs('noctule', 'Noctule Night Rail')).toBe('noctule');
    expect(tidied('nOCTULE nIGHT rAIL')).toBe('Noctule Night Rail');
    expect(tidied('iRAIL to go')).toBe('iRAIL to go');
  });

  it('is shown in capitals where those are wanted', () => {
    expect(shownText({ text: 'straße', letters: 'capitals' })).toBe('STRASSE');
    expect(shownText({ text: 'Rail', letters: 'typed' })).toBe('Rail');
  });
});

/** A lockup drawn of boxes. */
const box = (id: string, x: number, y: number, width: number, height: number, cap?: number): DrawnPart => ({
  id,
  box: { x, y, width, height },
  body: { x, y, width, height },
  outlines: [],
  ...(cap ? { text: { sizePx: cap, tracking: 0, capHeightPx: cap, xHeightPx: cap * 0.7, stemPx: 10, baselines: [{ from: x, to: x + width, y: y + height }], letters: [] } } : {}), // prettier-ignore
});
const drawn: DrawnLockup = {
  artwork: { widthPx: 900, heightPx: 400, inks: [], nodes: [], guides: [] },
  origin: [0, 0],
  parts: [box('m', 100, 100, 200, 200), box('t', 380, 150, 400, 100, 100)],
  capHeightPx: 100,
  clearPx: 100,
  faults: [],
};

describe('a letter by hand', () => {
  const round = circle(50, 50, 40);
  const all = [polygon([[0, 0], [10, 0], [10, 10]]), round]; // prettier-ignore

  it('has all places of its outlines, each once', () => {
    const points = letterPoints(all);
    expect(points.filter((p) => p.which === 'to')).toHaveLength(3 + 4);
    expect(points.filter((p) => p.which !== 'to')).toHaveLength(8);
  });

  it('is moved place by place: handles go with what they belong to, and it stays closed', () => {
    for (const point of letterPoints(all)) {
      const after = withLetterPoint(all, point, [point.at[0] + 3, point.at[1] - 2]);
      const moved = letterPoints(after);
      const own = moved.find((p) => p.contour === point.contour && p.segment === point.segment && p.which === point.which)!; // prettier-ignore
      expect(own.at).toEqual([point.at[0] + 3, point.at[1] - 2]);
      for (const c of after) expect(c.segments[c.segments.length - 1].to).toEqual(c.start);
      const changed = moved.filter((p, k) => p.at !== letterPoints(all)[k].at && JSON.stringify(p.at) !== JSON.stringify(letterPoints(all)[k].at)); // prettier-ignore
      expect(changed).toHaveLength(point.which === 'to' && point.contour === 1 ? 3 : 1);
    }
  });
});

describe('moving parts', () => {
  it('draws them to baselines, cap heights and middles, and says to which', () => {
    const near = snappedMove(drawn, ['m'], 0, -47, 6);
    expect(near.dy).toBe(-50);
    expect(near.lines.map((l) => l.told)).toContain('cap height');
    expect(snappedMove(drawn, ['t'], 0, 3, 6)).toMatchObject({ dy: 0 });
    expect(snappedMove(drawn, ['t'], 0, 3, 6).lines.map((l) => l.told)).toContain('middle');
  });

  it('draws gaps to steps of the cap height', () => {
    const snap = snappedMove(drawn, ['t'], -27, 20, 6);
    // The gap was 80: 50 is half of a cap height, which is a step.
    expect(snap.dx).toBe(-30);
    expect(snap.lines.some((l) => l.told === '0.5 cap heights')).toBe(true);
  });

  it('draws nothing further than it may', () => {
    fc.assert(
      fc.property(fc.double({ min: -300, max: 300, noNaN: true }), fc.double({ min: -300, max: 300, noNaN: true }), (dx, dy) => {
        const snap = snappedMove(drawn, ['m'], dx, dy, 5);
        expect(Math.abs(snap.dx - dx)).toBeLessThanOrEqual(5 + 1e-9);
        expect(Math.abs(snap.dy - dy)).toBeLessThanOrEqual(5 + 1e-9);
      }),
    ); // prettier-ignore
  });

  it('tells gaps in cap heights and stems', () => {
    expect(gapsOf(drawn, 'm').map((g) => g.told)).toEqual(['0.80 cap · 8.0 stems']);
  });

  it('aligns with the rest, or with the first that was chosen', () => {
    expect(alignmentOf(drawn, ['m'], 'baseline')).toEqual([{ id: 'm', dx: 0, dy: -50 }]);
    expect(alignmentOf(drawn, ['m'], 'cap-height')).toEqual([{ id: 'm', dx: 0, dy: 50 }]);
    expect(alignmentOf(drawn, ['t', 'm'], 'left')).toEqual([{ id: 'm', dx: 280, dy: 0 }]);
    expect(alignmentOf(drawn, ['m', 't'], 'centre')).toEqual([{ id: 't', dx: -380, dy: 0 }]);
    expect(alignmentOf(drawn, ['m'], 'middle')).toEqual([]);
    expect(freePartId({ parts: lockup.parts }, 't')).toBe('t4');
  });
});
