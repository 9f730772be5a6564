/** Arrangements in which one stands for a part of the other, or for something else altogether: a tip, a body, a sail, steam, the moon. */
import { ownDrawing } from './build';
import { boundsOf, box, disc, ringOf, starArea, tile } from './area';
import {
  PLAIN_STROKE,
  areaFrom,
  grown,
  intersect,
  moved,
  parsePath,
  roomIn,
  sizeOf,
  strokeArea,
  stroked,
  subtract,
  union,
  type Area,
} from '../path';
import { builtDrawings, isCreature } from './built';
import { onField } from './field';
import {
  clipped,
  isLong,
  isTopHeavy,
  mirroredFigure,
  movedFigure,
  outlineOf,
  placed,
  silhouetteOf,
  standing,
  turnedAt,
  upright,
  without,
  withoutSteam,
  type Figure,
} from './figure';
import { type Layer, fitLayers, layerOf } from './layer';
import { leafArea } from './marks';
import { askedFor, fannedOut, swapped, type Pair } from './pairings';
import type { Single } from './single';
import { type Stage, clear, finished, inkOf, turnOf, solid, form, thingFor } from './stage';

/** What a brush or a pen does its work with is drawn at its foot. */
const DOWNWARD = /brush|pen|pencil|quill|broom|crayon|marker/;

/** B stands for an end of A, a tool stood on end: for its tip, which is then up, or for what is at its other end. */
const atEnd =
  (isTip: boolean): Pair =>
  (s, a, b) => {
    const up = upright(a);
    const tool = placed(DOWNWARD.test(a.name) === isTip ? turnedAt(up, Math.PI) : up, {
      cx: 50,
      cy: 60,
      side: 78,
      fill: 1,
    });
    const t = boundsOf(outlineOf(tool));
    const cut = clipped(tool, box(t.x - 1, t.y + 0.2 * t.height, t.width + 2, t.height));
    const neck = boundsOf(intersect(outlineOf(cut), box(t.x - 1, t.y + 0.2 * t.height, t.width + 2, 3)));
    const cx = neck.width > 0 ? neck.x + neck.width / 2 : t.x + t.width / 2;
    const one = placed(upright(b), { cx, cy: 50, side: 40, fill: 0.9 });
    return [
      ...finished(s, cut),
      ...clear(s, standing(one, cx, t.y + 0.25 * t.height), s.palette.groundHex, swapped(s), 1.4),
    ];
  };
export const tipped = atEnd(true);
export const capped = atEnd(false);

/** B over the middle of A, large, following how A lies: its body is B. */
export const asBody: Pair = (s, a, b) => {
  const whole = placed(a, { cx: 50, cy: 50, side: 92, fill: 1 });
  const hull = silhouetteOf(whole);
  const w = boundsOf(hull);
  // The body is the half of it that weighs more.
  const halves = [box(w.x, w.y, w.width / 2, w.height), box(w.x + w.width / 2, w.y, w.width / 2, w.height), box(w.x, w.y, w.width, w.height / 2), box(w.x, w.y + w.height / 2, w.width, w.height / 2)]; // prettier-ignore
  const tall = w.height > 0.8 * w.width;
  const body = (tall ? halves.slice(2) : halves.slice(0, 2)).map((h) => intersect(hull, h)).sort((p, q) => sizeOf(q) - sizeOf(p))[0]; // prettier-ignore
  const c = boundsOf(body);
  const one = placed(b, { cx: c.x + c.width / 2, cy: c.y + c.height / 2, side: 1.08 * Math.max(c.width, c.height), fill: 1 });
  return [
    ...finished(s, without(whole, grown(union(silhouetteOf(one), intersect(hull, box(c.x - 2, c.y + (tall ? 0.2 * c.height : 0), c.width + 4, c.height))), 1.4))),
    ...clear(s, one, s.palette.groundHex, swapped(s), 0),
  ];
}; // prettier-ignore

