/** The parts of a prompt but its figures, each taking its words out of the text. */
import { gerundOf, isCompound, nounKind, participleOf } from './classes';
import { TRADE_NOUNS } from './manner';
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

const NOT =
  "(?:no|without|avoid(?:ing)?|leave out|leaving out|leave off|exclud(?:e|ing)|omit(?:ting)?|minus|free of|free from|neither|nor|skip|except|(?:do not|don't|never) (?:use|add|include|show|draw|want|have)|not(?! (?:too|so|very|only|just|the|to be)\b))";

/** What is to be left out, and whether shading is among it. */
export function readExclusions(
  reading: Reading,
  detail: Detail,
  leaveOut: string,
): { out: string[]; noShading: boolean } {
  let noShading = false;
  const out = splitList(leaveOut);
  const put = (list: string): void => void out.push(...splitList(list).map(plainly));
  reading.take(
    /\b(?:no|without) (?:any )?(?:shad(?:ing|es?|ows?)|gradients?)\b(?: (?:and|or) (?:gradients?|shad(?:ing|ows?)))?(?! (?:and|or|nor)\b)/,
    'leave out',
    (m) => {
      noShading = true;
      put(m[0]);
    },
  );
  reading.take(/\bno (?:fine )?details?\b|\bnot (?:too|so|very) (?:detailed|much detail|many details|busy|complex|complicated|intricate)\b/, 'detail', (m) => detail.set(m[0].startsWith('not') ? 35 : 0, 'no detail')); // prettier-ignore
  // "No text, shadows or gradients": the last of them says that it is one list.
  reading.take(new RegExp(`\\b${NOT} (?!more\\b|fewer\\b|less\\b)((?:[a-z-]+ ){0,2}[a-z-]+(?:, (?:[a-z-]+ ){0,2}[a-z-]+){1,5},? (?:or|nor) [a-z -]+?)(?=\\s*(?:[,;.|]|$))`), 'leave out', (m) => put(m[1])); // prettier-ignore
  reading.take(new RegExp(`\\b${NOT} (?!more\\b|fewer\\b|less\\b|else\\b)([a-z][a-z '-]*?)(?=\\s*(?:[,;.|]|$| with | on | but | and (?:no|without|with) | without | please\\b))`), 'leave out', (m) => put(m[1])); // prettier-ignore
  reading.take(/\b([a-z]+)-free\b/, 'leave out', (m) => put(m[1]));
  if (out.some((o) => /^(?:shad|gradient)/.test(o))) noShading = true;
  return { out, noShading };
}

/** What is left out, without how it would be: "wings spread" are wings. */
const plainly = (what: string): string => what.replace(/^(?:any|a|an|the|use|used|using|of) /g, '').replace(/(?<=^[a-z]+) (?:spread|shown|visible|please|whatsoever|at all|used|anywhere|around it|around)$/, ''); // prettier-ignore

/** The colour that it stands on. */
export function readGround(reading: Reading): NamedColour | null {
  let ground: NamedColour | null = null;
  reading.take(
    new RegExp(
      `(?:\\b(?:on|against|over)\\s+(?:an?\\s+|the\\s+)?)?(?:plain\\s+|solid\\s+|flat\\s+)?(${ANY_COLOUR})\\s+(?:back)?(?:ground|drop)\\b|\\b(?:on|against)\\s+(an?\\s+|the\\s+)?(?:plain\\s+|solid\\s+|flat\\s+)?(${ANY_COLOUR})(\\s+(?:field|paper|board|surface))?(?=\\s*(?:[,.;|]|$))`,
    ),
    'ground',
    (m) => {
      // A bee on a rose sits on it.
      if (m[2] && !m[4] && ALSO_THINGS.has(m[3])) return false;
      const colour = namedColour(m[1] ?? m[3]);
      reading.first('ground', (ground as NamedColour | null)?.word ?? null, colour.word);
      ground ??= colour;
      return true;
    },
  );
  reading.take(/\b(?:on (?:an? )?|with (?:an? )?|against (?:an? )?)?(?:plain|transparent|clean|solid|empty|clear|simple|neutral) (?:back(?:ground|drop)|ground)\b/, 'ground', () => undefined); // prettier-ignore
  return ground;
}

/** Two colours that go over into each other. */
export function readGradient(reading: Reading): [NamedColour, NamedColour] | null {
  let gradient: [NamedColour, NamedColour] | null = null;
  reading.take(
    new RegExp(`\\b(?:gradient\\s+)?(?:fading\\s+)?from\\s+(${ANY_COLOUR})\\s+to\\s+(${ANY_COLOUR})(?:\\s+gradient)?`),
    'gradient',
    (m) => {
      gradient ??= [namedColour(m[1]), namedColour(m[2])];
    },
  );
  reading.take(new RegExp(`(${ANY_COLOUR})\\s+to\\s+(${ANY_COLOUR})\\s+gradient`), 'gradient', (m) => {
    gradient ??= [namedColour(m[1]), namedColour(m[2])];
  });
  return gradient;
}

