/** Colours and gradients of a file as inks. */
import {
  boxOfRuns,
  compose,
  flatten,
  IDENTITY,
  mapPoint,
  type Affine,
  type Box,
  type Contour,
  type Point,
} from '../path';
import { mapGradient, meanHex, namesOf, type Gradient, type GradientStop, type Ink } from '../vector';
import type { Style } from './style';
import { readColour, readLength, readReference, readShare, readTransform, type Viewport } from './values';
import type { XmlElement } from './xml';

/** What a fill or line is drawn with. */
export interface ReadPaint {
  readonly inkId: string;
  /** Of the colour itself, 0..1. */
  readonly opacity: number;
}

/** What paints need to know of the file. */
export interface PaintSource {
  readonly byId: ReadonlyMap<string, XmlElement>;
  readonly styleOf: (element: XmlElement) => Style;
}

/** The box of outlines, fine enough for drawings in any unit; null for none. */
export function fineBoxOf(contours: readonly Contour[]): Box | null {
  const rough = boxOfRuns(contours.map((c) => flatten(c, 1)));
  if (!rough) return null;
  return boxOfRuns(contours.map((c) => flatten(c, Math.max(rough.width, rough.height, 1e-6) / 4000)));
}

/** An element and those it refers to for what it does not say itself, each once. */
function chainOf(element: XmlElement, { byId }: PaintSource): XmlElement[] {
  const out: XmlElement[] = [];
  for (let next: XmlElement | undefined = element; next && !out.includes(next) && out.length < 32;) {
    out.push(next);
    next = byId.get(readReference(next.attributes.get('href')) ?? '');
  }
  return out;
}

function stopsOf(chain: readonly XmlElement[], source: PaintSource): GradientStop[] {
  const holder = chain.find((e) => e.children.some((c) => c.name === 'stop'));
  let before = 0;
  return (holder?.children ?? [])
    .filter((c) => c.name === 'stop')
    .map((stop) => {
      const style = source.styleOf(stop);
      const at = (before = Math.max(before, readShare(stop.attributes.get('offset'), 0)));
      const written = style.get('stop-color') ?? 'black';
      const colour = readColour(written === 'currentColor' ? (style.get('color') ?? 'black') : written) ?? {
        hex: '#000000',
        opacity: 1,
      };
      const opacity = colour.opacity * readShare(style.get('stop-opacity'));
      return { at, hex: colour.hex, ...(opacity < 1 ? { opacity } : {}) };
    });
}

/** A gradient as it lies over outlines with a box; a colour where it is degenerate; null where nothing is drawn. */
function gradientFrom(
  element: XmlElement,
  source: PaintSource,
  box: Box | null,
  viewport: Viewport,
): Gradient | GradientStop | null {
  const chain = chainOf(element, source);
  const said = (name: string): string | undefined => chain.find((e) => e.attributes.has(name))?.attributes.get(name);
  const stops = stopsOf(chain, source);
  if (!stops.length) return null;
  if (stops.length === 1) return stops[0];
  const isUser = said('gradientUnits') === 'userSpaceOnUse';
  if (!isUser && !(box && box.width > 0 && box.height > 0)) return null;
  const units: Viewport = isUser ? viewport : { width: 1, height: 1 };
  const length = (name: string, along: 'x' | 'y' | 'both', otherwise: string): number =>
    readLength(said(name), along, units) ?? readLength(otherwise, along, units) ?? 0;
  const own = chain
    .map((e) => source.styleOf(e).get('gradientTransform') ?? e.attributes.get('gradientTransform'))
    .find(Boolean);
  const map: Affine = compose(readTransform(own), isUser ? IDENTITY : [box!.width, 0, 0, box!.height, box!.x, box!.y]);
  const method = said('spreadMethod');
  const spread = method === 'reflect' || method === 'repeat' ? { spread: method as 'reflect' | 'repeat' } : {};
  if (element.name === 'linearGradient') {
    const from: Point = [length('x1', 'x', '0%'), length('y1', 'y', '0%')];
    const to: Point = [length('x2', 'x', '100%'), length('y2', 'y', '0%')];
    if (from[0] === to[0] && from[1] === to[1]) return stops[stops.length - 1];
    return mapped(map, { kind: 'linear', from, to, stops, ...spread });
  }
  const [cx, cy, r] = [length('cx', 'x', '50%'), length('cy', 'y', '50%'), length('r', 'both', '50%')];
  if (!(r > 0)) return stops[stops.length - 1];
  const fx = readLength(said('fx'), 'x', units) ?? cx;
  const fy = readLength(said('fy'), 'y', units) ?? cy;
  // A first circle of some size (SVG 2) is where the first colour still is.
  const inner = Math.min(0.999, Math.max(0, length('fr', 'both', '0%') / r));
  const moved = inner > 0 ? stops.map((s) => ({ ...s, at: inner + s.at * (1 - inner) })) : stops;
  const focus = Math.hypot(fx - cx, fy - cy) > 1e-9 * r ? { focus: [fx, fy] as Point } : {};
  return mapped(map, { kind: 'radial', from: [cx, cy], to: [cx + r, cy], stops: moved, ...focus, ...spread });
}

