/** Heads of animals seen from the front. */
import { grown, intersect, moved, subtract, turnAbout, union, type Area } from '../../path';
import { box, disc, starArea, tile } from '../area';
import type { Part } from '../figure';
import { eyeParts, mouthParts, type Expression, type FacePlace } from './face';
import { SKULLS, type Ears, type Horns, type Kind, type Mark } from './kinds';
import { ACCENT, around, blob, both, COAT, DARK, filleted, FUR, halves, LIGHT, line, named, oval, piece, shape, taper, type Spread, type Tone } from './pieces'; // prettier-ignore

/** Measures of a skull: half widths and heights. */
interface Head {
  readonly crown: number;
  readonly cheek: number;
  readonly jaw: number;
  readonly top: number;
  readonly middle: number;
  readonly bottom: number;
  readonly area: Area;
}

export function skullOf(kind: Kind, t: Spread): Head {
  const [crown, cheek, jaw, top, middle, bottom] = SKULLS[kind.skull];
  const h = { crown: crown + t('crown'), cheek: cheek + 1.6 * t('cheek'), jaw: jaw + 1.5 * t('jaw'), top: top + t('top'), middle, bottom }; // prettier-ignore
  if (kind.skull === 'case')
    return { ...h, area: tile(50, (h.top + bottom) / 2, h.cheek, 13 + t('corners'), (bottom - h.top) / 2) };
  const area = halves(
    [50, h.top],
    [50 + h.crown, h.top + 0.26 * (middle - h.top)],
    [50 + h.cheek, middle],
    [50 + h.jaw, bottom - 0.2 * (bottom - middle)],
    [50, bottom],
  );
  return { ...h, area };
}

/** Both ears, behind the head: the outer part, and what is seen in it. */
export function earParts(
  [form, size]: readonly [Ears, number],
  h: Head,
  t: Spread,
  hasTips: boolean,
  isCovered: boolean,
): Part[] {
  const s = size * (1 + 0.1 * t('ears'));
  const [rootX, rootY] = [50 + h.crown * 0.72, h.top + 6];
  const ears = (outer: Area, inner: Area, tone: Tone = ACCENT): Part[] => [piece(FUR, both(outer)), piece(tone, both(inner))]; // prettier-ignore
  switch (form) {
    case 'point':
    case 'tufted': {
      const outer = [50 + h.cheek * 0.92, h.middle - 9];
      const tip = [50 + h.crown + 7 * s + 2 * t('splay'), h.top - 19 * s];
      const whole = shape(FUR, `M${50 + h.crown * 0.22} ${h.top + 6}Q${rootX - 3} ${tip[1] + 13 * s} ${tip[0]} ${tip[1]}Q${outer[0] + 3} ${(tip[1] + outer[1]) / 2} ${outer[0]} ${outer[1]}Z`).area; // prettier-ignore
      const [cx, cy] = [rootX + 3, rootY + 2];
      const inner = moved(whole, [0.56, 0, 0, 0.62, cx * 0.44, cy * 0.38]);
      const tips = hasTips ? [piece(DARK, both(intersect(grown(whole, -0.01), box(0, tip[1] - 9, 120, 9 + 8 * s))))] : [];
      const tufts = form === 'tufted' ? [piece(DARK, both(shape(DARK, `M${tip[0] - 4.4} ${tip[1] + 6 * s}L${tip[0] + 2.4} ${tip[1] - 9 * s}L${tip[0] + 3} ${tip[1] + 6 * s}Z`).area))] : [];
      return [...tufts, ...ears(whole, inner), ...tips];
    } // prettier-ignore
    case 'round': {
      const r = 10.5 * s;
      const [x, y] = [50 + h.crown * 0.9 + 3.4 * s, h.top + 8 - 5 * s];
      return ears(disc(x, y, r), disc(x, y + 1, r * 0.56));
    }
    case 'long': {
      const lean = (isCovered ? 0.62 : 0.16) + 0.1 * t('lean');
      const at = [50 + h.crown * (isCovered ? 0.84 : 0.5), h.top + (isCovered ? 13 : 8)] as const;
      const outer = moved(oval(at[0], at[1] - 25 * s, 7.6 * Math.sqrt(s), 29 * s), turnAbout([at[0], at[1]], lean));
      const inner = moved(oval(at[0], at[1] - 23 * s, 3.6 * Math.sqrt(s), 21 * s), turnAbout([at[0], at[1]], lean));
      const tips = hasTips ? [piece(DARK, both(intersect(outer, box(0, -90, 140, 90 + h.top - 28 * s))))] : [];
      return [...ears(outer, inner), ...tips];
    } // prettier-ignore
    case 'leaf': {
      const at = [50 + h.crown * 0.86, h.top + 13] as const;
      const turn = -0.34 + 0.16 * t('lean');
      const leaf = (k: number): Area => moved(blob([at[0] - 3, at[1]], [at[0] + 11 * s, at[1] - 7.5 * k * s], [at[0] + 25 * s, at[1] - 1], [at[0] + 11 * s, at[1] + 6.5 * k * s]), turnAbout(at, turn)); // prettier-ignore
      const inner = moved(leaf(0.8), [0.68, 0, 0, 0.68, (at[0] + 9) * 0.32, (at[1] - 2.6) * 0.32]);
      return ears(leaf(1), inner);
    }
    case 'flop': {
      const x = 50 + h.cheek;
      const ear = blob([50 + h.crown * 0.55, h.top + 4], [x - 1, h.top + 5], [x + 9 * s, h.middle - 2], [x + 7 * s, h.middle - 4 + 22 * s], [x - 1, h.middle - 4 + 20 * s], [x - 6, h.middle - 8]); // prettier-ignore
      return [piece(COAT, both(ear))];
    }
    case 'side': {
      const [x, y, r] = [50 + h.cheek, h.middle - 4, 9.5 * s];
      return ears(disc(x, y, r), disc(x, y, r * 0.58), COAT);
    }
    case 'small':
      return size < 0.1 ? [] : ears(disc(50 + h.crown + 2, h.top + 6, 6.4 * s), disc(50 + h.crown + 2, h.top + 6.5, 3.2 * s)); // prettier-ignore
    case 'huge': {
      const x = 50 + h.cheek - 5;
      const ear = blob([x, h.top + 8], [x + 12 * s, h.top - 3], [x + 25 * s, h.middle - 14], [x + 22 * s, h.middle + 10], [x + 9 * s, h.middle + 21], [x - 2, h.middle + 6]); // prettier-ignore
      return [piece(FUR, both(ear)), piece(ACCENT, both(moved(ear, [0.66, 0, 0, 0.66, (x + 8) * 0.34, (h.middle - 2) * 0.34])))]; // prettier-ignore
    }
    case 'fin': {
      const [x, y] = [50 + h.cheek - 4, h.middle + 2];
      return [shape(COAT, `M${x} ${y - 10}L${x + 20 * s} ${y - 17}L${x + 15 * s} ${y - 6}L${x + 20 * s} ${y + 2}L${x + 12 * s} ${y + 4}L${x + 13 * s} ${y + 12}L${x} ${y + 10}Z`)].map((p) => piece(COAT, both(p.area))); // prettier-ignore
    }
  }
}