/** How many colours there are to be, and whether those are black and white. */
export function readColourCount(reading: Reading): { colourCount: number | null; blackAndWhite: boolean } {
  let colourCount: number | null = null;
  // "A black and white cow with a yellow bell" is of more than one.
  const others = reading.rest.replace(/\b(?:black|white)\b/g, ' ');
  if (!new RegExp(ANY_COLOUR).test(others)) reading.take(/\bblack[ -]and[ -]white\b/, 'colour', () => (colourCount = 1)); // prettier-ignore
  const blackAndWhite = colourCount === 1;
  reading.take(
    new RegExp(
      `\\b(?:only )?(${COUNT})[ -](?:colou?rs?|inks|ink(?= (?:design|print|only)|\\s*(?:[,.;|]|$))|tones?|hues?)\\b:?`,
    ),
    'colour',
    (m) => (colourCount = countOf(m[1])),
  );
  reading.take(/\b(?:monochrome|one ink|single colou?r)\b/, 'colour', () => (colourCount = 1));
  return { colourCount, blackAndWhite };
}

/** Rows and columns of a sheet. */
export function readGrid(reading: Reading): { rows: number | null; columns: number | null } {
  let rows: number | null = null;
  let columns: number | null = null;
  reading.take(
    new RegExp(`\\b(${COUNT})\\s*(?:rows?\\s*)?(?:by|x|\u00d7)\\s*(${COUNT})\\b(?: columns?)?`),
    'sheet',
    (m) => ([rows, columns] = [countOf(m[1]), countOf(m[2])]),
  );
  reading.take(new RegExp(`\\b(${COUNT}) rows?\\b`), 'sheet', (m) => (rows = countOf(m[1])));
  reading.take(new RegExp(`\\b(${COUNT}) columns?\\b`), 'sheet', (m) => (columns = countOf(m[1])));
  reading.take(/\b(?:a |one )?row of\b|\bin (?:a|one) row\b/, 'sheet', () => (rows ??= 1));
  return { rows, columns };
}

/** The kind of mark. */
export function readKind(reading: Reading): Kind | null {
  let kind: Kind | null = null;
  for (const [pattern, name] of KIND_WORDS)
    reading.take(pattern, 'kind', () => {
      // "An emblem logo" names one kind twice: the plain word gives way without a note.
      if (kind !== null && kind !== name && name !== 'pictorial' && !(kind === 'lettermark' && name === 'wordmark'))
        reading.settled.push({ part: 'kind', kept: kind, dropped: name });
      kind ??= name;
    });
  if (reading.single && (kind === null || kind === 'pictorial')) kind = 'lettermark';
  return kind;
}

