/** Frames: made by what is in them, with edges that text stands on. */
import type { FramePart } from '../lockup';
import {
  circleOfArcs,
  flatten,
  polygon,
  rectangleOfArcs,
  reverseContour,
  star,
  type Box,
  type Contour,
  type Point,
  type Segment,
} from '../path';
import type { Standing } from './text';

/** What a frame goes round: its outlines, and, where that is text on a circle, the circle. */
export interface Around {
  readonly contours: readonly Contour[];
  readonly box: Box;
  /** Of the text in it, where it stands on one. */
  readonly arc: { readonly centre: Point; readonly radiusPx: number; readonly side: 'above' | 'below'; readonly halfRad: number } | null; // prettier-ignore
  readonly capHeightPx: number;
}

export interface FrameShapes {
  /** What is filled. */
  readonly fill: readonly Contour[];
  /** Lines, as areas. */
  readonly lines: readonly Contour[];
  /** Folded ends of a ribbon, which lie behind it. */
  readonly folds: readonly Contour[];
  readonly box: Box;
  /** Of a ring: its middle, and its band. */
  readonly ring: { readonly centre: Point; readonly inner: number; readonly outer: number } | null;
  /** What text on it stands on: open, from left to right, with the band's depth outwards. */
  readonly edges: { readonly above: Contour; readonly below: Contour } | null;
}

/** Between an inner and an outer outline, both closed and of one direction. */
const between = (outer: Contour, inner: Contour): Contour[] => [outer, reverseContour(inner)];
const lineTo = (to: Point): Segment => ({ kind: 'line', to });
const openLine = (...points: readonly Point[]): Contour => ({ start: points[0], segments: points.slice(1).map(lineTo), open: true }); // prettier-ignore
const boxAround = (cx: number, cy: number, hx: number, hy: number): Box => ({ x: cx - hx, y: cy - hy, width: 2 * hx, height: 2 * hy }); // prettier-ignore

const diamondOf = (cx: number, cy: number, a: number, b: number): Contour =>
  polygon([
    [cx, cy - b],
    [cx + a, cy],
    [cx, cy + b],
    [cx - a, cy],
  ]);

/** The middle from which a ring is drawn, and how far out what is in it reaches. */
export function reachOf({ contours, box, arc }: Around): { centre: Point; reach: number } {
  const centre: Point = arc ? arc.centre : [box.x + box.width / 2, box.y + box.height / 2];
  let reach = 0;
  for (const c of contours) {
    const run = flatten(c, 0.1);
    for (let k = 0; k < run.length; k += 2) reach = Math.max(reach, Math.hypot(run[k] - centre[0], run[k + 1] - centre[1])); // prettier-ignore
  }
  return { centre, reach };
}

function ring({ shape, gapPx, bandPx, linePx, fillInkId }: FramePart, around: Around): FrameShapes {
  const { centre, reach } = reachOf(around);
  const inner = reach + gapPx;
  const outer = inner + bandPx;
  const circle = (r: number): Contour => circleOfArcs(centre[0], centre[1], r);
  const line = (from: number, to: number): Contour[] =>
    linePx > 0 && from > 0 ? between(circle(to), circle(from)) : [];
  const isDouble = shape === 'double-ring';
  const lines = [...line(outer, outer + linePx), ...(isDouble && bandPx > 0 ? line(Math.max(0, inner - linePx), inner) : [])]; // prettier-ignore
  const fill = fillInkId === null ? [] : isDouble && bandPx > 0 ? between(circle(outer), circle(inner)) : [circle(outer)]; // prettier-ignore
  return { fill, lines, folds: [], box: boxAround(centre[0], centre[1], outer + linePx, outer + linePx), ring: { centre, inner, outer }, edges: null }; // prettier-ignore
}