function hornParts(form: Horns, h: Head, t: Spread): Part[] {
  const [x, y] = [50 + h.crown * 0.5, h.top + 5];
  const s = 1 + 0.1 * t('horns');
  const pair = (tone: Tone, ...joints: (readonly [number, number, number])[]): Part => piece(tone, both(taper(...joints)));
  switch (form) {
    case 'antlers': {
      const main = taper([x, y, 3.4], [x + 7 * s, y - 14 * s, 3], [x + 19 * s, y - 22 * s, 2.6], [x + 24 * s, y - 38 * s, 1.4]);
      const tines = [
        taper([x + 5 * s, y - 11 * s, 2.6], [x + 1 * s, y - 20 * s, 2.1], [x + 3 * s, y - 28 * s, 1.2]),
        taper([x + 15 * s, y - 20 * s, 2.4], [x + 13 * s, y - 30 * s, 2], [x + 15 * s, y - 38 * s, 1.2]),
        taper([x + 20 * s, y - 24 * s, 2.2], [x + 28 * s, y - 26 * s, 1.8], [x + 33 * s, y - 32 * s, 1.1]),
      ];
      return [piece(COAT, both(filleted(union(main, ...tines), 1)))];
    }
    case 'palms': {
      const palm = blob([x + 2, y], [x + 13 * s, y - 9 * s], [x + 16 * s, y - 21 * s], [x + 21 * s, y - 13 * s], [x + 25 * s, y - 25 * s], [x + 29 * s, y - 14 * s], [x + 35 * s, y - 21 * s], [x + 34 * s, y - 7 * s], [x + 22 * s, y + 1], [x + 6, y + 5]);
      return [piece(COAT, both(palm))];
    }
    case 'ram': {
      const cx = 50 + h.crown + 6;
      const cy = h.top + 13;
      const spiral = Array.from({ length: 11 }, (_, i): [number, number, number] => {
        const a = (-150 + 41 * i) * (Math.PI / 180);
        const r = 15 * s * (1 - i * 0.055);
        return [cx + r * Math.cos(a), cy + r * 1.05 * Math.sin(a), 6.4 - 0.48 * i];
      });
      return [pair(COAT, ...spiral)];
    }
    case 'short':
      return [pair(LIGHT, [x + 3, y + 1, 4], [x + 13 * s, y - 4, 3.2], [x + 16 * s, y - 14 * s, 1.2])];
    case 'spikes':
      return [pair(LIGHT, [x + 2, y + 2, 4.6], [x + 18 * s, y - 1, 4], [x + 27 * s, y - 17 * s, 1.2])];
    case 'straight':
      return [pair(COAT, [x - 1, y + 2, 4], [x + 6 * s, y - 15 * s, 3.2], [x + 15 * s, y - 29 * s, 1.4])];
    case 'nubs':
      return [piece(COAT, both(union(taper([x - 3, y + 2, 2.4], [x - 1, y - 12 * s, 2.2]), disc(x - 1, y - 14 * s, 3.8))))];
    case 'single':
      return [shape(ACCENT, `M${50 - 5} ${h.top + 9}L50 ${h.top - 33 * s}L${50 + 5} ${h.top + 9}Z`)];
    case 'nose':
      return [];
  }
} // prettier-ignore

