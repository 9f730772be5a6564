/** Pieces about others that are the steps of a soft shadow: what casts it, moved and blurred, tells their colours. */
import { hexToOklab, hexToRgb, luminance, rgbToHex, type Oklab, type Rgb } from '../colour';
import { combined, mapContour } from '../path';
import { blankPicture, blurred } from '../raster';
import { findNode, inkOf, placedNodes, type Artwork, type Piece, type Placed } from './artwork';
import { mapNodes } from './edits/define';
import { drawnShapes } from './outlines';
import { isBare, Sets } from './ramps';
import { settled } from './settle';
import { eachBorder, GROUND, seenGrid } from './touching';

/** Pieces that are one soft shadow. */
export interface FoundShadow {
  /** The steps of it, from the bottom to the top. */
  readonly ids: readonly string[];
  /** What casts it. */
  readonly of: readonly string[];
  /** The piece that it falls on, where one lies about it. */
  readonly on: string | null;
  readonly dxPx: number;
  readonly dyPx: number;
  /** Standard deviation of a Gaussian, in px of the sheet. */
  readonly blurPx: number;
  readonly hex: string;
  /** 0..1 */
  readonly opacity: number;
  /** How far its colours lie from those that the pieces have, as the root of the mean square over their area, of 255 levels. */
  readonly offBy: number;
}

/** The longer side of the grid on which that is looked at, in cells. */
const CELLS = 160;
/** Steps of a shadow differ by no more than this in OKLab's lightness, and by less in its other two. */
const NEAR = 0.13;
const NEAR_HUE = 0.05;
const LEAST_PIECES = 3;
/** Of how their colours differ, a shadow must tell this share, and it may be off by so many levels. */
const LEAST_TOLD = 0.9;
const MOST_OFF = 9;
/** Steps go from light to dark by at least so many levels. */
const LEAST_DARK = 12;
/** Against what casts it, a shadow is no larger than this. */
const MOST_SIZE = 1.5;
/** As far as this it may lie, and as soft as these it may be, in cells. */
const FAR = 24;
const SOFT = [0.7, 1.1, 1.8, 2.8, 4.2, 6.3, 9, 13];
/** So many cells tell enough, and so many where to look closer. */
const LOOKED = 1400;
const FIRST_LOOKED = 280;

interface Fit {
  readonly dx: number;
  readonly dy: number;
  readonly sigma: number;
  readonly told: number;
  readonly offBy: number;
  /** The colour without a shadow, and how much darker it is where all of it is. */
  readonly light: Rgb;
  readonly change: Rgb;
}

/** Opacities of what casts a shadow, blurred, 0..1. */
class Blurs {
  private readonly made = new Map<number, Float32Array>();
  constructor(
    private readonly mask: Uint8Array,
    private readonly width: number,
    private readonly height: number,
  ) {}

  at(sigma: number): Float32Array {
    let own = this.made.get(sigma);
    if (!own) {
      const picture = blankPicture(this.width, this.height);
      this.mask.forEach((is, i) => (picture.rgba[4 * i + 3] = is * 255));
      const { rgba } = blurred(picture, sigma);
      own = Float32Array.from({ length: this.mask.length }, (_, i) => rgba[4 * i + 3] / 255);
      this.made.set(sigma, own);
    }
    return own;
  }

  /** Between four cells; nothing outside. */
  sample(values: Float32Array, x: number, y: number): number {
    const { width, height } = this;
    const [u, v] = [Math.floor(x), Math.floor(y)];
    const at = (i: number, j: number): number =>
      i < 0 || j < 0 || i >= width || j >= height ? 0 : values[j * width + i];
    const [s, t] = [x - u, y - v];
    return (1 - t) * ((1 - s) * at(u, v) + s * at(u + 1, v)) + t * ((1 - s) * at(u, v + 1) + s * at(u + 1, v + 1));
  }
}

/** How well a moved and blurred shape tells the colours of cells: a line through them, by least squares. */
function fitOf(
  cells: readonly number[],
  colours: readonly Rgb[],
  blurs: Blurs,
  width: number,
  dx: number,
  dy: number,
  sigma: number,
): Fit | null {
  const values = blurs.at(sigma);
  const n = cells.length;
  const v = cells.map((i) => blurs.sample(values, (i % width) - dx, Math.floor(i / width) - dy));
  const mean = v.reduce((sum, x) => sum + x, 0) / n;
  const spread = v.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  if (spread < 1e-6 * n) return null;
  let [total, rest] = [0, 0];
  const [light, change] = [[0, 0, 0], [0, 0, 0]]; // prettier-ignore
  for (let c = 0; c < 3; c++) {
    const m = colours.reduce((sum, k) => sum + k[c], 0) / n;
    let along = 0;
    let own = 0;
    colours.forEach((k, i) => {
      along += (v[i] - mean) * (k[c] - m);
      own += (k[c] - m) ** 2;
    });
    change[c] = along / spread;
    light[c] = m - change[c] * mean;
    total += own;
    rest += own - along ** 2 / spread;
  }
  const [l, d] = [light, change] as unknown as [Rgb, Rgb];
  return {
    dx,
    dy,
    sigma,
    told: total > 0 ? 1 - rest / total : 0,
    offBy: Math.sqrt(Math.max(0, rest) / n / 3),
    light: l,
    change: d,
  };
}

