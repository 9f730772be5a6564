/** A third figure in a picture of two. */
import type { PromptFigure } from '../prompt';
import { boundsOf, box } from './area';
import { grown, intersect, rim, roomIn, sizeOf, union, type Area } from '../path';
import { movedFigure, outlineOf, placed, silhouetteOf, type Figure } from './figure';
import { fitLayers, layerOf, scaled, type Layer } from './layer';
import { SKY, swapped } from './pairings';
import { TREES } from './pairings-places';
import { IN_VEHICLE } from './pairs';
import { clear, finished, form, type Stage } from './stage';

/** What lies at the foot of what it goes with. */
const LOW =
  /^(?:lake|pond|ripples|wave|water|sea|river|grass|field|hills?|beach|snow|sand|desert|road|bridge|flowers?)$/;

/** What is as broad as all that stands on it. */
const FLAT = /^(?:tray|table|shelf|board|cutting board|plate|raft|boat|book|cloud|cart|bench)$/;

/** Within what line two are seen. */
const WITHIN = /^(?:heart|circle|ring|square|triangle|star|diamond|house|cloud|drop|shield|hexagon)$/;

/** What two go in together, beside what one rides in. */
const HOLDING_TWO = /^(?:sled|sofa|basket|bed|nest|nest with eggs|pot|box)$/;

const HIGH = /^(?:star|stars|cloud|crown|halo|rainbow|lightning|umbrella|parachute)$/;
const ROUND = /wreath|laurel|ring|hoop|circle/;

/** Whether a thing has a place of its own in any picture: at its foot, in its sky, about it or behind it, and not beside another. */
export const hasPlace = (drawn: string): boolean =>
  [LOW, SKY, HIGH, ROUND, TREES].some((names) => names.test(drawn)) || /^(?:heart|forest|house|ribbon|banner|sparkles?|leaf)$/.test(drawn); // prettier-ignore

/** How much of a corner's box is covered. */
const inkAt = (area: Area, corner: Area): number => sizeOf(intersect(area, corner)) / Math.max(1, sizeOf(corner));

