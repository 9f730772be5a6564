/** Arrangements of two figures in one picture. */
import { boundsOf, box, disc } from './area';
import { onField } from './field';
import { mirroredFigure, lookingRight, clipped, isLong, isTopHeavy, movedFigure, outlineOf, placed, silhouetteOf, topAt, turnedAt, upright, without, withoutSteam, type Figure } from './figure'; // prettier-ignore
import { grown, intersect, moved, roomIn, sizeOf, stroked, subtract, union, type Area } from '../path';
import { isBird, buildOf, builtDrawings, isAsleep, isCreature, isSeenAside, uprightFigure } from './built';
import { dressFrom, eyewearParts, hatParts, inCloth, isCut, TONES, type Stance } from './creature';
import { undyed } from './dye';
import { fitLayers, layerOf, type Layer } from './layer';
import { waveLine } from './marks';
import { roundsIn, wheelsOf } from './rounds';
import type { PromptFigure } from '../prompt';
import {
  solid,
  clear,
  finished,
  form,
  inkOf,
  inSaidColours,
  isOfLines,
  type Stage,
  type Standing,
  turnOf,
} from './stage';

export type Pair = (stage: Stage, a: Figure, b: Figure) => Layer[];

/** The second ink leads. */
export const swapped = (s: Stage): readonly string[] => {
  const [first, second = first, ...rest] = s.palette.inks;
  return [second, first, ...rest];
};

/** What is in the sky, and behind all that stands. */
export const SKY = /^(?:sun|moon|planet|full moon|sunrise|sunset)$/;

/** B large, behind A. */
export const behind: Pair = (s, a, b) => {
  const front = placed(a, { cx: 51, cy: 56, side: 62 });
  const whole = placed(b, { cx: 50, cy: 46, side: 84, fill: 0.9 });
  // What stands on the ground hides what of a sun is under it.
  const ground = boundsOf(outlineOf(front));
  const isSky = SKY.test(b.name) && !isCreature(a.name);
  const back = isSky ? clipped(whole, box(-100, -100, 300, 100 + ground.y + ground.height)) : whole;
  return [...finished(s, back, s.palette.groundHex, swapped(s)), ...clear(s, front, s.palette.groundHex)];
};

/** A stands on B, a board, which lies a little aslant. */
export const aboard: Pair = (s, a, b) => {
  const w = boundsOf(outlineOf(b));
  // What lies already keeps its top.
  const lying =
    w.width > 1.4 * w.height ? turnedAt(b, -0.08) : turnedAt(upright(b), isLong(b) ? Math.PI / 2 - 0.14 : -0.14);
  const board = placed(lying, { cx: 50, cy: 78, side: 80, fill: 1 });
  const bb = boundsOf(outlineOf(board));
  const stood =
    b.name === 'skateboard' && isCreature(a.name)
      ? builtDrawings(a.name, { pose: 'standing' }, s.knobs)[0]?.()
      : undefined;
  const rider = placed(stood ? { ...stood, name: a.name } : a, { cx: 50, cy: 40, side: 60, fill: 0.9 });
  const rb = boundsOf(outlineOf(rider));
  return [
    ...finished(s, board, s.palette.groundHex, swapped(s)),
    ...clear(s, movedFigure(rider, [1, 0, 0, 1, 0, bb.y + bb.height * 0.5 - (rb.y + rb.height)]), s.palette.groundHex, s.palette.inks, 1.6), // prettier-ignore
  ];
};

/** B, which shines, rises behind A, which is land: half of it is seen over the ridge. */
export const risen: Pair = (s, a, b) => {
  const land = placed(a, { cx: 50, cy: 66, side: 88, fill: 1 });
  const lb = boundsOf(outlineOf(land));
  const sun = placed(b, { cx: 50, cy: 50, side: 54, fill: 1 });
  const sb = boundsOf(outlineOf(sun));
  const up = lb.y + lb.height * 0.12 - (sb.y + sb.height / 2);
  return [
    ...finished(s, movedFigure(sun, [1, 0, 0, 1, lb.x + lb.width * 0.62 - (sb.x + sb.width / 2), up]), s.palette.groundHex, swapped(s)), // prettier-ignore
    ...clear(s, land, s.palette.groundHex, s.palette.inks, 2),
  ];
};

/** A on B's shoulder, beside its head. */
export const onShoulder: Pair = (s, a, b) => {
  const big = placed(b, { cx: 46, cy: 54, side: 80, fill: 0.9 });
  const bb = boundsOf(outlineOf(big));
  const small = placed(a, { cx: 50, cy: 50, side: 34, fill: 0.9 });
  const sb = boundsOf(outlineOf(small));
  // The shoulder is where the figure is first as broad as it is at its middle.
  const y = bb.y + bb.height * 0.46;
  const row = boundsOf(intersect(outlineOf(big), box(bb.x - 1, y, bb.width + 2, bb.height * 0.06)));
  return [
    ...finished(s, big),
    ...clear(s, movedFigure(small, [1, 0, 0, 1, row.x + row.width - sb.width * 0.35 - sb.x, y + 3 - (sb.y + sb.height)]), s.palette.groundHex, swapped(s), 1.6), // prettier-ignore
  ];
};

/** A, seen from the side, lies across the shoulders of B, whose head is before it. */
export const acrossShoulders: Pair = (s, a, b) => {
  const big = placed(b, { cx: 50, cy: 54, side: 84, fill: 0.9 });
  const bb = boundsOf(outlineOf(big));
  const side = placed(asideOf(s, a, 'standing'), { cx: 50, cy: 50, side: Math.max(54, 1.5 * bb.width), fill: 1 });
  const q = boundsOf(outlineOf(side));
  const y = bb.y + 0.36 * bb.height;
  return fitLayers([...finished(s, movedFigure(side, [1, 0, 0, 1, 50 - (q.x + q.width / 2), y - (q.y + 0.42 * q.height)]), s.palette.groundHex, swapped(s)), ...clear(s, big, s.palette.groundHex, s.palette.inks, 1.8)], 92); // prettier-ignore
};

/** B, a straw, stands up out of the top of A, slanting. */
export const strawed: Pair = (s, a, b) => {
  const big = placed(withoutSteam(a), { cx: 50, cy: 60, side: 70, fill: 0.9 });
  const o = boundsOf(outlineOf(big));
  const long = placed(turnedAt(b, 0.2), { cx: 50, cy: 50, side: 0.8 * o.height, fill: 1 });
  const q = boundsOf(outlineOf(long));
  const x = o.x + 0.56 * o.width;
  const top = topAt(big, x - 1, x + 1) ?? o.y;
  const cut = clipped(movedFigure(long, [1, 0, 0, 1, x - (q.x + 0.2 * q.width), top + 0.2 * q.height - (q.y + q.height)]), box(-100, -200, 400, 200 + top + 1.5)); // prettier-ignore
  return fitLayers([...finished(s, big), ...clear(s, cut, s.palette.groundHex, swapped(s), 1.2)], 90);
};

/** A stands on two of B, its wheels. */
export const wheeled: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 42, side: 72, fill: 1 });
  const o = boundsOf(outlineOf(big));
  const side = 0.3 * o.width;
  const wheels = [0.24, 0.76].map((x) => placed(b, { cx: o.x + x * o.width, cy: o.y + o.height, side, fill: 1 }));
  return fitLayers(
    [...finished(s, big), ...wheels.flatMap((w) => clear(s, w, s.palette.groundHex, swapped(s), 1.6))],
    90,
  );
};

