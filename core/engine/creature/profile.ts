/** Heads of animals in profile, looking right, with the neck they are cut off at: what a crest or a badge mostly has. */
import { intersect, union, type Area } from '../../path';
import { disc } from '../area';
import type { Part } from '../figure';
import { isBird, isDusky } from './head';
import type { Kind } from './kinds';
import { ACCENT, COAT, DARK, FUR, LIGHT, line, oval, piece, shape, taper, type Joint, type Spread, type Tone } from './pieces'; // prettier-ignore

const area = (data: string): Area => shape(FUR, data).area;

/** What the heads of one family have in common: the head with its neck, where its eye is, and what else they have by their kind. */
interface Profile {
  readonly head: string;
  readonly eye: readonly [number, number];
  /** The eye of one who hunts: drawn out to its corners under a brow, and not round. */
  readonly isKeen?: boolean;
  /** Parts behind the head, and on it; those on it are cut to it. */
  readonly behind?: (kind: Kind, t: Spread) => Part[];
  readonly on?: (kind: Kind, t: Spread) => Part[];
  readonly front?: (kind: Kind, t: Spread) => Part[];
}

/** An eye that is drawn out to its corners, and looks ahead under its brow. */
const keenEye = (x: number, y: number, s = 1): Area => area(`M${x - 5 * s} ${y - 2.4 * s}L${x + 5.4 * s} ${y + 0.4 * s}C${x + 3 * s} ${y + 3.4 * s} ${x - 2.4 * s} ${y + 3 * s} ${x - 5 * s} ${y - 2.4 * s}Z`); // prettier-ignore
const has = (kind: Kind, mark: Kind['marks'][number]): boolean => kind.marks.includes(mark);

/** Stripes as wedges: each from a place, in a direction, so long and so wide at its root. */
const wedges = (...rows: readonly (readonly [number, number, number, number, number])[]): Area =>
  union(...rows.map(([x, y, deg, long, wide]): Area => {
    const a = (deg * Math.PI) / 180;
    const [c, s] = [Math.cos(a), Math.sin(a)];
    return [[x - wide * s, y + wide * c, x + long * c, y + long * s, x + wide * s, y - wide * c]];
  })); // prettier-ignore

const spots = (...rows: readonly (readonly [number, number, number])[]): Area => union(...rows.map(([x, y, r]) => disc(x, y, r, 24))); // prettier-ignore

const CANINE: Profile = {
  head: 'M32 31C40 26 46 25 52 27C60 28 66 32 70 38C78 40 87 43 93 48C97 51 97 56 93 59C91 64 86 66 80 66C73 68 65 71 60 76C58 82 58 88 60 97L49 88L44 98L35 87L27 95L24 83L12 86L17 72L6 70L15 59L8 51L19 47C21 40 26 34 32 31Z',
  eye: [63, 44],
  isKeen: true,
  behind: (kind) =>
    kind.ears?.[0] === 'flop' ? [] : [shape(COAT, 'M48 30L57 6C62 13 64 22 63 33Z')],
  on: (kind) => [
    ...(isDusky(kind) && !has(kind, 'blaze') ? [shape(COAT, 'M34 28L25 46L33 51L22 60L31 66L21 76L31 82L25 99L0 99L0 28Z')] : []),
    shape(LIGHT, 'M96 57C86 58 75 55 67 51C60 50 55 53 53 58L45 57L50 65L41 67L48 73L43 81L52 79L51 90L60 99L70 99L58 84L60 76C66 71 74 69 82 67L96 64Z'),
  ],
  front: (kind) => [
    shape(DARK, 'M87 45C92 45 97 49 97 53C95 57 91 57 88 53Z'),
    line(DARK, 1.3, 'M92 59C86 62 79 62 73 60'),
    ...(kind.ears?.[0] === 'flop'
      ? [shape(COAT, 'M38 26C46 24 53 29 52 38C51 50 47 62 39 66C30 64 27 52 29 42C30 34 33 28 38 26Z')]
      : [shape(FUR, 'M31 36L37 3C45 10 51 20 53 31C48 38 38 42 31 36Z'), shape(ACCENT, 'M37 32L40 13C44 18 47 24 48 31C45 34 41 35 37 32Z')]),
  ],
}; // prettier-ignore

