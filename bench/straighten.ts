/**
 * Straightening and symmetry, measured on drawings made inexact by half a pixel on purpose: what was level, upright, at 45 degrees, of one radius, or alike on both sides, and
 * is so again. `npx tsx bench/straighten.ts [--drawings 60] [--seed N]`.
 */
import { parseArgs } from 'node:util';
import { randomFrom } from '../core/random';
import { Lines, madeSymmetrical, polylineOf, straightened, strayOf, symmetriesOf } from '../core/exact';
import {
  circleOfArcs,
  mapContour,
  mirrorIn,
  rectangleOfArcs,
  turnAbout,
  type Affine,
  type Contour,
  type Point,
  type Segment,
} from '../core/path';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: { drawings: { type: 'string', default: '60' }, seed: { type: 'string', default: '5' } },
});
const random = randomFrom(Number(values.seed));
const between = (a: number, b: number): number => a + (b - a) * random();
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
const WITHIN_PX = 0.6;

const polygon = (...points: Point[]): Contour => ({
  start: points[0],
  segments: [...points.slice(1), points[0]].map((to) => ({ kind: 'line', to })),
});
const placed = (c: Contour, x: number, y: number, turnRad = 0): Contour => {
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  return mapContour([cos, sin, -sin, cos, x, y] as Affine, c);
};

/** Figures out of lines and arcs such as marks are built of. */
const FIGURES: readonly (() => Contour)[] = [
  () => rectangleOfArcs(0, 0, between(40, 120), between(40, 120)),
  () => rectangleOfArcs(0, 0, between(60, 120), between(60, 120), pick([8, 12, 16])),
  () => {
    // A pill.
    const [w, r] = [between(40, 90), pick([12, 16])];
    return {
      start: [0, 0],
      segments: [
        { kind: 'line', to: [w, 0] },
        { kind: 'arc', radius: r, large: false, clockwise: true, to: [w, 2 * r] },
        { kind: 'line', to: [0, 2 * r] },
        { kind: 'arc', radius: r, large: false, clockwise: true, to: [0, 0] },
      ],
    };
  },
  () => circleOfArcs(20, 20, pick([16, 20])),
  () => {
    // An arrow.
    const [s, l] = [between(30, 50), between(40, 80)];
    return polygon([0, s], [s, 0], [2 * s, s], [1.5 * s, s], [1.5 * s, s + l], [0.5 * s, s + l], [0.5 * s, s]);
  },
  () => {
    // A square with a corner cut off at 45 degrees.
    const [s, q] = [between(60, 100), between(15, 30)];
    return polygon([q, 0], [s, 0], [s, s], [0, s], [0, q]);
  },
  () => {
    // A cross.
    const [a, b] = [between(20, 30), between(20, 40)];
    return polygon(
      [a, 0],
      [a + b, 0],
      [a + b, a],
      [2 * a + b, a],
      [2 * a + b, a + b],
      [a + b, a + b],
      [a + b, 2 * a + b],
      [a, 2 * a + b],
      [a, a + b],
      [0, a + b],
      [0, a],
      [a, a],
    );
  },
  () => {
    // A quarter of a ring.
    const [r, w] = [pick([40, 60]), between(15, 25)];
    return {
      start: [0, r],
      segments: [
        { kind: 'arc', radius: r, large: false, clockwise: true, to: [r, 0] },
        { kind: 'line', to: [r, w] },
        { kind: 'arc', radius: r - w, large: false, clockwise: false, to: [w, r] },
        { kind: 'line', to: [0, r] },
      ],
    };
  },
];

const jitter =
  (by: number) =>
  ([x, y]: Point): Point => [x + between(-by, by), y + between(-by, by)];

const rise = (radius: number, p: Point, q: Point): number => {
  const chord = Math.hypot(q[0] - p[0], q[1] - p[1]);
  const r = Math.max(radius, chord / 2);
  return r - Math.sqrt(r * r - (chord * chord) / 4);
};

