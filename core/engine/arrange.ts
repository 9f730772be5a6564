import type { Relation } from '../prompt';
import { boundsOf, box, disc, ringOf, tile } from './area';
import { grown, intersect, moved, rim, roomIn, sizeOf, union } from '../path';
import { clipped, movedFigure, outlineOf, placed, seenParts, silhouetteOf, type Figure, type Place } from './figure';
import { layerOf, scaled, type Layer } from './layer';
import { clearest } from './palette';
import { isThing } from './things';
import { arrangement, banned, clear, figureFor, finished, form, FORMS, type Stage } from './stage';

/** The largest share of its field that a figure alone takes. */
const WHOLE: Place = { cx: 50, cy: 50, side: 84 };

/** Colours for what stands on a field of the first ink. */
export const onField = (stage: Stage, field = stage.palette.inks[0]): readonly string[] => {
  const others = [...stage.palette.inks.filter((i) => i !== field), stage.palette.groundHex];
  const lead = clearest(field, others);
  return [lead, ...others.filter((i) => i !== lead)];
};

type Single = (stage: Stage, figure: Figure) => Layer[];

const plain: Single = (s, f) => finished(s, placed(f, WHOLE));

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
const cropped: Single = (s, f) => {
  const field = s.palette.inks[1] ?? s.palette.inks[0];
  const window = disc(50, 50, 43, 180);
  const large = placed(f, { cx: 50 + 5 * s.knobs.spread('crop/x'), cy: 57, side: 94, fill: 0.8 });
  const figure = clipped(large, window);
  // What a window cuts too much of is not known any more.
  if (sizeOf(outlineOf(figure)) < 0.72 * sizeOf(outlineOf(large))) return inForm('circle')(s, f);
  const inks = [s.palette.inks[0], ...onField(s, field)].filter((i) => i !== field);
  return [
    ...form(s, window, field),
    ...finished(s, figure, field, inks).map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, window) : window })),
  ];
};

/** On a ground line, with a small sun or a few blades where that is not unwanted. */
const onLine: Single = (s, f) => {
  const figure = placed(f, { cx: 50, cy: 46, side: 68 });
  const b = boundsOf(outlineOf(figure));
  const y = b.y + b.height;
  return [
    ...finished(s, figure),
    ...form(s, union(tile(50, y + 3.4, 34, 0.9, 0.95), tile(50, y + 7.4, 19, 0.9, 0.95)), s.palette.inks[0]),
  ];
};

/** Arrangements of one figure; the first is the plainest. */
const SINGLE: readonly Single[] = [
  plain,
  onLine,
  bordered,
  beforeDisc,
  ringed,
  inForm('circle'),
  cropped,
  inForm('square'),
];

