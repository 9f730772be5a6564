import { hexToOklab, mix, oklabToOklch } from '../colour';
import type { PromptFigure, PromptParts } from '../prompt';
import { boundsOf, box, disc, regular, tile } from './area';
import { grown, intersect, union, type Area } from '../path';
import { buildFigure, PARTED } from './build';
import { lookingRight, movedFigure, outlineOf, placed, turnedAt, type Figure } from './figure';
import { isScene } from './grounds';
import { FINISHES, type Finish } from './finish';
import type { Knobs } from './knobs';
import { layerOf, type Layer } from './layer';
import { clearest, type Palette } from './palette';
import { figureOnCircles } from './on-circles';
import { naturalHues } from './schemes';
import { isBird, buildOf, hasHands, isCreature, isSeenAside, joinedFigures, uprightFigure } from './built';
import { bitten, CITRUS, CUT, halved } from './fruit';
import { dressFrom, dyedDress, isRole, type Dress } from './creature';
import { isTold, isShared, dyed, ownHexes, shadeTold, toned, undyed } from './dye';
import { tintFor } from './tint';
import { isThing } from './things';

/** All that a composition is made from. */
export interface Stage {
  readonly parts: PromptParts;
  readonly knobs: Knobs;
  readonly palette: Palette;
  readonly finishName: string;
  readonly finish: Finish;
  /** 0..100 */
  readonly leeway: number;
  /** 0..100 */
  readonly detail: number;
  /** Which candidate of its round. */
  readonly position: number;
  /** Which of a figure's drawings or ideas it takes, counted on without end; and how many of them a round may use. */
  readonly idea: number;
  readonly ideas: number;
  /** A form of the kind of mark holds the figures already. */
  readonly isHeld?: 'ring' | 'tile';
  /** Width over height. */
  readonly aspect: number;
  /** Share 0..1 of the letters of words that come out wrong. */
  readonly garbled?: number;
  /** A figure to draw instead of the prompt's first, such as one from a sketch; in its place already when `fixed`. */
  readonly given?: { readonly figure: Figure; readonly fixed: boolean };
}

/** The picture's size in units: 100 along the shorter side. */
export const fieldOf = ({ aspect }: Stage): { width: number; height: number } =>
  aspect >= 1 ? { width: 100 * aspect, height: 100 } : { width: 100, height: 100 / aspect };

/** Whether something is to be left out, by any of its names. */
export const banned = (stage: Stage, ...names: readonly string[]): boolean =>
  stage.parts.leaveOut.some((o) => names.some((n) => o === n || o === `${n}s`));

/** How many of `of` arrangements a round may use: one at leeway 0, all of them at 100. */
export const allowed = (leeway: number, of: number): number =>
  Math.max(1, Math.min(of, 1 + Math.floor((leeway / 100) * of)));

/** One of some arrangements, the plainest first, the candidates of a round taking them in turn. */
export function arrangement<T>(stage: Stage, items: readonly T[]): T {
  const n = allowed(stage.leeway, items.length);
  const start = stage.leeway > 55 ? Math.floor(stage.knobs('arrangement') * n) : 0;
  return items[(stage.position + start) % n];
}

/** What one has in the hand to do something, where nothing else is said. */
const TOOLS: readonly (readonly [RegExp, string])[] = [
  [/^(?:reading|studying)$/, 'book'],
  [/^(?:writing|drawing)$/, 'pencil'],
  [/^(?:painting)$/, 'brush'],
  [/^(?:cooking|frying)$/, 'pan'],
  [/^(?:drinking)$/, 'cup'],
  [/^(?:sweeping)$/, 'broom'],
  [/^(?:singing)$/, 'microphone'],
  [/^(?:fishing)$/, 'fishing rod'],
  [/^(?:hammering)$/, 'hammer'],
  [/^(?:photographing)$/, 'camera'],
  [/^(?:fencing|sword-?fighting|duelling|dueling)$/, 'sword'],
  [/^(?:boxing)$/, 'boxing glove'],
  [/^(?:bowling)$/, 'bowling ball'],
  [/^(?:knitting)$/, 'wool'],
  [/^(?:sewing)$/, 'needle and thread'],
  [/^(?:gardening|watering)$/, 'watering can'],
  [/^(?:baking)$/, 'rolling pin'],
  [/^(?:golfing)$/, 'golf club'],
  [/^(?:hiking|camping)$/, 'walking stick'],
  [/^(?:chopping)$/, 'axe'],
  [/^(?:digging)$/, 'shovel'],
  [/^(?:sailing)$/, 'ship wheel'],
]; // prettier-ignore

