/** Figures built anew for each candidate: from a drawing of ours, one of the library's, or from measures. */
import { areaFrom, bent, intersect, moved, roundedOff, sizeOf, sparse, withoutSpecks } from '../path';
import { boundsOf, box, massOf } from './area';
import { buildOf, builtDrawings, isCreature, isShown, joinedFigures, type Said } from './built';
import { expressionOf, isRole, type Expression } from './creature';
import { faceOn } from './faced';
import { figureOf, mapFigure, outlineOf, turnedAt, type Figure } from './figure';
import type { Drawing } from './drawing';
import { MORE } from './figures-more';
import { PEOPLE } from './figures-people';
import type { Knobs } from './knobs';
import { madeSymmetrical, symmetryOf } from './symmetry';
import { BY_HAND } from './by-hand';
import { drawingsOf } from './things';

/** Moves a figure so that its box's middle is the middle of the field. */
function centred(figure: Figure): Figure {
  const b = boundsOf(figure.parts.flatMap((p) => p.area));
  const s = 100 / Math.max(b.width, b.height, 1);
  return mapFigure(figure, (a) => moved(a, [s, 0, 0, s, 50 - s * (b.x + b.width / 2), 50 - s * (b.y + b.height / 2)]));
}

export interface BuildOptions extends Said {
  readonly knobs: Knobs;
  /** 0..100 */
  readonly leeway: number;
  /** 0..100 */
  readonly detail: number;
  /** Which of its drawings to take, of at most `ideas` (see `Stage`); by chance where it is not said. */
  readonly idea?: number;
  readonly ideas?: number;
  /** Words of parts that must not be there. */
  readonly leaveOut?: readonly string[];
}

/** Square units below which a part is left out, at a detail of 0..100: 45 keep what still shows at 32 px. */
export const leastPart = (detail: number): number =>
  detail >= 90 ? 0.6 : detail >= 45 ? 4.5 - 3.9 * ((detail - 45) / 45) : 4.5 + 90 * ((45 - detail) / 45) ** 3.2;

type Drawn = () => Figure;

/** What is drawn by hand looking to the left; the others look to the right, or at us. */
const TO_LEFT =
  /^(?:whale|gull|squirrel|swan|piranha|swordfish|mantis|grasshopper|tadpole|pheasant|platypus|manatee|anteater|pangolin|chess knight|pelican|teapot|moka pot|oil lamp)$/;
/** What has a spout or a beak to the right. */
const TO_RIGHT = /^(?:wing|kettle|jug|watering can|milk can|paint tube)$/;
const facingOf = (name: string): { facing?: 1 | -1 } => (TO_LEFT.test(name) ? { facing: -1 } : TO_RIGHT.test(name) ? { facing: 1 } : {}); // prettier-ignore
const LEAPING = /^(?:leap|jump|rising|breach|spring)/;
const SCALED = /^(?:fish|goldfish|tropical fish|swordfish|piranha)$/;

type Draw = (t: (part: string) => number) => Drawing;
const handDrawn = (name: string, draw: Draw, knobs: Knobs): Figure => ({ ...figureOf(name, draw((part) => knobs.spread(`${name}/${part}`))), ...facingOf(name) }); // prettier-ignore
/** The drawing of ours that a thing has, whatever else there is of it. */
export const ownDrawing = (name: keyof typeof BY_HAND, knobs: Knobs): Figure => handDrawn(name, BY_HAND[name], knobs);

/** Something that swims, turned so that its head is up: where it looks, or else its heavier end. */
function headUp(figure: Figure): Figure {
  const all = outlineOf(figure);
  const b = boundsOf(all);
  const [left, right] = [0, 0.6].map((x) => sizeOf(intersect(all, box(b.x + x * b.width, b.y - 1, 0.4 * b.width, b.height + 2)))); // prettier-ignore
  const isRight = figure.facing === undefined ? right > left : figure.facing > 0;
  return turnedAt(figure, isRight ? -0.75 : 0.75);
}

/** Drawings of ours whose parts have names as those of what is built do. */
export const PARTED = /^snail$/;

/** Bodies that are known from the side. */
const FOUR_FOOTED: ReadonlySet<string> = new Set(['cat', 'dog', 'bear', 'hoofed', 'heavy', 'hopper']);

