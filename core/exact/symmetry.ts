/** Axes and centres about which outlines are nearly the same, and outlines made exactly so. */
import {
  arcGeometry,
  compose,
  flatten,
  IDENTITY,
  inverse,
  mapContour,
  mapPoint,
  mirrorIn,
  pointsAlong,
  reverseContour,
  signedArea,
  turnAbout,
  type Affine,
  type ArcSegment,
  type Contour,
  type Point,
  type Segment,
} from '../path';
import { drawingOf, type Drawing } from './drawing';
import { axisUpright, halved, wholeCircleOf } from './halves';
import { Lines, polylineOf } from './lines';

/** Something about which outlines are nearly the same: a mirror axis, or a centre to turn them about. */
export type Symmetry = (
  | {
      readonly kind: 'mirror';
      readonly through: Point;
      /** 0 is level, 90 upright; 0..180. */ readonly angleDeg: number;
    }
  | { readonly kind: 'turning'; readonly centre: Point; readonly order: number }
) & {
  /** How far off it is: the greatest distance of an outline from its image, in px, of what is alike. */
  readonly offPx: number;
  /** How much of the outlines has an image among them, 0..1. */
  readonly share: number;
};

/** Outlines that may be images of one another: of one ink, say. */
export interface Likes {
  readonly contours: readonly Contour[];
  /** Of each outline, what it is alike with. */
  readonly like: (contour: number) => unknown;
}

/** So many places on the outlines are looked at while axes are searched, and so many in the end. */
const PLACES = 240;
const PLACES_FINE = 1600;

/** Directions that are tried, and how many of the best are looked at closely. */
const DIRECTIONS = 36;
const CLOSELY = 6;
const ORDERS = [2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 16] as const;

/** Less of the outlines than this in their image is no symmetry. */
const LEAST_SHARE = 0.9;

/** Rounds of bringing outlines and their image together. */
const ROUNDS = 14;

/** An axis that moves no place by more than this share of what is allowed by standing upright, level or at 45 degrees does so. */
const SNAP = 0.7;

const FINE_PX = 0.02;

/** Places on outlines, evenly apart, and what their images may lie on. */
class Sampled {
  readonly centre: Point;
  readonly size: number;
  private readonly lines = new Map<unknown, Lines>();
  private readonly polylines: { line: Float64Array; like: unknown; long: number }[];

  constructor({ contours, like }: Likes) {
    this.polylines = contours.map((c, k) => {
      const line = polylineOf(c, FINE_PX);
      let long = 0;
      for (let i = 0; i + 3 < line.length; i += 2) long += Math.hypot(line[i + 2] - line[i], line[i + 3] - line[i + 1]);
      return { line, like: like(k), long };
    });
    for (const key of new Set(this.polylines.map((p) => p.like)))
      this.lines.set(key, new Lines(this.polylines.filter((p) => p.like === key).map((p) => p.line)));
    const places = this.places(PLACES_FINE);
    const n = places.length || 1;
    this.centre = [places.reduce((s, p) => s + p.at[0], 0) / n, places.reduce((s, p) => s + p.at[1], 0) / n];
    this.size = Math.max(1e-9, ...places.map((p) => Math.hypot(p.at[0] - this.centre[0], p.at[1] - this.centre[1])));
  }

  /** About so many places on all outlines. */
  places(count: number): { at: Point; like: unknown }[] {
    const all = this.polylines.reduce((s, p) => s + p.long, 0);
    const step = all / count;
    const out: { at: Point; like: unknown }[] = [];
    if (!(step > 0)) return out;
    let left = step / 2;
    for (const { line, like } of this.polylines)
      for (let i = 0; i + 3 < line.length; i += 2) {
        const [dx, dy] = [line[i + 2] - line[i], line[i + 3] - line[i + 1]];
        const long = Math.hypot(dx, dy);
        while (left <= long && long > 0) {
          out.push({ at: [line[i] + (left / long) * dx, line[i + 1] + (left / long) * dy], like });
          left += step;
        }
        left -= long;
      }
    return out;
  }

  distance(at: Point, like: unknown): number {
    return this.lines.get(like)?.distance(at) ?? Infinity;
  }

