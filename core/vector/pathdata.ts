import { ellipticalArc, type ArcSegment } from './arc';
import { closeContour, type Contour, type Point, type Segment } from './path';

/** A number with at most two decimals and no needless characters, as it stands in path data. */
export function shortNumber(value: number): string {
  const text = value.toFixed(2).replace(/\.?0+$/, '');
  return (text === '-0' ? '0' : text).replace(/^(-?)0\./, '$1.');
}

const pair = ([x, y]: Point): string => {
  const b = shortNumber(y);
  return shortNumber(x) + (b.startsWith('-') ? '' : ' ') + b;
};

/**
 * A radius that is right after rounding. Half a circle is written a hair too small, which SVG corrects to just half; a hair too large
 * would move its centre by far more.
 */
function radiusWritten(from: Point, s: ArcSegment): number {
  const half = Math.hypot(Number(shortNumber(s.to[0])) - from[0], Number(shortNumber(s.to[1])) - from[1]) / 2;
  return Math.abs(s.radius - half) < Math.max(0.02, half * 0.0005) ? Math.floor(half * 100) / 100 : s.radius;
}

/** SVG path data of closed contours: absolute M, L, H, V, C, A and Z, two decimals. */
export function formatPath(contours: readonly Contour[]): string {
  let out = '';
  for (const { start, segments } of contours) {
    out += 'M' + pair(start);
    let [px, py] = [shortNumber(start[0]), shortNumber(start[1])];
    segments.forEach((s, i) => {
      const [x, y] = [shortNumber(s.to[0]), shortNumber(s.to[1])];
      if (s.kind === 'curve') {
        const handles = pair(s.c1) + ' ' + pair(s.c2) + ' ' + pair(s.to);
        out += 'C' + handles.replace(/ -/g, '-');
      } else if (s.kind === 'arc') {
        const r = shortNumber(radiusWritten([Number(px), Number(py)], s));
        out += `A${r} ${r} 0 ${s.large ? 1 : 0} ${s.clockwise ? 1 : 0} ${pair(s.to)}`;
      } else if (i === segments.length - 1 && s.to[0] === start[0] && s.to[1] === start[1]) {
        // Z draws the closing line.
      } else if (x === px && y !== py) out += 'V' + y;
      else if (y === py && x !== px) out += 'H' + x;
      else if (x !== px || y !== py) out += 'L' + pair(s.to);
      px = x;
      py = y;
    });
    out += 'Z';
  }
  return out;
}

/** How many numbers each command of path data takes. */
const NUMBERS: Readonly<Record<string, number>> = { M: 2, L: 2, H: 1, V: 1, C: 6, S: 4, Q: 4, T: 2, A: 7, Z: 0 };

/** Splits path data into commands with their numbers; flags of arcs may stand without anything between them. */
function* commandsOf(data: string): Generator<{ command: string; numbers: number[] }> {
  const sign = /\s*,?\s*([-+]?(?:\d*\.\d+|\d+\.?)(?:[eE][-+]?\d+)?)/y;
  const flag = /\s*,?\s*([01])/y;
  const letter = /\s*([a-zA-Z])/y;
  let at = 0;
  let command = '';
  const read = (pattern: RegExp): string | null => {
    pattern.lastIndex = at;
    const found = pattern.exec(data);
    if (found) at = pattern.lastIndex;
    return found ? found[1] : null;
  };
  while (data.slice(at).trim()) {
    const next = read(letter);
    if (next) command = next;
    const kind = command.toUpperCase();
    const count = NUMBERS[kind];
    if (count === undefined) throw new SyntaxError(`path data: "${command}" is not understood`);
    if (!next && count === 0) throw new SyntaxError(`path data: a command was expected at character ${at}`);
    const numbers: number[] = [];
    for (let i = 0; i < count; i++) {
      const text = read(kind === 'A' && (i === 3 || i === 4) ? flag : sign);
      if (text === null)
        throw new SyntaxError(`path data: a number was expected at character ${at} ("${data.slice(at, at + 8)}")`);
      numbers.push(Number(text));
    }
    yield { command, numbers };
    // Pairs that follow a moveto are linetos.
    if (kind === 'M') command = command === 'm' ? 'l' : 'L';
  }
}

/**
 * Reads SVG path data (SVG 1.1, 8.3), every command in either case. Every contour is closed unless `close` is off, for lines that are only
 * stroked. Arcs of circles stay arcs, those of ellipses become curves. Throws a SyntaxError that says where it stopped understanding.
 */
export function parsePath(data: string, close = true): Contour[] {
  const contours: Contour[] = [];
  let at: Point = [0, 0];
  let start: Point = [0, 0];
  let handle: Point | null = null;
  let quadratic: Point | null = null;
  let segments: Segment[] = [];
  const finish = () => {
    if (segments.length) contours.push(close ? closeContour({ start, segments }) : { start, segments });
    segments = [];
  };
  for (const { command, numbers: n } of commandsOf(data)) {
    const kind = command.toUpperCase();
    const base: Point = command === kind ? [0, 0] : at;
    const point = (i: number): Point => [n[i] + base[0], n[i + 1] + base[1]];
    const mirrored = (p: Point | null): Point => (p ? [2 * at[0] - p[0], 2 * at[1] - p[1]] : at);
    let nextHandle: Point | null = null;
    let nextQuadratic: Point | null = null;
    const quadraticTo = (q: Point, to: Point): void => {
      segments.push({
        kind: 'curve',
        c1: [at[0] + (2 / 3) * (q[0] - at[0]), at[1] + (2 / 3) * (q[1] - at[1])],
        c2: [to[0] + (2 / 3) * (q[0] - to[0]), to[1] + (2 / 3) * (q[1] - to[1])],
        to,
      });
      nextQuadratic = q;
    };
    let to: Point = at;
    if (kind === 'M') {
      finish();
      to = start = point(0);
    } else if (kind === 'Z') {
      finish();
      to = start;
    } else if (kind === 'L' || kind === 'H' || kind === 'V') {
      to = kind === 'L' ? point(0) : kind === 'H' ? [n[0] + base[0], at[1]] : [at[0], n[0] + base[1]];
      segments.push({ kind: 'line', to });
    } else if (kind === 'C' || kind === 'S') {
      const c1 = kind === 'C' ? point(0) : mirrored(handle);
      const c2 = point(n.length - 4);
      to = point(n.length - 2);
      segments.push({ kind: 'curve', c1, c2, to });
      nextHandle = c2;
    } else if (kind === 'Q' || kind === 'T') {
      to = point(n.length - 2);
      quadraticTo(kind === 'Q' ? point(0) : mirrored(quadratic), to);
    } else {
      to = point(5);
      segments.push(...ellipticalArc(at, n[0], n[1], n[2], n[3] === 1, n[4] === 1, to));
    }
    handle = nextHandle;
    quadratic = nextQuadratic;
    at = to;
  }
  finish();
  return contours;
}
