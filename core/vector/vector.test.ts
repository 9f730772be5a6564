import fc from 'fast-check';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { hexToOklab } from '../colour';
import { boxOf, circle, flatten, mapContour, parsePath, rectangle, reverseContour } from '../path';
import {
  allPieces,
  applyEdit,
  applyEdits,
  ArtworkSchema,
  colourIn,
  compactArtwork,
  countPieces,
  countPoints,
  describeEdit,
  EDIT_KINDS,
  EditError,
  EditSchema,
  expandedArtwork,
  findNode,
  inkOf,
  mapGradient,
  numbersOf,
  pieceAt,
  placedNodes,
  placeIn,
  scaledArtwork,
  shadeIn,
  type Artwork,
  type Edit,
  type Group,
  type Piece,
} from './index';
import { pieceOf as piece } from './testing';

const artwork: Artwork = {
  widthPx: 100,
  heightPx: 100,
  inks: [
    { id: 'ink-1', hex: '#F2C14E', name: 'lamp' },
    { id: 'ink-2', hex: '#182A5C', name: 'midnight' },
  ],
  nodes: [
    piece('piece-1', 'ink-1', [circle(50, 50, 40)]),
    piece('piece-2', 'ink-2', [rectangle(40, 40, 20, 20)]),
    piece('piece-3', 'ink-1', [circle(10, 10, 5), reverseContour(circle(10, 10, 2))]),
  ],
  guides: [],
};
const pieceIn = (a: Artwork, id: string) => findNode(a, id)!.node as Piece;
const ids = (a: Artwork) => [...placedNodes(a.nodes)].map((p) => p.node.id);
const frozen = <T>(value: T): T => {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    Object.values(value).forEach(frozen);
  }
  return value;
};
frozen(artwork);

