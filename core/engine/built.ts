/** Figures that are built and not taken from drawings: animals whole and by their heads, people by trade, hands. */
import { boundsOf, box, turnedBy } from './area';
import {
  CREATURES,
  creatureOf,
  curledParts,
  isFourFooted,
  dressFrom,
  expressionOf,
  figureParts,
  GESTURES,
  HANDS,
  handParts,
  hasProfile,
  headParts,
  isRole,
  PEOPLE,
  profileParts,
  robotParts,
  sideParts,
  stanceOf,
  TONES,
  type Age,
  type Build,
  type CreatureKind,
  type Dress,
  type Expression,
  type Gesture,
  type Held,
  type Pose,
  type Stance,
} from './creature';
import { shadeTold } from './dye';
import { isTopHeavy, movedFigure, outlineOf, turnedAt, upright, type Figure, type Part } from './figure';
import type { Knobs } from './knobs';
import { PLAIN_STROKE, areaFrom, parsePath, sizeOf, strokeArea, union } from '../path';

/** What is said of a figure that is built. */
export interface Said {
  readonly pose?: string | null;
  readonly expression?: string | null;
  readonly modifiers?: readonly string[];
  /** Parts of it that colours are said of, which only what is built has apart. */
  readonly partsAsked?: readonly string[];
  /** The head alone is wanted. */
  readonly isHead?: boolean;
  /** Of a head, its profile, where there is one. */
  readonly isProfile?: boolean;
  /** The whole of it is wanted, standing or sitting somewhere, and no head by itself. */
  readonly isWhole?: boolean;
}

const FISTS: readonly (readonly [RegExp, Gesture])[] = [
  [/^(?:clenched|closed|raised)$/, 'fist'],
  [/^(?:pointing)$/, 'pointing'],
  [/^(?:holding|cupped|offering|giving|outstretched|carrying|reaching)$/, 'holding'],
];

/** Whether a name is an animal or somebody, who can hold things and make faces. */
export const isCreature = (name: string): boolean => creatureOf(name) !== null || isRole(name);

const AGES: readonly (readonly [RegExp, Age])[] = [
  [/^(?:baby|little|young|tiny|small|cute|chubby|round|newborn|toddler|childlike|mini|plump|fat)$/, 'young'],
  [/^(?:tall|slim|slender|strong|muscular|lanky|long|adult|big|old|elder|noble|elegant|athletic)$/, 'tall'],
];
const ageOf = (modifiers: readonly string[], fallback: Age = 'grown'): Age =>
  AGES.find(([words]) => modifiers.some((m) => words.test(m)))?.[1] ?? fallback;

const WOMEN = /(?:woman|women|ess|girl|queen|heroine|maid|lady|nurse|florist|seamstress|witch|mermaid|ballerina)$/;

/** The kind that a name is built as; somebody of a trade is a person. */
function kindOf(name: string, knobs: Knobs, modifiers: readonly string[]): CreatureKind | null {
  const animal = creatureOf(name);
  const isOld = modifiers.some((m) => /^(?:old|elder|elderly|wise|grey|gray|white-haired)$/.test(m));
  if (animal && !PEOPLE.includes(animal)) {
    const kind = CREATURES.get(animal)!;
    return modifiers.includes('striped') && !kind.marks.includes('stripes') ? { ...kind, marks: [...kind.marks, 'stripes'] } : kind; // prettier-ignore
  }
  if (!animal && !isRole(name)) return null;
  const isBearded = modifiers.some((m) => /\bbeard/.test(m));
  if (isBearded && (animal === 'man' || !animal)) return CREATURES.get(isOld ? 'old man' : 'bearded man')!;
  if (animal === 'man' || animal === 'woman') return CREATURES.get(isOld ? `old ${animal}` : animal)!;
  if (animal) return CREATURES.get(animal)!;
  const isWoman = WOMEN.test(name) || modifiers.includes('female') || (!/man$|king|prince$|butler|wizard|monk/.test(name) && knobs.steady(`${name}/who`) < 0.4); // prettier-ignore
  if (isWoman) return CREATURES.get(isOld ? 'old woman' : 'woman')!;
  const bearded = ['captain', 'fisherman', 'miner', 'viking', 'blacksmith', 'lumberjack', 'king', 'brewer', 'pirate', 'carpenter', 'skipper', 'explorer']; // prettier-ignore
  if (/^(?:wizard|professor|gnome|dwarf)$/.test(name)) return CREATURES.get('old man')!;
  return CREATURES.get(isOld ? 'old man' : bearded.includes(name) ? 'bearded man' : 'man')!;
}