/** The place and softness at which what casts the shadow tells the colours best. */
function bestFit(cells: readonly number[], colours: readonly Rgb[], blurs: Blurs, width: number): Fit | null {
  let best: Fit | null = null;
  const every = Math.ceil(cells.length / FIRST_LOOKED);
  const [few, their] = [cells, colours].map((list) => list.filter((_, k) => k % every === 0)) as [number[], Rgb[]];
  const look = (dx: number, dy: number, sigma: number, isFirst = false): boolean => {
    const fit = isFirst
      ? fitOf(few, their, blurs, width, dx, dy, sigma)
      : fitOf(cells, colours, blurs, width, dx, dy, sigma);
    if (!fit || (best && fit.told <= best.told + 1e-9)) return false;
    best = fit;
    return true;
  };
  for (const sigma of SOFT)
    for (let dy = -FAR; dy <= FAR; dy += 3) for (let dx = -FAR; dx <= FAR; dx += 3) look(dx, dy, sigma, true);
  // What was found among a few cells is looked at among all.
  const near = best as Fit | null;
  best = near && fitOf(cells, colours, blurs, width, near.dx, near.dy, near.sigma);
  for (let step = 1.5; best && step > 0.1; step /= 2)
    for (let moved = true; moved;) {
      const { dx, dy, sigma }: Fit = best;
      const times = 1 + step / 5;
      moved = [look(dx + step, dy, sigma), look(dx - step, dy, sigma), look(dx, dy + step, sigma), look(dx, dy - step, sigma), look(dx, dy, sigma * times), look(dx, dy, sigma / times)].some(Boolean); // prettier-ignore
    }
  return best;
}

const isNext = (p: Oklab, q: Oklab): boolean =>
  Math.abs(p.L - q.L) <= NEAR && Math.hypot(p.a - q.a, p.b - q.b) <= NEAR_HUE;

/** Soft shadows that an artwork has as steps: pieces beside what casts them, from light to dark. */
export function shadowsOf(artwork: Artwork): FoundShadow[] {
  const shapes = drawnShapes(artwork);
  const placed = new Map([...placedNodes(artwork.nodes)].map((p) => [p.node.id, p]));
  const labs = shapes.map(({ inkId }) => hexToOklab(inkOf(artwork, inkId)!.hex));
  const isStep = shapes.map(({ id, inkId }) => {
    const own = placed.get(id);
    return own?.node.kind === 'piece' && isBare(own as Placed<Piece>) && !inkOf(artwork, inkId)!.gradient;
  });
  const { cells, width, height } = seenGrid(artwork, shapes, (_, k) => k, CELLS);
  const scale = CELLS / Math.max(artwork.widthPx, artwork.heightPx);
  const cellsOf: number[][] = shapes.map(() => []);
  cells.forEach((k, i) => k !== GROUND && cellsOf[k].push(i));
  const beside = new Map<number, Map<number, number>>();
  eachBorder({ cells, width, height }, (i, j) => {
    for (const [a, b] of [[cells[i], cells[j]], [cells[j], cells[i]]]) {
      if (a === GROUND || b === GROUND) continue;
      const own = beside.get(a) ?? new Map<number, number>();
      own.set(b, (own.get(b) ?? 0) + 1);
      beside.set(a, own);
    }
  }); // prettier-ignore
  const sets = new Sets(shapes.length);
  for (const [a, others] of beside)
    for (const [b, count] of others)
      if (count > 1 && isStep[a] && isStep[b] && isNext(labs[a], labs[b])) sets.join(a, b);
  const members = new Map<number, number[]>();
  shapes.forEach((_, k) => {
    if (isStep[k] && cellsOf[k].length) members.set(sets.find(k), [...(members.get(sets.find(k)) ?? []), k]);
  });
  const out: FoundShadow[] = [];
  for (const all of members.values()) {
    if (all.length < LEAST_PIECES) continue;
    // What is largest and lightest may be what it falls on: that stays.
    const size = (list: readonly number[]): number => list.reduce((sum, k) => sum + cellsOf[k].length, 0);
    const largest = all.reduce((p, q) => (cellsOf[q].length > cellsOf[p].length ? q : p));
    const isGround = cellsOf[largest].length > 0.5 * size(all) && all.length > LEAST_PIECES;
    const steps = isGround ? all.filter((k) => k !== largest) : all;
    const own = new Set(all);
    // Everything that is joined to what they lie beside casts it, as far as one sees.
    const casts = new Set<number>();
    const wait = steps.flatMap((k) =>
      [...(beside.get(k) ?? [])].filter(([b, n]) => n > 2 && !own.has(b)).map(([b]) => b),
    );
    while (wait.length) {
      const k = wait.pop()!;
      if (casts.has(k) || own.has(k)) continue;
      casts.add(k);
      for (const b of beside.get(k)?.keys() ?? []) wait.push(b);
    }
    if (!casts.size || size(steps) > MOST_SIZE * size([...casts])) continue;
    const mask = new Uint8Array(cells.length);
    for (const k of casts) for (const i of cellsOf[k]) mask[i] = 1;
    const looked = (isGround ? all : steps).flatMap((k) => cellsOf[k]);
    const some = looked.filter((_, n) => n % Math.ceil(looked.length / LOOKED) === 0);
    const colours = some.map((i) => hexToRgb(inkOf(artwork, shapes[cells[i]].inkId)!.hex));
    const fit = some.length > 20 ? bestFit(some, colours, new Blurs(mask, width, height), width) : null;
    if (!fit || fit.told < LEAST_TOLD || fit.offBy > MOST_OFF) continue;
    const light = fit.light.map((v) => Math.max(1, Math.min(255, v)));
    const dark = fit.change.map((d, c) => Math.max(0, Math.min(255, light[c] + d)));
    if (Math.max(...light.map((v, c) => v - dark[c])) < LEAST_DARK || luminance(rgbToHex(dark as unknown as Rgb)) >= luminance(rgbToHex(light as unknown as Rgb))) continue; // prettier-ignore
    // As light an opacity as the darkest channel lets it have.
    const opacity = Math.max(...light.map((v, c) => (v - dark[c]) / v));
    const ink = light.map((v, c) => v + (dark[c] - v) / opacity);
    out.push({
      ids: steps.map((k) => shapes[k].id),
      of: [...casts].sort((p, q) => p - q).map((k) => shapes[k].id),
      on: isGround ? shapes[largest].id : null,
      dxPx: fit.dx / scale,
      dyPx: fit.dy / scale,
      blurPx: fit.sigma / scale,
      hex: rgbToHex(ink as unknown as Rgb),
      opacity: Number(opacity.toFixed(3)),
      offBy: fit.offBy,
    });
  }
  return out;
}