/** As many drawings as a round of four has use for. */
const ENOUGH = 4;

/** The drawings one can choose from for a thing: ours, the library's, and what is built. What is said of it that only some can show, those show. */
function choices(name: string, said: Said, knobs: Knobs): readonly Drawn[] {
  const built = builtDrawings(name, said, knobs);
  // A fish built as a body would be a dolphin.
  const isFish = Boolean(said.pose) && SCALED.test(name);
  const isAsked = !isFish && (said.isHead === true || said.modifiers?.includes('robotic') === true || (Boolean(said.pose) && isShown(said.pose!)) || Boolean(said.expression) || Boolean(said.partsAsked?.length)); // prettier-ignore
  const isParted = Boolean(said.partsAsked?.length) && PARTED.test(name);
  if (isAsked && built.length && !isParted) return built;
  const byHand =
    (draw: Draw): Drawn =>
    () =>
      handDrawn(name, draw, knobs);
  const hand = Object.hasOwn(BY_HAND, name) ? [byHand(BY_HAND[name])] : [];
  if (isParted) return hand;
  const more = Object.hasOwn(MORE, name) ? MORE[name].map(byHand) : [];
  // A sign of a sport says it better than somebody dressed for it.
  if (Object.hasOwn(PEOPLE, name)) return hand;
  // A face that looks at us is another view of the same animal.
  const drawn = [...drawingsOf(name), ...(isCreature(name) && !said.isWhole ? drawingsOf(`${name} face`) : [])].map(
    (d): Drawn =>
      () => ({
        name,
        tones: d.tones.map((L) => L / 100),
        // The packs that have several tones show what lives looking to the left.
        ...(d.tones.length > 2 && isCreature(name) ? { facing: -1 as const } : facingOf(name)),
        parts: d.parts.map((p) => ({ tone: p.tone, area: areaFrom(p.contours) })),
      }),
  );
  if (isFish) return [...hand, ...drawn].map((draw): Drawn => () => (LEAPING.test(said.pose!) ? headUp(draw()) : draw())); // prettier-ignore
  // Whole, somebody is built as that; and of what has four feet a drawing that is the same on both sides is its face.
  if (said.isWhole && isRole(name) && built.length) return [...hand, ...built];
  const isFace = (draw: Drawn): boolean => FOUR_FOOTED.has(buildOf(name) ?? '') && symmetryOf(draw()) > 0.87;
  // What is drawn already is not built once more.
  const [first, ...rest] = [...hand, ...drawn];
  const seen = first ? [first, ...more, ...rest] : more;
  const own = said.isWhole && built.length ? seen.filter((draw) => !isFace(draw)) : seen;
  const all = [...own, ...built.slice(0, Math.max(own.length ? 1 : 0, ENOUGH - own.length))];
  // What is known by its face alone has that, or stands up to us.
  if (!all.length) return builtDrawings(name, { ...said, pose: null, expression: 'happy' }, knobs);
  const expression = expressionOf(said.expression ?? null);
  // A thing that makes a face has one; one that is only calm, as the sea is, has none.
  if (expression && !isCreature(name) && isFacial(name, said.expression ?? ''))
    return all.map(
      (draw): Drawn =>
        () =>
          faced(draw(), expression),
    );
  return all;
}

/** Whether a word said of a thing is of a face, and not of its manner. */
const isFacial = (name: string, word: string): boolean =>
  !/^(?:family|couple|team|dancing)\b/.test(name) &&
  (/smil|laugh|grin|wink|sad|angr|grump|surpris|cry|weep|frown|yawn|roar|snarl/.test(word) ||
  (/happ|cheer|sleep|jolly|joy|friendly|cute/.test(word) && !/^(?:circle|square|ring|triangle|line|dot|wave|water|river|lake|mountains?|hill|road|field)$/.test(name))); // prettier-ignore

function faced(thing: Figure, expression: Expression): Figure {
  const found = faceOn(thing, expression);
  return found ? joinedFigures(thing.name, [found.thing, found.face]) : thing;
}

/** How many drawings there are of a thing, as far as what is said of it leaves a choice. */
export const drawingCount = (name: string, said: Said, knobs: Knobs): number => choices(name, said, knobs).length;

