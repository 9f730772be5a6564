/** What an outline nearly is (level, equal, tangent) found, counted and made exact. */
import { arcGeometry, cross, dot, length, minus, tangentsOf, turnBetween, type Contour, type Point } from '../path';
import { drawingOf, movedDrawing, type Drawing, type Side } from './drawing';
import { nearestUnder, type Condition } from './least';

/** What lines and arcs may nearly be. */
export const NEARLY = ['level', 'upright', 'diagonal', 'parallel', 'radii', 'lengths', 'gaps', 'angles'] as const;
export type Nearly = (typeof NEARLY)[number];

/** Something that some lines or arcs nearly are together. */
export interface NearlyTrue {
  readonly kind: Nearly;
  /** Of each member, places on it: of lines both ends, of arcs the two ends and the middle. */
  readonly members: readonly (readonly Point[])[];
  /** What each measures: px for radii, lengths and gaps, degrees for directions and angles. */
  readonly values: readonly number[];
  /** How far off it is at most: how far an end lies from where it would be true, in px. */
  readonly offPx: number;
}

/** Shorter lines have no direction worth keeping; and to be like others a line must be longer still, in px. */
const LEAST_LINE_PX = 4;
const LEAST_ALIKE_PX = 12;

/** Lines that lean more than the first are not nearly level, whatever their length; that differ more than the second not nearly parallel. In radians. */
const LEAN_RAD = 0.16;
const ALIKE_RAD = 0.045;

/** Arcs that leave a line within this are tangent to it, in radians. */
const TANGENT_RAD = 0.25;

/** An arc whose chord is nearer to its diameter than this share is half a circle. */
const HALF = 0.02;

/** Nearer than this is exact already, in px. */
const EXACT_PX = 0.004;

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

/** Groups that matter less than this are made exact whole or not at all. */
const WHOLE_BELOW = 6;

/** A straight side, once however many outlines share it. */
interface StraightSide {
  readonly from: number;
  readonly to: number;
  readonly length: number;
  /** Its direction, 0..π. */
  readonly angle: number;
}

interface ArcSide {
  /** The sides that it is, of all outlines that share it. */
  readonly sides: number[];
  readonly radius: number;
  readonly sweepRad: number;
  readonly middle: Point;
}

/** Members, by number in the lists of lines or arcs, that are nearly alike. */
interface Group {
  readonly kind: Nearly;
  readonly members: readonly number[];
  /** For lines: the direction that each is to have, in radians. */
  readonly turned?: ReadonlyMap<number, number>;
  /** For gaps: pairs of lines that lie next to each other. */
  readonly pairs?: readonly (readonly [number, number])[];
}

const HALF_TURN = Math.PI;
/** An angle between lines, -π/2..π/2. */
const between = (a: number, b: number): number => {
  const d = (((a - b) % HALF_TURN) + HALF_TURN) % HALF_TURN;
  return d > HALF_TURN / 2 ? d - HALF_TURN : d;
};

/** The drawing with its lines and arcs, each once, and what is wanted of them. */
class Found {
  readonly drawing: Drawing;
  readonly lines: StraightSide[] = [];
  readonly arcs: ArcSide[] = [];
  /** The line of a side, by number. */
  private readonly lineOf = new Map<number, number>();