describe('artworks', () => {
  it('find the topmost piece', () => {
    expect(pieceAt(artwork, [50, 50])?.id).toBe('piece-2');
    expect(pieceAt(artwork, [50, 20])?.id).toBe('piece-1');
    expect(pieceAt(artwork, [99, 1])).toBeNull();
  });

  it('find it through groups, transforms and clips, and pass by what is hidden or locked', () => {
    const moved: Artwork = {
      ...artwork,
      nodes: [artwork.nodes[0], { kind: 'group', id: 'g', transform: [1, 0, 0, 1, 30, 0], nodes: [artwork.nodes[1]] }],
    };
    expect(pieceAt(moved, [75, 50])?.id).toBe('piece-2');
    expect(pieceAt(moved, [50, 50])?.id).toBe('piece-1');
    const locked = applyEdit(moved, { kind: 'node-locked', nodeIds: ['g'], locked: true });
    expect(pieceAt(locked, [75, 50])?.id).toBe('piece-1');
    const clipped: Artwork = {
      ...artwork,
      nodes: [{ ...artwork.nodes[0], clip: [{ contours: [rectangle(0, 0, 50, 100)] }] }],
    };
    expect([pieceAt(clipped, [45, 50])?.id, pieceAt(clipped, [55, 50])]).toEqual(['piece-1', null]);
  });

  it('find a line by its width', () => {
    const stroke = { inkId: 'ink-2', widthPx: 6, cap: 'round', join: 'round', mitreLimit: 4 } as const;
    const lined: Artwork = {
      ...artwork,
      nodes: [piece('l', null, parsePath('M0 50H100', { close: false }), { stroke })],
    };
    expect(pieceAt(lined, [30, 52])?.id).toBe('l');
    expect(pieceAt(lined, [30, 54])).toBeNull();
  });

  it('count pieces and points', () => {
    expect(countPieces(artwork)).toBe(3);
    expect(countPieces(artwork, 'ink-1')).toBe(2);
    expect(countPoints(artwork)).toBe(4 + 4 + 8);
  });

  it('scale with all that has a length', () => {
    const soft: Artwork = {
      ...artwork,
      nodes: [
        {
          ...artwork.nodes[1],
          effects: [{ kind: 'blur', radiusPx: 2 }],
          stroke: { inkId: 'ink-1', widthPx: 3, cap: 'butt', join: 'mitre', mitreLimit: 4, dash: [2, 1] },
        } as Piece,
      ],
      guides: [{ id: 'guide-1', kind: 'circle', centre: [5, 5], radiusPx: 4 }],
    };
    const twice = scaledArtwork(soft, 2);
    expect(pieceIn(twice, 'piece-2')).toMatchObject({
      stroke: { widthPx: 6, dash: [4, 2] },
      effects: [{ radiusPx: 4 }],
    });
    expect(twice.guides[0]).toMatchObject({ centre: [10, 10], radiusPx: 8 });
  });

  it('are checked when they come from outside', () => {
    const good = (a: unknown) => v.safeParse(ArtworkSchema, a).success;
    const fault = (a: unknown) => v.safeParse(ArtworkSchema, a).issues?.[0].message;
    expect(v.parse(ArtworkSchema, artwork)).toEqual(artwork);
    expect(fault({ ...artwork, inks: [artwork.inks[0], artwork.inks[0]] })).toMatch(/one id/);
    expect(fault({ ...artwork, inks: [artwork.inks[0]] })).toMatch(/does not have/);
    expect(fault({ ...artwork, nodes: [artwork.nodes[0], artwork.nodes[0]] })).toMatch(/two nodes/);
    expect(good({ ...artwork, widthPx: 0 })).toBe(false);
    for (const bad of [NaN, Infinity, 1e9, '5', null])
      expect(good({ ...artwork, nodes: [piece('p', 'ink-1', [{ start: [bad as number, 0], segments: [] }])] })).toBe(
        false,
      );
    expect(good({ ...artwork, inks: [{ ...artwork.inks[0], name: 'a\u0000' }, artwork.inks[1]] })).toBe(false);
    expect(good({ ...artwork, inks: [{ ...artwork.inks[0], name: 'a\ud800' }, artwork.inks[1]] })).toBe(false);
    let deep: unknown = artwork.nodes[0];
    for (let k = 0; k < 5000; k++) deep = { kind: 'group', id: `g${k}`, nodes: [deep] };
    expect(fault({ ...artwork, nodes: [deep] })).toMatch(/deep/);
  });
});

describe('an artwork made compact', () => {
  it('keeps every number to the last bit, and reads lists as they were written before', () => {
    const number = fc.oneof(
      fc.double({ noNaN: true, noDefaultInfinity: true }),
      fc.integer({ min: -1e6, max: 1e6 }).map((n) => n / 1000),
      fc.constantFrom(0, 1e-9, -1e21, 5e-324, Number.MAX_VALUE, 123456789012345680, 0.1 + 0.2),
    );
    const point = fc.tuple(number, number);
    fc.assert(
      fc.property(point, fc.array(point, { minLength: 1, maxLength: 5 }), (start, ends) => {
        const contours = [{ start, segments: ends.map((to) => ({ kind: 'line' as const, to })) }];
        const one: Artwork = { ...artwork, nodes: [piece('a', 'ink-1', contours)] };
        const kept = JSON.parse(JSON.stringify(compactArtwork(one))) as { nodes: { contours: [string, string][] }[] };
        expect(JSON.stringify(expandedArtwork(kept))).toBe(JSON.stringify(one));
        const [[word, text]] = kept.nodes[0].contours;
        const lists = { ...kept, nodes: [{ ...kept.nodes[0], contours: [[word, text.split(' ').map(Number)]] }] };
        expect(JSON.stringify(expandedArtwork(lists))).toBe(JSON.stringify(one));
      }),
    );
  });

  it('comes back as it was, and one that never was stays', () => {
    const all: Artwork = {
      ...artwork,
      nodes: [
        piece('a', 'ink-1', parsePath('M0 0L5 5C1 2 3 4 9 9A5 5 0 1 0 3 3A9 9 0 0 1 1 1', { close: false }), {
          clip: [{ contours: [circle(5, 5, 4)] }],
        }),
        { kind: 'group', id: 'g', nodes: [artwork.nodes[0]], mask: { by: 'light', nodes: [artwork.nodes[1]] } },
      ],
    };
    const text = JSON.stringify(compactArtwork(all));
    expect(expandedArtwork(JSON.parse(text))).toEqual(all);
    expect(expandedArtwork(all)).toEqual(all);
    expect(text.length).toBeLessThan(0.6 * JSON.stringify(all).length);
  });
});

