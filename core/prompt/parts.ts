/** The parts of a prompt but its figures, each taking its words out of the text. */
import { type Reading } from './reading';
import {
  ALSO_THINGS,
  ANY_COLOUR,
  COUNT,
  countOf,
  escape,
  type Kind,
  KIND_WORDS,
  type Lexicon,
  type NamedColour,
  namedColour,
  type Settled,
  type Shape,
  SHAPE_WORDS,
  splitList,
} from './words';

/** How much detail is asked for, 0..100, as several words may say it: the first counts, and one that says otherwise is told of. */
export class Detail {
  value: number | null = null;
  constructor(private readonly settled: Settled[]) {}

  set(value: number, word: string): void {
    if (this.value !== null && Math.abs(this.value - value) > 30)
      this.settled.push({ part: 'detail', kept: this.value < 50 ? 'few details' : 'many details', dropped: word });
    else this.value ??= value;
  }
}

/** What is to be left out, and whether shading is among it. */
export function readExclusions(
  reading: Reading,
  detail: Detail,
  leaveOut: string,
): { out: string[]; noShading: boolean } {
  let noShading = false;
  reading.take(
    /\b(?:no|without) (?:any )?(?:shad(?:ing|es?|ows?)|gradients?)\b(?: (?:and|or) (?:gradients?|shad(?:ing|ows?)))?/,
    () => (noShading = true),
  );
  reading.take(/\bno (?:fine )?details?\b/, () => detail.set(0, 'no detail'));

  const out = splitList(leaveOut);
  if (out.some((o) => /^(?:shad|gradient)/.test(o))) noShading = true;
  reading.take(
    /\b(?:no|without|not(?! (?:too|so|very|only|just|a|an|the)\b))\s+([a-z][a-z -]*?)(?=\s*(?:[,;.|]|$| with | on | and no | without ))/,
    (m) => out.push(...splitList(m[1])),
  );
  return { out, noShading };
}

/** The colour that it stands on. */
export function readGround(reading: Reading): NamedColour | null {
  let ground: NamedColour | null = null;
  reading.take(
    new RegExp(`(?:\\b(?:on|against)\\s+(?:an?\\s+|the\\s+)?)?(?:plain\\s+)?(${ANY_COLOUR})\\s+(?:back)?ground\\b`),
    (m) => {
      const colour = namedColour(m[1]);
      reading.first('ground', (ground as NamedColour | null)?.word ?? null, colour.word);
      ground ??= colour;
    },
  );
  return ground;
}

/** Two colours that go over into each other. */
export function readGradient(reading: Reading): [NamedColour, NamedColour] | null {
  let gradient: [NamedColour, NamedColour] | null = null;
  reading.take(
    new RegExp(`\\b(?:gradient\\s+)?(?:fading\\s+)?from\\s+(${ANY_COLOUR})\\s+to\\s+(${ANY_COLOUR})(?:\\s+gradient)?`),
    (m) => {
      gradient ??= [namedColour(m[1]), namedColour(m[2])];
    },
  );
  reading.take(new RegExp(`(${ANY_COLOUR})\\s+to\\s+(${ANY_COLOUR})\\s+gradient`), (m) => {
    gradient ??= [namedColour(m[1]), namedColour(m[2])];
  });
  return gradient;
}

/** How many colours there are to be, and whether those are black and white. */
export function readColourCount(reading: Reading): { colourCount: number | null; blackAndWhite: boolean } {
  let colourCount: number | null = null;
  reading.take(/\bblack[ -]and[ -]white\b/, () => (colourCount = 1));
  const blackAndWhite = colourCount === 1;
  reading.take(new RegExp(`\\b(?:only )?(${COUNT})[ -]colou?rs?\\b:?`), (m) => (colourCount = countOf(m[1])));
  reading.take(/\b(?:monochrome|one ink|single colou?r)\b/, () => (colourCount = 1));
  return { colourCount, blackAndWhite };
}

