/** Arrangements in which one stands for a part that the other is built without: a tail, a flame, the hands of a clock. */
import { boundsOf, box, disc, ringOf, turnedBy } from './area';
import { areaFrom, filled, grown, intersect, moved, parsePath, roomIn, sizeOf, stroked, subtract, union, type Area } from '../path'; // prettier-ignore
import { builtDrawings, isSeenAside, tailless } from './built';
import { dressFrom } from './creature';
import {
  clipped,
  isLong,
  lookingRight,
  mirroredFigure,
  movedFigure,
  outlineOf,
  partsNamed,
  placed,
  seenParts,
  silhouetteOf,
  standing,
  topAt,
  turnedAt,
  upright,
  without,
  type Figure,
} from './figure';
import { askedFor, atPart, fannedOut, handOf, rooted, swapped, uprightOf, type Pair } from './pairings';
import type { Single } from './single';
import { fitLayers } from './layer';
import { roundsIn } from './rounds';
import { thingFor, clear, finished, form, solid } from './stage';

/** B in the place of the tail of A, seen from the side. */
export const tailed: Pair = (s, a, b) => {
  const own = tailless(a.name, s.knobs);
  const body = placed(own ?? a, { cx: 56, cy: 56, side: 76, fill: 0.9 });
  const o = boundsOf(outlineOf(body));
  // The rump is what reaches furthest back of its upper half.
  const upper = boundsOf(intersect(outlineOf(body), box(o.x - 1, o.y + 0.24 * o.height, 6, 0.4 * o.height)));
  const [x, y] = [o.x + 3, upper.height > 0 ? upper.y + 0.35 * upper.height : o.y + 0.4 * o.height];
  const long = upright(b);
  // A brush's bristles are the tip of the tail.
  const up = placed(/brush|pen|pencil|crayon|marker|quill/.test(b.name) ? turnedAt(long, Math.PI) : long, { cx: 50, cy: 50, side: isLong(b) ? 50 : 36, fill: 1 }); // prettier-ignore
  const tail = turnedAt(standing(up, 50, 50), -0.62);
  const inks = swapped(s);
  return fitLayers(
    [
      ...finished(s, movedFigure(tail, [1, 0, 0, 1, x - 50, y - 50]), s.palette.groundHex, inks),
      ...clear(s, body, s.palette.groundHex, s.palette.inks, 1.4),
    ],
    92,
  );
};

/** A, a bird that spreads its tail, with many of B in the place of its feathers. */
export const fanTailed: Pair = (s, a, b) => {
  const part = (tone: number, d: string) => ({ tone, area: areaFrom(parsePath(d)) });
  const bird: Figure = {
    name: a.name,
    tones: [0.3, 0.7, 1],
    parts: [
      { tone: 1, area: stroked([[44, 95, 44, 84], [56, 95, 56, 84], [50, 27, 42, 17], [50, 27, 50, 15], [50, 27, 58, 17]], 2, false) },
      part(0, 'M50 26C58 26 62 33 60 41C58 48 60 52 64 58C72 70 64 88 50 88C36 88 28 70 36 58C40 52 42 48 40 41C38 33 42 26 50 26Z'),
      { tone: 1, area: union(disc(42, 16, 2.6, 30), disc(50, 14, 2.6, 30), disc(58, 16, 2.6, 30), [[46.4, 39, 53.6, 39, 50, 46]]) },
      { tone: 2, area: union(disc(46, 34.5, 1.9, 26), disc(54, 34.5, 1.9, 26)) },
    ],
    isBuilt: true,
  };
  const feather = placed(upright(b), { cx: 50, cy: 50, side: 26, fill: 1 });
  const fan = (count: number, reach: number): Figure[] => fannedOut(feather, { count, half: 1.75, cx: 50, cy: 66, wide: reach, high: reach }); // prettier-ignore
  const inks = swapped(s);
  return fitLayers([...[...fan(13, 47), ...fan(9, 27)].flatMap((f) => clear(s, f, s.palette.groundHex, inks, 0.8)), ...clear(s, bird, s.palette.groundHex, s.palette.inks, 1.6)], 92);
}; // prettier-ignore

