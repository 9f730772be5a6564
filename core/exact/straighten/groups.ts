/** Groups of lines and arcs that are nearly level, parallel or equal. */
import { dot, type Point } from '../../path';
import { between, HALF_TURN, type Found, type Group } from './found';
import { likeNumbers } from '../like';
import { nearestUnder, type Condition } from '../least';

/** To be like others a line must be as long as this, in px. */
const LEAST_ALIKE_PX = 12;

/** Lines that lean more than the first are not nearly level, whatever their length; that differ more than the second not nearly parallel. In radians. */
const LEAN_RAD = 0.16;
const ALIKE_RAD = 0.045;

/** Lines that are nearly level, upright or at 45 degrees. */
export function leaning({ lines, withinPx }: Found, isWanted: (line: number) => boolean): Group[] {
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

/** Items whose numbers are nearly the same, two and more together; each counts as its weight says. */
const clusters = (
  items: readonly number[],
  valueOf: (item: number) => number,
  weightOf: (item: number) => number,
  near: (item: number, mean: number) => boolean,
): { members: number[]; mean: number }[] =>
  likeNumbers(items.map(valueOf), items.map(weightOf), (k, mean) => near(items[k], mean))
    .filter((g) => g.members.length > 1)
    .map(({ members, mean }) => ({ members: members.map((k) => items[k]), mean }));

/** Slanting lines that are nearly parallel, or square to one another. */
export function parallels(found: Found, taken: ReadonlySet<number>): Group[] {
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
export function radii({ arcs, withinPx }: Found): Group[] {
  const all = arcs.map((_, k) => k);
  return clusters(
    all,
    (k) => arcs[k].radius,
    (k) => Math.min(1, arcs[k].sweepRad),
    (k, mean) => Math.abs(arcs[k].radius - mean) <= Math.min(withinPx, 0.2 * mean),
  ).map(({ members }) => ({ kind: 'radii' as const, members }));
}

/** Lines of nearly one length, in one direction or on one outline. */
export function lengths(found: Found): Group[] {
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
export function gaps(found: Found, directions: ReadonlyMap<number, number>): Group[] {
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
    });
  });
  return out;
}

/** Directions of lines so that nearly equal corners between them are equal, those that are `fixed` as they are. */
export function evenAngles(found: Found, fixed: ReadonlyMap<number, number>): Group[] {
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
      // Directions are told to half a turn: an angle that goes over that end is left as it is.
      if (Math.abs(rad - (given[b] - given[a])) > HALF_TURN / 2) continue;
      conditions.push({ unknowns: [b, a, n + g], factors: [1, -1, -1] });
    }
  });
  const solved = nearestUnder(given, weights, conditions);
  return groups.map(({ members }) => {
    const own = [...new Set(members.flatMap((k) => [angles[k].first, angles[k].second]))];
    const turned = own.filter((line) => !fixed.has(line)).map((line) => [line, solved[at.get(line)!]] as const);
    return { kind: 'angles' as const, members: own, turned: new Map(turned) };
  });
}
