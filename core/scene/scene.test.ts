import { describe, expect, it } from 'vitest';
import { boxOf, circle, parsePath, rectangle, sizeOf, type Contour, flatten } from '../path';
import type { ArtNode, Artwork, Piece } from '../vector';
import { drawScene, layered, renderArtwork, sceneOf } from './index';
import { pieceOf as piece } from '../vector/testing';

const of = (...nodes: ArtNode[]): Artwork => ({
  widthPx: 100,
  heightPx: 100,
  inks: [
    { id: 'red', hex: '#FF0000', name: 'red' },
    { id: 'blue', hex: '#0000FF', name: 'blue' },
    { id: 'white', hex: '#FFFFFF', name: 'white' },
  ],
  nodes,
  guides: [],
});
const square = (x: number, y: number, side: number): Contour => rectangle(x, y, side, side);
const stroke = (widthPx: number, more = {}) =>
  ({ inkId: 'blue', widthPx, cap: 'butt', join: 'mitre', mitreLimit: 4, ...more }) as const;
const pixel = (artwork: Artwork, x: number, y: number) => {
  const { rgba, widthPx } = renderArtwork(artwork, 100);
  return [...rgba.slice((y * widthPx + x) * 4, (y * widthPx + x) * 4 + 4)];
};

describe('a scene', () => {
  it('is flat, in stacking order, with every transform applied', () => {
    const { shapes } = sceneOf(
      of(piece('a', 'red', [square(0, 0, 10)]), {
        kind: 'group',
        id: 'g',
        transform: [2, 0, 0, 2, 10, 20],
        nodes: [piece('b', 'blue', [square(0, 0, 10)], { transform: [1, 0, 0, 1, 5, 0] })],
      }),
      { strokes: 'outlined' },
    );
    expect(shapes.map((s) => s.nodeId)).toEqual(['a', 'b']);
    expect(boxOf(shapes[1].contours)).toEqual({ x: 20, y: 20, width: 20, height: 20 });
    expect(shapes.every((s) => !s.layers.length)).toBe(true);
  });

  it('gives back the very contours of pieces that no transform moves', () => {
    const a = piece('a', 'red', [square(0, 0, 10)]);
    expect(sceneOf(of(a), { strokes: 'kept' }).shapes[0].contours).toBe(a.contours);
  });

  it('leaves out what is hidden and what has no ink', () => {
    const nodes = [
      piece('a', 'red', [square(0, 0, 9)], { hidden: true }),
      piece('b', null, [square(0, 0, 9)]),
      piece('c', 'gone', [square(0, 0, 9)]),
    ];
    expect(sceneOf(of(...nodes), { strokes: 'kept' }).shapes).toEqual([]);
  });

  it('keeps lines where it can, and outlines them where it is asked or must', () => {
    const line = parsePath('M10 50H90', { close: false });
    const plain = piece('a', null, line, { stroke: stroke(10), transform: [2, 0, 0, 2, 0, 0] });
    expect(sceneOf(of(plain), { strokes: 'kept' }).shapes[0].line).toMatchObject({ widthPx: 20 });
    const areaOf = (p: Piece, strokes: 'kept' | 'outlined') => {
      const [shape] = sceneOf(of(p), { strokes }).shapes;
      expect(shape.line).toBeUndefined();
      return sizeOf(shape.contours.map((c) => flatten(c, 0.01)));
    };
    expect(areaOf(plain, 'outlined')).toBeCloseTo(160 * 20, 0);
    // Squeezed, a line has no one width any more.
    expect(areaOf({ ...plain, transform: [1, 0, 0, 3, 0, 0] }, 'kept')).toBeCloseTo(80 * 30, 0);
    const tapered = {
      ...plain,
      transform: undefined,
      stroke: stroke(10, {
        profile: [
          { at: 0, share: 0 },
          { at: 1, share: 1 },
        ],
      }),
    };
    expect(areaOf(tapered, 'kept')).toBeCloseTo(400, 0);
  });

  it('makes layers of what fades, clips or softens several shapes as one, and of nothing else', () => {
    const both = piece('a', 'red', [square(0, 0, 50)], { stroke: stroke(4), opacity: 0.5 });
    const [fill, line] = sceneOf(of(both), { strokes: 'kept' }).shapes;
    expect(fill.layers).toHaveLength(1);
    expect(line.layers[0]).toBe(fill.layers[0]);
    expect(fill.opacity).toBe(1);
    const [alone] = sceneOf(of(piece('b', 'red', [square(0, 0, 50)], { opacity: 0.5 })), { strokes: 'kept' }).shapes;
    expect([alone.layers.length, alone.opacity]).toEqual([0, 0.5]);
    const tree = layered(
      sceneOf(of({ kind: 'group', id: 'g', name: 'wings', nodes: [both] }, both), { strokes: 'kept' }),
    );
    expect(tree.map((n) => n.kind)).toEqual(['layer', 'layer']);
  });
});

