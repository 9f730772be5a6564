/** What an artwork nearly is, told in a line each, with what makes it so. */
import type { Nearly, NearlyTrue, Symmetry } from '../exact';
import { mapPoint, type Point } from '../path';
import { countPoints, placedNodes, type Artwork } from './artwork';
import { specksOf } from './choose';
import { counted } from './edits/define';
import type { Edit } from './edits';
import { thinnedArtwork } from './edits/economy';
import { straightenedArtwork, symmetriesOfArtwork } from './edits/exact';

/** Something found by itself: what it is, with a figure, and the edit that makes it exact. */
export interface NearlyLine {
  /** One of a kind in a list. */
  readonly key: string;
  readonly told: string;
  /** What a press does, in a word or two. */
  readonly act: string;
  readonly edit: Edit;
  /** Where on the sheet it is: runs of places to be drawn as lines. */
  readonly places: readonly (readonly Point[])[];
  /** What it is made of, each to be made exact by itself; left out where it is one thing. */
  readonly each?: readonly Omit<NearlyLine, 'act' | 'each'>[];
}

/** How far anything may be moved to be made exact, against the sheet's longer side, and at least and at most in px. */
const WITHIN_SHARE = 0.0012;
const [WITHIN_LEAST_PX, WITHIN_MOST_PX] = [0.3, 1.5];
export const nearlyWithin = ({ widthPx, heightPx }: Artwork): number =>
  Math.min(WITHIN_MOST_PX, Math.max(WITHIN_LEAST_PX, WITHIN_SHARE * Math.max(widthPx, heightPx)));

/** How far an axis may be off to be offered, against what lines may. */
const AXIS_WITHIN = 3;

/** How far outlines may stray to be thinned out: a twentieth of a pixel of a sheet of this many. */
const THIN_PX = 0.05;
const THIN_SHEET_PX = 1024;
export const thinWithin = ({ widthPx, heightPx }: Artwork): number =>
  Number(Math.max(0.01, (THIN_PX * Math.max(widthPx, heightPx)) / THIN_SHEET_PX).toPrecision(2));

/** Fewer points than this share less is nothing to tell of. */
const WORTH = 0.95;

const px = (x: number): string => (x < 0.095 ? x.toFixed(2) : x.toFixed(1));

const ACTS: Record<Nearly, string> = {
  level: 'make level',
  upright: 'make upright',
  diagonal: 'make 45°',
  parallel: 'make parallel',
  radii: 'make equal',
  lengths: 'make equal',
  gaps: 'make even',
  angles: 'make equal',
};

/** All of one kind in a line. */
function toldOf(kind: Nearly, found: readonly NearlyTrue[]): string {
  const members = found.reduce((n, f) => n + f.members.length, 0);
  const off = Math.max(...found.map((f) => f.offPx));
  const values = found.flatMap((f) => [...f.values]).sort((p, q) => p - q);
  const few = (unit: string): string =>
    values.length > 3
      ? `${values.length} ${kind}, ${px(values[0])} to ${px(values[values.length - 1])}${unit}`
      : `${kind} ${values.map(px).join(values.length === 2 ? ' and ' : ', ')}${unit}`;
  if (kind === 'radii' || kind === 'lengths' || kind === 'gaps')
    return found.length === 1 ? few(' px') : `${values.length} ${kind} in ${found.length} kinds, off by ${px(off)} px`;
  if (kind === 'angles') return `${members} lines at nearly equal angles, off by ${px(off)} px`;
  const words = { level: 'level', upright: 'upright', diagonal: 'at 45°', parallel: 'parallel' }[kind];
  return `${counted(members, 'line')} nearly ${words}, off by ${px(off)} px`;
}

/** Lines and arcs that are nearly level, equal and so on: a line for each kind. */
export function nearlyLines(artwork: Artwork, nodes: readonly string[] | 'all'): NearlyLine[] {
  const withinPx = nearlyWithin(artwork);
  const { found } = straightenedArtwork(artwork, nodes, withinPx);
  const kinds = [...new Set(found.map((f) => f.kind))];
  return kinds.map((kind): NearlyLine => {
    const own = found.filter((f) => f.kind === kind);
    const edit: Edit = { kind: 'straighten', nodes: nodes === 'all' ? 'all' : [...nodes], withinPx, only: [kind] };
    const one = own.flatMap((f) => apart(f));
    return {
      key: kind,
      told: toldOf(kind, own),
      act: ACTS[kind],
      edit,
      places: own.flatMap((f) => f.members),
      ...(one.length > 1
        ? {
            each: one.slice(0, EACH_MOST).map((f, k) => ({
              key: `${kind}-${k}`,
              told: alone(f),
              edit: { ...edit, at: f.members.map((m) => middleOf(m)) },
              places: f.members,
            })),
          }
        : {}),
    };
  });
}

/** More than this are not listed one by one. */
const EACH_MOST = 40;

/** The middle of a line between its ends; of an arc it is given. */
const middleOf = (places: readonly Point[]): [number, number] => {
  if (places.length > 2) return [...places[1]];
  const [[ax, ay], [bx, by]] = places;
  return [(ax + bx) / 2, (ay + by) / 2];
};