/** A third figure with two that are arranged: over, under or behind them where it is said to be, low things along their foot; else where they leave a corner, or beside them on their line. */
export function withThird(stage: Stage, layers: Layer[], asked: PromptFigure, figure: Figure): Layer[] {
  const all = union(...layers.filter((l) => l.isFigure).map((l) => l.area));
  const b = boundsOf(all.length ? all : layers.flatMap((l) => l.area));
  const { groundHex } = stage.palette;
  const inks = swapped(stage);
  const mid = b.x + b.width / 2;
  const put = (f: Figure, gap = 1.8): Layer[] => fitLayers([...layers, ...clear(stage, f, groundHex, inks, gap)], 88);
  // Rain falls on all of it.
  if (/^(?:rain|rainfall|drizzle|showers?|raindrops?|snow|snowfall|snowflakes?)$/.test(asked.word)) {
    const one = placed(figure, { cx: 50, cy: 50, side: 0.13 * Math.max(b.width, b.height), fill: 1 });
    const spots = [[0.02, -0.16], [0.26, -0.3], [0.5, -0.14], [0.74, -0.3], [0.98, -0.16]] as const;
    return fitLayers([...layers, ...spots.flatMap(([u, v]) => finished(stage, movedFigure(one, [1, 0, 0, 1, b.x + u * b.width - 50, b.y + v * b.height - 50]), groundHex, inks))], 90);
  } // prettier-ignore
  if (LOW.test(asked.drawn))
    return put(placed(figure, { cx: 50, cy: b.y + b.height - 2, side: Math.max(54, b.width * 1.1), fill: 1 }), 1.4);
  if ((asked.relation === 'around' || (asked.relation === 'inside' && !asked.turned)) && ROUND.test(asked.drawn)) {
    const wreath = placed(figure, {
      cx: mid,
      cy: b.y + b.height / 2,
      side: 1.7 * Math.max(b.width, b.height),
      fill: 1,
    });
    return fitLayers([...finished(stage, wreath, groundHex, inks), ...layers], 90);
  }
  // Two in a heart are seen within its line.
  if (asked.relation === 'inside' && !asked.turned && asked.count === 1 && WITHIN.test(asked.drawn)) {
    const hull = silhouetteOf(placed(figure, { cx: 50, cy: 50, side: 96, fill: 1 }));
    const room = roomIn(hull);
    if (room) return [...form(stage, rim(hull, 3.4), inks[0]), ...scaled(fitLayers(layers, 2.1 * room.r), 1, room.x - 50, room.y - 53)]; // prettier-ignore
  }
  const isSky = SKY.test(asked.drawn) && asked.relation !== 'as';
  if ((asked.relation === 'behind' && !asked.turned) || isSky) {
    const back = placed(figure, { cx: mid, cy: b.y + b.height * 0.42, side: 1.12 * Math.max(b.width, b.height), fill: 1 }); // prettier-ignore
    return fitLayers([...finished(stage, back, groundHex, inks), layerOf(grown(all, 2), groundHex), ...layers], 88);
  }
  // Two under an umbrella have it over them, its stem between them.
  if (/^(?:umbrella|parasol)$/.test(asked.drawn) && asked.relation === 'under' && !asked.turned) {
    const wide = placed(figure, { cx: mid, cy: 50, side: 1.3 * Math.max(b.width, b.height), fill: 1 });
    const w = boundsOf(outlineOf(wide));
    const roof = movedFigure(wide, [1, 0, 0, 1, mid - (w.x + w.width / 2), b.y - 0.52 * w.height - w.y]);
    return fitLayers([...finished(stage, roof, groundHex, inks), layerOf(grown(all, 2), groundHex), ...layers], 90);
  }
  // A tree that they are under is over both, and behind.
  if (asked.relation === 'under' && !asked.turned && (TREES.test(asked.drawn) || asked.drawn === 'mushroom')) {
    const tall = placed(figure, { cx: mid, cy: 50, side: 2 * Math.max(b.width, b.height), fill: 1 });
    const t = boundsOf(outlineOf(tall));
    const tree = movedFigure(tall, [1, 0, 0, 1, b.x - 0.06 * b.width - (t.x + t.width / 2), b.y + b.height - (t.y + t.height)]); // prettier-ignore
    return fitLayers([...finished(stage, tree, groundHex, inks), layerOf(grown(all, 1.8), groundHex), ...layers], 90);
  }
  // Two in a boat are behind its side, which is wider than both.
  if ((IN_VEHICLE.test(asked.drawn) || HOLDING_TWO.test(asked.drawn)) && !asked.turned && (['inside', 'riding', 'on'].includes(asked.relation ?? '') || /^shar/.test(asked.said ?? ''))) {
    const wide = placed(figure, { cx: mid, cy: 50, side: 1.3 * b.width, fill: 1 });
    const w = boundsOf(outlineOf(wide));
    return put(movedFigure(wide, [1, 0, 0, 1, mid - (w.x + w.width / 2), b.y + 0.62 * b.height - w.y - 0.2 * w.height]), 1.6);
  } // prettier-ignore
  const side = 0.4 * Math.max(b.width, b.height);
  const isUp = (asked.relation === 'over' && asked.turned) || (asked.relation === 'under' && !asked.turned) || HIGH.test(asked.drawn); // prettier-ignore
  const isDown = (asked.relation === 'over' && !asked.turned) || (asked.relation === 'under' && asked.turned) || (['on', 'riding'].includes(asked.relation ?? '') && !asked.turned); // prettier-ignore
  const third = placed(figure, {
    cx: mid,
    cy: 50,
    side: isDown ? (FLAT.test(asked.drawn) ? 1.15 * b.width : 1.5 * side) : side,
    fill: 0.9,
  });
  const t = boundsOf(outlineOf(third));
  const at = (x: number, y: number): Figure => movedFigure(third, [1, 0, 0, 1, x - t.x, y - t.y]);
  if (isDown) return put(at(mid - t.width / 2, b.y + b.height - 1.5));
  // The emptiest corner it has room in, the lower ones first unless it belongs above.
  const spots = [true, false].flatMap((low) => [1, -1].map((s) => ({ low, s, x: s > 0 ? b.x + b.width - t.width : b.x, y: low ? b.y + b.height - t.height : b.y }))); // prettier-ignore
  const free = spots.map((q) => ({ ...q, ink: inkAt(all, box(q.x, q.y, t.width, t.height)) + (q.low === isUp ? 0.12 : 0) })).sort((p, q) => p.ink - q.ink)[0]; // prettier-ignore
  if (free.ink < 0.2) return put(at(free.x + free.s * 0.2 * t.width, free.y - (free.low ? 0 : 0.1 * t.height)));
  if (isUp) return put(at(mid - t.width / 2, b.y - t.height * 0.92));
  const first = finished(stage, at(free.s > 0 ? b.x + b.width - 0.12 * t.width : b.x - 0.88 * t.width, b.y + b.height - t.height), groundHex, inks); // prettier-ignore
  return fitLayers([...layers, ...first], 90);
}