describe('edits of inks', () => {
  it('change an ink with every piece of it, and leave the artwork given as it was', () => {
    const after = applyEdit(artwork, { kind: 'ink-colour', inkId: 'ink-1', hex: '#abcdef' });
    expect(after.inks[0].hex).toBe('#ABCDEF');
    expect(after.nodes).toBe(artwork.nodes);
  });

  it('merge, rename, add, reassign', () => {
    const merged = applyEdit(artwork, { kind: 'merge-inks', inkId: 'ink-2', intoInkId: 'ink-1' });
    expect(merged.inks).toHaveLength(1);
    expect(allPieces(merged).every((p) => p.inkId === 'ink-1')).toBe(true);
    expect(applyEdit(artwork, { kind: 'ink-name', inkId: 'ink-1', name: ' moon ' }).inks[0].name).toBe('moon');
    expect(
      pieceIn(applyEdit(artwork, { kind: 'piece-ink', nodeIds: ['piece-2'], inkId: 'ink-1' }), 'piece-2').inkId,
    ).toBe('ink-1');
    const added = applyEdit(artwork, { kind: 'add-ink', ink: { id: 'ink-3', hex: '#FF0000', name: 'signal' } });
    expect(inkOf(added, 'ink-3')?.name).toBe('signal');
  });

  it('merge inks of lines, shadows and masks too', () => {
    const stroke = { inkId: 'ink-2', widthPx: 2, cap: 'butt', join: 'mitre', mitreLimit: 4 } as const;
    const soft: Artwork = {
      ...artwork,
      nodes: [
        piece('p', 'ink-1', [circle(5, 5, 4)], {
          stroke,
          effects: [{ kind: 'shadow', dxPx: 1, dyPx: 1, blurPx: 2, inkId: 'ink-2', opacity: 0.5 }],
          mask: { by: 'light', nodes: [piece('m', 'ink-2', [circle(5, 5, 4)])] },
        }),
      ],
    };
    const text = JSON.stringify(applyEdit(soft, { kind: 'merge-inks', inkId: 'ink-2', intoInkId: 'ink-1' }));
    expect(text).not.toContain('ink-2');
  });
});

