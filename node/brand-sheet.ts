/** The brand sheet: what a client is shown of its mark and how to use it, made from the work itself. */
import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import { contrastRatio, hexToCmyk, hexToOklch, hexToRgb } from '../core/colour';
import { artworkToSvg, constructionToSvg } from '../core/export';
import { readSvg } from '../core/import';
import { markOf, proofsOf, type ProofSheet } from '../core/judge';
import { figureOf, FOR_WORDS, FORS, groundFor, inLook, ONE_COLOUR, REVERSED, type PackageSubject, type PlannedFile } from '../core/package'; // prettier-ignore
import { formatPath, strokeArea, type Affine, type Box } from '../core/path';
import { onGround } from '../core/raster';
import { contoursOfArea, isApart, renderArtwork, sceneOf, type SceneShape } from '../core/scene';
import { artworkIn, constructionOfArtwork, seenInks, type Artwork, type Gradient } from '../core/vector';
import { drawSvgWide } from './draw-svg';
import { familyNamed, shippedFace } from './faces';
import { encodePng } from './pictures';
import { specimens } from './specimens';

export interface BrandSheetAsk {
  readonly title: string;
  /** ISO date. */
  readonly date: string;
  readonly subjects: readonly PackageSubject[];
  readonly grounds: readonly string[];
  readonly files: readonly PlannedFile[];
}

/** A4 lying down, in points. */
const [W, H] = [841.89, 595.28];
const MARGIN = 54;
/** Below the least size so much of the mark's edges cannot be found again. */
const LOST_MOST = 0.2;
/** A fine press keeps apart what is so many dots an inch. */
const PRESS_DOTS = 200;
const FACE = 'inter';
/** What faces are shown in. */
const SAMPLE = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const SAMPLE_SMALL = 'abcdefghijklmnopqrstuvwxyz 0123456789';
const SCRIPTS = [
  ['latin', /[\u0000-\u024f\u2000-\u206f\u20ac\u2122]/],
  ['cyrillic', /[\u0400-\u04ff]/],
  ['greek', /[\u0370-\u03ff]/],
] as const;

type Pdf = InstanceType<typeof PDFDocument>;

/** Which part of the sheet's face has a character; none has it where it is in none. */
const partOf = (character: string): string | null => SCRIPTS.find(([, has]) => has.test(character))?.[0] ?? null;

class Sheet {
  private readonly doc: Pdf;
  private readonly root: PDFKit.PDFStructureElement;
  private pageNumber = 0;
  private readonly ink: string;

  constructor(
    private readonly ask: BrandSheetAsk,
    fonts: ReadonlyMap<string, Uint8Array>,
  ) {
    const day = new Date(`${ask.date}T12:00:00Z`);
    this.doc = new PDFDocument({
      size: [W, H],
      margin: 0,
      autoFirstPage: false,
      pdfVersion: '1.7',
      tagged: true,
      lang: 'en',
      displayTitle: true,
      info: { Title: `${ask.title}: brand sheet`, Producer: 'Odd Quill', Creator: 'Odd Quill', CreationDate: day, ModDate: day }, // prettier-ignore
    });
    for (const [part, bytes] of fonts) this.doc.registerFont(part, Buffer.from(bytes) as unknown as ArrayBuffer);
    this.root = this.doc.struct('Document');
    this.doc.addStructure(this.root);
    // Text stands in the client's darkest colour that can be read on white.
    const inks = seenInks(ask.subjects[0].artwork).map((i) => i.hex);
    this.ink = inks.filter((hex) => contrastRatio(hex, '#FFFFFF') >= 7).sort((a, b) => contrastRatio(b, '#FFFFFF') - contrastRatio(a, '#FFFFFF'))[0] ?? '#111111'; // prettier-ignore
  }

