import { arcToCurves } from './arc';
import type { Box } from './contour';
import type { Contour } from './outline';
import type { Point } from './point';

/** Where between 0 and 1 a cubic stops going one way along an axis. */
function turns(p0: number, p1: number, p2: number, p3: number): number[] {
  const a = p3 - 3 * p2 + 3 * p1 - p0;
  const b = 2 * (p2 - 2 * p1 + p0);
  const c = p1 - p0;
  // The derivative is 3 (a t^2 + b t + c).
  if (Math.abs(a) < 1e-12 * (Math.abs(b) + Math.abs(c) + 1e-300)) return Math.abs(b) > 0 ? [-c / b] : [];
  const root = b * b - 4 * a * c;
  if (root < 0) return [];
  const s = Math.sqrt(root);
  return [(-b + s) / (2 * a), (-b - s) / (2 * a)];
}

/** The smallest box round contours, their curves looked at where they turn; null when there are none. Arcs count as the curves that they become. */
export function tightBox(contours: readonly Contour[]): Box | null {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  const add = ([x, y]: Point): void => {
    [x0, y0] = [Math.min(x0, x), Math.min(y0, y)];
    [x1, y1] = [Math.max(x1, x), Math.max(y1, y)];
  };
  for (const { start, segments } of contours) {
    let from = start;
    add(from);
    for (const whole of segments)
      for (const s of whole.kind === 'arc' ? arcToCurves(from, whole) : [whole]) {
        add(s.to);
        if (s.kind === 'curve')
          for (const axis of [0, 1] as const)
            for (const t of turns(from[axis], s.c1[axis], s.c2[axis], s.to[axis])) {
              if (!(t > 0 && t < 1)) continue;
              const u = 1 - t;
              const at = (k: 0 | 1): number =>
                u * u * u * from[k] + 3 * u * u * t * s.c1[k] + 3 * u * t * t * s.c2[k] + t * t * t * s.to[k];
              add([at(0), at(1)]);
            }
        from = s.to;
      }
  }
  return x1 >= x0 ? { x: x0, y: y0, width: x1 - x0, height: y1 - y0 } : null;
}
