/** The length that a drawing is measured in, if there is one. */
import type { ConstructionCircle, ConstructionLine } from './parts';

/** A length of which measures of a drawing are multiples. */
export interface Unit {
  readonly px: number;
  /** How many of the measures are multiples of it, of how many. */
  readonly fit: number;
  readonly of: number;
}

/** Fewer measures than this say nothing. */
const FEWEST = 4;
/** Of measures this share must be multiples. */
const SHARE = 0.85;
/** The greatest measure has no more units than this. */
const UNITS_MOST = 48;
/** A unit is so many times what a measure may be off: among smaller ones everything is a multiple. */
const SURE = 8;
/** Directions within this of each other are parallel, in degrees. */
const PARALLEL_DEG = 0.5;

/** Radii, distances of circles' middles along and across, and of lines that are parallel: each kind of measure once. */
function measuresOf(lines: readonly ConstructionLine[], circles: readonly ConstructionCircle[], offPx: number) {
  const out: number[] = circles.map((c) => c.radiusPx);
  const apart: number[] = [];
  for (const [k, c] of circles.entries())
    for (const d of circles.slice(k + 1))
      apart.push(Math.abs(c.centre[0] - d.centre[0]), Math.abs(c.centre[1] - d.centre[1]));
  for (const [k, l] of lines.entries())
    for (const m of lines.slice(k + 1)) {
      const turn = Math.abs(l.angleDeg - m.angleDeg);
      if (Math.min(turn, 180 - turn) > PARALLEL_DEG) continue;
      const t = (l.angleDeg * Math.PI) / 180;
      apart.push(Math.abs((m.from[0] - l.from[0]) * -Math.sin(t) + (m.from[1] - l.from[1]) * Math.cos(t)));
    }
  return [...out, ...apart]
    .filter((x) => x > 2 * offPx)
    .sort((p, q) => p - q)
    .filter((x, k, all) => !k || x - all[k - 1] > offPx);
}

/** The greatest length of which nearly all measures are multiples, each within a distance; fitted to them by least squares. */
export function unitOf(
  lines: readonly ConstructionLine[],
  circles: readonly ConstructionCircle[],
  offPx: number,
  wholePx: number,
): Unit | null {
  const measures = measuresOf(lines, circles, offPx);
  if (measures.length < FEWEST) return null;
  const most = Math.max(...measures);
  const fits = (px: number) => measures.filter((m) => m > px / 2 && Math.abs(m - px * Math.round(m / px)) <= offPx);
  let best: Unit | null = null;
  for (const measure of measures)
    for (let parts = 1; parts <= 12; parts++) {
      let px = measure / parts;
      if (px < SURE * offPx || most / px > UNITS_MOST || px > wholePx / 2) continue;
      // Twice: what it is multiplied by is settled by the first.
      for (let turn = 0; turn < 2; turn++) {
        const own = fits(px);
        const [up, down] = own.reduce(
          ([u, d], m) => {
            const n = Math.round(m / px);
            return [u + n * m, d + n * n];
          },
          [0, 0],
        );
        if (down > 0) px = up / down;
      }
      const fit = fits(px).length;
      if (fit < FEWEST || fit < SHARE * measures.length) continue;
      if (!best || px > best.px + offPx) best = { px, fit, of: measures.length };
    }
  return best;
}
