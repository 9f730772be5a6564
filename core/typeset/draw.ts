/** A lockup drawn: its parts set, framed and arranged, as an artwork, with the places by which it is arranged further. */
import { glyphContours, glyphMap, inkBox, stemAt, warped, type PlacedGlyph } from '../lettering';
import {
  markMap,
  partOf,
  type DrawnLetter,
  type DrawnLockup,
  type DrawnPart,
  type FramePart,
  type Lockup,
  type LockupFault,
  type LockupPart,
  type MarkPart,
  type TextPart,
} from '../lockup';
import { compose, mapContour, tightBox, turnAbout, type Affine, type Box, type Contour, type Point } from '../path';
import { drawnShapes, findNode, withoutNodes, withInkIds, type Artwork, type ArtNode, type Ink } from '../vector';
import { cutOut, haloOf, insideLine, paintedHalo, shadowNodes } from './dress';
import { dividers, frameShapes, standingOn, type Around, type FrameShapes } from './frames';
import { textSetting, type FamilyOf, type InsteadRoom, type Standing, type TextSetting } from './text';

/** What a lockup names and does not hold. */
export interface Resources {
  /** The artwork at the step that a mark names; null where it is not there. */
  readonly artworkOf: (mark: MarkPart) => Artwork | null;
  readonly familyOf: FamilyOf;
}

export interface DrawOptions {
  /** What is the ground's is cut out of what lies below; or painted with a colour, which is quicker and looks the same on it. */
  readonly ground?: 'cut' | string;
}

const EMPTY_BOX: Box = { x: 0, y: 0, width: 1, height: 1 };

/** The outlines of what a mark part shows, in the artwork's coordinates. */
export function shownOutlines(artwork: Artwork, only?: readonly string[]): Contour[] {
  const own = only ? { ...artwork, nodes: only.flatMap((id) => nodeAlone(artwork, id)) } : artwork;
  return drawnShapes(own).flatMap((s) => s.contours);
}

/** A node as it lies in the artwork, without what it lies in. */
function nodeAlone(artwork: Artwork, id: string): ArtNode[] {
  const placed = findNode(artwork, id);
  return placed ? [{ ...placed.node, transform: placed.map }] : [];
}

interface DrawnText {
  readonly setting: TextSetting;
  readonly standing: Standing;
  /** Outlines of each letter that is drawn, with what it shows. */
  readonly letters: readonly { readonly name: string; readonly contours: readonly Contour[] }[];
  readonly contours: readonly Contour[];
  readonly box: Box;
  /** Where marks stand in place of letters. */
  readonly marks: ReadonlyMap<string, Affine>;
}

/** Works out parts as others need them, each once. */
class Drawing {
  readonly faults: LockupFault[] = [];
  private readonly texts = new Map<string, DrawnText | null>();
  private readonly frames = new Map<string, FrameShapes | null>();
  private readonly marks = new Map<string, { artwork: Artwork; outlines: readonly Contour[]; box: Box } | null>();

  constructor(
    readonly lockup: Lockup,
    private readonly from: Resources,
  ) {}

  mark(part: MarkPart): { artwork: Artwork; outlines: readonly Contour[]; box: Box } | null {
    let own = this.marks.get(part.id);
    if (own === undefined) {
      const artwork = this.from.artworkOf(part);
      if (artwork) {
        const outlines = shownOutlines(artwork, part.only);
        const box = tightBox(outlines) ?? { x: 0, y: 0, width: artwork.widthPx, height: artwork.heightPx };
        own = { artwork, outlines, box };
      } else {
        own = null;
        this.faults.push({ partId: part.id, kind: 'mark', message: 'the artwork of this mark is not there' });
      }
      this.marks.set(part.id, own);
    }
    return own;
  }

  /** The map of a mark: its own, or that of the letter whose place it takes. */
  mapOf(part: MarkPart): Affine {
    for (const text of this.lockup.parts) {
      if (text.kind !== 'text' || text.hidden) continue;
      const takes = Object.values(text.instead ?? {}).some((i) => i.kind === 'mark' && i.markId === part.id);
      const map = takes ? this.text(text)?.marks.get(part.id) : undefined;
      if (map) return map;
    }
    return markMap(part);
  }