describe('edits of nodes', () => {
  it('remove, hide, name, lock and fade', () => {
    expect(ids(applyEdit(artwork, { kind: 'remove-nodes', nodeIds: ['piece-2'] }))).toEqual(['piece-1', 'piece-3']);
    const hidden = applyEdit(artwork, { kind: 'node-hidden', nodeIds: ['piece-1'], hidden: true });
    expect(pieceAt(hidden, [50, 20])).toBeNull();
    expect(applyEdit(hidden, { kind: 'node-hidden', nodeIds: ['piece-1'], hidden: false })).toEqual(artwork);
    expect(pieceIn(applyEdit(artwork, { kind: 'node-name', nodeIds: ['piece-1'], name: 'moon' }), 'piece-1').name).toBe(
      'moon',
    );
    const faded = applyEdit(artwork, { kind: 'node-opacity', nodeIds: ['piece-1'], opacity: 0.4 });
    expect(applyEdit(faded, { kind: 'node-opacity', nodeIds: ['piece-1'], opacity: 1 })).toEqual(artwork);
  });

  it('move by maps that come on top of one another', () => {
    const once = applyEdit(artwork, { kind: 'node-transform', nodeIds: ['piece-2'], by: [1, 0, 0, 1, 10, 0] });
    const twice = applyEdit(once, { kind: 'node-transform', nodeIds: ['piece-2'], by: [2, 0, 0, 2, 0, 0] });
    expect(pieceIn(twice, 'piece-2').transform).toEqual([2, 0, 0, 2, 20, 0]);
    expect(pieceIn(twice, 'piece-2').contours).toBe(pieceIn(artwork, 'piece-2').contours);
  });

  const boxes = (a: Artwork) =>
    Object.fromEntries(
      [...placedNodes(a.nodes)].flatMap(({ node, map }) =>
        node.kind === 'piece' ? [[node.id, boxOf(node.contours.map((c) => mapContour(map, c)))]] : [],
      ),
    );

  it('group and take apart, everything staying where it is', () => {
    const grouped = applyEdit(artwork, { kind: 'group-nodes', nodeIds: ['piece-1', 'piece-3'], groupId: 'g' });
    expect(ids(grouped)).toEqual(['piece-2', 'g', 'piece-1', 'piece-3']);
    expect(boxes(grouped)).toEqual(boxes(artwork));
    const turned = applyEdit(grouped, { kind: 'node-transform', nodeIds: ['g'], by: [0, 1, -1, 0, 100, 0] });
    const apart = applyEdit(turned, { kind: 'ungroup', groupId: 'g' });
    expect(ids(apart)).toEqual(['piece-2', 'piece-1', 'piece-3']);
    for (const [id, box] of Object.entries(boxes(apart))) expect(box.x).toBeCloseTo(boxes(turned)[id].x, 6);
  });

  it('put nodes elsewhere in the stack and into groups of other coordinates', () => {
    expect(ids(applyEdit(artwork, { kind: 'move-nodes', nodeIds: ['piece-1'], intoId: null, at: 2 }))).toEqual([
      'piece-2',
      'piece-3',
      'piece-1',
    ]);
    const grouped = applyEdits(artwork, [
      { kind: 'group-nodes', nodeIds: ['piece-2'], groupId: 'g' },
      { kind: 'node-transform', nodeIds: ['g'], by: [2, 0, 0, 2, -50, -50] },
      { kind: 'move-nodes', nodeIds: ['piece-3'], intoId: 'g', at: 1 },
    ]).artwork;
    expect((findNode(grouped, 'g')!.node as Group).nodes.map((n) => n.id)).toEqual(['piece-2', 'piece-3']);
    expect(boxes(grouped)['piece-3'].x).toBeCloseTo(boxes(artwork)['piece-3'].x, 6);
    expect(() => applyEdit(grouped, { kind: 'move-nodes', nodeIds: ['g'], intoId: 'g', at: 0 })).toThrow(EditError);
  });

  it('duplicate with ids of their own', () => {
    const grouped = applyEdit(artwork, { kind: 'group-nodes', nodeIds: ['piece-1', 'piece-2'], groupId: 'g' });
    const twice = applyEdit(grouped, { kind: 'duplicate-node', nodeId: 'g', suffix: '-b', by: [1, 0, 0, 1, 5, 5] });
    expect(new Set(ids(twice)).size).toBe(7);
    expect(() => applyEdit(twice, { kind: 'duplicate-node', nodeId: 'g', suffix: '-b' })).toThrow(EditError);
  });

  it('give a piece a line, and take it away', () => {
    const stroke = { inkId: 'ink-2', widthPx: 2, cap: 'butt', join: 'mitre', mitreLimit: 4 } as const;
    const lined = applyEdit(artwork, { kind: 'piece-stroke', nodeIds: ['piece-1'], stroke });
    expect(countPieces(lined, 'ink-2')).toBe(2);
    const alone = applyEdit(lined, { kind: 'piece-ink', nodeIds: ['piece-1'], inkId: null });
    expect(() => applyEdit(alone, { kind: 'piece-stroke', nodeIds: ['piece-1'], stroke: null })).toThrow(/neither/);
    expect(applyEdit(lined, { kind: 'piece-stroke', nodeIds: ['piece-1'], stroke: null })).toEqual(artwork);
  });

  it('set, move and remove guides', () => {
    const guide = { id: 'guide-1', kind: 'line', through: [5, 5], angleDeg: 90 } as const;
    const set = applyEdit(artwork, { kind: 'set-guide', guide });
    expect(describeEdit(set, { kind: 'set-guide', guide })).toBe('a guide moved');
    expect(applyEdit(set, { kind: 'remove-guide', guideId: 'guide-1' })).toEqual(artwork);
  });
});

