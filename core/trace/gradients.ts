import { hexToRgb, rgbToHex, type Rgb } from '../colour';
import { findRegions, type Picture } from '../raster';
import { colourIn, placeIn, type Gradient, type GradientStop } from '../vector';
import { type Point } from '../path';
import { sidesOf } from './regions';

/** Gradients of a picture, and the pixels that they paint. */
export interface FoundGradients {
  readonly gradients: readonly Gradient[];
  /** For each pixel the number of its gradient, or NO_GRADIENT: edge mixtures are in none. */
  readonly of: Uint8Array;
}

export const NO_GRADIENT = 255;

/** The most gradients that are looked for. */
const LIMIT = 24;

/** Areas smaller than this, and colours that change by fewer levels, are no gradient of their own. */
const LEAST_AREA_PX2 = 300;
const LEAST_CHANGE = { clean: 14, noisy: 24 } as const;

/** Pixels that one area is judged by. */
const SAMPLES = 2500;

/** Sampled pixels of an area: place and colour, five numbers each. */
type Samples = number[];
const STRIDE = 5;

interface Area {
  readonly sizePx2: number;
  readonly samples: Samples;
  /** Which regions it is made of. */
  readonly regions: number[];
}

/** How colours run along the places 0..1 of a gradient: their means in as many bins, and where those lie. */
interface Profile {
  readonly at: number[];
  readonly rgb: [number, number, number][];
  readonly count: number[];
  /** How far pixels lie from it, in levels: root of the mean square over three channels. */
  readonly rms: number;
}

const BINS = 40;

type Frame = Pick<Gradient, 'kind' | 'from' | 'to'>;

function profileOf(samples: Samples, frame: Frame): Profile {
  const place = placeIn(frame);
  const sums = new Float64Array(BINS * 5);
  const places = new Float64Array(samples.length / STRIDE);
  for (let k = 0, m = 0; k < samples.length; k += STRIDE, m++) {
    const t = (places[m] = Math.max(0, Math.min(1, place(samples[k], samples[k + 1]))));
    const b = 5 * Math.min(BINS - 1, Math.floor(t * BINS));
    sums[b] += t;
    for (let c = 0; c < 3; c++) sums[b + 1 + c] += samples[k + 2 + c];
    sums[b + 4]++;
  }
  const at: number[] = [];
  const rgb: [number, number, number][] = [];
  const count: number[] = [];
  for (let b = 0; b < 5 * BINS; b += 5) {
    const n = sums[b + 4];
    if (!n) continue;
    at.push(sums[b] / n);
    count.push(n);
    rgb.push([sums[b + 1] / n, sums[b + 2] / n, sums[b + 3] / n]);
  }
  let squares = 0;
  for (let k = 0, m = 0; k < samples.length; k += STRIDE, m++) {
    const colour = between(at, rgb, places[m]);
    for (let c = 0; c < 3; c++) squares += (samples[k + 2 + c] - colour[c]) ** 2;
  }
  return { at, rgb, count, rms: Math.sqrt(squares / ((3 * samples.length) / STRIDE)) };
}

/** A colour between knots; beyond the first and the last, the two nearest are carried on. */
function between(at: readonly number[], rgb: readonly (readonly number[])[], t: number): [number, number, number] {
  if (at.length === 1) return [rgb[0][0], rgb[0][1], rgb[0][2]];
  let k = 1;
  while (k < at.length - 1 && at[k] < t) k++;
  const s = (t - at[k - 1]) / (at[k] - at[k - 1] || 1);
  const [p, q] = [rgb[k - 1], rgb[k]];
  return [p[0] + s * (q[0] - p[0]), p[1] + s * (q[1] - p[1]), p[2] + s * (q[2] - p[2])];
}

/** How colours slope in the blocks of an area: place, slope across and down of each channel, and how far pixels lie from their plane. */
interface Slopes {
  readonly x: number[];
  readonly y: number[];
  readonly gx: Rgb[];
  readonly gy: Rgb[];
  /** Steep blocks count for less: a shadow or an edge lies in them. */
  readonly weight: number[];
  readonly noise: number;
}

