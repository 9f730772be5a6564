/** How large files will be, before any is made: told from what they are made of. */
import { artworkToSvg } from '../export';
import { motionAsk } from '../motion';
import { flatten } from '../path';
import { sceneOf } from '../scene';
import { seenInks, type Artwork } from '../vector';
import type { PlannedFile } from './plan';
import sizes from './sizes.json';

/** As sets are begun with. */
const FRAMES_A_SECOND = sizes.motion.framesASecond;

/** What of a look of a work its files' sizes follow from. */
export interface Weight {
  /** Of its plain SVG, in bytes. */
  readonly svgBytes: number;
  /** The length of all that is seen of its outlines, in longer sides. */
  readonly edges: number;
  /** Whether colours go over softly, in gradients or soft effects. */
  readonly isSoft: boolean;
  readonly shapes: number;
}

export function weightOf(artwork: Artwork): Weight {
  const longer = Math.max(artwork.widthPx, artwork.heightPx);
  let length = 0;
  const { shapes } = sceneOf(artwork, { strokes: 'kept' });
  for (const { contours } of shapes)
    for (const contour of contours) {
      const ring = flatten(contour, longer / 200);
      for (let i = 2; i + 1 < ring.length; i += 2) length += Math.hypot(ring[i] - ring[i - 2], ring[i + 1] - ring[i - 1]); // prettier-ignore
    }
  return {
    svgBytes: artworkToSvg(artwork, { lines: false }).length,
    edges: length / longer,
    isSoft: seenInks(artwork).some((i) => i.gradient) || shapes.some((s) => s.layers.some((l) => l.effects.length > 0)),
    shapes: shapes.length,
  };
}

/** Bytes of a PNG of flat colours: rows of pixels pack to next to nothing, edges do not. What is opaque is packed closer. */
const png = ({ edges, isSoft }: Weight, widthPx: number, heightPx: number, share = 1, isPacked = false): number => {
  const figurePx = share * Math.min(widthPx, heightPx);
  const area = widthPx * heightPx;
  return 160 + area / (isPacked ? 500 : 1500) + (isPacked ? 2.6 : 4.9) * edges * (share === 1 ? Math.max(widthPx, heightPx) : figurePx) + (isSoft ? 0.5 * share * share * area : 0); // prettier-ignore
};

/** How large a file will be, in bytes, roughly: mostly within a third, in sum within a tenth (`bench/package`). */
export function bytesOf(
  { making, widthPx, heightPx }: Pick<PlannedFile, 'making' | 'widthPx' | 'heightPx'>,
  weight: Weight,
): number {
  const { svgBytes } = weight;
  const [w, h] = [widthPx ?? 0, heightPx ?? 0];
  switch (making.as) {
    case 'svg':
      return making.small ? 0.8 * svgBytes : 1.05 * svgBytes + 300;
    case 'cut-svg':
      return 1.6 * svgBytes + 600;
    case 'png':
    case 'jpeg':
      if (making.as === 'jpeg') return 0.033 * w * h + 3 * weight.edges * Math.max(w, h);
      return png(weight, w, h, making.place && making.place.within !== 'cover' ? making.place.share : 1, making.place?.ground === 'ground'); // prettier-ignore
    case 'pdf':
      return 1200 + 0.6 * svgBytes + (making.cutMm ? 0.6 * svgBytes : 0);
    case 'eps':
      return 1200 + 1.3 * svgBytes;
    case 'ico':
      return making.sidesPx.reduce((sum, side) => sum + png(weight, side, side), 0);
    case 'ground':
      return 120 + (making.sidePx * making.sidePx) / 500;
    case 'text':
      return { manifest: 900, html: 420, data: 0.85 * svgBytes, inks: 700, css: 100, work: 7.5 * svgBytes }[
        making.what
      ];
    case 'sheet':
      return 60_000 + 7 * svgBytes;
    case 'motion-svg':
      return 1.6 * svgBytes + 250 * weight.shapes;
    case 'motion-json':
      return 2.5 * svgBytes + 700 * weight.shapes;
    case 'motion-picture':
      return motionAsk(making.kind).seconds * FRAMES_A_SECOND * png(weight, w, h);
    case 'motion-poster':
      return png(weight, w, h);
  }
}
