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
    for (const piece of pieces) out += `<path d="${formatPath(piece.contours)}"/>${nl}`;
    out += `</g>${nl}`;
  }
  return out + `</svg>${nl}`;
}
