/** The files of a planned package, each made of a look of a subject. */
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { optimize } from 'svgo';
import { artworkToSvg, icoOf, sceneToEps, sceneToPdf, sceneToSvg, type PressInk } from '../core/export';
import { groundFor, inkTokens, placedOn, sizes, type Making, type Placing, type PlannedFile } from '../core/package';
import { motionAsk, motionOf, motionToLottie, motionToSvg, sceneAt, type Motion, type MotionKind } from '../core/motion'; // prettier-ignore
import { areaFrom, filled, grown, sparse, unionFine, type Contour } from '../core/path';
import { contoursOfArea, sceneOf } from '../core/scene';
import { oneColoured, seenInks, type Artwork } from '../core/vector';
import { apngOf } from './apng';
import { brandSheet } from './brand-sheet';
import { inLook, type PackageSubject } from './package-subject';
import { drawSvg } from './packing';

export interface MakingContext {
  /** ISO date of the package, which all its files carry. */
  readonly date: string;
  readonly title: string;
  /** What the client's work stands on; white and near-black where there are none. */
  readonly grounds: readonly string[];
  readonly press?: Readonly<Record<string, PressInk>>;
}

/** The name of the plate of cut lines. */
export const CUT_PLATE = 'Cut line';

/** Makes files of one package; what several of them need is made once. */
export class PackageMaker {
  private readonly looks = new Map<string, Artwork>();
  private readonly small = new Map<string, string>();

  constructor(
    private readonly subjects: readonly PackageSubject[],
    private readonly context: MakingContext,
    /** All that the package has, for what tells of it. */
    private readonly plan: readonly PlannedFile[] = [],
  ) {}

  /** A subject in a look. */
  artworkOf({ subject, look }: Pick<PlannedFile, 'subject' | 'look'>): Artwork {
    const key = `${subject} ${look.key}`;
    let artwork = this.looks.get(key);
    if (!artwork) {
      const own = this.subjects.find((s) => s.key === subject)!.artwork;
      artwork = inLook(own, look);
      this.looks.set(key, artwork);
    }
    return artwork;
  }

  private groundOf(file: Pick<PlannedFile, 'subject' | 'look'>): string {
    if (file.look.kind === 'reversed') return '#111111';
    return groundFor(this.artworkOf(file), this.context.grounds);
  }

  /** What a picture shows: the look as it is, or placed on a sheet. */
  private shown(file: PlannedFile, { place, mono }: { place?: Placing; mono?: boolean }): Artwork {
    let artwork = this.artworkOf(file);
    if (mono) artwork = oneColoured(artwork, { hex: '#000000' }).artwork;
    if (!place) return artwork;
    const { ground, ...rest } = place;
    return placedOn(artwork, { ...rest, ...(ground === 'ground' ? { groundHex: this.groundOf(file) } : {}) });
  }

  private titleOf({ subject, look }: PlannedFile): string {
    const { name } = this.subjects.find((s) => s.key === subject)!;
    return look.kind === 'own' ? name : `${name}, ${look.name}`;
  }

  private smallSvg(file: PlannedFile): string {
    const key = `${file.subject} ${file.look.key}`;
    let svg = this.small.get(key);
    if (svg === undefined) {
      const plain = artworkToSvg(this.artworkOf(file), { title: this.titleOf(file), lines: false });
      svg = optimize(plain, { multipass: true }).data;
      this.small.set(key, svg);
    }
    return svg;
  }