/** A key that lies, A standing on its blade in place of its teeth. */
export const toothed: Single = (s, a) => {
  const ring = ringOf(20, 50, 19, 10.5);
  const key: Figure = { name: 'key', tones: [0.3], parts: [{ tone: 0, area: union(ring, box(37, 46, 60, 8), box(40, 42, 4, 16)) }], isBuilt: true }; // prettier-ignore
  const teeth = placed(a, { cx: 76, cy: 30, side: 42, fill: 0.9 });
  return fitLayers(
    [...finished(s, key), ...clear(s, standing(teeth, 75, 46.6), s.palette.groundHex, swapped(s), 0)],
    90,
  );
};

/** A, in one tone, with a keyhole in it where it has most room. */
export const keyholed: Single = (s, a) => {
  const hull = silhouetteOf(placed(a, { cx: 50, cy: 50, side: 88, fill: 0.95 }));
  const room = roomIn(hull) ?? { x: 50, y: 50, r: 20 };
  const k = room.r / 34;
  const hole = union(disc(0, -9, 11, 60), [[-4.6, -4, 4.6, -4, 11, 24, -11, 24]]);
  return finished(s, { name: a.name, tones: [0.3], parts: [{ tone: 0, area: subtract(hull, moved(hole, [k, 0, 0, k, room.x, room.y])) }], isBuilt: true }); // prettier-ignore
};

/** The face of a clock with two of A for its hands, at ten past ten. */
export const handed: Single = (s, a) => {
  const ticks = Array.from({ length: 12 }, (_t, i) => turnedBy(box(i % 3 ? 49.2 : 48.6, 13, i % 3 ? 1.6 : 2.8, i % 3 ? 4 : 7), (Math.PI * i) / 6)); // prettier-ignore
  const ring = union(ringOf(50, 50, 44, 39), ...ticks);
  // Where two stand for them, each is one of them.
  const [, , third] = s.parts.figures;
  const other = third?.relation === 'as' && third.to === 0 ? thingFor(s, third) : null;
  const hand = (of: Figure, side: number, rad: number): Figure => turnedAt(standing(placed(upright(of), { cx: 50, cy: 50, side, fill: 1 }), 50, 47), rad); // prettier-ignore
  const inks = swapped(s);
  return [...solid(s, ring, s.palette.inks[0]), ...[hand(a, 24, -1.05), hand(other ?? a, 31, 1.05)].flatMap((f) => clear(s, f, s.palette.groundHex, inks, 0.8)), ...solid(s, disc(50, 50, 3.6, 40), s.palette.inks[0])]; // prettier-ignore
};

/** A mill's tower with four of A for its sails. */
export const bladed: Single = (s, a) => {
  const tower: Figure = { name: 'mill', tones: [0.3, 0.7, 1], parts: [{ tone: 0, area: areaFrom(parsePath('M39 42L61 42L70 96L30 96Z')) }, { tone: 1, area: areaFrom(parsePath('M36 44C38 32 62 32 64 44Z')) }, { tone: 2, area: areaFrom(parsePath('M44 96L44 84C44 76 56 76 56 84L56 96Z')) }], isBuilt: true }; // prettier-ignore
  const one = placed(upright(a), { cx: 50, cy: 50, side: 38, fill: 1 });
  const sails = [0.25, 0.75, 1.25, 1.75].map((t) => movedFigure(turnedAt(standing(one, 50, 47), Math.PI * t), [1, 0, 0, 1, 0, -8])); // prettier-ignore
  const inks = swapped(s);
  return fitLayers([...finished(s, tower), ...sails.flatMap((f) => clear(s, f, s.palette.groundHex, inks, 1.2)), ...solid(s, disc(50, 42, 4.2, 40), s.palette.inks[0])], 90); // prettier-ignore
};

