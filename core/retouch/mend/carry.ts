/** How edges that enter a hole go on in it. */
import { crossingOf, dot, length, minus, plus, turnBetween, type Point } from '../../path';
import { armsOf, pointsOf, type Arm } from './arms';
import { alongBow, bowAt, bowThrough, type Bow, type FittedBow } from './bow';
import type { Window } from './hole';

/** A line through the holes of a group, as points close together; it begins and ends a little outside. */
export interface Wall {
  readonly group: number;
  readonly points: readonly Point[];
}

/** How far off a bow points of one edge may lie, in pixels: crisp, soft. */
const TOLERANCE_PX = { crisp: 0.14, soft: 0.4 } as const;

/** Lengths of edge asked how it goes on, longest first, in pixels. */
const ASKED_PX = [64, 40, 25, 15, 9, 5];

/** Joints that cost more than this are none; the passes join the surest first, so that what is short learns from what it is joined to. */
const PASSES = [0.12, 0.3, 1.1];

/** What a joint costs where the ink on one side, or on both, is not the same. */
const OTHER_INK = 0.22;

/** A corner costs so much, and so much a radian. */
const CORNER = { least: 0.3, perRad: 0.12, fromRad: 0.45 } as const;

/** How far beyond the hole walls go on, in pixels. */
const BEYOND_PX = 4;

/** How far outside an edge that grazes a hole may still divide what lies at its rim, in pixels. */
const GRAZE_PX = 24;

/** An edge that was not so far in a hole has only grazed it, in pixels. */
const DEEP_PX = 4;

/** Between two holes of a group lies no more than this, in pixels. */
const GAP_PX = 10;

/** How far beyond a hole an edge is asked for again, and how far to each side of it, in pixels. */
const OUT_PX = 1.5;
const SIDE_PX = 1.6;

/** Steps of walls, in pixels. */
const STEP_PX = 0.5;

interface Joint {
  readonly arms: readonly [number, number];
  readonly cost: number;
  readonly points: readonly Point[];
}

