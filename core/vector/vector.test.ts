import { describe, expect, it } from 'vitest';
import { hexToOklab } from '../colour';
import {
  applyEdit,
  artworkToSvg,
  boxOf,
  checkArtwork,
  circle,
  closeContour,
  compose,
  contains,
  countPieces,
  countPoints,
  describeEdit,
  EditError,
  ellipse,
  escapeXml,
  flatten,
  formatPath,
  idOf,
  mapContour,
  mapPoint,
  parsePath,
  pieceAt,
  polygon,
  rectangle,
  renderArtwork,
  reverseContour,
  roundedPolygon,
  shortNumber,
  signedArea,
  star,
  type Artwork,
} from './index';

const artwork: Artwork = {
  widthPx: 100,
  heightPx: 100,
  inks: [
    { id: 'ink-1', hex: '#F2C14E', name: 'lamp' },
    { id: 'ink-2', hex: '#182A5C', name: 'midnight' },
  ],
  pieces: [
    { id: 'piece-1', inkId: 'ink-1', contours: [circle(50, 50, 40)] },
    { id: 'piece-2', inkId: 'ink-2', contours: [rectangle(40, 40, 20, 20)] },
    { id: 'piece-3', inkId: 'ink-1', contours: [circle(10, 10, 5), reverseContour(circle(10, 10, 2))] },
  ],
};

describe('outlines', () => {
  it('flatten within the tolerance', () => {
    for (const tolerance of [1, 0.1, 0.01]) {
      const points = flatten(circle(0, 0, 100), tolerance);
      const n = points.length / 2;
      for (let i = 0; i < n; i++) {
        const j = (i + 1) % n;
        const middle = Math.hypot((points[2 * i] + points[2 * j]) / 2, (points[2 * i + 1] + points[2 * j + 1]) / 2);
        expect(100 - middle).toBeLessThan(tolerance + 0.03);
      }
    }
  });

  it('have the area of a circle, positive clockwise, negative when reversed', () => {
    const c = circle(30, 40, 20);
    expect(signedArea(flatten(c, 0.001))).toBeCloseTo(Math.PI * 400, 0);
    expect(signedArea(flatten(reverseContour(c), 0.001))).toBeCloseTo(-Math.PI * 400, 0);
    expect(reverseContour(reverseContour(c))).toEqual(c);
  });

  it('keep their area when turned and moved, and scale it when scaled', () => {
    const turned = ellipse(0, 0, 30, 10, 0.7);
    expect(signedArea(flatten(turned, 0.001))).toBeCloseTo(Math.PI * 300, 0);
    const doubled = mapContour([2, 0, 0, 2, 5, -3], turned);
    expect(signedArea(flatten(doubled, 0.001))).toBeCloseTo(4 * Math.PI * 300, -1);
  });

  it('are mapped by composed maps as by one after the other', () => {
    const first = [2, 1, -1, 3, 4, 5] as const;
    const second = [0.5, -1, 1, 0.25, -6, 7] as const;
    const [x, y] = mapPoint(second, mapPoint(first, [3, -2]));
    expect(mapPoint(compose(first, second), [3, -2])[0]).toBeCloseTo(x, 10);
    expect(mapPoint(compose(first, second), [3, -2])[1]).toBeCloseTo(y, 10);
  });

  it('tell what is inside, with holes', () => {
    const ring = artwork.pieces[2].contours;
    expect(contains(ring, [13.5, 10])).toBe(true);
    expect(contains(ring, [10, 10])).toBe(false);
    expect(contains(ring, [16, 10])).toBe(false);
  });

  it('have the boxes one expects of shapes', () => {
    expect(boxOf([rectangle(3, 4, 10, 20, 4)])).toEqual({ x: 3, y: 4, width: 10, height: 20 });
    expect(boxOf([])).toEqual({ x: 0, y: 0, width: 0, height: 0 });
    const s = boxOf([star(0, 0, 5, 10, 4)]);
    expect(s.y).toBeCloseTo(-10, 6);
    const rounded = roundedPolygon(
      [
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 10],
      ],
      3,
    );
    expect(signedArea(flatten(rounded))).toBeLessThan(100);
    expect(signedArea(flatten(rounded))).toBeGreaterThan(90);
  });
});