/** A in the place of the flame of a candle. */
export const onCandle: Single = (s, a) => {
  const wax = areaFrom(parsePath('M34 54C34 50 38 48 50 48C62 48 66 50 66 54L66 96L34 96Z'));
  const drip = areaFrom(parsePath('M34 54C38 60 44 56 45 64C46 74 52 74 53 64C54 58 62 62 66 54C64 49 36 49 34 54Z'));
  const candle: Figure = { name: 'candle', tones: [0.3, 0.7], parts: [{ tone: 0, area: union(wax, box(48.8, 40, 2.4, 10)) }, { tone: 1, area: drip }], isBuilt: true }; // prettier-ignore
  const flame = placed(upright(a), { cx: 50, cy: 24, side: 38, fill: 0.95 });
  return fitLayers([...finished(s, candle), ...clear(s, standing(flame, 50, 40.5), s.palette.groundHex, swapped(s), 0.8)], 90); // prettier-ignore
};

/** A with B on its feet, one under each leg; boots of which there is a cut are part of the dress of who stands upright. */
export const shod: Pair = (s, a, b) => {
  const stands = isSeenAside(a.name) ? (builtDrawings(a.name, { pose: 'standing' }, s.knobs)[0]?.() ?? a) : (uprightOf(s, a, 'standing') ?? a);
  const one = placed({ ...stands, name: a.name }, { cx: 50, cy: 44, side: 80, fill: 0.9 });
  if (!isSeenAside(a.name) && dressFrom(askedFor(s, b)?.word ?? b.name).hasBoots) return fitLayers(finished(s, one), 90);
  const o = boundsOf(outlineOf(one));
  const low = intersect(outlineOf(one), box(o.x - 1, o.y + 0.94 * o.height, o.width + 2, 0.07 * o.height));
  // What is close together is one foot: a bird's toes.
  const feet = low.map((ring) => boundsOf([ring])).sort((p, q) => p.x - q.x);
  const middles = feet.reduce<{ from: number; to: number }[]>((all, f) => {
    const last = all.at(-1);
    if (last && f.x - last.to < 2.5) return [...all.slice(0, -1), { from: last.from, to: Math.max(last.to, f.x + f.width) }];
    return [...all, { from: f.x, to: f.x + f.width }];
  }, []);
  const shoe = placed(b, { cx: 50, cy: 50, side: Math.max(17, Math.min(26, 0.3 * o.width)), fill: 1 });
  const places = middles.length > 1 ? [middles[0], middles.at(-1)!] : middles;
  const shoes = places.map(({ from, to }) => standing(shoe, (from + to) / 2 + 2, o.y + o.height + 3));
  return fitLayers([...finished(s, one), ...shoes.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1))], 92);
}; // prettier-ignore

/** B as a lock: a shackle over it, a keyhole in it. */
export const asLock: Pair = (s, a, b) => {
  const body = placed(b, { cx: 50, cy: 64, side: 66, fill: 0.95 });
  const hull = silhouetteOf(body);
  const room = roomIn(hull) ?? { x: 50, y: 64, r: 16 };
  const q = boundsOf(hull);
  const half = 0.27 * q.width;
  const foot = (topAt(body, room.x - half - 2, room.x - half + 2) ?? q.y) + 7;
  const legs = [room.x - half, foot, ...Array.from({ length: 25 }, (_, i) => [room.x - half * Math.cos((Math.PI * i) / 24), q.y - 9 - half * Math.sin((Math.PI * i) / 24)]).flat(), room.x + half, foot];
  const shackle: Figure = { name: a.name, tones: [0.3], parts: [{ tone: 0, area: subtract(stroked([legs], 8, false), hull) }], isBuilt: true };
  const hole = union(disc(room.x, room.y - 2, 0.26 * room.r, 50), [[room.x - 1.2, room.y, room.x + 1.2, room.y, room.x + 0.24 * room.r, room.y + 0.62 * room.r, room.x - 0.24 * room.r, room.y + 0.62 * room.r]]);
  return fitLayers([...finished(s, shackle, s.palette.groundHex, swapped(s)), ...finished(s, { ...body, tones: [0.4], parts: [{ tone: 0, area: subtract(hull, hole) }], isBuilt: true })], 88);
}; // prettier-ignore

