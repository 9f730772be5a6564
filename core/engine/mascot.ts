import {
  accent,
  body,
  both,
  circle,
  ellipse,
  light,
  lines,
  path,
  rectangle,
  second,
  symmetric,
  type Drawing,
  type Proportion,
} from './drawing';
import { fitted } from './fit';

/** What a mascot wears, from the words of the prompt. */
export interface Dress {
  readonly hat: 'conductor' | 'chef' | 'none';
  readonly scarf: boolean;
}

const CAPPED = /\b(?:conductor|captain|guard|porter|postman|driver|officer|pilot)s?\b/;
const AT_THE_STOVE = /\b(?:chef|cook|baker)s?\b/;
const OUTDOORS = /\b(?:gardener|farmer|ranger)s?\b/;

/** Whether a word is a trade that mascots have a dress for. */
export const isRole = (word: string): boolean => CAPPED.test(word) || AT_THE_STOVE.test(word) || OUTDOORS.test(word);

export function dressFrom(prompt: string): Dress {
  const has = (pattern: RegExp) => pattern.test(prompt.toLowerCase());
  return {
    hat: has(CAPPED) ? 'conductor' : has(AT_THE_STOVE) ? 'chef' : 'none',
    scarf: has(OUTDOORS) || has(/\b(?:scarf|winter|cosy)\b/),
  };
}

/** Heads that mascots can have, each seen from the front: what lies behind the head, and what lies on it. */
const HEADS: Readonly<Record<string, (t: Proportion) => { behind: Drawing; face: Drawing }>> = {
  bat: (t) => ({
    behind: [
      body(
        ...both(
          path(
            `M58 56C72 46 86 ${44 - 3 * t('wings')} 98 ${50 - 3 * t('wings')}C92 55 92 62 94 70C87 66 81 68 79 76C74 71 67 71 60 76Z`,
          ),
        ),
      ),
      body(...both(path(`M56 22L${72 + 2 * t('ears')} ${0 - t('ears')}C76 10 75 22 71 30Z`))),
      second(...both(path(`M61 20L${70.5 + 2 * t('ears')} 7C72 13 71.5 19 70 25Z`))),
    ],
    face: [light(symmetric('M50 30C54 26 64 27 66 35C67 44 60 51 50 51'))],
  }),
  hedgehog: (t) => ({
    behind: [
      body(
        path(
          'M' +
            Array.from({ length: 30 }, (_, i) => {
              const a = Math.PI * 0.86 + (Math.PI * 1.28 * i) / 29;
              const r = i % 2 ? 29 + t('spines') : 23.5;
              return `${50 + r * Math.cos(a)} ${33 + r * Math.sin(a)}`;
            }).join('L') +
            'Z',
        ),
      ),
    ],
    face: [second(...both(circle(65, 23, 4.6))), light(symmetric('M50 20C53 24 58 22 63 26C69 33 67 50 50 51'))],
  }),
  fox: (t) => ({
    behind: [
      body(path('M62 84C78 88 92 78 90 58C84 66 74 64 66 72Z')),
      body(...both(path(`M56 18L${71 + t('ears')} ${1 - t('ears')}C75 12 74 22 72 30Z`))),
      second(...both(path(`M61 17L${69.6 + t('ears')} 7C71 13 71 19 70 24Z`))),
    ],
    face: [light(symmetric('M50 40C56 34 66 33 72 36C68 46 58 52 50 54'))],
  }),
  rabbit: (t) => ({
    behind: [
      body(...both(ellipse(59, 6 - t('ears'), 6, 19, 0.16))),
      second(...both(ellipse(59, 6 - t('ears'), 2.8, 14, 0.16))),
    ],
    face: [light(symmetric('M50 36C58 36 62 42 61 47C58 52 54 53 50 53'))],
  }),
  bear: () => ({
    behind: [body(...both(circle(67, 15, 8))), second(...both(circle(67, 15, 4)))],
    face: [light(ellipse(50, 42, 12, 9.5))],
  }),
  owl: (t) => ({
    behind: [body(...both(path(`M54 16C62 16 66 12 ${72 + t('tufts')} 6C73 14 73 22 70 28Z`)))],
    face: [light(...both(circle(59.5, 32, 9)))],
  }),
  cat: (t) => ({
    behind: [
      body(...both(path(`M55 20L${71 + t('ears')} ${3 - t('ears')}C75 12 74 24 72 30Z`))),
      second(...both(path(`M61 18L${70 + t('ears')} 9C72 14 71.6 20 70 25Z`))),
      lines('body', 5, 'M66 84C84 88 90 74 82 64'),
    ],
    face: [light(symmetric('M50 38C57 36 63 41 62 46C59 51 54 52 50 52'))],
  }),
};

