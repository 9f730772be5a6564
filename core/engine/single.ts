/** One figure alone as a mark: plain, in a form, cropped, counterchanged, and other ideas for it. */
import { boundsOf, box, disc, ringOf, tile } from './area';
import { nounKind } from '../prompt';
import { isCreature } from './built';
import { grown, intersect, rim, sizeOf } from '../path';
import { clipped, isLong, isTopHeavy, mirroredFigure, movedFigure, outlineOf, placed, silhouetteOf, turnedAt, upright, type Figure, type Place } from './figure'; // prettier-ignore
import { onField } from './field';
import { fitLayers, layerOf, type Layer } from './layer';
import { symmetryOf } from './symmetry';
import { arrangement, banned, clear, finished, FORMS, type Stage, solid, form } from './stage';

/** The largest share of its field that a figure alone takes. */
export const WHOLE: Place = { cx: 50, cy: 50, side: 84 };

export type Single = (stage: Stage, figure: Figure) => Layer[];

export const plain: Single = (s, f) => finished(s, placed(f, WHOLE));

const inForm =
  (name: keyof typeof FORMS, size = 0.62): Single =>
  (s, f) => {
    const field = s.palette.inks[0];
    const r = 43;
    return [
      ...form(s, FORMS[name](r), field),
      ...finished(
        s,
        placed(f, {
          cx: 50,
          cy: name === 'triangle' ? 58 : name === 'shield' ? 47 : 50,
          side: 2 * r * size * (name === 'triangle' ? 0.8 : name === 'diamond' ? 0.86 : 1.05),
        }),
        field,
        onField(s, field),
      ),
    ];
  };

const beforeDisc: Single = (s, f) => {
  const [first, second = first] = s.palette.inks;
  const ground = s.palette.groundHex;
  const figure = placed(f, { cx: 50, cy: 52, side: 74 });
  const back = second === first ? ringOf(50, 47, 40, 37) : disc(50, 46, 36, 160);
  return [...form(s, back, second), ...clear(s, figure, ground, s.palette.inks, 1.8)];
};

const ringed: Single = (s, f) => [
  ...form(s, ringOf(50, 50, 44, 40.6), s.palette.inks[0]),
  ...finished(s, placed(f, { cx: 50, cy: 50, side: 56 })),
];

/** A line all round at a distance, as of a sticker. */
const bordered: Single = (s, f) => {
  const figure = placed(f, { cx: 50, cy: 50, side: 72 });
  const border = grown(silhouetteOf(figure), 5.6);
  return [layerOf(rim(border, 2.2), s.palette.inks[0]), ...finished(s, figure)];
};

/** So large that a round window cuts it. */
export const cropped: Single = (s, f) => {
  const field = s.palette.inks[1] ?? s.palette.inks[0];
  const window = disc(50, 50, 43, 180);
  const large = placed(f, { cx: 50 + 5 * s.knobs.spread('crop/x'), cy: 57, side: 94, fill: 0.8 });
  const figure = clipped(large, window);
  // What a window cuts too much of is not known any more.
  if (sizeOf(outlineOf(figure)) < (isCreature(f.name) ? 0.9 : 0.8) * sizeOf(outlineOf(large)))
    return inForm('circle')(s, f);
  const inks = [s.palette.inks[0], ...onField(s, field)].filter((i) => i !== field);
  return [
    ...form(s, window, field),
    ...finished(s, figure, field, inks).map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, window) : window })),
  ];
};

/** Arrangements of one figure; the first is the plainest. */
const SINGLE: readonly Single[] = [plain, inForm('circle'), beforeDisc, inForm('square'), cropped, ringed, bordered];

/** Five or six of a slim figure about the middle, their feet together. */
const rosette: Single = (s, f) => {
  const n = s.knobs.steady('rosette') < 0.5 ? 6 : 5;
  const one = upright(placed(f, { cx: 50, cy: 50, side: 40, fill: 0.5 }));
  const b = boundsOf(outlineOf(one));
  const [first, second = first, ...rest] = s.palette.inks;
  return Array.from({ length: n }, (_, i) => {
    const t = (2 * Math.PI * i) / n;
    const [c, d] = [Math.cos(t), Math.sin(t)];
    const [x, y] = [-(b.x + b.width / 2), -(b.y + b.height) - 2.4];
    const turned = movedFigure(one, [c, d, -d, c, 50 + c * x - d * y, 50 + d * x + c * y]);
    return finished(s, turned, s.palette.groundHex, n === 6 && i % 2 ? [second, first, ...rest] : s.palette.inks);
  }).flat();
};

