/** A text shown in several faces. */
import { inkBox, glyphContours, setText } from '../core/lettering';
import { formatPath } from '../core/path';
import { shelfOf, type OwnFace } from './make-lockups';

export interface SpecimensAsk {
  readonly text: string;
  readonly faces: readonly { readonly family: string; readonly weight: number }[];
  /** Files of those that were brought in, by their family. */
  readonly own: Readonly<Record<string, OwnFace>>;
}

export interface Specimen {
  readonly family: string;
  readonly weight: number;
  /** Path data, its capitals 100 px high, and the box of it; null where the face has not all of its characters. */
  readonly d: string | null;
  readonly box: readonly [number, number, number, number];
  readonly capHeightPx: number;
  /** Characters that it has not. */
  readonly missing: readonly string[];
}

const CAP_PX = 100;

/** Sets a text in each face. A face that is not there is left out. */
export async function specimens({ text, faces, own }: SpecimensAsk): Promise<Specimen[]> {
  const made = await Promise.all(
    faces.map(async (face): Promise<Specimen | null> => {
      const shelf = shelfOf(own, face.family);
      await shelf.load(face, text);
      const family = shelf.family(face, text);
      if (!family) return null;
      const missing = family.missing(text);
      const sizePx = CAP_PX / family.main.capHeight;
      const glyphs = setText(family.plain(text), family, { sizePx }).lines.flatMap((l) => l.glyphs);
      const box = inkBox(glyphs);
      return {
        ...face,
        d: missing.length || !box ? null : formatPath(glyphs.flatMap(glyphContours), 1),
        box: box ? [box.x, box.y, box.width, box.height] : [0, -CAP_PX, 1, CAP_PX],
        capHeightPx: CAP_PX,
        missing,
      };
    }),
  );
  return made.flatMap((m) => m ?? []);
}