  nearest(at: Point, like: unknown): Point | null {
    return this.lines.get(like)?.nearest(at) ?? null;
  }

  /** How far images lie from outlines on the mean, none counted for more than `mostPx`. */
  meanOff(map: Affine, places: readonly { at: Point; like: unknown }[], mostPx: number): number {
    let sum = 0;
    for (const { at, like } of places) sum += Math.min(mostPx, this.distance(mapPoint(map, at), like));
    return sum / Math.max(1, places.length);
  }

  /** How far off a map is over what is within a limit, and how much that is. */
  judge(map: Affine, limitPx: number): { offPx: number; share: number } {
    const places = this.places(PLACES_FINE);
    let [offPx, count] = [0, 0];
    for (const { at, like } of places) {
      const off = this.distance(mapPoint(map, at), like);
      if (off > limitPx) continue;
      offPx = Math.max(offPx, off);
      count++;
    }
    return { offPx, share: count / Math.max(1, places.length) };
  }

  /** Places with the nearest place of the outlines to the image of each, those that are near enough. */
  pairs(map: Affine, places: readonly { at: Point; like: unknown }[], mostPx: number): [Point, Point][] {
    const out: [Point, Point][] = [];
    for (const { at, like } of places) {
      const image = mapPoint(map, at);
      const to = this.nearest(image, like);
      if (to && Math.hypot(to[0] - image[0], to[1] - image[1]) <= mostPx) out.push([at, to]);
    }
    return out;
  }
}

const meanOf = (points: readonly Point[]): Point => [
  points.reduce((s, p) => s + p[0], 0) / points.length,
  points.reduce((s, p) => s + p[1], 0) / points.length,
];

/** The mirror axis that best takes one of each pair to the other, by least squares. */
function axisOf(pairs: readonly (readonly [Point, Point])[]): { through: Point; angleDeg: number } {
  const [p, q] = [meanOf(pairs.map((x) => x[0])), meanOf(pairs.map((x) => x[1]))];
  let [s, c] = [0, 0];
  for (const [a, b] of pairs) {
    const [ax, ay, bx, by] = [a[0] - p[0], a[1] - p[1], b[0] - q[0], b[1] - q[1]];
    s += by * ax + bx * ay;
    c += bx * ax - by * ay;
  }
  const angleDeg = ((((0.5 * Math.atan2(s, c) * 180) / Math.PI) % 180) + 180) % 180;
  return { through: [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2], angleDeg };
}

/** The centre about which a turn best takes one of each pair to the other. */
function centreOf(pairs: readonly (readonly [Point, Point])[], rad: number): Point {
  const [p, q] = [meanOf(pairs.map((x) => x[0])), meanOf(pairs.map((x) => x[1]))];
  const [cos, sin] = [Math.cos(rad), Math.sin(rad)];
  // (I - R) c = q - R p
  const [rx, ry] = [q[0] - cos * p[0] + sin * p[1], q[1] - sin * p[0] - cos * p[1]];
  const det = (1 - cos) ** 2 + sin ** 2;
  return [((1 - cos) * rx - sin * ry) / det, (sin * rx + (1 - cos) * ry) / det];
}

/**
 * Mirror axes and centres about which outlines are nearly the same, each no further off than `limitPx` over nine tenths of them; axes first, those that are least off before others. An
 * axis stands level, upright or at 45 degrees, and goes through `middle` (of the sheet, say), where that is as true as the drawing can tell.
 */
