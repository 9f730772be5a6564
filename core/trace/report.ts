import type { Gradient } from '../vector';
import type { Trace, TraceFigures } from './trace';

/** What is told of a trace, on the command line and over the API. */
export interface TraceReport {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly inks: TraceFigures['inks'];
  readonly segments: number;
  readonly corners: number;
  readonly certainty: number;
  readonly symmetry: {
    readonly x: number;
    readonly y: number;
    readonly angleDeg: number;
    readonly share: number;
  } | null;
  /** How many gradients were found; those that were made are with their inks. */
  readonly gradients: number;
  readonly fit: { readonly meanPx: number; readonly maxPx: number };
  readonly bytes: number;
  readonly ms: number;
}

const rounded = (v: number): number => Number(v.toFixed(4));

/** A gradient with its numbers to four places. */
const plain = ({ kind, from, to, stops }: Gradient): Gradient => ({
  kind,
  from: [rounded(from[0]), rounded(from[1])],
  to: [rounded(to[0]), rounded(to[1])],
  stops: stops.map(({ at, hex }) => ({ at: rounded(at), hex })),
});

/** The report of a trace whose SVG takes `bytes` and that took `ms` milliseconds, decoding included. */
export function reportOf(trace: Trace, bytes: number, ms: number): TraceReport {
  const { artwork, figures, symmetry, certainty, gradients } = trace;
  return {
    widthPx: artwork.widthPx,
    heightPx: artwork.heightPx,
    inks: figures.inks.map(({ hex, pieces, gradient }) => ({
      hex,
      pieces,
      ...(gradient ? { gradient: plain(gradient) } : {}),
    })),
    segments: figures.segments,
    corners: figures.corners,
    certainty: rounded(certainty),
    symmetry: symmetry && {
      x: rounded(symmetry.x),
      y: rounded(symmetry.y),
      angleDeg: rounded((symmetry.angleRad * 180) / Math.PI),
      share: rounded(symmetry.share),
    },
    gradients,
    fit: { meanPx: rounded(figures.fit.meanPx), maxPx: rounded(figures.fit.maxPx) },
    bytes,
    ms: Math.round(ms),
  };
}
