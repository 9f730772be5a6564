/** Faces: eyes, brows and mouths for eight expressions, on creatures and on things. */
import { areaFrom, intersect, parsePath, subtract, type Area } from '../../path';
import { box, disc } from '../area';
import type { Part } from '../figure';
import { ACCENT, both, DARK, LIGHT, line, named, oval, piece, type Tone } from './pieces';

export const EXPRESSION_NAMES = [
  'calm',
  'happy',
  'laughing',
  'sad',
  'crying',
  'angry',
  'surprised',
  'sleepy',
  'winking',
  'yawning',
  'roaring',
] as const;
export type Expression = (typeof EXPRESSION_NAMES)[number]; // prettier-ignore

const listed: readonly (readonly [Expression, string])[] = [
  ['happy', 'smiling happy cheerful friendly jolly kind joyful content delighted beaming proud confident playful brave smug curious cheeky amused gentle'],
  ['laughing', 'laughing grinning excited giggling mischievous yelling shouting singing cheering'],
  ['crying', 'crying weeping sobbing tearful'],
  ['sad', 'sad worried lonely disappointed gloomy embarrassed nervous frightened scared pouting shy'],
  ['angry', 'angry grumpy fierce furious determined stern frowning scowling annoyed menacing evil grim'],
  ['roaring', 'roaring snarling growling bellowing screaming'],
  ['yawning', 'yawning'],
  ['surprised', 'surprised shocked astonished amazed puzzled confused'],
  ['sleepy', 'sleepy sleeping tired bored relaxed dreamy dozing napping resting snoozing asleep meditating'],
  ['winking', 'winking smirking sly'],
  ['calm', 'calm serious wise thoughtful pensive'],
]; // prettier-ignore

/** The expression that a word asks for; null for one that says nothing of it. */
export const expressionOf = (word: string | null): Expression | null =>
  word === null ? null : (listed.find(([, words]) => words.split(' ').includes(word))?.[0] ?? null);

/** Where a face is: the middle between its eyes, how far each is from it, how large, and where the mouth is. */
export interface FacePlace {
  readonly x: number;
  readonly y: number;
  readonly apart: number;
  readonly eye: number;
  /** Of a mouth that is drawn: its middle and half its width; without, there is none to draw, as on a beak. */
  readonly mouth?: { readonly y: number; readonly half: number };
  /** What lies under the eyes is dark, so that they need a light ground of their own. */
  readonly isDark?: boolean;
  /** Tone of lines on the skin. */
  readonly lines?: Tone;
}

const arch = (tone: Tone, weight: number, x: number, y: number, half: number, rise: number): Part =>
  line(tone, weight, `M${x - half} ${y}C${x - half * 0.6} ${y - rise} ${x + half * 0.6} ${y - rise} ${x + half} ${y}`);

/** Moves what was drawn about x = 50 to be about another. */
const across = (parts: readonly Part[], x: number): Part[] =>
  x === 50 ? [...parts] : parts.map((p) => ({ ...p, area: p.area.map((ring) => ring.map((v, i) => (i % 2 ? v : v + x - 50))) })); // prettier-ignore

function eyesOf(place: FacePlace, expression: Expression): Part[] {
  const { y, apart, eye, isDark = false, lines = isDark ? LIGHT : DARK } = place;
  const x = 50 + apart;
  const weight = Math.max(1.1, eye * 0.52);
  const open = (r: number, tall: number, cut?: (area: Area) => Area): Part[] => {
    const whole = oval(x, y, r, r * tall);
    const white = isDark ? oval(x, y, r * 1.46, r * tall * 1.34) : null;
    const keep = cut ?? ((area: Area): Area => area);
    return [
      // The eye has its colour where it is seen: in its white, or where there is none in all of it.
      ...(white ? named('eye', [piece(LIGHT, both(keep(white)))]) : []),
      // What shines in it is cut out, and shows what the eye lies on.
      ...named(white ? 'pupil' : 'eye', [
        piece(DARK, both(keep(subtract(whole, disc(x - r * 0.3, y - r * tall * 0.4, r * 0.34, 24))))),
      ]),
    ];
  };
  switch (expression) {
    case 'laughing':
      return [arch(lines, weight, x, y + eye * 0.5, eye * 1.15, eye * 1.7), arch(lines, weight, 100 - x, y + eye * 0.5, eye * 1.15, eye * 1.7)]; // prettier-ignore
    case 'sleepy':
    case 'yawning':
      return [arch(lines, weight, x, y, eye * 1.15, -eye * 1.4), arch(lines, weight, 100 - x, y, eye * 1.15, -eye * 1.4)]; // prettier-ignore
    case 'winking': {
      const one = open(eye, 1.22).map((p) => ({ ...p, area: intersect(p.area, box(-50, -50, 100, 250)) }));
      return [...one, arch(lines, weight, x, y + eye * 0.3, eye * 1.2, eye * 1.3)];
    }
    case 'surprised':
      return open(eye * 1.28, 1.2);
    case 'angry':
    case 'roaring': {
      const lid = (area: Area): Area => subtract(area, [[x - 3 * eye, y + eye * 0.35, x + 3 * eye, y - eye * 2, x + 3 * eye, y - 5 * eye, x - 3 * eye, y - 5 * eye]]); // prettier-ignore
      return open(eye * 1.05, 1.2, lid);
    }
    case 'crying': {
      // The eyes shut tight, a drop below each.
      const drop = areaFrom(
        parsePath(
          `M${x + eye * 0.2} ${y + eye * 1.5}C${x + eye * 0.9} ${y + eye * 2.5} ${x + eye * 1.1} ${y + eye * 3} ${x + eye * 1.1} ${y + eye * 3.5}C${x + eye * 1.1} ${y + eye * 4.7} ${x - eye * 0.7} ${y + eye * 4.7} ${x - eye * 0.7} ${y + eye * 3.5}C${x - eye * 0.7} ${y + eye * 3} ${x - eye * 0.5} ${y + eye * 2.5} ${x + eye * 0.2} ${y + eye * 1.5}Z`,
        ),
      );
      const tight = line(
        lines,
        weight,
        `M${x + eye * 1.1} ${y - eye}L${x - eye * 0.8} ${y}L${x + eye * 1.1} ${y + eye * 0.9}`,
      ).area;
      return [piece(lines, both(tight)), piece(ACCENT, both(drop))];
    }
    case 'sad': {
      const lid = (area: Area): Area => subtract(area, [[x - 3 * eye, y - eye * 1.9, x + 3 * eye, y - eye * 0.1, x + 3 * eye, y - 5 * eye, x - 3 * eye, y - 5 * eye]]); // prettier-ignore
      return open(eye * 1.05, 1.25, lid);
    }
    default:
      return open(eye, 1.22);
  }
}

