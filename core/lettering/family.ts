/** A family at one weight: faces of parts of its characters, as files have them, that set text together. */
import bidiFactory from 'bidi-js';
import type { Face } from './face';

/** Text of one face, script and direction. */
export interface TextRun {
  readonly from: number;
  readonly to: number;
  readonly face: Face;
  readonly script: string;
  readonly isRightToLeft: boolean;
}

const SCRIPTS = ['Latn', 'Grek', 'Cyrl', 'Arab', 'Hebr', 'Deva', 'Thai', 'Hira', 'Kana', 'Hani', 'Hang', 'Beng', 'Taml', 'Armn', 'Geor'] as const; // prettier-ignore
const NAMES: Readonly<Record<string, string>> = {
  Latn: 'Latin', Grek: 'Greek', Cyrl: 'Cyrillic', Arab: 'Arabic', Hebr: 'Hebrew', Deva: 'Devanagari', Thai: 'Thai', Hira: 'Hiragana', Kana: 'Katakana', Hani: 'Han', Hang: 'Hangul', Beng: 'Bengali', Taml: 'Tamil', Armn: 'Armenian', Geor: 'Georgian',
}; // prettier-ignore
const TESTS = SCRIPTS.map((s) => [s, new RegExp(`\\p{Script=${NAMES[s]}}`, 'u')] as const);
/** Scripts whose letters join, and are never parted by tracking. */
export const JOINED: ReadonlySet<string> = new Set(['Arab']);

/** The script of a character; null for those that all share. */
const scriptOf = (character: string): string | null => TESTS.find(([, is]) => is.test(character))?.[0] ?? null;

const bidi = bidiFactory();

/** Characters that are not seen, and need no glyph. */
const UNSEEN = /[\p{Cc}\p{Cf}\p{Variation_Selector}\u00ad]/u;

/** Characters that stand in for others where a face does not have them. */
const INSTEAD: Readonly<Record<string, string>> = { '\u00a0': ' ', '\u2011': '-', '\u2019': "'" };

export class Family {
  /** The first face is the one that text is rather set with; at least one. */
  constructor(readonly faces: readonly Face[]) {
    if (!faces.length) throw new RangeError('a family has at least one face');
  }

  get main(): Face {
    return this.faces[0];
  }

  private faceFor(character: string, before: Face): Face | null {
    const code = character.codePointAt(0)!;
    if (UNSEEN.test(character) || before.has(code)) return before;
    return this.faces.find((f) => f.has(code)) ?? null;
  }

  /** Characters of a text that none of its faces has, each once. */
  missing(text: string): string[] {
    return [...new Set(text)].filter((c) => c !== '\n' && !this.faceFor(c, this.main));
  }

  /** A line with what it has in place of what it has not: a plain apostrophe, a plain space. */
  plain(text: string): string {
    return [...text].map((c) => (!this.faceFor(c, this.main) && INSTEAD[c] ? INSTEAD[c] : c)).join('');
  }

  /** A line of text as runs from left to right, each of one face, script and direction. What no face has is set with the first, as its sign for that. */
  runs(text: string): TextRun[] {
    if (!text) return [];
    const found = bidi.getEmbeddingLevels(text, 'auto');
    const { levels } = found;
    const logical: (TextRun & { level: number })[] = [];
    let script = 'Latn';
    // Signs before the first letter are of its script.
    for (const c of text) {
      const own = scriptOf(c);
      if (own) {
        script = own;
        break;
      }
    }
    let face = this.main;
    let at = 0;
    for (const c of text) {
      script = scriptOf(c) ?? script;
      face = this.faceFor(c, face) ?? this.main;
      const level = levels[at];
      const last = logical[logical.length - 1];
      const isMark = /\p{M}/u.test(c);
      if (last && (isMark || (last.level === level && last.face === face && last.script === script)))
        logical[logical.length - 1] = { ...last, to: at + c.length };
      else logical.push({ from: at, to: at + c.length, face, script, isRightToLeft: level % 2 === 1, level });
      at += c.length;
    }
    // From left to right as they are seen (Unicode Bidirectional Algorithm, rule L2).
    const highest = Math.max(...logical.map((r) => r.level));
    for (let level = highest; level > 0; level--)
      for (let k = 0; k < logical.length; k++) {
        if (logical[k].level < level) continue;
        let end = k;
        while (end + 1 < logical.length && logical[end + 1].level >= level) end++;
        logical.splice(k, end - k + 1, ...logical.slice(k, end + 1).reverse());
        k = end;
      }
    return logical;
  }
}
