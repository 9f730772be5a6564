/** Arrangements of two that tell what goes on between them: reflected, entwined, watered, shadowed, crossed behind. */
import { grown, areaFrom, intersect, moved, parsePath, sizeOf, stroked, subtract, union, type Area } from '../path';
import { boundsOf, box, disc } from './area';
import { buildFigure } from './build';
import { laidStraight } from './bent';
import { fitLayers, scaled, type Layer } from './layer';
import { builtDrawings, buildOf, toneApart } from './built';
import { type Stance } from './creature';
import {
  partsNamed,
  lookingRight,
  mirroredFigure,
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
import { isPlural } from '../prompt';
import { leafArea } from './marks';
import { emerging, handOf, asideOf, askedFor, severalAsOne, swapped, uprightOf, type Pair } from './pairings';
import { clear, finished, inkOf, type Stage, turnOf, solid, form } from './stage';

/** A over a line, and under it upside down, broken by strips as still water breaks it: what B is, a lake or a mirror. */
export const reflected: Pair = (s, a) => {
  const high = placed(a, { cx: 50, cy: 30, side: 72, fill: 0.9 });
  const b = boundsOf(outlineOf(high));
  const water = b.y + b.height + 1;
  const low = movedFigure(high, [1, 0, 0, -0.82, 0, 1.82 * water + 2.4]);
  const depth = 0.82 * b.height;
  const strips = [0.2, 0.42, 0.62, 0.8].map((at, i) => box(b.x - 20, water + 2 + at * depth, b.width + 40, 1.6 + 0.7 * i)); // prettier-ignore
  const [first] = s.palette.inks;
  const line = stroked([[b.x - 7, water + 1, b.x + b.width + 7, water + 1]], 1.7, false);
  return [
    ...finished(s, without(low, union(...strips)), s.palette.groundHex, swapped(s)),
    ...form(s, line, first),
    ...finished(s, high),
  ];
};

/** What climbs round another, and has leaves. */
export const TWINING = /^(?:rose|ivy|vine|flower|lily|leaf|leaves|branch|twig|hops|jasmine|thistle|olive|wheat|grapes|fern|herb|sprout|plant|tulip|daisy|sunflower|lotus|poppy|clover|oak leaf|maple leaf|holly|cherry blossom|grapevine|rope|ribbon)$/; // prettier-ignore
const LEAFLESS = /^(?:rope|ribbon)$/;
export const SERPENTS = /^(?:snake|cobra|serpent)$/;

/** A snake's head from above, its tongue out, looking to the right. */
function snakeHead(x: number, y: number): Figure {
  const at = (data: string): Area => moved(areaFrom(parsePath(data)), [1, 0, 0, 1, x, y]);
  const tongue = stroked(
    [
      [x + 10, y - 2, x + 16, y - 3, x + 20, y - 6],
      [x + 16, y - 3, x + 20.5, y - 1],
    ],
    1.4,
    false,
  );
  const skull = at('M-6 4C-7 -4 -2 -8 4 -8C10 -8 13 -4 12 -1C10 4 4 6 -2 6Z');
  const eye = at('M3 -5.4C5 -6.4 7 -5 6.4 -3.4C5 -2.4 3 -3.4 3 -5.4Z');
  return {
    name: 'snake',
    tones: [0.4],
    parts: [{ tone: 0, area: union(subtract(skull, eye), tongue) }],
    isBuilt: true,
  };
}

/** B winds up round A: behind it where it goes one way, before it where it goes back. Its flower is at the top. */
export const entwined: Pair = (s, a, b) => {
  const pole = placed(upright(a), { cx: 50, cy: 52, side: 86, fill: 0.9 });
  const p = boundsOf(outlineOf(pole));
  const narrow = boundsOf(intersect(outlineOf(pole), box(p.x - 1, p.y + p.height * 0.4, p.width + 2, p.height * 0.2)));
  const cx = narrow.width > 0 ? narrow.x + narrow.width / 2 : 50;
  const amp = Math.max(10, Math.min(17, narrow.width / 2 + 7));
  const turns = 2.5;
  const at = (u: number): [number, number] => [cx + amp * Math.cos(2 * Math.PI * turns * u), p.y + p.height * (0.94 - 0.82 * u)]; // prettier-ignore
  const isSnake = SERPENTS.test(b.name);
  const isRope = isSnake || LEAFLESS.test(b.name);
  const weight = isSnake ? 7 : isRope ? 4.4 : 3;
  // Between one turning point and the next it goes over, then under.
  const pieces = Array.from({ length: 2 * turns }, (_, k) => {
    const run = Array.from({ length: 21 }, (_, i) => at((k + i / 20) / (2 * turns)));
    return { isFront: k % 2 === 0, area: stroked([run.flat()], weight, false) };
  });
  const leaves = isRope ? [] : Array.from({ length: 2 * turns - 1 }, (_, k) => {
    const [x, y] = at((k + 1) / (2 * turns));
    const side = x > cx ? 1 : -1;
    return union(leafArea(x, y, side > 0 ? -0.5 : Math.PI + 0.5, 12, 6.4), leafArea(x, y, side > 0 ? 0.7 : Math.PI - 0.7, 10, 5.4));
  }); // prettier-ignore
  const stem = (area: Area): Figure => ({ name: 'vine', tones: [0.4], parts: [{ tone: 0, area }], isBuilt: true });
  const inks = swapped(s);
  const back = pieces.filter((q) => !q.isFront).map((q) => q.area);
  const front = pieces.filter((q) => q.isFront).map((q) => q.area);
  const [hx, hy] = at(1);
  const head = isSnake ? snakeHead(hx, hy) : isRope ? null : placed(b, { cx: hx, cy: hy - 6, side: 34, fill: 0.9 });
  return [
    ...finished(s, stem(union(...back, ...leaves)), s.palette.groundHex, inks),
    ...clear(s, pole, s.palette.groundHex, s.palette.inks, 1.2),
    ...clear(s, stem(union(...front)), s.palette.groundHex, inks, 1.2),
    ...(head ? clear(s, head, s.palette.groundHex, inks, 1.4) : []),
  ];
};

/** A pours from a watering can over B, which grows at its foot. */
export const watered: Pair = (s, a, b) => {
  // Of a hand that waters, the can is what it has hold of.
  const isHand = a.name === 'hand';
  const who = placed(isHand ? turnedAt(handOf(s, a, 'fist'), 1.2) : (uprightOf(s, a, 'standing') ?? a), isHand ? { cx: 24, cy: 36, side: 36, fill: 0.9 } : { cx: 30, cy: 50, side: 74, fill: 0.8 }); // prettier-ignore
  const w = boundsOf(outlineOf(who));
  const foot = w.y + w.height;
  const can = placed(turnedAt(buildFigure('watering can', { ...s, idea: 0, leeway: 20, pose: null, expression: null, modifiers: [] }), 0.42), { cx: w.x + w.width + 4, cy: w.y + w.height * 0.52, side: 31, fill: 0.9 }); // prettier-ignore
  const c = boundsOf(outlineOf(can));
  const plant = placed(b, { cx: 50, cy: 50, side: 32, fill: 0.9 });
  const q = boundsOf(outlineOf(plant));
  const x = c.x + c.width + 1;
  const grows = movedFigure(plant, [1, 0, 0, 1, x + 3 - (q.x + q.width / 2), foot - (q.y + q.height)]);
  const top = foot - q.height;
  const drops = [0, 1, 2].map((i) => moved(areaFrom(parsePath('M0 -3C1.6 -0.6 2 0.4 2 1.2C2 2.4 1.1 3 0 3C-1.1 3 -2 2.4 -2 1.2C-2 0.4 -1.6 -0.6 0 -3Z')), [1, 0, 0, 1, x + 2 * i - 1, c.y + c.height * 0.62 + (i + 0.4) * Math.max(4, (top - c.y - c.height * 0.62) / 3)])); // prettier-ignore
  const inks = swapped(s);
  return [
    ...finished(s, who),
    ...finished(s, grows, s.palette.groundHex, inks),
    ...clear(s, can, s.palette.groundHex, inks, 1.6),
    ...solid(s, union(...drops), inks[0]),
  ];
};

/** B as the shadow that A casts: behind it, from its foot, much larger. */
export const shadowed: Pair = (s, a, b) => {
  // What casts one is seen from the side, and whole.
  const [who, what] = [a, b].map((f) => builtDrawings(f.name, { pose: s.idea % 2 ? 'standing' : 'sitting' }, s.knobs)[0]?.() ?? f); // prettier-ignore
  const small = placed(who, { cx: 34, cy: 60, side: 48, fill: 0.9 });
  const sb = boundsOf(outlineOf(small));
  const large = placed(what, { cx: 58, cy: 44, side: 86, fill: 0.9 });
  const lb = boundsOf(outlineOf(large));
  const shade = movedFigure(large, [1, 0, -0.12, 1, 0.12 * lb.y, sb.y + sb.height - (lb.y + lb.height)]);
  const inks = swapped(s);
  return [
    ...solid(s, silhouetteOf(shade), inkOf(s, b, inks[0])),
    ...clear(s, small, s.palette.groundHex, s.palette.inks, 2),
  ];
};

/** B, two that cross, behind A, reaching out on all sides. */
export const crossedBehind: Pair = (s, a, b) => {
  const big = placed(b, { cx: 50, cy: 50, side: 96, fill: 1 });
  const small = placed(a, { cx: 50, cy: 50, side: 58, fill: 0.9 });
  return [
    ...finished(s, big, s.palette.groundHex, swapped(s)),
    ...clear(s, small, s.palette.groundHex, s.palette.inks, 2.4),
  ];
};

/** A flies with B in its claws. */
export const inClaws: Pair = (s, a, b) => {
  // The first drawing of a bird of prey shows it whole, its wings spread.
  const flying = buildFigure(a.name, { ...s, idea: 0, pose: a.name === 'eagle' ? null : 'flying', expression: null, modifiers: [] }); // prettier-ignore
  const bird = placed(flying, { cx: 50, cy: 38, side: 78, fill: 0.9 });
  const f = boundsOf(outlineOf(bird));
  const small = placed(b, { cx: 50, cy: 50, side: 38, fill: 0.8 });
  const q = boundsOf(outlineOf(small));
  // The feet are at the lowest of it.
  const low = boundsOf(intersect(outlineOf(bird), box(f.x, f.y + f.height * 0.84, f.width, f.height * 0.2)));
  const map = [1, 0, 0, 1, low.x + low.width / 2 - (q.x + q.width / 2), f.y + f.height - 3 - q.y] as const;
  return [...finished(s, movedFigure(small, map), s.palette.groundHex, swapped(s)), ...clear(s, bird, s.palette.groundHex, s.palette.inks, 1.4)]; // prettier-ignore
};

/** A in the open middle of B, which goes round it. */
export const framed: Pair = (s, a, b) => {
  const frame = placed(b, { cx: 50, cy: 50, side: 90, fill: 1 });
  const f = boundsOf(outlineOf(frame));
  const [cx, cy] = [f.x + f.width / 2, f.y + f.height / 2];
  const r = 0.36 * Math.min(f.width, f.height);
  const open = disc(cx, cy, r, 120);
  return [
    ...finished(s, without(frame, open), s.palette.groundHex, swapped(s)),
    ...clear(s, placed(a, { cx, cy: cy + 0.06 * r, side: 1.62 * r, fill: 0.9 }), s.palette.groundHex, s.palette.inks, 1.2), // prettier-ignore
  ];
};

/** A fist about the shaft of B, which slants up out of it. */
export const inFist: Pair = (s, a, b) => {
  const fist = placed(handOf(s, a, 'fist'), { cx: 50, cy: 70, side: 52, fill: 0.9 }); // prettier-ignore
  const h = boundsOf(outlineOf(fist));
  // What writes and sweeps is drawn with that end down, and held up to be seen.
  const isDown = /brush|pen|pencil|quill|broom/.test(b.name);
  const tool = placed(turnedAt(upright(b), isDown ? Math.PI + 0.42 : 0.42), { cx: h.x + h.width * 0.62, cy: h.y + h.height * 0.02, side: 82, fill: 0.9 }); // prettier-ignore
  return [
    ...finished(s, tool, s.palette.groundHex, swapped(s)),
    ...clear(s, fist, s.palette.groundHex, s.palette.inks, 1.4),
  ];
};

/** A has B, which hangs or winds, drawn straight through its fist. */
export const gripping: Pair = (s, a, b) => {
  const fist = placed(handOf(s, a, 'fist'), { cx: 50, cy: 60, side: 58, fill: 0.9 });
  const h = boundsOf(outlineOf(fist));
  const straight = laidStraight(b) ?? upright(b);
  const line = placed(turnedAt(straight, Math.PI / 2 - 0.12), { cx: h.x + 0.5 * h.width, cy: h.y + 0.3 * h.height, side: 100, fill: 1 }); // prettier-ignore
  return fitLayers([...finished(s, line, s.palette.groundHex, swapped(s)), ...clear(s, fist, s.palette.groundHex, s.palette.inks, 1.4)], 92); // prettier-ignore
};

/** A, a hand from above, presses the earth about B, which grows from a heap of it. */
export const planted: Pair = (s, a, b) => {
  const sprout = placed(upright(b), { cx: 42, cy: 40, side: 62, fill: 0.95 });
  const o = boundsOf(outlineOf(sprout));
  const foot = o.y + o.height;
  const heap = areaFrom(parsePath(`M4 ${foot + 14}C14 ${foot - 2} 28 ${foot - 9} 42 ${foot - 9}C56 ${foot - 9} 70 ${foot - 2} 80 ${foot + 14}Z`)); // prettier-ignore
  // Palm down, its fingers at the foot of the stem.
  const hand = placed(movedFigure(handOf(s, a, 'cupped hand'), [1, 0, 0, -1, 0, 100]), { cx: 50, cy: 50, side: 62, fill: 0.95 }); // prettier-ignore
  const h = boundsOf(outlineOf(hand));
  const put = movedFigure(hand, [1, 0, 0, 1, 45 - h.x, foot - 8 - h.y - 0.9 * h.height]);
  const inks = swapped(s);
  return fitLayers([...finished(s, sprout, s.palette.groundHex, inks), ...solid(s, heap, s.palette.inks[1] ?? s.palette.inks[0]), ...clear(s, put, s.palette.groundHex, s.palette.inks, 1.4)], 90); // prettier-ignore
};

/** B lies flat on the top of A. */
export const onRoof: Pair = (s, a, b) => {
  const flat = isLong(b) ? turnedAt(upright(b), Math.PI / 2) : b;
  const low = placed(a, { cx: 50, cy: 60, side: 78, fill: 0.9 });
  const l = boundsOf(outlineOf(low));
  const high = placed(flat, { cx: l.x + l.width / 2, cy: 30, side: isLong(b) ? 0.72 * l.width : 40, fill: 1 });
  const h = boundsOf(outlineOf(high));
  const column = boundsOf(intersect(outlineOf(low), box(h.x + h.width * 0.2, l.y - 1, h.width * 0.6, l.height)));
  return [
    ...finished(s, low),
    ...clear(s, movedFigure(high, [1, 0, 0, 1, 0, column.y - h.y - h.height + 2]), s.palette.groundHex, swapped(s), 1.4), // prettier-ignore
  ];
};

/** A leans over B, and pours into it. */
export const poured: Pair = (s, a, b) => {
  const side = a.facing ?? 1;
  const high = placed(turnedAt(a, side * (/bottle|milk|beer|wine/.test(a.name) ? 1.9 : 0.62)), { cx: 50 - side * 17, cy: 30, side: 52, fill: 0.9 }); // prettier-ignore
  const h = boundsOf(outlineOf(high));
  const edge = boundsOf(intersect(outlineOf(high), box(side > 0 ? h.x + h.width - 3 : h.x - 1, h.y, 4, h.height)));
  const x = side > 0 ? h.x + h.width - 2 : h.x + 2;
  const cup = placed(b, { cx: x + side * 2, cy: 82, side: 36, fill: 0.9 });
  const c = boundsOf(outlineOf(cup));
  const stream = stroked([[x, edge.y + edge.height * 0.6, x + side, edge.y + 12, x + side * 1.5, c.y + 5]], 3, false);
  const inks = swapped(s);
  return [...solid(s, stream, inks[0]), ...finished(s, high), ...clear(s, cup, s.palette.groundHex, inks, 1.4)];
};

/** A between two B that spread to both sides from behind it. */
export const winged: Pair = (s, a, b) => withWings(s, a, b, 52);

function withWings(s: Stage, a: Figure, b: Figure, span: number): Layer[] {
  const middle = placed(a, { cx: 50, cy: 54, side: 50, fill: 0.9 });
  const m = boundsOf(outlineOf(middle));
  const one = placed(b, { cx: 50, cy: 50, side: span, fill: 0.9 });
  // Its root is to the left where it looks to the right.
  const right = (one.facing ?? 1) > 0 ? one : mirroredFigure(one);
  const r = boundsOf(outlineOf(right));
  const out = movedFigure(right, [1, 0, 0, 1, m.x + 0.8 * m.width - r.x, m.y + 0.5 * m.height - (r.y + 0.62 * r.height)]); // prettier-ignore
  const axis = m.x + m.width / 2;
  const left = movedFigure(out, [-1, 0, 0, 1, 2 * axis, 0]);
  return [
    ...finished(s, { ...out, parts: [...left.parts, ...out.parts] }, s.palette.groundHex, swapped(s)),
    ...clear(s, middle, s.palette.groundHex, s.palette.inks, 1.8),
  ];
}

/** Somebody who looks at us, with the wings of B. */
export const wingedUpright: Pair = (s, a, b) =>
  withWings(s, uprightOf(s, a, turnOf(s, 2) ? 'jumping' : 'standing') ?? a, b, 30);

/** A goes round B, which is in the middle: a broken line shows where it came from. */
export const orbiting: Pair = (s, a, b) => {
  const middle = placed(b, { cx: 50, cy: 52, side: 50, fill: 0.85 });
  // As many as there are, each facing the way it goes.
  const n = Math.min(4, Math.max(1, askedFor(s, a)?.count ?? 1));
  const some = Array.from({ length: n }, (_, i) => {
    const u = -0.7 + (2 * Math.PI * i) / n;
    const at = { cx: 50 + 38 * Math.cos(u), cy: 50 + 38 * Math.sin(u) };
    const one = placed(a, { ...at, side: n > 1 ? 26 : 30, fill: 0.9 });
    return Math.sin(u) > 0 ? one : movedFigure(one, [-1, 0, 0, 1, 2 * at.cx, 0]);
  });
  // Five sixths of the way round, in dashes that end where it is.
  const dashes = Array.from({ length: 12 }, (_, i) => {
    const from = -0.1 + (i * 5.1) / 12;
    return Array.from({ length: 5 }, (_, k) => from + 0.26 * (k / 4)).flatMap((u) => [50 + 38 * Math.cos(u), 50 + 38 * Math.sin(u)]); // prettier-ignore
  });
  const inks = swapped(s);
  return [
    ...form(s, stroked(dashes, 1.8, false), inks[0]),
    ...clear(s, middle, s.palette.groundHex, s.palette.inks, 1.6),
    ...some.flatMap((one) => clear(s, one, s.palette.groundHex, inks, 2)),
  ];
};

const HANDED: ReadonlySet<string> = new Set(['ape', 'bear', 'cat', 'dog', 'rodent']);

/** A hangs under B, which lies across. */
export const hanging: Pair = (s, b, hung) => {
  // Who has hands hangs by them; a bat hangs by its feet.
  const hands = HANDED.has(buildOf(hung.name) ?? '') && hung.name !== 'sloth' ? uprightOf(s, hung, 'jumping') : null;
  const isDown = hung.name === 'bat' || s.parts.manner.includes('upside down');
  const a = isDown ? turnedAt(hung, Math.PI) : (hands ?? hung);
  // From what is in the sky one hangs by a thread.
  const isAloft = /moon|sun|star|cloud|planet/.test(b.name);
  const bar = placed(isLong(b) && !isAloft ? turnedAt(upright(b), Math.PI / 2 - 0.1) : b, { cx: 50, cy: 22, side: isAloft ? 46 : 80, fill: 0.9 }); // prettier-ignore
  const beam = boundsOf(outlineOf(bar));
  const one = placed(a, { cx: 50, cy: 60, side: 58, fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  // It is held where the other is, over its middle.
  const column = boundsOf(
    intersect(outlineOf(bar), box(o.x + o.width * 0.35, beam.y - 1, o.width * 0.3, beam.height + 2)),
  );
  const foot = column.height > 0 ? column.y + column.height : beam.y + beam.height;
  const drop = isAloft ? 16 : -2.5;
  const thread = isAloft ? solid(s, box(49.3, foot - 2, 1.4, drop + 5), s.palette.inks[0]) : [];
  return [
    ...finished(s, bar, s.palette.groundHex, swapped(s)),
    ...thread,
    ...clear(s, movedFigure(one, [1, 0, 0, 1, 0, foot + drop - o.y]), s.palette.groundHex, s.palette.inks, isAloft ? 0 : 1.6), // prettier-ignore
  ];
};

/** A before the mouth of B, coming forward at its foot. */
export const outOfMouth: Pair = (s, a, b) => {
  const gate = placed(b, { cx: 50, cy: 46, side: 88, fill: 1 });
  const g = boundsOf(outlineOf(gate));
  const one = placed(a, { cx: g.x + g.width / 2, cy: 50, side: 0.56 * Math.min(g.width, g.height * 1.2), fill: 0.9 });
  const o = boundsOf(outlineOf(one));
  return [
    ...finished(s, gate, s.palette.groundHex, swapped(s)),
    ...clear(s, movedFigure(one, [1, 0, 0, 1, 0, g.y + g.height + 5 - (o.y + o.height)]), s.palette.groundHex, s.palette.inks, 2), // prettier-ignore
  ];
};

/** Two B face to face, which make an A: it is seen small between them. */
export const joined: Pair = (s, a, b) => {
  const two = placed(severalAsOne(b, 2, 'toward'), { cx: 50, cy: 52, side: 88, fill: 1 });
  const t = boundsOf(outlineOf(two));
  const small = placed(a, { cx: 50, cy: t.y - 4, side: 24, fill: 0.9 });
  return [...finished(s, two), ...clear(s, small, s.palette.groundHex, swapped(s), 1.4)];
};

/** B before A's chest, both arms about it. */
export const hugged =
  (stance: Stance): Pair =>
  (s, a, b) =>
    finished(
      s,
      placed(uprightOf(s, a, stance, { held: b, isClasped: true }) ?? a, { cx: 50, cy: 50, side: 88, fill: 0.9 }),
    );

/** B with the tip of a pencil at its lower edge, the pencil in A. */
export const drawnBy: Pair = (s, a, b) => {
  const art = placed(b, { cx: 34, cy: 36, side: 60, fill: 0.9 });
  const o = boundsOf(outlineOf(art));
  const [x, y] = [o.x + 0.72 * o.width, o.y + 0.9 * o.height];
  // Its point is at its foot, and comes to be below and to the left.
  const tool = placed(turnedAt(upright(buildFigure('pencil', { knobs: s.knobs, leeway: 0, detail: 30 })), 0.62), { cx: 50, cy: 50, side: 46, fill: 1 }); // prettier-ignore
  const t = boundsOf(outlineOf(tool));
  const put = movedFigure(tool, [1, 0, 0, 1, x + 1 - t.x, y - (t.y + t.height)]);
  const fist = placed(handOf(s, a, 'fist'), { cx: x + 0.6 * t.width, cy: y - 0.3 * t.height, side: 34, fill: 0.9 }); // prettier-ignore
  const inks = swapped(s);
  return fitLayers([...finished(s, art, s.palette.groundHex, inks), ...clear(s, put, s.palette.groundHex, inks, 1), ...clear(s, fist, s.palette.groundHex, s.palette.inks, 1.2)], 92); // prettier-ignore
};

/** A, seen from the side, sends B out of its trunk or its mouth: many, in an arc, each larger than the one before. */
export const spraying: Pair = (s, a, b) => {
  const big = placed(asideOf(s, a), { cx: 40, cy: 58, side: 76, fill: 0.9 });
  const all = outlineOf(big);
  const q = boundsOf(all);
  const front = q.x + q.width;
  const tip = boundsOf(intersect(all, box(front - 3, q.y, 4, 0.8 * q.height)));
  // A whale has its spout on the top of its head.
  const isWhale = buildOf(a.name) === 'whale';
  const top = boundsOf(intersect(all, box(q.x + 0.62 * q.width, q.y - 1, 0.2 * q.width, q.height)));
  const from = isWhale ? [q.x + 0.72 * q.width, top.y + 1] : [front, tip.y + 0.3 * tip.height];
  if (/^(?:fire|flame)$/.test(b.name)) {
    const flame = turnedAt(placed(b, { cx: 50, cy: 50, side: 44, fill: 0.9 }), Math.PI / 2);
    const f = boundsOf(outlineOf(flame));
    return fitLayers([...finished(s, big), ...finished(s, movedFigure(flame, [1, 0, 0, 1, front + 2 - f.x, tip.y + tip.height / 2 - (f.y + f.height / 2)]), s.palette.groundHex, swapped(s))], 92);
  }
  // Of what is no drop fewer are seen, each larger.
  const isFine = /^(?:water|drop|bubbles|confetti|snow|snowflake|paint)$/.test(b.name);
  const small = placed(b, { cx: 50, cy: 50, side: isFine ? 11 : 14, fill: 0.9 });
  const turn = isWhale ? -Math.PI / 2 : -0.5;
  const drops = [-0.5, -0.05, 0.4].flatMap((lean, row) => Array.from({ length: isFine ? 3 + (row % 2) : 1 + (row % 2) }, (_, i): Figure => {
    const t = isFine ? (i + 0.8) / 3.6 : row % 2 ? 0.3 + 0.66 * i : 0.62;
    const [x, y] = [from[0] + (5 + 32 * t) * Math.cos(lean + turn), from[1] + (5 + 32 * t) * Math.sin(lean + turn) + 9 * t * t];
    const k = 0.6 + 0.6 * t;
    return movedFigure(small, [k, 0, 0, k, x - 50 * k, y - 50 * k]);
  }));
  return fitLayers([...finished(s, big), ...drops.flatMap((f) => finished(s, f, s.palette.groundHex, swapped(s)))], 92);
}; // prettier-ignore

/** A, its blades up, at the middle of a band that hangs in two halves apart from one another. */
export const cutting: Pair = (s, a, b) => {
  const stood = placed(upright(a), { cx: 50, cy: 50, side: 68, fill: 1 });
  const all = boundsOf(outlineOf(stood));
  // Its rings are where one holds it.
  const rings = subtract(silhouetteOf(stood), outlineOf(stood));
  const above = sizeOf(intersect(rings, box(all.x, all.y, all.width, all.height / 2)));
  const blades = movedFigure(above > 0.5 * sizeOf(rings) ? turnedAt(stood, Math.PI) : stood, [1, 0, 0, 1, 0, 12]);
  const q = boundsOf(outlineOf(blades));
  const y = q.y + 0.2 * q.height;
  const half = (side: 1 | -1): Area => {
    const run = Array.from({ length: 21 }, (_, i) => [50 + side * (5.5 + 2.05 * i), y + 3.4 * Math.sin((i / 20) * 2 * Math.PI) * (i / 20)]).flat();
    const tail = boundsOf([run]);
    const notch = side > 0 ? tail.x + tail.width : tail.x;
    return subtract(stroked([run], 11, false), [[notch + side * 6, y - 9, notch - side * 5, y, notch + side * 6, y + 9]]);
  };
  const band: Figure = { name: b.name, tones: [0.4], parts: [1, -1].map((side) => ({ tone: 0, area: half(side as 1 | -1), dye: b.parts.find((p) => p.dye)?.dye })), isBuilt: true };
  return fitLayers([...finished(s, band, s.palette.groundHex, swapped(s)), ...clear(s, blades, s.palette.groundHex, s.palette.inks, 1.6)], 90);
}; // prettier-ignore

/** A looks at us through B, which it holds before its eyes in both paws. */
export const throughEyes: Pair = (s, a, b) => {
  const draw = builtDrawings(a.name, { isHead: true }, s.knobs)[0]?.();
  const head = placed(draw ? { ...draw, name: a.name } : a, { cx: 50, cy: 48, side: 84, fill: 0.95 });
  const eyes = partsNamed(head, 'eye', 'pupil');
  const h = boundsOf(outlineOf(head));
  const e = eyes.length ? boundsOf(eyes) : { x: h.x, y: h.y + 0.4 * h.height, width: h.width, height: 0.1 * h.height };
  const glass = placed(toneApart(head.tones[0], b), { cx: 50, cy: 50, side: Math.min(0.74 * h.width, Math.max(38, 1.5 * e.width)), fill: 0.9 });
  const g = boundsOf(outlineOf(glass));
  const held = movedFigure(glass, [1, 0, 0, 1, h.x + h.width / 2 - (g.x + g.width / 2), e.y + e.height / 2 - (g.y + 0.5 * g.height)]);
  const q = boundsOf(outlineOf(held));
  const paw = (x: number): Area => disc(x, q.y + 0.66 * q.height, 7.4, 48);
  const paws: Figure = { ...head, parts: [{ tone: 0, area: union(paw(q.x + 1), paw(q.x + q.width - 1)), ...(head.parts[0]?.dye === undefined ? {} : { dye: head.parts[0].dye }) }] };
  // Its fur is what most of its head is painted in.
  const drawn = finished(s, head);
  const fur = drawn.filter((l) => l.fill !== s.palette.groundHex).reduce((p, l) => (sizeOf(l.area) > sizeOf(p.area) ? l : p)).fill;
  const apart = s.palette.inks.filter((hex) => hex !== fur);
  return [...drawn, ...clear(s, held, s.palette.groundHex, apart.length ? apart : swapped(s), 1.4), ...clear(s, paws, s.palette.groundHex, typeof fur === 'string' ? [fur] : s.palette.inks, 1.2)];
}; // prettier-ignore

/** A with its edge in the top of B, its grip up and to the right. */
export const stuckIn: Pair = (s, a, b) => {
  const low = placed(b, { cx: 50, cy: 74, side: 74, fill: 0.85 });
  const l = boundsOf(outlineOf(low));
  const isBlade = /sword|knife|dagger|arrow|spear|dart/.test(a.name);
  const tool = placed(turnedAt(upright(a), Math.PI + (isBlade ? 0.16 : 0.5)), { cx: 50, cy: 40, side: isBlade ? 78 : 64, fill: 1 }); // prettier-ignore
  const t = boundsOf(outlineOf(tool));
  const foot = boundsOf(intersect(outlineOf(tool), box(t.x - 1, t.y + 0.9 * t.height, t.width + 2, 0.2 * t.height)));
  const top = topAt(low, l.x + 0.42 * l.width, l.x + 0.58 * l.width) ?? l.y;
  const down = movedFigure(tool, [1, 0, 0, 1, l.x + 0.5 * l.width - (foot.x + foot.width / 2), top + (isBlade ? 0.2 : 0.16) * t.height - (t.y + t.height)]); // prettier-ignore
  return fitLayers([...finished(s, down, s.palette.groundHex, swapped(s)), ...clear(s, low, s.palette.groundHex, s.palette.inks, 1.4)], 90); // prettier-ignore
};

/** A, which writes, at the end of B, which it has just drawn. */
export const penned: Pair = (s, a, b) => {
  const art = placed(b, { cx: 34, cy: 62, side: 58, fill: 0.9 });
  const o = boundsOf(outlineOf(art));
  // A feather has its point at its foot, as all that writes has.
  const tool = placed(turnedAt(upright(a), 0.5), { cx: 50, cy: 50, side: 74, fill: 1 });
  const t = boundsOf(outlineOf(tool));
  const foot = boundsOf(intersect(outlineOf(tool), box(t.x - 1, t.y + 0.95 * t.height, t.width + 2, 0.1 * t.height)));
  const put = movedFigure(tool, [1, 0, 0, 1, o.x + o.width + 1 - foot.x, o.y + o.height - (t.y + t.height)]);
  return fitLayers([...finished(s, art, s.palette.groundHex, swapped(s)), ...clear(s, put, s.palette.groundHex, s.palette.inks, 1.4)], 90); // prettier-ignore
};

/** B in outline, not yet closed, and A, what it is drawn with, in a hand at the end of its line. */
export const pennedByHand: Pair = (s, a, b) => {
  const art = placed(b, { cx: 34, cy: 56, side: 58, fill: 0.95 });
  const hull = silhouetteOf(art);
  const o = boundsOf(hull);
  const tool = placed(turnedAt(upright(a), 0.6), { cx: 50, cy: 50, side: 84, fill: 1 });
  const t = boundsOf(outlineOf(tool));
  const foot = boundsOf(intersect(outlineOf(tool), box(t.x - 1, t.y + 0.95 * t.height, t.width + 2, 0.1 * t.height)));
  // Where the outline is furthest right.
  const edge = boundsOf(intersect(hull, box(o.x + o.width - 3, o.y - 1, 4, o.height + 2)));
  const [x, y] = [o.x + o.width - 1, edge.y + 0.62 * edge.height];
  const put = movedFigure(tool, [1, 0, 0, 1, x + 1 - foot.x, y - (t.y + t.height)]);
  const open = box(x - 7, y - 1, 12, 11);
  const p = boundsOf(outlineOf(put));
  const fist = placed(handOf(s, { name: 'hand', tones: [], parts: [] }, 'fist'), { cx: p.x + 0.56 * p.width, cy: p.y + 0.46 * p.height, side: 40, fill: 0.95 });
  const inks = swapped(s);
  return fitLayers([...solid(s, subtract(subtract(hull, grown(hull, -4)), open), inks[0]), ...clear(s, put, s.palette.groundHex, inks, 1.2), ...clear(s, fist, s.palette.groundHex, s.palette.inks, 1.4)], 92);
}; // prettier-ignore

/** A, seen from the side, and her young after her: as many of B as there are, on one line. */
export const mothered: Pair = (s, a, b) => {
  const big = placed(asideOf(s, a), { cx: 50, cy: 50, side: 70, fill: 0.9 });
  const o = boundsOf(outlineOf(big));
  const [foot, side] = [o.y + o.height, big.facing ?? 1];
  const young = placed(asideOf(s, b), { cx: 50, cy: 50, side: 0.42 * Math.max(o.width, o.height), fill: 0.9 });
  const y = boundsOf(outlineOf(young));
  const asked = s.parts.figures.find((f) => f.to !== null && f.drawn === b.name);
  const n = Math.max(asked && isPlural(asked.word) ? 2 : 1, Math.min(4, asked?.count ?? 1));
  const row = Array.from({ length: n }, (_, i) => standing(young, (side > 0 ? o.x : o.x + o.width) - side * (0.28 + 1.06 * i) * y.width, foot)); // prettier-ignore
  return fitLayers(
    [...finished(s, big), ...row.flatMap((one) => clear(s, one, s.palette.groundHex, swapped(s), 1.4))],
    92,
  );
};

/** B out of C, and A over it, a fist that has hold of it. */
export function pulledOut(s: Stage, a: Figure, b: Figure, c: Figure): Layer[] {
  const below = fitLayers(emerging(58, 62)(s, b, c), 70).map((l) => scaled([l], 1, 0, 13)[0]);
  const top = boundsOf(union(...below.map((l) => l.area))).y;
  const fist = placed(turnedAt(handOf(s, a, 'fist'), Math.PI), { cx: 50, cy: 50, side: 34, fill: 0.9 });
  const f = boundsOf(outlineOf(fist));
  return fitLayers([...below, ...clear(s, movedFigure(fist, [1, 0, 0, 1, 0, top + 7 - (f.y + f.height)]), s.palette.groundHex, s.palette.inks, 1.4)], 92); // prettier-ignore
}

/** B at the prow of A, which is the end that reaches highest, looking out from it. */
export const atProw: Pair = (s, a, b) => {
  const ship = placed(a, { cx: 50, cy: 56, side: 84, fill: 0.9 });
  const o = boundsOf(outlineOf(ship));
  const ends = [o.x, o.x + 0.86 * o.width].map((x) => ({ x: x + 0.07 * o.width, top: topAt(ship, x, x + 0.14 * o.width) ?? o.y + o.height })); // prettier-ignore
  const [left, right] = ends;
  const isRight = right.top <= left.top;
  const at = isRight ? right : left;
  const side = 0.3 * o.width;
  const head = placed(isRight ? lookingRight(b) : mirroredFigure(lookingRight(b)), { cx: at.x + (isRight ? 2 : -2), cy: at.top - 0.18 * side, side, fill: 0.9 }); // prettier-ignore
  return fitLayers([...finished(s, ship), ...clear(s, head, s.palette.groundHex, swapped(s), 1.6)], 92);
};

/** What one takes hold of by a shaft: two of it cross. */
const SHAFTED = /^(?:axe|pickaxe|pick|shovel|spade|hammer|sledgehammer|sword|dagger|spear|fork|silverware fork|spoon|knife|whisk|ladle|spatula|rolling pin|key|wrench|spanner|screwdriver|chisel|brush|paintbrush|paint brush|pencil|pen|quill|feather|needle|flag|oar|paddle|ski|hockey stick|baseball bat|arrow|torch|rake|pitchfork|scythe|hoe|trident|wand|scepter|broom|wheat)$/; // prettier-ignore

/** Three things: the plainest in the middle, or the one that is named; the other two crossed behind it where they have shafts, and else at its sides. */
export function trio(s: Stage, figures: readonly Figure[], named: number | null): Layer[] {
  const first = figures.findIndex((f) => !SHAFTED.test(f.name));
  const middle = named ?? (first < 0 ? 1 : first);
  const others = figures.filter((_, i) => i !== middle);
  const cross = others.every((f) => SHAFTED.test(f.name));
  const mid = placed(figures[middle], { cx: 50, cy: cross ? 54 : 50, side: cross ? 50 : 54, fill: 0.95 });
  const m = boundsOf(outlineOf(mid));
  const behind = others.map((f, i) => {
    if (cross) {
      const leant = placed(turnedAt(upright(f), 0.72), { cx: 50, cy: 50, side: 100, fill: 1 });
      return i ? mirroredFigure(leant) : leant;
    }
    const one = placed(isLong(f) ? turnedAt(upright(f), i ? 0.26 : -0.26) : f, { cx: 50, cy: 50, side: isLong(f) ? 58 : 44, fill: 0.95 }); // prettier-ignore
    const o = boundsOf(outlineOf(one));
    const x = i ? m.x + m.width - 0.16 * o.width : m.x - 0.84 * o.width;
    return movedFigure(one, [1, 0, 0, 1, x - o.x, m.y + m.height - (o.y + o.height)]);
  });
  const [ground, inks] = [s.palette.groundHex, swapped(s)];
  return fitLayers([...behind.flatMap((f) => clear(s, f, ground, inks, 1.2)), ...clear(s, mid, ground, s.palette.inks, 1.8)], 90); // prettier-ignore
}
