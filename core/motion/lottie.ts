import { hexToRgb } from '../colour';
import { pageGradient } from '../export';
import { arcToCurves, inverse, mapContour, type Affine, type Contour, type Point } from '../path';
import type { SceneLayer, SceneShape } from '../scene';
import type { Key, Motion, MovingPart } from './motion';

/** Frames in a second: what keys are counted in, which may fall between them. */
export const FRAMES_A_SECOND = 30;

const r3 = (v: number): number => Math.round(1000 * v) / 1000;
const still = (value: number | readonly number[]) => ({
  a: 0,
  k: typeof value === 'number' ? r3(value) : value.map(r3),
});

/** A track as a property: a value alone, or keys with the handles of their curves. */
function property<V>(keys: readonly Key<V>[] | undefined, whole: V, frames: number, told: (v: V) => readonly number[]) {
  if (!keys) return still(told(whole).length === 1 ? told(whole)[0] : told(whole));
  return {
    a: 1,
    k: keys.map(({ at, value, ease = [0, 0, 1, 1] }, k) => ({
      t: r3(at * frames),
      s: told(value).map(r3),
      ...(k + 1 < keys.length ? { o: { x: [ease[0]], y: [ease[1]] }, i: { x: [ease[2]], y: [ease[3]] } } : {}),
    })),
  };
}

/** An outline as a path: its points, and its handles from them. */
function pathOf({ start, segments, open }: Contour) {
  const v: number[][] = [start.map(r3)];
  const i: number[][] = [[0, 0]];
  const o: number[][] = [];
  let from = start;
  const off = (p: Point, q: Point): number[] => [r3(p[0] - q[0]), r3(p[1] - q[1])];
  for (const segment of segments)
    for (const s of segment.kind === 'arc' ? arcToCurves(from, segment) : [segment]) {
      o.push(s.kind === 'curve' ? off(s.c1, from) : [0, 0]);
      i.push(s.kind === 'curve' ? off(s.c2, s.to) : [0, 0]);
      v.push(s.to.map(r3));
      from = s.to;
    }
  o.push([0, 0]);
  const last = v.length - 1;
  // A closed path's last point is its first.
  if (!open && last > 0 && Math.hypot(v[last][0] - v[0][0], v[last][1] - v[0][1]) < 0.002) {
    i[0] = i[last];
    v.pop();
    i.pop();
    o.pop();
  }
  return { ty: 'sh', ks: { a: 0, k: { c: !open, v, i, o } } };
}

const PLAIN = { ty: 'tr', p: still([0, 0]), a: still([0, 0]), s: still([100, 100]), r: still(0), o: still(100), sk: still(0), sa: still(0) }; // prettier-ignore

/** An affine map without slant as turning and scaling; null with one. */
function plainMap([a, b, c, d, e, f]: Affine) {
  const [sx, sy] = [Math.hypot(a, b), Math.hypot(c, d)];
  if (!sx || !sy || Math.abs(a * c + b * d) > 1e-4 * sx * sy) return null;
  const flips = a * d - b * c < 0 ? -1 : 1;
  return { ...PLAIN, p: still([e, f]), s: { a: 0, k: [100 * sx, 100 * sy * flips] }, r: still((Math.atan2(b, a) * 180) / Math.PI) }; // prettier-ignore
}

/** A map with a slant as turning, scaling and turning again (its singular values), which any player has; null where it flattens all. */
function slantedMaps([a, b, c, d, e, f]: Affine) {
  const [p, q, g, h] = [(a + d) / 2, (a - d) / 2, (b + c) / 2, (b - c) / 2];
  const [large, small] = [Math.hypot(p, h) + Math.hypot(q, g), Math.hypot(p, h) - Math.hypot(q, g)];
  if (!small) return null;
  const [sum, difference] = [Math.atan2(h, p), Math.atan2(g, q)];
  const degrees = (radians: number) => still((radians * 180) / Math.PI);
  const first = { ...PLAIN, r: degrees((sum - difference) / 2) };
  const then = { ...PLAIN, p: still([e, f]), s: { a: 0, k: [100 * large, 100 * small] }, r: degrees((sum + difference) / 2) }; // prettier-ignore
  return [first, then] as const;
}