/** Whose a mark can be, of which by itself there is a picture. */
const HOUSES = 'inn|tavern|guesthouse|lodge|mill|museum|dairy|ranch|orchard|vineyard|theatre|hospital|library|union';
/** "Of a cheese dairy:", "of a rowing club, two oars". */
const OWNED = new RegExp(`(?<=\\|)(?: of)? (?!for )(?:the |an? )?(?:[a-z-]+ ){0,3}(?:${HOUSES}|${[...TRADE_NOUNS].join('|')})(?=\\s*:\\s*[a-z]|\\s*,\\s*(?:an?|two|three|four|the|crossed) )`); // prettier-ignore
/** "A sticker of a sloth", "poster for a jazz festival: a trumpet". */
const PRINTED_OF = /^(?:an? )?(?:(?:vinyl|die-?cut|t-?shirt|tee|screen|bumper) )?(?:sticker|decal|poster|postcard|tattoo|flyer|print|patch) (?:of|showing|with|featuring) (?=an? |the |two |three |some )/; // prettier-ignore
const PRINTED_FOR = /^(?:an? )?(?:album |book )?(?:sticker|poster|cover|t-?shirt|flyer|label|banner|menu|packaging)(?: (?:art|design|image))?(?=[ |]+for [a-z' -]+[:,])/; // prettier-ignore

/** Whose a mark is, before what is on it, and what it is printed on. */
export function readTrade(reading: Reading, kind: Kind | null): void {
  reading.take(OWNED, 'trade', (m) => kind !== null && (m[0].startsWith(' of') || /\bof$/i.test(reading.text.slice(0, m.index)))); // prettier-ignore
  reading.take(PRINTED_OF, 'trade', () => true);
  reading.take(PRINTED_FOR, 'trade', () => true);
}

/** Finishes that are said anywhere, although the word is a thing or something done as well. */
const SAID_ANYWHERE = /^(?:silhouette|outlined?|origami|wood-?cut|linocut|lino|engrav(?:ed|ing)|etch(?:ed|ing)|embroidered|stitched|halftone|stencil(?:led)?|pixelated|pixel|sketched|cartoon|comic|flat|overprint|folk|letterpress|distressed|collage|watercolou?r|mid-?century)$/; // prettier-ignore

/** What is in a trade of that name, and not drawn so: a construction firm, an embroidery shop. */
const NO_FINISHES =
  'company|firm|sites?|crew|cranes?|workers?|business|shop|studio|brand|vehicles?|machines?|school|club|supplies|supply';

/** The finish, and the thing that its word names as well; "flat" beside another one says only that there is to be no shading. */
export function readFinish(
  reading: Reading,
  lexicon: Lexicon,
): { finish: string | null; flat: boolean; thing: string | null } {
  let flat = false;
  let thing: string | null = null;
  let finish: string | null = null;
  for (const [word, name] of Object.entries(lexicon.finishes).sort((p, q) => q[0].length - p[0].length)) {
    // "A house made of pencils", "a worn boot": what is a thing, or said of one, is a finish only by itself.
    const isOther = lexicon.findFigure(word)?.via === 'name' || participleOf(word) !== null || !['abstract', null].includes(nounKind(word)); // prettier-ignore
    // A construction logo is one of builders.
    // A lighthouse as a pencil is one, and is not drawn with it.
    const pattern =
      isOther && !SAID_ANYWHERE.test(word)
        ? `(?<=(?:^|[,;|.])\\s*|\\b(?:in|${/^(?:pencil|chalk|crayon|pen|brush)$/.test(word) ? 'in' : 'as'}) )(?:an? )?${escape(word)}(?: (?:style|finish|look|drawing|art|texture))?(?=\\s*(?:[,;.${word === 'construction' ? '' : '|'}]|$))`
        : `\\b${escape(word)}\\b(?! (?:${NO_FINISHES})\\b)${/ing$/.test(word) ? '(?! (?:from|out|an?|the|its|into)\\b)' : ''}(?: (?:style|finish|look|illustration)(?=\\s*(?:[,;.|]|$)))?`;
    reading.take(new RegExp(pattern), 'finish', () => {
      if (isOther && lexicon.findFigure(word)) thing ??= word;
      const kept = finish as string | null;
      if (kept !== null && kept !== name && name === 'flat') flat = true;
      else finish = reading.first('finish', kept, name);
    });
  }
  return { finish, flat, thing };
}

/** The form that it is set in. */
export function readShape(reading: Reading): Shape | null {
  let shape: Shape | null = null;
  for (const [pattern, name] of SHAPE_WORDS) reading.take(pattern, 'shape', () => (shape ??= name));
  return shape;
}

/** Words for little or much detail. */
export function readDetail(reading: Reading, detail: Detail): void {
  reading.take(/\b(?:minimal(?:ist(?:ic)?)?|few details|very simple|simplified)\b/, 'detail', (m) =>
    detail.set(20, m[0]),
  );
  reading.take(
    /\b(?:rich(?:ly)? detailed|intricate|very detailed|many details|highly detailed|detailed)\b/,
    'detail',
    (m) => detail.set(85, m[0]),
  );
}

/** The mood of its colours. */
export function readMood(reading: Reading, lexicon: Lexicon): string | null {
  let mood: string | null = null;
  for (const name of lexicon.moods)
    reading.take(
      new RegExp(`\\b${name}\\b(?= (?:colou?rs?|tones?|palette|tints?|light)|[ ,;.|]*$|[ ]*[,;.|])`),
      'mood',
      () => (mood ??= name),
    );
  return mood;
}

/** What a word for a colour that is a word for a thing belongs to as the thing: "an olive branch", "a slice of lemon". */
const OF_THINGS = /^(?:leaf|leaves|trees?|branch(?:es)?|blossoms?|flowers?|petals?|slices?|beans?|cups?|mugs?|pots?|bush(?:es)?|oil|groves?|gardens?|walls?|castles?|juice|pies?|bowls?|wedges?|stems?|seeds?|stones?|peel|reefs?|bars?|cakes?|buds?|sprigs?|twigs?|grinders?|mills?|houses?|press|dunes?|shop|wood|cones?|berr(?:y|ies)|fields?|bark|jars?|jam|hips?|hat|cloud|pits?|water|tea|filters?|machines?|makers?|roasters?|bars|houses?|tins?|bags?|packs?|growers?|farms?|pickers?|orchards?|squeezers?|window)\b/; // prettier-ignore

/** Whether a word for a colour names the thing at its place in the text. */
function isThingThere(rest: string, from: number, word: string, kind: Kind | null): boolean {
  if (!ALSO_THINGS.has(word)) return false;
  const before = rest.slice(0, from);
  const after = rest.slice(from + word.length);
  if (/\b(?:made|cut|folded|built|woven|carved) (?:out )?(?:of|from)\s+$/.test(before) && !/^(?:gold|silver|copper)$/.test(word)) return true; // prettier-ignore
  // Coffee that is drunk is no colour.
  if (/\b(?:drinking|eating|holding|pouring|sipping|serving|making|brewing|picking|carrying|spilling|roasting|harvesting|squeezing|peeling)\s+(?:an?\s+|the\s+|some\s+)?(?:\|+\s+)?$/.test(before) && /^\s*(?:$|[,;.]|(?:with|in|on|and|from|at|under|into|by)\b)/.test(after)) return true; // prettier-ignore
  if (word === 'cream' && /\b(?:ice|whipped|sour|hand|face)\s+$/.test(before)) return true;
  if (OF_THINGS.test(after.trimStart()) && !new RegExp(`(?:${ANY_COLOUR})\\s*$`).test(before)) return true;
  const next = /^\s+([a-z]+)/.exec(after)?.[1] ?? '';
  // "A rose wrapped around an anchor": what does something, or has something done to it, is no colour of it.
  const acts =
    (gerundOf(next) ?? participleOf(next)) !== null &&
    /^\s+[a-z]+\s+(?:around|round|in|on|over|from|out|through|an?|the|up|under|into|with)\b/.test(after);
  const ends = acts || /^\s*(?:$|[,;.|]|(?:with|in|on|and|or|over|under|inside|as|made|cut|wearing|holding|shaped|like|whose|growing|from|of|beside|between|behind|for|through|instead)\b)/.test(after); // prettier-ignore
  const isNextColour = new RegExp(`^\\s*(?:and|or|,)\\s*(?:${ANY_COLOUR})`).test(after);
  // "For a forest school" says whom it is for.
  if (!ends)
    return (
      /\bfor\s+(?:an?\s+|the\s+|our\s+)?$/.test(before) && nounKind(/^\s*([a-z]+)/.exec(after)?.[1] ?? '') !== null
    );
  if (/\b(?:an?|the|one|half an?|(?:slice|wedge|piece|sprig|bunch|half|cup|bowl|drop) of)\s+(?:(?:[a-z]+|\|+) )?$/.test(before)) return !isNextColour; // prettier-ignore
  return kind === 'icon sheet' && /(?:^|[,:|]|(?<!\|\s*)\band)\s*$/.test(before);
}

/** A colour, and the place of its first character in the prompt. */
export interface PlacedColour extends NamedColour {
  readonly at: number;
}

/** The colours that are named, each once and at all its places, and how many there are to be when more are named than were counted. */
export function readColours(
  reading: Reading,
  counted: { readonly colourCount: number | null; readonly blackAndWhite: boolean },
  kind: Kind | null,
  lexicon: Lexicon,
): { colours: NamedColour[]; placed: PlacedColour[]; colourCount: number | null } {
  const { blackAndWhite } = counted;
  const placed: PlacedColour[] = [];
  let { colourCount } = counted;
  const colours: NamedColour[] = blackAndWhite ? [{ word: 'black', hex: '#000000' }] : [];
  reading.take(new RegExp(ANY_COLOUR), 'colour', (m) => {
    // A paper plane is no plane of the colour of paper.
    const next = /^\s+([a-z]+)/.exec(reading.rest.slice(m.index + m[0].length))?.[1];
    // Nor is a red panda a red one.
    const both = `${m[0]} ${next}`;
    const drawn = next ? lexicon.findFigure(both)?.drawn : undefined;
    if (drawn?.startsWith(`${m[0]} `) && (ALSO_THINGS.has(m[0]) || (drawn === both && isCompound(both)))) return false;
    // A lemon pirate is a lemon.
    if (kind === 'mascot' && next && ALSO_THINGS.has(m[0]) && lexicon.isRole(next)) return false;
    if (isThingThere(reading.rest, m.index, m[0], kind)) return false;
    const colour = namedColour(m[0]);
    if (!colours.some((c) => c.hex === colour.hex)) colours.push(colour);
    placed.push({ ...colour, at: reading.placeOf(m.index) });
    return true;
  });
  if (colourCount !== null && colours.length > colourCount && !blackAndWhite) {
    reading.settled.push({
      part: 'colours',
      kept: `${colours.length} named colours`,
      dropped: `${colourCount} colours`,
    });
    colourCount = colours.length;
  }
  return { colours, placed, colourCount };
}
