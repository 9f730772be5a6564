import { boundsOf, box, ringOf, tile } from './area';
import { isPlural } from '../prompt';
import { intersect, grown, moved, sizeOf, roomIn, stroked, subtract, union, type Area } from '../path';
import { together } from './arrange';
import {
  bentIntoLetter,
  bodyAsLetter,
  builtOfSticks,
  letterOfWater,
  neckAsLetter,
  pairAsLetter,
  peaksAsLetter,
} from './as-letter';
import { bentAlong, laidStraight } from './bent';
import { waveLine } from './marks';
import { isCreature, isSeenAside } from './built';
import { onField, recoloured } from './field';
import { isLong, movedFigure, openedTo, outlineOf, placed, silhouetteOf, upright, type Figure } from './figure';
import { fitLayers, layerOf, scaled, type Layer } from './layer';
import { filledWith } from './packed';
import { headOf, severalAsOne } from './pairings';
import { WATER } from './pairs';
import { casedAs, faceOf, slicedApart, styledLetters, trackingFor } from './letter-styles';
import { lineIn, setLine, type SetOptions } from './letters';
import { arrangement, clear, figureFor, finished, form, FORMS, inkOf, type Stage } from './stage';
import { wordsAs } from './words';

const wordOr = (stage: Stage): string => wordsAs(stage)[0] ?? stage.parts.figures[0]?.word ?? 'Name';
const titled = (text: string): string =>
  text === text.toLowerCase() ? text.replace(/\b\p{L}/gu, (c) => c.toUpperCase()) : text;

const lettersFigure = (name: string, letters: readonly Area[]): Figure => ({
  name,
  tones: [0.3, 0.65],
  parts: letters.map((area, i) => ({ tone: letters.length > 1 ? i % 2 : 0, area })),
});

/** Things that by themselves are seen as a letter. */
const LOOKS_LIKE: Readonly<Record<string, RegExp>> = {
  A: /^(?:tipi|mountain|pyramid|ladder|compass|pine tree|christmas tree|volcano|rocket|arrow)$/,
  C: /^(?:crescent moon|moon|croissant|banana|horseshoe|bracelet|magnet)$/,
  D: /^(?:bow and arrow|watermelon)$/,
  H: /^(?:ladder|bed|gate|barrier)$/,
  I: /^(?:candle|pencil|lighthouse|tower|column|pillar|sword|feather|wheat|skyscraper|pen|test tube)$/,
  J: /^(?:hook|cane|walking stick|umbrella)$/,
  L: /^(?:boot|sock)$/,
  M: /^(?:mountains|bat|crown)$/,
  O: /^(?:sun|donut|wheel|ring|full moon|planet|earth|globe|orange|citrus slice|wreath|gear|clock|compass|button|tire|cookie|pizza|eye|sunflower|lifebuoy|target|coin|vinyl|pearl)$/,
  Q: /^(?:magnifying glass|speech bubble|racquet)$/,
  S: /^seahorse$/,
  T: /^(?:hammer|mallet|tree|palm tree|mushroom|axe|pickaxe|table|anchor|nail|screw|umbrella|t-shirt|windmill)$/,
  U: /^(?:horseshoe|magnet|cup|pot)$/,
  V: /^(?:carrot|ice cream|bird|check mark|diamond|cocktail glass)$/,
  W: /^(?:crown|bat)$/,
  X: /^(?:crossed .*|scissors|butterfly|windmill|bone)$/,
  Y: /^(?:slingshot|cocktail|cocktail glass|silverware fork|wrench|whale tail)$/,
};

/** A thing as it is seen as a letter: a C open to the right, a U at its top; what is long stands. */
const asSeen = (figure: Figure, letter: string): Figure =>
  letter === 'C' ? openedTo(figure, 0) : letter === 'U' ? openedTo(figure, -Math.PI / 2) : letter === 'O' ? figure : isLong(figure) ? upright(figure) : figure; // prettier-ignore

