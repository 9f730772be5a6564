/** What faces and marks look like, in figures that can be compared: how heavy, how even their strokes, how round their corners, how wide. */
import { flatten, tightBox, type Contour } from '../path';
import { drawnShapes, tileOf, type Artwork } from '../vector';
import type { Face } from './face';
import type { PlacedGlyph } from './set';

export interface Look {
  /** The thickness of strokes against the height of what is drawn, capitals of a face. */
  readonly weight: number;
  /** Thick strokes against thin ones: 1 where all are alike. */
  readonly contrast: number;
  /** Of all turning, what is done by curves and not at corners, 0..1. */
  readonly roundness: number;
  /** Width against height: of a face, of a capital H with its space. */
  readonly width: number;
}

/** Corners turn by at least this much at once. */
const CORNER_RAD = 0.45;
/** Thickness is measured so many times on a way as long as what is drawn is high. */
const STEPS = 12;

interface Edges {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  readonly xe: Float64Array;
  readonly ye: Float64Array;
}

function edgesOf(contours: readonly Contour[], tolerance: number): Edges {
  const all: number[][] = [[], [], [], []];
  for (const c of contours) {
    const run = flatten(c, tolerance);
    const n = run.length / 2;
    for (let k = 0; k < n; k++) {
      const m = (k + 1) % n;
      [run[2 * k], run[2 * k + 1], run[2 * m], run[2 * m + 1]].forEach((v, i) => all[i].push(v));
    }
  }
  const [xs, ys, xe, ye] = all.map((list) => Float64Array.from(list));
  return { xs, ys, xe, ye };
}

/** How thick what is drawn is at places spread over its outlines, a step apart: from each straight inwards to the other side. */
function thicknesses({ xs, ys, xe, ye }: Edges, step: number): number[] {
  const n = xs.length;
  const lengths = Array.from({ length: n }, (_, k) => Math.hypot(xe[k] - xs[k], ye[k] - ys[k]));
  const out: number[] = [];
  let at = 0;
  let next = step / 2;
  for (let k = 0; k < n; k++) {
    for (; next < at + lengths[k]; next += step) {
      const t = (next - at) / lengths[k];
      const [px, py] = [xs[k] + t * (xe[k] - xs[k]), ys[k] + t * (ye[k] - ys[k])];
      const [nx, ny] = [(ye[k] - ys[k]) / lengths[k], -(xe[k] - xs[k]) / lengths[k]];
      // Nearest crossing on either side; inwards is where the number of crossings is odd.
      const sides = [1, -1].map((way) => {
        let [count, nearest] = [0, Infinity];
        for (let e = 0; e < n; e++) {
          if (e === k) continue;
          const [dx, dy] = [xe[e] - xs[e], ye[e] - ys[e]];
          const [rx, ry] = [way * nx, way * ny];
          const cross = rx * dy - ry * dx;
          if (Math.abs(cross) < 1e-12) continue;
          const [ax, ay] = [xs[e] - px, ys[e] - py];
          const along = (ax * dy - ay * dx) / cross;
          const on = (ax * ry - ay * rx) / cross;
          if (along > 1e-7 && on >= 0 && on < 1) {
            count++;
            nearest = Math.min(nearest, along);
          }
        }
        return count % 2 ? nearest : Infinity;
      });
      const inwards = Math.min(...sides);
      if (Number.isFinite(inwards)) out.push(inwards);
    }
    at += lengths[k];
  }
  return out;
}

/** How much of the turning of outlines is done by curves, 0..1. */
function roundnessOf(contours: readonly Contour[], tolerance: number): number {
  let [curved, cornered] = [0, 0];
  for (const c of contours) {
    const run = flatten(c, tolerance);
    const places: [number, number][] = [];
    for (let k = 0; k < run.length; k += 2) {
      const last = places[places.length - 1];
      if (!last || Math.hypot(run[k] - last[0], run[k + 1] - last[1]) > 1e-9) places.push([run[k], run[k + 1]]);
    }
    const n = places.length;
    for (let k = 0; k < n; k++) {
      const [a, b, d] = [places[(k + n - 1) % n], places[k], places[(k + 1) % n]];
      const turn = Math.abs(
        Math.atan2(
          (b[0] - a[0]) * (d[1] - b[1]) - (b[1] - a[1]) * (d[0] - b[0]),
          (b[0] - a[0]) * (d[0] - b[0]) + (b[1] - a[1]) * (d[1] - b[1]),
        ),
      );
      if (turn > CORNER_RAD) cornered += turn;
      else curved += turn;
    }
  }
  return curved + cornered > 0 ? curved / (curved + cornered) : 0;
}

