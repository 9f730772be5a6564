/** Birds, and what swims, from the side, looking right. */
import { grown, intersect, moved, subtract, turnAbout, union, type Area } from '../../path';
import { disc } from '../area';
import type { Part } from '../figure';
import type { Kind } from './kinds';
import { ACCENT, blob, bone, COAT, DARK, downFrom, filleted, FUR, LIGHT, limb, line, oval, piece, taper, type Joint, type Spread } from './pieces'; // prettier-ignore
import { at, featheredWing } from './limbs';
import type { Pose } from './side';

type P = readonly [number, number];

/** A whole bird. */
export function fowlParts(kind: Kind, pose: Pose, t: Spread): Part[] {
  const { build, tail, neck = 1, legs = 1, bulk = 1 } = kind.body!;
  const isUpright = build === 'penguin' || build === 'raptor';
  const tall = build === 'wader' || build === 'runner';
  const bodyR = (tall ? 11.5 : build === 'fowl' ? 15 : 14) * bulk * (1 + 0.05 * t('body'));
  const flies = pose === 'flying' || pose === 'leaping';
  const tilt = pose === 'leaping' ? -34 : pose === 'flying' ? 8 : isUpright ? 62 : pose === 'running' ? 6 : 24;
  const a = (tilt * Math.PI) / 180;
  const breast: P = [56, 50];
  const back = bodyR * (isUpright ? 1.5 : 1.35);
  const vent: P = [breast[0] - back * Math.cos(a), breast[1] + back * Math.sin(a)];
  const neckLength = (tall ? 24 : build === 'fowl' ? 7 * neck : build === 'penguin' ? 3 : 4) * (tall ? 1 : Math.max(1, neck * 0.8)) * (1 + 0.06 * t('neck'));
  const neckDeg = 180 - (flies ? 62 : isUpright ? 8 : pose === 'running' ? 44 : tall || neck > 1.5 ? 16 : 26);
  const headR = (tall || neck > 1.5 ? 6 : isUpright ? 10.5 : 9) * (1 + 0.04 * t('head'));
  const head = downFrom(breast, bodyR * 0.72 + neckLength, neckDeg);
  const bend: P = [(breast[0] + head[0]) / 2 + (tall || neck > 1.5 ? (flies ? 0 : 5) : 1), (breast[1] + head[1]) / 2 + (flies ? 3 : 0)];
  const neckR = tall || neck > 1.5 ? 3.4 : headR * 0.86;
  const tailLength = tail === 'long' ? 20 : tail === 'bushy' ? 16 : tail === 'brush' ? 13 : 9;
  const tailTip: P = [vent[0] - tailLength * Math.cos(a - (tail === 'bushy' || tail === 'brush' ? 0.9 : 0)), vent[1] + tailLength * Math.sin(a - (tail === 'bushy' || tail === 'brush' ? 0.9 : 0))];
  const tailed = tail === 'bushy'
    ? union(...[-0.5, 0, 0.5].map((d) => taper(at(vent, 5), at([vent[0] - 10 * Math.cos(a - 1 + d), vent[1] + 10 * Math.sin(a - 1 + d)], 4.6), at([vent[0] - 19 * Math.cos(a - 1.1 + d * 1.5), vent[1] + 19 * Math.sin(a - 1.1 + d * 1.5)], 1.6))))
    : flies && build !== 'penguin'
      ? union(...[-0.2, 0, 0.2].map((d) => taper(at(vent, bodyR * 0.42), at([vent[0] - 0.6 * tailLength * Math.cos(a + d), vent[1] + 0.6 * tailLength * Math.sin(a + d)], 3.6), at([vent[0] - 1.15 * tailLength * Math.cos(a + d), vent[1] + 1.15 * tailLength * Math.sin(a + d)], 2.4))))
      : bone(at(vent, bodyR * 0.5), at(tailTip, build === 'penguin' ? 1.4 : 3));
  const barrel = union(bone(at(breast, bodyR), at(vent, bodyR * 0.62)));
  const neckArea = taper(at(breast, bodyR * 0.8), at(bend, neckR), at(head, headR * 0.9));
  const body = filleted(union(barrel, neckArea, disc(head[0], head[1], headR, 56), tailed), 2.6);
  const lightness = kind.tones?.[0] ?? 0.42;
  // The beak, from the front of the head.
  const beakDeg = pose === 'leaping' ? 60 : 88;
  const long = { beak: 8, hook: 8, slender: tall ? 20 : 11, bill: 11, great: 17 }[kind.muzzle as 'beak'] ?? 8;
  const thick = { beak: 4, hook: 5, slender: 2.8, bill: 3.8, great: 6.4 }[kind.muzzle as 'beak'] ?? 4;
  const root = downFrom(head, headR * 0.8, beakDeg);
  const tip = downFrom(root, long + headR * 0.16, beakDeg - (kind.muzzle === 'hook' || kind.muzzle === 'great' ? 20 : 3));
  const n: P = [Math.cos(((beakDeg - 90) * Math.PI) / 180), -Math.sin(((beakDeg - 90) * Math.PI) / 180)];
  const beak: Area = kind.muzzle === 'bill' ? bone(at(root, thick), at(tip, thick * 0.72)) : union([[root[0] + n[1] * thick, root[1] - n[0] * thick, tip[0], tip[1], root[0] - n[1] * thick, root[1] + n[0] * thick]], kind.muzzle === 'hook' || kind.muzzle === 'great' ? bone(at(root, thick), at(downFrom(root, long * 0.5, beakDeg - 6), thick * 0.7)) : []);
  const eye = downFrom(head, headR * 0.36, 118);
  // Legs and feet.
  const legLength = (tall ? (build === 'runner' ? 32 : 36) : build === 'penguin' ? 3 : 10) * legs;
  const soles: Part[] = [];
  const footed = (x: number, y: number, thigh: number, shin: number): Area => {
    const knee = downFrom([x, y], legLength * 0.5, thigh);
    const ankle = downFrom(knee, legLength * 0.5, shin);
    const w = build === 'runner' ? 2 : tall ? 1.3 : 1.5;
    return union(limb(at([x, y], w * (build === 'runner' ? 2.6 : 1.4)), at(knee, w), at(ankle, w)), bone(at([ankle[0] - 1.6, ankle[1]], w), at([ankle[0] + (build === 'penguin' ? 7 : 6), ankle[1] + 0.4], w)));
  };
  const hip: P = isUpright ? [vent[0] + bodyR * 0.42, vent[1] + bodyR * 0.24] : [(breast[0] + vent[0]) / 2 + 1, (breast[1] + vent[1]) / 2 + bodyR * 0.68];
  if (pose === 'running') soles.push(piece(ACCENT, union(footed(hip[0], hip[1], 48, 20), footed(hip[0] - 2, hip[1], -34, -66))));
  else if (pose === 'standing') soles.push(piece(ACCENT, union(footed(hip[0] - 3, hip[1], tall ? 6 : 0, tall ? -5 : 0), footed(hip[0] + 4, hip[1] + 0.6, tall ? 8 : 4, tall ? -2 : 4))));
  else if (flies) soles.push(piece(ACCENT, tall ? union(limb(at(vent, 1.4), at(downFrom(vent, legLength * 0.8, -84 - tilt), 1.3))) : []));
  // Wings.
  const wing = featheredWing(0.82 + 0.1 * t('wings'), pose === 'leaping' ? -26 : 10);
  const folded = build === 'penguin'
    ? moved(taper(at([0, -3], 5), at([-2, 9], 4.4), at([-6, 19], 1.6)), [1, 0, 0, 1, breast[0] - 3, breast[1] + 1])
    : moved(blob([7, -4], [-4, -8], [-16, -3], [-25, 7], [-12, 7], [1, 6]), turnAbout([0, 0], -a)).map((ring) => ring.map((v, i) => v * (bodyR / 14) + (i % 2 ? breast[1] + 1 : breast[0] - 2)));
  const wingRoot: P = [breast[0] - bodyR * 0.45, breast[1] - bodyR * 0.35];
  const put = (area: Area, dx = 0, dy = 0): Area => moved(area, [1, 0, 0, 1, wingRoot[0] + dx, wingRoot[1] + dy]);
  const marks = new Set(kind.marks);
  const front = marks.has('heart') || marks.has('bib') || build === 'penguin' ? [piece(marks.has('bib') ? ACCENT : LIGHT, intersect(barrel, oval(breast[0] + bodyR * 0.42, breast[1] + bodyR * 0.5, bodyR * 0.72, bodyR * 1.6, (90 - tilt) * 0.008)))] : [];
  const face = marks.has('discs') || (marks.has('heart') && kind.muzzle !== 'beak') || build === 'penguin' ? [piece(LIGHT, intersect(disc(head[0], head[1], headR, 56), disc(eye[0] + headR * 0.3, eye[1] + headR * 0.16, headR * 0.56, 40)))] : [];
  const comb = marks.has('comb') ? [piece(ACCENT, union(...[-3.6, 0.4, 4.2].map((dx, i) => disc(head[0] + dx, head[1] - headR * 0.94 - (i === 1 ? 1.4 : 0), 3.4, 28))))] : [];
  const wattle = marks.has('wattle') ? [piece(ACCENT, oval(root[0] + 0.5, root[1] + 6, 2.2, 4))] : [];
  const crest = marks.has('crest') || marks.has('quiff') ? [piece(marks.has('crest') ? COAT : FUR, union(...[0, 1, 2].map((i) => taper(at([head[0] - 2, head[1] - headR * 0.7], 2), at([head[0] - 6 - 3 * i, head[1] - headR - 4 + 3 * i], 1.3), at([head[0] - 10 - 4 * i, head[1] - headR - 6 + 5 * i], 0.6)))))] : [];
  const tufts = kind.ears ? [piece(FUR, [[head[0] - 6, head[1] - headR * 0.5, head[0] - 8, head[1] - headR * 1.5, head[0], head[1] - headR * 0.86]])] : [];
  const ringed = lightness > 0.9 && build === 'raptor' && kind.muzzle === 'hook' && !marks.has('crest');
  const mantle = ringed ? [piece(COAT, subtract(subtract(body, disc(head[0], head[1], headR * 1.24, 56)), intersect(tailed, disc(tailTip[0], tailTip[1], tailLength * 0.8))))] : [];
  return [
    ...(flies ? [piece(COAT, put(moved(wing.area, turnAbout([0, 0], 0.5)), 7, 1))] : []),
    ...soles,
    ...comb,
    ...crest,
    ...tufts,
    { ...piece(ACCENT, beak), of: 'beak' },
    ...wattle,
    piece(FUR, body),
    ...mantle,
    ...front,
    ...face,
    piece(lightness < 0.3 && !face.length ? LIGHT : DARK, disc(eye[0], eye[1], Math.max(1.3, headR * 0.17), 28)),
    ...(flies ? [piece(COAT, put(wing.area)), piece(ACCENT, put(wing.inner))] : [piece(COAT, folded)]),
  ].filter((p) => p.area.length);
} // prettier-ignore

