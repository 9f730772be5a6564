/** A lockup drawn: its parts set, framed and arranged, as an artwork, with the places by which it is arranged further. */
import { glyphMap, stemAt, type PlacedGlyph } from '../lettering';
import { partOf, type DrawnLetter, type DrawnLockup, type DrawnPart, type FramePart, type Lockup, type MarkPart, type TextPart } from '../lockup'; // prettier-ignore
import { compose, tightBox, type Affine, type Contour, type Point } from '../path';
import { unionOf, withInkIds, withoutNodes, type Artwork, type ArtNode, type Ink } from '../vector';
import { cutOut, haloOf, insideLine, paintedHalo, shadowNodes } from './dress';
import { dividers } from './frames';
import { bodyOf, Drawing, EMPTY_BOX, nodeAlone, type Resources } from './working';

export interface DrawOptions {
  /** What is the ground's is cut out of what lies below; or painted with a colour, which is quicker and looks the same on it. */
  readonly ground?: 'cut' | string;
  /** The text whose letters are told with their outlines, for one that is changed by hand. */
  readonly lettersOf?: string | null;
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
export function drawLockup(
  lockup: Lockup,
  resources: Resources,
  { ground = 'cut', lettersOf = null }: DrawOptions = {},
): DrawnLockup {
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
        const outlines = lettersOf !== id ? [] : instead ? (instead.kind === 'drawn' ? instead.contours : []) : g.face.outline(g.id); // prettier-ignore
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
  const whole = unionOf(boxes) ?? { x: 0, y: 0, width: 400, height: 240 };
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
