/**
 * Edges of pictures without anti-aliasing. They go in steps along the sides of pixels, and tell no more than that what was drawn passes between the
 * middles of the two pixels at each step. Of all tracks that do, the one that bends least is taken (Reinsch 1967, smoothing by spline functions).
 */
import type { Picture } from '../raster';
import { findCorners, Track } from '../fit';
import type { Plains } from './plains';

/** How far points of such an edge lie from it after that, in pixels. */
export const ALIASED_DOUBT_PX = 0.09;

/** In a picture without anti-aliasing, so much of the turns that its edges make are of whole pixels. */
const WHOLE_SHARE = 0.9;

/** Whether a pixel, given by x and y, has a pixel of just its colour beside it or across a corner, as mixtures along an edge have not. */
function supportOf({ widthPx: w, heightPx: h, rgba }: Picture): (x: number, y: number) => boolean {
  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, w * h);
  return (x, y) => {
    const i = y * w + x;
    for (let v = Math.max(0, y - 1); v <= Math.min(h - 1, y + 1); v++)
      for (let u = Math.max(0, x - 1); u <= Math.min(w - 1, x + 1); u++)
        if (whole[v * w + u] === whole[i] && v * w + u !== i) return true;
    return false;
  };
}

/**
 * Whether a picture is without anti-aliasing: hardly anywhere that an edge goes from one row or column of pixels to the next, in four pixels about a
 * corner, there are other colours than the two beside it.
 */
export function isAliased(picture: Picture, { busy }: Plains): boolean {
  const { widthPx: w, heightPx: h, rgba } = picture;
  const whole = new Uint32Array(rgba.buffer, rgba.byteOffset, w * h);
  const isSupported = supportOf(picture);
  let [turns, clear] = [0, 0];
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    if (y + 1 >= h) break;
    for (let i = busy[s], x = i - y * w; i < busy[s + 1] && x + 1 < w; i++, x++) {
      const [a, b, c, d] = [whole[i], whole[i + 1], whole[i + w], whole[i + w + 1]];
      if ((a === b && c === d) || (a === c && b === d)) continue;
      turns++;
      // Three of one colour, and one of another, make three pairs that are alike.
      const pairs = [a === b, a === c, a === d, b === c, b === d, c === d].filter(Boolean).length;
      if (pairs !== 3) continue;
      if (isSupported(x, y) && isSupported(x + 1, y) && isSupported(x, y + 1) && isSupported(x + 1, y + 1)) clear++;
    }
  }
  return turns > 0 && clear >= WHOLE_SHARE * turns;
}

/** Pixels of a picture without anti-aliasing that are of an ink: those beside which there is another one just alike. */
export function wholePixels(picture: Picture, { busy }: Plains): Uint8Array {
  const { widthPx: w, heightPx: h } = picture;
  const isSupported = supportOf(picture);
  const out = new Uint8Array(w * h).fill(1);
  for (let s = 0; s < busy.length; s += 2) {
    const y = Math.floor(busy[s] / w);
    for (let i = busy[s]; i < busy[s + 1]; i++) out[i] = Number(isSupported(i - y * w, y));
  }
  return out;
}

/** Steps of a chain that go on in one direction. */
interface StepRun {
  /** The number of the first, which is that of the pixel corner it leaves. */
  readonly from: number;
  readonly count: number;
  readonly way: readonly [number, number];
}

/** The runs of a chain in order. A closed chain's begin at a turn. */
function runsOf(corners: Int32Array, closed: boolean): StepRun[] {
  const n = corners.length / 2;
  const steps = closed ? n : n - 1;
  const wayOf = (i: number): readonly [number, number] => {
    const [a, b] = [(i + n) % n, (i + 1) % n];
    return [corners[2 * b] - corners[2 * a], corners[2 * b + 1] - corners[2 * a + 1]];
  };
  const isTurn = (i: number): boolean => wayOf(i - 1)[0] !== wayOf(i)[0];
  let first = 0;
  while (closed && !isTurn(first)) first++;
  const runs: StepRun[] = [];
  for (let k = 0; k < steps;) {
    const from = first + k;
    let count = 1;
    while (k + count < steps && !isTurn(from + count)) count++;
    runs.push({ from: from % n, count, way: wayOf(from) });
    k += count;
  }
  return runs;
}

