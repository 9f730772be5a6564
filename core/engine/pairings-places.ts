/** Arrangements in which one has its place in, on, under or behind the other: shelters, tunnels, windows, branches, backs. */
import { ownDrawing } from './build';
import { boundsOf, box, disc } from './area';
import {
  areaFrom,
  grown,
  intersect,
  moved,
  parsePath,
  roomIn,
  sizeOf,
  stroked,
  subtract,
  union,
  type Area,
} from '../path';
import { isPlural, type PromptFigure } from '../prompt';
import { builtDrawings } from './built';
import { mirroredFigure, partsNamed, lookingRight, clipped, isLong, mapFigure, movedFigure, outlineOf, placed, silhouetteOf, standing, topAt, turnedAt, upright, without, withoutSteam, type Figure } from './figure'; // prettier-ignore
import { aboard, asideOf, askedFor, swapped, uprightOf, type Pair } from './pairings';
import { fitLayers, layerOf, scaled, type Layer } from './layer';
import { leafArea, waveLine } from './marks';
import type { Single } from './single';
import { form, thingFor, turnOf, type Stage, clear, finished, inkOf, solid } from './stage';

/** What has a trunk and a crown. */
export const TREES = /^(?:(?:[a-z]+ )?tree|oak|pine|willow|birch|maple)$/;
/** What one has before one and moves along, and no hand could hold. */
export const PUSHED = /^(?:wheelbarrow|cart|shopping cart|pram|trolley)$/;

/** A stands under B, which spreads over it: beside its stem, where it has one. */
export const sheltered: Pair = (s, a, b) => {
  const { width, height } = boundsOf(outlineOf(b));
  // A leaf lies over whoever is under it.
  if (/leaf|lily pad/.test(b.name)) {
    const over = placed(isLong(b) || height > width ? turnedAt(upright(b), Math.PI / 2 - 0.2) : b, {
      cx: 50,
      cy: 26,
      side: 90,
      fill: 1,
    });
    const o = boundsOf(outlineOf(over));
    const under = standing(placed(a, { cx: 50, cy: 50, side: 54, fill: 0.9 }), 50, o.y + 0.86 * o.height + 50);
    return fitLayers([...finished(s, under), ...clear(s, over, s.palette.groundHex, swapped(s), 2)], 90);
  }
  // Under a roof by itself one stands as in a house.
  if (b.name === 'roof') {
    const high = placed(b, { cx: 50, cy: 30, side: 96, fill: 1 });
    const h = boundsOf(outlineOf(high));
    const under = placed(a, { cx: 50, cy: 50, side: 54, fill: 1 });
    const foot = h.y + 0.44 * h.height + boundsOf(outlineOf(under)).height;
    return fitLayers([...finished(s, high, s.palette.groundHex, swapped(s)), ...clear(s, standing(under, 50, foot), s.palette.groundHex, s.palette.inks, 2)], 90); // prettier-ignore
  }
  const roof = placed(width > height ? b : upright(b), { cx: 50, cy: 46, side: 90, fill: 1 });
  const r = boundsOf(outlineOf(roof));
  // Where the roof is as slim as a stem there is room beside it.
  const low = boundsOf(intersect(outlineOf(roof), box(r.x - 1, r.y + 0.62 * r.height, r.width + 2, 0.2 * r.height)));
  const isStem = low.width < 0.45 * r.width;
  // Several in a row are before the stem.
  const own = boundsOf(outlineOf(a));
  const isRow = own.width > 1.7 * own.height;
  const one = placed(a, { cx: 50, cy: 50, side: isRow ? 84 : isStem ? 50 : 46, fill: isRow ? 1 : 0.85 });
  const at = isStem && !isRow ? r.x + 0.72 * r.width : 50;
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
    ...solid(s, inner, dark),
    ...clear(s, cut, s.palette.groundHex, s.palette.inks, 1.6),
  ];
};

