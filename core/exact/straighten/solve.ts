/** Places moved as little as can be so that groups of lines and arcs are what they nearly are. */
import {
  arcGeometry,
  cross,
  dot,
  length,
  minus,
  tangentsOf,
  turnBetween,
  unit,
  type ArcSegment,
  type Point,
} from '../../path';
import { scaledRadius, type Side } from '../drawing';
import { gapBetween, type Found, type Group, type Nearly } from './found';
import { nearestUnder, type Condition } from '../least';

/** Arcs that leave a line within this are tangent to it, in radians. */
const TANGENT_RAD = 0.25;

/** An arc whose chord is nearer to its diameter than this share is half a circle. */
const HALF = 0.02;

/** Rounds in which places that move too far are made to count for more before conditions are left out. */
const HEAVIER = 6;

/** Which conditions are left out first when places would move too far. */
const RANK: Record<Nearly, number> = {
  level: 8,
  upright: 8,
  diagonal: 7,
  radii: 6,
  parallel: 5,
  lengths: 3,
  gaps: 2,
  angles: 1,
};

/** The middle of an arc that nothing is asked of may lie this share of the distance off: between there and its ends it lies a little further. */
const FIRM = 0.95;

/** Groups that matter less than this are made exact whole or not at all. */
const WHOLE_BELOW = 6;

/** Conditions that stand and fall together: what one member of a group is to be. */
export interface Unit {
  readonly group: Group;
  readonly member: number;
  readonly conditions: readonly Condition[];
}

/** What groups ask of places (two unknowns each, x and y) and of one measure for each group, whose unknowns come after those. */
function unitsOf(found: Found, groups: readonly Group[], directions: ReadonlyMap<number, number>): Unit[] {
  const { drawing, lines, arcs } = found;
  const n = 2 * drawing.places.length;
  const wayOf = (line: number): Point => {
    const angle = directions.get(line) ?? lines[line].angle;
    return [Math.cos(angle), Math.sin(angle)];
  };
  /** The sum, over places, of their parts along a direction, each times a factor, and of a measure. */
  const along = (way: Point, parts: readonly (readonly [number, number])[], measure?: readonly [number, number]) => ({
    unknowns: [...parts.flatMap(([place]) => [2 * place, 2 * place + 1]), ...(measure ? [measure[0]] : [])],
    factors: [...parts.flatMap(([, by]) => [by * way[0], by * way[1]]), ...(measure ? [measure[1]] : [])],
  });
  const out: Unit[] = [];
  groups.forEach((group, g) => {
    const { kind, members, turned, pairs } = group;
    const measure = n + g;
    if (turned)
      for (const [line, angle] of turned) {
        // A line that two groups would turn goes with the first.
        if (directions.get(line) !== angle) continue;
        const { from, to } = lines[line];
        const across: Point = [-Math.sin(angle), Math.cos(angle)];
        out.push({
          group,
          member: line,
          conditions: [
            along(across, [
              [to, 1],
              [from, -1],
            ]),
          ],
        });
      }
    if (kind === 'lengths')
      for (const line of members) {
        const { from, to } = lines[line];
        const way = wayOf(line);
        const sign = Math.sign(dot(minus(drawing.places[to], drawing.places[from]), way)) || 1;
        out.push({
          group,
          member: line,
          conditions: [
            along(
              way,
              [
                [to, sign],
                [from, -sign],
              ],
              [measure, -1],
            ),
          ],
        });
      }
    for (const [p, q] of pairs ?? []) {
      const [a, b] = [lines[p], lines[q]];
      const [x, y] = wayOf(p);
      const parts = [
        [b.from, 0.5],
        [b.to, 0.5],
        [a.from, -0.5],
        [a.to, -0.5],
      ] as const;
      out.push({ group, member: q, conditions: [along([-y, x], parts, [measure, -1])] });
    }
    if (kind === 'radii')
      for (const k of members) {
        const side = drawing.sides[arcs[k].sides[0]];
        out.push({ group, member: k, conditions: arcConditions(found, side, arcs[k].radius, wayOf, measure) });
      }
  });
  return out;
}

