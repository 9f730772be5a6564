import { COLOUR_PHRASES, COLOUR_WORDS, readHex } from '../colour';

/** A figure that a prompt asks for, what is drawn for it, and how that was found. */
export interface FoundFigure {
  readonly word: string;
  readonly drawn: string;
  readonly via: 'name' | 'synonym' | 'broader' | 'none';
}

export const RELATION_NAMES = [
  'with',
  'over',
  'under',
  'behind',
  'inside',
  'on',
  'holding',
  'wearing',
  'riding',
  'coming out of',
  'made of',
  'in the manner of',
] as const;
export type Relation = (typeof RELATION_NAMES)[number];
export const KINDS = [
  'pictorial',
  'abstract',
  'lettermark',
  'wordmark',
  'combination',
  'emblem',
  'negative space',
  'mascot',
  'app icon',
  'icon sheet',
] as const;
/** Forms that a mark can be held in. */
export const SHAPES = ['circle', 'square', 'shield', 'hexagon', 'diamond', 'banner', 'triangle'] as const;
export type Shape = (typeof SHAPES)[number];
export type Kind = (typeof KINDS)[number];

export interface NamedColour {
  readonly word: string;
  readonly hex: string;
}

/** A figure of a prompt: how it stands to the one before it, and how many of it were asked for. */
export interface PromptFigure extends FoundFigure {
  readonly relation: Relation | null;
  readonly count: number;
}

/** Two parts that cannot both be had: the one that is taken, and the one that is not. */
export interface Settled {
  readonly part: 'kind' | 'finish' | 'detail' | 'colours' | 'ground' | 'figure';
  readonly kept: string;
  readonly dropped: string;
}

/** What was understood of a prompt. */
export interface PromptParts {
  /** In the order of the prompt. */
  readonly figures: readonly PromptFigure[];
  readonly kind: Kind | null;
  /** What a mascot is by trade, which decides its dress. */
  readonly role: string | null;
  readonly finish: string | null;
  /** 0 (minimal) to 100 (detailed), or null when nothing was said. */
  readonly detail: number | null;
  readonly colours: readonly NamedColour[];
  readonly colourCount: number | null;
  readonly ground: NamedColour | null;
  /** A gradient from one colour to another. */
  readonly gradient: readonly [NamedColour, NamedColour] | null;
  readonly mood: string | null;
  readonly noShading: boolean;
  /** The form that holds the mark. */
  readonly shape: Shape | null;
  /** Words to be set, as they were written. */
  readonly lettering: readonly string[];
  readonly leaveOut: readonly string[];
  readonly rows: number | null;
  readonly columns: number | null;
  readonly notUnderstood: readonly string[];
  /** Contradictions, and which side won. */
  readonly settled: readonly Settled[];
}

/** What a reader needs to know of the engine that will draw. */
export interface Lexicon {
  readonly findFigure: (phrase: string) => FoundFigure | null;
  /** Whether a word is a trade that a mascot can be dressed for. */
  readonly isRole: (word: string) => boolean;
  /** Words for finishes, each with the name of its finish. */
  readonly finishes: Readonly<Record<string, string>>;
  readonly moods: readonly string[];
}

export const NUMBERS: Readonly<Record<string, number>> = {
  one: 1,
  single: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
};

export const KIND_WORDS: readonly [RegExp, Kind][] = [
  [/\bapp[- ]icon\b/, 'app icon'],
  [
    /\b(?:icon sheet|(?:sheet|set|row|grid) of (?:\w+ )?(?:matching )?(?:icons?|pictograms?|symbols?)|pictograms|icons|sheet of)\b/,
    'icon sheet',
  ],
  [/\bmascot\b/, 'mascot'],
  [/\b(?:negative[- ]space)(?: mark| logo)?\b/, 'negative space'],
  [/\b(?:lettermark|letter mark|monogram|initials?)\b/, 'lettermark'],
  [/\b(?:wordmark|word mark|logotype)\b/, 'wordmark'],
  [/\b(?:combination(?: mark| logo)?|lockup|logo and name|mark and name)\b/, 'combination'],
  [
    /\b(?:emblem|badge|roundel|seal of|crest|coat of arms)\b|(?<=[,|]\s*)(?:seal|stamp)(?=\s*(?:[,|.]|$))|\bstamp(?= (?:reading|saying|for)\b)/,
    'emblem',
  ],
  [/\babstract(?: mark| logo)?\b/, 'abstract'],
  [/\b(?:pictorial|logo|mark|symbol|icon|pictogram)(?: mark| logo)?\b/, 'pictorial'],
];