  /** A line of text, its characters in whichever part of the face has them. */
  private text(kind: 'H1' | 'H2' | 'P', text: string, x: number, y: number, size: number, more: { hex?: string; width?: number; opacity?: number } = {}): number {
    const { doc } = this;
    const { hex = this.ink, width = W - x - MARGIN, opacity = 1 } = more;
    const leading = size * (size > 20 ? 1.15 : 1.45);
    // Lines are broken here, since a line may change its font.
    const words = [...text].filter((c) => partOf(c) !== null).join('').split(/\s+/).filter(Boolean); // prettier-ignore
    const runs = (line: string): [string, string][] => {
      const out: [string, string][] = [];
      for (const c of line) {
        const part = c === ' ' ? (out[out.length - 1]?.[0] ?? 'latin') : partOf(c)!;
        if (out[out.length - 1]?.[0] === part) out[out.length - 1][1] += c;
        else out.push([part, c]);
      }
      return out;
    };
    const widthOf = (line: string): number => runs(line).reduce((sum, [part, run]) => sum + doc.font(part).fontSize(size).widthOfString(run), 0); // prettier-ignore
    const lines: string[] = [];
    for (const word of words) {
      const last = lines[lines.length - 1];
      if (last !== undefined && widthOf(`${last} ${word}`) <= width) lines[lines.length - 1] = `${last} ${word}`;
      else lines.push(word);
    }
    this.root.add(
      doc.struct(kind, {}, () => {
        doc.fillColor(hex, opacity);
        lines.forEach((line, k) => {
          let at = x;
          for (const [part, run] of runs(line)) {
            doc.font(part).fontSize(size).text(run, at, y + k * leading, { lineBreak: false });
            at += doc.widthOfString(run);
          }
        });
      }),
    );
    return y + Math.max(1, lines.length) * leading;
  } // prettier-ignore

  private figure(alt: string, draw: () => void): void {
    this.root.add(this.doc.struct('Figure', { alt }, draw));
  }

  private page(title: string, lead: string): void {
    this.doc.addPage({ size: [W, H], margin: 0 });
    this.pageNumber++;
    const y = this.text('H1', title, MARGIN, MARGIN, 22, { width: 240 });
    this.text('P', lead, MARGIN, y + 8, 9.5, { width: 200 });
    this.text('P', `${this.ask.title}`, MARGIN, H - MARGIN, 7.5, { width: 300 });
    this.text('P', String(this.pageNumber + 1), W - MARGIN - 12, H - MARGIN, 7.5);
  }

  /** An artwork in a box, its figure in the middle; drawn as vectors where a page can. */
  private draw(artwork: Artwork, box: Box, { fill = 0.8, stretch = [1, 1] as readonly [number, number], turnDeg = 0 } = {}): Affine {
    const { doc } = this;
    const figure = figureOf(artwork);
    const scale = fill * Math.min(box.width / figure.width, box.height / figure.height);
    const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
    const [fx, fy] = [figure.x + figure.width / 2, figure.y + figure.height / 2];
    doc.save();
    doc.translate(cx, cy).rotate(turnDeg).scale(scale * stretch[0], scale * stretch[1]).translate(-fx, -fy);
    const scene = sceneOf(artwork, { strokes: 'kept' });
    if (scene.shapes.some((s) => s.layers.some((l) => isApart(l) && (l.effects.length || l.mask || l.opacity < 1 || (l.clip?.length ?? 0) > 1)))) {
      const png = drawSvgWide(artworkToSvg(artwork, { lines: false }), 1400);
      doc.image(png, 0, 0, { width: artwork.widthPx, height: artwork.heightPx });
    } else for (const shape of scene.shapes) this.shape(shape, artwork);
    doc.restore();
    return [scale, 0, 0, scale, cx - scale * fx, cy - scale * fy];
  } // prettier-ignore