function slopesOf(samples: Samples, areaPx2: number): Slopes {
  const side = Math.max(6, Math.sqrt(areaPx2) / 9);
  const blocks = new Map<number, number[]>();
  for (let k = 0; k < samples.length; k += STRIDE) {
    const key = Math.floor(samples[k + 1] / side) * 65536 + Math.floor(samples[k] / side);
    const list = blocks.get(key);
    if (list) list.push(k);
    else blocks.set(key, [k]);
  }
  const out = { x: [] as number[], y: [] as number[], gx: [] as Rgb[], gy: [] as Rgb[] };
  const noises: number[] = [];
  for (const list of blocks.values()) {
    const n = list.length;
    if (n < 10) continue;
    let [mx, my, r, g, b] = [0, 0, 0, 0, 0];
    for (const k of list) {
      mx += samples[k] / n;
      my += samples[k + 1] / n;
      r += samples[k + 2] / n;
      g += samples[k + 3] / n;
      b += samples[k + 4] / n;
    }
    const mean = [r, g, b];
    let [xx, xy, yy] = [0, 0, 0];
    const [cx, cy] = [
      [0, 0, 0],
      [0, 0, 0],
    ];
    for (const k of list) {
      const [dx, dy] = [samples[k] - mx, samples[k + 1] - my];
      xx += dx * dx;
      xy += dx * dy;
      yy += dy * dy;
      for (let c = 0; c < 3; c++) {
        cx[c] += dx * (samples[k + 2 + c] - mean[c]);
        cy[c] += dy * (samples[k + 2 + c] - mean[c]);
      }
    }
    const det = xx * yy - xy * xy;
    if (det < 1e-6 * xx * yy || det <= 0) continue;
    const slope = (c: number): [number, number] => [(cx[c] * yy - cy[c] * xy) / det, (cy[c] * xx - cx[c] * xy) / det];
    const [red, green, blue] = [slope(0), slope(1), slope(2)];
    const gx: Rgb = [red[0], green[0], blue[0]];
    const gy: Rgb = [red[1], green[1], blue[1]];
    let squares = 0;
    for (const k of list)
      for (let c = 0; c < 3; c++)
        squares += (samples[k + 2 + c] - mean[c] - gx[c] * (samples[k] - mx) - gy[c] * (samples[k + 1] - my)) ** 2;
    noises.push(Math.sqrt(squares / (3 * n)));
    out.x.push(mx);
    out.y.push(my);
    out.gx.push(gx);
    out.gy.push(gy);
  }
  const steep = out.gx.map((gx, k) => Math.hypot(...gx, ...out.gy[k]));
  const usual = medianOf(steep) || 1;
  return { ...out, weight: steep.map((g) => 1 / (1 + (g / (3 * usual)) ** 4)), noise: medianOf(noises) };
}

const medianOf = (values: readonly number[]): number => [...values].sort((p, q) => p - q)[values.length >> 1] ?? 0;

/** The frame of a linear gradient at an angle, from the first of the samples to the last along it. */
function linearFrame(samples: Samples, angleRad: number): Frame {
  const [ux, uy] = [Math.cos(angleRad), Math.sin(angleRad)];
  let [low, high, across, n] = [Infinity, -Infinity, 0, 0];
  for (let k = 0; k < samples.length; k += STRIDE) {
    const t = samples[k] * ux + samples[k + 1] * uy;
    low = Math.min(low, t);
    high = Math.max(high, t);
    across += samples[k + 1] * ux - samples[k] * uy;
    n++;
  }
  across /= n;
  const at = (t: number): Point => [t * ux - across * uy, t * uy + across * ux];
  return { kind: 'linear', from: at(low), to: at(high) };
}

function radialFrame(samples: Samples, [cx, cy]: Point): Frame {
  let far = 0;
  for (let k = 0; k < samples.length; k += STRIDE)
    far = Math.max(far, Math.hypot(samples[k] - cx, samples[k + 1] - cy));
  return { kind: 'radial', from: [cx, cy], to: [cx + far, cy] };
}

