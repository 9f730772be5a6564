/** Figures that stand on two legs and look at us: of one seed one figure, in any pose, dressed for a trade, with a thing truly in its hand. */
import { areaFrom, boxOfRuns, grown, intersect, moved, parsePath, subtract, union, type Area } from '../../path';
import { box, disc, starArea } from '../area';
import type { Part } from '../figure';
import { eyewearParts, hatOn, inCloth, neckParts } from './dress';
import { coiledParts, finnedParts, isCoiled, isFinned } from './finned';
import { backParts } from './insect';
import { headParts, isBird, isDusky, measuresOf } from './head';
import { caseArea, gripArea, isMachine, panelParts, type Case } from './machine';
import type { Kind } from './kinds';
import { ACCENT, bone, both, COAT, DARK, downFrom, filleted, FUR, halves, LIGHT, limb, line, mirrored, named, oval, piece, taper, type Joint, type Spread, type Tone } from './pieces'; // prettier-ignore
import { browOf, clothTones, coversCrown, LIMBS, type Age, type FigureOptions, type Limbs, type Two } from './upright';

interface Size {
  readonly head: number;
  readonly body: number;
  readonly leg: number;
}
/** People have smaller heads and longer legs than animals that stand as people do. */
const SIZES: Readonly<Record<'people' | 'animals', Readonly<Record<Age, Size>>>> = {
  people: {
    young: { head: 0.74, body: 27, leg: 13 },
    grown: { head: 0.62, body: 33, leg: 20 },
    tall: { head: 0.5, body: 39, leg: 28 },
  },
  animals: {
    young: { head: 0.92, body: 26, leg: 9 },
    grown: { head: 0.8, body: 31, leg: 13 },
    tall: { head: 0.62, body: 37, leg: 22 },
  },
};