describe('path data', () => {
  it('is short', () => {
    expect([0.5, -0.5, 3, 3.1, 3.14159, -0.001, 100].map(shortNumber)).toEqual([
      '.5',
      '-.5',
      '3',
      '3.1',
      '3.14',
      '0',
      '100',
    ]);
    expect(formatPath([rectangle(0, 0, 10, 5)])).toBe('M0 0H10V5H0Z');
  });

  it('reads back what it wrote', () => {
    const contours = [circle(50, 50, 33.33), rectangle(2, 3, 40.5, 20), reverseContour(star(20, 20, 5, 9, 4))];
    const text = formatPath(contours);
    expect(formatPath(parsePath(text))).toBe(text);
    expect(parsePath(text)).toHaveLength(3);
  });

  it('reads relative, smooth and quadratic commands', () => {
    const [c] = parsePath('m10 10 l10 0 v10 h-10 z');
    expect(flatten(c)).toEqual([10, 10, 20, 10, 20, 20, 10, 20]);
    const [q] = parsePath('M0 0Q10 0 10 10');
    expect(q.segments[0]).toMatchObject({ kind: 'curve', to: [10, 10] });
    const [s] = parsePath('M0 0C0 5 5 10 10 10S20 5 20 0');
    expect(s.segments[1]).toMatchObject({ c1: [15, 10] });
  });

  it('reads arcs, of circles as arcs and of ellipses as curves, with flags that run together', () => {
    const [c] = parsePath('M104 60a12 12 0 1 1-12-12a12 12 0 0112 12');
    expect(c.segments.map((s) => s.kind)).toEqual(['arc', 'arc']);
    expect(signedArea(flatten(c, 0.001))).toBeCloseTo(Math.PI * 144, 0);
    const [e] = parsePath('M10 0A10 5 0 0 1 -10 0A10 5 0 0 1 10 0Z');
    expect(signedArea(flatten(e, 0.001))).toBeCloseTo(Math.PI * 50, 1);
    expect(formatPath([c])).toBe('M104 60A12 12 0 1 1 92 48A12 12 0 0 1 104 60Z');
  });

  it('keeps arcs under turns, mirrors and scalings, and makes curves of them under others', () => {
    const [c] = parsePath('M10 0A10 10 0 1 1 0 -10L0 0Z');
    const area = signedArea(flatten(c, 0.001));
    for (const map of [
      [0, 2, -2, 0, 5, 5],
      [-1, 0, 0, 1, 0, 0],
      [0.6, 0.8, 0.8, -0.6, 1, 2],
    ] as const) {
      const mapped = mapContour(map, c);
      expect(mapped.segments[0].kind).toBe('arc');
      expect(signedArea(flatten(mapped, 0.001))).toBeCloseTo(area * (map[0] * map[3] - map[1] * map[2]), 0);
      expect(signedArea(flatten(reverseContour(mapped), 0.001))).toBeCloseTo(-signedArea(flatten(mapped, 0.001)), 6);
    }
    const squeezed = mapContour([1, 0, 0, 3, 0, 0], c);
    expect(squeezed.segments.every((s) => s.kind !== 'arc')).toBe(true);
    expect(signedArea(flatten(squeezed, 0.001))).toBeCloseTo(3 * area, 0);
  });

  it('says where it stopped understanding', () => {
    expect(() => parsePath('M0 0X5 5')).toThrow(/"X" is not understood/);
    expect(() => parsePath('M0 0L5')).toThrow(SyntaxError);
  });

  it('closes what is open', () => {
    expect(closeContour({ start: [0, 0], segments: [{ kind: 'line', to: [5, 5] }] }).segments).toHaveLength(2);
  });
});