const tonesOf = (kind: CreatureKind): readonly number[] => TONES.map((L, i) => kind.tones?.[i] ?? L);
const spreadOf = (name: string, knobs: Knobs) => (part: string) => knobs.spread(`${name}/built/${part}`);

/** How an animal stands by a word for what it does; null for a word that its body cannot say. */
function poseOf(word: string): Pose | 'curled' | null {
  const said: readonly (readonly [RegExp, Pose | 'curled'])[] = [
    [/^(?:sleep|asleep|curl|doz|napp|snooz|hibernat)/, 'curled'],
    [/^(?:lying|lies|loung|rest|laz|reclin|relax|loaf|bask|sunbath|sprawl)/, 'lying'],
    [/^stretch/, 'stretching'],
    [/^(?:run|rac|gallop|trot|sprint|charg|chas|hurr|rush|dash|bolt|jogg)/, 'running'],
    [/^(?:fly|soar|glid|hover|airborne|aloft|mid-air|mid-flight|swoop)/, 'flying'],
    [/^(?:leap|jump|pounc|hop|prank|pranc|bound|div|mid-leap|mid-jump|rear|rampant|spring)/, 'leaping'],
    [/^(?:sit|seated|perch|crouch|wait|sejant)/, 'sitting'],
    [/^(?:look|glanc|gaz|turn|star)\w* back$/, 'looking back'],
    [/^(?:howl|bay|trumpet)/, 'howling'],
    [/^(?:graz|drink|lapp|forag|sniff|brows)/, 'grazing'],
    [/^(?:stand|walk|strid|stroll|prowl|upright|march|sneak|mid-stride|watch)/, 'standing'],
  ];
  return said.find(([words]) => words.test(word))?.[1] ?? null;
}

/** Whether a word for what somebody does is sleep. */
export const isAsleep = (word: string): boolean => poseOf(word) === 'curled';

/** Whether a word for what a figure does is one that a body can be built to show. */
export const isShown = (word: string): boolean => poseOf(word) !== null || stanceOf(word) !== null;

/** A pose as a body can take it: what has no muzzle or trunk to raise sits, what has no neck to let down stands, what has no legs lies always; null where it is none. */
function possible(pose: Pose | 'curled', kind: CreatureKind): Pose | 'curled' | null {
  switch (pose) {
    case 'howling':
      return kind.body?.build === 'dog' || kind.muzzle === 'trunk' ? pose : 'sitting';
    case 'grazing':
    case 'looking back':
    case 'stretching':
      return isFourFooted(kind) ? pose : null;
    case 'lying':
      return !kind.body ? null : isFourFooted(kind) ? pose : 'curled';
    default:
      return pose;
  }
}

type Drawn = () => Figure;