const FELINE: Profile = {
  head: 'M26 33C33 24 46 21 57 23C64 25 69 29 73 33L88 44C93 46 95 50 92 54C95 58 95 63 91 66C91 73 85 77 78 76L69 77L64 86L59 80L58 91L51 85L50 98L14 98C9 80 11 58 17 46C19 40 22 36 26 33Z',
  eye: [66, 41],
  isKeen: true,
  behind: (kind) =>
    has(kind, 'mane')
      ? [piece(COAT, area('M58 25L54 14L46 18L38 5L32 16L20 10L20 22L8 24L14 36L3 44L12 52L2 64L13 68L6 82L17 84L14 98L66 98L60 92L66 86L60 82L64 76Z'))]
      : [shape(COAT, 'M44 26C43 18 50 13 55 17C58 20 58 25 56 29Z')],
  on: (kind) => [
    ...(has(kind, 'mane') ? [shape(COAT, 'M0 0L46 0L52 24L45 34L50 43L44 51L51 60L47 68L56 73L56 82L62 88L70 99L0 99Z')] : []),
    shape(LIGHT, 'M97 55C88 52 81 54 78 59C75 64 76 69 78 72L69 72L64 82L60 74L57 84L52 80L50 99L66 99L70 79L97 79Z'),
    ...(has(kind, 'stripes') ? [piece(DARK, wedges([50, 20, 78, 16, 2.8], [59, 23, 84, 12, 2.4], [14, 50, 14, 26, 3.2], [12, 64, 4, 28, 3.4], [13, 79, -6, 30, 3.4], [46, 78, -50, 18, 2.8], [36, 92, -40, 18, 3]))] : []),
    ...(has(kind, 'spots') ? [piece(COAT, spots([28, 44, 3.4], [24, 58, 3.2], [36, 54, 3], [32, 70, 3.6], [22, 82, 3.4], [44, 66, 2.8], [42, 84, 3.6], [54, 58, 2.2], [56, 70, 2.4], [32, 94, 3]))] : []),
  ],
  front: (kind, t) => [
    shape(has(kind, 'mane') ? DARK : ACCENT, 'M84 41.4C90 43 95 48 93 54C88 54 84 50 84 41.4Z'),
    line(DARK, 1.4, 'M91 64C87 67 82 67 78 64'),
    ...(kind.ears?.[0] === 'tufted' || kind.ears?.[0] === 'point'
      ? [shape(FUR, `M26 38L${25 - t('ear')} 5C36 9 45 19 47 30C43 38 32 43 26 38Z`), shape(ACCENT, 'M31 33L31 14C37 18 41 24 42 31C38 36 34 36 31 33Z'), ...(kind.ears[0] === 'tufted' ? [shape(DARK, 'M23 13L22 -5L30 10Z')] : [])]
      : [piece(FUR, disc(33, 26, 9)), piece(ACCENT, disc(34, 27, 5))]),
  ],
}; // prettier-ignore

