import type { Artwork, Piece } from './artwork';
import type { Gradient } from './gradient';
import type { Contour } from './path';
import { formatPath, shortNumber } from './pathdata';
import { KAPPA } from './shapes';

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

const at = (name: string, v: number): string => (shortNumber(v) === '0' ? '' : ` ${name}="${shortNumber(v)}"`);

const rectOf = (x0: number, y0: number, x1: number, y1: number, r: number): string =>
  `<rect${at('x', x0)}${at('y', y0)} width="${shortNumber(x1 - x0)}" height="${shortNumber(y1 - y0)}"${at('rx', r)}/>`;

/** Four upright sides between four arcs of one radius. */
function roundedOf({ start, segments }: Contour): string | null {
  const arcs = segments.filter((s) => s.kind === 'arc');
  const lines = segments.filter((s) => s.kind === 'line');
  if (arcs.length !== 4 || lines.length !== 4 || segments.some((s, k) => s.kind === segments[(k + 1) % 8].kind))
    return null;
  const r = arcs[0].radius;
  if (arcs.some((s) => s.large || Math.abs(s.radius - r) > SAME_PX || s.clockwise !== arcs[0].clockwise)) return null;
  const points = [start, ...segments.map((s) => s.to)];
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const near = (p: number, q: number) => Math.abs(p - q) < SAME_PX;
  const onSide = ([x, y]: readonly number[]) =>
    ((near(x, x0) || near(x, x1)) && (near(y, y0 + r) || near(y, y1 - r))) ||
    ((near(y, y0) || near(y, y1)) && (near(x, x0 + r) || near(x, x1 - r)));
  return points.every(onSide) ? rectOf(x0, y0, x1, y1, r) : null;
}

/** Four curves that are the quarters of an ellipse. */
function ellipseOf({ start, segments }: Contour): string | null {
  const [a, b, c, d] = segments;
  if (a.kind !== 'curve' || b.kind !== 'curve' || c.kind !== 'curve' || d.kind !== 'curve') return null;
  const [cx, cy] = [(start[0] + b.to[0]) / 2, (start[1] + b.to[1]) / 2];
  const u = [start[0] - cx, start[1] - cy];
  const v = [a.to[0] - cx, a.to[1] - cy];
  const is = (p: readonly number[], x: number, y: number) =>
    Math.abs(p[0] - cx - x) < 2 * SAME_PX && Math.abs(p[1] - cy - y) < 2 * SAME_PX;
  const k = KAPPA;
  const quarter = (s: typeof a, p: readonly number[], q: readonly number[]) =>
    is(s.c1, p[0] + k * q[0], p[1] + k * q[1]) && is(s.c2, q[0] + k * p[0], q[1] + k * p[1]) && is(s.to, q[0], q[1]);
  const minus = (p: readonly number[]) => [-p[0], -p[1]];
  if (Math.abs(u[0] * v[0] + u[1] * v[1]) > SAME_PX * (Math.hypot(...u) + Math.hypot(...v))) return null;
  if (!quarter(a, u, v) || !quarter(b, v, minus(u)) || !quarter(c, minus(u), minus(v)) || !quarter(d, minus(v), u))
    return null;
  const [ru, rv] = [Math.hypot(...u), Math.hypot(...v)];
  const middle = `cx="${shortNumber(cx)}" cy="${shortNumber(cy)}"`;
  if (Math.abs(u[1]) < SAME_PX) return `<ellipse ${middle} rx="${shortNumber(ru)}" ry="${shortNumber(rv)}"/>`;
  if (Math.abs(u[0]) < SAME_PX) return `<ellipse ${middle} rx="${shortNumber(rv)}" ry="${shortNumber(ru)}"/>`;
  const turn = (Math.atan2(u[1], u[0]) * 180) / Math.PI;
  return `<ellipse ${middle} rx="${shortNumber(ru)}" ry="${shortNumber(rv)}" transform="rotate(${shortNumber(turn)} ${shortNumber(cx)} ${shortNumber(cy)})"/>`;
}

/** A piece as the plainest element that draws it: a circle, an ellipse, a rectangle with upright sides, else a path. */
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
        return rectOf(x0, y0, x1, y1, 0);
      }
    }
    if (segments.length === 8) {
      const found = roundedOf(contour);
      if (found) return found;
    }
    if (segments.length === 4 && segments.every((s) => s.kind === 'curve')) {
      const found = ellipseOf(contour);
      if (found) return found;
    }
  }
  return `<path d="${formatPath(contours)}"/>`;
}

/** A gradient as an SVG element, in the artwork's own pixels. */
function gradientElement(id: string, { kind, from, to, stops }: Gradient): string {
  const inner = stops.map(({ at, hex }) => `<stop offset="${Number(at.toFixed(4))}" stop-color="${hex}"/>`).join('');
  const [[x1, y1], [x2, y2]] = [from, to].map((p) => p.map(shortNumber));
  return kind === 'linear'
    ? `<linearGradient id="${id}" gradientUnits="userSpaceOnUse" x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}">${inner}</linearGradient>`
    : `<radialGradient id="${id}" gradientUnits="userSpaceOnUse" cx="${x1}" cy="${y1}" r="${shortNumber(Math.hypot(to[0] - from[0], to[1] - from[1]))}">${inner}</radialGradient>`;
}

/**
 * An artwork as SVG 1.1: one named group an ink in stacking order, title and description, no scripts, styles or links; gradients are defined
 * before them. An ink whose
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
  const idFrom = (base: string): string => {
    let id = base;
    for (let n = 2; used.has(id); n++) id = `${base}-${n}`;
    used.add(id);
    return id;
  };
  const fills = new Map<string, string>();
  let definitions = '';
  for (const { id, hex, name, gradient } of artwork.inks) {
    if (gradient && artwork.pieces.some((p) => p.inkId === id)) {
      const paint = idFrom(`${idOf(name)}-gradient`);
      definitions += gradientElement(paint, gradient) + nl;
      fills.set(id, `url(#${paint})`);
    } else fills.set(id, hex);
  }
  if (definitions) out += `<defs>${nl}${definitions}</defs>${nl}`;
  for (const { inkId, pieces } of runs(artwork)) {
    const ink = artwork.inks.find((i) => i.id === inkId);
    if (!ink) continue;
    out += `<g id="${idFrom(idOf(ink.name))}" fill="${fills.get(ink.id)}">${nl}`;
    for (const piece of pieces) out += elementOf(piece) + nl;
    out += `</g>${nl}`;
  }
  return out + `</svg>${nl}`;
}
