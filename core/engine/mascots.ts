/** Mascots as marks: one alone, or one in several poses or with several faces. */
import {
  thingFor,
  arrangement,
  banned,
  clear,
  figureFor,
  finished,
  form,
  fieldOf,
  inSaidColours,
  toolFor,
  type Stage,
} from './stage';
import { boundsOf, disc, tile } from './area';
import { grown, rim } from '../path';
import { mirroredFigure, outlineOf, placed, silhouetteOf, standing, type Figure } from './figure';
import { fitLayers, layerOf, type Layer } from './layer';
import { IDEAS } from './single';
import { dressFrom, EXPRESSION_NAMES, isCut, STANCE_NAMES, stanceOf, type Stance } from './creature';
import { mascotFigure } from './mascot';
import { isHeadgear, swapped } from './pairings';
import { PUSHED } from './pairings-places';
import { pushing } from './pairings-riders';
import { waysFor } from './pairs';
import { isThing } from './things';
import type { PromptFigure } from '../prompt';
import { isCreature } from './built';
import { FACED_VIEWS, isShownNear, viewed } from './views';

/** Whether one wears a thing, and does not carry it. */
const isWorn = (name: string): boolean => isHeadgear(name) || isCut(name) || /^(?:sneakers?|trainers|running shoes?|shoes?|slippers|clogs|eyelash(?:es)?|lashes)$/.test(name); // prettier-ignore

/** How a mascot stands to what it is not holding: on it, in it, by it. */
const SCENES = new Set(['beside', 'behind', 'in front of', 'on', 'riding', 'inside', 'under', 'over', 'coming out of']);

/** What is worn on the head, or on the top of what has none. */
const HATS = /hat|cap\b|crown|helmet|beret|bonnet|toque|tiara|wreath/;
/** The views of a mascot that a round goes through: how it stands, and how much of it is seen. */
const VIEWS: readonly (readonly [Stance, 'whole' | 'bust'])[] = [['standing', 'whole'], ['waving', 'whole'], ['standing', 'bust'], ['jumping', 'whole'], ['sitting', 'whole'], ['pointing', 'whole'], ['running', 'whole']]; // prettier-ignore

/** An animal that goes with somebody, and is not carried; what is caught is. */
const isCompany = (f: PromptFigure): boolean => isCreature(f.drawn) && !/^(?:fish|crab|lobster|shrimp)$/.test(f.drawn) && (f.count > 1 || !/^(?:hold|carry|hug|cradl)/.test(f.said ?? '')); // prettier-ignore

/** How one stands in the candidates of a round that is free in it: three stand, of which two are seen in a view, and one does something. */
function stanceInTurn({ idea }: Stage, isHolding: boolean, isSomebody: boolean): Stance {
  const round = Math.floor(idea / IDEAS) % 2;
  const free: readonly (readonly [Stance, Stance])[] = [['standing', 'jumping'], ['standing', 'waving'], ['sitting', 'running'], ['waving', 'pointing']]; // prettier-ignore
  const holding: readonly (readonly [Stance, Stance])[] = [['standing', 'standing'], ['standing', 'standing'], ['sitting', 'running'], ['standing', 'standing']]; // prettier-ignore
  const stance = (isHolding ? holding : free)[idea % IDEAS][round];
  // A thing does not sit.
  return stance === 'sitting' && !isSomebody ? 'jumping' : stance;
} // prettier-ignore

