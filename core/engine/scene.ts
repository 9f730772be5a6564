/** Figures in a landscape: the ground or the water that they are in, what shines over it, and land behind, in a window that holds them. */
import type { PromptFigure } from '../prompt';
import { boundsOf, box, disc, tile } from './area';
import { grown, intersect, rim, stroked, subtract, union, type Area } from '../path';
import { isCreature } from './built';
import { onField, recoloured } from './field';
import { SWIMS, castOf, cropOf, type Ground } from './grounds';
import { clipped, placed, standing, type Figure } from './figure';
import { ownHexes } from './dye';
import { fitLayers, layerOf, scaled, type Layer } from './layer';
import { waveLine } from './marks';
import { severalAsOne } from './pairings';
import { waysFor } from './pairs';
import {
  banned,
  clear,
  figureFor,
  finished,
  form,
  isAtDusk,
  isAtNight,
  isOfLines,
  type Stage,
  solid,
  thingFor,
} from './stage';

/** The height at which land meets the sky. */
const HORIZON = 62;

interface Land {
  /** What is behind the figures, and what is before them. */
  readonly far: Area;
  readonly near: Area;
  /** What runs through the near part: a river, a road, furrows, waves. */
  readonly band: Area;
}

const curved = (cx: number, top: number, r: number): Area => disc(cx, top + r, r, 240);
const wedge = (x: number, half: number, tip: number): Area => [
  [50 - 0.5, tip, 50 + 0.5, tip, x + half, 104, x - half, 104],
];

/** A winding band that comes nearer as it comes down, `near` units wide at the foot and `far` at the horizon. */
function winding(near: number, far: number): Area {
  const edges: [number[], number[]] = [[], []];
  for (let i = 0; i <= 40; i++) {
    const t = i / 40;
    const x = 52 + 15 * Math.sin(1.9 * Math.PI * t ** 0.8) * (0.3 + 0.9 * t);
    const y = HORIZON - 0.5 + 44 * t ** 1.25;
    const half = (far + (near - far) * t ** 1.4) / 2;
    edges[0].push(x - half, y);
    edges[1].unshift(x + half, y);
  }
  return [edges.flat()];
}

/** A pine of three tiers on its foot. */
const pine = (x: number, foot: number, high: number): Area =>
  union(...[0, 1, 2].map((i): Area => {
    const top = foot - high * (1 - 0.24 * i);
    const half = high * (0.15 + 0.06 * i);
    return [[x, top, x + half, top + high * 0.44, x - half, top + high * 0.44]];
  }), box(x - 0.04 * high, foot - 0.12 * high, 0.08 * high, 0.16 * high)); // prettier-ignore

function landOf(ground: Ground): Land {
  const hills = union(curved(86, HORIZON - 1, 74));
  switch (ground) {
    case 'water':
      return {
        far: [],
        near: box(-10, HORIZON + 1, 120, 60),
        band: stroked([waveLine(16, 44, HORIZON + 9, 0.9, 14), waveLine(62, 82, HORIZON + 9, 0.9, 14), waveLine(30, 70, HORIZON + 17, 0.9, 14), waveLine(40, 60, HORIZON + 25, 0.9, 14)], 1.9, false), // prettier-ignore
      };
    case 'field':
      return {
        far: [],
        near: curved(50, HORIZON, 190),
        band: union(...[-70, -40, -14, 14, 40, 70].map((x) => wedge(50 + x, 2.1, HORIZON - 9))),
      };
    case 'river':
      return { far: hills, near: curved(30, HORIZON, 160), band: winding(23, 2.4) };
    case 'road':
      return { far: hills, near: curved(40, HORIZON, 170), band: winding(20, 2.2) };
    case 'dunes':
      return { far: curved(82, HORIZON - 2, 60), near: curved(26, HORIZON + 4, 74), band: [] };
    case 'woods':
      return {
        far: union(...[[8, 26], [19, 33], [30, 27], [70, 28], [81, 34], [92, 25]].map(([x, high]) => pine(x, HORIZON + 3, high))), // prettier-ignore
        near: curved(50, HORIZON, 170),
        band: [],
      };
    default:
      return { far: curved(84, HORIZON - 5, 70), near: curved(26, HORIZON + 1, 80), band: [] };
  }
}

