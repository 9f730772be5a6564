import { boxOfRuns } from '../path';
import type { Picture } from './picture';

/** A closed outline in pixels, x and y in turn; the last point joins the first. */
export type Outline = ArrayLike<number>;

/** How much of each pixel of a window is covered, 0..1; the window's corner is (x0, y0). */
export interface Cover {
  readonly x0: number;
  readonly y0: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly share: Float32Array;
}

/** The window of a picture that outlines may touch. */
function windowOf(outlines: readonly Outline[], widthPx: number, heightPx: number) {
  const box = boxOfRuns(outlines);
  if (!box) return { x0: 0, y0: 0, width: 0, height: 0 };
  const [x0, y0] = [Math.max(0, Math.floor(box.x)), Math.max(0, Math.floor(box.y))];
  const x1 = Math.min(widthPx, Math.ceil(box.x + box.width) + 1);
  const y1 = Math.min(heightPx, Math.ceil(box.y + box.height) + 1);
  return { x0, y0, width: x1 - x0, height: y1 - y0 };
}

/**
 * Exact area coverage of closed outlines over a widthPx x heightPx picture. Each edge adds its signed area to the cells it crosses and a
 * running sum along the row gives the winding times the area covered; overlaps in one direction are clamped and opposite
 * directions cut holes, which is the non-zero rule for outlines that do not cross themselves inside one pixel. Null when
 * nothing falls inside the picture. (The accumulation method is common to font rasterisers.)
 */
export function cover(outlines: readonly Outline[], widthPx: number, heightPx: number): Cover | null {
  const { x0, y0, width, height } = windowOf(outlines, widthPx, heightPx);
  if (!(width > 0 && height > 0)) return null;
  const stride = width + 1;
  const acc = new Float32Array(stride * height);
  for (const o of outlines) {
    const n = o.length >> 1;
    for (let i = 0; i < n; i++) {
      const j = i + 1 === n ? 0 : i + 1;
      addEdge(acc, stride, width, height, o[2 * i] - x0, o[2 * i + 1] - y0, o[2 * j] - x0, o[2 * j + 1] - y0);
    }
  }
  const share = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    let sum = 0;
    for (let x = 0; x < width; x++) {
      sum += acc[y * stride + x];
      const v = Math.abs(sum);
      share[y * width + x] = v > 1 ? 1 : v < 1e-4 ? 0 : v;
    }
  }
  return { x0, y0, widthPx: width, heightPx: height, share };
}

/**
 * Area coverage of the union of outlines that overlap, such as the pieces of a line: each is covered for itself, and a pixel has the most that any
 * of them gives it. Summed, two pieces that both graze a pixel would swell the edge there.
 */
export function coverUnion(outlines: readonly Outline[], widthPx: number, heightPx: number): Cover | null {
  const { x0, y0, width, height } = windowOf(outlines, widthPx, heightPx);
  if (!(width > 0 && height > 0)) return null;
  const share = new Float32Array(width * height);
  for (const outline of outlines) {
    const c = cover([outline], widthPx, heightPx);
    if (!c) continue;
    for (let y = 0; y < c.heightPx; y++) {
      const to = (y + c.y0 - y0) * width + c.x0 - x0;
      const from = y * c.widthPx;
      for (let x = 0; x < c.widthPx; x++) if (c.share[from + x] > share[to + x]) share[to + x] = c.share[from + x];
    }
  }
  return { x0, y0, widthPx: width, heightPx: height, share };
}

function addEdge(
  acc: Float32Array,
  stride: number,
  width: number,
  height: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): void {
  if (ay === by) return;
  const direction = ay < by ? 1 : -1;
  if (ay > by) [ax, ay, bx, by] = [bx, by, ax, ay];
  const slope = (bx - ax) / (by - ay);
  let x = ax;
  if (ay < 0) x -= ay * slope;
  const yEnd = Math.min(height, Math.ceil(by));
  for (let row = Math.max(0, Math.floor(ay)); row < yEnd; row++) {
    const base = row * stride;
    const dy = Math.min(row + 1, by) - Math.max(row, ay);
    if (dy <= 0) continue;
    const xNext = x + slope * dy;
    const d = dy * direction;
    let left = Math.min(x, xNext);
    let right = Math.max(x, xNext);
    x = xNext;
    left = left < 0 ? 0 : left > width ? width : left;
    right = right < 0 ? 0 : right > width ? width : right;
    const c0 = Math.floor(left);
    const c1 = Math.ceil(right);
    if (c1 <= c0 + 1) {
      const mid = 0.5 * (left + right) - c0;
      acc[base + c0] += d * (1 - mid);
      if (c0 + 1 < stride) acc[base + c0 + 1] += d * mid;
      continue;
    }
    const s = 1 / (right - left);
    const first = 0.5 * s * (c0 + 1 - left) ** 2;
    const last = 0.5 * s * (right - c1 + 1) ** 2;
    acc[base + c0] += d * first;
    if (c1 === c0 + 2) acc[base + c0 + 1] += d * (1 - first - last);
    else {
      const second = s * (c0 + 1.5 - left);
      acc[base + c0 + 1] += d * (second - first);
      for (let c = c0 + 2; c < c1 - 1; c++) acc[base + c] += d * s;
      acc[base + c1 - 1] += d * (1 - (second + (c1 - c0 - 3) * s) - last);
    }
    if (c1 < stride) acc[base + c1] += d * last;
  }
}

