/** Even space between letters, by their shapes. */
import { flatten, type Contour } from '../path';
import type { Face } from './face';

/** How near counts: what is near weighs most, down to this, in em. */
const NEAR = 0.05;
/** Heights at which sides are looked at. */
const HEIGHTS = 36;
/** Of how far a pair's space lies from the even one, as the face kerns it, so much stays. */
const KEPT = 0.45;
/** Capitals stand a little further apart than small letters: of how a face has that, so much stays. */
const KIND_SHARE = 0.3;
/** Of a face's pairs, so many come nearer than what is near. */
const NEAR_SHARE = 0.25;
/** No pair is moved further than this, in em. */
const FURTHEST = 0.35;
/** How finely outlines are followed, in em. */
const FLAT = 0.004;

/** A glyph's side, as it is looked at from the other letter: a place at each height of its band, and its outline. */
interface Profile {
  /** Outermost places to the right and to the left, [x, y] after one another. */
  readonly right: Float64Array;
  readonly left: Float64Array;
  /** Edges of its outline: x0, y0, x1, y1 after one another. */
  readonly edges: Float64Array;
  readonly advance: number;
}

const profiles = new WeakMap<Face, Map<number, Profile | null>>();

/** What is seen of a glyph from beside; null for one without outlines. */
function profileOf(face: Face, glyph: number, advance: number): Profile | null {
  let own = profiles.get(face);
  if (!own) profiles.set(face, (own = new Map()));
  let profile = own.get(glyph);
  if (profile === undefined) own.set(glyph, (profile = made(face, face.outline(glyph), advance)));
  return profile;
}

function made(face: Face, contours: readonly Contour[], advance: number): Profile | null {
  if (!contours.length) return null;
  const edges: number[] = [];
  let top = Infinity;
  for (const c of contours) {
    const run = flatten(c, FLAT);
    const n = run.length / 2;
    for (let k = 0; k < n; k++) {
      const next = (k + 1) % n;
      edges.push(run[2 * k], run[2 * k + 1], run[2 * next], run[2 * next + 1]);
      top = Math.min(top, run[2 * k + 1]);
    }
  }
  // Its band: from the baseline to the height of capitals, or of small letters without one that rises.
  const height = -top > (face.capHeight + face.xHeight) / 2 ? face.capHeight : face.xHeight;
  const right: number[] = [];
  const left: number[] = [];
  for (let h = 0; h < HEIGHTS; h++) {
    const y = -((h + 0.5) / HEIGHTS) * height;
    let [least, most] = [Infinity, -Infinity];
    for (let e = 0; e < edges.length; e += 4) {
      const [x0, y0, x1, y1] = [edges[e], edges[e + 1], edges[e + 2], edges[e + 3]];
      if (y0 > y === y1 > y) continue;
      const x = x0 + ((y - y0) / (y1 - y0)) * (x1 - x0);
      [least, most] = [Math.min(least, x), Math.max(most, x)];
    }
    if (most > -Infinity) {
      right.push(most, y);
      left.push(least, y);
    }
  }
  return right.length
    ? { right: Float64Array.from(right), left: Float64Array.from(left), edges: Float64Array.from(edges), advance }
    : null;
}

/** How far a place is from an outline that is moved to the right by so much; no further than what still counts. */
function distanceTo(edges: Float64Array, by: number, x: number, y: number): number {
  let least = Infinity;
  const px = x - by;
  for (let e = 0; e < edges.length; e += 4) {
    const [ax, ay] = [edges[e], edges[e + 1]];
    const [dx, dy] = [edges[e + 2] - ax, edges[e + 3] - ay];
    const square = dx * dx + dy * dy;
    const t = square > 0 ? Math.max(0, Math.min(1, ((px - ax) * dx + (y - ay) * dy) / square)) : 0;
    const [u, v] = [px - ax - t * dx, y - ay - t * dy];
    least = Math.min(least, u * u + v * v);
  }
  return Math.sqrt(least);
}

/** The space between two glyphs whose origins lie so far apart, in em, and how near they come. */
function spaceAt(p: Profile, q: Profile, apart: number): { space: number; nearest: number } {
  let nearest = Infinity;
  const over = (places: Float64Array, edges: Float64Array, move: number, by: number): number => {
    let sum = 0;
    for (let k = 0; k < places.length; k += 2) {
      const v = distanceTo(edges, by, places[k] + move, places[k + 1]);
      nearest = Math.min(nearest, v);
      sum += (v + NEAR) ** -3;
    }
    return sum / (places.length / 2);
  };
  const mean = (over(p.right, q.edges, 0, apart) + over(q.left, p.edges, apart, 0)) / 2;
  return { space: mean ** (-1 / 3) - NEAR, nearest };
}

/** Two glyphs of a face beside one another. */
export interface GlyphPair {
  readonly first: { readonly id: number; readonly advance: number };
  readonly second: { readonly id: number; readonly advance: number };
  /** What the face itself moves the second by, in em. */
  readonly kern: number;
}