  async make(file: PlannedFile): Promise<Uint8Array> {
    const { making } = file;
    const artwork = this.artworkOf(file);
    const common = { title: this.titleOf(file), date: this.context.date };
    switch (making.as) {
      case 'svg': {
        if (making.small) return utf8(this.smallSvg(file));
        const inks = seenInks(artwork).map((i) => `${i.name} ${i.hex}`);
        return utf8(artworkToSvg(artwork, { title: common.title, description: `Inks: ${inks.join(', ')}.` }));
      }
      case 'png':
      case 'jpeg':
        return this.picture(file, making);
      case 'pdf': {
        const { colours, longerMm, cutMm } = making;
        const cut = cutMm ? { name: CUT_PLATE, contours: cutLine(artwork, (cutMm * longerOf(artwork)) / longerMm) } : undefined; // prettier-ignore
        const { press } = this.context;
        // A cut line runs outside the figure: it needs the room.
        return sceneToPdf(sceneOf(artwork, { strokes: 'kept' }), { ...common, colours, longerMm, press, cut, ...(cutMm ? { bleedMm: cutMm + 1 } : {}) }); // prettier-ignore
      }
      case 'eps':
        return utf8(sceneToEps(sceneOf(artwork, { strokes: 'kept' }), { ...common, longerMm: making.longerMm }));
      case 'cut-svg':
        return utf8(cutSvg(artwork, making, common.title));
      case 'ico':
        return icoOf(
          making.sidesPx.map((sidePx) => ({
            sidePx,
            png: pngOf(
              placedOn(artwork, { widthPx: sidePx, heightPx: sidePx, within: 'box', share: 1 }),
              sidePx,
              sidePx,
            ),
          })),
        );
      case 'ground': {
        const [r, g, b] = [1, 3, 5].map((k) => parseInt(this.groundOf(file).slice(k, k + 2), 16));
        const { sidePx } = making;
        return sharp({ create: { width: sidePx, height: sidePx, channels: 3, background: { r, g, b } } })
          .png()
          .toBuffer();
      }
      case 'text':
        return utf8(this.text(file, making.what));
      case 'sheet':
        return brandSheet({ ...this.context, subjects: this.subjects, files: this.plan });
      case 'motion-svg':
        return utf8(motionToSvg(this.motionOf(file, making.kind), common.title));
      case 'motion-json':
        return utf8(motionToLottie(this.motionOf(file, making.kind), common.title));
      case 'motion-picture': {
        const motion = this.motionOf(file, making.kind);
        const { framesASecond } = sizes.motion;
        const count = Math.round(motion.seconds * framesASecond);
        const frames = Array.from({ length: count }, (_, k) => this.frameOf(file, motion, motion.loop ? k / count : k / (count - 1))); // prettier-ignore
        return apngOf(frames, { framesASecond, loop: motion.loop });
      }
      case 'motion-poster':
        return this.frameOf(file, this.motionOf(file, making.kind), 1);
    }
  }

  private motionOf(file: PlannedFile, kind: MotionKind): Motion {
    return motionOf(sceneOf(this.artworkOf(file), { strokes: 'kept' }), motionAsk(kind));
  }

  /** A movement at a time, 0..1, as PNG. */
  private frameOf({ widthPx, heightPx }: PlannedFile, motion: Motion, at: number): Uint8Array {
    const svg = sceneToSvg(sceneAt(motion, at), { lines: false, decimals: 3 });
    return drawSvg(svg, motion.widthPx, motion.heightPx, Math.max(widthPx!, heightPx!));
  }

  private async picture(file: PlannedFile, making: Extract<Making, { as: 'png' | 'jpeg' }>): Promise<Uint8Array> {
    const { place, dotsPerInch } = making;
    const png = pngOf(this.shown(file, making), file.widthPx!, file.heightPx!);
    if (making.as === 'jpeg')
      return sharp(png)
        .flatten({ background: this.groundOf(file) })
        .jpeg({ quality: 92, chromaSubsampling: '4:4:4' })
        .toBuffer();
    // What is to be opaque says so: no channel of transparency at all.
    if (place?.ground === 'ground') return sharp(png).flatten({ background: this.groundOf(file) }).png({ compressionLevel: 9 }).toBuffer(); // prettier-ignore
    if (dotsPerInch) return sharp(png).withMetadata({ density: dotsPerInch }).png({ compressionLevel: 9 }).toBuffer();
    return png;
  }

