/** Arrangements of two of which one is over, under or out of the other: shelters, tunnels, what grows, what is thrown up. */
import { boundsOf, box, disc, starArea } from './area';
import { grown, intersect, sizeOf, stroked, subtract, union, type Area } from '../path';
import { buildFigure } from './build';
import { builtDrawings, uprightFigure } from './built';
import { dressFrom } from './creature';
import { onField } from './field';
import { clipped, isLong, movedFigure, outlineOf, placed, silhouetteOf, turnedAt, upright, without, withoutSteam, type Figure } from './figure'; // prettier-ignore
import { fitLayers, layerOf } from './layer';
import { severalAsOne, swapped, type Pair } from './pairings';
import { clear, finished, form } from './stage';
import { symmetryOf } from './symmetry';

/** A figure moved so that its foot is at a height and its middle at another. */
function standing(figure: Figure, cx: number, foot: number): Figure {
  const b = boundsOf(outlineOf(figure));
  return movedFigure(figure, [1, 0, 0, 1, cx - (b.x + b.width / 2), foot - (b.y + b.height)]);
}

/** How high the outline of a figure reaches between two shares of its width; its top where nothing is there. */
function topAt(figure: Figure, from: number, to: number): number {
  const all = outlineOf(figure);
  const b = boundsOf(all);
  const column = boundsOf(intersect(all, box(b.x + from * b.width, b.y - 1, (to - from) * b.width, b.height + 2)));
  return column.height > 0 ? column.y : b.y;
}

/** A stands under B, which spreads over it: beside its stem, where it has one. */
export const sheltered: Pair = (s, a, b) => {
  // An umbrella is open, as its first drawings are.
  const open = b.name === 'umbrella' ? buildFigure(b.name, { ...s, idea: s.idea % 2 ? 2 : 0, pose: null, expression: null, modifiers: [] }) : b; // prettier-ignore
  const roof = placed(upright(open), { cx: 50, cy: 46, side: 90, fill: 1 });
  const r = boundsOf(outlineOf(roof));
  // Where the roof is as slim as a stem there is room beside it.
  const low = boundsOf(intersect(outlineOf(roof), box(r.x - 1, r.y + 0.62 * r.height, r.width + 2, 0.2 * r.height)));
  const isStem = low.width < 0.45 * r.width;
  const one = placed(a, { cx: 50, cy: 50, side: isStem ? 50 : 46, fill: 0.85 });
  const at = isStem ? r.x + 0.72 * r.width : 50;
  return [
    ...finished(s, roof, s.palette.groundHex, swapped(s)),
    ...clear(s, standing(one, at, r.y + r.height + (isStem ? 1 : 3)), s.palette.groundHex, s.palette.inks, 2),
  ];
};

