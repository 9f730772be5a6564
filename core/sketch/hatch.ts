/** Hatching: strokes side by side that say an area is dark, told from lines that were meant as lines. */
import { distanceTo } from '../raster';
import { labelled } from './paper';

/** What of a sketch's ink is hatching, and where it lies. */
export interface Hatching {
  /** 1 for each pixel of hatching strokes. */
  readonly strokes: Uint8Array;
  /** 1 for each pixel of the places that they fill. */
  readonly places: Uint8Array;
  /** How far the strokes are from one another, in pixels. */
  readonly gap: number;
}

/** Directions that strokes are looked for in. */
const DIRECTIONS = 12;
/** Strokes side by side, at least, that are hatching and not stripes. */
const LEAST = 5;
/** Strokes side by side, at least, where there is hatching beside them. */
const SOME = 3;
/** How much wider one gap between them is than another, at most. */
const UNEVEN = 2.6;
/** Strokes that lie evenly among others in one hatched place, at least. */
const LEAST_IN_PLACE = 6;
/** Share of a hatched place that its strokes cover, at least. */
const DENSE = 0.16;
/** Share of a stroke's pixels that must have others beside them. */
const MOSTLY = 0.45;

/**
 * Finds the hatching in a mask of ink: five strokes or more, nearly straight and side by side, none further from the next than `apart` px. What may not be hatching, such as an
 * outline, is left out by `free`. Strokes that cross others are found in both directions.
 */
export function hatchingOf(
  isInk: (i: number) => boolean,
  free: (i: number) => boolean,
  w: number,
  h: number,
  weight: number,
  apart: number,
): Hatching {
  const strokes = new Uint8Array(w * h);
  const shortest = Math.max(8, 4 * weight);
  // With a margin of paper that no stroke is followed beyond.
  const margin = Math.ceil(3 * shortest) + 1;
  const wide = w + 2 * margin;
  const inked: number[] = [];
  const ink = new Uint8Array(wide * (h + 2 * margin));
  const wideAt = (i: number): number => (Math.floor(i / w) + margin) * wide + (i % w) + margin;
  for (let i = 0; i < w * h; i++) {
    if (!isInk(i)) continue;
    inked.push(i);
    ink[wideAt(i)] = 1;
  }
  /** Long lines that are none: strokes end at them or cross them. */
  const lines = new Uint8Array(w * h);
  const gaps: number[] = [];
  /** A pixel of each stroke that lies evenly among others, by direction. */
  const found: number[][] = [];
  for (let d = 0; d < DIRECTIONS; d++) {
    const turn = (Math.PI * d) / DIRECTIONS;
    const [dx, dy] = [Math.cos(turn), Math.sin(turn)];
    const [ahead, behind] = [1, -1].map((way) =>
      Int32Array.from(
        { length: margin - 1 },
        (_, t) => Math.round(way * (t + 1) * dy) * wide + Math.round(way * (t + 1) * dx),
      ),
    );
    const reach = (at: number, steps: Int32Array): number => {
      let t = 0;
      while (t < steps.length && ink[at + steps[t]]) t++;
      return t;
    };
    const along = new Uint8Array(w * h);
    const isLong = new Uint8Array(w * h);
    for (const i of inked) {
      const run = reach(wideAt(i), ahead) + reach(wideAt(i), behind);
      along[i] = run >= shortest ? 1 : 0;
      isLong[i] = run >= 2 * shortest ? 1 : 0;
    }
    const each = labelled((i) => along[i] === 1 && free(i), w, h);
    /** The gaps between the strokes met from a place on its one side, each no wider than `apart`, and the strokes. */
    const metOn = (i: number, way: number): { gap: number; id: number }[] => {
      const [x, y] = [i % w, Math.floor(i / w)];
      const out: { gap: number; id: number }[] = [];
      let [last, isWithin] = [0, true];
      for (let t = 1; t - last <= apart && out.length < LEAST - 1; t++) {
        const [u, v] = [Math.round(x - way * t * dy), Math.round(y + way * t * dx)];
        if (u < 0 || v < 0 || u >= w || v >= h) break;
        const on = along[v * w + u] === 1;
        if (on && !isWithin) out.push({ gap: t - last, id: each.label[v * w + u] });
        if (on) last = t;
        isWithin = on;
      }
      return out;
    };
    // Of each stroke: pixels that lie evenly among many, pixels that lie among some, and the strokes beside it.
    const told = each.sizes.map(() => ({ evenly: 0, among: 0, first: -1, beside: new Set<number>() }));
    for (const i of inked) {
      if (!each.label[i]) continue;
      const stroke = told[each.label[i]];
      if (stroke.first < 0) stroke.first = i;
      const [one, other] = [metOn(i, 1), metOn(i, -1)];
      for (const [next] of [one, other]) if (next) stroke.beside.add(next.id);
      const met = [...one, ...other].map(({ gap }) => gap);
      if (met.length + 1 >= SOME) stroke.among++;
      if (met.length + 1 < LEAST || Math.max(...met) > UNEVEN * Math.min(...met)) continue;
      stroke.evenly++;
      gaps.push(met[0]);
    }
    const isHatch = told.map(({ evenly }, id) => id > 0 && evenly >= MOSTLY * each.sizes[id]);
    found.push(told.filter((_, id) => isHatch[id]).map(({ first }) => first));
    // What lies beside hatching, among strokes, is hatching too: at its edges strokes are fewer and shorter.
    for (let grows = isHatch.includes(true); grows;) {
      grows = false;
      told.forEach(({ among, beside }, id) => {
        if (!id || isHatch[id] || among < MOSTLY * each.sizes[id] || ![...beside].some((k) => isHatch[k])) return;
        isHatch[id] = true;
        grows = true;
      });
    }
    for (const i of inked) {
      if (isHatch[each.label[i]]) strokes[i] = 1;
      else if (isLong[i]) lines[i] = 1;
    }
  }
  if (!gaps.length) return { strokes, places: strokes, gap: 0 };
  gaps.sort((p, q) => p - q);
  const gap = gaps[Math.floor(gaps.length / 2)];
  const places = placesOf(strokes, found, w, h, gap);
  // Strokes that fill no place are lines.
  return { strokes: strokes.map((on, i) => (on && places[i] && !lines[i] ? 1 : 0)), places, gap };
}

