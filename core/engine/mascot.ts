/** Mascots: an animal or somebody upright, dressed for a trade; or any thing with a face, arms and legs. */
import { buildFigure, type BuildOptions } from './build';
import {
  partsNamed,
  isLong,
  mirroredFigure,
  movedFigure,
  outlineOf,
  placed,
  silhouetteOf,
  upright,
  type Figure,
} from './figure';
import { boundsOf, box, disc } from './area';
import { expressionOf, eyewearParts, hatParts, inCloth, limb, neckParts, stanceOf, TONES as CLOTH, type Dress, type Eyewear, type Hat, type Joint, type Stance } from './creature'; // prettier-ignore
import { FACE_TONES, faceOn } from './faced';
import { joinedFigures, uprightFigure } from './built';
import {
  areaFrom,
  axisOf,
  grown,
  intersect,
  moved,
  parsePath,
  runsFrom,
  stroked,
  subtract,
  union,
  type Area,
} from '../path';

export interface MascotOptions extends BuildOptions {
  readonly dress: Dress;
  /** A thing in its hand. */
  readonly prop: Figure | null;
  /** A thing in its other hand. */
  readonly other?: Figure | null;
  readonly crop: 'whole' | 'bust' | 'head';
  readonly stance?: Stance;
  /** What a thing has on its top; whoever has a head is dressed by `dress`. */
  readonly hat?: Figure | null;
  /** What a thing has under its eyes. */
  readonly moustache?: Figure | null;
  /** Lashes over its eyes. */
  readonly hasLashes?: boolean;
}

const DARK = 0;
/** Lightness of the limbs and the face of a thing. */
const TONES = FACE_TONES;

const line = (weight: number, data: string): Area => stroked(runsFrom(parsePath(data, { close: false })), weight, false); // prettier-ignore

/** A mascot of any thing. */
export function mascotFigure(name: string, options: MascotOptions): Figure {
  const { knobs, dress, prop, other = null, crop, pose = null, expression = null, modifiers = [] } = options;
  const stance = options.stance ?? stanceOf(pose) ?? 'standing';
  const somebody = uprightFigure(name, { knobs, stance, expression, modifiers, dress, held: crop === 'head' ? null : prop, other: prop && other, crop }); // prettier-ignore
  if (!somebody) return thingMascot(name, options, stance);
  return options.hasLashes ? joinedFigures(name, [somebody, lashesOn(somebody)]) : somebody;
}

/** What is long and lies slanting, stood up: legs are under it. */
function stood(figure: Figure): Figure {
  const slant = Math.abs(axisOf(silhouetteOf(figure))?.angleRad ?? 0);
  // What lies flat, as a shoe or a fish does, stays so.
  return isLong(figure) && slant > 0.3 ? upright(figure) : figure;
}