/** The windows that hold a landscape, in turn. */
const WINDOWS: readonly (() => Area)[] = [
  () => disc(50, 50, 44, 200),
  () => grown(union(disc(50, 44, 33, 160), box(17, 44, 66, 45)), 3),
  () => tile(50, 50, 43, 15),
];

/** A figure set down with its foot at a height, its middle at another. */
const stood = (figure: Figure, cx: number, foot: number, side: number, fill = 0.9): Figure => standing(placed(figure, { cx, cy: 50, side, fill }), cx, foot); // prettier-ignore

/** Who is in a landscape, as it is drawn there; in water it is seen to where that reaches. */
interface Actor {
  readonly isIn: boolean;
  readonly layers: readonly Layer[];
}

/** The figures of a prompt in one landscape. */
export function scene(asked: Stage): Layer[] {
  const { figures } = asked.parts;
  const cast = castOf(figures)!;
  const isLines = isOfLines(asked);
  const window = WINDOWS[asked.isHeld ? 0 : asked.idea % WINDOWS.length]();
  const isNight = !isLines && (asked.idea % 4 === 3 || figures.some((f) => /moon|^stars?$/.test(f.drawn)) || isAtNight(asked.parts)); // prettier-ignore
  const [field] = asked.palette.inks;
  const stage = isNight ? recoloured(asked, field, onField(asked, field)) : asked;
  const { groundHex, inks } = stage.palette;
  const [lead, free = lead, spark = free] = inks;
  const [support = free] = stage.palette.isToldApart ? ownHexes(figures[cast.at].colours, groundHex) : [];
  const land = landOf(cast.ground);
  const isWet = cast.ground === 'water';
  const inside = (area: Area): Area => intersect(area, window);
  const paint = (area: Area, hex: string): Layer[] =>
    !area.length ? [] : isLines ? [layerOf(intersect(rim(area, 2), window), hex, { isFigure: true })] : solid(stage, area, hex); // prettier-ignore
  const within = (layers: readonly Layer[]): Layer[] => layers.map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, window) : window })); // prettier-ignore

  const drawn = (i: number): Figure => {
    const one = figureFor(stage, figures[i], i);
    return figures[i].count > 1 && figures[i].drawn !== 'star'
      ? severalAsOne(one, Math.min(3, figures[i].count), null)
      : one;
  };
  const bright = [spark, support, lead].filter((hex) => hex !== groundHex);
  const isLow = isAtDusk(asked.parts) && !cast.sky.length;
  const sky = cast.sky.flatMap((i) => {
    const { drawn: name } = figures[i];
    // Stars are all over the sky, where nothing hides them.
    if (/^stars?$/.test(name)) {
      const star = { ...drawn(i), name };
      const { count } = figures[i];
      const spots = [[24, 27, 9], [72, 22, 11], [37, 15, 7], [78, 42, 7], [22, 46, 6], [58, 14, 6]]; // prettier-ignore
      return spots.slice(0, count > 1 ? count : 6).flatMap(([cx, cy, side]) => finished(stage, placed(star, { cx, cy, side, fill: 1 }), groundHex, bright)); // prettier-ignore
    }
    const isArch = name === 'rainbow';
    const cx = isArch || !cast.actors.length ? 50 : 66;
    const f = isArch ? stood(drawn(i), 50, HORIZON + 2, 74, 1) : placed(drawn(i), { cx, cy: /sun|moon|planet/.test(name) ? 34 : 26, side: /sun|moon|planet/.test(name) ? 32 : 26, fill: 0.9 }); // prettier-ignore
    return finished(stage, f, groundHex, bright);
  });
  if (isLow) sky.push(...form(stage, disc(50, HORIZON, 24, 140), spark));
  const back = cast.back.flatMap((i) => clear(stage, stood(drawn(i), cast.actors.length ? 40 : 50, HORIZON + 3, cast.actors.length ? 62 : 76, 1), groundHex, [support, ...inks], 1.4)); // prettier-ignore
  const near = inside(land.near);
  const band = intersect(land.band, near);
  // In water one is seen to where it reaches.
  const isOver = (f: PromptFigure): boolean => (f.relation === null ? figures[cast.at].relation === 'over' && !figures[cast.at].turned : f.relation === 'over' && f.turned); // prettier-ignore
  // The ground's own ink is not taken for what stands on it.
  const own = inks.length > 2 ? inks.filter((hex) => hex !== free || hex === lead) : inks;
  const shown = box(-100, -200, 300, 200 + HORIZON + 3);
  let shore: Area = [];
  const alone = (i: number, n: number): Actor => {
    const f = figures[i];
    const isBridge = /bridge|dam|viaduct/.test(f.drawn);
    // Who crosses a road is on it.
    const isAcross = /^(?:cross|walk|wander|driv)/.test(f.pose ?? figures[cast.at].said ?? '');
    const isAloft = !isBridge && ((isOver(f) && !isAcross) || /^(?:fly|soar|glid|hover)/.test(f.pose ?? ''));
    const isIn = isWet && !isAloft && !isBridge && (SWIMS.test(f.drawn) || isCreature(f.drawn));
    const two = cast.actors.length > 1;
    const side = isBridge ? 82 : isAloft ? 40 : two ? 36 : f.count > 1 ? 78 : cast.back.length ? 42 : 50;
    const cx = isBridge ? 50 : two ? (n ? 67 : 35) : cast.back.length ? 60 : cast.sky.length ? 44 : cast.ground === 'road' || cast.ground === 'river' ? 40 : 50; // prettier-ignore
    const foot = isAloft ? 50 : isIn ? HORIZON + 9 : cast.ground === 'field' || cast.ground === 'woods' ? HORIZON + 6 : HORIZON + 5; // prettier-ignore
    const figure = stood(drawn(i), cx, foot, side);
    // What is built by the water stands on its shore.
    if (isWet && !isIn && !isAloft && !isBridge) shore = union(shore, subtract(curved(cx, HORIZON + 1.5, 46), box(-100, HORIZON + 14, 300, 200))); // prettier-ignore
    return { isIn, layers: clear(stage, isIn ? clipped(figure, shown) : figure, groundHex, own, 1.6) };
  };
  // One that is in a boat, or on a horse, is drawn with it as one.
  const carried = (rider: number, carrier: number): Actor => {
    const pair = fitLayers([...waysFor(figures[rider], figures[carrier])[0](stage, drawn(rider), drawn(carrier))], 52);
    const b = boundsOf(pair.flatMap((l) => l.area));
    const isIn = isWet && SWIMS.test(figures[carrier].drawn);
    const dx = cast.back.length ? 8 : cast.sky.length ? -6 : 0;
    const low = scaled(pair, 1, dx, HORIZON + (isIn ? 9 : 6) - (b.y + b.height));
    return { isIn, layers: isIn ? low.map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, shown) : shown })) : low };
  };
  const [rider, carrier] = cast.actors;
  const isCarried = carrier !== undefined && figures[carrier].to === rider && !figures[carrier].turned && ['inside', 'on', 'riding', 'holding'].includes(figures[carrier].relation ?? ''); // prettier-ignore
  const actors = isCarried ? [carried(rider, carrier)] : cast.actors.map(alone);
  // What a field bears stands in it, in rows that are nearer the lower they are.
  const crop = cropOf(figures[cast.at]);
  const plant = crop && !isLines ? thingFor(stage, { drawn: crop, colours: figures[cast.at].colours }) : null;
  const rows = plant ? [[HORIZON + 18, 13, 0.5], [HORIZON + 34, 17, 0]].flatMap(([foot, side, off]) => Array.from({ length: 8 }, (_, i) => stood(plant, 50 + (i - 3.5 + off) * side * 0.86, foot, side, 1))) : []; // prettier-ignore
  const frame = banned(asked, 'ring', 'border', 'frame', 'outline') ? [] : [layerOf(rim(window, 2.2), lead)];
  return [
    ...(isNight ? form(asked, window, field) : frame),
    ...within([
      ...sky,
      ...back,
      ...paint(inside(land.far), spark),
      ...actors.filter((a) => a.isIn).flatMap((a) => a.layers),
      ...(isLines ? [] : [layerOf(subtract(inside(grown(land.near, 1.4)), near), groundHex)]),
      ...paint(subtract(near, band), support),
      ...(cast.ground === 'road' || cast.ground === 'river' ? paint(band, isLines || spark === support ? groundHex : spark) : []),
      ...(shore.length && !isLines ? [layerOf(inside(grown(shore, 1.4)), groundHex)] : []),
      ...paint(inside(shore), spark),
      ...actors.filter((a) => !a.isIn).flatMap((a) => a.layers),
      ...rows.flatMap((f) => clear(stage, f, support, [lead, spark, ...inks], 0.9)),
    ]),
    ...(isNight ? [] : frame),
  ]; // prettier-ignore
}