/** B on the trunk of A in place of its crown. */
export const asCrown: Pair = (s, a, b) => {
  // What is long is all of one green, so that its stem goes over into the trunk; what is only broader than high stays so.
  const o = boundsOf(outlineOf(b));
  const isStem = isLong(b) && Math.max(o.width, o.height) > 1.9 * Math.min(o.width, o.height);
  const whole = isStem || o.height > o.width ? upright(b) : b;
  const crown = placed(
    isStem ? { name: a.name, tones: [0.5], parts: [{ tone: 0, area: silhouetteOf(whole) }] } : whole,
    { cx: 50, cy: 36, side: 66, fill: 0.9 },
  );
  const c = boundsOf(outlineOf(crown));
  const foot = c.y + c.height;
  // Under the middle of what reaches down lowest.
  const low = boundsOf(intersect(outlineOf(crown), box(c.x - 1, foot - 0.3 * c.height, c.width + 2, 0.3 * c.height)));
  const cx = low.width > 0.7 * c.width ? c.x + c.width / 2 : low.x + low.width / 2;
  const trunk: Figure = { name: a.name, tones: [0.3], parts: [{ tone: 0, area: [[cx - 4.4, foot - 9, cx + 4.4, foot - 9, cx + 7, 94, cx + 13, 97, cx - 13, 97, cx - 7, 94]] }], isBuilt: true }; // prettier-ignore
  return [
    ...finished(s, trunk, s.palette.groundHex, swapped(s)),
    ...clear(s, crown, s.palette.groundHex, s.palette.inks, 1.4),
  ];
};