const EQUINE: Profile = {
  head: 'M36 24C40 20 46 19 52 20C58 25 63 33 67 43C72 55 80 66 86 74C91 81 91 88 86 92C81 96 74 95 70 91C68 87 66 83 62 80C56 81 51 78 48 73C46 81 48 90 54 98L8 98C8 70 16 44 30 30Z',
  eye: [59, 42],
  on: (kind) => [
    ...(has(kind, 'blaze') ? [shape(LIGHT, 'M54 22C62 32 66 44 71 54L82 70L88 70L70 42L60 22Z')] : []),
    ...(has(kind, 'stripes') ? [piece(DARK, wedges([12, 60, 20, 30, 3], [8, 76, 12, 32, 3.2], [8, 91, 6, 34, 3.2], [24, 44, 32, 22, 2.8], [47, 72, -70, 20, 2.6], [55, 79, -80, 20, 2.4], [64, 78, -84, 15, 2.2], [70, 46, 150, 14, 2.2], [76, 57, 150, 12, 2])), piece(DARK, disc(86, 90, 13))] : []),
  ],
  behind: () => [shape(FUR, 'M50 24L57 4C61 10 62 19 60 28Z')],
  front: (kind) => [
    // A zebra's stands up, a donkey's is short, a horse's falls.
    has(kind, 'stripes')
      ? shape(COAT, 'M44 14L34 14L32 20L24 21L23 29L15 32L15 41L9 46L10 55L4 62L6 72L2 80L4 98L13 98C13 72 20 46 33 32Z')
      : shape(COAT, 'M47 10C36 9 24 18 17 30C8 44 4 64 2 84L8 78C8 86 7 92 5 98L22 98C20 92 21 86 25 80L17 80C21 66 26 54 34 46L27 46C33 38 40 32 46 30Z'),
    ...(has(kind, 'forelock') ? [shape(COAT, 'M44 14C52 14 59 20 61 32C56 28 50 27 46 28Z')] : []),
    ...(kind.ears?.[0] === 'long' ? [shape(FUR, 'M38 28L32 -6C44 2 52 14 52 27C48 33 42 33 38 28Z'), shape(ACCENT, 'M41 25L37 4C44 10 48 18 48 26C46 29 43 29 41 25Z')] : [shape(FUR, 'M39 28L43 2C51 8 55 17 54 26C50 32 43 32 39 28Z'), shape(ACCENT, 'M43 25L45 10C49 15 51 20 50 26C48 29 45 28 43 25Z')]),
    ...(kind.horns === 'single' ? [shape(ACCENT, 'M55 25L82 -10L63 31Z')] : []),
    piece(isDusky(kind) ? LIGHT : DARK, oval(83.6, 82, 1.5, 2.8, -0.4)),
    line(isDusky(kind) ? LIGHT : DARK, 1.3, 'M80 93C77 90 75 89 72 88.6'),
  ],
}; // prettier-ignore

/** A horn or an antler seen from the side, rooted at a place. */
function hornsAt(kind: Kind, [x, y]: readonly [number, number], isFar: boolean): Part[] {
  const j = (...rows: readonly (readonly number[])[]): Area => taper(...rows.map(([dx, dy, r]): Joint => [x + dx + (isFar ? 9 : 0), y + dy, isFar ? r * 0.86 : r])); // prettier-ignore
  const tone: Tone = isFar ? COAT : ACCENT;
  switch (kind.horns) {
    case 'antlers':
      return [piece(tone, union(j([0, 4, 4], [-9, -15, 3.6], [-6, -36, 3], [9, -52, 1.6]), j([-6, -8, 3], [10, -16, 2.4], [14, -28, 1.4]), j([-9, -21, 3], [7, -29, 2.4], [11, -41, 1.4]), j([-7, -32, 2.8], [-20, -42, 2.2], [-21, -54, 1.4])))]; // prettier-ignore
    case 'palms':
      return [shape(tone, `M${x - 2} ${y + 4}L${x - 9} ${y - 8}C${x - 24} ${y - 10} ${x - 34} ${y - 22} ${x - 34} ${y - 34}L${x - 25} ${y - 25}L${x - 23} ${y - 39}L${x - 14} ${y - 27}L${x - 8} ${y - 40}L${x - 2} ${y - 26}L${x + 8} ${y - 34}C${x + 9} ${y - 22} ${x + 4} ${y - 12} ${x + 4} ${y + 2}Z`)].slice(isFar ? 1 : 0); // prettier-ignore
    case 'ram': {
      if (isFar) return [];
      const spiral = Array.from({ length: 12 }, (_, i): readonly number[] => {
        const a = ((-100 - 40 * i) * Math.PI) / 180;
        const r = 19 - 1.25 * i;
        return [-7 + r * Math.cos(a), 19 + r * Math.sin(a), 7 - 0.46 * i];
      });
      return [piece(ACCENT, j(...spiral))];
    }
    case 'short':
      return [piece(isFar ? COAT : LIGHT, j([0, 4, 4], [6, -8, 3.4], [18, -14, 1.4]))];
    case 'spikes':
      return [piece(isFar ? COAT : LIGHT, j([-1, 5, 5], [6, -10, 4.4], [22, -17, 3], [32, -29, 1.2]))];
    case 'straight':
      return [piece(tone, j([0, 4, 4.4], [-5, -14, 3.8], [-20, -27, 2.6], [-34, -29, 1.2]))];
    default:
      return [];
  }
}