  private shape({ contours, rule, paint, opacity, line, layers }: SceneShape, artwork: Artwork): void {
    const { doc } = this;
    doc.save();
    for (const { clip } of layers) if (clip) doc.path(formatPath(clip[0].contours, 3)).clip(clip[0].rule === 'evenodd' ? 'even-odd' : 'non-zero'); // prettier-ignore
    const isGradient = paint.gradient !== undefined;
    const area = line && isGradient ? contoursOfArea(strokeArea(contours, line, Math.max(artwork.widthPx, artwork.heightPx) / 8000)) : contours; // prettier-ignore
    doc.path(formatPath(area, 3)).opacity(opacity);
    if (line && !isGradient) {
      doc.lineWidth(line.widthPx).lineCap(line.cap).lineJoin(line.join === 'mitre' ? 'miter' : line.join).miterLimit(Math.max(1, line.mitreLimit)); // prettier-ignore
      if (line.dash?.length) doc.dash(line.dash[0], { space: line.dash[1] ?? line.dash[0], phase: line.dashOffset ?? 0 }); // prettier-ignore
      doc.stroke(paint.hex);
    } else doc.fill((isGradient ? this.gradient(paint.gradient!) : paint.hex) as string, rule === 'evenodd' ? 'even-odd' : 'non-zero'); // prettier-ignore
    doc.restore();
  }

  private gradient({ kind, from, to, stops, focus, transform }: Gradient): unknown {
    const { doc } = this;
    const [fx, fy] = focus ?? from;
    const made =
      kind === 'linear'
        ? doc.linearGradient(from[0], from[1], to[0], to[1])
        : doc.radialGradient(fx, fy, 0, from[0], from[1], Math.hypot(to[0] - from[0], to[1] - from[1]));
    for (const { at, hex, opacity } of stops) made.stop(at, hex, opacity);
    // Its types leave this out.
    const placed = made as unknown as { setTransform: (...m: readonly number[]) => void };
    if (transform) placed.setTransform(...transform);
    return made;
  }

  private panel(box: Box, hex: string, edge = false): void {
    const { doc } = this;
    doc.save().rect(box.x, box.y, box.width, box.height);
    if (edge) doc.lineWidth(0.4).strokeOpacity(0.25).fillAndStroke(hex, this.ink);
    else doc.fill(hex);
    doc.restore();
  }

  private grid(count: number, columns: number, top = MARGIN, left = 300, gap = 16): Box[] {
    const rows = Math.ceil(count / columns);
    const width = (W - left - MARGIN - gap * (columns - 1)) / columns;
    const height = (H - top - MARGIN - 24 - gap * (rows - 1)) / rows;
    return Array.from({ length: count }, (_, k) => ({ x: left + (k % columns) * (width + gap), y: top + Math.floor(k / columns) * (height + gap), width, height })); // prettier-ignore
  }

  private captioned(box: Box, caption: string, draw: (inner: Box) => void): void {
    const inner = { ...box, height: box.height - 18 };
    this.figure(caption, () => draw(inner));
    this.text('P', caption, box.x, box.y + box.height - 12, 7.5, { width: box.width });
  }