/** What lies on the skull or stands round it. */
function markParts(mark: Mark, h: Head, t: Spread, isCovered: boolean): { behind?: Part[]; on?: Part[]; front?: Part[] } {
  const on = (tone: Tone, area: Area): Part => piece(tone, intersect(area, h.area));
  const { crown, cheek, jaw, top, middle, bottom } = h;
  const eyeX = 50 + cheek * 0.44;
  switch (mark) {
    case 'patches':
      return { on: [on(COAT, both(oval(eyeX + 1, middle - 1, 8.6, 11, 0.55)))] };
    case 'droop':
      return { on: [on(LIGHT, oval(50, middle + 2, cheek * 0.84, (bottom - top) * 0.37)), on(COAT, both(taper([51 + cheek * 0.3, middle - 3, 6.4], [50 + cheek * 0.74, middle + 7, 4.4])))] };
    case 'bandit':
      return { on: [on(LIGHT, both(oval(eyeX, middle - 12, cheek * 0.42, 6))), on(DARK, both(blob([51, middle - 3], [eyeX, middle - 9], [52 + cheek, middle - 3], [50 + cheek, middle + 9], [eyeX, middle + 7])))] };
    case 'stripes': {
      const wedge = (x: number, y: number, dx: number, dy: number, w: number): Area => [[x - w * dy, y + w * dx, x + dx * 13, y + dy * 13, x + w * dy, y - w * dx]];
      const fore = [0, 1].map((i) => wedge(50 + i * 9, top - 2 + i, -0.14 * i, 1, 3.1));
      const sides = [0, 1, 2].map((i) => wedge(50 + cheek + 2 - i * 1.2, middle - 8 + i * 10, -0.97, -0.05 + 0.12 * i, 2.7));
      return { on: [on(DARK, both(union(...fore, ...sides)))] };
    }
    case 'bands':
      return { on: [on(COAT, both(blob([53, top - 4], [50 + crown * 0.9, top + 4], [50 + cheek * 0.72, middle], [57, bottom - 10], [52.6, bottom - 8], [53.5, middle])))] };
    case 'blaze':
      return { on: [on(LIGHT, halves([50, top - 4], [54 + t('blaze'), top + 12], [52.6, middle], [58, bottom - 12], [50, bottom + 4]))] };
    case 'mane': {
      const n = 15 + Math.round(2 * t('mane'));
      const puffs = around(50, middle, cheek + 9, -90, -90 + 360 * (1 - 1 / n), n).map(([x, y]) => disc(x, y, 9.6, 40));
      return { behind: [piece(COAT, union(disc(50, middle, cheek + 10), ...puffs))] };
    }
    case 'wool': {
      const puffs = around(50, top + 9, crown * 0.95, 186, 354, 6).map(([x, y]) => disc(x, y, 7.6, 40));
      return { front: [piece(COAT, union(halves([50, top], [50 + crown, top + 4], [50 + crown * 0.7, top + 10], [50, top + 12]), ...puffs))] };
    }
    case 'spines': {
      const n = 17 + Math.round(2 * t('spines'));
      const ring = Array.from({ length: 2 * n }, (_, i) => {
        const a = (2 * Math.PI * i) / (2 * n) - Math.PI / 2;
        const r = (i % 2 ? 0.86 : 1.12) * (cheek + 7);
        return [50 + r * Math.cos(a), middle - 1 + r * Math.sin(a)];
      });
      // They stand up from the head and its sides, and not under the chin as a mane does.
      return { behind: [piece(FUR, intersect([ring.flat()], box(-20, -40, 140, 40 + middle + 12)))], on: [on(COAT, halves([50, top + 15], [50 + crown * 0.7, top + 12], [50 + cheek, middle + 2], [50 + jaw, bottom], [50, bottom + 4]))] };
    }
    case 'spots': {
      const places: [number, number, number][] = [[50, top + 7, 2.8], [59, top + 11, 2.3], [68, top + 17, 2.4], [72, middle + 8, 2.3], [66, middle + 17, 2]];
      return { on: [on(COAT, both(union(...places.map(([x, y, r]) => disc(x, y, r, 24)))))] };
    }
    case 'discs':
      return { on: [piece(LIGHT, both(disc(eyeX + 0.5, middle - 3, cheek * 0.43)))] };
    case 'heart':
      return { on: [on(LIGHT, halves([50, middle - 8], [50 + cheek * 0.42, middle - 15], [50 + cheek * 0.86, middle], [50 + jaw * 0.9, bottom - 6], [50, bottom + 3]))] };
    case 'lore':
      return { on: [on(DARK, both(oval(52.6, middle, 4.6, 4.4)))] };
    case 'ring':
      return { on: [on(COAT, box(0, top - 20, 100, bottom - top + 9)), on(LIGHT, box(0, bottom - 11, 100, 4.4))] };
    case 'bib':
      return { on: [on(ACCENT, halves([50, middle - 9], [50 + cheek * 0.8, middle - 6], [50 + jaw + 3, bottom - 6], [50, bottom + 3]))] };
    case 'cap':
      return { on: [on(COAT, subtract(box(0, top - 20, 100, middle - top + 9), oval(50, middle + 8, cheek * 0.95, 20)))] };
    case 'chops':
      return { on: [on(LIGHT, both(blob([50 + cheek * 0.62, middle + 2], [52 + cheek, middle - 4], [52 + cheek, middle + 16], [50 + jaw * 0.7, bottom - 2], [50 + jaw * 0.5, middle + 14])))] };
    case 'blush':
      return { on: [on(ACCENT, both(oval(50 + cheek * 0.66, middle + 11, 4.8, 3.4)))] };
    case 'dome':
      return { on: [on(COAT, box(0, top - 20, 100, 18)), on(LIGHT, both(disc(50 + crown * 0.55, top + 6, 2.6)))] };
    case 'comb':
      return { behind: [piece(ACCENT, union(disc(41, top - 1, 6.6), disc(50, top - 6, 7.6), disc(59, top - 1, 6.6), box(36, top, 28, 9)))] };
    case 'wattle':
      return { front: [piece(ACCENT, both(oval(53.4, middle + 17, 3.4, 7)))] };
    case 'crest':
      return { behind: [-1.05, -0.5, 0, 0.5, 1.05].map((a) => piece(ACCENT, moved(taper([50, top + 9, 4.4], [50, top - 10, 3.6], [50, top - 24 + 5 * Math.abs(a), 1.2]), turnAbout([50, top + 12], a * 0.7)))) };
    case 'quiff':
      return { behind: [piece(FUR, union(taper([48, top + 4, 3], [44, top - 6, 2.4], [37, top - 10, 1]), taper([50, top + 4, 3.2], [50, top - 9, 2.4], [46, top - 16, 1]), taper([52, top + 4, 3], [56, top - 7, 2.2], [61, top - 9, 1])))] };
    case 'forelock':
      return { front: [piece(COAT, union(blob([43, top - 3], [50, top - 8], [57, top - 3], [56, top + 9], [51, top + 21], [49, top + 13], [45, top + 16])))] };
    case 'whiskers':
      return { front: [piece(LIGHT, both(union(line(LIGHT, 1, `M67 ${bottom - 19}L88 ${bottom - 23}`).area, line(LIGHT, 1, `M67 ${bottom - 15}L88 ${bottom - 14}`).area)))] };
    case 'antennae':
      // Under a hat they come out beside it.
      if (isCovered) return { behind: [piece(DARK, both(union(taper([50 + crown * 0.8, top + 14, 1.6], [50 + crown + 12, top + 1, 1.5], [50 + crown + 15, top - 12, 1.4]), disc(50 + crown + 15, top - 13, 3.6))))] };
      return { behind: [piece(DARK, both(union(taper([56, top + 5, 1.5], [61, top - 9, 1.4], [70, top - 15, 1.3]), disc(71, top - 15, 3.6))))] };
    case 'aerial':
      return { behind: [piece(COAT, box(48.4, top - 15, 3.2, 22)), piece(ACCENT, disc(50, top - 16, 4.8, 40))] };
    case 'bolts':
      return { behind: [piece(COAT, both(tile(50 + cheek + 2, middle, 5.4, 3, 10))), piece(ACCENT, both(tile(50 + cheek + 8.4, middle, 2, 1.6, 6)))] };
    case 'big eyes':
      return { on: [on(COAT, both(oval(50 + cheek * 0.62, middle - 6, cheek * 0.5, 0.36 * (bottom - top), -0.3)))] };
    case 'many eyes':
      return { on: [on(LIGHT, both(union(disc(50 + cheek * 0.2, top + 12, 2.7, 28), disc(50 + cheek * 0.56, top + 13, 2.1, 24))))] };
    case 'stalks':
      return { behind: [piece(FUR, both(union(taper([57, top + 8, 3.4], [62, top - 14, 2.6]), disc(62.5, top - 16, 5.4))))], front: [piece(DARK, both(disc(62.5, top - 16.4, 2.6)))] };
    case 'pincers':
      return { behind: [piece(FUR, both(filleted(union(taper([50 + cheek - 6, middle, 3.6], [50 + cheek + 7, middle - 6, 3.4], [50 + cheek + 9, middle - 15, 3.4]), subtract(disc(50 + cheek + 10, middle - 22, 10.5), [[50 + cheek + 10, middle - 20, 50 + cheek + 3, middle - 36, 50 + cheek + 15, middle - 36]])), 0.8)))] };
    case 'bumps':
      return { behind: [piece(FUR, both(disc(50 + cheek * 0.5, top + 4, 9.6)))] };
    case 'ruff':
      return { behind: [piece(FUR, both(union([[50 + cheek * 0.6, middle - 4, 50 + cheek + 9, middle + 3, 50 + cheek + 1, middle + 8, 50 + cheek + 6, middle + 16, 50 + cheek - 4, middle + 17, 50 + jaw + 6, bottom - 6, 50 + jaw * 0.6, bottom - 12]])))] };
    case 'beard':
      return { behind: [piece(COAT, halves([50, bottom - 16], [57, bottom - 7], [55, bottom + 4], [50, bottom + 12]))] };
    case 'tentacles':
      return { behind: [0, 1, 2].map((i) => piece(FUR, both(taper([54 + 7 * i, bottom - 8, 6], [58 + 10 * i, bottom + 6 - i, 5], [60 + 12 * i + 2 * t('arms'), bottom + 12 - 3 * i, 3.4], [66 + 12 * i, bottom + 8 - 4 * i, 2])))) };
    case 'hoops':
      return { on: [on(COAT, union(box(0, top + 3, 100, 9), box(0, bottom - 11, 100, 7)))] };
    case 'shell': {
      const coil = taper(...Array.from({ length: 15 }, (_, i): [number, number, number] => [50 + (cheek + 11 - 2.2 * i) * Math.cos(0.62 * i - 2.4), middle + 4 + (cheek + 11 - 2.2 * i) * Math.sin(0.62 * i - 2.4), 2.2]));
      return { behind: [piece(COAT, disc(50, middle + 4, cheek + 16)), piece(ACCENT, coil)] };
    }
    case 'sail':
      return { behind: [piece(COAT, union(starOf(h)))] };
    case 'spout':
      return { behind: [piece(COAT, both(taper([50, top + 4, 2], [52, top - 9, 2.2], [60, top - 14, 2.6], [64, top - 7, 1.6])))] };
    case 'hair':
      return { front: [piece(COAT, union(blob([50 - crown - 3, middle - 6], [50 - crown - 2, top + 4], [42, top - 5], [58, top - 4], [50 + crown + 2, top + 5], [50 + crown + 3, middle - 6], [50 + crown - 3, middle - 14], [58, top + 14], [44, top + 9], [50 - crown + 2, middle - 13])))] };
    case 'curls':
      return { front: [piece(COAT, union(...around(50, top + 7, crown, 178, 362, 7).map(([x, y]) => disc(x, y, 7.6, 40)), halves([50, top + 1], [50 + crown * 0.8, top + 4], [50 + crown * 0.7, top + 11], [50, top + 10])))] };
    case 'long hair':
      // Two locks beside the face, apart under the chin, and a parting.
      return { behind: [piece(COAT, union(halves([50, top - 4], [50 + crown + 3, top + 6], [50 + cheek + 4, middle], [50 + cheek * 0.6, middle + 8], [50, middle + 8]), both(blob([50 + cheek - 3, middle - 8], [50 + cheek + 5, middle - 2], [50 + cheek + 6, bottom - 6], [50 + cheek + 9, bottom + 5], [50 + cheek, bottom + 7], [50 + jaw * 0.86, bottom - 2], [50 + jaw, bottom - 12]))))], front: [piece(COAT, blob([50 - crown - 2, middle - 4], [50 - crown - 1, top + 5], [44, top - 4], [58, top - 3], [50 + crown + 2, top + 8], [50 + crown + 2, middle - 4], [60, top + 13], [52, top + 7], [42, top + 15], [50 - crown + 2, middle - 6]))] };
    case 'bob':
      return { behind: [piece(COAT, halves([50, top - 4], [50 + crown + 5, top + 8], [50 + cheek + 5, middle + 4], [50 + cheek + 3, bottom - 9], [50 + jaw, bottom - 10], [50, bottom - 14]))], front: [piece(COAT, halves([50, top - 4], [50 + crown, top + 4], [50 + cheek, middle - 12], [50 + crown * 0.6, middle - 15], [50, middle - 14]))] };
    case 'bun':
      return { behind: [piece(COAT, union(disc(50, top - 7, 9.6, 48), halves([50, top - 3], [50 + crown + 3, top + 6], [50 + cheek + 2, middle], [50 + jaw, middle + 12], [50, middle + 10])))], front: [piece(COAT, both(blob([49, top - 3], [50 + crown, top + 3], [50 + cheek, middle - 10], [50 + crown * 0.8, middle - 14], [53, top + 9])))] };
    case 'full beard':
      return { on: [on(COAT, subtract(box(0, middle + 2, 100, 80), both(oval(50 + cheek * 0.52, middle - 1, cheek * 0.46, 10)))), on(COAT, both(blob([50, middle + 10], [57, middle + 8], [64, middle + 14], [56, middle + 16])))], behind: [piece(COAT, halves([50, middle + 10], [50 + jaw + 3, middle + 14], [50 + jaw * 0.8, bottom + 4], [50, bottom + 9]))] };
    case 'moustache':
      return { front: [piece(COAT, both(blob([49.6, middle + 11], [57, middle + 10], [65, middle + 15], [56, middle + 17])))] };
    default:
      return {};
  }
} // prettier-ignore