/** Five B in place of the branches of A, spread from the top of its trunk. */
export const branched: Pair = (s, a, b) => {
  const open = b.name === 'hand' ? { ...builtDrawings('hand', { modifiers: ['open'] }, s.knobs)[0](), name: b.name } : b;
  const one = placed(upright(open), { cx: 50, cy: 50, side: 32, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const limbs = [-1.16, -0.58, 0, 0.58, 1.16].map((t) => [50 + 36 * Math.sin(t), 62 - 38 * Math.cos(t), 50, 66]);
  const trunk: Figure = { name: a.name, tones: [0.3], parts: [{ tone: 0, area: union(areaFrom(parsePath('M44 98C47 88 46 76 46 64L54 64C54 76 53 88 56 98Z')), stroked(limbs, 4.4, false)) }], isBuilt: true };
  const fan = fannedOut(one, { count: 5, half: 1.16, cx: 50, cy: 62 - 0.24 * o.height, wide: 40, high: 34 });
  return fitLayers([...finished(s, trunk, s.palette.groundHex, swapped(s)), ...fan.flatMap((f) => clear(s, f, s.palette.groundHex, s.palette.inks, 1.2))], 90);
}; // prettier-ignore

/** A as a rocket: on end, its tip up, with fins and a flame under it. */
export const asRocket: Single = (s, a) => {
  // Its thinner end is its nose.
  const tall = upright(a);
  const t = boundsOf(outlineOf(tall));
  const [above, below] = [0, 0.66].map((k) => sizeOf(intersect(outlineOf(tall), box(t.x, t.y + k * t.height, t.width, 0.34 * t.height))));
  const hull = placed(above > 1.1 * below || /carrot|radish|turnip|beet|ice cream|strawberry/.test(a.name) ? turnedAt(tall, Math.PI) : tall, { cx: 50, cy: 40, side: 68, fill: 1 });
  const h = boundsOf(outlineOf(hull));
  const [foot, half] = [h.y + h.height, Math.max(7, Math.min(16, h.width / 2))];
  const part = (name: string, d: string): Figure => ({ name, tones: [0.5], parts: [{ tone: 0, area: areaFrom(parsePath(d)) }], isBuilt: true });
  const fin = (k: 1 | -1): string => `M${50 + k * (half - 3)} ${foot - 24}C${50 + k * (half + 13)} ${foot - 14} ${50 + k * (half + 14)} ${foot - 4} ${50 + k * (half + 12)} ${foot + 5}L${50 + k * (half - 4)} ${foot - 4}Z`;
  const flame = `M${50 - half * 0.6} ${foot + 1}C${50 - half} ${foot + 12} ${50 - 4} ${foot + 14} 50 ${foot + 25}C${50 + 4} ${foot + 14} ${50 + half} ${foot + 12} ${50 + half * 0.6} ${foot + 1}Z`;
  const inks = swapped(s);
  return fitLayers([
    ...finished(s, part('fin', fin(1)), s.palette.groundHex, inks),
    ...finished(s, part('fin', fin(-1)), s.palette.groundHex, inks),
    ...finished(s, part('flame', flame), s.palette.groundHex, inks),
    ...clear(s, hull, s.palette.groundHex, s.palette.inks, 1.6),
  ], 90);
}; // prettier-ignore

/** A as the hull of a boat, a mast and two sails on it, on water. */
export const asBoat: Single = (s, a) => {
  const w = boundsOf(outlineOf(a));
  const flat = w.height > 1.3 * w.width ? turnedAt(upright(a), Math.PI / 2) : a;
  const hull = placed(flat, { cx: 50, cy: 70, side: 76, fill: 1 });
  const h = boundsOf(outlineOf(hull));
  const top = Math.min(h.y + 0.3 * h.height, boundsOf(intersect(outlineOf(hull), box(47, h.y - 1, 6, h.height + 2))).y + 2);
  const [inks, ground] = [swapped(s), s.palette.groundHex];
  // A sail that is something else stands at the mast by its foot.
  const of = s.parts.figures[1]?.modifiers.map((m) => /^(\w+) sail$/.exec(m)?.[1]).find((m) => m !== undefined);
  const other = of ? thingFor(s, { drawn: of, colours: [] }) : null;
  const leaf = other && placed(upright(other), { cx: 66, cy: top - 30, side: 56, fill: 1 });
  const sails: Area = leaf ? [] : [[52.4, top - 54, 52.4, top - 6, 84, top - 6], [47.6, top - 44, 47.6, top - 6, 24, top - 6]]; // prettier-ignore
  const line = h.y + 0.72 * h.height;
  const waves = stroked([0, 1].map((i) => Array.from({ length: 41 }, (_, k) => [8 + 2.1 * k, line + 8 + 6 * i + 1.5 * Math.sin(k * 0.8 + i)]).flat()), 2.6, false);
  return fitLayers([
    ...form(s, box(48.9, top - 58, 2.2, 62), s.palette.inks[0]),
    ...(leaf ? clear(s, leaf, ground, inks, 1.2) : solid(s, sails, inks[0])),
    ...clear(s, clipped(hull, box(-50, -50, 200, 50 + line + 4)), ground, s.palette.inks, 1.4),
    ...form(s, waves, inks[0]),
  ], 90);
}; // prettier-ignore

/** B as the body of A, which has strings along its neck: the neck is what is thin of it. */
export const bodied: Pair = (s, a, b) => {
  const long = placed(upright(a), { cx: 50, cy: 50, side: 96, fill: 1 });
  const up = isTopHeavy(long) ? turnedAt(long, Math.PI) : long;
  const u = boundsOf(outlineOf(up));
  const rows = Array.from({ length: 24 }, (_, i) => boundsOf(intersect(outlineOf(up), box(u.x - 1, u.y + (i * u.height) / 24, u.width + 2, u.height / 24))).width); // prettier-ignore
  // The body begins where it is half as wide as it gets.
  const from = rows.findIndex((w, i) => i > 5 && w > 0.5 * Math.max(...rows));
  const foot = u.y + (Math.max(8, from) * u.height) / 24;
  const neck = clipped(up, box(-100, -100, 300, 100 + foot + 2));
  const n = boundsOf(outlineOf(neck));
  const body = placed(upright(b), { cx: 50, cy: 50, side: 58, fill: 1 });
  const bb = boundsOf(outlineOf(body));
  const mid = boundsOf(intersect(outlineOf(neck), box(n.x - 1, foot - 6, n.width + 2, 6)));
  const put = movedFigure(body, [1, 0, 0, 1, mid.x + mid.width / 2 - bb.x - bb.width / 2, foot - 0.16 * bb.height - bb.y]); // prettier-ignore
  const p = boundsOf(outlineOf(put));
  const [cx, cy] = [p.x + p.width / 2, p.y + 0.46 * p.height];
  const hole = disc(cx, cy, 0.13 * p.width, 48);
  const bridge = box(cx - 0.16 * p.width, cy + 0.26 * p.height, 0.32 * p.width, 2.6);
  const layers = [...finished(s, neck, s.palette.groundHex, swapped(s)), ...clear(s, without(put, union(hole, bridge)), s.palette.groundHex, s.palette.inks, 1.6)]; // prettier-ignore
  return fitLayers(layers, 92);
};

/** B in the woven basket at the bars of A, which has two wheels: it looks out over the rim. */
export const atBars: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 53, side: 80, fill: 0.85 });
  const bb = boundsOf(outlineOf(big));
  const w = 0.25 * bb.width;
  const [left, top] = [bb.x + 0.74 * bb.width, bb.y + 0.2 * bb.height];
  const woven: Area = [[left, top, left + w, top, left + 0.86 * w, top + 0.66 * w, left + 0.14 * w, top + 0.66 * w]]; // prettier-ignore
  const gaps = intersect(woven, union(...[1, 2, 3].map((i) => box(left + (i * w) / 4 - 0.6, top + 3.4, 1.2, w)), box(left, top + 0.3 * w, w, 1.2))); // prettier-ignore
  const filling = placed(b, { cx: left + w / 2, cy: top - 0.3 * w, side: 1.25 * w, fill: 0.95 });
  const fb = boundsOf(outlineOf(filling));
  const full = movedFigure(filling, [1, 0, 0, 1, 0, top + 0.16 * w - fb.y - fb.height]);
  const room = grown(union(silhouetteOf(full), woven), 1.4);
  return fitLayers([...finished(s, without(big, room)), ...finished(s, without(full, grown(woven, 1.2)), s.palette.groundHex, swapped(s)), ...solid(s, subtract(woven, gaps), s.palette.inks[0])], 92); // prettier-ignore
};