/** A shield about a middle, by its half width and its height above and below. */
function shieldOf(cx: number, top: number, half: number, height: number): Contour {
  const shoulder = top + 0.5 * height;
  const tip: Point = [cx, top + height];
  return {
    start: [cx - half, top],
    segments: [
      lineTo([cx + half, top]),
      lineTo([cx + half, shoulder]),
      { kind: 'curve', c1: [cx + half, top + 0.76 * height], c2: [cx + 0.42 * half, top + 0.92 * height], to: tip },
      { kind: 'curve', c1: [cx - 0.42 * half, top + 0.92 * height], c2: [cx - half, top + 0.76 * height], to: [cx - half, shoulder] }, // prettier-ignore
      lineTo([cx - half, top]),
    ],
  };
}

/** The outline of a frame round a box that is so far from it, its edges read from left to right. */
function outlineAt(
  shape: FramePart['shape'],
  box: Box,
  out: number,
): { contour: Contour; above: Contour; below: Contour; box: Box } {
  const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
  const [hx, hy] = [box.width / 2 + out, box.height / 2 + out];
  if (shape === 'hexagon') {
    // Regular, its sides above and below level.
    const [wx, wy] = [box.width / 2, box.height / 2];
    const r = Math.max((2 * wy) / Math.sqrt(3), wx + wy / Math.sqrt(3)) + (2 * out) / Math.sqrt(3);
    const rise = (r * Math.sqrt(3)) / 2;
    const points: Point[] = [
      [cx - r / 2, cy - rise],
      [cx + r / 2, cy - rise],
      [cx + r, cy],
      [cx + r / 2, cy + rise],
      [cx - r / 2, cy + rise],
      [cx - r, cy],
    ];
    return { contour: polygon(points), above: openLine(points[0], points[1]), below: openLine(points[4], points[3]), box: boxAround(cx, cy, r, rise) }; // prettier-ignore
  }
  if (shape === 'diamond') {
    const [wx, wy] = [box.width / 2, box.height / 2];
    // Its sides pass the corners of the box, and lie as far out as was asked for.
    const slope = Math.hypot(1 / (2 * wx), 1 / (2 * wy));
    const k = 1 + out * slope;
    const [a, b] = [2 * wx * k, 2 * wy * k];
    return {
      contour: diamondOf(cx, cy, a, b),
      above: openLine([cx - a, cy], [cx, cy - b]),
      below: openLine([cx, cy + b], [cx + a, cy]),
      box: boxAround(cx, cy, a, b),
    };
  }
  if (shape === 'shield') {
    const height = (box.height + 2 * out) * 1.42;
    const half = Math.max(hx, 0.36 * height);
    const contour = shieldOf(cx, cy - hy, half, height);
    // Below what is in it there is room down to the tip: a line of text stands there, not round the tip.
    const below = openLine([cx - 0.8 * half, cy + hy], [cx + 0.8 * half, cy + hy]);
    return { contour, above: openLine([cx - half, cy - hy], [cx + half, cy - hy]), below, box: { x: cx - half, y: cy - hy, width: 2 * half, height } }; // prettier-ignore
  }
  return {
    contour: rectangleOfArcs(cx - hx, cy - hy, 2 * hx, 2 * hy),
    above: openLine([cx - hx, cy - hy], [cx + hx, cy - hy]),
    below: openLine([cx - hx, cy + hy], [cx + hx, cy + hy]),
    box: boxAround(cx, cy, hx, hy),
  };
}

function straightSided(frame: FramePart, { box }: Around): FrameShapes {
  const { shape, gapPx, bandPx, linePx, fillInkId } = frame;
  const inner = outlineAt(shape, box, gapPx);
  const outer = outlineAt(shape, box, gapPx + bandPx);
  const edge = outlineAt(shape, box, gapPx + bandPx + linePx);
  const inside = bandPx > linePx ? outlineAt(shape, box, gapPx + linePx) : null;
  const lines =
    linePx > 0
      ? [
          ...between(edge.contour, outer.contour),
          ...(inside && bandPx > 0 ? between(inside.contour, inner.contour) : []),
        ]
      : [];
  // Text in the band stands on its inner edge above, and on its outer one below.
  return { fill: fillInkId === null ? [] : [outer.contour], lines, folds: [], box: edge.box, ring: null, edges: { above: inner.above, below: shape === 'shield' ? inner.below : outer.below } }; // prettier-ignore
}

