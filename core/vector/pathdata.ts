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

/** SVG path data of closed contours: absolute M, L, H, V, C and Z, two decimals. */
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

/**
 * Reads SVG path data with M, L, H, V, C, S, Q, Z in either case (SVG 1.1, 8.3); arcs are not among them. Every contour is closed
 * unless `close` is off, for lines that are only stroked. Throws a SyntaxError that says where it stopped understanding.
 */
export function parsePath(data: string, close = true): Contour[] {
  const tokens = data.match(/[a-zA-Z]|[-+]?(?:\d*\.\d+|\d+\.?)(?:[eE][-+]?\d+)?/g) ?? [];
  const contours: Contour[] = [];
  let i = 0;
  let command = '';
  let at: [number, number] = [0, 0];
  let start: [number, number] = [0, 0];
  let handle: [number, number] | null = null;
  let segments: Segment[] = [];
  const number = (): number => {
    const v = Number(tokens[i++]);
    if (!Number.isFinite(v))
      throw new SyntaxError(`path data: a number was expected at token ${i} ("${tokens[i - 1]}")`);
    return v;
  };
  const point = (relative: boolean): [number, number] => {
    const x = number();
    const y = number();
    return relative ? [at[0] + x, at[1] + y] : [x, y];
  };
  const finish = () => {
    if (segments.length) contours.push(close ? closeContour({ start, segments }) : { start, segments });
    segments = [];
  };
  while (i < tokens.length) {
    if (/[a-zA-Z]/.test(tokens[i])) command = tokens[i++];
    const relative = command === command.toLowerCase();
    let nextHandle: [number, number] | null = null;
    switch (command.toUpperCase()) {
      case 'M':
        finish();
        at = start = point(relative);
        command = relative ? 'l' : 'L';
        break;
      case 'L':
        at = point(relative);
        segments.push({ kind: 'line', to: at });
        break;
      case 'H':
        at = [number() + (relative ? at[0] : 0), at[1]];
        segments.push({ kind: 'line', to: at });
        break;
      case 'V':
        at = [at[0], number() + (relative ? at[1] : 0)];
        segments.push({ kind: 'line', to: at });
        break;
      case 'C':
      case 'S': {
        const c1: Point =
          command.toUpperCase() === 'C'
            ? point(relative)
            : handle
              ? [2 * at[0] - handle[0], 2 * at[1] - handle[1]]
              : at;
        const c2 = point(relative);
        at = point(relative);
        segments.push({ kind: 'curve', c1, c2, to: at });
        nextHandle = c2;
        break;
      }
      case 'Q': {
        const q = point(relative);
        const from = at;
        at = point(relative);
        segments.push({
          kind: 'curve',
          c1: [from[0] + (2 / 3) * (q[0] - from[0]), from[1] + (2 / 3) * (q[1] - from[1])],
          c2: [at[0] + (2 / 3) * (q[0] - at[0]), at[1] + (2 / 3) * (q[1] - at[1])],
          to: at,
        });
        break;
      }
      case 'Z':
        finish();
        at = start;
        break;
      default:
        throw new SyntaxError(`path data: "${command}" is not understood`);
    }
    handle = nextHandle;
  }
  finish();
  return contours;
}