/** Its points moved by up to half a pixel, handles and radii as well, so that no arc comes to lie further off than that in its middle. */
function inexact({ start, segments }: Contour): Contour {
  const moved = jitter(0.5);
  const first = moved(start);
  let [from, is] = [start, first];
  return {
    start: first,
    segments: segments.map((s, k): Segment => {
      const to = k === segments.length - 1 ? first : moved(s.to);
      const [p, q] = [from, is];
      [from, is] = [s.to, to];
      if (s.kind === 'line') return { kind: 'line', to };
      if (s.kind === 'curve') return { ...s, c1: moved(s.c1), c2: moved(s.c2), to };
      // Where no radius does, the one that rises as before.
      const h = rise(s.radius, p, s.to);
      let radius = (Math.hypot(to[0] - q[0], to[1] - q[1]) ** 2 / 4 + h * h) / (2 * h);
      for (let tries = 0; tries < 60; tries++) {
        const other = s.radius + between(-0.5, 0.5);
        if (Math.abs(rise(other, q, to) - h) > 0.5) continue;
        radius = other;
        break;
      }
      return { ...s, radius, to };
    }),
  };
}

/** A circle keeps its two halves, and has another middle and radius. */
const inexactCircle = (c: Contour): Contour => {
  const [x, y] = [(c.start[0] + c.segments[0].to[0]) / 2, (c.start[1] + c.segments[0].to[1]) / 2];
  const by = jitter(0.35);
  const r = Math.hypot(c.start[0] - x, c.start[1] - y) + between(-0.35, 0.35);
  return circleOfArcs(...by([x, y]), r);
};

let [lines, right, sameRadii, radiiRight, strayed] = [0, 0, 0, 0, 0];
const strays: number[] = [];
const times: number[] = [];
for (let d = 0; d < Number(values.drawings); d++) {
  const whole: Contour[] = [];
  for (let k = 0; k < 6; k++) whole.push(placed(pick(FIGURES)(), 20 + 160 * (k % 3), 20 + 200 * Math.floor(k / 3)));
  const drawn = whole.map((c) => (c.segments.length === 2 ? inexactCircle(c) : inexact(c)));
  const started = performance.now();
  const { contours } = straightened(drawn, WITHIN_PX);
  times.push(performance.now() - started);
  const groups = new Map<string, number[]>();
  whole.forEach((c, k) => {
    let [from, is] = [c.start, contours[k].start];
    c.segments.forEach((s, m) => {
      const now = contours[k].segments[m];
      const [dx, dy] = [s.to[0] - from[0], s.to[1] - from[1]];
      const [ex, ey] = [now.to[0] - is[0], now.to[1] - is[1]];
      if (s.kind === 'line') {
        const off =
          Math.abs(dy) < 1e-9
            ? ey
            : Math.abs(dx) < 1e-9
              ? ex
              : Math.abs(Math.abs(dx) - Math.abs(dy)) < 1e-6
                ? Math.abs(ex) - Math.abs(ey)
                : null;
        if (off !== null) {
          lines++;
          if (Math.abs(off) <= 0.05) right++;
        }
      }
      if (s.kind === 'arc' && now.kind === 'arc') {
        const key = s.radius.toFixed(3);
        groups.set(key, [...(groups.get(key) ?? []), Math.max(now.radius, Math.hypot(ex, ey) / 2)]);
      }
      [from, is] = [s.to, now.to];
    });
  });
  for (const list of groups.values()) {
    if (list.length < 2) continue;
    const middle = [...list].sort((p, q) => p - q)[list.length >> 1];
    sameRadii += list.length;
    radiiRight += list.filter((r) => Math.abs(r - middle) <= 0.05).length;
  }
  const [a, b] = [contours, drawn].map((list) => list.map((c) => polylineOf(c, 0.005)));
  const stray = Math.max(strayOf(a, new Lines(b), 0.5), strayOf(b, new Lines(a), 0.5));
  strays.push(stray);
  if (stray > 0.6) strayed++;
}
const share = (n: number, of: number) => `${n} of ${of} (${((100 * n) / of).toFixed(1)}%)`;
console.log(
  `straightened: lines ${share(right, lines)}, radii ${share(radiiRight, sameRadii)} again within 0.05 px; strays ${Math.max(...strays).toFixed(2)} px at most, over 0.6 in ${strayed} of ${strays.length} drawings; ${Math.max(...times).toFixed(0)} ms at most`,
);