/** The ways in which a name is built, as far as what is said of it allows; the likeliest first. Empty where it is not. */
export function builtDrawings(name: string, said: Said, knobs: Knobs): readonly Drawn[] {
  const modifiers = said.modifiers ?? [];
  const t = spreadOf(name, knobs);
  const figure = (tones: readonly number[], parts: () => readonly Part[]): Drawn => () => ({ name, tones, parts: parts(), isBuilt: true }); // prettier-ignore
  if (Object.hasOwn(HANDS, name)) {
    const asked = FISTS.find(([words]) => [...modifiers, said.pose ?? ''].some((m) => words.test(m)))?.[1];
    const gestures = asked ? [asked] : name === 'hand' ? GESTURES.slice(0, 4) : [HANDS[name]];
    return gestures.map((g) => figure(TONES, () => handParts(g, t)));
  }
  const kind = kindOf(name, knobs, modifiers);
  if (!kind) return [];
  const tones = tonesOf(kind);
  const expression = expressionOf(said.expression ?? null);
  const head = (face: Expression): Drawn => figure(tones, () => headParts(kind, face, t));
  const age = ageOf(modifiers);
  const isPerson = kind.muzzle === 'human';
  const dress: Dress = isRole(name) ? dressFrom(name) : isPerson ? { top: 'shirt' } : {};
  const front = (stance: Stance, crop: 'whole' | 'bust', face: Expression = expression ?? 'happy'): Drawn =>
    figure(tones, () => figureParts(kind, { stance, expression: face, age, dress, held: null, crop }, t));
  if (isPerson) {
    const stance = stanceOf(said.pose ?? null);
    if (said.isHead) return [figure(tones, () => figureParts(kind, { stance: 'standing', expression: expression ?? 'happy', age, dress: { ...dress, top: undefined, neck: undefined }, held: null, crop: 'head' }, t))]; // prettier-ignore
    if (stance) return [front(stance, 'whole')];
    return [...(said.isWhole ? [] : [front('standing', 'bust')]), front('standing', 'whole'), front('waving', 'whole')];
  }
  if (modifiers.includes('robotic') && (said.isHead || (!said.pose && !said.isWhole))) return [figure(tones, () => robotParts(kind, t))]; // prettier-ignore
  if (said.isHead && said.isProfile && !expression && hasProfile(kind)) return [() => ({ ...figure(tones, () => profileParts(kind, t)!)(), facing: 1 })]; // prettier-ignore
  if (said.isHead) return [head(expression ?? 'calm')];
  // Parts of it that have colours of their own are seen from the front; what is not of the head, on all of it.
  if (said.partsAsked?.length && !said.pose) {
    const isHeadAlone = !said.isWhole && said.partsAsked.every((p) => !/^(?:wings?|tail|belly|shell)$/.test(p));
    return isHeadAlone ? [head(expression ?? 'calm'), front('standing', 'bust'), head(expression ?? 'happy'), front('waving', 'whole')] : [front('standing', 'whole'), front('sitting', 'whole')]; // prettier-ignore
  }
  // What is only built like another has drawings of its own, which show it better.
  const isItself = CREATURES.has(name);
  const shown = said.pose ? poseOf(said.pose) : null;
  const pose = shown && possible(shown, kind);
  const side = (asked: Pose | 'curled', isSecond = false): Drawn[] => {
    if (!kind.body) return [];
    // Built only once it is the one that is drawn: these are counted at each candidate.
    const parts = () => (asked === 'curled' ? (curledParts(kind, t) ?? sideParts(kind, 'sitting', t)) : sideParts(kind, asked, t, isSecond))!; // prettier-ignore
    return [() => ({ ...figure(tones, parts)(), facing: 1 })];
  };
  // Who meditates faces us, the eyes shut.
  if (/^meditat/.test(said.pose ?? '') && !isSeenAside(name)) return [front('sitting', 'whole', 'sleepy')];
  // A penguin slides on its belly, head first.
  if (/^(?:slid|glid)/.test(said.pose ?? '') && name === 'penguin') return side('standing').map((draw) => () => turnedAt(draw(), 1.3)); // prettier-ignore
  if (pose) {
    if (NOT_ASIDE.has(name) && (pose === 'curled' || pose === 'lying') && !isSeenAside(name))
      return [front('sitting', 'whole', 'sleepy')];
    // An owl comes at us with its wings up.
    if (name === 'owl' && pose === 'flying') return [front('jumping', 'whole')];
    if (NOT_ASIDE.has(name) && !expression && (pose === 'sitting' || pose === 'standing')) return [];
    const stance = stanceOf(said.pose ?? null);
    // A bird that sits or flies is no figure with arms.
    const swims = kind.body?.build === 'fish' || kind.body?.build === 'whale';
    const more =
      swims || isBird(name) || isSeenAside(name)
        ? []
        : pose === 'curled'
          ? [front('sitting', 'whole', 'sleepy')]
          : stance && !(pose === 'running' && isFourFooted(kind))
            ? [front(stance, 'whole')]
            : [];
    // Head first, wings shut: a bird that dives.
    const isDive = isBird(name) && /^(?:div|swoop|plung|stoop|plummet)/.test(said.pose ?? '');
    if (isDive) return side('sitting').map((draw) => () => turnedAt(draw(), 1.2));
    const both = [
      ...side(pose),
      ...(isFourFooted(kind) && !['sitting', 'curled', 'lying', 'stretching', 'looking back'].includes(pose)
        ? side(pose, true)
        : []),
    ];
    return both.length || pose === 'curled' ? [...both, ...(said.isWhole && both.length ? [] : more)] : [];
  }
  if (expression) return said.isWhole ? [front('standing', 'whole')] : [head(expression), front('standing', 'bust')];
  if (kind.muzzle === 'visor' && !said.isWhole)
    return [head('happy'), front('standing', 'whole'), front('waving', 'whole')];
  if (!isItself) return [];
  // What is known from the front alone sits or stands there, facing us.
  if (said.isWhole && FACING_US.has(name)) return [front('sitting', 'whole'), front('standing', 'whole')];
  return [...(looksAtUs(name, kind) && !said.isWhole ? [head('calm')] : []), ...(NOT_ASIDE.has(name) ? [] : (SIDES[kind.body?.build ?? 'none'] ?? [])).flatMap((p) => side(p))]; // prettier-ignore
}

