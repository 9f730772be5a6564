import { type Settled } from './words';

/** What a word of a prompt is. Every word is one of these. */
export const WORD_PARTS = [
  'figure',
  'count',
  'modifier',
  'pose',
  'expression',
  'relation',
  'place',
  'role',
  'kind',
  'manner',
  'finish',
  'detail',
  'colour',
  'ground',
  'gradient',
  'mood',
  'shading',
  'shape',
  'sheet',
  'lettering',
  'leave out',
  'trade',
  'setting',
  'filler',
  'not understood',
] as const;
export type WordPart = (typeof WORD_PARTS)[number];

/** A letter that a figure takes the place of; with `isDot` its dot alone, of whichever letter has one where none is named. */
export interface LetterAt {
  readonly letter: string | null;
  readonly isDot: boolean;
  /** Which of those letters, where it is not the first: 1 is the second, -1 the last. */
  readonly nth?: number;
}

/** A word of the prompt, and its place in the prompt as it was typed. */
export interface Token {
  readonly text: string;
  readonly at: number;
  part: WordPart | null;
  /** Index of the figure that it names, counts or describes. */
  figure: number | null;
}

/** Which of several that are the same: 0 is the first, -1 the last. */
const ORDINALS: Readonly<Record<string, number>> = { first: 0, second: 1, third: 2, last: -1, final: -1 };

const lower = (text: string): string => text.replace(/\p{Lu}/gu, (c) => (c.toLowerCase().length === c.length ? c.toLowerCase() : c)); // prettier-ignore

/** A prompt while it is being read: what of it nobody has taken yet, what took the rest, and what was decided between contradictions. */
export class Reading {
  readonly lettering: string[] = [];
  readonly settled: Settled[] = [];
  /** A letter is asked for as the mark itself. */
  readonly single: boolean;
  /** The letter of the lettering that a figure stands for, or whose dot it is; null where none is named. */
  letterAt: LetterAt | null = null;
  /** The figure is said to be the letter itself. */
  isLetter = false;
  /** Where to the lettering, as a whole, a figure stands; null where that is not said. */
  besideName: 'under' | 'above' | 'through' | null = null;
  /** The whole text, blanks and quotation marks made one kind. */
  readonly text: string;
  /** What is left of it in lower case, as long as the text: what was taken is bars. */
  rest: string;
  private readonly parts: (WordPart | null)[];
  /** Where each character of the text is in the prompt as it was typed. */
  private readonly origin: number[] = [];

