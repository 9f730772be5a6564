/** Outlines taken apart into chains that are shared whole, so that what is done to one is done to all that share it. */
import { reverseContour, type Contour, type Point, type Segment } from '../path';

/** What lies between two places where outlines part, or a whole outline. */
export interface Chain {
  readonly start: Point;
  readonly segments: readonly Segment[];
  /** It ends where it starts, and nothing else comes there. */
  readonly closed: boolean;
  /** Which outlines it is of. */
  readonly of: ReadonlySet<number>;
}

/** An outline as chains one after the other, each perhaps the other way round. */
export interface Walk {
  readonly parts: readonly { readonly chain: number; readonly backwards: boolean }[];
  readonly open: boolean;
}

/** Points nearer than this are one, in px. */
const SAME = 1e-3;
const placeKey = ([x, y]: Point): string => `${Math.round(x / SAME)},${Math.round(y / SAME)}`;

/** The same for a segment either way round. */
function segmentKey(from: Point, s: Segment): { key: string; backwards: boolean } {
  const [a, b] = [placeKey(from), placeKey(s.to)];
  const middle = (flip: boolean): string => {
    if (s.kind === 'line') return 'l';
    if (s.kind === 'arc') return `a${s.radius.toFixed(3)}${s.large ? 'l' : 's'}${s.clockwise !== flip ? 'c' : 'w'}`;
    const [p, q] = [placeKey(s.c1), placeKey(s.c2)];
    return flip ? `${q};${p}` : `${p};${q}`;
  };
  const [there, back] = [`${a}|${middle(false)}|${b}`, `${b}|${middle(true)}|${a}`];
  return there <= back ? { key: there, backwards: false } : { key: back, backwards: true };
}

/** Outlines as chains, and the way along them for each outline. Segments of no length are left out. */
export function chainsOf(contours: readonly Contour[]): { chains: Chain[]; walks: Walk[] } {
  const clean = contours.map((c) => withoutNothing(c));
  // How many different segments come to a place: where it is not two, chains end.
  const at = new Map<string, Set<string>>();
  const users = new Map<string, Set<number>>();
  const keys = clean.map(({ start, segments, open }, c) => {
    let from = start;
    const ends = new Set<string>();
    const list = segments.map((s) => {
      const { key } = segmentKey(from, s);
      for (const p of [from, s.to]) {
        const place = placeKey(p);
        at.set(place, (at.get(place) ?? new Set()).add(key));
      }
      users.set(key, (users.get(key) ?? new Set()).add(c));
      from = s.to;
      return key;
    });
    if (open) for (const p of [start, from]) ends.add(placeKey(p));
    return { list, ends };
  });
  const openEnds = new Set(keys.flatMap((k) => [...k.ends]));
  const same = (p: ReadonlySet<number>, q: ReadonlySet<number>) => p.size === q.size && [...p].every((k) => q.has(k));
  const isStop = (place: Point, before: string, after: string): boolean => {
    const key = placeKey(place);
    return at.get(key)!.size !== 2 || openEnds.has(key) || !same(users.get(before)!, users.get(after)!);
  };
  const chains: Chain[] = [];
  const known = new Map<string, { chain: number; backwards: boolean }>();
  const walks = clean.map(({ start, segments, open }, c): Walk => {
    const { list } = keys[c];
    const n = segments.length;
    const points = [start, ...segments.map((s) => s.to)];
    const stops: number[] = [];
    for (let k = 0; k < n; k++)
      if (k === 0 && open ? true : isStop(points[k], list[(k + n - 1) % n], list[k])) stops.push(k);
    if (!n) return { parts: [], open: open === true };
    const found = (from: number, count: number, closed: boolean): { chain: number; backwards: boolean } => {
      const own = Array.from({ length: count }, (_, k) => (from + k) % n);
      const first = segmentKey(points[own[0]], segments[own[0]]);
      // Whole outlines that are shared may start anywhere.
      const name = closed ? [...own.map((k) => list[k])].sort()[0] : `${list[own[0]]}>${list[own[own.length - 1]]}`;
      const back = closed ? name : `${list[own[own.length - 1]]}>${list[own[0]]}`;
      const hit = known.get(name) ?? known.get(back);
      if (hit) {
        const chain = chains[hit.chain];
        const alongside = closed
          ? sameWay(chain, points[own[0]], segments[own[0]])
          : placeKey(chain.start) === placeKey(points[own[0]]) &&
            segmentKey(chain.start, chain.segments[0]).key === first.key;
        return { chain: hit.chain, backwards: !alongside };
      }
      const chain: Chain = {
        start: points[own[0]],
        segments: own.map((k) => segments[k]),
        closed,
        of: users.get(list[own[0]])!,
      };
      chains.push(chain);
      const at = { chain: chains.length - 1, backwards: false };
      known.set(name, at);
      return at;
    };
    if (!stops.length) return { parts: [found(0, n, true)], open: false };
    const parts = stops.map((from, k) => {
      const to = k + 1 < stops.length ? stops[k + 1] : open ? n : stops[0] + n;
      return found(from, to - from, false);
    });
    return { parts, open: open === true };
  });
  return { chains, walks };
}

/** Whether a closed chain runs along a segment of it in the same way. */
function sameWay(chain: Chain, from: Point, s: Segment): boolean {
  const wanted = segmentKey(from, s);
  let at = chain.start;
  for (const own of chain.segments) {
    const is = segmentKey(at, own);
    if (is.key === wanted.key) return is.backwards === wanted.backwards;
    at = own.to;
  }
  return true;
}

/** An outline put together again from what became of its chains; null for one of which nothing is left. */
export function walked(walk: Walk, chains: readonly Pick<Chain, 'start' | 'segments'>[]): Contour | null {
  const parts = walk.parts.map((p) => (p.backwards ? reverseContour(chains[p.chain]) : chains[p.chain]));
  const segments = parts.flatMap((p) => p.segments);
  if (!segments.length) return null;
  return { start: parts[0].start, segments, ...(walk.open ? { open: true as const } : {}) };
}

/** An outline without segments of no length, closed by a line where its end is not its start. */
function withoutNothing({ start, segments, open }: Contour): Contour {
  const kept: Segment[] = [];
  let from = start;
  for (const s of segments) {
    const isNothing =
      placeKey(from) === placeKey(s.to) &&
      (s.kind !== 'curve' || (placeKey(s.c1) === placeKey(from) && placeKey(s.c2) === placeKey(from)));
    if (isNothing) continue;
    kept.push(s);
    from = s.to;
  }
  if (!open && kept.length && placeKey(from) !== placeKey(start)) kept.push({ kind: 'line', to: start });
  return { start, segments: kept, ...(open ? { open } : {}) };
}
