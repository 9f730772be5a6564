import { zlibSync } from 'fflate';
import { hexToRgb, rgbToHex } from '../../colour';
import { rectangle, type Box } from '../../path';
import { seenIn, type Picture } from '../../raster';
import { boxOfShape, drawScene, isApart, layered, shapesIn, type Scene, type SceneLayer, type SceneNode, type SceneShape } from '../../scene'; // prettier-ignore
import { num } from './operators';
import { PageWriter, plainShape } from './page';

export interface EpsOptions {
  readonly title: string;
  /** ISO date, which is the file's. */
  readonly date: string;
  /** The drawing's longer side. */
  readonly longerMm: number;
}

/** Pictures of what PostScript has no operators for, in pixels of the drawing's longer side. */
const PICTURE_PX = 1536;
/** Less than this of what is drawn in a pixel leaves it as it is. */
const SEEN = 6;

const PROLOG = `/OddQuill 16 dict def OddQuill begin
/m {moveto} bind def /l {lineto} bind def /c {curveto} bind def /h {closepath} bind def
/f {fill} bind def /f* {eofill} bind def /S {stroke} bind def /W {clip newpath} bind def /W* {eoclip newpath} bind def
/rg {setrgbcolor} bind def /q {gsave} bind def /Q {grestore} bind def /w {setlinewidth} bind def
/J {setlinecap} bind def /j {setlinejoin} bind def /M {setmiterlimit} bind def /d {setdash} bind def
end`;

/** Bytes as printable characters (PostScript's ASCII85). */
function ascii85(bytes: Uint8Array): string {
  let [out, line] = ['', ''];
  const put = (text: string): void => {
    line += text;
    if (line.length >= 76) {
      out += line + '\n';
      line = '';
    }
  };
  for (let k = 0; k < bytes.length; k += 4) {
    const left = Math.min(4, bytes.length - k);
    let value = 0;
    for (let b = 0; b < 4; b++) value = value * 256 + (b < left ? bytes[k + b] : 0);
    if (value === 0 && left === 4) {
      put('z');
      continue;
    }
    let text = '';
    for (let b = 0; b < 5; b++) {
      text = String.fromCharCode(33 + (value % 85)) + text;
      value = Math.floor(value / 85);
    }
    put(text.slice(0, left + 1));
  }
  // A line of PostScript may not begin like a comment of its structure.
  return (out + line).replace(/^%/gm, ' %') + '~>\n';
}

/** Text in the header: printable ASCII alone, brackets escaped. */
const headerText = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[^\x20-\x7e]/g, '')
    .replace(/[\\()]/g, (c) => `\\${c}`)
    .slice(0, 200);

/** One colour laid over another. */
const over = (hex: string, opacity: number, below: string): string => {
  const [a, b] = [hexToRgb(hex), hexToRgb(below)];
  return rgbToHex(a.map((v, c) => Math.round(b[c] + opacity * (v - b[c]))) as [number, number, number]);
};

const meets = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

class EpsWriter extends PageWriter {
  private readonly whole: Box;
  /** What was drawn so far, for what is seen through. */
  private readonly below: { shape: SceneShape; box: Box }[] = [];

  constructor(
    scene: Scene,
    private readonly options: EpsOptions,
  ) {
    super(scene);
    this.whole = { x: 0, y: 0, width: scene.widthPx, height: scene.heightPx };
  }

  private components(hex: string): string {
    return hexToRgb(hex)
      .map((v) => num(v / 255))
      .join(' ');
  }

  private colour(hex: string): string {
    return `${this.components(hex)} rg\n`;
  }

  private note(shape: SceneShape): void {
    this.below.push({ shape, box: boxOfShape(shape) });
  }

