/** Several of one figure: in rows, as a pair, linked, or going round a middle. */
import { boundsOf, box, massOf } from './area';
import { bent, grown, intersect, stroked, subtract, type Area } from '../path';
import {
  lookingRight,
  mapFigure,
  mirroredFigure,
  movedFigure,
  outlineOf,
  placed,
  seenParts,
  silhouetteOf,
  turnedAt,
  withoutSteam,
  type Figure,
} from './figure';
import { fitLayers, type Layer } from './layer';
import { isSeenAside } from './built';
import { severalAsOne, swapped, uprightOf } from './pairings';
import { startingAt } from './single';
import { clear, finished, form, standingOf, type Stage } from './stage';
import { symmetryOf } from './symmetry';

/** A number of one figure: in a row, or in rows. */
export function several(stage: Stage, figure: Figure, count: number, oneRow: boolean): Layer[] {
  const wide = 100 * Math.max(1, stage.aspect);
  const columns = oneRow ? count : Math.ceil(Math.sqrt(count * Math.max(1, stage.aspect * 0.9)));
  const rows = Math.ceil(count / columns);
  const cell = Math.min((wide * 0.92) / columns, 92 / Math.min(1, stage.aspect) / rows);
  const { inks, named, strict, groundHex } = stage.palette;
  // Where the prompt asks for colours and each figure has one, they take them in turn: "one red, one green".
  const isTold = stage.parts.words.filter((w, i, all) => w.word === 'one' && all[i + 1]?.part === 'colour').length > 1;
  const turns = (named || strict) && (isTold || new Set(seenParts(figure).map((p) => p.tone)).size === 1);
  const out: Layer[] = [];
  for (let i = 0; i < count; i++) {
    const row = Math.floor(i / columns);
    const inRow = Math.min(columns, count - row * columns);
    const cx = 50 + cell * ((i % columns) - (inRow - 1) / 2);
    const cy = 50 + cell * (row - (rows - 1) / 2);
    const side = cell * 0.86;
    // The middle one a little larger, so that three are a group and not a pattern.
    const lift = count === 3 && i === 1 && stage.leeway > 30 ? 1.14 : 1;
    const one = placed(figure, { cx, cy, side: side * lift, fill: 0.9 });
    out.push(...finished(stage, one, groundHex, turns ? startingAt(inks, i % inks.length) : inks));
  }
  return out;
}

/** Several side by side on cords from one line, every second one lower. */
export function hung(stage: Stage, figure: Figure, count: number): Layer[] {
  const step = 100 / count;
  const one = placed(figure, { cx: 50, cy: 50, side: 1.18 * step, fill: 0.95 });
  const b = boundsOf(outlineOf(one));
  const [x0, top] = [50 - (step * (count - 1)) / 2, 6];
  const spots = Array.from({ length: count }, (_, i) => ({ x: x0 + step * i, y: top + 14 + (i % 2 ? 12 : 0) }));
  const [, cord = stage.palette.inks[0]] = stage.palette.inks;
  const lines = stroked([[x0 - 0.5 * b.width, top, x0 + step * (count - 1) + 0.5 * b.width, top], ...spots.map(({ x, y }) => [x, top, x, y + 1])], 2, false); // prettier-ignore
  return fitLayers([...form(stage, lines, cord), ...spots.flatMap(({ x, y }) => finished(stage, movedFigure(one, [1, 0, 0, 1, x - b.x - b.width / 2, y - b.y])))], 92); // prettier-ignore
}

/** Several on the wing, one before the others, which follow it at both sides, each a little smaller. */
export function skein(stage: Stage, figure: Figure, count: number): Layer[] {
  const one = placed(lookingRight(figure), { cx: 50, cy: 50, side: 40, fill: 0.95 });
  const b = boundsOf(outlineOf(one));
  const places = Array.from({ length: count }, (_, i) => {
    const rank = Math.ceil(i / 2);
    return { x: -0.74 * b.width * rank, y: (i % 2 ? -0.72 : 0.72) * b.height * rank, k: 1 - 0.08 * rank };
  });
  return fitLayers(
    places.toReversed().flatMap(({ x, y, k }) => clear(stage, movedFigure(one, [k, 0, 0, k, 50 - 50 * k + x, 50 - 50 * k + y]), stage.palette.groundHex, stage.palette.inks, 1.2)), // prettier-ignore
    90,
  );
}

/** Two of a figure as one would stand them: turned to one another or away, or one behind the other; what looks at us stands shoulder to shoulder. */
export function twoAlike(stage: Stage, figure: Figure, said: readonly string[]): Layer[] {
  if (said.some((m) => /^(?:clink|toast|cheers)/.test(m))) return clinking(stage, figure);
  const paired = said.some((m) => /^(?:holding (?:hands|paws|wings)|(?:hand|paw|arm) in (?:hand|paw|arm))$/.test(m)) ? handInHand(stage, figure) : null; // prettier-ignore
  if (paired) return paired;
  const { inks, groundHex } = stage.palette;
  const one = placed(figure, { cx: 50, cy: 50, side: 60, fill: 0.9 });
  const ways = symmetryOf(one) > 0.87 ? (['toward', 'behind'] as const) : (['toward', 'behind', 'away', 'behind'] as const); // prettier-ignore
  const way = standingOf(said) ?? ways[stage.idea % ways.length];
  if (way !== 'behind') return fitLayers(finished(stage, severalAsOne(one, 2, way)), 88);
  const b = boundsOf(outlineOf(one));
  const back = movedFigure(one, [0.9, 0, 0, 0.9, 0.1 * (b.x + b.width / 2) + 0.44 * b.width, 0.1 * b.y]);
  return fitLayers([...finished(stage, back, groundHex, swapped(stage)), ...clear(stage, one, groundHex, inks, 2)], 86);
}