/** The thing itself with a face where it has the most room, and with arms and legs. */
function thingMascot(name: string, options: MascotOptions, stance: Stance): Figure {
  const { knobs, crop, dress, prop: held, other: second = null, hat = null, moustache = null } = options;
  const built = buildFigure(name, { ...options, pose: null, expression: null, detail: Math.min(options.detail, 40) });
  const whole = placed(stood(built), { cx: 50, cy: 44, side: 62, fill: 0.85 });
  const b = boundsOf(outlineOf(whole));
  // What is drawn with a face has no second one.
  const found = SELF_FACED.test(name)
    ? null
    : faceOn(whole, expressionOf(options.expression ?? null) ?? 'happy', dress.hat || hat ? 0.22 : 0);
  const thing = found?.thing ?? whole;
  const face: Figure = found?.face ?? { name, tones: TONES, parts: [] };
  const y = found?.y ?? b.y + b.height / 2;
  if (crop === 'head') return joinedFigures(name, [thing, face]);
  const foot = b.y + b.height;
  const half = b.width / 2;
  const cx = b.x + half;
  const shoulder = Math.max(b.y + b.height * 0.35, Math.min(y + 6, b.y + b.height * 0.7));
  const edge = (side: 1 | -1): number => sideAt(outlineOf(thing), shoulder, side) ?? cx + side * half;
  const [left, right] = [edge(-1), edge(1)];
  const isUp = stance === 'waving' || stance === 'jumping' || (held === null && knobs.steady('mascot/wave') < 0.6);
  const hand = held ? [right + 11, shoulder - 3] : isUp ? [right + 10, shoulder - 17] : [right + 8, shoulder + 15];
  const other = stance === 'jumping' ? [left - 10, shoulder - 17] : [left - 8, shoulder + 14];
  const spread = stance === 'running' || stance === 'jumping' ? 0.55 : 0.34;
  const [la, ra] = [cx - half * spread, cx + half * spread];
  const kick = stance === 'running' ? 7 : 0;
  // Thick where they grow out, thinner towards hands and feet.
  const limbs = union(
    tapered([left + 2, shoulder, 2.7], [left - 6, shoulder + 4], [other[0], other[1], 1.9]),
    tapered([right - 2, shoulder, 2.7], [right + 8, shoulder + 6], [hand[0], hand[1], 1.9]),
    tapered([la, foot - 4, 2.9], [la - kick, foot + 4], [la - kick * 1.6, foot + 10 - kick * 0.5, 2.2]),
    tapered([ra, foot - 4, 2.9], [ra + kick, foot + 3], [ra + kick * 0.4, foot + 10, 2.2]),
  );
  // Round in front and flat below.
  const shoe = (sx: number, sy: number, side: number): Area => intersect(union(moved(disc(0, 0, 1, 48), [7.2, 0, 0, 5.4, sx + side * 2.6, sy + 2.2]), disc(sx, sy, 3.4, 36)), box(-60, -60, 220, 60 + sy + 4)); // prettier-ignore
  const ends = union(shoe(la - kick * 1.6, foot + 10 - kick * 0.5, -1), shoe(ra + kick * 0.4, foot + 10, 1));
  const boot = (sx: number, sy: number, side: number): Area => union(box(sx - 4.4, sy - 7, 8.8, 8), intersect(moved(disc(0, 0, 1, 48), [8, 0, 0, 6, sx + side * 3, sy + 2]), box(-60, -60, 220, 60 + sy + 4))); // prettier-ignore
  const boots = union(boot(la - kick * 1.6, foot + 10 - kick * 0.5, -1), boot(ra + kick * 0.4, foot + 10, 1));
  const soles = intersect(
    grown(boots, 0.5),
    union(box(-60, foot + 12.4 - kick * 0.5, 110, 2.4), box(50, foot + 12.4, 110, 2.4)),
  );
  const booted = { name, tones: CLOTH, parts: [...inCloth([{ tone: 2, area: boots }], dress.dyes?.feet, [2]), { tone: DARK, area: soles }] }; // prettier-ignore
  const hands = union(
    mitten(hand, 1, isUp || held !== null),
    mitten(other, -1, stance === 'jumping' || second !== null),
  );
  const worn = hat && !dress.hat ? onTop(hat, thing) : null;
  const inOther = second ? placed(mirroredFigure(second), { cx: other[0] - 5, cy: other[1] - 8, side: 27, fill: 0.8 }) : null; // prettier-ignore
  const inHand = held ? placed(held, { cx: hand[0] + 5, cy: hand[1] - 8, side: 27, fill: 0.8 }) : null;
  // A helm that closes about a head would hide its face.
  const cut = !worn && dress.hat && dress.hat !== 'helm' ? cutOn(dress.hat, thing) : null;
  return joinedFigures(name, [
    ...(dress.hasCape ? [{ name, tones: CLOTH, parts: [{ tone: 2, area: capeOn(left, right, shoulder, foot) }] }] : []),
    ...(cut ? [cut.behind] : []),
    { name, tones: TONES, parts: [{ tone: DARK, area: limbs }, ...(dress.hasBoots ? [] : [{ tone: DARK, area: ends }])] }, // prettier-ignore
    ...(dress.hasBoots ? [booted] : []),
    thing,
    face,
    ...clothedIn(thing, face, dress),
    ...(dress.neck ? [neckwearOn(thing, face, dress, half)] : []),
    ...(dress.eyes ? [glassesOn(face, dress.eyes, dress.dyes?.eyes)] : []),
    ...(options.hasLashes ? [lashesOn(face)] : []),
    ...(moustache ? [underEyes(face, moustache)] : []),
    ...(worn ? [worn] : []),
    ...(cut ? [cut.front] : []),
    ...(inHand ? [inHand] : []),
    ...(inOther ? [inOther] : []),
    { name, tones: TONES, parts: [{ tone: DARK, area: hands }] },
  ]);
}