  private roomIn(part: TextPart): InsteadRoom {
    const out: Record<string, { aspect: number }> = {};
    for (const [at, instead] of Object.entries(part.instead ?? {})) {
      const mark = instead.kind === 'mark' ? partOf(this.lockup, instead.markId) : undefined;
      const own = mark?.kind === 'mark' ? this.mark(mark) : null;
      if (own) out[at] = { aspect: own.box.width / own.box.height };
    }
    return out;
  }

  private standing(part: TextPart): Standing {
    const { follows, x, y } = part;
    if (!follows) return { kind: 'line' };
    if (follows.kind === 'arc') {
      const { radiusPx, side, even, turnDeg = 0 } = follows;
      return { kind: 'arc', centre: [x, y], radiusPx, side, even, turnDeg };
    }
    if (follows.kind === 'frame') {
      const frame = partOf(this.lockup, follows.frameId);
      const shapes = frame?.kind === 'frame' ? this.frame(frame) : null;
      if (frame?.kind !== 'frame' || !shapes) return { kind: 'line' };
      // Its cap height is the same wherever it stands.
      const flat = textSetting(part, { kind: 'line' }, this.from.familyOf);
      return standingOn(frame, shapes, follows.side, flat?.capHeightPx ?? part.sizePx * 0.7);
    }
    const mark = partOf(this.lockup, follows.markId);
    const own = mark?.kind === 'mark' ? this.mark(mark) : null;
    const placed = own && findNode(own.artwork, follows.nodeId);
    const contour = placed?.node.kind === 'piece' ? placed.node.contours[follows.contour] : undefined;
    if (mark?.kind !== 'mark' || !contour) {
      this.faults.push({ partId: part.id, kind: 'room', message: 'the path that this text stood on is not there any more' }); // prettier-ignore
      return { kind: 'line' };
    }
    const map = compose(placed!.map, markMap(mark));
    return { kind: 'path', contour: mapContour(map, contour), at: follows.at, flipped: follows.flipped === true, offPx: follows.offPx ?? 0 }; // prettier-ignore
  }

  text(part: TextPart): DrawnText | null {
    const known = this.texts.get(part.id);
    if (known !== undefined) return known;
    // While it is being worked out, whoever needs it goes without.
    this.texts.set(part.id, null);
    const { fit } = part;
    let fitPx: number | null = null;
    if (typeof fit?.to === 'number') fitPx = fit.to;
    else if (fit) {
      const other = partOf(this.lockup, fit.to);
      fitPx = (other?.kind === 'text' ? this.text(other)?.box.width : undefined) ?? null;
    }
    const standing = this.standing(part);
    const setting = textSetting(part, standing, this.from.familyOf, fitPx, this.roomIn(part));
    if (!setting) {
      this.faults.push({ partId: part.id, kind: 'face', message: `the face ${part.face.family.replaceAll('-', ' ')} is not there` }); // prettier-ignore
      return null;
    }
    for (const message of setting.faults) this.faults.push({ partId: part.id, kind: 'room', message });
    const own = this.outlined(part, setting, standing);
    this.texts.set(part.id, own);
    return own;
  }

  private outlined(part: TextPart, setting: TextSetting, standing: Standing): DrawnText {
    const { instead = {}, warp } = part;
    const { glyphs } = setting;
    const whole = warp?.amount ? inkBox(glyphs) : null;
    const bent = (contours: readonly Contour[]): Contour[] =>
      warp && whole ? warped(contours, warp, whole, part.y) : [...contours];
    const marks = new Map<string, Affine>();
    const letters = glyphs.flatMap((g) => {
      const own = g.at >= 0 && g.text ? instead[String(g.at)] : undefined;
      if (own?.kind === 'mark') {
        const map = this.inPlaceOf(g, own.markId);
        if (map) marks.set(own.markId, map);
        if (map) return [];
      }
      const raw = own?.kind === 'drawn' ? own.contours.map((c) => mapContour(glyphMap(g), c)) : glyphContours(g);
      return raw.length ? [{ name: g.text.trim() || 'letter', contours: bent(raw) }] : [];
    });
    const contours = letters.flatMap((l) => l.contours);
    const box = tightBox(contours) ?? { ...EMPTY_BOX, x: part.x, y: part.y };
    return { setting, standing, letters, contours, box, marks };
  }

