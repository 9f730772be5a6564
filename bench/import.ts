/**
 * Drawings of packs read and drawn again through the scene, against what resvg makes of the files themselves: `npx tsx bench/import.ts [--count N]
 * [--from N] [--side PX] [--list]`. Prints in how many fewer than 0.5% of pixels differ (by more than 12 of 255 in any channel, over white and over
 * black), for the SVG written from the scene and for our own drawing of it.
 */
import { Resvg } from '@resvg/resvg-js';
import { parseArgs } from 'node:util';
import { artworkToSvg } from '../core/export';
import { readSvg } from '../core/import';
import { renderArtwork } from '../core/scene';
import { packDrawings } from './packs';

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '1000' },
    from: { type: 'string', default: '0' },
    side: { type: 'string', default: '256' },
    list: { type: 'boolean' },
  },
});
const side = Number(values.side);

interface Pixels {
  readonly rgba: ArrayLike<number>;
  readonly width: number;
  readonly height: number;
}

/** Premultiplied pixels of an SVG as resvg draws it, its longer side of the size asked for. */
function drawn(svg: string, wide: boolean): Pixels {
  const image = new Resvg(svg, {
    fitTo: { mode: wide ? 'width' : 'height', value: side },
    font: { loadSystemFonts: false },
  }).render();
  return { rgba: image.pixels, width: image.width, height: image.height };
}

const OFF = 12;

/** The share of pixels that differ; opacities count as colours do, so that any ground would show it. */
function shareOff(a: Pixels, b: Pixels): number {
  if (a.width !== b.width || a.height !== b.height) return 1;
  let off = 0;
  for (let i = 0; i < a.rgba.length; i += 4)
    for (let c = 0; c < 4; c++)
      if (Math.abs(a.rgba[i + c] - b.rgba[i + c]) > OFF) {
        off++;
        break;
      }
  return (4 * off) / a.rgba.length;
}

const rows: { name: string; again: number; ours: number; ms: number; leftOut: string }[] = [];
for (const { name, svg } of packDrawings(Number(values.count), Number(values.from))) {
  const started = performance.now();
  const { artwork, leftOut } = readSvg(svg);
  const ms = performance.now() - started;
  const wide = artwork.widthPx >= artwork.heightPx;
  const own = drawn(svg, wide);
  const { rgba, widthPx: width, heightPx: height } = renderArtwork(artwork, side);
  const mixed = new Float32Array(rgba.length);
  for (let i = 0; i < rgba.length; i++) mixed[i] = i % 4 === 3 ? rgba[i] : (rgba[i] * rgba[i - (i % 4) + 3]) / 255;
  rows.push({
    name,
    again: shareOff(own, drawn(artworkToSvg(artwork), wide)),
    ours: shareOff(own, { rgba: mixed, width, height }),
    ms,
    leftOut: leftOut.map((l) => l.what).join(', '),
  });
}
if (values.list)
  for (const r of [...rows].sort((p, q) => q.again - p.again).filter((r) => r.again >= 0.001 || r.ours >= 0.02))
    console.log((100 * r.again).toFixed(2), (100 * r.ours).toFixed(2), r.name, r.leftOut);
const under = (of: (r: (typeof rows)[number]) => number, share: number) =>
  `${((100 * rows.filter((r) => of(r) < share).length) / rows.length).toFixed(1)}%`;
const sorted = rows.map((r) => r.ms).sort((p, q) => p - q);
console.log(
  `${rows.length} drawings: under 0.5% of pixels off in ${under((r) => r.again, 0.005)} written again, in ${under((r) => r.ours, 0.005)} drawn by ourselves ` +
    `(under 2% in ${under((r) => r.ours, 0.02)}); read in ${sorted[rows.length >> 1].toFixed(1)} ms on the median, ${sorted[rows.length - 1].toFixed(0)} at most`,
);