/** One to four letters as a mark; a figure of the prompt stands in it or lends it its hand. */
export function lettermark(stage: Stage): Layer[] {
  const { palette, knobs, parts } = stage;
  const asked = parts.lettering[0] ?? (parts.figures[0]?.word ?? 'A').slice(0, 1);
  const capitals = (
    [...asked.replace(/[^\p{L}\p{N}&]/gu, '')].length > 4
      ? asked
          .split(/\s+/)
          .map((w) => w[0])
          .join('')
      : asked.replace(/\s+/g, '')
  )
    .toUpperCase()
    .slice(0, 4);
  const face = faceOf(stage);
  const [first] = palette.inks;
  const ground = palette.groundHex;
  const figureIn = parts.figures.length ? figureFor(stage, parts.figures[0], 0) : null;
  const styles = parts.letterStyle;
  const text = casedAs(capitals, styles, capitals);
  const set = (width: number, height: number, cy = 50): readonly Area[] =>
    styledLetters(lineIn(text, { face, tracking: text.length > 1 ? trackingFor(styles, -18) : 0 }, 50, cy, width, height), styles, knobs).letters; // prettier-ignore
  type Draw = (s: Stage) => Layer[];
  const plainLetters: Draw = (s) => finished(s, lettersFigure('letters', set(84, 74)));
  const onForm: Draw = () => {
    const shape = knobs.pick('form', [FORMS.circle, FORMS.square, FORMS.hexagon, FORMS.shield]);
    return [
      ...form(stage, shape(43), first),
      ...finished(stage, lettersFigure('letters', set(56, 44)), first, onField(stage, first)),
    ];
  };
  /** A slice moved along a slanting cut. */
  const sliced: Draw = (s) => {
    const pieces = slicedApart(union(...set(84, 74)), -0.42, [50, 50], [1.4, -0.8]);
    return finished(s, { name: 'letters', tones: [0.3, 0.6], parts: pieces.map((area, tone) => ({ tone, area })) });
  };
  /** Overlapping letters, each its own colour. */
  const linked: Draw = (s) => {
    if ([...text].length < 2) return sliced(s);
    const letters = set(90, 70);
    const n = letters.length;
    const tight = letters.map((a, i) => moved(a, [1, 0, 0, 1, -(i - (n - 1) / 2) * 7, 0]));
    const cut = tight.map((area, i) => ({
      tone: i % 2,
      area: i < n - 1 ? subtract(area, grown(tight[i + 1], 1.6)) : area,
    }));
    return finished(s, { name: 'letters', tones: [0.3, 0.65], parts: cut.filter((p) => p.area.length) });
  };
  const inRing: Draw = () => [
    ...form(stage, ringOf(50, 50, 45, 41), first),
    ...finished(stage, lettersFigure('letters', set(58, 44))),
  ];
  // In a form that is asked for they always are: light on it, or within its line.
  const { shape } = parts;
  if (!figureIn && shape && shape !== 'banner') {
    const hull = FORMS[shape](45);
    const down = shape === 'triangle' ? 9 : shape === 'shield' ? -3 : 0;
    const k = shape === 'triangle' ? 0.42 : shape === 'diamond' ? 0.48 : 0.6;
    const on = (draw: Draw): Layer[] => [...form(stage, hull, first), ...scaled(draw(recoloured(stage, first, onField(stage, first))), k, 0, down)]; // prettier-ignore
    const within = (draw: Draw): Layer[] => [...form(stage, subtract(hull, grown(hull, -3.4)), first), ...scaled(draw(stage), 0.94 * k, 0, down)]; // prettier-ignore
    return arrangement(stage, [() => on(plainLetters), () => within(linked), () => on(sliced), () => within(plainLetters), () => on(linked)])(); // prettier-ignore
  }
  if (!figureIn) return arrangement(stage, [plainLetters, onForm, sliced, inRing, linked])(stage);

  /** Within what goes round. */
  const within = (): Layer[] => {
    const wreath = placed(figureIn, { cx: 50, cy: 50, side: 92, fill: 1 });
    const w = boundsOf(outlineOf(wreath));
    const inner = set(0.5 * w.width, 0.4 * w.height, w.y + 0.52 * w.height);
    return [...finished(stage, wreath, ground, [palette.inks[1] ?? first, first]), ...finished(stage, lettersFigure('letters', inner))]; // prettier-ignore
  };
  if (
    /wreath|laurel|ring\b/.test(figureIn.name) &&
    parts.figures[0].relation !== 'made of' &&
    !(parts.figures[0].relation === 'as' && text === 'O')
  )
    return within();

  /** The figure cut out of the letter's foot. */
  const cutIn = (): Layer[] => {
    const letters = union(...set(86, 80));
    const b = boundsOf(letters);
    const hull = silhouetteOf(
      placed(figureIn, {
        cx: b.x + b.width * 0.62,
        cy: b.y + b.height * 0.66,
        side: Math.min(b.width, b.height) * 0.52,
        fill: 0.9,
      }),
    );
    return [
      layerOf(subtract(letters, grown(hull, 1.6)), first),
      ...finished(
        stage,
        placed(figureIn, {
          cx: b.x + b.width * 0.62,
          cy: b.y + b.height * 0.66,
          side: Math.min(b.width, b.height) * 0.52,
          fill: 0.9,
        }),
        ground,
        [palette.inks[1] ?? first, first],
      ),
    ];
  };
  /** The letters in the figure, where that has most room. */
  const inFigure = (): Layer[] => {
    const hull = silhouetteOf(placed(figureIn, { cx: 50, cy: 50, side: 92, fill: 1 }));
    const room = roomIn(hull) ?? { x: 50, y: 50, r: 24 };
    const inner = lineIn(
      text,
      { face, tracking: text.length > 1 ? -10 : 0 },
      room.x,
      room.y,
      1.5 * room.r,
      1.2 * room.r,
    );
    const field = inkOf(stage, figureIn, first);
    return [...form(stage, hull, field), ...finished(stage, lettersFigure('letters', inner), field, onField(stage, field))]; // prettier-ignore
  };
  /** The figure on top of the letter, standing on it. */
  const perched = (): Layer[] => {
    const letters = set(70, 52, 68);
    const top = boundsOf(letters.flat()).y;
    const f = placed(figureIn, { cx: 50, cy: 22, side: 40, fill: 0.9 });
    const fb = boundsOf(outlineOf(f));
    return [
      ...finished(stage, lettersFigure('letters', letters)),
      ...clear(
        stage,
        {
          ...f,
          parts: f.parts.map((p) => ({ ...p, area: moved(p.area, [1, 0, 0, 1, 0, top + 2.5 - fb.y - fb.height]) })),
        },
        ground,
        [palette.inks[1] ?? first, first],
        1.2,
      ),
    ];
  };
  /** The figure hanging by a thread from the arm of the letter. */
  const hung = (): Layer[] => {
    const letters = set(84, 70, 42);
    const b = boundsOf(letters.flat());
    const x = b.x + 0.86 * b.width;
    const arm = boundsOf(intersect(union(...letters), box(x - 1, b.y - 1, 2, 0.5 * b.height)));
    const from = arm.height > 0 ? arm.y + arm.height - 1 : b.y + 2;
    // Who hangs there is seen whole.
    const whole = isCreature(figureIn.name) ? figureFor(stage, { ...parts.figures[0], pose: 'standing' }, 0) : figureIn;
    const f = placed(whole, { cx: x, cy: 50, side: 30, fill: 0.9 });
    const fb = boundsOf(outlineOf(f));
    const down = movedFigure(f, [1, 0, 0, 1, x - (fb.x + fb.width / 2), b.y + 0.62 * b.height - fb.y]);
    const inks = [palette.inks[1] ?? first, first];
    return [
      ...finished(stage, lettersFigure('letters', letters)),
      ...form(stage, box(x - 0.6, from, 1.2, b.y + 0.64 * b.height - from), inks[0]),
      ...clear(stage, down, ground, inks, 1.2),
    ];
  };
  /** The letters filled with many of the figure. */
  const made = (): Layer[] => filledWith(stage, union(...set(90, 84)), figureIn) ?? cutIn();
  const relation = parts.figures[0].relation;
  // A snake as an S is bent into one.
  const isOne =
    ['as', 'made of'].includes(relation ?? '') && parts.figures.length === 1 && parts.figures[0].count === 1;
  const isLetter = [...text].length === 1 && ['as', 'made of'].includes(relation ?? '') && parts.figures.length === 1;
  // Peaks are an M before they are only seen as one.
  const peaks = isLetter ? peaksAsLetter(figureIn, text) : null;
  if (peaks) return fitLayers(finished(stage, peaks), 88);
  // A tent as an A is the tent; a moon as a C has its opening to the right.
  const looks = text === 'A' && figureIn.name === 'tent' ? figureFor(stage, { ...parts.figures[0], drawn: 'tipi' }, 0) : figureIn; // prettier-ignore
  if (isOne && LOOKS_LIKE[text]?.test(looks.name)) return fitLayers(finished(stage, asSeen(looks, text)), 84);
  const animal = isOne && isLetter && isCreature(figureIn.name) && !isSeenAside(figureIn.name) ? headOf(stage, figureIn) : null; // prettier-ignore
  const bent = isLetter ? (isOne ? neckAsLetter(figureIn.name, text) : null) ?? (animal ? bodyAsLetter(animal, text) : null) ?? (relation === 'as' && parts.figures[0].count === 2 ? pairAsLetter(figureIn, text) : null) ?? builtOfSticks(figureIn, text) ?? (isOne ? bentIntoLetter(figureIn, text) : null) : null; // prettier-ignore
  if (isLetter && WATER.test(figureIn.name)) return fitLayers(finished(stage, letterOfWater(union(...set(92, 86)))), 88); // prettier-ignore
  if (bent) return fitLayers(finished(stage, bent), 88);
  const isHung = /^(?:hang|dangl|swing)/.test(parts.figures[0].pose ?? '');
  return arrangement(stage, relation === 'made of' ? [made] : isHung ? [hung] : relation === 'inside' ? [inFigure] : parts.figures[0].modifiers.includes('inside') ? [cutIn] : relation === 'on' || relation === 'over' || parts.figures[0].modifiers.some((m) => /^(?:above|over|on top|on|atop)$/.test(m)) ? [perched] : [cutIn, perched])(); // prettier-ignore
}

