import { cmykOf, hexToRgb, type Cmyk } from '../../colour';
import { rectangle, type Contour } from '../../path';
import { drawScene, isApart, layered, shapesIn, type Scene, type SceneLayer, type SceneNode, type SceneShape } from '../../scene'; // prettier-ignore
import type { Gradient } from '../../vector';
import { CMYK_STATED, pressShares, type PressInk, type PrintColours } from './colour';
import { PdfDocument, pdfName, pdfText, ref, type Ref } from './document';
import { densely, num } from './operators';
import { PageWriter, plainShape } from './page';

export interface PdfOptions {
  readonly title: string;
  /** ISO date, which is the file's. */
  readonly date: string;
  readonly colours: PrintColours;
  /** What inks are on a press, by the inks' ids. */
  readonly press?: Readonly<Record<string, PressInk>>;
  /** The drawing's longer side. */
  readonly longerMm: number;
  /** Laid below everything, out to the bleed. */
  readonly groundHex?: string;
  /** Added on every side beyond the trim. */
  readonly bleedMm?: number;
  /** A line to cut along, on a plate of its own. */
  readonly cut?: { readonly name: string; readonly contours: readonly Contour[] };
}

const POINTS_PER_MM = 72 / 25.4;
/** A page of more units than this needs larger ones (ISO 32000-1, annex C.2). */
const UNITS_MOST = 14_400;
/** Soft effects have no operators: they are pictures of so many pixels on the drawing's longer side. */
const SOFT_PX = 1600;

/** Colours as they are written in one kind of group. */
type Mode = PrintColours | 'grey';

const share = (v: number): string => num(v, 4);

/** How light SVG takes a colour to be in a mask. */
const lightOf = (hex: string): number => {
  const [r, g, b] = hexToRgb(hex);
  return (0.2126 * r + 0.7152 * g + 0.0722 * b) / 255;
};

/** Writes a scene page as PDF 1.7. */
class PdfWriter extends PageWriter {
  private readonly file = new PdfDocument();
  private readonly resources = this.file.reserve();
  private readonly named = { XObject: new Map<string, Ref>(), ExtGState: new Map<string, Ref>(), Shading: new Map<string, Ref>(), ColorSpace: new Map<string, Ref>() }; // prettier-ignore
  private readonly known = new Map<string, string>();

  constructor(
    scene: Scene,
    private readonly options: PdfOptions,
  ) {
    super(scene);
  }

  /** A resource under a name; the same one where it was told before. */
  private resource(kind: keyof PdfWriter['named'], prefix: string, key: string, make: () => Ref): string {
    const before = this.known.get(kind + key);
    if (before) return before;
    const name = `/${prefix}${this.named[kind].size + 1}`;
    this.known.set(kind + key, name);
    this.named[kind].set(name, make());
    return name;
  }

  private space(mode: Mode): string {
    return mode === 'rgb' ? '/DeviceRGB' : mode === 'grey' ? '/DeviceGray' : '/DeviceCMYK';
  }

  private components(hex: string, mode: Mode): readonly number[] {
    if (mode === 'rgb') return hexToRgb(hex).map((v) => v / 255);
    if (mode === 'grey') return [lightOf(hex)];
    return cmykOf(hex);
  }

  private separation(name: string, shares: Cmyk): string {
    return this.resource('ColorSpace', 'Plate', name, () =>
      this.file.add(
        `[/Separation ${pdfName(name)} /DeviceCMYK << /FunctionType 2 /Domain [0 1] /N 1 /C0 [0 0 0 0] /C1 [${shares.map(share).join(' ')}] >>]`,
      ),
    );
  }

  /** Operators that set a colour, for areas or for lines. */
  private colour({ paint }: SceneShape, mode: Mode, forLines: boolean): string {
    const given = mode === 'rgb' || mode === 'grey' ? undefined : this.options.press?.[paint.inkId];
    const spot = given?.spot ?? (mode === 'plates' ? paint.name : undefined);
    if (spot && mode !== 'rgb' && mode !== 'grey') {
      const plate = this.separation(spot, pressShares(paint.hex, given));
      return forLines ? `${plate} CS 1 SCN\n` : `${plate} cs 1 scn\n`;
    }
    const values = given?.cmyk ? pressShares(paint.hex, given) : this.components(paint.hex, mode);
    const operator = mode === 'rgb' ? 'rg' : mode === 'grey' ? 'g' : 'k';
    return `${values.map(share).join(' ')} ${forLines ? operator.toUpperCase() : operator}\n`;
  }

  private opacityState(opacity: number): string {
    const value = share(opacity);
    return this.resource('ExtGState', 'Fade', value, () => this.file.add(`<< /ca ${value} /CA ${value} >>`));
  }

  private maskState(kind: 'Luminosity' | 'Alpha', form: Ref): string {
    return this.resource('ExtGState', 'Mask', `${kind} ${form}`, () =>
      this.file.add(`<< /SMask << /Type /Mask /S /${kind} /G ${ref(form)} >> >>`),
    );
  }