/** Inks in their order, from one of them on and round. */
const startingAt = (inks: readonly string[], first: number): string[] => [
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

/** A number of one figure: in a row, or in rows. */
export function several(stage: Stage, figure: Figure, count: number, oneRow: boolean): Layer[] {
  const wide = 100 * Math.max(1, stage.aspect);
  const columns = oneRow ? count : Math.ceil(Math.sqrt(count * Math.max(1, stage.aspect * 0.9)));
  const rows = Math.ceil(count / columns);
  const cell = Math.min((wide * 0.92) / columns, 92 / Math.min(1, stage.aspect) / rows);
  const { inks, named, strict, groundHex } = stage.palette;
  // Where the prompt asks for colours and each figure has one, they take them in turn.
  const turns = (named || strict) && new Set(seenParts(figure).map((p) => p.tone)).size === 1;
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

type Pair = (stage: Stage, a: Figure, b: Figure) => Layer[];

const swapped = (s: Stage): readonly string[] => {
  const [first, second = first, ...rest] = s.palette.inks;
  return [second, first, ...rest];
};

/** B large, behind A. */
const behind: Pair = (s, a, b) => [
  ...finished(s, placed(b, { cx: 50, cy: 46, side: 84, fill: 0.9 }), s.palette.groundHex, swapped(s)),
  ...clear(s, placed(a, { cx: 51, cy: 56, side: 62 }), s.palette.groundHex),
];

/** A above B, touching. */
const above: Pair = (s, a, b) => {
  const low = placed(b, { cx: 50, cy: 73, side: 54, fill: 0.8 });
  const top = boundsOf(outlineOf(low)).y;
  const high = placed(a, { cx: 50, cy: 34, side: 54, fill: 0.9 });
  const hb = boundsOf(outlineOf(high));
  const dy = top + 3 - (hb.y + hb.height);
  return [
    ...finished(s, low, s.palette.groundHex, swapped(s)),
    ...clear(s, movedFigure(high, [1, 0, 0, 1, 0, dy]), s.palette.groundHex, s.palette.inks, 1.6),
  ].map((l) => shifted(l, 0, -dy / 2));
};

const shifted = (l: Layer, dx: number, dy: number): Layer => ({
  ...l,
  area: moved(l.area, [1, 0, 0, 1, dx, dy]),
  ...(l.clip ? { clip: moved(l.clip, [1, 0, 0, 1, dx, dy]) } : {}),
});

/** A cut out of B's filled outline. */
const insideOf: Pair = (s, a, b) => {
  const [first] = s.palette.inks;
  const outer = placed(b, { cx: 50, cy: 50, side: 88, fill: 0.95 });
  const hull = silhouetteOf(outer);
  const bb = boundsOf(hull);
  const room = roomIn(hull) ?? { x: bb.x + bb.width / 2, y: bb.y + bb.height / 2, r: 8 };
  const inner = placed(a, { cx: room.x, cy: room.y, side: room.r * 1.75, fill: 0.9 });
  return bb.width > 0 ? [...form(s, hull, first), ...finished(s, inner, first, onField(s, first))] : [];
};

/** B small, beside A's shoulder. */
const beside: Pair = (s, a, b) => {
  const right = s.knobs.odds('beside', 0.5);
  const big = placed(a, { cx: right ? 43 : 57, cy: 55, side: 70 });
  const small = placed(b, { cx: right ? 80 : 20, cy: 27, side: 34, fill: 0.85 });
  return [...finished(s, big), ...clear(s, small, s.palette.groundHex, swapped(s), 2.2)];
};

/** B low in front of A, where a hand would have it. */
const held: Pair = (s, a, b) => {
  const right = s.knobs.odds('beside', 0.5);
  const big = placed(a, { cx: right ? 45 : 55, cy: 46, side: 74 });
  const bb = boundsOf(outlineOf(big));
  const small = placed(b, {
    cx: right ? Math.min(80, bb.x + bb.width * 0.92) : Math.max(20, bb.x + bb.width * 0.08),
    cy: Math.min(78, bb.y + bb.height * 0.78),
    side: 36,
    fill: 0.85,
  });
  return [...finished(s, big), ...clear(s, small, s.palette.groundHex, swapped(s), 1.8)];
};

/** B on A's head, or round its neck when it is something for the neck. */
const worn: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 57, side: 70 });
  const bb = boundsOf(outlineOf(big));
  const low = /scarf|tie|necklace|collar|bow|medal|ribbon|apron/.test(b.name);
  const glasses = /glass|goggle|mask|monocle/.test(b.name);
  // The head is as broad as what the top quarter of the figure covers.
  const head = boundsOf(intersect(outlineOf(big), box(bb.x - 1, bb.y, bb.width + 2, bb.height * 0.26)));
  const cx = head.x + head.width / 2;
  const size = Math.max(20, Math.min(44, head.width * (glasses ? 0.95 : 1.05)));
  const thing = placed(b, { cx, cy: 50, side: size, fill: 1 });
  const tb = boundsOf(outlineOf(thing));
  const y = low
    ? bb.y + bb.height * 0.5 - tb.height / 2
    : glasses
      ? bb.y + bb.height * 0.28 - tb.height / 2
      : bb.y - tb.height * 0.74;
  return [
    ...finished(s, big),
    ...clear(s, movedFigure(thing, [1, 0, 0, 1, 0, y - tb.y]), s.palette.groundHex, swapped(s), 1.2),
  ];
};

/** B in front, A's upper half out of its top. */
const emerging: Pair = (s, a, b) => {
  const front = placed(b, { cx: 50, cy: 72, side: 60, fill: 0.85 });
  const fb = boundsOf(outlineOf(front));
  const back = placed(a, { cx: 50, cy: 40, side: 58, fill: 0.9 });
  const ab = boundsOf(outlineOf(back));
  const dy = fb.y + fb.height * 0.22 - (ab.y + ab.height * 0.72);
  const raised = movedFigure(back, [1, 0, 0, 1, 0, dy]);
  const cut = clipped(raised, box(-200, -200, 500, 200 + fb.y + fb.height * 0.45));
  return [...finished(s, cut), ...clear(s, front, s.palette.groundHex, swapped(s), 1.6)];
};

