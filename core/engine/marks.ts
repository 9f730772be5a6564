import { boundsOf, disc } from './area';
import { intersect, EMPTY, sizeOf, type Area } from '../path';

/** Small marks that finishes are made of: hatching that swells, brush lines, dots. */

/** A seeded wobble along a line, smooth, -1..1 (a sum of sines with seeded phases). */
export function wobbleFrom(random: () => number): (at: number) => number {
  const terms = [1, 2.3, 4.1].map((f, i) => [f, random() * 6.283, 1 / (1 + i)] as const);
  return (at) => terms.reduce((s, [f, phase, a]) => s + a * Math.sin(f * at + phase), 0) / 1.83;
}

export interface Hatch {
  /** Direction of the lines in radians. */
  readonly angle: number;
  /** Units between lines. */
  readonly pitch: number;
  /** Weight of a line at a point of the scene, in units; nothing is drawn where it is 0. */
  readonly weight: (x: number, y: number) => number;
  /** Sideways sway of a line, in units. */
  readonly sway?: (along: number, line: number) => number;
}

/** Parallel lines over an area's box whose weight changes along them, as strips; not yet cut to the area. */
export function hatchOver(area: Area, { angle, pitch, weight, sway }: Hatch, step = 0.9): Area {
  const b = boundsOf(area);
  const [cx, cy] = [b.x + b.width / 2, b.y + b.height / 2];
  const reach = Math.hypot(b.width, b.height) / 2 + pitch;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  // Lines lie on a lattice of the whole scene, so that parts side by side are hatched as one.
  const offset = -cx * sin + cy * cos;
  const first = Math.floor((offset - reach) / pitch);
  const last = Math.ceil((offset + reach) / pitch);
  const mid = cx * cos + cy * sin;
  const out: number[][] = [];
  for (let line = first; line <= last; line++) {
    let left: number[] = [];
    let right: number[] = [];
    const end = (): void => {
      if (left.length > 2) {
        const ring = [...left];
        for (let i = right.length - 2; i >= 0; i -= 2) ring.push(right[i], right[i + 1]);
        out.push(ring);
      }
      left = [];
      right = [];
    };
    for (let a = mid - reach; a <= mid + reach; a += step) {
      const o = line * pitch + (sway?.(a, line) ?? 0);
      const [x, y] = [a * cos - o * sin, a * sin + o * cos];
      const w = weight(x, y) / 2;
      if (w <= 0.02) {
        if (left.length) {
          left.push(x, y);
          right.push(x, y);
        }
        end();
        continue;
      }
      left.push(x + w * sin, y - w * cos);
      right.push(x - w * sin, y + w * cos);
    }
    end();
  }
  return out;
}

/** Dots on a turned lattice over an area, their radius set by a function of the place. */
export function dotsOver(area: Area, pitch: number, angle: number, radius: (x: number, y: number) => number): Area {
  const b = boundsOf(area);
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [cx, cy] = [b.x + b.width / 2, b.y + b.height / 2];
  const n = Math.ceil(Math.hypot(b.width, b.height) / 2 / pitch) + 1;
  const u0 = Math.round((cx * cos + cy * sin) / pitch);
  const v0 = Math.round((-cx * sin + cy * cos) / pitch);
  const out: number[][] = [];
  for (let j = -n; j <= n; j++)
    for (let i = -n; i <= n; i++) {
      const [u, v] = [(u0 + i) * pitch, (v0 + j) * pitch];
      const [x, y] = [u * cos - v * sin, u * sin + v * cos];
      if (x < b.x - pitch || x > b.x + b.width + pitch || y < b.y - pitch || y > b.y + b.height + pitch) continue;
      const r = radius(x, y);
      if (r > 0.08) out.push([...disc(x, y, r, r > 1.2 ? 22 : 14)[0]]);
    }
  return out;
}

