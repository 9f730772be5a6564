/**
 * What mending is worth: `npx tsx bench/mend.ts [--count 12] [--kind several] [--pictures DIR]`. Lettering that lies on drawings is mended; the means of how far the
 * colours in the area lie from the drawing without lettering, in OKLab, beside what two plain methods give there.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { oklabDistance, rgbToOklab } from '../core/colour';
import { blankPicture, type Picture } from '../core/raster';
import { mended } from '../core/retouch';
import { encodePng } from '../node/pictures';
import { MEND_KINDS, mendCases, SIDE_PX, type MendCase, type MendKind } from './mending';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '12' },
    kind: { type: 'string' },
    as: { type: 'string' },
    seed: { type: 'string', default: '11' },
    pictures: { type: 'string' },
  },
});

function off({ truth, area }: MendCase, { rgba }: Picture): number {
  let [sum, n] = [0, 0];
  for (let i = 0; i < area.length; i++) {
    if (!area[i]) continue;
    const at = (p: Uint8ClampedArray) => rgbToOklab(p[4 * i], p[4 * i + 1], p[4 * i + 2]);
    sum += oklabDistance(at(rgba), at(truth.rgba));
    n++;
  }
  return sum / n;
}

/** Each pixel as the nearest one outside the area. */
function nearest({ picture, area }: MendCase): Picture {
  const rgba = new Uint8ClampedArray(picture.rgba);
  const done = Uint8Array.from(area, (a) => 1 - a);
  let front: number[] = [];
  for (let i = 0; i < area.length; i++) if (done[i]) front.push(i);
  while (front.length) {
    const next: number[] = [];
    for (const i of front)
      for (const j of [i - 1, i + 1, i - SIDE_PX, i + SIDE_PX]) {
        if (j < 0 || j >= area.length || done[j]) continue;
        done[j] = 1;
        rgba.copyWithin(4 * j, 4 * i, 4 * i + 4);
        next.push(j);
      }
    front = next;
  }
  return { ...picture, rgba };
}

/** Each pixel the mean of those beside it, many times over. */
function harmonic(one: MendCase): Picture {
  const start = nearest(one);
  const v = Float32Array.from(start.rgba);
  const inside: number[] = [];
  one.area.forEach((a, i) => a && inside.push(i));
  for (let pass = 0; pass < 400; pass++)
    for (const i of inside)
      for (let c = 0; c < 3; c++) {
        const o = 4 * i + c;
        const mean = (v[o - 4] + v[o + 4] + v[o - 4 * SIDE_PX] + v[o + 4 * SIDE_PX]) / 4;
        v[o] += 1.8 * (mean - v[o]);
      }
  return { ...start, rgba: Uint8ClampedArray.from(v) };
}

const kinds = values.kind ? [values.kind as MendKind] : MEND_KINDS;
const wears = values.as ? [values.as === 'worn'] : [false, true];
for (const kind of kinds)
  for (const isWorn of wears) {
    const rows: { plain: number; even: number; first: number; best: number; ms: number }[] = [];
    for await (const one of mendCases(kind, Number(values.count), isWorn, Number(values.seed))) {
      const mask = { widthPx: SIDE_PX, heightPx: SIDE_PX, covers: one.area };
      const at = performance.now();
      const fills = mended(one.picture, mask);
      const ms = performance.now() - at;
      const found = fills.map((f) => off(one, f.picture));
      rows.push({
        plain: off(one, nearest(one)),
        even: off(one, harmonic(one)),
        first: found[0],
        best: Math.min(...found),
        ms,
      });
      if (values.pictures) {
        mkdirSync(values.pictures, { recursive: true });
        const name = `${one.name.replace(' ', '-')}-${isWorn ? 'worn' : 'clean'}`;
        const sheet = sideBySide([one.picture, ...fills.map((f) => f.picture), one.truth], one.area);
        writeFileSync(`${values.pictures}/${name}.png`, await encodePng(sheet));
        const told = fills.map((f, k) => `${f.how} ${found[k].toFixed(4)}`).join(', ');
        console.log(`${name}: ${told}; nearest ${rows.at(-1)!.plain.toFixed(4)}, ${Math.round(ms)} ms`);
      }
    }
    const median = (pick: (r: (typeof rows)[number]) => number, at = 0.5): string =>
      quantile(rows.map(pick), at).toFixed(4);
    console.log(
      `${kind}, ${isWorn ? 'worn' : 'clean'}: first fill ${median((r) => r.first)} (90 %: ${median((r) => r.first, 0.9)}), best ${median((r) => r.best)} (90 %: ${median((r) => r.best, 0.9)}); ` +
        `nearest pixel ${median((r) => r.plain)}, harmonic ${median((r) => r.even)}; ${Math.round(Number(median((r) => r.ms)))} ms`,
    );
  }

/** What is about the area, of one picture after the other from the top. */
function sideBySide(pictures: readonly Picture[], area: Uint8Array): Picture {
  let [x0, y0, x1, y1] = [SIDE_PX, SIDE_PX, 0, 0];
  area.forEach((a, i) => {
    if (!a) return;
    const [x, y] = [i % SIDE_PX, Math.floor(i / SIDE_PX)];
    [x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)];
  });
  [x0, y0] = [Math.max(0, x0 - 24), Math.max(0, y0 - 24)];
  [x1, y1] = [Math.min(SIDE_PX, x1 + 24), Math.min(SIDE_PX, y1 + 24)];
  const [w, h] = [x1 - x0, y1 - y0];
  const out = blankPicture(w, (h + 6) * pictures.length, [255, 0, 255]);
  pictures.forEach(({ rgba }, k) => {
    for (let y = 0; y < h; y++) {
      const from = 4 * ((y + y0) * SIDE_PX + x0);
      out.rgba.set(rgba.subarray(from, from + 4 * w), 4 * (y + k * (h + 6)) * w);
    }
  });
  return out;
}