/** What one has in the hand to do what a word says; null where that needs nothing, or is not known. */
export const toolFor = (pose: string | null): string | null => (pose && TOOLS.find(([does]) => does.test(pose))?.[1]) ?? null; // prettier-ignore

/** Which of `n` ways a candidate takes, of as many as its round may use. */
export const turnOf = (stage: Stage, n: number): number => stage.idea % Math.max(1, Math.min(stage.ideas, n));

/** Whether the candidate is drawn in lines, of which little is seen in a form or through another. */
export const isOfLines = (stage: Stage): boolean => /line|outline|two weights/.test(stage.finishName);

/** Whether a prompt is set at night, or where the sun is low. */
export const isAtNight = ({ settings }: PromptParts): boolean => settings.some((s) => /night|midnight|moonlight|starlight/.test(s)); // prettier-ignore
export const isInSnow = ({ settings }: PromptParts): boolean => settings.some((s) => /snow|blizzard/.test(s));
export const isAtDusk = ({ settings }: PromptParts): boolean => settings.some((s) => /sunset|sunrise|dawn|dusk|daybreak/.test(s)); // prettier-ignore

/** How two of a figure stand to one another. */
export type Standing = 'toward' | 'away' | 'crossed' | 'stacked' | 'row';

/** How two stand by what is said of them; null where nothing is. */
export function standingOf(modifiers: readonly string[]): Standing | null {
  const has = (how: RegExp): boolean => modifiers.some((m) => how.test(m));
  if (modifiers.includes('crossed')) return 'crossed';
  if (has(/^(?:stack|stacked|pile|piled)$/)) return 'stacked';
  if (has(/^(?:back|tail) to /)) return 'away';
  if (has(/^(?:family|row|line|queue|parade)$/)) return 'row';
  return has(
    /^(?:face|nose|beak|head|cheek) to |^(?:hand|arm|paw|wing) in |^holding (?:hands|paws)|^(?:facing|(?:looking|staring|gazing|smiling|winking|barking|bowing|nodding) at) (?:each other|one another)|^(?:fight|duel|spar|wrestl|box|butt|kiss|danc)/,
  )
    ? 'toward'
    : null;
}

/** Whether of somebody only the head is asked for. */
export const asksHead = (modifiers: readonly string[]): boolean => modifiers.some((m) => /^(?:head|face|portrait|bust|profile)$/.test(m)); // prettier-ignore

/** How one stands to another with the whole body. */
const BODILY: readonly (string | null)[] = [
  'on',
  'riding',
  'under',
  'over',
  'toward',
  'around',
  'through',
  'in front of',
  'behind',
  'holding',
];

/** Whether a figure is seen whole: it stands on something, or is in a landscape. */
function isSeenWhole({ parts: { figures } }: Stage, index: number): boolean {
  const asked = figures[index];
  // An insect is known from above.
  if (/^(?:ladybird|ladybug|beetle|ant|bee|butterfly|moth|dragonfly)$/.test(asked.drawn)) return false;
  if (isScene(figures)) return true;
  if (index > 0 && asked.turned && BODILY.includes(asked.relation)) return true;
  // So is one that somebody rides.
  if (index > 0 && !asked.turned && asked.relation === 'riding') return true;
  return figures.some((f) => f.to === index && ((!f.turned && f.place === null && (BODILY.includes(f.relation) || /^(?:hang|swing|dangl|climb)/.test(f.said ?? ''))) || /^(?:back|shell|saddle|hump)$/.test(f.place ?? ''))); // prettier-ignore
}