describe('points', () => {
  const square = (a: Artwork) => pieceIn(a, 'piece-2');
  const at = (p: Piece, number: number) => {
    for (const [c, numbers] of numbersOf(p).of.entries()) {
      const k = numbers.indexOf(number);
      if (k >= 0) return k ? p.contours[c].segments[k - 1].to : p.contours[c].start;
    }
    return null;
  };

  it('are numbered as they are read, and keep their numbers when others come and go', () => {
    expect(numbersOf(square(artwork)).of).toEqual([[0, 1, 2, 3]]);
    const corners = [0, 1, 2, 3].map((n) => at(square(artwork), n));
    const more = applyEdit(artwork, { kind: 'add-point', nodeId: 'piece-2', after: 1, t: 0.5 });
    expect(numbersOf(square(more)).of).toEqual([[0, 1, 4, 2, 3]]);
    expect([0, 1, 2, 3].map((n) => at(square(more), n))).toEqual(corners);
    const fewer = applyEdit(more, { kind: 'remove-point', nodeId: 'piece-2', point: 0 });
    expect([1, 2, 3].map((n) => at(square(fewer), n))).toEqual(corners.slice(1));
    const again = applyEdit(fewer, { kind: 'add-point', nodeId: 'piece-2', after: 3, t: 0.5 });
    expect(numbersOf(square(again)).of.flat()).toContain(5);
    expect(numbersOf(square(again)).of.flat()).not.toContain(0);
  });

  it('move alone, with their handles', () => {
    const after = applyEdit(artwork, { kind: 'move-point', nodeId: 'piece-2', point: 2, to: [80, 90] });
    expect(at(square(after), 2)).toEqual([80, 90]);
    expect(at(square(after), 1)).toEqual(at(square(artwork), 1));
    const first = applyEdit(artwork, { kind: 'move-point', nodeId: 'piece-2', point: 0, to: [1, 2] });
    expect(square(first).contours[0].start).toEqual([1, 2]);
    expect(square(first).contours[0].segments[3].to).toEqual([1, 2]);
    const round = applyEdit(artwork, { kind: 'move-point', nodeId: 'piece-1', point: 0, to: [100, 60] });
    const [before, now] = [pieceIn(artwork, 'piece-1'), pieceIn(round, 'piece-1')].map(
      (p) => p.contours[0].segments[0],
    );
    expect(now).toMatchObject({ kind: 'curve', c2: (before as { c2: unknown }).c2 });
  });

  it('cut an outline open, and an open one in two', () => {
    const open = applyEdit(artwork, { kind: 'cut-point', nodeId: 'piece-2', point: 2 });
    expect(square(open).contours[0]).toMatchObject({ open: true, start: at(square(artwork), 2) });
    expect(numbersOf(square(open)).of).toEqual([[2, 3, 0, 1, 4]]);
    const two = applyEdit(open, { kind: 'cut-point', nodeId: 'piece-2', point: 0 });
    expect(numbersOf(square(two)).of).toEqual([
      [2, 3, 0],
      [5, 1, 4],
    ]);
  });

  it('keep the shape when one is added, whatever the segment', () => {
    fc.assert(
      fc.property(fc.constantFrom(0, 1, 2, 3), fc.double({ min: 0.05, max: 0.95, noNaN: true }), (after, t) => {
        const more = applyEdit(artwork, { kind: 'add-point', nodeId: 'piece-1', after, t });
        const [a, b] = [artwork, more].map((x) => flatten(pieceIn(x, 'piece-1').contours[0], 0.001));
        const radii = (p: number[]) =>
          p.filter((_, k) => k % 2 === 0).map((x, k) => Math.hypot(x - 50, p[2 * k + 1] - 50));
        expect(Math.max(...radii(b)) - Math.max(...radii(a))).toBeLessThan(0.02);
        expect(Math.min(...radii(b))).toBeGreaterThan(39.9);
      }),
      { numRuns: 40 },
    );
  });

  it('go with the last of their contour', () => {
    const line = { ...artwork, nodes: [piece('l', 'ink-1', parsePath('M0 0L5 5M9 9L8 8L7 9', { close: false }))] };
    const after = applyEdit(line, { kind: 'remove-point', nodeId: 'l', point: 0 });
    expect(pieceIn(after, 'l').contours).toHaveLength(1);
    const gone = applyEdits(after, [
      { kind: 'remove-point', nodeId: 'l', point: 2 },
      { kind: 'remove-point', nodeId: 'l', point: 3 },
    ]).artwork;
    expect(gone.nodes).toEqual([]);
  });
});