  async make(): Promise<Uint8Array> {
    const { doc, ask } = this;
    const [{ artwork, name }] = ask.subjects;
    const done = new Promise<Uint8Array>((resolve, reject) => {
      const chunks: Buffer[] = [];
      doc.on('data', (chunk: Buffer) => chunks.push(chunk));
      doc.on('end', () => resolve(Buffer.concat(chunks)));
      doc.on('error', reject);
    });
    const whole: Box = { x: 300, y: MARGIN, width: W - 300 - MARGIN, height: H - 2 * MARGIN - 24 };
    const inks = seenInks(artwork);
    const proofs = proofsOf(renderArtwork(artwork, 768));

    // Cover.
    doc.addPage({ size: [W, H], margin: 0 });
    this.panel({ x: 0, y: 0, width: W, height: H }, this.ink);
    this.figure(name, () => this.draw(inLook(artwork, REVERSED), { x: MARGIN, y: MARGIN, width: 330, height: H - 2 * MARGIN }, { fill: 0.92 })); // prettier-ignore
    this.text('H1', ask.title, 450, H - MARGIN - 96, 30, { hex: '#FFFFFF', width: W - 450 - MARGIN });
    this.text('P', `Brand sheet, ${ask.date}`, 450, H - MARGIN - 10, 9.5, { hex: '#FFFFFF' });

    this.page('The mark', 'As it is meant: in its own inks, on white.');
    this.figure(name, () => this.draw(artwork, whole, { fill: 0.72 }));

    this.page('In all its forms', 'Use the form that fits the room there is; never make another.');
    const forms = ask.subjects.flatMap((s) => [
      { caption: s.name, artwork: s.artwork, ground: '#FFFFFF' },
      { caption: `${s.name}, one colour`, artwork: inLook(s.artwork, ONE_COLOUR), ground: '#FFFFFF' },
      { caption: `${s.name}, reversed`, artwork: inLook(s.artwork, REVERSED), ground: this.ink },
    ]).slice(0, 9); // prettier-ignore
    this.grid(forms.length, forms.length > 3 ? 3 : 2).forEach((box, k) =>
      this.captioned(box, forms[k].caption, (inner) => {
        this.panel(inner, forms[k].ground, forms[k].ground === '#FFFFFF');
        this.draw(forms[k].artwork, inner, { fill: 0.66 });
      }),
    );

    this.clearSpace(artwork, whole);
    await this.leastSize(proofs);
    this.construction(artwork, whole);
    this.colours(inks);
    this.onGrounds(artwork, inks.map((i) => i.hex)); // prettier-ignore

    if (artwork.colourways?.length) this.colourways(artwork);
    else this.oneColour(artwork);
    await this.lettering();
    this.notSo(artwork);
    this.files();
    // All of it is told: the structure ends.
    this.root.end();
    doc.end();
    return done;
  } // prettier-ignore

  private oneColour(artwork: Artwork): void {
    this.page('In one colour', 'For stamps, engraving and receipts: no greys, nothing thinner. Reversed on anything dark: not the same drawing in white, but the one made for it.');
    const [left, right] = this.grid(2, 2);
    this.captioned(left, 'One colour', (inner) => { this.panel(inner, '#FFFFFF', true); this.draw(inLook(artwork, ONE_COLOUR), inner, { fill: 0.7 }); });
    this.captioned(right, 'Reversed', (inner) => { this.panel(inner, this.ink); this.draw(inLook(artwork, REVERSED), inner, { fill: 0.7 }); });
  } // prettier-ignore

  /** Each on that ground of the client's on which it is seen best. */
  private colourways(artwork: Artwork): void {
    const all = (artwork.colourways ?? []).slice(0, 6);
    this.page('Colourways', 'Other sets of inks that belong to it: whole, never mixed with one another.');
    this.grid(all.length, all.length > 4 ? 3 : 2).forEach((box, k) => {
      const { id, name } = all[k];
      const own = artworkIn(artwork, id);
      const inks = seenInks(own);
      const caption = `${name}: ${inks.slice(0, 6).map((i) => i.hex.toUpperCase()).join('  ')}`;
      this.captioned(box, caption, (inner) => {
        const ground = groundFor(own, this.ask.grounds);
        this.panel(inner, ground, contrastRatio(ground, '#FFFFFF') < 1.3);
        this.draw(own, { ...inner, height: inner.height - 14 }, { fill: 0.7 });
        inks.slice(0, 6).forEach(({ hex }, n) => this.panel({ x: inner.x + 8 + 18 * n, y: inner.y + inner.height - 18, width: 14, height: 10 }, hex, true));
      });
    });
  } // prettier-ignore

