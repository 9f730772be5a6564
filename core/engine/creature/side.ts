/** Whole animals from the side, looking right, in poses: bones with flesh on them, so that joints hold together. */
import { filled, grown, intersect, moved, subtract, turnAbout, union, type Affine, type Area } from '../../path';
import { box, disc } from '../area';
import type { Part } from '../figure';
import type { Build, Kind } from './kinds';
import { ACCENT, around, bone, COAT, DARK, downFrom, filleted, FUR, LIGHT, limb, line, oval, piece, taper, type Joint, type Spread } from './pieces'; // prettier-ignore
import { at, earArea, hornArea, tailArea, wingArea } from './limbs';
import { fowlParts, swimmerParts } from './side-others';

export const POSES = ['standing', 'sitting', 'running', 'flying', 'leaping'] as const;
export type Pose = (typeof POSES)[number] | 'howling' | 'grazing' | 'lying' | 'stretching' | 'looking back';

type P = readonly [number, number];
/** Angles of thigh and shin from straight down, in degrees, forwards positive. */
type Leg = readonly [number, number];

/** Measures of a body: length of the back, radii of chest and rump, lengths and thickness of the legs, neck, skull and snout. */
interface Frame {
  readonly back: number;
  readonly chest: number;
  readonly rump: number;
  readonly leg: number;
  readonly thick: number;
  readonly neck: number;
  /** Of the neck from straight up, forwards positive. */
  readonly neckDeg: number;
  readonly skull: number;
  readonly snout: number;
  readonly snoutR: number;
  /** Hooves and not paws. */
  readonly isHoofed?: boolean;
}

const FRAMES: Partial<Readonly<Record<Build, Frame>>> = {
  cat: { back: 36, chest: 11, rump: 11.5, leg: 28, thick: 4.4, neck: 11, neckDeg: 38, skull: 9.5, snout: 6.5, snoutR: 5 },
  dog: { back: 35, chest: 12.5, rump: 10.5, leg: 31, thick: 4.2, neck: 14, neckDeg: 40, skull: 9, snout: 14, snoutR: 3.6 },
  bear: { back: 34, chest: 15, rump: 17, leg: 24, thick: 7, neck: 10, neckDeg: 62, skull: 11, snout: 10, snoutR: 5 },
  hoofed: { back: 37, chest: 13, rump: 12.5, leg: 34, thick: 3.7, neck: 20, neckDeg: 36, skull: 7.8, snout: 16, snoutR: 4.8, isHoofed: true },
  heavy: { back: 36, chest: 17, rump: 18, leg: 22, thick: 6.4, neck: 10, neckDeg: 64, skull: 12, snout: 14, snoutR: 7, isHoofed: true },
  rodent: { back: 24, chest: 11, rump: 15, leg: 15, thick: 4.2, neck: 10, neckDeg: 46, skull: 9.5, snout: 8, snoutR: 3.6 },
  hopper: { back: 26, chest: 10.5, rump: 15, leg: 22, thick: 4.6, neck: 12, neckDeg: 38, skull: 9.2, snout: 8, snoutR: 4.6 },
  ape: { back: 27, chest: 13, rump: 12, leg: 26, thick: 5.2, neck: 9, neckDeg: 30, skull: 11.5, snout: 5.5, snoutR: 6 },
}; // prettier-ignore

interface Stance {
  /** Of the back from level, in degrees: positive lifts the chest. */
  readonly tilt: number;
  readonly fore: readonly [Leg, Leg];
  readonly hind: readonly [Leg, Leg];
  /** Of the neck beside its own angle, and of the tail from straight back, in degrees: positive down and forwards. */
  readonly neck: number;
  readonly tail: number;
}

/** The other moment of a movement: legs gathered where they were stretched. */
const SECOND: Partial<Readonly<Record<Pose, Stance>>> = {
  standing: { tilt: 0, fore: [[-14, -20], [34, -26]], hind: [[36, 4], [-22, -40]], neck: 8, tail: 4 },
  running: { tilt: -3, fore: [[-18, -62], [22, -74]], hind: [[54, -22], [72, -2]], neck: 14, tail: -4 },
  leaping: { tilt: 34, fore: [[62, -30], [40, -50]], hind: [[-22, -52], [-44, -64]], neck: 2, tail: 26 },
  flying: { tilt: 20, fore: [[70, -20], [48, -34]], hind: [[-30, -84], [-16, -96]], neck: 2, tail: 10 },
}; // prettier-ignore