/** A as a house: with a door, windows and a chimney. */
export const asHouse: Single = (s, a) => {
  const house = placed(a, { cx: 50, cy: 54, side: 82, fill: 0.95 });
  const hull = outlineOf(house);
  const h = boundsOf(hull);
  const foot = h.y + h.height;
  // The door is where it stands, the windows where it has most room above.
  const base = boundsOf(intersect(hull, box(h.x - 1, foot - 0.16 * h.height, h.width + 2, 0.16 * h.height)));
  const cx = base.x + base.width / 2;
  const high = Math.max(14, 0.24 * h.height);
  const door = union(box(cx - high * 0.34, foot - high, high * 0.68, high), disc(cx, foot - high, high * 0.34, 40));
  const room = roomIn(subtract(intersect(hull, box(h.x, h.y, h.width, h.height - high * 1.2)), grown(door, 3)));
  const r = room ? Math.min(9, room.r * 0.56) : 0;
  const panes = room ? subtract(disc(room.x, room.y, r, 60), union(box(room.x - 0.8, room.y - r, 1.6, 2 * r), box(room.x - r, room.y - 0.8, 2 * r, 1.6))) : [];
  const top = room ? boundsOf(intersect(hull, box(room.x + r, h.y - 1, 7, h.height))).y : h.y;
  const chimney = room ? box(room.x + r, top - 10, 7, 16) : [];
  const inks = swapped(s);
  return [
    ...solid(s, chimney, inks[0]),
    ...finished(s, without(house, union(door, grown(panes, 1.2)))),
    ...solid(s, union(grown(door, -1.2), panes), inks[0]),
  ];
}; // prettier-ignore

/** Several B about a middle, their feet together, in place of the petals or rays of A. */
export const radial: Pair = (s, a, b) => {
  const count = askedFor(s, b)?.count ?? 1;
  const n = count > 2 && count < 13 ? count : 6 + turnOf(s, 2) * 2;
  const one = placed(upright(b), { cx: 50, cy: 24, side: n > 6 ? 32 : 38, fill: 1 });
  const inks = s.palette.inks;
  const petals = Array.from({ length: n }, (_, i) => turnedAt(one, (2 * Math.PI * i) / n));
  return fitLayers([...petals.flatMap((f) => clear(s, f, s.palette.groundHex, inks, 0.8)), ...solid(s, disc(50, 50, 9, 60), swapped(s)[0])], 92);
}; // prettier-ignore