/** A row of scales over the top of a head. */
const starOf = ({ crown, top }: Head): Area =>
  union(...[-1, 0, 1].map((i) => moved(starArea(50 + i * crown * 0.52, top + 4 + 3 * Math.abs(i), 3, 11, 5.6), [1, 0, 0, 1, 0, 0]))); // prettier-ignore

/** Nose and mouth with what they stand on, and where the mouth is. */
function muzzleParts(kind: Kind, h: Head, t: Spread, expression: Expression): { on: Part[]; front: Part[]; mouth?: FacePlace['mouth'] } {
  const { cheek, jaw, middle, bottom } = h;
  const isOpen = ['laughing', 'surprised', 'yawning', 'roaring'].includes(expression);
  const on = (tone: Tone, area: Area): Part => piece(tone, intersect(area, h.area));
  const s = 1 + 0.1 * t('muzzle');
  const nose = (y: number, rx: number, ry: number, tone: Tone = DARK): Part => piece(tone, halves([50, y - ry * 0.8], [50 + rx, y - ry * 0.6], [50 + rx * 0.7, y + ry * 0.4], [50, y + ry]));
  const nostrils = (y: number, apart: number, r = 2): Part => piece(DARK, both(oval(50 + apart, y, r, r * 1.35, 0.3)));
  switch (kind.muzzle) {
    case 'mask': {
      const cheeks = both(blob([51.5, bottom - 3], [53.5, bottom - 22], [50 + cheek * 0.42, middle + 3], [54 + cheek, middle - 4], [50 + cheek * 0.7, middle + 20], [50 + jaw, bottom - 4]));
      return { on: [on(LIGHT, cheeks)], front: [nose(bottom - 4, 5.4, 4)], ...(isOpen ? { mouth: { y: bottom - 12, half: 4 } } : {}) };
    }
    case 'round': {
      const y = bottom - 16;
      return { on: [on(LIGHT, oval(50, y, 16 * s, 12.6 * s))], front: [nose(y - 6.4, 7.2, 5), line(DARK, 1.3, `M50 ${y - 3}L50 ${y + 2}`)], mouth: { y: y + 3.2, half: 6 } };
    }
    case 'cat': {
      const y = bottom - 15;
      return { on: [on(LIGHT, union(both(oval(57, y, 9 * s, 7.4 * s)), oval(50, y + 5, 7, 7)))], front: [nose(y - 7, 4.4, 3.4, kind.marks.includes('mane') || kind.skull === 'broad' ? DARK : ACCENT), line(DARK, 1.2, `M50 ${y - 4}L50 ${y - 0.6}`)], mouth: { y: y + 1.4, half: 5.6 } };
    }
    case 'wide': {
      const y = bottom - 12;
      const w = Math.max(jaw * 1.16, 17) * s;
      const horn = kind.horns === 'nose' ? [shape(LIGHT, `M43 ${y - 8}Q48 ${y - 20} 51 ${y - 34}Q56 ${y - 18} 57 ${y - 8}Z`)] : [];
      const teeth = kind.marks.includes('teeth') ? [piece(LIGHT, both(box(50 + w * 0.34, y + 6, 4, 5)))] : [];
      return { on: [], front: [piece(ACCENT, halves([50, y - 12], [50 + w * 0.86, y - 9], [50 + w, y], [50 + w * 0.72, y + 10], [50, y + 12])), nostrils(y - 3, w * 0.46, 2.3), ...teeth, ...horn], mouth: { y: y + 5, half: w * 0.36 } };
    }
    case 'pig': {
      const y = bottom - 20;
      const tusks = kind.marks.includes('tusks') ? [piece(LIGHT, both(taper([60, y + 9, 2.6], [64, y + 4, 2.2], [64.5, y - 3, 0.8])))] : [];
      return { on: [], front: [...tusks, piece(ACCENT, oval(50, y, 11.5 * s, 8.6 * s)), nostrils(y, 4, 1.9)], mouth: { y: bottom - 7.5, half: 5.4 } };
    }
    case 'bud': {
      const y = bottom - 15;
      const teeth = kind.marks.includes('teeth') && kind.ears?.[0] !== 'point' ? [piece(LIGHT, union(box(46.6, y + 2, 3.1, 6), box(50.3, y + 2, 3.1, 6)))] : [];
      const fangs = kind.marks.includes('teeth') && kind.ears?.[0] === 'point' ? [piece(LIGHT, both([[52, y + 2.5, 55.4, y + 2, 53.6, y + 7]]))] : [];
      return { on: [on(LIGHT, union(both(oval(55.5, y, 7.6 * s, 6.6 * s)), oval(50, y + 5, 6, 7)))], front: [...teeth, ...fangs, nose(y - 5.6, 4.2, 3, ACCENT), line(DARK, 1.2, `M50 ${y - 3}L50 ${y + 0.6}`)], mouth: { y: y + 2, half: 4.6 } };
    }
    case 'long':
      return { on: [], front: [piece(COAT, halves([50, bottom - 28], [50 + 13 * s, bottom - 25], [50 + 18 * s, bottom - 12], [50 + 12, bottom + 1], [50, bottom + 3])), nostrils(bottom - 15, 8, 2.5)], mouth: { y: bottom - 6, half: 5.6 } };
    case 'frog':
      return { on: [on(LIGHT, oval(50, bottom + 2, cheek * 0.92, 22))], front: [piece(DARK, both(disc(52.4, middle + 5, 1.1)))], mouth: { y: bottom - 13, half: 12 } };
    case 'beak': {
      const y = middle + 6;
      const lower = isOpen ? [shape(DARK, `M44 ${y}L56 ${y}L50 ${y + 14}Z`), shape(ACCENT, `M45.5 ${y + 7}L54.5 ${y + 7}L50 ${y + 14}Z`)] : [];
      return { on: [], front: [...lower, piece(ACCENT, halves([50, y - 7 * s], [50 + 7 * s, y - 1], [53.6, y + 4.5], [50, y + (isOpen ? 5 : 9.5) * s]))] };
    }
    case 'slender': {
      const y = middle + 4;
      return { on: [], front: [...(isOpen ? [shape(DARK, `M45 ${y}L55 ${y}L50 ${y + 24}Z`)] : []), shape(ACCENT, `M44.5 ${y - 2}Q50 ${y - 10} 55.5 ${y - 2}L50 ${y + (isOpen ? 13 : 24) * s}Z`)] };
    }
    case 'hook': {
      const y = middle + 3;
      const lower = piece(isOpen ? DARK : COAT, halves([50, y + 5], [56, y + 8], [54, y + 15], [50, y + 17]));
      return { on: [], front: [lower, piece(ACCENT, union(halves([50, y - 9 * s], [50 + 9 * s, y - 2], [57.5, y + 7], [53, y + 11], [50, y + 19 * s]))), nostrils(y - 2, 3.4, 0.9)] };
    }
    case 'bill': {
      const y = middle + 9;
      const upper = halves([50, y - 9 * s], [56.5, y - 5], [50 + 18 * s, y + 4], [50 + 15 * s, y + 10], [50, y + 8.5]);
      const under = halves([50, y + 4], [50 + 11 * s, y + 7], [50 + 8 * s, y + (isOpen ? 19 : 14)], [50, y + (isOpen ? 21 : 15.5)]);
      const tip = kind.marks.includes('bill tip') ? [piece(DARK, intersect(upper, box(0, y + 4, 100, 30)))] : [];
      return { on: [], front: [piece(DARK, under), ...(isOpen ? [piece(LIGHT, intersect(under, oval(50, y + 19, 5, 5)))] : []), piece(ACCENT, upper), ...tip, nostrils(y - 2.4, 2.8, 0.9)] };
    }
    case 'great': {
      const y = middle + 4;
      const beak = halves([50, y - 12], [50 + 11 * s, y - 4], [50 + 9.5 * s, y + 10], [50, y + 26 * s]);
      return { on: [], front: [piece(ACCENT, beak), piece(DARK, intersect(beak, box(0, y + 14, 100, 40))), line(DARK, 1.2, `M50 ${y - 6}L50 ${y + 14}`)] };
    }
    case 'snub': {
      const y = bottom - 25;
      return { on: [], front: [piece(DARK, halves([50, y - 11 * s], [50 + 6, y - 6], [50 + 8 * s, y + 5], [50, y + 10]))], mouth: { y: bottom - 9.5, half: 4.6 } };
    }
    case 'trunk': {
      const trunk = taper([50, middle + 2, 10.5], [50, middle + 20, 8.4], [51 + t('trunk'), middle + 34, 6.8], [58, middle + 42, 5.8], [66, middle + 38, 5]);
      const tusks = piece(LIGHT, both(taper([62, middle + 17, 3.6], [66, middle + 26, 3], [71, middle + 30, 1.4])));
      return { on: [], front: [tusks, piece(COAT, trunk), ...[0, 1].map((i) => line(FUR, 1, `M${44 + i} ${middle + 14 + 7 * i}Q50 ${middle + 17 + 7 * i} ${56.4 - 0.6 * i} ${middle + 14 + 7 * i}`))] };
    }
    case 'ape': {
      const y = bottom - 15;
      const face = union(both(disc(58.5, middle - 4, 10.5)), halves([50, middle - 10], [50 + 15, middle + 4], [50 + 18 * s, y + 3], [50 + 12, bottom - 3], [50, bottom - 1.5]));
      return { on: [on(COAT, face)], front: [nostrils(y - 7, 2.6, 1.3)], mouth: { y: y + 2, half: 7.4 } };
    }
    case 'grooves': {
      const belly = intersect(h.area, oval(50, bottom + 6, cheek * 1.05, 26));
      return { on: [piece(LIGHT, belly), ...[-12, -4, 4, 12].map((x) => on(COAT, line(COAT, 1.1, `M${50 + x} ${bottom - 12}L${50 + x * 0.9} ${bottom + 4}`).area))], front: [], mouth: { y: bottom - 17, half: 7 } };
    }
    case 'jaws': {
      const y = bottom - 17;
      const w = Math.max(jaw * 1.1, 16);
      const lip = intersect(h.area, oval(50, y + 9, w, 13));
      const teeth = union(...[-2, -1, 0, 1, 2].map((i): Area => [[50 + i * w * 0.34 - 2.9, y - 1, 50 + i * w * 0.34 + 2.9, y - 1, 50 + i * w * 0.34, y + 5]]));
      return { on: [piece(LIGHT, lip), piece(DARK, intersect(lip, intersect(oval(50, y + 2, w * 0.94, 8), box(0, y - 1, 100, 40)))), piece(LIGHT, intersect(teeth, lip))], front: [nostrils(kind.skull === 'long' ? y - 12 : middle + 7, 3, 1.2)] };
    }
    case 'human':
      return { on: [], front: [piece(ACCENT, halves([50, middle - 1], [52.4, middle + 5], [50, middle + 7.4]))], mouth: { y: middle + 17, half: 5.4 } };
    case 'visor':
      return { on: [piece(DARK, tile(50, middle - 0.5, cheek - 6.5, 11, 20))], front: [], mouth: { y: middle + 9.5, half: 6.4 } };
    case 'none':
      return { on: [], front: [], mouth: { y: middle + 13, half: 6.4 } };
  }
} // prettier-ignore