/** Half of a pixel: how far what was drawn may lie from a step. */
const HALF = 0.5;

/** Runs as long as this that meet at a right angle meet at a corner. */
const LONG = 3;

/** A run as long as this, and so many times as long as the like ones beside it, is a level or an upright edge; the top of a circle is up to 4.8 times as long. */
const FLAT = 8;
const FLATTER = 5;

/** How strongly a point is held where it is thought to lie: on a level or upright edge, on a single step, and elsewhere. */
const [HELD, LOOSE, FREE] = [1, 1e-2, 1e-3];

/** Where the points of a track may lie, each along an axis of its own, and are thought to. */
interface Guess {
  /** 0 where a point may be shifted in x, 1 in y. */
  readonly axes: Uint8Array;
  /** Shifts from the middles of steps, -0.5..0.5 px. */
  readonly shifts: Float64Array;
  readonly holds: Float64Array;
  /** 1 where a corner lies between a point and the one before it. */
  readonly apart: Uint8Array;
}

/** A first guess for the points in the middles of some steps of a chain: on the line through the middles of the steps across, at the ends of its run. */
function guessOf(corners: Int32Array, steps: readonly number[], closed: boolean): Guess {
  const runs = runsOf(corners, closed);
  const size = corners.length / 2;
  const runAt = new Int32Array(size);
  runs.forEach(({ from, count }, r) => {
    for (let i = 0; i < count; i++) runAt[(from + i) % size] = r;
  });
  const run = (r: number): StepRun | undefined => runs[closed ? (r + runs.length) % runs.length : r];
  /** Whether a run and the next one meet at a corner, or there is only one of them. */
  const isEnd = (r: number): boolean => {
    const [p, q] = [run(r), run(r + 1)];
    return !p || !q || (p.count >= LONG && q.count >= LONG);
  };
  const n = steps.length;
  const axes = new Uint8Array(n);
  const shifts = new Float64Array(n);
  const holds = new Float64Array(n).fill(FREE);
  const apart = new Uint8Array(n);
  for (let k = 0; k < n; k++) {
    const r = runAt[steps[k]];
    const { from, count, way } = runs[r];
    const axis = way[0] === 0 ? 0 : 1;
    axes[k] = axis;
    for (let q = runAt[steps[(k + n - 1) % n]], tries = 0; q !== r && tries < 4; q = (q + 1) % runs.length, tries++)
      if (isEnd(q)) apart[k] = 1;
    // How far it is to both ends of the run, where the edge passes there, and how long the run beyond is.
    const along = ((steps[k] - from + size) % size) + 0.5;
    const ends = [-1, 1].map((side) => ({
      far: side < 0 ? along : count - along,
      isOpen: isEnd(side < 0 ? r - 1 : r),
      at: HALF * side * Math.sign(run(r + side)?.way[axis] ?? 0),
      beyond: run(r + 2 * side)?.count ?? 0,
    }));
    const shut = ends.filter((e) => !e.isOpen);
    if (count >= FLAT && shut.every((e) => count > FLATTER * e.beyond + 2)) {
      const near = shut.find((e) => e.far < e.beyond + HALF);
      if (near) shifts[k] = near.at * (1 - near.far / (near.beyond + HALF));
      else holds[k] = HELD;
    } else if (!shut.length) holds[k] = LOOSE;
    else if (shut.length === 1) {
      const [{ at, far, beyond }] = shut;
      shifts[k] = Math.sign(at) * Math.max(-HALF, HALF - far / Math.max(1, beyond));
    } else if (ends[0].at !== ends[1].at) shifts[k] = ends[0].at + ((ends[1].at - ends[0].at) * along) / count;
    else shifts[k] = ends[0].at * (1 - (4 * along * (count - along)) / count ** 2);
  }
  return { axes, shifts, holds, apart };
}

/** Corners are looked for before the first and the last of so many rounds, so that the track does not bend to go round them. */
const ROUNDS = 3;

/** The least turn that is a corner of a first guess, and of a smoothed track; and how far from it points are not asked, in pixels. */
const LEAST_CORNER_RAD = { stepped: 0.8, smooth: 0.5 } as const;
const CORNER_SOFT_PX = 2;

/** How many points to both sides tell the direction of a track. */
const ASIDE = 3;

