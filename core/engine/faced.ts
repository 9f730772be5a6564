/** Things with a face: it goes where they have the most room for it. */
import { intersect, roomIn, sizeOf, type Area } from '../path';
import { disc } from './area';
import { faceParts, type Expression } from './creature';
import { seenParts, silhouetteOf, type Figure, type Part } from './figure';

/** Lightness of what is dark, light, and of a tongue. */
export const FACE_TONES: readonly number[] = [0.14, 1, 0.7];
const [DARK, LIGHT, ACCENT] = [0, 1, 2];

/** The part of a figure of which most is seen in an area. */
const mostOn = (thing: Figure, area: Area): Part =>
  seenParts(thing).reduce((p, q) => (sizeOf(intersect(q.area, area)) > sizeOf(intersect(p.area, area)) ? q : p));

/** A face for a thing, as a figure of its own that lies on it, and the place between its eyes; null where no part has room for one. */
export function faceOn(thing: Figure, expression: Expression): { readonly face: Figure; readonly y: number } | null {
  // On the part that has the most room for it, as seen.
  const rooms = seenParts(thing).flatMap((part) => {
    const room = roomIn(part.area);
    return room ? [{ part, room }] : [];
  });
  const hull = roomIn(silhouetteOf(thing));
  const widest = rooms.sort((p, q) => q.room.r - p.room.r)[0];
  if (!widest) return null;
  // What is patterned where it is broadest gets a plain ground there.
  const isPatterned = hull !== null && widest.room.r < 0.5 * hull.r;
  const plain = isPatterned ? disc(hull.x, hull.y, 0.66 * hull.r, 90) : null;
  const best = plain ? { part: mostOn(thing, plain), room: { x: hull!.x, y: hull!.y, r: 0.66 * hull!.r } } : widest;
  const { x, y, r } = best.room;
  const eye = Math.max(2, Math.min(4.2, r * 0.2));
  const isDark = thing.tones[best.part.tone] < 0.4;
  const parts = faceParts(
    { x, y: y - eye * 0.9, apart: Math.min(r * 0.42, eye * 2.6), eye, mouth: { y: y + eye * 1.9, half: eye * 1.5 }, isDark, lines: isDark ? 3 : 4 }, // prettier-ignore
    expression,
  );
  const toneOf = (tone: number): number => (tone === 3 ? LIGHT : tone === 4 ? DARK : ACCENT);
  const tones = [...FACE_TONES, thing.tones[best.part.tone]];
  const ground = plain ? [{ tone: FACE_TONES.length, area: plain }] : [];
  return { face: { name: thing.name, tones, parts: [...ground, ...parts.map((p) => ({ ...p, tone: toneOf(p.tone) }))] }, y }; // prettier-ignore
}