/** The straight way along which colours change most (from the tensor of their slopes), turned to where they fit best. */
function bestLinear(samples: Samples, slopes: Slopes): Frame {
  let [xx, xy, yy] = [0, 0, 0];
  slopes.gx.forEach((gx, k) => {
    const gy = slopes.gy[k];
    for (let c = 0; c < 3; c++) {
      xx += slopes.weight[k] * gx[c] * gx[c];
      xy += slopes.weight[k] * gx[c] * gy[c];
      yy += slopes.weight[k] * gy[c] * gy[c];
    }
  });
  let angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  const rmsAt = (a: number): number => profileOf(samples, linearFrame(samples, a)).rms;
  let least = rmsAt(angle);
  for (let step = 0.12; step > 0.0015; step /= 2)
    for (const turn of [-step, step]) {
      const rms = rmsAt(angle + turn);
      if (rms < least) {
        least = rms;
        angle += turn;
        break;
      }
    }
  // What is nearly level, upright or on the slant of 45 degrees is so.
  const exact = Math.round(angle / (Math.PI / 4)) * (Math.PI / 4);
  if (Math.abs(exact - angle) < 0.035 && rmsAt(exact) < least * 1.08 + 0.05) angle = exact;
  // Downwards, or to the right where it is level.
  if (Math.sin(angle) < -1e-6 || (Math.abs(Math.sin(angle)) < 1e-6 && Math.cos(angle) < 0)) angle += Math.PI;
  return linearFrame(samples, angle);
}

/** The point from which colours change outwards: where the lines along the slopes meet, moved to where they fit best. */
function bestRadial(samples: Samples, slopes: Slopes, areaPx2: number): Frame | null {
  let [xx, xy, yy, bx, by] = [0, 0, 0, 0, 0];
  slopes.gx.forEach((gx, k) => {
    const gy = slopes.gy[k];
    for (let c = 0; c < 3; c++) {
      // Distance from the line through the block along its slope: across it counts.
      const [nx, ny] = [-gy[c], gx[c]];
      const off = slopes.weight[k] * (nx * slopes.x[k] + ny * slopes.y[k]);
      xx += slopes.weight[k] * nx * nx;
      xy += slopes.weight[k] * nx * ny;
      yy += slopes.weight[k] * ny * ny;
      bx += nx * off;
      by += ny * off;
    }
  });
  const det = xx * yy - xy * xy;
  if (!(det > 1e-4 * xx * yy)) return null;
  let [cx, cy] = [(bx * yy - by * xy) / det, (by * xx - bx * xy) / det];
  const rmsAt = (x: number, y: number): number => profileOf(samples, radialFrame(samples, [x, y])).rms;
  let least = rmsAt(cx, cy);
  for (let step = Math.sqrt(areaPx2) / 10; step > 0.4; step /= 2)
    for (let tries = 0; tries < 3; tries++) {
      let moved = false;
      for (const [dx, dy] of [
        [step, 0],
        [-step, 0],
        [0, step],
        [0, -step],
      ]) {
        const rms = rmsAt(cx + dx, cy + dy);
        if (rms < least) {
          [least, cx, cy, moved] = [rms, cx + dx, cy + dy, true];
          break;
        }
      }
      if (!moved) break;
    }
  return radialFrame(samples, [cx, cy]);
}

/** Fewer samples than this in a bin say little of it. */
const LEAST_IN_BIN = 6;

/** How far a profile lies from straight runs between stops, in levels: at most, and the sum of squares, over bins that say enough. */
function missOf(
  { at, rgb, count }: Profile,
  stops: readonly number[],
  colours: readonly (readonly number[])[],
): { most: number; squares: number } {
  let [most, squares] = [0, 0];
  at.forEach((t, k) => {
    if (count[k] < LEAST_IN_BIN) return;
    const colour = between(stops, colours, Math.max(stops[0], t));
    for (let c = 0; c < 3; c++) {
      const off = Math.abs(colour[c] - rgb[k][c]);
      most = Math.max(most, off);
      squares += off * off;
    }
  });
  return { most, squares };
}

/** The most stops a gradient gets; an area that would want more is something else. */
const MOST_STOPS = 8;

/**
 * A gradient's stops: the fewest, with straight runs between them, that keep to its profile. One is added where the profile lies furthest off
 * until none does, and then each is moved to where it serves best. Null when too many would be wanted.
 */