export function symmetriesOf(likes: Likes, limitPx: number, middle: Point | null = null): Symmetry[] {
  const sampled = new Sampled(likes);
  const places = sampled.places(PLACES);
  if (places.length < 8) return [];
  const { centre, size } = sampled;
  const far = size / 6;
  const tried = Array.from({ length: DIRECTIONS }, (_, k) => {
    const angleDeg = (180 * k) / DIRECTIONS;
    return { angleDeg, off: sampled.meanOff(mirrorIn(centre, angleDeg), places, far) };
  });
  const least = tried
    .filter((t, k) => {
      const [before, after] = [tried[(k + DIRECTIONS - 1) % DIRECTIONS], tried[(k + 1) % DIRECTIONS]];
      return t.off <= before.off && t.off <= after.off;
    })
    .sort((p, q) => p.off - q.off)
    .slice(0, CLOSELY);
  const mirrors: Symmetry[] = [];
  for (const { angleDeg } of least) {
    let axis = { through: centre, angleDeg };
    for (let round = 0; round < ROUNDS; round++) {
      const most = Math.max(2 * limitPx, far * 0.6 ** round);
      const pairs = sampled.pairs(mirrorIn(axis.through, axis.angleDeg), places, most);
      if (pairs.length < places.length / 2) break;
      axis = axisOf(pairs);
    }
    axis = snapped(axis, centre, size, limitPx, middle);
    const judged = sampled.judge(mirrorIn(axis.through, axis.angleDeg), limitPx);
    const isKnown = mirrors.some(
      (m) => m.kind === 'mirror' && Math.abs(((m.angleDeg - axis.angleDeg + 270) % 180) - 90) < 2,
    );
    if (judged.share >= LEAST_SHARE && !isKnown) mirrors.push({ kind: 'mirror', ...axis, ...judged });
  }
  const turnings: Symmetry[] = [];
  for (const order of ORDERS) {
    const rad = (2 * Math.PI) / order;
    let about = centre;
    for (let round = 0; round < ROUNDS; round++) {
      const most = Math.max(2 * limitPx, far * 0.6 ** round);
      const pairs = sampled.pairs(turnAbout(about, rad), places, most);
      if (pairs.length < places.length / 2) break;
      about = centreOf(pairs, rad);
    }
    if (middle && Math.hypot(about[0] - middle[0], about[1] - middle[1]) < SNAP * limitPx) about = middle;
    const judged = sampled.judge(turnAbout(about, rad), limitPx);
    if (judged.share >= LEAST_SHARE) turnings.push({ kind: 'turning', centre: about, order, ...judged });
  }
  // Of orders that are multiples of one another the highest says it all.
  const highest = turnings.filter(
    (t) =>
      !turnings.some(
        (u) => u !== t && t.kind === 'turning' && u.kind === 'turning' && u.order > t.order && u.order % t.order === 0,
      ),
  );
  return [...mirrors.sort((p, q) => p.offPx - q.offPx), ...highest.sort((p, q) => p.offPx - q.offPx)];
}

/** An axis that is level, upright or at 45 degrees, and through the middle given, where that moves little. */
function snapped(
  axis: { through: Point; angleDeg: number },
  centre: Point,
  size: number,
  limitPx: number,
  middle: Point | null,
): { through: Point; angleDeg: number } {
  let { angleDeg } = axis;
  for (const even of [0, 45, 90, 135, 180])
    if (size * Math.abs(Math.sin(((angleDeg - even) * Math.PI) / 180)) < SNAP * limitPx) angleDeg = even % 180;
  const t = (angleDeg * Math.PI) / 180;
  const across: Point = [-Math.sin(t), Math.cos(t)];
  const off = (p: Point, q: Point) => (p[0] - q[0]) * across[0] + (p[1] - q[1]) * across[1];
  // The axis is told best beside the middle of what it goes through.
  const by = off(axis.through, centre);
  let through: Point = [centre[0] + by * across[0], centre[1] + by * across[1]];
  if (middle) {
    const away = off(middle, through);
    if (Math.abs(away) < SNAP * limitPx) through = [through[0] + away * across[0], through[1] + away * across[1]];
  }
  return { through, angleDeg };
}

/** Why outlines could not be made symmetrical. */
export class SymmetryError extends Error {}

/** The maps of a symmetry, the one that changes nothing first. */
export function mapsOf(symmetry: Symmetry): Affine[] {
  const nothing = IDENTITY;
  if (symmetry.kind === 'mirror') return [nothing, mirrorIn(symmetry.through, symmetry.angleDeg)];
  return Array.from({ length: symmetry.order }, (_, k) =>
    k === 0 ? nothing : turnAbout(symmetry.centre, (2 * Math.PI * k) / symmetry.order),
  );
}

/**
 * Outlines made exactly the same about an axis or a centre. Where their places answer to one another each becomes the mean of what it answers to, so that nothing moves further
 * than half of what it was off; where they do not, the half of a mirrored drawing with fewer points stays, and its image takes the place of the other. Outlines without an
 * image stay as they are. Throws a SymmetryError where neither can be done.
 */