/** Near leg, then far leg. */
const STANCES: Readonly<Record<Exclude<Pose, 'sitting' | 'howling' | 'grazing' | 'lying' | 'looking back'>, Stance>> = {
  standing: { tilt: 2, fore: [[2, -2], [16, 2]], hind: [[18, -14], [-6, -22]], neck: 0, tail: 12 },
  running: { tilt: 4, fore: [[58, 66], [30, 84]], hind: [[-56, -74], [-34, -98]], neck: 18, tail: -12 },
  leaping: { tilt: 26, fore: [[74, 30], [52, 8]], hind: [[-40, -44], [-60, -56]], neck: 12, tail: 20 },
  // Chest down, rump up, the fore legs flat before it.
  stretching: { tilt: -24, fore: [[62, 88], [76, 92]], hind: [[16, -12], [2, -20]], neck: 6, tail: -58 },
  flying: { tilt: 12, fore: [[82, 54], [62, 40]], hind: [[-64, -72], [-48, -92]], neck: 8, tail: -4 },
}; // prettier-ignore

/** A whole four-footed animal. */
function beastParts(kind: Kind, pose: Pose, t: Spread, isSecond: boolean): Part[] {
  const { build, tail, neck: neckBy = 1, legs = 1, bulk = 1 } = kind.body!;
  const f = FRAMES[build]!;
  const [chestR, rumpR] = [f.chest * bulk * (1 + 0.05 * t('chest')), f.rump * bulk * (1 + 0.05 * t('rump'))];
  const legLength = f.leg * legs * (1 + 0.05 * t('legs'));
  const [upper, lower] = [legLength * 0.5, legLength * 0.5];
  const thick = f.thick * Math.sqrt(bulk);
  // What has a trunk raises that, and not its head.
  const isTrunkUp = pose === 'howling' && kind.muzzle === 'trunk';
  const howls = pose === 'howling' && !isTrunkUp;
  const sits = pose === 'sitting' || (howls && !isSecond);
  const grazes = pose === 'grazing';
  const lies = pose === 'lying';
  // Who looks back has the head over the shoulder: all of it the other way round.
  const looksBack = pose === 'looking back';
  const isLow = sits || lies;
  const stance =
    isLow || pose === 'howling' || grazes || looksBack ? STANCES.standing : (isSecond && SECOND[pose]) || STANCES[pose];
  const tilt = ((sits ? 52 : lies ? 7 : stance.tilt) * Math.PI) / 180;
  const rump: P = [36, 56];
  const long = f.back * (sits ? 0.88 : 1);
  const chest: P = [36 + long * Math.cos(tilt), 56 - long * Math.sin(tilt)];
  const ground = rump[1] + (isLow ? rumpR : legLength + rumpR * 0.42);

  /** One leg from where it is rooted: its thigh, its shin and its foot. */
  const leg = (root: P, [thigh, shin]: Leg, r: number, isHind: boolean): { area: Area; foot: Area } => {
    const knee = downFrom(root, upper, thigh);
    const ankle = downFrom(knee, lower, shin);
    // Hind legs have a heel.
    const toe = downFrom(ankle, f.isHoofed ? 2.2 : thick * 1.15, f.isHoofed ? shin + 8 : Math.min(100, shin + 84));
    const area = limb(at(root, r), at(knee, thick * (isHind ? 1.12 : 1)), at(ankle, thick * 0.8), at(toe, thick * 0.78));
    const foot = f.isHoofed ? intersect(grown(area, 0.3), disc(...downFrom(ankle, thick * 0.9, shin), thick * 1.2)) : intersect(area, disc(toe[0], toe[1], thick * 1.7));
    return { area, foot };
  }; // prettier-ignore
  const foreRoot: P = [chest[0] + 1, chest[1] + chestR * 0.3];
  const hindRoot: P = [rump[0] - 1, rump[1] + rumpR * 0.2];
  const legRoot = { fore: Math.min(chestR * 0.62, thick * 1.7), hind: Math.min(rumpR * 0.78, thick * 2.1) };

  let near: { area: Area; foot: Area }[];
  let far: { area: Area; foot: Area }[];
  if (lies) {
    // Fore legs flat before it, the hind leg folded under the flank.
    const flat = (reach: number, dy: number): { area: Area; foot: Area } => {
      const elbow: P = [chest[0] - 1, ground - thick * 0.9 + dy];
      const toe: P = [chest[0] + chestR * 0.4 + reach, ground - thick * 0.84 + dy];
      const area = limb(at([chest[0] - 2, chest[1] + chestR * 0.3], legRoot.fore), at(elbow, thick), at(toe, thick * 0.82));
      return { area, foot: f.isHoofed ? intersect(area, box(toe[0] - thick * 0.6, 0, 40, 200)) : intersect(area, disc(toe[0], toe[1], thick * 1.7)) };
    }; // prettier-ignore
    const fold: P = [rump[0] + rumpR * 0.7, ground - thick * 0.86];
    const foldToe: P = [fold[0] + thick * 2.2, ground - thick * 0.84];
    const thigh = union(
      oval(rump[0] + 1, rump[1] + rumpR * 0.14, rumpR * 0.96, rumpR * 0.84, -0.3),
      bone(at(fold, thick * 0.95), at(foldToe, thick * 0.82)),
    );
    near = [flat(legLength * 0.5, 0), { area: thigh, foot: intersect(thigh, disc(foldToe[0], foldToe[1], thick * 1.5)) }]; // prettier-ignore
    far = [flat(legLength * 0.62, -thick * 0.5)];
  } else if (sits) {
    // Fore legs straight to the ground; the hind leg folded, its foot forwards.
    const straight = (x: number): { area: Area; foot: Area } => {
      const sole: P = [x + 1, ground - thick * 0.8];
      const toe: P = [x + 1 + thick * 1.2, ground - thick * 0.78];
      const area = limb(at([chest[0] - 1, chest[1] + chestR * 0.4], legRoot.fore), at([x, (chest[1] + ground) / 2 + 4], thick), at(sole, thick * 0.8), at(toe, thick * 0.78));
      return { area, foot: f.isHoofed ? intersect(area, box(0, ground - thick * 1.1, 200, 20)) : intersect(area, disc(toe[0], toe[1], thick * 1.6)) };
    }; // prettier-ignore
    const fold: P = [rump[0] + rumpR * 1.02, ground - thick * 0.84];
    const foldToe: P = [fold[0] + thick * 1.9, ground - thick * 0.8];
    const folded = union(
      oval(rump[0] + 2.5, rump[1] + rumpR * 0.16, rumpR * 0.94, rumpR * 0.86, -0.5),
      bone(at([rump[0] - 1, ground - thick * 0.9], thick * 0.9), at(foldToe, thick * 0.82)),
    );
    near = [
      straight(chest[0] + 1),
      { area: folded, foot: intersect(folded, disc(foldToe[0], foldToe[1], thick * 1.5)) },
    ];
    far = [straight(chest[0] + 1 + thick * 1.9)];
  } else {
    near = [leg(foreRoot, stance.fore[0], legRoot.fore, false), leg(hindRoot, stance.hind[0], legRoot.hind, true)];
    far = [leg([foreRoot[0] + 2, foreRoot[1]], stance.fore[1], legRoot.fore * 0.9, false), leg([hindRoot[0] + 4, hindRoot[1]], stance.hind[1], legRoot.hind * 0.85, true)]; // prettier-ignore
  }

  const neckLength = f.neck * neckBy * (1 + 0.06 * t('neck')) * (grazes ? 1.25 : 1);
  const neckDeg =
    180 -
    (grazes
      ? 138 + 4 * t('nod')
      : f.neckDeg +
        (howls ? (sits ? -30 : -8) : sits ? -26 : lies ? -14 : looksBack ? -8 - f.neckDeg * 0.7 : stance.neck) +
        6 * t('nod'));
  const nape: P = [chest[0] + chestR * 0.25, chest[1] - chestR * 0.25];
  const head = downFrom(nape, chestR * 0.6 + neckLength, neckDeg);
  // Of who sits less is seen of the body, and more of the head.
  const large = isLow ? 1.2 : 1;
  const skullR = f.skull * (0.9 + 0.1 * bulk) * large;
  // Who howls has the muzzle up, the ears laid back and the eyes shut; who grazes has it down.
  const raised = howls ? 76 : grazes ? -42 : 0;
  const ahead = 66 + raised + (sits ? -4 : stance.tilt * 0.35) + 5 * t('face');
  const faceDeg = looksBack ? -ahead : ahead;
  const facing = looksBack ? -1 : 1;
  const snout = downFrom(head, (f.snout * (0.9 + 0.1 * bulk) + 2) * Math.sqrt(large), faceDeg);
  const snoutR = f.snoutR * Math.sqrt(large);
  const isBull = kind.muzzle === 'wide' ? 1.18 : 1;
  const skull = union(disc(head[0], head[1], skullR, 56), bone(at(head, skullR * 0.84), at(snout, snoutR * isBull)));
  const throat = taper(at([chest[0], chest[1]], chestR * 0.94), at([(nape[0] + head[0]) / 2 + 1, (nape[1] + head[1]) / 2 + 1], (chestR * 0.6 + skullR * 0.5) * (neckBy > 1.2 ? 0.72 : 0.9)), at(head, skullR * 0.82)); // prettier-ignore

  const barrel = limb(at(rump, rumpR), at([(rump[0] + chest[0]) / 2, (rump[1] + chest[1]) / 2 - 0.5], (rumpR + chestR) * 0.47), at(chest, chestR)); // prettier-ignore
  const joined = filleted(union(barrel, throat, skull, ...near.map((l) => l.area)), 2.4);
  const body = isLow ? filled(joined) : joined;
  const farLegs = union(...far.map((l) => l.area));

  const rootDeg = isLow ? 14 : stance.tail;
  const tailRoot: P = isLow
    ? [rump[0] - rumpR * 0.8, rump[1] + rumpR * 0.5]
    : [rump[0] - rumpR * 0.84, rump[1] - rumpR * 0.42];
  const isUp = tail === 'tuft' || tail === 'brush' ? -1 : 1;
  const tailed = tailArea(tail, tailRoot, isLow ? rootDeg - 24 : -rootDeg * isUp, 0.9 + 0.1 * bulk, t);
  const up = kind.ears ? earArea(kind.ears, head, skullR) : null;
  const back: Affine = looksBack
    ? [-1, 0, 0, 1, 2 * head[0], 0]
    : turnAbout(head, ((howls ? -0.8 : -1) * raised * Math.PI) / 180);
  const ear = up && (raised || looksBack) ? { near: moved(up.near, back), inner: moved(up.inner, back) } : up;
  const antlers = kind.horns ? hornArea(kind.horns, head, kind.horns === 'nose' ? skullR / large : skullR) : null;
  const horns = antlers && looksBack ? { ...antlers, area: moved(antlers.area, back) } : antlers;
  const eye: P = downFrom(head, skullR * 0.42, faceDeg + facing * 62);
  const nose: P = downFrom(snout, snoutR * isBull * 0.72, faceDeg + facing * 22);
  const lightness = kind.tones?.[0] ?? 0.42;
  const marks = new Set(kind.marks);

  const hasBib =
    kind.muzzle === 'mask' || kind.muzzle === 'cat' || (kind.muzzle === 'bud' && !kind.marks.includes('wool'));
  const under = downFrom(head, skullR * 0.8, faceDeg - facing * 58);
  const front: P = [chest[0] + chestR * 0.86, chest[1] + chestR * 0.12];
  const bib = hasBib && !marks.has('mane') ? [piece(LIGHT, intersect(subtract(body, grown(near[0].area, 0.1)), taper(at(under, skullR * 0.34), at([(under[0] + front[0]) / 2 + 1.5, (under[1] + front[1]) / 2], skullR * 0.46), at(front, chestR * 0.42), at([front[0] - chestR * 0.2, front[1] + chestR * 0.62], chestR * 0.2))))] : []; // prettier-ignore
  const belly = marks.has('bands') || lightness > 0.84 || (!hasBib && kind.muzzle !== 'round') ? [] : [piece(LIGHT, intersect(body, chinArea(head, snout, snoutR * isBull, skullR, faceDeg)))]; // prettier-ignore
  const along = (k: number): P => [rump[0] + (chest[0] - rump[0]) * k, rump[1] + (chest[1] - rump[1]) * k];
  const stripes = marks.has('stripes') ? [piece(DARK, intersect(body, union(...[-0.12, 0.14, 0.4, 0.66, 0.92].map((k) => moved(grown([[-2, -22, 2.2, -22, 0, 3]], 0.5), [1, 0, 0, 1, along(k)[0], along(k)[1]])))))] : []; // prettier-ignore
  const spots = marks.has('spots') ? [piece(COAT, intersect(grown(barrel, -1.2), union(...[[-0.1, -6], [0.12, 2], [0.3, -7], [0.5, 1], [0.7, -6], [0.92, 0], [0.04, 8], [0.62, 8]].map(([k, dy]) => disc(along(k)[0], along(k)[1] + dy, 2.3, 24)))))] : []; // prettier-ignore
  const patches = kind.marks[0] === 'patches' ? [piece(COAT, intersect(body, union(oval(rump[0] + 1, rump[1] - 6, 9, 8), oval(chest[0] - 6, chest[1] + 3, 6.5, 5.4), disc(head[0] - 1, head[1] - 2, skullR * 0.62, 40))))] : []; // prettier-ignore
  const mane = marks.has('mane')
    ? [piece(COAT, union(...[0, 1, 2, 3, 4, 5, 6].map((i) => disc(head[0] - 3 + 11.6 * Math.cos(1.3 + i * 0.62), head[1] + 4 + 12.6 * Math.sin(1.3 + i * 0.62), 7, 40)), disc(head[0] - 4, head[1] + 5, 13, 48)))] // prettier-ignore
    : marks.has('forelock')
      ? [piece(COAT, taper(at([head[0] + 2, head[1] - skullR], 2.4), at([head[0] - skullR, head[1] - 2], 3.6), at([(head[0] + nape[0]) / 2 - 5, (head[1] + nape[1]) / 2], 3.8), at([nape[0] - chestR * 0.7, nape[1] - chestR * 0.3], 2)))] // prettier-ignore
      : [];
  const middle = along(0.5);
  const tilted = turnAbout(middle, -tilt);
  // A bison has it before its middle alone.
  const maneOnly = (area: Area): Area =>
    kind.muzzle === 'wide' ? intersect(area, box(middle[0] - 2, -100, 300, 300)) : area;
  const wool = marks.has('wool')
    ? [piece(COAT, maneOnly(union(barrel, moved(union(...around(0, 0, 1, 0, 337.5, 16).map(([x, y]) => disc(middle[0] + (f.back / 2 + rumpR * 0.86) * x, middle[1] - 1 + rumpR * 0.98 * y, 6.4, 40))), tilted))))] // prettier-ignore
    : [];
  const spine = (deg: number): Area => {
    const r = f.back / 2 + rumpR;
    const [[ax, ay], [bx, by], [cx, cy]] = [-7, 0, 7].map((d, i) => around(middle[0], middle[1], 1, deg + d, deg + d, 1).map(([x, y]) => [(x - middle[0]) * r * (i === 1 ? 1.08 : 0.72), (y - middle[1]) * r * (i === 1 ? 0.86 : 0.5)])[0]); // prettier-ignore
    return [[middle[0] + ax, middle[1] + ay, middle[0] + bx, middle[1] + by, middle[0] + cx, middle[1] + cy]];
  };
  const spines = marks.has('spines') ? [piece(FUR, subtract(union(barrel, moved(union(...around(0, 0, 1, 168, 352, 13).map(([, , a]) => spine((a * 180) / Math.PI))), tilted)), grown(skull, 0.6)))] : []; // prettier-ignore
  const feet =
    (f.isHoofed && build !== 'heavy') || marks.has('tips') ? [piece(DARK, union(...near.map((l) => l.foot)))] : [];
  const wings = pose === 'flying' ? wingArea(1.05 + 0.1 * t('wings'), 12) : null;
  const wingRoot: P = [chest[0] - 6, chest[1] - chestR * 0.5];
  const put = (area: Area, dx = 0, dy = 0): Area => moved(area, [1, 0, 0, 1, wingRoot[0] + dx, wingRoot[1] + dy]);
  const lid = bone(
    at(downFrom(eye, skullR * 0.22, faceDeg), 0.8),
    at(downFrom(eye, skullR * 0.22, faceDeg + 180), 0.8),
  );
  const pupil = piece(
    lightness < 0.3 ? LIGHT : DARK,
    howls ? lid : disc(eye[0], eye[1], Math.max(1.3, skullR * 0.15), 28),
  );
  const trunk = isTrunkUp ? [taper(at(snout, 5.4), at([snout[0] + 9, snout[1] + 4], 4.6), at([snout[0] + 16, snout[1] - 5], 3.8), at([snout[0] + 15, snout[1] - 18], 3.2), at([snout[0] + 20, snout[1] - 26], 2.6))] : kind.muzzle === 'trunk' ? [taper(at(snout, 5.4), at([snout[0] + facing * 5, snout[1] + 11], 4.4), at([snout[0] + facing * 6, snout[1] + 21], 3.6), at([snout[0] + facing * 13, snout[1] + 25], 2.8))] : []; // prettier-ignore
  const tusk = kind.marks.includes('tusks') ? [piece(LIGHT, taper(at([snout[0] - facing, snout[1] + 3], 2.2), at([snout[0] + facing * 9, snout[1] + 9], 1.8), at([snout[0] + facing * 14, snout[1] + 5], 0.8)))] : []; // prettier-ignore

  return [
    ...(wings ? [piece(COAT, put(moved(wings.area, turnAbout([0, 0], 0.42)), 5, 1))] : []),
    piece(COAT, farLegs),
    ...(f.isHoofed && build !== 'heavy' ? [piece(DARK, union(...far.map((l) => l.foot)))] : []),
    ...(tailed?.area.length ? [piece(FUR, tailed.area)] : []),
    ...(tailed?.tip.length ? [piece(tail === 'bushy' ? LIGHT : COAT, tailed.tip)] : []),
    ...(horns && kind.horns !== 'ram' ? [piece(horns.isLight ? ACCENT : COAT, horns.area)] : []),
    piece(marks.has('spines') ? COAT : FUR, trunk.length ? filleted(union(body, ...trunk), 1.6) : body),
    ...bib,
    ...belly,
    ...stripes,
    ...spots,
    ...patches,
    ...feet,
    ...(wool.length ? wool : spines),
    ...mane,
    ...(marks.has('wool') || marks.has('mane') || marks.has('spines') ? [piece(marks.has('spines') ? COAT : FUR, intersect(body, union(skull, grown(skull, 0.5))))] : []), // prettier-ignore
    ...(ear ? [piece(kind.ears![0] === 'flop' || kind.ears![0] === 'huge' || kind.ears![0] === 'side' ? COAT : FUR, ear.near), ...(ear.inner.length && kind.ears![0] !== 'side' ? [piece(ACCENT, ear.inner)] : [])] : []), // prettier-ignore
    ...tusk,
    piece(kind.muzzle === 'pig' || kind.muzzle === 'wide' ? ACCENT : DARK, kind.muzzle === 'trunk' ? [] : kind.muzzle === 'pig' ? oval(nose[0], nose[1], 2.2, 4, 0.4) : disc(nose[0], nose[1], kind.muzzle === 'wide' ? 0.01 : 2, 28)), // prettier-ignore
    pupil,
    // What is curled about an ear lies on the head.
    ...(horns && kind.horns === 'ram' ? [piece(ACCENT, horns.area)] : []),
    ...(wings ? [piece(COAT, put(wings.area)), piece(ACCENT, put(wings.inner))] : []),
  ].filter((p) => p.area.length);
}