  private shape(shape: SceneShape): string {
    const { contours, rule, paint, opacity, line } = shape;
    if (opacity < 1 || (paint.gradient && !this.gradientOn(paint.gradient).isOpaque)) return this.sheer(shape);
    this.note(shape);
    if (paint.gradient) return this.gradientFill(shape);
    if (!line) return `${this.colour(paint.hex)}${this.path(contours)}${rule === 'evenodd' ? 'f*' : 'f'}\n`;
    return `q\n${this.lineOperators(line)}${this.colour(paint.hex)}${this.path(contours)}S\nQ\n`;
  }

  private gradientFill(shape: SceneShape): string {
    const gradient = shape.paint.gradient!;
    const area = this.areaOf(shape);
    const page = this.gradientOn(gradient);
    const map = gradient.transform ? `[${gradient.transform.map((v) => num(v, 7)).join(' ')}] concat\n` : '';
    const run = this.shadingOf(page, page.stops, '/DeviceRGB', (s) => this.components(s.hex));
    return `q\n${this.path(area.contours)}${area.rule === 'evenodd' ? 'W*' : 'W'}\n${map}${run} shfill\nQ\n`;
  }

  /** What is drawn so far of what meets a box, with more on top, as a picture on white. */
  private pictureOf(box: Box, more: readonly SceneShape[]): Picture {
    const { widthPx, heightPx } = this.scene;
    const white = plainShape([rectangle(0, 0, widthPx, heightPx)], '#ffffff');
    const shapes = [white, ...this.below.filter((b) => meets(b.box, box)).map((b) => b.shape), ...more];
    return drawScene({ widthPx, heightPx, shapes }, PICTURE_PX);
  }

  /** A picture's part as an image; with a mask only where that says so. */
  private image({ widthPx: w, heightPx: h, rgba }: Picture, box: Box, mask?: Picture): string {
    const scale = w / this.scene.widthPx;
    const [x0, y0] = [Math.max(0, Math.floor(box.x * scale) - 1), Math.max(0, Math.floor(box.y * scale) - 1)];
    const x1 = Math.min(w, Math.ceil((box.x + box.width) * scale) + 1);
    const y1 = Math.min(h, Math.ceil((box.y + box.height) * scale) + 1);
    const [cw, ch] = [x1 - x0, y1 - y0];
    if (cw <= 0 || ch <= 0) return '';
    // With a mask each pixel begins with a byte that is 0 where it is painted and 255 where not.
    const each = mask ? 4 : 3;
    const samples = new Uint8Array(each * cw * ch);
    for (let y = 0; y < ch; y++)
      for (let x = 0; x < cw; x++) {
        const from = 4 * ((y + y0) * w + x + x0);
        const to = each * (y * cw + x);
        if (mask) samples[to] = mask.rgba[from + 3] < SEEN ? 255 : 0;
        samples.set(rgba.subarray(from, from + 3), to + each - 3);
      }
    const place = `${num(x0 / scale)} ${num(y0 / scale)} translate ${num(cw / scale, 6)} ${num(ch / scale, 6)} scale`;
    const size = `/ImageType 1 /Width ${cw} /Height ${ch} /BitsPerComponent 8 /ImageMatrix [${cw} 0 0 ${ch} 0 0]`;
    const data = `<< ${size} /Decode [0 1 0 1 0 1] /DataSource currentfile /ASCII85Decode filter /FlateDecode filter >>`;
    const whole = mask
      ? `<< /ImageType 3 /InterleaveType 1 /DataDict ${data} /MaskDict << ${size} /Decode [0 1] >> >>`
      : data;
    return `q ${place}\n/DeviceRGB setcolorspace ${whole} image\n${ascii85(zlibSync(samples, { level: 9 }))}Q\n`;
  }

