/** Short movements made from a scene's own structure: which parts move, when and how. Writers and pictures follow from that. */
import type { Box, Contour, Point } from '../path';
import { boxOfShape, type Scene, type SceneLayer, type SceneShape } from '../scene';
import { unionOf } from '../vector';

/** A value at a time, 0..1 of the whole; `ease` says how it goes on to the next. */
export interface Key<V> {
  readonly at: number;
  readonly value: V;
  readonly ease?: Ease;
}

/** The two handles of a curve from 0, 0 to 1, 1: time across, progress up (CSS Easing Functions, cubic-bezier). */
export type Ease = readonly [number, number, number, number];

export const EASES: Readonly<Record<EaseName, Ease>> = {
  even: [0, 0, 1, 1],
  soft: [0.45, 0, 0.2, 1],
  lively: [0.3, 0, 0.15, 1.25],
};
export const EASE_NAMES = ['soft', 'even', 'lively'] as const;
export type EaseName = (typeof EASE_NAMES)[number];

/** Shapes that move together, or whose outlines are drawn. */
export interface MovingPart {
  readonly name: string;
  readonly shapes: readonly SceneShape[];
  /** About this point it is turned and scaled. */
  readonly anchor: Point;
  readonly opacity?: readonly Key<number>[];
  readonly move?: readonly Key<Point>[];
  readonly scale?: readonly Key<Point>[];
  /** Clockwise, in degrees. */
  readonly turn?: readonly Key<number>[];
  /** How much of each outline is there, 0..1; its shapes are lines then. */
  readonly drawn?: readonly Key<number>[];
}

export interface Motion {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly seconds: number;
  readonly loop: boolean;
  /** From the bottom to the top. */
  readonly parts: readonly MovingPart[];
}

export const MOTION_KINDS = ['drawn', 'assembled', 'unfolded', 'turned', 'floated', 'blinked'] as const;
export type MotionKind = (typeof MOTION_KINDS)[number];

export const MOTION_WORDS: Readonly<Record<MotionKind, string>> = {
  drawn: 'drawn on, its outlines first',
  assembled: 'assembled piece by piece',
  unfolded: 'unfolded from its axis',
  turned: 'turned once',
  floated: 'floating up and down',
  blinked: 'its eyes blink',
};

export interface MotionAsk {
  readonly kind: MotionKind;
  /** 0.2 to 20. */
  readonly seconds: number;
  readonly ease: EaseName;
  readonly loop: boolean;
  /** What comes first: what lies lowest, or what is nearest to the middle. */
  readonly order: 'stacking' | 'distance';
}

/** What each kind is best begun with. */
export const motionAsk = (kind: MotionKind): MotionAsk => ({
  kind,
  seconds: kind === 'floated' ? 3 : kind === 'blinked' ? 2.4 : 1.8,
  ease: 'soft',
  loop: kind === 'floated' || kind === 'blinked',
  order: 'distance',
});

/** By then what comes on is there: the rest of the time it stands. */
const STANDS_FROM = 0.94;
/** Each part takes this share of the time to come. */
const COMING = 0.5;
/** The width of outlines that are drawn, of the longer side. */
const OUTLINE_SHARE = 0.008;

const boxOfShapes = (shapes: readonly SceneShape[]): Box => unionOf(shapes.map(boxOfShape))!;
const middleOf = ({ x, y, width, height }: Box): Point => [x + width / 2, y + height / 2];
const within = (a: Box, b: Box): boolean =>
  a.x >= b.x - 0.5 && a.y >= b.y - 0.5 && a.x + a.width <= b.x + b.width + 0.5 && a.y + a.height <= b.y + b.height + 0.5; // prettier-ignore

/** Shapes that must stay together: those of one layer that is drawn apart, else each node by itself. */
function pieces(scene: Scene): (readonly SceneShape[])[] {
  const out: SceneShape[][] = [];
  let last: { node: string; layer: SceneLayer | undefined } | null = null;
  for (const shape of scene.shapes) {
    const apart = shape.layers.find((l) => l.opacity < 1 || l.clip || l.mask || l.effects.length);
    if (last && (apart ? last.layer === apart : !last.layer && last.node === shape.nodeId)) out[out.length - 1].push(shape);
    else out.push([shape]);
    last = { node: shape.nodeId, layer: apart };
  } // prettier-ignore
  return out;
}

/** When each of some parts begins, 0..1 of what there is of time for it. */
function turns(parts: readonly (readonly SceneShape[])[], order: MotionAsk['order'], middle: Point): number[] {
  const far = parts.map((shapes, k) => {
    const [x, y] = middleOf(boxOfShapes(shapes));
    return order === 'stacking' ? k : Math.hypot(x - middle[0], y - middle[1]);
  });
  const sorted = far.map((_, k) => k).sort((a, b) => far[a] - far[b] || a - b);
  const out: number[] = [];
  sorted.forEach((k, n) => (out[k] = parts.length < 2 ? 0 : n / (parts.length - 1)));
  return out;
}

