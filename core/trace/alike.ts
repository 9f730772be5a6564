/** Parts of a drawing that repeat: what is as good as alike is made alike, whichever outlines it lies in. */
import { arcGeometry, crossingOf, dot, length, minus, plus, type Point, type Segment, unit } from '../path';
import { likeNumbers } from '../exact';
import type { Stroke } from '../fit';

/** Radii and centres of circles that differ by less than this are the same, in pixels. */
const SAME_PX = 0.12;

/** Shorter lines have no direction worth keeping, in pixels; and by how much the ends of one may move to be parallel to others. */
const LEAST_LINE_PX = 12;
const TURN_PX = 0.09;

/** How far the middle of an arc may move for its radius to be that of others, in pixels. */
const RISE_PX = 0.07;

/** A line that turns more than this where it meets the next one has a place of its own there, in radians. */
const CROSSING_RAD = 0.25;

/** A handle that leaves a line within this goes on in the line's direction, in radians. */
const SMOOTH_RAD = 0.06;

interface Circle {
  stroke: number;
  centre: [number, number];
  radius: number;
}

/** A closed stroke of two half circles. */
function circleOf({ start, segments }: Stroke, stroke: number): Circle | null {
  const [p, q] = segments;
  if (segments.length !== 2 || p.kind !== 'arc' || q.kind !== 'arc' || p.radius !== q.radius) return null;
  if (Math.abs(length(minus(p.to, start)) - 2 * p.radius) > 1e-6) return null;
  return { stroke, centre: [(start[0] + p.to[0]) / 2, (start[1] + p.to[1]) / 2], radius: p.radius };
}

/** Circles as large as each other, in line with each other. */
function alignCircles(strokes: Stroke[]): void {
  const circles = strokes.map(circleOf).filter((c) => c !== null);
  if (circles.length < 2) return;
  const ones = circles.map(() => 1);
  const settle = (values: number[], put: (circle: Circle, value: number) => void): void => {
    for (const { members, mean } of likeNumbers(values, ones, (k, m) => Math.abs(values[k] - m) <= SAME_PX / 2))
      if (members.length > 1) for (const k of members) put(circles[k], mean);
  };
  settle(
    circles.map((c) => c.radius),
    (c, v) => (c.radius = v),
  );
  for (const axis of [0, 1] as const)
    settle(
      circles.map((c) => c.centre[axis]),
      (c, v) => (c.centre[axis] = v),
    );
  for (const { stroke, centre, radius } of circles) {
    const from = strokes[stroke];
    const way = Math.sign(from.start[0] - centre[0]) || -1;
    const start: Point = [centre[0] + way * radius, centre[1]];
    const middle: Point = [centre[0] - way * radius, centre[1]];
    strokes[stroke] = {
      ...from,
      start,
      segments: from.segments.map((s, k): Segment => ({ ...s, radius, to: k === 0 ? middle : start }) as Segment),
    };
  }
}

/** Arcs, other than whole and half circles, of the same radius. */
function equalRadii(strokes: Stroke[]): void {
  const arcs: { stroke: number; at: number; radius: number; chord: number; large: boolean }[] = [];
  strokes.forEach(({ start, segments }, stroke) => {
    let from = start;
    segments.forEach((s, at) => {
      if (s.kind === 'arc') {
        const chord = length(minus(s.to, from));
        if (s.radius > 0.54 * chord) arcs.push({ stroke, at, radius: s.radius, chord, large: s.large });
      }
      from = s.to;
    });
  });
  if (arcs.length < 2) return;
  /** How far an arc's middle is from its chord, at a radius. */
  const rise = (k: number, radius: number): number => {
    const { chord, large } = arcs[k];
    return radius + (large ? 1 : -1) * Math.sqrt(radius * radius - (chord * chord) / 4);
  };
  const near = (k: number, mean: number): boolean =>
    mean > 0.53 * arcs[k].chord && Math.abs(rise(k, mean) - rise(k, arcs[k].radius)) <= RISE_PX;
  const radii = arcs.map((a) => a.radius);
  // How well an arc tells its radius goes with how far it rises.
  const weights = arcs.map((a, k) => rise(k, a.radius) ** 2 + 1e-6);
  for (const { members, mean } of likeNumbers(radii, weights, near)) {
    if (members.length < 2) continue;
    for (const k of members) {
      const { stroke, at } = arcs[k];
      const before = strokes[stroke];
      const segments = before.segments.map((s, m) => (m === at ? ({ ...s, radius: mean } as Segment) : s));
      strokes[stroke] = { ...before, segments };
    }
  }
}

interface Line {
  readonly stroke: number;
  readonly at: number;
  readonly middle: Point;
  readonly length: number;
  /** Direction, 0..π. */
  readonly angle: number;
  /** What it becomes. */
  turned: number;
}

