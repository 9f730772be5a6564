/** Figures that have no legs, upright and looking at us: what swims stands on its tail, its face in its body and its fins for arms; a snake stands on its coils. */
import {
  areaFrom,
  boxOfRuns,
  grown,
  intersect,
  moved,
  parsePath,
  subtract,
  turnAbout,
  union,
  type Area,
} from '../../path';
import { box, disc } from '../area';
import type { Part } from '../figure';
import { eyewearParts, hatOn, inCloth, neckParts, type Brow } from './dress';
import { eyeParts, mouthParts, type FacePlace } from './face';
import { headParts, isDusky, measuresOf } from './head';
import type { Kind } from './kinds';
import { browOf, clothTones, coversCrown, LIMBS, type FigureOptions } from './upright';
import { ACCENT, bone, both, COAT, DARK, downFrom, filleted, FUR, halves, LIGHT, line, named, oval, piece, taper, type Spread, type Tone } from './pieces'; // prettier-ignore

/** How a body that stands on its tail is shaped: half its width at the face and over the tail, where its top and its mouth are. */
interface Hull {
  readonly wide: number;
  readonly crown: number;
  readonly top: number;
  readonly mouth: number;
  readonly eyes: number;
  readonly apart: number;
}

const HULLS = {
  whale: { wide: 31, crown: 25, top: 10, mouth: 45, eyes: 34, apart: 17 },
  dolphin: { wide: 22, crown: 15, top: 4, mouth: 42, eyes: 28, apart: 12 },
  shark: { wide: 24, crown: 11, top: -2, mouth: 41, eyes: 26, apart: 11.5 },
  fish: { wide: 28, crown: 20, top: 8, mouth: 43, eyes: 31, apart: 13.5 },
} as const satisfies Record<string, Hull>;

/** Whether a kind swims, and so has fins where others have arms and legs. */
export const isFinned = (kind: Kind): boolean => kind.body?.build === 'fish' || kind.body?.build === 'whale';

const hullNamed = (kind: Kind): keyof typeof HULLS =>
  kind.muzzle === 'jaws'
    ? 'shark'
    : kind.body?.build === 'fish'
      ? 'fish'
      : kind.marks.includes('spout')
        ? 'whale'
        : 'dolphin';

/** Where the tail begins, and how far down the body that is dressed reaches. */
const [CHEST, WAIST, ROOT] = [54, 78, 87];