/** Two animals beside one another are both seen whole or both by their heads; null where there are no two, or one does something. */
function viewOfTwo({ parts: { figures }, idea }: Stage): 'whole' | 'heads' | null {
  const [first, second, third] = figures;
  if (!second || third || second.place !== null || !['beside', 'with'].includes(second.relation ?? '')) return null;
  if (![first, second].every((f) => isCreature(f.drawn) && f.pose === null)) return null;
  // Who has several about is seen whole, as they are.
  if (first.count !== second.count) return 'whole';
  return idea % 2 === 0 && ![first, second].some((f) => isSeenAside(f.drawn) || isRole(f.drawn)) ? 'heads' : 'whole';
}

/** Builds the figure of a prompt's word, in the colours that are said of it; of an animal or somebody its head alone, where that is wanted. */
export function figureFor(stage: Stage, figure: PromptFigure, index: number, isHead = false): Figure {
  if (index === 0 && stage.given) return stage.given.figure;
  const built = builtFor(stage, figure, index, isHead);
  const { figures, manner } = stage.parts;
  const turned = figures.length === 1 && manner.includes('upside down') ? turnedAt(built, Math.PI) : built;
  const isRound = manner.includes('built on circles') || manner.includes('geometric');
  return coloured(stage, isRound ? figureOnCircles(turned).figure : turned, figure);
}

/** A figure in the colours that a prompt says of it, or settled to have none; as it is where the prompt says them of no single figure. */
function coloured(
  { palette: { isToldApart, groundHex, strict } }: Stage,
  figure: Figure,
  { colours }: Pick<PromptFigure, 'colours'>,
): Figure {
  if (!isToldApart) return figure;
  return colours.length ? dyed(figure, colours, groundHex, strict) : undyed(figure);
}

/** A thing that somebody has, in the first of its drawings; null for what nothing is drawn for. */
export const thingFor = (stage: Stage, asked: Pick<PromptFigure, 'drawn' | 'colours'>): Figure | null =>
  isThing(asked.drawn) ? coloured(stage, buildFigure(asked.drawn, { knobs: stage.knobs, leeway: 20, detail: 45 }), asked) : null; // prettier-ignore

/** Whose heads are known from the side alone. */
const IN_PROFILE =
  /^(?:duck|duckling|mallard|drake|goose|swan|crow|raven|pigeon|dove|toucan|blackbird|magpie|pelican)$/;

