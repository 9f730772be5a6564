import { describe, expect, it } from 'vitest';
import { hexToRgb, rgbToHex, type Rgb } from '../colour';
import { circleOfArcs, combined, contains, offsetOf, rectangle, type Contour } from '../path';
import { blankPicture, blurred } from '../raster';
import { renderArtwork } from '../scene';
import { applyEdit, depthInks, EditError, shadowsOf, type Artwork, type Edit, type Piece } from './index';
import { artworkOf, pieceOf } from './testing';

const SIDE = 300;
const GROUND = '#E8DCC4';
const DISC = [circleOfArcs(150, 130, 60)];
const [DX, DY, BLUR, STRENGTH] = [8, 18, 9, 0.5];

/** How dark the shadow of the disc is at a place, as a blurred picture of it has it. */
const dark = (() => {
  const picture = blankPicture(SIDE, SIDE);
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++)
      if (contains(DISC, [x + 0.5 - DX, y + 0.5 - DY])) picture.rgba[4 * (y * SIDE + x) + 3] = 255;
  return blurred(picture, BLUR).rgba;
})();

/** A disc on a ground, or on nothing, and its shadow as rings that end at it, as a trace has them. */
function stepped(isOnGround: boolean): Artwork {
  const inks = [{ id: 'ground', hex: GROUND, name: 'paper' }, { id: 'mark', hex: '#C9643B', name: 'clay' }]; // prettier-ignore
  const moved = (by: number): Contour[] => offsetOf({ contours: [circleOfArcs(150 + DX, 130 + DY, 60)] }, by);
  const nodes: Piece[] = [];
  const from = [24, 18, 12, 7, 2, -3, -8, -14];
  from.forEach((by, k) => {
    // The colour half-way between this ring's border and the next one's, on the side where there is no disc.
    const at = 60 + by - 2.5;
    const rad = Math.atan2(DY, DX);
    const [x, y] = [Math.round(150 + DX + at * Math.cos(rad)), Math.round(130 + DY + at * Math.sin(rad))];
    const t = (dark[4 * (y * SIDE + x) + 3] / 255) * STRENGTH;
    const hex = rgbToHex(hexToRgb(GROUND).map((v) => v * (1 - t)) as unknown as Rgb);
    inks.push({ id: `s${k}`, hex, name: `step ${k}` });
    const inner = k + 1 < from.length ? [{ contours: moved(from[k + 1]) }] : [];
    const ring = combined('subtract', [{ contours: moved(by) }, ...inner, { contours: DISC }]);
    if (ring.length) nodes.push(pieceOf(`s${k}`, `s${k}`, ring));
  });
  const around = combined('subtract', [{ contours: [rectangle(0, 0, SIDE, SIDE)] }, { contours: moved(from[0]) }, { contours: DISC }]); // prettier-ignore
  const all = [...nodes, pieceOf('mark', 'mark', DISC)];
  return {
    ...artworkOf(isOnGround ? [...all, pieceOf('ground', 'ground', around)] : all, SIDE, SIDE),
    inks,
  };
}

const editOf = (artwork: Artwork): Edit => {
  const [{ ids, offBy: _offBy, of, ...look }] = shadowsOf(artwork);
  return { kind: 'one-shadow', nodes: [...ids], of: [...of], ...look, pieceId: 'shadow', inkId: 'soft' };
};

describe('a soft shadow in steps', () => {
  it('is found with where it lies, how soft and how dark it is', () => {
    for (const isOnGround of [true, false]) {
      const found = shadowsOf(stepped(isOnGround));
      expect(found).toHaveLength(1);
      const [{ of, on, ids, dxPx, dyPx, blurPx, opacity, hex }] = found;
      expect([of, on]).toEqual([['mark'], isOnGround ? 'ground' : null]);
      expect(ids.length).toBeGreaterThan(5);
      expect(Math.hypot(dxPx - DX, dyPx - DY)).toBeLessThan(3);
      expect(blurPx / BLUR).toBeGreaterThan(0.7);
      expect(blurPx / BLUR).toBeLessThan(1.4);
      expect(Math.max(...hexToRgb(hex))).toBeLessThan(90);
      expect(opacity).toBeGreaterThan(0.3);
      expect(opacity).toBeLessThan(0.75);
    }
  });

  it('becomes one blurred piece that looks the same; what it falls on is filled', () => {
    const before = stepped(true);
    const after = applyEdit(before, editOf(before));
    expect(after.nodes.map((n) => n.id)).toEqual(['mark', 'ground', 'shadow']);
    const ground = after.nodes[1] as Piece;
    expect(contains(ground.contours, [165, 200])).toBe(true);
    expect(contains(ground.contours, [150, 130])).toBe(false);
    expect([...depthInks(after)]).toEqual([]);
    const [was, is] = [before, after].map((a) => renderArtwork(a, SIDE).rgba);
    let off = 0;
    for (let i = 0; i < was.length; i++) off += Math.abs(was[i] - is[i]);
    expect(off / was.length / 255).toBeLessThan(0.01);
    const bare = stepped(false);
    expect(applyEdit(bare, editOf(bare)).nodes.map((n) => n.id)).toEqual(['shadow', 'mark']);
  });

  it('is none where there is nothing that casts one, and the edit refuses what cannot be', () => {
    const rings = artworkOf([0, 1, 2, 3].map((k) => pieceOf(`r${k}`, `r${k}`, [circleOfArcs(100, 100, 80 - 15 * k)])));
    const inks = ['#DDDDDD', '#CCCCCC', '#BBBBBB', '#AAAAAA'].map((hex, k) => ({ id: `r${k}`, hex, name: hex }));
    expect(shadowsOf({ ...rings, inks })).toEqual([]);
    expect(shadowsOf(artworkOf([]))).toEqual([]);
    const before = stepped(true);
    const edit = editOf(before) as Edit & { kind: 'one-shadow' };
    for (const wrong of [
      { ...edit, of: edit.nodes },
      { ...edit, nodes: ['nobody'] },
      { ...edit, on: 'mark' },
      { ...edit, inkId: 'ground' },
      { ...edit, pieceId: 'mark' },
    ])
      expect(() => applyEdit(before, wrong)).toThrow(EditError);
  });
});