/** An ear that lies back as a leaf. */
const leafEar = ([x, y]: readonly [number, number], s: number): Part[] => [
  shape(COAT, `M${x} ${y + 11}C${x - 10 * s} ${y + 10} ${x - 22 * s} ${y + 2} ${x - 28 * s} ${y - 8}C${x - 16 * s} ${y - 10} ${x - 2} ${y - 6} ${x + 4} ${y + 4}Z`),
  shape(ACCENT, `M${x - 3} ${y + 7}C${x - 10 * s} ${y + 6} ${x - 17 * s} ${y + 1} ${x - 22 * s} ${y - 5}C${x - 13 * s} ${y - 6} ${x - 4} ${y - 3} ${x} ${y + 3}Z`),
]; // prettier-ignore

const CERVINE: Profile = {
  head: 'M38 30C44 24 54 23 61 30C69 40 79 51 87 57C92 60 93 66 89 69C86 73 80 74 75 73C69 74 63 73 58 70C54 76 53 86 55 98L16 98C17 78 24 56 32 44C33 38 35 33 38 30Z',
  eye: [62, 42],
  behind: (kind) => hornsAt(kind, [46, 27], true),
  on: (kind) => [
    ...(has(kind, 'wool') ? [] : [shape(LIGHT, 'M76 75C70 66 62 62 56 64L48 78L50 99L70 99L56 78L64 73Z')]),
    ...(has(kind, 'spots') ? [piece(LIGHT, spots([30, 62, 2.6], [36, 74, 2.8], [26, 76, 2.6], [32, 88, 2.8], [22, 90, 2.4]))] : []),
  ],
  front: (kind, t) => [
    ...(kind.horns === 'ram' ? [] : hornsAt(kind, [44, 28], false)),
    ...(has(kind, 'wool') ? [piece(COAT, union(...[[40, 28], [51, 25], [33, 37], [29, 48], [25, 60], [22, 72], [20, 84], [19, 95], [34, 60], [34, 74], [33, 88], [46, 88], [46, 76], [44, 36], [36, 48]].map(([x, y]) => disc(x, y, 9, 32)), area('M40 30L54 26L46 52L57 99L16 99L22 60Z')))] : []),
    ...leafEar([44, 34], kind.ears?.[1] ?? 1),
    ...(kind.horns === 'ram' ? hornsAt(kind, [48, 26], false) : []),
    ...(has(kind, 'beard') ? [shape(COAT, `M72 72C72 82 70 ${92 + t('beard')} 65 99C60 92 58 82 60 70Z`)] : []),
    shape(DARK, 'M83 54C89 56 94 61 91 66C87 67 84 62 83 54Z'),
    line(isDusky(kind) ? LIGHT : DARK, 1.3, 'M87 70C83 70 79 69 76 67'),
  ],
}; // prettier-ignore

const BOVINE: Profile = {
  head: 'M32 36C38 26 52 21 60 26C67 33 74 44 81 54C88 57 94 62 94 70C94 79 87 84 78 83C70 84 62 82 56 78C52 84 52 92 56 98L4 98C4 74 12 52 24 42Z',
  eye: [61, 45],
  behind: (kind) => hornsAt(kind, [50, 27], true),
  on: (kind) => [
    ...(kind.marks[0] === 'patches' ? [shape(COAT, 'M54 30C64 34 68 44 66 54C58 58 50 52 49 42Z'), shape(COAT, 'M0 64C14 60 28 68 30 82C30 92 24 99 20 99L0 99Z')] : []),
    piece(ACCENT, disc(90, 70, 15)),
  ],
  front: (kind) => [
    ...(has(kind, 'wool') ? [piece(COAT, union(area('M60 26C46 12 28 18 18 32C6 46 2 70 2 98L42 98C46 88 46 78 42 70C48 62 50 48 60 26Z'), ...[[56, 26], [46, 20], [35, 21], [25, 28], [42, 40], [40, 54], [40, 68], [44, 80], [43, 92]].map(([x, y]) => disc(x, y, 8, 32))))] : []),
    ...hornsAt(kind, [46, 29], false),
    ...leafEar([44, 40], (kind.ears?.[1] ?? 1) * 0.9),
    ...(has(kind, 'forelock') ? [shape(COAT, 'M46 26C54 20 64 26 66 40C60 36 52 34 46 34Z')] : []),
    ...(has(kind, 'beard') ? [shape(COAT, 'M70 82C70 92 66 98 60 104C56 96 54 86 56 77Z')] : []),
    piece(DARK, oval(89, 66, 2, 3, 0.5)),
    line(DARK, 1.4, 'M90 78C86 79 81 78 77 75'),
  ],
}; // prettier-ignore