function builtFor(stage: Stage, figure: PromptFigure, index: number, isHead: boolean): Figure {
  const { modifiers } = figure;
  const isDozing = modifiers.some((m) => /^(?:closed eyes|eyes closed|eyes shut|shut eyes)$/.test(m));
  const expression = figure.expression ?? (isDozing ? 'sleepy' : null);
  // How two turn to one another is seen from the side.
  const isTurned = ['toward', 'away'].includes(standingOf(modifiers) ?? '') && isCreature(figure.drawn);
  // In profile one is seen from the side.
  const isAside = index === 0 && isCreature(figure.drawn) && !isRole(figure.drawn) && [...stage.parts.manner, ...modifiers].some((m) => /\b(?:profile|side view|side-on|from the side)\b/.test(m)); // prettier-ignore
  const two = viewOfTwo(stage);
  // A bird that is on something has come down.
  const [, second] = stage.parts.figures;
  const isPerched = index === 0 && second?.relation === 'on' && !second.turned && /^(?:songbird|raptor)$/.test(buildOf(figure.drawn) ?? ''); // prettier-ignore
  const isSpread = /^(?:songbird|raptor|fowl|wader)$/.test(buildOf(figure.drawn) ?? '') && modifiers.some((m) => /^(?:(?:open|spread|outstretched|raised) wings|with wings|wings (?:open|spread|out|outstretched|raised|up))$/.test(m)); // prettier-ignore
  const pose =
    figure.pose ??
    (isSpread ? 'flying' : stage.parts.manner.includes('on guard') ? 'standing' : null) ??
    (isPerched
      ? 'sitting'
      : isTurned || isAside
        ? ['sitting', 'standing'][stage.idea % 2]
        : two === 'whole'
          ? 'standing'
          : null);
  if (/^(?:sing|tweet|chirp|warbl|call|crow)/.test(pose ?? '') && isBird(figure.drawn)) return singing(stage, figure);
  const tool = toolFor(pose);
  // What one is under, on or by leaves the hands free.
  const isBusy = tool && hasHands(figure.drawn) && stage.parts.figures.every((f) => f.to !== index || (!f.turned && ['on', 'under', 'beside', 'behind', 'in front of'].includes(f.relation ?? '') && f.place === null && (tool !== 'cup' || f.relation === 'under'))); // prettier-ignore
  if (isBusy) {
    const dress = inSaidColours(stage, dressFrom(`${stage.parts.role ?? ''} ${figure.drawn}`));
    const held = buildFigure(tool, { ...stage, idea: undefined, detail: 45 });
    const upright = uprightFigure(figure.drawn, { knobs: stage.knobs, stance: 'standing', expression, modifiers, dress, held, other: pose === 'boxing' ? held : null, crop: 'whole' }); // prettier-ignore
    if (upright) return upright;
  }
  if (modifiers.some((m) => CUT.test(m)) && CITRUS.test(figure.drawn))
    return buildFigure('citrus slice', { ...stage, expression });
  const head = isHead || two === 'heads' || asksHead(modifiers);
  const partsAsked = stage.palette.isToldApart ? figure.colours.flatMap((c) => (c.of === null ? [] : [c.of])) : [];
  // So have those that something else stands for, where a drawing has them apart.
  if (PARTED.test(figure.drawn)) partsAsked.push(...stage.parts.figures.flatMap((f) => (f.to === index && f.relation === 'as' && f.place ? [f.place] : []))); // prettier-ignore
  // A head by itself is seen from the front and from the side in turn; two that look at one another, as they do.
  const isFront = stage.parts.manner.some((m) => /\bfront|head on/.test(m));
  const isProfile = head && !isFront && (isAside || isTurned || (stage.parts.figures.length === 1 && figure.count === 1 && (IN_PROFILE.test(figure.drawn) || turnOf(stage, 2) === 1))); // prettier-ignore
  // What one sits on is seen from the side.
  const isPad = figure.drawn === 'lily pad' && figure.relation === 'on' && !figure.turned;
  if (isPad) return movedFigure(buildFigure('lily pad', { ...stage, pose: null }), [1, 0, 0, 0.3, 0, 35]);
  const built = buildFigure(isThing(figure.drawn) ? figure.drawn : 'seed', { ...stage, pose, expression, modifiers, partsAsked, isHead: head, isProfile, isWhole: !head && (two === 'whole' || isSeenWhole(stage, index)) }); // prettier-ignore
  if (modifiers.some((m) => CUT.test(m))) return halved(built);
  return modifiers.some((m) => /^(?:bite|bitten|bite mark)$/.test(m)) ? bitten(built) : built;
}