/** An outline that ends where it began, without being closed: its beginning is where it is drawn from, for whoever draws it. */
function opened({ start, segments, open }: Contour): Contour {
  const end = segments[segments.length - 1]?.to ?? start;
  const closed = open || (end[0] === start[0] && end[1] === start[1]);
  return { start, segments: closed ? segments : [...segments, { kind: 'line', to: start }], open: true };
}

/** Each contour as a shape of its own: all are drawn at once. */
const single = (shape: SceneShape): SceneShape[] => shape.contours.map((c) => ({ ...shape, contours: [c] }));

/** A shape's outlines as thin lines. */
function outlines(shape: SceneShape, widthPx: number): SceneShape {
  const { gradient: _gradient, ...paint } = shape.paint;
  return {
    ...shape,
    contours: shape.contours.map(opened),
    rule: 'nonzero',
    paint,
    layers: [],
    opacity: 1,
    line: { widthPx, cap: 'butt', join: 'round', mitreLimit: 4 },
  };
}

/** Eyes: pairs of small shapes of one ink and size, beside each other at one height, with what lies within them; none where there are none. */
export function eyesOf(scene: Scene): number[][] {
  const boxes = scene.shapes.map(boxOfShape);
  if (!boxes.length) return [];
  const whole = boxOfShapes(scene.shapes);
  const small = boxes.map((b) => Math.max(b.width, b.height) < 0.3 * Math.max(whole.width, whole.height) && Math.min(b.width, b.height) > 0); // prettier-ignore
  let best: { pair: [number, number]; score: number } | null = null;
  for (let a = 0; a < boxes.length; a++)
    for (let b = a + 1; b < boxes.length; b++) {
      if (!small[a] || !small[b] || scene.shapes[a].paint.hex !== scene.shapes[b].paint.hex) continue;
      const [p, q] = [boxes[a], boxes[b]];
      const side = Math.max(p.width, p.height);
      const alike = Math.abs(p.width - q.width) + Math.abs(p.height - q.height) < 0.15 * side;
      const level = Math.abs(middleOf(p)[1] - middleOf(q)[1]) < 0.25 * side;
      const gap = Math.abs(middleOf(p)[0] - middleOf(q)[0]);
      const round = Math.min(p.width, p.height) / side;
      if (!alike || !level || gap < 1.1 * p.width || gap > 9 * side || round < 0.35) continue;
      const centred = Math.abs((middleOf(p)[0] + middleOf(q)[0]) / 2 - middleOf(whole)[0]) / whole.width;
      const high = (middleOf(p)[1] - whole.y) / whole.height;
      if (centred > 0.25 || high > 0.75) continue;
      const score = side * round * (1 - centred);
      if (!best || score > best.score) best = { pair: [a, b], score };
    }
  if (!best) return [];
  return best.pair.map((k) => boxes.flatMap((b, j) => (j === k || (j > k && within(b, boxes[k])) ? [j] : [])));
}

/** The kinds that a scene can have: none without shapes; a blink only of what has eyes. */
export const motionsOf = (scene: Scene): MotionKind[] =>
  scene.shapes.length ? MOTION_KINDS.filter((kind) => kind !== 'blinked' || eyesOf(scene).length === 2) : [];

