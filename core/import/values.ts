/** Lengths, colours and maps as SVG writes them. */
import { parse, converter } from 'culori';
import svgpath from 'svgpath';
import { rgbToHex } from '../colour';
import { IDENTITY, type Affine } from '../path';

/** What percentages are of: the width, the height, or both (SVG 1.1, 7.10). */
export interface Viewport {
  readonly width: number;
  readonly height: number;
}
export type Along = 'x' | 'y' | 'both';

/** Pixels in each unit (CSS 2.1, 4.3.2), at the usual font size. */
const UNITS: Readonly<Record<string, number>> = {
  px: 1,
  pt: 4 / 3,
  pc: 16,
  mm: 96 / 25.4,
  cm: 96 / 2.54,
  in: 96,
  q: 96 / 101.6,
  em: 16,
  rem: 16,
  ex: 8,
  ch: 8,
};

/** A length in user units; undefined for one that cannot be read. */
export function readLength(text: string | undefined, along: Along, { width, height }: Viewport): number | undefined {
  if (text === undefined) return undefined;
  const found = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*(%|[a-z]*)\s*$/i.exec(text);
  if (!found) return undefined;
  const value = Number(found[1]);
  const unit = found[2].toLowerCase();
  if (unit === '%') {
    const whole = along === 'x' ? width : along === 'y' ? height : Math.sqrt((width * width + height * height) / 2);
    return (value * whole) / 100;
  }
  const px = unit === '' ? 1 : UNITS[unit];
  return px === undefined ? undefined : value * px;
}

/** Numbers with spaces or commas between them. */
export const readNumbers = (text: string | undefined): number[] =>
  (text ?? '')
    .trim()
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);

/** A share 0..1, written as a number or in per cent; `otherwise` where it cannot be read. */
export function readShare(text: string | undefined, otherwise = 1): number {
  if (text === undefined) return otherwise;
  const value = text.trim().endsWith('%') ? parseFloat(text) / 100 : Number(text);
  return Number.isFinite(value) ? Math.max(0, Math.min(1, value)) : otherwise;
}

export interface Colour {
  readonly hex: string;
  /** 0..1 */
  readonly opacity: number;
}

const toRgb = converter('rgb');
const known = new Map<string, Colour | null>();

/** A CSS colour; null for none that is one. */
export function readColour(text: string): Colour | null {
  const key = text.trim().toLowerCase();
  const had = known.get(key);
  if (had !== undefined) return had;
  const found = key.length > 100 ? undefined : toRgb(parse(key));
  const channel = (v: number) => Math.round(255 * Math.max(0, Math.min(1, v)));
  const colour = found
    ? {
        hex: rgbToHex([channel(found.r), channel(found.g), channel(found.b)]),
        opacity: Math.max(0, Math.min(1, found.alpha ?? 1)),
      }
    : null;
  if (known.size > 5000) known.clear();
  known.set(key, colour);
  return colour;
}

/** A list of transforms as one map, read by svgpath: it moves the points of a small path, and they tell. */
export function readTransform(text: string | undefined): Affine {
  if (!text || text === 'none' || text.length > 10_000) return IDENTITY;
  // Style sheets write units, which mean what numbers alone mean here.
  const plain = text.replace(/(\d)(?:px|deg)\b/gi, '$1');
  const points: [number, number][] = [];
  svgpath('M0 0L1 0L0 1')
    .transform(plain)
    .abs()
    .iterate((s) => void points.push([s[1] as number, s[2] as number]));
  const [[e, f], [ax, ay], [cx, cy]] = points;
  const map: Affine = [ax - e, ay - f, cx - e, cy - f, e, f];
  return map.every(Number.isFinite) ? map : IDENTITY;
}

/** The id in `url(#id)` or `#id`; null for anything else, references to other files above all. */
export const readReference = (text: string | undefined): string | null =>
  /^\s*(?:url\(\s*["']?)?#([^"')\s]+)["']?\s*\)?/.exec(text ?? '')?.[1] ?? null;

/** The map from a view box to a viewport that starts at the origin (SVG 1.1, 7.8), and whether what lies outside is cut off. */
export function viewBoxMap(box: readonly number[], to: Viewport, ratio: string | undefined): Affine {
  const [x, y, width, height] = box;
  const [sx, sy] = [to.width / width, to.height / height];
  const [align = 'xMidYMid', meet = 'meet'] = (ratio ?? '')
    .replace(/^\s*defer\s+/, '')
    .trim()
    .split(/\s+/)
    .filter(Boolean);
  if (align === 'none') return [sx, 0, 0, sy, -x * sx, -y * sy];
  const scale = meet === 'slice' ? Math.max(sx, sy) : Math.min(sx, sy);
  const spare = [to.width - width * scale, to.height - height * scale];
  const shareOf = (letters: string) => (letters === 'Min' ? 0 : letters === 'Max' ? 1 : 0.5);
  const found = /^x(Min|Mid|Max)Y(Min|Mid|Max)$/.exec(align);
  const [ax, ay] = found ? [shareOf(found[1]), shareOf(found[2])] : [0.5, 0.5];
  return [scale, 0, 0, scale, spare[0] * ax - x * scale, spare[1] * ay - y * scale];
}
