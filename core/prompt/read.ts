import { COLOUR_PHRASES, COLOUR_WORDS, readHex } from '../colour';

/** A figure that a prompt asks for, what is drawn for it, and how that was found. */
export interface FoundFigure {
  readonly word: string;
  readonly drawn: string;
  readonly via: 'name' | 'synonym' | 'broader' | 'none';
}

export type Relation = 'with' | 'over' | 'under' | 'behind' | 'inside' | 'on' | 'holding' | 'wearing' | 'riding';
export const KINDS = ['pictorial', 'abstract', 'emblem', 'negative space', 'mascot', 'app icon', 'icon sheet'] as const;
export type Kind = (typeof KINDS)[number];

export interface NamedColour {
  readonly word: string;
  readonly hex: string;
}

/** What was understood of a prompt. */
export interface PromptParts {
  /** In the order of the prompt; the relation says how a figure stands to the one before it. */
  readonly figures: readonly (FoundFigure & { readonly relation: Relation | null })[];
  readonly kind: Kind | null;
  /** What a mascot is by trade, which decides its dress. */
  readonly role: string | null;
  readonly finish: string | null;
  /** 0 (minimal) to 100 (detailed), or null when nothing was said. */
  readonly detail: number | null;
  readonly colours: readonly NamedColour[];
  readonly colourCount: number | null;
  readonly ground: NamedColour | null;
  readonly lettering: readonly string[];
  readonly leaveOut: readonly string[];
  readonly rows: number | null;
  readonly columns: number | null;
  readonly notUnderstood: readonly string[];
}

/** What a reader needs to know of the engine that will draw. */
export interface Lexicon {
  readonly findFigure: (phrase: string) => FoundFigure | null;
  /** Whether a word is a trade that a mascot can be dressed for. */
  readonly isRole: (word: string) => boolean;
  /** Words for finishes, each with the name of its finish. */
  readonly finishes: Readonly<Record<string, string>>;
}

const NUMBERS: Readonly<Record<string, number>> = {
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

const KIND_WORDS: readonly [RegExp, Kind][] = [
  [/\bapp icon\b/, 'app icon'],
  [
    /\b(?:icon sheet|(?:sheet|set|row|grid) of (?:\w+ )?(?:matching )?(?:icons?|pictograms?|symbols?)|pictograms|icons)\b/,
    'icon sheet',
  ],
  [/\bmascot\b/, 'mascot'],
  [/\b(?:negative[- ]space)(?: mark| logo)?\b/, 'negative space'],
  [/\b(?:emblem|badge|roundel|seal|crest|stamp)\b/, 'emblem'],
  [/\babstract(?: mark| logo)?\b/, 'abstract'],
  [/\b(?:pictorial|logo|mark|symbol|icon|pictogram)(?: mark| logo)?\b/, 'pictorial'],
];

const RELATIONS: Readonly<Record<string, Relation>> = {
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
  holding: 'holding',
  carrying: 'holding',
  wearing: 'wearing',
  riding: 'riding',
  before: 'over',
  against: 'over',
};

const PLAIN = new Set(
  (
    'a an the of for to its it is as at by from that this his her their very more most style styled look looking design simple few ' +
    'details detail detailed minimal minimalist bold clean modern strong thick thin small big large little tiny friendly kind ' +
    'round rounded soft sharp geometric colours colour colors color tones tone two one ground background white plain only ' +
    'symmetrical classic playful calm quiet serious cosy cozy drawn line lines figure picture image please make draw me some ' +
    'front side view facing full body head face matching row rows column columns each night day old young whole or but into ' +
    'smiling happy sleepy sleeping flying sitting standing curled open closed company brand shop studio young warm cool muted bright dark light pale'
  ).split(' '),
);

const escape = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
const COLOUR_PATTERN = [...Object.keys(COLOUR_PHRASES), ...Object.keys(COLOUR_WORDS)]
  .sort((p, q) => q.length - p.length)
  .map((w) => escape(w).replace(' ', '[ -]'))
  .join('|');
const ANY_COLOUR = `#[0-9a-f]{6}\\b|#[0-9a-f]{3}\\b|\\b(?:${COLOUR_PATTERN})\\b`;

function namedColour(text: string): NamedColour {
  const word = text.replace('-', ' ');
  return { word, hex: readHex(text.startsWith('#') ? text : '') ?? COLOUR_PHRASES[word] ?? COLOUR_WORDS[word] };
}

const countOf = (text: string): number => NUMBERS[text] ?? Number(text);
const COUNT = `\\d+|${Object.keys(NUMBERS).join('|')}`;

/** Splits what is to be left out: "stars, text and night sky" into its things. */
export const splitList = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/,|;|\band\b|\bor\b|\n/)
    .map((s) => s.trim().replace(/^(?:no|without|any|a|an|the)\s+/, ''))
    .filter(Boolean);

/**
 * Reads a prompt into its parts. Never throws: a text with nothing in it gives parts with nothing in them, and words that are
 * not understood are listed. `leaveOut` is the field beside the prompt; what the prompt itself excludes is added to it.
 */
