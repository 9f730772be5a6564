/**
 * Views of a picture that is put together: near, so that a form cuts it; before a horizon that cuts its foot; half dark on light and half light on dark. A round shows it whole in every
 * second candidate, and in those between in the first view that leaves everything in it to be seen.
 */
import { grown, intersect, moved, sizeOf, union, type Area } from '../path';
import { coveredCells } from '../raster';
import { nounKind } from '../prompt';
import { isCreature } from './built';
import { boundsOf, box, disc, ringOf, tile } from './area';
import { onField, recoloured } from './field';
import { fitLayers, layerOf, scaled, type Layer } from './layer';
import { IDEAS, RISING } from './single';
import { asksHead, banned, form, isOfLines, solid, type Stage } from './stage';

/** What draws a picture on a ground, in inks. */
export type Draw = (stage: Stage) => Layer[];

/** Cells along the side of the field by which it is judged what a view leaves. */
const SIDE = 50;
/** Units to a cell, and units of the field left of and above the first. */
const UNIT = 2.4;
const ORIGIN = -10;

/** What is seen of a picture, cell by cell: the layers that draw figures, each by itself, and all of them. */
interface Seen {
  readonly layers: readonly { readonly cells: Uint8Array; readonly isLow: boolean }[];
  /** The upper third of each animal or person. */
  readonly heads: readonly Uint8Array[];
  /** Those of each figure together. */
  readonly figures: readonly Uint8Array[];
  readonly all: Uint8Array;
  /** In units of the field. */
  readonly bounds: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** The cells of the upper third of what some cover. */
function upperOf(cells: Uint8Array): Uint8Array {
  const top = Math.floor(cells.indexOf(1) / SIDE);
  const foot = Math.floor(cells.lastIndexOf(1) / SIDE);
  return cells.map((v, i) => (Math.floor(i / SIDE) <= top + 0.36 * (foot - top) ? v : 0));
}

function seenOf(layers: readonly Layer[]): Seen | null {
  const bounds = boundsOf(layers.filter((l) => l.isFigure).flatMap((l) => l.area));
  if (!(bounds.width > 0)) return null;
  /** At each cell the layer that is seen there; -1 where none is. */
  const top = new Int16Array(SIDE * SIDE).fill(-1);
  layers.forEach((l, k) => {
    const area = l.clip ? intersect(l.area, l.clip) : l.area;
    const cells = coveredCells([moved(area, [1 / UNIT, 0, 0, 1 / UNIT, -ORIGIN / UNIT, -ORIGIN / UNIT])], SIDE);
    for (let i = 0; i < cells.length; i++) if (cells[i]) top[i] = k;
  });
  const cellsWhere = (isOf: (layer: Layer) => boolean): Uint8Array =>
    Uint8Array.from(top, (k) => (k >= 0 && isOf(layers[k]) ? 1 : 0));
  const names = [...new Set(layers.filter((l) => l.isFigure).map((l) => l.of ?? ''))];
  const figures = names.map((name) => cellsWhere((l) => l.isFigure === true && (l.of ?? '') === name));
  const low = bounds.y + 0.58 * bounds.height;
  return {
    layers: layers
      .filter((l) => l.isFigure)
      .map((l) => {
        const b = boundsOf(l.area);
        return { cells: cellsWhere((other) => other === l), isLow: b.y + b.height / 2 > low };
      }),
    figures,
    heads: figures.filter((_, i) => isCreature(names[i])).map(upperOf),
    all: cellsWhere((l) => l.isFigure === true),
    bounds,
  };
}

const countOf = (cells: Uint8Array, isIn: (x: number, y: number) => boolean): [inside: number, all: number] => {
  let [inside, all] = [0, 0];
  for (let i = 0; i < cells.length; i++)
    if (cells[i]) {
      all++;
      if (isIn(ORIGIN + UNIT * ((i % SIDE) + 0.5), ORIGIN + UNIT * (Math.floor(i / SIDE) + 0.5))) inside++;
    }
  return [inside, all];
};

/** Share of the largest figure that is left at least: an animal is known by its head, a thing by all of it. */
const KEEP = { animal: 0.6, thing: 0.72, outline: 0.8 } as const;

/** Of what is known by its outline, which something else fills or stands for, most is left. */
export function keepOf({ parts: { figures } }: Stage): number {
  const [, second] = figures;
  const isOutline = second && ['inside', 'made of', 'as'].includes(second.relation ?? '') && !figures.some((f) => isCreature(f.drawn)); // prettier-ignore
  return isOutline ? KEEP.outline : figures.some((f) => isCreature(f.drawn)) ? KEEP.animal : KEEP.thing;
}

/** How well a part of the field shows what is there, 0..1; 0 where it shows too much of it for a view of its own, too little, or nothing of something. */
function worthOf(seen: Seen, isIn: (x: number, y: number) => boolean, keep: number = KEEP.animal): number {
  const [inside, all] = countOf(seen.all, isIn);
  if (inside < 0.56 * all || inside > 0.9 * all) return 0;
  // Nobody's head is cut off.
  for (const cells of seen.heads) {
    const [some, whole] = countOf(cells, isIn);
    if (some < 0.9 * whole) return 0;
  }
  let [sum, weights] = [0, 0];
  for (const cells of seen.figures) {
    const [some, whole] = countOf(cells, isIn);
    if (whole > 3 && some < (whole < 0.4 * all ? 0.8 : keep) * whole) return 0;
  }
  for (const { cells, isLow } of seen.layers) {
    const [some, whole] = countOf(cells, isIn);
    if (whole < 3) continue;
    // Feet may be out of sight.
    if (!isLow && whole > 0.03 * all && some < 0.55 * whole) return 0;
    sum += Math.sqrt(whole) * (some / whole);
    weights += Math.sqrt(whole);
  }
  return weights ? sum / weights : 0;
}

/** A part of the field that is square. */
interface Square {
  readonly x: number;
  readonly y: number;
  readonly side: number;
}

/** The parts of the field that show a picture from near, the best first: each cuts it at one or two of its sides. */
function squaresOf(seen: Seen, isRound: boolean, keep: number): Square[] {
  const { x, y, width, height } = seen.bounds;
  const long = Math.max(width, height);
  const found: { square: Square; worth: number }[] = [];
  for (const share of [0.7, 0.8]) {
    const side = long * (share + 0.1 * (Math.min(width, height) / long));
    const air = 0.07 * side;
    const starts = (from: number, size: number): number[] =>
      size + 2 * air <= side ? [from + size / 2 - side / 2] : [from - air, from + size + air - side];
    for (const sx of starts(x, width))
      for (const sy of starts(y, height)) {
        const [cx, cy, r] = [sx + side / 2, sy + side / 2, side / 2];
        const isIn = (px: number, py: number): boolean =>
          isRound ? Math.hypot(px - cx, py - cy) < r : Math.abs(px - cx) < r && Math.abs(py - cy) < r;
        // What is above is cut last: heads and tops are what one knows things by.
        const worth = worthOf(seen, isIn, keep);
        if (worth > 0) found.push({ square: { x: sx, y: sy, side }, worth: worth - (sy > y ? 0.15 : 0) });
      }
  }
  return found.sort((p, q) => q.worth - p.worth).map((f) => f.square);
}

/** A window that a picture is seen through: its outline, the square about it, and whether that is round. */
export interface Window {
  readonly area: Area;
  readonly cx: number;
  readonly cy: number;
  readonly side: number;
  readonly isRound: boolean;
}

/** Layers so near that a window cuts them where most is left to be seen; null where too little of something would be. */
export function near(layers: readonly Layer[], window: Window, keep: number = KEEP.animal): Layer[] | null {
  const seen = seenOf(layers);
  const [square] = seen ? squaresOf(seen, window.isRound, keep) : [];
  return square ? through(layers, window, square) : null;
}

/** Layers so large that a part of the field fills a window, and cut by it. */
function through(layers: readonly Layer[], window: Window, { x, y, side }: Square): Layer[] {
  const k = window.side / side;
  const placed = scaled(layers, k, window.cx - 50 - k * (x + side / 2 - 50), window.cy - 50 - k * (y + side / 2 - 50));
  return clippedTo(placed, window.area);
}

const clippedTo = (layers: readonly Layer[], window: Area): Layer[] =>
  layers.map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, window) : window }));

