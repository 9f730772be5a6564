/** What is worth a look in a picture, found by itself: each with a figure, where it is, and the step that puts it right. */
import { oklabToOklch } from '../colour';
import { findRegions, type Picture } from '../raster';
import { NOTHING, prepare, tellApart, type Apart } from '../trace';
import { axisOf, figureBox } from './figure';
import { paletteOf, type PaletteColour } from './palette';
import type { RetouchStep } from './steps';
import { DARK, LIGHT } from './steps/true-ends';

export type NoticedKind =
  | 'near-black'
  | 'off-white'
  | 'strays'
  | 'noise'
  | 'soft'
  | 'unlike-halves'
  | 'off-centre'
  | 'lettering'
  | 'lettering-unasked';

export interface Noticed {
  readonly kind: NoticedKind;
  /** In a few words, with its figure. */
  readonly told: string;
  /** Left, top, width and height of what is meant, in pixels; empty where it is everywhere. */
  readonly boxes: readonly (readonly [number, number, number, number])[];
  /** What puts it right, or null where only one's eye can. */
  readonly step: RetouchStep | null;
  /** So little that it may be put right with the others at once. */
  readonly isSmall: boolean;
}

/** Pieces of the figure smaller than this share of it, further from the rest than so much of its longer side, belong to nothing. */
const STRAY = { share: 0.0015, most: 12 } as const;

/** A picture that is less than this alike on both sides of its axis, and more than so much, was meant to be. */
const ALIKE = { from: 0.94, to: 0.995 } as const;

/** Noisier than this, in levels, is told. */
const NOISY_LEVELS = 1;

/** What is noticed in a picture, and its palette, from one look at it. */
export function lookAt(picture: Picture): { noticed: Noticed[]; palette: PaletteColour[] } {
  const apart = tellApart(picture, 'auto', { gradients: true });
  const noticed = [
    ...nearEnds(apart),
    ...strays(picture, apart),
    ...worn(apart),
    ...halves(picture),
    ...place(picture, apart),
  ];
  return { noticed, palette: paletteOf(apart) };
}

function nearEnds({ inks, ground }: Apart): Noticed[] {
  const out: Noticed[] = [];
  for (const [k, ink] of inks.entries()) {
    if (ink.gradient) continue;
    const { L, C } = oklabToOklch(ink.lab);
    if (L < DARK.below && C < DARK.chroma && ink.hex !== '#000000')
      out.push({
        kind: 'near-black',
        told: `black is ${ink.hex}`,
        boxes: [],
        step: { kind: 'true-ends', black: true, white: false },
        isSmall: true,
      });
    else if (L > LIGHT.above && C < LIGHT.chroma && ink.hex !== '#FFFFFF')
      out.push({
        kind: 'off-white',
        told: `${k === ground ? 'ground is off white' : 'white is'}, ${ink.hex}`.replace('is,', 'is'),
        boxes: [],
        step: { kind: 'true-ends', black: false, white: true },
        isSmall: true,
      });
  }
  // One step for all that is near.
  return out.filter((n, i) => out.findIndex((o) => o.kind === n.kind) === i);
}

/** Small pieces far from all others. */
function strays({ widthPx: w, heightPx: h }: Picture, { cells, ground }: Apart): Noticed[] {
  if (ground === null) return [];
  const figure = cells.first.map((k) => Number(k !== ground && k !== NOTHING));
  const { of, label, sizePx2 } = findRegions(figure, w, h);
  const pieces = [...label.keys()].filter((k) => label[k] === 1);
  const whole = pieces.reduce((sum, k) => sum + sizePx2[k], 0);
  const small = new Map(
    pieces.filter((k) => sizePx2[k] < STRAY.share * whole).map((k) => [k, [w, h, 0, 0, 0] as number[]]),
  );
  if (!small.size || small.size > STRAY.most) return [];
  for (let i = 0; i < of.length; i++) {
    const box = small.get(of[i]);
    if (!box) continue;
    const x = i % w;
    const y = (i - x) / w;
    if (x < box[0]) box[0] = x;
    if (y < box[1]) box[1] = y;
    if (x > box[2]) box[2] = x;
    if (y > box[3]) box[3] = y;
    box[4] = i;
  }
  const boxes = [...small.values()].map(([x0, y0, x1, y1]) => [x0, y0, x1 + 1 - x0, y1 + 1 - y0] as const);
  const at = [...small.values()].map(([, , , , i]) => [(i % w) + 0.5, Math.floor(i / w) + 0.5] as [number, number]);
  const what = `${at.length} stray ${at.length === 1 ? 'mark' : 'marks'}`;
  return [
    {
      kind: 'strays',
      told: what,
      boxes,
      step: { kind: 'take-out', at, part: 'piece', how: null, what },
      isSmall: true,
    },
  ];
}

function worn({ noise, cells, gradients }: Apart): Noticed[] {
  const out: Noticed[] = [];
  if (noise > NOISY_LEVELS)
    out.push({
      kind: 'noise',
      told: `noise of ${noise.toFixed(1)} levels`,
      boxes: [],
      step: { kind: 'redraw' },
      isSmall: false,
    });
  // In shading edges go over softly because they were drawn so.
  if (!gradients && prepare(cells).soft)
    out.push({ kind: 'soft', told: 'edges are soft', boxes: [], step: { kind: 'redraw' }, isSmall: false });
  return out;
}

function halves(picture: Picture): Noticed[] {
  const axis = axisOf(picture);
  if (!axis || axis.share < ALIKE.from || axis.share > ALIKE.to) return [];
  const { x, y, angleRad } = axis;
  return [
    {
      kind: 'unlike-halves',
      told: `two halves, ${(100 * (1 - axis.share)).toFixed(1)}% not alike`,
      boxes: [],
      step: { kind: 'mirror', axis: { x, y, angleRad }, keep: 'left' },
      isSmall: false,
    },
  ];
}

/** Further from the middle than this share of the picture's side is told. */
const OFF_CENTRE = 0.04;

function place(picture: Picture, apart: Apart): Noticed[] {
  const box = figureBox(apart);
  if (!box) return [];
  const [x, y, w, h] = box;
  const [dx, dy] = [x + w / 2 - picture.widthPx / 2, y + h / 2 - picture.heightPx / 2];
  const off = Math.hypot(dx, dy);
  if (off < OFF_CENTRE * Math.max(picture.widthPx, picture.heightPx)) return [];
  return [
    {
      kind: 'off-centre',
      told: `figure ${Math.round(off)} px off the middle`,
      boxes: [box],
      step: { kind: 'crop', box: null, margin: 0.08 },
      isSmall: false,
    },
  ];
}