/** What an arc of a measured radius asks of its ends: tangent to lines on both sides, or half a circle; of any other nothing. */
function arcConditions(
  found: Found,
  side: Side,
  radius: number,
  wayOf: (line: number) => Point,
  measure: number,
): Condition[] {
  const { places } = found.drawing;
  const { from, to, segment } = side;
  if (segment.kind !== 'arc') return [];
  const [p, q] = [places[from], places[to]];
  const [out, into] = tangentsOf(p, segment);
  const beside = [found.lineBeside(side.before), found.lineBeside(side.after)] as const;
  const ways = beside.map((line, k) => {
    if (line === null) return null;
    const way = wayOf(line);
    const tangent = k === 0 ? out : into;
    const along: Point = dot(way, tangent) < 0 ? [-way[0], -way[1]] : way;
    return turnBetween(along, tangent) < TANGENT_RAD ? along : null;
  });
  const [first, last] = ways;
  if (first && last) {
    // Centre = p + R N = q + R M, with the normals towards it.
    const turn = segment.clockwise ? 1 : -1;
    const normal = ([x, y]: Point): Point => [-turn * y, turn * x];
    const [a, b] = [normal(first), normal(last)];
    if (Math.abs(cross(first, last)) > 0.05 || dot(first, last) < 0)
      return ([0, 1] as const).map((axis) => ({
        unknowns: [2 * from + axis, 2 * to + axis, measure],
        factors: [1, -1, a[axis] - b[axis]],
      }));
  }
  const chord = minus(q, p);
  const long = length(chord);
  if (long < 2 * (1 - HALF) * radius) return [];
  const [x, y] = [chord[0] / long, chord[1] / long];
  return [
    {
      unknowns: [2 * to, 2 * to + 1, 2 * from, 2 * from + 1, measure],
      factors: [x, y, -x, -y, -2],
    },
  ];
}

/** The middle value that a group's measure starts from. */
function measureOf(
  { arcs, lines }: Found,
  { kind, members, pairs }: Group,
  gap: (p: number, q: number) => number,
): number {
  const mean = (values: readonly number[]) => values.reduce((s, x) => s + x, 0) / values.length;
  if (kind === 'radii') return mean(members.map((k) => arcs[k].radius));
  if (kind === 'lengths') return mean(members.map((k) => lines[k].length));
  return pairs ? mean(pairs.map(([p, q]) => gap(p, q))) : 0;
}

export interface Solved {
  readonly places: readonly Point[];
  readonly radiusOf: (side: number) => number | null;
  /** What was kept of what groups asked for. */
  readonly kept: readonly Unit[];
}