export const SHAPE_WORDS: readonly [RegExp, Shape][] = [
  [
    /\b(?:in|inside|on|within|shaped like)? ?(?:a |an )?(?:round(?:ed)? )?(?:circular|circle|round frame|ring-shaped|ring)(?: frame| shape| emblem)?\b/,
    'circle',
  ],
  [/\b(?:in|inside|on|within)? ?(?:a )?shield(?:[- ]shaped| shape| frame)\b/, 'shield'],
  [/\b(?:in|inside|on|within)? ?(?:a )?(?:hexagon(?:al)?)(?: frame| shape)?\b/, 'hexagon'],
  [/\b(?:in|inside|on|within)? ?(?:a )?(?:diamond|lozenge)[- ](?:shaped?|frame)\b/, 'diamond'],
  [/\b(?:in|inside|on|within)? ?(?:a )?(?:rounded )?square(?: frame| shape| tile)?\b/, 'square'],
  [/\b(?:in|inside|on|within)? ?(?:a )?(?:triangular|triangle)(?: frame| shape)?\b/, 'triangle'],
  [/\b(?:with|on|over|under)? ?(?:a )?(?:banner|scroll banner)\b/, 'banner'],
];

export const RELATIONS: Readonly<Record<string, Relation>> = {
  with: 'with',
  and: 'with',
  over: 'over',
  above: 'over',
  under: 'under',
  below: 'under',
  beneath: 'under',
  behind: 'behind',
  inside: 'inside',
  in: 'inside',
  within: 'inside',
  on: 'on',
  atop: 'on',
  sitting: 'on',
  perched: 'on',
  holding: 'holding',
  carrying: 'holding',
  wearing: 'wearing',
  riding: 'riding',
  reading: 'holding',
  playing: 'holding',
  clutching: 'holding',
  eating: 'holding',
  gripping: 'holding',
  lifting: 'holding',
  balancing: 'on',
  standing: 'on',
  landing: 'on',
  resting: 'on',
  around: 'with',
  between: 'with',
  through: 'with',
  into: 'with',
  near: 'with',
  before: 'over',
  against: 'over',
  'coming-out-of': 'coming out of',
  'made-of': 'made of',
  'in-the-manner-of': 'in the manner of',
};

export const PLAIN = new Set(
  (
    'a an the of for to its it is as at by from that this his her their very more most style styled look looking design simple few ' +
    'details detail detailed minimal minimalist bold clean modern strong thick thin small big large little tiny friendly kind ' +
    'round rounded soft sharp geometric colours colour colors color tones tone two one ground background white plain only ' +
    'symmetrical classic playful calm quiet serious cosy cozy drawn line lines figure picture image please make draw me some ' +
    'front side view facing full body head face matching row rows column columns each night day old young whole or but into ' +
    'smiling happy sleepy sleeping flying curled open closed company brand shop studio firm business service young warm cool muted bright dark light pale ' +
    'shape shapes form forms frame colourful colorful neon pastel earthy vivid deep strong gentle elegant fun funny cute lovely nice good best new very thing things something person people ' +
    'use used using like made show shows showing set sets style way part parts point points letter letters word words text type name named called title space area piece pieces number numbers ' +
    'left right top bottom middle centre center corner edge edges background foreground field size sized scale pattern patterns mood hand weight weights high low short long tall wide narrow thick ' +
    'slim heavy solid empty full half whole real natural modern retro vintage traditional contemporary timeless iconic unique original creative professional premium luxury luxurious minimalistic ' +
    'stylized stylised stylish smooth sleek rough raw fresh crisp sharp dynamic active calm peaceful powerful brave wild free gradient gradients shading shaded shadow shadows'
  ).split(' '),
);

/** Words for colours that are words for things as well. */
export const ALSO_THINGS = new Set(
  'coffee chestnut chocolate olive salmon peach apricot coral lemon lime tangerine orange plum rose lavender moss mint sage juniper spruce brick sky sand lilac'.split(
    ' ',
  ),
);

export const escape = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
export const COLOUR_PATTERN = [...Object.keys(COLOUR_PHRASES), ...Object.keys(COLOUR_WORDS)]
  .sort((p, q) => q.length - p.length)
  .map((w) => escape(w).replace(' ', '[ -]'))
  .join('|');
export const ANY_COLOUR = `#[0-9a-f]{6}\\b|#[0-9a-f]{3}\\b|\\b(?:${COLOUR_PATTERN})\\b`;

export function namedColour(text: string): NamedColour {
  const word = text.replace('-', ' ');
  return { word, hex: readHex(text.startsWith('#') ? text : '') ?? COLOUR_PHRASES[word] ?? COLOUR_WORDS[word] };
}

export const countOf = (text: string): number => NUMBERS[text] ?? Number(text);
export const COUNT = `\\d+|${Object.keys(NUMBERS).join('|')}`;

/** Splits what is to be left out: "stars, text and night sky" into its things. */
export const splitList = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/,|;|\band\b|\bor\b|\n/)
    .map((s) => s.trim().replace(/^(?:no|without|any|a|an|the)\s+/, ''))
    .filter(Boolean);
