import { bareFigure, readFigures, withColours } from './figures';
import { readLetterStyle } from './letter-style';
import { readManner } from './manner';
import {
  Detail,
  readColourCount,
  readColours,
  readDetail,
  readExclusions,
  readFinish,
  readGradient,
  readGrid,
  readGround,
  readKind,
  readMood,
  readShape,
  readTrade,
} from './parts';
import { Reading } from './reading';
import { type PromptFigure, ALSO_THINGS, type Lexicon, type PromptParts } from './words';

const wantsLetters = (leftOut: readonly string[]): boolean =>
  !leftOut.some((o) => /^(?:text|letters?|lettering|words?|type)$/.test(o));

/** What a prompt wants its lettering to say; empty where it wants none. */
export function letteringAsked(text: string, leaveOut = ''): string {
  const reading = new Reading(text);
  const { out } = readExclusions(reading, new Detail(reading.settled), leaveOut);
  return wantsLetters(out) ? reading.lettering.join(' ') : '';
}

/** Manners that are drawn as lines, where no finish says otherwise, and the finish of each. */
const LINES: readonly (readonly [string, string])[] = [
  ['one continuous line', 'single line'],
  ['one line weight', 'outline'],
  ['lines only', 'outline'],
];

/**
 * Reads a prompt into its parts; every word is accounted for. Never throws: a text with nothing in it gives parts with nothing in them, and words that are
 * not understood are listed. `leaveOut` is the field beside the prompt; what the prompt itself excludes is added to it.
 */
export function readPrompt(text: string, lexicon: Lexicon, leaveOut = ''): PromptParts {
  // Each part takes its words out of the text, so that what is left are sentences about figures: the order matters.
  const reading = new Reading(text);
  const detail = new Detail(reading.settled);
  const { out, noShading } = readExclusions(reading, detail, leaveOut);
  const letterStyle = readLetterStyle(reading);
  const ground = readGround(reading);
  const gradient = readGradient(reading);
  const counted = readColourCount(reading);
  const grid = readGrid(reading);
  const shape = readShape(reading);
  // "Line icon": before the kind takes its word.
  let isLine = false;
  reading.take(
    /\bline(?:[- ]art)?(?= (?:icon|logo|mark|symbol|emblem|style|drawing)s?\b)/,
    'finish',
    () => (isLine = true),
  );
  const named = readKind(reading);
  readTrade(reading, named);
  const { finish: finishNamed, flat, thing } = readFinish(reading, lexicon);
  let finish = finishNamed;
  const manner = readManner(reading);
  // Poses and faces are of somebody.
  const kind = named ?? (manner.includes('poses') || manner.includes('faces') ? 'mascot' : null);
  readDetail(reading, detail);
  const mood = readMood(reading, lexicon);
  const { colours, placed, colourCount } = readColours(reading, counted, kind, lexicon);
  const tokens = reading.tokens();
  // "Red and white flowers": the word between two colours joins no figures.
  for (const [i, t] of tokens.entries()) if (t.part === null && t.text === 'and' && tokens[i - 1]?.part === 'colour' && tokens[i + 1]?.part === 'colour') t.part = 'filler'; // prettier-ignore
  const found = readFigures(reading, tokens, out, lexicon, kind);
  const said = reading.besideName;
  const standing = said === null ? found.figures : found.figures.map((f, i) => (i === found.figures.length - 1 && f.to === null ? { ...f, modifiers: [...f.modifiers, said] } : f)); // prettier-ignore
  const asLetter = reading.isLetter && standing.length === 1 ? standing.map((f): PromptFigure => ({ ...f, relation: 'as' })) : standing; // prettier-ignore
  const figures = withColours(asLetter, tokens, placed);
  // "Salmon", "pencil": a word for a colour or a finish that is the only thing there is means the thing.
  if (!figures.length && !reading.lettering.length && !reading.settled.some((s) => s.part === 'figure')) {
    const at = colours.findIndex((c) => ALSO_THINGS.has(c.word) && lexicon.findFigure(c.word));
    if (at >= 0) figures.push(bareFigure(lexicon.findFigure(colours.splice(at, 1)[0].word)!));
    else if (thing) {
      figures.push(bareFigure(lexicon.findFigure(thing)!));
      finish = null;
    }
  }
  return {
    figures,
    kind,
    role: found.role,
    finish: finish ?? (isLine ? 'outline' : null) ?? LINES.find(([m]) => manner.includes(m))?.[1] ?? null,
    detail: detail.value,
    colours,
    colourCount,
    ground,
    gradient,
    mood,
    noShading: noShading || flat,
    shape,
    lettering: wantsLetters(out) ? reading.lettering : [],
    letterAt: reading.letterAt,
    letterStyle,
    leaveOut: out,
    ...grid,
    manner: [...manner, ...found.manner],
    settings: found.settings,
    notUnderstood: found.notUnderstood,
    words: tokens
      .filter((t) => /[\p{L}\p{N}]/u.test(t.text))
      .map(({ text: word, part, at, figure }) => ({ word, part: part ?? 'not understood', at, figure })),
    settled: reading.settled,
  };
}
