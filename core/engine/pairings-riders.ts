/** Arrangements in which one rides, drives, climbs or pushes the other. */
import { boundsOf, box, disc, tile } from './area';
import { grown, intersect, roomIn, sizeOf, stroked, subtract, union } from '../path';
import { isPlural } from '../prompt';
import { buildOf, builtDrawings, joinedFigures } from './built';
import { ownDrawing } from './build';
import {
  lookingRight,
  mirroredFigure,
  clipped,
  isLong,
  movedFigure,
  outlineOf,
  placed,
  silhouetteOf,
  standing,
  topAt,
  turnedAt,
  upright,
  without,
  type Figure,
} from './figure';
import { asideOf, askedFor, swapped, uprightOf, type Pair } from './pairings';
import { fitLayers } from './layer';
import type { Single } from './single';
import { clear, figureFor, finished, solid, turnOf } from './stage';

/** A, upright, has B before it, which it pushes or plays: its arm is stretched out to it, both on one line. */
export const pushing: Pair = (s, a, b) => {
  const one = placed(uprightOf(s, a, 'pointing') ?? a, { cx: 32, cy: 50, side: 66, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const foot = o.y + o.height;
  // Its handles are toward whoever pushes it.
  const toward = b.name === 'wheelbarrow' ? mirroredFigure(b) : b;
  const load = placed(toward, { cx: 50, cy: 50, side: 48, fill: 0.85 });
  const l = boundsOf(outlineOf(load));
  const put = movedFigure(load, [1, 0, 0, 1, o.x + o.width - 3 - l.x, foot - (l.y + l.height)]);
  return fitLayers([...finished(s, put, s.palette.groundHex, swapped(s)), ...clear(s, one, s.palette.groundHex, s.palette.inks, 1.4)], 92);
}; // prettier-ignore

/** A on its way up the trunk of B, its head up, its feet to it. */
export const climbing: Pair = (s, a, b) => {
  const tree = placed(upright(b), { cx: 60, cy: 50, side: 92, fill: 1 });
  const t = boundsOf(outlineOf(tree));
  const side = builtDrawings(a.name, { pose: 'standing' }, s.knobs)[0]?.();
  const isFlat = side !== undefined;
  const small = placed(isFlat ? turnedAt({ ...side, name: a.name }, -1.36) : a, { cx: 50, cy: 50, side: 46, fill: 0.9 });
  const q = boundsOf(outlineOf(small));
  // The trunk is where the lower third is narrowest.
  const trunk = boundsOf(intersect(outlineOf(tree), box(t.x - 1, t.y + 0.78 * t.height, t.width + 2, 0.12 * t.height)));
  const x = trunk.width > 0 ? trunk.x + Math.min(0.5 * trunk.width, 6) : t.x + t.width / 2;
  const put = movedFigure(small, [1, 0, 0, 1, x - (q.x + q.width * (isFlat ? 0.94 : 0.5)), t.y + 0.92 * t.height - (q.y + q.height)]);
  return fitLayers([...finished(s, tree, s.palette.groundHex, swapped(s)), ...clear(s, put, s.palette.groundHex, s.palette.inks, 1.8)], 92);
}; // prettier-ignore

/** A on the slope of B, a mountain, on its way up. */
export const scaling: Pair = (s, a, b) => {
  const hill = placed(b, { cx: 54, cy: 62, side: 84, fill: 1 });
  const h = boundsOf(outlineOf(hill));
  const at = (share: number): [number, number] => { const x = h.x + share * h.width; return [x, topAt(hill, x - 1, x + 1) ?? h.y + h.height]; }; // prettier-ignore
  const [[x0, y0], [x1, y1]] = [at(0.14), at(0.36)];
  const slope = Math.atan2(y1 - y0, x1 - x0);
  const side = builtDrawings(a.name, { pose: 'standing' }, s.knobs)[0]?.();
  const facing = side ? 1 : (a.facing ?? 1);
  const one = placed(side ? { ...side, name: a.name } : upright(a), { cx: 50, cy: 50, side: 40, fill: 0.9 });
  // What is seen from above is turned its head uphill; what is seen from the side stands on the slope.
  const flat = side || a.facing ? (facing < 0 ? mirroredFigure(one) : one) : turnedAt(one, Math.PI / 2);
  const lifted = standing(flat, 50, 50);
  const o = boundsOf(outlineOf(lifted));
  const turned = turnedAt(movedFigure(lifted, [1, 0, 0, 1, 50 - o.x - o.width / 2, side || a.facing ? 0 : 0.36 * o.height]), slope);
  const [mx, my] = [(x0 + x1) / 2, (y0 + y1) / 2];
  return fitLayers([...finished(s, hill, s.palette.groundHex, swapped(s)), ...clear(s, movedFigure(turned, [1, 0, 0, 1, mx - 50, my - 50]), s.palette.groundHex, s.palette.inks, 1.6)], 92);
}; // prettier-ignore

/** A on the arrow of a weathervane. */
export const onVane: Single = (s, a) => {
  const arrow = union(box(16, 55, 62, 3.6), [[97, 56.8, 77, 48, 77, 65.6]], [[4, 48, 22, 48, 27, 56.8, 22, 65.6, 4, 65.6, 11, 56.8]]);
  const pole = union(box(48.2, 55, 3.6, 42), box(30, 80, 40, 3), disc(30, 81.5, 4.6, 40), disc(70, 81.5, 4.6, 40), disc(50, 67, 4.4, 40), box(36, 95, 28, 4));
  const vane: Figure = { name: 'vane', tones: [0.3], parts: [{ tone: 0, area: union(arrow, pole) }], isBuilt: true };
  const one = placed(buildOf(a.name) === 'fowl' ? lookingRight(a) : asideOf(s, a), { cx: 50, cy: 30, side: 52, fill: 0.9 });
  return fitLayers([...finished(s, vane, s.palette.groundHex, swapped(s)), ...clear(s, standing(one, 50, 55.6), s.palette.groundHex, s.palette.inks, 0)], 92);
}; // prettier-ignore

/** A sits on the back of B, which is seen from the side; its legs are behind it. */
export const ridden: Pair = (s, a, b) => {
  const way = turnOf(s, 2) ? 'running' : 'standing';
  const side = builtDrawings(b.name, { pose: way }, s.knobs)[0]?.();
  const mount = placed(side ? { ...side, name: b.name } : b, { cx: 50, cy: 64, side: 74, fill: 0.9 });
  const m = boundsOf(outlineOf(mount));
  const cx = m.x + (side ? 0.42 : 0.5) * m.width;
  const back = topAt(mount, cx - 3, cx + 3) ?? m.y + 0.3 * m.height;
  const rider = placed(uprightOf(s, a, 'standing') ?? a, { cx, cy: 50, side: 54, fill: 0.9 });
  const r = boundsOf(outlineOf(rider));
  const seat = movedFigure(rider, [1, 0, 0, 1, cx - (r.x + r.width / 2), back - (r.y + 0.78 * r.height)]);
  // One foot hangs down on this side.
  const foot: Figure = { name: 'boot', tones: [0.2], parts: [{ tone: 0, area: union(box(cx - 2.4, back + 1, 5, 12), tile(cx + 1.4, back + 14, 4.6, 2.4, 2)) }], isBuilt: true }; // prettier-ignore
  const seen = clipped(seat, box(-100, -200, 300, 200 + back + 3));
  return fitLayers([...finished(s, seen), ...clear(s, mount, s.palette.groundHex, swapped(s), 1.6), ...clear(s, foot, s.palette.groundHex, s.palette.inks, 1)], 90);
}; // prettier-ignore

/** A sits on B, which is long and flies: B lies, its tip ahead and a little up. */
export const astride: Pair = (s, a, b) => ridden(s, a, isLong(b) ? turnedAt(upright(b), Math.PI / 2 - 0.32) : b);

/** A looks out of the basket under B, a balloon. */
export const inBasket: Pair = (s, a, b) => {
  const balloon = placed(b, { cx: 50, cy: 46, side: 94, fill: 1 });
  const m = boundsOf(outlineOf(balloon));
  const rim = m.y + 0.86 * m.height;
  const one = placed(uprightOf(s, a, turnOf(s, 2) ? 'waving' : 'standing') ?? a, { cx: 50, cy: 50, side: 36, fill: 0.95 });
  const o = boundsOf(outlineOf(one));
  const low = movedFigure(one, [1, 0, 0, 1, m.x + m.width / 2 - (o.x + o.width / 2), rim - (o.y + 0.66 * o.height)]);
  return [...finished(s, balloon, s.palette.groundHex, swapped(s)), ...clear(s, clipped(low, box(-100, -100, 300, 100 + rim)), s.palette.groundHex, s.palette.inks, 1.2)];
}; // prettier-ignore

/** A on B, which has wheels and bars: its feet are behind it, its arm is forward. */
export const onWheels: Pair = (s, a, b) => {
  const bike = placed(b, { cx: 50, cy: 66, side: 72, fill: 0.95 });
  const m = boundsOf(outlineOf(bike));
  const one = placed(uprightOf(s, a, 'pointing') ?? a, { cx: 46, cy: 50, side: 66, fill: 0.95 });
  const o = boundsOf(outlineOf(one));
  const rider = movedFigure(one, [1, 0, 0, 1, m.x + 0.36 * m.width - (o.x + 0.4 * o.width), m.y + (/scooter/.test(b.name) ? 0.86 : 0.66) * m.height - (o.y + o.height)]);
  return fitLayers([...finished(s, rider), ...clear(s, bike, s.palette.groundHex, swapped(s), 1.4)], 92);
}; // prettier-ignore

/** A drives a tractor, open to the sky: it sits behind the wheel, half of it behind the body. */
export const driving: Single = (s, a) => {
  const car = placed(ownDrawing('tractor', s.knobs), { cx: 50, cy: 64, side: 78, fill: 0.95 });
  const m = boundsOf(outlineOf(car));
  const one = placed(uprightOf(s, a, 'pointing') ?? a, { cx: 46, cy: 50, side: 60, fill: 0.95 });
  const o = boundsOf(outlineOf(one));
  const driver = movedFigure(one, [1, 0, 0, 1, m.x + 0.32 * m.width - (o.x + 0.4 * o.width), m.y + 0.56 * m.height - (o.y + 0.8 * o.height)]);
  return fitLayers([...finished(s, driver).map((l) => ({ ...l, area: intersect(l.area, box(-100, -200, 300, 200 + m.y + 0.62 * m.height)) })), ...clear(s, car, s.palette.groundHex, swapped(s), 1.4)], 92);
}; // prettier-ignore

/** A sits in B, which is behind it and at both its sides; what else it has is in its hands. */
export const seated: Pair = (s, a, b) => {
  const { figures } = s.parts;
  const at = figures.findIndex((f) => f.to === 0 && f.relation === 'holding');
  const held = at > 0 ? figureFor(s, figures[at], at) : undefined;
  const one = placed(uprightOf(s, a, 'sitting', { held }) ?? a, { cx: 50, cy: 50, side: 66, fill: 0.9 });
  const seat = placed(b, { cx: 50, cy: 56, side: 84, fill: 0.95 });
  const q = boundsOf(outlineOf(seat));
  const sitting = standing(one, 50, q.y + 0.88 * q.height);
  return [...finished(s, seat, s.palette.groundHex, swapped(s)), ...clear(s, sitting, s.palette.groundHex, s.palette.inks, 1.6)];
}; // prettier-ignore

/** As many B as there are, one before the other, draw A behind them by a rope. */
export const towed: Pair = (s, a, b) => {
  const asked = askedFor(s, b);
  const count = Math.max(1, Math.min(3, asked?.count === 1 && isPlural(asked.word) ? 2 : (asked?.count ?? 1)));
  const one = placed(asideOf(s, b), { cx: 50, cy: 50, side: count > 1 ? 34 : 50, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const load = standing(placed(lookingRight(a), { cx: 50, cy: 50, side: 56, fill: 0.9 }), 26, 80);
  const l = boundsOf(outlineOf(load));
  const step = 0.94 * o.width;
  const first = l.x + l.width + 7 + o.width / 2;
  const team = Array.from({ length: count }, (_, i) => standing(one, first + i * step, 80));
  const y = 80 - 0.5 * Math.min(o.height, l.height);
  const rope = stroked([[l.x + 0.6 * l.width, y + 2, first + (count - 1) * step, y]], 1.8, false);
  const inks = swapped(s);
  return fitLayers([...solid(s, rope, inks[0]), ...clear(s, load, s.palette.groundHex, s.palette.inks, 1), ...team.reverse().flatMap((f) => clear(s, f, s.palette.groundHex, inks, 1.2))], 92);
}; // prettier-ignore

/** A with three of B heaped in it, as one. */
export function laden(a: Figure, b: Figure): Figure {
  const v = boundsOf(outlineOf(a));
  const one = placed(b, { cx: 50, cy: 50, side: 0.42 * v.width, fill: 1 });
  const o = boundsOf(outlineOf(one));
  const heap = ([[-0.26, 0.02], [0.26, 0.02], [0, -0.12]] as const).map(([dx, dy]) => movedFigure(one, [1, 0, 0, 1, v.x + v.width * (0.5 + dx) - (o.x + o.width / 2), v.y + v.height * (0.3 + dy) - (o.y + o.height)])); // prettier-ignore
  const [left, right, top] = heap;
  const cut = (figure: Figure, by: readonly Figure[]): Figure =>
    without(figure, grown(union(...by.map(silhouetteOf)), 1.2));
  return joinedFigures(a.name, [cut(left, [right, top, a]), cut(right, [top, a]), cut(top, [a]), a]);
}

/** What bears a sign on its face. */
export const BEARING = /^(?:shield|flag|banner|sign|signpost|pennant|badge|coat of arms|sail)$/;

/** A with B on its face, as a shield has its charge: B in one light tone, what is dark in it cut out of that. */
export function charged(a: Figure, b: Figure): Figure {
  const hull = silhouetteOf(a);
  const room = roomIn(hull);
  if (!room) return a;
  const sign = placed(b, { cx: room.x, cy: room.y, side: 1.6 * room.r, fill: 0.95 });
  const dark = union(...sign.parts.filter((p) => sign.tones[p.tone] < 0.3).map((p) => p.area));
  const all = silhouetteOf(sign);
  // What is dark all over keeps its form.
  const isDark = sizeOf(dark) > 0.45 * sizeOf(all);
  const field: Figure = { name: a.name, tones: [0.3], parts: [{ tone: 0, area: hull }] };
  return joinedFigures(a.name, [field, { name: b.name, tones: [1], parts: [{ tone: 0, area: isDark ? all : subtract(all, dark) }] }]); // prettier-ignore
}
