/** Arrangements about a head: what stands round it, what is at its eye or its mouth, and ears on what has none. */
import { boundsOf, box, disc } from './area';
import { areaFrom, grown, intersect, parsePath, roomIn, sizeOf, union, type Area } from '../path';
import { buildOf, builtDrawings, uprightFigure } from './built';
import { dressFrom, taper } from './creature';
import { faceOn } from './faced';
import { clipped, isLong, lookingRight, movedFigure, outlineOf, partsNamed, placed, turnedAt, upright, type Figure, type Part } from './figure'; // prettier-ignore
import { askedFor, atPart, blossomOf, fannedOut, headOf, inHands, swapped, uprightOf, type Pair } from './pairings';
import { fitLayers } from './layer';
import { asksHead, turnOf, clear, finished } from './stage';

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
  return [
    ...finished(s, placed(blossomOf(b), { cx: 50, cy: 50, side: 94, fill: 1 }), s.palette.groundHex, swapped(s)),
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
export const eared =
  (hasFace: boolean): Pair =>
  (s, whole, b) => {
    const head = placed(headOf(s, whole), { cx: 50, cy: 50, side: 60, fill: 0.9 });
    const h = boundsOf(outlineOf(head));
    const thing = placed(upright(b), { cx: 50, cy: 54, side: 78, fill: 0.95 });
    const o = boundsOf(outlineOf(thing));
    // As far apart as the thing is broad where they grow.
    const top = boundsOf(
      intersect(outlineOf(thing), box(o.x - 1, o.y + 0.16 * o.height, o.width + 2, 0.16 * o.height)),
    );
    const k = Math.max(0.55, Math.min(1.1, top.width / h.width));
    const ears = clipped(head, box(h.x - 1, h.y - 1, h.width + 2, 0.4 * h.height + 1));
    const put = movedFigure(ears, [k, 0, 0, k, top.x + top.width / 2 - k * (h.x + h.width / 2), o.y + 0.3 * o.height - k * (h.y + 0.4 * h.height)]); // prettier-ignore
    const face = hasFace ? faceOn(thing, 'happy') : null;
    return fitLayers([...finished(s, put), ...clear(s, thing, s.palette.groundHex, swapped(s), 1.4), ...(face ? finished(s, face.face, s.palette.groundHex, s.palette.inks) : [])], 90); // prettier-ignore
  };

/** A has B at the end of its trunk, which it raises: what flies rises from there, what is long is held by its foot. */
export const inTrunk: Pair = (s, a, b) => {
  const [draw] = builtDrawings(a.name, { pose: 'trumpeting' }, s.knobs);
  const big = placed(draw?.() ?? lookingRight(a), { cx: 42, cy: 62, side: 76, fill: 0.9 });
  const bb = boundsOf(outlineOf(big));
  const ahead = intersect(outlineOf(big), box(bb.x + 0.8 * bb.width, bb.y - 1, bb.width, bb.height));
  const tip = boundsOf(ahead);
  const small = placed(upright(b), { cx: 50, cy: 50, side: 36, fill: 0.9 });
  const sb = boundsOf(outlineOf(small));
  const put = movedFigure(small, [1, 0, 0, 1, tip.x + tip.width - 2 - (sb.x + 0.5 * sb.width), tip.y + 3 - (sb.y + sb.height)]); // prettier-ignore
  return fitLayers([...clear(s, put, s.palette.groundHex, swapped(s), 0), ...clear(s, big, s.palette.groundHex, s.palette.inks, 1.2)], 92); // prettier-ignore
};

/** B in the pouch of A, a pelican: of its two largest parts beside the body the one that is furthest from its middle. */
export const inBill: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 52, side: 80, fill: 0.9 });
  const bb = boundsOf(outlineOf(big));
  const reach = ({ area }: Part): number => Math.abs(boundsOf(area).x + boundsOf(area).width / 2 - bb.x - bb.width / 2);
  const [body, ...others] = [...big.parts].sort((p, q) => sizeOf(q.area) - sizeOf(p.area));
  const pouch = others.slice(0, 2).reduce((p, q) => (reach(q) > reach(p) ? q : p), others[0] ?? body);
  const room = roomIn(pouch.area) ?? { x: bb.x, y: bb.y + bb.height / 2, r: 10 };
  const caught = placed(b, { cx: room.x, cy: room.y, side: 2.5 * room.r, fill: 0.9 });
  return [...finished(s, big), ...clear(s, caught, s.palette.groundHex, s.palette.inks, 1)];
};