/** A above B, touching. */
export const stacked =
  (highSide: number, lowSide: number): Pair =>
  (s, a, b) => {
    const low = placed(b, { cx: 50, cy: 73, side: lowSide, fill: 0.8 });
    const top = boundsOf(outlineOf(low)).y;
    const high = placed(a, { cx: 50, cy: 34, side: highSide, fill: 0.9 });
    const hb = boundsOf(outlineOf(high));
    const dy = top + 3 - (hb.y + hb.height);
    return [
      ...finished(s, low, s.palette.groundHex, swapped(s)),
      ...clear(s, movedFigure(high, [1, 0, 0, 1, 0, dy]), s.palette.groundHex, s.palette.inks, 1.6),
    ].map((l) => shifted(l, 0, -dy / 2));
  };
export const above = stacked(54, 54);

const shifted = (l: Layer, dx: number, dy: number): Layer => ({
  ...l,
  area: moved(l.area, [1, 0, 0, 1, dx, dy]),
  ...(l.clip ? { clip: moved(l.clip, [1, 0, 0, 1, dx, dy]) } : {}),
});

/** A figure made larger about its middle for as long as an outline holds it, with a rim left. */
function asLargeAsFits(figure: Figure, hull: Area): Figure {
  const inner = grown(hull, -3.4);
  const b = boundsOf(outlineOf(figure));
  const [cx, cy] = [b.x + b.width / 2, b.y + b.height / 2];
  let best = figure;
  for (let k = 1.08; k < 1.7; k *= 1.08) {
    const larger = movedFigure(figure, [k, 0, 0, k, cx - k * cx, cy - k * cy]);
    const all = outlineOf(larger);
    if (sizeOf(intersect(all, inner)) < 0.995 * sizeOf(all)) break;
    best = larger;
  }
  return best;
}

/** A cut out of B's filled outline. */
export const insideOf: Pair = (s, a, b) => {
  const first = inkOf(s, b, s.palette.inks[0]);
  const outer = placed(b, { cx: 50, cy: 50, side: 88, fill: 0.95 });
  const hull = silhouetteOf(outer);
  const bb = boundsOf(hull);
  const room = roomIn(hull) ?? { x: bb.x + bb.width / 2, y: bb.y + bb.height / 2, r: 8 };
  const inner = asLargeAsFits(placed(a, { cx: room.x, cy: room.y, side: room.r * 1.75, fill: 0.9 }), hull);
  if (!(bb.width > 0)) return [];
  // Where all is of lines, so is what holds it.
  if (isOfLines(s)) return [...finished(s, { ...outer, parts: [{ tone: 0, area: hull }] }), ...finished(s, inner, s.palette.groundHex, swapped(s))]; // prettier-ignore
  return [...form(s, hull, first), ...finished(s, inner, first, onField(s, first))];
};

/** A on the face of B, where that has most room, B as it is drawn. */
export const printed: Pair = (s, a, b) => {
  const outer = placed(b, { cx: 50, cy: 50, side: 88, fill: 0.95 });
  const room = roomIn(silhouetteOf(outer)) ?? { x: 50, y: 54, r: 16 };
  const solid = roomIn(outlineOf(outer)) ?? room;
  const at = solid.r > 0.7 * room.r ? solid : room;
  return [...finished(s, outer), ...clear(s, placed(a, { cx: at.x, cy: at.y, side: 1.36 * at.r, fill: 0.9 }), s.palette.groundHex, swapped(s), 1.6)];
}; // prettier-ignore

/** B small, beside A's shoulder. */
export const beside: Pair = (s, a, b) => {
  const right = s.knobs.odds('beside', 0.5);
  const big = placed(a, { cx: right ? 43 : 57, cy: 55, side: 70 });
  const small = placed(b, { cx: right ? 80 : 20, cy: 27, side: 34, fill: 0.85 });
  return [...finished(s, big), ...clear(s, small, s.palette.groundHex, swapped(s), 2.2)];
};

/** B low in front of A, where a hand would have it. */
export const held: Pair = (s, a, b) => {
  const right = s.knobs.odds('beside', 0.5);
  const big = placed(a, { cx: right ? 45 : 55, cy: 46, side: 74 });
  const bb = boundsOf(outlineOf(big));
  const small = placed(b, {
    cx: right ? Math.min(80, bb.x + bb.width * 0.92) : Math.max(20, bb.x + bb.width * 0.08),
    cy: Math.min(78, bb.y + bb.height * 0.78),
    side: 36,
    fill: 0.85,
  });
  return [...finished(s, big), ...clear(s, small, s.palette.groundHex, swapped(s), 1.8)];
};

/** What a prompt says of a figure that is drawn for it. */
export const askedFor = (s: Stage, { name }: Figure): PromptFigure | undefined => s.parts.figures.find((f) => f.drawn === name); // prettier-ignore

/** A seen from the side, looking to the right, where it is built so; else as it is, turned to the right. */
export function asideOf(s: Stage, a: Figure, pose = 'standing'): Figure {
  const side = builtDrawings(a.name, { pose }, s.knobs)[0]?.();
  return lookingRight(side ? { ...side, name: a.name } : a);
}

/** A hand that does something, in the place of A. */
export const handOf = (s: Stage, a: Figure, gesture: string): Figure => ({ ...builtDrawings(gesture, {}, s.knobs)[0](), name: a.name }); // prettier-ignore

/** What somebody upright has in the hands. */
interface Hands {
  readonly held?: Figure;
  /** Both arms are about what is held. */
  readonly isClasped?: boolean;
  readonly other?: Figure;
}

/** A figure as it is said: a knitted hat is another than a hat. */
const saidOf = ({ modifiers, word }: PromptFigure): string => [...modifiers, word].join(' ');

/** Whether a figure is several that are tied together. */
export const isBundle = ({ modifiers }: PromptFigure): boolean => modifiers.some((m) => /^(?:bunch|bundle|bouquet|sheaf|tied|bound)$/.test(m)); // prettier-ignore

/** A upright as the prompt has it: with its face, in its dress, things in its hands; null where it is no creature. */
export function uprightOf(s: Stage, a: Figure, stance: Stance, { held, isClasped, other }: Hands = {}): Figure | null {
  const asked = askedFor(s, a);
  // Who sleeps does not wave, and has the eyes shut.
  const sleeps = isAsleep(asked?.pose ?? '');
  const worn = s.parts.figures.filter((f) => f.relation === 'wearing').map(saidOf);
  const dress = inSaidColours(s, dressFrom([s.parts.role ?? '', a.name, ...worn].join(' ')));
  return uprightFigure(a.name, { knobs: s.knobs, stance: sleeps && stance === 'waving' ? 'standing' : stance, expression: asked?.expression ?? (sleeps ? 'sleepy' : null), modifiers: asked?.modifiers ?? [], dress, held: held ?? null, other, isClasped, crop: 'whole' }); // prettier-ignore
}

/** The head of A, which looks at us; A itself where it is no creature. */
export const headOf = (s: Stage, a: Figure, name = a.name): Figure =>
  uprightFigure(name, { knobs: s.knobs, stance: 'standing', expression: null, modifiers: [], dress: {}, held: null, crop: 'head' }) ?? a; // prettier-ignore

/** A figure that stands in the middle of the field as often as `count` says, fanned out by `half` radians to both sides about (cx, cy), as far from there as an ellipse is. */
export const fannedOut = (one: Figure, { count, half, cx, cy, wide, high }: { count: number; half: number; cx: number; cy: number; wide: number; high: number }): Figure[] =>
  Array.from({ length: count }, (_, i) => {
    const t = -half + (2 * half * i) / (count - 1);
    return movedFigure(turnedAt(one, t), [1, 0, 0, 1, cx + wide * Math.sin(t) - 50, cy - high * Math.cos(t) - 50]);
  }); // prettier-ignore