/** So near that a tile shows only a part of it, looking in from its edge. */
export const peeking: Single = (s, f) => {
  const field = s.palette.inks[0];
  const window = tile(50, 50, 43, 15);
  // What looks to one side looks in from the other.
  const side = f.facing ? -f.facing : s.knobs.steady('peek') < 0.5 ? 1 : -1;
  const large = placed(f, { cx: 50 + side * 17, cy: 56, side: 94, fill: 0.9 });
  const inks = onField(s, field);
  return [
    ...form(s, window, field),
    ...finished(s, clipped(large, window), field, inks).map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, window) : window })), // prettier-ignore
  ];
};

/** One half dark on light, the other light on dark, parted down the middle (counterchanged). */
export const counterchanged: Single = (s, f) => {
  const [first] = s.palette.inks;
  const figure = placed(f, { cx: 50, cy: 50, side: 78 });
  const b = boundsOf(outlineOf(figure));
  const half = intersect(tile(50, 50, 46, 12), box(50, -20, 100, 140));
  const [left, right] = [box(b.x - 1, -20, 51 - b.x, 140), box(50, -20, 100, 140)].map((w) => clipped(figure, w));
  return [...solid(s, half, first), ...finished(s, left), ...finished(s, right, first, onField(s, first))];
};

/** Its upper half dark on light, its lower half light on dark, parted level: for what is wide. */
export const waterlined: Single = (s, f) => {
  const [first] = s.palette.inks;
  const figure = placed(f, { cx: 50, cy: 50, side: 80 });
  const b = boundsOf(outlineOf(figure));
  const level = b.y + 0.52 * b.height;
  const half = intersect(tile(50, level, 46, 12, 34), box(-20, level, 140, 140));
  const [upper, lower] = [box(-20, -60, 140, 60 + level), box(-20, level, 140, 140)].map((w) => clipped(figure, w));
  return fitLayers(
    [...solid(s, half, first), ...finished(s, upper), ...finished(s, lower, first, onField(s, first))],
    92,
  );
};

/** The same figure as one with another hand would have it: low and broad, or high and slim. Round ones stay as they are. */
export const otherBuild: Single = (s, f) => {
  const b = boundsOf(outlineOf(f));
  const wide = b.width > b.height;
  const [kx, ky] = wide ? [0.8, 1.12] : b.height > 1.5 * b.width ? [1.32, 0.9] : [0.78, 1.06];
  return plain(s, movedFigure(f, [kx, 0, 0, ky, 50 - 50 * kx, 50 - 50 * ky]));
};
/** Two of what is long, crossed. */
const crossedTwice: Single = (s, f) => {
  const one = upright(placed(f, { cx: 50, cy: 50, side: 84, fill: 0.5 }));
  const [left, right] = [turnedAt(one, -0.72), mirroredFigure(turnedAt(one, -0.72))];
  return fitLayers([...finished(s, left), ...clear(s, right, s.palette.groundHex, s.palette.inks, 2)], 84);
};

/** Cut off by a line that it stands behind, before half a disc: as what comes up over the horizon. */
export const risen: Single = (s, f) => {
  const [first, second = first] = s.palette.inks;
  const large = placed(f, { cx: 50, cy: 50, side: 88, fill: 0.9 });
  const b = boundsOf(outlineOf(large));
  const level = 80;
  const up = movedFigure(large, [1, 0, 0, 1, 0, level - (b.y + 0.68 * b.height)]);
  const above = box(-60, -100, 220, 100 + level);
  const back = second === first ? ringOf(50, level, 42, 39) : disc(50, level, 42, 160);
  return fitLayers(
    [
      ...form(s, intersect(back, above), second),
      ...clear(s, clipped(up, above), s.palette.groundHex, s.palette.inks, 1.8),
      ...solid(s, box(4, level + 1.8, 92, 3.4), first),
    ],
    86,
  );
};

/** Standing in a tile whose lower edge cuts its foot. */
export const sunk: Single = (s, f) => {
  const field = s.palette.inks[0];
  const window = tile(50, 50, 43, 15);
  const large = placed(f, { cx: 50, cy: 50, side: 92, fill: 0.9 });
  const b = boundsOf(outlineOf(large));
  const figure = movedFigure(large, [1, 0, 0, 1, 0, 93 - (b.y + 0.74 * b.height)]);
  return [
    ...form(s, window, field),
    ...finished(s, clipped(figure, window), field, onField(s, field)).map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, window) : window })), // prettier-ignore
  ];
};