/** The places and radii that keep to what groups say, moved as little as can be; what would move one too far is left out. */
export function solved(found: Found, groups: readonly Group[], directions: ReadonlyMap<number, number>): Solved {
  const { drawing, arcs, withinPx } = found;
  const { places } = drawing;
  const n = 2 * places.length;
  const given = new Float64Array(n + groups.length);
  places.forEach((p, k) => given.set(p, 2 * k));
  groups.forEach((g, k) => (given[n + k] = measureOf(found, g, (p, q) => gapBetween(found, p, q, directions))));
  const weights = new Float64Array(given.length).fill(1);
  weights.fill(1e-3, n);
  const all = unitsOf(found, groups, directions);
  let out: Float64Array = given;
  const solve = (units: readonly Unit[]): void => {
    out = nearestUnder(
      given,
      weights,
      units.flatMap((u) => u.conditions),
    );
  };
  const at = (k: number): Point => [out[2 * k], out[2 * k + 1]];
  const moved = (k: number): number => Math.hypot(out[2 * k] - given[2 * k], out[2 * k + 1] - given[2 * k + 1]);
  const radiusNow = ({ group }: Unit): number => out[n + groups.indexOf(group)];
  /** Whether an arc of the radius that it would have lies further off than it may, or cannot reach from end to end. */
  const bulges = (u: Unit): boolean => {
    if (u.group.kind !== 'radii') return false;
    const arc = arcs[u.member];
    const { from, to, segment } = drawing.sides[arc.sides[0]];
    if (segment.kind !== 'arc') return false;
    const now = { ...segment, radius: radiusNow(u), to: at(to) };
    if (now.radius < length(minus(at(to), at(from))) / 2 - 1e-6) return true;
    return offMiddle(at(from), now, arc.middle) > withinPx;
  };
  const tooFar = (): number[] => places.map((_, k) => k).filter((k) => moved(k) > withinPx);
  let kept: readonly Unit[] = [];
  for (const rank of [...new Set(groups.map((g) => RANK[g.kind]))].sort((p, q) => q - p))
    for (const tier of tiersOf(all, rank)) {
      const before = { weights: Float64Array.from(weights), kept };
      let units: readonly Unit[] = [...kept, ...tier];
      solve(units);
      for (let round = 0; ; round++) {
        const far = tooFar();
        const bulging = units.filter(bulges);
        if (!far.length && !bulging.length) break;
        if (far.length && round < HEAVIER)
          for (const k of far) {
            weights[2 * k] *= 2.5;
            weights[2 * k + 1] *= 2.5;
          }
        else {
          const gone = new Set([...bulging, ...leastOf(units, far, moved)]);
          units = units.filter((u) => !gone.has(u));
        }
        solve(units);
      }
      // What is less than straight lines and radii comes whole, or not at all.
      if (rank < WHOLE_BELOW && units.length < kept.length + tier.length) {
        ({ kept } = before);
        weights.set(before.weights);
      } else kept = units;
    }
  solve(kept);
  const radius = new Map<number, number>();
  for (const u of kept)
    if (u.group.kind === 'radii') for (const side of arcs[u.member].sides) radius.set(side, radiusNow(u));
  // An arc keeps its radius where its ends move; where its middle would lie too far off, it keeps its rise instead.
  for (const { sides, middle } of arcs) {
    if (radius.has(sides[0])) continue;
    const { from, to, segment } = drawing.sides[sides[0]];
    if (segment.kind !== 'arc' || (moved(from) === 0 && moved(to) === 0)) continue;
    const own = scaledRadius(segment.radius, [places[from], places[to]], [at(from), at(to)]);
    if (offMiddle(at(from), { ...segment, radius: own, to: at(to) }, middle) <= FIRM * withinPx) continue;
    const half = length(minus(at(to), at(from))) / 2;
    const [p, q] = [places[from], places[to]];
    const rise = Math.abs(cross(minus(middle, p), unit(minus(q, p))));
    if (rise > 1e-6) for (const side of sides) radius.set(side, (half * half + rise * rise) / (2 * rise));
  }
  return { places: places.map((_, k) => at(k)), radiusOf: (side) => radius.get(side) ?? null, kept };
}

/** How far the middle of an arc lies from a place. */
function offMiddle(from: Point, arc: ArcSegment, place: Point): number {
  const g = arcGeometry(from, arc);
  const t = g.startRad + g.sweepRad / 2;
  return length(minus([g.cx + g.radius * Math.cos(t), g.cy + g.radius * Math.sin(t)], place));
}

/** Units of one rank as they are added: those that matter most together, others a group at a time, those of most members first. */
function tiersOf(units: readonly Unit[], rank: number): Unit[][] {
  const own = units.filter((u) => RANK[u.group.kind] === rank);
  if (rank >= WHOLE_BELOW) return own.length ? [own] : [];
  const by = new Map<Group, Unit[]>();
  for (const u of own) by.set(u.group, [...(by.get(u.group) ?? []), u]);
  return [...by.values()].sort((p, q) => q.length - p.length);
}

/** Of the units that move places too far, those that matter least: one for each place, that furthest off first, unless another's does for it. */
function leastOf(units: readonly Unit[], far: readonly number[], moved: (place: number) => number): Set<Unit> {
  const out = new Set<Unit>();
  const touched = new Set<number>();
  for (const place of [...far].sort((p, q) => moved(q) - moved(p))) {
    if (touched.has(place)) continue;
    const moving = units.filter((u) =>
      u.conditions.some((c) => c.unknowns.includes(2 * place) || c.unknowns.includes(2 * place + 1)),
    );
    if (!moving.length) continue;
    const least = moving.reduce((a, b) => (RANK[b.group.kind] < RANK[a.group.kind] ? b : a));
    out.add(least);
    for (const u of moving) for (const c of u.conditions) for (const k of c.unknowns) touched.add(k >> 1);
  }
  return out;
}
