/** The files of a planned package, each made of a look of a subject. */
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { optimize } from 'svgo';
import { hexToRgb } from '../core/colour';
import { artworkToSvg, icoOf, sceneToEps, sceneToPdf, sceneToSvg, type PressInk } from '../core/export';
import { CUT_PLATE, cutLine, cutSvg, dataAddress, groundFor, headLines, inkTokens, inkVariables, inLook, manifestText, placedOn, sizes, workText, type Making, type PackageSubject, type Placing, type PlannedFile } from '../core/package'; // prettier-ignore
import { motionAsk, motionOf, motionToLottie, motionToSvg, sceneAt, type Motion, type MotionKind } from '../core/motion'; // prettier-ignore
import { sceneOf } from '../core/scene';
import { oneColoured, seenInks, type Artwork } from '../core/vector';
import { apngOf } from './apng';
import { brandSheet } from './brand-sheet';
import { drawSvg } from './packing';

export interface MakingContext {
  /** ISO date of the package, which all its files carry. */
  readonly date: string;
  readonly title: string;
  /** What the client's work stands on; white and near-black where there are none. */
  readonly grounds: readonly string[];
  readonly press?: Readonly<Record<string, PressInk>>;
}

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
        const [r, g, b] = hexToRgb(this.groundOf(file));
        const { sidePx } = making;
        return sharp({ create: { width: sidePx, height: sidePx, channels: 3, background: { r, g, b } } })
          .png()
          .toBuffer();
      }
      case 'text':
        return utf8(this.text(file, making.what, common.title));
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

  private text(file: PlannedFile, what: Extract<Making, { as: 'text' }>['what'], title: string): string {
    const artwork = this.artworkOf(file);
    if (what === 'inks') return inkTokens(artwork, title);
    if (what === 'css') return inkVariables(artwork, title);
    if (what === 'work') return workText(artwork, title);
    if (what === 'data') return dataAddress(this.smallSvg(file));
    const site = {
      title,
      stem: file.stem,
      inkHex: seenInks(artwork)[0]?.hex ?? '#000000',
      groundHex: this.groundOf(file),
    };
    return what === 'manifest' ? manifestText(site) : headLines(site);
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
}

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);
const longerOf = ({ widthPx, heightPx }: Artwork): number => Math.max(widthPx, heightPx);

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