/** The mascot of a prompt, standing as asked or in one of the views. */
export function mascotOf(stage: Stage, prompt: string, view?: readonly [Stance, 'whole' | 'bust']): Figure {
  const [a, ...others] = stage.parts.figures;
  const [carried, second] = others.filter((f) => !isWorn(f.drawn) && !isWorn(f.word) && !isCompany(f) && !PUSHED.test(f.drawn) && f.via !== 'none' && (f.to === 0 || f.to === null) && (!SCENES.has(f.relation ?? '') || /^(?:arms?|wings?|paws?)$/.test(f.place ?? '') || (f.said === 'and' && f !== others[0]))); // prettier-ignore
  const isHead = /\b(?:head|face|portrait|bust)\b/.test(prompt.toLowerCase());
  const said = stanceOf(a.pose);
  const [stance, crop] = view ?? VIEWS[stage.idea % Math.max(1, Math.min(stage.ideas, VIEWS.length))];
  // A pair of boots has none on.
  const dressed = dressFrom(prompt);
  const dress = inSaidColours(stage, a.drawn === 'boot' ? { ...dressed, hasBoots: false } : dressed);
  // Without a thing asked for, one view holds the tool of its trade.
  const isWorking = a.pose !== null && said === null;
  // A thing without a hat shows by its tool alone what its trade is; a helm it has none, and a shield for it.
  const isClosed = dress.hat === 'helm' && !isCreature(a.drawn);
  const isBare = !isCreature(a.drawn) && (isClosed || dress.hat === undefined) && view === undefined;
  const tool =
    !carried && (isBare || stance === 'pointing' || stance === 'sitting' || isWorking)
      ? (toolFor(a.pose) ?? dress.tools?.find(isThing) ?? null)
      : null;
  const prop = carried ?? (tool === null ? undefined : { drawn: tool, colours: [] });
  const hat = others.find((f) => HATS.test(f.drawn));
  const thing = (asked: Parameters<typeof thingFor>[1] | undefined): Figure | null =>
    asked ? thingFor(stage, asked) : null;
  return mascotFigure(isThing(a.drawn) ? a.drawn : 'seed', {
    ...stage,
    idea: undefined,
    pose: a.pose,
    expression: a.expression,
    modifiers: a.modifiers,
    dress,
    prop: isHead ? null : thing(prop),
    // Of gloves there is one on each hand.
    other: isHead ? null : thing(second ?? (isClosed && !carried ? { drawn: 'shield', colours: [] } : undefined) ?? (carried && (carried.count === 2 || /(?:gloves|mittens|maracas|dumbbells)$/.test(carried.word)) ? carried : undefined)), // prettier-ignore
    hat: thing(hat),
    moustache: thing(others.find((f) => f.drawn === 'moustache')),
    hasLashes: others.some((f) => /^(?:eye)?lash(?:es)?$/.test(f.word)),
    stance:
      said ??
      (stage.ideas >= IDEAS && view === undefined
        ? stanceInTurn(stage, carried !== undefined || tool !== null, isCreature(a.drawn))
        : (tool && stance !== 'sitting') || (carried && /^(?:waving|pointing|jumping)$/.test(stance))
          ? 'standing'
          : stance),
    crop: isHead ? 'head' : crop === 'bust' && (carried || tool || stage.ideas >= IDEAS) ? 'whole' : crop,
  });
}

/** One mascot several times: in all poses, or with all faces. */
function mascotSheet(stage: Stage, figures: readonly Figure[]): Layer[] {
  const { width, height } = fieldOf(stage);
  const columns = Math.max(1, Math.min(figures.length, Math.round(Math.sqrt(figures.length * stage.aspect * 1.3))));
  const rows = Math.ceil(figures.length / columns);
  const [wide, high] = [width / columns, height / rows];
  return figures.flatMap((figure, i) => {
    const cx = 50 - width / 2 + wide * ((i % columns) + 0.5);
    const cy = 50 - height / 2 + high * (Math.floor(i / columns) + 0.5);
    return finished(stage, placed(figure, { cx, cy, side: Math.min(wide, high) * 0.88, fill: 0.9 }));
  });
}