/** A whole figure: parts from the bottom up, in a field that is 100 wide. */
export function figureParts(kind: Kind, options: FigureOptions, t: Spread): Part[] {
  if (isFinned(kind)) return finnedParts(kind, options, t);
  if (isCoiled(kind)) return coiledParts(kind, options, t);
  const { dress, held, crop, age } = options;
  const other = held && !held.isWide ? (options.other ?? null) : null;
  const { main, trim } = clothTones(kind);
  const isPerson = kind.muzzle === 'human';
  const size = SIZES[isPerson ? 'people' : 'animals'][age];
  // A long neck carries a small head.
  const isLongNecked = (kind.body?.neck ?? 1) >= 1.9 || kind.body?.build === 'wader' || kind.body?.build === 'runner';
  const neck = !isPerson && isBird(kind) && isLongNecked ? 0.42 * size.body : 0;
  const m = measuresOf(kind, t);
  const isNarrow = !isPerson && (kind.skull === 'long' || kind.skull === 'slim' || kind.skull === 'tall');
  const hs = (neck ? 0.66 : isNarrow ? 1.12 : 1) * size.head * (1 + 0.04 * t('head'));
  const neckY = 46;
  // The head, its chin a little over the neck.
  const onHead = (parts: readonly Part[]): Part[] => parts.map((p) => ({ ...p, area: moved(p.area, [hs, 0, 0, hs, 50 - 50 * hs, neckY + 3 - neck - hs * m.bottom]) })); // prettier-ignore
  const brow = browOf(kind, m);
  const hat = hatOn(dress, brow, main, trim);
  const isLong = kind.skull === 'long' || kind.skull === 'slim';
  const glasses = dress.eyes ? eyewearParts(dress.eyes, m.eyeY, m.apart, Math.max(5.2, m.apart * (isLong ? 0.62 : 0.56)), dress.dyes?.eyes) : [];
  // What has a shell has it on its back, and not about its head, where one sees its back.
  const bare = crop === 'head' ? kind : { ...kind, marks: kind.marks.filter((m) => m !== 'shell') };
  const head = onHead([...hat.behind, ...headParts(bare, options.expression, t, coversCrown(dress)), ...glasses, ...hat.front]);
  if (crop === 'head') return head;

  const isStout = kind.body?.build === 'heavy' || kind.body?.build === 'bear' || kind.muzzle === 'grooves' || kind.skull === 'wide';
  const shoulder = (isStout ? 15.5 : 13.5) * (age === 'young' ? 0.86 : 1) * (1 + 0.06 * t('shoulder'));
  const belly = (isStout ? 20 : 16) * (age === 'young' ? 0.94 : age === 'tall' ? 0.92 : 1) * (1 + 0.08 * t('belly'));
  const height = size.body * (1 + 0.05 * t('body'));
  const hipY = neckY + height;
  const egg = (): Area => union(halves([50, neckY - 3], [50 + shoulder * 0.86, neckY + 3], [50 + belly * 1.08, neckY + height * 0.62], [50 + belly * 0.7, hipY + 1], [50, hipY + 4]), neck ? taper([50, neckY + 8, 9], [50, neckY - 2, 6], [50, neckY - neck, 5.4]) : []);
  const isMade = isMachine(kind);
  const shell: Case = { top: neckY + 1, height: height + 1, half: belly * 1.06 };
  const torso = isMade ? caseArea(shell) : isBird(kind) ? egg() : halves([50, neckY - 3], [50 + shoulder, neckY + 4], [50 + belly, neckY + height * 0.66], [50 + belly * 0.8, hipY], [50, hipY + 3]);
  const arm = isMade ? 3.7 : isStout ? 4.9 : 4.3;
  const reach = height * 0.5;
  const legR = isMade ? 4.2 : isStout ? 6.2 : 5.2;
  const isSat = options.stance === 'sitting';
  // A raised hand holds; both arms are about what is wide. Who runs with one thing swings the other arm.
  const [raised, lowered] = LIMBS.holding.arms;
  const free = options.stance === 'running' ? LIMBS.running.arms[1] : lowered;
  const holding: readonly [Two, Two] = held?.isWide ? LIMBS['both hands'].arms : [raised, other ? raised : free];
  const pose: Limbs = { ...LIMBS[options.stance], ...(held ? { arms: holding } : {}) };

  const limbOf = (root: readonly [number, number], [upper, lower]: Two, length: number, side: 1 | -1): { elbow: readonly [number, number]; end: readonly [number, number] } => {
    const elbow = downFrom(root, length, side * upper);
    return { elbow, end: downFrom(elbow, length, side * lower) };
  };
  const armRoot = (side: 1 | -1): readonly [number, number] => [50 + side * (isMade ? shell.half + 2.4 : shoulder - 1), neckY + (isMade ? 8 : 6.5)];
  const arms = ([1, -1] as const).map((side, i) => ({ side, root: armRoot(side), ...limbOf(armRoot(side), pose.arms[i], reach, side) }));
  const legRoot = (side: 1 | -1): readonly [number, number] => [50 + side * belly * 0.46, hipY - 2];
  const legs = ([1, -1] as const).map((side, i) => ({ side, root: legRoot(side), ...limbOf(legRoot(side), pose.legs[i], (isSat ? 0.62 : 0.56) * size.leg, side) }));

  const sleeved = dress.top && !['apron', 'vest', 'overalls', 'suspenders', 'armour', 'skirt'].includes(dress.top);
  const shirted = dress.top === 'vest' || dress.top === 'overalls' || dress.top === 'suspenders';
  const cloth: Tone = dress.top === 'coat' ? LIGHT : dress.top === 'stripes' ? LIGHT : main;
  // A panda's limbs are as dark as its patches.
  const limbs: Tone = kind.marks.includes('patches') && (kind.tones?.[1] ?? 1) < 0.35 ? COAT : FUR;
  const sleeve: Tone = sleeved ? cloth : shirted ? LIGHT : limbs;
  const trousers: Tone = dress.top === 'overalls' ? main : dress.top === 'suit' || dress.top === 'jacket' ? main : dress.top && dress.top !== 'skirt' ? trim : limbs;
  const foot = ({ end, side }: (typeof legs)[number]): Area => isSat && !isBird(kind) ? oval(end[0], end[1], 7, 7.8) : isBird(kind) ? union(...[-0.7, 0, 0.7].map((a) => bone([end[0], end[1] + 1, 2], [end[0] + side * 1.5 + 7 * Math.sin(a), end[1] + 3.4, 1.7]))) : intersect(oval(end[0] + side * 2, end[1] + 2.6, 8, 6), box(0, 0, 100, end[1] + 4));
  // What has eight arms stands on the other six.
  const isArmed = kind.marks.includes('tentacles');
  const tentacles = [-1.6, -0.95, -0.3, 0.3, 0.95, 1.6].map((k) => piece(FUR, taper([50 + k * belly * 0.42, hipY - 6, 5.6], [50 + k * belly * 0.62, hipY + 0.3 * size.leg, 4.9], [50 + k * belly * 0.86, hipY + 0.6 * size.leg, 3.8], [50 + k * belly * 1.1, hipY + 0.62 * size.leg, 2.4])));
  const feet = isArmed ? [] : legs.map((l) => piece(isBird(kind) ? ACCENT : isSat && !dress.top ? FUR : isDusky(kind) && !dress.top ? COAT : isPerson && trousers === COAT ? main : DARK, foot(l)));
  const legParts = isArmed ? tentacles : legs.map((l) => piece(isBird(kind) && trousers === FUR ? ACCENT : trousers, limb([l.root[0], l.root[1], isBird(kind) && trousers === FUR ? 2.4 : legR], [l.elbow[0], l.elbow[1], isBird(kind) && trousers === FUR ? 2.2 : legR * 0.92], [l.end[0], l.end[1], isBird(kind) && trousers === FUR ? 2 : legR * 0.84])));

  // Up to the knee, with a cuff and a sole.
  const booted = ({ elbow, end, side }: (typeof legs)[number], i: number): Part[] => {
    const knee: readonly [number, number] = [end[0] + 0.85 * (elbow[0] - end[0]), end[1] + 0.85 * (elbow[1] - end[1])];
    const shaft = bone([knee[0], knee[1], legR + 0.7], [end[0], end[1], legR + 0.3]);
    const cuff = intersect(grown(shaft, 0.8), box(-60, knee[1] - 1.4, 220, 2.8));
    const toe = intersect(oval(end[0] + side * 2.4, end[1] + 1.4, 9.4, 7), box(-60, -60, 220, 60 + end[1] + 4));
    const upper = union(intersect(shaft, box(-60, knee[1], 220, 120)), toe);
    // Dark, so that they are seen on paper and on light fur; the cuff and the sole tell them from dark fur.
    return isSat ? [piece(DARK, grown(feet[i].area, 0.6)), piece(main, grown(feet[i].area, -2.6))] : [piece(DARK, upper), piece(main, cuff), piece(main, box(Math.min(end[0] - legR - 0.4, end[0] + side * 2.4 - 9), end[1] + 2.8, 19, 2.2))];
  };
  const boots = dress.hasBoots && !isArmed ? inCloth(legs.flatMap(booted), dress.dyes?.feet, [DARK]) : [];

  /** What lies on the body. */
  const on = (tone: Tone, area: Area): Part => piece(tone, intersect(area, torso));
  const low = neckY + height * 0.52;
  const dots = (x: number, ...ys: number[]): Area => union(...ys.map((y) => disc(x, neckY + y * height, 1.5, 28)));
  const bodyParts: Part[] = [];
  const robed = dress.top === 'robe' ? [piece(main, halves([50, neckY - 3], [50 + shoulder, neckY + 4], [50 + belly, neckY + height * 0.6], [50 + belly + 5, hipY + size.leg * 0.86], [50, hipY + size.leg * 0.94]))] : [];
  bodyParts.push(piece(sleeved ? cloth : shirted ? LIGHT : FUR, torso));
  if (!dress.top || dress.top === 'apron') {
    const isStriped = kind.marks.includes('hoops');
    const isLit = kind.marks.includes('lamp');
    if (isLit && !dress.top) bodyParts.push(on(ACCENT, oval(50, neckY + height * 0.74, belly * 0.94, height * 0.34)));
    if (isStriped && !dress.top) bodyParts.push(on(COAT, union(box(0, neckY + height * 0.3, 100, height * 0.17), box(0, neckY + height * 0.64, 100, height * 0.17))));
    const lightBelly = !isStriped && !isMade && !isLit && (!isBird(kind) || kind.marks.includes('heart'));
    if (!dress.top && lightBelly && (kind.tones?.[0] ?? 0.4) < 0.82) bodyParts.push(...named('belly', [on(LIGHT, oval(50, neckY + height * 0.6, belly * 0.66, height * 0.42))]));
    else if (!dress.top && isMade) bodyParts.push(...panelParts(shell));
    else if (!dress.top && isBird(kind)) bodyParts.push(...named('belly', [on(COAT, oval(50, neckY + height * 0.6, belly * 0.6, height * 0.4))]));
  }
  switch (dress.top) {
    case 'apron': {
      const bib = grown(union(box(50 - belly * 0.5, neckY + 8, belly, height), box(50 - belly * 0.86, low, belly * 1.72, height)), 0.01);
      const straps = both(taper([50 + belly * 0.46, neckY + 9, 1.3], [50 + shoulder * 0.6, neckY, 1.3]));
      bodyParts.push(on(main, straps), on(main, box(50 - belly * 0.5 - 1.4, neckY + 6.6, belly + 2.8, height)), on(LIGHT, intersect(filleted(bib, 2), halves([50, neckY + 8], [50 + belly * 0.7, neckY + 9], [50 + belly * 0.9, low + 4], [50 + belly * 0.76, hipY], [50, hipY + 2]))), on(main, both(box(50, low + 5, belly * 0.36, 1.5))));
      break;
    }
    case 'coat':
      bodyParts.push(on(trim, [[50, neckY + height * 0.62, 50 - 7, neckY - 3, 50 + 7, neckY - 3]]), on(DARK, line(DARK, 1.2, `M50 ${neckY + height * 0.6}L50 ${hipY + 4}`).area), on(DARK, both(union(line(DARK, 1.2, `M57 ${neckY - 2}L50 ${neckY + height * 0.62}`).area, line(DARK, 1.2, `M${50 + belly * 0.36} ${low + 8}L${50 + belly * 0.8} ${low + 8}`).area))));
      break;
    case 'jacket':
      bodyParts.push(on(trim, both(box(50 + shoulder * 0.62, neckY + 1, shoulder * 0.6, 4))), on(LIGHT, union(dots(45.6, 0.28, 0.5, 0.72), dots(54.4, 0.28, 0.5, 0.72))), on(trim, box(0, hipY - height * 0.16, 100, 3.6)));
      break;
    case 'vest':
      bodyParts.push(on(main, both(subtract(box(50.6, neckY - 4, belly + 4, height + 2), [[50, neckY - 5, 58, neckY - 5, 50, neckY + height * 0.44]]))), on(LIGHT, dots(54, 0.5, 0.8)));
      break;
    case 'overalls':
      bodyParts.push(on(main, union(box(0, low + 3, 100, 60), box(50 - belly * 0.54, neckY + height * 0.3, belly * 1.08, height))), on(main, both(taper([50 + belly * 0.44, neckY + height * 0.34, 1.8], [50 + shoulder * 0.62, neckY - 1, 1.8]))), on(trim, both(disc(50 + belly * 0.42, neckY + height * 0.37, 1.7, 28))), on(trim, box(45, low + 1, 10, 7)));
      break;
    case 'suspenders':
      bodyParts.push(on(main, box(0, low + 7, 100, 60)), on(main, both(taper([50 + belly * 0.5, low + 8, 1.6], [50 + shoulder * 0.5, neckY - 2, 1.6]))));
      break;
    case 'stripes':
      bodyParts.push(...[0.12, 0.34, 0.56, 0.78].map((k) => on(main, box(0, neckY + k * height, 100, height * 0.11))));
      break;
    case 'jersey':
      bodyParts.push(on(LIGHT, box(0, neckY + height * 0.4, 100, height * 0.2)), on(trim, starArea(50, neckY + height * 0.5, 5, 5.2, 2.2)));
      break;
    case 'skirt':
      bodyParts.push(on(main, box(0, neckY + height * 0.16, 100, height * 0.44)), on(main, both(taper([50 + belly * 0.34, neckY + height * 0.2, 1.6], [50 + shoulder * 0.6, neckY - 1, 1.6]))), piece(trim, halves([50, low - 3], [50 + belly * 0.84, low - 2], [50 + belly + 11, low + height * 0.26], [50 + belly + 6, low + height * 0.4], [50 + belly * 0.5, low + height * 0.34], [50, low + height * 0.4])));
      break;
    case 'suit':
      bodyParts.push(on(LIGHT, [[43, neckY - 4, 57, neckY - 4, 50, neckY + height * 0.56]]), on(trim, both([[56, neckY - 4, 61, neckY + 7, 50, neckY + height * 0.6, 50, neckY + height * 0.5]])), on(trim, dots(50, 0.74)));
      break;
    case 'armour':
      bodyParts.push(on(main, box(0, 0, 100, neckY + height * 0.7)), on(trim, union(line(trim, 1.6, `M50 ${neckY - 4}L50 ${neckY + height * 0.7}`).area, box(0, neckY + height * 0.7, 100, 4.4))));
      break;
    case 'shirt':
      bodyParts.push(on(trim, box(0, hipY - height * 0.12, 100, 20)));
      break;
    case 'robe':
      bodyParts.splice(0, bodyParts.length, ...robed, on(trim, line(trim, 2.6, `M50 ${neckY - 4}L50 ${hipY + 30}`).area), piece(trim, intersect(robed[0].area, box(0, hipY - height * 0.2, 100, 3.6))));
      break;
    default:
  }
  const isWinged = isBird(kind) && !sleeved;
  // Three broad feathers from where the wing bends.
  const wingOf = ({ root, elbow, end }: (typeof arms)[number]): Area => {
    const [dx, dy] = [end[0] - elbow[0], end[1] - elbow[1]];
    const feather = (rad: number, length: number): Area => {
      const [c, n] = [length * Math.cos(rad), length * Math.sin(rad)];
      return bone([elbow[0], elbow[1], 5], [elbow[0] + c * dx - n * dy, elbow[1] + n * dx + c * dy, 2.7]);
    };
    return filleted(union(bone([root[0], root[1], 4.6], [elbow[0], elbow[1], 5.8]), feather(-0.42, 0.86), feather(0, 1.08), feather(0.42, 0.86)), 0.5);
  };
  const sleeveOf = ({ root, elbow, end }: (typeof arms)[number]): Area => limb([root[0], root[1], arm * 1.06], [elbow[0], elbow[1], arm], [end[0], end[1], arm * (isPerson ? 0.9 : 1)]);
  const handR = arm * (isPerson ? 1.18 : 1.24);
  const hand = ({ elbow, end }: (typeof arms)[number]): Area => isMade ? gripArea(elbow, end, handR * 1.2) : disc(end[0], end[1], handR, 48);
  const thumb = ({ end, side }: (typeof arms)[number], up: number): Area => bone([end[0] - side * handR * 0.5, end[1] - up * handR * 0.3, handR * 0.42], [end[0] - side * handR * 1.05, end[1] - up * handR * 0.9, handR * 0.36]);
  const handOf = (a: (typeof arms)[number], i: number): Part => {
    const isUp = pose.arms[i][1] > 70;
    const isPointing = options.stance === 'pointing' && i === 0 && !held;
    const finger = isPointing && isPerson ? bone([a.end[0], a.end[1] - 1, handR * 0.5], [a.end[0] + handR * 2.1, a.end[1] - 1.6, handR * 0.36]) : [];
    const open = isUp && !held && isPerson ? union(...[-0.6, -0.1, 0.4].map((d) => bone([a.end[0], a.end[1], handR * 0.5], [a.end[0] + handR * 1.5 * Math.sin(d + a.side * 0.3), a.end[1] - handR * 1.5 * Math.cos(d), handR * 0.38]))) : [];
    return piece(FUR, union(hand(a), isPerson && (isUp || isPointing) ? thumb(a, 1) : [], finger, open));
  };
  // A paw is one with its arm, and a wing has no hand, but where something is held.
  const isApart = (i: number): boolean => sleeve !== FUR || isMade || isPerson || (held !== null && (held.isWide || i === 0 || other !== null));
  const hands = arms.map((a, i) => (isApart(i) && !isWinged ? handOf(a, i) : piece(FUR, [])));

  // What is held: in the raised hand, its fingers before it; a wide thing before the chest, in both.
  const grip = held ? (held.isWide ? [50, (arms[0].end[1] + arms[1].end[1]) / 2 + 1.5] : [arms[0].end[0] + 1, arms[0].end[1]]) : null;
  const inHand = held && grip ? held.parts.map((p) => ({ ...p, area: moved(p.area, [held.size, 0, 0, held.size, grip[0], grip[1] + (held.isWide ? 2 : -held.size * 0.26)]) })) : [];
  const fingers = held && grip
    ? held.isWide
      ? arms.map((a) => {
          const b = boxOfRuns(inHand.flatMap((p) => p.area))!;
          const x = a.side > 0 ? Math.min(b.x + b.width - 1.5, a.end[0] + 6) : Math.max(b.x + 1.5, a.end[0] - 6);
          return piece(FUR, disc(x, grip[1] + 3, handR * 0.86, 40));
        })
      : [piece(FUR, union(...[-1, 0, 1].map((i) => bone([arms[0].end[0] - handR * 0.55, arms[0].end[1] + i * handR * 0.62, handR * 0.36], [arms[0].end[0] + handR * 0.8, arms[0].end[1] + i * handR * 0.62, handR * 0.36]))))]
    : [];

  // The other hand holds as the first does, mirrored.
  const [, left] = arms;
  const inOther = other ? other.parts.map((p) => ({ ...p, area: moved(p.area, [-other.size, 0, 0, other.size, left.end[0] - 1, left.end[1] - other.size * 0.26]) })) : [];
  const otherFingers = other ? [piece(FUR, union(...[-1, 0, 1].map((i) => bone([left.end[0] + handR * 0.55, left.end[1] + i * handR * 0.62, handR * 0.36], [left.end[0] - handR * 0.8, left.end[1] + i * handR * 0.62, handR * 0.36]))))] : [];
  const neckwear = inCloth(neckParts(dress, neckY, shoulder, height, main, trim), dress.dyes?.neck);
  const cape = inCloth(dress.hasCape ? [piece(trim, halves([50, neckY - 2], [50 + shoulder + 2, neckY + 2], [50 + belly + 9, hipY + 4], [50 + belly + 4 + 2 * t('cape'), hipY + size.leg * 0.7], [50, hipY + size.leg * 0.5]))] : [], dress.dyes?.cape);
  // Its flaps look out on both sides, its straps run down from the shoulders.
  const pack = inCloth(dress.hasPack ? [piece(trim, grown(box(50 - shoulder - 6.4, neckY - 1, 2 * shoulder + 12.8, height * 0.78), 2)), piece(main, both(grown(box(50 + shoulder + 4.4, neckY + height * 0.34, 3.6, height * 0.34), 1)))] : [], dress.dyes?.pack);
  const straps = inCloth(dress.hasPack ? [piece(trim, intersect(both(taper([50 + shoulder * 0.5, neckY - 2, 1.9], [50 + shoulder * 0.72, neckY + height * 0.3, 1.9], [50 + shoulder * 0.98, neckY + height * 0.5, 1.7])), grown(torso, 0.4)))] : [], dress.dyes?.pack);
  const tailed = options.crop === 'whole' ? named('tail', tailParts(kind, hipY, belly, t)) : [];
  // It looks out on the side where no arm is raised.
  const tail = pose.arms[0][1] > 70 && pose.arms[1][1] <= 70 ? tailed.map((p) => ({ ...p, area: mirrored(p.area) })) : tailed;
  // Leathery, spread behind the shoulders.
  const wing = (k: number): Area => areaFrom(parsePath(`M${50 + shoulder * 0.5} ${neckY + 3}C${60 + 8 * k} ${neckY - 9 * k} ${70 + 12 * k} ${neckY - 14 * k} ${78 + 16 * k} ${neckY - 10 * k}C${74 + 13 * k} ${neckY + 2} ${74 + 14 * k} ${neckY + 10 * k} ${76 + 15 * k} ${neckY + 19 * k}C${70 + 9 * k} ${neckY + 13 * k} ${65 + 7 * k} ${neckY + 15 * k} ${63 + 6 * k} ${neckY + 26 * k}C${58 + 4 * k} ${neckY + 19 * k} ${55 + 3 * k} ${neckY + 20 * k} 50 ${neckY + 26 * k}Z`));
  const wings = kind.marks.includes('wings') ? named('wing', [piece(FUR, both(wing(1 + 0.1 * t('wings')))), piece(COAT, both(moved(wing(0.86), [1, 0, 0, 0.9, 0, neckY * 0.1 + 1])))]) : [];
  const isShelled = kind.marks.includes('shell');
  // A snail's is seen beside it, wound.
  const isWound = isShelled && kind.marks.includes('stalks');
  const [coilX, coilY, coilR] = [50 - belly * 0.9 - 7, neckY + 0.34 * height, Math.max(17, 0.62 * height)];
  const coil = Array.from({ length: 34 }, (_, i): Joint => { const a = 0.42 * i + 0.6; const r = coilR * (0.82 - 0.022 * i); return [coilX + r * Math.cos(a), coilY + r * Math.sin(a), 1.5]; }); // prettier-ignore
  const dome = named('shell', isWound ? [piece(COAT, disc(coilX, coilY, coilR, 72)), piece(ACCENT, taper(...coil))] : isShelled ? [piece(COAT, oval(50, neckY + 0.46 * height, belly + 12, 0.66 * height)), piece(ACCENT, subtract(oval(50, neckY + 0.46 * height, belly + 9, 0.66 * height - 3), oval(50, neckY + 0.46 * height, belly + 7, 0.66 * height - 5)))] : []);
  const onBack = backParts(kind, { shoulder, belly, neckY, height }, t);
  const armParts = arms.map((a, i) => piece(sleeve, isWinged ? wingOf(a) : isApart(i) ? sleeveOf(a) : union(sleeveOf(a), handOf(a, i).area)));
  // The sleeve stands out from a body of its own tone by a thin line.
  const apart = sleeved || (!dress.top && !isBird(kind)) || shirted || dress.top === 'apron' ? armParts.map((p) => piece(sleeve === LIGHT || isDusky(kind) ? COAT : DARK, intersect(subtract(grown(p.area, 0.9), p.area), union(torso, ...robed.map((r) => r.area))))) : [];
  const joints = isMade ? [piece(COAT, union(...arms.map((a) => disc(a.root[0], a.root[1], arm * 1.5, 40)), ...(sleeved ? [] : arms.map((a) => disc(a.elbow[0], a.elbow[1], arm * 1.22, 40)))))] : [];
  const lower = [...feet.slice(0, isSat ? 0 : 2), ...(dress.top === 'robe' ? [] : legParts), ...(isSat ? [] : boots)];
  // What is on the body takes the colour that is said of it: of a coat or an apron what is light, of a skirt all of it, else its cloth.
  const worn: readonly Tone[] = dress.top === 'coat' || dress.top === 'apron' ? [LIGHT, main] : dress.top === 'skirt' ? [main, trim] : [main];
  const topped = (parts: readonly Part[]): Part[] => inCloth(parts, dress.dyes?.top, worn);
  const whole: Part[] = [
    ...wings,
    ...onBack,
    ...dome,
    ...cape,
    ...pack,
    ...tail,
    ...(isSat ? [] : lower),
    ...topped(bodyParts),
    ...(isSat ? [...(dress.top === 'robe' ? [] : legParts), ...feet, ...(isBird(kind) ? [] : feet.map((f) => piece(f.tone === FUR ? COAT : ACCENT, grown(f.area, -2.6)))), ...boots] : []),
    ...straps,
    ...apart,
    ...(sleeved ? topped(armParts) : armParts),
    ...joints,
    ...(held && held.isWide ? hands : []),
    ...inHand,
    ...inOther,
    ...(held && held.isWide ? fingers : [...hands.map((h, i) => (held && i === 0 ? piece(h.tone as Tone, subtract(h.area, union(...inHand.map((p) => p.area)))) : other && i === 1 ? piece(h.tone as Tone, subtract(h.area, union(...inOther.map((p) => p.area)))) : h)), ...fingers, ...otherFingers]),
    ...neckwear,
    ...head,
  ];
  if (crop === 'bust') {
    const cut = union(box(-60, -120, 220, 120 + neckY + height * 0.5));
    return whole.filter((p) => !feet.includes(p)).map((p) => ({ ...p, area: intersect(p.area, cut) })).filter((p) => p.area.length);
  }
  return whole.filter((p) => p.area.length);
} // prettier-ignore

