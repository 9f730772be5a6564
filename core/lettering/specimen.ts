/** A text shown in a face, for choosing among faces. */
import { formatPath } from '../path';
import type { Family } from './family';
import { glyphContours, inkBox, setText } from './set';

export interface Specimen {
  readonly family: string;
  readonly weight: number;
  /** Path data, its capitals 100 px high, and the box of it; null where the face has not all of its characters. */
  readonly d: string | null;
  readonly box: readonly [x: number, y: number, width: number, height: number];
  /** Characters that it has not. */
  readonly missing: readonly string[];
}

const CAP_PX = 100;

/** A text in a family, as an outline. */
export function specimenOf(family: Family, text: string): Pick<Specimen, 'd' | 'box' | 'missing'> {
  const missing = family.missing(text);
  const sizePx = CAP_PX / family.main.capHeight;
  const glyphs = setText(family.plain(text), family, { sizePx }).lines.flatMap((l) => l.glyphs);
  const box = inkBox(glyphs);
  return {
    d: missing.length || !box ? null : formatPath(glyphs.flatMap(glyphContours), 1),
    box: box ? [box.x, box.y, box.width, box.height] : [0, -CAP_PX, 1, CAP_PX],
    missing,
  };
}
