import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hexToRgb, mix } from '../colour';
import { circleOfArcs, mapPoint, rectangle, type Affine } from '../path';
import { renderArtwork } from '../scene';
import { artworkToSvg } from '../export';
import {
  applyEdit,
  asKind,
  colourIn,
  EditError,
  findNode,
  gradientHandles,
  gradientOver,
  inkOf,
  placeAt,
  roomiestPlace,
  spelledOut,
  stopAt,
  turnedRound,
  withEndAt,
  withoutStop,
  withStop,
  withStopAs,
  type Edit,
  type Gradient,
  type Piece,
} from './index';
import { artworkOf, pieceOf } from './testing';

const BOX = { x: 10, y: 20, width: 80, height: 60 };
const anyHex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0').toUpperCase()}`);
const even = (...hexes: string[]): Gradient => ({
  kind: 'linear',
  from: [0, 0],
  to: [100, 0],
  stops: hexes.map((hex, k) => ({ at: k / (hexes.length - 1), hex })),
  mixed: 'oklab',
});

describe('a gradient even to the eye', () => {
  it('is spelled out so that whoever mixes in sRGB shows the way through OKLab', () => {
    const off: number[] = [];
    fc.assert(
      fc.property(anyHex, anyHex, (a, b) => {
        const spelled = spelledOut(even(a, b));
        expect(spelled.mixed).toBeUndefined();
        const at = colourIn(spelled);
        for (let k = 0; k <= 40; k++) {
          const wanted = hexToRgb(mix(a, b, k / 40));
          at(2.5 * k, 0).forEach((v, c) => off.push(Math.abs(v - wanted[c])));
        }
      }),
      { numRuns: 60 },
    );
    // Where sRGB ends the way through OKLab bends sharply.
    expect(Math.max(...off)).toBeLessThan(6);
    expect(off.filter((v) => v > 1).length / off.length).toBeLessThan(0.015);
  });

  it('is left alone where it is mixed in sRGB, and has few stops where the two are nearly the same', () => {
    const { mixed: _mixed, ...plain } = even('#102040', '#FFE080');
    expect(spelledOut(plain)).toBe(plain);
    expect(spelledOut(even('#808080', '#8A8A8A')).stops).toHaveLength(2);
    expect(spelledOut(even('#0000FF', '#FFFF00')).stops.length).toBeGreaterThan(6);
  });

  it('goes over in opacity too, and keeps a sudden change', () => {
    const sudden: Gradient = {
      ...even('#FFFFFF', '#FFFFFF'),
      stops: [
        { at: 0, hex: '#FFFFFF', opacity: 1 },
        { at: 0.5, hex: '#FFFFFF', opacity: 0 },
        { at: 0.5, hex: '#000000', opacity: 0 },
        { at: 1, hex: '#000000', opacity: 0.5 },
      ],
    };
    const { stops } = spelledOut(sudden);
    expect(stops.filter((s) => s.at === 0.5).map((s) => s.hex)).toEqual(['#FFFFFF', '#000000']);
  });
});

describe('stops', () => {
  it('are added where they change nothing, moved between their neighbours, taken out down to two, turned round', () => {
    const own = even('#FF0000', '#00FF00', '#0000FF');
    const more = withStop(own, 0.25);
    expect(more.stops.map((s) => s.at)).toEqual([0, 0.25, 0.5, 1]);
    const [was, is] = [colourIn(own), colourIn(more)];
    for (let x = 0; x <= 100; x += 5) was(x, 0).forEach((v, c) => expect(Math.abs(v - is(x, 0)[c])).toBeLessThan(3));
    expect(withStopAs(own, 1, { at: 7 }).stops[1].at).toBe(1);
    expect(withStopAs(own, 1, { hex: '#FFFFFF', opacity: 1 }).stops[1]).toEqual({ at: 0.5, hex: '#FFFFFF' });
    expect(withoutStop(own, 1).stops.map((s) => s.hex)).toEqual(['#FF0000', '#0000FF']);
    expect(withoutStop(even('#FF0000', '#0000FF'), 0).stops).toHaveLength(2);
    expect(turnedRound(own).stops.map((s) => s.hex)).toEqual(['#0000FF', '#00FF00', '#FF0000']);
    expect(stopAt(own, 0.5).hex).toBe('#00FF00');
    expect(roomiestPlace(withStop(own, 0.25))).toBe(0.75);
  });

  it('are handles on the sheet, under the map of the piece', () => {
    const map: Affine = [2, 0, 0, 2, 10, 0];
    const handles = gradientHandles(even('#FF0000', '#00FF00', '#0000FF'), map);
    expect(handles).toEqual([
      { name: 1, at: [110, 0] },
      { name: 'from', at: [10, 0] },
      { name: 'to', at: [210, 0] },
    ]);
    const slanted: Gradient = { ...even('#FF0000', '#0000FF'), transform: [1, 0.5, 0, 1, 0, 0] };
    expect(placeAt(slanted, 1)).toEqual([100, 50]);
  });

  it('keep a round gradient whole when its middle moves, and an end where the other is', () => {
    const round = asKind(even('#FF0000', '#0000FF'), 'radial', BOX);
    expect(round).toMatchObject({ kind: 'radial', from: [50, 50], to: [90, 50], mixed: 'oklab' });
    expect(withEndAt(round, 'from', [60, 40])).toMatchObject({ from: [60, 40], to: [100, 40] });
    expect(withEndAt(round, 'to', [50, 80])).toMatchObject({ from: [50, 50], to: [50, 80] });
    const straight = gradientOver(BOX, 'linear', '#3366CC');
    expect(withEndAt(straight, 'to', straight.from)).toBe(straight);
  });
});

