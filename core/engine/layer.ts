import { moved, type Area } from '../path';
import { boundsOf } from './area';

/** How an area is filled: one colour, or a gradient between points of the scene. */
export type Fill =
  | string
  | {
      readonly kind: 'linear' | 'radial';
      /** Linear: where the first colour is; radial: the middle. */
      readonly from: readonly [number, number];
      /** Linear: where the last colour is; radial: a point on the outer circle. */
      readonly to: readonly [number, number];
      readonly hexes: readonly [string, string];
      /** Opacity at both ends. */
      readonly alphas?: readonly [number, number];
    };

/** Wear inside an area: noise of a grain size takes a share of it away. */
export interface Grain {
  readonly seed: number;
  /** Units across one grain. */
  readonly size: number;
  /** Share 0..1 that is worn away. */
  readonly share: number;
  /** How soft the grains' edges are: near 0 crisp, 1 a wash. */
  readonly soft?: number;
  /** Grains drawn out along a direction, in radians. */
  readonly along?: number;
}

/** One thing to paint. */
export interface Layer {
  readonly area: Area;
  readonly fill: Fill;
  /** Paint only inside this. */
  readonly clip?: Area;
  /** Blur of the edges, in units. */
  readonly soft?: number;
  readonly alpha?: number;
  readonly grain?: Grain;
  /** It draws a figure, and not what holds one or stands round it. */
  readonly isFigure?: boolean;
  /** The name of the figure that it draws. */
  readonly of?: string;
}

export const layerOf = (area: Area, fill: Fill, more: Omit<Layer, 'area' | 'fill'> = {}): Layer => ({
  area,
  fill,
  ...more,
});

/** Layers made smaller about the middle, and moved. */
export const scaled = (layers: readonly Layer[], k: number, dx = 0, dy = 0): Layer[] => {
  const map = [k, 0, 0, k, 50 - 50 * k + dx, 50 - 50 * k + dy] as const;
  const point = ([x, y]: readonly [number, number]): [number, number] => [k * x + map[4], k * y + map[5]];
  return layers.map((l) => ({
    ...l,
    area: moved(l.area, map),
    ...(l.clip ? { clip: moved(l.clip, map) } : {}),
    ...(l.soft ? { soft: l.soft * k } : {}),
    ...(l.grain ? { grain: { ...l.grain, size: l.grain.size * k } } : {}),
    ...(typeof l.fill === 'string' ? {} : { fill: { ...l.fill, from: point(l.fill.from), to: point(l.fill.to) } }),
  }));
};

/** Layers made smaller or larger and moved, so that all of them together sit in the middle of the field. */
export function fitLayers(layers: Layer[], side: number): Layer[] {
  const b = boundsOf(layers.flatMap((l) => l.area));
  if (!(b.width > 0)) return layers;
  const k = Math.min(side / Math.max(b.width, b.height), 1.25);
  return scaled(layers, k, -k * (b.x + b.width / 2 - 50), -k * (b.y + b.height / 2 - 50));
}
