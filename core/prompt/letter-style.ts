/** How lettering is to look: what is said of its letters, its type or its case. Letters are never a thing that is drawn beside themselves. */
import { type Reading } from './reading';

/** What can be said of letters: which face, how heavy, in which case, how far apart, and what is done to them. */
export type LetterStyle =
  | 'script' | 'gothic' | 'slab' | 'serif' | 'sans' | 'round' | 'narrow' | 'deco'
  | 'bold' | 'thin' | 'slanted' | 'upper' | 'lower' | 'spaced' | 'tight'
  | 'wavy' | 'arched' | 'stacked' | 'linked' | 'sliced' | 'stencil' | 'striped' | 'cracked' | 'dripping' | 'pixel' | 'outlined' | 'shadow'; // prettier-ignore

/** Words for letters as a whole. */
const LETTERS = '(?:letters?|letter-?forms?|lettering|type-?faces?|type|typography|fonts?|characters)';
/** Words that say how letters look, the longer first. */
const LOOKS: readonly (readonly [string, LetterStyle | null])[] = [
  ['waving|wavy|rippling|rippled|undulating|flowing|swaying|billowing', 'wavy'],
  ['slanted|slanting|italics?|leaning|sloped|sloping|oblique|tilted', 'slanted'],
  ['outlined?|hollow|inline', 'outlined'],
  ['sliced|slashed|split|cut(?=[ ,]|$)', 'sliced'],
  ['stencil(?:l?ed)?', 'stencil'],
  ['dripping|melting|runny', 'dripping'],
  ['arched|arching|curved|bent|on an arc|in an arc', 'arched'],
  ['striped|lined|banded', 'striped'],
  ['stacked', 'stacked'],
  ['pixel(?:l?ated)?|8-bit|blocky', 'pixel'],
  ['cracked|broken|shattered|torn|fractured|cracking', 'cracked'],
  ['linked|joined|overlapping|interlocking|interlocked|connected|touching|tied together', 'linked'],
  ['shadowed|three-dimensional|3d|extruded', 'shadow'],
  ['bold|heavy|thick|fat|chunky|strong|massive|extra bold|ultra bold', 'bold'],
  ['thin|light|fine|hairline|slender|delicate|airy', 'thin'],
  ['rounded|round|soft|bubbly|bubble|chubby', 'round'],
  ['condensed|narrow|tall|compressed', 'narrow'],
  ['slab[ -]serifs?|slab|western|typewriter', 'slab'],
  ['sans[ -]serifs?|sans|grotesque|geometric', 'sans'],
  ['serifed|serifs?', 'serif'],
  ['script|cursive|calligraphic|calligraphy|handwritten|hand[ -]?written|hand[ -]?lettered|brush(?:ed)?|handwriting|signature', 'script'],
  ['blackletter|gothic|medieval', 'gothic'],
  ['art deco|deco', 'deco'],
  ['lower[ -]?case|small|uncapitalised|uncapitalized', 'lower'],
  ['upper[ -]?case|all[ -]caps|capitali[sz]ed|capital|big', 'upper'],
  ['spaced(?: out)?|widely spaced|wide-set|wide|extended|letter-?spaced', 'spaced'],
  ['tightly (?:set|spaced|packed)|tight|close-set', 'tight'],
  // Said of letters, and nothing that these could be drawn by.
  ['clean|modern|elegant|classic|playful|friendly|simple|custom|handmade|hand-?drawn|stylish|vintage|retro|plain|beautiful|decorative|old|quirky|sturdy|confident|crisp|smooth|contemporary|timeless', null],
]; // prettier-ignore

const LOOK = LOOKS.map(([words]) => words).join('|');
const styleOf = (word: string): LetterStyle | null | undefined =>
  LOOKS.find(([words]) => new RegExp(`^(?:${words})$`).test(word))?.[1];
/** How letters are said to lie, after what was done to them. */
const TAIL = '(?: (?:through|across|along|down|in) (?:the |its |their )?(?:middle|half|centre|center)| (?:forwards?|backwards?|to the (?:left|right))| (?:on top of|over|into|with|to) (?:each other|one another)| at the (?:bottom|top|edges?|ends?)| together| apart| out| closely| diagonally| horizontally)?'; // prettier-ignore
/** Names of whole alphabets and cases, which are said without the word for letters. */
const ALPHABETS = 'script|cursive|calligraphy|handwriting|brush script|slab[ -]serif|sans[ -]serif|sans|serif|blackletter|italics?|lower[ -]?case|upper[ -]?case|all[ -]caps|capitals?|caps|small caps'; // prettier-ignore
const LEAD = '(?:\\b(?:set |written |drawn |typeset |lettered |spelled )?(?:in|with|using|as) )?(?:\\b(?:an?|the|its|all|some|very|only|fully) )*'; // prettier-ignore

