import { addColourFigures, readFigures, settledFigures } from './figures';
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
  readListed,
  readMood,
  readShape,
} from './parts';
import { Reading } from './reading';
import { type Lexicon, type PromptParts } from './words';

const wantsLetters = (leftOut: readonly string[]): boolean =>
  !leftOut.some((o) => /^(?:text|letters?|lettering|words?|type)$/.test(o));

/** What a prompt wants its lettering to say; empty where it wants none. */
export function letteringAsked(text: string, leaveOut = ''): string {
  const reading = new Reading(text);
  const { out } = readExclusions(reading, new Detail(reading.settled), leaveOut);
  return wantsLetters(out) ? reading.lettering.join(' ') : '';
}

/**
 * Reads a prompt into its parts. Never throws: a text with nothing in it gives parts with nothing in them, and words that are
 * not understood are listed. `leaveOut` is the field beside the prompt; what the prompt itself excludes is added to it.
 */
export function readPrompt(text: string, lexicon: Lexicon, leaveOut = ''): PromptParts {
  // Each part takes its words out of the text, so that what is left are figures: the order matters.
  const reading = new Reading(text);
  const detail = new Detail(reading.settled);
  const { out, noShading } = readExclusions(reading, detail, leaveOut);
  const ground = readGround(reading);
  const gradient = readGradient(reading);
  const counted = readColourCount(reading);
  const grid = readGrid(reading);
  const kind = readKind(reading);
  const { finish, flat } = readFinish(reading, lexicon);
  const shape = readShape(reading);
  readDetail(reading, detail);
  const mood = readMood(reading, lexicon);
  const listed = readListed(reading, kind);
  const { colours, colourCount } = readColours(reading, counted);
  const found = readFigures(reading, lexicon, kind);
  addColourFigures(found, listed, colours, lexicon, reading.lettering);
  return {
    figures: settledFigures(reading, found, out, lexicon, kind),
    kind,
    role: found.role,
    finish,
    detail: detail.value,
    colours,
    colourCount,
    ground,
    gradient,
    mood,
    noShading: noShading || flat,
    shape,
    lettering: wantsLetters(out) ? reading.lettering : [],
    leaveOut: out,
    ...grid,
    notUnderstood: found.notUnderstood,
    settled: reading.settled,
  };
}