  /** What the lettering is set in: faces that ship, each as it looks. */
  private async lettering(): Promise<void> {
    const { doc } = this;
    const wanted = this.ask.subjects.flatMap((s) => s.faces ?? []);
    const faces = wanted.filter((f, k) => wanted.findIndex((o) => o.family === f.family && o.weight === f.weight) === k).slice(0, 3); // prettier-ignore
    const samples = await specimens({ text: SAMPLE, faces, own: {} });
    const small = await specimens({ text: SAMPLE_SMALL, faces, own: {} });
    const known = faces.flatMap((face) => {
      const family = familyNamed(face.family);
      const [large, rest] = [samples, small].map((all) => all.find((s) => s.family === face.family && s.weight === face.weight));
      return family && large?.d && rest?.d ? [{ ...face, name: family.name, licence: family.licence, url: family.licenceUrl, by: family.attribution, lines: [large, rest] }] : [];
    });
    if (!known.length) return;
    this.page('Lettering', 'In the lockups it is drawn: it needs no font. For what is written beside them, these are the faces, with the licence that lets anyone use them.');
    this.grid(known.length, 1).forEach((box, k) => {
      const { name, weight, licence, url, by, lines } = known[k];
      const height = Math.min(34, box.height * 0.2);
      let y = this.text('H2', `${name}, ${weight}`, box.x, box.y, 12, { width: box.width }) + 10;
      this.figure(`${name}: ${SAMPLE} ${SAMPLE_SMALL}`, () => {
        for (const { d, box: [bx, by0, width, lineHeight] } of lines) {
          const scale = Math.min(height / 100, box.width / width);
          doc.save().translate(box.x - scale * bx, y - scale * by0).scale(scale).path(d!).fill(this.ink).restore();
          y += scale * lineHeight + 12;
        }
      });
      this.text('P', `${licence}, ${url}`, box.x, y + 4, 8, { width: box.width });
      if (by) this.text('P', by, box.x, y + 17, 7.5, { width: box.width });
    });
  } // prettier-ignore

  private clearSpace(artwork: Artwork, whole: Box): void {
    const { doc } = this;
    const figure = figureOf(artwork);
    const unit = Math.min(figure.width, figure.height) / 4;
    this.page('Clear space', 'Nothing comes nearer than a quarter of the mark’s shorter side. Sign makers and editors measure it in the mark itself, so it holds at any size.');
    this.figure('The mark with its clear space', () => {
      const map = this.draw(artwork, whole, { fill: 0.5 });
      const s = map[0];
      const [x, y] = [map[4] + s * figure.x, map[5] + s * figure.y];
      const [w, h, u] = [s * figure.width, s * figure.height, s * unit];
      doc.save().lineWidth(0.6).strokeColor(this.ink).strokeOpacity(0.6);
      doc.rect(x, y, w, h).stroke();
      doc.dash(3, { space: 3 }).rect(x - u, y - u, w + 2 * u, h + 2 * u).stroke().undash();
      for (const [bx, by] of [[x - u, y - u], [x + w, y - u], [x - u, y + h], [x + w, y + h]]) doc.rect(bx, by, u, u).fillOpacity(0.08).fillAndStroke(this.ink, this.ink);
      doc.restore();
    });
  } // prettier-ignore

  private async leastSize(proofs: ProofSheet): Promise<void> {
    const { doc } = this;
    const kept = proofs.small.find((p) => p.lostShare <= LOST_MOST);
    const largest = proofs.small[proofs.small.length - 1];
    const px = (kept ?? largest).sizePx;
    const mm = Math.ceil((px * 25.4 * 10) / PRESS_DOTS) / 10;
    const most = Math.round(100 * LOST_MOST);
    const measured = kept
      ? `There ${Math.round(100 * kept.lostShare)}% of its edges cannot be found again, as measured; up to ${most}% is taken to be enough.`
      : `Even there ${Math.round(100 * largest.lostShare)}% of its edges cannot be found again, as measured, and up to ${most}% would be enough: use a simpler form when it is small.`;
    this.page('Least size', `On screens at least ${px} px on its longer side; in print at least ${mm} mm, where a press keeps ${PRESS_DOTS} dots an inch apart. ${measured}`); // prettier-ignore
    for (const [k, box] of this.grid(proofs.small.length, 2).entries()) {
      const { sizePx, picture, lostShare } = proofs.small[k];
      const png = await encodePng(onGround(picture, [255, 255, 255]));
      // Viewers would smooth it: each pixel is made of several.
      const enlarged = await sharp(png)
        .resize({ width: 12 * picture.widthPx, kernel: 'nearest' })
        .png()
        .toBuffer();
      const caption = `${sizePx} px: ${Math.round(100 * lostShare)}% lost${sizePx < px ? ', too small' : ''}`;
      this.captioned(box, caption, (inner) => {
        this.panel(inner, '#FFFFFF', true);
        // Enlarged, and beside that as it is.
        const side = 0.8 * Math.min(inner.width * 0.7, inner.height);
        const [iw, ih] = [picture.widthPx, picture.heightPx].map((v) => (v / Math.max(picture.widthPx, picture.heightPx)) * side); // prettier-ignore
        doc.image(enlarged, inner.x + 14 + (side - iw) / 2, inner.y + (inner.height - ih) / 2, {
          width: iw,
          height: ih,
        });
        const own = (sizePx * 72) / 96;
        doc.image(png, inner.x + inner.width - own - 14, inner.y + inner.height - own - 14, { width: own });
      });
    }
  }

