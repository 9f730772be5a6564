/** A place among the words of a prompt, and what one sees from there. */
import { gerundOf, nounKind } from './classes';
import { FILLERS, PLACES } from './manner';
import { phraseAt } from './relations';
import type { Token, WordPart } from './reading';

export const POSSESSIVES = /^(?:its|his|her|their)$/;

/** Which of a thing's places. */
export const SIDES = /^(?:upper|lower|left|right|inner|outer|top|bottom)$/;

/** A part of somebody or something that is named as where another is. */
export interface Place {
  /** The place after its last word. */
  readonly to: number;
  readonly word: string;
}

export class Cursor {
  protected i = 0;
  /** Where the part between two commas ends. */
  protected end = 0;
  /** Where it begins. */
  protected start = 0;

  constructor(protected readonly tokens: readonly Token[]) {}

  protected word(at: number): string {
    return at < this.end && this.tokens[at].part === null ? this.tokens[at].text : '';
  }

  protected mark(from: number, to: number, part: WordPart): void {
    for (let k = from; k < to; k++) this.tokens[k].part ??= part;
  }

  protected step(part: WordPart, count = 1): true {
    this.mark(this.i, this.i + count, part);
    this.i += count;
    return true;
  }

  protected openWords(at: number): string[] {
    const out: string[] = [];
    for (let k = at; k < this.end && out.length < 6 && this.tokens[k].part === null; k++) out.push(this.tokens[k].text);
    return out;
  }

  /** A place named here, with or without whose it is: "its nose". */
  protected placeAt(at: number): Place | null {
    let k = at;
    const isIts = POSSESSIVES.test(this.word(k));
    if (isIts || /^(?:an?|the)$/.test(this.word(k))) k++;
    if (SIDES.test(this.word(k)) && PLACES.has(this.word(k + 1))) k++;
    while (this.word(k) && !nounKind(this.word(k)) && this.word(k + 1)) k++;
    // "Its sound hole": the last of two nouns.
    if (isIts && nounKind(this.word(k)) && !PLACES.has(this.word(k)) && !gerundOf(this.word(k + 1)) && this.nounFollows(k + 1) && !this.nounFollows(k + 2)) k++; // prettier-ignore
    // "Eye sockets".
    if (PLACES.has(this.word(k)) && PLACES.has(this.word(k + 1))) k++;
    const word = this.word(k);
    if (!word || (isIts ? !nounKind(word) : !PLACES.has(word) && nounKind(word) !== 'body')) return null;
    return { to: k + 1, word };
  }

  protected nounFollows(at: number): boolean {
    const word = this.word(at);
    return word !== '' && nounKind(word) !== null && phraseAt([word]) === null && !FILLERS.has(word);
  }
}