/** The walls that edges make in the holes of a window; with `bends` they keep their curvature, else they go straight on. */
export function carriedOn(window: Window, bends: boolean): Wall[] {
  const arms = armsOf(window);
  const tolerance = window.prepared.soft ? TOLERANCE_PX.soft : TOLERANCE_PX.crisp;
  const joined = new Map<number, Joint>();
  const byFragment = new Map(arms.map((a) => [a.fragment, [] as number[]]));
  arms.forEach((a, k) => byFragment.get(a.fragment)!.push(k));

  /** Points from an arm outwards; where its edge is joined to another beyond its other end, that one's too. */
  const supportOf = (k: number): Point[] => {
    const out: Point[] = [];
    const seen = new Set<number>();
    let far = 0;
    for (let at: number | undefined = k; at !== undefined && !seen.has(at) && far < ASKED_PX[0];) {
      seen.add(at);
      for (const p of pointsOf(arms[at], ASKED_PX[0] - far)) {
        if (out.length) far += length(minus(p, out[out.length - 1]));
        out.push(p);
      }
      const other: number | undefined = byFragment.get(arms[at].fragment)!.find((o) => o !== at);
      const joint: Joint | undefined = other === undefined ? undefined : joined.get(other);
      at = joint && joint.arms[joint.arms[0] === other ? 1 : 0];
    }
    return out;
  };
  const within = (points: readonly Point[], px: number): Point[] => {
    let far = 0;
    let k = 1;
    for (; k < points.length && far <= px; k++) far += length(minus(points[k], points[k - 1]));
    return points.slice(0, k);
  };
  /** How an arm goes into the hole, from as much of it as lies on one bow. */
  const bowOf = (support: readonly Point[]): FittedBow & { lengthPx: number } => {
    for (const px of ASKED_PX) {
      const points = within(support, px);
      const outward = bowThrough(points);
      if (outward.rmsPx > tolerance && px !== ASKED_PX[ASKED_PX.length - 1]) continue;
      const bow = {
        ...outward,
        direction: [-outward.direction[0], -outward.direction[1]] as const,
        bend: bends ? -outward.bend : 0,
      };
      return { ...bow, lengthPx: Math.max(1, length(minus(points[points.length - 1], points[0]))) };
    }
    throw new Error('unreachable');
  };

  const isInHole = (group: number, [x, y]: Point): boolean => {
    const { widthPx: w, heightPx: h } = window.picture;
    return x >= 0 && y >= 0 && x < w && y < h && window.groupOf[Math.floor(y) * w + Math.floor(x)] === group;
  };

  /** What an edge does before it comes so near to its hole that its wall begins: where it grazes the rim, the wall is to go on as far. */
  const before = (k: number): Point[] => {
    const points = pointsOf(arms[k], GRAZE_PX);
    const first = points.findIndex((p) => length(minus(p, points[0])) > BEYOND_PX);
    return first < 0 ? [] : points.slice(first).reverse();
  };

  const walls: Wall[] = [];
  /** What of the walls lies within their holes: outside, several may follow one edge. */
  const inner: Wall[] = [];
  const innerOf = (group: number, points: readonly Point[]): Point[] => points.filter((p) => isInHole(group, p));
  const crosses = (group: number, points: readonly Point[]): boolean =>
    inner.some((w) => w.group === group && meetingOf(points, w.points) !== null);

  for (const most of PASSES) {
    const supports = arms.map((_, k) => (joined.has(k) ? [] : supportOf(k)));
    const bows = supports.map((s) => (s.length >= 2 ? bowOf(s) : null));
    const joints: Joint[] = [];
    for (let p = 0; p < arms.length; p++)
      for (let q = p + 1; q < arms.length; q++) {
        if (arms[p].group !== arms[q].group || !bows[p] || !bows[q] || joined.has(p) || joined.has(q)) continue;
        const joint = joinedBy(p, q);
        if (joint && joint.cost <= most) joints.push(joint);
      }
    joints.sort((a, b) => a.cost - b.cost);
    for (const joint of joints) {
      const [p, q] = joint.arms;
      const { group } = arms[p];
      const points = innerOf(group, joint.points);
      if (joined.has(p) || joined.has(q) || crosses(group, points)) continue;
      joined.set(p, joint);
      joined.set(q, joint);
      inner.push({ group, points });
      walls.push({ group, points: [...before(p), ...joint.points, ...before(q).reverse()] });
    }

    /** The best way from one arm to another, or null where there is none. */
    function joinedBy(p: number, q: number): Joint | null {
      const [a, b] = [bows[p]!, bows[q]!];
      const [left, right] = [arms[p].left === arms[q].right, arms[p].right === arms[q].left];
      const inks = (left ? 0 : OTHER_INK) + (right ? 0 : OTHER_INK);
      if (!left && !right) return null;
      const gap = length(minus(b.at, a.at));
      const one = oneBow(p, q, gap);
      if (one) return { arms: [p, q], cost: inks + one.cost, points: one.points };
      const toB = alongBow(a, b.at);
      const toA = alongBow(b, a.at);
      const ways: Joint[] = [];
      if (toB.along > 0.3 * gap && toA.along > 0.3 * gap) {
        const there = bowAt(a, toB.along).direction;
        const turn = turnBetween(there, [-b.direction[0], -b.direction[1]]);
        const doubt = tolerance * (1 / a.lengthPx + 1 / b.lengthPx);
        const off = Math.max(0, Math.abs(toB.off) - gap * doubt) + Math.max(0, Math.abs(toA.off) - gap * doubt);
        const cost = off / (gap + 6) + 0.45 * Math.max(0, turn - doubt);
        ways.push({ arms: [p, q], cost: inks + 0.06 + cost, points: smoothFrom(a, b) });
      }
      const corner = cornerOf(a, b, gap);
      if (corner && !inks && isInHole(arms[p].group, corner.point))
        ways.push({
          arms: [p, q],
          cost: CORNER.least + CORNER.perRad * corner.turn,
          points: [...sampled(a, -BEYOND_PX, corner.alongA), ...sampled(b, -BEYOND_PX, corner.alongB).reverse()],
        });
      return ways.sort((x, y) => x.cost - y.cost)[0] ?? null;
    }

    /** One bow through both arms, from as much of them as lies on it. */
    function oneBow(p: number, q: number, gap: number): { cost: number; points: Point[] } | null {
      for (const px of ASKED_PX.slice(0, -1)) {
        const [before, after] = [within(supports[p], px).reverse(), within(supports[q], px)];
        const bow = bowThrough([...before, ...after]);
        if (bow.rmsPx > tolerance || (!bends && bow.bend)) continue;
        const [from, to] = [alongFrom(bow, before[before.length - 1]), alongFrom(bow, after[0])];
        if (to <= from || to - from > 3 * gap + 8) continue;
        const way = bowAt(bow, from).direction;
        const end = bowAt(bow, to).direction;
        // It has to leave one as it goes, and come to the other as that one goes.
        if (dot(way, bows[p]!.direction) < 0.8 || dot(end, bows[q]!.direction) > -0.8) continue;
        return {
          cost: 0.05 * (bow.rmsPx / tolerance) + (px < 12 ? 0.12 : 0) + 0.0004 * (to - from),
          points: sampled(bow, from - BEYOND_PX, to + BEYOND_PX),
        };
      }
      return null;
    }
  }

  // What is joined to nothing goes on until it meets a wall and ends on that, or comes out again where the same inks meet.
  arms.forEach((arm, k) => {
    if (joined.has(k)) return;
    const support = supportOf(k);
    if (support.length < 2) return;
    const bow = bowOf(support);
    let inside = 0;
    let outside = 0;
    /** How much of it leads to where it came out between its inks. */
    let leftAt: number | null = null;
    const out: Point[] = [];
    for (const p of sampled(bow, -BEYOND_PX, Math.hypot(window.picture.widthPx, window.picture.heightPx))) {
      if (isInHole(arm.group, p)) {
        inside += STEP_PX;
        outside = 0;
        leftAt = null;
      } else outside += STEP_PX;
      out.push(p);
      const isDeep = inside >= DEEP_PX;
      if (isDeep && outside > 0 && leftAt === null && outside <= OUT_PX && parts(out, arm)) leftAt = out.length;
      // One that grazes its hole comes into it late; one that came out may go into the next hole of the group.
      if (outside > (isDeep ? GAP_PX : GRAZE_PX)) {
        if (leftAt === null) return;
        out.length = leftAt;
        break;
      }
      if (isDeep && inner.some((w) => w.group === arm.group && meetingOf(out.slice(-2), w.points))) break;
    }
    walls.push({ group: arm.group, points: [...before(k), ...out] });
  });

  /** Whether the last of a line's points has an arm's inks on its two sides. */
  function parts(points: readonly Point[], { left, right }: Arm): boolean {
    const { widthPx: w, heightPx: h } = window.picture;
    const end = points[points.length - 1];
    const d = minus(end, points[points.length - 2]);
    const inkAt = (side: 1 | -1): number => {
      const far = (side * SIDE_PX) / (length(d) || 1);
      const [x, y] = [Math.floor(end[0] - far * d[1]), Math.floor(end[1] + far * d[0])];
      return x >= 0 && y >= 0 && x < w && y < h ? window.apart.cells.first[y * w + x] : -1;
    };
    return inkAt(-1) === left && inkAt(1) === right;
  }
  return walls;
}

