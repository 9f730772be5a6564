/** Stretches of outlines that lie on a line or a circle. */
import {
  arcGeometry,
  circleThrough,
  dot,
  minus,
  offLine,
  pointAt,
  pointsAlong,
  straightThrough,
  tangentsOf,
  turnBetween,
  type Contour,
  type Point,
  type Segment,
  type Straight,
} from '../../path';
import { chainsOf, type Chain } from '../chains';

/** What a stretch lies on: a line, or a circle. */
export type Basis =
  ({ readonly kind: 'line' } & Straight) | { readonly kind: 'circle'; readonly middle: Point; readonly radius: number };

/** A stretch of an outline, as places on it, with what it lies on; null where that is neither a line nor a circle. */
export interface Lying {
  readonly places: readonly Point[];
  readonly lengthPx: number;
  readonly basis: Basis | null;
}

/** Joints that turn by more than this are corners, in radians. */
const CORNER_RAD = 0.12;
/** A stretch of a circle says where that lies when it turns by this much, in radians. */
const LEAST_TURN_RAD = 0.3;
/** Greater circles than this many times their stretch are no help to anybody. */
const FLATTEST = 12;
/** Places on a stretch lie about so many tolerances apart. */
const STEP = 1.5;
const PLACES_MOST = 4000;

export const offBasis = (p: Point, basis: Basis): number =>
  basis.kind === 'line'
    ? Math.abs(offLine(p, basis))
    : Math.abs(Math.hypot(p[0] - basis.middle[0], p[1] - basis.middle[1]) - basis.radius);

const lengthOf = (places: readonly Point[]): number =>
  places.reduce((sum, p, k) => (k ? sum + Math.hypot(...minus(p, places[k - 1])) : 0), 0);

/** About how long a segment is, in px. */
const longOf = (from: Point, s: Segment): number =>
  lengthOf(pointsAlong({ start: from, segments: [s], open: true }, 0.5));

const longest = ({ start, segments }: Contour): number =>
  segments.reduce((sum, s, k) => sum + longOf(k ? segments[k - 1].to : start, s), 0);

/** Places on an outline, about a step apart. */
function spaced({ start, segments }: Contour, stepPx: number): Point[] {
  const out: Point[] = [start];
  let from = start;
  for (const s of segments) {
    const parts = Math.max(s.kind === 'line' ? 1 : 4, Math.ceil(longOf(from, s) / stepPx));
    for (let k = 1; k <= parts; k++) out.push(k === parts ? s.to : pointAt(from, s, k / parts));
    from = s.to;
  }
  return out;
}

/** A chain cut where it turns, into lines, arcs, and runs of curves, and of what is too short to tell by itself, that go on smoothly in one another; of a closed chain the first run starts at a cut, if there is one. */
function partsOf(chain: Chain, leastPx: number): { contour: Contour; basis: Basis | null }[] {
  const from = [chain.start, ...chain.segments.map((s) => s.to)];
  const ways = chain.segments.map((s, k) => tangentsOf(from[k], s));
  const n = chain.segments.length;
  const isFree = chain.segments.map((s, k) => s.kind === 'curve' || longOf(from[k], s) < leastPx);
  const goesOn = (k: number): boolean => {
    const next = (k + 1) % n;
    return isFree[k] && isFree[next] && turnBetween(ways[k][1], ways[next][0]) < CORNER_RAD;
  };
  const cut = chain.closed ? Array.from({ length: n }, (_, k) => k).find((k) => !goesOn(k)) : n - 1;
  const first = cut === undefined ? 0 : (cut + 1) % n;
  const out: { contour: Contour; basis: Basis | null }[] = [];
  for (let m = 0; m < n; m++) {
    const k = (first + m) % n;
    const segment = chain.segments[k];
    const before = out[out.length - 1];
    if (m && before && goesOn((k + n - 1) % n)) {
      out[out.length - 1] = {
        ...before,
        contour: { ...before.contour, segments: [...before.contour.segments, segment] },
      };
      continue;
    }
    const basis = isFree[k] ? null : basisOf(from[k], segment);
    out.push({ contour: { start: from[k], segments: [segment], open: true }, basis });
  }
  return out;
}

/** What a line or an arc lies on by itself. */
function basisOf(from: Point, s: Contour['segments'][number]): Basis | null {
  if (s.kind === 'line') return { kind: 'line', ...straightThrough([from, s.to]) };
  if (s.kind === 'curve') return null;
  const g = arcGeometry(from, s);
  return { kind: 'circle', middle: [g.cx, g.cy], radius: g.radius };
}