/** A upright, B in one of its hands, and another thing in the other where there is one. */
export function inHands(s: Stage, a: Figure, b: Figure, stance: Stance, other?: Figure): Layer[] {
  const figure = uprightOf(s, a, stance, { held: b, other });
  return figure ? finished(s, placed(figure, { cx: 50, cy: 50, side: 88, fill: 0.9 })) : held(s, a, b);
}

/** A upright, B in its hands. */
export const inHand =
  (stance: Stance): Pair =>
  (s, a, b) =>
    inHands(s, a, b, stance);

/** A upright, one of B in each of its hands. */
export const inBothHands =
  (stance: Stance): Pair =>
  (s, a, b) =>
    inHands(s, a, b, stance, b);

/** A upright, wearing B where that is something there is a cut of; else B on its head. */
export const dressed =
  (crop: 'whole' | 'bust', stance: Stance = 'standing'): Pair =>
  (s, a, b) => {
    const [who, what] = [a, b].map((f) => askedFor(s, f));
    const worn = s.parts.figures.filter((f) => f.relation === 'wearing').map(saidOf);
    const name = what ? saidOf(what) : b.name;
    const dress = inSaidColours(s, dressFrom([name, ...worn].join(' ')));
    const options = { knobs: s.knobs, stance, expression: who?.expression ?? null, modifiers: who?.modifiers ?? [], held: null }; // prettier-ignore
    // What hands and feet wear is held up.
    if (/glove|mitten|shoe|boot|sock|skate|sneaker/.test(b.name)) return inHand(stance)(s, a, b);
    if (!isCut(name)) {
      const head = uprightFigure(a.name, {
        ...options,
        dress: { ...inSaidColours(s, dressFrom(worn.join(' '))), hat: undefined },
        // A long neck is part of what one knows it by.
        crop: /^(?:goose|swan|giraffe|ostrich|llama|alpaca|emu)$/.test(a.name) ? 'bust' : 'head',
      });
      return onHead(s, head ?? a, b);
    }
    const figure = uprightFigure(a.name, { ...options, dress: { ...dressFrom(a.name), ...dress }, crop });
    return figure ? finished(s, placed(figure, { cx: 50, cy: 50, side: 88, fill: 0.9 })) : onHead(s, a, b);
  };

/** B in A's mouth or beak: at the foremost point of its upper half, as seen from the side. */
export const atMouth: Pair = (s, a, b) => {
  // What is not built standing, as a neck that is bent twice is not, is as it is drawn.
  const isBuilt = builtDrawings(a.name, { pose: 'standing' }, s.knobs).length > 0;
  const poses = isBuilt ? ['standing', isBird(a.name) ? 'flying' : 'sitting', 'standing', 'sitting'].flatMap((pose) => builtDrawings(a.name, { pose }, s.knobs).slice(0, 1)) : []; // prettier-ignore
  const side = poses.length ? poses[s.idea % poses.length]() : null;
  const big = placed(side ? { ...side, name: a.name } : lookingRight(a), { cx: 44, cy: 52, side: 80, fill: 0.9 });
  const bb = boundsOf(outlineOf(big));
  // Where its wings are up, what reaches furthest forward of all is its beak.
  const isFlying = isBird(a.name) && side !== null && s.idea % poses.length === 1;
  const upper = intersect(
    outlineOf(big),
    box(bb.x, bb.y, bb.width, bb.height * (isFlying ? 1 : poses.length ? 0.5 : 0.3)),
  );
  const front = boundsOf(upper).x + boundsOf(upper).width;
  const tip = boundsOf(intersect(upper, box(front - 2.5, bb.y, 4, bb.height)));
  // Several in a row are no smaller each.
  const own = boundsOf(outlineOf(b));
  const small = placed(b, { cx: 50, cy: 50, side: own.width > 2 * own.height ? 58 : 34, fill: 0.8 });
  const sb = boundsOf(outlineOf(small));
  const map = [1, 0, 0, 1, front - 2 - (sb.x + sb.width * 0.3), tip.y + tip.height - 1 - (sb.y + sb.height * 0.22)] as const; // prettier-ignore
  return [...finished(s, big), ...clear(s, movedFigure(small, map), s.palette.groundHex, swapped(s), 1.6)];
};

/** A at B with its beak, which is the thinner end of its upper half. */
export const sipping: Pair = (s, a, b) => {
  const bird = placed(a, { cx: 50, cy: 46, side: 74, fill: 0.9 });
  const bb = boundsOf(outlineOf(bird));
  const upper = intersect(outlineOf(bird), box(bb.x, bb.y, bb.width, bb.height * 0.6));
  const ub = boundsOf(upper);
  const ends = [true, false].map((right) => {
    const end = boundsOf(intersect(upper, box(right ? ub.x + ub.width - 6 : ub.x - 1, ub.y, 7, ub.height)));
    return { right, x: right ? ub.x + ub.width : ub.x, y: end.y + end.height / 2, thick: end.height };
  });
  const tip = ends[0].thick <= ends[1].thick ? ends[0] : ends[1];
  const small = placed(b, { cx: 50, cy: 50, side: 46, fill: 0.9 });
  const sb = boundsOf(outlineOf(small));
  // The blossom is at the top of what it grows on.
  const x = tip.right ? tip.x - 5 - (sb.x + sb.width * 0.3) : tip.x + 5 - (sb.x + sb.width * 0.7);
  const map = [1, 0, 0, 1, x, tip.y - (sb.y + Math.min(sb.height * 0.45, sb.width * 0.5))] as const;
  return [...clear(s, movedFigure(small, map), s.palette.groundHex, swapped(s), 0), ...clear(s, bird, s.palette.groundHex, s.palette.inks, 1.4)]; // prettier-ignore
};

/** A above B, which spreads under its foot as roots do. */
export const rooted: Pair = (s, a, b) => {
  const high = placed(a, { cx: 50, cy: 36, side: 64, fill: 0.9 });
  const hb = boundsOf(outlineOf(high));
  const low = placed(b, { cx: 50, cy: 50, side: Math.max(44, hb.width * 0.9), fill: 1 });
  const lb = boundsOf(outlineOf(low));
  return [...finished(s, movedFigure(low, [1, 0, 0, 0.8, 0, hb.y + hb.height - 3 - lb.y * 0.8])), ...finished(s, high)];
};

/** A lies in the hollow of B, a crescent open to the right or to the left. */
export const cradled: Pair = (s, a, b) => {
  const moon = placed(b, { cx: 50, cy: 50, side: 88, fill: 1 });
  const mb = boundsOf(outlineOf(moon));
  const left = box(mb.x, mb.y, mb.width / 2, mb.height);
  const opensRight = sizeOf(intersect(outlineOf(moon), left)) > sizeOf(outlineOf(moon)) / 2;
  // Where the crescent is, at its middle height, its inner edge is where the hollow begins.
  const middle = boundsOf(intersect(outlineOf(moon), box(mb.x, mb.y + mb.height * 0.45, mb.width, mb.height * 0.2)));
  const inner = opensRight ? middle.x + middle.width : middle.x;
  const one = placed(a, { cx: 50, cy: 50, side: 50, fill: 0.85 });
  const ob = boundsOf(outlineOf(one));
  const x = opensRight ? inner - ob.width * 0.14 - ob.x : inner + ob.width * 0.14 - (ob.x + ob.width);
  const lying = movedFigure(one, [1, 0, 0, 1, x, mb.y + mb.height * 0.8 - (ob.y + ob.height)]);
  return [
    ...finished(s, moon, s.palette.groundHex, swapped(s)),
    ...clear(s, lying, s.palette.groundHex, s.palette.inks, 1.8),
  ];
};

