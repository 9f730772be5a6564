import type { Picture } from '../../raster';
import type { Symmetry } from '../../trace';
import { acrossAxis, axisOf } from '../figure';
import { part } from '../part';
import { sampleCubic } from '../sample';
import { carriedOn, type Wall } from './carry';
import { relax } from './even';
import { facesOf, type Faces, NONE } from './faces';
import { windowAround, type Mask, type Window } from './hole';
import { layFaces, softnessOf } from './lay';
import { pureOf } from './paints';
import { patched } from './patches';

/** What a fill decides, the likeliest first. */
export const MEND_WAYS = ['carried on', 'mirrored', 'straight on', 'ground alone', 'from patches', 'evenly'] as const;
export type MendWay = (typeof MEND_WAYS)[number];

/** One way in which a mended area may come out. */
export interface MendFill {
  readonly how: MendWay;
  /** What decided about chance; with `how` it tells fills apart. */
  readonly seed: number;
  readonly picture: Picture;
}

export interface MendOptions {
  /** How many fills; the first ones are the likeliest. */
  readonly count?: number;
  /** Decides about chance in patches. */
  readonly seed?: number;
  /** Whether what stands alone in the area spreads into it; not so where a part that it stood on is taken out. */
  readonly islands?: boolean;
}

/** Fills that differ by less than this on the mean are the same, in levels. */
const SAME_LEVELS = 0.4;

/** A window with a smaller share of pixels in the middle of one ink is a texture. */
const TEXTURED = 0.3;

/**
 * Fills of an area, the likeliest first, no two alike as long as there are so many: edges between flat areas are carried on into it and joined as they bend
 * least, and the areas between take their colours; or what lies on the other side of an axis is mirrored; or patches of what is around are taken. Empty
 * where the mask covers nothing of the picture, or all of it.
 */
export function* mendFills(
  source: Picture,
  mask: Mask,
  { count = 4, seed = 1, islands = true }: MendOptions = {},
): Generator<MendFill> {
  const window = windowAround(source, mask);
  if (!window) return;
  const filler = new Filler(source, mask, window, islands);
  const made: MendFill[] = [];
  const alike: MendFill[] = [];
  const ways = filler.isTextured()
    ? ['from patches' as const, ...MEND_WAYS.filter((w) => w !== 'from patches')]
    : MEND_WAYS;
  for (const how of ways) {
    if (made.length >= count) return;
    const picture = filler.fill(how, seed);
    if (!picture) continue;
    const fill = { how, seed, picture };
    if (made.some((m) => filler.areAlike(m.picture, picture))) {
      alike.push(fill);
      continue;
    }
    made.push(fill);
    yield fill;
  }
  // On flat colour there is but one way: the rest come out the same.
  for (let k = 0; made.length < count; k++) {
    const again = seed + 1 + k;
    const picture = alike[k] ? null : filler.fill('from patches', again);
    const fill = alike[k] ?? {
      how: picture ? 'from patches' : made[0].how,
      seed: again,
      picture: picture ?? made[0].picture,
    };
    made.push(fill);
    yield fill;
  }
}

/** One fill by what it decides, or null where that leads nowhere, or the mask covers nothing or all. */
export function mendWith(
  source: Picture,
  mask: Mask,
  how: MendWay,
  { seed = 1, islands = true }: MendOptions = {},
): Picture | null {
  const window = windowAround(source, mask);
  return window && new Filler(source, mask, window, islands).fill(how, seed);
}

/** All the fills at once. */
export const mended = (source: Picture, mask: Mask, options?: MendOptions): MendFill[] => [
  ...mendFills(source, mask, options),
];

class Filler {
  private readonly pure: Uint8Array;
  private readonly sigma: number;
  private carried: Picture | null = null;

  constructor(
    private readonly source: Picture,
    private readonly mask: Mask,
    private readonly window: Window,
    private readonly islands: boolean,
  ) {
    this.pure = pureOf(window);
    this.sigma = softnessOf(window);
  }

  isTextured(): boolean {
    const { holeOf } = this.window;
    let [known, pure] = [0, 0];
    for (let i = 0; i < holeOf.length; i++) {
      if (holeOf[i] >= 0) continue;
      known++;
      pure += this.pure[i];
    }
    return pure < TEXTURED * known;
  }

  /** The whole picture with its holes filled in one way, or null where that way leads nowhere. */
  fill(how: MendWay, seed: number): Picture | null {
    switch (how) {
      case 'carried on':
        return this.carriedOn();
      case 'straight on':
        return this.between(carriedOn(this.window, false));
      case 'ground alone':
        return this.alone();
      case 'mirrored':
        return this.mirrored();
      case 'from patches':
        return this.fromPatches(seed);
      case 'evenly':
        return this.evenly();
    }
  }

  areAlike(p: Picture, q: Picture): boolean {
    let [sum, n] = [0, 0];
    const { covers } = this.mask;
    for (let i = 0; i < covers.length; i++) {
      if (!covers[i]) continue;
      n++;
      for (let c = 0; c < 4; c++) sum += Math.abs(p.rgba[4 * i + c] - q.rgba[4 * i + c]);
    }
    return sum < 4 * SAME_LEVELS * n;
  }

  private carriedOn(): Picture {
    return (this.carried ??= this.between(carriedOn(this.window, true)));
  }

  /** The window of a picture as it is, with what is transparent in it. */
  private windowOf(picture: Picture): Picture {
    const { left, top, picture: seen } = this.window;
    return part(picture, left, top, left + seen.widthPx, top + seen.heightPx).picture;
  }

  private fromPatches(seed: number): Picture | null {
    const { picture, clear } = this.window;
    const filled = patched(picture, this.covers(), seed, clear === null ? null : this.windowOf(this.source));
    return filled && this.withWindow(filled);
  }