/** A tail that looks out behind. */
function tailParts(kind: Kind, hipY: number, belly: number, t: Spread): Part[] {
  const x = 50 + belly * 0.7;
  const y = hipY - 6;
  const s = 1 + 0.12 * t('tail');
  switch (kind.body?.tail) {
    case 'bushy': {
      const area = taper([x, y, 3.4], [x + 12 * s, y + 2, 6], [x + 19 * s, y - 10, 8], [x + 17 * s, y - 25, 2]);
      return [piece(FUR, area), piece(LIGHT, intersect(area, disc(x + 17 * s, y - 25, 11)))];
    }
    case 'plume':
      return [piece(FUR, taper([x, y, 4], [x + 13, y + 2, 7], [x + 19 * s, y - 14, 10], [x + 14 * s, y - 31, 8], [x + 22 * s, y - 36, 3.4]))];
    case 'brush':
    case 'long':
      return [piece(FUR, taper([x, y, 3.4], [x + 12 * s, y + 6, 4], [x + 20 * s, y - 1, 3.4], [x + 24 * s, y - 10, 2]))];
    case 'ringed': {
      const area = taper([x, y, 3.6], [x + 13 * s, y + 4, 5.4], [x + 20 * s, y - 6, 6], [x + 20 * s, y - 19, 3.4]);
      return [piece(FUR, area), piece(COAT, intersect(area, union(box(x + 9, y - 9, 4.4, 30), moved(box(0, 0, 24, 4.4), [1, 0, 0, 1, x + 9, y - 8]), moved(box(0, 0, 24, 4.4), [1, 0, 0, 1, x + 9, y - 18]))))];
    }
    case 'thin':
    case 'tuft':
    case 'curl':
      return [piece(FUR, taper([x, y, 2.4], [x + 11 * s, y + 5, 2.1], [x + 18 * s, y - 3, 1.9], [x + 15 * s, y - 14, 1.7], [x + 20 * s, y - 20, 1.4])), ...(kind.body.tail === 'tuft' ? [piece(COAT, disc(x + 20 * s, y - 20, 3.6, 32))] : [])];
    case 'flat':
      return [piece(COAT, taper([x - 2, y + 2, 4], [x + 11, y + 6, 7.4], [x + 17 * s, y + 4, 6]))];
    default:
      return [];
  }
} // prettier-ignore