/** What is known by something that a body built from the side does not have: a long neck bent, a tail over the back, two eyes in front, wings of skin. */
const NOT_ASIDE = new Set(['koala', 'camel', 'wolf in wool', 'dragon', 'squirrel', 'owl', 'swan', 'flamingo']);
/** Those of them that can sit and stand facing us instead. */
const FACING_US = new Set(['koala', 'wolf in wool', 'dragon', 'squirrel', 'owl']);

/** An animal from the side, looking right, that has no tail; null for what is not built so. */
export function tailless(name: string, knobs: Knobs): Figure | null {
  const kind = CREATURES.get(creatureOf(name) ?? '');
  if (!kind?.body || !isFourFooted(kind)) return null;
  return { name, tones: tonesOf(kind), parts: sideParts({ ...kind, body: { ...kind.body, tail: 'none' } }, 'standing', spreadOf(name, knobs))!, isBuilt: true, facing: 1 }; // prettier-ignore
}

/** How the body of a name is built; null for what has none, and for what is no creature. */
export const buildOf = (name: string): Build | null => CREATURES.get(creatureOf(name) ?? '')?.body?.build ?? null;

/** Whether a name is built as a bird that flies or runs. */
export const isBird = (name: string): boolean => /^(?:songbird|raptor|fowl|wader|runner)$/.test(buildOf(name) ?? '');

/** What crawls or swims and is built as no creature here. */
const LIMBLESS = /^(?:snake|cobra|worm|seahorse|swordfish|piranha|tadpole)$/;
/** What is known from the side alone: neck and legs, or no limbs at all; its head from the front is nobody's. */
export const isSeenAside = (name: string): boolean =>
  LIMBLESS.test(name) || name === 'swan' || ['wader', 'runner', 'whale', 'fish'].includes(buildOf(name) ?? '');

/** Whether somebody can be stood up to hold, wear and read: of those seen from the side, what swims stands on its tail and a snake on its coils. */
export const hasHands = (name: string): boolean =>
  isCreature(name) && (!isSeenAside(name) || creatureOf(name) === 'snake' || ['whale', 'fish'].includes(buildOf(name) ?? '')); // prettier-ignore