/** B stands on A, an open hand. */
export const onHand: Pair = (s, a, b) => {
  const hand = placed(handOf(s, a, 'holding hand'), { cx: 50, cy: 72, side: 62, fill: 0.9 }); // prettier-ignore
  const hb = boundsOf(outlineOf(hand));
  const thing = placed(b, { cx: hb.x + hb.width * 0.36, cy: 40, side: 46, fill: 0.85 });
  const tb = boundsOf(outlineOf(thing));
  const down = hb.y + hb.height * 0.2 - (tb.y + tb.height);
  return [
    ...finished(s, movedFigure(thing, [1, 0, 0, 1, 0, down]), s.palette.groundHex, swapped(s)),
    ...clear(s, hand, s.palette.groundHex, s.palette.inks, 1.2),
  ];
};

/** Whether a thing is worn on the head or the face, by whoever has one and by things. */
export const isHeadgear = (name: string): boolean => /\b(?:hat|cap|nightcap|crown|helmet|glasses|sunglasses|goggles|monocle|moustache|bandana|headphones|mask)$/.test(name); // prettier-ignore

/** B on A's head, or round its neck when it is something for the neck. */
export const onHead: Pair = (s, a, b) => {
  const big = placed(a, WEARER);
  return [...finished(s, big), ...wornOn(s, big, b)];
};

/** Where somebody stands who wears something. */
export const WEARER = { cx: 50, cy: 57, side: 70 } as const;

/** What is worn alone, where it is on somebody who stands there. */
export function wornOn(s: Stage, big: Figure, asked: Figure): Layer[] {
  const b = cutOf(s, asked) ?? asked;
  const bb = boundsOf(outlineOf(big));
  const low = /scarf|tie|necklace|collar|bow|medal|ribbon|apron/.test(b.name);
  const glasses = /glass|goggle|mask|monocle|moustache|snorkel/.test(b.name);
  // It is under where the nose would be.
  const drop = b.name === 'moustache' ? 0.3 : 0;
  // The head is as broad as what the top quarter of the figure covers.
  // What swims has its head in front.
  const swims = ['fish', 'whale'].includes(buildOf(big.name) ?? '');
  // Of a long beak the skull is what is highest.
  const isBeaked = b !== asked && isSeenAside(big.name) && !swims;
  const front = isBeaked ? box(bb.x - 1, bb.y, bb.width + 2, bb.height * 0.09) : swims ? box((big.facing ?? 1) > 0 ? bb.x + 0.62 * bb.width : bb.x + 0.02 * bb.width, bb.y, 0.36 * bb.width, 0.6 * bb.height) : null; // prettier-ignore
  const head = boundsOf(intersect(outlineOf(big), front ?? box(bb.x - 1, bb.y, bb.width + 2, bb.height * 0.26)));
  const cx = swims && low ? bb.x + ((big.facing ?? 1) > 0 ? 0.66 : 0.34) * bb.width : head.x + head.width / 2;
  // Headphones go over the top of it and down to its middle.
  const over = /headphones|earmuffs/.test(b.name);
  const size = over ? Math.max(head.width, 0.8 * bb.width) * 1.16 : Math.max(20, Math.min(44, head.width * (glasses ? 0.95 : isBeaked ? 1.4 : 1.05))); // prettier-ignore
  const thing = placed(b, { cx, cy: 50, side: size, fill: 1 });
  const tb = boundsOf(outlineOf(thing));
  const isCover = swims && /helmet|mask/.test(b.name);
  const y = isCover
    ? head.y + head.height * 0.46 - tb.height * 0.5
    : over
      ? bb.y - tb.height * 0.16
      : low
        ? bb.y + bb.height * (swims ? 0.72 : 0.5) - tb.height / 2
        : glasses
          ? bb.y + bb.height * ((isCreature(big.name) ? 0.28 : 0.44) + drop) - tb.height / 2
          : (swims ? head.y : bb.y) - tb.height * 0.74;
  return clear(s, movedFigure(thing, [1, 0, 0, 1, 0, y - tb.y]), s.palette.groundHex, swapped(s), 1.2);
}

/** A hat, or sunglasses, that there is a cut of, by itself: "a postman's cap" is no top hat. */
function cutOf(s: Stage, asked: Figure): Figure | null {
  const { name, parts } = asked;
  if (name === 'sunglasses') return { name, tones: TONES, parts: eyewearParts(name, 50, 21, 17) };
  const said = askedFor(s, asked);
  const word = said ? saidOf(said) : name;
  const { hat } = dressFrom(word);
  if (!hat || !/\b(?:hat|cap|helmet|beret|beanie|bonnet)$/.test(word)) return null;
  const { behind, front } = hatParts(hat, { x: 50, y: 60, half: 22, middle: 70, cheek: 24 }, 0, 1);
  const cut = { name, tones: TONES, parts: inCloth([...behind, ...front], parts.find((p) => p.dye)?.dye) };
  // It is settled for it what was for the drawing that it stands in for.
  return parts[0]?.dye === undefined ? cut : undyed(cut);
}

/** B in front, A's upper half out of its top; as large as B, or much larger. */
export const emerging =
  (sideA = 58, sideB = 60, isFront = false): Pair =>
  (s, a, b) => {
    // A hat that something comes out of lies on its crown.
    const open = /\b(?:hat|cap|helmet)$/.test(b.name) ? turnedAt(b, Math.PI) : b;
    const front = placed(/(?:cup|bowl|mug|pot)$/.test(b.name) ? withoutSteam(open) : open, {
      cx: 50,
      cy: 72,
      side: sideB,
      fill: 0.85,
    });
    const fb = boundsOf(outlineOf(front));
    // Somebody in something looks out of it at us.
    const looks =
      isSeenAside(a.name) || (turnOf(s, 2) && !isFront)
        ? null
        : uprightOf(s, a, turnOf(s, 4) && !isFront ? 'waving' : 'standing');
    const back = placed(looks ?? a, { cx: 50, cy: 40, side: looks ? sideA * 1.15 : sideA, fill: 0.9 });
    const ab = boundsOf(outlineOf(back));
    // Of what is wide the rim is where it is lowest: an oar may stick up from it.
    const edges = [0.26, 0.74].map((k) => topAt(front, fb.x + k * fb.width - 2, fb.x + k * fb.width + 2) ?? fb.y);
    const rim = fb.width > 1.2 * fb.height ? Math.max(...edges) : fb.y;
    const dy = rim + fb.height * 0.22 - (ab.y + ab.height * 0.84);
    const raised = movedFigure(back, [1, 0, 0, 1, 0, dy]);
    const cut = clipped(raised, box(-200, -200, 500, 200 + rim + fb.height * 0.45));
    return [...finished(s, cut), ...clear(s, front, s.palette.groundHex, swapped(s), 1.6)];
  };

/** Side by side on one line, of one weight. */
export const sideBySide: Pair = (s, a, b) => {
  const left = placed(a, { cx: 27, cy: 50, side: 50, fill: 0.8 });
  const right = placed(b, { cx: 74, cy: 50, side: 46, fill: 0.8 });
  const foot = (f: Figure): number => boundsOf(outlineOf(f)).y + boundsOf(outlineOf(f)).height;
  const level = movedFigure(right, [1, 0, 0, 1, 0, foot(left) - foot(right)]);
  return fitLayers([...finished(s, left), ...finished(s, level, s.palette.groundHex, swapped(s))], 92);
};

