import { withoutSome, type Kind, type PromptFigure, type PromptParts } from '../prompt';
import { together } from './arrange';
import { isCreature } from './built';
import { isCut } from './creature';
import { COLOURED_PARTS } from './dye';
import type { Figure } from './figure';
import { withField } from './field';
import { FINISHES } from './finish';
import { flawed, groundFlaw, type Flaws } from './flaws';
import { abstractMark, appIcon, emblem, negativeSpace } from './kinds';
import { mascotScene } from './mascots';
import { sheet } from './sheet';
import { hashOf } from '../random';
import { knobsFrom, type Descent, type Knobs } from './knobs';
import type { Layer } from './layer';
import { combination, lettermark, wordmark } from './lettering';
import { paletteFor, type Palette } from './palette';
import { isScene } from './grounds';
import type { Stage } from './stage';
import { LETTER_VIEWS, viewed } from './views';

/** What decides one candidate. */
export interface SceneRequest {
  readonly prompt: string;
  readonly parts: PromptParts;
  /** Finish and kind of mark that were chosen outside the prompt, which they overrule. */
  readonly finish: string | null;
  readonly kind: Kind | null;
  /** 0..100, or null for what the prompt says. */
  readonly detail: number | null;
  readonly leeway: number;
  readonly colours: number | null;
  readonly flaws: number;
  readonly descent: readonly Descent[];
  readonly position: number;
  /** Width over height. */
  readonly aspect: number;
  /** For an area made again: what the whole picture was asked for. */
  readonly parentParts?: PromptParts;
  /** A figure from a reference instead of the prompt's first, and colours from it. */
  readonly given?: { readonly figure: Figure; readonly fixed: boolean; readonly hexes: readonly string[] };
}

export interface Scene {
  readonly layers: readonly Layer[];
  readonly groundHex: string;
  readonly stage: Stage;
  readonly flaws: Flaws;
}

/** Finishes that a free hand takes by itself. */
const FREE = [
  'flat',
  'flat',
  'silhouette',
  'split light',
  'inline',
  'cut paper',
  'pebble',
  'outline',
  'two weights',
  'angular',
  'woodcut',
  'stencil',
  'mid-century',
  'folk',
  'overprint',
  'comic',
];

export const DETAIL_DEFAULT = 45;

export const kindOf = (parts: PromptParts, chosen: Kind | null): Kind =>
  chosen ??
  (parts.kind === 'pictorial' && parts.lettering.length ? (parts.figures.length ? 'combination' : null) : parts.kind) ??
  ((parts.figures.length > 3 && parts.figures.every((f) => ['with', 'beside', null].includes(f.relation))) ||
  (parts.rows ?? 0) * (parts.columns ?? 0) > 1
    ? 'icon sheet'
    : parts.lettering.length
      ? parts.figures.length
        ? 'combination'
        : [...parts.lettering[0]].length <= 3
          ? 'lettermark'
          : 'wordmark'
      : parts.role
        ? 'mascot'
        : 'pictorial');

/** What a figure is said to be made of and is no thing to draw many of: its finish says it. */
const isStuff = (f: PromptFigure): boolean => f.relation === 'made of' && f.drawn === 'paper' && f.to !== null;

function finishOf(request: SceneRequest, kind: Kind, k: Knobs): string {
  const paper = request.parts.figures.some(isStuff);
  const asked = request.finish ?? request.parts.finish ?? (paper ? 'cut paper' : null);
  if (asked && Object.hasOwn(FINISHES, asked)) return asked;
  const flatOnly = request.parts.noShading || request.colours !== null || request.parts.colourCount !== null;
  if (kind === 'app icon')
    return flatOnly
      ? 'flat'
      : request.leeway > 70
        ? k.pick('finish', ['soft shading', 'flat', 'cut paper', 'long shadow'])
        : 'soft shading';
  if (kind === 'wordmark' || kind === 'lettermark')
    return request.leeway < 70 ? 'flat' : k.pick('finish', ['flat', 'flat', 'inline', 'stencil']);
  if (request.leeway < 52) return 'flat';
  const free = flatOnly ? FREE.filter((name) => !FINISHES[name].shaded) : FREE;
  return free[Math.floor(((k('finish') + request.position * 0.31) % 1) * free.length)];
}