  /** The map by which a mark stands where a letter would: as high as that. */
  private inPlaceOf(glyph: PlacedGlyph, markId: string): Affine | null {
    const mark = partOf(this.lockup, markId);
    const own = mark?.kind === 'mark' ? this.mark(mark) : null;
    const upright = { ...glyph, turnDeg: 0 };
    const box = inkBox([upright]);
    if (!own || !box) return null;
    const k = box.height / own.box.height;
    const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
    const map: Affine = [k, 0, 0, k, cx - k * (own.box.x + own.box.width / 2), cy - k * (own.box.y + own.box.height / 2)]; // prettier-ignore
    return glyph.turnDeg ? compose(map, turnAbout([glyph.x, glyph.y], (glyph.turnDeg * Math.PI) / 180)) : map;
  }

  /** The outlines of a part, as they lie in the lockup. */
  outlines(part: LockupPart): readonly Contour[] {
    if (part.kind === 'text') return this.text(part)?.contours ?? [];
    if (part.kind === 'mark') {
      const own = this.mark(part);
      return own ? own.outlines.map((c) => mapContour(this.mapOf(part), c)) : [];
    }
    const own = this.frame(part);
    return own ? [...own.fill, ...own.lines, ...own.folds] : [];
  }

  frame(part: FramePart): FrameShapes | null {
    const known = this.frames.get(part.id);
    if (known !== undefined) return known;
    this.frames.set(part.id, null);
    const inside = part.around.flatMap((id) => partOf(this.lockup, id) ?? []).filter((p) => !p.hidden);
    const contours = inside.flatMap((p) => this.outlines(p));
    const text = inside.flatMap((p) => (p.kind === 'text' ? (this.text(p) ?? []) : []))[0];
    const box = tightBox(contours);
    let own: FrameShapes | null = null;
    if (box) {
      const standing = text?.standing;
      const arc = standing?.kind === 'arc' ? { centre: standing.centre, radiusPx: standing.radiusPx, side: standing.side, halfRad: text.setting.halfRad } : null; // prettier-ignore
      // Lettering is framed from its cap height to its baseline: a tail below makes a frame no lower.
      const isText = inside.length === 1 && text && !arc;
      const body = isText ? bodyOf(text) : box;
      const around: Around = { contours, box: isText ? { ...body, x: box.x, width: box.width } : box, arc, capHeightPx: text?.setting.capHeightPx ?? 0 }; // prettier-ignore
      own = frameShapes(part, around);
    }
    this.frames.set(part.id, own);
    return own;
  }
}

/** From the first line's cap height to the last baseline, where a text stands on lines; else its outlines. */
function bodyOf({ setting, box }: DrawnText): Box {
  const { lines, capHeightPx } = setting;
  if (!lines.length) return box;
  const top = lines[0].y - capHeightPx;
  return { x: box.x, y: top, width: box.width, height: lines[lines.length - 1].y - top };
}

const piece = (id: string, name: string, inkId: string, contours: readonly Contour[]): ArtNode => ({ kind: 'piece', id, name, inkId, contours }); // prettier-ignore

