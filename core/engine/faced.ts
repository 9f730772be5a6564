/** Things with a face: it goes where they have the most room for it. */
import { intersect, roomIn, sizeOf, subtract, union, withoutSpecks, type Area } from '../path';
import { boundsOf, box, disc } from './area';
import { faceParts, type Expression } from './creature';
import { seenParts, silhouetteOf, type Figure, type Part } from './figure';

/** Lightness of what is dark, light, and of a tongue. */
export const FACE_TONES: readonly number[] = [0.14, 1, 0.7];
const [DARK, LIGHT, ACCENT] = [0, 1, 2];

/** The largest part of a figure of those that are seen in much of an area. */
function largestOn(thing: Figure, area: Area): Part {
  const parts = seenParts(thing).map((part) => ({ part, on: sizeOf(intersect(part.area, area)) }));
  const most = Math.max(...parts.map((p) => p.on));
  return parts.filter((p) => p.on > 0.4 * most).reduce((p, q) => (sizeOf(q.part.area) > sizeOf(p.part.area) ? q : p)).part;
} // prettier-ignore

/** A thing that has in an area nothing but one of its tones: the part of that tone which has most there is as far as that goes. */
function plainIn(thing: Figure, area: Area, tone: number): Figure {
  const own = thing.parts.map((p) => sizeOf(intersect(p.area, area)));
  const host = own.indexOf(Math.max(...own.filter((_, i) => thing.parts[i].tone === tone)));
  return { ...thing, parts: thing.parts.map((p, i) => ({ ...p, area: i === host ? union(p.area, area) : own[i] === 0 ? p.area : withoutSpecks(subtract(p.area, area), 0.06 * sizeOf(area)) })) };
} // prettier-ignore

/**
 * A face for a thing, as a figure of its own that lies on it, the thing with a plain ground for it, and the height of its eyes; null where no part has room for one.
 * Of what is much higher than broad it is in the upper half, and below a share of its height that a hat takes.
 */
export function faceOn(
  thing: Figure,
  expression: Expression,
  below = 0,
): { readonly face: Figure; readonly thing: Figure; readonly y: number } | null {
  // prettier-ignore
  const b = boundsOf(silhouetteOf(thing));
  const isTall = b.height > 1.5 * b.width;
  const [from, to] = [Math.max(below, isTall ? 0.12 : 0), isTall ? 0.7 : 1];
  const band = box(b.x - 1, b.y + from * b.height, b.width + 2, (to - from) * b.height);
  const seenIn = (area: Area): Area => (from > 0 || to < 1 ? intersect(area, band) : area);
  // On the part that has the most room for it, as seen.
  const rooms = seenParts(thing).flatMap((part) => {
    const room = roomIn(seenIn(part.area));
    return room ? [{ part, room }] : [];
  });
  const hull = roomIn(seenIn(silhouetteOf(thing)));
  const widest = rooms.sort((p, q) => q.room.r - p.room.r)[0];
  if (!widest) return null;
  // What is patterned where it is broadest gets a plain ground there.
  const isPatterned = hull !== null && widest.room.r < 0.64 * hull.r;
  const plain = isPatterned ? disc(hull.x, hull.y, 0.66 * hull.r, 90) : null;
  const best = plain ? { part: largestOn(thing, plain), room: { x: hull!.x, y: hull!.y, r: 0.66 * hull!.r } } : widest;
  const { x, y, r } = best.room;
  const eye = Math.max(2, Math.min(4.2, r * 0.2));
  const isDark = thing.tones[best.part.tone] < 0.4;
  const parts = faceParts(
    { x, y: y - eye * 0.9, apart: Math.min(r * 0.42, eye * 2.6), eye, mouth: { y: y + eye * 1.9, half: eye * 1.5 }, isDark, lines: isDark ? 3 : 4 }, // prettier-ignore
    expression,
  );
  const toneOf = (tone: number): number => (tone === 3 ? LIGHT : tone === 4 ? DARK : ACCENT);
  const face = { name: thing.name, tones: FACE_TONES, parts: parts.map((p) => ({ ...p, tone: toneOf(p.tone) })) };
  return { face, thing: plain ? plainIn(thing, plain, best.part.tone) : thing, y };
}
