/** Arrangements about a head: what stands round it, and ears on what has none. */
import { boundsOf, box, disc } from './area';
import { intersect } from '../path';
import { faceOn } from './faced';
import { clipped, movedFigure, outlineOf, placed, turnedAt, upright, type Figure } from './figure';
import { fannedOut, headOf, swapped, type Pair } from './pairings';
import { fitLayers } from './layer';
import { clear, finished } from './stage';

/** The head of A with two rings of B about it, their tips outward, as a mane or petals stand. */
export const maned: Pair = (s, whole, b) => {
  // What has a mane of its own loses it.
  const a = headOf(s, whole, whole.name === 'lion' ? 'lioness' : whole.name);
  const leaf = placed(upright(b), { cx: 50, cy: 50, side: 24, fill: 1 });
  const n = 13;
  const ring = (r: number, first: number): Figure[] =>
    Array.from({ length: n }, (_, i) =>
      turnedAt(movedFigure(leaf, [1, 0, 0, 1, 0, -r]), ((first + 2 * i) * Math.PI) / n),
    );
  return [
    ...[...ring(35, 1), ...ring(27, 0)].flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 0.8)),
    ...clear(s, placed(a, { cx: 50, cy: 50, side: 54, fill: 0.85 }), s.palette.groundHex, s.palette.inks, 1.6),
  ];
};

/** The head of A before B, whose rays or petals stand out round it. */
export const rayed: Pair = (s, whole, b) => {
  const a = headOf(s, whole, whole.name === 'lion' ? 'lioness' : whole.name);
  // Of a flower that stands on a stem, what is about its middle: as high as it is wide.
  const f = boundsOf(outlineOf(b));
  const blossom = f.height > 1.25 * f.width || b.name === 'sunflower' ? clipped(b, disc(f.x + f.width / 2, f.y + 0.37 * f.height, 0.38 * f.height)) : b; // prettier-ignore
  return [
    ...finished(s, placed(blossom, { cx: 50, cy: 50, side: 94, fill: 1 }), s.palette.groundHex, swapped(s)),
    ...clear(s, placed(a, { cx: 50, cy: 51, side: 56, fill: 0.9 }), s.palette.groundHex, s.palette.inks, 1.6),
  ];
};

/** A, which has spines, with many of B in their place, fanned out behind its back. */
export const spined: Pair = (s, a, b) => {
  const body = placed(a, { cx: 50, cy: 66, side: 62, fill: 0.9 });
  const o = boundsOf(outlineOf(body));
  const [cx, cy] = [o.x + o.width / 2, o.y + 0.62 * o.height];
  const spine = placed(upright(b), { cx: 50, cy: 50, side: 25, fill: 1 });
  const fan = (count: number, reach: number): Figure[] => fannedOut(spine, { count, half: 1.5, cx, cy, wide: 0.5 * o.width + reach, high: 0.62 * o.height + reach }); // prettier-ignore
  const [ground, inks] = [s.palette.groundHex, swapped(s)];
  return fitLayers(
    [...[...fan(12, 5), ...fan(11, -3)].flatMap((f) => clear(s, f, ground, inks, 0.7)), ...clear(s, body, ground, s.palette.inks, 1.2)],
    90,
  ); // prettier-ignore
};

/** B with the ears of A over it and a face on it: A in the form of B. */
export const eared: Pair = (s, whole, b) => {
  const head = placed(headOf(s, whole), { cx: 50, cy: 50, side: 60, fill: 0.9 });
  const h = boundsOf(outlineOf(head));
  const thing = placed(upright(b), { cx: 50, cy: 54, side: 78, fill: 0.95 });
  const o = boundsOf(outlineOf(thing));
  // As far apart as the thing is broad where they grow.
  const top = boundsOf(intersect(outlineOf(thing), box(o.x - 1, o.y + 0.16 * o.height, o.width + 2, 0.16 * o.height)));
  const k = Math.max(0.55, Math.min(1.1, top.width / h.width));
  const ears = clipped(head, box(h.x - 1, h.y - 1, h.width + 2, 0.4 * h.height + 1));
  const put = movedFigure(ears, [k, 0, 0, k, top.x + top.width / 2 - k * (h.x + h.width / 2), o.y + 0.3 * o.height - k * (h.y + 0.4 * h.height)]); // prettier-ignore
  const face = faceOn(thing, 'happy');
  return fitLayers([...finished(s, put), ...clear(s, thing, s.palette.groundHex, swapped(s), 1.4), ...(face ? finished(s, face.face, s.palette.groundHex, s.palette.inks) : [])], 90); // prettier-ignore
};