const colour = (hex: string) => ({ a: 0, k: [...hexToRgb(hex).map((v) => r3(v / 255)), 1] });

/** A shape as a group of paths with what they are filled or drawn with. */
function groupOf(shape: SceneShape, part: MovingPart, motion: Motion, frames: number) {
  const { contours, rule, paint, opacity, line, layers, name } = shape;
  const faint = still(100 * layers.reduce((all, l) => all * l.opacity, opacity));
  const trim = part.drawn ? [{ ty: 'tm', s: still(0), e: property(part.drawn, 1, frames, (v) => [100 * v]), o: still(0), m: 1 }] : []; // prettier-ignore
  let drawn = contours;
  /** From within, where the gradient is straight, to the scene. */
  let maps: readonly (typeof PLAIN)[] = [];
  const gradient = (() => {
    if (!paint.gradient) return null;
    const { transform } = paint.gradient;
    const { kind, coords, stops, isOpaque } = pageGradient(paint.gradient, [0, 0, motion.widthPx, motion.heightPx]);
    const back = transform && inverse(transform);
    const plain = transform && plainMap(transform);
    maps = plain ? [plain] : ((transform && slantedMaps(transform)) ?? []);
    if (maps.length && back) drawn = contours.map((c) => mapContour(back, c));
    const colours = stops.flatMap((s) => [r3(s.at), ...hexToRgb(s.hex).map((v) => r3(v / 255))]);
    const sheer = isOpaque ? [] : stops.flatMap((s) => [r3(s.at), r3(s.opacity)]);
    const [from, to] = kind === 'linear' ? [coords.slice(0, 2), coords.slice(2)] : [coords.slice(3, 5), [coords[3] + coords[5], coords[4]]]; // prettier-ignore
    const focus = kind === 'radial' ? [coords[0] - coords[3], coords[1] - coords[4]] : [0, 0];
    return {
      t: kind === 'linear' ? 1 : 2,
      s: still(from),
      e: still(to),
      g: { p: stops.length, k: { a: 0, k: [...colours, ...sheer] } },
      ...(kind === 'radial'
        ? { h: still((100 * Math.hypot(focus[0], focus[1])) / coords[5]), a: still((Math.atan2(focus[1], focus[0]) * 180) / Math.PI) } // prettier-ignore
        : {}),
    };
  })();
  const paths = drawn.map(pathOf);
  const laid = line
    ? {
        ty: gradient ? 'gs' : 'st',
        ...(gradient ?? { c: colour(paint.hex) }),
        o: faint,
        w: still(line.widthPx),
        lc: { butt: 1, round: 2, square: 3 }[line.cap],
        lj: { mitre: 1, round: 2, bevel: 3 }[line.join],
        ml: line.mitreLimit,
        ...(line.dash?.length
          ? { d: [...line.dash.map((v, k) => ({ n: k % 2 ? 'g' : 'd', nm: k % 2 ? 'gap' : 'dash', v: still(v) })), { n: 'o', nm: 'offset', v: still(line.dashOffset ?? 0) }] } // prettier-ignore
          : {}),
      }
    : {
        ty: gradient ? 'gf' : 'fl',
        ...(gradient ?? { c: colour(paint.hex) }),
        o: faint,
        r: rule === 'evenodd' ? 2 : 1,
      };
  const group = (items: readonly object[]): object => ({ ty: 'gr', nm: name ?? paint.name, it: items });
  const [first = PLAIN, ...then] = maps;
  return then.reduce<object>((inner, map) => group([inner, map]), group([...paths, ...trim, laid, first]));
}

/** The layer by which a shape is clipped or masked; the format knows one of each. */
const cutBy = ({ layers }: SceneShape): { clip: SceneLayer['clip']; mask: SceneLayer['mask'] } => ({
  clip: layers.find((l) => l.clip)?.clip ?? null,
  mask: layers.find((l) => l.mask)?.mask ?? null,
});