export function madeSymmetrical(likes: Likes, symmetry: Symmetry, limitPx: number): Contour[] {
  const maps = mapsOf(symmetry);
  const even = evened(likes, maps, limitPx);
  if (even) return even;
  if (symmetry.kind === 'turning')
    throw new SymmetryError(
      'its parts do not answer to one another point by point, so it cannot be made exact about a centre',
    );
  return mirroredHalves(likes, maps[1], symmetry, limitPx);
}

/** The mean of places that answer to one another; null where some do not. */
function evened({ contours, like }: Likes, maps: readonly Affine[], limitPx: number): Contour[] | null {
  const circles = contours.map((c) => (c.open ? null : wholeCircleOf(c)));
  const evenCircles = evenedCircles(circles, like, maps, limitPx);
  const rest = contours.map((c, k) => (circles[k] ? { ...c, segments: [] } : c));
  const drawing = drawingOf(rest);
  const { places, sides } = drawing;
  const backs = maps.map((m) => inverse(m)!);
  const answers = answersOf(drawing, maps, limitPx);
  // Of each side, the sides it answers to under each map; those that have none stay as they are, with all that hangs on them.
  const byEnds = new Map<string, number[]>();
  const key = (p: number, q: number) => `${Math.min(p, q)} ${Math.max(p, q)}`;
  sides.forEach((s, k) => {
    const name = key(s.from, s.to);
    byEnds.set(name, [...(byEnds.get(name) ?? []), k]);
  });
  const answering = sides.map((side): (number | null)[] =>
    maps.map((map, m) => {
      const [p, q] = [answers[m][side.from], answers[m][side.to]];
      if (p === null || q === null) return null;
      const wanted = mapPoint(map, middleOf(places[side.from], side.segment));
      let [best, least] = [null as number | null, 4 * limitPx];
      for (const k of byEnds.get(key(p, q)) ?? []) {
        const other = sides[k];
        if (other.segment.kind !== side.segment.kind || like(other.contour) !== like(side.contour)) continue;
        const at = middleOf(places[other.from], other.segment);
        const off = Math.hypot(at[0] - wanted[0], at[1] - wanted[1]);
        if (off < least) [best, least] = [k, off];
      }
      return best;
    }),
  );
  const whole = contours.map(() => true);
  sides.forEach((side, k) => {
    if (answering[k].includes(null)) whole[side.contour] = false;
  });
  // An outline of which no side has an answer may have no image; one that has an image has other points there.
  const images = new Images(contours, like, limitPx);
  for (const k of contours.keys()) {
    if (circles[k] || whole[k]) continue;
    const answersSomewhere = sides.some((s, m) => s.contour === k && !answering[m].includes(null));
    if (answersSomewhere || maps.slice(1).some((map) => images.of(k, map) !== null)) return null;
  }
  const moved = places.map((p, k): Point => {
    const all = maps.map((_, m) => answers[m][k]);
    if (all.includes(null)) return p;
    return meanOf(all.map((a, m) => mapPoint(backs[m], places[a!])));
  });
  return contours.map((contour, c) => {
    if (circles[c]) return evenCircles[c] ?? contour;
    if (!whole[c]) return contour;
    const own = sides.map((_, k) => k).filter((k) => sides[k].contour === c);
    if (!own.length) return contour;
    const segments = own.map((k) =>
      evenSide(drawing, k, answering[k] as number[], backs, moved[sides[k].from], moved[sides[k].to]),
    );
    return { ...contour, start: moved[sides[own[0]].from], segments };
  });
}

