/** Lettering found in a picture, read, and held against what was asked for. */
import type { Box, Picture } from '../raster';
import { tellApart } from '../trace';
import { isLettering, isSure, readRow, SURE, type Recognise, type RowRead } from './looks';
import { hullOf, middleOf, partsOf, type Part } from './parts';
import { findRows, type Row } from './rows';
import { lettersOf, wordsOf } from './spelling';
import type { Strip, StripSource } from './strip';

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
    const one = await readRow(source, row, words, options.recognise);
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
