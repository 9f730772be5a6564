/** Where two stretches meet: where they cross or touch, and where they run on one another. */
import type { Point } from '../point';
import { nearestOn, whereAt, type Curve, type Stretch } from './curve';

/** A place that two stretches share, by the parameter of each. */
export interface Meeting {
  readonly t: number;
  readonly u: number;
}

/** Stretches nearer than this run on one another, and ends nearer than this to a stretch lie on it, in pixels. */
export const TOUCH_PX = 1e-3;
/** Boxes smaller than this are left to Newton, and smaller than the second are a place. */
const [SMALL_PX, POINT_PX] = [0.05, 1e-7];
/** More boxes than this at one time are stretches that nearly run on one another. */
const MOST_BOXES = 48;
/** So many places are looked at along such stretches. */
const LOOKS = 32;

interface Span {
  readonly t0: number;
  readonly t1: number;
  readonly p0: Point;
  readonly p1: Point;
}

const halves = (curve: Curve, { t0, t1, p0, p1 }: Span): [Span, Span] => {
  const t = (t0 + t1) / 2;
  const p = curve.at(t);
  return [
    { t0, t1: t, p0, p1: p },
    { t0: t, t1, p0: p, p1 },
  ];
};

const overlaps = (a: Span, b: Span, by: number): boolean =>
  Math.min(a.p0[0], a.p1[0]) <= Math.max(b.p0[0], b.p1[0]) + by &&
  Math.min(b.p0[0], b.p1[0]) <= Math.max(a.p0[0], a.p1[0]) + by &&
  Math.min(a.p0[1], a.p1[1]) <= Math.max(b.p0[1], b.p1[1]) + by &&
  Math.min(b.p0[1], b.p1[1]) <= Math.max(a.p0[1], a.p1[1]) + by;

const sideOf = ({ p0, p1 }: Span): number => Math.max(Math.abs(p1[0] - p0[0]), Math.abs(p1[1] - p0[1]));

/** Newton's steps towards a crossing, from some parameters; null where they lead away or the curves are parallel there. */
function crossingFrom(a: Curve, b: Curve, t: number, u: number): Meeting | null {
  for (let turn = 0; turn < 20; turn++) {
    const [ax, ay] = a.at(t);
    const [bx, by] = b.at(u);
    const [dx, dy] = [bx - ax, by - ay];
    const [p, q] = [a.speed(t), b.speed(u)];
    const turned = p[0] * q[1] - p[1] * q[0];
    const scale = Math.hypot(...p) * Math.hypot(...q);
    if (Math.abs(turned) < 1e-9 * scale || scale === 0) return null;
    const dt = (dx * q[1] - dy * q[0]) / turned;
    const du = (dx * p[1] - dy * p[0]) / turned;
    t += dt;
    u += du;
    if (!(t > -0.5 && t < 1.5 && u > -0.5 && u < 1.5)) return null;
    if (Math.abs(dt) < 1e-13 && Math.abs(du) < 1e-13) break;
  }
  const [ax, ay] = a.at(t);
  const [bx, by] = b.at(u);
  return Math.hypot(bx - ax, by - ay) < 1e-7 ? { t, u } : null;
}

/** All places that two stretches share; of a part on which they run on one another, its ends. */
export function meetings(a: Stretch, b: Stretch): Meeting[] {
  const touches = endsOn(a, b);
  if (runsAlong(a, b, touches)) return touches;
  const out = [...touches];
  const isNew = ({ t, u }: Meeting): boolean => {
    const [x, y] = a.curve.at(t);
    return out.every((m) => {
      const [px, py] = a.curve.at(m.t);
      return Math.hypot(px - x, py - y) > TOUCH_PX || Math.abs(m.u - u) > 0.5;
    });
  };
  const add = (m: Meeting): void => {
    if (isNew(m)) out.push(m);
  };
  if (a.curve.segment.kind === 'line' && b.curve.segment.kind === 'line') {
    const found = overlaps(a, b, 0) ? crossingFrom(a.curve, b.curve, a.t0, b.t0) : null;
    if (found && isWithin(found.t, a) && isWithin(found.u, b)) add(found);
    return out;
  }
  let pairs: [Span, Span][] = [[a, b]];
  while (pairs.length) {
    const next: [Span, Span][] = [];
    for (const [p, q] of pairs) {
      if (!overlaps(p, q, 0)) continue;
      const [sp, sq] = [sideOf(p), sideOf(q)];
      if (sp < SMALL_PX && sq < SMALL_PX) {
        const found = crossingFrom(a.curve, b.curve, (p.t0 + p.t1) / 2, (q.t0 + q.t1) / 2);
        const isHere = found && isWithin(found.t, a) && isWithin(found.u, b);
        if (isHere) {
          add({ t: clamped(found.t, a), u: clamped(found.u, b) });
          // What else is in these boxes is near to it.
          if (Math.abs(found.t - (p.t0 + p.t1) / 2) <= p.t1 - p.t0) continue;
        }
        if (sp < POINT_PX && sq < POINT_PX) {
          add({ t: (p.t0 + p.t1) / 2, u: (q.t0 + q.t1) / 2 });
          continue;
        }
      }
      if (sp >= sq) for (const h of halves(a.curve, p)) next.push([h, q]);
      else for (const h of halves(b.curve, q)) next.push([p, h]);
    }
    if (next.length > MOST_BOXES) {
      for (const m of alongside(a, b)) add(m);
      return out;
    }
    pairs = next;
  }
  return out;
}