/** A limb of a thing, bent towards a point, its ends with their radii. */
function tapered([x0, y0, r0]: readonly [number, number, number], [x1, y1]: readonly [number, number], [x2, y2, r2]: readonly [number, number, number]): Area {
  const at = (t: number): Joint => [(1 - t) ** 2 * x0 + 2 * t * (1 - t) * x1 + t * t * x2, (1 - t) ** 2 * y0 + 2 * t * (1 - t) * y1 + t * t * y2, r0 + t * (r2 - r0)]; // prettier-ignore
  return limb(...Array.from({ length: 9 }, (_, i) => at(i / 8)));
} // prettier-ignore

/** A hand of a thing: round, with a thumb towards its body; a cuff where the arm ends. */
function mitten([x, y]: readonly number[], side: 1 | -1, isUp: boolean): Area {
  const up = isUp ? -1 : 1;
  return union(disc(x, y, 4.1, 40), limb([x - side * 2.4, y + up * 0.4, 1.7], [x - side * 5, y + up * 3, 1.5]));
}

/** What a thing wears before its eyes. */
function glassesOn(face: Figure, eyes: Eyewear, hex?: string): Figure {
  const e = boundsOf(partsNamed(face, 'eye', 'pupil'));
  const r = 0.85 * e.height;
  const parts = eyewearParts(eyes, e.y + e.height / 2, Math.max(0.5 * (e.width - e.height), 1.06 * r), r, hex); // prettier-ignore
  const shifted = { name: face.name, tones: CLOTH, parts: e.width > 0 ? parts : [] };
  return movedFigure(shifted, [1, 0, 0, 1, e.x + e.width / 2 - 50, 0]);
}

const SELF_FACED = /^(?:snowman|scarecrow|gingerbread man|skull)$/;

/** Where the chin of a face is, or would be. */
const chinOf = (thing: Figure, face: Figure): { readonly cx: number; readonly y: number } => {
  const b = boundsOf(outlineOf(thing));
  const f = boundsOf(outlineOf(face));
  return f.width > 0 ? { cx: f.x + f.width / 2, y: f.y + f.height + 1 } : { cx: b.x + b.width / 2, y: b.y + 0.5 * b.height };
}; // prettier-ignore

/** What a thing has about its neck, which it has not: under its mouth. */
function neckwearOn(thing: Figure, face: Figure, dress: Dress, half: number): Figure {
  const chin = chinOf(thing, face);
  const k = Math.max(0.6, Math.min(1, half / 22));
  const parts = inCloth(neckParts({ neck: dress.neck }, 0, half / k - 1, 30, 2, 2), dress.dyes?.neck);
  return movedFigure({ name: face.name, tones: CLOTH, parts }, [k, 0, 0, k, chin.cx - 50 * k, chin.y]);
}

/** What a thing has on from below its mouth to its foot: an apron before it, or a coat that is open at the neck; nothing where there is no room. */
function clothedIn(thing: Figure, face: Figure, dress: Dress): Figure[] {
  const b = boundsOf(outlineOf(thing));
  const chin = chinOf(thing, face);
  const isApron = dress.top === 'apron';
  const [cx, top, foot] = [chin.cx, chin.y + (isApron ? (dress.neck ? 9 : 2) : -1), b.y + b.height];
  if (!dress.top || foot - top < (isApron ? 0.2 : 0.16) * b.height) return [];
  const hull = outlineOf(thing);
  const room = boundsOf(intersect(hull, box(b.x - 1, top, b.width + 2, foot - top)));
  const half = Math.min(0.34 * room.width, 17);
  const cloth = (area: Area, trim: Area): Figure => ({ name: thing.name, tones: CLOTH, parts: [...inCloth([{ tone: 2, area }], dress.dyes?.top, [2]), { tone: DARK, area: trim }] }); // prettier-ignore
  if (isApron) {
    const bib = areaFrom(parsePath(`M${cx - 0.7 * half} ${top}L${cx + 0.7 * half} ${top}L${cx + half} ${top + 0.4 * (foot - top)}L${cx + half} ${foot + 2}L${cx - half} ${foot + 2}L${cx - half} ${top + 0.4 * (foot - top)}Z`)); // prettier-ignore
    return [cloth(intersect(grown(hull, -1), bib), box(cx - 0.4 * half, top + 0.5 * (foot - top), 0.8 * half, 1.6))];
  }
  const deep = top + 0.6 * (foot - top);
  const opening: Area = [[cx - 0.55 * half, top - 1, cx + 0.55 * half, top - 1, cx, deep]];
  const isTied = dress.top === 'robe';
  const coat = subtract(intersect(hull, box(b.x - 1, top, b.width + 2, foot - top + 1)), opening);
  const trim = isTied
    ? intersect(hull, box(b.x - 1, deep, b.width + 2, 2.6))
    : union(disc(cx + 0.2 * half, deep + 3, 1.2, 20), line(1.2, `M${cx} ${deep}L${cx} ${foot}`));
  return [cloth(coat, intersect(trim, hull))];
}

