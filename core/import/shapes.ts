import { circleOfArcs, ellipse, parsePath, rectangleOfArcs, type Contour, type Point, type Segment } from '../path';
import { readLength, readNumbers, type Viewport } from './values';
import type { XmlElement } from './xml';

export const SHAPES: ReadonlySet<string> = new Set([
  'path',
  'rect',
  'circle',
  'ellipse',
  'line',
  'polyline',
  'polygon',
]);

/** A rectangle with corners that are quarters of ellipses. */
function rounded(x: number, y: number, width: number, height: number, rx: number, ry: number): Contour {
  if (Math.abs(rx - ry) < 1e-9) return rectangleOfArcs(x, y, width, height, rx);
  const [x1, y1] = [x + width, y + height];
  const k = 1 - 0.5522847498;
  const line = (to: Point): Segment => ({ kind: 'line', to });
  const curve = (c1: Point, c2: Point, to: Point): Segment => ({ kind: 'curve', c1, c2, to });
  return {
    start: [x + rx, y],
    segments: [
      line([x1 - rx, y]),
      curve([x1 - rx * k, y], [x1, y + ry * k], [x1, y + ry]),
      line([x1, y1 - ry]),
      curve([x1, y1 - ry * k], [x1 - rx * k, y1], [x1 - rx, y1]),
      line([x + rx, y1]),
      curve([x + rx * k, y1], [x, y1 - ry * k], [x, y1 - ry]),
      line([x, y + ry]),
      curve([x, y + ry * k], [x + rx * k, y], [x + rx, y]),
    ],
  };
}

/** The outlines of a shape element in its own coordinates; none where it is not drawn (SVG 1.1, 8 and 9). */
export function contoursOf(element: XmlElement, viewport: Viewport): Contour[] {
  const a = element.attributes;
  const length = (name: string, along: 'x' | 'y' | 'both', otherwise = 0): number =>
    readLength(a.get(name), along, viewport) ?? otherwise;
  switch (element.name) {
    case 'path':
      return parsePath(a.get('d') ?? '', { close: false, lenient: true });
    case 'circle': {
      const r = length('r', 'both');
      return r > 0 ? [circleOfArcs(length('cx', 'x'), length('cy', 'y'), r)] : [];
    }
    case 'ellipse': {
      const given = [readLength(a.get('rx'), 'x', viewport), readLength(a.get('ry'), 'y', viewport)];
      const [rx, ry] = [given[0] ?? given[1] ?? 0, given[1] ?? given[0] ?? 0];
      if (!(rx > 0 && ry > 0)) return [];
      const [cx, cy] = [length('cx', 'x'), length('cy', 'y')];
      return [rx === ry ? circleOfArcs(cx, cy, rx) : ellipse(cx, cy, rx, ry)];
    }
    case 'rect': {
      const [width, height] = [length('width', 'x'), length('height', 'y')];
      if (!(width > 0 && height > 0)) return [];
      const given = [readLength(a.get('rx'), 'x', viewport), readLength(a.get('ry'), 'y', viewport)].map((r) =>
        r !== undefined && r >= 0 ? r : undefined,
      );
      const rx = Math.min(given[0] ?? given[1] ?? 0, width / 2);
      const ry = Math.min(given[1] ?? given[0] ?? 0, height / 2);
      return [
        rounded(
          length('x', 'x'),
          length('y', 'y'),
          width,
          height,
          rx > 0 && ry > 0 ? rx : 0,
          rx > 0 && ry > 0 ? ry : 0,
        ),
      ];
    }
    case 'line': {
      const to: Point = [length('x2', 'x'), length('y2', 'y')];
      return [{ start: [length('x1', 'x'), length('y1', 'y')], segments: [{ kind: 'line', to }], open: true }];
    }
    default: {
      const n = readNumbers(a.get('points'));
      const points: Point[] = [];
      for (let i = 0; i + 1 < n.length && Number.isFinite(n[i]) && Number.isFinite(n[i + 1]); i += 2)
        points.push([n[i], n[i + 1]]);
      if (points.length < 2) return [];
      const segments = points.slice(1).map((to): Segment => ({ kind: 'line', to }));
      return element.name === 'polygon'
        ? [{ start: points[0], segments: [...segments, { kind: 'line', to: points[0] }] }]
        : [{ start: points[0], segments, open: true }];
    }
  }
}