/** A comes forward out of a tunnel in B, an arch as high as what is in it. */
export const tunnelled: Pair = (s, a, b) => {
  const land = placed(b, { cx: 50, cy: 48, side: 92, fill: 1 });
  const l = boundsOf(outlineOf(land));
  const foot = l.y + l.height;
  const cx = l.x + l.width / 2;
  const high = 0.46 * l.height;
  const half = Math.min(0.26 * l.width, 0.62 * high);
  const arch = union(disc(cx, foot - high + half, half, 80), box(cx - half, foot - high + half, 2 * half, high - half));
  const one = placed(a, { cx, cy: 50, side: 2.5 * half, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  // What is seen from the side comes out to its side, half of it still within.
  const isLow = o.width > 1.25 * o.height;
  const out = standing(isLow ? placed(a, { cx, cy: 50, side: 3.6 * half, fill: 1 }) : one, isLow ? cx + (a.facing ?? 1) * half : cx, foot + (isLow ? -1 : 5)); // prettier-ignore
  const cut = isLow ? clipped(out, union(arch, box((a.facing ?? 1) > 0 ? cx : cx - 200, -100, 200, 300))) : out;
  const [dark] = s.palette.inks;
  const inner = grown(arch, -1.2);
  return [
    ...finished(s, without(land, arch), s.palette.groundHex, swapped(s)),
    ...form(s, inner, dark).map((x) => ({ ...x, isFigure: true })),
    ...clear(s, cut, s.palette.groundHex, s.palette.inks, 1.6),
  ];
};

/** Three of A grow out of the top of B, on stems, the middle one highest. */
export const growing: Pair = (s, a, b) => {
  const pot = placed(isLong(b) ? upright(b) : b, { cx: 50, cy: 72, side: 58, fill: 0.85 });
  const p = boundsOf(outlineOf(pot));
  const cx = p.x + p.width / 2;
  const one = placed(upright(a), { cx: 50, cy: 50, side: 30, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const hasStem = o.height > 1.3 * o.width;
  const spots = [[-0.3, 0.9, -0.34], [0.3, 0.9, 0.34], [0, 1.25, 0]] as const; // prettier-ignore
  const stems: Area[] = [];
  const heads = spots.map(([dx, k, lean]) => {
    const x = cx + dx * Math.min(p.width, 54);
    const foot = topAt(pot, 0.5 + 0.6 * dx - 0.06, 0.5 + 0.6 * dx + 0.06) + 3;
    const [tipX, tipY] = [x + 26 * Math.sin(lean) * k, foot - (hasStem ? 6 : 21 * k)];
    stems.push(stroked([[cx + 0.6 * dx * p.width, foot + 3, x, foot - 6, tipX, tipY]], 2.4, false));
    return standing(turnedAt(one, lean), tipX, tipY + (hasStem ? 6 : 0.3 * o.height));
  });
  const inks = swapped(s);
  const [green] = s.palette.inks;
  return [
    ...form(s, union(...stems), green).map((l) => ({ ...l, isFigure: true })),
    ...heads.flatMap((h) => clear(s, h, s.palette.groundHex, inks, 1.2)),
    ...clear(s, pot, s.palette.groundHex, s.palette.inks, 1.6),
  ];
};

/** A throws B up: several of it in an arc over its raised arms. */
export const juggled: Pair = (s, a, b) => {
  const asked = s.parts.figures.find((f) => f.drawn === a.name);
  const who = uprightFigure(a.name, { knobs: s.knobs, stance: 'jumping', expression: asked?.expression ?? null, modifiers: asked?.modifiers ?? [], dress: {}, held: null, crop: 'whole' }); // prettier-ignore
  const one = placed(who ?? a, { cx: 50, cy: 64, side: 62, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const [cx, cy] = [o.x + o.width / 2, o.y + 0.42 * o.height];
  const r = Math.max(o.width * 0.62, 0.42 * o.height + 13);
  const balls = [-1.05, -0.36, 0.36, 1.05].map((t) => placed(b, { cx: cx + r * Math.sin(t), cy: cy - r * Math.cos(t), side: 17, fill: 0.95 })); // prettier-ignore
  return [...finished(s, one), ...balls.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1.2))];
};

/** Several B in an arc over A. */
export const arched =
  (count: number): Pair =>
  (s, a, b) => {
    const one = placed(a, { cx: 50, cy: 58, side: 66, fill: 0.85 });
    const o = boundsOf(outlineOf(one));
    const [cx, r] = [o.x + o.width / 2, Math.max(0.5 * o.width, 20) + 12];
    const n = Math.max(2, Math.min(7, count));
    const step = Math.min(0.5, 1.9 / n);
    const spots = Array.from({ length: n }, (_, i) => (i - (n - 1) / 2) * step);
    // As low as it can be without touching.
    const cy = o.y - 9 + r;
    const small = spots.map((t) => placed(b, { cx: cx + r * Math.sin(t), cy: cy - r * Math.cos(t), side: n > 4 ? 12 : 15, fill: 1 })); // prettier-ignore
    return [...finished(s, one), ...small.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1))];
  };

/** What a brush or a pen does its work with is drawn at its foot. */
const DOWNWARD = /brush|pen|pencil|quill|broom|crayon|marker/;

/** B in place of the tip of A, which stands up. */
export const tipped: Pair = (s, a, b) => {
  const up = isLong(a) ? upright(a) : a;
  const tool = placed(DOWNWARD.test(a.name) ? turnedAt(up, Math.PI) : up, { cx: 50, cy: 60, side: 78, fill: 1 });
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

/** A in the place of the moon, in a night of its own; of the sun, with rays about it. */
export const asMoon: Pair = (s, a) => {
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
export const asSun: Pair = (s, a) => {
  const one = placed(a, { cx: 50, cy: 50, side: 52, fill: 0.95 });
  const rays = Array.from({ length: 12 }, (_, i) => {
    const t = (2 * Math.PI * i) / 12;
    return [50 + 35 * Math.cos(t), 50 + 35 * Math.sin(t), 50 + (i % 2 ? 40 : 45) * Math.cos(t), 50 + (i % 2 ? 40 : 45) * Math.sin(t)]; // prettier-ignore
  });
  return [...form(s, stroked(rays, 3.4, false), swapped(s)[0]), ...finished(s, one)];
};

/** B set down on the back of A: where it is flattest in the middle, as low as that is. */
export const onBack: Pair = (s, a, b) => {
  const low = placed(a, { cx: 50, cy: 66, side: 82, fill: 0.95 });
  const all = outlineOf(low);
  const l = boundsOf(all);
  const one = placed(b, { cx: 50, cy: 50, side: 40, fill: 0.85 });
  const o = boundsOf(outlineOf(one));
  const half = 0.3 * o.width;
  // The span of the back that is nearest to level under its foot, and near the middle.
  const spans = Array.from({ length: 13 }, (_, i) => l.x + l.width * (0.26 + 0.04 * i)).map((x) => {
    const tops = [-1, 0, 1].map((k) => boundsOf(intersect(all, box(x + k * half - 1, l.y - 1, 2, l.height + 2)))).map((c) => (c.height > 0 ? c.y : l.y + l.height)); // prettier-ignore
    return { x, top: Math.max(...tops), cost: Math.max(...tops) - Math.min(...tops) + 0.1 * Math.abs(x - (l.x + l.width / 2)) + 0.3 * (Math.max(...tops) - l.y) }; // prettier-ignore
  });
  const best = spans.reduce((p, q) => (q.cost < p.cost ? q : p));
  return [
    ...clear(s, standing(one, best.x, best.top + 2), s.palette.groundHex, swapped(s), 0),
    ...clear(s, low, s.palette.groundHex, s.palette.inks, 1.6),
  ];
};

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

/** B rises from A in place of what is drawn rising there. */
export const rising: Pair = (s, a, b) => {
  const cup = placed(a, { cx: 50, cy: 66, side: 66, fill: 0.85 });
  const rest = withoutSteam(cup);
  const r = boundsOf(outlineOf(rest));
  const one = placed(isLong(b) ? upright(b) : b, { cx: 50, cy: 50, side: 36, fill: 0.9 });
  return [
    ...finished(s, rest),
    ...clear(s, standing(one, r.x + r.width / 2, r.y - 3), s.palette.groundHex, swapped(s), 0),
  ];
};

/** A, and B, which shines, smaller over it: over its middle where it is the same on both sides, else over where it looks. */
export const underSky: Pair = (s, a, b) => {
  const one = placed(a, { cx: 50, cy: 62, side: 72, fill: 0.8 });
  const o = boundsOf(outlineOf(one));
  const side = symmetryOf(one) > 0.87 ? 0 : (one.facing ?? 1);
  const body = placed(b, { cx: 50 + 0.3 * side * o.width, cy: 20, side: 28, fill: 0.95 });
  const q = boundsOf(outlineOf(body));
  const top = topAt(one, Math.max(0, (q.x - o.x) / o.width), Math.min(1, (q.x + q.width - o.x) / o.width));
  return [
    ...finished(s, movedFigure(body, [1, 0, 0, 1, 0, Math.min(0, top - 4 - (q.y + q.height))]), s.palette.groundHex, swapped(s)),
    ...finished(s, one),
  ];
}; // prettier-ignore

/** A by night: light on a dark disc, B small and bright over it. */
export const byNight: Pair = (s, a, b) => {
  const [field] = s.palette.inks;
  const inks = onField(s, field);
  const night = disc(50, 50, 46, 200);
  const layers = underSky({ ...s, palette: { ...s.palette, groundHex: field, inks } }, a, b);
  return [...form(s, night, field), ...fitLayers(layers, 62)];
};

/** A on B, a twig that lies across under its feet. */
export const perchedOn: Pair = (s, a, b) => {
  const flat = isLong(b) ? turnedAt(upright(b), Math.PI / 2 - 0.08) : b;
  const twig = placed(flat, { cx: 50, cy: 74, side: 88, fill: 1 });
  const w = boundsOf(outlineOf(twig));
  const bird = placed(a, { cx: 50, cy: 40, side: 60, fill: 0.85 });
  const o = boundsOf(outlineOf(bird));
  const column = boundsOf(intersect(outlineOf(twig), box(o.x + 0.4 * o.width, w.y - 1, 0.2 * o.width, w.height + 2)));
  const top = column.height > 0 ? column.y : w.y + 0.4 * w.height;
  return [
    ...finished(s, twig, s.palette.groundHex, swapped(s)),
    ...clear(s, standing(bird, o.x + o.width / 2, top + 3), s.palette.groundHex, s.palette.inks, 1.4),
  ];
};

/** A in B, a window: on its sill, before its panes. */
export const atWindow: Pair = (s, a) => {
  const [first, second = first] = s.palette.inks;
  const outer = union(disc(50, 36, 30, 120), box(20, 36, 60, 52));
  const inner = grown(outer, -5);
  const bars = union(box(48.6, 0, 2.8, 100), box(16, 44, 68, 2.8));
  const one = standing(placed(a, { cx: 50, cy: 60, side: 44, fill: 0.85 }), 50, 86);
  return [
    ...form(s, union(subtract(outer, inner), intersect(bars, inner)), first).map((l) => ({ ...l, isFigure: true })),
    ...clear(s, one, s.palette.groundHex, [second, first], 2.2),
    ...form(s, box(13, 86, 74, 6), first).map((l) => ({ ...l, isFigure: true })),
  ];
};

/** Two A face to face, B small between and over them. */
export const pairWith: Pair = (s, a, b) => {
  const two = placed(severalAsOne(a, 2, 'toward'), { cx: 50, cy: 58, side: 88, fill: 1 });
  const t = boundsOf(outlineOf(two));
  const small = placed(b, { cx: 50, cy: 50, side: 24, fill: 0.95 });
  const q = boundsOf(outlineOf(small));
  // Between their heads where it has room, else over them.
  const gap = boundsOf(intersect(outlineOf(two), box(44, t.y - 1, 12, t.height + 2)));
  const foot = Math.min(t.y + q.height * 0.55, gap.y - 3);
  return [...finished(s, two), ...clear(s, standing(small, 50, foot), s.palette.groundHex, swapped(s), 1.6)];
};

/** A lies curled before the foot of B. */
export const curledAbout: Pair = (s, a, b) => {
  const low = builtDrawings(a.name, { pose: 'sleeping' }, s.knobs)[0]?.() ?? a;
  const one = placed({ ...low, name: a.name }, { cx: 50, cy: 70, side: 84, fill: 1 });
  const o = boundsOf(outlineOf(one));
  const thing = placed(b, { cx: 50, cy: 40, side: 54, fill: 0.9 });
  const top = topAt(one, 0.4, 0.6);
  return [
    ...finished(s, standing(thing, o.x + 0.5 * o.width, top + 0.3 * o.height), s.palette.groundHex, swapped(s)),
    ...clear(s, one, s.palette.groundHex, s.palette.inks, 1.8),
  ];
};

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

/** A throws B up, and looks to catch it. */
export const tossed: Pair = (s, a, b) => {
  const asked = s.parts.figures.find((f) => f.drawn === a.name);
  const dress = dressFrom(`${s.parts.role ?? ''} ${a.name}`);
  const who = uprightFigure(a.name, { knobs: s.knobs, stance: 'jumping', expression: asked?.expression ?? null, modifiers: asked?.modifiers ?? [], dress, held: null, crop: 'whole' }); // prettier-ignore
  const one = placed(who ?? a, { cx: 50, cy: 66, side: 66, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const thing = placed(b, { cx: 50, cy: 50, side: 30, fill: 0.9 });
  return [...finished(s, one), ...clear(s, standing(thing, o.x + o.width / 2, o.y - 3), s.palette.groundHex, swapped(s), 1)]; // prettier-ignore
};

/** Two of A, open hands, with B between and over them. */
export const twoHands: Pair = (s, a, b) => {
  const hand = placed({ ...builtDrawings('holding hand', {}, s.knobs)[0](), name: a.name }, { cx: 66, cy: 74, side: 50, fill: 0.9 }); // prettier-ignore
  const h = boundsOf(outlineOf(hand));
  const right = movedFigure(hand, [1, 0, 0, 1, 50 - h.x - 1, 0]);
  const both = { ...right, parts: [...movedFigure(right, [-1, 0, 0, 1, 100, 0]).parts, ...right.parts] };
  const thing = placed(b, { cx: 50, cy: 40, side: 46, fill: 0.85 });
  return [
    ...finished(s, standing(thing, 50, h.y + 0.3 * h.height), s.palette.groundHex, swapped(s)),
    ...clear(s, both, s.palette.groundHex, s.palette.inks, 1.2),
  ];
};

/** A leans, and B falls from its spout, three of it, the lower the larger. */
export const pouringOut: Pair = (s, a, b) => {
  const side = a.facing ?? 1;
  const pot = placed(turnedAt(withoutSteam(a), side * 0.5), { cx: 50 - side * 14, cy: 34, side: 62, fill: 0.9 });
  const p = boundsOf(outlineOf(pot));
  const x = side > 0 ? p.x + p.width : p.x;
  const end = boundsOf(intersect(outlineOf(pot), box(side > 0 ? x - 4 : x - 1, p.y, 5, p.height)));
  const drops = [10, 13, 17].map((size, i) => placed(b, { cx: x + side * (2 + 2.5 * i), cy: end.y + 12 + 17 * i, side: size, fill: 0.95 })); // prettier-ignore
  return [...finished(s, pot), ...drops.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1))];
};

/** A behind B, half of it seen at its side. */
export const peeksFrom: Pair = (s, a, b) => {
  const trunk = placed(b, { cx: 40, cy: 46, side: 78, fill: 0.8 });
  const t = boundsOf(outlineOf(trunk));
  // It looks out on the side where it is seen.
  const out = a.facing === -1 ? movedFigure(a, [-1, 0, 0, 1, 100, 0]) : a;
  const one = placed(out, { cx: 50, cy: 50, side: 56, fill: 0.85 });
  const o = boundsOf(outlineOf(one));
  // Where the other is narrow at its foot, so much of it is hidden, and no more.
  const low = boundsOf(intersect(outlineOf(trunk), box(t.x - 1, t.y + 0.7 * t.height, t.width + 2, 0.3 * t.height)));
  const edge = low.width > 0 ? low.x + low.width : t.x + t.width;
  return [
    ...finished(s, standing(one, edge + 0.16 * o.width, t.y + t.height), s.palette.groundHex, s.palette.inks),
    ...clear(s, trunk, s.palette.groundHex, swapped(s), 1.8),
  ];
};