/** Rows and columns of a sheet. */
export function readGrid(reading: Reading): { rows: number | null; columns: number | null } {
  let rows: number | null = null;
  let columns: number | null = null;
  reading.take(
    new RegExp(`\\b(${COUNT})\\s*(?:rows?\\s*)?(?:by|x|\u00d7)\\s*(${COUNT})\\b(?: columns?)?`),
    (m) => ([rows, columns] = [countOf(m[1]), countOf(m[2])]),
  );
  reading.take(new RegExp(`\\b(${COUNT}) rows?\\b`), (m) => (rows = countOf(m[1])));
  reading.take(new RegExp(`\\b(${COUNT}) columns?\\b`), (m) => (columns = countOf(m[1])));
  reading.take(/\b(?:a |one )?row of\b|\bin (?:a|one) row\b/, () => (rows ??= 1));
  return { rows, columns };
}

/** The kind of mark. */
export function readKind(reading: Reading): Kind | null {
  let kind: Kind | null = null;
  for (const [pattern, name] of KIND_WORDS)
    reading.take(pattern, () => {
      // "An emblem logo" names one kind twice: the plain word gives way without a note.
      if (kind !== null && kind !== name && name !== 'pictorial' && !(kind === 'lettermark' && name === 'wordmark'))
        reading.settled.push({ part: 'kind', kept: kind, dropped: name });
      kind ??= name;
    });
  if (reading.single && (kind === null || kind === 'pictorial')) kind = 'lettermark';
  return kind;
}

/** The finish; "flat" beside another one says only that there is to be no shading. */
export function readFinish(reading: Reading, lexicon: Lexicon): { finish: string | null; flat: boolean } {
  let flat = false;
  let finish: string | null = null;
  for (const [word, name] of Object.entries(lexicon.finishes).sort((p, q) => q[0].length - p[0].length))
    reading.take(new RegExp(`\\b${escape(word)}\\b`), () => {
      const kept = finish as string | null;
      // "Flat" beside another finish only says that there is to be no shading.
      if (kept !== null && kept !== name && name === 'flat') flat = true;
      else finish = reading.first('finish', kept, name);
    });
  return { finish, flat };
}

/** The form that it is set in. */
export function readShape(reading: Reading): Shape | null {
  let shape: Shape | null = null;
  for (const [pattern, name] of SHAPE_WORDS) reading.take(pattern, () => (shape ??= name));
  return shape;
}

/** Words for little or much detail. */
export function readDetail(reading: Reading, detail: Detail): void {
  reading.take(/\b(?:minimal(?:ist(?:ic)?)?|few details|very simple|simplified)\b/, (m) => detail.set(20, m[0]));
  reading.take(/\b(?:rich(?:ly)? detailed|intricate|very detailed|many details|highly detailed|detailed)\b/, (m) =>
    detail.set(85, m[0]),
  );
}

/** The mood of its colours. */
export function readMood(reading: Reading, lexicon: Lexicon): string | null {
  let mood: string | null = null;
  for (const name of lexicon.moods)
    reading.take(
      new RegExp(`\\b${name}\\b(?= (?:colou?rs?|tones?|palette|tints?|light)|[ ,;.|]*$|[ ]*[,;.|])`),
      () => (mood ??= name),
    );
  return mood;
}

/** In a list of icons a word for a colour that stands alone is an icon: "bread, coffee, cake". */
export function readListed(reading: Reading, kind: Kind | null): string[] {
  const listed: string[] = [];
  if (kind === 'icon sheet')
    reading.rest = reading.rest.replace(
      /([,:|]\s*)([a-z]+)(?=\s*(?:[,|.]|$))/g,
      (all, before: string, word: string) => {
        if (!ALSO_THINGS.has(word)) return all;
        listed.push(word);
        return `${before} `;
      },
    );
  return listed;
}

/** The colours that are named, and how many there are to be when more are named than were counted. */
export function readColours(
  reading: Reading,
  counted: { readonly colourCount: number | null; readonly blackAndWhite: boolean },
): { colours: NamedColour[]; colourCount: number | null } {
  const { blackAndWhite } = counted;
  let { colourCount } = counted;
  const colours: NamedColour[] = blackAndWhite ? [{ word: 'black', hex: '#000000' }] : [];
  reading.take(new RegExp(ANY_COLOUR), (m) => {
    const colour = namedColour(m[0]);
    if (!colours.some((c) => c.hex === colour.hex)) colours.push(colour);
  });
  if (colourCount !== null && colours.length > colourCount && !blackAndWhite) {
    reading.settled.push({
      part: 'colours',
      kept: `${colours.length} named colours`,
      dropped: `${colourCount} colours`,
    });
    colourCount = colours.length;
  }
  return { colours, colourCount };
}