  private copy(): Picture {
    return { ...this.source, rgba: new Uint8ClampedArray(this.source.rgba) };
  }

  private covers(): Uint8Array {
    return Uint8Array.from(this.window.holeOf, (h) => Number(h >= 0));
  }

  /** Holes with the inks that lie between walls. */
  private between(walls: readonly Wall[]): Picture {
    const out = this.copy();
    this.window.holes.forEach((_, hole) => this.lay(out, hole, facesOf(this.window, hole, walls, this.islands)));
    return out;
  }

  private lay(out: Picture, hole: number, faces: Faces): void {
    layFaces(out, this.window, hole, faces, this.pure, this.sigma);
  }

  /** Holes of the ground where they touch it, else of what they touch most: what stands in them ends at their rim. */
  private alone(): Picture {
    const out = this.copy();
    const { ground } = this.window.apart;
    this.window.holes.forEach((_, hole) => {
      const faces = facesOf(this.window, hole, [], this.islands);
      const counts = new Map<number, number>();
      for (const ink of faces.inks) if (ink !== NONE) counts.set(ink, (counts.get(ink) ?? 0) + 1);
      const most = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
      if (most === undefined) return;
      const ink = ground !== null && counts.has(ground) ? ground : most;
      this.lay(out, hole, { ...faces, inks: faces.inks.map((k) => (k === NONE ? k : ink)) });
    });
    return out;
  }

  /** What lies on the other side of an axis; where that is to be mended too, edges carried on. Null where there is no axis. */
  private mirrored(): Picture | null {
    const axis = axisWithout(this.source, this.mask);
    if (!axis) return null;
    const out = this.copy();
    const rest = this.carriedOn();
    const { widthPx: w } = this.source;
    const { covers } = this.mask;
    let taken = 0;
    for (let i = 0; i < covers.length; i++) {
      if (!covers[i]) continue;
      const [mx, my] = acrossAxis(axis, (i % w) + 0.5, Math.floor(i / w) + 0.5);
      const isThere = isKnownAbout(this.mask, mx, my);
      if (isThere) taken++;
      out.rgba.set(
        isThere ? sampleCubic(this.source, mx, my, NOTHING_THERE) : rest.rgba.subarray(4 * i, 4 * i + 4),
        4 * i,
      );
    }
    return taken ? out : null;
  }

  private withWindow(filled: Picture): Picture {
    const out = this.copy();
    const { left, top, holeOf } = this.window;
    for (let i = 0; i < holeOf.length; i++) {
      if (holeOf[i] < 0) continue;
      const x = i % filled.widthPx;
      const to = 4 * (((i - x) / filled.widthPx + top) * out.widthPx + x + left);
      out.rgba.set(filled.rgba.subarray(4 * i, 4 * i + 4), to);
    }
    return out;
  }

  /** Colours that go over evenly from rim to rim: each pixel the mean of those beside it, by their opacity. */
  private evenly(): Picture {
    const start = this.windowOf(this.carriedOn());
    const values = Float32Array.from(start.rgba);
    for (let i = 0; i < values.length; i++) if (i % 4 < 3) values[i] *= start.rgba[i - (i % 4) + 3] / 255;
    relax(values, start.widthPx, start.heightPx, this.covers());
    for (let i = 0; i < values.length; i++) if (i % 4 < 3) values[i] *= 255 / Math.max(1e-3, values[i - (i % 4) + 3]);
    return this.withWindow({ ...start, rgba: Uint8ClampedArray.from(values) });
  }
}

/** Rounds in which the axis is looked for: what is mended on one side is left out on the other too, as soon as it is known where that is. */
const AXIS_ROUNDS = 3;

/** The axis of a picture without what is to be mended, or null. */
function axisWithout(source: Picture, { covers }: Mask): Symmetry | null {
  const { widthPx: w, heightPx: h } = source;
  let axis: Symmetry | null = null;
  for (let round = 0; round < AXIS_ROUNDS; round++) {
    const open = { ...source, rgba: new Uint8ClampedArray(source.rgba) };
    for (let i = 0; i < covers.length; i++) {
      if (!covers[i]) continue;
      open.rgba[4 * i + 3] = 0;
      if (!axis) continue;
      const [x, y] = acrossAxis(axis, (i % w) + 0.5, Math.floor(i / w) + 0.5).map(Math.floor);
      if (x >= 0 && y >= 0 && x < w && y < h) open.rgba[4 * (y * w + x) + 3] = 0;
    }
    const found = axisOf(open, axis ? { angleRad: axis.angleRad } : { least: LOOSE });
    if (!found) return null;
    axis = found;
  }
  return axis;
}

/** Before the other side of what is mended is left out, so much alike is enough. */
const LOOSE = 0.7;

const NOTHING_THERE = [0, 0, 0, 0];

/** Whether all that a colour between pixels is made of lies in the picture, and is not to be mended. */
function isKnownAbout({ widthPx: w, heightPx: h, covers }: Mask, x: number, y: number): boolean {
  const [x0, y0] = [Math.floor(x - 0.5), Math.floor(y - 0.5)];
  const isOnPixel = Math.abs(x - 0.5 - Math.round(x - 0.5)) + Math.abs(y - 0.5 - Math.round(y - 0.5)) < 1e-6;
  const [from, to] = isOnPixel ? [0, 0] : [-1, 2];
  for (let v = y0 + from; v <= y0 + to; v++)
    for (let u = x0 + from; u <= x0 + to; u++)
      if (u < 0 || v < 0 || u >= w || v >= h || covers[v * w + u]) return false;
  return true;
}