describe('a gradient over pieces', () => {
  const moved: Piece = pieceOf('q', 'b', [rectangle(0, 0, 40, 40)], { transform: [1, 0, 0, 1, 100, 0] });
  const artwork = artworkOf([
    pieceOf('p', 'a', [rectangle(20, 20, 60, 60)]),
    { kind: 'group', id: 'g', transform: [1, 0, 0, 1, 0, 40], nodes: [moved] },
  ]);
  const fill: Edit = {
    kind: 'fill-gradient',
    nodeIds: ['p', 'g'],
    inkId: 'over',
    name: 'over both',
    gradient: { kind: 'linear', from: [20, 0], to: [140, 0], stops: [{ at: 0, hex: '#000000' }, { at: 1, hex: '#FFFFFF' }] },
  }; // prettier-ignore

  it('is one ink over all of them: where pieces were moved it does not begin anew', () => {
    const after = applyEdit(artwork, fill);
    const { rgba } = renderArtwork(after, 200);
    const level = (x: number, y: number): number => rgba[4 * (y * 200 + x)];
    for (const [x, y] of [
      [25, 50],
      [75, 50],
      [105, 60],
      [135, 60],
    ] as const)
      // prettier-ignore
      expect(Math.abs(level(x, y) - ((x + 0.5 - 20) / 120) * 255)).toBeLessThan(2);
    // It looks as before: outlines moved instead of the piece.
    const { node, map } = findNode(after, 'q')!;
    expect(mapPoint(map, (node as Piece).contours[0].start)).toEqual([100, 40]);
    expect(artworkToSvg(after).match(/<linearGradient/g)).toHaveLength(1);
  });

  it('is changed, made round, made plain again; broken ones are refused', () => {
    const after = applyEdit(artwork, fill);
    const gradient = inkOf(after, 'over')!.gradient!;
    const round = asKind(gradient, 'radial', BOX);
    const changed = applyEdit(after, { kind: 'ink-gradient', inkId: 'over', gradient: round as never });
    expect(inkOf(changed, 'over')!.gradient!.kind).toBe('radial');
    expect(inkOf(applyEdit(changed, { kind: 'plain-ink', inkId: 'over' }), 'over')!.gradient).toBeUndefined();
    expect(() => applyEdit(after, fill)).toThrow(EditError);
    expect(() => applyEdit(artwork, { ...fill, nodeIds: ['nobody'] } as Edit)).toThrow(EditError);
    const line = { ...artwork, nodes: [pieceOf('l', null, [], { stroke: { widthPx: 2, inkId: 'a', cap: 'butt', join: 'mitre', mitreLimit: 4 } })] }; // prettier-ignore
    expect(() => applyEdit(line, { ...fill, nodeIds: ['l'] } as Edit)).toThrow('no piece has an area');
  });

  it('is written for plain renderers: SVG has the way through OKLab as stops', () => {
    const disc = artworkOf([pieceOf('p', 'a', [circleOfArcs(100, 100, 60)])]);
    const svg = artworkToSvg(
      applyEdit(disc, { ...fill, nodeIds: ['p'], gradient: even('#0000FF', '#FFFF00') as never } as Edit),
    );
    expect(svg.match(/<stop /g)!.length).toBeGreaterThan(6);
    expect(svg).not.toContain('oklab');
  });
});