/**
 * A gradient under a map. A linear one stays plain where the map only stretches it along or across itself: what counts is where its lines of one colour
 * lie.
 */
function mapped(map: Affine, gradient: Gradient): Gradient {
  if (gradient.kind === 'radial') return mapGradient(map, gradient);
  const [a, b, c, d] = map;
  if (!(Math.abs(a * d - b * c) > 1e-12)) return mapGradient(map, gradient);
  const [p, q] = [mapPoint(map, gradient.from), mapPoint(map, gradient.to)];
  const [dx, dy] = [gradient.to[0] - gradient.from[0], gradient.to[1] - gradient.from[1]];
  // Lines of one colour run across the gradient; the end is moved along its own so that the way is straight across them again.
  const [tx, ty] = [a * -dy + c * dx, b * -dy + d * dx];
  const t = ((q[0] - p[0]) * tx + (q[1] - p[1]) * ty) / (tx * tx + ty * ty);
  return { ...gradient, from: p, to: [q[0] - t * tx, q[1] - t * ty] };
}

/** The inks of an artwork that is being read. */
export class Inks {
  private readonly known = new Map<string, { id: string; hex: string; gradient?: Gradient; name: string | null }>();

  constructor(private readonly source: PaintSource) {}

  /** The ink of a fill or line as it is written; null where nothing is drawn. `name` is what the file calls it, if it does. */
  read(
    written: string,
    colour: string,
    contours: readonly Contour[],
    viewport: Viewport,
    name: string | null,
  ): ReadPaint | null {
    if (written === 'none' || written === 'transparent') return null;
    const reference = readReference(written.startsWith('url') ? written : undefined);
    if (reference !== null) {
      const server = this.source.byId.get(reference);
      if (server?.name === 'linearGradient' || server?.name === 'radialGradient') {
        const found = gradientFrom(server, this.source, fineBoxOf(contours), viewport);
        if (!found) return null;
        if ('kind' in found) return { inkId: this.ink(meanHex(found), found, name), opacity: 1 };
        return { inkId: this.ink(found.hex, undefined, name), opacity: found.opacity ?? 1 };
      }
      const rest = written.replace(/^url\([^)]*\)\s*/, '');
      return rest && rest !== 'none' ? this.read(rest, colour, contours, viewport, name) : null;
    }
    const found = readColour(written.toLowerCase() === 'currentcolor' ? colour : written);
    return found && { inkId: this.ink(found.hex, undefined, name), opacity: found.opacity };
  }

  private ink(hex: string, gradient: Gradient | undefined, name: string | null): string {
    const key = gradient ? JSON.stringify(gradient) : hex;
    let ink = this.known.get(key);
    if (!ink)
      this.known.set(key, (ink = { id: `ink-${this.known.size + 1}`, hex, ...(gradient ? { gradient } : {}), name }));
    ink.name ??= name;
    return ink.id;
  }

  /** All of them, those without a name named after their colours. */
  list(): Ink[] {
    const all = [...this.known.values()];
    const names = namesOf(all);
    const used = new Set<string>();
    return all.map(({ id, hex, gradient, name }, k) => {
      const wanted = (name ?? names[k]).slice(0, 50);
      let own = wanted;
      for (let n = 2; used.has(own); n++) own = `${wanted} ${n}`;
      used.add(own);
      return { id, hex, name: own, ...(gradient ? { gradient } : {}) };
    });
  }
}