/** A goes through a ring: its front before it, its back behind. */
export const throughRing: Single = (s, a) => {
  const area = subtract(moved(disc(0, 0, 1, 120), [25, 0, 0, 41, 50, 50]), moved(disc(0, 0, 1, 120), [19, 0, 0, 35, 50, 50]));
  const ring: Figure = { name: 'hoop', tones: [0.5], parts: [{ tone: 0, area }], isBuilt: true };
  const one = placed(a, { cx: 50, cy: 50, side: 80, fill: 0.9 });
  const near = clipped(ring, box(-50, -50, 100, 200));
  const inks = swapped(s);
  return [
    ...finished(s, ring, s.palette.groundHex, inks),
    ...clear(s, one, s.palette.groundHex, s.palette.inks, 1.6),
    layerOf(intersect(grown(outlineOf(near), 1.4), outlineOf(one)), s.palette.groundHex),
    ...finished(s, near, s.palette.groundHex, inks),
  ];
}; // prettier-ignore

/** A boat of which nothing is left but the hull and a mast, B its sail. */
export const asSail: Pair = (s, a, b) => {
  const boat = placed(a, { cx: 50, cy: 62, side: 84, fill: 1 });
  const w = boundsOf(outlineOf(boat));
  const hull = clipped(boat, box(w.x - 1, w.y + 0.68 * w.height, w.width + 2, w.height));
  const h = boundsOf(outlineOf(hull));
  const cx = h.x + 0.5 * h.width;
  const sail = placed(b, { cx, cy: 50, side: 56, fill: 1 });
  const q = boundsOf(outlineOf(sail));
  const inks = swapped(s);
  return [
    ...form(s, box(cx - 1.4, h.y - q.height - 9, 2.8, q.height + 12), s.palette.inks[0]),
    ...clear(s, standing(sail, cx, h.y - 4), s.palette.groundHex, inks, 1.4),
    ...clear(s, hull, s.palette.groundHex, s.palette.inks, 1.2),
  ];
};

/** A wisp that rises from a place, waving, and broadens, as steam does. */
const wisp = (x: number, low: number, high: number): Area => {
  const at = (t: number, side: number): number[] => [x + 3.4 * Math.sin(2 * Math.PI * t) * (1 - 0.4 * t) + side * (1 + 1.6 * Math.sin(Math.PI * t)), low + (high - low) * t]; // prettier-ignore
  const steps = Array.from({ length: 25 }, (_, i) => i / 24);
  return [[...steps.flatMap((t) => at(t, -1)), ...steps.toReversed().flatMap((t) => at(t, 1))]];
};

/** B rises from A in place of what is drawn rising there, out of a wisp of it. */
export const rising: Pair = (s, a, b) => {
  const cup = placed(a, { cx: 50, cy: 70, side: 58, fill: 0.85 });
  const rest = withoutSteam(cup);
  const r = boundsOf(outlineOf(rest));
  const one = placed(isLong(b) && !isCreature(b.name) ? upright(b) : b, { cx: 50, cy: 50, side: 36, fill: 0.9 });
  const isSteam = /^(?:smoke|steam|fire)$/.test(b.name);
  // Where what it rises from is open, its handle left out.
  const rim = boundsOf(intersect(outlineOf(rest), box(r.x - 1, r.y - 1, r.width + 2, 4)));
  const x = rim.x + rim.width / 2;
  const foot = r.y - (isSteam ? 3 : 17);
  const inks = swapped(s);
  const up = standing(one, x, foot);
  return fitLayers([
    ...finished(s, rest),
    ...(isSteam ? [] : solid(s, subtract(wisp(x, r.y - 2, foot + 4), grown(outlineOf(up), 1.4)), inks[0])),
    ...(isSteam ? finished(s, up, s.palette.groundHex, inks) : solid(s, silhouetteOf(up), inks[0])),
  ], 90);
}; // prettier-ignore