/** Three of A grow out of the top of B, on stems, the middle one highest. */
export const growing: Pair = (s, a, b) => {
  const lies = boundsOf(outlineOf(b));
  const pot = placed(isLong(b) && lies.height > lies.width ? upright(b) : b, { cx: 50, cy: 72, side: 58, fill: 0.85 });
  const p = boundsOf(outlineOf(pot));
  const cx = p.x + p.width / 2;
  // One alone is larger, and stands straight.
  const asked = askedFor(s, a);
  const isAlone = asked !== undefined && asked.count === 1 && !isPlural(asked.word);
  // A sprout has no ground of its own where it grows out of something.
  const isSprout = /^(?:sprout|seedling|sapling|plant)$/.test(a.name);
  const two = union(
    leafArea(48, 44, -0.62, 46, 24),
    leafArea(52, 44, Math.PI + 0.62, 46, 24),
    stroked([[50, 68, 50.5, 54, 50, 40]], 5.4, false),
  );
  const growth = isSprout
    ? { name: a.name, tones: [0.45], parts: [{ tone: 0, area: two }], isBuilt: true }
    : upright(a);
  const one = placed(growth, { cx: 50, cy: 50, side: isAlone ? (TREES.test(a.name) ? 54 : 42) : 30, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const hasStem = isSprout || o.height > 1.3 * o.width;
  const spots = isAlone ? ([[0, 1.25, 0]] as const) : ([[-0.3, 0.9, -0.34], [0.3, 0.9, 0.34], [0, 1.25, 0]] as const); // prettier-ignore
  const stems: Area[] = [];
  const heads = spots.map(([dx, k, lean]) => {
    const x = cx + dx * Math.min(p.width, 54);
    const foot = (topAt(pot, cx + (0.6 * dx - 0.06) * p.width, cx + (0.6 * dx + 0.06) * p.width) ?? p.y) + 3;
    const [tipX, tipY] = [x + 26 * Math.sin(lean) * k, foot - (hasStem ? 6 : 21 * k)];
    stems.push(stroked([[cx + 0.6 * dx * p.width, foot + 3, x, foot - 6, tipX, tipY]], 2.4, false));
    return standing(turnedAt(one, lean), tipX, tipY + (hasStem ? 6 : 0.3 * o.height));
  });
  const inks = swapped(s);
  const [green] = s.palette.inks;
  return [
    ...solid(s, union(...stems), green),
    ...heads.flatMap((h) => clear(s, h, s.palette.groundHex, inks, 1.2)),
    ...clear(s, pot, s.palette.groundHex, s.palette.inks, 1.6),
  ];
};

/** B set down on the back of A: where it is flattest in the middle, as low as that is. */
export const onBack: Pair = (s, a, b) => {
  const low = placed(a, { cx: 50, cy: 66, side: 82, fill: 0.95 });
  const l = boundsOf(outlineOf(low));
  const one = placed(b, { cx: 50, cy: 50, side: 40, fill: 0.85 });
  const o = boundsOf(outlineOf(one));
  const half = 0.3 * o.width;
  // The span of the back that is nearest to level under its foot, and near the middle.
  const spans = Array.from({ length: 13 }, (_, i) => l.x + l.width * (0.26 + 0.04 * i)).map((x) => {
    const tops = [-1, 0, 1].map((k) => topAt(low, x + k * half - 1, x + k * half + 1) ?? l.y + l.height);
    const top = tops.reduce((sum, y) => sum + y, 0) / tops.length - (tops.length > 1 ? 4 : 0);
    return { x, top, cost: top - Math.min(...tops) + 0.1 * Math.abs(x - (l.x + l.width / 2)) + 0.3 * (top - l.y) };
  });
  const best = spans.reduce((p, q) => (q.cost < p.cost ? q : p));
  return [
    ...clear(s, standing(one, best.x, best.top + 2), s.palette.groundHex, swapped(s), 0),
    ...clear(s, low, s.palette.groundHex, s.palette.inks, 1.6),
  ];
};

/** A, on its feet, has its mouth at the crown of B, a tree that is as tall. */
export const browsing: Pair = (s, a, b) => {
  const foot = 90;
  const eater = standing(placed(asideOf(s, a), { cx: 32, cy: 50, side: 74, fill: 1 }), 32, foot);
  const e = boundsOf(outlineOf(eater));
  const mouth = boundsOf(intersect(outlineOf(eater), box(e.x, e.y, e.width + 1, 0.3 * e.height)));
  const tree = standing(placed(b, { cx: 50, cy: 50, side: Math.max(74, 1.12 * e.height), fill: 1 }), 50, foot);
  const t = boundsOf(outlineOf(tree));
  const level = mouth.y + mouth.height / 2;
  const edge = boundsOf(intersect(outlineOf(tree), box(t.x - 1, level - 3, t.width + 2, 6)));
  const put = movedFigure(tree, [1, 0, 0, 1, Math.max(mouth.x + mouth.width - 4 - (edge.width > 0 ? edge.x : t.x), e.x + e.width - t.x - 0.5 * t.width), 0]); // prettier-ignore
  return fitLayers([...finished(s, put, s.palette.groundHex, swapped(s)), ...clear(s, eater, s.palette.groundHex, s.palette.inks, 1.2)], 92); // prettier-ignore
};

const VASE = /^(?:vase|jug|pitcher|urn|amphora|flowerpot)$/;
const STEMMED = /^(?:twig|branch|olive branch|cherry branch|leaf|palm leaf|fern|feather|lavender|wheat|reeds?|tulip|rose|sunflower|flower|bamboo|poppy|daisy)$/; // prettier-ignore

/** Whether the second is what stands in the first, a vase. */
export const standsInVase = (first: PromptFigure, { drawn, relation, turned, place }: PromptFigure): boolean =>
  VASE.test(first.drawn) && STEMMED.test(drawn) && !place && (turned ? relation === 'inside' : ['with', 'holding'].includes(relation ?? '')); // prettier-ignore

/** Whether the first is what stands in the second, a vase. */
export const isInVase = (first: PromptFigure, second: PromptFigure | undefined): boolean =>
  second !== undefined && STEMMED.test(first.drawn) && VASE.test(second.drawn) && !second.turned && ['inside', 'on'].includes(second.relation ?? ''); // prettier-ignore

/** B, or several of it, in the mouth of A, a vase: fanned out from there, and seen over its rim alone. */
export const inVase: Pair = (s, a, b) => {
  const vase = placed(a, { cx: 50, cy: 70, side: 56, fill: 0.95 });
  const v = boundsOf(outlineOf(vase));
  const mouth = boundsOf(intersect(silhouetteOf(vase), box(v.x - 1, v.y, v.width + 2, 3)));
  const asked = askedFor(s, b);
  const n = asked && (asked.count > 1 || isPlural(asked.word)) ? Math.max(3, Math.min(5, asked.count)) : 1;
  const cx = mouth.x + mouth.width / 2;
  const stem = standing(placed(upright(b), { cx: 50, cy: 50, side: n === 1 ? 54 : 44, fill: 1 }), 50, 50);
  const above = box(-100, -100, 300, 100 + v.y + 2);
  const stems = Array.from({ length: n }, (_, i) => {
    const k = n === 1 ? 0.12 : (2 * i) / (n - 1) - 1;
    // About its foot, which is in the middle of the field.
    const [foot, lift] = [v.y + 7, n > 1 ? 5 * (1 - Math.abs(k)) : 0];
    const leant = movedFigure(turnedAt(stem, 0.62 * k), [
      1,
      0,
      0,
      1,
      cx + 0.22 * mouth.width * k - 50,
      foot - lift - 50,
    ]);
    return { k: Math.abs(k), figure: clipped(leant, above) };
  });
  const [ground, inks] = [s.palette.groundHex, swapped(s)];
  // The middle one stands before the others.
  const order = [...stems].sort((p, q) => q.k - p.k);
  return fitLayers([...order.flatMap(({ figure }) => clear(s, figure, ground, inks, 0.8)), ...clear(s, vase, ground, s.palette.inks, 1.2)], 90); // prettier-ignore
};

/** Whether there are several of what rises behind whoever goes with it. */
export const rises = ({ drawn, count, turned, relation }: PromptFigure): boolean =>
  count > 1 && !turned && ['beside', 'with', 'between'].includes(relation ?? '') && /^(?:pine|fir|tree|pine tree|fir tree|palm tree|oak|birch|cypress|cactus|bamboo|spruce|poplar)$/.test(drawn); // prettier-ignore

/** A before several of B, which grow or rise behind it, the tallest in the middle. */
export const beforeTrees: Pair = (s, a, b) => {
  const foot = 88;
  const n = Math.max(2, Math.min(5, askedFor(s, b)?.count ?? 3));
  const one = upright(b);
  const row = Array.from({ length: n }, (_, i) => (2 * i) / (n - 1) - 1);
  const trees = row.map((k) => standing(placed(one, { cx: 50, cy: 50, side: 76 - 20 * Math.abs(k), fill: 1 }), 50 + 33 * k, foot)); // prettier-ignore
  const inFront = placed(a, { cx: 50, cy: 50, side: 58, fill: 0.95 });
  // The outer ones first, so that the middle one stands before them.
  const far = trees.map((f, i) => ({ f, k: Math.abs(row[i]) })).sort((p, q) => q.k - p.k);
  return fitLayers([...far.flatMap(({ f }) => clear(s, f, s.palette.groundHex, swapped(s), 0.8)), ...clear(s, standing(inFront, 50, foot), s.palette.groundHex, s.palette.inks, 1.6)], 90); // prettier-ignore
};

/** A, upright on two of B, a pole at each side. */
export const onSkis: Pair = (s, a, b) => {
  const who = uprightOf(s, a, 'standing');
  if (!who) return aboard(s, a, b);
  const big = placed(who, { cx: 50, cy: 44, side: 84, fill: 0.9 });
  const w = boundsOf(outlineOf(big));
  const flat = placed(b, { cx: 50, cy: 50, side: 88, fill: 1 });
  const f = boundsOf(outlineOf(flat));
  const at = (dx: number, dy: number): Figure => movedFigure(flat, [1, 0, 0, 0.5, w.x + w.width / 2 - (f.x + f.width / 2) + dx, w.y + w.height - 2 + dy - 0.5 * f.y - 0.34 * f.height]); // prettier-ignore
  const foot = w.y + w.height + 4;
  // From over the hands to the snow, a basket near the point.
  const hands = boundsOf(intersect(outlineOf(big), box(-50, w.y + 0.6 * w.height, 200, 0.2 * w.height)));
  const poles = [hands.x + 3, hands.x + hands.width - 3].map((x, i) => {
    const [top, low] = [[x, w.y + 0.5 * w.height], [x + (i ? 4 : -4), foot]]; // prettier-ignore
    return union(
      stroked([[...top, ...low]], 1.5, false),
      stroked([[low[0] - 3.4, foot - 5, low[0] + 3.4, foot - 5]], 1.5, false),
    );
  });
  const [ground, inks] = [s.palette.groundHex, swapped(s)];
  return fitLayers([...solid(s, union(...poles), inks[1] ?? inks[0], ground), ...clear(s, at(5, 0), ground, inks, 0.8), ...clear(s, at(-5, 6), ground, inks, 0.8), ...clear(s, big, ground, s.palette.inks, 1.2)], 92); // prettier-ignore
};

/** A branch that lies nearly level, bare where one sits on it, with leaves at its ends. */
function bough(s: Stage, name: string): Figure {
  const wood = union(
    areaFrom(parsePath('M2 62C24 54 46 52 62 53C78 54 90 50 98 44L98.6 46.4C91 54 79 60 62 60C46 60 26 62 3.4 69Z')),
    areaFrom(parsePath('M18 60C22 68 30 74 40 77L38.6 79.4C27 77 18 72 12 63Z')),
  );
  const leaves = union(leafArea(39, 78, 0.1, 20, 9), leafArea(30, 75, 1.2, 17, 8), leafArea(88, 52, 0.9, 19, 9), leafArea(80, 57, 1.5, 17, 8), leafArea(97, 46, -0.5, 15, 7)); // prettier-ignore
  const one: Figure = { name, tones: [0.35, 0.6], parts: [{ tone: 1, area: leaves }, { tone: 0, area: wood }], isBuilt: true }; // prettier-ignore
  return turnOf(s, 2) ? mirroredFigure(one) : one;
}

/** A on B, a twig that lies across under its feet. */
export const perchedOn: Pair = (s, a, b) => {
  const flat = /^(?:twig|branch|perch)$/.test(b.name) ? bough(s, b.name) : isLong(b) ? turnedAt(upright(b), Math.PI / 2 - 0.08) : b; // prettier-ignore
  const twig = placed(flat, { cx: 50, cy: 74, side: 88, fill: 1 });
  const w = boundsOf(outlineOf(twig));
  const lies = boundsOf(outlineOf(a));
  const bird = placed(a, { cx: 50, cy: 40, side: lies.width > 1.6 * lies.height ? 84 : 60, fill: 0.85 });
  const o = boundsOf(outlineOf(bird));
  // Two have their feet on it at both sides.
  const spans = o.width > 1.3 * o.height ? [[0.12, 0.34], [0.66, 0.88]] : [[0.4, 0.6]]; // prettier-ignore
  const tops = spans.map(([from, to]) => topAt(twig, o.x + from * o.width, o.x + to * o.width) ?? w.y + 0.4 * w.height); // prettier-ignore
  const top = Math.max(...tops);
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
    ...solid(s, union(subtract(outer, inner), intersect(bars, inner)), first),
    ...clear(s, one, s.palette.groundHex, [second, first], 2.2),
    ...solid(s, box(13, 86, 74, 6), first),
  ];
};

/** A lies curled before the foot of B. */
export const curledAbout: Pair = (s, a, b) => {
  const low = builtDrawings(a.name, { pose: 'sleeping' }, s.knobs)[0]?.() ?? a;
  const one = placed({ ...low, name: a.name }, { cx: 50, cy: 70, side: 84, fill: 1 });
  const o = boundsOf(outlineOf(one));
  // What is round is large behind it, and it lies along its foot.
  const isRound = /^(?:full moon|planet|globe|earth|ball|sun)$/.test(b.name);
  const thing = placed(b, { cx: 50, cy: 40, side: isRound ? 74 : 54, fill: isRound ? 1 : 0.9 });
  const top = topAt(one, o.x + 0.4 * o.width, o.x + 0.6 * o.width) ?? o.y;
  return [
    ...finished(
      s,
      standing(thing, o.x + 0.5 * o.width, top + (isRound ? 0.62 : 0.3) * o.height),
      s.palette.groundHex,
      swapped(s),
    ),
    ...clear(s, one, s.palette.groundHex, s.palette.inks, 1.8),
  ];
};

/** A behind B, half of it seen at its side. */
export const peeksFrom: Pair = (s, a, b) => {
  const trunk = placed(b, { cx: 40, cy: 46, side: 78, fill: 0.8 });
  const t = boundsOf(outlineOf(trunk));
  // It looks out on the side where it is seen.
  const out = lookingRight(a);
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

/** B, which is small, has settled on the blossom of A. */
export const settled: Pair = (s, a, b) => {
  const flower = placed(a, { cx: 46, cy: 54, side: 82, fill: 0.9 });
  const f = boundsOf(outlineOf(flower));
  const one = placed(b, { cx: f.x + 0.7 * f.width, cy: f.y + 0.22 * f.height, side: 36, fill: 0.9 });
  // Whichever is named first has the first ink.
  const [own, others] =
    s.parts.figures[0].drawn === b.name ? [swapped(s), s.palette.inks] : [s.palette.inks, swapped(s)];
  return [...finished(s, flower, s.palette.groundHex, own), ...clear(s, one, s.palette.groundHex, others, 1.8)];
};

/** A, as many as there are, in a row on the top of B, a cake. */
export const candled: Pair = (s, a, b) => {
  const cake = placed(b, { cx: 50, cy: 66, side: 66, fill: 1 });
  const c = boundsOf(outlineOf(cake));
  const n = Math.max(1, Math.min(7, askedFor(s, a)?.count ?? 3));
  const one = boundsOf(outlineOf(a));
  const step = Math.min(14, (0.5 * c.width) / n);
  const side = Math.min(24, (0.8 * step * Math.max(one.width, one.height)) / one.width);
  const row = Array.from({ length: n }, (_, i) => standing(placed(a, { cx: 50, cy: 30, side, fill: 1 }), c.x + c.width / 2 + (i - (n - 1) / 2) * step, c.y + 1.5)); // prettier-ignore
  return fitLayers([...row.flatMap((f) => finished(s, f, s.palette.groundHex, swapped(s))), ...clear(s, cake, s.palette.groundHex, s.palette.inks, 1.2)], 90); // prettier-ignore
};

/** B in the place of the shade of A, a lamp, of which the foot and the stem are left. */
export const shaded: Pair = (s, a, b) => {
  const lamp = placed(a, { cx: 50, cy: 52, side: 90, fill: 1 });
  const l = boundsOf(outlineOf(lamp));
  const line = l.y + 0.56 * l.height;
  const foot = clipped(lamp, box(-100, line, 300, 200));
  const stem = boundsOf(intersect(outlineOf(foot), box(l.x - 1, line, l.width + 2, 4)));
  const shade = placed(b, { cx: stem.x + stem.width / 2, cy: 50, side: 0.66 * l.height, fill: 1 });
  return fitLayers([...finished(s, foot), ...clear(s, standing(shade, stem.x + stem.width / 2, line + 1), s.palette.groundHex, swapped(s), 1.4)], 90); // prettier-ignore
};

/** A lies or stands on the ground under B, a table or a bench, between its legs. */
export const underTable: Pair = (s, a, b) => {
  const top = placed(b, { cx: 50, cy: 48, side: 92, fill: 1 });
  const t = boundsOf(outlineOf(top));
  const foot = t.y + t.height;
  // Below its middle a table is only legs: as wide as is free between the outer ones, as high as is under its board.
  const low = boundsOf(intersect(outlineOf(top), box(t.x - 1, foot - 0.12 * t.height, t.width + 2, 0.13 * t.height)));
  const one = placed(a, { cx: 50, cy: 50, side: Math.min(0.72 * low.width, 60), fill: 1 });
  const o = boundsOf(outlineOf(one));
  const k = Math.min(1, (0.66 * t.height) / o.height);
  const small = standing(movedFigure(one, [k, 0, 0, k, 50 - 50 * k, 50 - 50 * k]), low.x + low.width / 2, foot);
  return fitLayers([...finished(s, top, s.palette.groundHex, swapped(s)), ...clear(s, small, s.palette.groundHex, s.palette.inks, 1.6)], 92); // prettier-ignore
};

/** As many B as there are stand up behind A, fanned out. */
export const plumed =
  (count: number): Pair =>
  (s, a, b) => {
    const hat = placed(a, { cx: 50, cy: 68, side: 66, fill: 0.9 });
    const h = boundsOf(outlineOf(hat));
    const n = Math.max(1, Math.min(5, count));
    const one = placed(upright(b), { cx: 50, cy: 50, side: 52, fill: 1 });
    const o = boundsOf(outlineOf(one));
    // Their feet are together within it, their tips apart; one alone leans to the side.
    const turns = n === 1 ? [0.42] : Array.from({ length: n }, (_, i) => -0.5 + i / (n - 1));
    const fan = turns.map((rad) => {
      const rooted = movedFigure(one, [1, 0, 0, 1, 50 - (o.x + o.width / 2), 50 - (o.y + o.height)]);
      return movedFigure(turnedAt(rooted, rad), [1, 0, 0, 1, (n === 1 ? 0.16 : 0.3 * rad) * h.width, h.y + 0.5 * h.height - 50]);
    });
    return fitLayers([...fan.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1)), ...clear(s, hat, s.palette.groundHex, s.palette.inks, 1.8)], 90);
  }; // prettier-ignore