/** The artwork with a soft shadow as one blurred piece in place of its steps; what it falls on is filled where they lay. Throws a CombineError where outlines cannot be told apart. */
export function withShadow(
  artwork: Artwork,
  { ids, of, on, dxPx, dyPx, blurPx, opacity, hex }: Omit<FoundShadow, 'offBy'>,
  pieceId: string,
  inkId: string,
): Artwork {
  const shapes = drawnShapes(artwork);
  const united = (list: readonly string[]) => {
    const own = new Set(list);
    const areas = shapes.filter((s) => own.has(s.id) || own.has(s.id.replace(/-line$/, '')));
    return combined('unite', areas.map(({ contours, rule }) => ({ contours, rule }))); // prettier-ignore
  };
  const ground = on === null ? null : { id: on, contours: united([on, ...ids]) };
  const piece: Piece = {
    kind: 'piece',
    id: pieceId,
    name: 'Soft shadow',
    inkId,
    contours: united(of).map((c) => mapContour([1, 0, 0, 1, dxPx, dyPx], c)),
    fillOpacity: opacity,
    ...(blurPx > 0 ? { effects: [{ kind: 'blur', radiusPx: blurPx }] } : {}),
    // What casts it may lie in a hole of that, and below it.
    ...(ground ? { clip: [{ contours: ground.contours }] } : {}),
  };
  const gone = new Set(ids);
  const nodes = mapNodes(artwork.nodes, (n) => {
    if (gone.has(n.id)) return null;
    return n.id === ground?.id ? filledWith(artwork, n.id, ground.contours) : n;
  });
  // Right below the lowest of what casts it, and above what it falls on.
  const rootsOf = (list: readonly string[]) => new Set(list.map((id) => rootOf(artwork, id)));
  const [casting, below] = [rootsOf(of), rootsOf(on === null ? [] : [on])];
  const at = Math.max(nodes.findIndex((n) => casting.has(n.id)), nodes.findIndex((n) => below.has(n.id)) + 1, 0); // prettier-ignore
  const inks = [...artwork.inks, { id: inkId, name: 'Soft shadow', hex }];
  return { ...artwork, inks, nodes: [...nodes.slice(0, at), piece, ...nodes.slice(at)] };
}

/** A piece with other outlines, which are those of the sheet. */
function filledWith(artwork: Artwork, id: string, contours: Piece['contours']): Piece {
  const { numbers: _numbers, rule: _rule, ...rest } = settled(artwork, findNode(artwork, id) as Placed<Piece>);
  return { ...rest, contours };
}

function rootOf(artwork: Artwork, id: string): string {
  const placed = findNode(artwork, id) ?? findNode(artwork, id.replace(/-line$/, ''));
  return (placed?.within[0] ?? placed?.node)?.id ?? '';
}
