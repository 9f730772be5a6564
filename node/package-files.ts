/** The files of a planned package, each made of a look of a subject. */
import sharp from 'sharp';
import { optimize } from 'svgo';
import { hexToRgb } from '../core/colour';
import { artworkToSvg, icoOf, sceneToEps, sceneToPdf, sceneToSvg } from '../core/export';
import { motionOf, motionToLottie, motionToSvg, sceneAt, type Motion, type MotionKind } from '../core/motion';
import { CUT_PLATE, cutLine, cutSvg, dataAddress, groundFor, headLines, inksSaid, inkTokens, inkVariables, manifestText, motionWanted, placedOn, pressOf, workText, type Look, type Making, type PackageSets, type Placing, type PlannedFile } from '../core/package'; // prettier-ignore
import { sceneOf } from '../core/scene';
import { oneColoured, seenInks, type Artwork } from '../core/vector';
import { apngOf } from './apng';
import { drawSvg, drawSvgWide } from './draw-svg';

export interface MakingContext {
  /** ISO date of what is drawn, which its files carry: a version has the same files on whatever day it is delivered. */
  readonly date: string;
  /** What the client's work stands on; white and near-black where there are none. */
  readonly grounds: readonly string[];
  readonly sets: PackageSets;
}

/** What reversed looks stand on. */
const REVERSED_GROUND = '#111111';

/** Makes the files of one look of a subject, but for sheets; what several of them need is made once. */
export class LookMaker {
  private small: string | null = null;
  private readonly title: string;

  constructor(
    /** In its look. */
    readonly artwork: Artwork,
    private readonly look: Look,
    /** The subject's. */
    name: string,
    private readonly context: MakingContext,
  ) {
    this.title = look.kind === 'own' ? name : `${name}, ${look.name}`;
  }

  private get ground(): string {
    return this.look.kind === 'reversed' ? REVERSED_GROUND : groundFor(this.artwork, this.context.grounds);
  }

  /** What a picture shows: the look as it is, or placed on a sheet. */
  private shown({ place, mono }: { place?: Placing; mono?: boolean }): Artwork {
    const artwork = mono ? oneColoured(this.artwork, { hex: '#000000' }).artwork : this.artwork;
    if (!place) return artwork;
    const { ground, ...rest } = place;
    return placedOn(artwork, { ...rest, ...(ground === 'ground' ? { groundHex: this.ground } : {}) });
  }

  private get smallSvg(): string {
    return (this.small ??= optimize(artworkToSvg(this.artwork, { title: this.title, lines: false }), {
      multipass: true,
    }).data);
  }

  async make(file: PlannedFile): Promise<Uint8Array> {
    const { making } = file;
    const { artwork, title } = this;
    const { date, sets } = this.context;
    switch (making.as) {
      case 'svg': {
        if (making.small) return utf8(this.smallSvg);
        return utf8(artworkToSvg(artwork, { title, description: `Inks: ${inksSaid(artwork)}.` }));
      }
      case 'png':
      case 'jpeg':
        return this.picture(file, making);
      case 'pdf': {
        const { colours, longerMm, cutMm, bleedMm } = making;
        const cut = cutMm ? { name: CUT_PLATE, contours: cutLine(artwork, (cutMm * longerOf(artwork)) / longerMm) } : undefined; // prettier-ignore
        const press = pressOf(sets, seenInks(artwork));
        // A cut line runs outside the figure: it needs the room.
        const bleed = cutMm ? { bleedMm: cutMm + 1 } : bleedMm ? { bleedMm } : {};
        return sceneToPdf(sceneOf(artwork, { strokes: 'kept' }), { title, date, colours, longerMm, press, cut, ...bleed }); // prettier-ignore
      }
      case 'eps':
        return utf8(sceneToEps(sceneOf(artwork, { strokes: 'kept' }), { title, date, longerMm: making.longerMm }));
      case 'cut-svg':
        return utf8(cutSvg(artwork, making, title));
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
        const [r, g, b] = hexToRgb(this.ground);
        const { sidePx } = making;
        return sharp({ create: { width: sidePx, height: sidePx, channels: 3, background: { r, g, b } } })
          .png()
          .toBuffer();
      }
      case 'text':
        return utf8(this.text(file, making.what));
      case 'sheet':
        throw new RangeError('A brand sheet is made of all looks');
      case 'motion-svg':
        return utf8(motionToSvg(this.motionOf(making.kind), title));
      case 'motion-json':
        return utf8(motionToLottie(this.motionOf(making.kind), title));
      case 'motion-picture': {
        const motion = this.motionOf(making.kind);
        const { framesASecond } = sets.motion;
        const count = Math.max(2, Math.round(motion.seconds * framesASecond));
        const frames: Uint8Array[] = [];
        for (let k = 0; k < count; k++) {
          frames.push(this.frameOf(file, motion, k / (motion.loop ? count : count - 1)));
          // What was drawn with is given back between turns only.
          await new Promise((turn) => setImmediate(turn));
        }
        return apngOf(frames, { framesASecond, loop: motion.loop });
      }
      case 'motion-poster':
        return this.frameOf(file, this.motionOf(making.kind), 1);
    }
  }

  private text(file: PlannedFile, what: Extract<Making, { as: 'text' }>['what']): string {
    const { artwork, title } = this;
    if (what === 'inks') return inkTokens(artwork, title);
    if (what === 'css') return inkVariables(artwork, title);
    if (what === 'work') return workText(artwork, title);
    if (what === 'data') return dataAddress(this.smallSvg);
    const site = {
      title,
      stem: file.stem,
      inkHex: seenInks(artwork)[0]?.hex ?? '#000000',
      groundHex: this.ground,
      favicon: this.context.sets.favicon,
    };
    return what === 'manifest' ? manifestText(site) : headLines(site);
  }

  private motionOf(kind: MotionKind): Motion {
    return motionOf(sceneOf(this.artwork, { strokes: 'kept' }), motionWanted(this.context.sets, kind));
  }

  /** A movement at a time, 0..1, as PNG. */
  private frameOf({ widthPx, heightPx }: PlannedFile, motion: Motion, at: number): Uint8Array {
    const svg = sceneToSvg(sceneAt(motion, at), { lines: false, decimals: 3 });
    return drawSvg(svg, motion.widthPx, motion.heightPx, Math.max(widthPx!, heightPx!));
  }

  private async picture(file: PlannedFile, making: Extract<Making, { as: 'png' | 'jpeg' }>): Promise<Uint8Array> {
    const { place, dotsPerInch } = making;
    const png = pngOf(this.shown(making), file.widthPx!, file.heightPx!);
    if (making.as === 'jpeg')
      return sharp(png).flatten({ background: this.ground }).jpeg({ quality: 92, chromaSubsampling: '4:4:4' }).toBuffer(); // prettier-ignore
    // What is to be opaque says so: no channel of transparency at all.
    if (place?.ground === 'ground') return sharp(png).flatten({ background: this.ground }).png({ compressionLevel: 9 }).toBuffer(); // prettier-ignore
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
  return drawSvgWide(svg, widthPx);
}
