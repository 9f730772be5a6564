import { contrastRatio, mix } from '../colour';
import { abstractFigure } from './abstract';
import { inkOf, arrangement, banned, figureFor, finished, form, FORMS, scalloped, type Stage } from './stage';
import { together } from './arrange';
import { IDEAS, single } from './single';
import { onField, recoloured } from './field';
import { boundsOf, box, disc, ringOf, starArea, tile, turnedBy } from './area';
import { intersect, grown, subtract, moved, rim, sizeOf, union, type Area, roomIn } from '../path';
import { buildFigure } from './build';
import { isCreature } from './built';
import {
  lookingRight,
  mirroredFigure,
  movedFigure,
  outlineOf,
  placed,
  silhouetteOf,
  upright,
  type Figure,
} from './figure';
import { layerOf, scaled, type Layer } from './layer';
import { leafArea } from './marks';
import { isThing } from './things';
import { faceOf } from './letter-styles';
import { lineOnArc, lineIn } from './letters';
import { isShownNear, keepOf, near, windowOf, type Window } from './views';
import { wordsAs } from './words';

/** How far from the middle of an emblem its figures may reach, in units, before they are brought into its ring. */
const HEART_RADIUS = 48;

const held = (stage: Stage, isHeld: 'ring' | 'tile'): Stage => ({ ...stage, isHeld, leeway: 0, position: 0, parts: { ...stage.parts, shape: null } }); // prettier-ignore

/** The figures alone, plainly, for the middle of an emblem: within a circle. */
function heart(stage: Stage, isHeld: 'ring' | 'tile' = 'ring'): Layer[] {
  const layers = together(held(stage, isHeld));
  let far = HEART_RADIUS;
  for (const ring of layers.flatMap((l) => l.area))
    for (let i = 0; i < ring.length; i += 2) far = Math.max(far, Math.hypot(ring[i] - 50, ring[i + 1] - 50));
  return scaled(layers, HEART_RADIUS / far);
}

/** The figures within what holds them, made smaller and moved; in a view from near, so large that its window cuts them. */
function heartIn(stage: Stage, window: Window | null, k: number, dx = 0, dy = 0): Layer[] {
  const isCut = window !== null && isShownNear(stage) && stage.parts.figures.length > 0;
  const drawn = isCut ? near(together(held(stage, 'ring')), window, keepOf(stage)) : null;
  return drawn ?? scaled(heart(stage), k, dx, dy);
}

