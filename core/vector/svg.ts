import type { Artwork, Piece } from './artwork';
import { formatPath, shortNumber } from './pathdata';

/** Text made safe inside XML elements and attributes; characters that XML forbids are dropped. */
export const escapeXml = (text: string): string =>
  text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** A name as an XML id: letters, digits and hyphens, starting with a letter. */
export const idOf = (name: string): string => {
  const id = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return /^[a-z]/.test(id) ? id : `ink-${id || 'x'}`;
};

export interface SvgOptions {
  readonly title?: string;
  readonly description?: string;
  /** A ground colour laid below everything. */
  readonly groundHex?: string;
  /** Pretty line ends between groups; off for the smallest file. */
  readonly lines?: boolean;
}

/** Runs of pieces of one ink, in stacking order: one group each. */
function runs(artwork: Artwork): { inkId: string; pieces: Piece[] }[] {
  const out: { inkId: string; pieces: Piece[] }[] = [];
  for (const piece of artwork.pieces) {
    const last = out[out.length - 1];
    if (last?.inkId === piece.inkId) last.pieces.push(piece);
    else out.push({ inkId: piece.inkId, pieces: [piece] });
  }
  return out;
}

/** Half circles and sides whose rounded numbers agree this well, in pixels, are those of one circle or rectangle. */
const SAME_PX = 0.015;

/** A piece as the plainest element that draws it: a circle, a rectangle with upright sides, else a path. */
function elementOf({ contours }: Piece): string {
  const [contour] = contours;
  if (contours.length === 1) {
    const { start, segments } = contour;
    const [a, b, c, d] = segments;
    if (segments.length === 2 && a.kind === 'arc' && b.kind === 'arc' && a.clockwise === b.clockwise) {
      const r = Math.hypot(a.to[0] - start[0], a.to[1] - start[1]) / 2;
      if (Math.abs(a.radius - r) < SAME_PX && Math.abs(b.radius - r) < SAME_PX)
        return `<circle cx="${shortNumber((start[0] + a.to[0]) / 2)}" cy="${shortNumber((start[1] + a.to[1]) / 2)}" r="${shortNumber(r)}"/>`;
    }
    if (segments.length === 4 && segments.every((s) => s.kind === 'line')) {
      const upright = (p: readonly number[], q: readonly number[], axis: 0 | 1) =>
        Math.abs(p[axis] - q[axis]) < SAME_PX;
      const around = [start, a.to, b.to, c.to, d.to];
      const turns = around
        .slice(1)
        .map((q, k) => (upright(around[k], q, 0) ? 'v' : upright(around[k], q, 1) ? 'h' : '-'))
        .join('');
      if (turns === 'vhvh' || turns === 'hvhv') {
        const [x0, x1] = [Math.min(start[0], b.to[0]), Math.max(start[0], b.to[0])];
        const [y0, y1] = [Math.min(start[1], b.to[1]), Math.max(start[1], b.to[1])];
        const at = (name: string, v: number) => (shortNumber(v) === '0' ? '' : ` ${name}="${shortNumber(v)}"`);
        return `<rect${at('x', x0)}${at('y', y0)} width="${shortNumber(x1 - x0)}" height="${shortNumber(y1 - y0)}"/>`;
      }
    }
  }
  return `<path d="${formatPath(contours)}"/>`;
}

/**
 * An artwork as SVG 1.1: one named group an ink in stacking order, title and description, no scripts, styles or links. An ink whose
 * pieces lie at several depths (after inks were merged) gets a numbered group for each depth.
 */
export function artworkToSvg(artwork: Artwork, options: SvgOptions = {}): string {
  const nl = options.lines === false ? '' : '\n';
  const [w, h] = [shortNumber(artwork.widthPx), shortNumber(artwork.heightPx)];
  const named = options.title !== undefined;
  let out = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w} ${h}" width="${w}" height="${h}"`;
  if (named) out += ` role="img" aria-labelledby="title${options.description ? ' desc' : ''}"`;
  out += `>${nl}`;
  if (named) out += `<title id="title">${escapeXml(options.title!)}</title>${nl}`;
  if (options.description) out += `<desc id="desc">${escapeXml(options.description)}</desc>${nl}`;
  if (options.groundHex) out += `<path id="ground" fill="${options.groundHex}" d="M0 0H${w}V${h}H0Z"/>${nl}`;
  const used = new Set(['title', 'desc', 'ground']);
  for (const { inkId, pieces } of runs(artwork)) {
    const ink = artwork.inks.find((i) => i.id === inkId);
    if (!ink) continue;
    const base = idOf(ink.name);
    let id = base;
    for (let n = 2; used.has(id); n++) id = `${base}-${n}`;
    used.add(id);
    out += `<g id="${id}" fill="${ink.hex}">${nl}`;
    for (const piece of pieces) out += elementOf(piece) + nl;
    out += `</g>${nl}`;
  }
  return out + `</svg>${nl}`;
}