/** B hangs from the crown of A on a line, beside its trunk. */
export const hungInTree: Pair = (s, a, b) => {
  const tree = placed(a, { cx: 50, cy: 50, side: 92, fill: 1 });
  const t = boundsOf(outlineOf(tree));
  const x = t.x + 0.76 * t.width;
  // The under side of the crown where it hangs.
  const column = boundsOf(intersect(outlineOf(tree), box(x - 1, t.y - 1, 2, 0.75 * t.height)));
  const from = column.height > 0 ? column.y + column.height : t.y + 0.5 * t.height;
  const room = t.y + t.height - from;
  const thing = placed(b, { cx: 50, cy: 50, side: Math.max(26, 0.62 * room), fill: 0.9 });
  const h = boundsOf(outlineOf(thing));
  const at = from + Math.max(2, Math.min(8, room - h.height - 3));
  const inks = swapped(s);
  return fitLayers([
    ...finished(s, tree),
    ...solid(s, box(x - 0.9, from - 2, 1.8, at - from + 3), inks[0]),
    ...clear(s, movedFigure(thing, [1, 0, 0, 1, x - (h.x + h.width / 2), at - h.y]), s.palette.groundHex, inks, 1),
  ], 92);
}; // prettier-ignore

/** A looks out of a hollow in an old trunk. */
export const inHollow: Single = (s, a) => {
  const bark = areaFrom(parsePath('M28 4C34 10 40 10 44 4L58 4C62 12 68 10 74 2L84 6C76 16 72 26 74 38C78 56 74 72 92 96L8 96C26 74 24 56 28 40C30 28 24 18 14 12L20 5C26 12 28 10 28 4Z'));
  const hole = moved(disc(0, 0, 1, 100), [19, 0, 0, 23, 50, 50]);
  const trunk: Figure = { name: 'tree', tones: [0.35], parts: [{ tone: 0, area: subtract(bark, hole) }], isBuilt: true };
  const leaves: Figure = { name: 'tree', tones: [0.6], parts: [{ tone: 0, area: union(disc(24, 10, 15), disc(50, 3, 17), disc(76, 10, 15)) }], isBuilt: true };
  const one = placed(uprightOf(s, a, 'standing') ?? a, { cx: 50, cy: 66, side: 62, fill: 1 });
  const o = boundsOf(outlineOf(one));
  // Its head is in the hole, nothing of it below the rim.
  const up = clipped(movedFigure(one, [1, 0, 0, 1, 0, 33 - o.y]), union(hole, box(31, -50, 38, 100)));
  const [first] = s.palette.inks;
  return [...finished(s, trunk, s.palette.groundHex, [...s.palette.inks.slice(1), first]), ...clear(s, leaves, s.palette.groundHex, s.palette.inks, 1.4), ...clear(s, up, s.palette.groundHex, s.palette.inks, 1.2)];
}; // prettier-ignore

