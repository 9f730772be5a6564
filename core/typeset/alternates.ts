/** What a face has beside its plain letters, shown with a text. */
import { glyphContours, inkBox, setText, type Family } from '../lettering';
import { formatPath } from '../path';

export interface Alternate {
  readonly tag: string;
  readonly words: string;
  /** It is on unless it is turned off. */
  readonly isOn: boolean;
  /** The text with it the other way round: path data with its box. */
  readonly d: string;
  readonly box: readonly [number, number, number, number];
}

/** Features that a designer chooses by looks, in the words of the trade. */
const WORDS: Readonly<Record<string, string>> = { liga: 'ligatures', dlig: 'rare ligatures', hlig: 'historical ligatures', salt: 'other forms', swsh: 'swashes', cswh: 'swashes in context', titl: 'titling capitals', calt: 'forms in context', lnum: 'figures as high as capitals', onum: 'figures with tails', tnum: 'figures of one width', pnum: 'figures each of its width', zero: 'zero with a stroke', frac: 'fractions', ordn: 'ordinals', case: 'signs for capitals', unic: 'capitals and small letters of one height', ss01: 'set 1', ss02: 'set 2', ss03: 'set 3', ss04: 'set 4', ss05: 'set 5', ss06: 'set 6', ss07: 'set 7', ss08: 'set 8', ss09: 'set 9', ss10: 'set 10', ss11: 'set 11', ss12: 'set 12' }; // prettier-ignore
const ON: ReadonlySet<string> = new Set(['liga', 'calt']);
const SIZE_PX = 100;

/** Those of its features that change how a text looks. */
export function alternatesOf(family: Family, text: string): Alternate[] {
  const set = (features: Record<string, number>) =>
    setText(family.plain(text), family, { sizePx: SIZE_PX, features }).lines.flatMap((l) => l.glyphs);
  const told = (glyphs: ReturnType<typeof set>): string => glyphs.map((g) => `${g.id} ${g.x.toFixed(2)}`).join();
  const plain = told(set({}));
  const tags = family.main.features.filter((t) => WORDS[t]);
  return tags.flatMap((tag) => {
    const isOn = ON.has(tag);
    const glyphs = set({ [tag]: isOn ? 0 : 1 });
    const box = told(glyphs) === plain ? null : inkBox(glyphs);
    return box ? [{ tag, words: WORDS[tag], isOn, d: formatPath(glyphs.flatMap(glyphContours), 1), box: [box.x, box.y, box.width, box.height] as const }] : []; // prettier-ignore
  });
}
