import { hexToRgb, readHex } from '../colour';
import { inkOf, type Artwork, type Ink } from './artwork';
import { meanHex, tinted } from './gradient';

/** One change to an artwork, as it is sent, kept and told in the history. */
export type Edit =
  | { readonly kind: 'ink-colour'; readonly inkId: string; readonly hex: string }
  | { readonly kind: 'gradient-stop'; readonly inkId: string; readonly stop: number; readonly hex: string }
  | { readonly kind: 'plain-ink'; readonly inkId: string }
  | { readonly kind: 'ink-name'; readonly inkId: string; readonly name: string }
  | { readonly kind: 'merge-inks'; readonly inkId: string; readonly intoInkId: string }
  | { readonly kind: 'piece-ink'; readonly pieceId: string; readonly inkId: string }
  | { readonly kind: 'remove-piece'; readonly pieceId: string };

/** The edit names something that the artwork does not have, or a value that cannot be. */
export class EditError extends Error {}

const must = (condition: unknown, message: string): void => {
  if (!condition) throw new EditError(message);
};

/** The artwork after an edit; the one given stays as it is. Throws an EditError when the edit does not fit it. */
export function applyEdit(artwork: Artwork, edit: Edit): Artwork {
  const hasInk = (id: string) => artwork.inks.some((i) => i.id === id);
  const hasPiece = (id: string) => artwork.pieces.some((p) => p.id === id);
  const withInk = (ink: Ink): Artwork => ({ ...artwork, inks: artwork.inks.map((i) => (i.id === ink.id ? ink : i)) });
  const hexFrom = (text: string): string => {
    const hex = readHex(text);
    if (!hex) throw new EditError(`"${text}" is not a hex colour such as #1D2E4E`);
    return hex;
  };
  switch (edit.kind) {
    case 'ink-colour': {
      const ink = inkOf(artwork, edit.inkId);
      if (!ink) throw new EditError('this artwork has no such ink');
      const hex = hexFrom(edit.hex);
      if (!ink.gradient) return withInk({ ...ink, hex });
      // A gradient takes on the colour as a whole, and keeps its change from light to dark.
      return withInk({ ...ink, hex, gradient: tinted(ink.gradient, ink.hex, hex) });
    }
    case 'gradient-stop': {
      const ink = inkOf(artwork, edit.inkId);
      if (!ink?.gradient?.stops[edit.stop]) throw new EditError('this artwork has no gradient with such a stop');
      const hex = hexFrom(edit.hex);
      const stops = ink.gradient.stops.map((s, k) => (k === edit.stop ? { ...s, hex } : s));
      const gradient = { ...ink.gradient, stops };
      return withInk({ ...ink, hex: meanHex(gradient), gradient });
    }
    case 'plain-ink': {
      const ink = inkOf(artwork, edit.inkId);
      if (!ink?.gradient) throw new EditError('this ink has no gradient');
      const { gradient: _, ...plain } = ink;
      return withInk(plain);
    }
    case 'ink-name': {
      const ink = inkOf(artwork, edit.inkId);
      if (!ink) throw new EditError('this artwork has no such ink');
      const name = edit.name.trim();
      must(name.length > 0 && name.length <= 60, 'an ink needs a name of 1 to 60 characters');
      return withInk({ ...ink, name });
    }
    case 'merge-inks':
      must(hasInk(edit.inkId) && hasInk(edit.intoInkId), 'this artwork has no such ink');
      must(edit.inkId !== edit.intoInkId, 'an ink cannot be merged into itself');
      return {
        ...artwork,
        inks: artwork.inks.filter((i) => i.id !== edit.inkId),
        pieces: artwork.pieces.map((p) => (p.inkId === edit.inkId ? { ...p, inkId: edit.intoInkId } : p)),
      };
    case 'piece-ink':
      must(hasInk(edit.inkId), 'this artwork has no such ink');
      must(hasPiece(edit.pieceId), 'this artwork has no such piece');
      return {
        ...artwork,
        pieces: artwork.pieces.map((p) => (p.id === edit.pieceId ? { ...p, inkId: edit.inkId } : p)),
      };
    case 'remove-piece': {
      must(hasPiece(edit.pieceId), 'this artwork has no such piece');
      const pieces = artwork.pieces.filter((p) => p.id !== edit.pieceId);
      // An ink without a piece is kept: undo, and a later piece, may want it.
      return { ...artwork, pieces };
    }
  }
}

/** What an edit did, in the words of the history. */
export function describeEdit(before: Artwork, edit: Edit): string {
  const name = (id: string) => before.inks.find((i) => i.id === id)?.name ?? 'ink';
  switch (edit.kind) {
    case 'ink-colour':
      return `${name(edit.inkId)} to ${readHex(edit.hex) ?? edit.hex}`;
    case 'gradient-stop':
      return `stop ${edit.stop + 1} of ${name(edit.inkId)} to ${readHex(edit.hex) ?? edit.hex}`;
    case 'plain-ink':
      return `${name(edit.inkId)} made plain`;
    case 'ink-name':
      return `${name(edit.inkId)} named ${edit.name.trim()}`;
    case 'merge-inks':
      return `${name(edit.inkId)} merged into ${name(edit.intoInkId)}`;
    case 'piece-ink':
      return `one piece to ${name(edit.inkId)}`;
    case 'remove-piece':
      return 'one piece removed';
  }
}

/** Whether a text reads as an artwork's numbers and colours should: used on what comes back from a database or a page. */
export function checkArtwork(artwork: Artwork): void {
  must(artwork.widthPx > 0 && artwork.heightPx > 0, 'the artwork has no size');
  const ids = new Set(artwork.inks.map((i) => i.id));
  must(ids.size === artwork.inks.length, 'two inks have one id');
  artwork.inks.forEach((i) => [i.hex, ...(i.gradient?.stops ?? []).map((s) => s.hex)].forEach(hexToRgb));
  const pieceIds = new Set<string>();
  for (const piece of artwork.pieces) {
    must(ids.has(piece.inkId), 'a piece has an ink that the artwork does not have');
    must(!pieceIds.has(piece.id), 'two pieces have one id');
    pieceIds.add(piece.id);
    for (const c of piece.contours)
      for (const p of [c.start, ...c.segments.flatMap((s) => (s.kind === 'curve' ? [s.c1, s.c2, s.to] : [s.to]))])
        must(Number.isFinite(p[0]) && Number.isFinite(p[1]), 'a point is not a number');
  }
}