  constructor(
    contours: readonly Contour[],
    wanted: (contour: number) => boolean,
    readonly withinPx: number,
  ) {
    this.drawing = drawingOf(contours);
    const { places, sides } = this.drawing;
    const known = new Map<string, number>();
    const seenArcs = new Map<string, ArcSide>();
    sides.forEach((side, number) => {
      const [a, b] = [Math.min(side.from, side.to), Math.max(side.from, side.to)];
      if (side.segment.kind === 'line') {
        const key = `${a} ${b}`;
        let line = known.get(key);
        if (line === undefined && a !== b) {
          const [dx, dy] = minus(places[b], places[a]);
          const angle = (Math.atan2(dy, dx) + HALF_TURN) % HALF_TURN;
          line = this.lines.push({ from: a, to: b, length: Math.hypot(dx, dy), angle }) - 1;
          known.set(key, line);
          if (!wanted(side.contour)) this.unwanted.add(line);
        }
        if (line !== undefined) {
          this.lineOf.set(number, line);
          if (wanted(side.contour)) this.unwanted.delete(line);
        }
      } else if (side.segment.kind === 'arc' && wanted(side.contour) && a !== b) {
        const g = arcGeometry(places[side.from], side.segment);
        const key = `${a} ${b} ${g.cx.toFixed(2)} ${g.cy.toFixed(2)} ${(g.startRad + g.sweepRad / 2).toFixed(2)}`;
        const seen = seenArcs.get(key);
        if (seen) {
          seen.sides.push(number);
          return;
        }
        const t = g.startRad + g.sweepRad / 2;
        const arc: ArcSide = {
          sides: [number],
          radius: g.radius,
          sweepRad: Math.abs(g.sweepRad),
          middle: [g.cx + g.radius * Math.cos(t), g.cy + g.radius * Math.sin(t)],
        };
        seenArcs.set(key, arc);
        this.arcs.push(arc);
      }
    });
  }

  private readonly unwanted = new Set<number>();

  isWanted(line: number): boolean {
    return !this.unwanted.has(line) && this.lines[line].length >= LEAST_LINE_PX;
  }

  lineBeside(side: number | null): number | null {
    return side === null ? null : (this.lineOf.get(side) ?? null);
  }