/** Lines that lean are each a thing of their own, what is equal to something is one with that. */
function apart(found: NearlyTrue): NearlyTrue[] {
  const { kind, members, values } = found;
  if (kind !== 'level' && kind !== 'upright' && kind !== 'diagonal') return [found];
  const exact = { level: 0, upright: 90, diagonal: 45 }[kind];
  return members.map((member, k) => {
    const [[ax, ay], [bx, by]] = member;
    const lean = ((((values[k] - exact) % 90) + 135) % 90) - 45;
    const offPx = Math.abs(Math.sin((lean * Math.PI) / 180)) * Math.hypot(bx - ax, by - ay) * 0.5;
    return { kind, members: [member], values: [values[k]], offPx };
  });
}

/** One of several, by itself. */
function alone(found: NearlyTrue): string {
  const { kind, members, values, offPx } = found;
  if (kind === 'level' || kind === 'upright' || kind === 'diagonal') {
    const [[ax, ay], [bx, by]] = members[0];
    return `a line of ${px(Math.hypot(bx - ax, by - ay))} px, off by ${px(offPx)} px`;
  }
  if (kind === 'parallel' || kind === 'angles') return `${members.length} lines, off by ${px(offPx)} px`;
  const sorted = [...values].sort((p, q) => p - q);
  return sorted.length > 3
    ? `${sorted.length} ${kind}, ${px(sorted[0])} to ${px(sorted[sorted.length - 1])} px`
    : `${kind} ${sorted.map(px).join(sorted.length === 2 ? ' and ' : ', ')} px`;
}

/** Small pieces that look like leftovers: one line. */
export function speckLines(artwork: Artwork): NearlyLine[] {
  const leastPx2 = Math.round((Math.max(artwork.widthPx, artwork.heightPx) / 256) ** 2);
  const specks = specksOf(artwork, Math.max(1, leastPx2));
  if (!specks.length || specks.length === [...placedNodes(artwork.nodes)].length) return [];
  return [
    {
      key: 'specks',
      told: `${counted(specks.length, 'speck')} under ${Math.max(1, leastPx2)} px²`,
      act: 'remove',
      edit: { kind: 'remove-nodes', nodeIds: specks },
      places: [...placedNodes(artwork.nodes)].flatMap((p) =>
        p.node.kind === 'piece' && specks.includes(p.node.id)
          ? p.node.contours.map((c) => [c.start, ...c.segments.map((s) => s.to)].map((q) => mapPoint(p.map, q)))
          : [],
      ),
    },
  ];
}

/** Axes and centres of symmetry that are not exact yet. */
export function symmetryLines(artwork: Artwork, nodes: readonly string[] | 'all'): NearlyLine[] {
  const withinPx = AXIS_WITHIN * nearlyWithin(artwork);
  return symmetriesOfArtwork(artwork, nodes, withinPx)
    .filter((s) => s.offPx > 0.02)
    .slice(0, 3)
    .map((s, k) => ({
      key: `symmetry-${k}`,
      told: `${wordsFor(s)}, off by ${px(s.offPx)} px${s.share < 0.995 ? ` over ${Math.round(100 * s.share)}%` : ''}`,
      act: 'make exact',
      edit: {
        kind: 'symmetry',
        nodes: nodes === 'all' ? 'all' : [...nodes],
        withinPx,
        about:
          s.kind === 'mirror'
            ? { kind: 'mirror', through: [...s.through], angleDeg: s.angleDeg }
            : { kind: 'turning', centre: [...s.centre], order: s.order },
      },
      places: [axisPlaces(artwork, s)],
    }));
}

const wordsFor = (s: Symmetry): string => {
  if (s.kind === 'turning') return `the same ${s.order} times around`;
  if (s.angleDeg === 90) return 'an upright axis';
  return s.angleDeg === 0 ? 'a level axis' : `an axis at ${s.angleDeg.toFixed(0)}°`;
};

function axisPlaces({ widthPx, heightPx }: Artwork, s: Symmetry): Point[] {
  if (s.kind === 'turning') {
    const r = Math.max(widthPx, heightPx) / 60;
    const [x, y] = s.centre;
    return [
      [x - r, y],
      [x + r, y],
      [x, y],
      [x, y - r],
      [x, y + r],
    ];
  }
  const t = (s.angleDeg * Math.PI) / 180;
  const far = widthPx + heightPx;
  const [x, y] = s.through;
  return [
    [x - far * Math.cos(t), y - far * Math.sin(t)],
    [x + far * Math.cos(t), y + far * Math.sin(t)],
  ];
}

/** Fewer points for the same shape, where that is worth telling of. */
export function economyLines(artwork: Artwork, nodes: readonly string[] | 'all'): NearlyLine[] {
  const tolerancePx = thinWithin(artwork);
  const { artwork: after, greatestPx } = thinnedArtwork(artwork, nodes, tolerancePx);
  const [before, now] = [countPoints(artwork), countPoints(after)];
  if (now >= WORTH * before) return [];
  return [
    {
      key: 'economy',
      told: `${now} points do for ${before}, within ${Math.max(0.01, greatestPx).toFixed(2)} px`,
      act: 'thin out',
      edit: { kind: 'economy', nodes: nodes === 'all' ? 'all' : [...nodes], tolerancePx },
      places: [],
    },
  ];
}