  private text(file: PlannedFile, what: Extract<Making, { as: 'text' }>['what']): string {
    const artwork = this.artworkOf(file);
    const title = this.titleOf(file);
    const stem = file.name.replace(/^.*\//, '').replace(/(-inks|-work|-inline|-head)?\.[a-z]+$/, '');
    switch (what) {
      case 'inks':
        return inkTokens(artwork, title);
      case 'css':
        return `/* Inks of ${title.replace(/\*\//g, '')} */\n:root {\n${seenInks(artwork)
          .map((ink, k, all) => {
            const name = cssName(ink.name);
            const before = all.slice(0, k).filter((i) => cssName(i.name) === name).length;
            return `  --${name}${before ? `-${before + 1}` : ''}: ${ink.hex.toLowerCase()};\n`;
          })
          .join('')}}\n`;
      case 'work':
        return JSON.stringify({ format: 'odd-quill-artwork', version: 1, title, artwork }, null, 1) + '\n';
      case 'data':
        return `data:image/svg+xml,${encodeURIComponent(this.smallSvg(file)).replace(/%20/g, ' ').replace(/%3D/g, '=').replace(/%3A/g, ':').replace(/%2F/g, '/')}\n`;
      case 'manifest':
        return (
          JSON.stringify(
            {
              name: title,
              short_name: title.slice(0, 12).trim(),
              icons: [
                { src: `${stem}-icon-192.png`, sizes: '192x192', type: 'image/png', purpose: 'any' },
                { src: `${stem}-icon-512.png`, sizes: '512x512', type: 'image/png', purpose: 'any' },
                { src: `${stem}-icon-maskable-192.png`, sizes: '192x192', type: 'image/png', purpose: 'maskable' },
                { src: `${stem}-icon-maskable-512.png`, sizes: '512x512', type: 'image/png', purpose: 'maskable' },
              ],
              theme_color: seenInks(artwork)[0]?.hex.toLowerCase() ?? '#000000',
              background_color: this.groundOf(file).toLowerCase(),
              display: 'standalone',
            },
            null,
            2,
          ) + '\n'
        );
      case 'html':
        return [
          `<link rel="icon" href="/${stem}-icon.ico" sizes="48x48">`,
          `<link rel="icon" href="/${stem}-icon.svg" sizes="any" type="image/svg+xml">`,
          `<link rel="apple-touch-icon" href="/${stem}-icon-180.png">`,
          `<link rel="manifest" href="/${stem}.webmanifest">`,
          `<meta name="theme-color" content="${seenInks(artwork)[0]?.hex.toLowerCase() ?? '#000000'}">`,
          '',
        ].join('\n');
    }
  }
}

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);
const longerOf = ({ widthPx, heightPx }: Artwork): number => Math.max(widthPx, heightPx);
const cssName = (name: string): string => `ink-${name.normalize('NFKD').toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-+|-+$/g, '') || 'x'}`; // prettier-ignore

/** A drawing as PNG of just these sides. */
function pngOf(artwork: Artwork, widthPx: number, heightPx: number): Uint8Array {
  const longer = Math.max(widthPx, heightPx);
  const scale = longer / longerOf(artwork);
  const exact = Math.round(artwork.widthPx * scale) === widthPx && Math.round(artwork.heightPx * scale) === heightPx;
  const svg = artworkToSvg(artwork, { lines: false, decimals: 4 });
  if (exact) return drawSvg(svg, artwork.widthPx, artwork.heightPx, longer);
  return new Resvg(svg, { fitTo: { mode: 'width', value: widthPx }, font: { loadSystemFonts: false } })
    .render()
    .asPng();
}

/** The figure's silhouette grown by a distance, without holes: what a cutter follows. */
export function cutLine(artwork: Artwork, byPx: number): Contour[] {
  const { shapes } = sceneOf(artwork, { strokes: 'outlined' });
  const tolerance = longerOf(artwork) / 8000;
  const rings = unionFine(shapes.flatMap(({ contours }) => unionFine(areaFrom(contours, tolerance))));
  return contoursOfArea(sparse(filled(grown(rings, byPx)), tolerance));
}

function cutSvg(artwork: Artwork, { cutMm, longerMm }: { cutMm: number; longerMm: number }, title: string): string {
  const pxPerMm = longerOf(artwork) / longerMm;
  const room = (cutMm + 1) * pxPerMm;
  const sheet: Artwork = {
    ...artwork,
    widthPx: artwork.widthPx + 2 * room,
    heightPx: artwork.heightPx + 2 * room,
    inks: [...artwork.inks, { id: 'cut-line', name: CUT_PLATE, hex: '#FF00FF' }],
    nodes: [
      { kind: 'group', id: 'placed', transform: [1, 0, 0, 1, room, room], nodes: artwork.nodes },
      {
        kind: 'group',
        id: 'cut',
        name: CUT_PLATE,
        transform: [1, 0, 0, 1, room, room],
        nodes: [
          {
            kind: 'piece',
            id: 'cut-line-piece',
            inkId: null,
            contours: cutLine(artwork, cutMm * pxPerMm),
            stroke: { inkId: 'cut-line', widthPx: 0.1 * pxPerMm, cap: 'butt', join: 'round', mitreLimit: 4 },
          },
        ],
      },
    ],
  };
  const mm = (px: number): string => String(Number((px / pxPerMm).toFixed(3)));
  // The first width and height are those of the drawing: it has its true size.
  return artworkToSvg(sheet, { title }).replace(
    / width="[^"]*" height="[^"]*"/,
    ` width="${mm(sheet.widthPx)}mm" height="${mm(sheet.heightPx)}mm"`,
  );
}
