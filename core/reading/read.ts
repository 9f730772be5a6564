/** Lettering found in a picture, read, and held against what was asked for. */
import type { Box, Picture } from '../raster';
import { tellApart } from '../trace';
import { hullOf, middleOf, partsOf, type Part } from './parts';
import { findRows, type Row } from './rows';
import { lettersOf, likeness, runOf, wordsOf, type AskedRun } from './spelling';
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

export interface FoundWord {
  readonly text: string;
  /** 0..1 */
  readonly confidence: number;
  /** Left, top, width and height of its upright box, in pixels. */
  readonly box: Box;
  readonly onArc: boolean;
}

/** A line of lettering as it stands in the picture. */
export interface FoundLine {
  readonly words: readonly FoundWord[];
  /** Around its letters, closely, as path data in pixels: what is mended to be rid of it. */
  readonly outline: string;
  /** What it should say, or null where it is none of what was asked for. */
  readonly asked: string | null;
  readonly isRight: boolean;
}

export type Verdict = 'none' | 'right' | 'wrong';

export interface Lettering {
  readonly lines: readonly FoundLine[];
  readonly verdict: Verdict;
}

export interface ReadOptions {
  readonly recognise: Recognise;
  /** What the lettering should say; null where nothing is known of that. */
  readonly asked?: string | null;
  /** Whether something is a word of the language. */
  readonly isWord: (word: string) => boolean;
}

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
interface RowRead {
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
  // prettier-ignore
  const strip = stripOf(source, row, turned, look);
  const recognised = await recognise(strip, look.isWhole);
  const own = recognised.letters.filter(({ text }) => lettersOf(text) !== '');
  const confidence = own.length ? own.reduce((sum, l) => sum + l.confidence, 0) / own.length : 0;
  const text = textOf(recognised);
  return { strip, recognised, text, letters: lettersOf(text), confidence };
}

/** Surer than this, twice the same, is not looked at again. */
const SURE = 0.8;

/** Which ways round a row may be read: 1 where its letters stand as they should. */
function waysOf({ course, from, to }: Row): boolean[] {
  if (course.kind === 'line') return Math.abs(Math.sin(course.angleRad)) < 0.8 ? [false] : [false, true];
  const up = -Math.sin((from + to) / 2 / course.radiusPx);
  return up > 0 ? [false, true] : [true, false];
}