/** A bird from the side that sings: one alone has a note before its beak. */
function singing(stage: Stage, { drawn, count, modifiers }: PromptFigure): Figure {
  const isSmall = buildOf(drawn) === 'songbird';
  const bird = lookingRight(buildFigure(drawn, { ...stage, pose: isSmall ? 'sitting' : null, modifiers, isWhole: isSmall }));
  if (count > 1) return bird;
  const b = boundsOf(outlineOf(bird));
  const upper = boundsOf(intersect(outlineOf(bird), box(b.x, b.y, b.width + 1, 0.5 * b.height)));
  const note = placed(buildFigure('musical note', { ...stage, idea: undefined, pose: null }), { cx: 50, cy: 50, side: 0.34 * b.height, fill: 1 });
  const n = boundsOf(outlineOf(note));
  return joinedFigures(drawn, [bird, movedFigure(note, [1, 0, 0, 1, upper.x + upper.width + 3 - n.x, b.y + 0.16 * b.height - n.y - n.height])]);
} // prettier-ignore

const unitOf = (area: Area): number => {
  const b = boundsOf(area);
  return Math.max(0.3, Math.min(1.15, Math.max(b.width, b.height) / 74));
};

/** The inks with the one first that a figure has by nature, when it is among those the prompt named. */
function natural(stage: Stage, name: string, inks: readonly string[]): readonly string[] {
  if (inks.length < 2 || stage.parts.figures.length < 2) return inks;
  // Where no colours are asked for an animal has its own before a thing, which may be of any.
  if (!stage.palette.named && (!isCreature(name) || stage.palette.isToldApart || stage.palette.strict)) return inks;
  const hues = naturalHues(name);
  if (!hues) return inks;
  const own = inks.find((hex) => {
    const { C, hDeg } = oklabToOklch(hexToOklab(hex));
    return C > 0.03 && hDeg >= hues[0] && hDeg <= hues[1];
  });
  return own ? [own, ...inks.filter((i) => i !== own)] : inks;
}

/** On a field that is of an animal's own hue the animal is light, and in tones between: a grey wolf on dark blue is not orange. */
function onOwnField(
  stage: Stage,
  { name, tones: [tone = 0] }: Figure,
  onHex: string,
  inks: readonly string[],
): readonly string[] {
  const { groundHex, named, strict, isToldApart } = stage.palette;
  const hues = isCreature(name) && !named && !strict && !isToldApart ? naturalHues(name) : null;
  if (!hues) return inks;
  const field = hexToOklab(onHex);
  /** What has so much colour is of another hue. */
  const isForeign = (hex: string, least = 0.07): boolean => {
    const { C, hDeg } = oklabToOklch(hexToOklab(hex));
    return C > least && !(hDeg >= hues[0] - 18 && hDeg <= hues[1] + 18);
  };
  // On paper only what is grey, and neither dark nor pale, would be drawn in the spark.
  if (field.L > 0.85) {
    const own = inks.find((hex) => !isForeign(hex));
    const isGrey = hues[0] > 190 && hues[1] < 290 && tone > 0.45 && tone < 0.75;
    return isGrey && own ? [...new Set([own, mix(own, onHex, 0.5), ...inks.filter((i) => !isForeign(i))])] : inks;
  }
  const light = onHex === groundHex ? clearest(onHex, inks) : groundHex;
  if (isForeign(onHex, 0.03) || !inks.some((i) => isForeign(i))) return inks;
  return [...new Set([light, mix(onHex, light, 0.55), ...inks.filter((i) => !isForeign(i))])];
}

/** Draws a placed figure in the candidate's finish on a colour. */
export function finished(
  stage: Stage,
  figure: Figure,
  onHex = stage.palette.groundHex,
  asked = stage.palette.inks,
): Layer[] {
  const own = inOwnColours(stage, figure, onHex);
  const inks = own.inks ?? onOwnField(stage, figure, onHex, natural(stage, figure.name, asked));
  const tint = tintFor(own.figure, stage.palette, onHex, inks, own.pins);
  const u = unitOf(figure.parts.flatMap((p) => p.area));
  const layers = stage.finish.draw({ figure: own.figure, tint, knobs: stage.knobs, u });
  const drawn = withGradient(stage, layers, figure).map((l) => ({ ...l, isFigure: true, of: figure.name }));
  return [...drawn, ...decoration(stage, own.figure, tint.inks, onHex, u)];
}