/** Up to six places all over an area, the first the topmost there is, each as far as can be from the others, and at least 13 units. */
function spotsOver(area: Area, fine: number): [number, number][] {
  const c = boundsOf(area);
  const n = fine;
  const free = Array.from({ length: n * n }, (_, i): [number, number] => [
    c.x + (c.width * (0.5 + (i % n))) / n,
    c.y + (c.height * (0.5 + Math.floor(i / n))) / n,
  ]).filter(([x, y]) => sizeOf(intersect(area, box(x - 0.5, y - 0.5, 1, 1))) > 0.9);
  const spots = free.slice(0, 1);
  const gap = (p: readonly number[]): number => Math.min(...spots.map((q) => Math.hypot(p[0] - q[0], p[1] - q[1])));
  while (spots.length && spots.length < 6) {
    const next = free.reduce((p, q) => (gap(q) > gap(p) ? q : p));
    if (gap(next) < 13) break;
    spots.push(next);
  }
  return spots;
}

/** Several B on the antlers of A, which looks at us, or one B between them. */
export const inAntlers: Pair = (s, a, b) => {
  const [draw] = builtDrawings(a.name === 'deer' ? 'stag' : a.name, { isHead: true }, s.knobs);
  const head = placed(draw ? { ...draw(), name: a.name } : a, { cx: 50, cy: 52, side: 88, fill: 1 });
  const antlers = partsNamed(head, 'horn');
  const h = boundsOf(outlineOf(head));
  const asked = askedFor(s, b);
  // A range of mountains is drawn as one.
  if (asked?.count === 1 && (!isPlural(asked.word) || isPlural(b.name))) {
    const crown = boundsOf(union(...head.parts.filter((p) => !p.of && p.tone === 0).map((p) => p.area)));
    const one = standing(placed(b, { cx: 50, cy: 50, side: 36, fill: 0.9 }), crown.x + crown.width / 2, crown.y + 0.06 * crown.height);
    return [...finished(s, head), ...clear(s, one, s.palette.groundHex, swapped(s), 1.2)];
  }
  const spots = spotsOver(antlers.length ? antlers : intersect(outlineOf(head), box(h.x, h.y, h.width, 0.3 * h.height)), 40);
  // None lies over an eye.
  const eyes = grown(partsNamed(head, 'eye', 'pupil'), 7.5);
  const free = spots.filter(([cx, cy]) => !intersect(eyes, box(cx - 1, cy - 1, 2, 2)).length);
  return [...finished(s, head), ...free.flatMap(([cx, cy]) => clear(s, placed(b, { cx, cy, side: 17, fill: 1 }), s.palette.groundHex, swapped(s), 0.9))];
}; // prettier-ignore

