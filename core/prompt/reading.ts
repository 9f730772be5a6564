import { type Settled } from './words';

/** A prompt while it is being read: what of it nobody has taken yet, and what was decided between contradictions. */
export class Reading {
  readonly lettering: string[] = [];
  readonly settled: Settled[] = [];
  /** A letter is asked for as the mark itself. */
  readonly single: boolean;
  /** What is left of the text. */
  rest: string;

  constructor(text: string) {
    const { lettering } = this;
    let single = false;
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
        /\b([Ll]etters?|[Ii]nitials?|[Mm]onogram|[Nn]umber)(?: of)?\s+((?:[A-Z]|\d)(?:(?:\s?|\s*(?:and|,|&)\s*)[A-Z&]){0,3})(?![\w'])/g,
        (_, word: string, letters: string) => {
          lettering.push(letters.replace(/\band\b|[\s,]/g, ''));
          single = true;
          return ` ${word} `;
        },
      );
    this.rest =
      ' ' +
      tidy
        .toLowerCase()
        .replace(
          /\b(?:coming|climbing|growing|rising|peeking|emerging|jumping|leaping|flying) out of\b|\b(?:emerging|hatching|growing|rising|hanging|leaving|jumping) from\b/g,
          'coming-out-of',
        )
        .replace(/\b(?:made (?:up )?of|made (?:out of|from)|built (?:of|from)|composed of)\b/g, 'made-of')
        .replace(/\b(?:in the (?:manner|style|shape|form) of|shaped like|formed (?:by|like))\b/g, 'in-the-manner-of')
        .replace(/\bcoffee (?=(?:cup|mug|bean|pot|shop|house|machine|maker)s?\b)/g, '')
        // Parts of what was named before say only where: "on its nose", "as its shell", "whose lens is".
        .replace(/\b(?:as|on|in|at|for) (?:its|his|her|their) [a-z]+/g, ' ')
        .replace(/\bwhose [a-z]+ (?:is|are)\b/g, 'with')
        // Of portions the thing itself is meant.
        .replace(/\b(?:slice|loa(?:f|ves)|bolt|piece|bunch|sprig|pile|stack|handful|drop)s? of\b/g, ' ')
        .replace(/\ba pair of\b|\btwin\b/g, 'two')
        .replace(/\ba dozen\b/g, 'twelve')
        .replace(/([a-z])'s\b/g, '$1')
        .replace(/\bon top of\b/g, 'on')
        .replace(/\bin front of\b/g, 'over')
        .replace(/\bnext to\b|\bbeside\b/g, 'with') +
      ' ';
    this.single = single;
  }

  /** Takes all matches out of the text, leaving a mark, so that neighbours do not run together. */
  take(pattern: RegExp, use: (match: RegExpExecArray) => void): void {
    const found = [...this.rest.matchAll(new RegExp(pattern.source, 'g'))];
    found.forEach((m) => use(m));
    this.rest = this.rest.replace(new RegExp(pattern.source, 'g'), ' | ');
  }

  /** Keeps the first value of a part and notes what was dropped for it. */
  first<T extends string>(part: Settled['part'], kept: T | null, next: T): T {
    if (kept !== null && kept !== next) this.settled.push({ part, kept, dropped: next });
    return kept ?? next;
  }
}