const URSINE: Profile = {
  head: 'M28 34C34 27 42 26 48 28C56 28 62 32 66 38C72 42 80 43 87 46C93 48 94 54 91 58C90 64 84 67 78 68C70 70 64 74 60 80C58 87 60 93 62 98L10 98C8 78 14 54 22 40Z',
  eye: [64, 44],
  isKeen: true,
  behind: (kind) => [piece(kind.marks[0] === 'patches' ? COAT : FUR, disc(53, 26, 7.6))],
  on: (kind) => [
    ...(kind.marks[0] === 'patches' ? [piece(COAT, oval(63, 45, 6.6, 8.4, 0.5)), shape(COAT, 'M0 78C20 72 40 78 62 84L66 99L0 99Z')] : [shape(LIGHT, 'M96 55C86 50 76 49 70 53C66 59 67 66 71 70L96 70Z')]),
  ],
  front: (kind) => [
    piece(kind.marks[0] === 'patches' ? COAT : FUR, disc(36, 28, 9.6)),
    ...(kind.marks[0] === 'patches' ? [] : [piece(ACCENT, disc(37, 29, 5.4))]),
    shape(DARK, 'M84 43C90 43 96 47 95 51C93 55 87 55 85 51Z'),
    line(DARK, 1.4, 'M90 59C86 62 81 62 76 60'),
  ],
}; // prettier-ignore

const RAPTOR: Profile = {
  head: 'M66 26C59 13 40 9 27 20C16 30 13 48 10 64L18 61L13 78L24 72L22 89L34 80L38 97L48 82C56 76 60 68 62 58C66 53 69 47 70 41Z',
  eye: [57, 38],
  on: (kind) => [
    ...(has(kind, 'cap') ? [shape(COAT, 'M70 8L0 8L0 99L20 99C22 70 30 52 46 46L70 33Z')] : []),
    ...(has(kind, 'crest') || has(kind, 'cap') ? [] : [shape(COAT, 'M6 62L20 58L23 70L33 62L37 76L47 66L50 80L64 60L74 70L60 99L0 99Z')]),
    ...(has(kind, 'cap') ? [shape(LIGHT, 'M62 46C54 48 48 52 46 58L52 57L49 66L56 63L55 72L66 60Z')] : []),
  ],
  front: () => [
    shape(ACCENT, 'M65 26C79 23 94 33 95 57C95 61 92 62 90 58C87 53 81 50 74 51C69 52 65 52 60 54C63 45 64 36 65 26Z'),
    shape(ACCENT, 'M61 56C68 55 76 54 83 55C82 61 73 66 64 64C61 62 60 59 61 56Z'),
    piece(DARK, oval(73, 37, 2.6, 1.3, 0.5)),
    shape(DARK, 'M40 27L67 34L66 38.4C58 36 49 34.6 40 27Z'),
  ],
}; // prettier-ignore

const PARROT: Profile = {
  head: 'M64 18C54 8 38 8 27 19C16 31 13 52 12 70C11 82 8 92 6 98L58 98C60 88 66 78 68 66C70 58 72 50 70 42C70 32 68 24 64 18Z',
  eye: [57, 33],
  behind: (kind) => (has(kind, 'crest') ? [0, 1, 2, 3].map((i) => piece(ACCENT, taper([42 - 5 * i, 18 + 4 * i, 5], [34 - 8 * i, 2 + 6 * i, 4], [24 - 9 * i, -8 + 9 * i, 1.4]))) : []),
  on: () => [piece(LIGHT, oval(60, 37, 11, 13)), shape(COAT, 'M10 66C24 62 38 72 42 99L0 99Z')],
  front: () => [
    shape(ACCENT, 'M64 18C80 14 96 30 91 57C90 64 86 65 84 59C82 51 76 48 67 48C69 38 68 28 64 18Z'),
    shape(DARK, 'M67 50C73 50 79 54 79 62C73 65 67 62 65 57Z'),
  ],
}; // prettier-ignore