/** A strip along a line or a circle: places by how far along it and how far off it they are, upwards above 0. */
type Strip = (s: number, t: number) => Point;

/** An outline through places of a strip; where it stays as far off, along it. */
function onStrip(
  places: readonly (readonly [number, number])[],
  strip: Strip,
  radius: ((t: number) => number) | null,
  clockwise: boolean,
): Contour {
  const start = strip(...places[0]);
  const segments = [...places.slice(1), places[0]].map(([s, t], k): Segment => {
    const [s0, t0] = places[k];
    const to = strip(s, t);
    return radius && Math.abs(t - t0) < 1e-9 && Math.abs(s - s0) > 1e-9 ? { kind: 'arc', radius: Math.abs(radius(t)), large: false, clockwise: s > s0 === clockwise, to } : lineTo(to); // prettier-ignore
  });
  return { start, segments };
}

/** A band of cloth about a line of text, straight or on its circle, with cut ends, folded behind where it is a ribbon. */
function cloth({ shape, gapPx }: FramePart, around: Around): FrameShapes {
  const { box, arc, capHeightPx } = around;
  let strip: Strip;
  let radius: ((t: number) => number) | null = null;
  let [half, low, high] = [0, 0, 0];
  let isClockwise = true;
  if (arc) {
    const { centre, radiusPx, side, halfRad } = arc;
    const way = side === 'above' ? 1 : -1;
    isClockwise = side === 'above';
    radius = (t) => radiusPx + way * t;
    strip = (s, t) => {
      const angle = s / radiusPx;
      const r = radiusPx + way * t;
      return [centre[0] + r * Math.sin(angle), centre[1] - way * r * Math.cos(angle)];
    };
    [half, low, high] = [halfRad * radiusPx + 1.4 * gapPx, -gapPx, capHeightPx + gapPx];
  } else {
    const cx = box.x + box.width / 2;
    const bottom = box.y + box.height;
    strip = (s, t) => [cx + s, bottom - t];
    [half, low, high] = [box.width / 2 + 1.4 * gapPx, -gapPx, box.height + gapPx];
  }
  const deep = high - low;
  const notch = 0.32 * deep;
  const on = (places: readonly (readonly [number, number])[]): Contour => onStrip(places, strip, radius, isClockwise);
  const tail = 0.75 * deep;
  const body = shape === 'banner'
      ? on([[-half - tail, high], [half + tail, high], [half + tail - notch, (low + high) / 2], [half + tail, low], [-half - tail, low], [-half - tail + notch, (low + high) / 2]]) // prettier-ignore
      : on([[-half, high], [half, high], [half, low], [-half, low]]); // prettier-ignore
  const drop = 0.24 * deep;
  const folds =
    shape === 'ribbon'
      ? [1, -1].flatMap((way) => {
          const [inner, outer] = [half - 0.45 * deep, half + tail];
          const at = (list: readonly (readonly [number, number])[]): Contour => on(list.map(([s, t]) => [way * s, t] as const)); // prettier-ignore
          return [at([[inner, high - drop], [outer, high - drop], [outer - notch, (low + high) / 2 - drop], [outer, low - drop], [inner, low - drop]])]; // prettier-ignore
        })
      : [];
  const all = [body, ...folds];
  const run = all.flatMap((c) => flatten(c, 0.1));
  const xs = run.filter((_, k) => k % 2 === 0);
  const ys = run.filter((_, k) => k % 2 === 1);
  const own: Box = { x: Math.min(...xs), y: Math.min(...ys), width: Math.max(...xs) - Math.min(...xs), height: Math.max(...ys) - Math.min(...ys) }; // prettier-ignore
  return { fill: [body], lines: [], folds, box: own, ring: null, edges: null };
}

