/** Arrangements in which something is over the other, thrown up, shining, held up by two, or falls from it. */
import { mix } from '../colour';
import { boundsOf, box, disc } from './area';
import { PLAIN_STROKE, areaFrom, grown, intersect, parsePath, runsFrom, strokeArea, stroked, subtract, union, type Area } from '../path'; // prettier-ignore
import { builtDrawings, isSeenAside } from './built';
import { onField, recoloured } from './field';
import {
  mirroredFigure,
  isLong,
  movedFigure,
  openedTo,
  outlineOf,
  clipped,
  lookingRight,
  placed,
  silhouetteOf,
  standing,
  topAt,
  turnedAt,
  upright,
  withoutSteam,
  type Figure,
} from './figure';
import { fitLayers } from './layer';
import { handOf, askedFor, fannedOut, isBundle, severalAsOne, swapped, uprightOf, type Pair } from './pairings';
import { waveLine } from './marks';
import type { Single } from './single';
import { banned, clear, finished, solid, form } from './stage';
import { symmetryOf } from './symmetry';

/** A throws B up, or has it in many arms: several of it in an arc over it. */
export const juggled =
  (count = 4): Pair =>
  (s, a, b) => {
    const n = Math.max(4, Math.min(8, count));
    const one = placed(uprightOf(s, a, 'jumping') ?? a, { cx: 50, cy: 64, side: 62, fill: 0.9 });
    const o = boundsOf(outlineOf(one));
    const [cx, cy] = [o.x + o.width / 2, o.y + 0.42 * o.height];
    const r = Math.max(o.width * 0.62, 0.42 * o.height + 13);
    const reach = n > 4 ? 1.9 : 1.05;
    const balls = Array.from({ length: n }, (_, i) => -reach + (2 * reach * i) / (n - 1)).map((t) =>
      placed(b, { cx: cx + r * Math.sin(t), cy: cy - r * Math.cos(t), side: 17, fill: 0.95 }),
    );
    return fitLayers([...finished(s, one), ...balls.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1.2))], 94); // prettier-ignore
  };

