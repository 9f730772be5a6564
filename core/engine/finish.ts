import { mix } from '../colour';
import { mapContour, type Contour } from '../vector';
import { rectangle, type Drawing, type Part } from './drawing';
import type { Layer } from './paint';
import type { Tint } from './palette';
import type { Random } from './random';

/** Draws one placed figure as layers. */
type Finish = (drawing: Drawing, tint: Tint, random: Random) => Layer[];

/** Width of the gap that keeps parts of one colour apart, in scene units. */
const GAP = 1.7;

const gapRound = (part: Part, hex: string): Layer => ({
  contours: part.contours,
  hex,
  weight: (part.weight ?? 0) + 2 * GAP,
});

const solid = (part: Part, hex: string): Layer => ({
  contours: part.contours,
  hex,
  ...(part.weight === undefined ? {} : { weight: part.weight }),
});

const flat: Finish = (drawing, tint) =>
  drawing.flatMap((part, i) => {
    const layer = solid(part, tint.hexOf[part.role]);
    const split = tint.separate && i > 0 && part.role !== 'light' && drawing[i - 1].role !== part.role;
    return split ? [gapRound(part, tint.hexOf.light), layer] : [layer];
  });

const silhouette: Finish = (drawing, tint) =>
  flat(
    drawing,
    { hexOf: { ...tint.hexOf, second: tint.hexOf.body, accent: tint.hexOf.body }, separate: true },
    () => 0,
  );

const outline: Finish = (drawing, tint) =>
  drawing.flatMap((part): Layer[] => {
    const hex = part.role === 'light' ? tint.hexOf.body : tint.hexOf[part.role];
    if (part.weight !== undefined) return [{ contours: part.contours, hex, weight: 2.3 }];
    return [
      { contours: part.contours, hex: tint.hexOf.light },
      { contours: part.contours, hex, weight: 2.3 },
    ];
  });

const stencil: Finish = (drawing, tint) => {
  const parts = drawing.flatMap((part) => [gapRound(part, tint.hexOf.light), solid(part, tint.hexOf[part.role])]);
  const bridges: Contour[] = [rectangle(49, -10, 2, 52), rectangle(49, 62, 2, 60)];
  return [
    ...parts,
    {
      contours: bridges,
      hex: tint.hexOf.light,
      clip: drawing.filter((p) => p.role === 'body' && p.weight === undefined).flatMap((p) => p.contours),
    },
  ];
};

/** Sheets of paper on one another: each part throws a flat shade, down and to the right, on what lies below. */
const cutPaper: Finish = (drawing, tint) =>
  drawing.flatMap((part): Layer[] => {
    const layer = solid(part, tint.hexOf[part.role]);
    if (part.role === 'light') return [layer];
    const below = part.contours.map((c) => mapContour([1, 0, 0, 1, 2, 2.6], c));
    return [{ ...layer, contours: below, hex: mix(tint.hexOf.body, tint.hexOf.light, 0.62) }, layer];
  });

const engraved: Finish = (drawing, tint) =>
  drawing.flatMap((part): Layer[] => {
    const hex = tint.hexOf[part.role];
    if (part.weight !== undefined || part.role === 'light') return [solid(part, hex)];
    return [
      { contours: part.contours, hex: tint.hexOf.light },
      { contours: part.contours, hex, texture: 'lines' },
      { contours: part.contours, hex, weight: 1.5 },
    ];
  });

const halftone: Finish = (drawing, tint) =>
  drawing.flatMap((part): Layer[] => {
    const hex = tint.hexOf[part.role];
    if (part.weight !== undefined || part.role === 'light') return [solid(part, hex)];
    return [
      { contours: part.contours, hex: tint.hexOf.light },
      { contours: part.contours, hex, texture: 'dots' },
      { contours: part.contours, hex, weight: 1.1 },
    ];
  });

const inline: Finish = (drawing, tint) =>
  drawing.flatMap((part): Layer[] => {
    const layer = solid(part, tint.hexOf[part.role]);
    if (part.weight !== undefined || part.role === 'light') return [layer];
    // A fine line runs along the inside of the edge: the area again, drawn as a light line and covered by a narrower rim.
    return [
      layer,
      { contours: part.contours, hex: tint.hexOf.light, weight: 6.4, clip: part.contours },
      { contours: part.contours, hex: tint.hexOf[part.role], weight: 4, clip: part.contours },
    ];
  });

/** Wobbly doubled graphite lines: what a pencil sketch looks like. */
const pencil: Finish = (drawing, tint, random) =>
  drawing.flatMap((part): Layer[] => {
    const hex = '#55565A';
    const wobble = (c: Contour, by: number): Contour => {
      const [dx, dy, s, r] = [
        by * (random() - 0.5),
        by * (random() - 0.5),
        1 + 0.012 * (random() - 0.5) * by,
        0.01 * (random() - 0.5) * by,
      ];
      return mapContour([s, r, -r, s, dx + 50 * (1 - s) + 50 * r, dy + 50 * (1 - s) - 50 * r], c);
    };
    const filled = part.weight === undefined;
    return [
      ...(filled ? [{ contours: part.contours, hex: tint.hexOf.light }] : []),
      ...(filled && part.role === 'body'
        ? [{ contours: part.contours, hex: '#C9C8C5', texture: 'lines' as const }]
        : []),
      { contours: part.contours.map((c) => wobble(c, 1.2)), hex, weight: 0.75 },
      { contours: part.contours.map((c) => wobble(c, 2.2)), hex: '#8B8B8E', weight: 0.5 },
      { contours: part.contours.map((c) => wobble(c, 1.6)), hex, weight: 0.45 },
    ];
  });

/** The finishes by name. */
export const FINISHES: Readonly<Record<string, Finish>> = {
  flat,
  outline,
  silhouette,
  stencil,
  'cut paper': cutPaper,
  'engraved lines': engraved,
  halftone,
  inline,
  'pencil sketch': pencil,
};

/** Words of prompts that ask for a finish. */
export const FINISH_WORDS: Readonly<Record<string, string>> = {
  flat: 'flat',
  solid: 'flat',
  outline: 'outline',
  outlined: 'outline',
  'line art': 'outline',
  'one weight': 'outline',
  monoline: 'outline',
  silhouette: 'silhouette',
  stencil: 'stencil',
  stencilled: 'stencil',
  'cut paper': 'cut paper',
  papercut: 'cut paper',
  collage: 'cut paper',
  engraved: 'engraved lines',
  'engraved lines': 'engraved lines',
  engraving: 'engraved lines',
  woodcut: 'engraved lines',
  halftone: 'halftone',
  dotted: 'halftone',
  inline: 'inline',
  'double line': 'inline',
  pencil: 'pencil sketch',
  sketch: 'pencil sketch',
  'pencil sketch': 'pencil sketch',
};