export const windowOf = (area: Area, cx: number, cy: number, side: number, isRound: boolean): Window => ({ area, cx, cy, side, isRound }); // prettier-ignore
const TILE = windowOf(tile(50, 50, 43, 15), 50, 50, 86, false);
const ROUND = windowOf(disc(50, 50, 44, 160), 50, 50, 88, true);

/** A picture that is drawn: what draws it, where, and what is seen of it. */
interface Picture {
  readonly stage: Stage;
  readonly draw: Draw;
  readonly whole: readonly Layer[];
  readonly seen: Seen;
}

/** What makes a view; null for a view in which too little would be seen. */
type View = (picture: Picture) => (() => Layer[]) | null;

/** Whether nothing but what is drawn may be in other colours than it is asked in. */
const isFast = ({ palette, parts }: Stage): boolean => Boolean(parts.ground ?? palette.gradient) || palette.isToldApart;

/** The picture as it is on a field of the first ink. */
const lit = ({ stage, draw }: Picture): Layer[] => {
  const [field] = stage.palette.inks;
  return draw(recoloured(stage, field, onField(stage, field)));
};

/** From near, on a field of the first ink, or, where colours are fast, on the ground within a line. */
const inWindow =
  (window: Window): View =>
  (picture) => {
    const { stage, whole, seen } = picture;
    const [square] = squaresOf(seen, window.isRound, keepOf(stage));
    if (!square) return null;
    const [field] = stage.palette.inks;
    // What is cut stays within a rim, so that light on light leaves the form whole.
    const rim = grown(window.area, 1.6);
    if (!isFast(stage)) return () => [...form(stage, rim, field), ...through(lit(picture), window, square)];
    return () => [...form(stage, rim, field), layerOf(window.area, stage.palette.groundHex), ...through(whole, window, square)]; // prettier-ignore
  };

