/** What an outline nearly is (level, equal, tangent) found, counted and made exact. */
import type { Contour, Point } from '../../path';
import { movedDrawing } from '../drawing';
import { between, Found, gapBetween, NEARLY, type Group, type Nearly, type NearlyTrue } from './found';
import { evenAngles, gaps, leaning, lengths, parallels, radii } from './groups';
import { solved } from './solve';

/** Nearer than this is exact already, in px. */
const EXACT_PX = 0.004;

/** Outlines made exact, and what was found in them. */
export interface Straightened {
  readonly contours: readonly Contour[];
  readonly found: readonly NearlyTrue[];
}

/**
 * Finds what outlines nearly are, so that no place need move further than `withinPx` to make it exact, and makes it so, by the least movement of all places
 * together. Places and edges that outlines share stay shared. `wanted` tells whose lines and arcs are looked at; `kinds` which relations; `isMeant` which of these by the middle of a line or
 * arc that they are of: leaning lines one by one, others together.
 */
export function straightened(
  contours: readonly Contour[],
  withinPx: number,
  kinds: readonly Nearly[] = NEARLY,
  wanted: (contour: number) => boolean = () => true,
  isMeant: ((middle: Point) => boolean) | null = null,
): Straightened {
  const found = new Found(contours, wanted, withinPx);
  const asked = new Set(kinds);
  const meant = (list: readonly Group[]): Group[] =>
    isMeant ? list.flatMap((g) => meantOf(found, g, isMeant)) : [...list];
  const directions = new Map<number, number>();
  const groups: Group[] = [];
  // Directions are known whether or not lines are to be turned to them: gaps are measured across them.
  const look = (all: readonly Group[]): void => {
    for (const { turned } of all) turned?.forEach((angle, k) => directions.has(k) || directions.set(k, angle));
    groups.push(...meant(all.filter((g) => asked.has(g.kind))));
  };
  look(leaning(found, (k) => found.isWanted(k)));
  look(parallels(found, new Set(directions.keys())));
  if (asked.has('angles')) look(evenAngles(found, directions));
  if (asked.has('radii')) look(radii(found));
  if (asked.has('lengths')) look(lengths(found));
  if (asked.has('gaps')) look(gaps(found, directions));
  const { places, radiusOf, kept } = solved(found, groups, directions);
  const told = groups
    .map((g) => ({
      ...g,
      members: g.members.filter((m) => g.kind === 'angles' || kept.some((u) => u.group === g && u.member === m)),
    }))
    .filter((g) => g.members.length > (g.turned ? 0 : 1))
    .map((g) => toldOf(found, g, directions))
    .filter((t) => t.members.length && t.offPx > EXACT_PX);
  if (!told.length) return { contours, found: [] };
  return { contours: movedDrawing(found.drawing, (k) => places[k], radiusOf), found: told };
}

/** What of a group is meant: of lines that lean each by itself, else all or nothing. */
function meantOf(found: Found, group: Group, isMeant: (middle: Point) => boolean): Group[] {
  const { kind, members } = group;
  const middle = (k: number): Point => (kind === 'radii' ? found.arcs[k].middle : found.middleOf(k));
  const own = members.filter((k) => isMeant(middle(k)));
  if (!own.length) return [];
  const isAlone = kind === 'level' || kind === 'upright' || kind === 'diagonal';
  if (!isAlone) return [group];
  const turned = new Map([...(group.turned ?? [])].filter(([k]) => own.includes(k)));
  return [{ ...group, members: own, turned }];
}

/** What a group is, in figures. */
function toldOf(
  found: Found,
  { kind, members, turned, pairs }: Group,
  directions: ReadonlyMap<number, number>,
): NearlyTrue {
  const { lines, arcs, drawing } = found;
  const { places } = drawing;
  const ends = (k: number): Point[] => [places[lines[k].from], places[lines[k].to]];
  const spread = (values: readonly number[]): number => (Math.max(...values) - Math.min(...values)) / 2;
  if (kind === 'radii') {
    const values = members.map((k) => arcs[k].radius);
    return {
      kind,
      members: members.map((k) => {
        const { sides, middle } = arcs[k];
        const { from, to } = drawing.sides[sides[0]];
        return [places[from], middle, places[to]];
      }),
      values,
      offPx: spread(values),
    };
  }
  if (kind === 'lengths') {
    const values = members.map((k) => lines[k].length);
    return { kind, members: members.map(ends), values, offPx: spread(values) };
  }
  if (kind === 'gaps' && pairs) {
    const values = pairs.map(([p, q]) => gapBetween(found, p, q, directions));
    return { kind, members: members.map(ends), values, offPx: spread(values) };
  }
  const off = members.map((k) => {
    const to = turned?.get(k);
    return to === undefined ? 0 : (Math.abs(Math.sin(between(lines[k].angle, to))) * lines[k].length) / 2;
  });
  // Only those that are not so already are worth telling of.
  const telling = kind === 'angles' || kind === 'parallel' ? members : members.filter((_, m) => off[m] > EXACT_PX);
  return {
    kind,
    members: telling.map(ends),
    values: telling.map((k) => (lines[k].angle * 180) / Math.PI),
    offPx: Math.max(0, ...off),
  };
}