/** A figure in the colours that are said of it, where the prompt says them of single figures; with the inks that go with those. */
function inOwnColours(
  stage: Stage,
  figure: Figure,
  onHex: string,
): ReturnType<typeof toned> & { readonly inks?: readonly string[] } {
  const { palette, parts } = stage;
  if (!palette.isToldApart) return { figure, pins: new Map() };
  const asked = parts.figures.find((f) => f.drawn === figure.name && f.colours.length > 0);
  if (!asked) return toned(figure, onHex);
  const hexes = ownHexes(asked.colours, palette.groundHex);
  // On its own colour it is left open, in that of the ground.
  if (hexes.length && hexes.every((hex) => !isTold(hex, onHex))) return { figure, pins: new Map(), inks: [palette.groundHex, ...palette.inks] }; // prettier-ignore
  const own = dyed(figure, asked.colours, palette.groundHex, palette.strict);
  // With what is another's it takes the colours of all; alone it stays among its own.
  const isAlone = hexes.length > 0 && !palette.strict && !isShared(own);
  const others = isAlone ? [shadeTold(hexes[0], 0.2), shadeTold(hexes[0], -0.2)] : palette.inks;
  return { ...toned(own, onHex), inks: [...new Set([...hexes, ...others])] };
}

/** The colour that is said of a figure, where it is drawn as a plain form; else another. */
export function inkOf(
  { parts: { figures }, palette: { isToldApart, groundHex } }: Stage,
  { name }: Figure,
  other: string,
): string {
  const asked = isToldApart ? figures.find((f) => f.drawn === name) : undefined;
  return (asked && ownHexes(asked.colours, groundHex)[0]) ?? other;
}

/** A dress whose garments have the colours that the prompt says of them. */
export function inSaidColours({ parts: { figures }, palette: { isToldApart, groundHex } }: Stage, dress: Dress): Dress {
  if (!isToldApart) return dress;
  return dyedDress(dress, figures.flatMap((f) => ownHexes(f.colours, groundHex).slice(0, 1).map((hex) => ({ word: f.word, hex })))); // prettier-ignore
}

/** The gradient that a prompt asks for, laid over what is in the first ink. */
function withGradient(stage: Stage, layers: Layer[], figure: Figure): Layer[] {
  const { gradient, inks } = stage.palette;
  if (!gradient) return layers;
  const b = boundsOf(outlineOf(figure));
  return layers.map((layer) =>
    layer.fill === inks[0]
      ? {
          ...layer,
          fill: {
            kind: 'linear',
            from: [b.x + 0.3 * b.width, b.y + 0.12 * b.height],
            to: [b.x + 0.55 * b.width, b.y + 0.9 * b.height],
            hexes: gradient,
          },
        }
      : layer,
  );
}

/** What a high detail adds: lines along the inside of large parts, then beads on them. */
function decoration(stage: Stage, figure: Figure, inks: readonly string[], onHex: string, u: number): Layer[] {
  if (stage.detail < 48 || ['folk', 'engraved lines', 'pen hatching', 'woodcut'].includes(stage.finishName)) return [];
  const folk = FINISHES.folk;
  const tint = tintFor(figure, stage.palette, onHex, inks.length ? inks : stage.palette.inks);
  const layers = folk.draw({ figure, tint, knobs: stage.knobs, u });
  // Of the ornament only what lies on the figure, not its areas again.
  const areas = new Set(figure.parts.map((p) => p.area));
  const marks = layers.filter((l) => !areas.has(l.area) && !l.clip);
  return stage.detail >= 88 ? marks : stage.detail >= 68 ? marks.filter((_, i) => i % 3 === 0) : marks.slice(0, 1);
}