export function emblem(stage: Stage): Layer[] {
  const { palette } = stage;
  const [first, second = first] = palette.inks;
  const ground = palette.groundHex;
  const words = wordsAs(stage);
  const [name, under = ''] = words.length > 1 ? words : words.length ? splitWords(words[0]) : ['', ''];
  const face = faceOf(stage);
  const stars = !banned(stage, 'star', 'dot', 'ornament');
  const onFirst = onField(stage, first);
  /** A line of lettering about the middle; nothing where there is none. */
  const set = (text: string, y: number, width: number, height: number, tracking: number): Area[] =>
    lineIn(text.toUpperCase(), { face, tracking }, 50, y, width, height);
  const ring = (): Layer[] => {
    const inner = 30.5;
    const marks: Area = name
      ? union(
          ...lineOnArc(name.toUpperCase(), { face, tracking: 70 }, 50, 50, 38.3, 7.4, true),
          ...(under ? lineOnArc(under.toUpperCase(), { face, tracking: 70 }, 50, 50, 38.3, 7.4, false) : []),
          ...(stars && !under
            ? [-1, 1].map((s) => starArea(50 + s * 38.3 * Math.sin(2.2), 50 + 38.3 * 0.55, 5, 2.4, 1))
            : []),
        )
      : stars
        ? union(
            ...Array.from({ length: 12 }, (_, i) =>
              turnedBy(i % 3 ? disc(50, 11.7, 0.95) : starArea(50, 11.7, 5, 2.9, 1.2), (Math.PI * i) / 6),
            ),
          )
        : ringOf(50, 50, 40, 39);
    return [
      ...form(stage, disc(50, 50, 46, 180), first),
      layerOf(union(marks), onFirst[0]),
      layerOf(disc(50, 50, inner, 160), ground),
      layerOf(ringOf(50, 50, inner - 1.2, inner - 2), first),
      ...heartIn(stage, windowOf(disc(50, 50, inner - 2, 160), 50, 50, 2 * (inner - 2), true), 0.56),
    ];
  };
  const shield = (): Layer[] => {
    const outer = FORMS.shield(47);
    const inner = FORMS.shield(42.6);
    const chief = box(0, 0, 100, 27);
    return [
      ...form(stage, outer, first),
      layerOf(rim(FORMS.shield(44.6), 0.8), onFirst[0]),
      ...(name
        ? [
            layerOf(subtract(inner, chief), ground),
            layerOf(union(...set(name, under ? 16.6 : 19.2, 58, under ? 6.4 : 7.6, 50), ...set(under, 23.6, 50, 3.9, 80)), onFirst[0]), // prettier-ignore
          ]
        : []),
      ...(name ? scaled(heart(stage), 0.56, 0, 4) : heartIn(recoloured(stage, first, onFirst), windowOf(FORMS.shield(43.6), 50, 46, 76, true), 0.66, 0, -2.5)), // prettier-ignore
    ];
  };
  const hexagon = (): Layer[] => [
    ...form(stage, FORMS.hexagon(45), first),
    layerOf(rim(FORMS.hexagon(41), 1), onFirst[0]),
    ...heartIn(recoloured(stage, first, onFirst), name ? null : windowOf(FORMS.hexagon(40), 50, 50, 74, true), name ? 0.52 : 0.66, 0, name ? -6 : 0), // prettier-ignore
    ...(name
      ? [layerOf(union(...set(name, under ? 72 : 75, 46, 6.6, 60), ...set(under, 80.4, 36, 4.2, 80)), onFirst[0])]
      : []),
  ];
  const scallops = (): Layer[] => [
    ...form(stage, scalloped(42, 26), first),
    layerOf(ringOf(50, 50, 39.6, 38.8), onFirst[0]),
    ...(name
      ? [
          layerOf(
            union(
              ...lineOnArc(name.toUpperCase(), { face, tracking: 60 }, 50, 50, 33.2, 6, true),
              ...(under ? lineOnArc(under.toUpperCase(), { face, tracking: 60 }, 50, 50, 33.2, 5, false) : []),
            ),
            onFirst[0],
          ),
        ]
      : []),
    ...heartIn(recoloured(stage, first, onFirst), name ? null : windowOf(disc(50, 50, 38.8, 160), 50, 50, 77.6, true), name ? 0.52 : 0.64, 0, name ? 3 : 0), // prettier-ignore
  ];
  const bannered = (): Layer[] => {
    const y = 77;
    const ribbon: Area = [[12, y - 7, 88, y - 7, 88, y + 7, 12, y + 7]];
    const tails = union(
      [[4, y - 2.5, 18, y - 2.5, 18, y + 11.5, 4, y + 11.5, 9, y + 4.5]],
      [[96, y - 2.5, 82, y - 2.5, 82, y + 11.5, 96, y + 11.5, 91, y + 4.5]],
    );
    const other = second === first ? mix(first, ground, stage.palette.strict ? 0 : 0.35) : second;
    return [
      ...form(stage, ringOf(50, 46, 42, 39.4), first),
      ...heartIn(stage, windowOf(disc(50, 46, 39.4, 160), 50, 43, 76, true), 0.66, 0, -7),
      layerOf(grown(union(ribbon, tails), 1.3), ground),
      layerOf(tails, other),
      layerOf(union(ribbon), first),
      name
        ? layerOf(union(...set(name, y, 68, 7.4, 60)), onFirst[0])
        : layerOf(
            stars
              ? union(...[-2, -1, 0, 1, 2].map((i) => starArea(50 + i * 11, y, 5, i ? 2.6 : 3.6, i ? 1.05 : 1.45)))
              : tile(50, y, 24, 0.6, 0.6),
            onFirst[0],
          ),
      ...(under ? [layerOf(union(...set(under, y + 13.4, 40, 4.4, 90)), first)] : []),
    ];
  };
  const laurel = (): Layer[] => {
    const leaves: Area[] = [];
    for (let i = 0; i < 9; i++)
      for (const side of [-1, 1]) {
        const a = Math.PI / 2 + side * (0.28 + 0.27 * i);
        const [x, y] = [50 + 40 * Math.cos(a), 50 + 40 * Math.sin(a)];
        leaves.push(
          leafArea(x, y, a + side * (Math.PI / 2 - 0.5), 9.4, 4.4),
          leafArea(x, y, a + side * (Math.PI / 2 + 0.55), 8.2, 3.9),
        );
      }
    return [
      layerOf(union(...leaves), first),
      ...scaled(heart(stage), name ? 0.46 : 0.62, 0, name ? -9 : -1),
      ...(name
        ? [layerOf(union(...set(name, under ? 67 : 70, 52, 6.4, 60), ...set(under, 74.6, 40, 4, 80)), first)]
        : []),
    ];
  };
  switch (stage.parts.shape) {
    case 'shield':
      return shield();
    case 'hexagon':
      return hexagon();
    case 'banner':
      return bannered();
    case 'circle':
      return arrangement(stage, [ring, ring, scallops])();
    default:
      return arrangement(stage, [ring, shield, scallops, bannered, hexagon, laurel])();
  }
}