/** Slanting lines in the same direction; those at 45 degrees exactly so. */
function parallelLines(strokes: Stroke[], closed: readonly boolean[]): void {
  const lines: Line[] = [];
  strokes.forEach(({ start, segments }, stroke) => {
    let from = start;
    segments.forEach((s, at) => {
      const [dx, dy] = minus(s.to, from);
      const long = Math.hypot(dx, dy);
      // Level and upright lines are exact already; ends that outlines share cannot turn.
      const free = closed[stroke] || (at > 0 && at < segments.length - 1);
      if (free && s.kind === 'line' && long >= LEAST_LINE_PX && Math.abs(dx) > 1e-9 && Math.abs(dy) > 1e-9) {
        const angle = (Math.atan2(dy, dx) + Math.PI) % Math.PI;
        const middle: Point = [(from[0] + s.to[0]) / 2, (from[1] + s.to[1]) / 2];
        lines.push({ stroke, at, middle, length: long, angle, turned: angle });
      }
      from = s.to;
    });
  });
  const near = (k: number, mean: number) => (Math.abs(lines[k].angle - mean) * lines[k].length) / 2 <= TURN_PX;
  // The error of a slope falls with the third power of its length.
  const weights = lines.map((l) => l.length ** 3);
  for (const { members, mean } of likeNumbers(
    lines.map((l) => l.angle),
    weights,
    near,
  )) {
    const even = [Math.PI / 4, (3 * Math.PI) / 4].find((a) => members.every((k) => near(k, a)));
    if (even === undefined && members.length < 2) continue;
    for (const k of members) lines[k].turned = even ?? mean;
  }
  const byStroke = new Map<number, Line[]>();
  for (const line of lines)
    if (line.turned !== line.angle) byStroke.set(line.stroke, [...(byStroke.get(line.stroke) ?? []), line]);
  for (const [k, list] of byStroke) strokes[k] = turnedIn(strokes[k], closed[k], list);
}

/** A stroke with some of its lines turned about their middles; their ends move along with what they meet. */
function turnedIn(stroke: Stroke, closed: boolean, lines: readonly Line[]): Stroke {
  const { segments } = stroke;
  const n = segments.length;
  const nodes: Point[] = [stroke.start, ...segments.map((s) => s.to)];
  const turned = new Map(lines.map((l) => [l.at, l]));
  const directionOf = (k: number): Point | null => {
    if (k < 0 || k >= n || segments[k].kind !== 'line') return null;
    const line = turned.get(k);
    if (line) return [Math.cos(line.turned), Math.sin(line.turned)];
    return unit(minus(nodes[k + 1], nodes[k]));
  };
  const through = (k: number): Point => turned.get(k)?.middle ?? nodes[k];
  const moved = nodes.map((node, k): Point => {
    if (!closed && (k === 0 || k === n)) return node;
    const [before, after] = [k === 0 ? n - 1 : k - 1, k === n ? 0 : k];
    if (!turned.has(before) && !turned.has(after)) return node;
    const [d, e] = [directionOf(before), directionOf(after)];
    if (d && e) {
      return crossingOf(through(before), d, through(after), e, Math.sin(CROSSING_RAD)) ?? node;
    }
    const line = turned.has(before) ? before : after;
    const [p, u] = [through(line), directionOf(line)!];
    return plus(p, u, dot(minus(node, p), u));
  });
  /** A handle goes with its end, and where it went on from a line that turned, in its direction. */
  const handle = (c: Point, k: number, line: number): Point => {
    const reach = minus(c, nodes[k]);
    const far = length(reach);
    const d = turned.has(line) ? directionOf(line) : null;
    const along = d ? dot(reach, d) : 0;
    return d && Math.abs(along) > far * Math.cos(SMOOTH_RAD)
      ? plus(moved[k], d, Math.sign(along) * far)
      : plus(moved[k], reach);
  };
  if (moved.some((p, k) => length(minus(p, nodes[k])) > 2 * TURN_PX)) return stroke;
  return {
    ...stroke,
    start: moved[0],
    segments: segments.map((s, k): Segment => {
      const to = moved[k + 1];
      if (s.kind === 'curve') {
        const [before, after] = [k === 0 ? n - 1 : k - 1, k === n - 1 ? 0 : k + 1];
        return { ...s, c1: handle(s.c1, k, before), c2: handle(s.c2, k + 1, after), to };
      }
      if (s.kind === 'line') return { ...s, to };
      // Half a circle stays one.
      const g = arcGeometry(nodes[k], s);
      const chord = length(minus(to, moved[k]));
      return { ...s, radius: Math.abs(Math.abs(g.sweepRad) - Math.PI) < 1e-3 ? chord / 2 : s.radius, to };
    }),
  };
}

/**
 * Strokes with what repeats in them made exact: circles of one size and in line, arcs of one radius, lines in one direction. No point moves by more
 * than a fifth of a pixel; ends of open strokes stay. `closed` tells of each whether it is.
 */
export function madeAlike(strokes: readonly Stroke[], closed: readonly boolean[]): Stroke[] {
  const out = [...strokes];
  alignCircles(out);
  equalRadii(out);
  parallelLines(out, closed);
  return out;
}