  /** A shape that is seen through: its outline stays an outline, filled with what is seen in it. */
  private sheer(shape: SceneShape): string {
    const box = boxOfShape(shape);
    const { paint, opacity } = shape;
    const area = this.areaOf(shape);
    const path = this.path(area.contours);
    const isAlone = !this.below.some((b) => meets(b.box, box));
    // All over, so that the picture has no edge of its own: the outline cuts it.
    const { widthPx, heightPx } = this.scene;
    const flood: SceneShape = { ...shape, contours: [rectangle(0, 0, widthPx, heightPx)], rule: 'nonzero', layers: [], line: undefined }; // prettier-ignore
    const filled =
      isAlone && !paint.gradient
        ? `${this.colour(over(paint.hex, opacity, '#ffffff'))}${path}${area.rule === 'evenodd' ? 'f*' : 'f'}\n`
        : `q\n${path}${area.rule === 'evenodd' ? 'W*' : 'W'}\n${this.image(this.pictureOf(box, [flood]), box)}Q\n`;
    this.note(shape);
    return filled;
  }

  private layer(layer: SceneLayer, nodes: readonly SceneNode[]): string {
    if (!isApart(layer)) return this.all(nodes);
    const { clip, opacity, effects, mask } = layer;
    if (clip?.length === 1 && opacity >= 1 && !effects.length && !mask) {
      const before = this.below.length;
      const inner = this.all(nodes);
      for (const { shape } of this.below.splice(before)) this.note({ ...shape, layers: [layer, ...shape.layers] });
      return `q\n${this.path(clip[0].contours)}${clip[0].rule === 'evenodd' ? 'W*' : 'W'}\n${inner}Q\n`;
    }
    const own = shapesIn(nodes, [layer]);
    const { widthPx, heightPx } = this.scene;
    const alone = drawScene({ widthPx, heightPx, shapes: own }, PICTURE_PX);
    const picture = this.pictureOf(this.whole, own);
    own.forEach((shape) => this.note(shape));
    const box = seenIn(alone, SEEN);
    if (!box) return '';
    const scale = widthPx / alone.widthPx;
    return this.image(
      picture,
      { x: box.x * scale, y: box.y * scale, width: box.width * scale, height: box.height * scale },
      alone,
    );
  }

  private all(nodes: readonly SceneNode[]): string {
    return nodes
      .map((node) => (node.kind === 'shape' ? this.shape(node.shape) : this.layer(node.layer, node.nodes)))
      .join('');
  }

  text(): string {
    const { scene, options } = this;
    const scale = (options.longerMm * 72) / 25.4 / this.longerPx;
    const [w, h] = [scene.widthPx * scale, scene.heightPx * scale];
    let body = `OddQuill begin gsave\n[${num(scale, 7)} 0 0 ${num(-scale, 7)} 0 ${num(h)}] concat\n0 0 ${num(scene.widthPx)} ${num(scene.heightPx)} rectclip\n`;
    body += this.all(layered(scene));
    return [
      // The format's own first line (PostScript document structuring conventions, 3.0): readers know the file by it.
      '%!PS-Adobe-3.0 EPSF-3.0',
      `%%BoundingBox: 0 0 ${Math.ceil(w)} ${Math.ceil(h)}`,
      `%%HiResBoundingBox: 0 0 ${num(w)} ${num(h)}`,
      `%%Title: (${headerText(options.title)})`,
      '%%Creator: (Odd Quill)',
      `%%CreationDate: (${options.date})`,
      '%%LanguageLevel: 3',
      '%%DocumentData: Clean7Bit',
      '%%Pages: 1',
      '%%EndComments',
      '%%BeginProlog',
      PROLOG,
      '%%EndProlog',
      '%%Page: 1 1',
      `${body}grestore end`,
      'showpage',
      '%%Trailer',
      '%%EOF',
      '',
    ].join('\n');
  }
}

/**
 * A scene as Encapsulated PostScript, level 3, in RGB, the same text each time. PostScript sees through nothing: what is sheer is filled, within its own outline where it is one
 * shape, with a picture of what is seen there on white.
 */
export const sceneToEps = (scene: Scene, options: EpsOptions): string => new EpsWriter(scene, options).text();