/** Half dark on light, half light on dark: parted level where it is wide, and upright where both halves are alike; or, where there is much of it, the other way. */
const halved =
  (isOther: boolean): View =>
  (picture) => {
    const { stage, whole, seen } = picture;
    if (isFast(stage)) return null;
    const { x, y, width, height } = seen.bounds;
    const cx = x + width / 2;
    const isWide = width > 1.25 * height;
    const share = (UNIT * UNIT * seen.all.reduce((sum, v) => sum + v, 0)) / (width * height);
    if (isOther ? share < 0.34 : !isWide && evennessOf(seen, cx) < 0.88) return null;
    const isLevel = isOther ? !isWide : isWide;
    if (!isLevel && height > 1.9 * width) return null;
    const [field] = stage.palette.inks;
    const level = y + 0.52 * height;
    const other = isLevel ? box(-60, level, 220, 160) : box(cx, -60, 160, 220);
    const one = isLevel ? box(-60, -60, 220, 60 + level) : box(-60, -60, 60 + cx, 220);
    const half = isLevel ? tile(cx, level, width / 2 + 6, 12, 0.52 * height + 7) : tile(cx, y + height / 2, Math.max(width, height) / 2 + 7, 12); // prettier-ignore
    return () => fitLayers([...solid(stage, intersect(half, other), field), ...clippedTo(whole, one), ...clippedTo(lit(picture), other)], 92); // prettier-ignore
  };

/** Share of what is seen that its mirror image about an upright line also has. */
function evennessOf(seen: Seen, cx: number): number {
  let [same, all] = [0, 0];
  const axis = (cx - ORIGIN) / UNIT;
  for (let i = 0; i < seen.all.length; i++) {
    if (!seen.all[i]) continue;
    all++;
    const x = Math.floor(2 * axis - ((i % SIDE) + 0.5));
    if (x >= 0 && x < SIDE && seen.all[Math.floor(i / SIDE) * SIDE + x]) same++;
  }
  return all ? same / all : 0;
}