/** How a body is best seen from the side where nothing is said: what has hooves does not sit, and what is heavy does not leap. */
const SIDES: Readonly<Record<string, readonly Pose[]>> = {
  cat: ['sitting', 'leaping'],
  dog: ['sitting', 'running'],
  bear: ['standing', 'sitting'],
  hoofed: ['standing', 'running'],
  heavy: ['standing'],
  hopper: ['leaping'],
  songbird: ['sitting', 'flying'],
  raptor: ['sitting', 'flying'],
  fowl: ['standing'],
  wader: ['standing'],
  runner: ['standing', 'running'],
  whale: ['leaping'],
  fish: ['standing'],
};
/** Whether a head from the front is a good picture of what nothing more is said of: of most birds and of what swims or crawls it is none. */
const looksAtUs = (name: string, kind: CreatureKind): boolean =>
  name !== 'squirrel' &&
  (['owl', 'penguin', 'eagle', 'bat', 'frog', 'octopus', 'bee', 'dragon'].includes(name) ||
    !/^(?:beak|hook|bill|great|slender|frog|grooves|jaws|none)$/.test(kind.muzzle));

/** An umbrella that is up, on a long stem, leaning towards the head of who holds it at its foot. */
function umbrellaUp({ parts }: Figure): Figure {
  const canopy = 'M13 36C13 15 30 4 50 4C70 4 87 15 87 36Q78 30 68.5 36Q59 30 50 36Q41 30 31.5 36Q22 30 13 36Z';
  const panels = 'M50 4C40 8 31.5 20 31.5 36Q41 30 50 36ZM50 4C74 6 87 20 87 36Q78 30 68.5 36C68.5 20 60 8 50 4Z';
  const crook = strokeArea(parsePath('M50 93C50 100 42 100 42 93', { close: false }), { ...PLAIN_STROKE, widthPx: 2.6, cap: 'round' }, 0.05);
  const dye = parts.find((p) => p.dye)?.dye ?? parts[0]?.dye;
  const areas = [union(box(48.8, 0, 2.4, 94), crook), areaFrom(parsePath(canopy)), areaFrom(parsePath(panels))];
  return { name: 'umbrella', tones: [0.3, 0.66], parts: areas.map((area, i) => ({ tone: i < 2 ? 0 : 1, area: turnedBy(area, -0.16, 50, 90), dye: dye && i === 2 ? shadeTold(dye, 0.19) : dye })) };
} // prettier-ignore

/** What somebody holds, made one unit large about its middle. */
function heldAs(asked: Figure, tones: readonly number[], isClasped: boolean, isOneOfTwo = false): Held {
  // A saw is held by its handle, its blade up.
  const isSaw = asked.name === 'saw' && !isClasped;
  // A key is held by its bow, so that its bit is seen.
  const isKey = asked.name === 'key' && !isClasped;
  const thing = isSaw
    ? turnedAt(asked, -1.25)
    : isKey
      ? turnedAt(upright(asked), isTopHeavy(upright(asked)) ? Math.PI : 0)
      : asked;
  const b = boundsOf(outlineOf(thing));
  // An umbrella is held by its foot.
  const isUp = thing.name === 'umbrella' && !isClasped;
  const long = isUp ? 100 : Math.max(b.width, b.height, 1);
  const [cx, cy] = isUp ? [50, 64] : [b.x + b.width / 2, b.y + (isSaw || isKey ? 0.84 : 0.5) * b.height];
  const unit = movedFigure(thing, [1 / long, 0, 0, 1 / long, -cx / long, -cy / long]);
  // With something in the other hand, what is wide has one hand alone.
  const isWide = isClasped || (!isOneOfTwo && (/\b(?:book|newspaper|map|scroll|laptop|guitar|banjo|ukulele|violin|cello|mandolin|lute|harp|saxophone|cake|box|package|present|basket|sign|bouquet|pillow|crate|accordion|drum|bowl|loaf|bread|treasure)\b/.test(thing.name) || (b.width > b.height * 1.5 && b.height > 0.3 * b.width && thing.name !== 'tray'))); // prettier-ignore
  return {
    parts: unit.parts.map((p) => ({ ...p, tone: tones.length + p.tone })),
    size: isUp
      ? 96
      : isWide
        ? isClasped
          ? 44
          : /guitar|banjo|ukulele|violin|cello|mandolin|lute|saxophone|accordion/.test(thing.name)
            ? 41
            : 34
        : /^(?:fishing rod|hockey stick)$/.test(thing.name)
          ? 62
          : b.height > b.width * 1.8
            ? 42
            : 36,
    isWide,
  };
}