/** Two vessels that are raised to one another: leaning together, rims touching, with a spark over where they meet. */
function clinking(stage: Stage, figure: Figure): Layer[] {
  const vessel = placed(withoutSteam(figure), { cx: 50, cy: 50, side: 52, fill: 0.9 });
  // Its handle away from the other's.
  const v = boundsOf(outlineOf(vessel));
  const one = massOf(outlineOf(vessel))[0] < v.x + v.width / 2 ? mirroredFigure(vessel) : vessel;
  const left = turnedAt(one, 0.26);
  const b = boundsOf(outlineOf(left));
  const right = movedFigure(left, [-1, 0, 0, 1, 2 * (b.x + b.width) + 0.5, 0]);
  const x = b.x + b.width;
  const rays = [-0.7, 0, 0.7].map((turn) => [x + 7 * Math.sin(turn), b.y - 2 - 7 * Math.cos(turn), x + 17 * Math.sin(turn), b.y - 2 - 17 * Math.cos(turn)]); // prettier-ignore
  const [, spark = stage.palette.inks[0]] = stage.palette.inks;
  const { inks, groundHex } = stage.palette;
  return fitLayers([...finished(stage, left, groundHex, inks), ...clear(stage, right, groundHex, inks, 1.2), ...form(stage, stroked(rays, 2.4, false), spark)], 90); // prettier-ignore
}

/** Going round, of which several go round one another. */
export const GOING_ROUND = /^(?:swimming|chasing|running|flying|circling|dancing|diving|racing|spinning)$/;

/** How two go through one another. */
export const LINKED =
  /\b(?:linked|interlinked|interlocked|interlocking|interlaced|intertwined|entwined|overlapping|joined)\b/;

/** Two outlines of a figure as two links of a chain: each over the other once. */
export function interlinked(stage: Stage, figure: Figure): Layer[] {
  const one = placed(figure, { cx: 50, cy: 50, side: 54, fill: 0.9 });
  const b = boundsOf(outlineOf(one));
  const step = 0.26 * b.width;
  const linkAt = (dx: number): Area => {
    const hull = silhouetteOf(movedFigure(one, [1, 0, 0, 1, dx, 0]));
    return subtract(hull, grown(hull, -6));
  };
  const [left, right] = [linkAt(-step), linkAt(step)];
  const middle = b.y + b.height / 2;
  const [upper, lower] = [box(0, -50, 100, 50 + middle), box(0, middle, 100, 150)];
  const [first, second = first] = stage.palette.inks;
  const under = (below: Area, top: Area, where: Area): Area => subtract(below, intersect(grown(top, 1.6), where));
  const links = [...form(stage, under(left, right, upper), first), ...form(stage, under(right, left, lower), second)];
  return fitLayers(links.map((l) => ({ ...l, isFigure: true })), 86); // prettier-ignore
}

/** One figure or several going round a middle, each bent to the circle where it is long; what is tall is turned and not bent. */
export function goingRound(figure: Figure, count: number): Figure {
  const n = Math.max(1, Math.min(8, count));
  const b = boundsOf(outlineOf(figure));
  const share = (2 * Math.PI * 0.86) / n;
  // As near the middle as its length and its height let it be.
  const r = Math.max(b.width / share, (n === 1 ? 0.9 : 0.5) * b.height + 12);
  const isBent = b.height < 0.72 * b.width;
  const one = isBent
    ? mapFigure(figure, (area) =>
        bent(area, (x, y) => {
          const [t, d] = [(x - b.x - b.width / 2) / r - Math.PI / 2, r + b.y + b.height / 2 - y];
          return [50 + d * Math.cos(t), 50 + d * Math.sin(t)];
        }),
      )
    : placed(figure, { cx: 50, cy: 50 - (n === 2 ? 19 : 26), side: n === 2 ? 56 : 38, fill: 0.9 });
  const copies = Array.from({ length: n }, (_, i) => turnedAt(one, (2 * Math.PI * i) / n));
  return { ...figure, parts: copies.flatMap((c) => c.parts) };
} // prettier-ignore

/** Two upright, side by side, an arm of each stretched out to the other's; null for what has no arms. */
function handInHand(stage: Stage, figure: Figure): Layer[] | null {
  const one = isSeenAside(figure.name) ? null : uprightOf(stage, figure, 'pointing');
  if (!one) return null;
  const left = placed(one, { cx: 50, cy: 50, side: 60, fill: 0.9 });
  const b = boundsOf(outlineOf(left));
  // Their hands meet where the arm reaches out furthest.
  const step = b.x + b.width - 2;
  const right = movedFigure(left, [-1, 0, 0, 1, 2 * step, 0]);
  const { inks, groundHex } = stage.palette;
  return fitLayers(
    [...finished(stage, left, groundHex, inks), ...finished(stage, right, groundHex, swapped(stage))],
    92,
  );
}
