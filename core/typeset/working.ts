/** Parts of a lockup worked out as they need one another: a text as wide as another, a frame round texts, a text on that frame. */
import { glyphContours, glyphMap, inkBox, warped, type PlacedGlyph } from '../lettering';
import { markMap, partOf, type FramePart, type Lockup, type LockupFault, type LockupPart, type MarkPart, type TextPart } from '../lockup'; // prettier-ignore
import { compose, mapContour, tightBox, turnAbout, type Affine, type Box, type Contour } from '../path';
import { drawnShapes, findNode, type Artwork, type ArtNode } from '../vector';
import { frameShapes, standingOn, type Around, type FrameShapes } from './frames';
import { textSetting, type FamilyOf, type InsteadRoom, type Standing, type TextSetting } from './text';

/** What a lockup names and does not hold. */
export interface Resources {
  /** The artwork at the step that a mark names; null where it is not there. */
  readonly artworkOf: (mark: MarkPart) => Artwork | null;
  readonly familyOf: FamilyOf;
}

export const EMPTY_BOX: Box = { x: 0, y: 0, width: 1, height: 1 };

/** The outlines of what a mark part shows, in the artwork's coordinates. */
export function shownOutlines(artwork: Artwork, only?: readonly string[]): Contour[] {
  const own = only ? { ...artwork, nodes: only.flatMap((id) => nodeAlone(artwork, id)) } : artwork;
  return drawnShapes(own).flatMap((s) => s.contours);
}

/** A node as it lies in the artwork, without what it lies in. */
export function nodeAlone(artwork: Artwork, id: string): ArtNode[] {
  const placed = findNode(artwork, id);
  return placed ? [{ ...placed.node, transform: placed.map }] : [];
}

export interface DrawnText {
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
export class Drawing {
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

  /** The map of a mark: its own, or that of the letter that it stands for. */
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
export function bodyOf({ setting, box }: DrawnText): Box {
  const { lines, capHeightPx } = setting;
  if (!lines.length) return box;
  const top = lines[0].y - capHeightPx;
  return { x: box.x, y: top, width: box.width, height: lines[lines.length - 1].y - top };
}
