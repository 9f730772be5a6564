/** The ground of a picture: which ink it is, and leaving it out. */
import { alongBorder, findRegions, type Regions } from '../raster';
import { NOTHING, type Cells } from './cells';
import { sidesOf } from './regions';

/** Which ink is the ground: the one that has most of the picture's border, or null when the border is mostly transparent. */
export function findGround({ widthPx: w, heightPx: h, first }: Cells): number | null {
  const votes = new Float64Array(256);
  alongBorder(w, h, (i) => votes[first[i]]++);
  const most = votes.indexOf(Math.max(...votes));
  return most === NOTHING ? null : most;
}

/** Leaves an ink out wherever it shows. */
export function dropAll({ first, second, plains: { plain, busy } }: Cells, ink: number): void {
  for (const part of [first, second]) {
    for (let s = 0; s < plain.length; s += 2) if (part[plain[s]] === ink) part.fill(NOTHING, plain[s], plain[s + 1]);
    for (let s = 0; s < busy.length; s += 2)
      for (let i = busy[s]; i < busy[s + 1]; i++) if (part[i] === ink) part[i] = NOTHING;
  }
}

/** Leaves an ink out where it reaches the picture's border, and in what is mixed with it there; what other inks enclose stays. */
export function dropOutside(cells: Cells, ink: number): void {
  const regions = findRegions(cells.first, cells.widthPx, cells.heightPx);
  dropAreas(cells, ink, regions, (area) => regions.atBorder[area] === 1);
}

/** Leaves an ink out in some of its areas, and in what is mixed with it there. Areas are numbered by `findRegions` of the cells' first inks. */
export function dropAreas(
  { widthPx: w, first, second, plains: { busy } }: Cells,
  ink: number,
  { of, label }: Regions,
  isDropped: (area: number) => boolean,
): void {
  for (let i = 0; i < first.length; i++)
    if (label[of[i]] === ink && isDropped(of[i])) {
      first[i] = NOTHING;
      if (second[i] === ink) second[i] = NOTHING;
    }
  // Mixtures go with what they lie beside; on soft ramps, with those that do.
  let open: number[] = [];
  for (let s = 0; s < busy.length; s += 2)
    for (let i = busy[s]; i < busy[s + 1]; i++)
      if (second[i] === ink && first[i] !== ink && first[i] !== NOTHING) open.push(i);
  const settled = new Map<number, number>();
  while (open.length) {
    const now = new Map<number, number>();
    for (const i of open) {
      const sides = sidesOf(i, w, first.length).map((j) => settled.get(j) ?? first[j]);
      if (sides.includes(NOTHING)) now.set(i, NOTHING);
      else if (sides.includes(ink)) now.set(i, ink);
    }
    if (!now.size) break;
    for (const [i, k] of now) settled.set(i, k);
    open = open.filter((i) => !now.has(i));
  }
  for (const [i, k] of settled) second[i] = k;
}