/** The places that strokes fill, of which one pixel each is known by direction: what lies between them, and nothing beyond the outer ones. */
function placesOf(
  strokes: Uint8Array,
  found: readonly (readonly number[])[],
  w: number,
  h: number,
  reach: number,
): Uint8Array {
  const toStroke = distanceTo((i) => strokes[i] === 1, w, h, reach + 1);
  const toBare = distanceTo((i) => toStroke[i] > reach, w, h, reach + 1);
  const each = labelled((i) => toBare[i] > reach, w, h);
  const most = each.sizes.map(() => 0);
  for (const pixels of found) {
    const count = each.sizes.map(() => 0);
    for (const i of pixels) count[each.label[i]]++;
    count.forEach((n, id) => (most[id] = Math.max(most[id], n)));
  }
  const inked = each.sizes.map(() => 0);
  for (let i = 0; i < w * h; i++) if (strokes[i]) inked[each.label[i]]++;
  const isPlace = each.sizes.map((size, id) => id > 0 && most[id] >= LEAST_IN_PLACE && inked[id] > DENSE * size);
  return strokes.map((_, i) => (isPlace[each.label[i]] ? 1 : 0));
}

/** Places filled up to the lines that bound them: strokes end a little short of those, and none fits into a corner. */
export function filledUp({ places, gap }: Hatching, isBound: (i: number) => boolean, w: number, h: number): Uint8Array {
  const reach = 1.1 * gap;
  const toPlace = distanceTo((i) => places[i] === 1, w, h, 2.5 * gap);
  const toFull = distanceTo((i) => places[i] === 1 || isBound(i), w, h, reach + 1);
  const toFree = distanceTo((i) => toFull[i] > reach, w, h, reach + 1);
  return places.map((on, i) => (on || (!isBound(i) && toFree[i] > reach && toPlace[i] < 2.5 * gap) ? 1 : 0));
}