  private shading(gradient: Gradient, mode: Mode | 'opacity'): string {
    return this.resource('Shading', 'Run', `${mode} ${JSON.stringify(gradient)}`, () => {
      const page = this.gradientOn(gradient);
      const isMixed = mode === 'cmyk' || mode === 'plates';
      const space = mode === 'opacity' ? '/DeviceGray' : this.space(mode);
      return this.file.add(
        this.shadingOf(page, isMixed ? densely(page.stops) : page.stops, space, (s) =>
          (mode === 'opacity' ? [s.opacity] : this.components(s.hex, mode)).map(share).join(' '),
        ),
      );
    });
  }

  private form(content: string, mode: Mode): Ref {
    const { widthPx, heightPx } = this.scene;
    const bleed = (this.options.bleedMm ?? 0) * this.pxPerMm;
    const box = [-bleed, -bleed, widthPx + bleed, heightPx + bleed].map((v) => num(v)).join(' ');
    return this.file.stream(
      `/Type /XObject /Subtype /Form /BBox [${box}] /Resources ${ref(this.resources)} /Group << /S /Transparency /I true /CS ${this.space(mode)} >>`,
      content,
    );
  }

  private drawn(form: Ref): string {
    return `${this.resource('XObject', 'Part', String(form), () => form)} Do\n`;
  }

  private get pxPerMm(): number {
    return this.longerPx / this.options.longerMm;
  }

  private gradientFill(shape: SceneShape, mode: Mode): string {
    const gradient = shape.paint.gradient!;
    const { contours, rule } = this.areaOf(shape);
    const map = gradient.transform ? `${gradient.transform.map((v) => num(v, 7)).join(' ')} cm\n` : '';
    const run = (of: Mode | 'opacity'): string => `${map}${this.shading(gradient, of)} sh\n`;
    const isOpaque = this.gradientOn(gradient).isOpaque;
    const mask = isOpaque ? '' : `${this.maskState('Luminosity', this.form(run('opacity'), 'grey'))} gs\n`;
    return `${mask}${this.path(contours)}${rule === 'evenodd' ? 'W* n' : 'W n'}\n${run(mode)}`;
  }

  private shape(shape: SceneShape, mode: Mode): string {
    const { contours, rule, paint, opacity, line } = shape;
    const fade = opacity < 1 ? `${this.opacityState(opacity)} gs\n` : '';
    const inner = paint.gradient
      ? this.gradientFill(shape, mode)
      : line
        ? `${this.lineOperators(line)}${this.colour(shape, mode, true)}${this.path(contours)}S\n`
        : `${this.colour(shape, mode, false)}${this.path(contours)}${rule === 'evenodd' ? 'f*' : 'f'}\n`;
    return `q\n${fade}${inner}Q\n`;
  }

  /** What lies in a layer with soft effects, as a picture with its transparency. */
  private softPicture({ effects }: SceneLayer, nodes: readonly SceneNode[], mode: Mode): string {
    const { widthPx, heightPx } = this.scene;
    const only: SceneLayer = { nodeId: 'soft', opacity: 1, effects, clip: null, mask: null };
    const shapes = shapesIn(nodes, [only]);
    const { rgba, widthPx: w, heightPx: h } = drawScene({ widthPx, heightPx, shapes }, SOFT_PX);
    const channels = mode === 'rgb' ? 3 : mode === 'grey' ? 1 : 4;
    const colours = new Uint8Array(channels * w * h);
    const alpha = new Uint8Array(w * h);
    const known = new Map<number, readonly number[]>();
    for (let i = 0; i < w * h; i++) {
      const key = (rgba[4 * i] << 16) | (rgba[4 * i + 1] << 8) | rgba[4 * i + 2];
      let values = known.get(key);
      if (!values) {
        values = this.components(`#${key.toString(16).padStart(6, '0')}`, mode).map((v) => Math.round(255 * v));
        known.set(key, values);
      }
      colours.set(values, channels * i);
      alpha[i] = rgba[4 * i + 3];
    }
    const image = (entries: string, space: string): string =>
      `/Type /XObject /Subtype /Image /Width ${w} /Height ${h} /BitsPerComponent 8 /ColorSpace ${space} /Interpolate true ${entries}`;
    const mask = this.file.stream(image('', '/DeviceGray'), alpha);
    const picture = this.file.stream(image(`/SMask ${ref(mask)}`, this.space(mode)), colours);
    return `q ${num(widthPx)} 0 0 ${num(-heightPx)} 0 ${num(heightPx)} cm\n${this.drawn(picture)}Q\n`;
  }