/** Parts that are of a face. */
const FACIAL = /^(?:eyes?|nose|beak|mouth|ears?|antlers?|horns?|mane|beard|face|head|glasses|whiskers|teeth|hair)$/;

/** Before half a disc and cut off by the line of a horizon: what lives, grows or stands against the sky. */
const risen: View = ({ stage, whole, seen }) => {
  const { x, y, width, height } = seen.bounds;
  const [first] = stage.parts.figures;
  const stands = first && (isCreature(first.drawn) || RISING.test(first.drawn) || nounKind(first.drawn) === 'plant');
  const level = y + 0.68 * height;
  // A face would lose its mouth, and what is made of something its outline.
  const isWhole =
    asksHead(first?.modifiers ?? []) ||
    stage.parts.figures.some((f) => FACIAL.test(f.place ?? '') || f.relation === 'made of');
  if (!stands || isWhole || width > 1.3 * height || worthOf(seen, (_, py) => py < level) < 0.66) return null;
  const { inks, groundHex } = stage.palette;
  const [ink, second = ink] = inks;
  const above = box(-100, -100, 300, 100 + level);
  const cx = x + width / 2;
  const r = Math.max(0.62 * width, 0.56 * height);
  const back = second === ink ? ringOf(cx, level, r, r - 3) : disc(cx, level, r, 160);
  return () => {
    const hull = union(...whole.filter((l) => l.isFigure).map((l) => l.area));
    const layers = [
      ...form(stage, intersect(back, above), second),
      layerOf(intersect(grown(hull, 1.8), above), groundHex),
      ...clippedTo(whole, above),
      ...solid(stage, box(cx - r - 5, level + 1.6, 2 * r + 10, 3.2), ink),
    ];
    return fitLayers(layers, 88);
  };
};

/** The views there are, in the order in which a round takes what can be seen in them. */
const VIEWS: readonly View[] = [inWindow(TILE), risen, halved(false), inWindow(ROUND), halved(true)];
/** Those of somebody who is told by the face. */
export const FACED_VIEWS: readonly View[] = [inWindow(TILE), risen, inWindow(ROUND)];
/** Those in which a letter can still be read. */
export const LETTER_VIEWS: readonly View[] = [inWindow(TILE), halved(false), halved(true)];
/** Those that leave all of it in its place. */
const UNCUT_VIEWS: readonly View[] = [halved(false), halved(true)];

/** Whether a picture is on a field of its own already. */
const hasField = ({ palette }: Stage, [lowest]: readonly Layer[]): boolean =>
  lowest !== undefined && !lowest.isFigure && lowest.fill !== palette.groundHex && sizeOf(lowest.area) > 1600;

/** Whether something is over somebody, which both must be seen for. */
const isOverhung = ({ parts: { figures } }: Stage): boolean =>
  figures.some((f) => ['under', 'over'].includes(f.relation ?? '')) && figures.some((f) => isCreature(f.drawn));

/** Whether the candidates of a round may show a picture in views of it. */
const isFree = (stage: Stage): boolean =>
  stage.ideas >= IDEAS && !stage.given && !stage.parts.shape && !isOfLines(stage) && !banned(stage, 'background', 'ground', 'circle', 'disc', 'shape', 'frame', 'border'); // prettier-ignore

/** Whether a candidate is one of those that a round shows from near, where that can be. */
export const isShownNear = (stage: Stage): boolean => isFree(stage) && !isOverhung(stage) && stage.idea % 2 === 1;

/** A picture, whole or in a view of it: every second candidate has one. */
export function viewed(stage: Stage, draw: Draw, views = isOverhung(stage) ? UNCUT_VIEWS : VIEWS): Layer[] {
  const whole = draw(stage);
  const turn = stage.idea % IDEAS;
  if (!isFree(stage) || turn % 2 === 0) return whole;
  const seen = hasField(stage, whole) ? null : seenOf(whole);
  if (!seen) return whole;
  const made = views.map((view) => view({ stage, draw, whole, seen })).filter((make) => make !== null);
  return made[turn === 1 ? 0 : 1]?.() ?? whole;
}