/** A whole figure that swims, in a field that is 100 wide: parts from the bottom up. */
export function finnedParts(kind: Kind, options: FigureOptions, t: Spread): Part[] {
  const { dress, held, stance, expression, crop } = options;
  const other = held && !held.isWide ? (options.other ?? null) : null;
  const name = hullNamed(kind);
  const hull = HULLS[name];
  const wide = hull.wide * (1 + 0.05 * t('belly'));
  const { main, trim } = clothTones(kind);
  const body = halves([50, hull.top], [50 + hull.crown, hull.top + 9], [50 + wide, 40], [50 + wide * 0.86, 62], [50 + wide * 0.36, ROOT - 3], [50, ROOT + 2]); // prettier-ignore
  const on = (tone: Tone, area: Area): Part => piece(tone, intersect(area, body));
  const belly = halves([50, hull.mouth - 6], [50 + wide * 0.62, hull.mouth - 3], [50 + wide * 0.72, 60], [50 + wide * 0.34, ROOT - 6], [50, ROOT + 6]); // prettier-ignore
  const isDark = isDusky(kind);

  // Fins from under the cheeks, bent as arms are.
  const arms = ([1, -1] as const).map((side, i) => {
    const pose = held?.isWide ? LIMBS['both hands'].arms : held ? [LIMBS.holding.arms[0], other ? LIMBS.holding.arms[0] : LIMBS.holding.arms[1]] : LIMBS[stance].arms;
    const root: readonly [number, number] = [50 + side * wide * 0.86, CHEST];
    const elbow = downFrom(root, 13, side * pose[i][0]);
    const end = downFrom(elbow, 12, side * pose[i][1]);
    return { side, root, elbow, end };
  }); // prettier-ignore
  const finOf = ({ root, elbow, end }: (typeof arms)[number]): Area => taper([root[0], root[1], 4.6], [elbow[0], elbow[1], 5.8], [end[0], end[1], 3]); // prettier-ignore

  const tail = both(filleted(union(taper([50, ROOT - 6, 6], [55, ROOT + 5, 5.4], [66, ROOT + 9, 5.4], [77, ROOT + 5, 1.4]), disc(50, ROOT - 3, 7)), 1.2)); // prettier-ignore
  const fan = both(filleted(union(...[0.25, 0.8, 1.3].map((a) => taper([50, ROOT - 4, 5], [50 + 11 * Math.sin(a), ROOT - 2 + 11 * Math.cos(a), 5.6], [50 + 21 * Math.sin(a), ROOT - 2 + 19 * Math.cos(a), 2.6]))), 0.8)); // prettier-ignore
  const isHatted = coversCrown(dress);
  const behind: Record<keyof typeof HULLS, Part[]> = {
    whale: isHatted ? [] : [piece(COAT, both(union(taper([51, hull.top + 3, 1.6], [52, hull.top - 8, 2], [58, hull.top - 14, 2.4], [64, hull.top - 10, 2.2], [66, hull.top - 3, 1.2]))))], // prettier-ignore
    dolphin: [piece(FUR, areaFrom(parsePath(`M${50 + wide * 0.6} 24C${50 + wide} 20 ${50 + wide * 1.5} 24 ${50 + wide * 1.62} 32C${50 + wide * 1.3} 32 ${50 + wide} 36 ${50 + wide * 0.8} 42Z`)))], // prettier-ignore
    shark: isHatted ? [] : [piece(FUR, areaFrom(parsePath(`M${50 - 9} ${hull.top + 12}C${50 - 5} ${hull.top - 8} ${50 + 6} ${hull.top - 19} ${50 + 17} ${hull.top - 21}C${50 + 12} ${hull.top - 11} ${50 + 12} ${hull.top - 1} ${50 + 13} ${hull.top + 14}Z`)))], // prettier-ignore
    fish: isHatted ? [] : [piece(COAT, filleted(union(...[-0.5, -0.17, 0.17, 0.5].map((a, i) => taper([50 + 26 * a, hull.top + 6, 4.6], [50 + 30 * a, hull.top - (i % 3 ? 9 : 5), 2.2]))), 0.6))], // prettier-ignore
  };

  const place: FacePlace = { x: 50, y: hull.eyes, apart: hull.apart, eye: 4.3 * (1 + 0.06 * t('eyes')), isDark, mouth: { y: hull.mouth + 3, half: 7 } }; // prettier-ignore
  const isGrin = name === 'shark' && ['happy', 'calm', 'laughing', 'angry', 'winking'].includes(expression);
  const grin = intersect(oval(50, hull.mouth - 2, 13.5, 12.5), box(0, hull.mouth - 2, 100, 40));
  const teeth = union(...Array.from({ length: 6 }, (_, i): Area => { const x = 50 + (i - 2.5) * 4.3; return [[x - 2, hull.mouth - 3, x + 2, hull.mouth - 3, x, hull.mouth + 2.6]]; })); // prettier-ignore
  // What lies on the light belly is dark; eyes on the dark back have their white.
  const face = named('face', [
    ...eyeParts(place, expression),
    ...(isGrin
      ? [piece(DARK, grin), piece(LIGHT, intersect(teeth, grin)), piece(ACCENT, intersect(oval(50, hull.mouth + 10, 6.4, 4), grin))] // prettier-ignore
      : mouthParts({ ...place, lines: DARK }, expression)),
  ]);
  const blush = kind.marks.includes('blush')
    ? [on(ACCENT, both(oval(50 + hull.apart + 5.4, hull.eyes + 10, 4, 2.7)))]
    : [];
  const own: Record<keyof typeof HULLS, Part[]> = {
    whale: [on(COAT, intersect(grown(belly, -1), union(...[-2, -1, 0, 1, 2].map((k) => line(COAT, 1.5, `M${50 + 7.4 * k} ${59 + Math.abs(k)}L${50 + 6 * k} ${ROOT}`).area))))], // prettier-ignore
    dolphin: kind.marks.includes('patches')
      ? [on(LIGHT, both(oval(50 + hull.apart + 4.6, hull.eyes - 8.4, 3.4, 6.4, 0.7)))]
      : [],
    shark: [on(COAT, both(union(...[0, 1, 2].map((k) => line(COAT, 1.5, `M${50 + wide * 0.93 - 3.6 * k} ${43 + k}Q${50 + wide * 0.93 - 5.4 * k} ${47 + k} ${50 + wide * 0.9 - 3.6 * k} ${51 + k}`).area))))], // prettier-ignore
    fish: [on(COAT, both(union(...[0, 1].map((k) => line(COAT, 1.8, `M${50 + wide * 0.98} ${52 + 9 * k}Q${50 + wide * 0.78} ${58 + 9 * k} ${50 + wide * 0.72} ${50 + 9 * k}`).area))))], // prettier-ignore
  };
  const snout = name === 'dolphin' ? [piece(LIGHT, oval(50, hull.mouth + 0.6, 11.5, 8.4))] : [];

  const half = Math.max(14, 0.42 * (hull.crown + wide));
  const brow: Brow = { x: 50, y: Math.min(hull.top + 8, hull.eyes - 0.42 * half - 6.5), half, middle: hull.eyes, cheek: wide }; // prettier-ignore
  const hat = hatOn(dress, brow, main, trim);
  const glasses = dress.eyes ? eyewearParts(dress.eyes, hull.eyes, hull.apart, 6.6, dress.dyes?.eyes) : [];

  const zone = box(0, CHEST + 5, 100, WAIST - CHEST - 5);
  const buttons = union(...[0.36, 0.62, 0.88].map((k) => disc(50, CHEST + 5 + k * (WAIST - CHEST - 5), 1.5, 24)));
  const topped = (): Part[] => {
    switch (dress.top) {
      case undefined:
        return [];
      case 'apron':
        return [on(main, box(0, CHEST + 8, 100, 3)), on(LIGHT, halves([50, CHEST + 6], [50 + wide * 0.54, CHEST + 7], [50 + wide * 0.6, WAIST - 4], [50, WAIST + 2])), on(main, both(box(50, CHEST + 15, wide * 0.3, 1.6)))]; // prettier-ignore
      case 'stripes':
      case 'jersey':
        return [on(LIGHT, zone), ...[0, 1].map((k) => on(main, box(0, CHEST + 8 + 9 * k, 100, 4.4)))];
      default:
        return [
          on(main, zone),
          on(LIGHT, intersect(zone, [[44, CHEST, 56, CHEST, 50, CHEST + 16]])),
          on(trim, buttons),
        ];
    }
  };
  const top = inCloth(topped(), dress.dyes?.top, dress.top === 'apron' ? [LIGHT, main] : [main]);
  const cape = inCloth(dress.hasCape ? [piece(trim, halves([50, CHEST - 6], [50 + wide, CHEST - 2], [50 + wide + 10, WAIST + 6], [50 + wide + 4, ROOT + 4], [50, ROOT]))] : [], dress.dyes?.cape); // prettier-ignore
  const pack = inCloth(dress.hasPack ? [piece(trim, grown(box(50 - wide - 5, CHEST - 6, 2 * wide + 10, 24), 2))] : [], dress.dyes?.pack); // prettier-ignore
  const neckwear = inCloth(neckParts(dress, CHEST + 2, wide * 0.7, WAIST - CHEST + 6, main, trim), dress.dyes?.neck);

  const things = heldAt(options, [arms[0].end, arms[1].end]);
  const fins = arms.map((a) => piece(FUR, finOf(a)));
  const gaps = fins.map((f) => piece(isDark ? LIGHT : DARK, intersect(subtract(grown(f.area, 0.9), f.area), body)));
  // A tip lies before what is held, so that it is truly in the fin.
  const tips = !held
    ? []
    : held.isWide
      ? arms.map(({ side, end }) => {
          const b = boxOfRuns(things.flatMap((p) => p.area))!;
          const x = side > 0 ? Math.min(b.x + b.width - 1, end[0] + 8) : Math.max(b.x + 1, end[0] - 8);
          return piece(FUR, bone([x + side * 5, end[1] + 5, 4], [x - side * 2, end[1] + 2, 2.8]));
        })
      : arms.slice(0, other ? 2 : 1).map(({ side, end }) => piece(FUR, bone([end[0] - side * 3, end[1] + 1.4, 3.1], [end[0] + side * 4.6, end[1] - 1, 2.4]))); // prettier-ignore
  const whole: Part[] = [
    ...cape,
    ...pack,
    ...hat.behind,
    ...named('tail', [piece(name === 'fish' ? COAT : FUR, name === 'fish' ? fan : tail)]),
    ...named('fin', behind[name]),
    piece(FUR, body),
    ...named('belly', [on(name === 'fish' ? COAT : LIGHT, belly)]),
    ...own[name],
    ...top,
    ...blush,
    ...snout,
    ...face,
    ...glasses,
    ...hat.front,
    ...neckwear,
    ...gaps,
    ...fins,
    ...things,
    ...tips,
  ].filter((p) => p.area.length);
  if (crop !== 'whole') return cutAt(whole, crop === 'head' ? 58 : 70);
  const lean = stance === 'jumping' ? -0.3 : stance === 'running' ? 0.2 : 0;
  return lean ? whole.map((p) => ({ ...p, area: moved(p.area, turnAbout([50, 50], lean)) })) : whole;
}