/** What is nearly symmetrical, and not meant so: its head is turned, or who stands there are two. */
const ONE_SIDED = /^(?:spread eagle|family|couple|bird bath|lens)$/;

/**
 * Builds a figure anew: a drawing of it is chosen, what is too small left out, made symmetrical where it nearly is, given other
 * proportions and corners. No two seeds build the same, and none builds the drawing it began with.
 */
export function buildFigure(name: string, options: BuildOptions): Figure {
  const { knobs, leeway, detail, idea, ideas = 1 } = options;
  const all = choices(name, options, knobs);
  if (!all.length) throw new Error(`no drawing of "${name}"`);
  const byChance = leeway < 45 ? 0 : Math.floor(knobs(`${name}/drawing`) * all.length);
  const at = idea === undefined ? byChance : idea % Math.min(ideas, all.length);
  let figure = centred(all[at]());
  const least = leastPart(detail);
  const biggest = Math.max(...figure.parts.map((p) => sizeOf(p.area)));
  figure = {
    ...figure,
    parts: figure.parts
      .map((p) => ({ ...p, area: withoutSpecks(p.area, Math.min(least, biggest / 2)) }))
      .filter((p) => p.area.length && sizeOf(p.area) > Math.min(least, biggest / 2)),
  };
  const symmetrical = symmetryOf(figure) > 0.87 && !ONE_SIDED.test(name);
  if (symmetrical && !figure.isBuilt) figure = madeSymmetrical(figure, knobs.odds(`${name}/half`, 0.5));

  // Proportions: wider or slimmer above and below, taller or shorter, an arched back; a symmetrical figure stays so.
  const free = 0.06 + 0.12 * (leeway / 100);
  const wide = 1 + free * knobs.spread(`${name}/wide`);
  const top = free * knobs.spread(`${name}/top`);
  const waist = 0.8 * free * knobs.spread(`${name}/waist`);
  const tall = 1 + 0.8 * free * knobs.spread(`${name}/tall`);
  const arch = symmetrical ? 0 : 5 * free * knobs.spread(`${name}/arch`);
  const lean = symmetrical ? 0 : 0.7 * free * knobs.spread(`${name}/lean`);
  const flip = !symmetrical && leeway > 20 && knobs.odds(`${name}/facing`, 0.42) ? -1 : 1;
  figure = mapFigure(figure, (area) => {
    const warped = bent(area, (x, y) => {
      const v = (y - 50) / 50;
      const u = (x - 50) / 50;
      return [
        50 + flip * 50 * (u * wide * (1 + top * v + waist * (v * v - 0.4)) + lean * v),
        50 + 50 * v * tall + arch * (u * u - 0.4),
      ];
    });
    return flip < 0 ? warped.map((ring) => reversed(ring)) : warped;
  });
  if (flip < 0 && figure.facing) figure = { ...figure, facing: figure.facing > 0 ? -1 : 1 };

  // Small parts such as eyes and buttons, larger or smaller about their own middle.
  const smalls = 1 + 0.9 * free * knobs.spread(`${name}/smalls`) + 0.06 * knobs(`${name}/open`);
  figure = {
    ...figure,
    parts: figure.parts.map((p) => {
      if (sizeOf(p.area) > 90 || p.area.length !== 1) return p;
      const [cx, cy] = massOf(p.area);
      return { ...p, area: moved(p.area, [smalls, 0, 0, smalls, cx - cx * smalls, cy - cy * smalls]) };
    }),
  };

  // Corners: a hand that rounds them, one that leaves them, one that cuts them straight.
  const corner = knobs(`corners`);
  if (leeway >= 60 && corner > 0.86) figure = mapFigure(figure, (a) => sparse(a, 1.1));
  else if (corner < 0.5) figure = mapFigure(figure, (a) => (sizeOf(a) > 60 ? roundedOff(a, 0.35 + 1.1 * corner) : a));
  return centred(figure);
}

function reversed(ring: readonly number[]): number[] {
  const out: number[] = [];
  for (let i = ring.length - 2; i >= 0; i -= 2) out.push(ring[i], ring[i + 1]);
  return out;
}