describe('any edit', () => {
  it('is refused where it does not fit', () => {
    for (const edit of [
      { kind: 'ink-colour', inkId: 'ink-9', hex: '#000000' },
      { kind: 'ink-colour', inkId: 'ink-1', hex: 'red' },
      { kind: 'ink-name', inkId: 'ink-1', name: '  ' },
      { kind: 'merge-inks', inkId: 'ink-1', intoInkId: 'ink-1' },
      { kind: 'piece-ink', nodeIds: ['piece-9'], inkId: 'ink-1' },
      { kind: 'remove-nodes', nodeIds: ['piece-9'] },
      { kind: 'add-ink', ink: artwork.inks[0] },
      { kind: 'move-point', nodeId: 'piece-2', point: 9, to: [0, 0] },
      { kind: 'ungroup', groupId: 'piece-1' },
      { kind: 'remove-guide', guideId: 'none' },
      { kind: 'group-nodes', nodeIds: ['piece-1'], groupId: 'piece-2' },
    ] as const)
      expect(() => applyEdit(artwork, edit as Edit)).toThrow(EditError);
    expect(() => applyEdit(artwork, { kind: 'constructor' } as unknown as Edit)).toThrow(EditError);
  });

  it('is told in words', () => {
    expect(describeEdit(artwork, { kind: 'ink-colour', inkId: 'ink-1', hex: '#abc' })).toBe('lamp to #AABBCC');
    expect(describeEdit(artwork, { kind: 'merge-inks', inkId: 'ink-2', intoInkId: 'ink-1' })).toBe(
      'midnight merged into lamp',
    );
    expect(describeEdit(artwork, { kind: 'remove-nodes', nodeIds: ['piece-1'] })).toBe('one piece removed');
    expect(
      applyEdits(artwork, [
        { kind: 'ink-name', inkId: 'ink-1', name: 'moon' },
        { kind: 'remove-nodes', nodeIds: ['piece-1'] },
      ]).told,
    ).toBe('lamp named moon, and 1 more');
  });

  it('is read by one schema, and by nothing that looks like it', () => {
    const edit = { kind: 'node-transform', nodeIds: ['a'], by: [1, 0, 0, 1, 5, 5] };
    expect(v.parse(EditSchema, edit)).toEqual(edit);
    expect(v.safeParse(EditSchema, { kind: 'none' }).success).toBe(false);
    expect(v.safeParse(EditSchema, { ...edit, by: [1, 0, 0, 1, NaN, 5] }).success).toBe(false);
    expect(EDIT_KINDS.length).toBeGreaterThan(20);
  });
});