/** What of parts lies over a height. */
const cutAt = (parts: readonly Part[], y: number): Part[] =>
  parts.map((p) => ({ ...p, area: intersect(p.area, box(-60, -120, 220, 120 + y)) })).filter((p) => p.area.length);

/** What is held, at the ends of the arms. */
function heldAt({ held, other }: FigureOptions, [right, left]: readonly (readonly [number, number])[]): Part[] {
  if (!held) return [];
  const [x, y] = held.isWide ? [50, (right[1] + left[1]) / 2 + 4] : [right[0] + 1, right[1] - held.size * 0.26];
  const inOther = other && !held.isWide ? other.parts.map((p) => ({ ...p, area: moved(p.area, [-other.size, 0, 0, other.size, left[0] - 1, left[1] - other.size * 0.26]) })) : []; // prettier-ignore
  return [...held.parts.map((p) => ({ ...p, area: moved(p.area, [held.size, 0, 0, held.size, x, y]) })), ...inOther];
}

/** Whether a kind has neither arms nor fins, and stands on its coils. */
export const isCoiled = (kind: Kind): boolean => kind.marks.includes('coils');

/** A snake that has raised itself from its coils, in a field that is 100 wide; the end of its tail holds. */
export function coiledParts(kind: Kind, options: FigureOptions, t: Spread): Part[] {
  const { dress, held, expression, crop } = options;
  const m = measuresOf(kind, t);
  const { main, trim } = clothTones(kind);
  const brow = browOf(kind, m);
  const hat = hatOn(dress, brow, main, trim);
  const glasses = dress.eyes ? eyewearParts(dress.eyes, m.eyeY, m.apart, Math.max(5.2, m.apart * 0.56), dress.dyes?.eyes) : []; // prettier-ignore
  const size = 0.66;
  const onHead = (parts: readonly Part[]): Part[] => parts.map((p) => ({ ...p, area: moved(p.area, [size, 0, 0, size, 50 - 50 * size, 46 - size * m.bottom]) })); // prettier-ignore
  // A forked tongue, where the mouth is closed.
  const tongue = expression === 'laughing' || expression === 'surprised' ? [] : [piece(ACCENT, union(taper([50, m.bottom - 9, 1.7], [50, m.bottom + 5, 1.5]), both(taper([50, m.bottom + 4, 1.4], [54.4, m.bottom + 11, 0.8]))))]; // prettier-ignore
  const head = onHead([...hat.behind, ...headParts(kind, expression, t, coversCrown(dress)), ...tongue, ...glasses, ...hat.front]); // prettier-ignore
  if (crop === 'head') return head;
  const neck = taper([50, 40, 8.4], [48, 54, 8.8], [51, 68, 9.4], [49, 82, 10]);
  const coils = [oval(50, 92, 34, 9.4), oval(50, 80, 27, 8.4), oval(50, 69.5, 20, 7.4)];
  const gap = (area: Area, under: Area): Part => piece(COAT, intersect(subtract(grown(area, 1.3), area), under));
  const tip: readonly [number, number] = [88, held ? 62 : 70];
  const tail = taper([76, 94, 7], [90, 88, 5.6], [94, 76, 4.4], [tip[0], tip[1], 3]);
  const scutes = union(...[48, 53, 58].map((y) => box(40, y, 20, 2)));
  const things = held ? heldAt({ ...options, held: { ...held, isWide: false, size: Math.min(38, held.size) } }, [tip, tip]) : []; // prettier-ignore
  const hook = held ? [piece(FUR, bone([tip[0] + 4.4, tip[1] + 3, 3.4], [tip[0] - 4.6, tip[1] - 1, 2.4]))] : [];
  const parts: Part[] = [
    ...named('tail', [piece(FUR, tail)]),
    piece(FUR, coils[0]),
    gap(coils[1], coils[0]),
    piece(FUR, coils[1]),
    gap(coils[2], coils[1]),
    piece(FUR, coils[2]),
    gap(neck, coils[2]),
    piece(FUR, intersect(neck, box(0, 0, 100, 72))),
    piece(LIGHT, intersect(grown(neck, -3.4), box(0, 0, 100, 66))),
    piece(COAT, intersect(scutes, grown(neck, -3.4))),
    ...inCloth(neckParts(dress, 44, 10, 30, main, trim), dress.dyes?.neck),
    ...things,
    ...hook,
    ...head,
  ].filter((p) => p.area.length);
  return crop === 'bust' ? cutAt(parts, 62) : parts;
}