/** Rules left and right of a text at half its height, or one under it, as wide as it. */
function rules({ shape, gapPx, bandPx, linePx }: FramePart, { box, capHeightPx }: Around): FrameShapes {
  const line = Math.max(0.1, linePx);
  const bottom = box.y + box.height;
  const rects: Box[] =
    shape === 'underline'
      ? [{ x: box.x, y: bottom + gapPx, width: box.width, height: line }]
      : [-1, 1].map((side) => ({
          x: side < 0 ? box.x - gapPx - bandPx : box.x + box.width + gapPx,
          y: bottom - Math.min(box.height, capHeightPx || box.height) / 2 - line / 2,
          width: Math.max(bandPx, line),
          height: line,
        }));
  const lines = rects.map((r) => rectangleOfArcs(r.x, r.y, r.width, r.height));
  const [x0, x1] = [Math.min(box.x, ...rects.map((r) => r.x)), Math.max(box.x + box.width, ...rects.map((r) => r.x + r.width))]; // prettier-ignore
  const y1 = Math.max(bottom, ...rects.map((r) => r.y + r.height));
  return { fill: [], lines, folds: [], box: { x: x0, y: box.y, width: x1 - x0, height: y1 - box.y }, ring: null, edges: null }; // prettier-ignore
}

/** A frame made for what it goes round. */
export function frameShapes(frame: FramePart, around: Around): FrameShapes {
  switch (frame.shape) {
    case 'ring':
    case 'double-ring':
      return ring(frame, around);
    case 'banner':
    case 'ribbon':
      return cloth(frame, around);
    case 'rules':
    case 'underline':
      return rules(frame, around);
    default:
      return straightSided(frame, around);
  }
}

/** What a text of a cap height stands on, on one side of a frame: in the middle of its band, outside where there is none. */
export function standingOn(
  frame: FramePart,
  shapes: FrameShapes,
  side: 'above' | 'below',
  capHeightPx: number,
): Standing {
  const { bandPx, linePx, gapPx } = frame;
  const isOutside = bandPx <= 0;
  const inBand = (bandPx - capHeightPx) / 2;
  if (shapes.ring) {
    const { centre, inner, outer } = shapes.ring;
    const base = isOutside ? outer + linePx + Math.max(gapPx, 0.3 * capHeightPx) : inner + inBand;
    return { kind: 'arc', centre, radiusPx: side === 'above' ? base : base + capHeightPx, side, even: 'middle', turnDeg: 0 }; // prettier-ignore
  }
  if (shapes.edges) {
    const off = isOutside ? linePx + Math.max(gapPx, 0.3 * capHeightPx) : inBand;
    const contour = side === 'above' ? shapes.edges.above : shapes.edges.below;
    if (frame.shape === 'shield' && side === 'below') return { kind: 'path', contour, at: 0.5, flipped: false, offPx: -capHeightPx }; // prettier-ignore
    return { kind: 'path', contour, at: 0.5, flipped: false, offPx: side === 'above' ? off : isOutside ? -off - capHeightPx : off }; // prettier-ignore
  }
  return { kind: 'line' };
}

/** Signs half-way between two texts on a ring, on either side. */
export function dividers(frame: FramePart, { ring: own }: FrameShapes, above: number, below: number): Contour[] {
  if (!own || !frame.divider || frame.divider === 'none') return [];
  const middle = (own.inner + own.outer) / 2;
  const half = (above + (Math.PI - below)) / 2;
  const size = 0.14 * Math.max(frame.bandPx, 1);
  return [-1, 1].map((way) => {
    const [x, y] = [own.centre[0] + way * middle * Math.sin(half), own.centre[1] - middle * Math.cos(half)];
    if (frame.divider === 'diamond') return diamondOf(x, y, 0.8 * size, 1.25 * size);
    return frame.divider === 'star' ? star(x, y, 5, 1.35 * size, 0.55 * size) : circleOfArcs(x, y, 0.75 * size);
  });
}
