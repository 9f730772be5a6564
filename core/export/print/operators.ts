/** What pages in PDF and in PostScript share: outlines as operators, and gradients as both know them. */
import { hexToRgb, rgbToHex } from '../../colour';
import { arcToCurves, inverse, mapPoint, shortNumber, type Contour, type Point } from '../../path';
import type { Gradient, GradientStop } from '../../vector';

/** A number as pages write it: no exponent, no leading zeros. */
export const num = (v: number, decimals = 4): string => shortNumber(v, decimals);

/** Outlines as operators: m moves, l draws a line, c a curve, h closes; the same in PDF and, once it has been told, in PostScript. */
export function pathOperators(contours: readonly Contour[], decimals: number): string {
  const at = ([x, y]: Point): string => `${num(x, decimals)} ${num(y, decimals)}`;
  let out = '';
  for (const { start, segments, open } of contours) {
    out += `${at(start)} m\n`;
    let from = start;
    for (const [k, s] of segments.entries()) {
      if (s.kind === 'line') {
        // The closing line is drawn by h.
        const closes = !open && k === segments.length - 1 && s.to[0] === start[0] && s.to[1] === start[1];
        if (!closes) out += `${at(s.to)} l\n`;
      } else
        for (const c of s.kind === 'arc' ? arcToCurves(from, s) : [s])
          out += c.kind === 'curve' ? `${at(c.c1)} ${at(c.c2)} ${at(c.to)} c\n` : `${at(c.to)} l\n`;
      from = s.to;
    }
    // A line of no length still shows its caps.
    if (open) out += segments.length ? '' : `${at(start)} l\n`;
    else out += 'h\n';
  }
  return out;
}

/** A gradient that goes on as its end colours do, with stops from 0 to 1, and what its opacity is along it. */
export interface PageGradient {
  readonly kind: 'linear' | 'radial';
  /** Two points, or two circles with their radii. */
  readonly coords: readonly number[];
  readonly stops: readonly Required<GradientStop>[];
  readonly isOpaque: boolean;
}

/** How often a gradient that comes again may be written out. */
const TURNS_MOST = 60;

/** How far along a gradient the corners of an area lie, at least and at most. */
function reach({ kind, from, to }: Gradient, corners: readonly Point[]): [number, number] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const square = dx * dx + dy * dy || 1;
  const places = corners.map(([x, y]) =>
    kind === 'linear'
      ? ((x - from[0]) * dx + (y - from[1]) * dy) / square
      : Math.hypot(x - from[0], y - from[1]) / Math.sqrt(square),
  );
  return [kind === 'linear' ? Math.floor(Math.min(...places)) : 0, Math.ceil(Math.max(1, ...places))];
}

/** A gradient as pages know it; one that comes again is written out as far as the area (x, y, width, height) needs it. */
export function pageGradient(gradient: Gradient, area: readonly [number, number, number, number]): PageGradient {
  const { kind, from, to, focus, transform, spread } = gradient;
  const own = gradient.stops.map((s) => ({ at: s.at, hex: s.hex, opacity: s.opacity ?? 1 }));
  // Its ends lie at 0 and 1, also where its stops do not.
  const whole = [...own];
  if (whole[0].at > 0) whole.unshift({ ...whole[0], at: 0 });
  if (whole[whole.length - 1].at < 1) whole.push({ ...whole[whole.length - 1], at: 1 });
  let [first, last] = [0, 1];
  let stops = whole;
  if (spread) {
    const [x, y, w, h] = area;
    const back = transform ? inverse(transform) : null;
    const corners = ([[x, y], [x + w, y], [x, y + h], [x + w, y + h]] as Point[]).map((p) =>
      back ? mapPoint(back, p) : p,
    ); // prettier-ignore
    [first, last] = reach(gradient, corners);
    first = Math.max(first, last - TURNS_MOST);
    stops = [];
    for (let turn = first; turn < last; turn++) {
      const turned =
        spread === 'reflect' && turn % 2 !== 0 ? [...whole].reverse().map((s) => ({ ...s, at: 1 - s.at })) : whole;
      for (const s of turned) stops.push({ ...s, at: (turn - first + s.at) / (last - first) });
    }
  }
  const along = (t: number): Point => [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
  const [start, end] = [along(first), along(last)];
  const radius = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const centre = focus && !spread ? focusWithin(from, radius, focus) : from;
  const coords =
    kind === 'linear' ? [...start, ...end] : [...centre, first * radius, ...from, Math.max(1e-6, last * radius)];
  return { kind, coords, stops, isOpaque: stops.every((s) => s.opacity >= 1) };
}

/** A focus outside its circle is moved onto the edge, as SVG says. */
function focusWithin(middle: Point, radius: number, focus: Point): Point {
  const [dx, dy] = [focus[0] - middle[0], focus[1] - middle[1]];
  const out = Math.hypot(dx, dy) / radius;
  return out > 0.999 ? [middle[0] + (dx / out) * 0.999, middle[1] + (dy / out) * 0.999] : focus;
}

/** Stops close enough for what is mixed otherwise than in sRGB, such as in CMYK, to be the same along it. */
export function densely(stops: readonly Required<GradientStop>[], steps = 12): Required<GradientStop>[] {
  const out = [stops[0]];
  for (let k = 1; k < stops.length; k++) {
    const [p, q] = [stops[k - 1], stops[k]];
    const [a, b] = [hexToRgb(p.hex), hexToRgb(q.hex)];
    if (q.at > p.at && p.hex !== q.hex)
      for (let n = 1; n < steps; n++) {
        const t = n / steps;
        out.push({
          at: p.at + t * (q.at - p.at),
          hex: rgbToHex(a.map((v, c) => v + t * (b[c] - v)) as [number, number, number]),
          opacity: p.opacity + t * (q.opacity - p.opacity),
        });
      }
    out.push(q);
  }
  return out;
}

/** Stretches between stops of different places, each with its first and last stop: what a stitched function is made of. */
export function stretches(
  stops: readonly Required<GradientStop>[],
): (readonly [Required<GradientStop>, Required<GradientStop>])[] {
  const out: (readonly [Required<GradientStop>, Required<GradientStop>])[] = [];
  for (let k = 1; k < stops.length; k++) if (stops[k].at > stops[k - 1].at + 1e-9) out.push([stops[k - 1], stops[k]]);
  return out.length ? out : [[stops[0], { ...stops[stops.length - 1], at: stops[0].at + 1 }]];
}