/** How strongly what lies more than half a pixel off is drawn back, and how often at most; no point ends further off than that. */
const WALL = 10;
const NEWTON_STEPS = 12;
const FURTHEST_PX = 0.75;

/** Points nearer to one another along the track than this count as that far apart, in pixels. */
const LEAST_GAP_PX = 0.3;

/**
 * Points in the middles of some steps of a chain, x and y in turn, moved across it to where the track through them bends least. `steps` are the
 * numbers of their steps, which are those of the pixel corners that they leave.
 */
export function bendLeast(
  points: ArrayLike<number>,
  corners: Int32Array,
  steps: readonly number[],
  closed: boolean,
): Float64Array {
  const n = steps.length;
  const middles = Float64Array.from(points);
  if (n < 5) return middles;
  const { axes, shifts: guess, holds, apart } = guessOf(corners, steps, closed);
  const track = middles.map((v, i) => (axes[i >> 1] === (i & 1) ? v + guess[i >> 1] : v));
  const wrap = (k: number): number => (k + n) % n;
  /** The point some places on from one, or the last before an end or a corner. */
  const onFrom = (k: number, way: 1 | -1, places: number): number => {
    for (let m = 0; m < places; m++) {
      const next = wrap(k + way);
      if (apart[way > 0 ? next : k] || (!closed && next !== k + way)) break;
      k = next;
    }
    return k;
  };
  for (let round = 0; round < ROUNDS; round++) {
    if (round === 0 || round === ROUNDS - 1)
      for (const { index } of cornersOf(track, closed, LEAST_CORNER_RAD[round === 0 ? 'stepped' : 'smooth'])) {
        apart[index] = 1;
        apart[wrap(index + 1)] = 1;
      }
    // Across the track at each point: that way it is moved.
    const across = Array.from({ length: n }, (_, k): readonly [number, number] => {
      const [a, b] = [onFrom(k, -1, ASIDE), onFrom(k, 1, ASIDE)];
      const [dx, dy] = [track[2 * b] - track[2 * a], track[2 * b + 1] - track[2 * a + 1]];
      const length = Math.hypot(dx, dy) || 1;
      return [-dy / length, dx / length];
    });
    /** How far along the track the next point lies. */
    const gaps = across.map(([nx, ny], k) => {
      const next = wrap(k + 1);
      const [dx, dy] = [middles[2 * next] - middles[2 * k], middles[2 * next + 1] - middles[2 * k + 1]];
      return Math.max(LEAST_GAP_PX, Math.abs(dx * ny - dy * nx));
    });
    const system = new Banded(n);
    for (let k = closed ? 0 : 1; k < (closed ? n : n - 1); k++) {
      const three = [wrap(k - 1), k, wrap(k + 1)] as const;
      if (apart[k] || apart[three[2]]) continue;
      // The second derivative across the track, by divided differences.
      const [before, after] = [gaps[three[0]], gaps[k]];
      const both = before + after;
      const factors = [2 / (before * both), -2 / (before * after), 2 / (after * both)] as const;
      const [nx, ny] = across[k];
      let rest = 0;
      for (let m = 0; m < 3; m++) rest += factors[m] * (middles[2 * three[m]] * nx + middles[2 * three[m] + 1] * ny);
      const shares = factors.map((f, m) => f * (across[three[m]][0] * nx + across[three[m]][1] * ny));
      system.add(three, shares, rest, both / 2);
    }
    /** How far a point moves across the track for each pixel along its axis. */
    const slants = across.map((normal, k) => normal[axes[k]]);
    for (let k = 0; k < n; k++) system.hold(k, guess[k] * slants[k], holds[k]);
    let offs: Float64Array = Float64Array.from({ length: n }, (_, k) => {
      const [nx, ny] = across[k];
      return (track[2 * k] - middles[2 * k]) * nx + (track[2 * k + 1] - middles[2 * k + 1]) * ny;
    });
    // What lies too far off its step is drawn back: Newton's method, as the sum is one of squares between where that begins and ends.
    const beyond = new Int8Array(n);
    for (let step = 0, changed = true; step < NEWTON_STEPS && changed; step++) {
      const walled = system.copy();
      changed = step === 0;
      for (let k = 0; k < n; k++) {
        const most = HALF * Math.abs(slants[k]);
        const side = Math.abs(offs[k]) > most ? Math.sign(offs[k]) : 0;
        if (side) walled.hold(k, most * side, WALL);
        changed ||= side !== beyond[k];
        beyond[k] = side;
      }
      if (changed) offs = closed ? walled.solvedRound(offs) : walled.solved();
    }
    for (let k = 0; k < n; k++) {
      const off = Math.max(-FURTHEST_PX, Math.min(FURTHEST_PX, offs[k]));
      for (const c of [0, 1]) track[2 * k + c] = middles[2 * k + c] + off * across[k][c];
    }
  }
  return track;
}