/** A name in lines that are all as wide: its words, or the halves of one. */
function stacked(text: string, options: SetOptions, wide: number): Area[] {
  const words = text.split(' ');
  const half = Math.ceil(text.length / 2);
  const lines = words.length > 1 ? words : text.length > 3 ? [text.slice(0, half), text.slice(half)] : [text];
  let foot = 0;
  const set = lines.map((line) => {
    const letters = lineIn(line, options, 50, 50, 0.72 * wide, 46);
    const b = boundsOf(letters.flat());
    const top = foot;
    foot += b.height + 5;
    return letters.map((a) => moved(a, [1, 0, 0, 1, 0, top - b.y]));
  });
  const all = set.flat();
  const k = Math.min(1, 84 / (foot - 5));
  return all.map((a) => moved(a, [k, 0, 0, k, 50 * (1 - k), 50 - (k * (foot - 5)) / 2]));
}

/** A name set as a mark, with one thing done to it. */
export function wordmark(stage: Stage): Layer[] {
  const { palette, knobs } = stage;
  const text = titled(wordOr(stage));
  const face = faceOf(stage);
  const { letterAt } = stage.parts;
  // Only small letters have dots.
  const styles = stage.parts.letterStyle;
  const upper =
    letterAt?.isDot && /^[ij]?$/i.test(letterAt.letter ?? '') && !styles.includes('upper')
      ? text.toLowerCase()
      : casedAs(text, styles, knobs.odds('capitals', 0.4) ? text.toUpperCase() : text);
  const [first, second = first] = palette.inks;
  const wide = 92 * Math.max(1, stage.aspect);
  const tracking = trackingFor(styles, upper === text ? -8 : 70);
  const inLine = lineIn(upper, { face, tracking }, 50, 50, wide, 30);
  if (!inLine.length) return together(stage);
  const { letters, behind } = styledLetters(styles.includes('stacked') ? stacked(upper, { face, tracking }, wide) : inLine, styles, knobs); // prettier-ignore
  const b = boundsOf(letters.flat());
  const all = union(...letters);
  const shadow = (): Layer[] => (behind.length ? [layerOf(behind, second)] : []);
  const plain = (): Layer[] => [...shadow(), ...finished(stage, lettersFigure('word', [all]))];
  const ruled = (): Layer[] => [
    ...plain(),
    ...form(stage, union(tile(50, b.y + b.height + 7, b.width / 2, 0.9, 0.9)), second),
  ];
  const striped = (): Layer[] => {
    const bars = union(
      ...Array.from({ length: 3 }, (_, i) =>
        box(b.x - 2, b.y + b.height * (0.56 + 0.14 * i), b.width + 4, b.height * 0.035),
      ),
    );
    return finished(stage, lettersFigure('word', [subtract(all, bars)]));
  };
  const twoInks = (): Layer[] => [
    ...shadow(),
    ...finished(stage, {
      name: 'word',
      tones: [0.3, 0.65],
      parts: letters.map((area, i) => ({ tone: i >= letters.length / 2 ? 1 : 0, area })),
    }),
  ];
  const plated = (): Layer[] => {
    const k = 0.86;
    const [cx, cy] = [b.x + b.width / 2, b.y + b.height / 2];
    return [
      ...form(stage, tile(cx, cy, (k * b.width) / 2 + 7, 6, (k * b.height) / 2 + 8), first),
      ...finished(stage, lettersFigure('word', [moved(all, [k, 0, 0, k, cx * (1 - k), cy * (1 - k)])]), first, onField(stage, first)), // prettier-ignore
    ];
  };
  const [said] = stage.parts.figures;
  // A ring that stands for a round letter has no stone.
  const isBand = said?.drawn === 'ring' && letterAt && !letterAt.isDot;
  const one = isBand ? { name: 'ring', tones: [0.4], parts: [{ tone: 0, area: ringOf(50, 50, 40, 29) }] } : said ? figureFor(stage, said, 0) : null; // prettier-ignore
  // As many as are asked for, where there is room for them.
  const figure = one && said.count > 1 && said.count < 6 && !letterAt ? severalAsOne(one, said.count, 'row') : one;
  const nameOf = (areas: readonly Area[]): Layer[] => finished(stage, lettersFigure('word', [union(...areas)]));
  const isPlain = !styles.length;
  const sized = (cx: number, cy: number, side: number): Figure => placed(figure!, { cx, cy, side, fill: 1 });
  const other = (f: Figure): Layer[] => finished(stage, f, palette.groundHex, [second, first]);
  const drawn = [...upper].filter((c) => c !== ' ');
  /** The first of the letters that is a letter, or one of a kind where none is named; -1 where none is. */
  const indexOf = (letter: string | null, kind: RegExp): number => {
    if (letters.length !== drawn.length) return -1;
    const found = drawn.flatMap((c, i) => ((letter ? c.toLowerCase() === letter.toLowerCase() : kind.test(c)) ? [i] : [])); // prettier-ignore
    return found.at(letterAt?.nth ?? 0) ?? found.at(-1) ?? -1;
  };
  /** Before the name, a little higher than it. */
  const before = (): Layer[] => {
    const side = b.height * 1.5;
    const f = sized(b.x - side * 0.62, b.y + b.height / 2, side);
    const fb = boundsOf(outlineOf(f));
    return fitLayers([...plain(), ...other(movedFigure(f, [1, 0, 0, 1, b.x - b.height * 0.24 - (fb.x + fb.width), 0]))], wide); // prettier-ignore
  };
  /** A letter becomes the figure: the one that is named, else a round one; where there is none, it stands before the name. */
  const asLetter = (): Layer[] => {
    const index = indexOf(letterAt?.letter ?? null, /[oO0]/);
    if (index < 0) return before();
    const isRound = /[oO0]/.test(drawn[index]);
    // "Two rings for the o's": each of them becomes one.
    const all = drawn.flatMap((c, i) => (isRound && c === drawn[index] ? [i] : []));
    if ((said.count > 1 || isPlural(said.word)) && all.length > 1) {
      const rings = all.map((i) => boundsOf(letters[i])).map((l) => sized(l.x + l.width / 2, l.y + l.height / 2, Math.max(l.width, l.height))); // prettier-ignore
      return fitLayers([...nameOf(letters.filter((_, i) => !all.includes(i))), ...rings.flatMap(other)], wide);
    }
    const lb = boundsOf(letters[index]);
    const f = sized(lb.x + lb.width / 2, lb.y + lb.height / 2, Math.max(lb.width, lb.height) * 1.12);
    const fb = boundsOf(outlineOf(f));
    // On the line as the letter was; the letters after it make room.
    const room = isRound ? 0 : Math.max(0, fb.width - lb.width * 0.94);
    const x = isRound ? 0 : lb.x + lb.width / 2 + room / 2 - (fb.x + fb.width / 2);
    const y = isRound ? 0 : lb.y + lb.height - (fb.y + fb.height);
    const rest = letters.flatMap((area, i) => (i === index ? [] : [i > index ? moved(area, [1, 0, 0, 1, room, 0]) : area])); // prettier-ignore
    return fitLayers([...nameOf(rest), ...other(movedFigure(f, [1, 0, 0, 1, x, y]))], wide);
  };
  /** The dot of a letter becomes the figure, a good deal larger than it was. */
  const dotted = (): Layer[] => {
    const index = indexOf(letterAt?.letter ?? null, /[ij]/i);
    const rings = index < 0 ? [] : letters[index].map((ring) => ({ ring, at: boundsOf([ring]) })).sort((p, q) => p.at.y - q.at.y); // prettier-ignore
    const [dot, stem] = rings;
    if (!dot || !stem || dot.at.y + dot.at.height > stem.at.y + 0.1) return index < 0 ? perched() : perched(index);
    const f = sized(dot.at.x + dot.at.width / 2, 0, Math.max(2.6 * dot.at.width, 0.5 * b.height));
    const fb = boundsOf(outlineOf(f));
    const rest = letters.map((area, i) => (i === index ? area.filter((ring) => ring !== dot.ring) : area));
    return fitLayers([...nameOf(rest), ...other(movedFigure(f, [1, 0, 0, 1, 0, dot.at.y + dot.at.height - (fb.y + fb.height)]))], wide); // prettier-ignore
  };
  /** In the gap between two words, which is made wide enough for it. */
  const between = (): Layer[] => {
    const gap = upper.indexOf(' ');
    if (gap < 0 || letters.length !== drawn.length) return perched();
    const [head, tail] = [letters.slice(0, gap), letters.slice(gap)];
    const [hb, tb] = [boundsOf(head.flat()), boundsOf(tail.flat())];
    const f = sized(0, b.y + b.height / 2, b.height * 1.1);
    const fb = boundsOf(outlineOf(f));
    const air = b.height * 0.22;
    const x = hb.x + hb.width + air;
    const right = x + fb.width + air - tb.x;
    return fitLayers([...nameOf([...head, ...tail.map((a) => moved(a, [1, 0, 0, 1, right, 0]))]), ...other(movedFigure(f, [1, 0, 0, 1, x - fb.x, 0]))], wide); // prettier-ignore
  };
  /** On a letter, the last where none is named, as if it had settled there. */
  const perched = (index = letters.length - 1): Layer[] => {
    const last = boundsOf(letters[index]);
    const f = sized(last.x + last.width * (index === letters.length - 1 ? 0.6 : 0.5), 0, b.height * 0.95);
    const fb = boundsOf(outlineOf(f));
    return fitLayers([...plain(), ...other(movedFigure(f, [1, 0, 0, 1, 0, last.y - b.height * 0.04 - (fb.y + fb.height)]))], wide); // prettier-ignore
  };
  /** Through the letters as a thread is, over one and under the next: what is long alone. */
  const threaded = (): Layer[] | null => {
    const long = laidStraight(figure!) ?? (isLong(figure!) ? upright(figure!) : null);
    if (!long) return null;
    const y = b.y + b.height * 0.52;
    const n = 40;
    const guide = Array.from({ length: n + 1 }, (_, i): readonly [number, number] => [b.x - 9 + ((b.width + 18) * i) / n, y]); // prettier-ignore
    const run = bentAlong(long, guide, Math.min(7, 0.2 * b.height));
    const hull = grown(silhouetteOf(run), 0.9);
    const over = letters.filter((_, i) => i % 2 === 1);
    const around = grown(union(...over), 0.9);
    const left = run.parts.map((p) => ({ ...p, area: subtract(p.area, around) })).filter((p) => p.area.length);
    return fitLayers([...nameOf(letters.map((a, i) => (i % 2 ? a : subtract(a, hull)))), ...other({ ...run, parts: left })], wide); // prettier-ignore
  };
  /** Under the name, as wide as it: water as two lines of waves, what is long laid down and drawn out. */
  const underlined = (): Layer[] => {
    const y = b.y + b.height + 9;
    const [from, to] = [b.x + 0.02 * b.width, b.x + 0.98 * b.width];
    if (WATER.test(figure!.name)) {
      return fitLayers(
        [
          ...plain(),
          ...form(stage, stroked([waveLine(from, to, y, 2.4, 20)], 2.4, false), inkOf(stage, figure!, second)),
        ],
        wide,
      );
    }
    const laid = laidStraight(figure!);
    const straight = laid ?? (isLong(figure!) ? upright(figure!) : null);
    if (!straight) {
      const f = sized(50, 0, b.height * 1.1);
      return fitLayers([...plain(), ...other(movedFigure(f, [1, 0, 0, 1, 0, y - 3 - boundsOf(outlineOf(f)).y]))], wide);
    }
    const n = 40;
    const guide = Array.from({ length: n + 1 }, (_, i): readonly [number, number] => [from + ((to - from) * i) / n, y + 2]); // prettier-ignore
    return fitLayers([...plain(), ...other(bentAlong(straight, guide, 9, laid !== null))], wide);
  };
  // Made of many of it, where its letters have room for them.
  const { relation, word: named } = said ?? {};
  const isMade = figure && (relation === 'made of' || (relation === 'as' && !letterAt && isPlural(named!)));
  const large = isMade ? lineIn(text, { face, tracking: 20 }, 50, 50, 2.4 * wide, 80) : [];
  const made = isMade ? filledWith(stage, union(...large), figure) : null;
  if (made) return fitLayers(made, wide);
  if (figure && stage.parts.figures[0].modifiers.some((m) => /^(?:under|below|beneath|underneath|underlining)$/.test(m))) return underlined(); // prettier-ignore
  if (figure && stage.parts.figures[0].modifiers.includes('above')) return perched();
  const through = figure && stage.parts.figures[0].modifiers.includes('through') ? threaded() : null;
  if (through) return through;
  if (figure && letterAt) return letterAt.isDot ? dotted() : asLetter();
  // Whoever asks for a figure gets it in every one; in the place of a letter what is as full as an o.
  const f = figure && boundsOf(outlineOf(figure));
  const isFull = f && Math.abs(Math.log(f.width / f.height)) < 0.36 && sizeOf(outlineOf(figure)) > 0.5 * f.width * f.height; // prettier-ignore
  return arrangement(
    stage,
    figure
      ? [isFull ? asLetter : before, between, before, perched]
      : isPlain
        ? [plain, ruled, twoInks, striped, plated]
        : behind.length
          ? [plain, ruled, twoInks]
          : [plain, plated, twoInks, ruled],
  )();
}