/** A scene's movement. Throws a RangeError for times that are none, or a blink without eyes. */
export function motionOf(scene: Scene, ask: MotionAsk): Motion {
  const { kind, seconds, loop, order } = ask;
  if (!(seconds >= 0.2 && seconds <= 20)) throw new RangeError('A movement takes 0.2 to 20 seconds');
  const ease = EASES[ask.ease];
  const common = { widthPx: scene.widthPx, heightPx: scene.heightPx, seconds, loop };
  if (!scene.shapes.length) return { ...common, parts: [] };
  const parts = pieces(scene);
  const whole = boxOfShapes(scene.shapes);
  const middle = middleOf(whole);
  const longer = Math.max(whole.width, whole.height);
  const starts = turns(parts, order, middle).map((t) => t * (STANDS_FROM - COMING));
  const between = <V>(k: number, from: V, to: V, share = 1): Key<V>[] => [
    { at: starts[k], value: from, ease },
    { at: starts[k] + COMING * share, value: to },
  ];
  const named = (k: number): string => `part-${k + 1}`;
  const all = (more: Omit<MovingPart, 'name' | 'shapes' | 'anchor'>, anchor = middle): Motion => ({ ...common, parts: [{ name: 'part-1', shapes: scene.shapes, anchor, ...more }] }); // prettier-ignore
  switch (kind) {
    case 'turned':
      return all({ turn: [{ at: 0, value: 0, ease }, { at: STANDS_FROM, value: 360 }] }); // prettier-ignore
    case 'floated': {
      const by = 0.025 * Math.max(scene.heightPx, scene.widthPx);
      const soft: Ease = [0.37, 0, 0.63, 1];
      const places: readonly [number, number][] = [[0, 0], [0.25, -by], [0.75, by], [1, 0]]; // prettier-ignore
      return all({ move: places.map(([at, y]) => ({ at, value: [0, y] as Point, ease: soft })) });
    }
    case 'unfolded':
      return {
        ...common,
        parts: parts.map((shapes, k) => ({
          name: named(k),
          shapes,
          anchor: [middle[0], middleOf(boxOfShapes(shapes))[1]] as Point,
          scale: between<Point>(k, [0.001, 1], [1, 1]),
          opacity: between(k, 0, 1, 0.04),
        })),
      };
    case 'assembled':
      return {
        ...common,
        parts: parts.map((shapes, k) => {
          const own = middleOf(boxOfShapes(shapes));
          const [dx, dy] = [own[0] - middle[0], own[1] - middle[1]];
          const far = Math.hypot(dx, dy);
          const out: Point = far < longer / 100 ? [0, -0.12 * longer] : [(dx / far) * 0.16 * longer, (dy / far) * 0.16 * longer]; // prettier-ignore
          return {
            name: named(k),
            shapes,
            anchor: own,
            move: between<Point>(k, out, [0, 0]),
            scale: between<Point>(k, [0.82, 0.82], [1, 1]),
            opacity: between(k, 0, 1, 0.5),
          };
        }),
      };
    case 'drawn': {
      const width = OUTLINE_SHARE * Math.max(scene.widthPx, scene.heightPx);
      return {
        ...common,
        parts: parts.flatMap((shapes, k): MovingPart[] => {
          const anchor = middleOf(boxOfShapes(shapes));
          const isLine = shapes.every((s) => s.line && !s.paint.gradient && s.opacity === 1 && !s.layers.length && !s.line.dash && s.contours.every((c) => c.open)); // prettier-ignore
          if (isLine) {
            // A line is drawn as it is, and stays; before it begins its caps are not there.
            const drawn = between(k, 0, 1);
            const there: Key<number>[] = [{ at: starts[k], value: 0 }, { at: starts[k] + 0.002, value: 1 }]; // prettier-ignore
            return [{ name: `outline-${k + 1}`, shapes: shapes.flatMap(single), anchor, drawn, opacity: there }]; // prettier-ignore
          }
          // Of an area its outline, before it fills.
          const lines = shapes.flatMap((s) => single(outlines(s, s.line?.widthPx ?? width)));
          const filled = starts[k] + 0.62 * COMING;
          const there = starts[k] + COMING;
          const drawn: Key<number>[] = [{ at: starts[k], value: 0, ease }, { at: filled, value: 1 }]; // prettier-ignore
          const gone: Key<number>[] = [{ at: filled, value: 1, ease }, { at: there, value: 0 }]; // prettier-ignore
          return [
            { name: `outline-${k + 1}`, shapes: lines, anchor, drawn, opacity: gone },
            { name: named(k), shapes, anchor, opacity: [{ at: filled, value: 0, ease }, { at: there, value: 1 }] },
          ]; // prettier-ignore
        }),
      };
    }
    case 'blinked': {
      const eyes = eyesOf(scene);
      if (eyes.length !== 2) throw new RangeError('It has no two eyes that could blink');
      const lids: Key<Point>[] = [[0, 1], [0.6, 1], [0.65, 0.06], [0.7, 1], [0.76, 1], [0.81, 0.06], [0.87, 1]].map(([at, y]) => ({ at, value: [1, y] as Point, ease: EASES.soft })); // prettier-ignore
      const out: MovingPart[] = [];
      let still: SceneShape[] = [];
      const flush = (): void => {
        if (still.length) out.push({ name: `part-${out.length + 1}`, shapes: still, anchor: middle });
        still = [];
      };
      scene.shapes.forEach((shape, k) => {
        const eye = eyes.find((e) => e.includes(k));
        if (!eye) return still.push(shape);
        flush();
        const last = out[out.length - 1];
        const name = `eye-${eye[0]}`;
        if (last?.name === name) out[out.length - 1] = { ...last, shapes: [...last.shapes, shape] };
        else {
          const again = out.filter((p) => p.name.startsWith(name)).length;
          out.push({ name: again ? `${name}-${again + 1}` : name, shapes: [shape], anchor: middleOf(boxOfShape(scene.shapes[eye[0]])), scale: lids });
        } // prettier-ignore
      });
      flush();
      return { ...common, parts: out };
    }
  }
}