function browsOf(place: FacePlace, expression: Expression): Part[] {
  const { y, apart, eye, isDark = false, lines = isDark ? LIGHT : DARK } = place;
  const tilt = { angry: 1, roaring: 1, sad: -1, crying: -1, surprised: 0 }[expression as 'angry'] as number | undefined;
  if (tilt === undefined) return [];
  const [inner, outer] = [50 + apart - eye * 1.35, 50 + apart + eye * 1.45];
  const up = y - eye * (expression === 'surprised' ? 2.7 : 2.15);
  const weight = Math.max(1.1, eye * 0.5);
  const one =
    tilt === 0
      ? arch(lines, weight, 50 + apart, up, eye * 1.2, eye * 0.7).area
      : line(lines, weight, `M${inner} ${up + tilt * eye * 0.75}L${outer} ${up - tilt * eye * 0.6}`).area;
  return [piece(lines, both(one))];
}

function mouthOf({ y, half }: NonNullable<FacePlace['mouth']>, tone: Tone, expression: Expression): Part[] {
  const weight = Math.max(1.1, half * 0.24);
  const bowl = (w: number, deep: number): Area => {
    const whole = oval(50, y - half * 0.25, w, deep);
    return intersect(whole, box(0, y - half * 0.25, 100, 100));
  };
  switch (expression) {
    case 'happy':
      return [arch(tone, weight, 50, y - half * 0.2, half * 1.1, -half * 0.95)];
    case 'laughing': {
      const open = bowl(half * 1.15, half * 1.25);
      return [piece(tone, open), piece(ACCENT, intersect(open, oval(50, y + half * 0.82, half * 0.6, half * 0.4)))];
    }
    case 'winking':
      return [line(tone, weight, `M${50 - half * 0.8} ${y - half * 0.1}C${50 - half * 0.2} ${y + half * 0.75} ${50 + half * 0.7} ${y + half * 0.5} ${50 + half} ${y - half * 0.45}`)]; // prettier-ignore
    case 'sad':
    case 'crying':
      return [arch(tone, weight, 50, y + half * 0.45, half * 0.85, half * 0.85)];
    case 'yawning':
      return [piece(tone, oval(50, y + half * 0.7, half * 0.66, half * 0.95))];
    case 'roaring': {
      const open = oval(50, y + half * 0.7, half * 1.05, half * 0.98);
      const fangs = [-1, 1].map((side): number[] => [50 + side * half * 0.75, y - half * 0.1, 50 + side * half * 0.25, y - half * 0.35, 50 + side * half * 0.45, y + half * 0.6]); // prettier-ignore
      const tongue = intersect(open, oval(50, y + half * 1.5, half * 0.6, half * 0.5));
      return [piece(tone, open), piece(ACCENT, tongue), piece(tone === DARK ? LIGHT : DARK, intersect(open, fangs))];
    }
    case 'angry':
      return [arch(tone, weight, 50, y + half * 0.3, half * 0.85, half * 0.35)];
    case 'surprised':
      return [piece(tone, oval(50, y + half * 0.25, half * 0.42, half * 0.55))];
    case 'sleepy':
      return [arch(tone, weight, 50, y, half * 0.5, -half * 0.4)];
    default:
      return [arch(tone, weight, 50, y, half * 0.75, -half * 0.5)];
  }
}

/** Eyes and brows. */
export const eyeParts = (place: FacePlace, expression: Expression): Part[] =>
  across([...eyesOf(place, expression), ...browsOf(place, expression)], place.x);

/** The mouth, where there is one to draw. */
export const mouthParts = ({ x, mouth, lines = DARK }: FacePlace, expression: Expression): Part[] =>
  mouth ? across(mouthOf(mouth, lines, expression), x) : [];

/** Eyes, brows and mouth. */
export const faceParts = (place: FacePlace, expression: Expression): Part[] => [...eyeParts(place, expression), ...mouthParts(place, expression)]; // prettier-ignore
