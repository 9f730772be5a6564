/** Where to break what one segment cannot follow. */
import type { Fit } from './span';

/** Places in a row, and what one segment from one of them to another would be. */
export interface Spans {
  readonly n: number;
  /** How far one may stray, in pixels. */
  readonly tolerance: number;
  /** The plainest segment from one place to a later one that is true enough, else null. */
  readonly fit: (from: number, to: number) => Fit | null;
  /** What goes from a place to the very next one, true enough or not. */
  readonly least: (from: number) => Fit;
}

/** The furthest index that one segment reaches from `i` in steps of `way`, by doubling and halving. */
function reach(spans: Spans, i: number, way: 1 | -1): number {
  const last = way > 0 ? spans.n - 1 : 0;
  const room = Math.abs(last - i);
  const fits = (d: number) => (way > 0 ? spans.fit(i, i + d) : spans.fit(i - d, i)) !== null;
  let good = Math.min(room, 1);
  let bad = room + 1;
  for (let d = 4; good < room;) {
    const at = Math.min(d, room);
    if (fits(at)) {
      good = at;
      d *= 2;
    } else {
      // One failure may be chance: a little further, it may hold again.
      const beyond = Math.min(room, at + Math.max(2, at >> 2));
      if (beyond > at && fits(beyond)) {
        good = beyond;
        d = beyond * 2;
        continue;
      }
      bad = at;
      break;
    }
  }
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (fits(middle)) good = middle;
    else bad = middle;
  }
  return i + way * good;
}

/** Cost of a fit among those with as many segments: how far off it is, and how complicated. */
function costOf({ tolerance }: Spans, { segment, squares }: Fit): number {
  const kind = segment.kind === 'line' ? 0 : segment.kind === 'arc' ? 1 : 2.5;
  return squares / (0.25 * tolerance) ** 2 + kind * 3;
}

/**
 * The fewest segments that follow a smooth stretch, and among those the truest. Spans of spans that fit do fit, so going as far as one can is
 * the least number; going so from both ends gives for each break the earliest and the latest place, and dynamic programming chooses within.
 */
export function breaksOf(spans: Spans): number[] {
  const last = spans.n - 1;
  const latest: number[] = [];
  for (let i = 0; i < last; i = latest[latest.length - 1]) latest.push(Math.max(i + 1, reach(spans, i, 1)));
  if (latest.length === 1) return [0, last];
  const earliest: number[] = [];
  for (let j = last; j > 0;) {
    j = Math.min(j - 1, reach(spans, j, -1));
    earliest.unshift(j);
  }
  const count = latest.length;
  const places: number[][] = [[0]];
  for (let k = 0; k < count - 1; k++) {
    const to = latest[k];
    const from = earliest.length === count ? Math.min(earliest[k + 1], to) : Math.max(1, to - 8);
    const step = Math.max(1, Math.ceil((to - from) / 7));
    const list: number[] = [];
    for (let i = from; i < to; i += step) list.push(i);
    list.push(to);
    places.push(list);
  }
  places.push([last]);
  // best[k][m]: the least cost of coming to the m-th place of break k, and from where.
  let costs = [0];
  const from: number[][] = [];
  for (let k = 1; k <= count; k++) {
    const next = places[k].map(() => Infinity);
    const origin = places[k].map(() => 0);
    for (let m = 0; m < places[k].length; m++)
      for (let p = 0; p < places[k - 1].length; p++) {
        const [i, j] = [places[k - 1][p], places[k][m]];
        if (j <= i || costs[p] === Infinity) continue;
        const fit = j === i + 1 ? spans.least(i) : spans.fit(i, j);
        if (!fit) continue;
        const cost = costs[p] + costOf(spans, fit);
        if (cost < next[m]) {
          next[m] = cost;
          origin[m] = p;
        }
      }
    from.push(origin);
    costs = next;
  }
  if (costs[0] === Infinity) return [0, ...latest];
  const breaks = [last];
  for (let k = count, m = 0; k >= 1; k--) {
    m = from[k - 1][m];
    breaks.unshift(places[k - 1][m]);
  }
  return improved(spans, breaks);
}

/** Moves each break a little to where its two segments are truest. */
function improved(spans: Spans, breaks: number[]): number[] {
  const out = [...breaks];
  for (let round = 0; round < 3; round++) {
    let moved = false;
    for (let k = 1; k + 1 < out.length; k++) {
      const cost = (at: number): number => {
        if (at <= out[k - 1] || at >= out[k + 1]) return Infinity;
        const [p, q] = [spans.fit(out[k - 1], at), spans.fit(at, out[k + 1])];
        return p && q ? costOf(spans, p) + costOf(spans, q) : Infinity;
      };
      const now = cost(out[k]);
      for (const d of [-2, -1, 1, 2]) {
        if (cost(out[k] + d) < now - 1e-9) {
          out[k] += d;
          moved = true;
          break;
        }
      }
    }
    if (!moved) break;
  }
  return out;
}
