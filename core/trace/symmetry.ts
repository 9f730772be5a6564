import { axisUpright, halved } from '../exact';
import { type Affine, type Contour, inverse, mapContour, reverseContour } from '../path';
import { allPieces, type Artwork } from '../vector';
import type { NewPiece } from './assemble';
import { NOTHING, type Cells } from './cells';

/** A line that a picture is nearly the same on both sides of. */
export interface Symmetry {
  /** A point on the axis, in pixels. */
  readonly x: number;
  readonly y: number;
  /** Its direction in radians: a quarter turn is upright, 0 lies level. */
  readonly angleRad: number;
  /** Share 0..1 of the figure whose mirror image is of the same ink. */
  readonly share: number;
}

/** Which axes are looked for. */
export interface AxisWanted {
  /** The share of the figure that has to be alike on both sides. */
  readonly least?: number;
  /** The direction that the axis has to have, nearly. */
  readonly angleRad?: number | null;
}

/** Less of a figure than this in its mirror image is no symmetry. */
const LEAST_SHARE = 0.94;

/**
 * The axis about which what is not ground is nearly symmetrical, or null. The axis of such a figure goes through its middle of mass, which
 * coverage gives to a fraction of a pixel; upright, level and the axes of inertia are tried.
 */
export function findSymmetry(
  cells: Cells,
  ground: number | null,
  { least = LEAST_SHARE, angleRad = null }: AxisWanted = {},
): Symmetry | null {
  const { widthPx: w, heightPx: h, first, second, share, plains } = cells;
  const isFigure = (k: number): boolean => k !== NOTHING && k !== ground;
  let [mass, sx, sy] = [0, 0, 0];
  const weigh = (m: number, x: number, y: number): void => {
    mass += m;
    sx += m * x;
    sy += m * y;
  };
  const { plain, busy } = plains;
  for (let s = 0; s < plain.length; s += 2) {
    const [from, to] = [plain[s], plain[s + 1]];
    const y = Math.floor(from / w);
    if (isFigure(first[from])) weigh(to - from, (from + to) / 2 - y * w, y + 0.5);
  }
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    for (let i = busy[s], x = i - y * w; i < busy[s + 1]; i++, x++) {
      const m = (isFigure(first[i]) ? share[i] : 0) + (isFigure(second[i]) ? 1 - share[i] : 0);
      if (m) weigh(m, x + 0.5, y + 0.5);
    }
  }
  if (mass < 40) return null;
  const [cx, cy] = [sx / mass, sy / mass];
  const step = Math.max(1, Math.floor(Math.max(w, h) / 200));
  let [xx, xy, yy] = [0, 0, 0];
  const samples: number[] = [];
  for (let y = step >> 1; y < h; y += step)
    for (let x = step >> 1; x < w; x += step) {
      if (!isFigure(first[y * w + x])) continue;
      samples.push(x, y);
      const [dx, dy] = [x + 0.5 - cx, y + 0.5 - cy];
      xx += dx * dx;
      xy += dx * dy;
      yy += dy * dy;
    }
  const main = 0.5 * Math.atan2(2 * xy, xx - yy);
  const shareOf = (angle: number): number => {
    const [cos, sin] = [Math.cos(2 * angle), Math.sin(2 * angle)];
    let same = 0;
    for (let k = 0; k < samples.length; k += 2) {
      const [dx, dy] = [samples[k] + 0.5 - cx, samples[k + 1] + 0.5 - cy];
      const [qx, qy] = [Math.floor(cx + cos * dx + sin * dy), Math.floor(cy + sin * dx - cos * dy)];
      if (qx >= 0 && qy >= 0 && qx < w && qy < h && first[qy * w + qx] === first[samples[k + 1] * w + samples[k]])
        same++;
    }
    return samples.length ? (2 * same) / samples.length : 0;
  };
  let best: Symmetry | null = null;
  // An axis of inertia that hardly leans is an upright or level one.
  const leans = Math.min(...[-2, -1, 0, 1, 2].map((q) => Math.abs(main - (q * Math.PI) / 2))) > 0.035;
  for (const [angle, bonus] of [
    [Math.PI / 2, 0.006],
    [0, 0.003],
    [main, 0],
    [main + Math.PI / 2, 0],
  ] as const) {
    // Where little has to be alike, a slanting one is found anywhere.
    if (bonus === 0 && (!leans || least < LEAST_SHARE)) continue;
    if (angleRad !== null && Math.abs(Math.sin(angle - angleRad)) > 0.1) continue;
    const found = shareOf(angle);
    if (found >= least && (!best || found + bonus > best.share)) best = { x: cx, y: cy, angleRad: angle, share: found };
  }
  return best;
}

/** An artwork made exactly symmetrical: the half with fewer segments stays, and its mirror image takes the place of the other. */
export function madeSymmetrical(artwork: Artwork, { x, y, angleRad }: Symmetry): Artwork {
  const into = axisUpright([x, y], angleRad);
  const back = inverse(into)!;
  const turned = allPieces(artwork).map((p) => ({ ...p, contours: p.contours.map((c) => mapContour(into, c)) }));
  const weigh = (side: 1 | -1): number =>
    turned.reduce(
      (sum, p) => sum + p.contours.reduce((n, c) => n + c.segments.filter((s) => s.to[0] * side > 0).length, 0),
      0,
    );
  const swap: Affine = weigh(1) <= weigh(-1) ? [1, 0, 0, 1, 0, 0] : [-1, 0, 0, 1, 0, 0];
  const flips = swap[0] < 0;
  const mirror: Affine = [-1, 0, 0, 1, 0, 0];
  const placed = (c: Contour): Contour => (flips ? reverseContour(mapContour(swap, c)) : c);
  const pieces: NewPiece[] = [];
  for (const piece of turned) {
    const [outer, ...holes] = piece.contours.map(placed);
    const { across, beside } = halved(outer);
    if (beside) {
      const own = [outer, ...holes];
      pieces.push(
        { kind: 'piece', inkId: piece.inkId, contours: own },
        { kind: 'piece', inkId: piece.inkId, contours: own.map((c) => reverseContour(mapContour(mirror, c))) },
      );
      continue;
    }
    if (!across.length) continue;
    const cut = holes.flatMap((hole) => {
      const half = halved(hole);
      return half.beside ? [half.beside, reverseContour(mapContour(mirror, half.beside))] : half.across;
    });
    pieces.push({ kind: 'piece', inkId: piece.inkId, contours: [...across, ...cut] });
  }
  return {
    ...artwork,
    nodes: pieces.map((p, i) => ({
      ...p,
      id: `piece-${i + 1}`,
      contours: p.contours.map(placed).map((c) => mapContour(back, c)),
    })),
  };
}
