import { bent, moved, sizeOf, type Area } from '../path';
import { boundsOf, disc } from './area';
import type { Knobs } from './knobs';
import { layerOf, type Layer } from './layer';
import type { Picture } from '../raster';

/** The flaws of pictures made by machine, from 0 (none) to 1 (many), each decided by the candidate's seeds. */
export interface Flaws {
  readonly share: number;
  readonly knobs: Knobs;
}

/** Near-black where black was meant. */
const inkFlaw = (hex: string, share: number): string => {
  if (share < 0.08) return hex;
  const step = Math.round(6 + 10 * share);
  if (/^#000000$/i.test(hex))
    return `#${[step, step - 1, step + 2].map((v) => Math.max(0, v).toString(16).padStart(2, '0')).join('')}`.toUpperCase();
  return hex;
};

/** A ground that is not quite white. */
export function groundFlaw(hex: string, { share, knobs }: Flaws): string {
  if (share < 0.08 || !/^#FFFFFF$/i.test(hex)) return hex;
  const off = Math.round(2 + 6 * share * (0.5 + knobs('flaw/ground')));
  const warm = knobs.odds('flaw/warm', 0.7) ? 2 : 0;
  return `#${[255 - off + warm, 255 - off, 255 - off - warm * 2].map((v) => Math.min(255, v).toString(16).padStart(2, '0')).join('')}`.toUpperCase();
}

/** Draws flaws into a scene: one side not quite like the other, a part too many, stray marks, near-black. */
export function flawed(layers: readonly Layer[], groundHex: string, { share, knobs }: Flaws): Layer[] {
  if (share <= 0) return [...layers];
  // One side swells or sinks a little, by at most a unit and a half.
  const amount = 1.6 * share * knobs.spread('flaw/side');
  const at = 30 + 40 * knobs('flaw/at');
  const lopsided = (area: Area): Area =>
    Math.abs(amount) < 0.05
      ? area
      : bent(area, (x, y) => {
          const t = x > 50 ? Math.min(1, (x - 50) / 26) : 0;
          const v = Math.exp(-(((y - at) / 16) ** 2));
          return [x + amount * t * v, y + 0.7 * amount * t * Math.exp(-(((y - at - 14) / 12) ** 2))];
        });
  const out: Layer[] = layers.map((l) => ({
    ...l,
    area: lopsided(l.area),
    ...(l.clip ? { clip: lopsided(l.clip) } : {}),
    fill: typeof l.fill === 'string' && l.fill !== groundHex ? inkFlaw(l.fill, share) : l.fill,
  }));
  // A small part twice, beside itself.
  if (knobs('flaw/extra') < share * 0.75) {
    const small = out.filter(
      (l) => !l.soft && !l.grain && sizeOf(l.area) > 1.5 && sizeOf(l.area) < 70 && l.area.length < 4,
    );
    if (small.length) {
      const one = knobs.pick('flaw/which', small);
      const b = boundsOf(one.area);
      const turn = knobs('flaw/turn') * 6.28;
      const far = Math.max(b.width, b.height) * 1.15;
      out.push({
        ...one,
        area: moved(one.area, [
          0.9,
          0,
          0,
          0.9,
          0.1 * (b.x + b.width / 2) + far * Math.cos(turn),
          0.1 * (b.y + b.height / 2) + far * Math.sin(turn),
        ]),
      });
    }
  }
  // Specks and crumbs that belong to nothing.
  const random = knobs.stream('flaw/strays');
  const strays = Math.floor(share * 6 * random());
  const solid = out.filter((l) => typeof l.fill === 'string' && l.fill !== groundHex);
  for (let i = 0; i < strays && solid.length; i++) {
    const l = solid[Math.floor(random() * solid.length)];
    const b = boundsOf(l.area);
    const t = random() * 6.28;
    const r = 0.25 + 0.6 * random() * share;
    const crumb = moved(disc(0, 0, r, 14), [
      1,
      0,
      0,
      0.55 + 0.5 * random(),
      b.x + b.width / 2 + (b.width / 2 + 3) * Math.cos(t),
      b.y + b.height / 2 + (b.height / 2 + 3) * Math.sin(t),
    ]);
    out.push(layerOf(crumb, l.fill));
  }
  return out;
}

/** Soft edges and a faint noise, on the finished pixels, in place. Sizes go by the picture's shorter side. */
export function wearPicture(picture: Picture, { share, knobs }: Flaws): Picture {
  const { rgba, widthPx: w, heightPx: h } = picture;
  const soft = Math.max(0, share - 0.2) * 0.3 * knobs('flaw/soft');
  if (soft > 0.01) {
    const from = rgba.slice();
    for (let y = 1; y < h - 1; y++)
      for (let x = 1; x < w - 1; x++)
        for (let c = 0; c < 3; c++) {
          const i = (y * w + x) * 4 + c;
          const cross = from[i - 4] + from[i + 4] + from[i - 4 * w] + from[i + 4 * w];
          rgba[i] = from[i] * (1 - 4 * soft * 0.8) + cross * soft * 0.8;
        }
  }
  const noise = Math.max(0, share - 0.3) * 7;
  if (noise > 0.3) {
    const random = knobs.stream('flaw/noise');
    for (let i = 0; i < rgba.length; i += 4) {
      const d = (random() + random() - 1) * noise;
      rgba[i] += d;
      rgba[i + 1] += d;
      rgba[i + 2] += d;
    }
  }
  return picture;
}
