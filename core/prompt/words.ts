import { COLOUR_PHRASES, COLOUR_WORDS, readHex } from '../colour';
import type { LetterStyle } from './letter-style';
import type { LetterAt, WordPart } from './reading';
import type { Relation } from './relations';

/** A figure that a prompt asks for, what is drawn for it, and how that was found. */
export interface FoundFigure {
  readonly word: string;
  readonly drawn: string;
  readonly via: 'name' | 'synonym' | 'broader' | 'none';
}

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

/**
 * A figure of a prompt, and how an earlier one stands to it: in "an owl on a branch" the branch has `on`, and `to` is the owl.
 * Turned round, this one stands so to the earlier one: in "a teapot with a hill inside" the hill has `inside`, turned.
 */
export interface PromptFigure extends FoundFigure {
  readonly relation: Relation | null;
  readonly turned: boolean;
  /** Index of the figure that the relation is to; null where there is none, or where it is to the lettering. */
  readonly to: number | null;
  /** The part of that figure that it is at, or stands for: "nose", "shell". */
  readonly place: string | null;
  /** The words that say how they stand, as they were typed. */
  readonly said: string | null;
  readonly count: number;
  /** What is said of it, but for its pose, its expression and its nouns: "open", "red", "three-legged". */
  readonly modifiers: readonly string[];
  /** What somebody does: "running". */
  readonly pose: string | null;
  readonly expression: string | null;
  /** Colours that are said of it, and of parts of its own. */
  readonly colours: readonly SaidColour[];
}

/** A colour that is said of a figure, or of a part of it: "eyes". */
export interface SaidColour extends NamedColour {
  readonly of: string | null;
}

/** A word of a prompt, and what it was read as. */
export interface PromptWord {
  /** In lower case. */
  readonly word: string;
  readonly part: WordPart;
  /** Place of its first character in the prompt. */
  readonly at: number;
  /** Index of the figure that it names, counts or describes. */
  readonly figure: number | null;
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
  /** The letter of it that a figure takes the place of. */
  readonly letterAt: LetterAt | null;
  /** How its letters are to look. */
  readonly letterStyle: readonly LetterStyle[];
  readonly leaveOut: readonly string[];
  readonly rows: number | null;
  readonly columns: number | null;
  /** How it is to be drawn, beside its finish: "one continuous line", "geometric". */
  readonly manner: readonly string[];
  /** When and in what weather: "dawn". */
  readonly settings: readonly string[];
  readonly notUnderstood: readonly string[];
  /** Every word of the prompt, in its order. */
  readonly words: readonly PromptWord[];
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
    /\b(?:icon (?:sheet|set|family|collection|suite)|(?:sheet|set|row|grid) of (?:\w+ )?(?:matching )?(?:icons?|pictograms?|symbols?)|pictograms|icons|sheet of(?! (?:\w+ ){0,3}(?:poses|expressions)))\b/,
    'icon sheet',
  ],
  [/\bmascot\b/, 'mascot'],
  [/\b(?:negative[- ]space)(?: mark| logo)?\b/, 'negative space'],
  [/\b(?:lettermark|letter mark|monogram|initials?)\b/, 'lettermark'],
  [/\b(?:wordmark|word mark|logotype)\b/, 'wordmark'],
  [/\b(?:combination(?: mark| logo)?|lockup|logo and name|mark and name)\b/, 'combination'],
  [
    /\b(?:emblem|(?<!(?:wearing|with|holding|sheriff|police|star) (?:an? )?)badge|roundel|seal of|crest(?= (?:of|for|with)\b|\s*(?:[,;.|]|$))|coat of arms)\b|(?<=[,|]\s*)shield(?=\s*(?:[,|.]|$))|(?<=(?:^|[,|])\s*(?:an? )?)(?:round |wax )?(?:seal|stamp)(?=\s*(?:[,|.:]|$)|(?: for| reading| saying| with the words?)\b)|(?<=^(?:an? )?(?:(?!postage|rubber|date|passport|food|time)[a-z]+ )?)stamp(?= (?:of|with)\b|\s*(?:$|[,.;|]))/,
    'emblem',
  ],
  [/\babstract(?: mark| logo)?\b/, 'abstract'],
  [
    /(?<!\b(?:question|exclamation|check|tick|quotation|punctuation|trade) )\b(?:pictorial|logo|mark|symbol|icon|pictogram)(?: mark| logo)?\b/,
    'pictorial',
  ],
];

/** Forms that a mark is set in; a form that one jumps through, or wears, is a figure. */
const WITHIN =
  '\\b(?:in|inside|within|enclosed in|set in|framed in|held in|forming|arranged in|arranged into)(?: an?| the)?(?: (?:rounded|simple|solid|thick|thin|bold|plain|double|perfect))*';
const within = (names: string, ending = '(?! (?:of|made)\\b)'): RegExp => new RegExp(`${WITHIN} (?:${names})(?:[- ](?:frame|shape|shaped|tile|form|border))?\\b${ending}`); // prettier-ignore
export const SHAPE_WORDS: readonly [RegExp, Shape][] = [
  [within('circle|round frame|ring|roundel'), 'circle'],
  [/\bcircular(?: (?:frame|shape|form))?\b|\b(?:circle|ring|round)[- ](?:frame|shaped?|border)\b|\bround (?=emblem|badge|logo|mark|icon|seal|stamp)/, 'circle'],
  [/\b(?:(?:in|inside|on|within) )?(?:an? )?shield(?:[- ]shaped| shape| frame)\b|(?<=[,|]\s*)shield(?=\s*(?:[,|.]|$))/, 'shield'],
  [within('shield'), 'shield'],
  [within('hexagon'), 'hexagon'],
  [/\bhexagonal(?: (?:frame|shape))?\b|\bhexagon[- ](?:frame|shaped?)\b/, 'hexagon'],
  [/\b(?:(?:in|inside|on|within) )?(?:an? )?(?:diamond|lozenge)[- ](?:shaped?|frame)\b/, 'diamond'],
  [within('diamond|lozenge'), 'diamond'],
  [within('square'), 'square'],
  [/\b(?:(?:in|inside|on|within) )?(?:an? )?(?:rounded )?square (?:frame|shape|tile)\b|\bsquare[- ]shaped\b|\bsquare (?=emblem|badge|logo|mark|icon|seal|stamp)/, 'square'],
  [within('triangle'), 'triangle'],
  [/\btriangular(?: (?:frame|shape))?\b|\btriangle[- ](?:frame|shaped?)\b/, 'triangle'],
  [/\b(?:(?:with|on|over|under|above) )?(?:an? )?(?:scroll banner|banner)(?: below| above| underneath| under it| across it)?(?=\s*(?:[,;.|]|$))/, 'banner'],
]; // prettier-ignore

/** Words for colours that are words for things as well. */
export const ALSO_THINGS = new Set(
  'coffee chestnut chocolate olive salmon peach apricot coral violet lemon lime tangerine orange plum rose lavender moss mint sage juniper spruce brick sky sand lilac paper wine ash rust mustard cream forest copper gold silver slate amber jade emerald blush midnight charcoal'.split(
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