/** What has anything round about it, which would no longer be. */
const hasRound = (f: Figure): boolean =>
  [silhouetteOf(f), ...f.parts.map((p) => p.area)].some((area) => {
    const b = boundsOf(area);
    const share = sizeOf(area) / (b.width * b.height);
    return sizeOf(area) > 60 && Math.abs(b.width / b.height - 1) < 0.12 && share > 0.72 && share < 0.86;
  });

/** Ideas for a figure of which there are too few drawings for four. */
export function ideasFor(figure: Figure): readonly Single[] {
  const b = boundsOf(outlineOf(figure));
  const last = figure.name.split(' ').at(-1)!;
  const isGrown = isCreature(figure.name) || /^(?:animal|plant|person)$/.test(nounKind(figure.name) ?? nounKind(last) ?? '');
  const isMade = !isGrown && !RISING.test(figure.name);
  // Halves are seen to be one where both are alike, or where there is much of them.
  const isEven = symmetryOf(placed(figure, { cx: 50, cy: 50, side: 90, fill: 0.9 })) > 0.84;
  const isSolid = isMade && sizeOf(silhouetteOf(figure)) > 0.5 * b.width * b.height;
  const halved = isEven || isSolid ? [counterchanged] : [];
  if (TURNING.test(figure.name)) return [rosette, ...halved, peeking];
  if (CROSSING.test(figure.name) && isLong(figure)) return [crossedTwice, ...halved, peeking];
  const isWide = b.width > 1.2 * b.height;
  const other = hasRound(figure) || isWide ? [] : [otherBuild];
  // What is made is known whole, and by its foot.
  if (isMade) return [...new Set([...halved, ...(isWide ? [peeking, waterlined] : []), ...other, isTopHeavy(figure) && !halved.length ? sunk : peeking, cropped])].slice(0, 3);
  return [...(isEven ? halved : []), ...(b.height > 0.86 * b.width ? [risen] : []), peeking, ...(isWide && !isEven ? [waterlined] : []), ...other, cropped].slice(0, 3);
} // prettier-ignore
/** What one crosses two of. */
const CROSSING =
  /\b(?:spanner|wrench|hammer|axe|saw|sword|dagger|paddle|oar|ski|guitar|violin|fork|spoon|knife|whisk|ladle|spatula|rolling pin|pencil|pen|chisel|screwdriver|shovel|spade|rake|trowel|scissors|flute|trumpet|arrow|bow|spear|trident|torch|match|needle|crutch|bat|club|stick|racquet|racket|rod|hoe|pickaxe|cleaver|peeler|tongs|baguette|bone|flag|comb|razor|brush|broom|wand|carrot|candy cane)\b/;
/** What is made and stands up against the sky. */
export const RISING = /\b(?:castle|tower|lighthouse|windmill|house|barn|church|temple|cabin|cottage|bridge|rocket|balloon|ship|boat|palace|pagoda|mill|skyscraper|ferry|ferris wheel|chess)\b/; // prettier-ignore
/** What makes a flower when it goes round: it has one foot, and no face. */
const TURNING =
  /\b(?:leaf|leaves|feather|petal|flame|fire|drop|droplet|wheat|fern|tulip|flower|key|seed|herb|sprout|seedling|wing|quill|paintbrush|heart|tree|pine)\b/;
/** Ideas that a round with some leeway has at least. */
export const IDEAS = 4;

/** Inks in their order, from one of them on and round. */
export const startingAt = (inks: readonly string[], first: number): string[] => [
  ...inks.slice(first),
  ...inks.slice(0, first),
];

/** One figure alone, arranged. */
export function single(stage: Stage, figure: Figure): Layer[] {
  if (stage.given?.fixed) {
    // What must not move can still be coloured in another order.
    const { inks, groundHex } = stage.palette;
    const turn = stage.leeway >= 20 ? stage.position % inks.length : 0;
    return finished(stage, figure, groundHex, startingAt(inks, turn));
  }
  const { shape } = stage.parts;
  if (shape && shape !== 'banner') return inForm(shape)(stage, figure);
  const free = SINGLE.filter(
    (a) =>
      !((a === ringed || a === bordered) && banned(stage, 'ring', 'border', 'frame', 'outline')) &&
      !(a !== plain && banned(stage, 'disc', 'circle', 'ground', 'background', 'shape')),
  );
  return arrangement(stage, free)(stage, figure);
}