describe('inks with a gradient', () => {
  const shaded: Artwork = {
    ...artwork,
    inks: [
      {
        ...artwork.inks[0],
        gradient: {
          kind: 'linear',
          from: [0, 0],
          to: [0, 100],
          stops: [
            { at: 0, hex: '#F6E25B' },
            { at: 1, hex: '#CF9A1E' },
          ],
        },
      },
      artwork.inks[1],
    ],
  };
  const edited = (edit: Edit) => applyEdit(shaded, edit).inks[0];

  it('take on a colour as a whole, and keep their way from light to dark', () => {
    const ink = edited({ kind: 'ink-colour', inkId: 'ink-1', hex: '#2560C4' });
    const [first, last] = ink.gradient!.stops.map((s) => hexToOklab(s.hex));
    expect(ink.hex).toBe('#2560C4');
    expect(first.L).toBeGreaterThan(last.L + 0.1);
    for (const lab of [first, last]) expect(lab.b).toBeLessThan(0);
  });

  it('change a stop, or are made plain', () => {
    const ink = edited({ kind: 'gradient-stop', inkId: 'ink-1', stop: 1, hex: '#000000' });
    expect(ink.gradient!.stops.map((s) => s.hex)).toEqual(['#F6E25B', '#000000']);
    expect(ink.hex).toBe('#7B712E');
    expect(edited({ kind: 'plain-ink', inkId: 'ink-1' })).toEqual(artwork.inks[0]);
    expect(describeEdit(shaded, { kind: 'plain-ink', inkId: 'ink-1' })).toBe('lamp made plain');
    expect(describeEdit(shaded, { kind: 'gradient-stop', inkId: 'ink-1', stop: 0, hex: '#abc' })).toBe(
      'stop 1 of lamp to #AABBCC',
    );
  });

  it('refuse what they do not have', () => {
    for (const edit of [
      { kind: 'gradient-stop', inkId: 'ink-1', stop: 2, hex: '#000000' },
      { kind: 'gradient-stop', inkId: 'ink-2', stop: 0, hex: '#000000' },
      { kind: 'gradient-stop', inkId: 'ink-1', stop: 0, hex: 'black' },
      { kind: 'plain-ink', inkId: 'ink-2' },
    ] as const)
      expect(() => applyEdit(shaded, edit)).toThrow(EditError);
  });

  it('are where they are under any map, squeezed ones too', () => {
    const radial = { kind: 'radial', from: [10, 10], to: [20, 10], stops: shaded.inks[0].gradient!.stops } as const;
    for (const map of [
      [2, 0, 0, 2, 3, 4],
      [1, 0.5, 0, 2, 3, 4],
    ] as const) {
      const mapped = mapGradient(map, radial);
      for (const [x, y] of [
        [12, 13],
        [16, 8],
        [25, 25],
      ]) {
        const [mx, my] = [map[0] * x + map[2] * y + map[4], map[1] * x + map[3] * y + map[5]];
        expect(placeIn(mapped)(mx, my)).toBeCloseTo(placeIn(radial)(x, y), 9);
      }
    }
  });

  it('begin at their focus, end at their circle, and come again where they are told to', () => {
    const focused = {
      kind: 'radial',
      from: [0, 0],
      to: [10, 0],
      focus: [5, 0],
      stops: shaded.inks[0].gradient!.stops,
    } as const;
    const place = placeIn(focused);
    expect(place(5, 0)).toBe(0);
    for (const t of [0.3, 1.2, 2.5]) expect(place(10 * Math.cos(t), 10 * Math.sin(t))).toBeCloseTo(1, 9);
    const linear = { ...shaded.inks[0].gradient!, spread: 'repeat' } as const;
    expect(colourIn(linear)(0, 130)[2]).toBeCloseTo(colourIn(linear)(0, 30)[2], 9);
    expect(colourIn({ ...linear, spread: 'reflect' })(0, 130)[2]).toBeCloseTo(colourIn(linear)(0, 70)[2], 9);
    const fading = { ...linear, stops: [linear.stops[0], { ...linear.stops[1], opacity: 0 }] };
    expect(shadeIn(fading)(0, 50)[3]).toBeCloseTo(0.5, 6);
  });
});