export interface FigureSaid {
  readonly knobs: Knobs;
  readonly stance: Stance;
  readonly expression: string | null;
  readonly modifiers: readonly string[];
  readonly dress: Dress;
  readonly held: Figure | null;
  /** What the other hand holds. */
  readonly other?: Figure | null;
  /** Both arms are about what is held. */
  readonly isClasped?: boolean;
  readonly crop: 'whole' | 'bust' | 'head';
}

/** A thing whose largest part is as light as the fur it is held before, made lighter or darker all over so that it is seen. */
export function toneApart(fur: number, thing: Figure): Figure {
  const main = thing.parts.reduce((p, q) => (sizeOf(q.area) > sizeOf(p.area) ? q : p));
  if (Math.abs(thing.tones[main.tone] - fur) > 0.16) return thing;
  // No lighter than is still seen on paper.
  const by = fur < 0.55 ? 0.32 : -0.32;
  return { ...thing, tones: thing.tones.map((L) => Math.max(0.05, Math.min(Math.max(0.84, L), L + by))) };
}

/** An animal or somebody upright, dressed, with a thing in the hand; null for a name that is neither. */
export function uprightFigure(name: string, asked: FigureSaid): Figure | null {
  const kind = kindOf(name, asked.knobs, asked.modifiers);
  if (!kind) return null;
  const own = tonesOf(kind);
  const ready = (thing: Figure): Figure => toneApart(own[0], thing.name === 'umbrella' ? umbrellaUp(thing) : thing);
  const thing = asked.held ? ready(asked.held) : null;
  const held = thing ? heldAs(thing, own, asked.isClasped === true, Boolean(asked.other)) : null;
  const second = asked.other && thing ? ready(asked.other) : null;
  const tones = [...own, ...(thing?.tones ?? [])];
  const other = second ? heldAs(second, tones, false, true) : null;
  const dress = kind.muzzle === 'human' && !asked.dress.top ? { ...asked.dress, top: 'shirt' as const } : asked.dress;
  const expression = expressionOf(asked.expression) ?? 'happy';
  const parts = figureParts(kind, { ...asked, dress, expression, held, other, age: ageOf(asked.modifiers) }, spreadOf(name, asked.knobs)); // prettier-ignore
  return fewerTones({ name, tones: [...tones, ...(second?.tones ?? [])], parts, isBuilt: true });
}

/** Tones of nearly one lightness made one, once there are four, so that few colours go round. */
export function fewerTones(figure: Figure): Figure {
  const used = new Set(figure.parts.map((p) => p.tone));
  const tones: number[] = [];
  const map = figure.tones.map((L, i) => {
    if (!used.has(i)) return 0;
    const near = tones.findIndex((t) => Math.abs(t - L) < (tones.length >= 5 ? 0.2 : 0.07));
    return near >= 0 && tones.length >= 4 ? near : tones.push(L) - 1;
  });
  return { ...figure, tones, parts: figure.parts.map((p) => ({ ...p, tone: map[p.tone] })) };
}

/** Joins figures into one, each with tones of its own. */
export function joinedFigures(name: string, figures: readonly Figure[]): Figure {
  const parts: Part[] = [];
  const tones: number[] = [];
  for (const f of figures) {
    parts.push(...f.parts.map((p) => ({ ...p, tone: tones.length + p.tone })));
    tones.push(...f.tones);
  }
  return fewerTones({ name, tones, parts, isBuilt: true });
}
