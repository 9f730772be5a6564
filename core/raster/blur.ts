import type { Picture } from './picture';

/** The box widths whose three passes come near a Gaussian (SVG 1.1, 15.17): two of `width`, or for even ones half a pixel apart and one wider. */
const boxesFor = (sigmaPx: number): readonly { before: number; after: number }[] => {
  const width = Math.floor((sigmaPx * 3 * Math.sqrt(2 * Math.PI)) / 4 + 0.5);
  const half = Math.floor(width / 2);
  if (width < 2) return [];
  return width % 2
    ? [half, half, half].map((h) => ({ before: h, after: h }))
    : [
        { before: half, after: half - 1 },
        { before: half - 1, after: half },
        { before: half, after: half },
      ];
};

/** One line of values averaged over a window, in place; what lies outside is nothing. */
function boxLine(
  values: Float32Array,
  from: number,
  step: number,
  n: number,
  before: number,
  after: number,
  line: Float32Array,
): void {
  for (let k = 0; k < n; k++) line[k] = values[from + k * step];
  const width = before + after + 1;
  let sum = 0;
  for (let k = 0; k < Math.min(n, after); k++) sum += line[k];
  for (let k = 0; k < n; k++) {
    if (k + after < n) sum += line[k + after];
    if (k - before - 1 >= 0) sum -= line[k - before - 1];
    values[from + k * step] = sum / width;
  }
}

/** A picture blurred by a Gaussian of a standard deviation in px, by three boxes; colours are mixed by their opacity. */
export function blurred({ widthPx: w, heightPx: h, rgba }: Picture, sigmaPx: number): Picture {
  const boxes = boxesFor(sigmaPx);
  if (!boxes.length) return { widthPx: w, heightPx: h, rgba: new Uint8ClampedArray(rgba) };
  const mixed = new Float32Array(rgba.length);
  for (let i = 0; i < rgba.length; i += 4) {
    const a = rgba[i + 3] / 255;
    for (let c = 0; c < 3; c++) mixed[i + c] = rgba[i + c] * a;
    mixed[i + 3] = rgba[i + 3];
  }
  const line = new Float32Array(Math.max(w, h));
  for (const { before, after } of boxes)
    for (let c = 0; c < 4; c++) {
      for (let y = 0; y < h; y++) boxLine(mixed, 4 * y * w + c, 4, w, before, after, line);
      for (let x = 0; x < w; x++) boxLine(mixed, 4 * x + c, 4 * w, h, before, after, line);
    }
  const out = new Uint8ClampedArray(rgba.length);
  for (let i = 0; i < out.length; i += 4) {
    const a = mixed[i + 3] / 255;
    for (let c = 0; c < 3; c++) out[i + c] = a > 0 ? mixed[i + c] / a : 0;
    out[i + 3] = mixed[i + 3];
  }
  return { widthPx: w, heightPx: h, rgba: out };
}