/** Up to six B all over the crown of A. */
export const fruited: Pair = (s, a, b) => {
  const tree = placed(a, { cx: 50, cy: 50, side: 90, fill: 0.95 });
  const t = boundsOf(outlineOf(tree));
  const crown = grown(intersect(silhouetteOf(tree), box(t.x, t.y, t.width, 0.62 * t.height)), -5);
  return [
    ...finished(s, tree),
    ...spotsOver(crown, 14).flatMap(([cx, cy]) =>
      clear(s, placed(b, { cx, cy, side: 13, fill: 1 }), s.palette.groundHex, swapped(s), 0.9),
    ),
  ];
};

/** A sits on B, a wire that runs right across. */
export const onLine: Pair = (s, a, b) => {
  const asked = boundsOf(outlineOf(a));
  // Several fill the wire.
  const bird = placed(a, { cx: 50, cy: 44, side: asked.width > 2 * asked.height ? 92 : 62, fill: 1 });
  const o = boundsOf(outlineOf(bird));
  const wire = stroked([Array.from({ length: 25 }, (_, i) => [4 + (92 * i) / 24, 70 + 4 * (1 - ((i - 12) / 12) ** 2)]).flat()], 2.6, false);
  return [...solid(s, wire, inkOf(s, b, swapped(s)[0])), ...clear(s, standing(bird, o.x + o.width / 2, asked.width > 2 * asked.height ? 71.4 : 74), s.palette.groundHex, s.palette.inks, asked.width > 2 * asked.height ? 0.6 : 1.2)];
}; // prettier-ignore