/** A on the left and B on the right, both seen from the side and turned to one another. */
export const faceToFace: Pair = (s, a, b) => {
  const pose = s.idea % 2 ? 'standing' : 'sitting';
  return sideBySide(s, asideOf(s, a, pose), mirroredFigure(asideOf(s, b, pose)));
};

/** A small in number, flying: a line of them over B, none of them touching it. */
export const flockOver: Pair = (s, a, b) => {
  const below = placed(b, { cx: 50, cy: 66, side: 62, fill: 1 });
  const low = boundsOf(outlineOf(below));
  const row = placed(a, { cx: 50, cy: 20, side: 92, fill: 1 });
  const r = boundsOf(outlineOf(row));
  const k = Math.min(1, 30 / r.height);
  const above = movedFigure(row, [k, 0, 0, k, 50 * (1 - k), low.y - 5 - k * (r.y + r.height)]);
  return fitLayers([...finished(s, below, s.palette.groundHex, swapped(s)), ...finished(s, above)], 92);
}; // prettier-ignore

/** Two of B lean out from one foot, so that they are a heart. */
export const heartOfTwo: Pair = (s, _a, b) => {
  // As it is highest, its slender end down.
  const turns = Array.from({ length: 12 }, (_, i) => turnedAt(b, (i * Math.PI) / 12));
  const highOf = (f: Figure): number => boundsOf(outlineOf(f)).height;
  const tall = turns.reduce((best, f) => (highOf(f) > highOf(best) ? f : best));
  const one = placed(isTopHeavy(tall) ? tall : turnedAt(tall, Math.PI), { cx: 50, cy: 50, side: 76, fill: 1 });
  const o = boundsOf(outlineOf(one));
  // The broader it is the less it leans, that both meet along the middle.
  const lean = Math.max(0.32, Math.min(0.72, Math.atan2(o.width, o.height)));
  const right = turnedAt(one, lean);
  const r = boundsOf(outlineOf(right));
  const foot = boundsOf(intersect(outlineOf(right), box(r.x - 1, r.y + 0.94 * r.height, r.width + 2, r.height)));
  const put = movedFigure(right, [1, 0, 0, 1, 50.5 - foot.x, 0]);
  const half = clipped(put, box(50.8, -100, 200, 400));
  return fitLayers([...finished(s, half), ...finished(s, mirroredFigure(half), s.palette.groundHex, swapped(s))], 90);
}; // prettier-ignore

/** Three of B small on the back of A, seen from the side. */
export const onSpines: Pair = (s, a, b) => {
  const big = placed(asideOf(s, a, 'standing'), { cx: 50, cy: 56, side: 88, fill: 1 });
  const o = boundsOf(outlineOf(big));
  const isRight = (big.facing ?? 1) > 0;
  const spots = [[0.2, 0.34], [0.42, 0.14], [0.62, 0.3]] as const;
  const small = spots.map(([x, y]) => placed(b, { cx: o.x + (isRight ? x : 1 - x) * o.width, cy: o.y + y * o.height, side: 0.3 * o.width, fill: 0.9 }));
  return fitLayers([...finished(s, big), ...small.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1.2))], 92);
}; // prettier-ignore

/** A from the side, swimming: what is under the water is not seen, and waves go past it. */
export const swimmingIn: Pair = (s, a) => {
  const big = placed(asideOf(s, a, 'standing'), { cx: 50, cy: 50, side: 84, fill: 1 });
  const o = boundsOf(outlineOf(big));
  const line = o.y + 0.62 * o.height;
  const over = clipped(big, box(o.x - 1, o.y - 1, o.width + 2, line - o.y + 1));
  const [from, to] = [o.x - 10, o.x + o.width + 10];
  const waves = stroked([waveLine(from, to, line + 1.5, 1.8, 20), waveLine(from + 14, to - 8, line + 9, 1.8, 20), waveLine(from + 0.3 * o.width, to - 0.3 * o.width, line + 16.5, 1.8, 20)], 3, false);
  const [, ink = s.palette.inks[0]] = s.palette.inks;
  return fitLayers([...finished(s, over), layerOf(grown(waves, 1), s.palette.groundHex), ...solid(s, waves, ink)], 92);
}; // prettier-ignore

/** A from the side, its head over B, which stands before its feet. */
export const drinkingAt: Pair = (s, a, b) => {
  const big = placed(asideOf(s, a, 'standing'), { cx: 42, cy: 48, side: 78, fill: 0.9 });
  const o = boundsOf(outlineOf(big));
  const small = placed(b, { cx: 50, cy: 50, side: 0.42 * o.height, fill: 0.9 });
  const q = boundsOf(outlineOf(small));
  return fitLayers([...finished(s, big), ...clear(s, movedFigure(small, [1, 0, 0, 1, o.x + o.width + 1 - q.x, o.y + o.height - q.y - q.height]), s.palette.groundHex, swapped(s), 1.6)], 92);
}; // prettier-ignore

/** A on the left and B on the right, turned away from one another, their backs together. */
export const backToBack: Pair = (s, a, b) => {
  const pose = s.idea % 2 ? 'standing' : 'sitting';
  const [left, right] = [mirroredFigure(asideOf(s, a, pose)), asideOf(s, b, pose)].map((f) => placed(f, { cx: 50, cy: 50, side: 50, fill: 0.9 }));
  const [l, r] = [left, right].map((f) => boundsOf(outlineOf(f)));
  const met = movedFigure(right, [1, 0, 0, 1, l.x + l.width + 1.5 - r.x, l.y + l.height - r.y - r.height]);
  return fitLayers([...finished(s, left), ...finished(s, met, s.palette.groundHex, swapped(s))], 92);
}; // prettier-ignore

/** A long figure laid slanting, to the right (1) or to the left (-1); another is only tilted. */
const leaning = (figure: Figure, side: number): Figure => {
  const up = upright(figure);
  const b = boundsOf(outlineOf(up));
  return turnedAt(up, side * (isLong(figure) || b.height > 1.3 * b.width ? Math.PI / 4 : Math.PI / 10));
};

/** A and B crossed, A on top. */
export const crossing: Pair = (s, a, b) => {
  const slanted = (figure: Figure, side: number): Figure => placed(leaning(figure, side), { cx: 50, cy: 50, side: 84, fill: 0.9 }); // prettier-ignore
  return [
    ...finished(s, slanted(b, -1), s.palette.groundHex, swapped(s)),
    ...clear(s, slanted(a, 1), s.palette.groundHex, s.palette.inks, 1.8),
  ];
};

/** A turned to B, which is smaller, on one line. */
export const facing: Pair = (s, a, b) => {
  const big = placed(a, { cx: 38, cy: 50, side: 64, fill: 0.8 });
  const bb = boundsOf(outlineOf(big));
  const small = placed(b, { cx: Math.min(84, bb.x + bb.width + 17), cy: 50, side: 32, fill: 0.8 });
  const sb = boundsOf(outlineOf(small));
  const level = movedFigure(small, [1, 0, 0, 1, 0, bb.y + bb.height - sb.y - sb.height]);
  return [...finished(s, big), ...clear(s, level, s.palette.groundHex, swapped(s), 1.8)];
};