/** Measures that hats and glasses need, in the field of a head. */
export function measuresOf(kind: Kind, t: Spread): { crown: number; cheek: number; top: number; middle: number; bottom: number; eyeY: number; apart: number } {
  const { crown, cheek, top, middle, bottom } = skullOf(kind, t);
  const { y, apart } = eyesAt(kind, { cheek, middle, top });
  return { crown, cheek, top, middle, bottom, eyeY: y, apart };
} // prettier-ignore

/** Where the eyes of a kind are. */
function eyesAt(
  kind: Kind,
  { cheek, middle, top }: Pick<Head, 'cheek' | 'middle' | 'top'>,
): { y: number; apart: number } {
  const onBumps = kind.marks.includes('bumps');
  return {
    y: onBumps ? top + 4 : middle - (kind.skull === 'long' ? 8 : 3),
    apart: cheek * (onBumps ? 0.5 : kind.skull === 'slim' ? 0.56 : kind.skull === 'long' ? 0.6 : 0.44),
  };
}

/** Whether fur may get a dark colour, on which eyes are seen by their whites alone and lines must be light. */
export const isDusky = (kind: Kind): boolean => kind.muzzle !== 'human' && (kind.tones?.[0] ?? 0.42) < 0.62;

/** Marks that are something of somebody's own. */
const OWN: Partial<Record<Mark, string>> = { hair: 'hair', curls: 'hair', 'long hair': 'hair', bob: 'hair', bun: 'hair', 'full beard': 'beard', moustache: 'moustache', mane: 'mane', shell: 'shell', stripes: 'stripe' }; // prettier-ignore