function frameNodes(part: FramePart, drawing: Drawing): ArtNode[] {
  const shapes = drawing.frame(part);
  if (!shapes) return [];
  const { id, lineInkId, fillInkId } = part;
  const on = drawing.lockup.parts.flatMap((p) => (p.kind === 'text' && !p.hidden && p.follows?.kind === 'frame' && p.follows.frameId === id ? [p] : [])); // prettier-ignore
  const half = (side: 'above' | 'below'): number => {
    const text = on.find((t) => t.follows?.kind === 'frame' && t.follows.side === side);
    return text ? (drawing.text(text)?.setting.halfRad ?? 0) : 0;
  };
  const signs = on.length ? dividers(part, shapes, half('above'), half('below')) : [];
  const nodes: ArtNode[] = [];
  if (shapes.folds.length) nodes.push(piece(`${id}-folds`, 'Folds', lineInkId, shapes.folds));
  if (shapes.fill.length && fillInkId !== null) nodes.push(piece(`${id}-fill`, 'Filling', fillInkId, shapes.fill));
  if (shapes.lines.length) nodes.push(piece(`${id}-line`, 'Line', lineInkId, shapes.lines));
  if (signs.length) nodes.push(piece(`${id}-signs`, 'Signs', lineInkId, signs));
  const name = part.name ?? part.shape.replace('-', ' ').replace(/^./, (c) => c.toUpperCase());
  return nodes.length ? [{ kind: 'group', id, name, nodes }] : [];
}