  private construction(artwork: Artwork, whole: Box): void {
    const found = constructionOfArtwork(artwork, 'all');
    const drawing = readSvg(constructionToSvg(artwork, found)).artwork;
    const share = Math.round(100 * found.share);
    this.page('Construction', `${found.circles.length} ${found.circles.length === 1 ? 'circle' : 'circles'} and ${found.lines.length} ${found.lines.length === 1 ? 'line' : 'lines'} at ${found.angles.length} ${found.angles.length === 1 ? 'angle' : 'angles'} hold ${share}% of its outlines. For whoever draws it large, in wood, metal or thread.`); // prettier-ignore
    this.figure('The construction of the mark', () => this.draw(drawing, whole, { fill: 0.9 }));
  }

  private colours(inks: readonly { name: string; hex: string }[]): void {
    this.page('Colours', 'The numbers to give away: screens take hex and RGB; presses take CMYK, by a conversion without a profile, as a first idea for a proof.');
    const shown = inks.slice(0, 8);
    this.grid(shown.length, shown.length > 4 ? 4 : Math.max(2, shown.length)).forEach((box, k) => {
      const { name, hex } = shown[k];
      const swatch = { ...box, height: box.height * 0.5 };
      this.figure(`${name}, ${hex}`, () => this.panel(swatch, hex, contrastRatio(hex, '#FFFFFF') < 1.3));
      const { L, C, hDeg } = hexToOklch(hex);
      let y = this.text('H2', name, box.x, swatch.y + swatch.height + 10, 11, { width: box.width });
      for (const row of [
        hex.toUpperCase(),
        `RGB ${hexToRgb(hex).join(' ')}`,
        `CMYK ${hexToCmyk(hex).join(' ')}`,
        `OKLCH ${L.toFixed(3)} ${C.toFixed(3)} ${C < 0.002 ? 0 : Math.round(((hDeg % 360) + 360) % 360)}`,
        `On white ${contrastRatio(hex, '#FFFFFF').toFixed(1)} : 1`,
        ...this.ask.grounds.filter((g) => g.toUpperCase() !== '#FFFFFF').slice(0, 3).map((g) => `On ${g.toUpperCase()} ${contrastRatio(hex, g).toFixed(1)} : 1`),
      ])
        y = this.text('P', row, box.x, y + 1, 8, { width: box.width });
    });
  } // prettier-ignore

  private onGrounds(artwork: Artwork, hexes: readonly string[]): void {
    this.page('On grounds', 'Where the contrast of its main ink is under 3 : 1, use the one-colour or the reversed form instead.');
    // What most of it is in.
    const { inks: found } = markOf(renderArtwork(artwork, 256));
    const main = [...found].sort((a, b) => b.share - a.share)[0]?.hex ?? '#111111';
    const grounds = [...new Set(['#FFFFFF', ...this.ask.grounds, ...hexes, '#111111'])].slice(0, 6);
    this.grid(grounds.length, 2).forEach((box, k) => {
      const contrast = contrastRatio(main, grounds[k]);
      const fits = contrast >= 3;
      const dark = contrastRatio(grounds[k], '#FFFFFF') >= 3;
      const caption = `${grounds[k].toUpperCase()}: ${fits ? `as it is, ${contrast.toFixed(1)} : 1` : dark ? 'reversed' : 'one colour'}`;
      this.captioned(box, caption, (inner) => {
        this.panel(inner, grounds[k], grounds[k].toUpperCase() === '#FFFFFF');
        this.draw(fits ? artwork : inLook(artwork, dark ? REVERSED : ONE_COLOUR), inner, { fill: 0.66 });
      });
    });
  } // prettier-ignore