/** Three lashes over the outer half of each eye. */
function lashesOn(face: Figure): Figure {
  const e = boundsOf(partsNamed(face, 'eye', 'pupil'));
  const r = e.height / 2;
  const lash = (side: 1 | -1, rad: number): number[] => {
    const x = e.x + e.width / 2 + side * (e.width / 2 - r);
    const [dx, dy] = [side * Math.sin(rad), -Math.cos(rad)];
    return [x + 1.05 * r * dx, e.y + r + 1.05 * r * dy, x + 1.8 * r * dx, e.y + r + 1.8 * r * dy];
  };
  const lashes = ([1, -1] as const).flatMap((side) => [0.1, 0.6, 1.1].map((rad) => lash(side, rad)));
  return { name: face.name, tones: TONES, parts: e.width > 0 ? [{ tone: DARK, area: stroked(lashes, 0.34 * r, false) }] : [] };
} // prettier-ignore

/** What a thing has under its eyes, over its mouth. */
function underEyes(face: Figure, moustache: Figure): Figure {
  const e = boundsOf(partsNamed(face, 'eye', 'pupil'));
  return placed(moustache, { cx: e.x + e.width / 2, cy: e.y + 1.35 * e.height, side: 1.25 * e.width, fill: 1 });
}

/** A hat on the top of a thing: as broad as that is there, its rim a little below it. */
function onTop(hat: Figure, thing: Figure): Figure {
  const b = boundsOf(outlineOf(thing));
  const top = boundsOf(intersect(outlineOf(thing), box(b.x - 1, b.y, b.width + 2, b.height * 0.22)));
  const worn = placed(hat, { cx: top.x + top.width / 2, cy: 50, side: Math.max(20, Math.min(34, top.width * 1.15)), fill: 1 }); // prettier-ignore
  const w = boundsOf(outlineOf(worn));
  return movedFigure(worn, [1, 0, 0, 1, 0, b.y + b.height * 0.1 - (w.y + w.height)]);
}

/** A cape behind a thing, from the height of its arms to its foot, blown out a little. */
const capeOn = (left: number, right: number, top: number, foot: number): Area =>
  areaFrom(parsePath(`M${left + 3} ${top - 8}L${right - 3} ${top - 8}C${right + 3} ${top + 12} ${right + 9} ${foot - 8} ${right + 13} ${foot + 5}Q${(left + right) / 2} ${foot - 3} ${left - 13} ${foot + 5}C${left - 9} ${foot - 8} ${left - 3} ${top + 12} ${left + 3} ${top - 8}Z`)); // prettier-ignore

/** The hat of a trade on the top of a thing: what of it is behind the thing, and what before. */
function cutOn(hat: Hat, thing: Figure): { readonly behind: Figure; readonly front: Figure } {
  const b = boundsOf(outlineOf(thing));
  const top = boundsOf(intersect(outlineOf(thing), box(b.x - 1, b.y, b.width + 2, b.height * 0.24)));
  const half = Math.max(10, Math.min(18, 0.5 * top.width));
  const x = top.x + top.width / 2;
  const y = b.y + 0.13 * b.height;
  const { behind, front } = hatParts(hat, { x, y, half, middle: y + half, cheek: half }, 0, 2);
  const figure = (parts: Figure['parts']): Figure => ({ name: thing.name, tones: CLOTH, parts });
  return { behind: figure(behind), front: figure(front) };
}

/** Where an outline ends on one side at a height; null where there is nothing. */
function sideAt(area: Area, y: number, side: 1 | -1): number | null {
  let best: number | null = null;
  for (const ring of area)
    for (let i = 0; i < ring.length; i += 2) {
      const j = (i + 2) % ring.length;
      const [y0, y1] = [ring[i + 1], ring[j + 1]];
      if (y0 === y1 || (y0 > y && y1 > y) || (y0 < y && y1 < y)) continue;
      const x = ring[i] + ((ring[j] - ring[i]) * (y - y0)) / (y1 - y0);
      if (best === null || side * x > side * best) best = x;
    }
  return best;
}