/** Corners of a track that turn by more than an angle. */
function cornersOf(track: Float64Array, closed: boolean, leastRad: number): readonly { readonly index: number }[] {
  const through = Track.through(track, closed);
  return findCorners(through, {
    leastRad: new Float64Array(through.n).fill(leastRad),
    softPx: new Float64Array(through.n).fill(CORNER_SOFT_PX),
  });
}

/** How many unknowns of a system that goes round are solved for twice, so that where it is opened does not matter. */
const OVERLAP = 60;

/** How strongly the ends of one that was opened are held. */
const OPENED = 1e6;

/** Normal equations of a sum of squares in which each unknown goes with the next two alone. */
class Banded {
  constructor(
    private readonly n: number,
    private readonly diagonal = new Float64Array(n),
    /** Beside the diagonal by one and by two; of the last unknowns with the first, where it goes round. */
    private readonly one = new Float64Array(n),
    private readonly two = new Float64Array(n),
    private readonly right = new Float64Array(n),
  ) {}

  copy(): Banded {
    return new Banded(this.n, this.diagonal.slice(), this.one, this.two, this.right.slice());
  }

  /** Adds the square of a sum over three unknowns that follow one another. */
  add([i, k, j]: readonly [number, number, number], [p, q, r]: readonly number[], rest: number, weight: number): void {
    this.diagonal[i] += weight * p * p;
    this.diagonal[k] += weight * q * q;
    this.diagonal[j] += weight * r * r;
    this.one[i] += weight * p * q;
    this.one[k] += weight * q * r;
    this.two[i] += weight * p * r;
    this.right[i] -= weight * p * rest;
    this.right[k] -= weight * q * rest;
    this.right[j] -= weight * r * rest;
  }

  /** Adds the square of how far an unknown is from a value. */
  hold(k: number, value: number, weight: number): void {
    this.diagonal[k] += weight;
    this.right[k] += weight * value;
  }

  /** The least sum where the unknowns go round, solved as one that does not, with some of them at both ends; `near` is a solution already nearly right. */
  solvedRound(near: Float64Array): Float64Array {
    const more = Math.min(this.n, OVERLAP);
    const m = this.n + 2 * more;
    const [diagonal, one, two, right, known] = [this.diagonal, this.one, this.two, this.right, near].map((from) =>
      Float64Array.from({ length: m }, (_, i) => from[(i + this.n - more) % this.n]),
    );
    const open = new Banded(m, diagonal, one, two, right);
    for (const i of [0, 1, m - 2, m - 1]) open.hold(i, known[i], OPENED);
    return open.solved().slice(more, more + this.n);
  }

  /** The least sum, by Cholesky's method without roots. */
  solved(): Float64Array {
    const { n, diagonal, one, two, right } = this;
    const d = new Float64Array(n);
    const l1 = new Float64Array(n);
    const l2 = new Float64Array(n);
    const x = new Float64Array(n);
    for (let k = 0; k < n; k++) {
      const [a, b] = [k > 0 ? l1[k - 1] : 0, k > 1 ? l2[k - 2] : 0];
      d[k] = diagonal[k] - (k > 0 ? a * a * d[k - 1] : 0) - (k > 1 ? b * b * d[k - 2] : 0);
      l1[k] = (one[k] - (k > 0 ? l2[k - 1] * a * d[k - 1] : 0)) / d[k];
      l2[k] = two[k] / d[k];
      x[k] = right[k] - (k > 0 ? a * x[k - 1] : 0) - (k > 1 ? b * x[k - 2] : 0);
    }
    for (let k = n - 1; k >= 0; k--)
      x[k] = x[k] / d[k] - (k + 1 < n ? l1[k] * x[k + 1] : 0) - (k + 2 < n ? l2[k] * x[k + 2] : 0);
    return x;
  }
}