/** The lower half of a snout. */
const chinArea = (head: P | readonly number[], snout: readonly number[], r: number, skullR: number, deg: number): Area => {
  const a = ((deg - 90) * Math.PI) / 180;
  const under = (from: readonly number[], by: number): Joint => [from[0] + by * Math.sin(a) * -1, from[1] + by * Math.cos(a), r * 0.72];
  return bone(under(downFrom(head, skullR * 0.5, deg), skullR * 0.52), under(downFrom(snout, 1.5, deg), r * 0.5));
}; // prettier-ignore

/** A whole animal in a pose, or in the other moment of it; null for one whose body there is no build for. */
export function sideParts(kind: Kind, pose: Pose, t: Spread, isSecond = false): Part[] | null {
  if (!kind.body) return null;
  const { build } = kind.body;
  if (FRAMES[build]) return beastParts(kind, pose, t, isSecond);
  return build === 'fish' || build === 'whale' ? swimmerParts(kind, pose, t) : fowlParts(kind, pose, t);
}

/** Whether the body of a kind goes on four feet. */
export const isFourFooted = (kind: Kind): boolean => Boolean(kind.body && FRAMES[kind.body.build]);

/** A four-footed animal curled up asleep, its tail round it; null for others. */
export function curledParts(kind: Kind, t: Spread): Part[] | null {
  const frame = kind.body && FRAMES[kind.body.build];
  if (!frame) return null;
  const round = 1 + 0.05 * t('curl');
  const body = oval(48, 58, 34 * round, 25);
  const back = intersect(body, oval(46, 52, 34 * round, 24));
  const head: P = [68, 66];
  const r = 12.5;
  const snout: P = [head[0] - r - frame.snout * 0.3, head[1] + 7];
  const skull = union(disc(head[0], head[1], r, 56), bone(at(head, r * 0.84), at(snout, Math.min(6, frame.snoutR * 1.2))));
  const ear = kind.ears ? earArea(kind.ears, [head[0] + 3, head[1]], r) : null;
  const isTailed = !['none', 'stub'].includes(kind.body!.tail);
  const w = { bushy: 8.6, plume: 9, brush: 6.4, ringed: 6.6, long: 5 }[kind.body!.tail as 'bushy'] ?? 3.2;
  const tail = isTailed ? taper([20, 66, w * 0.6], [29, 78, w * 0.94], [44, 83, w], [58, 82, w * 0.5]) : [];
  const lines = (kind.tones?.[0] ?? 0.42) < 0.3 ? LIGHT : DARK;
  const marks = new Set(kind.marks);
  return [
    piece(FUR, body),
    ...(marks.has('wool') ? [piece(COAT, union(body, ...around(48, 58, 1, 0, 337.5, 16).map(([x, y]) => disc(48 + 34 * (x - 48), 58 + 24 * (y - 58), 6.6, 40))))] : []),
    ...(marks.has('spots') ? [piece(COAT, intersect(back, union(...[[24, 50], [36, 44], [49, 41], [61, 46], [32, 58], [46, 54]].map(([x, y]) => disc(x, y, 3, 24)))))] : []),
    ...(marks.has('stripes') ? [piece(DARK, intersect(body, union(...[24, 34, 44, 54].map((x) => grown([[x - 2, 26, x + 3, 26, x + 4, 52]], 0.5)))))] : []),
    ...(tail.length ? [piece(COAT, subtract(grown(tail, 1.1), tail)), piece(FUR, tail), ...(['bushy', 'ringed'].includes(kind.body!.tail) ? [piece(LIGHT, intersect(tail, disc(60, 82, 9, 40)))] : [])] : []),
    ...(marks.has('mane') ? [piece(COAT, union(disc(head[0] + 3, head[1] - 1, r + 5, 56), ...around(head[0] + 3, head[1] - 1, r + 4, 0, 330, 12).map(([x, y]) => disc(x, y, 5, 32))))] : []),
    piece(COAT, intersect(subtract(grown(skull, 1.1), skull), body)),
    piece(FUR, skull),
    ...(kind.muzzle === 'mask' || kind.muzzle === 'cat' || kind.muzzle === 'round' ? [piece(LIGHT, intersect(skull, disc(snout[0] + 1, snout[1] + 4, 7.4, 40)))] : []),
    ...(ear ? [piece(kind.ears![0] === 'flop' ? COAT : FUR, ear.near), ...(ear.inner.length ? [piece(ACCENT, ear.inner)] : [])] : []),
    piece(DARK, disc(snout[0] - 3, snout[1], 2.5, 28)),
    line(lines, 1.6, `M${head[0] - 7} ${head[1] + 1}Q${head[0] - 4} ${head[1] + 4.4} ${head[0] - 0.6} ${head[1] + 1.6}`),
  ].filter((p) => p.area.length);
} // prettier-ignore