/** A's outline filled with many small B. */
const madeOf: Pair = (s, a, b) => {
  const big = placed(a, { cx: 50, cy: 50, side: 88, fill: 0.85 });
  const hull = silhouetteOf(big);
  const inner = grown(hull, -0.6);
  const bb = boundsOf(hull);
  const pitch = 6.6;
  const out: Layer[] = [];
  let i = 0;
  for (let y = bb.y; y < bb.y + bb.height; y += pitch * 0.88)
    for (
      let x = bb.x + (Math.round((y - bb.y) / (pitch * 0.88)) % 2 ? pitch / 2 : 0);
      x < bb.x + bb.width + pitch;
      x += pitch
    ) {
      const r = pitch * 0.42;
      const inHull = sizeOf(intersect(disc(x, y, r, 12), inner)) / (Math.PI * r * r);
      if (inHull < 0.52) continue;
      i++;
      const turn = (s.knobs(`made/${i}`) - 0.5) * 1.4;
      const small = placed(
        { ...b, parts: b.parts.slice(0, 3) },
        { cx: 0, cy: 0, side: pitch * (inHull > 0.9 ? 0.96 : 0.74), fill: 1 },
      );
      const [c, n] = [Math.cos(turn), Math.sin(turn)];
      out.push(
        ...finished(
          s,
          movedFigure(small, [c, n, -n, c, x, y]),
          s.palette.groundHex,
          i % 3 ? s.palette.inks : swapped(s),
        ),
      );
    }
  return out.length > 6 ? out : finished(s, big);
};

const CELESTIAL = new Set([
  'moon',
  'sun',
  'cloud',
  'star',
  'crescent moon',
  'full moon',
  'new moon',
  'rainbow',
  'planet',
]);
/** What stands in the distance. */
const LANDSCAPE = new Set([
  'mountain',
  'mountains',
  'hill',
  'forest',
  'island',
  'sunrise',
  'sunset',
  'mountain range',
  'wave',
  'castle',
  'city',
]);
const HOLDERS = new Set([
  'house',
  'shield',
  'window',
  'drop',
  'heart',
  'shell',
  'leaf',
  'seed',
  'lantern',
  'basket',
  'cup',
  'light bulb',
  'egg',
  'bottle',
  'jar',
  'circle',
  'cloud',
  'tooth',
  'flame',
  'pumpkin',
  'apple',
  'pear',
]);

/** Ways to put two figures together by how the prompt relates them, the best first. */
function waysFor(relation: Relation | null, b: string): readonly Pair[] {
  switch (relation) {
    case 'inside':
      return HOLDERS.has(b) ? [insideOf, insideOf, emerging] : [emerging, insideOf, above];
    case 'on':
      return CELESTIAL.has(b) ? [behind, above] : [above, above, behind];
    case 'riding':
      return [above];
    case 'over':
      return CELESTIAL.has(b) ? [behind, above, behind] : [above, behind];
    case 'under':
      return [(s, p, q) => above(s, q, p), (s, p, q) => behind(s, p, q)];
    case 'behind':
      return [(s, p, q) => behind(s, q, p)];
    case 'holding':
      return [held, held, beside];
    case 'wearing':
      return [worn];
    case 'coming out of':
      return [emerging];
    case 'made of':
      return [madeOf];
    default:
      return CELESTIAL.has(b) || LANDSCAPE.has(b)
        ? [behind, beside, above]
        : HOLDERS.has(b)
          ? [beside, insideOf, held, above]
          : [beside, held, above, behind];
  }
}

/** Layers made smaller or larger and moved, so that all of them together sit in the middle of the field. */
function fitLayers(layers: Layer[], side: number): Layer[] {
  const b = boundsOf(layers.flatMap((l) => l.area));
  if (!(b.width > 0)) return layers;
  const k = Math.min(side / Math.max(b.width, b.height), 1.25);
  return scaled(layers, k, -k * (b.x + b.width / 2 - 50), -k * (b.y + b.height / 2 - 50));
}

/** The figures of a prompt in one picture. */
export function together(stage: Stage): Layer[] {
  const { figures, rows } = stage.parts;
  const [first, second, third] = figures;
  if (!first) return stage.given ? single(stage, stage.given.figure) : [];
  // A hat sits on a head that looks at us better than on one seen from the side.
  const head =
    second?.relation === 'wearing' && isThing(`${first.drawn} face`)
      ? { ...first, drawn: `${first.drawn} face` }
      : first;
  const a = figureFor(stage, head, 0);
  if (!second)
    return first.count > 1 && !stage.given?.fixed
      ? several(stage, a, first.count, rows === 1 || first.count <= 3)
      : single(stage, a);
  const b = figureFor(stage, second, 1);
  if (stage.given?.fixed) {
    const room = boundsOf(outlineOf(a));
    return [
      ...finished(stage, a),
      ...clear(
        stage,
        placed(b, { cx: room.x + room.width * 0.9, cy: room.y + 4, side: 26 }),
        stage.palette.groundHex,
        swapped(stage),
      ),
    ];
  }
  const layers = fitLayers(arrangement(stage, waysFor(second.relation, second.drawn))(stage, a, b), third ? 80 : 86);
  if (!third) return layers;
  const c = placed(figureFor(stage, third, 2), { cx: 18, cy: 22, side: 21, fill: 0.9 });
  return [...layers, ...clear(stage, c, stage.palette.groundHex, swapped(stage))];
}
