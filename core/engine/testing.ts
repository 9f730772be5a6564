/** What tests of pictures share: a prompt as it is composed, and what is in front and behind in an arrangement. */
import { hexToOklab, oklabToOklch } from '../colour';
import { union, type Box } from '../path';
import type { PromptFigure } from '../prompt';
import { boundsOf } from './area';
import { asDrawn } from './as-drawn';
import { buildFigure } from './build';
import { stageFor, type SceneRequest } from './compose';
import type { Figure } from './figure';
import { knobsFrom, type Knobs } from './knobs';
import type { Layer } from './layer';
import { waysFor } from './pairs';
import { understand } from './request';
import type { Stage } from './stage';

/** A prompt with nothing said beside it, from one seed. */
export const requestOf = (prompt: string, position = 0, leeway = 0): SceneRequest => ({ prompt, parts: understand(prompt).parts, kind: null, finish: null, colours: null, detail: null, leeway, position, aspect: 1, flaws: 0, descent: [{ seed: 7, drift: 1 }] }); // prettier-ignore
export const stageOf = (prompt: string, position = 0, leeway = 0): Stage => stageFor(requestOf(prompt, position, leeway)); // prettier-ignore

export const knobsAt = (seed = 3): Knobs => knobsFrom([{ seed, drift: 1 }]);
export const build = (name: string, seed = 3): Figure => buildFigure(name, { knobs: knobsAt(seed), leeway: 0, detail: 45 }); // prettier-ignore

/** The layers of an arrangement, the best one by default, of two figures that are built for it. */
export function arranged(prompt: string, a: string, b: string, way = 0): Layer[] {
  const stage = stageOf(prompt);
  const [first, second] = stage.parts.figures;
  return waysFor(first, second)[way](stage, build(a), build(b));
}

export const around = (layers: readonly Layer[]): Box => boundsOf(union(...layers.map((l) => l.area)));

/** Places of the layers that clear the ground round a figure, which comes after each. */
export const gapsOf = (layers: readonly Layer[], prompt: string): number[] => {
  const { groundHex } = stageOf(prompt).palette;
  return layers.flatMap((l, i) => (l.fill === groundHex && !l.isFigure ? [i] : []));
};

/** The box of what is behind the last gap, of what is in front of it, and of all. */
export function parted(prompt: string, a: string, b: string): { back: Box; front: Box; all: Box; layers: Layer[] } {
  const layers = arranged(prompt, a, b);
  const at = gapsOf(layers, prompt).at(-1)!;
  return { back: around(layers.slice(0, at)), front: around(layers.slice(at + 1)), all: around(layers), layers };
}

/** Where a box ends below and to the right, and its middle across. */
export const footOf = (b: Box): number => b.y + b.height;
export const rightOf = (b: Box): number => b.x + b.width;
export const middleOf = (b: Box): number => b.x + b.width / 2;
/** The figures of a prompt as they are drawn. */
export const drawnFor = (prompt: string): readonly PromptFigure[] => asDrawn(stageOf(prompt)).parts.figures;

/** Hue in degrees. */
export const hueOf = (hex: string): number => oklabToOklch(hexToOklab(hex)).hDeg;
/** How strong a colour is, in OKLCH. */
export const chromaOf = (hex: string): number => oklabToOklch(hexToOklab(hex)).C;