  private notSo(artwork: Artwork): void {
    const { doc } = this;
    const inks = seenInks(artwork).map((i) => i.hex);
    const drowned = inks[0] ?? '#888888';
    this.page('Not so', 'Each of these makes it somebody else’s mark, or none.');
    const cases: readonly [string, (box: Box) => void][] = [
      ['Stretched', (b) => void this.draw(artwork, b, { fill: 0.6, stretch: [1.35, 0.8] })],
      ['On a ground it drowns in', (b) => { this.panel(b, drowned); this.draw(artwork, b, { fill: 0.6 }); }],
      ['Crowded', (b) => {
        this.draw(artwork, b, { fill: 0.6 });
        const bars = doc.save().fillColor(this.ink);
        for (let k = 0; k < 5; k++) bars.rect(b.x + b.width / 2 + 0.2 * Math.min(b.width, b.height), b.y + b.height * (0.28 + 0.09 * k), b.width * 0.24, 4).fill();
        doc.restore();
      }],
      ['Turned', (b) => void this.draw(artwork, b, { fill: 0.55, turnDeg: -18 })],
      ['Faded', (b) => { this.draw(artwork, b, { fill: 0.6 }); doc.save().rect(b.x, b.y, b.width, b.height).fillOpacity(0.7).fill('#FFFFFF').restore(); }],
      ['Too small for its room', (b) => void this.draw(artwork, b, { fill: 0.12 })],
    ];
    this.grid(cases.length, 3).forEach((box, k) =>
      this.captioned(box, cases[k][0], (inner) => {
        doc.save().rect(inner.x, inner.y, inner.width, inner.height).clip();
        cases[k][1](inner);
        doc.restore();
        doc.save().rect(inner.x, inner.y, inner.width, inner.height).lineWidth(0.4).strokeOpacity(0.25).stroke(this.ink).restore();
      }),
    );
  } // prettier-ignore

  private files(): void {
    this.page('In the package', 'All formats are open: nothing here needs a program of its own.');
    const boxes = this.grid(8, 2, MARGIN, 300, 12);
    FORS.filter((f) => this.ask.files.some((file) => file.for === f))
      .slice(0, 8)
      .forEach((purpose, k) => {
        const own = this.ask.files.filter((f) => f.for === purpose);
        const box = boxes[k];
        let y = this.text('H2', `For ${FOR_WORDS[purpose]}: ${own.length} ${own.length === 1 ? 'file' : 'files'}`, box.x, box.y, 10.5, { width: box.width }); // prettier-ignore
        const kinds = [...new Set(own.map((f) => f.name.replace(/^.*\./, '').toUpperCase()))];
        y = this.text('P', `In ${purpose}/: ${kinds.join(', ')}`, box.x, y + 1, 8, { width: box.width });
        for (const { about } of own.slice(0, 3)) y = this.text('P', about, box.x, y, 7.5, { width: box.width });
      });
  }
}

/** A brand sheet as PDF, A4 lying down, eleven or twelve pages: real text, its face embedded, tagged. The same bytes each time. Throws a RangeError without a subject. */
export async function brandSheet(ask: BrandSheetAsk): Promise<Uint8Array> {
  if (!ask.subjects.length) throw new RangeError('A brand sheet wants a mark');
  const fonts = new Map<string, Uint8Array>();
  const said = [ask.title, ...ask.subjects.map((s) => s.name)].join('');
  for (const [part, has] of SCRIPTS) {
    if (part !== 'latin' && ![...said].some((c) => partOf(c) === part && has.test(c))) continue;
    const face = await shippedFace(FACE, part, 400, false);
    if (face) fonts.set(part, face);
  }
  return new Sheet(ask, fonts).make();
}