describe('a scene drawn', () => {
  it('covers what its shapes cover', () => {
    const artwork = of(piece('a', 'red', [circle(50, 50, 40)]), piece('b', 'blue', [square(40, 40, 20)]));
    expect(pixel(artwork, 50, 50)).toEqual([0, 0, 255, 255]);
    expect(pixel(artwork, 50, 20)).toEqual([255, 0, 0, 255]);
    expect(pixel(artwork, 99, 0)[3]).toBe(0);
  });

  it('fades a group as one', () => {
    const group: ArtNode = {
      kind: 'group',
      id: 'g',
      opacity: 0.5,
      nodes: [piece('a', 'red', [square(0, 0, 60)]), piece('b', 'blue', [square(40, 40, 60)])],
    };
    expect(pixel(of(group), 50, 50)).toEqual([0, 0, 255, 128]);
    expect(pixel(of(group), 10, 10)).toEqual([255, 0, 0, 128]);
  });

  it('shows through clips and masks what they let through', () => {
    const a = piece('a', 'red', [square(0, 0, 100)]);
    const clipped: ArtNode = { ...a, clip: [{ contours: [square(0, 0, 50)] }, { contours: [square(60, 60, 20)] }] };
    expect([pixel(of(clipped), 20, 20)[3], pixel(of(clipped), 55, 55)[3], pixel(of(clipped), 70, 70)[3]]).toEqual([
      255, 0, 255,
    ]);
    const grey = { id: 'grey', hex: '#808080', name: 'grey' };
    const masked = of({
      ...a,
      mask: { by: 'light', nodes: [piece('w', 'white', [square(0, 0, 50)]), piece('k', 'grey', [square(50, 0, 50)])] },
    });
    const withGrey = { ...masked, inks: [...masked.inks, grey] };
    expect([pixel(withGrey, 20, 20)[3], pixel(withGrey, 70, 20)[3], pixel(withGrey, 20, 70)[3]]).toEqual([255, 128, 0]);
  });

  it('fills by the even-odd rule where that is asked', () => {
    const rings = [square(10, 10, 80), square(30, 30, 40)];
    expect(pixel(of(piece('a', 'red', rings)), 50, 50)[3]).toBe(255);
    expect(pixel(of(piece('a', 'red', rings, { rule: 'evenodd' })), 50, 50)[3]).toBe(0);
  });

  it('blurs and casts shadows', () => {
    const soft = of(piece('a', 'red', [square(30, 30, 40)], { effects: [{ kind: 'blur', radiusPx: 4 }] }));
    expect(pixel(soft, 50, 50)[3]).toBe(255);
    expect(pixel(soft, 30, 50)[3]).toBeGreaterThan(100);
    expect(pixel(soft, 30, 50)[3]).toBeLessThan(160);
    expect(pixel(soft, 15, 50)[3]).toBeLessThan(8);
    const shadow = of(
      piece('a', 'red', [square(30, 30, 20)], {
        effects: [{ kind: 'shadow', dxPx: 30, dyPx: 30, blurPx: 1, inkId: 'blue', opacity: 0.5 }],
      }),
    );
    expect(pixel(shadow, 70, 70)).toEqual([0, 0, 255, 128]);
    expect(pixel(shadow, 40, 40)).toEqual([255, 0, 0, 255]);
  });

  it('draws the same kept as lines and outlined', () => {
    const artwork = of(
      piece('a', null, parsePath('M20 20C80 10 20 90 80 80', { close: false }), {
        stroke: stroke(8, { cap: 'round', join: 'round' }),
      }),
    );
    const [kept, outlined] = (['kept', 'outlined'] as const).map(
      (strokes) => drawScene(sceneOf(artwork, { strokes }), 200).rgba,
    );
    let worst = 0;
    for (let i = 3; i < kept.length; i += 4) worst = Math.max(worst, Math.abs(kept[i] - outlined[i]));
    expect(worst).toBeLessThan(32);
  });
});