  constructor(text: string) {
    const plain = text.replace(/[\u2018\u2019]/g, "'").replace(/[\u201c\u201d\u201e\u00ab\u00bb]/g, '"');
    let tidy = '';
    for (let i = 0; i < plain.length; i++) {
      const isBlank = /\s/.test(plain[i]);
      if (isBlank && (tidy === '' || tidy.endsWith(' '))) continue;
      tidy += isBlank ? ' ' : plain[i];
      this.origin.push(i);
    }
    this.text = tidy.trimEnd();
    this.rest = this.text;
    this.parts = new Array<WordPart | null>(this.text.length).fill(null);
    let single = false;
    // "A snake forming the letter S" is the letter.
    this.take(/\b(?:forming|making|becoming|shaped (?:like|as|into)|in the (?:shape|form) of|(?:curled|bent|twisted|curved|coiled) (?:in)?to|curling into|as)(?= (?:the |an? )?(?:capital )?letter [A-Z](?![\w']))/, 'relation', () => void (this.isLetter = true)); // prettier-ignore
    // Words to be set keep their capitals, so they are taken out before the rest is lowered.
    this.take(/(?:\b(?:reading|saying|spelling|the (?:words?|text|name|letters)|named|called|that (?:says|reads)) )?"([^"]{1,80})"/, 'lettering', (m) => void this.lettering.push(m[1].trim())); // prettier-ignore
    this.take(
      /\b(?:named|called|with the (?:text|words?|name)|that (?:says|reads)|saying|(?:the )?words?|lettering|reading)\s+([A-Z0-9][\w'&.-]*(?:\s+(?:[A-Z0-9&][\w'&.-]*|and|of|the))*)/,
      'lettering',
      (m) => void this.lettering.push(m[1].trim()),
    );
    this.take(
      /(?:\b(?:[Ll]etters?|[Nn]umbers?|[Nn]umeral|[Dd]igit)(?: of)?|(?<=\b(?:[Ii]nitials?|[Mm]onogram)(?: of| with| from| combining| joining| uniting| pairing)?(?: an?| the| two)?(?: (?:interlock(?:ing|ed)|entwined|intertwined|overlapping|linked|stacked|joined|crossed))?))\s+((?:[A-Z]|\d)(?:(?:\s?|\s*(?:and|,|&)\s*)[A-Z&]){0,3})(?![\w'])/,
      'lettering',
      (m) => {
        this.lettering.push(m[1].replace(/\band\b|[\s,]/g, ''));
        single = true;
      },
    );
    this.take(
      /\b(?:(?:an?|the|capital|big) )*([B-HJ-Z])(?= (?:made|shaped|formed|built|as|with|in|out|like)\b)/,
      'lettering',
      (m) => {
        this.lettering.push(m[1]);
        single = true;
      },
    );
    // "A lantern as the L", "a kite as the dot of the i", "the O is an owl".
    if (this.lettering.length) {
      const letter =
        /(?:the (?:letters? |(first|second|third|last|final) |two |both )?([A-Za-z])|letter ([A-Za-z])|([B-HJ-Z]))(?:['’]?s(?= |$|[,.;]))?(?![\w'’])/
          .source;
      const at = (m: RegExpExecArray, isDot: boolean): void => {
        const said = m.slice(1);
        const nth = ORDINALS[said.find((word) => word !== undefined && word.length > 1) ?? 'first'];
        this.letterAt ??= { letter: said.find((c) => c?.length === 1) ?? null, isDot, ...(nth ? { nth } : {}) };
      };
      this.take(new RegExp(`\\b(?:as|for|instead of|in place of|replacing|forming|becoming) (?:the |its |a )?(?:dot|tittle)(?: (?:of|on|over|above|in) ${letter}| (?:of|on|over) the letter)?`), 'lettering', (m) => at(m, true)); // prettier-ignore
      this.take(new RegExp(`\\b(?:as|for|instead of|in place of|replacing|forming|becoming) ${letter}`), 'lettering', (m) => at(m, false)); // prettier-ignore
      this.take(new RegExp(`\\b(?:in|inside|within) ${letter}(?= |$|[,.;])`), 'lettering', (m) => at(m, false)); // prettier-ignore
      this.take(new RegExp(`\\b(?:sitting |perched |standing )?(?:over|above|on top of|atop|upon|on|(?:growing|rising|sprouting|coming|springing) (?:from|out of)) ${letter}`), 'lettering', (m) => at(m, true)); // prettier-ignore
      this.take(/\b(?:where )?the (?:letter )?([A-Z]) (?:is|as|being|becomes)\b/, 'lettering', (m) => at(m, false));
    }
    // "Under the name": where the lettering is.
    if (this.lettering.length)
      this.take(/\b(under|below|beneath|underneath|(?:hanging|dripping|falling) from|over|above|atop|on top of) (?:the |its )?(?:name|letters|lettering|words?|text|wordmark|type)\b/, 'lettering', (m) => void (this.besideName ??= /^(?:over|above|atop|on)/.test(m[1]) ? 'above' : 'under')); // prettier-ignore
    if (this.lettering.length)
      this.take(/\b(behind|beside|before|after|across|through|around|next to|along) (?:the |its )?(?:name|letters|lettering|words?|text|wordmark|type)\b/, 'lettering', (m) => void (this.besideName ??= /^(?:through|across)/.test(m[1]) ? 'through' : null)); // prettier-ignore
    // "Beside the S": of what is set.
    if (this.lettering.length)
      this.take(/\b(?:the )?(?:letters? )?[B-HJ-Z](?= |$|[,.;])/, 'lettering', () => undefined);
    this.rest = lower(this.rest);
    this.single = single;
  }

  /** Takes all matches out of the text for a part of the prompt; what `use` answers with false stays. */
  take(pattern: RegExp, part: WordPart, use: (match: RegExpExecArray) => unknown): void {
    for (const match of [...this.rest.matchAll(new RegExp(pattern.source, 'g'))])
      if (use(match) !== false) this.claim(match.index, match.index + match[0].length, part);
  }

  /** The place in the prompt of a character of the text. */
  placeOf(at: number): number {
    return this.origin[at];
  }

  /** Takes a stretch of the text for a part. */
  claim(from: number, to: number, part: WordPart): void {
    for (let i = from; i < to; i++) this.parts[i] ??= part;
    this.rest = this.rest.slice(0, from) + '|'.repeat(to - from) + this.rest.slice(to);
  }

  /** The words and the marks between them; a word that was taken has its part. */
  tokens(): Token[] {
    return [...lower(this.text).matchAll(/(?<![\p{L}\p{N}])w\/(?=\s)|(?<=\s)-(?=\s)|#[0-9a-f]+|[\p{L}\p{N}\p{M}]+(?:['&.\u2010\u2011-][\p{L}\p{N}\p{M}]+)*|[,;:.!?()/|\u2013\u2014+&]/gu)].map((m) => ({
      // "W/" is "with"; a hyphen by itself stands between two parts.
      text: m[0] === 'w/' ? 'with' : m[0].replace(/[\u2010\u2011]/g, '-'),
      at: this.placeOf(m.index),
      figure: null,
      part: this.parts.slice(m.index, m.index + m[0].length).find((p) => p !== null) ?? null,
    })); // prettier-ignore
  }

  /** Keeps the first value of a part and notes what was dropped for it. */
  first<T extends string>(part: Settled['part'], kept: T | null, next: T): T {
    if (kept !== null && kept !== next) this.settled.push({ part, kept, dropped: next });
    return kept ?? next;
  }
}