/** "Night Owl Books" over "Est. 1990": the words of a name in two halves when it is long. */
function splitWords(name: string): [string, string] {
  const words = name.split(' ');
  // A year, or since when, is a line of its own.
  const since = /^(.+?)[ ,]+((?:est\.?|since|established|founded)?(?: in)? ?\d{4})$/i.exec(name);
  if (since) return [since[1], since[2]];
  if (name.length < 15 || words.length < 2) return [name, ''];
  let best = 1;
  for (let i = 1; i < words.length; i++)
    if (
      Math.abs(words.slice(0, i).join(' ').length - name.length / 2) <
      Math.abs(words.slice(0, best).join(' ').length - name.length / 2)
    )
      best = i;
  return [words.slice(0, best).join(' '), words.slice(best).join(' ')];
}

export function appIcon(stage: Stage): Layer[] {
  const { palette } = stage;
  const inks = palette.inks;
  // Where figures have colours of their own, one field sets them off.
  const field = inks[stage.position % (stage.leeway < 30 || palette.isToldApart ? 1 : inks.length)];
  const others = [palette.groundHex, ...inks.filter((hex) => hex !== field)].sort(
    (p, q) => contrastRatio(q, field) - contrastRatio(p, field),
  );
  const half = 46;
  const shape = tile(50, 50, half, 20.5);
  // Flat is flat, also on a tile; depth comes with the finishes that have it, and with none asked for.
  const plain = palette.strict || stage.finishName === 'flat';
  const light = plain ? field : mix(field, '#FFFFFF', 0.16);
  const deep = plain ? field : mix(field, '#000000', 0.2);
  const inner = recoloured({ ...stage, finish: stage.finish }, field, others);
  const base: Layer[] = [
    layerOf(
      shape,
      palette.gradient
        ? { kind: 'linear', from: [10, 4], to: [60, 96], hexes: palette.gradient }
        : plain
          ? field
          : { kind: 'linear', from: [50, 4], to: [50, 96], hexes: [light, deep] },
    ),
    ...(plain
      ? []
      : [
          layerOf(subtract(shape, moved(shape, [1, 0, 0, 1, 0, 0.7])), '#FFFFFF', {
            clip: shape,
            soft: 0.3,
            alpha: 0.45,
          }),
        ]),
  ];
  const motif = arrangement<() => Layer[]>(stage, [
    () => [],
    () => [layerOf(disc(50, 50, 34, 160), plain ? (others[1] ?? field) : mix(field, others[0], 0.14), { clip: shape })],
    () => [
      layerOf(disc(50, 112, 62, 160), plain ? (others[1] ?? field) : mix(field, others[0], 0.18), { clip: shape }),
    ],
    () => [layerOf([[100, -4, 104, 104, -4, 104]], plain ? field : mix(field, '#000000', 0.12), { clip: shape })],
  ])();
  // Every fourth comes so near that the tile cuts it.
  const isNear = stage.ideas >= IDEAS && stage.idea % IDEAS === 3 && stage.parts.figures.length < 2;
  const window = windowOf(shape, 50, 50, 2 * half, false);
  const close =
    stage.parts.figures.length > 1 && isShownNear(stage)
      ? near(together(held(inner, 'tile')), window, keepOf(stage))
      : null;
  const size = isNear ? 1.02 : motif.length ? 0.64 : 0.76;
  const side = stage.knobs.steady('near') < 0.5 ? 15 : -15;
  // A form that is asked for is on the tile, and the figure in it.
  const asked = stage.parts.shape;
  if (asked && asked !== 'banner' && asked !== 'square') {
    const hull = FORMS[asked](34);
    return [...base, { ...layerOf(hull, others[0]), clip: shape }, ...scaled(heart(recoloured(stage, others[0], onField(inner, others[0])), 'tile'), 0.52)]; // prettier-ignore
  }
  if (close && !stage.parts.shape) return [...base, ...close];
  return [
    ...base,
    ...(isNear ? [] : motif),
    ...scaled(
      heart(isNear ? { ...inner, ideas: IDEAS - 1 } : inner, 'tile'),
      size,
      isNear ? side : 0,
      isNear ? 13 : 0,
    ).map((l) => ({
      ...l,
      clip: l.clip ? intersect(l.clip, shape) : shape,
    })),
  ];
}

/** How somebody has to do with what is cut out with them. */
const ACTING: ReadonlySet<string> = new Set(['holding', 'wearing', 'riding', 'toward', 'on', 'coming out of']);