/** B, a ring mostly, at the nose of A: under its middle where A looks at us, and where a nose is else. */
export const nosed: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 53, side: 80, fill: 0.85 });
  const bb = boundsOf(outlineOf(big));
  const found = big.parts.find((p) => p.of === 'nose');
  const nose = found && boundsOf(found.area);
  if (!nose || Math.abs(nose.x + nose.width / 2 - bb.x - bb.width / 2) > 0.08 * bb.width) return atPart('nose', false)(s, a, b); // prettier-ignore
  const at = { cx: nose.x + nose.width / 2, cy: nose.y + 1.1 * nose.height, side: 0.24 * bb.width, fill: 1 };
  return [...finished(s, big), ...clear(s, placed(b, at), s.palette.groundHex, swapped(s), 1.2)];
};

/** Where the mouth is on a head that looks at us, and how large all is there: the eyes of a head of usual size are 30 units across. Null where it has no eyes. */
function mouthOf(head: Figure): { x: number; y: number; k: number } | null {
  const e = boundsOf(partsNamed(head, 'eye', 'pupil'));
  if (!(e.width > 0)) return null;
  const nose = head.parts.find((p) => p.of === 'nose');
  const n = nose && boundsOf(nose.area);
  const k = e.width / 30;
  // Of who has a snout the mouth is under its nose; of people it is as far under the eyes as those are apart.
  return { x: e.x + e.width / 2, y: n && n.width > 6 * k ? n.y + n.height + 4 * k : e.y + e.height / 2 + 19 * k, k };
}

/** What a carrot or a radish is held by is its leaves: one eats it from the other end. */
const LEAFY = /^(?:carrot|radish|beet|turnip|leek|pineapple)$/;

/** A has B at its mouth, to drink from or to eat: between two paws; what has hooves has it by its foot in the mouth. */
export const atLips: Pair = (s, a, b) => {
  const head = placed(headOf(s, a), { cx: 50, cy: 42, side: 70, fill: 1 });
  const mouth = mouthOf(head);
  if (!mouth) return inHands(s, a, b, 'sitting');
  const { x, y, k } = mouth;
  const inks = swapped(s);
  const ground = s.palette.groundHex;
  const scale = Math.min(1.3, Math.max(0.8, k));
  const stood = LEAFY.test(b.name) ? turnedAt(upright(b), Math.PI) : isLong(b) ? upright(b) : b;
  if (buildOf(a.name) === 'hoofed') {
    const lies = turnedAt(placed(upright(b), { cx: 50, cy: 50, side: 34 * scale, fill: 1 }), 1.8);
    const l = boundsOf(outlineOf(lies));
    const bitten = movedFigure(lies, [1, 0, 0, 1, x + 2 * k - l.x, y + k - (l.y + 0.24 * l.height)]);
    return fitLayers([...finished(s, head), ...clear(s, bitten, ground, inks, 1.4)], 90);
  }
  const thing = placed(stood, { cx: x, cy: 50, side: (isLong(stood) ? 46 : 34) * scale, fill: 1 });
  const t = boundsOf(outlineOf(thing));
  const put = movedFigure(thing, [1, 0, 0, 1, 0, y - 1.5 * k - t.y]);
  const room = boundsOf(outlineOf(put));
  const r = 6.4 * scale;
  const grip = room.y + Math.min(0.62 * room.height, 20 * scale);
  const span = boundsOf(intersect(outlineOf(put), box(room.x - 1, grip - 3, room.width + 2, 6)));
  // About what is thin one paw is over the other.
  const isThin = span.width < r;
  const paw = (side: 1 | -1): Area => disc(span.x + span.width / 2 + side * (span.width / 2 + (isThin ? 0.5 : 0.3) * r), grip + (isThin ? 0.8 * side * r : 0), r, 48); // prettier-ignore
  const paws: Figure = { name: a.name, tones: head.tones, parts: [{ tone: 0, area: union(paw(1), paw(-1)) }] };
  return fitLayers([...finished(s, head), ...clear(s, put, ground, inks, 1.4), ...clear(s, paws, ground, s.palette.inks, 1.2)], 90); // prettier-ignore
};

