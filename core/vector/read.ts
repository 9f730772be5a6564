import { readHex } from '../colour';
import type { Artwork, Ink, Piece } from './artwork';
import { meanHex, type Gradient } from './gradient';
import type { Contour, Point, Segment } from './path';
import { parsePath } from './pathdata';
import { ellipse } from './shapes';

/** The text is no SVG that an artwork can be read from; the message says why. */
export class SvgError extends Error {}

/** The most that is read. */
const LIMIT_CHARACTERS = 20_000_000;

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };
const textOf = (raw: string): string =>
  raw.replace(/&(?:#(\d+)|#x([0-9a-f]+)|(\w+));/gi, (all, decimal: string, hex: string, name: string) =>
    decimal
      ? String.fromCodePoint(Number(decimal))
      : hex
        ? String.fromCodePoint(parseInt(hex, 16))
        : (ENTITIES[name] ?? all),
  );

function attributesOf(tag: string): Map<string, string> {
  const out = new Map<string, string>();
  for (const m of tag.matchAll(/([\w:-]+)\s*=\s*(?:"([^"]*)"|'([^']*)')/g)) out.set(m[1], textOf(m[2] ?? m[3]));
  return out;
}

const numberOf = (attributes: ReadonlyMap<string, string>, name: string, otherwise = 0): number => {
  const text = attributes.get(name);
  if (text === undefined) return otherwise;
  const value = Number(text.replace(/px$/, ''));
  if (!Number.isFinite(value)) throw new SvgError(`"${text}" is no number for ${name}`);
  return value;
};

/** A circle as two half circles, as traces have them. */
export function circleContour(cx: number, cy: number, radius: number): Contour {
  const half = (to: Point): Segment => ({ kind: 'arc', radius, large: false, clockwise: true, to });
  return { start: [cx - radius, cy], segments: [half([cx + radius, cy]), half([cx - radius, cy])] };
}

/** A rectangle with upright sides, its corners rounded by arcs of a radius; clockwise from the left end of its upper side. */
export function rectangleContour(x: number, y: number, width: number, height: number, r = 0): Contour {
  const [x1, y1] = [x + width, y + height];
  const line = (to: Point): Segment => ({ kind: 'line', to });
  if (!(r > 0)) return { start: [x, y], segments: [line([x1, y]), line([x1, y1]), line([x, y1]), line([x, y])] };
  const arc = (to: Point): Segment => ({ kind: 'arc', radius: r, large: false, clockwise: true, to });
  return {
    start: [x + r, y],
    segments: [
      line([x1 - r, y]),
      arc([x1, y + r]),
      line([x1, y1 - r]),
      arc([x1 - r, y1]),
      line([x + r, y1]),
      arc([x, y1 - r]),
      line([x, y + r]),
      arc([x + r, y]),
    ],
  };
}

function contoursOf(name: string, a: ReadonlyMap<string, string>): Contour[] {
  switch (name) {
    case 'path':
      try {
        return parsePath(a.get('d') ?? '');
      } catch (error) {
        throw new SvgError(`A path cannot be read: ${(error as Error).message}`);
      }
    case 'circle':
      return [circleContour(numberOf(a, 'cx'), numberOf(a, 'cy'), numberOf(a, 'r'))];
    case 'ellipse': {
      const turn = /^rotate\(\s*([-\d.e]+)/.exec(a.get('transform') ?? '');
      return [
        ellipse(
          numberOf(a, 'cx'),
          numberOf(a, 'cy'),
          numberOf(a, 'rx'),
          numberOf(a, 'ry'),
          ((turn ? Number(turn[1]) : 0) * Math.PI) / 180,
        ),
      ];
    }
    default:
      return [
        rectangleContour(
          numberOf(a, 'x'),
          numberOf(a, 'y'),
          numberOf(a, 'width'),
          numberOf(a, 'height'),
          numberOf(a, 'rx'),
        ),
      ];
  }
}

/** Gradients of a file by their ids; those that are not in the artwork's own pixels, or have fewer than two stops, are left out. */
function gradientsOf(svg: string): Map<string, Gradient> {
  const out = new Map<string, Gradient>();
  for (const m of svg.matchAll(/<(linear|radial)Gradient\b([^>]*)>([\s\S]*?)<\/\1Gradient\s*>/g)) {
    const a = attributesOf(m[2]);
    const id = a.get('id');
    if (!id || a.get('gradientUnits') !== 'userSpaceOnUse') continue;
    const stops = [...m[3].matchAll(/<stop\b([^>]*?)\/?>/g)].flatMap((s) => {
      const stop = attributesOf(s[1]);
      const hex = readHex(stop.get('stop-color') ?? '');
      return hex ? [{ at: numberOf(stop, 'offset'), hex }] : [];
    });
    if (stops.length < 2) continue;
    const kind = m[1] as Gradient['kind'];
    const [x, y] = [numberOf(a, 'cx'), numberOf(a, 'cy')];
    out.set(
      id,
      kind === 'linear'
        ? {
            kind,
            from: [numberOf(a, 'x1'), numberOf(a, 'y1')],
            to: [numberOf(a, 'x2'), numberOf(a, 'y2')],
            stops,
          }
        : { kind, from: [x, y], to: [x + numberOf(a, 'r'), y], stops },
    );
  }
  return out;
}

/**
 * Reads an artwork from SVG as `artworkToSvg` writes it: groups of one fill or gradient each, with paths, circles, ellipses and rectangles. Whatever else
 * a file holds (scripts, styles, links, pictures) is not read. Throws an SvgError when nothing can be read.
 */
export function artworkFromSvg(svg: string): Artwork {
  if (svg.length > LIMIT_CHARACTERS) throw new SvgError('The SVG is too long');
  const inks: Ink[] = [];
  const pieces: Piece[] = [];
  const gradients = gradientsOf(svg);
  /** The ink of each open group, null where it has none. */
  const open: (Ink | null)[] = [];
  /** The ink of a fill: a known one, else a new one that is named after the element's id. */
  const inkFrom = (fill: string, id: string | undefined): Ink | null => {
    const gradient = gradients.get(/^url\(\s*["']?#([^"')]+)/.exec(fill)?.[1] ?? '');
    const hex = gradient ? meanHex(gradient) : readHex(fill);
    if (!hex) return null;
    const known = inks.find((i) => i.hex === hex && JSON.stringify(i.gradient) === JSON.stringify(gradient));
    if (known) return known;
    const name = (id ?? hex.slice(1).toLowerCase()).replaceAll('-', ' ');
    const ink: Ink = { id: `ink-${inks.length + 1}`, hex, name, ...(gradient ? { gradient } : {}) };
    inks.push(ink);
    return ink;
  };
  let size: [number, number] | null = null;
  const body = svg.replace(
    /<!--[\s\S]*?-->|<\?[\s\S]*?\?>|<![^>]*>|<(style|script|title|desc|metadata|defs)\b[\s\S]*?(?:<\/\1\s*>|\/>)/gi,
    '',
  );
  for (const m of body.matchAll(/<(\/?)([a-z]+)\b([^>]*?)(\/?)>/gi)) {
    const [, closing, name, rest, empty] = m;
    if (closing) {
      if (name === 'g') open.pop();
      continue;
    }
    const a = attributesOf(rest);
    if (name === 'svg') {
      const box = (a.get('viewBox') ?? '')
        .trim()
        .split(/[\s,]+/)
        .map(Number);
      size =
        box.length === 4 && box.every(Number.isFinite)
          ? [box[2], box[3]]
          : [numberOf(a, 'width'), numberOf(a, 'height')];
      continue;
    }
    const fill = a.get('fill') ?? null;
    if (name === 'g') {
      const ink = fill === null ? (open[open.length - 1] ?? null) : inkFrom(fill, a.get('id'));
      if (!empty) open.push(ink);
      continue;
    }
    if (!['path', 'circle', 'ellipse', 'rect'].includes(name)) continue;
    const inherited = fill === null ? open[open.length - 1] : undefined;
    const ink = inherited ?? inkFrom(fill ?? '#000000', a.get('id'));
    if (!ink) continue;
    const contours = contoursOf(name, a).filter((c) => c.segments.length);
    if (contours.length) pieces.push({ id: `piece-${pieces.length + 1}`, inkId: ink.id, contours });
  }
  if (!size || !(size[0] > 0 && size[1] > 0)) throw new SvgError('The file is no SVG with a size');
  return { widthPx: size[0], heightPx: size[1], inks, pieces };
}