export const canBeMascot = (figure: string): boolean => Object.hasOwn(HEADS, figure);

function hatOf(dress: Dress): Drawing {
  if (dress.hat === 'conductor')
    return [
      second(path('M31 15C29 8 34 1 50 1C66 1 71 8 69 15Z')),
      accent(path('M31 14C38 11 62 11 69 14L68 20C60 17 40 17 32 20Z')),
      second(path('M32 20C40 17 60 17 68 20C66 24 58 23 50 23C42 23 34 24 32 20Z')),
      light(circle(50, 7.5, 2.6)),
    ];
  if (dress.hat === 'chef')
    return [
      light(path('M36 4C30 -6 42 -14 50 -10C58 -14 70 -6 64 4L63 14L37 14Z')),
      lines('body', 1.6, 'M36 4C30 -6 42 -14 50 -10C58 -14 70 -6 64 4L63 14L37 14L36 4'),
    ];
  return [];
}

/** A whole standing figure, seen from the front, with a thing in its right hand. */
export function mascot(figure: string, dress: Dress, prop: Drawing | null, t: Proportion): Drawing {
  const { behind, face } = HEADS[figure](t);
  const smile = 1.5 * t('smile');
  const tall = 2 * t('tall');
  const held = prop ? fitted(prop, 85, 78, 24) : [];
  return [
    ...behind,
    // Legs, coat, arms.
    body(rectangle(39, 82, 9, 14 + tall, 3), rectangle(52, 82, 9, 14 + tall, 3)),
    second(ellipse(41, 97 + tall, 8, 3.6), ellipse(59, 97 + tall, 8, 3.6)),
    second(symmetric('M50 50L61 50C68 54 71 70 72 88L50 88')),
    lines(
      'second',
      8.4,
      prop ? 'M64 58C72 60 78 60 84 63M36 58C30 64 27 70 27 77' : 'M64 58C70 64 73 70 73 77M36 58C30 64 27 70 27 77',
    ),
    body(...(prop ? [circle(86, 63, 4.8)] : [circle(73, 79, 4.8)]), circle(27, 79, 4.8)),
    accent(circle(50, 64, 1.9), circle(50, 72, 1.9), circle(50, 80, 1.9)),
    // Head and face.
    body(circle(50, 32, 23)),
    ...face,
    ...(dress.scarf
      ? [accent(path('M32 49C42 56 58 56 68 49L69 56C60 62 40 62 31 56Z'), path('M58 56L66 55L68 72L59 72Z'))]
      : []),
    body(...both(ellipse(58.5, 34, 2.7, 3.5))),
    light(...both(circle(59.4, 32.8, 1))),
    ...(figure === 'owl'
      ? [accent(symmetric('M50 36L53.5 39L50 46'))]
      : [
          body(ellipse(50, 40.6, 3, 2.1)),
          lines(
            'body',
            1.6,
            `M44.5 ${44.6 - smile / 2}C47 ${48 + smile / 2} 53 ${48 + smile / 2} 55.5 ${44.6 - smile / 2}`,
          ),
        ]),
    ...hatOf(dress),
    ...held,
  ];
}