/** B in place of the light that A sends out: level with its lamp, on one side, its tip away from it. */
export const beamed: Pair = (s, _, b) => {
  const house = ownDrawing('lighthouse', s.knobs);
  const tower = { ...house, parts: house.parts.filter((p) => p.of !== 'beam') };
  const long = placed(turnedAt(upright(b), Math.PI / 2), { cx: 50, cy: 17.5, side: 58, fill: 1 });
  const l = boundsOf(outlineOf(long));
  // Its thinner end is away from the lamp.
  const [near, far] = [0, 0.8].map((k) => sizeOf(intersect(outlineOf(long), box(l.x + k * l.width, l.y, 0.2 * l.width, l.height)))); // prettier-ignore
  const beam = near < far ? turnedAt(long, Math.PI) : long;
  const q = boundsOf(outlineOf(beam));
  return fitLayers([...finished(s, tower), ...finished(s, movedFigure(beam, [1, 0, 0, 1, 62 - q.x, 17.5 - q.y - q.height / 2]), s.palette.groundHex, swapped(s))], 92); // prettier-ignore
};

/** B in place of the grips of A, scissors half open, point up: its outline, one blade from either side of it. */
export const gripped: Pair = (s, _, b) => {
  const grip = placed(b, { cx: 50, cy: 76, side: 44, fill: 1 });
  const hull = silhouetteOf(grip);
  const ring = subtract(hull, grown(hull, -5));
  const blade = (k: 1 | -1): Area => areaFrom(parsePath(`M${50 - 15 * k} 66L${50 - 9 * k} 62L${50 + 25 * k} -14C${50 + 30 * k} 2 ${50 + 22 * k} 22 ${50 + 15 * k} 36L${50 - 8 * k} 70Z`)); // prettier-ignore
  const pivot = disc(50, 51, 3, 32);
  const front = subtract(blade(1), pivot);
  const inks = swapped(s);
  return fitLayers([
    ...solid(s, subtract(blade(-1), union(grown(union(front, pivot), 1.2), grown(hull, -2))), s.palette.inks[0]),
    ...solid(s, subtract(front, grown(hull, -2)), s.palette.inks[0]),
    ...solid(s, ring, inks[0]),
  ], 90);
}; // prettier-ignore

/** A crown whose points are five B, fanned out over a band. */
export const crownedBy: Pair = (s, a, b) => {
  const one = placed(upright(b), { cx: 50, cy: 50, side: 46, fill: 1 });
  const o = boundsOf(outlineOf(one));
  // What branches out needs the room of two.
  const points = (o.width > 0.7 * o.height ? [-1.7, 1.7, 0] : [-2, 2, -1, 1, 0]).map((i) => standing(turnedAt(movedFigure(one, [1, 0, 0, 1, 0, 50 - (o.y + o.height)]), 0.2 * i), 50 + 15 * i, 72 - 1.5 * i * i + 2));
  const band = areaFrom(parsePath('M14 68C36 76 64 76 86 68L83 88C62 95 38 95 17 88Z'));
  const gem = union(disc(50, 83, 3.4, 32), disc(34, 81.6, 2.4, 28), disc(66, 81.6, 2.4, 28));
  const ink = inkOf(s, a, swapped(s)[0]);
  return fitLayers([...points.flatMap((p) => clear(s, p, s.palette.groundHex, s.palette.inks, 1)), layerOf(grown(band, 1.4), s.palette.groundHex), ...solid(s, subtract(band, gem), ink)], 90);
}; // prettier-ignore

/** A in the place of the moon, in a night of its own. */
export const asMoon: Single = (s, a) => {
  const [field] = s.palette.inks;
  const inks = onField(s, field);
  const night = disc(50, 50, 45, 200);
  const stars = [[22, 34, 4.4], [74, 24, 3.4], [80, 60, 2.8], [30, 74, 2.8]] as const; // prettier-ignore
  return [
    ...form(s, night, field),
    ...finished(s, placed(a, { cx: 50, cy: 51, side: 58, fill: 0.95 }), field, inks),
    layerOf(union(...stars.map(([x, y, r]) => starArea(x, y, 4, r, 0.36 * r))), inks[0]),
  ];
};

