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
  [/\b(?:emblem|badge|roundel|seal of|crest|coat of arms)\b/, 'emblem'],
  [/\babstract(?: mark| logo)?\b/, 'abstract'],
  [/\b(?:pictorial|logo|mark|symbol|icon|pictogram)(?: mark| logo)?\b/, 'pictorial'],
];

const SHAPE_WORDS: readonly [RegExp, Shape][] = [
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
  sitting: 'on',
  perched: 'on',
  holding: 'holding',
  carrying: 'holding',
  wearing: 'wearing',
  riding: 'riding',
  before: 'over',
  against: 'over',
  'coming-out-of': 'coming out of',
  'made-of': 'made of',
  'in-the-manner-of': 'in the manner of',
};

const PLAIN = new Set(
  (
    'a an the of for to its it is as at by from that this his her their very more most style styled look looking design simple few ' +
    'details detail detailed minimal minimalist bold clean modern strong thick thin small big large little tiny friendly kind ' +
    'round rounded soft sharp geometric colours colour colors color tones tone two one ground background white plain only ' +
    'symmetrical classic playful calm quiet serious cosy cozy drawn line lines figure picture image please make draw me some ' +
    'front side view facing full body head face matching row rows column columns each night day old young whole or but into ' +
    'smiling happy sleepy sleeping flying standing curled open closed company brand shop studio firm business service young warm cool muted bright dark light pale ' +
    'shape shapes form forms frame colourful colorful neon pastel earthy vivid deep strong gentle elegant fun funny cute lovely nice good best new very thing things something person people ' +
    'use used using like made show shows showing set sets style way part parts point points letter letters word words text type name named called title space area piece pieces number numbers ' +
    'left right top bottom middle centre center corner edge edges background foreground field size sized scale pattern patterns mood hand weight weights high low short long tall wide narrow thick ' +
    'slim heavy solid empty full half whole real natural modern retro vintage traditional contemporary timeless iconic unique original creative professional premium luxury luxurious minimalistic ' +
    'stylized stylised stylish smooth sleek rough raw fresh crisp sharp dynamic active calm peaceful powerful brave wild free gradient gradients shading shaded shadow shadows'
  ).split(' '),
);