  middleOf(line: number): Point {
    const [p, q] = [this.drawing.places[this.lines[line].from], this.drawing.places[this.lines[line].to]];
    return [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  }
}

/** Lines that are nearly level, upright or at 45 degrees. */
function leaning({ lines, withinPx }: Found, isWanted: (line: number) => boolean): Group[] {
  const of = {
    level: new Map<number, number>(),
    upright: new Map<number, number>(),
    diagonal: new Map<number, number>(),
  };
  lines.forEach(({ angle, length: long }, k) => {
    if (!isWanted(k)) return;
    const most = Math.min(LEAN_RAD, (2 * withinPx) / long);
    const near = (to: number) => Math.abs(between(angle, to)) <= most;
    if (near(0)) of.level.set(k, 0);
    else if (near(HALF_TURN / 2)) of.upright.set(k, HALF_TURN / 2);
    else for (const to of [HALF_TURN / 4, 0.75 * HALF_TURN]) if (near(to)) of.diagonal.set(k, to);
  });
  return (['level', 'upright', 'diagonal'] as const)
    .filter((kind) => of[kind].size)
    .map((kind) => ({ kind, members: [...of[kind].keys()], turned: of[kind] }));
}

/** Numbers near enough to the mean of those they lie with, sorted into groups of two and more; each counts as its weight says. */
function clusters(
  items: readonly number[],
  valueOf: (item: number) => number,
  weightOf: (item: number) => number,
  near: (item: number, mean: number) => boolean,
): { members: number[]; mean: number }[] {
  const order = [...items].sort((p, q) => valueOf(p) - valueOf(q));
  const out: { members: number[]; mean: number; weight: number }[] = [];
  for (const item of order) {
    const last = out[out.length - 1];
    const [value, weight] = [valueOf(item), weightOf(item)];
    const mean = last && (last.mean * last.weight + value * weight) / (last.weight + weight);
    if (last && near(item, mean) && last.members.every((m) => near(m, mean))) {
      last.members.push(item);
      last.mean = mean;
      last.weight += weight;
    } else out.push({ members: [item], mean: value, weight });
  }
  return out.filter((g) => g.members.length > 1);
}

/** Slanting lines that are nearly parallel, or square to one another. */
function parallels(found: Found, taken: ReadonlySet<number>): Group[] {
  const { lines, withinPx } = found;
  const quarter = HALF_TURN / 2;
  const free = lines
    .map((_, k) => k)
    .filter((k) => found.isWanted(k) && !taken.has(k) && lines[k].length >= LEAST_ALIKE_PX);
  // Level and square to it lie at both ends of the range, and are taken already.
  const value = (k: number) => lines[k].angle % quarter;
  const near = (k: number, mean: number) =>
    Math.abs(value(k) - mean) <= Math.min(ALIKE_RAD, (1.6 * withinPx) / lines[k].length);
  return clusters(free, value, (k) => lines[k].length ** 2, near).map(({ members, mean }) => ({
    kind: 'parallel' as const,
    members,
    turned: new Map(members.map((k) => [k, mean + (lines[k].angle >= quarter ? quarter : 0)])),
  }));
}

/** Arcs of nearly one radius. */
function radii({ arcs, withinPx }: Found): Group[] {
  const all = arcs.map((_, k) => k);
  return clusters(
    all,
    (k) => arcs[k].radius,
    (k) => Math.min(1, arcs[k].sweepRad),
    (k, mean) => Math.abs(arcs[k].radius - mean) <= Math.min(withinPx, 0.2 * mean),
  ).map(({ members }) => ({ kind: 'radii' as const, members }));
}

/** Lines of nearly one length, in one direction or on one outline. */
function lengths(found: Found): Group[] {
  const { lines, withinPx } = found;
  const long = lines.map((_, k) => k).filter((k) => found.isWanted(k) && lines[k].length >= LEAST_ALIKE_PX);
  return clusters(
    long,
    (k) => lines[k].length,
    () => 1,
    (k, mean) => Math.abs(lines[k].length - mean) <= withinPx,
  ).map(({ members }) => ({ kind: 'lengths' as const, members }));
}

/** Lines one after the other across one direction, three and more, with nearly even gaps between them. */
function gaps(found: Found, directions: ReadonlyMap<number, number>): Group[] {
  const { lines, withinPx, drawing } = found;
  const byWay = new Map<string, number[]>();
  for (const [k, angle] of directions) {
    if (!found.isWanted(k) || lines[k].length < LEAST_ALIKE_PX) continue;
    const key = angle.toFixed(9);
    byWay.set(key, [...(byWay.get(key) ?? []), k]);
  }
  const out: Group[] = [];
  for (const members of byWay.values()) {
    if (members.length < 3) continue;
    const angle = directions.get(members[0])!;
    const normal: Point = [-Math.sin(angle), Math.cos(angle)];
    const at = (k: number) => dot(found.middleOf(k), normal);
    const order = [...members].sort((p, q) => at(p) - at(q));
    const along = (k: number): [number, number] => {
      const way: Point = [Math.cos(angle), Math.sin(angle)];
      const [s, t] = [dot(drawing.places[lines[k].from], way), dot(drawing.places[lines[k].to], way)];
      return [Math.min(s, t), Math.max(s, t)];
    };
    const pairs: [number, number][] = [];
    for (let m = 1; m < order.length; m++) {
      const [p, q] = [order[m - 1], order[m]];
      const [[a, b], [c, d]] = [along(p), along(q)];
      // Beside each other, and not in line.
      if (Math.min(b, d) > Math.max(a, c) && at(q) - at(p) > 4 * withinPx) pairs.push([p, q]);
    }
    const found2 = clusters(
      pairs.map((_, k) => k),
      (k) => at(pairs[k][1]) - at(pairs[k][0]),
      () => 1,
      (k, mean) => Math.abs(at(pairs[k][1]) - at(pairs[k][0]) - mean) <= withinPx,
    );
    for (const { members: own } of found2)
      out.push({
        kind: 'gaps',
        members: [...new Set(own.flatMap((k) => pairs[k]))],
        pairs: own.map((k) => pairs[k]),
      });
  }
  return out;
}

/** A corner between two lines of one outline. */
interface Angle {
  readonly first: number;
  readonly second: number;
  /** From the one line to the other, 0..π. */
  readonly rad: number;
  readonly at: number;
}

function anglesOf(found: Found, fixed: ReadonlySet<number>): Angle[] {
  const { drawing, lines } = found;
  const out: Angle[] = [];
  drawing.sides.forEach((side, k) => {
    const [p, q] = [found.lineBeside(k), found.lineBeside(side.after)];
    if (p === null || q === null || p === q || !found.isWanted(p) || !found.isWanted(q)) return;
    if (lines[p].length < LEAST_ALIKE_PX || lines[q].length < LEAST_ALIKE_PX) return;
    if (fixed.has(p) && fixed.has(q)) return;
    out.push({
      first: p,
      second: q,
      rad: (((lines[q].angle - lines[p].angle) % HALF_TURN) + HALF_TURN) % HALF_TURN,
      at: side.to,
    });
  });
  return out;
}

/** Directions of lines so that nearly equal corners between them are equal, those that are `fixed` as they are. */
function evenAngles(found: Found, fixed: ReadonlyMap<number, number>): { group: Group; places: number[] }[] {
  const { lines, withinPx } = found;
  const angles = anglesOf(found, new Set(fixed.keys()));
  const groups = clusters(
    angles.map((_, k) => k),
    (k) => angles[k].rad,
    (k) => Math.min(lines[angles[k].first].length, lines[angles[k].second].length),
    (k, mean) => {
      const shorter = Math.min(lines[angles[k].first].length, lines[angles[k].second].length);
      return Math.abs(angles[k].rad - mean) <= Math.min(ALIKE_RAD, (1.6 * withinPx) / shorter);
    },
  );
  if (!groups.length) return [];
  const involved = [...new Set(groups.flatMap((g) => g.members).flatMap((k) => [angles[k].first, angles[k].second]))];
  const at = new Map(involved.map((line, k) => [line, k]));
  const n = involved.length;
  const given = new Float64Array(n + groups.length);
  const weights = new Float64Array(n + groups.length);
  involved.forEach((line, k) => {
    given[k] = fixed.get(line) ?? lines[line].angle;
    weights[k] = fixed.has(line) ? 1e12 : lines[line].length ** 2;
  });
  const conditions: Condition[] = [];
  groups.forEach(({ members, mean }, g) => {
    given[n + g] = mean;
    weights[n + g] = 1e-3;
    for (const k of members) {
      const { first, second, rad } = angles[k];
      const [a, b] = [at.get(first)!, at.get(second)!];
      // What goes round past half a turn is told by a shift of the first line.
      const shift = rad - (given[b] - given[a]);
      const turns = Math.round(shift / HALF_TURN) * HALF_TURN;
      if (turns !== 0) continue;
      conditions.push({ unknowns: [b, a, n + g], factors: [1, -1, -1] });
    }
  });
  const solved = nearestUnder(given, weights, conditions);
  return groups.map(({ members }) => ({
    group: {
      kind: 'angles' as const,
      members: [...new Set(members.flatMap((k) => [angles[k].first, angles[k].second]))],
      turned: new Map(
        members
          .flatMap((k) => [angles[k].first, angles[k].second])
          .filter((line) => !fixed.has(line))
          .map((line) => [line, solved[at.get(line)!]]),
      ),
    },
    places: members.map((k) => angles[k].at),
  }));
}

/** Outlines made exact, and what was found in them. */
export interface Straightened {
  readonly contours: readonly Contour[];
  readonly found: readonly NearlyTrue[];
}

/**
 * Finds what outlines nearly are, so that no place need move further than `withinPx` to make it exact, and makes it so, by the least movement of all places
 * together. Places and edges that outlines share stay shared. `wanted` tells whose lines and arcs are looked at; `kinds` which relations.
 */
export function straightened(
  contours: readonly Contour[],
  withinPx: number,
  kinds: readonly Nearly[] = NEARLY,
  wanted: (contour: number) => boolean = () => true,
): Straightened {
  const found = new Found(contours, wanted, withinPx);
  const asked = new Set(kinds);
  const groups: Group[] = leaning(found, (k) => found.isWanted(k)).filter((g) => asked.has(g.kind));
  const directions = new Map<number, number>();
  const take = (g: Group): void => g.turned?.forEach((angle, k) => directions.has(k) || directions.set(k, angle));
  groups.forEach(take);
  if (asked.has('parallel')) {
    const more = parallels(found, new Set(directions.keys()));
    more.forEach(take);
    groups.push(...more);
  }
  if (asked.has('angles')) {
    const more = evenAngles(found, directions);
    more.forEach(({ group }) => take(group));
    groups.push(...more.map((m) => m.group));
  }
  if (asked.has('radii')) groups.push(...radii(found));
  if (asked.has('lengths')) groups.push(...lengths(found));
  if (asked.has('gaps')) groups.push(...gaps(found, directions));
  const { places, radiusOf, kept } = solved(found, groups, directions);
  const told = groups
    .map((g) => ({
      ...g,
      members: g.members.filter((m) => g.kind === 'angles' || kept.some((u) => u.group === g && u.member === m)),
    }))
    .filter((g) => g.members.length > (g.turned ? 0 : 1))
    .map((g) => toldOf(found, g, directions))
    .filter((t) => t.members.length && t.offPx > EXACT_PX);
  if (!told.length) return { contours, found: [] };
  return { contours: movedDrawing(found.drawing, (k) => places[k], radiusOf), found: told };
}

/** How far one line lies from another of its direction, in px. */
function gapBetween(found: Found, p: number, q: number, directions: ReadonlyMap<number, number>): number {
  const angle = directions.get(p)!;
  return dot(minus(found.middleOf(q), found.middleOf(p)), [-Math.sin(angle), Math.cos(angle)]);
}

/** What a group is, in figures. */
function toldOf(
  found: Found,
  { kind, members, turned, pairs }: Group,
  directions: ReadonlyMap<number, number>,
): NearlyTrue {
  const { lines, arcs, drawing } = found;
  const { places } = drawing;
  const ends = (k: number): Point[] => [places[lines[k].from], places[lines[k].to]];
  const spread = (values: readonly number[]): number => (Math.max(...values) - Math.min(...values)) / 2;
  if (kind === 'radii') {
    const values = members.map((k) => arcs[k].radius);
    return {
      kind,
      members: members.map((k) => {
        const { sides, middle } = arcs[k];
        const { from, to } = drawing.sides[sides[0]];
        return [places[from], middle, places[to]];
      }),
      values,
      offPx: spread(values),
    };
  }
  if (kind === 'lengths') {
    const values = members.map((k) => lines[k].length);
    return { kind, members: members.map(ends), values, offPx: spread(values) };
  }
  if (kind === 'gaps' && pairs) {
    const values = pairs.map(([p, q]) => gapBetween(found, p, q, directions));
    return { kind, members: members.map(ends), values, offPx: spread(values) };
  }
  const off = members.map((k) => {
    const to = turned?.get(k);
    return to === undefined ? 0 : (Math.abs(Math.sin(between(lines[k].angle, to))) * lines[k].length) / 2;
  });
  // Only those that are not so already are worth telling of.
  const telling = kind === 'angles' || kind === 'parallel' ? members : members.filter((_, m) => off[m] > EXACT_PX);
  return {
    kind,
    members: telling.map(ends),
    values: telling.map((k) => (lines[k].angle * 180) / Math.PI),
    offPx: Math.max(0, ...off),
  };
}

/** Conditions that stand and fall together: what one member of a group is to be. */
interface Unit {
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

interface Solved {
  readonly places: readonly Point[];
  readonly radiusOf: (side: number) => number | null;
  /** What was kept of what groups asked for. */
  readonly kept: readonly Unit[];
}

/** The places and radii that keep to what groups say, moved as little as can be; what would move one too far is left out. */
function solved(found: Found, groups: readonly Group[], directions: ReadonlyMap<number, number>): Solved {
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
    const g = arcGeometry(at(from), now);
    const t = g.startRad + g.sweepRad / 2;
    return length(minus([g.cx + g.radius * Math.cos(t), g.cy + g.radius * Math.sin(t)], arc.middle)) > withinPx;
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
  return { places: places.map((_, k) => at(k)), radiusOf: (side) => radius.get(side) ?? null, kept };
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
