import svgpath from 'svgpath';
import { ellipticalArc } from './arc';
import { closeContour } from './contour';
import type { Point } from './point';
import type { ArcSegment, Contour, Segment } from './outline';

/** A number with at most so many decimals and no needless characters, as it stands in path data. */
export function shortNumber(value: number, decimals = 2): string {
  let text = value.toFixed(decimals);
  if (decimals > 0) text = text.replace(/\.?0+$/, '');
  return (text === '-0' ? '0' : text).replace(/^(-?)0\./, '$1.');
}

/** Decimals that tell places apart to a fifty-thousandth of a drawing's longer side; two at least. */
export const decimalsFor = (sidePx: number): number =>
  Math.max(2, Math.min(6, Math.ceil(Math.log10(51_200 / Math.max(sidePx, 1e-6)))));

/** How far an arc of a radius rises over a chord of which half is given (its sagitta). */
const riseOf = (radius: number, half: number, large: boolean): number => {
  const rest = Math.sqrt(Math.max(0, radius * radius - half * half));
  return large ? Math.max(radius, half) + rest : Math.max(radius, half) - rest;
};

/**
 * A radius as it is written between ends that were rounded. What is kept is how far the arc rises: near half a circle that hangs on the radius so much
 * that it gets more decimals, and half a circle itself is written a hair too small, which SVG corrects to just half.
 */
function radiusWritten(ends: readonly [Point, Point], start: Point, s: ArcSegment, decimals: number): string {
  const halfOf = (p: Point, q: Point): number => Math.hypot(q[0] - p[0], q[1] - p[1]) / 2;
  const half = halfOf(...ends);
  const rise = riseOf(s.radius, halfOf(start, s.to), s.large);
  const unit = 10 ** decimals;
  if (Math.abs(rise - half) < 1 / unit || rise > half !== s.large)
    return shortNumber(Math.floor(half * unit) / unit, decimals);
  const radius = (half * half + rise * rise) / (2 * rise);
  // How much more the rise moves than the radius.
  const steep = Math.abs(1 + ((s.large ? 1 : -1) * (half * half + rise * rise)) / Math.abs(rise * rise - half * half));
  const more = Math.max(0, Math.min(4, Math.ceil(Math.log10(steep))));
  return shortNumber(Math.max(radius, half), decimals + more);
}

/** The handle of the quadratic curve that a cubic is, if it is one: what it was before its degree was raised. */
function quadraticIn(from: Point, { c1, c2, to }: Extract<Segment, { kind: 'curve' }>, within: number): Point | null {
  const [x, y] = [(3 * c1[0] - from[0]) / 2, (3 * c1[1] - from[1]) / 2];
  return Math.abs((3 * c2[0] - to[0]) / 2 - x) < within && Math.abs((3 * c2[1] - to[1]) / 2 - y) < within
    ? [x, y]
    : null;
}

/** SVG path data: absolute M, L, H, V, Q, C, A and Z. Contours that are not open end with Z. */
export function formatPath(contours: readonly Contour[], decimals = 2): string {
  const num = (v: number): string => shortNumber(v, decimals);
  const pair = ([x, y]: Point): string => {
    const b = num(y);
    return num(x) + (b.startsWith('-') ? '' : ' ') + b;
  };
  let out = '';
  for (const { start, segments, open } of contours) {
    out += 'M' + pair(start);
    let [px, py] = [num(start[0]), num(start[1])];
    const before = out.length;
    let from = start;
    segments.forEach((s, i) => {
      const [x, y] = [num(s.to[0]), num(s.to[1])];
      if (s.kind === 'curve') {
        const quadratic = quadraticIn(from, s, 0.25 * 10 ** -decimals);
        const points = quadratic ? [quadratic, s.to] : [s.c1, s.c2, s.to];
        out += (quadratic ? 'Q' : 'C') + points.map(pair).join(' ').replace(/ -/g, '-');
      } else if (s.kind === 'arc') {
        const ends: [Point, Point] = [
          [Number(px), Number(py)],
          [Number(x), Number(y)],
        ];
        const r = radiusWritten(ends, from, s, decimals);
        out += `A${r} ${r} 0 ${s.large ? 1 : 0} ${s.clockwise ? 1 : 0} ${pair(s.to)}`;
      } else if (!open && i === segments.length - 1 && s.to[0] === start[0] && s.to[1] === start[1]) {
        // Z draws the closing line.
      } else if (x === px && y !== py) out += 'V' + y;
      else if (y === py && x !== px) out += 'H' + x;
      else if (x !== px || y !== py) out += 'L' + pair(s.to);
      px = x;
      py = y;
      from = s.to;
    });
    if (!open) out += 'Z';
    // A line of no length still shows its caps.
    else if (out.length === before) out += `H${px}`;
  }
  return out;
}

export interface ParseOptions {
  /** Off leaves contours open that do not end with Z, for lines that are only stroked. */
  readonly close?: boolean;
  /** On gives what was understood before something that is not, as renderers draw it (SVG 1.1, F.2). */
  readonly lenient?: boolean;
}

/**
 * Reads SVG path data (SVG 1.1, 8.3), every command in either case, over svgpath. Every contour is closed unless asked otherwise. Arcs of circles
 * stay arcs, those of ellipses become curves. Throws a SyntaxError that says where it stopped understanding.
 */
export function parsePath(data: string, { close = true, lenient = false }: ParseOptions = {}): Contour[] {
  const parsed = svgpath(data);
  const { err } = parsed as unknown as { err: string };
  if (err && !lenient) throw new SyntaxError(`path data: ${err.replace(/^SvgPath: /, '')}`);
  const contours: Contour[] = [];
  let at: Point = [0, 0];
  let start: Point = [0, 0];
  let segments: Segment[] = [];
  const finish = (closed: boolean) => {
    if (segments.length) contours.push(closed ? closeContour({ start, segments }) : { start, segments, open: true });
    segments = [];
  };
  parsed
    .abs()
    .unshort()
    .iterate(([command, ...numbers]) => {
      const n = numbers as number[];
      const end: Point = [n[n.length - 2], n[n.length - 1]];
      let to: Point = end;
      switch (command) {
        case 'M':
          finish(close);
          start = end;
          break;
        case 'Z':
        case 'z':
          // A closed point has no length, and yet its caps.
          if (!segments.length && !close) segments.push({ kind: 'line', to: start });
          finish(true);
          to = start;
          break;
        case 'H':
          segments.push({ kind: 'line', to: (to = [n[0], at[1]]) });
          break;
        case 'V':
          segments.push({ kind: 'line', to: (to = [at[0], n[0]]) });
          break;
        case 'L':
          segments.push({ kind: 'line', to });
          break;
        case 'C':
          segments.push({ kind: 'curve', c1: [n[0], n[1]], c2: [n[2], n[3]], to });
          break;
        case 'Q': {
          const [x, y] = n;
          const towards = (p: Point): Point => [p[0] + (2 / 3) * (x - p[0]), p[1] + (2 / 3) * (y - p[1])];
          segments.push({ kind: 'curve', c1: towards(at), c2: towards(to), to });
          break;
        }
        case 'A':
          segments.push(...ellipticalArc(at, n[0], n[1], n[2], n[3] === 1, n[4] === 1, to));
          break;
      }
      at = to;
    });
  finish(close);
  return contours;
}