/** Draws a lockup. What is missing is told, and all else is drawn. */
export function drawLockup(lockup: Lockup, resources: Resources, { ground = 'cut' }: DrawOptions = {}): DrawnLockup {
  const drawing = new Drawing(lockup, resources);
  const shown = lockup.parts.filter((p) => !p.hidden);
  const inks: Ink[] = [...lockup.inks];
  const isPainted = ground !== 'cut';
  if (isPainted) inks.push({ id: 'the-ground', hex: ground, name: 'the ground' });
  let nodes: ArtNode[] = [];
  /** What is the ground's: out of all that lies below so far, or painted over it. */
  const leave = (id: string, contours: readonly Contour[], widthPx: number): void => {
    if (isPainted) nodes.push(paintedHalo(id, contours, widthPx, 'the-ground'));
    else nodes = cutOut(nodes, haloOf(contours, widthPx));
  };
  const parts: DrawnPart[] = [];
  for (const part of shown) {
    if (part.kind === 'frame') {
      const own = frameNodes(part, drawing);
      nodes.push(...own);
      const outlines = drawing.outlines(part);
      const box = drawing.frame(part)?.box;
      if (box) parts.push({ id: part.id, box, body: box, outlines });
    } else if (part.kind === 'mark') {
      const own = drawing.mark(part);
      if (!own) continue;
      const map = drawing.mapOf(part);
      const behind = shown.flatMap((p) => (p.kind === 'text' && p.behind?.markId === part.id ? p.behind.nodes : []));
      const of = part.only ? part.only.flatMap((n) => nodeAlone(own.artwork, n)) : withoutNodes(own.artwork.nodes, new Set(behind)); // prettier-ignore
      nodes.push(group(part, of, map));
      const outlines = drawing.outlines(part);
      const box = tightBox(outlines) ?? EMPTY_BOX;
      parts.push({ id: part.id, box, body: box, outlines });
    } else {
      const own = drawing.text(part);
      if (!own) continue;
      const { dress, id } = part;
      const shadow = dress?.shadow ? shadowNodes(id, own.contours, dress.shadow) : [];
      // A shadow lies under an outline in an ink, which is the letters', and on one that is the ground's, which is not.
      if (dress?.outline?.inkId !== null) nodes.push(...shadow);
      if (dress?.outline) {
        const { gapPx, widthPx, inkId } = dress.outline;
        if (inkId === null) leave(`${id}-apart`, own.contours, gapPx + widthPx);
        else {
          nodes.push(isPainted ? paintedHalo(`${id}-outline`, own.contours, gapPx + widthPx, inkId) : piece(`${id}-outline`, 'Outline', inkId, haloOf(own.contours, gapPx + widthPx))); // prettier-ignore
          if (gapPx > 0) leave(`${id}-gap`, own.contours, gapPx);
        }
      }
      if (dress?.outline?.inkId === null) nodes.push(...shadow);
      const letters = own.letters.map((l, k) => piece(`${id}-${k + 1}`, l.name, part.inkId, l.contours));
      const name = part.name ?? { name: 'Name', line: 'Line', other: 'Text' }[part.role];
      nodes.push({ kind: 'group', id, name, nodes: letters });
      if (dress?.inline) {
        const line = insideLine(own.contours, dress.inline.insetPx, dress.inline.widthPx);
        if (dress.inline.inkId !== null) nodes.push(piece(`${id}-inline`, 'Inline', dress.inline.inkId, line));
        else if (isPainted) nodes.push(piece(`${id}-inline`, 'Inline', 'the-ground', line));
        else nodes = cutOut(nodes, line);
      }
      if (part.behind) {
        const mark = partOf(lockup, part.behind.markId);
        const artwork = mark?.kind === 'mark' ? drawing.mark(mark) : null;
        if (artwork && mark?.kind === 'mark' && !mark.hidden) {
          const over = part.behind.nodes.flatMap((n) => nodeAlone(artwork.artwork, n));
          nodes.push({ ...group(mark, over, drawing.mapOf(mark)), id: `${mark.id}-over-${id}`, name: 'Before the lettering' }); // prettier-ignore
        }
      }
      const { setting } = own;
      const letter = (g: PlacedGlyph): DrawnLetter[] => {
        if (!g.text || g.at < 0) return [];
        const instead = part.instead?.[String(g.at)];
        const outlines = instead ? (instead.kind === 'drawn' ? instead.contours : []) : g.face.outline(g.id);
        return [{ at: g.at, text: g.text, origin: [g.x, g.y], turnDeg: g.turnDeg, advance: g.advance, map: glyphMap(g), outlines }]; // prettier-ignore
      };
      parts.push({
        id,
        box: own.box,
        body: bodyOf(own),
        outlines: own.contours,
        text: {
          sizePx: setting.sizePx,
          tracking: setting.tracking,
          capHeightPx: setting.capHeightPx,
          xHeightPx: setting.xHeightPx,
          stemPx: stemAt(setting.glyphs),
          baselines: setting.lines,
          letters: setting.glyphs.flatMap(letter),
        },
      });
    }
  }
  const boxes = parts.map((p) => p.box).filter((b) => b.width > 0 && b.height > 0);
  const [x0, y0] = [Math.min(...boxes.map((b) => b.x)), Math.min(...boxes.map((b) => b.y))];
  const whole: Box = boxes.length
    ? { x: x0, y: y0, width: Math.max(...boxes.map((b) => b.x + b.width)) - x0, height: Math.max(...boxes.map((b) => b.y + b.height)) - y0 } // prettier-ignore
    : { x: 0, y: 0, width: 400, height: 240 };
  const byRole = (role: TextPart['role']) => shown.flatMap((p) => (p.kind === 'text' && p.role === role ? (parts.find((d) => d.id === p.id)?.text?.capHeightPx ?? []) : [])); // prettier-ignore
  const capHeightPx = [byRole('name'), byRole('other'), byRole('line')].find((l) => l.length)?.reduce((p, q) => Math.max(p, q)) ?? whole.height / 5; // prettier-ignore
  const clearPx = lockup.clear * capHeightPx;
  const origin: Point = [whole.x - clearPx, whole.y - clearPx];
  const away: Affine = [1, 0, 0, 1, -origin[0], -origin[1]];
  const artwork: Artwork = {
    widthPx: whole.width + 2 * clearPx,
    heightPx: whole.height + 2 * clearPx,
    inks,
    nodes: nodes.map((n): ArtNode => ({ ...n, transform: n.transform ? compose(n.transform, away) : away })),
    guides: [],
    ...(lockup.colourways ? { colourways: lockup.colourways } : {}),
    ...(lockup.masterName ? { masterName: lockup.masterName } : {}),
    ...(lockup.oneColour ? { oneColour: lockup.oneColour } : {}),
  };
  return { artwork, origin, parts, capHeightPx, clearPx, faults: drawing.faults };
}

/** A mark's nodes where they stand, with the lockup's ids. */
const group = (part: MarkPart, nodes: readonly ArtNode[], map: Affine): ArtNode => ({
  kind: 'group',
  id: part.id,
  name: part.name ?? 'Mark',
  transform: map,
  nodes: withInkIds(nodes, (id) => `${part.prefix}${id}`, (id) => `${part.id}/${id}`),
}); // prettier-ignore