  private layer(layer: SceneLayer, nodes: readonly SceneNode[], mode: Mode): string {
    if (!isApart(layer)) return this.all(nodes, mode);
    let inner = layer.effects.length ? this.softPicture(layer, nodes, mode) : this.all(nodes, mode);
    let before = '';
    if (layer.mask) {
      const { by, shapes } = layer.mask;
      // What is all white is as light as it is opaque; more renderers know masks by opacity.
      const byLight = by === 'light' && shapes.some(({ paint }) => paint.gradient || lightOf(paint.hex) < 1);
      const form = this.form(this.all(layered({ shapes }), byLight ? 'grey' : mode), byLight ? 'grey' : mode);
      inner = this.drawn(this.form(inner, mode));
      before += `${this.maskState(byLight ? 'Luminosity' : 'Alpha', form)} gs\n`;
    }
    if (layer.clip) {
      if (layer.clip.length === 1) {
        const [{ contours, rule }] = layer.clip;
        before = `${this.path(contours)}${rule === 'evenodd' ? 'W*' : 'W'} n\n${before}`;
      } else {
        // Several are seen together, whichever way each runs: a clip would want them as one outline.
        const seen = layer.clip
          .map(({ contours, rule }) => `1 g\n${this.path(contours)}${rule === 'evenodd' ? 'f*' : 'f'}\n`)
          .join('');
        if (before) inner = this.drawn(this.form(`q\n${before}${inner}Q\n`, mode));
        before = `${this.maskState('Alpha', this.form(seen, 'grey'))} gs\n`;
        inner = this.drawn(this.form(inner, mode));
      }
    }
    if (layer.opacity < 1) {
      inner = this.drawn(this.form(`q\n${before}${inner}Q\n`, mode));
      before = `${this.opacityState(layer.opacity)} gs\n`;
    }
    return `q\n${before}${inner}Q\n`;
  }

  private all(nodes: readonly SceneNode[], mode: Mode): string {
    return nodes
      .map((node) => (node.kind === 'shape' ? this.shape(node.shape, mode) : this.layer(node.layer, node.nodes, mode)))
      .join('');
  }

  bytes(): Uint8Array {
    const { file, scene, options } = this;
    const { widthPx, heightPx } = scene;
    const mode = options.colours;
    const unitsAsked = (options.longerMm + 2 * (options.bleedMm ?? 0)) * POINTS_PER_MM;
    const unit = Math.max(1, Math.ceil(unitsAsked / UNITS_MOST));
    const scale = POINTS_PER_MM / this.pxPerMm / unit;
    const bleed = ((options.bleedMm ?? 0) * POINTS_PER_MM) / unit;
    const [w, h] = [widthPx * scale, heightPx * scale];
    let content = `${num(scale, 7)} 0 0 ${num(-scale, 7)} ${num(bleed)} ${num(bleed + h)} cm\n`;
    if (options.groundHex) {
      const b = bleed / scale;
      const ground = rectangle(-b, -b, widthPx + 2 * b, heightPx + 2 * b);
      content += this.shape(plainShape([ground], options.groundHex), mode === 'plates' ? 'cmyk' : mode);
    }
    content += this.all(layered(scene), mode);
    if (options.cut) {
      const plate = this.separation(options.cut.name, [0, 1, 0, 0]);
      const over = this.resource('ExtGState', 'Over', 'cut', () => file.add('<< /OP true /op true /OPM 1 >>'));
      content += `q\n${over} gs ${plate} CS 1 SCN ${num(0.25 / scale)} w\n${this.path(options.cut.contours)}S\nQ\n`;
    }
    const stream = file.stream('', content);
    file.set(
      this.resources,
      `<< ${Object.entries(this.named)
        .filter(([, all]) => all.size)
        .map(([kind, all]) => `/${kind} << ${[...all].map(([name, id]) => `${name} ${ref(id)}`).join(' ')} >>`)
        .join(' ')} >>`,
    );
    const box = (by: number): string => `[${[by, by, 2 * bleed + w - by, 2 * bleed + h - by].map((v) => num(v)).join(' ')}]`; // prettier-ignore
    const pages = file.reserve();
    const page = file.add(
      `<< /Type /Page /Parent ${ref(pages)} /MediaBox ${box(0)} /BleedBox ${box(0)} /TrimBox ${box(bleed)}${unit > 1 ? ` /UserUnit ${unit}` : ''} ` +
        `/Resources ${ref(this.resources)} /Contents ${ref(stream)} /Group << /S /Transparency /CS ${this.space(mode)} >> >>`,
    );
    file.set(pages, `<< /Type /Pages /Kids [${ref(page)}] /Count 1 >>`);
    const root = file.add(
      `<< /Type /Catalog /Pages ${ref(pages)} /Lang (en) /ViewerPreferences << /DisplayDocTitle true >> >>`,
    );
    const day = options.date.replace(/-/g, '');
    const info = file.add(
      `<< /Title ${pdfText(options.title)} /Producer (Odd Quill) /CreationDate (D:${day}120000Z) /ModDate (D:${day}120000Z)${mode === 'rgb' ? '' : ` /Keywords ${pdfText(CMYK_STATED)}`} >>`,
    );
    return file.bytes(root, info);
  }
}

/** A scene as a page in PDF 1.7, vector throughout but for soft effects, the same bytes each time. */
export const sceneToPdf = (scene: Scene, options: PdfOptions): Uint8Array => new PdfWriter(scene, options).bytes();