/** A mark with its name beside or below it. */
export function combination(stage: Stage): Layer[] {
  const { palette, knobs } = stage;
  const text = titled(wordOr(stage));
  const face = faceOf(stage);
  const upper = knobs.odds('capitals', 0.5) ? text.toUpperCase() : text;
  const [first, second = first] = palette.inks;
  const mark = (k: number, dx: number, dy: number): Layer[] =>
    scaled(together({ ...stage, leeway: Math.min(stage.leeway, 50) }), k, dx, dy);
  const below = (): Layer[] => {
    const letters = lineIn(upper, { face, tracking: upper === text ? 0 : 90 }, 50, 86, 84, 12);
    return [...mark(0.74, 0, -12), layerOf(union(...letters), first)];
  };
  const belowRule = (): Layer[] => {
    const letters = lineIn(upper, { face, tracking: 60 }, 50, 84, 80, 11);
    const b = boundsOf(letters.flat());
    return [
      ...mark(0.7, 0, -14),
      layerOf(union(...letters), first),
      layerOf(tile(50, b.y + b.height + 5, Math.min(30, b.width / 2), 0.6, 0.6), second),
    ];
  };
  const beside = (): Layer[] => {
    const wide = stage.aspect > 1.25;
    const half = 50 * Math.max(1, stage.aspect);
    const k = wide ? 0.7 : 0.36;
    const left = 50 - half + 6;
    const markWide = 84 * k;
    const x0 = left + markWide + 4;
    const room = 50 + half - 6 - x0;
    const words = upper.split(' ');
    const lines =
      words.length > 1 && !wide
        ? [words.slice(0, Math.ceil(words.length / 2)).join(' '), words.slice(Math.ceil(words.length / 2)).join(' ')]
        : [upper];
    const size = Math.min(
      ...lines.map((l) => room / Math.max(1, boundsOf(setLine(l, { face }).flat()).width)),
      (wide ? 24 : 13) / 700,
    );
    const out: Area[] = lines.flatMap((l, i) => {
      const set = setLine(l, { face });
      return set.map((a) =>
        moved(a, [size, 0, 0, size, x0, 50 + 350 * size + (i - (lines.length - 1) / 2) * 900 * size]),
      );
    });
    return [...mark(k, left + markWide / 2 - 50, 0), layerOf(union(...out), first)];
  };
  return arrangement(stage, [below, beside, belowRule])();
}
