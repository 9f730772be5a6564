/** One figure alone as a mark: plain, in a form, cropped, counterchanged, and other ideas for it. */
import { boundsOf, box, disc, ringOf, tile } from './area';
import { isCreature } from './built';
import { grown, intersect, rim, sizeOf } from '../path';
import { clipped, movedFigure, outlineOf, placed, silhouetteOf, upright, type Figure, type Place } from './figure';
import { onField } from './field';
import { layerOf, type Layer } from './layer';
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

/** The same figure as one with another hand would have it: low and broad, or high and slim. Round ones stay as they are. */
export const otherBuild: Single = (s, f) => {
  const b = boundsOf(outlineOf(f));
  const wide = b.width > b.height;
  const [kx, ky] = wide ? [0.8, 1.12] : b.height > 1.5 * b.width ? [1.32, 0.9] : [0.78, 1.06];
  return plain(s, movedFigure(f, [kx, 0, 0, ky, 50 - 50 * kx, 50 - 50 * ky]));
};
/** What has anything round about it, which would no longer be. */
const hasRound = (f: Figure): boolean =>
  [silhouetteOf(f), ...f.parts.map((p) => p.area)].some((area) => {
    const b = boundsOf(area);
    const share = sizeOf(area) / (b.width * b.height);
    return sizeOf(area) > 60 && Math.abs(b.width / b.height - 1) < 0.12 && share > 0.72 && share < 0.86;
  });

/** Ideas for a figure of which there are too few drawings for four. */
export const ideasFor = (figure: Figure): readonly Single[] =>
  TURNING.test(figure.name)
    ? [rosette, peeking, counterchanged]
    : hasRound(figure)
      ? [peeking, counterchanged, cropped]
      : [otherBuild, counterchanged, peeking];
/** What makes a flower when it goes round: it has one foot, and no face. */
const TURNING =
  /\b(?:leaf|leaves|feather|petal|flame|fire|drop|droplet|wheat|fern|carrot|tulip|flower|key|arrow|seed|spoon|fork|herb|sprout|seedling|wing|quill|pen|brush|paintbrush|heart|shell|corn|pear|lemon|candle|bulb|tree|pine)\b/;
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