/** What is said of the letters of a prompt that wants some, each style once. */
export function readLetterStyle(reading: Reading): LetterStyle[] {
  const styles: LetterStyle[] = [];
  if (!reading.lettering.length) return styles;
  const put = (said: string): void => {
    for (const [word] of said.matchAll(new RegExp(`\\b(?:${LOOK})(?![\\w-])`, 'g'))) {
      const style = styleOf(word);
      if (style && !styles.includes(style)) styles.push(style);
    }
  };
  const looks = `(?:(?:very |slightly |softly |boldly |neatly )?(?:${LOOK})(?:,? and |, | ))`;
  // Case and tracking, which have phrases of their own.
  reading.take(/\b(?:with |in )?(?:a )?(?:wide|generous|loose|airy|broad|open) (?:letter[- ]?)?(?:spacing|tracking)\b|\b(?:widely|generously|loosely|well) (?:letter)?spaced(?: (?:out|apart))?(?: letters)?\b|\bletter-?spaced\b/, 'manner', () => void styles.push('spaced')); // prettier-ignore
  reading.take(/\b(?:with |in )?(?:a )?(?:tight|close|narrow) (?:letter[- ]?)?(?:spacing|tracking|kerning)\b/, 'manner', () => void styles.push('tight')); // prettier-ignore
  reading.take(/\b(?:with|and) (?:an? |the )?(?:drop |long |hard |deep |block )?shadows?(?=\s*(?:[,.;|]|$))/, 'manner', () => (/\b(?:word ?mark|logotype|letter ?mark|monogram)\b/.test(reading.rest) ? void styles.push('shadow') : false)); // prettier-ignore
  // "Letters like waves".
  reading.take(new RegExp(`${LEAD}${LETTERS} (?:(?:that )?(?:are |look |move |roll |flow )?(?:shaped |drawn )?(?:like|as)|forming|in) (?:an? |the |of )*(?:waves?|water|seas?|ripples?|flags?)(?![\\w-])`), 'manner', () => put('wavy')); // prettier-ignore
  reading.take(new RegExp(`${LEAD}${looks}+${LETTERS}(?![\\w'])(?! (?:an?|[a-z]) )`), 'manner', (m) => put(m[0]));
  // "The letters stacked", "letters sliced through the middle".
  reading.take(
    new RegExp(
      `${LEAD}${LETTERS} (?:that )?(?:(?:is|are|being|look|all) )*(?:${LOOK})(?:(?:,? and |, )(?:${LOOK}))*(?![\\w-])${TAIL}(?! (?:like|as|from|of)\\b)`,
    ),
    'manner',
    (m) => put(m[0].replace(new RegExp(`^.*?${LETTERS}`), '')),
  );
  // "In italics", "bold slab serif", "lower case".
  reading.take(new RegExp(`${LEAD}(?:(?:${LOOK}),? (?:and )?)*\\b(?:${ALPHABETS})(?![\\w-])`), 'manner', (m) => put(/\bcapitals?|caps\b/.test(m[0]) ? `${m[0]} capital` : m[0])); // prettier-ignore
  // "Handwritten", by itself, of a mark that is letters.
  if (/\b(?:word ?mark|logotype|letter ?mark|monogram|initials)\b/.test(reading.rest))
    reading.take(new RegExp(`(?<=(?:^|[,;|])\\s*(?:and )?)(?:in )?(?:${LOOK})(?:,? (?:and )?(?:${LOOK}))*(?=\\s*(?:[,.;|]|$))`), 'manner', (m) => {
      const before = styles.length;
      put(m[0]);
      return styles.length > before;
    }); // prettier-ignore
  // "Ribbon letters": of what stands before them.
  reading.take(new RegExp(`\\bin (?=[a-z-]+ ${LETTERS}(?![\\w'])(?! of\\b))`), 'lettering', () => undefined);
  // "Letters made of rope", "the letters stacked like bricks": of what they are is read as any figure.
  reading.take(new RegExp(`${LEAD}${LETTERS}(?: (?:that )?(?:are|is|stacked|laid|piled))*(?= (?:made|built|formed|woven|constructed|shaped|knitted|sewn|carved|assembled|like|as|filled)\\b)`), 'lettering', () => undefined); // prettier-ignore
  // "Between the letters", "letters with a leaf": where the letters are, which stand there anyway.
  reading.take(new RegExp(`(?:\\b(?:between|among|amid|over|inside|within|in front of) )?(?:the |its |all |both |two )*\\b(?:letters|lettering|letterforms|typography)(?![\\w'])`), 'lettering', () => undefined); // prettier-ignore
  return [...new Set(styles)];
}