function markNamed(mark: Mark, { behind, on, front }: ReturnType<typeof markParts>): ReturnType<typeof markParts> {
  const of = OWN[mark];
  const own = (parts?: readonly Part[]): Part[] | undefined => parts && (of ? named(of, parts) : [...parts]);
  return { behind: own(behind), on: own(on), front: own(front) };
}

/** Whether what a kind has in its face is a beak. */
export const isBird = (kind: Kind): boolean => ['beak', 'hook', 'bill', 'great', 'slender'].includes(kind.muzzle);

/** What a nose or a beak is of: all of a beak, and of a snout what it ends in. */
const noseNamed = (kind: Kind, front: readonly Part[]): Part[] =>
  isBird(kind)
    ? front.map((p) => (p.tone === ACCENT ? { ...p, of: 'beak' } : p))
    : front.map((p, i) => (i === 0 ? { ...p, of: 'nose' } : p));

/** What a hat lies on. */
const ON_TOP: ReadonlySet<Mark> = new Set<Mark>(['forelock', 'quiff', 'crest', 'sail', 'aerial']);

/** A head from the front, in a field of 100 x 100, its skull about the middle: parts from the bottom up. Under a hat, long ears lean out beside it. */
export function headParts(kind: Kind, expression: Expression, t: Spread, isCovered = false): Part[] {
  const h = skullOf(kind, t);
  const muzzle = muzzleParts(kind, h, t, expression);
  const marks = kind.marks
    .filter((m) => !(isCovered && ON_TOP.has(m)))
    .map((m) => markNamed(m, markParts(m, h, t, isCovered)));
  const tusks =
    kind.marks.includes('tusks') && kind.muzzle === 'cat'
      ? [piece(LIGHT, both(taper([56, h.bottom - 12, 3], [57, h.bottom, 2.6], [58, h.bottom + 11, 1])))]
      : [];
  const isLit =
    kind.muzzle === 'human' || kind.marks.some((m) => m === 'discs' || m === 'heart') || kind.muzzle === 'ape';
  const lightness = kind.tones?.[0] ?? 0.42;
  const underEyes = kind.muzzle === 'visor' || kind.marks.includes('bandit') || kind.marks.includes('droop') || kind.marks.includes('bands') || (kind.marks.includes('patches') && (kind.tones?.[1] ?? 1) < 0.35); // prettier-ignore
  const place: FacePlace = {
    x: 50,
    ...eyesAt(kind, h),
    eye: (kind.muzzle === 'human' ? 3.7 : kind.skull === 'slim' || kind.skull === 'long' ? 3.9 : 4.7) * (1 + 0.08 * t('eyes')) * (isLit && kind.muzzle !== 'ape' && kind.muzzle !== 'human' ? 1.2 : 1), // prettier-ignore
    isDark: !isLit && (underEyes || isDusky(kind)),
    lines: !isLit && (underEyes || isDusky(kind)) ? LIGHT : DARK,
  };
  // On what is dark, and in a dark beard, lips are light.
  const aboutLips = kind.marks.includes('full beard')
    ? (kind.tones?.[1] ?? 1)
    : kind.muzzle === 'none' || kind.muzzle === 'snub' || kind.muzzle === 'visor'
      ? Math.min(lightness, 0.49)
      : 1;
  const lips =
    aboutLips < 0.5 && (kind.marks.includes('full beard') || kind.muzzle === 'visor' || isDusky(kind)) ? LIGHT : DARK;
  const brows = kind.marks.includes('brow')
    ? [piece(kind.tones && kind.tones[0] > 0.6 ? DARK : COAT, both([[51.5, h.middle - 8, 50 + h.cheek * 0.8, h.middle - 14, 50 + h.cheek * 0.8, h.middle - 10, 52, h.middle - 3.6]]))] // prettier-ignore
    : [];
  return [
    ...marks.flatMap((m) => m.behind ?? []),
    ...(kind.horns ? named('horn', hornParts(kind.horns, h, t)) : []),
    ...(kind.ears ? named('ear', earParts(kind.ears, h, t, kind.marks.includes('tips'), isCovered)) : []),
    piece(FUR, h.area),
    ...marks.flatMap((m) => m.on ?? []),
    ...muzzle.on,
    ...brows,
    ...eyeParts(place, expression),
    ...marks.flatMap((m) => m.front ?? []),
    ...tusks,
    ...noseNamed(kind, muzzle.front),
    ...mouthParts({ ...place, lines: lips, mouth: muzzle.mouth }, expression),
  ].filter((p) => p.area.length);
}