export function readPrompt(text: string, lexicon: Lexicon, leaveOut = ''): PromptParts {
  let rest =
    ' ' +
    text
      .toLowerCase()
      .replace(/[\u2018\u2019]/g, "'")
      .replace(/[\u201c\u201d]/g, '"')
      .replace(/\s+/g, ' ') +
    ' ';
  /** Takes all matches out of the text, leaving a mark, so that neighbours do not run together. */
  const take = (pattern: RegExp, use: (match: RegExpExecArray) => void): void => {
    const found = [...rest.matchAll(new RegExp(pattern.source, 'g'))];
    found.forEach((m) => use(m));
    rest = rest.replace(new RegExp(pattern.source, 'g'), ' | ');
  };

  const lettering: string[] = [];
  take(/"([^"]{1,80})"/, (m) => lettering.push(m[1].trim()));

  const out = splitList(leaveOut);
  take(/\b(?:no|without)\s+([a-z][a-z -]*?)(?=\s*(?:[,;.|]|$| with | on | and no | without ))/, (m) =>
    out.push(...splitList(m[1])),
  );

  let ground: NamedColour | null = null;
  take(
    new RegExp(`(?:\\b(?:on|against)\\s+(?:an?\\s+|the\\s+)?)?(${ANY_COLOUR})\\s+(?:back)?ground\\b`),
    (m) => (ground = namedColour(m[1])),
  );

  let colourCount: number | null = null;
  take(/\bblack[ -]and[ -]white\b/, () => (colourCount = 1));
  const blackAndWhite = colourCount === 1;
  take(new RegExp(`\\b(${COUNT})[ -]colou?rs?\\b:?`), (m) => (colourCount = countOf(m[1])));
  take(/\b(?:monochrome|one ink)\b/, () => (colourCount = 1));

  let rows: number | null = null;
  let columns: number | null = null;
  take(new RegExp(`\\b(${COUNT}) rows?\\b`), (m) => (rows = countOf(m[1])));
  take(new RegExp(`\\b(${COUNT}) columns?\\b`), (m) => (columns = countOf(m[1])));

  let kind: Kind | null = null;
  for (const [pattern, name] of KIND_WORDS) take(pattern, () => (kind ??= name));

  let finish: string | null = null;
  for (const [word, name] of Object.entries(lexicon.finishes).sort((p, q) => q[0].length - p[0].length))
    take(new RegExp(`\\b${escape(word)}\\b`), () => (finish ??= name));

  let detail: number | null = null;
  take(/\b(?:minimal(?:ist)?|few details|very simple|simplified)\b/, () => (detail ??= 20));
  take(/\b(?:no details?)\b/, () => (detail ??= 0));
  take(/\b(?:rich(?:ly)? detailed|intricate|very detailed|many details|detailed)\b/, () => (detail ??= 85));

  const colours: NamedColour[] = blackAndWhite ? [{ word: 'black', hex: '#000000' }] : [];
  take(new RegExp(ANY_COLOUR), (m) => {
    const colour = namedColour(m[0]);
    if (!colours.some((c) => c.hex === colour.hex)) colours.push(colour);
  });

  const figures: (FoundFigure & { relation: Relation | null })[] = [];
  const notUnderstood: string[] = [];
  let role: string | null = null;
  let relation: Relation | null = null;
  const words = rest.match(/[a-z']+(?:-[a-z']+)*|[|,;.:]/g) ?? [];
  for (let i = 0; i < words.length; i++) {
    let found: FoundFigure | null = null;
    for (let n = Math.min(3, words.length - i); n >= 1 && !found; n--) {
      found = lexicon.findFigure(words.slice(i, i + n).join(' '));
      if (found) i += n - 1;
    }
    const word = words[i];
    if (found) {
      if (!figures.some((f) => f.drawn === found.drawn))
        figures.push({ ...found, relation: figures.length ? (relation ?? 'with') : null });
      relation = null;
    } else if (word in RELATIONS) relation = RELATIONS[word];
    else if (kind === 'mascot' && lexicon.isRole(word)) role ??= word;
    else if (/[a-z]/.test(word) && word.length > 2 && !PLAIN.has(word)) notUnderstood.push(word);
  }

  const excluded = (f: FoundFigure) =>
    out.some((o) => o === f.word || o === f.drawn || lexicon.findFigure(o)?.drawn === f.drawn);
  const kept = figures.filter((f) => !excluded(f));
  // A word in front of a known figure ("a red noctule bat") describes it; alone, it is the figure one has no drawing for.
  if (!kept.length && notUnderstood.length && !figures.length)
    kept.push({ word: notUnderstood.shift()!, drawn: 'abstract', via: 'none', relation: null });
  else if (!kept.length && kind === 'abstract')
    kept.push({ word: 'abstract', drawn: 'abstract', via: 'name', relation: null });

  return {
    figures: kept,
    kind,
    role,
    finish,
    detail,
    colours,
    colourCount,
    ground,
    lettering,
    leaveOut: out,
    rows,
    columns,
    notUnderstood,
  };
}