function stopsOf(samples: Samples, frame: Frame, profile: Profile, noise: number): GradientStop[] | null {
  const levels = 1.2 + noise / 2;
  const place = placeIn(frame);
  const first = frame.kind === 'radial' && profile.at[0] > 2 / BINS ? profile.at[0] : 0;
  const fitted = (at: number[]) => {
    const colours = coloursAt(samples, place, at);
    return { at, colours, ...missOf(profile, at, colours) };
  };
  let best = fitted([first, 1]);
  while (best.most > levels) {
    const { at } = best;
    if (at.length === MOST_STOPS) return null;
    // A new stop between each two, at several places, each time with all colours fitted anew.
    const more = at
      .slice(1)
      .flatMap((to, k) =>
        [1, 2, 3, 4, 5, 6, 7].map((s) =>
          fitted([...at.slice(0, k + 1), at[k] + ((to - at[k]) * s) / 8, ...at.slice(k + 1)]),
        ),
      );
    best = more.reduce((p, q) => (q.squares < p.squares ? q : p));
    for (let step = 0.04; step > 0.002; step /= 2)
      for (let k = 1; k + 1 < best.at.length; k++)
        for (const move of [-step, step]) {
          const to = best.at[k] + move;
          if (to <= best.at[k - 1] + 0.005 || to >= best.at[k + 1] - 0.005) continue;
          const tried = fitted(best.at.map((t, m) => (m === k ? to : t)));
          if (tried.squares < best.squares) best = tried;
        }
  }
  const { at: stops, colours } = best;
  return stops.map((at, k) => ({ at, hex: rgbToHex([colours[k][0], colours[k][1], colours[k][2]]) }));
}

/** The colours of stops at given places by least squares over samples, a straight run between each two. */
function coloursAt(samples: Samples, place: (x: number, y: number) => number, at: readonly number[]): number[][] {
  const n = at.length;
  const a = new Float64Array(n * n);
  const b = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  // Some of them are enough.
  const step = STRIDE * Math.max(1, Math.floor(samples.length / STRIDE / 800));
  for (let k = 0; k < samples.length; k += step) {
    const t = Math.max(at[0], Math.min(1, place(samples[k], samples[k + 1])));
    let m = 1;
    while (m < n - 1 && at[m] < t) m++;
    const s = (t - at[m - 1]) / (at[m] - at[m - 1] || 1);
    a[(m - 1) * n + m - 1] += (1 - s) ** 2;
    a[m * n + m] += s * s;
    a[(m - 1) * n + m] += s * (1 - s);
    a[m * n + m - 1] += s * (1 - s);
    for (let c = 0; c < 3; c++) {
      b[c][m - 1] += (1 - s) * samples[k + 2 + c];
      b[c][m] += s * samples[k + 2 + c];
    }
  }
  // The matrix has three diagonals: one sweep down, one up (Thomas's method).
  for (let m = 0; m < n; m++) {
    a[m * n + m] += 1e-6;
    if (!m) continue;
    const f = a[m * n + m - 1] / a[(m - 1) * n + m - 1];
    a[m * n + m] -= f * a[(m - 1) * n + m];
    for (let c = 0; c < 3; c++) b[c][m] -= f * b[c][m - 1];
  }
  const out: number[][] = at.map(() => [0, 0, 0]);
  for (let m = n - 1; m >= 0; m--)
    for (let c = 0; c < 3; c++)
      out[m][c] = (b[c][m] - (m < n - 1 ? a[m * n + m + 1] * out[m + 1][c] : 0)) / a[m * n + m];
  return out;
}

/** A gradient of an area, how noisy it is, and the greatest difference from it, in levels, that noise explains. */
interface Fitted {
  readonly gradient: Gradient;
  readonly within: number;
}

/** This share of an area at least must follow a gradient; the rest, soft shadows and the like, goes with it: it has no edge of its own. */
const LEAST_SHARE = 0.7;

