/** The fewest circles, lines and angles that outlines lie on. */
import { circleThrough, dot, minus, straightThrough, type Contour, type Point } from '../../path';
import { likeNumbers } from '../like';
import { lyingOf, offBasis, type Basis, type Lying } from './lie';
import type { ConstructionCircle, ConstructionLine } from './parts';
import { unitOf, type Unit } from './unit';

export type { ConstructionCircle, ConstructionLine } from './parts';
export type { Unit } from './unit';

/** What a drawing is constructed of, that which carries most first. */
export interface Construction {
  readonly lines: readonly ConstructionLine[];
  readonly circles: readonly ConstructionCircle[];
  /** Directions of its lines in degrees, 0..180, and how many lines have each. */
  readonly angles: readonly { readonly deg: number; readonly lines: number }[];
  /** A length of which radii and distances are multiples; null where there is none. */
  readonly unit: Unit | null;
  /** The share 0..1 of the outlines that lies on lines and circles. */
  readonly share: number;
  /** How far outlines lie, at most, from the lines and circles that they lie on, in px. */
  readonly greatestPx: number;
}

/** Stretches shorter than this share of the whole say nothing of its construction. */
const LEAST_SHARE = 0.02;
/** More lines or circles than this are not looked at for a unit. */
const MEASURED_MOST = 32;
/** Lines whose directions differ by less are one direction, in degrees. */
const SAME_DEG = 0.5;

interface Group {
  basis: Basis;
  members: Lying[];
}

/** A line or circle for all stretches of a group, fitted anew; null where any lies too far from it. */
function basisFor(kind: Basis['kind'], members: readonly Lying[], withinPx: number): Basis | null {
  const places = members.flatMap((m) => m.places);
  const near = (basis: Basis): Basis | null => (places.every((p) => offBasis(p, basis) <= withinPx) ? basis : null);
  if (kind === 'line') return near({ kind: 'line', ...straightThrough(places) });
  const round = circleThrough(places);
  return round && near({ kind: 'circle', ...round });
}

/** Whether one might lie on what another does: a glance before it is fitted. */
function mayLieOn(lying: Lying, basis: Basis, withinPx: number): boolean {
  if (lying.basis?.kind !== basis.kind) return false;
  const { places } = lying;
  const few = [places[0], places[places.length >> 1], places[places.length - 1]];
  return few.every((p) => offBasis(p, basis) <= 2 * withinPx);
}

/** Stretches gathered on as few lines and circles as hold them, the longest first. */
function gathered(all: readonly Lying[], withinPx: number): Group[] {
  const groups: Group[] = [];
  for (const lying of [...all].sort((p, q) => q.lengthPx - p.lengthPx)) {
    let joined = false;
    for (const group of groups) {
      if (!mayLieOn(lying, group.basis, withinPx)) continue;
      const basis = basisFor(group.basis.kind, [...group.members, lying], withinPx);
      if (!basis) continue;
      group.basis = basis;
      group.members.push(lying);
      joined = true;
      break;
    }
    if (!joined) groups.push({ basis: lying.basis!, members: [lying] });
  }
  return groups;
}

const lineFrom = (basis: Basis & { kind: 'line' }, members: readonly Lying[]): ConstructionLine => {
  const places = members.flatMap((m) => m.places);
  const along = places.map((p) => dot(minus(p, basis.middle), basis.direction));
  const at = (t: number): Point => [basis.middle[0] + t * basis.direction[0], basis.middle[1] + t * basis.direction[1]];
  const deg = (Math.atan2(basis.direction[1], basis.direction[0]) * 180) / Math.PI;
  return {
    kind: 'line',
    from: at(Math.min(...along)),
    to: at(Math.max(...along)),
    angleDeg: ((deg % 180) + 180) % 180,
    lengthPx: members.reduce((sum, m) => sum + m.lengthPx, 0),
    offPx: Math.max(...places.map((p) => offBasis(p, basis))),
  };
};

const circleFrom = (basis: Basis & { kind: 'circle' }, members: readonly Lying[]): ConstructionCircle => ({
  kind: 'circle',
  centre: basis.middle,
  radiusPx: basis.radius,
  lengthPx: members.reduce((sum, m) => sum + m.lengthPx, 0),
  offPx: Math.max(...members.flatMap((m) => m.places.map((p) => offBasis(p, basis)))),
});

/** Directions of lines, those that are nearly one direction together. */
function anglesOf(lines: readonly ConstructionLine[]): Construction['angles'] {
  // Just under 180 is level too.
  const degrees = lines.map((l) => (l.angleDeg > 180 - SAME_DEG ? l.angleDeg - 180 : l.angleDeg));
  const weights = lines.map((l) => l.lengthPx);
  return likeNumbers(degrees, weights, (k, mean) => Math.abs(degrees[k] - mean) <= SAME_DEG)
    .map((g) => ({ deg: g.mean < 0 ? g.mean + 180 : g.mean, lines: g.members.length }))
    .sort((p, q) => q.lines - p.lines);
}

/**
 * The lines and circles that outlines lie on within a distance, as few as hold them: stretches of outlines are followed for as long as they lie on one, and gathered on those that
 * the longest lie on (a greedy cover, as in Chvátal 1979). Shared edges count once, and what is not seen, by `isSeen`, not at all.
 */
export function constructionOf(
  contours: readonly Contour[],
  withinPx: number,
  isSeen?: (p: Point, of: ReadonlySet<number>) => boolean,
): Construction {
  const whole = spanOf(contours);
  const all = lyingOf(contours, withinPx, LEAST_SHARE * whole, isSeen);
  const total = all.reduce((sum, l) => sum + l.lengthPx, 0);
  const groups = gathered(
    all.filter((l) => l.basis),
    withinPx,
  );
  const lines: ConstructionLine[] = [];
  const circles: ConstructionCircle[] = [];
  for (const { basis, members } of groups)
    if (basis.kind === 'line') lines.push(lineFrom(basis, members));
    else circles.push(circleFrom(basis, members));
  const most = (p: { lengthPx: number }, q: { lengthPx: number }): number => q.lengthPx - p.lengthPx;
  lines.sort(most);
  circles.sort(most);
  const covered = [...lines, ...circles].reduce((sum, x) => sum + x.lengthPx, 0);
  return {
    lines,
    circles,
    angles: anglesOf(lines),
    unit: unitOf(lines.slice(0, MEASURED_MOST), circles.slice(0, MEASURED_MOST), withinPx, whole),
    share: total > 0 ? covered / total : 0,
    greatestPx: Math.max(0, ...lines.map((l) => l.offPx), ...circles.map((c) => c.offPx)),
  };
}

/** The longer side of the box about outlines. */
function spanOf(contours: readonly Contour[]): number {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const c of contours)
    for (const [x, y] of [c.start, ...c.segments.map((s) => s.to)]) {
      [x0, x1] = [Math.min(x0, x), Math.max(x1, x)];
      [y0, y1] = [Math.min(y0, y), Math.max(y1, y)];
    }
  return x1 >= x0 ? Math.max(x1 - x0, y1 - y0) : 0;
}