/** A bird with B for its beak: the end that works, or the thin one, foremost. */
export const beaked: Pair = (s, a, b) => {
  const poses = ['standing', 'sitting'].flatMap((pose) => builtDrawings(a.name, { pose }, s.knobs).slice(0, 1));
  const made = poses.length ? lookingRight(poses[s.idea % poses.length]()) : null;
  const beak = made ? partsNamed(made, 'beak') : [];
  if (!made || !beak.length) return atPart('beak', true)(s, a, b);
  const big = placed({ ...made, name: a.name }, { cx: 42, cy: 52, side: 78, fill: 0.9 });
  const at = boundsOf(partsNamed(big, 'beak'));
  const all = boundsOf(outlineOf(big));
  const rest = { ...big, parts: big.parts.filter((p) => p.of !== 'beak') };
  const isFootFirst = /brush|pen|pencil|quill|broom/.test(b.name);
  const lying = isLong(b) ? turnedAt(upright(b), isFootFirst ? -Math.PI / 2 : Math.PI / 2) : b;
  const one = placed(lying, { cx: 50, cy: 50, side: Math.max(1.5 * at.width, 0.42 * all.width), fill: 1 });
  const o = boundsOf(outlineOf(one));
  const put = movedFigure(one, [1, 0, 0, 1, at.x + 0.16 * at.width - o.x, at.y + at.height / 2 - (o.y + o.height / 2)]);
  return fitLayers([...clear(s, put, s.palette.groundHex, swapped(s), 0), ...clear(s, rest, s.palette.groundHex, s.palette.inks, 1.2)], 90); // prettier-ignore
};

/** A tree whose roots are B: it hangs down from the trunk, the end it stands on up. */
export const rootedAs: Pair = (s, a, b) => {
  const grip = b.name === 'hand' ? handOf(s, b, 'open hand') : b;
  return rooted(s, a, turnedAt(grip, Math.PI));
};

/** A whose shell is B: as much of it as the shell has room for, the rest of A about it. */
export const shelledIn: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 50, side: 88, fill: 0.9 });
  const named = partsNamed(big, 'shell');
  const shell = named.length ? named : seenParts(big).reduce((p, q) => (sizeOf(q.area) > sizeOf(p.area) ? q : p)).area;
  const hull = filled(shell);
  const at = boundsOf(hull);
  const o = boundsOf(outlineOf(b));
  const k = 1.04 * Math.max(at.width / o.width, at.height / o.height);
  const laid = movedFigure(b, [k, 0, 0, k, at.x + at.width / 2 - k * (o.x + o.width / 2), at.y + at.height / 2 - k * (o.y + o.height / 2)]); // prettier-ignore
  return [
    ...finished(s, without(big, grown(hull, 0.8))),
    ...finished(s, clipped(laid, grown(hull, -0.8)), s.palette.groundHex, swapped(s)),
  ];
};

/** B in a cone, as a scoop is. */
export const onCone: Pair = (s, a, b) => {
  const cone: Area = [[29, 52, 71, 52, 50, 98]];
  const waffle = intersect(stroked([[33, 62, 56, 98], [43, 52, 66, 92], [67, 62, 44, 98], [57, 52, 34, 92]], 1.8, false), grown(cone, -1.4)); // prettier-ignore
  const figure: Figure = { name: a.name, tones: [0.66, 0.9], parts: [{ tone: 0, area: subtract(cone, waffle) }], isBuilt: true }; // prettier-ignore
  const ball = placed(b, { cx: 50, cy: 34, side: 58, fill: 1 });
  const o = boundsOf(outlineOf(ball));
  const set = movedFigure(ball, [1, 0, 0, 1, 0, 58 - (o.y + o.height)]);
  return fitLayers([...finished(s, figure, s.palette.groundHex, swapped(s)), ...clear(s, set, s.palette.groundHex, s.palette.inks, 1.6)], 90); // prettier-ignore
};