/** A plain form in one colour, in the candidate's finish where that is a hand that draws everything alike. */
export function form(stage: Stage, area: Area, hex: string, onHex = stage.palette.groundHex): Layer[] {
  const handmade = [
    'chalk',
    'pencil sketch',
    'ink brush',
    'wash',
    'worn stamp',
    'engraved lines',
    'pen hatching',
    'light tube',
    'embroidery',
  ];
  if (!handmade.includes(stage.finishName)) return [layerOf(area, hex)];
  if (stage.finishName === 'engraved lines' || stage.finishName === 'pen hatching') return [layerOf(area, hex)];
  const figure: Figure = { name: 'form', tones: [hexToOklab(hex).L], parts: [{ tone: 0, area }] };
  const tint = { ...tintFor(figure, stage.palette, onHex, [hex]), hexOf: [hex], line: hex, inks: [hex] };
  return stage.finish.draw({ figure, tint, knobs: stage.knobs, u: unitOf(area) });
}

/** A plain form that is part of what is drawn, and no ground. */
export const solid = (...asked: Parameters<typeof form>): Layer[] =>
  form(...asked).map((l) => ({ ...l, isFigure: true }));

/** A figure with a gap of what lies below round it, so that it stands clear of it. */
export function clear(
  stage: Stage,
  figure: Figure,
  onHex = stage.palette.groundHex,
  inks = stage.palette.inks,
  gap = 2.2,
): Layer[] {
  return [layerOf(grown(outlineOf(figure), gap), onHex), ...finished(stage, figure, onHex, inks)];
}

/** Forms that hold a mark, of about one size, `r` units from the middle to the edge. */
export const FORMS = {
  circle: (r: number, cx = 50, cy = 50): Area => disc(cx, cy, r, 180),
  square: (r: number, cx = 50, cy = 50): Area => tile(cx, cy, r * 0.93, r * 0.36),
  shield: (r: number, cx = 50, cy = 50): Area => shieldArea(r, cx, cy),
  hexagon: (r: number, cx = 50, cy = 50): Area => grown(regular(cx, cy, r * 1.02, 6), r * 0.05),
  diamond: (r: number, cx = 50, cy = 50): Area => grown(regular(cx, cy, r * 1.03, 4), r * 0.06),
  triangle: (r: number, cx = 50, cy = 50): Area => grown(regular(cx, cy + r * 0.18, r * 1.12, 3), r * 0.1),
  banner: (r: number, cx = 50, cy = 50): Area => disc(cx, cy, r, 180),
} as const;

function shieldArea(r: number, cx: number, cy: number): Area {
  const ring: number[] = [];
  const put = (x: number, y: number) => ring.push(cx + (x * r) / 46, cy + (y * r) / 46);
  const curve = (p: readonly number[]): void => {
    for (let i = 1; i <= 24; i++) {
      const t = i / 24;
      const s = 1 - t;
      put(
        s * s * s * p[0] + 3 * s * s * t * p[2] + 3 * s * t * t * p[4] + t * t * t * p[6],
        s * s * s * p[1] + 3 * s * s * t * p[3] + 3 * s * t * t * p[5] + t * t * t * p[7],
      );
    }
  };
  put(0, -45);
  curve([0, -45, 12, -39, 26, -37, 38, -37]);
  curve([38, -37, 40, -4, 32, 26, 0, 46]);
  curve([0, 46, -32, 26, -40, -4, -38, -37]);
  curve([-38, -37, -26, -37, -12, -39, 0, -45]);
  return [ring];
}

/** The edge of a form scalloped with `n` bumps. */
export const scalloped = (r: number, n: number, cx = 50, cy = 50): Area =>
  union(
    disc(cx, cy, r, 120),
    ...Array.from({ length: n }, (_, i) => {
      const t = (2 * Math.PI * i) / n;
      return disc(cx + r * Math.cos(t), cy + r * Math.sin(t), (Math.PI * r) / n + 0.4, 28);
    }),
  );