/** A side as the mean of those it answers to. */
function evenSide(
  { places, sides }: Drawing,
  k: number,
  answering: readonly number[],
  backs: readonly Affine[],
  start: Point,
  to: Point,
): Segment {
  const { segment, from } = sides[k];
  if (segment.kind === 'line') return { kind: 'line', to };
  const others = answering.map((a) => sides[a]);
  if (segment.kind === 'arc') {
    // Its rise over its chord is the mean: of a radius near half the chord, a little more or less moves the middle by far more.
    const rises = others.map((o) => (o.segment.kind === 'arc' ? riseOf(places[o.from], o.segment) : 0));
    const rise = rises.reduce((s, r) => s + r, 0) / rises.length;
    const half = Math.hypot(to[0] - start[0], to[1] - start[1]) / 2;
    if (!(rise > 1e-9)) return { kind: 'line', to };
    return { ...segment, radius: (half * half + rise * rise) / (2 * rise), large: rise > half, to };
  }
  const handles = others.map((o, m): [Point, Point] => {
    if (o.segment.kind !== 'curve') return [segment.c1, segment.c2];
    const [c1, c2] = [mapPoint(backs[m], o.segment.c1), mapPoint(backs[m], o.segment.c2)];
    // Either way round: the end that lies nearer to where this one starts is its start.
    const begin = mapPoint(backs[m], places[o.from]);
    const end = mapPoint(backs[m], o.segment.to);
    const [p, q] = [places[from], segment.to];
    const there = Math.hypot(begin[0] - p[0], begin[1] - p[1]) + Math.hypot(end[0] - q[0], end[1] - q[1]);
    const back = Math.hypot(begin[0] - q[0], begin[1] - q[1]) + Math.hypot(end[0] - p[0], end[1] - p[1]);
    return there <= back ? [c1, c2] : [c2, c1];
  });
  return { kind: 'curve', c1: meanOf(handles.map((h) => h[0])), c2: meanOf(handles.map((h) => h[1])), to };
}

/** How far an arc rises over its chord, in px. */
function riseOf(from: Point, arc: ArcSegment): number {
  const g = arcGeometry(from, arc);
  return g.radius * (1 - Math.cos(g.sweepRad / 2));
}

/** The place in the middle of a segment, by its parameter. */
function middleOf(from: Point, s: Segment): Point {
  const line = flatten({ start: from, segments: [s], open: true }, 0.05);
  if (s.kind === 'line') return [(from[0] + s.to[0]) / 2, (from[1] + s.to[1]) / 2];
  const n = line.length / 2;
  const k = Math.floor(n / 2);
  return n % 2
    ? [line[2 * k], line[2 * k + 1]]
    : [(line[2 * k] + line[2 * k - 2]) / 2, (line[2 * k + 1] + line[2 * k - 1]) / 2];
}

/** For each map and place, the place that lies where its image falls, and answers back; null where there is none. */
function answersOf({ places, placesOf }: Drawing, maps: readonly Affine[], limitPx: number): (number | null)[][] {
  const used = new Set(placesOf.flat());
  const cell = 2 * limitPx;
  const grid = new Map<string, number[]>();
  places.forEach(([x, y], k) => {
    if (!used.has(k)) return;
    const name = `${Math.floor(x / cell)},${Math.floor(y / cell)}`;
    grid.set(name, [...(grid.get(name) ?? []), k]);
  });
  const nearest = ([x, y]: Point): number | null => {
    let [best, least] = [null as number | null, 2 * limitPx];
    const [c, r] = [Math.floor(x / cell), Math.floor(y / cell)];
    for (let i = c - 1; i <= c + 1; i++)
      for (let j = r - 1; j <= r + 1; j++)
        for (const k of grid.get(`${i},${j}`) ?? []) {
          const off = Math.hypot(places[k][0] - x, places[k][1] - y);
          if (off < least) [best, least] = [k, off];
        }
    return best;
  };
  const there = maps.map((map) => places.map((p, k) => (used.has(k) ? nearest(mapPoint(map, p)) : null)));
  const back = maps.map((map) => maps.findIndex((other) => isIdentity(compose(map, other))));
  return there.map((list, m) => list.map((to, k) => (to !== null && there[back[m]][to] === k ? to : null)));
}

const isIdentity = (map: Affine): boolean => map.every((x, k) => Math.abs(x - IDENTITY[k]) < 1e-6);

type Circle = ReturnType<typeof wholeCircleOf>;