/** A leans up to B, which is high over it. */
export const reaching: Pair = (s, a, b) => {
  const high = placed(b, { cx: 66, cy: 27, side: 44, fill: 0.9 });
  const h = boundsOf(outlineOf(high));
  const up = placed(turnedAt(upright(a), 0.3), { cx: 40, cy: 58, side: 80, fill: 1 });
  const u = boundsOf(outlineOf(up));
  const low = movedFigure(up, [1, 0, 0, 1, h.x + 0.42 * h.width - (u.x + u.width), h.y + 0.7 * h.height - u.y]);
  return fitLayers([...finished(s, high, s.palette.groundHex, swapped(s)), ...clear(s, low, s.palette.groundHex, s.palette.inks, 1.8)], 90);
}; // prettier-ignore

/** B stands on the roof of A, to one side of its ridge, as a chimney does. */
export const roofed: Pair = (s, a, b) => {
  const house = placed(a, { cx: 50, cy: 56, side: 80, fill: 0.85 });
  const h = boundsOf(outlineOf(house));
  const one = placed(b, { cx: 50, cy: 50, side: 0.3 * Math.max(h.width, h.height), fill: 1 });
  const o = boundsOf(outlineOf(one));
  const cx = h.x + 0.7 * h.width;
  // Its foot is within the roof at the lower of its two edges.
  const edges = [-0.4, 0.4].map((k) => topAt(house, cx + k * o.width - 1, cx + k * o.width + 1) ?? h.y + 0.3 * h.height);
  const stack = standing(one, cx, Math.max(...edges) + 3);
  return [...finished(s, stack, s.palette.groundHex, swapped(s)), ...clear(s, house, s.palette.groundHex, s.palette.inks, 1.4)];
}; // prettier-ignore

/** A with B, a ladder, that leans on it and stands on its ground. */
export const laddered: Pair = (s, a, b) => {
  const big = placed(a, { cx: 44, cy: 50, side: 84, fill: 0.95 });
  const h = boundsOf(outlineOf(big));
  const one = turnedAt(placed(upright(b), { cx: 50, cy: 50, side: 0.74 * h.height, fill: 1 }), -0.24);
  const put = standing(one, h.x + 0.84 * h.width, h.y + h.height);
  return fitLayers([...finished(s, big), ...clear(s, put, s.palette.groundHex, swapped(s), 1.4)], 90);
};