/** Words for colours that are words for things as well. */
const ALSO_THINGS = new Set(
  'coffee chestnut chocolate olive salmon peach apricot coral lemon lime tangerine orange plum rose lavender moss mint sage juniper spruce brick sky sand lilac'.split(
    ' ',
  ),
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
  const lettering: string[] = [];
  /** A letter is asked for as the mark itself. */
  let single = false;
  const settled: Settled[] = [];
  const tidy = text
    .replace(/[\u2018\u2019]/g, "'")
    .replace(/[\u201c\u201d\u201e\u00ab\u00bb]/g, '"')
    .replace(/\s+/g, ' ')
    // Words to be set keep their capitals, so they are taken out before the rest is lowered.
    .replace(/"([^"]{1,80})"/g, (_, words: string) => (lettering.push(words.trim()), ' | '))
    .replace(
      /\b(?:named|called|with the (?:text|words?|name)|that (?:says|reads)|saying)\s+([A-Z0-9][\w'&.-]*(?:\s+(?:[A-Z0-9&][\w'&.-]*|and|of|the))*)/g,
      (_, words: string) => (lettering.push(words.trim()), ' | '),
    )
    .replace(
      /\b([Ll]etters?|[Ii]nitials?)\s+([A-Z](?:\s?[A-Z&]){0,3})(?![\w'])/g,
      (_, word: string, letters: string) => {
        lettering.push(letters.replaceAll(' ', ''));
        single = true;
        return ` ${word} `;
      },
    );
  let rest =
    ' ' +
    tidy
      .toLowerCase()
      .replace(
        /\b(?:coming|climbing|growing|rising|peeking|emerging) out of\b|\b(?:emerging|hatching|growing) from\b/g,
        'coming-out-of',
      )
      .replace(/\b(?:made (?:up )?of|made (?:out of|from)|built (?:of|from)|composed of)\b/g, 'made-of')
      .replace(/\b(?:in the (?:manner|style|shape|form) of|shaped like|formed (?:by|like))\b/g, 'in-the-manner-of')
      .replace(/\bcoffee (?=(?:cup|mug|bean|pot|shop|house|machine|maker)s?\b)/g, '')
      .replace(/\bon top of\b/g, 'on')
      .replace(/\bin front of\b/g, 'over')
      .replace(/\bnext to\b|\bbeside\b/g, 'with') +
    ' ';
  /** Takes all matches out of the text, leaving a mark, so that neighbours do not run together. */
  const take = (pattern: RegExp, use: (match: RegExpExecArray) => void): void => {
    const found = [...rest.matchAll(new RegExp(pattern.source, 'g'))];
    found.forEach((m) => use(m));
    rest = rest.replace(new RegExp(pattern.source, 'g'), ' | ');
  };
  /** Keeps the first value of a part and notes what was dropped for it. */
  const first = <T extends string>(part: Settled['part'], kept: T | null, next: T): T => {
    if (kept !== null && kept !== next) settled.push({ part, kept, dropped: next });
    return kept ?? next;
  };

  let noShading = false;
  take(
    /\b(?:no|without) (?:any )?(?:shad(?:ing|es?|ows?)|gradients?)\b(?: (?:and|or) (?:gradients?|shad(?:ing|ows?)))?/,
    () => (noShading = true),
  );
  let detail: number | null = null;
  const setDetail = (value: number, word: string): void => {
    if (detail !== null && Math.abs(detail - value) > 30)
      settled.push({ part: 'detail', kept: detail < 50 ? 'few details' : 'many details', dropped: word });
    else detail ??= value;
  };
  take(/\bno (?:fine )?details?\b/, () => setDetail(0, 'no detail'));

  const out = splitList(leaveOut);
  if (out.some((o) => /^(?:shad|gradient)/.test(o))) noShading = true;
  take(/\b(?:no|without)\s+([a-z][a-z -]*?)(?=\s*(?:[,;.|]|$| with | on | and no | without ))/, (m) =>
    out.push(...splitList(m[1])),
  );

  let ground: NamedColour | null = null;
  take(
    new RegExp(`(?:\\b(?:on|against)\\s+(?:an?\\s+|the\\s+)?)?(?:plain\\s+)?(${ANY_COLOUR})\\s+(?:back)?ground\\b`),
    (m) => {
      const colour = namedColour(m[1]);
      first('ground', (ground as NamedColour | null)?.word ?? null, colour.word);
      ground ??= colour;
    },
  );

  let gradient: [NamedColour, NamedColour] | null = null;
  take(
    new RegExp(`\\b(?:gradient\\s+)?(?:fading\\s+)?from\\s+(${ANY_COLOUR})\\s+to\\s+(${ANY_COLOUR})(?:\\s+gradient)?`),
    (m) => {
      gradient ??= [namedColour(m[1]), namedColour(m[2])];
    },
  );
  take(new RegExp(`(${ANY_COLOUR})\\s+to\\s+(${ANY_COLOUR})\\s+gradient`), (m) => {
    gradient ??= [namedColour(m[1]), namedColour(m[2])];
  });

  let colourCount: number | null = null;
  take(/\bblack[ -]and[ -]white\b/, () => (colourCount = 1));
  const blackAndWhite = colourCount === 1;
  take(new RegExp(`\\b(?:only )?(${COUNT})[ -]colou?rs?\\b:?`), (m) => (colourCount = countOf(m[1])));
  take(/\b(?:monochrome|one ink|single colou?r)\b/, () => (colourCount = 1));

  let rows: number | null = null;
  let columns: number | null = null;
  take(
    new RegExp(`\\b(${COUNT})\\s*(?:rows?\\s*)?(?:by|x|\u00d7)\\s*(${COUNT})\\b(?: columns?)?`),
    (m) => ([rows, columns] = [countOf(m[1]), countOf(m[2])]),
  );
  take(new RegExp(`\\b(${COUNT}) rows?\\b`), (m) => (rows = countOf(m[1])));
  take(new RegExp(`\\b(${COUNT}) columns?\\b`), (m) => (columns = countOf(m[1])));
  take(/\b(?:a |one )?row of\b|\bin (?:a|one) row\b/, () => (rows ??= 1));

  let kind: Kind | null = null;
  for (const [pattern, name] of KIND_WORDS)
    take(pattern, () => {
      // "An emblem logo" names one kind twice: the plain word gives way without a note.
      if (kind !== null && kind !== name && name !== 'pictorial' && !(kind === 'lettermark' && name === 'wordmark'))
        settled.push({ part: 'kind', kept: kind, dropped: name });
      kind ??= name;
    });
  if (single && (kind === null || kind === 'pictorial')) kind = 'lettermark';
  const isKind = kind as Kind | null;

  let finish: string | null = null;
  for (const [word, name] of Object.entries(lexicon.finishes).sort((p, q) => q[0].length - p[0].length))
    take(new RegExp(`\\b${escape(word)}\\b`), () => {
      const kept = finish as string | null;
      // "Flat" beside another finish only says that there is to be no shading.
      if (kept !== null && kept !== name && name === 'flat') noShading = true;
      else finish = first('finish', kept, name);
    });

  let shape: Shape | null = null;
  for (const [pattern, name] of SHAPE_WORDS) take(pattern, () => (shape ??= name));

  take(/\b(?:minimal(?:ist(?:ic)?)?|few details|very simple|simplified)\b/, (m) => setDetail(20, m[0]));
  take(/\b(?:rich(?:ly)? detailed|intricate|very detailed|many details|highly detailed|detailed)\b/, (m) =>
    setDetail(85, m[0]),
  );

  let mood: string | null = null;
  for (const name of lexicon.moods)
    take(
      new RegExp(`\\b${name}\\b(?= (?:colou?rs?|tones?|palette|tints?|light)|[ ,;.|]*$|[ ]*[,;.|])`),
      () => (mood ??= name),
    );

  // In a list of icons a word for a colour that stands alone is an icon: "bread, coffee, cake".
  const listed: string[] = [];
  if (isKind === 'icon sheet')
    rest = rest.replace(/([,:|]\s*)([a-z]+)(?=\s*(?:[,|.]|$))/g, (all, before: string, word: string) => {
      if (!ALSO_THINGS.has(word)) return all;
      listed.push(word);
      return `${before} `;
    });

  const colours: NamedColour[] = blackAndWhite ? [{ word: 'black', hex: '#000000' }] : [];
  take(new RegExp(ANY_COLOUR), (m) => {
    const colour = namedColour(m[0]);
    if (!colours.some((c) => c.hex === colour.hex)) colours.push(colour);
  });
  if (colourCount !== null && colours.length > colourCount && !blackAndWhite) {
    settled.push({
      part: 'colours',
      kept: `${colours.length} named colours`,
      dropped: `${colourCount as number} colours`,
    });
    colourCount = colours.length;
  }

  const figures: PromptFigure[] = [];
  const fromTrade: PromptFigure[] = [];
  const notUnderstood: string[] = [];
  let role: string | null = null;
  let relation: Relation | null = null;
  let count = 1;
  // After "for" a trade is named: it gives the figure only when nothing else does.
  let trade = false;
  let adjoining: PromptFigure | null = null;
  const words = rest.match(/\d+|[a-z']+(?:-[a-z']+)*|[|,;.:]/g) ?? [];
  for (let i = 0; i < words.length; i++) {
    const word = words[i];
    if (!/[a-z0-9]/.test(word)) {
      trade = trade && word === '|';
      adjoining = null;
      count = 1;
      continue;
    }
    if (word === 'for') {
      trade = true;
      continue;
    }
    if (word in NUMBERS || /^\d+$/.test(word)) {
      count = Math.max(1, Math.min(12, countOf(word)));
      continue;
    }
    if (isKind === 'mascot' && lexicon.isRole(word)) {
      role ??= word;
      continue;
    }
    if (word in RELATIONS) {
      // "With a moon on it": the later word says more than "with" and "and" do.
      if (relation === null || relation === 'with' || RELATIONS[word] !== 'with') relation = RELATIONS[word];
      if (word !== 'and') trade = false;
      adjoining = null;
      continue;
    }
    let found: FoundFigure | null = null;
    for (let n = Math.min(3, words.length - i); n >= 1 && !found; n--) {
      if (n === 1 && PLAIN.has(word)) break;
      if (n > 1 && (PLAIN.has(word) || words.slice(i, i + n).some((w) => !/[a-z]/.test(w) || w in RELATIONS))) continue;
      found = lexicon.findFigure(words.slice(i, i + n).join(' '));
      if (found) i += n - 1;
    }
    if (!found) {
      if (word.length > 2 && !PLAIN.has(word)) notUnderstood.push(word);
      continue;
    }
    const list = trade ? fromTrade : figures;
    const figure: PromptFigure = { ...found, relation: list.length ? (relation ?? 'with') : relation, count };
    // Of two names side by side the second is what is meant, and the first only describes it.
    if (adjoining && list[list.length - 1] === adjoining)
      list[list.length - 1] = { ...figure, relation: adjoining.relation, count: adjoining.count };
    else if (!list.some((f) => f.drawn === found.drawn)) list.push(figure);
    adjoining = list[list.length - 1];
    relation = null;
    count = 1;
  }

  for (const word of listed) {
    const found = lexicon.findFigure(word);
    if (found && !figures.some((f) => f.drawn === found.drawn)) figures.push({ ...found, relation: 'with', count: 1 });
  }
  // "A salmon": a word for a colour that is the only thing there is means the thing.
  if (!figures.length && !fromTrade.length && !lettering.length)
    for (let i = 0; i < colours.length; i++) {
      const found = lexicon.findFigure(colours[i].word);
      if (!found || !ALSO_THINGS.has(colours[i].word)) continue;
      figures.push({ ...found, relation: null, count: 1 });
      colours.splice(i, 1);
      break;
    }

  const excluded = (f: FoundFigure) =>
    out.some((o) => o === f.word || o === f.drawn || lexicon.findFigure(o)?.drawn === f.drawn);
  const all = figures.length ? figures : fromTrade;
  const kept = all.filter((f) => !excluded(f));
  for (const f of all) if (excluded(f)) settled.push({ part: 'figure', kept: `leave out ${f.word}`, dropped: f.word });
  // A word in front of a known figure ("a red noctule bat") describes it; alone, it is the figure one has no drawing for.
  if (!kept.length && notUnderstood.length && !all.length && !lettering.length)
    kept.push({ word: notUnderstood.shift()!, drawn: 'abstract', via: 'none', relation: null, count: 1 });
  else if (!kept.length && isKind === 'abstract')
    kept.push({ word: 'abstract', drawn: 'abstract', via: 'name', relation: null, count: 1 });
  // The first figure stands to nothing before it, but for a letter in its manner.
  if (
    kept.length &&
    kept[0].relation !== null &&
    kept[0].relation !== 'in the manner of' &&
    kept[0].relation !== 'made of'
  )
    kept[0] = { ...kept[0], relation: null };

  const wantsLetters = !out.some((o) => /^(?:text|letters?|lettering|words?|type)$/.test(o));
  return {
    figures: kept,
    kind,
    role,
    finish,
    detail,
    colours,
    colourCount,
    ground,
    gradient,
    mood,
    noShading,
    shape,
    lettering: wantsLetters ? lettering : [],
    leaveOut: out,
    rows,
    columns,
    notUnderstood,
    settled,
  };
}
