/** The forms that compositions are made of, as areas. One unit is a hundredth of the picture's shorter side; (50, 50) is its middle. */
import { boxOfRuns, centroidOf, grown, intersect, moved, subtract, turnAbout, type Area, type Box } from '../path';

/** The box of an area; of none, the picture's middle. */
export const boundsOf = (area: Area): Box => boxOfRuns(area) ?? { x: 50, y: 50, width: 0, height: 0 };

/** The middle of mass of an area; of none, the picture's middle. */
export const massOf = (area: Area): [number, number] => centroidOf(area) ?? [50, 50];

/** A turn about a point. */
export const turnedBy = (area: Area, rad: number, cx = 50, cy = 50): Area => moved(area, turnAbout([cx, cy], rad));

export const disc = (cx: number, cy: number, r: number, sides = 96): Area => [
  Array.from({ length: sides }, (_, i) => {
    const t = (2 * Math.PI * i) / sides;
    return [cx + r * Math.cos(t), cy + r * Math.sin(t)];
  }).flat(),
];

export const ringOf = (cx: number, cy: number, outer: number, inner: number): Area =>
  subtract(disc(cx, cy, outer, 160), disc(cx, cy, inner, 160));

export const box = (x: number, y: number, width: number, height: number): Area => [
  [x, y, x + width, y, x + width, y + height, x, y + height],
];

/** A rectangle with round corners. */
export const tile = (cx: number, cy: number, half: number, r: number, halfHigh = half): Area =>
  grown(box(cx - half + r, cy - halfHigh + r, 2 * (half - r), 2 * (halfHigh - r)), r);

export const regular = (cx: number, cy: number, r: number, sides: number, turn = -Math.PI / 2): Area => [
  Array.from({ length: sides }, (_, i) => {
    const t = turn + (2 * Math.PI * i) / sides;
    return [cx + r * Math.cos(t), cy + r * Math.sin(t)];
  }).flat(),
];

export const starArea = (
  cx: number,
  cy: number,
  points: number,
  outer: number,
  inner: number,
  turn = -Math.PI / 2,
): Area => [
  Array.from({ length: 2 * points }, (_, i) => {
    const t = turn + (Math.PI * i) / points;
    const r = i % 2 ? inner : outer;
    return [cx + r * Math.cos(t), cy + r * Math.sin(t)];
  }).flat(),
];

/** The lens that two discs of radius `r` share, upright about (cx, cy), `2 * off` less a radius apart. */
export const leafDisc = (cx: number, cy: number, r: number, off: number): Area =>
  intersect(disc(cx - off * 0.6, cy, r, 120), disc(cx + off * 0.6, cy, r, 120));
