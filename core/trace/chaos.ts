/** Pictures, or parts of them, that are nothing but noise: told early, since no area of theirs is larger than a pixel or two. */
import { blurred, type Picture } from '../raster';

/** Pictures are looked at in squares of so many pixels. */
const TILE_PX = 16;

/** A pixel differs from the next when the levels of its channels do by this much in all. */
const DIFFERS = 30;

/**
 * A square is noise when more than this share of its pixels differ both from the next and from the one below: the finest hatching comes to 0.88, in few squares. Where
 * nearly all of a picture has the lesser share, there is noise over all of it.
 */
const NOISE_SHARE = 0.92;
const ROUGH_SHARE = 0.25;
const NEARLY_ALL = 0.5;

/** How many levels of noise may be left, as a standard deviation: what is traced without trouble. */
const LEFT_LEVELS = 2.5;
const AFAR_PX = [1, 8] as const;

/** Of each square, in rows: the share of its pixels that differ from those beside them, and by how many levels a channel on the mean. */
function roughness({ widthPx: w, heightPx: h, rgba }: Picture): { share: Float32Array; levels: Float32Array } {
  const across = Math.ceil(w / TILE_PX);
  const count = across * Math.ceil(h / TILE_PX);
  const [share, levels] = [new Float32Array(count), new Float32Array(count)];
  for (let k = 0; k < count; k++) {
    const [x0, y0] = [(k % across) * TILE_PX, Math.floor(k / across) * TILE_PX];
    const [x1, y1] = [Math.min(w - 1, x0 + TILE_PX), Math.min(h - 1, y0 + TILE_PX)];
    const n = Math.max(1, (x1 - x0) * (y1 - y0));
    for (let y = y0; y < y1; y++)
      for (let x = x0; x < x1; x++) {
        const i = 4 * (y * w + x);
        const [across1, down] = [apart(rgba, i, i + 4), apart(rgba, i, i + 4 * w)];
        if (across1 > DIFFERS && down > DIFFERS) share[k] += 1 / n;
        levels[k] += (across1 + down) / (6 * n);
      }
  }
  return { share, levels };
}

const apart = (rgba: Uint8ClampedArray, i: number, j: number): number =>
  Math.abs(rgba[i] - rgba[j]) + Math.abs(rgba[i + 1] - rgba[j + 1]) + Math.abs(rgba[i + 2] - rgba[j + 2]);

/** A picture whose parts that are nothing but noise are seen from as far as they need; the picture itself where there are none. */
export function withoutChaos(picture: Picture): Picture {
  const { share, levels } = roughness(picture);
  const rough = share.reduce((sum, s) => sum + Number(s > ROUGH_SHARE), 0);
  const least = rough > NEARLY_ALL * share.length ? ROUGH_SHARE : NOISE_SHARE;
  const noisy = [...share.keys()].filter((k) => share[k] > least);
  if (!noisy.length) return picture;
  // Two normal values of one deviation differ by 1.13 of it on the mean; a Gaussian of s pixels leaves a share of 1 / (2 s √π) of it.
  const deviation = noisy.reduce((sum, k) => sum + levels[k], 0) / noisy.length / 1.13;
  const farPx = Math.max(AFAR_PX[0], Math.min(AFAR_PX[1], deviation / LEFT_LEVELS / (2 * Math.sqrt(Math.PI))));
  const { widthPx: w, heightPx: h, rgba } = picture;
  const far = blurred(picture, farPx).rgba;
  const out = new Uint8ClampedArray(rgba);
  const across = Math.ceil(w / TILE_PX);
  for (const k of noisy) {
    const [x0, y0] = [(k % across) * TILE_PX, Math.floor(k / across) * TILE_PX];
    for (let y = y0; y < Math.min(h, y0 + TILE_PX); y++) {
      const [from, to] = [4 * (y * w + x0), 4 * (y * w + Math.min(w, x0 + TILE_PX))];
      out.set(far.subarray(from, to), from);
    }
  }
  return { ...picture, rgba: out };
}
