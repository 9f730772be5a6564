import { Resvg } from '@resvg/resvg-js';
import { zipSync, strToU8, type Zippable } from 'fflate';
import { packageFiles, type PackageAbout } from '../core/package';
import { type Artwork } from '../core/vector';

/** One file of a packed package, as a list shows it. */
export interface PackedFile {
  readonly name: string;
  readonly about: string;
  readonly bytes: number;
}

/** Draws an SVG of ours as PNG, its longer side `sidePx`, on nothing. */
export function drawSvg(svg: string, widthPx: number, heightPx: number, sidePx: number): Buffer {
  const fitTo =
    widthPx >= heightPx ? { mode: 'width' as const, value: sidePx } : { mode: 'height' as const, value: sidePx };
  return new Resvg(svg, { fitTo, font: { loadSystemFonts: false } }).render().asPng();
}

/** Packs an artwork as a zip. The same artwork and particulars give the same bytes: every file carries the delivery's date. */
export function packArtwork(artwork: Artwork, about: PackageAbout): { zip: Uint8Array; files: PackedFile[] } {
  const entries: Zippable = {};
  const files: PackedFile[] = [];
  // Zip keeps local time and none before 1980; noon keeps the day the same wherever it is read.
  const mtime = new Date(`${about.date}T12:00:00`);
  const made = packageFiles(artwork, about);
  const svg = made.flatMap((file) => ('text' in file && file.name.endsWith('.svg') ? [file.text] : []))[0];
  for (const file of made) {
    const content =
      'text' in file ? strToU8(file.text) : drawSvg(svg, artwork.widthPx, artwork.heightPx, file.pngSidePx);
    entries[file.name] = [content, { mtime, level: 'text' in file ? 9 : 0 }];
    files.push({ name: file.name, about: file.about, bytes: content.byteLength });
  }
  return { zip: zipSync(entries), files };
}
