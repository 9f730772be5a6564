/**
 * The tracer against drawings whose outlines are known: `npx tsx bench/trace.ts [--kind single|many] [--count N] [--seed N] [--as WEAR] [--list]`,
 * WEAR one of clean, worn, aliased, jpeg, webp, reduced and soft; clean and worn when left out.
 * Prints the median and the 95th percentile of the error, in pixels, and of the segments against the drawing's own, and on how many drawings the
 * inks were those of the drawing: each within 0.02 in OKLab, and as many; colours of 12 to 24 px² may be found or not.
 */
import { parseArgs } from 'node:util';
import { hexToOklab } from '../core/colour';
import type { Picture } from '../core/raster';
import { trace } from '../core/trace';
import { artworkToSvg } from '../core/export';
import { areInksOf, drawingsOf, errorOf, OTHERWISE, pictureOf, type Drawing, type DrawingKind } from './drawings';
import { quantile } from './quantile';

const { values } = parseArgs({
  options: {
    kind: { type: 'string' },
    count: { type: 'string', default: '200' },
    seed: { type: 'string', default: '1' },
    as: { type: 'string' },
    list: { type: 'boolean' },
  },
});

const makers: Record<string, (d: Drawing) => Promise<Picture>> = {
  clean: async (d) => (await pictureOf(d, false)).picture,
  worn: async (d) => (await pictureOf(d, true)).picture,
  ...OTHERWISE,
};

for (const kind of values.kind ? [values.kind as DrawingKind] : (['single', 'many'] as const))
  for (const wear of values.as ? [values.as] : ['clean', 'worn']) {
    const rows: { name: string; error: number; ratio: number; segments: number; ms: number; inks: boolean }[] = [];
    for (const drawing of drawingsOf(kind, Number(values.count), Number(values.seed))) {
      const picture = await makers[wear](drawing);
      const started = performance.now();
      const { artwork, figures } = trace(picture, { ground: 'keep' });
      const ms = performance.now() - started;
      const error = await errorOf(drawing, artworkToSvg(artwork));
      // The ground is a rectangle that the drawing did not have.
      const segments = figures.segments - 4;
      const inks = await areInksOf(
        drawing,
        artwork.inks.map((i) => hexToOklab(i.hex)),
      );
      if (values.list && !inks) console.log(`not the drawing's inks: ${drawing.name}`);
      rows.push({ name: drawing.name, error, ratio: segments / drawing.segments, segments, ms, inks });
    }
    if (values.list)
      for (const r of [...rows].sort((p, q) => p.error - q.error))
        console.log(r.error.toFixed(3), r.ratio.toFixed(2), r.segments, r.ms.toFixed(0), r.name);
    const all = (of: (r: (typeof rows)[number]) => number) => rows.map(of);
    const [errors, ratios, times] = [all((r) => r.error), all((r) => r.ratio), all((r) => r.ms)];
    console.log(
      `${kind}, ${wear}, ${rows.length} drawings: error ${quantile(errors, 0.5).toFixed(3)} px, 95% ${quantile(errors, 0.95).toFixed(3)}; ` +
        `segments ${quantile(ratios, 0.5).toFixed(2)} of the drawing's, 95% ${quantile(ratios, 0.95).toFixed(2)}; ` +
        (wear === 'worn'
          ? ''
          : `inks right on ${((100 * rows.filter((r) => r.inks).length) / rows.length).toFixed(0)}%; `) +
        `${quantile(times, 0.5).toFixed(0)} ms`,
    );
  }
