import { describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { artworkToSvg } from '../export';
import { boxOf, circleOfArcs, contains, flatten, rectangle, rectangleOfArcs, signedArea } from '../path';
import { renderArtwork } from '../scene';
import {
  appIconDepth,
  applyEdit,
  applyEdits,
  ArtworkSchema,
  DEPTH_PARTS,
  depthInks,
  depthIsStale,
  depthOf,
  describeEdit,
  EditError,
  madeAnew,
  oneColoured,
  pieceAt,
  piecesChanged,
  plainPart,
  shuffledFor,
  tileEdits,
  tileOf,
  touchingOf,
  type Artwork,
  type Edit,
  type Piece,
} from './index';
import { artworkOf, pieceOf } from './testing';

const TILE = pieceOf('tile', 'a', [rectangleOfArcs(0, 0, 200, 200, 45)]);
const MARK = pieceOf('mark', 'b', [circleOfArcs(100, 90, 40)]);
const icon = artworkOf([TILE, MARK]);
const all = (...parts: (typeof DEPTH_PARTS)[number][]): Edit => ({
  kind: 'depth',
  of: [],
  parts: parts.map((p) => plainPart(p, 200)),
});
const ids = (a: Artwork): string[] => a.nodes.map((n) => n.name ?? n.id);
const part = (a: Artwork, name: string): Piece => depthOf(a).find((p) => p.depth.part === name)!;
const sizeOf = (p: Piece): number => Math.abs(p.contours.reduce((s, c) => s + signedArea(flatten(c, 1e-3)), 0));
const pixel = (a: Artwork, x: number, y: number): number[] => {
  const { rgba } = renderArtwork(a, 200);
  return [...rgba.slice(4 * (y * 200 + x), 4 * (y * 200 + x) + 3)];
};

describe('depth of an app icon', () => {
  it('is a set of named nodes: shadows right below the mark, light on top, whatever came first', () => {
    const after = applyEdits(icon, [all('rim', 'soft-shadow'), all('light', 'long-shadow', 'highlight')]).artwork;
    expect(ids(after)).toEqual(['tile', 'Long shadow', 'Soft shadow', 'mark', 'Inner highlight', 'Light from above', 'Rim']); // prettier-ignore
    expect(v.safeParse(ArtworkSchema, JSON.parse(JSON.stringify(after))).success).toBe(true);
    // Made again a part takes the place of the one that was there.
    const again = applyEdit(after, { kind: 'depth', of: [], parts: [{ part: 'rim', strength: 0.2, widthPx: 5 }] });
    expect(ids(again)).toEqual(ids(after));
    expect(part(again, 'rim').depth).toMatchObject({ strength: 0.2, widthPx: 5 });
    expect(again.inks).toHaveLength(after.inks.length);
  });

  it('has known shapes', () => {
    const after = applyEdit(icon, all(...DEPTH_PARTS));
    const width = (part(after, 'rim').depth as { widthPx: number }).widthPx;
    const tile = sizeOf(TILE);
    // A band inside the tile's edge, as long as that but for its corners.
    const edge = 4 * 110 + 2 * Math.PI * 45;
    expect(sizeOf(part(after, 'rim'))).toBeCloseTo(edge * width - Math.PI * width * width, 0);
    expect(sizeOf(part(after, 'light'))).toBeCloseTo(tile, 3);
    const soft = part(after, 'soft-shadow');
    expect(boxOf(soft.contours).y).toBeCloseTo(50 + (soft.depth as { dyPx: number }).dyPx, 0);
    expect(soft.clip).toHaveLength(1);
    const long = part(after, 'long-shadow');
    // It goes on to the lower right, and ends at the tile's edge.
    expect(contains(long.contours, [150, 140])).toBe(true);
    expect(contains(long.contours, [60, 150])).toBe(false);
    expect(contains(long.contours, [198, 198])).toBe(false);
  });

  it('is light above, dark below, and darker in the shadow', () => {
    const after = applyEdits(icon, [all('light'), all('soft-shadow')]).artwork;
    const [plain, top, bottom, shaded] = [pixel(icon, 100, 30), pixel(after, 100, 12), pixel(after, 100, 190), pixel(after, 100, 132)]; // prettier-ignore
    expect(top[0]).toBeGreaterThan(plain[0] + 10);
    expect(bottom[0]).toBeLessThan(plain[0]);
    expect(shaded[2]).toBeLessThan(plain[2] - 8);
  });

  it('is none of the mark: presses, contrasts, shuffles and one colour pass it by', () => {
    const after = applyEdits(icon, [{ kind: 'depth', of: [], parts: appIconDepth(200, 'soft') }]).artwork;
    expect(pieceAt(after, [100, 90])?.id).toBe('mark');
    expect(touchingOf(after).pairs).toEqual(touchingOf(icon).pairs);
    expect([...depthInks(after)].sort()).toEqual(['depth-highlight', 'depth-light', 'depth-rim', 'depth-soft-shadow']);
    const ask = { grounds: [], least: 2, count: 4, seed: 3, locked: [] as string[] };
    const { schemes } = shuffledFor(after, ask);
    expect(schemes).toHaveLength(4);
    for (const { hexes } of schemes) expect(hexes.slice(2)).toEqual(after.inks.slice(2).map((i) => i.hex));
    expect(schemes.map((s) => s.hexes.slice(0, 2))).toEqual(shuffledFor(icon, ask).schemes.map((s) => s.hexes));
    expect(oneColoured(after, { hex: '#000000' }).artwork.nodes).toEqual(oneColoured(icon, { hex: '#000000' }).artwork.nodes); // prettier-ignore
  });

  it('is of what is named, and of the mark alone where there is no tile', () => {
    const bare = artworkOf([MARK, pieceOf('dot', 'a', [circleOfArcs(160, 160, 10)])]);
    expect(tileOf(bare)).toBeNull();
    const after = applyEdit(bare, { kind: 'depth', of: ['dot'], parts: [plainPart('rim', 200), plainPart('soft-shadow', 200)] }); // prettier-ignore
    expect(boxOf(part(after, 'rim').contours)).toMatchObject({ x: 150, width: 20 });
    expect(part(after, 'soft-shadow').clip).toBeUndefined();
    expect(ids(after)).toEqual(['mark', 'Soft shadow', 'dot', 'Rim']);
    const whole = applyEdit(bare, all('highlight'));
    expect(boxOf(part(whole, 'highlight').clip![0].contours)).toMatchObject({ x: 60, width: 110 });
  });

  it('keeps a colour that somebody gave it, and is made anew of shapes that changed', () => {
    const after = applyEdits(icon, [all('soft-shadow'), { kind: 'ink-colour', inkId: 'depth-soft-shadow', hex: '#401020' }]).artwork; // prettier-ignore
    expect(depthIsStale(after)).toBe(false);
    const moved = applyEdit(after, { kind: 'node-transform', nodeIds: ['mark'], by: [1, 0, 0, 1, 30, 0] });
    expect(depthIsStale(moved)).toBe(true);
    const anew = madeAnew(moved);
    expect(depthIsStale(anew)).toBe(false);
    expect(boxOf(part(anew, 'soft-shadow').contours).x).toBeCloseTo(90, 0);
    expect(anew.inks.find((i) => i.id === 'depth-soft-shadow')!.hex).toBe('#401020');
  });

  it('is taken out with its inks, and refused where there is nothing to make it of', () => {
    const after = applyEdit(icon, all('rim', 'light'));
    const out = applyEdit(after, { kind: 'remove-depth', parts: ['rim', 'light'] });
    expect(out).toEqual(icon);
    expect(() => applyEdit(icon, { kind: 'remove-depth', parts: ['rim'] })).toThrow(EditError);
    expect(() => applyEdit(artworkOf([TILE]), all('rim'))).toThrow('no mark');
    expect(() => applyEdit(artworkOf([]), all('rim'))).toThrow('no mark');
    expect(() => applyEdit(icon, all('rim', 'rim'))).toThrow('twice');
    const still = { part: 'highlight' as const, strength: 0.5, dyPx: 0, blurPx: 0 };
    expect(() => applyEdit(icon, { kind: 'depth', of: [], parts: [still] })).toThrow('would have no area');
    expect(describeEdit(icon, all('rim'))).toBe('rim');
    expect(describeEdit(icon, all('rim', 'light', 'highlight'))).toBe('3 parts of depth');
  });

  it('comes as one quick edit from where it was worked out, and reads back from SVG', () => {
    const after = applyEdit(icon, all('rim', 'soft-shadow'));
    const put = piecesChanged(icon, after, 'depth')!;
    expect(applyEdit(icon, put)).toEqual(after);
    const svg = artworkToSvg(after);
    expect(svg).toContain('id="soft-shadow"');
    expect(svg).toMatch(/<filter id="soft-shadow-soft"/);
  });
});

describe('a tile', () => {
  it('is laid under a mark, which comes to its middle and stands free on it', () => {
    const bare = artworkOf([pieceOf('m', 'b', [rectangle(0, 0, 200, 100)])]);
    const after = applyEdits(bare, tileEdits(bare, '#334455')).artwork;
    expect(tileOf(after)?.name).toBe('Tile');
    const { node, map } = { node: after.nodes[1] as Piece, map: after.nodes[1].transform! };
    expect(node.id).toBe('m');
    expect(map[0] * 200).toBeCloseTo(0.66 * 200, 6);
    expect(map[4] + map[0] * 100).toBeCloseTo(100, 6);
    expect(applyEdits(after, tileEdits(after, '#FFFFFF')).artwork.nodes[0].id).toBe('tile-2');
  });
});