/** What swims: a body that tapers along its back. */
export function swimmerParts(kind: Kind, pose: Pose, t: Spread): Part[] {
  const isWhale = kind.body!.build === 'whale';
  const r = (isWhale ? 17 : 14) * (kind.body!.bulk ?? 1) * (1 + 0.06 * t('body'));
  const bend = pose === 'leaping' ? 1 : pose === 'flying' ? 0.7 : pose === 'running' ? 0.3 : 0.12;
  const spine: Joint[] = Array.from({ length: 7 }, (_, i) => {
    const k = i / 6;
    const x = 86 - 66 * k;
    const y = 52 - 30 * bend * Math.sin(Math.PI * k) + 26 * bend * k - 8 * (isWhale ? k * k * (1 - bend) : 0);
    const width = isWhale ? [0.5, 0.86, 1, 0.94, 0.68, 0.36, 0.18] : [0.26, 0.72, 1, 0.98, 0.7, 0.4, 0.2];
    return [x, y, r * width[i]];
  });
  const body = taper(...spine);
  const [ex, ey] = spine[6];
  const [px, py] = spine[5];
  const a = Math.atan2(ey - py, ex - px);
  const fluke = (d: number): Area => taper(at([ex, ey], 2.6), at([ex + 11 * Math.cos(a + d), ey + 11 * Math.sin(a + d)], 3.6), at([ex + 21 * Math.cos(a + d * 1.3), ey + 21 * Math.sin(a + d * 1.3)], 0.8)); // prettier-ignore
  const tail = filleted(union(fluke(0.62), fluke(-0.62)), 1);
  const [mx, my] = spine[3];
  const dorsal: Area = [[mx + 7, my - r * 0.86, mx - 7, my - r * 1.62, mx - 9, my - r * 0.72]];
  const [cx, cy, cr] = spine[2];
  const fin = taper(
    at([cx - 1, cy + cr * 0.4], 4),
    at([cx - 9, cy + cr * 0.95], 3.6),
    at([cx - 17, cy + cr * 1.25], 0.9),
  );
  const belly = intersect(
    body,
    union(taper(...spine.slice(0, 6).map(([x, y, w]): Joint => [x + 2, y + w * 0.95, w * 0.66]))),
  );
  const [hx, hy, hr] = spine[1];
  const spout = kind.marks.includes('spout') ? [piece(COAT, union(taper(at([hx - 5, hy - hr - 3], 1.5), at([hx - 8, hy - hr - 11], 1.7), at([hx - 15, hy - hr - 13], 1.3)), taper(at([hx - 5, hy - hr - 3], 1.5), at([hx - 2, hy - hr - 11], 1.7), at([hx + 5, hy - hr - 13], 1.3))))] : []; // prettier-ignore
  const gill = isWhale ? [] : [piece(COAT, line(COAT, 1.6, `M${hx - 8} ${hy - hr * 0.5}Q${hx - 12} ${hy} ${hx - 8} ${hy + hr * 0.5}`).area)]; // prettier-ignore
  return [
    piece(isWhale ? FUR : COAT, tail),
    ...(isWhale && kind.marks.includes('spout') ? [] : [piece(COAT, grown(dorsal, 0.8))]),
    ...spout,
    piece(FUR, body),
    piece(LIGHT, belly),
    ...gill,
    piece(COAT, fin),
    piece(DARK, disc(hx + 3, hy - hr * 0.1, 2, 28)),
  ];
}