/** A has B, a pipe, between its lips: the stem at a corner of its mouth, the bowl beside its chin. */
export const smoking: Pair = (s, a, b) => {
  const who = askedFor(s, a);
  const bust = who && asksHead(who.modifiers) ? uprightFigure(a.name, { knobs: s.knobs, stance: 'standing', expression: who.expression, modifiers: who.modifiers, dress: dressFrom(a.name), held: null, crop: 'bust' }) : null; // prettier-ignore
  const big = placed(bust ?? uprightOf(s, a, 'standing') ?? headOf(s, a), { cx: 50, cy: 52, side: 88, fill: 0.9 });
  const mouth = mouthOf(big);
  if (!mouth) return atPart('mouth', false)(s, a, b);
  const { y, k } = mouth;
  const x = mouth.x + 3.4 * k;
  const stem = taper([x, y, 1.3 * k], [x + 7 * k, y + 3 * k, 1.4 * k], [x + 16 * k, y + 9 * k, 1.9 * k]);
  const bowl = areaFrom(parsePath(`M${x + 13 * k} ${y - 3 * k}L${x + 26 * k} ${y - 3 * k}C${x + 26.4 * k} ${y + 8 * k} ${x + 24 * k} ${y + 14 * k} ${x + 19 * k} ${y + 14 * k}C${x + 14.4 * k} ${y + 14 * k} ${x + 12.4 * k} ${y + 8 * k} ${x + 13 * k} ${y - 3 * k}Z`)); // prettier-ignore
  const rim = grown(box(x + 12.4 * k, y - 4.2 * k, 14.2 * k, 2.6 * k), 0.5 * k);
  const puff = (dx: number): Area => taper([x + dx * k, y - 8 * k, 0.7 * k], [x + (dx + 1.8) * k, y - 12 * k, 1.1 * k], [x + (dx - 1) * k, y - 16 * k, 1.1 * k], [x + (dx + 1.6) * k, y - 21 * k, 0.6 * k]); // prettier-ignore
  const dye = b.parts.find((p) => p.dye)?.dye;
  const pipe: Figure = { name: b.name, tones: [0.2, 0.55, 0.8], parts: [{ tone: 0, area: union(stem, bowl), dye }, { tone: 1, area: rim }, { tone: 2, area: union(puff(18), puff(23)) }] }; // prettier-ignore
  return fitLayers([...finished(s, big), ...clear(s, pipe, s.palette.groundHex, swapped(s), 0.9)], 92);
};

/** B sits on the nose of A, which looks at us. */
export const onNose: Pair = (s, a, b) => {
  const head = placed(headOf(s, a), { cx: 50, cy: 54, side: 84, fill: 1 });
  const h = boundsOf(outlineOf(head));
  const mouth = mouthOf(head);
  const [x, y, k] = mouth ? [mouth.x, mouth.y - 7 * mouth.k, mouth.k] : [h.x + h.width / 2, h.y + 0.62 * h.height, 1];
  const small = placed(b, { cx: x, cy: y - 2 * k, side: Math.max(20, 0.26 * h.width), fill: 1 });
  return fitLayers([...finished(s, head), ...clear(s, small, s.palette.groundHex, swapped(s), 1.6)], 90);
};

/** A looks through B, which is before its eye and points up and away. */
export const peering: Pair = (s, a, b) => {
  const side = builtDrawings(a.name, { pose: 'sitting' }, s.knobs)[0]?.();
  const who = placed(side && a.name !== 'owl' ? { ...side, name: a.name } : lookingRight(a), { cx: 34, cy: 58, side: 62, fill: 0.95 });
  const w = boundsOf(outlineOf(who));
  const isSmall = /^(?:magnifying glass|binoculars|camera)$/.test(b.name);
  const long = placed(isLong(b) ? turnedAt(upright(b), isSmall ? 0.4 : 0) : lookingRight(b), { cx: 50, cy: 50, side: isSmall ? 36 : 56, fill: 1 });
  const q = boundsOf(outlineOf(long));
  const head = boundsOf(intersect(outlineOf(who), box(w.x - 1, w.y, w.width + 2, 0.4 * w.height)));
  const put = movedFigure(long, [1, 0, 0, 1, head.x + head.width - 0.04 * w.width - q.x, w.y + 0.26 * w.height - (isSmall ? q.y + q.height / 2 : q.y + 0.36 * q.height)]);
  return fitLayers([...finished(s, who), ...clear(s, put, s.palette.groundHex, swapped(s), 1.4)], 92);
}; // prettier-ignore

/** A leaps, and has B in its mouth. */
export const leapingAt: Pair = (s, a, b) => {
  const side = builtDrawings(a.name, { pose: 'leaping' }, s.knobs)[turnOf(s, 2)]?.() ?? builtDrawings(a.name, { pose: 'leaping' }, s.knobs)[0]?.();
  const big = placed(side ? { ...side, name: a.name } : lookingRight(a), { cx: 44, cy: 54, side: 82, fill: 0.95 });
  const o = boundsOf(outlineOf(big));
  const upper = intersect(outlineOf(big), box(o.x + 0.6 * o.width, o.y - 1, 0.5 * o.width, 0.5 * o.height));
  const u = boundsOf(upper);
  const tip = boundsOf(intersect(upper, box(u.x + u.width - 4, u.y, 6, u.height)));
  const one = placed(b, { cx: u.x + u.width + 5, cy: tip.y + 0.6 * tip.height, side: 24, fill: 0.95 });
  return fitLayers([...finished(s, big), ...clear(s, one, s.palette.groundHex, swapped(s), 1.4)], 92);
}; // prettier-ignore