/** A stands between two B. */
export const flanked: Pair = (s, a, b) => {
  // Animals at both sides are as large as what they hold.
  const isLive = isCreature(b.name);
  const middle = placed(a, { cx: 50, cy: 47, side: isLive ? 46 : 62, fill: 0.75 });
  const mb = boundsOf(outlineOf(middle));
  const side = placed(b, { cx: 50, cy: 50, side: isLive ? 52 : 40, fill: 0.8 });
  const sb = boundsOf(outlineOf(side));
  const down = mb.y + mb.height - sb.y - sb.height;
  const off = mb.width / 2 + sb.width * 0.36;
  // Both look to the middle; what is not known to look to the left looks to the right.
  const flip = (side.facing ?? 1) > 0 ? -1 : 1;
  const right = movedFigure(side, [flip, 0, 0, 1, flip > 0 ? off : 100 + off, down]);
  const left = movedFigure(side, [-flip, 0, 0, 1, flip > 0 ? 100 - off : -off, down]);
  return [
    ...finished(s, { ...side, parts: [...left.parts, ...right.parts] }, s.palette.groundHex, swapped(s)),
    ...clear(s, middle, s.palette.groundHex, s.palette.inks, 1.8),
  ];
};

/** B before the middle of A, which reaches round it. */
export const embraced: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 50, side: 86, fill: 0.9 });
  const room = roomIn(silhouetteOf(big)) ?? { x: 50, y: 50, r: 18 };
  const small = placed(b, { cx: room.x, cy: room.y, side: Math.max(30, Math.min(44, room.r * 1.7)), fill: 0.9 });
  return [...finished(s, big), ...clear(s, small, s.palette.groundHex, swapped(s), 2.4)];
};

/** Many B in a ring round A. */
export const wreathed: Pair = (s, whole, b) => {
  // Round an animal it is about its head.
  const a = headOf(s, whole);
  const n = 9 + Math.floor(5 * s.knobs('wreath'));
  const small = placed(b, { cx: 0, cy: 0, side: 230 / n, fill: 0.9 });
  const out: Layer[] = [];
  for (let i = 0; i < n; i++) {
    const t = (2 * Math.PI * i) / n - Math.PI / 2;
    const [c, d] = [Math.cos(t + Math.PI / 2), Math.sin(t + Math.PI / 2)];
    const one = movedFigure(small, [c, d, -d, c, 50 + 38 * Math.cos(t), 50 + 38 * Math.sin(t)]);
    out.push(...finished(s, one, s.palette.groundHex, swapped(s)));
  }
  return [...out, ...finished(s, placed(a, { cx: 50, cy: 50, side: 52, fill: 0.8 }))];
};

/** A goes through B: behind its one half, before its other. */
/** A from the front, to the chest, with B hung about its neck by a band. */
export const hungFromNeck: Pair = (s, a, b) => {
  const [who] = s.parts.figures;
  const figure = uprightFigure(a.name, { knobs: s.knobs, stance: 'standing', expression: who?.expression ?? null, modifiers: who?.modifiers ?? [], dress: {}, held: null, crop: turnOf(s, 2) ? 'whole' : 'bust' });
  const big = placed(figure ?? a, { cx: 50, cy: 50, side: 90, fill: 0.95 });
  const o = boundsOf(outlineOf(big));
  // The neck is where it is narrowest, under the head.
  const rows = Array.from({ length: 24 }, (_, i) => { const y = o.y + o.height * (0.38 + 0.018 * i); return { ...boundsOf(intersect(silhouetteOf(big), box(o.x - 1, y, o.width + 2, 1))), at: y }; });
  const neck = rows.filter((r) => r.width > 0).reduce((p, q) => (q.width < p.width ? q : p));
  const cx = neck.x + neck.width / 2;
  const one = placed(b, { cx, cy: 50, side: 0.34 * o.width, fill: 1 });
  const t = boundsOf(outlineOf(one));
  const band = stroked([[neck.x + 0.06 * neck.width, neck.at, cx, neck.at + 4, neck.x + 0.94 * neck.width, neck.at]], 3.4, false);
  return fitLayers([...finished(s, big), ...solid(s, band, swapped(s)[0]), ...clear(s, movedFigure(one, [1, 0, 0, 1, 0, neck.at + 2.4 - t.y]), s.palette.groundHex, swapped(s), 1.4)], 92);
}; // prettier-ignore

/** A, which is long, goes slanting through B: seen at both its sides, hidden behind most of it. */
export const pierced: Pair = (s, a, b) => {
  const round = placed(isLong(b) ? upright(b) : b, { cx: 50, cy: 50, side: 66, fill: 0.95 });
  const hull = silhouetteOf(round);
  const at = roomIn(hull) ?? { x: 50, y: 50, r: 20 };
  // A hilt, which is the broader end, is where the hand was: up.
  const long = upright(a);
  const l = boundsOf(outlineOf(long));
  const [top, foot] = [0, 0.66].map((k) => boundsOf(intersect(outlineOf(long), box(l.x - 1, l.y + k * l.height, l.width + 2, 0.34 * l.height))).width); // prettier-ignore
  const isTipUp = /^(?:dagger|sword|knife)$/.test(a.name) && foot > top;
  const blade = placed(turnedAt(long, isTipUp ? Math.PI + 0.86 : 0.86), { cx: at.x, cy: at.y, side: 98, fill: 1 });
  // On one side it has gone in before the edge.
  const entry = intersect(intersect(outlineOf(blade), subtract(hull, grown(hull, -0.3 * at.r))), box(at.x, -100, 200, 100 + at.y));
  return fitLayers([
    ...finished(s, blade, s.palette.groundHex, swapped(s)),
    ...clear(s, without(round, grown(entry, 1.4)), s.palette.groundHex, s.palette.inks, 1.6),
    ...finished(s, blade, s.palette.groundHex, swapped(s)).map((l) => ({ ...l, area: intersect(l.area, entry) })),
  ], 92);
}; // prettier-ignore

export const passing: Pair = (s, a, b) => {
  const gate = placed(b, { cx: 50, cy: 50, side: 84, fill: 0.85 });
  const through = placed(a, { cx: 50, cy: 52, side: 66, fill: 0.7 });
  const front = clipped(gate, box(50, -60, 140, 220));
  const seen = outlineOf(front);
  return sizeOf(intersect(seen, outlineOf(through))) > 0.75 * sizeOf(outlineOf(through))
    ? [...finished(s, gate, s.palette.groundHex, swapped(s)), ...clear(s, through, s.palette.groundHex)]
    : [
        ...finished(s, gate, s.palette.groundHex, swapped(s)),
        ...clear(s, through, s.palette.groundHex, s.palette.inks, 1.4),
        // A gap where it goes in, and none through the rest of the other.
        layerOf(intersect(grown(seen, 1.4), outlineOf(through)), s.palette.groundHex),
        ...finished(s, front, s.palette.groundHex, swapped(s)),
      ];
};

/** Where the parts of a figure are, in shares of its box, and how large they are of its longer side. */
const PARTS_AT: readonly [RegExp, number, number, number][] = [
  [/^(?:head|hat|hood|top|roof|lid|crown|peak|summit|horns?|antlers?|ears?|hair|flame|heads?|ring)$/, 0.5, 0.08, 0.42],
  [/^(?:nose|beak|mouth|snout|muzzle|jaws?|bill|trunk|spout|face)$/, 0.8, 0.3, 0.3],
  [/^(?:tail|stern|handle|end|tip)$/, 0.1, 0.55, 0.38],
  [/^(?:feet|foot|legs?|roots?|wheels?|base|bottom|stem|stand)$/, 0.5, 0.92, 0.4],
  [/^(?:back|shell|saddle|shoulders?)$/, 0.48, 0.3, 0.56],
  [/^neck$/, 0.5, 0.26, 0.46],
  [/^(?:scroll|headstock|pommel|finial|knob)$/, 0.5, 0.1, 0.34],
  [/^(?:forehead|brow)$/, 0.5, 0.3, 0.26],
  [/^(?:beam|light|ray)$/, 0.96, 0.2, 0.5],
  [/^(?:keyhole|lock|buckle|button|emblem|core|door)$/, 0.5, 0.66, 0.34],
  [/^(?:hands?|paws?|claws?|talons?|arms?|fingers?|wings?)$/, 0.86, 0.56, 0.36],
];

