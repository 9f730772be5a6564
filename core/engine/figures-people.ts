/** People by their sport, as signs show them: a head, and limbs as lines of one weight; what they ride or use in a second tone. */
import {
  accent,
  body,
  circle,
  ellipse,
  lines,
  path,
  rectangle,
  second,
  type Drawing,
  type Proportion,
} from './drawing';

type Draw = (t: Proportion) => Drawing;

/** Somebody: the middle of the head, the torso from neck to hip, arms and legs from where they join it, as path data. */
const person = (t: Proportion, [x, y]: readonly [number, number], torso: string, arms: string, legs: string): Drawing => [
  lines('body', 11 + t('torso'), torso),
  lines('body', 8 + 0.7 * t('legs'), legs),
  lines('body', 6.6 + 0.6 * t('arms'), arms),
  body(circle(x, y, 8.2 + 0.5 * t('head'))),
]; // prettier-ignore

const WATER = 'M3 84C12 78 18 78 26 84C34 90 42 90 50 84C58 78 66 78 74 84C82 90 90 90 97 84';

/** Sports by the names of those who do them. */
export const PEOPLE: Readonly<Record<string, Draw>> = {
  cyclist: (t) => [lines('second', 4.6, 'M21 60A17 17 0 1 1 20.9 60ZM79 60A17 17 0 1 1 78.9 60Z'), lines('accent', 4, 'M21 77L38 57L66 57L48 77L21 77M38 57L48 77M66 57L79 77M66 57L63 47L72 46'), ...person(t, [71, 18], 'M59 28L38 43', 'M60 30L62 43L71 46', 'M38 45L56 55L48 76')],
  runner: (t) => [...person(t, [64, 11], 'M56 26L48 49', 'M57 27L66 42L80 37M54 27L38 32L31 46', `M48 50L${66 + t('stride')} 59L60 80M48 50L36 69L${13 - t('stride')} 71`)],
  swimmer: (t) => [lines('second', 5, 'M3 76C12 70 18 70 26 76C34 82 42 82 50 76C58 70 66 70 74 76C82 82 90 82 97 76M20 92C28 86 34 86 42 92C50 98 58 98 66 92'), ...person(t, [74, 50], 'M60 56L28 62', 'M58 52L46 28L72 22', 'M28 62L10 64')],
  surfer: (t) => [second(path('M4 78C28 84 62 88 96 78C90 92 64 97 44 95C24 93 10 88 4 78Z')), ...person(t, [56, 15], 'M52 29L46 51', 'M53 30L70 36L86 29M51 30L34 34L18 26', 'M46 52L32 64L26 80M46 52L62 63L64 82')],
  skateboarder: (t) => [second(path('M8 80L18 86L82 86L92 80L95 84L84 92L16 92L5 84Z')), accent(circle(26, 95, 4.6), circle(74, 95, 4.6)), ...person(t, [58, 13], 'M53 27L46 49', 'M54 28L72 34L84 24M52 28L36 36L20 32', 'M46 50L36 64L30 82M46 50L62 61L66 82')],
  snowboarder: (t) => [second(path('M4 66C8 64 12 70 18 73L82 95C88 97 94 95 96 98C90 100 84 100 78 98L16 78C8 76 4 70 4 66Z')), ...person(t, [60, 11], 'M55 25L46 46', 'M56 26L74 30L88 20M53 26L36 30L22 20', 'M46 47L32 56L28 73M46 47L64 60L62 85')],
  rower: (t) => [second(path('M2 66L98 66C90 82 76 88 50 88C24 88 10 82 2 66Z')), lines('accent', 4, 'M58 46L92 92'), ...person(t, [54, 19], 'M49 33L38 57', 'M50 35L66 42L62 52', 'M38 60L58 58L70 64')],
  golfer: (t) => [lines('accent', 3, `M66 22L${90 + t('club')} 8L95 14`), ...person(t, [44, 13], 'M46 28L44 53', 'M48 29L66 22M46 32L58 40L66 24', 'M44 54L34 73L32 95M44 54L58 73L60 95')],
  archer: (t) => [lines('accent', 3.4, `M72 4C${92 + t('bow')} 18 ${92 + t('bow')} 46 72 60`), lines('second', 1.8, 'M72 4L44 32L72 60'), lines('second', 2.6, 'M44 32L97 32'), ...person(t, [46, 13], 'M45 29L44 54', 'M48 32L78 32M44 31L24 30L42 34', 'M44 55L33 74L30 95M44 55L56 74L59 95')],
  yogi: (t) => [...person(t, [50, 15], 'M50 32L50 60', 'M49 36L32 50L22 68M51 36L68 50L78 68', `M48 66L${20 - t('knee')} 78L62 86M52 66L${80 + t('knee')} 78L38 86`)],
  gymnast: (t) => [...person(t, [52, 20], 'M51 34L50 55', 'M49 36L34 24L22 8M53 36L68 26L82 12', `M50 57L30 60L${6 - t('split')} 66M50 57L70 54L${94 + t('split')} 48`)],
  ballerina: (t) => [...person(t, [50, 19], 'M50 31L50 50', 'M48 34C28 32 26 12 46 4M52 34C72 32 74 12 54 4', 'M50 56L50 78L50 97M50 56L68 66L53 79'), second(path(`M50 46C62 46 ${84 + t('tutu')} 50 86 58C76 64 62 60 50 61C38 60 24 64 14 58C16 50 38 46 50 46Z`))],
  footballer: (t) => [accent(circle(91, 66, 8)), ...person(t, [44, 13], 'M45 28L42 50', 'M47 30L60 40L72 30M44 30L28 36L18 50', 'M42 51L36 72L38 95M42 51L60 61L80 63')],
  'tennis player': (t) => [lines('accent', 4, `M78 0C88 -2 94 8 88 16C82 22 72 20 71 12C70 6 72 2 78 0ZM73 18L66 24`), ...person(t, [40, 18], 'M42 32L44 55', 'M45 33L58 36L67 24M41 34L27 42L16 36', 'M44 56L30 74L18 94M44 56L60 70L66 94')],
  'basketball player': (t) => [accent(circle(73, 8, 8.4)), ...person(t, [44, 22], 'M46 36L46 58', 'M48 37L60 28L68 16M45 38L32 48L28 62', 'M46 60L34 72L20 80M46 60L60 73L56 94')],
  climber: (t) => [second(path(`M66 0L${62 - t('rock')} 28L70 50L64 76L68 100L100 100L100 0Z`)), ...person(t, [36, 20], 'M42 33L38 56', 'M44 34L58 12M43 37L62 40', 'M38 58L58 64M38 58L32 78L58 88')],
  hiker: (t) => [second(rectangle(29, 25, 17, 27 + t('pack'), 5)), lines('accent', 3.4, 'M77 38L71 96'), ...person(t, [58, 11], 'M54 26L49 51', 'M55 30L65 42L76 42', 'M49 52L61 71L62 95M49 52L39 72L26 94')],
  weightlifter: (t) => [lines('accent', 3.6, 'M4 14L96 14'), second(rectangle(5, 0, 8, 28, 2), rectangle(87, 0, 8, 28, 2), rectangle(15, 5, 5, 18, 1.6), rectangle(80, 5, 5, 18, 1.6)), ...person(t, [50, 28], 'M50 44L50 64', 'M48 45L33 36L29 15M52 45L67 36L71 15', 'M49 66L34 78L33 96M51 66L66 78L67 96')],
  boxer: (t) => [...person(t, [42, 16], 'M44 31L42 55', 'M46 33L60 40L76 32M44 34L52 48L62 38', 'M42 56L30 75L22 95M42 56L57 73L62 95'), accent(circle(80, 30, 7.6), circle(65, 35, 7.6))],
  fencer: (t) => [lines('accent', 2.8, `M60 36L99 ${30 + t('foil')}`), ...person(t, [38, 15], 'M39 30L36 55', 'M41 33L62 36M38 32L22 25L14 10', 'M36 57L60 65L62 94M36 57L26 76L10 94')],
  'figure skater': (t) => [lines('second', 2.6, 'M38 97L60 97M6 40L6 58'), ...person(t, [68, 20], 'M61 32L46 52', 'M62 33L84 26M59 32L46 18L34 12', `M46 54L52 73L49 93M46 54L28 50L8 ${48 + t('leg')}`)],
  skier: (t) => [lines('second', 3.6, 'M6 78L88 98C92 99 95 96 97 93'), lines('accent', 2.6, 'M62 46L30 72M70 50L44 82'), ...person(t, [66, 14], 'M58 27L38 44', 'M59 29L60 42L68 48', 'M38 46L58 58L46 82')],
  paddler: (t) => [lines('accent', 3.6, 'M30 22L82 80'), accent(ellipse(27, 18, 6, 8), ellipse(85, 84, 6, 8)), ...person(t, [52, 19], 'M50 33L48 60', 'M51 36L64 48L62 56M49 36L36 42L38 34', 'M48 62L58 64'), second(path('M2 62C16 68 84 68 98 62C90 80 70 86 50 86C30 86 10 80 2 62Z'))],
  sprinter: (t) => [...person(t, [70, 22], 'M62 33L42 46', 'M63 35L70 52L62 66M58 34L40 24L30 32', 'M42 48L62 58L56 78M42 48L30 66L8 74')],
  'high diver': (t) => [lines('second', 5, WATER), ...person(t, [66, 52], 'M58 44L40 28', 'M60 46L72 62L82 74', 'M40 28L24 16L6 6')],
}; // prettier-ignore
