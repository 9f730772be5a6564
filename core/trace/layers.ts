import { NOTHING, type Cells } from './cells';

/** How far a lower ink runs under an upper one that it touches, in pixels: enough that no seam shows at any size. */
const UNDERLAP_PX = 1.5;

/**
 * The coverage field of one ink. `rank` tells each ink's place in the stack. Cut out, it is what the ink itself covers; stacked, the
 * ink also runs a little under the inks above it and fills holes in which there are only those. Where two inks mix in one pixel the
 * sum of their coverages is exact, so shared edges leave neither gap nor ridge.
 */
export function inkField(cells: Cells, ink: number, rank: ReadonlyMap<number, number>, stacked: boolean): Float32Array {
  const { widthPx: w, heightPx: h, first, second, share } = cells;
  const n = w * h;
  const field = new Float32Array(n);
  const own = rank.get(ink)!;
  const above = new Uint8Array(256);
  for (const [k, r] of rank) above[k] = r > own ? 1 : 0;
  for (let i = 0; i < n; i++)
    field[i] = (first[i] === ink ? share[i] : 0) + (second[i] === ink && first[i] !== ink ? 1 - share[i] : 0);
  if (!stacked) return field;

  const under = new Float32Array(n);
  const reach = Math.ceil(UNDERLAP_PX);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const i = y * w + x;
      if (first[i] !== ink) continue;
      const touchesUpper =
        above[second[i]] ||
        (x > 0 && above[first[i - 1]]) ||
        (x < w - 1 && above[first[i + 1]]) ||
        (y > 0 && above[first[i - w]]) ||
        (y < h - 1 && above[first[i + w]]);
      if (!touchesUpper) continue;
      for (let dy = -reach; dy <= reach; dy++)
        for (let dx = -reach; dx <= reach; dx++) {
          const nx = x + dx;
          const ny = y + dy;
          if (nx < 0 || ny < 0 || nx >= w || ny >= h) continue;
          const weight = Math.max(0, Math.min(1, UNDERLAP_PX + 0.5 - Math.hypot(dx, dy)));
          const j = ny * w + nx;
          if (weight > under[j]) under[j] = weight;
        }
    }
  const upper = new Float32Array(n);
  for (let i = 0; i < n; i++)
    upper[i] = (above[first[i]] ? share[i] : 0) + (above[second[i]] && second[i] !== first[i] ? 1 - share[i] : 0);
  for (let i = 0; i < n; i++) if (under[i]) field[i] = Math.min(1, field[i] + under[i] * upper[i]);
  fillHoles(field, w, h, first, above, upper);
  return field;
}

/** Fills connected holes of a field that touch no border and hold nothing but inks above. */
function fillHoles(
  field: Float32Array,
  w: number,
  h: number,
  first: Uint8Array,
  above: Uint8Array,
  upper: Float32Array,
): void {
  const seen = new Uint8Array(w * h);
  // The hole being walked is the stack itself: members stay in it behind the point reached.
  const queue = new Int32Array(w * h);
  for (let s = 0; s < field.length; s++) {
    if (seen[s] || field[s] >= 0.5) continue;
    let end = 0;
    let open = false;
    queue[end++] = s;
    seen[s] = 1;
    for (let at = 0; at < end; at++) {
      const i = queue[at];
      const x = i % w;
      const y = (i - x) / w;
      if (x === 0 || y === 0 || x === w - 1 || y === h - 1 || first[i] === NOTHING || !above[first[i]]) open = true;
      const x0 = x > 0 ? -1 : 0;
      const x1 = x < w - 1 ? 1 : 0;
      const y1 = y < h - 1 ? 1 : 0;
      for (let dy = y > 0 ? -1 : 0; dy <= y1; dy++)
        for (let dx = x0; dx <= x1; dx++) {
          const j = i + dy * w + dx;
          if (!seen[j] && field[j] < 0.5) {
            seen[j] = 1;
            queue[end++] = j;
          }
        }
    }
    if (open) continue;
    for (let at = 0; at < end; at++) {
      const i = queue[at];
      field[i] = 1;
      // The rim that the ink shares with what lies in the hole is covered whole as well.
      for (let side = 0; side < 4; side++) {
        const j = side === 0 ? i - 1 : side === 1 ? i + 1 : side === 2 ? i - w : i + w;
        if (field[j] < 1) field[j] = Math.min(1, field[j] + upper[j]);
      }
    }
  }
}