/** A bird's head, by the form of its beak. */
const BEAKS: Readonly<Partial<Record<Kind['muzzle'], readonly (readonly [Tone, string])[]>>> = {
  beak: [[ACCENT, 'M74 33C83 34 91 40 97 47L76 49.4Z'], [ACCENT, 'M76 51L91 50.6C87 55 82 58 75 58Z']],
  slender: [[COAT, 'M73 31C86 31 96 38 106 48L76 49.4Z'], [COAT, 'M76 51L98 50.4C92 56 84 59 75 58.4Z']],
  bill: [[ACCENT, 'M73 32C80 34 87 42 99 42C106 44 106 51 99 52C90 54 82 53 75 51Z'], [DARK, 'M75 53C82 55.4 89 55.4 96 54.4C91 60 82 61 75 59Z']],
  great: [[ACCENT, 'M70 24C92 18 112 32 110 60C98 52 88 49 74 49Z'], [ACCENT, 'M74 51C86 51 96 54 104 61C92 65 82 63 74 59Z'], [DARK, 'M104 38C109 44 111 52 110 60C106 57 103 55 99 53C103 48 105 43 104 38Z']],
}; // prettier-ignore

const FEATHERED: Profile = {
  head: 'M73 30C67 15 53 9 41 12C26 16 18 31 18 48C18 66 12 84 7 98L66 98C70 88 76 78 76 66C78 60 78 56 78 52L77 38C76 35 75 32 73 30Z',
  eye: [60, 37],
  behind: (kind) => [
    ...(has(kind, 'comb') ? [piece(ACCENT, union(disc(30, 16, 8), disc(42, 6, 9.4), disc(56, 6, 8.6), disc(67, 14, 6.4), disc(48, 16, 14)))] : []),
    ...(has(kind, 'crest') ? [0, 1, 2].map((i) => piece(COAT, taper([36 - 4 * i, 18 + 5 * i, 4], [22 - 6 * i, 8 + 8 * i, 3], [8 - 6 * i, 6 + 12 * i, 1]))) : []),
    ...(has(kind, 'quiff') && kind.muzzle === 'beak' ? [shape(FUR, 'M26 24C22 12 16 6 8 3C18 2 30 4 40 10L52 12C46 18 36 24 26 24Z')] : []),
  ],
  on: (kind) => [
    ...(has(kind, 'cap') ? [shape(COAT, 'M78 32C62 30 44 34 32 46C24 54 18 64 14 80L0 80L0 0L78 0Z')] : []),
    // A drake's head is of another colour down to its ring.
    ...(has(kind, 'ring') ? [shape(COAT, 'M0 0L90 0L90 72L0 60Z'), shape(LIGHT, 'M0 60L90 72L90 80L0 68Z')] : []),
    ...(has(kind, 'lore') ? [shape(DARK, 'M80 28L66 37L80 60Z')] : []),
    ...(has(kind, 'bib') ? [shape(ACCENT, 'M80 46C66 46 54 56 52 70C50 82 54 92 58 99L80 99Z')] : []),
    ...(has(kind, 'heart') || has(kind, 'discs') ? [shape(LIGHT, 'M84 30C66 24 52 28 50 40C50 52 60 60 58 74C56 86 58 94 60 99L84 99Z')] : []),
    ...(has(kind, 'ruff') ? [shape(COAT, 'M12 62L24 70L24 80L34 76L36 88L46 82L50 94L58 84L64 99L0 99Z')] : []),
  ],
  front: (kind) => [
    ...(BEAKS[kind.muzzle === 'slender' && has(kind, 'cap') ? 'beak' : kind.muzzle] ?? BEAKS.beak!).map(([tone, data]) => shape(tone, data)), // prettier-ignore
    ...(has(kind, 'wattle') ? [piece(ACCENT, union(oval(74, 70, 5.4, 11, 0.1), oval(68, 66, 4.4, 9, 0.2)))] : []),
  ],
}; // prettier-ignore

