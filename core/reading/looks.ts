/** Rows read in several looks, and whether what was read is lettering at all. */
import { lettersOf, likeness, runOf, type AskedRun } from './spelling';
import type { Row } from './rows';
import { stripOf, type Strip, type StripLook, type StripSource } from './strip';

/** What recognition makes of a strip: its letters from left to right, spaces left out, with where they are in it in pixels and how sure they are, 0..1. */
export interface Recognised {
  readonly letters: readonly {
    readonly text: string;
    readonly confidence: number;
    readonly from: number;
    readonly to: number;
    /** Whether a word begins with it. */
    readonly begins: boolean;
  }[];
}

/** Reads one line, black on white; where it is `whole`, all of it is the line, and none of it is told from the rest first. */
export type Recognise = (strip: Pick<Strip, 'widthPx' | 'heightPx' | 'grey'>, isWhole: boolean) => Promise<Recognised>;

interface LookHow extends StripLook {
  readonly isWhole: boolean;
}

const PLAIN: LookHow = { isWhole: false, lettersPx: 44, stretch: 1, spread: 0, weight: null };
/** How a line is looked at, one after the other until it is sure. */
const LOOKS: readonly LookHow[] = [
  PLAIN,
  // Heavy letters are not told from blots; read small and whole, they are.
  { ...PLAIN, lettersPx: 24, isWhole: true },
  { ...PLAIN, spread: 0.18 },
  { ...PLAIN, stretch: 1.3, spread: 0.22, weight: 0.55 },
  { ...PLAIN, weight: 0.3 },
  { ...PLAIN, stretch: 1.45 },
];

/** One reading of a row. */
interface Look {
  readonly strip: Strip;
  readonly recognised: Recognised;
  readonly text: string;
  readonly letters: string;
  readonly confidence: number;
}

/** A row with what was made of it. */
export interface RowRead {
  readonly row: Row;
  /** The best of its readings. */
  readonly look: Look;
  /** How many of its readings say the same, and how many there are. */
  readonly agreeing: number;
  readonly looks: number;
  readonly run: AskedRun | null;
}

const textOf = ({ letters }: Recognised): string =>
  letters.map(({ text, begins }, k) => (begins && k > 0 ? ` ${text}` : text)).join('');

async function lookAt(
  source: StripSource,
  row: Row,
  turned: boolean,
  look: LookHow,
  recognise: Recognise,
): Promise<Look> {
  const strip = stripOf(source, row, turned, look);
  const recognised = await recognise(strip, look.isWhole);
  const own = recognised.letters.filter(({ text }) => lettersOf(text) !== '');
  const confidence = own.length ? own.reduce((sum, l) => sum + l.confidence, 0) / own.length : 0;
  const text = textOf(recognised);
  return { strip, recognised, text, letters: lettersOf(text), confidence };
}

/** Surer than this, twice the same, is not looked at again. */
export const SURE = 0.8;

/** Which ways round a row may be read, the likelier first. */
function waysOf({ course, from, to }: Row): boolean[] {
  if (course.kind === 'line') return Math.abs(Math.sin(course.angleRad)) < 0.8 ? [false] : [false, true];
  const up = -Math.sin((from + to) / 2 / course.radiusPx);
  return up > 0 ? [false, true] : [true, false];
}

/** Reads a row, in as many looks as it takes to be sure; the best of its readings. */
export async function readRow(
  source: StripSource,
  row: Row,
  words: readonly string[],
  recognise: Recognise,
): Promise<RowRead | null> {
  let best: RowRead | null = null;
  for (const turned of waysOf(row)) {
    const looks: Look[] = [];
    for (const [k, how] of LOOKS.entries()) {
      looks.push(await lookAt(source, row, turned, how, recognise));
      const top = bestOf(looks, words);
      if (top.run?.isSame && (top.look.letters.length > 2 || top.agreeing > 1)) return { ...top, row };
      // What says nothing after two looks seldom says anything after more.
      if (k === 1 && isHopeless(looks, top.run)) break;
      if (k > 0 && !words.length && top.agreeing > 1 && top.look.confidence > SURE) break;
    }
    const top: RowRead = { ...bestOf(looks, words), row };
    if (!best || worthOf(top) > worthOf(best)) best = top;
    if (worthOf(best) > 1.2) break;
  }
  return best;
}

/** Whether two looks say so different things, and none of what was asked, that more of them will not help. */
function isHopeless(looks: readonly Look[], run: AskedRun | null): boolean {
  if (!looks.some((l) => l.letters.length > 1)) return true;
  const [a, b] = looks;
  // One that says nothing says nothing against the other.
  if (a.letters.length < 2 || b.letters.length < 2) return a.letters.length + b.letters.length < 4;
  return likeness(a.letters, b.letters) < 0.5 && (run?.likeness ?? 0) < 0.45;
}

/** The reading that most of the others agree with, or that says what was asked. */
function bestOf(looks: readonly Look[], words: readonly string[]): Omit<RowRead, 'row'> {
  const scored = looks.map((look) => {
    const agreeing = looks.filter((l) => l.letters.toLowerCase() === look.letters.toLowerCase()).length;
    const run = words.length ? runOf(words, look.text) : null;
    return { look, agreeing, looks: looks.length, run };
  });
  return scored.reduce((p, q) => (worthOf(q) > worthOf(p) ? q : p));
}

const worthOf = ({ look, agreeing, looks, run }: Omit<RowRead, 'row'>): number =>
  look.letters.length < 2
    ? 0
    : look.confidence + 0.6 * (agreeing / looks) + (run?.isSame ? 3 : 0) + 0.5 * (run?.likeness ?? 0);

/** Letters that strokes, dots and rings in a row are taken for. */
const SHAPES = /^[il1ovwxmnucz0tjhs]+$/i;

/** Whether what was read of a row is lettering at all, and no row of windows. */
export function isLettering({ row, look, agreeing, looks, run }: RowRead, isWord: (word: string) => boolean): boolean {
  const { letters, confidence } = look;
  const kinds = new Set(letters.toLowerCase()).size;
  if (letters.length < 2 || kinds < 2) return false;
  const joined = row.parts.length < 3;
  if (run?.isSame) return !joined || letters.length > 2;
  if (letters.length < 3) return false;
  if (run && run.likeness >= (joined || letters.length < 4 ? 0.6 : 0.5)) return true;
  // A letter is seldom in more than two parts, and several letters seldom in one.
  const big = row.parts.length;
  if (letters.length < 0.6 * big || (!joined && letters.length > 2 * big + 2)) return false;
  const words = look.text
    .split(/\s+/)
    .map(lettersOf)
    .filter((w) => w !== '');
  if (letters.length < 2.5 * words.length) return false;
  // Bars, dots and rings are taken for some letters, and for figures.
  if (!/\p{L}{2}/u.test(look.text) || (SHAPES.test(letters) && letters.length < 6)) return false;
  const isKnown = words.some((w) => w.length > 3 && isWord(w));
  if (isKnown && confidence > (joined ? 0.85 : 0.6) && agreeing > 1) return true;
  return !joined && confidence > 0.7 && agreeing > 1 && agreeing / looks >= 0.5 && letters.length >= 4;
}

/** Whether a line that is none of what was asked for is surely there, beside lines that are all of it. */
export const isSure = ({ look, agreeing, looks }: RowRead): boolean =>
  look.confidence > 0.85 && agreeing / looks >= 0.6 && look.letters.length >= 4;