/** Where parts are of which there are two, seen from the side or from the front, and how large each is. */
const PAIRS_AT: readonly [RegExp, readonly (readonly [number, number])[], number][] = [
  [/^wheels$/, [[0.21, 0.72], [0.79, 0.72]], 0.46],
  [/^(?:eyes|lenses|headlights)$/, [[0.3, 0.46], [0.7, 0.46]], 0.34],
  [/^(?:ears|horns|antlers)$/, [[0.2, 0.12], [0.8, 0.12]], 0.36],
  [/^(?:claws|pincers)$/, [[0.14, 0.24], [0.86, 0.24]], 0.42],
  [/^(?:wings|sails|arms)$/, [[0.14, 0.4], [0.86, 0.4]], 0.5],
]; // prettier-ignore
export const isPaired = (place: string | null): boolean => PAIRS_AT.some(([names]) => names.test(place ?? ''));

/** Where a figure that looks at us has its eyes, in shares of its box: the largest two rings of one part that mirror one another in its upper part; null where none do. */
function eyesOf(figure: Figure): readonly (readonly [number, number])[] | null {
  const b = boundsOf(outlineOf(figure));
  let best: { size: number; spots: (readonly [number, number])[] } | null = null;
  for (const part of figure.parts.slice(1)) {
    const rings = part.area.map((ring) => ({ box: boundsOf([ring]), size: Math.abs(sizeOf([ring])) }));
    for (const [i, p] of rings.entries())
      for (const q of rings.slice(i + 1)) {
        const at = [p, q].map((r) => [(r.box.x + r.box.width / 2 - b.x) / b.width, (r.box.y + r.box.height / 2 - b.y) / b.height] as const); // prettier-ignore
        const isPair = Math.abs(at[0][0] + at[1][0] - 1) < 0.06 && Math.abs(at[0][1] - at[1][1]) < 0.03 && Math.abs(p.size - q.size) < 0.2 * p.size; // prettier-ignore
        if (isPair && at[0][1] < 0.6 && at[0][1] > 0.12 && p.size < 0.12 * b.width * b.height && p.size > (best?.size ?? 0)) best = { size: p.size, spots: at }; // prettier-ignore
      }
  }
  return best?.spots ?? null;
}

/** B twice, in place of two parts of A that are alike. */
export const atParts =
  (place: string): Pair =>
  (s, a, b) => {
    const big = placed(a, { cx: 50, cy: 50, side: 84, fill: 0.85 });
    const bb = boundsOf(outlineOf(big));
    const [, at, size] = PAIRS_AT.find(([names]) => names.test(place))!;
    const seen = place === 'eyes' ? eyesOf(big) : null;
    const wheels = place === 'wheels' ? wheelsOf(big) : null;
    const spots = seen ?? at;
    const side = Math.min(bb.width, bb.height * 1.2) * size;
    const two = wheels
      ? wheels.map(({ x, y, r }) => placed(b, { cx: x, cy: y, side: 2.1 * r, fill: 1 }))
      : spots.map(([x, y]) => placed(b, { cx: bb.x + bb.width * x, cy: bb.y + bb.height * y, side, fill: 0.95 }));
    const rest = without(big, [
      ...two.flatMap((f) => grown(silhouetteOf(f), 1.6)),
      ...(wheels ?? []).flatMap(({ x, y, r }) => disc(x, y, r + 1.2)),
    ]);
    return [...finished(s, rest), ...two.flatMap((f) => clear(s, f, s.palette.groundHex, swapped(s), 1.6))];
  };

/** Of a flower that stands on a stem, what is about its middle: as high as it is wide. */
export function blossomOf(flower: Figure): Figure {
  const f = boundsOf(outlineOf(flower));
  const isOnStem = f.height > 1.25 * f.width || flower.name === 'sunflower';
  return isOnStem ? clipped(flower, disc(f.x + f.width / 2, f.y + 0.36 * f.height, 0.36 * f.height)) : flower;
}

/** Parts that are round. */
const ROUND =
  /^(?:lens|record|vinyl|disc|dial|face|wheel|pupil|iris|screen|plate|button|bell|seat|sun|ball|bulb|propeller|fan)$/;

/** What flies with a flame behind it. */
const STERN = /^(?:rocket|space shuttle|jetpack|missile|jet)$/;

/** Where the blunt end of what flies is, in shares of its box: across from its nose, which is the thinner end. */
function sternOf(hull: Area): { x: number; y: number } {
  const b = boundsOf(hull);
  const ends = [[0.5, 0.95], [0.1, 0.9], [0.9, 0.9]] as const; // prettier-ignore
  const inkAt = (x: number, y: number): number => sizeOf(intersect(hull, box(b.x + b.width * (x - 0.13), b.y + b.height * (y - 0.13), b.width * 0.26, b.height * 0.26))); // prettier-ignore
  // Of a figure that leans, two corners of its box are nearly empty.
  const [left, right] = [inkAt(0.1, 0.1), inkAt(0.9, 0.1)];
  const bottom = Math.min(left, right) > 0.5 * Math.max(left, right) ? ends[0] : right > left ? ends[1] : ends[2];
  return { x: bottom[0], y: bottom[1] };
}