const quantileOf = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;

/** How shapes look that are each looked at by itself; null where nothing is enclosed. */
export function lookOf(shapes: readonly (readonly Contour[])[], height: number, width: number): Look | null {
  if (!(height > 0)) return null;
  const tolerance = height / 400;
  const thick = shapes.flatMap((c) => thicknesses(edgesOf(c, tolerance), height / STEPS)).sort((p, q) => p - q);
  if (!thick.length) return null;
  const [thin, middle, most] = [0.15, 0.5, 0.85].map((s) => quantileOf(thick, s));
  return {
    weight: middle / height,
    contrast: Math.max(1, most / Math.max(thin, height / 1000)),
    roundness: roundnessOf(shapes.flat(), tolerance),
    width: width / height,
  };
}

/** How a mark looks without what it stands on; null where there is none. */
export function markLook(artwork: Artwork): Look | null {
  const tile = tileOf(artwork);
  const shapes = drawnShapes(artwork).filter((s) => s.id !== tile?.id);
  const box = tightBox(shapes.flatMap((s) => s.contours));
  return box && lookOf(shapes.map((s) => s.contours), box.height, box.width); // prettier-ignore
}

/** Letters by which faces are told. */
const LETTERS = 'HOnoaeRS';

/** How a face looks, by some of its letters; null where it has none of them. */
export function faceLook(face: Face): Look | null {
  const glyphs = [...LETTERS].flatMap((c) => (face.has(c.codePointAt(0)!) ? face.shape(c) : []));
  const [capital] = face.has(72) ? face.shape('H') : [];
  return lookOf(glyphs.map((g) => face.outline(g.id)), face.capHeight, capital ? capital.advance : face.capHeight); // prettier-ignore
}

/** How much a difference of each counts, against how much faces differ. */
const SPREADS = { weight: 0.4, contrast: 1.2, roundness: 0.2 } as const;

/** Letters are smaller than the mark beside them: thin strokes of a mark go with letters whose own are thicker against their height; what is solid goes with bold ones. */
const letterWeight = (weight: number): number => {
  const solid = Math.max(0, Math.min(1, (weight - 0.05) / 0.2));
  return Math.max(0.05, Math.min(0.3, weight * (2 - solid)));
};

/** How far two looks are apart, and what they have most in common, in words. */
export function likeness(mark: Look, face: Look): { off: number; because: string[] } {
  const weight = Math.log(letterWeight(mark.weight) / face.weight) / SPREADS.weight;
  const contrast = (Math.min(6, mark.contrast) - Math.min(6, face.contrast)) / SPREADS.contrast;
  const roundness = (mark.roundness - face.roundness) / SPREADS.roundness;
  const because: string[] = [];
  if (Math.abs(weight) < 0.35) because.push('strokes as thick');
  if (Math.abs(contrast) < 0.4) because.push(mark.contrast > 2.2 ? 'thick and thin alike' : 'strokes as even');
  if (Math.abs(roundness) < 0.35) because.push(mark.roundness > 0.6 ? 'corners as round' : 'corners as sharp');
  return { off: Math.hypot(weight, contrast, roundness), because };
}

/** How thick the stems of a face are, in px at a size: a straight letter's way across at half its height. */
export function stemAt(glyphs: readonly PlacedGlyph[]): number {
  const [glyph] = glyphs;
  if (!glyph) return 0;
  const { face, sizePx } = glyph;
  const letter = ['l', 'I', 'H', 'n'].find((c) => face.has(c.codePointAt(0)!));
  if (!letter) return 0;
  const contours = face.outline(face.shape(letter)[0].id);
  const y = -face.xHeight / 2;
  const xs: number[] = [];
  for (const c of contours) {
    const run = flatten(c, 0.001);
    const n = run.length / 2;
    for (let k = 0; k < n; k++) {
      const m = (k + 1) % n;
      const [y0, y1] = [run[2 * k + 1], run[2 * m + 1]];
      if (y0 > y !== y1 > y) xs.push(run[2 * k] + ((y - y0) / (y1 - y0)) * (run[2 * m] - run[2 * k]));
    }
  }
  xs.sort((p, q) => p - q);
  return xs.length > 1 ? (xs[1] - xs[0]) * sizePx : 0;
}