/** Somebody with one to three animals at both sides, on one line. */
function accompanied(stage: Stage, somebody: Figure, animal: Figure, count: number): Layer[] {
  const b = boundsOf(outlineOf(somebody));
  const foot = b.y + b.height;
  const places = [[1, 0], [-1, 0], [1, 1]] as const; // prettier-ignore
  const animals = places.slice(0, Math.max(1, Math.min(3, count))).map(([side, row]) => {
    const one = placed(animal, { cx: 50, cy: 50, side: 0.42 * b.height, fill: 0.85 });
    const { width } = boundsOf(outlineOf(one));
    const turned = side < 0 ? mirroredFigure(one) : one;
    return standing(turned, 50 + side * (b.width / 2 + width * (0.44 + 0.9 * row)), foot);
  });
  const inks = swapped(stage);
  return fitLayers([...animals.flatMap((one) => finished(stage, one, stage.palette.groundHex, inks)), ...clear(stage, somebody, stage.palette.groundHex, stage.palette.inks, 1.6)], 92); // prettier-ignore
}

export function mascotScene(stage: Stage, prompt: string): Layer[] {
  const manner = stage.parts.manner;
  if (!stage.given && manner.includes('poses')) return mascotSheet(stage, STANCE_NAMES.map((s) => mascotOf(stage, prompt, [s, 'whole']))); // prettier-ignore
  if (!stage.given && manner.includes('faces')) return mascotSheet(stage, EXPRESSION_NAMES.map((expression) => mascotOf({ ...stage, parts: { ...stage.parts, figures: stage.parts.figures.map((f, i) => (i ? f : { ...f, expression })) } }, `${prompt} head`))); // prettier-ignore
  return isShownNear(stage) ? viewed({ ...stage, leeway: 0, position: 0 }, (s) => mascotMark(s, prompt), FACED_VIEWS) : mascotMark(stage, prompt); // prettier-ignore
}

/** One mascot, before what its round has behind it. */
function mascotMark(stage: Stage, prompt: string): Layer[] {
  const figure = stage.given?.figure ?? mascotOf(stage, prompt);
  const fitted = placed(figure, { cx: 50, cy: 50, side: 90, fill: 0.9 });
  if (stage.given?.fixed) return finished(stage, figure);
  const [first, ...others] = stage.parts.figures;
  const at = others.findIndex((f) => f.via !== 'none' && f.to === 0 && !f.turned && (['on', 'riding', 'inside', 'coming out of'].includes(f.relation ?? '') || /^point/.test(f.said ?? '') || /^juggl/.test(f.said ?? '') || isCompany(f) || PUSHED.test(f.drawn))); // prettier-ignore
  if (at >= 0 && !stage.given && PUSHED.test(others[at].drawn)) return pushing(stage, fitted, figureFor(stage, others[at], at + 1)); // prettier-ignore
  if (at >= 0 && !stage.given && isCompany(others[at])) {
    const one = figureFor(stage, { ...others[at], pose: 'standing' }, at + 1);
    return accompanied(stage, fitted, one, others[at].count);
  }
  if (at >= 0 && !stage.given) return fitLayers(waysFor(first, others[at])[0](stage, fitted, figureFor(stage, others[at], at + 1)), 90); // prettier-ignore
  const [, second] = stage.palette.inks;
  const back = arrangement<() => Layer[]>(stage, [
    () => [],
    () =>
      second && !banned(stage, 'disc', 'circle', 'background', 'ground')
        ? form(stage, disc(50, 48, 38, 160), second)
        : [],
    () => [layerOf(rim(grown(silhouetteOf(fitted), 2.6), 1.4), stage.palette.inks[0])],
    () =>
      form(
        stage,
        tile(50, boundsOf(outlineOf(fitted)).y + boundsOf(outlineOf(fitted)).height + 0.6, 30, 1, 1),
        stage.palette.inks[0],
      ),
  ])();
  const on = back.length && second && back[0].fill === second ? second : stage.palette.groundHex;
  if (on !== stage.palette.groundHex) {
    const rest = [stage.palette.inks[0], ...stage.palette.inks.slice(2), stage.palette.groundHex];
    return [
      ...back,
      layerOf(grown(silhouetteOf(fitted), 1.4), stage.palette.groundHex),
      ...finished(stage, fitted, stage.palette.groundHex, [...rest.slice(0, -1), on]),
    ];
  }
  return [...back, ...finished(stage, fitted)];
}