/** A holds B, which is broad and heavy, up over its head in both hands. */
export const lifted: Pair = (s, a, b) => {
  const one = placed(uprightOf(s, a, 'jumping') ?? a, { cx: 50, cy: 62, side: 66, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const lying = boundsOf(outlineOf(b));
  const flat = isLong(b) && lying.height > 0.8 * lying.width ? turnedAt(upright(b), Math.PI / 2) : b;
  const thing = placed(flat, { cx: 50, cy: 50, side: 1.45 * o.width, fill: 0.95 });
  return fitLayers([...finished(s, standing(thing, o.x + o.width / 2, o.y + 2), s.palette.groundHex, swapped(s)), ...clear(s, one, s.palette.groundHex, s.palette.inks, 1.4)], 92); // prettier-ignore
};

/** A throws B up, and looks to catch it. */
export const tossed: Pair = (s, a, b) => {
  const one = placed(uprightOf(s, a, 'jumping') ?? a, { cx: 50, cy: 66, side: 66, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const thing = placed(b, { cx: 50, cy: 50, side: 30, fill: 0.9 });
  return [...finished(s, one), ...clear(s, standing(thing, o.x + o.width / 2, o.y - 3), s.palette.groundHex, swapped(s), 1)]; // prettier-ignore
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

/** A, and B, which shines, smaller over it: over its middle where it is the same on both sides, else over where it looks. */
export const underSky: Pair = (s, a, b) => {
  const one = placed(a, { cx: 50, cy: 62, side: 72, fill: 0.8 });
  const o = boundsOf(outlineOf(one));
  const side = symmetryOf(one) > 0.87 ? 0 : (one.facing ?? 1);
  const body = placed(b, { cx: 50 + 0.3 * side * o.width, cy: 20, side: 28, fill: 0.95 });
  const q = boundsOf(outlineOf(body));
  const top = topAt(one, q.x, q.x + q.width) ?? o.y;
  return [
    ...finished(s, movedFigure(body, [1, 0, 0, 1, 0, Math.min(0, top - 4 - (q.y + q.height))]), s.palette.groundHex, swapped(s)),
    ...finished(s, one),
  ];
}; // prettier-ignore

/** A by night: light on a dark disc, B small and bright over it. */
export const byNight: Pair = (s, a, b) => {
  const [field] = s.palette.inks;
  const layers = underSky(recoloured(s, field, onField(s, field)), a, b);
  return [...form(s, disc(50, 50, 46, 200), field), ...fitLayers(layers, 62)];
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

/** Two of A, open hands, with B between and over them. */
export const twoHands: Pair = (s, a, b) => {
  const right = [
    { tone: 0, area: areaFrom(parsePath('M50.9 98C68 98 83 84 93.4 56.6C95.4 51.4 90.2 48.8 87.4 53.4C82 62 76 67 69 71C67 65 67.4 59.6 68.6 54C69.8 48.6 63.6 47.4 62 52.6C59 62.4 56 72 50.9 78Z')) },
    { tone: 1, area: union(...['M89.6 62C84.6 68.6 79 73.6 72.4 77.2', 'M86 69.6C81.6 75.4 76.6 79.8 71 82.8', 'M69 71C67.6 73.4 65.4 75.8 62.6 77.6'].map((d) => strokeArea(parsePath(d, { close: false }), { ...PLAIN_STROKE, widthPx: 1.5, cap: 'round' }, 0.05))) },
  ];
  const one: Figure = { name: a.name, tones: [0.62, 0.3], parts: right, isBuilt: true };
  const both = { ...one, parts: [...mirroredFigure(one).parts, ...right] };
  const thing = placed(upright(b), { cx: 50, cy: 40, side: 48, fill: 0.85 });
  return fitLayers([
    ...finished(s, standing(thing, 50, 64), s.palette.groundHex, swapped(s)),
    ...clear(s, both, s.palette.groundHex, s.palette.inks, 1.4),
  ], 90);
}; // prettier-ignore

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

/** B hangs on a cord over A, which is below it. */
export const underHung: Pair = (s, a, b) => {
  const one = placed(a, { cx: 50, cy: 50, side: 64, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const lamp = placed(b, { cx: 50, cy: 50, side: 38, fill: 1 });
  const l = boundsOf(outlineOf(lamp));
  const put = movedFigure(lamp, [1, 0, 0, 1, 50 - l.x - l.width / 2, 16 - l.y]);
  const low = movedFigure(one, [1, 0, 0, 1, 50 - o.x - o.width / 2, 16 + l.height + 5 - o.y]);
  const inks = swapped(s);
  return fitLayers([...solid(s, box(49, -2, 2, 20), inks[0]), ...finished(s, put, s.palette.groundHex, inks), ...finished(s, low)], 92);
}; // prettier-ignore

/** Six B fall on A from above, each a little turned. */
export const rainedOn: Pair = (s, a, b) => {
  const roof = placed(a, { cx: 50, cy: 68, side: 66, fill: 1 });
  const r = boundsOf(outlineOf(roof));
  const one = placed(isLong(b) ? turnedAt(upright(b), Math.PI) : b, { cx: 50, cy: 50, side: 17, fill: 1 });
  const spots = [[-0.4, -30], [0, -34], [0.4, -30], [-0.22, -13], [0.2, -14], [0.56, -10]] as const;
  const falling = spots.map(([u, dy], i) => movedFigure(turnedAt(one, 0.5 - 0.22 * i), [1, 0, 0, 1, r.x + (0.5 + u) * r.width - 50, r.y + dy - 50]));
  return fitLayers([...finished(s, roof), ...falling.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1))], 92);
}; // prettier-ignore

/** A hangs by five lines under a canopy. */
export const dangling: Pair = (s, a) => {
  const [left, right, rim, top] = [8, 92, 40, 4];
  const dome = areaFrom(parsePath(`M${left} ${rim}C${left} ${top - 8} ${right} ${top - 8} ${right} ${rim}C84 34 78 34 71 ${rim}C65 34 57 34 50 ${rim}C43 34 35 34 29 ${rim}C22 34 16 34 ${left} ${rim}Z`));
  const gore = areaFrom(parsePath(`M29 ${rim}C29 20 40 8 50 6C60 8 71 20 71 ${rim}C65 34 57 34 50 ${rim}C43 34 35 34 29 ${rim}Z`));
  const one = placed(a, { cx: 50, cy: 50, side: 42, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const put = movedFigure(one, [1, 0, 0, 1, 50 - o.x - o.width / 2, 62 - o.y]);
  const cords = stroked([left + 1, 29, 50, 71, right - 1].map((x) => [x, rim - 2, 50, 68]), 1.8, false);
  const inks = swapped(s);
  const canopy: Figure = { name: 'parachute', tones: [0.35, 0.85], parts: [{ tone: 0, area: dome }, { tone: 1, area: gore }], isBuilt: true };
  return fitLayers([...solid(s, cords, s.palette.inks[0]), ...finished(s, canopy, s.palette.groundHex, inks), ...clear(s, put, s.palette.groundHex, s.palette.inks, 1.4)], 92);
}; // prettier-ignore

/** A, which flows, falls in strands from the lower edge of B to a pool. */
export const fallingFrom: Pair = (s, a, b) => {
  const source = placed(b, { cx: 50, cy: 26, side: 62, fill: 0.85 });
  const o = boundsOf(outlineOf(source));
  const [cx, top, foot] = [o.x + o.width / 2, o.y + o.height - 3, 90];
  const half = 0.28 * o.width;
  const strand = (u: number, wide: number, low: number): Area => stroked([[cx + u * half, top, cx + u * half, low]], wide, false);
  const strands = [[-0.82, 5, 84], [-0.42, 6.4, foot], [0, 7, foot + 2], [0.42, 6.4, foot], [0.82, 5, 84]] as const;
  const pool = stroked([0, 1].map((k) => Array.from({ length: 33 }, (_, i) => [cx - 32 + 4 * k + (2 - 0.25 * k) * i, foot + 2 + 6 * k + 1.4 * Math.sin(i * 0.8 + k)]).flat()), 2.8, false);
  const falls: Figure = { name: a.name, tones: [0.5], parts: [{ tone: 0, area: union(...strands.map(([u, wide, low]) => strand(u, wide, low)), pool) }], isBuilt: true };
  return fitLayers([...finished(s, falls), ...clear(s, source, s.palette.groundHex, swapped(s), 1.4)], 92);
}; // prettier-ignore

/** Two, seen as one, with B between them, which is both of theirs. */
export const sharing: Pair = (s, a, b) => {
  const both = placed(a, { cx: 50, cy: 48, side: 92, fill: 1 });
  const o = boundsOf(outlineOf(both));
  const one = placed(b, { cx: o.x + o.width / 2, cy: 50, side: 0.3 * o.width, fill: 1 });
  return fitLayers([...finished(s, both), ...clear(s, standing(one, o.x + o.width / 2, o.y + 0.96 * o.height), s.palette.groundHex, swapped(s), 1.6)], 92);
}; // prettier-ignore

/** A leans, and one stream falls from its spout into water, broader the lower it is. */
export const streaming: Pair = (s, a, b) => {
  const side = a.facing ?? 1;
  const pot = placed(turnedAt(withoutSteam(a), side * 0.5), { cx: 50 - side * 12, cy: 32, side: 60, fill: 0.9 });
  const p = boundsOf(outlineOf(pot));
  const end = side > 0 ? p.x + p.width : p.x;
  const mouth = boundsOf(intersect(outlineOf(pot), box(side > 0 ? end - 4 : end - 1, p.y, 5, p.height)));
  const [x, y] = [end - side * 1.5, mouth.y + 0.6 * mouth.height];
  const at = (dx: number, py: number): string => `${x + side * dx} ${py}`;
  const fall = areaFrom(parsePath(`M${at(-2, y)}C${at(7, y - 1)} ${at(9, y + 16)} ${at(8, 84)}L${at(22, 84)}C${at(22, y + 10)} ${at(16, y - 8)} ${at(-2, y - 3.4)}Z`)); // prettier-ignore
  const lines = stroked([[x + side * 11.5, 0.5 * (y + 84), x + side * 11.5, 82], [x + side * 17, 0.4 * y + 0.6 * 84, x + side * 17, 80]], 1.6, false); // prettier-ignore
  const pool = [0, 1, 2].map((i) =>
    waveLine(x + side * 15 - 34 + 4 * i, x + side * 15 + 34 - 4 * i, 86 + 5.4 * i, 1.5, 16, i),
  );
  const inks = swapped(s);
  // A rainbow runs out in bands, and makes no pool.
  if (b.name === 'rainbow') {
    const band = (i: number): Area => stroked(runsFrom(parsePath(`M${at(-2, y - 3 + 3 * i)}C${at(16 - 6 * i, y - 6 + 5 * i)} ${at(26 - 7 * i, y + 14)} ${at(26 - 7 * i, 88)}`, { close: false })), 5.4, false); // prettier-ignore
    const hues = [...new Set([...s.palette.inks, inks[0]])];
    return fitLayers([...[0, 1, 2].flatMap((i) => solid(s, subtract(band(i), i < 2 ? grown(band(i + 1), 1) : []), hues[(i + 1) % hues.length])), ...finished(s, pot)], 92); // prettier-ignore
  }
  return fitLayers([...finished(s, pot), ...solid(s, subtract(union(fall, stroked(pool, 3, false)), lines), inks[0])], 92); // prettier-ignore
};

/** B flies off A: four of it in a rising curve, the further the larger. */
export const scattering: Pair = (s, a, b) => {
  const one = placed(a, { cx: 34, cy: 64, side: 62, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const x = o.x + 0.6 * o.width;
  const side = builtDrawings(b.name, { pose: 'flying' }, s.knobs)[0]?.();
  const flying = side ? { ...side, name: b.name } : b;
  const flock = [[5, -5, 12], [21, -17, 15], [36, -35, 19], [53, -48, 23]].map(([dx, dy, size]) => placed(flying, { cx: x + dx, cy: o.y + 10 + dy, side: size, fill: 1 })); // prettier-ignore
  return fitLayers([...finished(s, one), ...flock.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1))], 92);
};

/** B falls from A, a cloud: five of it in two rows. */
export const rainingDown: Pair = (s, a, b) => {
  const cloud = placed(a, { cx: 50, cy: 28, side: 66, fill: 0.9 });
  const c = boundsOf(outlineOf(cloud));
  const foot = c.y + c.height;
  const spots = [[-0.3, 10], [0, 14], [0.3, 10], [-0.15, 27], [0.15, 27]] as const; // prettier-ignore
  const drops = spots.map(([dx, dy]) =>
    placed(b, { cx: c.x + c.width * (0.5 + dx), cy: foot + dy, side: 13, fill: 1 }),
  );
  return [...finished(s, cloud), ...drops.flatMap((f) => finished(s, f, s.palette.groundHex, swapped(s)))];
};

/** A over B, tied to it by a thread. */
export const tethered: Pair = (s, a, b) => {
  const low = placed(b, { cx: 50, cy: 78, side: 40, fill: 0.9 });
  const high = placed(upright(a), { cx: 50, cy: 28, side: 48, fill: 0.9 });
  const [l, h] = [low, high].map((f) => boundsOf(outlineOf(f)));
  const [first] = s.palette.inks;
  const thread = stroked([[h.x + h.width / 2, h.y + h.height - 2, 48, (h.y + h.height + l.y) / 2, l.x + l.width / 2, l.y + 3]], 1.5, false); // prettier-ignore
  return [...solid(s, thread, first), ...finished(s, low, s.palette.groundHex, swapped(s)), ...finished(s, high)];
};

/** B in the sky at the end of a string that A, upright, has in its raised hand. */
export const flown: Pair = (s, a, b) => {
  const one = placed(uprightOf(s, a, 'waving') ?? a, { cx: 32, cy: 62, side: 68, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const kite = placed(b, { cx: 78, cy: 24, side: 40, fill: 0.9 });
  const k = boundsOf(outlineOf(kite));
  // The raised hand is what reaches out furthest, in the upper part.
  const side = boundsOf(intersect(outlineOf(one), box(o.x + 0.8 * o.width, o.y, o.width, 0.75 * o.height)));
  const hand = side.width > 0 ? [side.x + side.width - 2.4, side.y + 3] : [o.x + o.width, o.y + 0.4 * o.height];
  const foot = [k.x + 0.36 * k.width, k.y + 0.9 * k.height];
  const sag = [(hand[0] + foot[0]) / 2 + 4, (hand[1] + foot[1]) / 2 + 5];
  const thread = runsFrom(
    parsePath(`M${hand[0]} ${hand[1]}Q${sag[0]} ${sag[1]} ${foot[0]} ${foot[1]}`, { close: false }),
  );
  const layers = [
    ...finished(s, one),
    ...solid(s, stroked(thread, 1.5, false), s.palette.inks[0]),
    ...clear(s, kite, s.palette.groundHex, swapped(s), 1),
  ];
  return fitLayers(layers, 92);
};

/** A runs from B, which comes behind it on one line, both to the right. */
export const chased: Pair = (s, a, b) => {
  const [front, back] = [a, b].map((f) => {
    const run = builtDrawings(f.name, { pose: 'running' }, s.knobs)[0]?.() ?? f;
    return { ...run, name: f.name };
  });
  const ahead = placed(front, { cx: 74, cy: 50, side: 42, fill: 0.8 });
  const after = placed(back, { cx: 26, cy: 50, side: 50, fill: 0.8 });
  const foot = boundsOf(outlineOf(after));
  const { width } = boundsOf(outlineOf(ahead));
  const level = standing(ahead, foot.x + foot.width + 4 + width / 2, foot.y + foot.height);
  return [...finished(s, after, s.palette.groundHex, swapped(s)), ...finished(s, level)];
};

/** A before a low sun, which is half under the line that it stands on; the lines below are of water or of land. */
export const byDusk: Single = (s, a) => {
  const line = 72;
  const [first] = s.palette.inks;
  const sun = intersect(disc(50, line - 6, 36, 160), box(-50, -100, 200, 100 + line));
  const one = placed(a, { cx: 50, cy: 50, side: 52, fill: 0.9 });
  const low = [
    [10, 90, line + 2],
    [20, 80, line + 9],
    [32, 68, line + 16],
  ].map(([from, to, y]) => [from, y, to, y]);
  return [
    ...form(s, sun, swapped(s)[0]),
    ...clear(s, standing(one, 50, line + 1), s.palette.groundHex, s.palette.inks, 1.6),
    ...form(s, stroked(low, 2.4, false), first),
  ];
};

/** A among clouds, of which B is one: a large one before its lower half, a small one behind it above. */
export const amongClouds: Pair = (s, a, b) => {
  const one = placed(lookingRight(a), { cx: 50, cy: 48, side: 76, fill: 0.95 });
  const o = boundsOf(outlineOf(one));
  const near = placed(b, { cx: o.x + 0.34 * o.width, cy: o.y + o.height, side: 0.56 * o.width, fill: 1 });
  const low = placed(b, { cx: o.x + 0.86 * o.width, cy: o.y + 0.9 * o.height, side: 0.36 * o.width, fill: 1 });
  const far = placed(b, { cx: o.x + 0.72 * o.width, cy: o.y + 0.02 * o.height, side: 0.42 * o.width, fill: 1 });
  const { groundHex, inks } = s.palette;
  return fitLayers([...finished(s, far, groundHex, swapped(s)), ...clear(s, one, groundHex, inks, 1.8), ...clear(s, low, groundHex, swapped(s), 1.6), ...clear(s, near, groundHex, swapped(s), 1.8)], 90); // prettier-ignore
};

/** A on a drift, flakes falling about it, in a round window. */
export const inSnow: Single = (s, a) => {
  const [first] = s.palette.inks;
  const window = disc(50, 50, 46, 200);
  const there = recoloured(s, first, onField(s, first));
  const one = standing(placed(a, { cx: 50, cy: 50, side: 56, fill: 0.9 }), 50, 78);
  const flakes = union(...[[22, 30, 2.2], [34, 16, 1.6], [50, 12, 2.2], [66, 18, 1.6], [78, 30, 2.2], [14, 48, 1.6], [86, 50, 1.6], [28, 44, 1.5], [73, 44, 1.6], [42, 24, 1.5], [60, 28, 1.5], [20, 62, 1.6], [82, 64, 2]].map(([x, y, r]) => disc(x, y, r, 24))); // prettier-ignore
  const drift = intersect(union(disc(28, 140, 66, 160), disc(82, 128, 53, 160)), window);
  return [
    ...form(s, subtract(window, drift), first),
    ...form(s, subtract(flakes, grown(silhouetteOf(one), 2)), s.palette.groundHex),
    ...clear(there, clipped(one, subtract(window, drift)), first, there.palette.inks, 1.4),
  ];
};

/** As many B as are asked for at the ends of strings that A has in its fist. */
export const strung: Pair = (s, a, b) => {
  const count = Math.max(2, Math.min(5, askedFor(s, b)?.count ?? 3));
  const fist = placed(handOf(s, a, 'fist'), { cx: 50, cy: 84, side: 34, fill: 0.9 });
  const one = placed(upright(b), { cx: 50, cy: 50, side: count > 3 ? 26 : 32, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  const all = fannedOut(one, { count, half: count > 2 ? 0.62 : 0.4, cx: 50, cy: 80, wide: 48, high: 54 });
  const strings = all.map((f) => {
    const q = boundsOf(outlineOf(f));
    const foot = boundsOf(intersect(outlineOf(f), box(q.x - 1, q.y + 0.9 * q.height, q.width + 2, q.height)));
    return [foot.x + foot.width / 2, q.y + q.height - 1.4, 50 + 0.2 * (foot.x + foot.width / 2 - 50), 0.4 * (q.y + o.height) + 46, 50, 82];
  });
  return fitLayers([...solid(s, stroked(strings, 1.4, false), s.palette.inks[0]), ...all.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1)), ...clear(s, fist, s.palette.groundHex, s.palette.inks, 1)], 92);
}; // prettier-ignore

/** B on a thread from the foremost tip of the upper half of A. */
export const onThread: Pair = (s, a, b) => {
  const high = placed(/moon|crescent/.test(a.name) ? openedTo(a, 0.2) : a, { cx: 46, cy: 44, side: 80, fill: 0.9 });
  const h = boundsOf(outlineOf(high));
  const upper = boundsOf(intersect(outlineOf(high), box(h.x, h.y, h.width, 0.45 * h.height)));
  const x = upper.x + upper.width - 2.4;
  const tip = boundsOf(intersect(outlineOf(high), box(x - 1.4, h.y, 2.8, 0.5 * h.height)));
  const y = tip.y + tip.height - 1;
  const one = placed(b, { cx: x, cy: 50, side: 24, fill: 1 });
  const o = boundsOf(outlineOf(one));
  const down = y + 0.3 * h.height;
  const inks = swapped(s);
  return fitLayers([...finished(s, high), ...solid(s, box(x - 0.7, y, 1.4, down - y + 2), inks[0]), ...clear(s, movedFigure(one, [1, 0, 0, 1, x - (o.x + o.width / 2), down - o.y]), s.palette.groundHex, inks, 1.2)], 90);
}; // prettier-ignore

/** A ribbon about what is bundled, with its two ends, about (50, 62). */
function band(b: Figure): Figure {
  const ends = union([[45, 64, 36, 82, 41, 80, 44, 85, 51, 66]], [[55, 64, 64, 82, 59, 80, 56, 85, 49, 66]]);
  const knot = grown(box(45.5, 58.5, 9, 7), 0.8);
  const dye = b.parts.find((p) => p.dye)?.dye;
  return { name: b.name, tones: [0.3, 0.5], parts: [{ tone: 1, area: ends, dye }, { tone: 0, area: union(grown(box(40.5, 59.5, 19, 5), 0.8), knot), dye }] }; // prettier-ignore
}

/** Several A side by side, spread from where B ties them. */
export const bundled: Pair = (s, a, b) => {
  const one = placed(upright(a), { cx: 50, cy: 50, side: 66, fill: 0.9 });
  const asked = askedFor(s, a);
  const count = asked && isBundle(asked) ? 5 : Math.max(3, Math.min(5, asked?.count ?? 3));
  const all = fannedOut(one, { count, half: 0.36, cx: 50, cy: 76, wide: 30, high: 30 });
  const order = [...all].sort((p, q) => Math.abs(boundsOf(outlineOf(q)).x + boundsOf(outlineOf(q)).width / 2 - 50) - Math.abs(boundsOf(outlineOf(p)).x + boundsOf(outlineOf(p)).width / 2 - 50));
  return fitLayers([...order.flatMap((f) => clear(s, f, s.palette.groundHex, s.palette.inks, 1)), ...clear(s, band(b), s.palette.groundHex, swapped(s), 1.4)], 90);
}; // prettier-ignore

/** The highest place of a figure, of its front half where it looks aside. */
function topOf(figure: Figure, isAside: boolean): { x: number; y: number } {
  const hull = outlineOf(figure);
  const h = boundsOf(hull);
  const front = isAside ? box(h.x + 0.5 * h.width, h.y - 1, 0.5 * h.width + 1, h.height) : box(h.x - 1, h.y - 1, h.width + 2, h.height); // prettier-ignore
  const { y } = boundsOf(intersect(hull, front));
  const tip = boundsOf(intersect(intersect(hull, front), box(h.x - 1, y - 1, h.width + 2, 3)));
  return { x: tip.x + tip.width / 2, y };
}

/** B on the nose of A, or on its head where it looks at us. */
export const balanced: Pair = (s, a, b) => {
  const isAside = isSeenAside(a.name) || a.name === 'seal' || a.name === 'sea lion';
  const big = placed(isAside ? lookingRight(a) : a, { cx: 50, cy: 62, side: 68, fill: 0.9 });
  const top = topOf(big, isAside);
  const one = placed(b, { cx: 50, cy: 50, side: 30, fill: 1 });
  return fitLayers([...finished(s, big), ...clear(s, standing(one, top.x, top.y - 0.6), s.palette.groundHex, swapped(s), 0)], 90); // prettier-ignore
};

/** A flag on a pole that stands on the highest place of A. */
export const flagged: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 60, side: 74, fill: 0.9 });
  const { x, y } = topOf(big, false);
  const cloth = areaFrom(parsePath(`M${x} ${y - 25}C${x + 7} ${y - 29} ${x + 13} ${y - 21} ${x + 21} ${y - 25}L${x + 21} ${y - 11}C${x + 13} ${y - 7} ${x + 7} ${y - 15} ${x} ${y - 11}Z`)); // prettier-ignore
  const dye = b.parts.find((p) => p.dye)?.dye;
  const flag: Figure = { name: b.name, tones: [0.3, 0.55], parts: [{ tone: 1, area: cloth, dye }, { tone: 0, area: box(x - 1.2, y - 27, 2.4, 30) }] }; // prettier-ignore
  return fitLayers([...finished(s, flag, s.palette.groundHex, swapped(s)), ...clear(s, big, s.palette.groundHex, s.palette.inks, 0.8)], 90); // prettier-ignore
};

/** B as a hot air balloon: what lifts it is B, its basket hangs under it. */
export const ballooned: Pair = (s, _, b) => {
  const lift = placed(upright(b), { cx: 50, cy: 38, side: 72, fill: 1 });
  const l = boundsOf(outlineOf(lift));
  const cx = l.x + l.width / 2;
  const foot = l.y + l.height;
  const wide = Math.max(14, Math.min(22, 0.3 * l.width));
  const top = foot + 11;
  const ropes = stroked([[cx - 0.3 * l.width, foot - 0.14 * l.height, cx - wide / 2 + 1, top + 1], [cx + 0.3 * l.width, foot - 0.14 * l.height, cx + wide / 2 - 1, top + 1]], 1.7, false); // prettier-ignore
  const basket: Area = [[cx - wide / 2, top, cx + wide / 2, top, cx + 0.4 * wide, top + 0.72 * wide, cx - 0.4 * wide, top + 0.72 * wide]]; // prettier-ignore
  const inks = swapped(s);
  return fitLayers([...solid(s, ropes, inks[0]), ...solid(s, basket, inks[0]), ...clear(s, lift, s.palette.groundHex, s.palette.inks, 1.2)], 92); // prettier-ignore
};

/** A in the light of a lamp that hangs over it. */
export const underLamp: Pair = (s, a) => {
  const shade = areaFrom(parsePath('M36 12C36 6 64 6 64 12L78 30L22 30Z'));
  const cord = box(48.8, -12, 2.4, 22);
  const glow = areaFrom(parsePath('M28 32L72 32L98 94L2 94Z'));
  const [, lightest = s.palette.inks[0]] = swapped(s);
  const one = standing(placed(a, { cx: 50, cy: 60, side: 54, fill: 0.9 }), 50, 92);
  return fitLayers([
    ...(banned(s, 'background', 'ground') ? [] : form(s, glow, mix(lightest, s.palette.groundHex, 0.6))),
    ...solid(s, union(shade, cord), swapped(s)[0]),
    ...clear(s, one, mix(lightest, s.palette.groundHex, 0.6), s.palette.inks, 1.4),
  ], 92);
}; // prettier-ignore

/** A with B behind it along the way it has come, the further off the smaller. */
export const leaving: Pair = (s, a, b) => {
  const one = placed(a, { cx: 70, cy: 30, side: 50, fill: 0.85 });
  const o = boundsOf(outlineOf(one));
  const [x, y] = [o.x + 0.1 * o.width, o.y + 0.9 * o.height];
  const steps = [0.08, 0.34, 0.57, 0.77, 0.93];
  const marks = steps.map((t, i) => {
    const [px, py] = [x - 62 * t, y + 34 * Math.sin(1.25 * t + 0.2) - 8 * t * t];
    return turnedAt(placed(b, { cx: px - 4, cy: py + 4, side: 17 - 2.4 * i, fill: 1 }), 0.2 - 0.1 * i);
  });
  const inks = swapped(s);
  return fitLayers([...marks.flatMap((m) => clear(s, m, s.palette.groundHex, inks, 0.6)), ...clear(s, one, s.palette.groundHex, s.palette.inks, 1.6)], 90);
}; // prettier-ignore