async function readRow(source: StripSource, row: Row, { recognise, asked }: ReadOptions): Promise<RowRead | null> {
  const words = asked ? wordsOf(asked) : [];
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
function isLettering({ row, look, agreeing, looks, run }: RowRead, isWord: ReadOptions['isWord']): boolean {
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
const isSure = ({ look, agreeing, looks }: RowRead): boolean =>
  look.confidence > 0.85 && agreeing / looks >= 0.6 && look.letters.length >= 4;

/** Whether letters lie in a row's parts. */
const holdsAny = ({ parts }: Row, letters: readonly Part[]): boolean =>
  letters.some((t) => {
    const [x, y] = middleOf(t);
    return parts.some((p) => x > p.x0 && x < p.x1 && y > p.y0 && y < p.y1);
  });

/** A reading's words, with the parts of the picture that are each of them. */
function wordsIn({ look, row, run }: RowRead, words: readonly string[]): FoundWord[] {
  const { strip, recognised } = look;
  const own = recognised.letters.filter(({ text }) => lettersOf(text) !== '');
  // Where it says what was asked, words begin where they were asked to.
  const starts = new Set<number>();
  if (run?.isSame) {
    let at = 0;
    for (const word of words.slice(run.from, run.to)) {
      starts.add(at);
      at += lettersOf(word).length;
    }
  }
  const groups: { text: string; confidence: number; from: number; to: number; count: number }[] = [];
  let passed = 0;
  for (const [k, letter] of recognised.letters.entries()) {
    const isOwn = own.includes(letter);
    const begins = run?.isSame ? isOwn && starts.has(passed) : k > 0 && letter.begins;
    if (isOwn) passed += lettersOf(letter.text).length;
    const last = groups[groups.length - 1];
    if (!last || begins) groups.push({ ...letter, count: 1 });
    else {
      last.text += letter.text;
      last.confidence += letter.confidence;
      last.count++;
      last.to = Math.max(last.to, letter.to);
    }
  }
  const real = groups.filter((g) => lettersOf(g.text) !== '');
  const boxes = real.map(() => [Infinity, Infinity, -Infinity, -Infinity]);
  for (const { part, from, to } of strip.parts) {
    const mid = (from + to) / 2;
    const k = real.reduce((p, g, q) => (distance(g, mid) < distance(real[p], mid) ? q : p), 0);
    if (real.length) grow(boxes[k], part);
  }
  return real.flatMap((g, k) => {
    const [x0, y0, x1, y1] = boxes[k];
    const text = g.text.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, '');
    return x1 > x0
      ? [{ text, confidence: Math.round((100 * g.confidence) / g.count) / 100, box: [x0, y0, x1 - x0, y1 - y0] as const, onArc: row.course.kind === 'arc' }] // prettier-ignore
      : [];
  });
}

/** A letter in several parts, as where its hairlines are too thin to be seen as parts, is no wider than so many of its heights. */
const LETTER_WIDE = 1.5;

/** Around the letters of a strip, each with all its parts and what lies between them. */
function outlineOf({ parts, heightPx }: Strip): string {
  const groups: { parts: Part[]; from: number; to: number }[] = [];
  for (const { part, from, to } of parts) {
    const last = groups[groups.length - 1];
    if (last && from < last.to && Math.max(to, last.to) - last.from < LETTER_WIDE * heightPx) {
      last.parts.push(part);
      last.to = Math.max(to, last.to);
    } else groups.push({ parts: [part], from, to });
  }
  return groups.map((g) => hullOf(g.parts)).join('');
}

const distance = ({ from, to }: { from: number; to: number }, at: number): number =>
  at < from ? from - at : at > to ? at - to : 0;

function grow(box: number[], { x0, y0, x1, y1 }: Part): void {
  box[0] = Math.min(box[0], x0);
  box[1] = Math.min(box[1], y0);
  box[2] = Math.max(box[2], x1);
  box[3] = Math.max(box[3], y1);
}

/**
 * Finds and reads the lettering of a picture: rows of parts of like height, straight and on arcs, each laid straight and read in several
 * ways. With `asked` a line is right where it says a run of those words; without, it is wrong where it is no word and was read with doubt.
 */
export async function readLettering(picture: Picture, options: ReadOptions): Promise<Lettering> {
  const { asked = null, isWord } = options;
  const apart = tellApart(picture, 'auto', { gradients: true });
  const parts = partsOf(apart);
  const source: StripSource = { picture, apart, parts };
  const words = asked ? wordsOf(asked) : [];
  const read: RowRead[] = [];
  let unread = 0;
  for (const row of findRows(parts.parts, picture.widthPx, picture.heightPx)) {
    const one = await readRow(source, row, options);
    if (one && isLettering(one, isWord)) read.push(one);
    else if (one && one.look.letters.length > 2) unread++;
  }
  // A banner with letters cut out of it reads as they do.
  const letters = read.filter((one) => one.row.parts.length > 2).flatMap((one) => one.row.parts);
  const own = read.filter((one) => one.row.parts.length > 2 || !holdsAny(one.row, letters));
  const said = new Set<number>();
  for (const { run } of own) if (run?.isSame) for (let k = run.from; k < run.to; k++) said.add(k);
  const isSaid = words.length > 0 && said.size === words.length;
  const sure = own.filter((one) => !isSaid || one.run?.isSame || (isSure(one) && (one.run?.likeness ?? 0) < 0.5));
  const lines = sure.flatMap((one): FoundLine[] => {
    const found = wordsIn(one, words);
    if (!found.length) return [];
    const { run } = one;
    const isLike = run !== null && run.likeness >= 0.4;
    const isRight = words.length
      ? run!.isSame
      : found.every((w) => isWord(lettersOf(w.text)) || w.confidence > SURE || one.agreeing / one.looks > 0.7);
    return [
      {
        words: found,
        outline: outlineOf(one.look.strip),
        asked: isLike ? words.slice(run.from, run.to).join(' ') : null,
        isRight,
      },
    ];
  });
  if (!lines.length) return { lines, verdict: 'none' };
  const isAll = !words.length || unread > 0 || isSaid;
  return { lines, verdict: lines.every((l) => l.isRight) && isAll ? 'right' : 'wrong' };
}