/** The line or circle nearest to places, where none is further from it than a tolerance. */
function fitted(places: readonly Point[], withinPx: number): Basis | null {
  const near = (basis: Basis): boolean => places.every((p) => offBasis(p, basis) <= withinPx);
  const line: Basis = { kind: 'line', ...straightThrough(places) };
  if (near(line)) return line;
  const round = circleThrough(places);
  if (!round) return null;
  const circle: Basis = { kind: 'circle', ...round };
  return near(circle) && goesOneWay(places, round.middle) ? circle : null;
}

/** Whether places go round a middle without turning back. */
function goesOneWay(places: readonly Point[], middle: Point): boolean {
  let turned = 0;
  let all = 0;
  for (let k = 1; k < places.length; k++) {
    const [a, b] = [minus(places[k - 1], middle), minus(places[k], middle)];
    const turn = Math.atan2(a[0] * b[1] - a[1] * b[0], dot(a, b));
    turned += turn;
    all += Math.abs(turn);
  }
  return Math.abs(turned) > 0.98 * all;
}

/** Whether a circle can be told from a stretch of it. */
function isTold(basis: Basis, places: readonly Point[]): boolean {
  if (basis.kind === 'line') return true;
  const long = lengthOf(places);
  return long / basis.radius >= LEAST_TURN_RAD && basis.radius <= FLATTEST * long;
}

/** A run of curves as stretches on lines and circles, each as long as stays within a tolerance. */
function followed(places: readonly Point[], withinPx: number, leastPx: number): Lying[] {
  const out: Lying[] = [];
  const n = places.length;
  let from = 0;
  let free = 0;
  const put = (upto: number): void => {
    const own = places.slice(free, upto + 1);
    if (own.length > 1) out.push({ places: own, lengthPx: lengthOf(own), basis: null });
  };
  while (from < n - 1) {
    let [good, bad] = [from + 1, n];
    let best: Basis | null = null;
    // As far as it goes, by steps that double and then halve: what a shorter stretch fails, a longer one fails as well.
    for (let step = 2; ; step *= 2) {
      const to = Math.min(n - 1, from + step);
      const basis = fitted(places.slice(from, to + 1), withinPx);
      if (!basis) {
        bad = to;
        break;
      }
      [good, best] = [to, basis];
      if (to === n - 1) break;
    }
    while (bad - good > 1) {
      const to = (good + bad) >> 1;
      const basis = fitted(places.slice(from, to + 1), withinPx);
      if (basis) [good, best] = [to, basis];
      else bad = to;
    }
    const own = places.slice(from, good + 1);
    const long = lengthOf(own);
    if (best && long >= leastPx && isTold(best, own)) {
      put(from);
      out.push({ places: own, lengthPx: long, basis: best });
      from = free = good;
    } else from = Math.max(from + 1, from + ((good - from) >> 1));
  }
  put(n - 1);
  return out;
}

/** Runs of places that are seen. */
function seenRuns(places: readonly Point[], isSeen: (p: Point) => boolean): Point[][] {
  const out: Point[][] = [];
  let run: Point[] = [];
  for (const p of places) {
    if (isSeen(p)) run.push(p);
    else {
      if (run.length > 1) out.push(run);
      run = [];
    }
  }
  if (run.length > 1) out.push(run);
  return out;
}

/** All stretches of outlines that are seen, each once however many outlines share it; `isSeen` is asked of a place and the outlines that come through it. */
export function lyingOf(
  contours: readonly Contour[],
  withinPx: number,
  leastPx: number,
  isSeen: (p: Point, of: ReadonlySet<number>) => boolean = () => true,
): Lying[] {
  const { chains } = chainsOf(contours);
  const parts = chains.flatMap((chain) => partsOf(chain, leastPx).map((part) => ({ ...part, of: chain.of })));
  const total = parts.reduce((sum, { contour }) => sum + longest(contour), 0);
  const stepPx = Math.max(STEP * withinPx, total / PLACES_MOST);
  return parts.flatMap(({ basis, of, contour }): Lying[] =>
    seenRuns(spaced(contour, stepPx), (p) => isSeen(p, of)).flatMap((places) => {
      if (!basis) return followed(places, withinPx, leastPx);
      const lengthPx = lengthOf(places);
      return [{ places, lengthPx, basis: lengthPx >= leastPx && isTold(basis, places) ? basis : null }];
    }),
  );
}