/** A, a landscape, seen in B as through a window in its form: as broad as that is, its foot at its foot, a sun over it. */
export const landIn: Pair = (s, a, b) => {
  // A keyhole is its opening, and not the plate about it.
  const seen = b.name === 'keyhole' ? { ...b, parts: [{ ...b.parts[0], area: areaFrom(parsePath('M50 4A25 25 0 0 1 64 50L76 96L24 96L36 50A25 25 0 0 1 50 4Z')) }] } : b; // prettier-ignore
  const outer = placed(seen, { cx: 50, cy: 50, side: 90, fill: 0.95 });
  const hull = silhouetteOf(outer);
  const room = roomIn(hull);
  // Of thin parts nothing is left: the window is where the body is.
  const rim = Math.min(4.2, 0.2 * (room?.r ?? 10));
  const thin = 0.34 * (room?.r ?? 0);
  const body = grown(grown(hull, -thin), thin - rim);
  const w = boundsOf(body);
  if (!room || !(w.width > 0)) return finished(s, outer);
  const [first] = s.palette.inks;
  const { groundHex } = s.palette;
  const wide = placed(a, { cx: 50, cy: 50, side: 1.06 * w.width, fill: 1 });
  const o = boundsOf(outlineOf(wide));
  // Where it is low the rest of the window is sky; what is high shows its upper part.
  const wideAt = (y: number): number => boundsOf(intersect(body, box(w.x - 1, y - 1, w.width + 2, 2))).width;
  const low = Array.from({ length: 12 }, (_, i) => w.y + w.height * (0.98 - 0.06 * i)).find((y) => wideAt(y) > 0.5 * w.width) ?? w.y + w.height; // prettier-ignore
  const foot = low > w.y + 0.9 * w.height ? Math.max(low, Math.min(w.y + 0.34 * w.height + o.height, w.y + 1.2 * w.height)) : low; // prettier-ignore
  const land = mapFigure(standing(wide, w.x + w.width / 2, foot), (area) => intersect(area, body));
  const l = boundsOf(outlineOf(land));
  const ground = intersect(box(w.x - 1, l.y + l.height - 0.4, w.width + 2, 100), body);
  const sky = subtract(body, grown(union(outlineOf(land), ground), 1.6));
  const at = roomIn(sky);
  const hasSun =
    at !== null && at.r > 5 && at.y > l.y - 0.3 * w.height && !/sun|moon|night|city|castle|village/.test(a.name);
  const inks = swapped(s);
  return [
    ...solid(s, hull, inkOf(s, b, first)),
    layerOf(body, groundHex),
    ...finished(s, land, groundHex, inks),
    ...(ground.length ? [{ ...layerOf(ground, inks[0]), isFigure: true }] : []),
    ...(hasSun ? [layerOf(disc(at.x, at.y, Math.min(0.5 * at.r, 6), 60), inks[1] ?? inks[0])] : []),
  ];
};

/** Two rows of B heaped up out of A, which is open at its top. */
export const heaped: Pair = (s, a, b) => {
  // A chest is open to be full.
  const isChest = /^(?:treasure chest|chest)$/.test(a.name);
  const vessel = placed(isChest ? ownDrawing('open chest', s.knobs) : a, { cx: 50, cy: 64, side: 74, fill: 0.95 });
  const all = outlineOf(vessel);
  const v = boundsOf(all);
  const wideAt = (y: number): { x: number; width: number } => boundsOf(intersect(silhouetteOf(vessel), box(v.x - 1, y - 0.8, v.width + 2, 1.6)));
  const rows = Array.from({ length: 30 }, (_, i) => v.y + 1 + (i * v.height) / 30);
  const widest = Math.max(...rows.slice(0, 24).map((y) => wideAt(y).width));
  // A handle is over the rim, and narrower.
  const rim = rows.find((y) => wideAt(y).width > 0.72 * widest) ?? v.y;
  const { x, width } = wideAt(rim + 1);
  const d = width / 3.3;
  const one = placed(b, { cx: 50, cy: 50, side: d, fill: 1 });
  const inks = swapped(s);
  // Drawn once, so that all are alike.
  const drawn = clear(s, one, s.palette.groundHex, inks, 1);
  const row = (n: number, y: number): Layer[] =>
    Array.from({ length: n }, (_, i) => scaled(drawn, 1, x + width / 2 + (i - (n - 1) / 2) * d * 0.86 - 50, y - 50)).flat();
  const heap = [...row(2, rim - 0.72 * d), ...row(3, rim - 0.12 * d)];
  // They lie before its back, with its handle, and behind its front.
  const front = clipped(vessel, box(v.x - 2, rim + 1, v.width + 4, v.height));
  return fitLayers([...finished(s, vessel), ...heap, ...clear(s, front, s.palette.groundHex, s.palette.inks, 1.4)], 90);
}; // prettier-ignore

/** A before B, which stands in the distance on the same ground: several of B at both sides, one of it off the middle. */
export const distant: Pair = (s, a, b) => {
  const asked = askedFor(s, b);
  const isWide = (asked?.count ?? 1) > 1 || boundsOf(outlineOf(b)).width > 1.5 * boundsOf(outlineOf(b)).height;
  const land = placed(b, { cx: 50, cy: 46, side: isWide ? 98 : 72, fill: 1 });
  const l = boundsOf(outlineOf(land));
  const foot = l.y + l.height;
  const one = placed(a, { cx: 50, cy: 50, side: isWide ? 54 : 58, fill: 0.85 });
  const far = isWide ? land : movedFigure(land, [1, 0, 0, 1, 12, 0]);
  const near = standing(one, isWide ? 50 : 36, foot + 6);
  return [
    ...finished(s, far, s.palette.groundHex, swapped(s)),
    ...clear(s, near, s.palette.groundHex, s.palette.inks, 1.8),
  ];
};

