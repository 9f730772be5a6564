/** What an app is, from its description and screenshots: what it does, the colours it wears, and prompts for its icon. Rules and word lists. */
import { hexToOklab, oklabDistance } from '../colour';
import { gerundOf, isKnownWord, nounKind, presentOf, singulars } from '../prompt';
import { shrinkToFit, type Picture } from '../raster';
import { paletteOf } from '../retouch';
import { tellApart } from '../trace';
import { withArticle } from '../wording';
import type { Direction } from './prompts';
import { ACTS } from './symbols';

/** A word of a description, and how much it counts for: 1 for the one that counts most. */
export interface Weighed {
  readonly word: string;
  readonly weight: number;
}

export interface AppLook {
  /** Colours by how much of the screens they cover, the most first; paper and ink are not among them. */
  readonly colours: readonly { readonly hex: string; readonly share: number }[];
  /** Whether areas of one colour go over into one another. */
  readonly isShaded: boolean;
}

export interface AppRead {
  /** Things it is about, and things it does, the weightiest first. */
  readonly things: readonly Weighed[];
  readonly acts: readonly Weighed[];
  readonly look: AppLook | null;
  readonly directions: readonly Direction[];
}

/** Words that every description of an app has, which say nothing of this one. */
const OF_ANY_APP = new Set('app apps application user users screen screens button phone phones mobile device devices account accounts feature features platform software tool tools thing things way ways people person everyone world life time times day days week weeks month year years place places home start end top part kind sort bit lot set list page pages version support team work free use uses make makes help helps get gets let lets want need needs take takes give gives go goes come do does have has keep keeps see sees know knows try turn turns put puts show shows add adds left shopping everything something'.split(' ')); // prettier-ignore
/** What stands for a thing: no acts, states or persons. */
const CONCRETE = new Set(['animal', 'plant', 'food', 'body', 'artifact', 'garment', 'object']);

/** Words by weight: how often each is said, the first sentence three times as much as what comes after it. */
function weighed(words: readonly (readonly [string, number])[]): Weighed[] {
  const sums = new Map<string, number>();
  for (const [word, by] of words) sums.set(word, (sums.get(word) ?? 0) + by);
  const all = [...sums].sort((p, q) => q[1] - p[1]);
  return all.slice(0, 8).map(([word, sum]) => ({ word, weight: sum / all[0][1] }));
}

const singular = (word: string): string => singulars(word).slice(1).find((form) => nounKind(form) !== null && isKnownWord(form)) ?? word; // prettier-ignore

function wordsOf(description: string): { things: Weighed[]; acts: Weighed[] } {
  const things: [string, number][] = [];
  const acts: [string, number][] = [];
  description
    .toLowerCase()
    .split(/[.!?\n]+/)
    .filter((s) => s.trim())
    .forEach((sentence, k) => {
      const by = k === 0 ? 3 : 1;
      const words = sentence.match(/[a-z][a-z'-]*/g) ?? [];
      words.forEach((word, i) => {
        if (OF_ANY_APP.has(word)) return;
        const verb = gerundOf(word) ?? presentOf(word);
        const before = words[i - 1] ?? '';
        const isNamed = /^(?:a|an|the|your|my|our|their|his|her|its|of|every|each)$/.test(before);
        const isAct =
          verb !== null && !isNamed && (before === 'to' || Object.hasOwn(ACTS, verb) || nounKind(word) === null);
        if (isAct && !OF_ANY_APP.has(verb)) acts.push([verb, by]);
        else if (CONCRETE.has(nounKind(word) ?? '') && !/ing$/.test(word)) things.push([singular(word), by]);
      });
    });
  return { things: weighed(things), acts: weighed(acts) };
}

/** Side in pixels that screens are looked at in. */
const SIDE_PX = 120;
/** Least chroma of a colour that is worn, and OKLab distance of two that are told apart over several screens. */
const [LEAST_CHROMA, APART] = [0.035, 0.09];
/** Share of the screens that gradients cover where an app is shaded. */
const SHADED = 0.2;

/** The colours that screens show, and whether they are shaded. Null for none. */
export function lookOf(screens: readonly Picture[]): AppLook | null {
  if (!screens.length) return null;
  const colours: { hex: string; share: number }[] = [];
  let shaded = 0;
  for (const screen of screens) {
    const apart = tellApart(shrinkToFit(screen, SIDE_PX), 'auto', { gradients: true });
    for (const { hex, share } of paletteOf(apart)) {
      if (apart.inks.some((ink) => ink.hex === hex && ink.gradient)) shaded += share / screens.length;
      const lab = hexToOklab(hex);
      if (Math.hypot(lab.a, lab.b) < LEAST_CHROMA) continue;
      const near = colours.find((c) => oklabDistance(hexToOklab(c.hex), lab) < APART);
      if (near) near.share += share / screens.length;
      else colours.push({ hex, share: share / screens.length });
    }
  }
  colours.sort((p, q) => q.share - p.share);
  return { colours: colours.filter((c) => c.share > 0.004).slice(0, 4), isShaded: shaded > SHADED };
}

/** What an app is by its description and what its screens show, and three prompts for its icon. */
export function readApp(description: string, screens: readonly Picture[] = []): AppRead {
  const { things, acts } = wordsOf(description);
  const look = lookOf(screens);
  const by = acts.flatMap(({ word }) => (Object.hasOwn(ACTS, word) ? [{ word, thing: ACTS[word] }] : []));
  const [first, second] = [things[0]?.word, things[1]?.word];
  const act = by.find((a) => a.thing !== first) ?? null;
  const ending = ['app icon', look ? (look.isShaded ? 'soft shading' : 'flat') : '', (look?.colours ?? []).slice(0, 3).map((c) => c.hex).join(' and ')].filter(Boolean).join(', '); // prettier-ignore
  const told = (word: string): string => `${word}: ${things.find((t) => t.word === word)?.weight === 1 ? 'said most' : 'said often'}`; // prettier-ignore
  const directions: Direction[] = [];
  const add = (title: string, figures: string, reasons: string[]): void => {
    if (!directions.some((d) => d.prompt.startsWith(`${figures},`)))
      directions.push({ title, prompt: `${figures}, ${ending}`, leaveOut: 'text', reasons });
  };
  if (first) add('what it is about', withArticle(first), [told(first)]);
  if (act) add('what one does with it', withArticle(act.thing), [`${act.thing}: stands for “${act.word}”`]);
  if (first && act) add('the two in one', `${withArticle(first)} inside ${withArticle(act.thing)}`, [told(first), `${act.thing}: stands for “${act.word}”`]); // prettier-ignore
  if (first && second && directions.length < 3) add('two of its things', `${withArticle(first)} and ${withArticle(second)}`, [told(first), told(second)]); // prettier-ignore
  return { things, acts, look, directions };
}