/** What covers some outlines by a rule, whatever it is filled with. */
const covering = (like: SceneShape, contours: readonly Contour[], rule: SceneShape['rule']): SceneShape => ({
  nodeId: like.nodeId,
  contours,
  rule,
  paint: { inkId: like.paint.inkId, name: 'clip', hex: '#FFFFFF' },
  opacity: 1,
  layers: [],
});

/** A part as parts whose shapes are clipped and masked alike, each of shapes that follow one another. */
function cutAlike(part: MovingPart): MovingPart[] {
  const out: SceneShape[][] = [];
  for (const shape of part.shapes) {
    const last = out[out.length - 1];
    const [own, before] = [cutBy(shape), last && cutBy(last[0])];
    if (before && own.clip === before.clip && own.mask === before.mask) last.push(shape);
    else out.push([shape]);
  }
  return out.map((shapes) => ({ ...part, shapes }));
}

/** What of a movement this format cannot have, in words: soft effects, which it is written without. */
export function leftOutOfLottie({ parts }: Motion): string[] {
  const layers = parts.flatMap((p) => p.shapes.flatMap((s) => s.layers));
  return layers.some((l) => l.effects.length) ? ['soft shadows and blur'] : [];
}

/** A movement as JSON of the open animation format (Lottie 1.0), shapes alone. */
export function motionToLottie(motion: Motion, title: string): string {
  const { widthPx, heightPx, seconds, parts } = motion;
  const frames = seconds * FRAMES_A_SECOND;
  const layers: Record<string, unknown>[] = [];
  for (const part of parts.flatMap(cutAlike).reverse()) {
    const { anchor, opacity, move, scale, turn, shapes, name } = part;
    const { clip, mask } = cutBy(shapes[0]);
    const place = {
      r: property(turn, 0, frames, (v) => [v]),
      a: still(anchor),
      p: property(move, [0, 0] as Point, frames, ([x, y]) => [anchor[0] + x, anchor[1] + y]),
      s: property(scale, [1, 1] as Point, frames, ([x, y]) => [100 * x, 100 * y]),
    };
    const common = { ty: 4, ip: 0, op: r3(frames), st: 0, bm: 0, ddd: 0 };
    // Outlines that clip only add up: those with holes are shown in a layer that masks by what it covers.
    const isHoled = !mask && (clip?.some((c) => c.contours.length > 1) ?? false);
    const cutting = mask?.shapes ?? (isHoled ? clip!.map(({ contours, rule }) => covering(shapes[0], contours, rule)) : null); // prettier-ignore
    // What masks a layer is the layer before it.
    if (cutting)
      layers.push({ ...common, ind: layers.length + 1, nm: `${name} mask`, td: 1, ks: { o: still(100), ...place }, shapes: [...cutting].reverse().map((s) => groupOf(s, { ...part, drawn: undefined }, motion, frames)) }); // prettier-ignore
    layers.push({
      ...common,
      ind: layers.length + 1,
      nm: name,
      ...(cutting ? { tt: mask?.by === 'light' ? 3 : 1 } : {}),
      ...(clip && !isHoled
        ? { hasMask: true, masksProperties: clip.flatMap((c) => c.contours.map((contour) => ({ mode: 'a', inv: false, o: still(100), x: still(0), pt: pathOf(contour).ks }))) } // prettier-ignore
        : {}),
      ks: { o: property(opacity, 1, frames, (v) => [100 * v]), ...place },
      // The first lies on top.
      shapes: [...shapes].reverse().map((s) => groupOf(s, part, motion, frames)),
    });
  }
  return JSON.stringify({
    ver: 10000,
    v: '5.7.0',
    nm: title,
    fr: FRAMES_A_SECOND,
    ip: 0,
    op: r3(frames),
    w: r3(widthPx),
    h: r3(heightPx),
    ddd: 0,
    assets: [],
    layers,
  });
}