/** The top of A on the rest of B, both upright, as wide where they meet. */
export const spliced: Pair = (s, a, b) => {
  const [top, low] = [a, b].map((f) => placed(upright(f), { cx: 50, cy: 50, side: 92, fill: 1 }));
  const [t, l] = [top, low].map((f) => boundsOf(outlineOf(f)));
  const at = (f: Figure, q: typeof t, k: number): ReturnType<typeof boundsOf> => boundsOf(intersect(silhouetteOf(f), box(q.x - 1, q.y + k * q.height - 1, q.width + 2, 2))); // prettier-ignore
  const CUT = 0.4;
  const [wa, wb] = [at(top, t, CUT), at(low, l, CUT)];
  const k = Math.max(0.6, Math.min(1.9, wa.width / Math.max(1, wb.width)));
  const head = clipped(top, box(-100, -100, 300, 100 + t.y + CUT * t.height));
  const seam = t.y + CUT * t.height;
  const body = movedFigure(clipped(low, box(-100, l.y + CUT * l.height, 300, 300)), [k, 0, 0, k, wa.x + wa.width / 2 - k * (wb.x + wb.width / 2), seam + 1.4 - k * (l.y + CUT * l.height)]); // prettier-ignore
  return fitLayers([...finished(s, head), ...finished(s, body, s.palette.groundHex, swapped(s))], 92);
};

/** An insect whose wings are B: one at each side of its body, which has feelers. */
export const insectWinged: Pair = (s, a, b) => {
  const body = union(moved(disc(0, 0, 1, 40), [3.4, 0, 0, 22, 50, 56]), disc(50, 31, 4.6, 32));
  const feelers = stroked(
    [
      [49, 28, 45, 18, 38, 13],
      [51, 28, 55, 18, 62, 13],
    ],
    1.8,
    false,
  );
  const figure: Figure = { name: a.name, tones: [0.24], parts: [{ tone: 0, area: union(body, feelers, disc(38, 13, 2, 20), disc(62, 13, 2, 20)) }], isBuilt: true }; // prettier-ignore
  // What is of two halves has them at both sides already.
  const isDouble = /^open book$/.test(b.name);
  const pair = (): Figure => {
    const one = placed(isLong(b) ? turnedAt(upright(b), -0.9) : turnedAt(b, 0.22), {
      cx: 27,
      cy: 52,
      side: 44,
      fill: 1,
    });
    return { ...one, parts: [...one.parts, ...mirroredFigure(one).parts] };
  };
  const wings = isDouble ? placed(b, { cx: 50, cy: 52, side: 90, fill: 1 }) : pair();
  return fitLayers([...finished(s, wings, s.palette.groundHex, swapped(s)), ...clear(s, figure, s.palette.groundHex, s.palette.inks, 1.6)], 90); // prettier-ignore
};

/** The rim of a clock, and its two hands about a middle, so thick, in units. */
const rimAndHands = (x: number, y: number, thick: number): { readonly rim: Area; readonly hands: Area } => ({
  rim: ringOf(50, 50, 47, 43),
  hands: union(stroked([[x, y, x, y - 21]], thick, false), stroked([[x, y, x + 14, y + 6.5]], thick, false), disc(x, y, 1.1 * thick, 32)),
}); // prettier-ignore

/** A clock with A in the places of its hours. */
export const hoursOf: Single = (s, a) => {
  const [first] = s.palette.inks;
  const { rim, hands } = rimAndHands(50, 50, 2.8);
  const small = placed(a, { cx: 50, cy: 50, side: 15, fill: 1 });
  const hours = Array.from({ length: 12 }, (_, i) => movedFigure(small, [1, 0, 0, 1, 33 * Math.sin((Math.PI * i) / 6), -33 * Math.cos((Math.PI * i) / 6)])); // prettier-ignore
  return [...form(s, rim, first), ...hours.flatMap((one) => finished(s, one, s.palette.groundHex, swapped(s))), ...solid(s, hands, first)]; // prettier-ignore
};

/** A clock whose face is A: a rim about it, and hands over its middle. */
export const dialOf: Single = (s, a) => {
  const [first] = s.palette.inks;
  const face = placed(a, { cx: 50, cy: 50, side: 74, fill: 1 });
  const round = roundsIn(face)[0];
  const { x, y } = round && round.r > 9 ? round : { x: 50, y: 50 };
  const { rim, hands } = rimAndHands(x, y, 3);
  return [...form(s, rim, first), ...finished(s, face, s.palette.groundHex, swapped(s)), ...solid(s, grown(hands, 1.3), s.palette.groundHex), ...solid(s, hands, first)]; // prettier-ignore
};