/** The space between two glyphs as they are kerned, in em, and how near they come: the mean over the heights of both sides of (distance + 0.05)^-3, turned back into a length. Null where one has no outline. */
export function spaceBetween(
  face: Face,
  { first, second, kern }: GlyphPair,
): { space: number; nearest: number } | null {
  const [p, q] = [profileOf(face, first.id, first.advance), profileOf(face, second.id, second.advance)];
  return p && q ? spaceAt(p, q, first.advance + kern) : null;
}

/** Pairs that tell how a face is spaced, by what they are of: the hard ones among them. */
const TOLD_BY = {
  capitals: 'AV VA LT LY AT TA HH HO OO OH AY WA PA LO TO AO FA HE EN AN RI ID MA RO OU',
  mixed: 'To Te Ty Av Va Ya Wa Ho On Ka Ry Na Be In De Ma Po Yo Re Mi',
  small: 'rn no on nn oo rv vo we ke ab ry st ou it',
  figures: '17 71 10 11 74 20 36 58',
} as const;
type Kind = keyof typeof TOLD_BY;

interface Even {
  /** In the mean of all pairs, and of those of each kind. */
  readonly space: number;
  readonly of: Readonly<Record<Kind, number>>;
  /** Nearer than this no pair comes that was not. */
  readonly near: number;
}
const evens = new WeakMap<Face, Even>();

const kindOf = (first: string, second: string): Kind => {
  if (/\p{N}/u.test(first + second)) return 'figures';
  const isSmall = (c: string): boolean => c.toUpperCase() !== c;
  return isSmall(first) ? 'small' : isSmall(second) ? 'mixed' : 'capitals';
};

/** A pair of letters as the face itself sets it; null where it makes one glyph of them, or has not both. */
export function pairOf(face: Face, text: string): GlyphPair | null {
  const [kerned, plain] = [1, 0].map((kern) => face.shape(text, { features: { kern, liga: 0, clig: 0 } }));
  if (kerned.length !== 2 || kerned.some((g) => g.id === 0)) return null;
  const kern = kerned[0].advance + kerned[1].dx - plain[0].advance - plain[1].dx;
  return { first: plain[0], second: plain[1], kern };
}

/** The mean space of a face's telling pairs as it kerns them, and how near they come. */
function evenOf(face: Face): Even {
  let own = evens.get(face);
  if (own) return own;
  const nearest: number[] = [];
  const spaces = {} as Record<Kind, number[]>;
  for (const kind of Object.keys(TOLD_BY) as Kind[])
    spaces[kind] = TOLD_BY[kind].split(' ').flatMap((text) => {
      const pair = pairOf(face, text);
      const found = pair && spaceBetween(face, pair);
      if (!found) return [];
      nearest.push(found.nearest);
      return [found.space];
    });
  const mean = (list: readonly number[], otherwise: number): number =>
    list.length ? list.reduce((sum, x) => sum + x, 0) / list.length : otherwise;
  const space = mean(Object.values(spaces).flat(), 0.1);
  nearest.sort((p, q) => p - q);
  const of = Object.fromEntries(Object.entries(spaces).map(([k, list]) => [k, mean(list, space)])) as Record<Kind, number>; // prettier-ignore
  own = { space, of, near: nearest[Math.floor(NEAR_SHARE * nearest.length)] ?? 0 };
  evens.set(face, own);
  return own;
}

/** What pairs of a face came to, by their glyphs, the face's own kerning and kind. */
const kerns = new WeakMap<Face, Map<string, number>>();

/**
 * What the second glyph of a pair is to be moved by, in em, so that the space between them comes near what it is in the mean of the face, and they come no nearer than near pairs of it. `texts` are the two letters. What has no outline is left as the face has it.
 */
export function opticalKern(face: Face, pair: GlyphPair, texts: readonly [string, string]): number {
  let known = kerns.get(face);
  if (!known) kerns.set(face, (known = new Map()));
  const kind = kindOf(...texts);
  const key = `${pair.first.id} ${pair.second.id} ${pair.kern} ${kind}`;
  let own = known.get(key);
  if (own === undefined) known.set(key, (own = evenKern(face, pair, kind)));
  return own;
}

function evenKern(face: Face, pair: GlyphPair, kind: Kind): number {
  const now = spaceBetween(face, pair);
  if (!now) return pair.kern;
  const { space, of, near } = evenOf(face);
  const even = space + KIND_SHARE * (of[kind] - space);
  const wanted = even + KEPT * (now.space - even);
  const least = Math.min(near, now.nearest);
  const [p, q] = [
    profileOf(face, pair.first.id, pair.first.advance)!,
    profileOf(face, pair.second.id, pair.second.advance)!,
  ];
  let [low, high] = [pair.kern - FURTHEST, pair.kern + FURTHEST];
  for (let k = 0; k < 22; k++) {
    const middle = (low + high) / 2;
    const at = spaceAt(p, q, pair.first.advance + middle);
    // Nearer than near pairs of the face is too near, whatever the space.
    if (at.space < wanted || at.nearest < least) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