describe('artworks', () => {
  it('find the topmost piece', () => {
    expect(pieceAt(artwork, [50, 50])?.id).toBe('piece-2');
    expect(pieceAt(artwork, [50, 20])?.id).toBe('piece-1');
    expect(pieceAt(artwork, [99, 1])).toBeNull();
  });

  it('count pieces and points', () => {
    expect(countPieces(artwork)).toBe(3);
    expect(countPieces(artwork, 'ink-1')).toBe(2);
    expect(countPoints(artwork)).toBe(4 + 4 + 8);
  });

  it('change an ink with every piece of it, and leave the artwork given as it was', () => {
    const before = JSON.stringify(artwork);
    const after = applyEdit(artwork, { kind: 'ink-colour', inkId: 'ink-1', hex: '#abcdef' });
    expect(after.inks[0].hex).toBe('#ABCDEF');
    expect(after.pieces).toBe(artwork.pieces);
    expect(JSON.stringify(artwork)).toBe(before);
  });

  it('merge, rename, reassign and remove', () => {
    const merged = applyEdit(artwork, { kind: 'merge-inks', inkId: 'ink-2', intoInkId: 'ink-1' });
    expect(merged.inks).toHaveLength(1);
    expect(merged.pieces.every((p) => p.inkId === 'ink-1')).toBe(true);
    expect(applyEdit(artwork, { kind: 'ink-name', inkId: 'ink-1', name: ' moon ' }).inks[0].name).toBe('moon');
    expect(applyEdit(artwork, { kind: 'piece-ink', pieceId: 'piece-2', inkId: 'ink-1' }).pieces[1].inkId).toBe('ink-1');
    expect(applyEdit(artwork, { kind: 'remove-piece', pieceId: 'piece-2' }).pieces.map((p) => p.id)).toEqual([
      'piece-1',
      'piece-3',
    ]);
  });

  it('refuse edits that do not fit', () => {
    for (const edit of [
      { kind: 'ink-colour', inkId: 'ink-9', hex: '#000000' },
      { kind: 'ink-colour', inkId: 'ink-1', hex: 'red' },
      { kind: 'ink-name', inkId: 'ink-1', name: '  ' },
      { kind: 'merge-inks', inkId: 'ink-1', intoInkId: 'ink-1' },
      { kind: 'piece-ink', pieceId: 'piece-9', inkId: 'ink-1' },
      { kind: 'remove-piece', pieceId: 'piece-9' },
    ] as const)
      expect(() => applyEdit(artwork, edit)).toThrow(EditError);
  });

  it('tell edits in words', () => {
    expect(describeEdit(artwork, { kind: 'ink-colour', inkId: 'ink-1', hex: '#abc' })).toBe('lamp to #AABBCC');
    expect(describeEdit(artwork, { kind: 'merge-inks', inkId: 'ink-2', intoInkId: 'ink-1' })).toBe(
      'midnight merged into lamp',
    );
    expect(describeEdit(artwork, { kind: 'remove-piece', pieceId: 'piece-1' })).toBe('one piece removed');
  });

  it('are checked when they come from outside', () => {
    expect(() => checkArtwork(artwork)).not.toThrow();
    expect(() => checkArtwork({ ...artwork, inks: [artwork.inks[0], artwork.inks[0]] })).toThrow(/one id/);
    expect(() => checkArtwork({ ...artwork, inks: [artwork.inks[0]] })).toThrow(/does not have/);
    expect(() => checkArtwork({ ...artwork, widthPx: 0 })).toThrow(/size/);
    const bad = {
      ...artwork.pieces[0],
      contours: [
        polygon([
          [0, 0],
          [NaN, 1],
          [2, 2],
        ]),
      ],
    };
    expect(() => checkArtwork({ ...artwork, pieces: [bad] })).toThrow(/not a number/);
  });

  it('render with the cover of their shapes', () => {
    const picture = renderArtwork(artwork, 200);
    const at = (x: number, y: number) => [...picture.rgba.slice((y * 200 + x) * 4, (y * 200 + x) * 4 + 4)];
    expect(at(100, 100)).toEqual([0x18, 0x2a, 0x5c, 255]);
    expect(at(100, 40)).toEqual([0xf2, 0xc1, 0x4e, 255]);
    expect(at(199, 0)[3]).toBe(0);
    expect(at(20, 20)[3]).toBe(0);
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
  const edited = (edit: Parameters<typeof applyEdit>[1]) => applyEdit(shaded, edit).inks[0];

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
});

describe('SVG', () => {
  it('has one named group for each run of an ink, title, description, and nothing that runs', () => {
    const svg = artworkToSvg(artwork, { title: 'Noctule <Night> "Rail"', description: 'a & b' });
    expect(svg.match(/<g id="[^"]+"/g)).toEqual(['<g id="lamp"', '<g id="midnight"', '<g id="lamp-2"']);
    expect(svg).toContain('<title id="title">Noctule &#60;Night&#62; &#34;Rail&#34;</title>');
    expect(svg).toContain('viewBox="0 0 100 100"');
    expect(svg).not.toMatch(/<script|on\w+=|href|<style/i);
  });

  it('draws circles and upright rectangles as what they are', () => {
    const half = (to: [number, number]) => ({ kind: 'arc', radius: 30, large: false, clockwise: true, to }) as const;
    const pieces = [
      { id: 'a', inkId: 'ink-1', contours: [{ start: [20, 50] as const, segments: [half([80, 50]), half([20, 50])] }] },
      { id: 'b', inkId: 'ink-1', contours: [rectangle(0, 5, 10.5, 20)] },
      {
        id: 'c',
        inkId: 'ink-1',
        contours: [
          polygon([
            [0, 0],
            [10, 1],
            [9, 11],
            [-1, 10],
          ]),
        ],
      },
    ];
    const svg = artworkToSvg({ ...artwork, pieces });
    expect(svg).toContain('<circle cx="50" cy="50" r="30"/>');
    expect(svg).toContain('<rect y="5" width="10.5" height="20"/>');
    expect(svg.match(/<path/g)).toHaveLength(1);
  });

  it('writes half circles so that rounding does not move them', () => {
    const c = parsePath('M10.004 20.003A15.3374 15.3374 0 0 1 40.679 20.003L10.004 20.003Z')[0];
    const [again] = parsePath(formatPath([c]));
    const top = (k: typeof c) => boxOf([k]).y;
    expect(Math.abs(top(again) - top(c))).toBeLessThan(0.03);
  });

  it('makes names safe', () => {
    expect(idOf('Größe & Licht')).toBe('gro-e-licht');
    expect(idOf('2 blue')).toBe('ink-2-blue');
    expect(idOf('***')).toBe('ink-x');
    expect(escapeXml('a\u0000b\u0008<')).toBe('ab&#60;');
  });
});
