import * as v from 'valibot';
import { oklabToRgb, rgbToOklab } from '../../colour';
import { copyOf, defineStep } from './define';

const amount = v.optional(v.pipe(v.number(), v.minValue(-100, '-100 or more'), v.maxValue(100, '100 or less')), 0);

/** How far full warmth moves colours along OKLab's b, and a little along its a. */
const WARM = { b: 0.06, a: 0.015 } as const;

/** Brightness, contrast, saturation and warmth of the whole picture, each from -100 to 100. */
export const tone = defineStep({
  schema: v.object({
    kind: v.literal('tone'),
    brightness: amount,
    contrast: amount,
    saturation: amount,
    warmth: amount,
  }),
  apply(picture, { brightness, contrast, saturation, warmth }) {
    const out = copyOf(picture);
    const { rgba } = out;
    const [lift, spread, colour, warm] = [brightness / 250, 1 + contrast / 100, 1 + saturation / 100, warmth / 100];
    // Pictures of flat colours ask for the same few again and again.
    const known = new Map<number, number>();
    for (let i = 0; i < rgba.length; i += 4) {
      const from = (rgba[i] << 16) | (rgba[i + 1] << 8) | rgba[i + 2];
      let to = known.get(from);
      if (to === undefined) {
        const { L, a, b } = rgbToOklab(rgba[i], rgba[i + 1], rgba[i + 2]);
        // White stays white under warmth as black stays black: it is strongest between.
        const middle = 4 * Math.max(0, L * (1 - L));
        const [r, g, l] = oklabToRgb({
          L: Math.max(0, Math.min(1, 0.5 + (L - 0.5) * spread + lift)),
          a: a * colour + WARM.a * warm * middle,
          b: b * colour + WARM.b * warm * middle,
        }).map((v) => Math.max(0, Math.min(255, Math.round(v))));
        to = (r << 16) | (g << 8) | l;
        if (known.size < 1_000_000) known.set(from, to);
      }
      rgba[i] = to >> 16;
      rgba[i + 1] = (to >> 8) & 255;
      rgba[i + 2] = to & 255;
    }
    return out;
  },
  tell(step) {
    const names = ['brightness', 'contrast', 'saturation', 'warmth'] as const;
    const told = names.filter((n) => step[n]).map((n) => `${n} ${step[n] > 0 ? '+' : ''}${step[n]}`);
    return told.join(', ') || 'tone as it was';
  },
});
