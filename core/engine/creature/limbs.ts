/** Tails, ears, horns and wings as seen from the side. */
import { areaFrom, grown, intersect, moved, parsePath, turnAbout, union, type Area } from '../../path';
import { box, disc } from '../area';
import type { Ears, Horns, Tail } from './kinds';
import { blob, filleted, oval, taper, type Joint, type Spread } from './pieces'; // prettier-ignore

type P = readonly [number, number];

export const at = ([x, y]: readonly number[], r: number): Joint => [x, y, r];

export function tailArea(tail: Tail, root: P, deg: number, size: number, t: Spread): { area: Area; tip: Area } | null {
  // Back from the rump, along a direction that its end bends away from.
  const go = (from: readonly number[], length: number, angle: number): P => {
    const a = ((180 + angle) * Math.PI) / 180;
    return [from[0] + length * Math.cos(a), from[1] - length * Math.sin(a)];
  };
  const s = size * (1 + 0.12 * t('tail'));
  const a = go(root, 12 * s, deg);
  switch (tail) {
    case 'plume': {
      // Up, and over at its end.
      const b = go(a, 13 * s, deg - 62);
      const c = go(b, 13 * s, deg - 96);
      const d = go(c, 8 * s, deg + 6);
      const area = taper(at(root, 3), at(a, 5 * s), at(b, 7.6 * s), at(c, 7 * s), at(d, 3));
      return { area, tip: [] };
    }
    case 'bushy': {
      const b = go(a, 12 * s, deg - 26);
      const c = go(b, 13 * s, deg - 52);
      const area = taper(at(root, 3), at(a, 6 * s), at(b, 8.4 * s), at(c, 2.2));
      return { area, tip: intersect(area, disc(c[0], c[1], 10 * s)) };
    }
    case 'brush': {
      const b = go(a, 12 * s, deg + 34);
      const c = go(b, 12 * s, deg + 46);
      const area = taper(at(root, 3), at(a, 5 * s), at(b, 6 * s), at(c, 1.6));
      return { area, tip: intersect(area, disc(c[0], c[1], 8 * s)) };
    }
    case 'ringed': {
      const b = go(a, 11 * s, deg - 8);
      const c = go(b, 11 * s, deg - 24);
      const area = taper(at(root, 3.4), at(a, 5.4 * s), at(b, 6.2 * s), at(c, 3));
      const rings = union(...[0.35, 0.7, 1].map((k) => moved(box(-2.2, -14, 4.4, 28), [1, 0, 0, 1, a[0] + (c[0] - a[0]) * k, a[1] + (c[1] - a[1]) * k])));
      return { area, tip: intersect(area, rings) };
    }
    case 'thin':
    case 'long': {
      const b = go(a, 13 * s, deg - 10);
      const c = go(b, 12 * s, deg - 58);
      const d = go(c, 9 * s, deg - 104);
      const w = tail === 'long' ? 4.6 : 2.4;
      return { area: taper(at(root, w + 1), at(a, w), at(b, w * 0.9), at(c, w * 0.8), at(d, w * 0.55)), tip: [] };
    }
    case 'curl': {
      const b = go(a, 6 * s, deg - 92);
      const c = go(b, 6 * s, deg - 176);
      return { area: taper(at(root, 2.8), at(go(root, 8 * s, deg - 30), 2.6), at(b, 2.4), at(c, 1.8)), tip: [] };
    }
    case 'tuft': {
      const b = go(a, 13 * s, deg + 50);
      const c = go(b, 9 * s, deg + 62);
      return { area: taper(at(root, 2.6), at(a, 1.9), at(b, 1.8)), tip: taper(at(b, 2), at(go(b, 4, deg + 56), 4), at(c, 1)) };
    }
    case 'flat': {
      const b = go(a, 15 * s, deg + 14);
      return { area: [], tip: taper(at(root, 3.4), at(a, 6.6 * s), at(b, 5 * s)) };
    }
    case 'stub':
      return { area: taper(at(root, 3.6), at(go(root, 6.5 * s, deg - 24), 2.8)), tip: [] };
    case 'none':
      return null;
  }
} // prettier-ignore

/** The ear on a head seen from the side; far ears stand a little before it. */
export function earArea([form, size]: readonly [Ears, number], [x, y]: readonly number[], r: number): { near: Area; inner: Area } {
  const s = size * r * 0.1;
  switch (form) {
    case 'point':
    case 'tufted':
    case 'fin': {
      const near: Area = [[x - 6.4 * s, y - 5 * s, x - 5.6 * s, y - 20 * s, x + 4.6 * s, y - 7 * s]];
      return { near: grown(near, 0.8), inner: [[x - 4 * s, y - 7 * s, x - 4.2 * s, y - 15.5 * s, x + 1.8 * s, y - 7.4 * s]] };
    }
    case 'long':
      return { near: moved(oval(x - 4 * s, y - 22 * s, 4.4 * s, 17 * s), turnAbout([x, y], -0.34)), inner: moved(oval(x - 3.8 * s, y - 21 * s, 1.9 * s, 12 * s), turnAbout([x, y], -0.34)) };
    case 'leaf':
      return { near: moved(oval(x - 12 * s, y - 7 * s, 8.6 * s, 3.6 * s), turnAbout([x, y], 0.35)), inner: moved(oval(x - 12 * s, y - 7 * s, 5.4 * s, 1.7 * s), turnAbout([x, y], 0.35)) };
    case 'flop':
      return { near: blob([x - 5 * s, y - 7 * s], [x + 1 * s, y - 7 * s], [x + 1.5 * s, y + 4 * s], [x - 3.5 * s, y + 9 * s], [x - 8 * s, y + 3 * s]), inner: [] };
    case 'huge':
      return { near: blob([x - 3 * s, y - 11 * s], [x - 15 * s, y - 9 * s], [x - 17 * s, y + 6 * s], [x - 8 * s, y + 15 * s], [x + 1 * s, y + 4 * s]), inner: [] };
    case 'side':
      return { near: disc(x - 4 * s, y + 1 * s, 5 * s, 40), inner: disc(x - 4 * s, y + 1 * s, 2.8 * s, 32) };
    default:
      return { near: disc(x - 4 * s, y - 8.6 * s, 5 * Math.max(0.3, s), 40), inner: disc(x - 4 * s, y - 8.4 * s, 2.6 * s, 32) };
  }
} // prettier-ignore