/** A swims below B, which floats on the water over it. */
export const underKeel: Pair = (s, a, b) => {
  const boat = placed(b, { cx: 50, cy: 50, side: 34, fill: 0.9 });
  const w = boundsOf(outlineOf(boat));
  const floats = movedFigure(boat, [1, 0, 0, 1, 0, 30 - (w.y + w.height)]);
  const deep = placed(a, { cx: 50, cy: 50, side: 74, fill: 0.9 });
  const d = boundsOf(outlineOf(deep));
  const below = movedFigure(deep, [1, 0, 0, 1, 0, 38 - d.y]);
  const inks = swapped(s);
  return [
    ...finished(s, floats, s.palette.groundHex, inks),
    ...solid(s, subtract(stroked([waveLine(6, 94, 31, 1.8, 18)], 2.6, false), grown(intersect(outlineOf(floats), box(-50, -50, 200, 78.5)), 1)), inks[0]),
    ...finished(s, below),
  ];
}; // prettier-ignore

/** A over two lines of water as wide as it is. */
export const overWater: Pair = (s, a) => {
  const high = placed(a, { cx: 50, cy: 38, side: 72, fill: 0.95 });
  const h = boundsOf(outlineOf(high));
  const foot = h.y + h.height;
  const half = Math.max(30, Math.min(46, 0.56 * h.width));
  const waves = [waveLine(50 - half, 50 + half, foot + 7, 1.8, 18), waveLine(50 - 0.8 * half, 50 + 0.8 * half, foot + 16, 1.8, 18)]; // prettier-ignore
  return [...finished(s, high), ...solid(s, stroked(waves, 3, false), swapped(s)[0])];
};

/** B looks out of a pouch before the belly of A. */
export const pouched: Pair = (s, a, b) => {
  const who = placed(uprightOf(s, a, 'standing') ?? a, { cx: 50, cy: 50, side: 88, fill: 0.9 });
  const w = boundsOf(outlineOf(who));
  const belly = boundsOf(partsNamed(who, 'belly'));
  const [cx, cy, rx] = belly.width > 0 ? [belly.x + belly.width / 2, belly.y + 0.62 * belly.height, 0.66 * belly.width] : [50, w.y + 0.7 * w.height, 0.2 * w.width]; // prettier-ignore
  const pouch = intersect(moved(disc(0, 0, 1, 60), [rx, 0, 0, 1.05 * rx, cx, cy]), box(-100, cy, 300, 200));
  const one = placed(b, { cx: 50, cy: 50, side: 1.9 * rx, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const up = movedFigure(one, [1, 0, 0, 1, cx - (o.x + o.width / 2), cy + 0.3 * o.height - (o.y + o.height)]);
  const seen = clipped(up, box(-100, -100, 300, 100 + cy + 2));
  const [ink] = s.palette.inks;
  return [
    ...finished(s, without(who, grown(pouch, 1.4))),
    ...clear(s, seen, s.palette.groundHex, swapped(s), 1.4),
    ...solid(s, pouch, ink),
  ];
};

/** A floats on what fills B, its foot below the rim. */
export const floating: Pair = (s, a, b) => {
  const cup = placed(withoutSteam(b), { cx: 50, cy: 66, side: 66, fill: 0.9 });
  const c = boundsOf(outlineOf(cup));
  const rim = boundsOf(intersect(outlineOf(cup), box(c.x - 1, c.y - 1, c.width + 2, 4)));
  const one = placed(a, { cx: 50, cy: 50, side: 0.92 * rim.width, fill: 1 });
  const o = boundsOf(outlineOf(one));
  const set = standing(one, rim.x + rim.width / 2, c.y + 0.16 * o.height);
  const seen = clipped(set, box(-200, -200, 500, 200 + c.y + 3));
  return fitLayers([...finished(s, seen, s.palette.groundHex, swapped(s)), ...clear(s, cup, s.palette.groundHex, s.palette.inks, 1.4)], 90); // prettier-ignore
};

/** A in the middle of rings on water, which are seen from the side. */
export const rippled: Pair = (s, a) => {
  const stone = a.name === 'rock' ? ownDrawing('pebble', s.knobs) : a;
  const one = placed(stone, { cx: 50, cy: 44, side: 44, fill: 0.95 });
  const o = boundsOf(outlineOf(one));
  const y = o.y + 0.9 * o.height;
  const ring = (r: number): Area => subtract(moved(disc(0, 0, 1, 120), [r, 0, 0, 0.3 * r, 50, y]), moved(disc(0, 0, 1, 120), [r - 2.4, 0, 0, 0.3 * r - 2.4, 50, y]));
  const inks = swapped(s);
  return fitLayers([...form(s, union(...[28, 38, 48].map(ring)), inks[0]), ...clear(s, one, s.palette.groundHex, s.palette.inks, 2.4)], 92);
}; // prettier-ignore

/** Two A, crossed, stick up from B, which is round. */
export const stuckCrossed: Pair = (s, a, b) => {
  const ball = placed(b, { cx: 50, cy: 66, side: 62, fill: 1 });
  const o = boundsOf(outlineOf(ball));
  const one = placed(upright(thingFor(s, { drawn: a.name, colours: [] }) ?? a), { cx: 50, cy: 50, side: 78, fill: 1 });
  const needles = [-0.5, 0.5].map((rad) => movedFigure(turnedAt(one, rad), [1, 0, 0, 1, o.x + o.width / 2 - 50, o.y + 0.2 * o.height - 50]));
  return fitLayers([...needles.flatMap((f) => clear(s, f, s.palette.groundHex, s.palette.inks, 1)), ...clear(s, ball, s.palette.groundHex, swapped(s), 1.6)], 92);
}; // prettier-ignore

/** A alone, whose drawings show what it hangs or sits on. */
export const onOwnBranch: Single = (s, a) => finished(s, placed(a, { cx: 50, cy: 50, side: 88, fill: 0.95 }));