/** B where a part of A is: instead of it, or upon it. */
export const atPart =
  (place: string | null, instead: boolean): Pair =>
  (s, a0, b) => {
    // A long thing stands up for its neck to be above.
    const a = /^(?:neck|scroll|headstock)$/.test(place ?? '') ? upright(a0) : a0;
    const big = placed(a, { cx: 50, cy: 53, side: 80, fill: 0.85 });
    // A part that is drawn apart makes room for what stands for it.
    const own = instead ? big.parts.filter((p) => p.of !== undefined && p.of === place) : [];
    if (own.length) {
      const n = boundsOf(union(...own.map((p) => p.area)));
      const inPlace = placed(b, { cx: n.x + n.width / 2, cy: n.y + n.height / 2, side: 1.1 * Math.max(n.width, n.height), fill: 1 }); // prettier-ignore
      const left = { ...big, parts: big.parts.filter((p) => !own.includes(p) && sizeOf(subtract(p.area, union(...own.map((o) => o.area)))) > 0.1 * sizeOf(p.area)) }; // prettier-ignore
      return [...finished(s, left), ...clear(s, inPlace, s.palette.groundHex, swapped(s), 1.6)];
    }
    const bb = boundsOf(outlineOf(big));
    // The handle of a cup is on the side where it leaves a hole.
    const [grip] = instead && place === 'handle' && a.name !== 'key' ? subtract(silhouetteOf(big), outlineOf(big)).map((ring) => ({ at: boundsOf([ring]), size: sizeOf([ring]) })).sort((p, q) => q.size - p.size) : []; // prettier-ignore
    if (grip && grip.size > 12 && Math.abs(grip.at.x + grip.at.width / 2 - bb.x - bb.width / 2) > 0.25 * bb.width) {
      const isRight = grip.at.x > bb.x + bb.width / 2;
      const edge = isRight ? grip.at.x - 0.5 : grip.at.x + grip.at.width + 0.5;
      const body = without(
        big,
        box(isRight ? edge : edge - 200, grip.at.y - 0.6 * grip.at.height, 200, 2.2 * grip.at.height),
      );
      const long = upright(b);
      const one = placed(isRight ? long : mirroredFigure(long), { cx: 50, cy: grip.at.y + grip.at.height / 2, side: 2.3 * grip.at.height, fill: 1 }); // prettier-ignore
      const o = boundsOf(outlineOf(one));
      const put = movedFigure(one, [1, 0, 0, 1, isRight ? edge - 2.5 - o.x : edge + 2.5 - (o.x + o.width), 0]);
      return [...finished(s, body), ...clear(s, put, s.palette.groundHex, swapped(s), 1.2)];
    }
    const found = PARTS_AT.find(([names]) => names.test(place ?? '')) ?? [null, 0.5, 0.5, 0.46];
    const stern = STERN.test(a.name) && /^(?:flames?|fire|exhaust|tail|engine|trail)$/.test(place ?? '') ? sternOf(silhouetteOf(big)) : null; // prettier-ignore
    // A balloon's basket hangs below, a bicycle's is at its bars.
    const basket = /^(?:basket|gondola)$/.test(place ?? '') ? (/balloon|airship/.test(a.name) ? [null, 0.5, 0.92, 0.4] as const : [null, 0.84, 0.24, 0.34] as const) : null; // prettier-ignore
    const [, x, y, size] = basket ?? (stern ? ([null, stern.x, stern.y, 0.5] as const) : found);
    const side = Math.max(bb.width, bb.height) * size * (instead ? 1.12 : 0.8);
    // What one holds a key by is where it is roundest.
    const bow = /^(?:key|magnifying glass|racquet|ladle|spoon)$/.test(a.name) && /^(?:handle|head|bow|top)$/.test(place ?? '') ? roomIn(silhouetteOf(big)) : null; // prettier-ignore
    // A lens, a dial or a record is the largest round in what has it; of a flower its blossom is there.
    const round = ROUND.test(place ?? '') ? roundsIn(big)[0] : undefined;
    if (round) {
      const isFlower = /^(?:flower|sunflower|rose|tulip|poppy|peony|dahlia|orchid|lily)$/.test(b.name);
      const inRound = placed(isFlower ? blossomOf(b) : b, { cx: round.x, cy: round.y, side: 2.3 * round.r, fill: 1 });
      const about = without(big, union(disc(round.x, round.y, round.r + 1), grown(silhouetteOf(inRound), 1.6)));
      return [...finished(s, about), ...clear(s, inRound, s.palette.groundHex, swapped(s), 1.6)];
    }
    const small = placed(b, bow ? { cx: bow.x, cy: bow.y, side: Math.min(50, Math.max(side, bow.r * 2.5)), fill: 0.95 } : { cx: bb.x + bb.width * x, cy: bb.y + bb.height * y, side, fill: 0.95 }); // prettier-ignore
    const rest = instead ? without(big, grown(silhouetteOf(small), 1.6)) : big;
    return [...finished(s, rest), ...clear(s, small, s.palette.groundHex, swapped(s), 1.6)];
  };

/** Several of one figure as one: two look at each other or away from each other, crossed ones cross, more stand in rows. */
export function severalAsOne(figure: Figure, count: number, how: Standing | null): Figure {
  const many = Math.min(12, count);
  const b = boundsOf(outlineOf(figure));
  const cx = b.x + b.width / 2;
  const join = (copies: readonly Figure[]): Figure => ({ ...figure, parts: copies.flatMap((c) => c.parts) });
  // What has its blade at its foot is crossed as it leans: by the shafts, the blades apart.
  if (how === 'crossed' && many === 2 && /^(?:hockey stick|golf club|crowbar)$/.test(figure.name)) {
    const other = movedFigure(figure, [-1, 0, 0, 1, 2 * (b.x + 0.6 * b.width), 0]);
    return join([without(other, grown(outlineOf(figure), 2)), figure]);
  }
  if (how === 'crossed' && many === 2) {
    const [over, under] = [leaning(figure, 1), leaning(movedFigure(figure, [-1, 0, 0, 1, 2 * cx, 0]), -1)];
    const [p, q] = [over, under].map((f) => boundsOf(outlineOf(f)));
    // They cross in the lower half of their shafts, so that their heads are apart.
    const stem = upright(figure);
    const h = boundsOf(outlineOf(stem));
    const shaft = boundsOf(
      intersect(outlineOf(stem), box(h.x - 1, h.y + 0.62 * h.height, h.width + 2, 0.4 * h.height)),
    );
    const isHeaded = shaft.width < 0.62 * h.width && h.height > 1.3 * h.width;
    const head = boundsOf(intersect(outlineOf(stem), box(h.x - 1, h.y, h.width + 2, 0.4 * h.height)));
    const room = head.width / Math.SQRT2 - (h.y + h.height / 2 - head.y - head.height / 2);
    const aside = h.x + h.width / 2 - (shaft.x + shaft.width / 2);
    const apart = isHeaded
      ? Math.SQRT1_2 * Math.max(0, Math.min(0.24 * h.height, Math.max(room, 0.1 * h.height) + aside))
      : 0;
    const met = movedFigure(under, [1, 0, 0, 1, p.x + p.width / 2 - q.x - q.width / 2 - 2 * apart, p.y + p.height / 2 - q.y - q.height / 2]); // prettier-ignore
    return join([without(met, grown(outlineOf(over), 2)), over]);
  }
  if (how === 'stacked') {
    // One on another, flat things close, each a little off the one below.
    const step = b.height * (b.height < 0.7 * b.width ? 0.62 : 0.9);
    return join(Array.from({ length: many }, (_, i) => movedFigure(figure, [1, 0, 0, 1, (i % 2 ? 0.05 : -0.03) * b.width, -i * step]))); // prettier-ignore
  }
  if (many === 2) {
    // What is not known to look to the left looks to the right.
    const step = b.width * 0.52 * ((figure.facing ?? 1) > 0 === (how === 'away') ? -1 : 1);
    return join([movedFigure(figure, [1, 0, 0, 1, -step, 0]), movedFigure(figure, [-1, 0, 0, 1, 2 * cx + step, 0])]);
  }
  const columns = many <= 3 || how === 'row' ? many : Math.ceil(Math.sqrt(many));
  return join(
    Array.from({ length: many }, (_, i) => {
      const row = Math.floor(i / columns);
      const inRow = Math.min(columns, many - row * columns);
      return movedFigure(figure, [1, 0, 0, 1, (i - row * columns - (inRow - 1) / 2) * b.width * 1.1, row * b.height * 1.1]); // prettier-ignore
    }),
  );
}

/** B in the foot of A, as a door is in a house; what is no door has its place higher up. */
export const builtIn: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 50, side: 86, fill: 0.9 });
  const hull = silhouetteOf(big);
  const bb = boundsOf(hull);
  const isDoor = /door|fireplace/.test(b.name) || s.parts.figures.some((f) => f.place === 'door');
  const part = isDoor ? intersect(hull, box(bb.x, bb.y + bb.height * 0.6, bb.width, bb.height)) : hull;
  const room = roomIn(part) ?? { x: 50, y: 60, r: 12 };
  const small = upright(placed(b, { cx: room.x, cy: room.y, side: Math.max(14, room.r * 1.7), fill: 0.9 }));
  const sb = boundsOf(outlineOf(small));
  const foot = boundsOf(intersect(hull, box(sb.x + sb.width * 0.3, bb.y, sb.width * 0.4, bb.height)));
  const down = isDoor ? foot.y + foot.height - (sb.y + sb.height) : 0;
  return [...finished(s, big), ...clear(s, movedFigure(small, [1, 0, 0, 1, 0, down]), s.palette.groundHex, swapped(s), 1.4)]; // prettier-ignore
};