/** Horns on a head seen from the side, from its top. */
export function hornArea(form: Horns, [x, y]: readonly number[], r: number): { area: Area; isLight: boolean } {
  const k = r / 8;
  const run = (...joints: (readonly [number, number, number])[]): Area => taper(...joints.map(([a, b, w]): Joint => [x + a * k, y + b * k, w * k])); // prettier-ignore
  switch (form) {
    case 'antlers':
      return { isLight: false, area: union(run([-1, -6, 1.8], [-6, -15, 1.7], [-8, -24, 1.5], [-3, -32, 0.8]), run([-3, -10, 1.5], [4, -15, 1.3], [6, -21, 0.7]), run([-7, -19, 1.4], [-14, -25, 1.2], [-14, -31, 0.7])) }; // prettier-ignore
    case 'palms':
      return { isLight: false, area: union(run([-1, -6, 2], [-7, -12, 4], [-14, -18, 5], [-20, -25, 1.4]), run([-6, -12, 2], [-5, -23, 1]), run([-11, -15, 2], [-12, -27, 1])) };
    case 'ram':
      return { isLight: false, area: run([1, -6, 3.6], [-7, -9, 3.6], [-11, -1, 3.2], [-6, 5, 2.6], [-1, 1, 1.4]) };
    case 'single':
      return { isLight: true, area: run([2, -6, 1.7], [9, -24, 0.4]) };
    case 'nose':
      return { isLight: true, area: run([16, -3, 3.2], [20, -13, 0.8]) };
    case 'nubs':
      return { isLight: false, area: union(run([-1, -6, 1.2], [-2, -13, 1.2]), disc(x - 2 * k, y - 14 * k, 2.2 * k, 24)) };
    case 'straight':
      return { isLight: false, area: run([0, -6, 2], [-7, -16, 1.6], [-15, -22, 0.7]) };
    default:
      return { isLight: true, area: run([0, -6, 2.1], [5, -11, 1.8], [4, -18, 0.7]) };
  }
} // prettier-ignore

/** A bird's wing, its root at (0, 0), spread up and back: one sweep in front, round feathers along what trails, and the coverts on it. */
export function featheredWing(size: number, deg: number): { area: Area; inner: Area } {
  const [area, inner] = [
    'M6 3C10 -14 2 -36 -12 -48C-20 -56 -30 -62 -40 -64C-39 -60 -38 -57 -36 -54C-39 -54 -43 -54 -46 -53C-45 -49 -43 -46 -40 -43.5C-43 -43 -46 -42.5 -48 -42C-46 -38 -43 -35 -40 -33C-42 -32 -45 -31.5 -47 -31C-45 -27 -42 -24.5 -38 -23C-40 -22 -42 -21.5 -44 -21C-41 -17 -38 -15 -34 -14C-36 -13 -37 -12.5 -38 -12C-33 -6 -22 2 -8 6C-2 8 4 7 6 3Z',
    'M4 0C7 -12 2 -28 -10 -40C-18 -38 -24 -30 -24 -22C-22 -12 -12 -3 -4 1C0 2 3 2 4 0Z',
  ].map((data) => areaFrom(parsePath(data)));
  const turn = turnAbout([0, 0], (deg * Math.PI) / 180);
  const scale = [size, 0, 0, size, 0, 0] as const;
  return { area: moved(moved(area, scale), turn), inner: moved(moved(inner, scale), turn) };
}

/** A wing, its root at (0, 0), spread up and back: a leading edge that bends, and feathers along what trails. */
export function wingArea(size: number, deg: number): { area: Area; inner: Area } {
  const feather = (x: number, y: number, tipX: number, tipY: number, r: number): Area => taper([x, y, r], [(x + tipX) / 2 - 1.5, (y + tipY) / 2, r * 1.05], [tipX, tipY, 0.7]);
  const long = [0, 1, 2, 3].map((i) => feather(-1.5 * i, -26 + 6.4 * i, -30 + 3.2 * i, -38 + 11.4 * i, 4.6));
  const short: Area[] = [];
  const arm = taper([0, 0, 5.4], [3.4, -13, 5], [1, -26, 4], [-6, -33, 2.4]);
  const area = filleted(union(arm, ...long, ...short), 0.5);
  const inner = taper([-0.6, -3, 2.2], [1, -13, 2.6], [-1, -23, 2], [-6, -29, 1]);
  const turn = turnAbout([0, 0], (deg * Math.PI) / 180);
  const scale = [size, 0, 0, size, 0, 0] as const;
  return { area: moved(moved(area, scale), turn), inner: moved(moved(inner, scale), turn) };
} // prettier-ignore