/** Lays a colour over the picture, in place, where the cover says, mixing in sRGB as browsers do. */
export const layColour = (picture: Picture, c: Cover, rgb: readonly [number, number, number], alpha = 1): void =>
  layPaint(picture, c, () => rgb, alpha);

/**
 * Lays a colour that changes from place to place over the picture, in place, where the cover says; it is asked at the middles of pixels, and may have
 * an opacity 0..1 as a fourth number.
 */
export function layPaint(
  picture: Picture,
  c: Cover,
  paint: (x: number, y: number) => readonly [number, number, number, number?],
  alpha = 1,
): void {
  const { rgba, widthPx } = picture;
  for (let y = 0; y < c.heightPx; y++)
    for (let x = 0; x < c.widthPx; x++) {
      let t = c.share[y * c.widthPx + x] * alpha;
      if (t <= 0) continue;
      const [r, g, b, opacity] = paint(x + c.x0 + 0.5, y + c.y0 + 0.5);
      if (opacity !== undefined) t *= opacity;
      if (t <= 0) continue;
      const i = ((y + c.y0) * widthPx + x + c.x0) * 4;
      const below = (rgba[i + 3] / 255) * (1 - t);
      const whole = t + below;
      rgba[i] = (r * t + rgba[i] * below) / whole;
      rgba[i + 1] = (g * t + rgba[i + 1] * below) / whole;
      rgba[i + 2] = (b * t + rgba[i + 2] * below) / whole;
      rgba[i + 3] = whole * 255;
    }
}

/** The part of `a` inside `b` (or outside, with `outside`), as a new cover of a's window. */
export function within(a: Cover, b: Cover | null, outside = false): Cover {
  const share = new Float32Array(a.share.length);
  for (let y = 0; y < a.heightPx; y++)
    for (let x = 0; x < a.widthPx; x++) {
      const bx = x + a.x0 - (b?.x0 ?? 0);
      const by = y + a.y0 - (b?.y0 ?? 0);
      const inB = b && bx >= 0 && by >= 0 && bx < b.widthPx && by < b.heightPx ? b.share[by * b.widthPx + bx] : 0;
      const i = y * a.widthPx + x;
      share[i] = a.share[i] * (outside ? 1 - inB : inB);
    }
  return { ...a, share };
}

/** Outlines whose union is the stroke of a line of points, with round joins and ends. */
export function strokeOutlines(points: Outline, widthPx: number, closed: boolean): number[][] {
  const out: number[][] = [];
  const r = widthPx / 2;
  const n = points.length >> 1;
  const sides = Math.max(8, Math.min(48, Math.ceil(2 * Math.PI * Math.sqrt(r) * 1.6)));
  for (let i = 0; i < n; i++) {
    const disc: number[] = [];
    for (let k = 0; k < sides; k++) {
      const t = (2 * Math.PI * k) / sides;
      disc.push(points[2 * i] + r * Math.cos(t), points[2 * i + 1] + r * Math.sin(t));
    }
    out.push(disc);
    if (i + 1 === n && !closed) break;
    const j = (i + 1) % n;
    const dx = points[2 * j] - points[2 * i];
    const dy = points[2 * j + 1] - points[2 * i + 1];
    const len = Math.hypot(dx, dy);
    if (len < 1e-6) continue;
    const nx = (-dy / len) * r;
    const ny = (dx / len) * r;
    out.push([
      points[2 * i] - nx,
      points[2 * i + 1] - ny,
      points[2 * j] - nx,
      points[2 * j + 1] - ny,
      points[2 * j] + nx,
      points[2 * j + 1] + ny,
      points[2 * i] + nx,
      points[2 * i + 1] + ny,
    ]);
  }
  return out;
}

/** Which cells of a square grid are more than half covered by any of some drawings' outlines: 1 where one is, row by row. */
export function coveredCells(drawings: readonly (readonly Outline[])[], side: number): Uint8Array {
  const out = new Uint8Array(side * side);
  for (const outlines of drawings) {
    const c = cover(outlines, side, side);
    if (!c) continue;
    for (let y = 0; y < c.heightPx; y++)
      for (let x = 0; x < c.widthPx; x++) if (c.share[y * c.widthPx + x] > 0.5) out[(y + c.y0) * side + x + c.x0] = 1;
  }
  return out;
}