/** A figure whose halves are alike about x = 256: an outline across the axis, and others beside it in pairs. */
function symmetrical(): Contour[] {
  const mirror = ([x, y]: Point): Point => [512 - x, y];
  const count = 4 + Math.floor(5 * random());
  const ys = Array.from({ length: count }, (_, k) => 60 + (380 * k) / (count - 1));
  const half: Point[] = ys.map((y, k): Point => [k === 0 || k === count - 1 ? 256 : 256 + between(60, 170), y]);
  const bend = (p: Point, q: Point): Point => [
    (p[0] + q[0]) / 2 + between(-20, 20),
    (p[1] + q[1]) / 2 + between(-20, 20),
  ];
  const down = half.slice(1).map((to, k): Segment => {
    const from = half[k];
    return random() < 0.5
      ? { kind: 'line', to }
      : random() < 0.5
        ? { kind: 'curve', c1: bend(from, to), c2: bend(from, to), to }
        : {
            kind: 'arc',
            radius: Math.hypot(to[0] - from[0], to[1] - from[1]) * between(0.6, 1.2),
            large: false,
            clockwise: random() < 0.5,
            to,
          };
  });
  const up = [...down].reverse().map((s, k): Segment => {
    const to = mirror(half[count - 2 - k]);
    return s.kind === 'curve' ? { kind: 'curve', c1: mirror(s.c2), c2: mirror(s.c1), to } : { ...s, to };
  });
  const out: Contour[] = [{ start: half[0], segments: [...down, ...up] }];
  const r = between(8, 20);
  const [x, y] = [between(30, 50), between(150, 350)];
  out.push(circleOfArcs(256 - x, y, r), circleOfArcs(256 + x, y, r), circleOfArcs(256, 480, between(8, 16)));
  return out;
}

let [places, alike, notFound, far] = [0, 0, 0, 0];
const apart: number[] = [];
const offTrue: number[] = [];
for (let d = 0; d < Number(values.drawings); d++) {
  const turn = pick([0, 0, 0, Math.PI / 2, between(0.2, 1.3)]);
  const about = (c: Contour): Contour => {
    return mapContour(turnAbout([256, 256], turn), c);
  };
  const drawn = symmetrical()
    .map(about)
    .map((c) => (c.segments.length === 2 ? inexactCircle(c) : inexact(c)));
  const likes = { contours: drawn, like: () => 0 };
  const [best] = symmetriesOf(likes, 2, [256, 256]);
  if (best?.kind !== 'mirror') {
    notFound++;
    continue;
  }
  const contours = madeSymmetrical(likes, best, 2);
  const lines = contours.map((c) => polylineOf(c, 0.002));
  const map = mirrorIn(best.through, best.angleDeg);
  const images = contours.map((c) => polylineOf(mapContour(map, c), 0.002));
  const all = new Lines(lines);
  for (const line of images)
    for (let i = 0; i < line.length; i += 2) {
      places++;
      if (all.distance([line[i], line[i + 1]]) <= 0.05) alike++;
    }
  const truth = mirrorIn([256, 256], 90 + (turn * 180) / Math.PI);
  const trueImages = contours.map((c) => polylineOf(mapContour(truth, c), 0.002));
  offTrue.push(strayOf(trueImages, all, 1));
  const was = drawn.map((c) => polylineOf(c, 0.002));
  const stray = Math.max(strayOf(lines, new Lines(was), 0.5), strayOf(was, all, 0.5));
  apart.push(stray);
  if (stray > 0.6) far++;
}
console.log(
  `symmetry: found in ${apart.length} of ${apart.length + notFound}, places ${share(alike, places)} again within 0.05 px of their image, about the axis drawn within ${quantile(offTrue, 0.5).toFixed(3)} px at the median; strays ${Math.max(...apart).toFixed(2)} px at most, over 0.6 in ${far}`,
);