const LAGOMORPH: Profile = {
  head: 'M40 38C48 33 58 35 66 41C74 45 82 50 86 56C89 61 88 67 83 70C76 74 66 75 60 79C58 86 60 93 64 98L16 98C14 80 18 60 28 48C31 44 35 41 40 38Z',
  eye: [64, 51],
  behind: (kind) => [shape(COAT, 'M46 42C42 28 44 8 54 -4C61 8 60 28 56 42Z'), ...(has(kind, 'tips') ? [shape(DARK, 'M47 9C48 4 51 0 54 -4C56 0 58 4 58.6 9Z')] : [])],
  on: () => [shape(LIGHT, 'M90 64C80 60 70 64 64 74L58 82L56 99L80 99L62 84L68 76Z')],
  front: (kind) => [
    shape(FUR, 'M36 46C26 32 22 10 28 -4C40 6 50 26 51 42C48 50 42 52 36 46Z'),
    shape(ACCENT, 'M38 42C31 30 28 14 31 4C38 12 45 27 46 40C44 45 41 46 38 42Z'),
    ...(has(kind, 'tips') ? [shape(DARK, 'M25.4 9C25.6 4 26.4 0 28 -4C32 -1 36 4 39 9Z')] : []),
    shape(DARK, 'M82 52C87 53 90 58 88 61C85 62 82 58 82 52Z'),
    line(DARK, 1.3, 'M86 66C83 68 79 68 76 66'),
  ],
}; // prettier-ignore

/** The family whose profile a kind has; null for those that are known from the front alone. */
function familyOf(kind: Kind): Profile | null {
  const build = kind.body?.build;
  if (build === 'cat') return FELINE;
  if (build === 'dog') return kind.horns ? null : CANINE;
  if (build === 'bear') return kind.muzzle === 'round' && !has(kind, 'bands') && !has(kind, 'chops') ? URSINE : null;
  if (build === 'hopper') return kind.ears?.[0] === 'long' ? LAGOMORPH : null;
  if (build === 'hoofed')
    return kind.muzzle === 'long' ? EQUINE : kind.muzzle === 'wide' ? (kind.horns === 'nubs' || has(kind, 'quiff') ? null : BOVINE) : has(kind, 'quiff') ? null : CERVINE; // prettier-ignore
  if (build === 'raptor') return kind.muzzle !== 'hook' ? null : has(kind, 'discs') || has(kind, 'crest') ? PARROT : RAPTOR; // prettier-ignore
  if (isBird(kind) && (build === 'songbird' || build === 'fowl' || build === 'penguin')) return has(kind, 'sail') ? null : FEATHERED; // prettier-ignore
  return null;
}

/** Whether a kind's head is drawn in profile too. */
export const hasProfile = (kind: Kind): boolean => familyOf(kind) !== null;

/** A head in profile, looking right, in a field of about 100 x 100: parts from the bottom up; null for a kind that has none. */
export function profileParts(kind: Kind, t: Spread): Part[] | null {
  const family = familyOf(kind);
  if (!family) return null;
  const head = area(family.head);
  const [x, y] = family.eye;
  const on = family.on?.(kind, t) ?? [];
  // On what is dark an eye is seen by its light.
  const isOnLight = on.some((p) => p.tone === LIGHT && intersect(p.area, disc(x, y, 2)).length > 0);
  const isLit = (kind.tones?.[0] ?? 0.42) < 0.6 && !isOnLight;
  const eye = family.isKeen ? keenEye(x, y, 1 + 0.1 * t('eye')) : disc(x, y, 3 + 0.3 * t('eye'));
  const beaked = (parts: Part[]): Part[] => (isBird(kind) ? parts.map((p) => (p.tone === ACCENT ? { ...p, of: 'beak' } : p)) : parts); // prettier-ignore
  return [
    ...(family.behind?.(kind, t) ?? []),
    piece(FUR, head),
    ...on.map((p) => piece(p.tone as Tone, intersect(p.area, head))),
    piece(isLit ? LIGHT : DARK, eye),
    ...beaked(family.front?.(kind, t) ?? []),
  ].filter((p) => p.area.length);
}