/** Circles as the mean of those they answer to, where they do. */
function evenedCircles(
  circles: readonly Circle[],
  like: (contour: number) => unknown,
  maps: readonly Affine[],
  limitPx: number,
): (Contour | null)[] {
  return circles.map((circle, k) => {
    if (!circle) return null;
    const images = maps.map((map) => {
      const [x, y] = mapPoint(map, [circle.cx, circle.cy]);
      let [best, least] = [null as Circle, 2 * limitPx];
      circles.forEach((other, j) => {
        if (!other || like(j) !== like(k)) return;
        const off = Math.max(Math.hypot(other.cx - x, other.cy - y), Math.abs(other.r - circle.r));
        if (off < least) [best, least] = [other, off];
      });
      return best;
    });
    if (images.includes(null)) return null;
    const [cx, cy] = meanOf(images.map((image, m) => mapPoint(inverse(maps[m])!, [image!.cx, image!.cy])));
    const r = images.reduce((s, image) => s + image!.r, 0) / images.length;
    const half = (to: Point): Segment => ({ kind: 'arc', radius: r, large: false, clockwise: circle.clockwise, to });
    return { start: [cx - r, cy], segments: [half([cx + r, cy]), half([cx - r, cy])] };
  });
}

/** Which outlines lie where the images of others fall. */
class Images {
  private readonly lines = new Map<number, Lines>();

  constructor(
    private readonly contours: readonly Contour[],
    private readonly like: (contour: number) => unknown,
    private readonly limitPx: number,
  ) {}

  /** The outline that another's image lies on, nine tenths of it at least, by number; null where there is none. */
  of(k: number, map: Affine): number | null {
    const image = polylineOf(mapContour(map, this.contours[k]), 0.5);
    let [best, most] = [null as number | null, LEAST_SHARE];
    for (const j of this.contours.keys()) {
      if (this.like(j) !== this.like(k)) continue;
      let near = 0;
      for (let i = 0; i < image.length; i += 2)
        if (this.linesOf(j).distance([image[i], image[i + 1]]) <= 2 * this.limitPx) near++;
      const share = near / (image.length / 2);
      if (share > most) [best, most] = [j, share];
    }
    return best;
  }

  private linesOf(k: number): Lines {
    const lines = this.lines.get(k) ?? new Lines([polylineOf(this.contours[k], FINE_PX)]);
    this.lines.set(k, lines);
    return lines;
  }
}

/** The half of a drawing with fewer points, and its image in place of the other; outlines without an image stay. */
function mirroredHalves(
  { contours, like }: Likes,
  mirror: Affine,
  symmetry: Extract<Symmetry, { kind: 'mirror' }>,
  limitPx: number,
): Contour[] {
  const into = axisUpright(symmetry.through, (symmetry.angleDeg * Math.PI) / 180);
  const count = (side: 1 | -1): number =>
    contours.reduce((sum, c) => sum + c.segments.filter((s) => mapPoint(into, s.to)[0] * side > 0).length, 0);
  const swap: Affine = count(1) <= count(-1) ? IDENTITY : [-1, 0, 0, 1, 0, 0];
  const to = compose(into, swap);
  const back = inverse(to)!;
  const images = new Images(contours, like, limitPx);
  return contours.map((contour, k): Contour => {
    const image = contour.open ? null : images.of(k, mirror);
    if (image === null) return contour;
    if (image !== k) {
      // One of two: that on the kept side stays, the other becomes its image.
      const at = mapPoint(to, middleOfOutline(contour));
      if (at[0] >= 0) return contour;
      return reverseContour(mapContour(mirror, contours[image]));
    }
    const half = halved(ontoAxis(mapContour(to, contour)));
    const [own] = half.across;
    // A mirrored map turns outlines the other way round.
    const drawn = own && mapContour(back, own);
    if (!drawn || half.across.length !== 1) return contour;
    return Math.sign(signedArea(flatten(drawn))) === Math.sign(signedArea(flatten(contour)))
      ? drawn
      : reverseContour(drawn);
  });
}

/** Points that lie this near to x = 0 lie on it, in px. */
const ON_AXIS_PX = 0.02;

function ontoAxis({ start, segments, ...rest }: Contour): Contour {
  const put = (p: Point): Point => (Math.abs(p[0]) < ON_AXIS_PX ? [0, p[1]] : p);
  return { ...rest, start: put(start), segments: segments.map((s) => ({ ...s, to: put(s.to) })) };
}

function middleOfOutline(contour: Contour): Point {
  return meanOf(pointsAlong(contour, 0.5));
}