/** A in the place of the sun, with rays about it. */
export const asSun: Single = (s, a) => {
  const one = placed(a, { cx: 50, cy: 50, side: 52, fill: 0.95 });
  const rays = Array.from({ length: 12 }, (_, i) => {
    const t = (2 * Math.PI * i) / 12;
    return [50 + 35 * Math.cos(t), 50 + 35 * Math.sin(t), 50 + (i % 2 ? 40 : 45) * Math.cos(t), 50 + (i % 2 ? 40 : 45) * Math.sin(t)]; // prettier-ignore
  });
  return [...form(s, stroked(rays, 3.4, false), swapped(s)[0]), ...finished(s, one)];
};

/** A with a trail of dashes behind it, that winds as what flies or crawls does. */
export const trailing: Single = (s, a) => {
  const one = placed(a, { cx: 68, cy: 33, side: 52, fill: 0.85 });
  const o = boundsOf(outlineOf(one));
  const [x, y] = [o.x + 0.2 * o.width, o.y + 0.86 * o.height];
  const way = parsePath(`M${x} ${y}C${x - 26} ${y + 30} 58 96 44 88C30 80 44 62 30 62C18 62 10 74 6 86`, {
    close: false,
  });
  const dashes = strokeArea(way, { ...PLAIN_STROKE, widthPx: 2.6, cap: 'round', dash: [4.6, 5] }, 0.05);
  return [...form(s, subtract(dashes, grown(silhouetteOf(one), 2.4)), swapped(s)[0]), ...finished(s, one)];
};

/** A bird that two leaves are: one its body and tail, one its wing, with a beak and an eye. */
export const leafBird = (s: Stage): Layer[] => {
  const [ink, other = ink] = s.palette.inks;
  const body = union(leafArea(10, 66, -0.16, 74, 34), disc(73, 49, 10, 60));
  const wing = turnOf(s, 2) ? leafArea(50, 62, -2.0, 62, 32) : leafArea(62, 56, -2.55, 60, 30);
  const vein = stroked([turnOf(s, 2) ? [48, 58, 29, 15] : [56, 52, 22, 29]], 1.8, false);
  const beak: Area = [[81, 44, 94, 50, 81, 54]];
  const eye = disc(75, 46.6, 1.9, 24);
  const gap = grown(wing, 1.5);
  return fitLayers([
    ...solid(s, subtract(subtract(body, gap), eye), ink),
    ...solid(s, subtract(wing, vein), other),
    ...solid(s, beak, s.palette.inks[2] ?? other),
  ], 90);
}; // prettier-ignore

/** An hourglass with a tree in its upper glass and its roots in the lower. */
export const inGlasses = (s: Stage): Layer[] => {
  const [ink, other = ink] = s.palette.inks;
  const frame = union(box(22, 2, 56, 7), box(22, 91, 56, 7));
  const glass = areaFrom(parsePath('M27 9L73 9C73 30 66 40 54 50C66 60 73 70 73 91L27 91C27 70 34 60 46 50C34 40 27 30 27 9Z'));
  const rim = subtract(glass, grown(glass, -3));
  const crown = union(disc(50, 24, 11, 60), disc(40, 28, 8, 48), disc(60, 28, 8, 48));
  const trunk = areaFrom(parsePath('M47.6 34L52.4 34L51.6 52L53 62L47 62L48.4 52Z'));
  const roots = stroked([[50, 58, 50, 86], [50, 62, 42, 70, 38, 84], [50, 62, 58, 70, 62, 84], [46, 66, 45, 84], [54, 66, 55, 84], [42, 70, 33, 80], [58, 70, 67, 80]], 2.4, false);
  return fitLayers([...solid(s, union(frame, rim), ink), ...solid(s, crown, other), ...solid(s, union(trunk, roots), s.palette.inks[2] ?? ink)], 92);
}; // prettier-ignore

