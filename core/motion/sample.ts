import { compose, flatten, mapContour, scaleAbout, similarity, turnAbout, type Affine, type Contour } from '../path';
import { mapGradient } from '../vector';
import type { Scene, SceneLayer, SceneShape } from '../scene';
import type { Ease, Key, Motion, MovingPart } from './motion';

/** How far a movement is at a share of its time (CSS Easing Functions: the curve's height where its time is t). */
export function eased([x1, y1, x2, y2]: Ease, t: number): number {
  if (t <= 0) return 0;
  if (t >= 1) return 1;
  const at = (a: number, b: number, u: number): number => 3 * a * u * (1 - u) ** 2 + 3 * b * u * u * (1 - u) + u ** 3;
  let [low, high] = [0, 1];
  for (let k = 0; k < 40; k++) {
    const u = (low + high) / 2;
    if (at(x1, x2, u) < t) low = u;
    else high = u;
  }
  return at(y1, y2, (low + high) / 2);
}

/** A track's value at a time: of one number, or of several. */
export function valueAt<V extends number | readonly number[]>(keys: readonly Key<V>[], at: number): V {
  const last = keys[keys.length - 1];
  if (at <= keys[0].at) return keys[0].value;
  if (at >= last.at) return last.value;
  let k = 1;
  while (keys[k].at < at) k++;
  const [p, q] = [keys[k - 1], keys[k]];
  const t = eased(p.ease ?? [0, 0, 1, 1], (at - p.at) / (q.at - p.at || 1));
  const [a, b] = [p.value, q.value];
  return (
    typeof a === 'number' ? a + t * ((b as number) - a) : a.map((v, c) => v + t * ((b as readonly number[])[c] - v))
  ) as V;
}

/** Where a part stands at a time. */
export function mapAt({ anchor, move, scale, turn }: MovingPart, at: number): Affine {
  const [sx, sy] = scale ? valueAt(scale, at) : [1, 1];
  const turned = turnAbout(anchor, ((turn ? valueAt(turn, at) : 0) * Math.PI) / 180);
  const [dx, dy] = move ? valueAt(move, at) : [0, 0];
  return compose(compose(scaleAbout(anchor, sx, sy), turned), [1, 0, 0, 1, dx, dy]);
}

/** How long an outline is, in px, near enough for a share of it. */
function lengthOf(contour: Contour): number {
  const run = flatten(contour, 0.02);
  let sum = 0;
  for (let i = 2; i + 1 < run.length; i += 2) sum += Math.hypot(run[i] - run[i - 2], run[i + 1] - run[i - 1]);
  return sum;
}

/** A movement at a time, 0..1, as a scene. */
export function sceneAt({ widthPx, heightPx, parts }: Motion, at: number): Scene {
  const shapes = parts.flatMap((part): SceneShape[] => {
    const opacity = part.opacity ? valueAt(part.opacity, at) : 1;
    const drawn = part.drawn ? valueAt(part.drawn, at) : 1;
    if (opacity <= 0 || drawn <= 0) return [];
    const map = mapAt(part, at);
    // What fades together fades as one.
    const fading: SceneLayer[] = opacity < 1 ? [{ nodeId: part.name, opacity, effects: [], clip: null, mask: null }] : []; // prettier-ignore
    const scale = similarity(map)?.scale ?? Math.sqrt(Math.abs(map[0] * map[3] - map[1] * map[2]));
    return part.shapes.flatMap((shape): SceneShape[] => {
      const { paint, line, layers } = shape;
      const moved: SceneShape = {
        ...shape,
        contours: shape.contours.map((c) => mapContour(map, c)),
        paint: paint.gradient ? { ...paint, gradient: mapGradient(map, paint.gradient) } : paint,
        layers: [...fading, ...layers].map((l) => ({ ...l, clip: l.clip && l.clip.map((c) => ({ ...c, contours: c.contours.map((o) => mapContour(map, o)) })) })), // prettier-ignore
        ...(line ? { line: { ...line, widthPx: line.widthPx * scale } } : {}),
      };
      if (drawn >= 1 || !line) return [moved];
      return moved.contours.map((contour) => {
        const whole = lengthOf(contour);
        return { ...moved, contours: [contour], line: { ...moved.line!, dash: [drawn * whole, 2 * whole + 1] } };
      });
    });
  });
  return { widthPx, heightPx, shapes };
}