/** The gradient that an area's colours follow, straight or round, or null when they follow none. What lies off it by far is left aside. */
function gradientOf(all: Samples, areaPx2: number, leastChange: number): Fitted | null {
  if (all.length < 60 * STRIDE) return null;
  let samples = all;
  for (let round = 0; round < 3; round++) {
    const change = changeOf(samples);
    if (change < leastChange) return null;
    const slopes = slopesOf(samples, areaPx2);
    if (slopes.x.length < 4) return null;
    const linear = bestLinear(samples, slopes);
    const radial = bestRadial(samples, slopes, areaPx2);
    // A round one must be plainly better: far from its centre it is as good as straight.
    const [straight, roundProfile] = [profileOf(samples, linear), radial && profileOf(samples, radial)];
    const isRound = roundProfile !== null && roundProfile.rms < 0.8 * straight.rms - 0.1;
    const [frame, profile] = isRound ? [radial!, roundProfile] : [linear, straight];
    const within = 3 * slopes.noise + 4;
    if (profile.rms <= Math.min(1.25 * slopes.noise + 1.3, 0.16 * change)) {
      const stops = stopsOf(samples, frame, profile, slopes.noise);
      if (stops && rangeOf(stops) >= 0.8 * leastChange && !isStep(frame, stops))
        return { gradient: { ...frame, stops }, within };
    }
    if (profile.rms > 0.3 * change) return null;
    // Without what lies furthest off, the rest may show a gradient better.
    const place = placeIn(frame);
    const off: number[] = [];
    for (let k = 0; k < samples.length; k += STRIDE) {
      const colour = between(profile.at, profile.rgb, Math.max(0, Math.min(1, place(samples[k], samples[k + 1]))));
      off.push(Math.max(...colour.map((v, c) => Math.abs(v - samples[k + 2 + c]))));
    }
    const limit = Math.max(within / 2, 2.5 * medianOf(off));
    const kept: Samples = [];
    off.forEach((d, k) => {
      if (d <= limit) for (let c = 0; c < STRIDE; c++) kept.push(samples[k * STRIDE + c]);
    });
    if (kept.length < LEAST_SHARE * all.length || kept.length === samples.length) return null;
    samples = kept;
  }
  return null;
}

/** Colours that change mostly within this many pixels are two, with a soft edge between. */
const STEP_PX = 11;

function isStep({ from, to }: Frame, stops: readonly GradientStop[]): boolean {
  const lengthPx = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const whole = rangeOf(stops);
  return stops.some((stop, k) => {
    if (!k) return false;
    const px = (stop.at - stops[k - 1].at) * lengthPx;
    return rangeOf([stops[k - 1], stop]) * Math.min(1, STEP_PX / px) > 0.5 * whole;
  });
}

/** By how many levels the channel changes that changes most from stop to stop. */
function rangeOf(stops: readonly GradientStop[]): number {
  const rgbs = stops.map((s) => hexToRgb(s.hex));
  return Math.max(...[0, 1, 2].map((c) => Math.max(...rgbs.map((v) => v[c])) - Math.min(...rgbs.map((v) => v[c]))));
}

/** By how many levels the channel changes that changes most, but for a few outliers. */
function changeOf(samples: Samples): number {
  let most = 0;
  for (let c = 2; c < STRIDE; c++) {
    const values: number[] = [];
    for (let k = c; k < samples.length; k += STRIDE) values.push(samples[k]);
    values.sort((p, q) => p - q);
    most = Math.max(most, values[Math.floor(0.98 * (values.length - 1))] - values[Math.floor(0.02 * values.length)]);
  }
  return most;
}

/**
 * Finds the areas whose colours change evenly: straight from one side to the other, or outwards from a centre. Areas that one gradient runs through,
 * though something lies between them, share it. Transparent pixels belong to none. What remains of
 * noise in a picture that was `noisy` asks for a greater change of colour.
 */