/** How far along a circle from its beginning, all the way round where need be: a bow through both arms begins near the first of its points. */
function alongFrom(bow: Bow, p: Point): number {
  const { along } = alongBow(bow, p);
  return along < -1 && bow.bend ? along + (2 * Math.PI) / Math.abs(bow.bend) : along;
}

function sampled(bow: Bow, from: number, to: number): Point[] {
  const n = Math.max(1, Math.ceil((to - from) / STEP_PX));
  return Array.from({ length: n + 1 }, (_, k) => bowAt(bow, from + ((to - from) * k) / n).point);
}

/** A cubic that leaves one bow and comes to the other, with a little of both. */
function smoothFrom(a: Bow, b: Bow): Point[] {
  const chord = minus(b.at, a.at);
  const gap = length(chord);
  const turn = turnBetween(a.direction, [-b.direction[0], -b.direction[1]]);
  const handle = gap / (3 * Math.cos(turn / 4) ** 2);
  const [p1, p2] = [plus(a.at, a.direction, handle), plus(b.at, b.direction, handle)];
  const n = Math.max(2, Math.ceil(gap / STEP_PX));
  const middle = Array.from({ length: n + 1 }, (_, k): Point => {
    const t = k / n;
    const u = 1 - t;
    const [w0, w1, w2, w3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
    return [
      w0 * a.at[0] + w1 * p1[0] + w2 * p2[0] + w3 * b.at[0],
      w0 * a.at[1] + w1 * p1[1] + w2 * p2[1] + w3 * b.at[1],
    ];
  });
  return [...sampled(a, -BEYOND_PX, -STEP_PX), ...middle, ...sampled(b, -BEYOND_PX, -STEP_PX).reverse()];
}

/** Where two bows that go into a hole meet ahead of both, at what turn. */
function cornerOf(a: Bow, b: Bow, gap: number): { point: Point; alongA: number; alongB: number; turn: number } | null {
  // From their directions first, then along the bows by steps of a chord each.
  let [alongA, alongB] = [0, 0];
  for (let k = 0; k < 12; k++) {
    const [p, q] = [bowAt(a, alongA), bowAt(b, alongB)];
    const point = crossingOf(p.point, p.direction, q.point, q.direction, 0.1);
    if (!point) return null;
    const [da, db] = [dot(minus(point, p.point), p.direction), dot(minus(point, q.point), q.direction)];
    alongA += da;
    alongB += db;
    if (Math.abs(alongA) > 4 * gap || Math.abs(alongB) > 4 * gap) return null;
    if (Math.abs(da) + Math.abs(db) < 0.01) {
      const turn = turnBetween(bowAt(a, alongA).direction, minus([0, 0], bowAt(b, alongB).direction));
      const isAhead = alongA > 0 && alongB > 0 && turn > CORNER.fromRad;
      return isAhead ? { point: bowAt(a, alongA).point, alongA, alongB, turn } : null;
    }
  }
  return null;
}

/** A place where two lines of points cross, or null. */
export function meetingOf(p: readonly Point[], q: readonly Point[]): Point | null {
  for (let i = 1; i < p.length; i++) {
    const [a, b] = [p[i - 1], p[i]];
    const [x0, x1] = a[0] < b[0] ? [a[0], b[0]] : [b[0], a[0]];
    const [y0, y1] = a[1] < b[1] ? [a[1], b[1]] : [b[1], a[1]];
    for (let k = 1; k < q.length; k++) {
      const [c, d] = [q[k - 1], q[k]];
      if (Math.max(c[0], d[0]) < x0 || Math.min(c[0], d[0]) > x1) continue;
      if (Math.max(c[1], d[1]) < y0 || Math.min(c[1], d[1]) > y1) continue;
      const [rx, ry, sx, sy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
      const det = rx * sy - ry * sx;
      if (Math.abs(det) < 1e-12) continue;
      const t = ((c[0] - a[0]) * sy - (c[1] - a[1]) * sx) / det;
      const u = ((c[0] - a[0]) * ry - (c[1] - a[1]) * rx) / det;
      if (t >= 0 && t <= 1 && u >= 0 && u <= 1) return [a[0] + t * rx, a[1] + t * ry];
    }
  }
  return null;
}