/** Whether there is a cut of what somebody wears, though no drawing of it by itself. */
const isCutOf = (f: PromptFigure): boolean => f.relation === 'wearing' && isCut(f.word);

/** A figure with the colours that are said of it, and of those parts that are drawn apart. */
const withSeenColours = (f: PromptFigure): PromptFigure => f.colours.some((c) => c.of !== null) ? { ...f, colours: f.colours.filter((c) => c.of === null || (isCreature(f.drawn) && COLOURED_PARTS.test(c.of))) } : f; // prettier-ignore

/** The stage that a candidate is composed on: its chance, colours and finish. */
export function stageFor(request: SceneRequest): Stage {
  const { given } = request;
  const kindAsked = kindOf(request.parts, request.kind);
  // What nothing can be drawn for is left out where there is something else.
  const told =
    kindAsked !== 'icon sheet' && request.parts.figures.some((f) => f.via !== 'none')
      ? {
          ...request.parts,
          figures: withoutSome(request.parts.figures, (f) => (f.via === 'none' && !isCutOf(f)) || isStuff(f)),
        }
      : request.parts;
  const parts = { ...told, figures: told.figures.map(withSeenColours) };
  const knobs = knobsFrom(request.descent);
  const kind = kindAsked;
  const finishName = finishOf(request, kind, knobs);
  const finish = FINISHES[finishName];
  const own = paletteFor(parts, request.colours, knobs, finish.onDark && !parts.ground, request.leeway);
  const palette: Palette =
    given?.hexes.length && !parts.colours.length && !parts.gradient
      ? { ...own, inks: given.hexes.slice(0, Math.max(own.inks.length, 3)), named: true }
      : own;
  return {
    parts,
    knobs,
    palette,
    finishName,
    finish,
    leeway: request.leeway,
    detail: request.detail ?? parts.detail ?? DETAIL_DEFAULT,
    position: request.position,
    // A round goes through the ideas there are for a figure from one of its own on.
    idea: (hashOf(request.descent[0].seed, 'idea') % 64) + request.position,
    ideas: request.leeway < 25 ? 1 : request.leeway < 45 ? 2 : 8,
    aspect: request.aspect,
    garbled: 0.75 * (request.flaws / 100),
    ...(given ? { given } : {}),
  };
}

/** Whether a picture is seen in several views: of one figure there are drawings and ideas of its own, and a landscape has its windows. */
function isViewed({ parts: { figures, settings } }: Stage): boolean {
  if (!figures.length || isScene(figures)) return false;
  return figures.length > 1 || (figures[0].count > 1 && !settings.length);
}

/** Composes one candidate as layers to paint. */
export function compose(request: SceneRequest): Scene {
  const stage = stageFor(request);
  const flaws: Flaws = { share: request.flaws / 100, knobs: stage.knobs };
  const { prompt } = request;
  const layers = {
    pictorial: () => (isViewed(stage) ? viewed(stage, together) : together(stage)),
    abstract: () => abstractMark(stage),
    lettermark: () => viewed(stage, lettermark, LETTER_VIEWS),
    wordmark: () => wordmark(stage),
    combination: () => combination(stage),
    emblem: () => emblem(withField(stage)),
    'negative space': () => negativeSpace(stage),
    mascot: () => mascotScene(stage, prompt),
    'app icon': () => appIcon(withField(stage)),
    'icon sheet': () => sheet(stage),
  }[kindOf(request.parts, request.kind)]();
  const { groundHex } = stage.palette;
  const ground = groundFlaw(groundHex, flaws);
  const drawn = flawed(layers, groundHex, flaws).map((l) => (l.fill === groundHex ? { ...l, fill: ground } : l));
  return { layers: drawn, groundHex: ground, stage, flaws };
}