/** Where two stretches that nearly run on one another cross: by how far one is beyond the other, along the axis on which they share more. */
function alongside(a: Stretch, b: Stretch): Meeting[] {
  const shared = ([0, 1] as const).map((axis) => {
    const lo = Math.max(Math.min(a.p0[axis], a.p1[axis]), Math.min(b.p0[axis], b.p1[axis]));
    const hi = Math.min(Math.max(a.p0[axis], a.p1[axis]), Math.max(b.p0[axis], b.p1[axis]));
    return { axis, lo, hi };
  });
  const { axis, lo, hi } = shared[0].hi - shared[0].lo >= shared[1].hi - shared[1].lo ? shared[0] : shared[1];
  if (!(hi > lo)) return [];
  const other = axis === 0 ? 1 : 0;
  const at = (value: number): { t: number; u: number; beyond: number } => {
    const [t, u] = [whereAt(a, axis, value), whereAt(b, axis, value)];
    return { t, u, beyond: a.curve.at(t)[other] - b.curve.at(u)[other] };
  };
  const out: Meeting[] = [];
  /** The crossing between two values where it is on either side. */
  const cross = (from: number, to: number, isBeyond: boolean): void => {
    let [p, q] = [from, to];
    for (let turn = 0; turn < 60; turn++) {
      const middle = (p + q) / 2;
      if (at(middle).beyond > 0 === isBeyond) p = middle;
      else q = middle;
    }
    const { t, u } = at((p + q) / 2);
    out.push({ t, u });
  };
  const values = Array.from({ length: LOOKS + 1 }, (_, k) => lo + (k / LOOKS) * (hi - lo));
  const beyond = values.map((value) => at(value).beyond);
  for (let k = 1; k <= LOOKS; k++)
    if (beyond[k - 1] > 0 !== beyond[k] > 0) cross(values[k - 1], values[k], beyond[k - 1] > 0);
  // Where they come near and part again on one side, they may have crossed twice between two looks.
  for (let k = 1; k < LOOKS; k++) {
    const [before, here, after] = [beyond[k - 1], beyond[k], beyond[k + 1]];
    if (before > 0 !== here > 0 || here > 0 !== after > 0) continue;
    if (Math.abs(here) > Math.abs(before) || Math.abs(here) > Math.abs(after)) continue;
    let [p, q] = [values[k - 1], values[k + 1]];
    for (let turn = 0; turn < 40; turn++) {
      const [m, n] = [p + (q - p) / 3, q - (q - p) / 3];
      const [fm, fn] = [at(m).beyond, at(n).beyond];
      const over = fm > 0 !== here > 0 ? m : fn > 0 !== here > 0 ? n : null;
      if (over !== null) {
        cross(values[k - 1], over, here > 0);
        cross(over, values[k + 1], here <= 0);
        break;
      }
      if (Math.abs(fm) < Math.abs(fn)) q = n;
      else p = m;
    }
  }
  return out;
}

const SLACK = 1e-9;
const isWithin = (t: number, { t0, t1 }: Stretch): boolean => t > t0 - SLACK && t < t1 + SLACK;
const clamped = (t: number, { t0, t1 }: Stretch): number => Math.max(t0, Math.min(t1, t));

/** Ends of either stretch that lie on the other. */
function endsOn(a: Stretch, b: Stretch): Meeting[] {
  const out: Meeting[] = [];
  const add = (t: number, u: number): void => {
    if (!out.some((m) => Math.abs(m.t - t) < 1e-9 && Math.abs(m.u - u) < 1e-9)) out.push({ t, u });
  };
  for (const [end, t] of [
    [a.p0, a.t0],
    [a.p1, a.t1],
  ] as const) {
    const { t: u, distancePx } = nearestOn(b, end);
    if (distancePx < TOUCH_PX) add(t, u);
  }
  for (const [end, u] of [
    [b.p0, b.t0],
    [b.p1, b.t1],
  ] as const) {
    const { t, distancePx } = nearestOn(a, end);
    if (distancePx < TOUCH_PX) add(t, u);
  }
  return out;
}

/** Whether two stretches run on one another between the outermost of their touches. */
function runsAlong(a: Stretch, b: Stretch, touches: readonly Meeting[]): boolean {
  if (touches.length < 2) return false;
  const ts = touches.map((m) => m.t);
  const [lo, hi] = [Math.min(...ts), Math.max(...ts)];
  const [p, q] = [a.curve.at(lo), a.curve.at(hi)];
  if (Math.hypot(p[0] - q[0], p[1] - q[1]) < 2 * TOUCH_PX) return false;
  return [0.25, 0.5, 0.75].every((share) => nearestOn(b, a.curve.at(lo + share * (hi - lo))).distancePx < 2 * TOUCH_PX);
}