export function negativeSpace(stage: Stage): Layer[] {
  const { palette, parts } = stage;
  const [field] = palette.inks;
  // What is said to be inside is what is cut out.
  const isTurned = parts.figures[1]?.turned === true && parts.figures[1].relation === 'inside';
  const [cutAt, outerAt] = isTurned ? [1, 0] : [0, 1];
  const a = figureFor(stage, parts.figures[cutAt], cutAt);
  const second = parts.figures[outerAt];
  // What stands between two is cut out of one form with both of them, each at its side.
  if (second?.relation === 'between' && second.count === 2 && isThing(second.drawn)) {
    const shape = arrangement(stage, [FORMS.circle, FORMS.square, FORMS.hexagon, FORMS.shield]);
    const middle = placed(upright(a), { cx: 50, cy: 50, side: 58, fill: 1 });
    const one = figureFor(stage, { ...second, count: 1 }, outerAt);
    const side = placed(isCreature(one.name) ? lookingRight(one) : upright(one), { cx: 50, cy: 50, side: 50, fill: 1 });
    const [m, o] = [middle, side].map((f) => boundsOf(outlineOf(f)));
    const right = movedFigure(isCreature(one.name) ? mirroredFigure(side) : side, [1, 0, 0, 1, (m.width + o.width) / 2 + 3, m.y + m.height - o.y - o.height]);
    const all = union(...[middle, right, mirroredFigure(right)].map(cutOf));
    const b = boundsOf(all);
    const k = 78 / Math.max(b.width, 1.16 * b.height);
    return [layerOf(subtract(shape(46), moved(all, [k, 0, 0, k, 50 - k * (b.x + b.width / 2), 50 - k * (b.y + b.height / 2)])), field)];
  } // prettier-ignore
  const shape =
    parts.shape && parts.shape !== 'banner'
      ? FORMS[parts.shape]
      : arrangement(stage, [FORMS.circle, FORMS.square, FORMS.hexagon, FORMS.shield]);
  // Who holds something, or rides it, is cut out together with that.
  if (second && !second.turned && ACTING.has(second.relation ?? '')) {
    // A moon beside them is what they are cut out of.
    const moon = parts.figures.findIndex((f, i) => i > 1 && /^(?:moon|full moon|sun|circle)$/.test(f.drawn));
    const figures = parts.figures.filter((_, i) => i !== moon);
    const hull = moon > 0 ? FORMS.circle : shape;
    const layers = together({ ...stage, isHeld: 'ring', leeway: 0, position: 0, parts: { ...parts, figures, kind: null, shape: null } }); // prettier-ignore
    let cut: Area = [];
    for (const { area, fill } of layers) {
      // What lies within it and is small, as an eye does, is left standing.
      const isIsland = fill === palette.groundHex || (sizeOf(area) < 0.1 * sizeOf(cut) && sizeOf(subtract(area, cut)) < 0.1 * sizeOf(area)); // prettier-ignore
      cut = isIsland ? subtract(cut, area) : union(cut, area);
    }
    const b = boundsOf(cut);
    const k = Math.min(62 / Math.max(b.width, b.height), 78 / Math.hypot(b.width, b.height));
    return [layerOf(subtract(hull(45), moved(cut, [k, 0, 0, k, 50 - k * (b.x + b.width / 2), 50 - k * (b.y + b.height / 2)])), field)]; // prettier-ignore
  }
  // One figure cut out of another, or out of a form.
  if (second && isThing(second.drawn)) {
    const outer = placed(figureFor(stage, second, outerAt), { cx: 50, cy: 50, side: 90, fill: 0.95 });
    const hull = silhouetteOf(outer);
    const room = roomIn(hull) ?? { x: 50, y: 50, r: 10 };
    const cut = placed(a, { cx: room.x, cy: room.y, side: room.r * 1.8, fill: 0.95 });
    return [layerOf(subtract(hull, cutOf(cut)), inkOf(stage, outer, field))];
  }
  const figure = placed(a, { cx: 50, cy: 50, side: 62 });
  const out = [layerOf(subtract(shape(44), cutOf(figure)), field)];
  return second
    ? [
        ...out,
        ...finished(
          stage,
          placed(buildFigure(isThing(second.drawn) ? second.drawn : 'seed', stage), { cx: 50, cy: 58, side: 20 }),
        ),
      ]
    : out;
}

/** What is cut out for a figure: its outline without its dark inner parts, which stay as islands. */
function cutOf(figure: Figure): Area {
  const hull = silhouetteOf(figure);
  const within = grown(hull, -1);
  const islands = figure.parts
    .slice(1)
    .filter(
      (p) =>
        sizeOf(subtract(p.area, within)) < 0.02 * sizeOf(p.area) &&
        sizeOf(p.area) < 0.16 * sizeOf(hull) &&
        sizeOf(p.area) > 1.4 &&
        Math.abs(figure.tones[p.tone] - figure.tones[figure.parts[0].tone]) > 0.12,
    );
  return subtract(hull, union(...islands.map((p) => p.area)));
}

export const abstractMark = (stage: Stage): Layer[] =>
  single(stage, stage.given?.figure ?? abstractFigure(stage.parts.figures[0]?.word ?? 'mark', stage.knobs));
