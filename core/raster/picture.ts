/** A picture: rows from the top, four bytes a pixel (sRGB and straight alpha, 0..255). */
export interface Picture {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly rgba: Uint8ClampedArray;
}

/** An empty picture, wholly transparent or of one colour; throws a RangeError on sizes that are not positive whole numbers. */
export function blankPicture(widthPx: number, heightPx: number, rgb?: readonly [number, number, number]): Picture {
  if (!Number.isInteger(widthPx) || !Number.isInteger(heightPx) || widthPx < 1 || heightPx < 1)
    throw new RangeError(`a picture of ${widthPx} x ${heightPx} px cannot be made`);
  const rgba = new Uint8ClampedArray(widthPx * heightPx * 4);
  if (rgb)
    for (let i = 0; i < rgba.length; i += 4) {
      rgba[i] = rgb[0];
      rgba[i + 1] = rgb[1];
      rgba[i + 2] = rgb[2];
      rgba[i + 3] = 255;
    }
  return { widthPx, heightPx, rgba };
}

/** The picture laid on a ground colour: every pixel opaque. */
export function onGround(picture: Picture, [r, g, b]: readonly [number, number, number]): Picture {
  const out = new Uint8ClampedArray(picture.rgba.length);
  const src = picture.rgba;
  for (let i = 0; i < src.length; i += 4) {
    const t = src[i + 3] / 255;
    out[i] = src[i] * t + r * (1 - t);
    out[i + 1] = src[i + 1] * t + g * (1 - t);
    out[i + 2] = src[i + 2] * t + b * (1 - t);
    out[i + 3] = 255;
  }
  return { ...picture, rgba: out };
}

/**
 * Shrinks by exact area averaging of premultiplied sRGB values, as screens do when they show a picture small. Sizes are whole
 * pixels from 1 up to the picture's own; a larger one is brought down to that.
 */
export function shrink(picture: Picture, toWidthPx: number, toHeightPx: number): Picture {
  const w = Math.max(1, Math.min(picture.widthPx, Math.round(toWidthPx)));
  const h = Math.max(1, Math.min(picture.heightPx, Math.round(toHeightPx)));
  const { widthPx: sw, heightPx: sh, rgba } = picture;
  // Across first, then down: two passes cost far less than one over every source pixel of each target pixel.
  const across = new Float32Array(w * sh * 4);
  const stepX = sw / w;
  for (let y = 0; y < sh; y++)
    for (let x = 0; x < w; x++) {
      const from = x * stepX;
      const to = from + stepX;
      const last = Math.min(sw, Math.ceil(to - 1e-9));
      let [r, g, b, a] = [0, 0, 0, 0];
      for (let sx = Math.floor(from); sx < last; sx++) {
        const i = (y * sw + sx) * 4;
        const alpha = (rgba[i + 3] * (Math.min(to, sx + 1) - Math.max(from, sx))) / 255;
        r += rgba[i] * alpha;
        g += rgba[i + 1] * alpha;
        b += rgba[i + 2] * alpha;
        a += alpha;
      }
      const o = (y * w + x) * 4;
      across[o] = r;
      across[o + 1] = g;
      across[o + 2] = b;
      across[o + 3] = a;
    }
  const out = new Uint8ClampedArray(w * h * 4);
  const stepY = sh / h;
  const row = new Float32Array(w * 4);
  for (let y = 0; y < h; y++) {
    row.fill(0);
    const from = y * stepY;
    const to = from + stepY;
    for (let sy = Math.floor(from); sy < Math.min(sh, Math.ceil(to - 1e-9)); sy++) {
      const weight = Math.min(to, sy + 1) - Math.max(from, sy);
      const base = sy * w * 4;
      for (let k = 0; k < row.length; k++) row[k] += across[base + k] * weight;
    }
    for (let x = 0; x < w; x++) {
      const o = (y * w + x) * 4;
      const alpha = row[x * 4 + 3];
      if (alpha <= 0) continue;
      out[o] = row[x * 4] / alpha;
      out[o + 1] = row[x * 4 + 1] / alpha;
      out[o + 2] = row[x * 4 + 2] / alpha;
      out[o + 3] = (alpha / (stepX * stepY)) * 255;
    }
  }
  return { widthPx: w, heightPx: h, rgba: out };
}

/** Shrinks so that the longer side is at most `sidePx`, keeping the ratio; a smaller picture stays as it is. */
export function shrinkToFit(picture: Picture, sidePx: number): Picture {
  const scale = sidePx / Math.max(picture.widthPx, picture.heightPx);
  return scale >= 1 ? picture : shrink(picture, picture.widthPx * scale, picture.heightPx * scale);
}

/** Where a picture shows anything, in its pixels: what is at least so opaque (0..255); null where nothing is. */
export function seenIn(
  { widthPx: w, heightPx: h, rgba }: Picture,
  least = 6,
): { x: number; y: number; width: number; height: number } | null {
  let [x0, y0, x1, y1] = [w, h, -1, -1];
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++)
      if (rgba[4 * (y * w + x) + 3] >= least) {
        x0 = Math.min(x0, x);
        x1 = Math.max(x1, x);
        y0 = Math.min(y0, y);
        y1 = y;
      }
  return x1 < 0 ? null : { x: x0, y: y0, width: x1 + 1 - x0, height: y1 + 1 - y0 };
}

/** Mean absolute difference of two pictures of one size, 0..255; their transparency is not looked at. */
export function differenceOf(p: Picture, q: Picture): number {
  let sum = 0;
  for (let i = 0; i < p.rgba.length; i += 4)
    sum +=
      Math.abs(p.rgba[i] - q.rgba[i]) +
      Math.abs(p.rgba[i + 1] - q.rgba[i + 1]) +
      Math.abs(p.rgba[i + 2] - q.rgba[i + 2]);
  return sum / (p.rgba.length * 0.75);
}