/** The rim of an area as a pen or brush draws it: broad along one direction, thin across, with a shake. One strip a ring. */
export function nibLine(
  area: Area,
  thin: number,
  thick: number,
  angle: number,
  shake: number,
  random: () => number,
): Area {
  const out: number[][] = [];
  for (const ring of area) {
    const n = ring.length / 2;
    if (n < 3) continue;
    const wobble = wobbleFrom(random);
    const press = wobbleFrom(random);
    const outer: number[] = [];
    const inner: number[] = [];
    let along = 0;
    for (let i = 0; i <= n; i++) {
      const a = (i - 1 + n) % n;
      const p = i % n;
      const q = (i + 1) % n;
      let [tx, ty] = [ring[2 * q] - ring[2 * a], ring[2 * q + 1] - ring[2 * a + 1]];
      const len = Math.hypot(tx, ty) || 1e-9;
      [tx, ty] = [tx / len, ty / len];
      if (i) along += Math.hypot(ring[2 * p] - ring[2 * a], ring[2 * p + 1] - ring[2 * a + 1]);
      const across = Math.abs(tx * Math.sin(angle) - ty * Math.cos(angle));
      const w = ((thin + (thick - thin) * across) / 2) * (1 + 0.22 * press(along * 0.16));
      const s = shake * wobble(along * 0.22);
      outer.push(ring[2 * p] + ty * (w + s), ring[2 * p + 1] - tx * (w + s));
      inner.push(ring[2 * p] - ty * (w - s), ring[2 * p + 1] + tx * (w - s));
    }
    // Each quad for itself, so that a strip that turns back on itself has no holes.
    for (let i = 0; i + 3 < outer.length; i += 2) {
      const quad = [
        outer[i],
        outer[i + 1],
        outer[i + 2],
        outer[i + 3],
        inner[i + 2],
        inner[i + 3],
        inner[i],
        inner[i + 1],
      ];
      let twice = 0;
      for (let k = 0; k < 8; k += 2) {
        const m = (k + 2) % 8;
        twice += quad[k] * quad[m + 1] - quad[m] * quad[k + 1];
      }
      out.push(twice >= 0 ? quad : [quad[0], quad[1], quad[6], quad[7], quad[4], quad[5], quad[2], quad[3]]);
    }
  }
  return out;
}

/** Points at equal distances along the rings of an area, with the direction there. */
export function alongRings(area: Area, every: number): { x: number; y: number; angle: number }[] {
  const out: { x: number; y: number; angle: number }[] = [];
  for (const ring of area) {
    let length = 0;
    const n = ring.length / 2;
    for (let i = 0; i < n; i++) {
      const j = (i + 1) % n;
      length += Math.hypot(ring[2 * j] - ring[2 * i], ring[2 * j + 1] - ring[2 * i + 1]);
    }
    const count = Math.round(length / every);
    if (count < 3) continue;
    const step = length / count;
    let want = step / 2;
    let done = 0;
    for (let i = 0; i < n; i++) {
      const j = (i + 1) % n;
      const [dx, dy] = [ring[2 * j] - ring[2 * i], ring[2 * j + 1] - ring[2 * i + 1]];
      const len = Math.hypot(dx, dy);
      while (want <= done + len && len > 0) {
        const t = (want - done) / len;
        out.push({ x: ring[2 * i] + dx * t, y: ring[2 * i + 1] + dy * t, angle: Math.atan2(dy, dx) });
        want += step;
      }
      done += len;
    }
  }
  return out;
}

/** A petal or leaf: two arcs from a tip to a tip. */
export function leafArea(x: number, y: number, angle: number, length: number, width: number): Area {
  const ring: number[] = [];
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const put = (u: number, v: number) => ring.push(x + u * cos - v * sin, y + u * sin + v * cos);
  for (let i = 0; i <= 12; i++) put((length * i) / 12, (width / 2) * Math.sin((Math.PI * i) / 12));
  for (let i = 11; i > 0; i--) put((length * i) / 12, (-width / 2) * Math.sin((Math.PI * i) / 12));
  return [ring];
}

/** What of the marks lies inside an area; nothing when the area is smaller than a speck. */
export const inside = (marks: Area, area: Area): Area =>
  sizeOf(area) > 0.05 && marks.length ? intersect(marks, area) : EMPTY;

/** Water as a line of waves from one place across to another at a height: how far they swell, and how long one is, in units. */
export function waveLine(from: number, to: number, y: number, swell: number, long: number, phaseRad = 0): number[] {
  const n = Math.max(24, Math.ceil((12 * (to - from)) / long));
  return Array.from({ length: n + 1 }, (_, i) => [from + ((to - from) * i) / n, y + swell * Math.sin(phaseRad + (((2 * Math.PI * i) / n) * (to - from)) / long)]).flat(); // prettier-ignore
}
