import { cross, dot, minus, type Point } from './point';
import type { ArcSegment, Segment } from './outline';

/** Where an arc lies: its centre, the angle at which it starts, and how far it turns (positive clockwise on the screen), in radians. */
export interface ArcGeometry {
  readonly cx: number;
  readonly cy: number;
  readonly radius: number;
  readonly startRad: number;
  readonly sweepRad: number;
}

/** The circle of an arc (SVG 1.1, F.6.5); a radius too small for the chord is made just large enough. One that ends where it starts goes nowhere. */
export function arcGeometry([x0, y0]: Point, arc: ArcSegment): ArcGeometry {
  const [x1, y1] = arc.to;
  const chord = Math.hypot(x1 - x0, y1 - y0);
  const radius = Math.max(arc.radius, chord / 2);
  const rise = Math.sqrt(Math.max(0, radius * radius - (chord * chord) / 4));
  // A chord so short that it has no direction is as good as none.
  if (chord === 0 || !Number.isFinite(rise / chord)) return { cx: x0 - arc.radius, cy: y0, radius: arc.radius, startRad: 0, sweepRad: 0 }; // prettier-ignore
  // The centre lies to the right of the chord, seen along it, for a lesser arc that runs clockwise.
  const side = arc.clockwise === arc.large ? -1 : 1;
  const scale = (side * rise) / chord;
  const cx = (x0 + x1) / 2 - (y1 - y0) * scale;
  const cy = (y0 + y1) / 2 + (x1 - x0) * scale;
  const startRad = Math.atan2(y0 - cy, x0 - cx);
  let sweepRad = Math.atan2(y1 - cy, x1 - cx) - startRad;
  if (arc.clockwise && sweepRad < 0) sweepRad += 2 * Math.PI;
  if (!arc.clockwise && sweepRad > 0) sweepRad -= 2 * Math.PI;
  return { cx, cy, radius, startRad, sweepRad };
}

/** The arc from one point through another to a third; null where they lie in a line. */
export function arcThrough(from: Point, by: Point, to: Point): ArcSegment | null {
  const [a, b] = [minus(by, from), minus(to, from)];
  const turn = cross(a, b);
  const [la, lb, lc] = [Math.hypot(...a), Math.hypot(...b), Math.hypot(...minus(to, by))];
  if (Math.abs(turn) < 1e-6 * la * lb || la * lb * lc === 0) return null;
  const radius = (la * lb * lc) / (2 * Math.abs(turn));
  // The angle at the middle point is less than a right one where more than half a circle is gone round.
  const large = dot(minus(from, by), minus(to, by)) > 0;
  return { kind: 'arc', radius, large, clockwise: turn > 0, to };
}

/** An arc as cubics of at most a quarter turn each (error under 0.03% of the radius). */
export function arcToCurves(from: Point, arc: ArcSegment): Segment[] {
  const g = arcGeometry(from, arc);
  const n = Math.max(1, Math.ceil(Math.abs(g.sweepRad) / (Math.PI / 2) - 1e-6));
  const step = g.sweepRad / n;
  const k = (4 / 3) * Math.tan(step / 4);
  const out: Segment[] = [];
  for (let i = 0; i < n; i++) {
    const [a, b] = [g.startRad + i * step, g.startRad + (i + 1) * step];
    const at = (t: number, along: number): Point => [
      g.cx + g.radius * (Math.cos(t) - along * Math.sin(t)),
      g.cy + g.radius * (Math.sin(t) + along * Math.cos(t)),
    ];
    out.push({ kind: 'curve', c1: at(a, k), c2: at(b, -k), to: i === n - 1 ? arc.to : at(b, 0) });
  }
  return out;
}

/**
 * An elliptical arc of SVG path data as cubics: radii `rx` and `ry`, the ellipse turned by `turnDeg` (SVG 1.1, F.6). A radius of 0 makes a
 * straight line.
 */
export function ellipticalArc(
  from: Point,
  rx: number,
  ry: number,
  turnDeg: number,
  large: boolean,
  clockwise: boolean,
  to: Point,
): Segment[] {
  if (rx === 0 || ry === 0 || (from[0] === to[0] && from[1] === to[1])) return [{ kind: 'line', to }];
  const [rxa, rya] = [Math.abs(rx), Math.abs(ry)];
  if (rxa === rya)
    return [
      { kind: 'arc', radius: Math.max(rxa, Math.hypot(to[0] - from[0], to[1] - from[1]) / 2), large, clockwise, to },
    ];
  // In the space where the ellipse is a circle of radius 1, it is an arc like others.
  const t = (turnDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(t), Math.sin(t)];
  const into = ([x, y]: Point): Point => [(x * cos + y * sin) / rxa, (-x * sin + y * cos) / rya];
  const back = ([x, y]: Point): Point => [x * rxa * cos - y * rya * sin, x * rxa * sin + y * rya * cos];
  const curves = arcToCurves(into(from), { kind: 'arc', radius: 1, large, clockwise, to: into(to) });
  return curves.map((s, i) =>
    s.kind === 'curve'
      ? { kind: 'curve', c1: back(s.c1), c2: back(s.c2), to: i === curves.length - 1 ? to : back(s.to) }
      : s,
  );
}