export function findGradients(picture: Picture, flat: Uint8Array, noisy: boolean): FoundGradients {
  const { widthPx: w, heightPx: h, rgba } = picture;
  const leastChange = LEAST_CHANGE[noisy ? 'noisy' : 'clean'];
  const regions = findRegions(flat, w, h);
  const areas = new Map<number, Area>();
  for (let i = 0; i < flat.length; i++) {
    const k = regions.of[i];
    if (!flat[i] || regions.sizePx2[k] < 16 || rgba[4 * i + 3] < 250) continue;
    let area = areas.get(k);
    if (!area) areas.set(k, (area = { sizePx2: regions.sizePx2[k], samples: [], regions: [k] }));
    // A fixed share of each area, spread over its rows by a step that is no part of the width.
    const step = Math.max(1, Math.floor(area.sizePx2 / SAMPLES));
    if (step === 1 || (Math.imul(i, 0x9e3779b1) >>> 0) % step === 0)
      area.samples.push((i % w) + 0.5, Math.floor(i / w) + 0.5, rgba[4 * i], rgba[4 * i + 1], rgba[4 * i + 2]);
  }
  const bySize = [...areas.values()].sort((p, q) => q.sizePx2 - p.sizePx2);
  const made: ({ area: Area } & Fitted)[] = [];
  const rest: Area[] = [];
  for (const area of bySize) {
    const own =
      area.sizePx2 >= LEAST_AREA_PX2 && made.length < LIMIT
        ? gradientOf(area.samples, area.sizePx2, leastChange)
        : null;
    if (!own) {
      rest.push(area);
      continue;
    }
    const at = made.findIndex(({ area: other, gradient }) => {
      if (gradient.kind !== own.gradient.kind) return false;
      const both = gradientOf([...other.samples, ...area.samples], other.sizePx2 + area.sizePx2, leastChange);
      return (
        both !== null && both.gradient.kind === gradient.kind && both.gradient.stops.length <= gradient.stops.length + 1
      );
    });
    if (at < 0) made.push({ area, ...own });
    else {
      const joined: Area = {
        sizePx2: made[at].area.sizePx2 + area.sizePx2,
        samples: [...made[at].area.samples, ...area.samples],
        regions: [...made[at].area.regions, ...area.regions],
      };
      made[at] = { area: joined, ...gradientOf(joined.samples, joined.sizePx2, leastChange)! };
    }
  }
  // What is too small or too even to show a gradient of its own may still lie in one of the others.
  for (const area of rest) {
    const home = made.find((fitted) => liesIn(area.samples, fitted));
    if (home) home.area.regions.push(...area.regions);
  }
  const gradients = made.map((m) => m.gradient);
  const of = new Uint8Array(w * h).fill(NO_GRADIENT);
  if (made.length) {
    const numberOf = new Map(made.flatMap(({ area }, k) => area.regions.map((r) => [r, k] as const)));
    for (let i = 0; i < of.length; i++)
      if (flat[i] && rgba[4 * i + 3] >= 250) of[i] = numberOf.get(regions.of[i]) ?? NO_GRADIENT;
    if (noisy) grow(picture, of, gradients.map(colourIn));
  }
  return { of, gradients };
}

/** Whether the pixels of an area have the colours that a gradient has there. */
function liesIn(samples: Samples, { gradient, within }: Fitted): boolean {
  const place = placeIn(gradient);
  const paint = colourIn(gradient);
  let squares = 0;
  for (let k = 0; k < samples.length; k += STRIDE) {
    const [x, y] = [samples[k], samples[k + 1]];
    const t = place(x, y);
    if (t < -0.1 || t > 1.1) return false;
    const colour = paint(x, y);
    for (let c = 0; c < 3; c++) squares += (samples[k + 2 + c] - colour[c]) ** 2;
  }
  return Math.sqrt(squares / ((3 * samples.length) / STRIDE)) < within / 2.5;
}

/** How far around the areas found a noisy picture is searched for pixels of the same gradient, in pixels. */
const GROW_PX = 12;

/** Adds the pixels beside a gradient's area that have its colour, but for noise; where a picture is softened, areas come out too small. */
function grow({ widthPx: w, rgba }: Picture, of: Uint8Array, paints: readonly ((x: number, y: number) => Rgb)[]): void {
  const sides = (i: number) => sidesOf(i, w, of.length);
  let rim: number[] = [];
  for (let i = 0; i < of.length; i++)
    if (of[i] !== NO_GRADIENT && sides(i).some((j) => of[j] === NO_GRADIENT)) rim.push(i);
  for (let step = 0; step < GROW_PX && rim.length; step++) {
    const next: number[] = [];
    for (const i of rim)
      for (const j of sides(i)) {
        if (of[j] !== NO_GRADIENT) continue;
        const colour = paints[of[i]]((j % w) + 0.5, Math.floor(j / w) + 0.5);
        if (colour.some((v, c) => Math.abs(v - rgba[4 * j + c]) >= 20)) continue;
        of[j] = of[i];
        next.push(j);
      }
    rim = next;
  }
}