/** Three of A as tongues of one flame: the middle one high, those beside it smaller and leaning out, the slender ends up and stalks down. */
export const asFlames: Pair = (s, a) => {
  const up = upright(a);
  const tongue = isTopHeavy(up) && /pepper|carrot|corn|asparagus|banana|seed/.test(a.name) ? turnedAt(up, Math.PI) : up;
  const high = placed(tongue, { cx: 50, cy: 50, side: 86, fill: 1 });
  const h = boundsOf(outlineOf(high));
  const small = placed(tongue, { cx: 50, cy: 50, side: 60, fill: 1 });
  const foot = h.y + h.height;
  const asideAt = (side: 1 | -1): Figure => {
    const leant = turnedAt(side > 0 ? small : mirroredFigure(small), side * 0.36);
    const l = boundsOf(outlineOf(leant));
    return movedFigure(leant, [1, 0, 0, 1, 50 + side * 0.32 * h.width - (side > 0 ? l.x : l.x + l.width) + side * 2, foot - 4 - (l.y + l.height)]);
  };
  return fitLayers([...[-1, 1].flatMap((side) => finished(s, asideAt(side as 1 | -1), s.palette.groundHex, swapped(s))), ...clear(s, high, s.palette.groundHex, s.palette.inks, 2)], 90);
}; // prettier-ignore

/** A held up as a torch is: it stands, and burns at its top. */
export const asTorch: Pair = (s, a) => {
  const up = placed(upright(a), { cx: 50, cy: 64, side: 66, fill: 1 });
  const u = boundsOf(outlineOf(up));
  const flame = placed(thingFor(s, { drawn: 'flame', colours: [] })!, { cx: 50, cy: 50, side: 40, fill: 1 });
  const f = boundsOf(outlineOf(flame));
  const lit = movedFigure(flame, [1, 0, 0, 1, u.x + u.width / 2 - f.x - f.width / 2, u.y + 0.04 * u.height - f.y - f.height]);
  return fitLayers([...finished(s, lit, s.palette.groundHex, swapped(s)), ...clear(s, up, s.palette.groundHex, s.palette.inks, 1.6)], 92);
}; // prettier-ignore

/** What is seen in glasses is in both of their lenses: a landscape as far as these reach, a thing as a whole. */
export const inLenses: Pair = (s, _a, b) => {
  const [ink] = s.palette.inks;
  const [cy, r] = [50, 21];
  const isRound = turnOf(s, 2) === 0;
  const lens = (cx: number, by = 0): Area => (isRound ? disc(cx, cy, r + by) : tile(cx, cy, r + by, 9 + by, 0.86 * r + by));
  const sides = [26, 74];
  const rims = union(...sides.map((cx) => subtract(lens(cx, 4.6), lens(cx))));
  const bridge = stroked([[44, 45, 47, 42, 50, 41, 53, 42, 56, 45]], 4.6, false);
  const arms = stroked([[3, 46, -3, 40], [97, 46, 103, 40]], 4.6, false);
  const isLand = /^(?:mountains?|mountain range|forest|city|skyline|island|wave|sea|ocean|sunset|sunrise|desert|hills?|field|palm tree|pine tree)$/.test(b.name);
  const views = sides.map((cx) => clipped(placed(b, { cx, cy: isLand ? cy + 4 : cy, side: isLand ? 2.5 * r : 1.5 * r, fill: 1 }), lens(cx, -2)));
  return fitLayers([...solid(s, union(subtract(union(bridge, arms), union(...sides.map((cx) => lens(cx)))), rims), ink), ...views.flatMap((v) => finished(s, v, s.palette.groundHex, swapped(s)))], 92);
}; // prettier-ignore

/** A seen in a glass that holds the whole of it. */
export const magnified: Single = (s, a) => {
  const [ink] = s.palette.inks;
  const [cx, cy, r] = [43, 42, 33];
  const seen = placed(a, { cx, cy, side: 1.5 * r, fill: 0.9 });
  const handle = stroked([[cx + 0.72 * (r + 5), cy + 0.72 * (r + 5), 94, 93]], 11, true);
  const rim = union(ringOf(cx, cy, r + 5, r), handle);
  return fitLayers(
    [{ ...layerOf(rim, ink), isFigure: true }, ...finished(s, seen, s.palette.groundHex, swapped(s))],
    92,
  );
};
