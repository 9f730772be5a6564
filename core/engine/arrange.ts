import { isPlural, type PromptFigure } from '../prompt';
import { boundsOf, box, disc, ringOf, tile } from './area';
import { bent, grown, intersect, rim, sizeOf, subtract, union, type Area } from '../path';
import { drawingCount } from './build';
import {
  clipped,
  mapFigure,
  movedFigure,
  outlineOf,
  placed,
  seenParts,
  silhouetteOf,
  turnedAt,
  upright,
  type Figure,
  type Place,
} from './figure';
import { isCreature, isSeenAside } from './built';
import { onField, recoloured } from './field';
import { layerOf, scaled, type Layer } from './layer';
import { inHand, isPaired, severalAsOne, swapped } from './pairings';
import { waysFor } from './pairs';
import { symmetryOf } from './symmetry';
import { isThing } from './things';
import { arrangement, banned, clear, figureFor, finished, form, FORMS, standingOf, type Stage } from './stage';

/** The largest share of its field that a figure alone takes. */
const WHOLE: Place = { cx: 50, cy: 50, side: 84 };

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
const peeking: Single = (s, f) => {
  const field = s.palette.inks[0];
  const window = tile(50, 50, 43, 15);
  // What looks to one side looks in from the other.
  const side = f.facing ? -f.facing : s.knobs.steady('peek') < 0.5 ? 1 : -1;
  const large = placed(f, { cx: 50 + side * 24, cy: 61, side: 100, fill: 0.9 });
  const inks = onField(s, field);
  return [
    ...form(s, window, field),
    ...finished(s, clipped(large, window), field, inks).map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, window) : window })), // prettier-ignore
  ];
};

/** One half dark on light, the other light on dark, parted down the middle (counterchanged). */
const counterchanged: Single = (s, f) => {
  const [first] = s.palette.inks;
  const figure = placed(f, { cx: 50, cy: 50, side: 78 });
  const b = boundsOf(outlineOf(figure));
  const half = intersect(tile(50, 50, 46, 12), box(50, -20, 100, 140));
  const [left, right] = [box(b.x - 1, -20, 51 - b.x, 140), box(50, -20, 100, 140)].map((w) => clipped(figure, w));
  return [
    ...form(s, half, first).map((l) => ({ ...l, isFigure: true })),
    ...finished(s, left),
    ...finished(s, right, first, onField(s, first)),
  ];
};

/** The same figure as one with another hand would have it: low and broad, or high and slim. Round ones stay as they are. */
const otherBuild: Single = (s, f) => {
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
const ideasFor = (figure: Figure): readonly Single[] =>
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

/** Two of a figure as one would stand them: turned to one another or away, or one behind the other; what looks at us stands shoulder to shoulder. */
function twoAlike(stage: Stage, figure: Figure, said: readonly string[]): Layer[] {
  const { inks, groundHex } = stage.palette;
  const one = placed(figure, { cx: 50, cy: 50, side: 60, fill: 0.9 });
  const ways = symmetryOf(one) > 0.87 ? (['toward', 'behind'] as const) : (['toward', 'behind', 'away', 'behind'] as const); // prettier-ignore
  const way = standingOf(said) ?? ways[stage.idea % ways.length];
  if (way !== 'behind') return fitLayers(finished(stage, severalAsOne(one, 2, way)), 88);
  const b = boundsOf(outlineOf(one));
  const back = movedFigure(one, [0.9, 0, 0, 0.9, 0.1 * (b.x + b.width / 2) + 0.44 * b.width, 0.1 * b.y]);
  return fitLayers([...finished(stage, back, groundHex, swapped(stage)), ...clear(stage, one, groundHex, inks, 2)], 86);
}

/** Layers made smaller or larger and moved, so that all of them together sit in the middle of the field. */
export function fitLayers(layers: Layer[], side: number): Layer[] {
  const b = boundsOf(layers.flatMap((l) => l.area));
  if (!(b.width > 0)) return layers;
  const k = Math.min(side / Math.max(b.width, b.height), 1.25);
  return scaled(layers, k, -k * (b.x + b.width / 2 - 50), -k * (b.y + b.height / 2 - 50));
}

/** One figure: in one of its drawings, or, where there are too few of them, in one of the ideas for it. */
function oneFigure(stage: Stage, asked: PromptFigure): Layer[] {
  const drawings = Math.min(stage.ideas, drawingCount(asked.drawn, asked, stage.knobs));
  const more = stage.ideas >= IDEAS ? Math.max(0, IDEAS - drawings) : 0;
  const at = stage.idea % Math.max(1, drawings + more);
  if (stage.given || asked.count > 1 || stage.parts.shape || at < drawings)
    return single(stage, groupFor({ ...stage, idea: at }, asked, 0));
  const figure = figureFor({ ...stage, idea: 0 }, asked, 0);
  const ideas = ideasFor(figure).filter((idea) => !(stage.isHeld && (idea === peeking || idea === counterchanged)));
  return ideas[(at - drawings) % ideas.length](stage, figure);
}

/** A figure as often as it is asked for; made of many, one drawing of it is enough. */
function groupFor(stage: Stage, figure: PromptFigure, index: number): Figure {
  const one = figureFor(stage, figure, index);
  const isFixed = index === 0 && stage.given !== undefined;
  return figure.count < 2 || isFixed || figure.drawn.startsWith('crossed ') || isPutTwice(stage, figure, index)
    ? one
    : severalAsOne(one, figure.count, standingOf(figure.modifiers));
}

/** Whether an arrangement itself puts a figure where its several are. */
function isPutTwice(stage: Stage, figure: PromptFigure, index: number): boolean {
  const relation = figure.relation ?? '';
  if (relation === 'made of' || relation === 'between') return true;
  if (figure.count !== 2) return false;
  const [first, second] = stage.parts.figures;
  if (index === 0) return ['around', 'toward', 'holding'].includes(second?.relation ?? '') && !second.turned;
  if (index > 1) return false;
  if (relation === 'as') return isPaired(figure.place);
  return ['beside', 'with'].includes(relation) && !figure.modifiers.includes('crossed') && !isCreature(first.drawn);
}

/** What lies at the foot of what it goes with. */
const LOW = /^(?:wave|water|sea|river|grass|field|hills?|beach|snow|sand|desert|road|bridge|flowers?)$/;

/** How somebody dressed stands with a thing in the hand. */
const STANCES = ['standing', 'running', 'sitting'] as const;

/** What one goes on that is only said by what one does. */
const RIDDEN: readonly (readonly [RegExp, string])[] = [
  [/^surfing$/, 'surfboard'],
  [/^skateboarding$/, 'skateboard'],
  [/^(?:cycling|bicycling|biking)$/, 'bicycle'],
  [/^(?:sledding|sledging|sleighing|tobogganing)$/, 'sled'],
  [/^(?:rowing|canoeing|kayaking|paddling)$/, 'canoe'],
  [/^(?:sailing|boating)$/, 'sailboat'],
];

/** What the first figure goes on, where nothing else is there. */
function riddenBy(figures: readonly PromptFigure[]): PromptFigure | null {
  const [first, second] = figures;
  const ridden = first && !second && isCreature(first.drawn) ? RIDDEN.find(([does]) => does.test(first.pose ?? ''))?.[1] : undefined; // prettier-ignore
  return ridden ? { ...first, word: ridden, drawn: ridden, via: 'name', relation: 'riding', turned: false, to: 0, place: null, said: null, count: 1, modifiers: [], pose: null, expression: null } : null; // prettier-ignore
}

/** Small things of which several are meant where they are named as several. */
const SMALL =
  /^(?:drop|water|star|heart|leaf|snowflake|bubbles|flower|coin|musical note|sparkle|sparkles|bee|bird|egg|apple|petal|croissant|cherry blossom|daisy|butterfly|mushroom|acorn|carrot|tulip)$/;
/** Two things that are drawn as one. */
const TOGETHER: readonly (readonly [string, string, string])[] = [
  ['needle', 'thread', 'needle and thread'],
  ['mortar and pestle', 'mortar and pestle', 'mortar and pestle'],
  ['bow', 'arrow', 'bow and arrow'],
];

/** What is drawn with what it is said to have. */
const HAS: readonly (readonly [RegExp, RegExp])[] = [
  [/^nest with eggs$/, /^egg$/],
  [/^(?:sloth|koala)$/, /^(?:twig|branch)$/],
  [/^fishing pole$/, /^fish$/],
  [/^coffee$/, /^smoke$/],
  [/^weathervane$/, /^(?:rooster|chicken)$/],
  [/^squirrel$/, /^acorn$/],
];
const has = (whole: string, part: string): boolean => HAS.some(([w, p]) => w.test(whole) && p.test(part));

/** Going round, of which several go round one another. */
const GOING_ROUND = /^(?:swimming|chasing|running|flying|circling|dancing|diving|racing|spinning)$/;

const isFormName = (name: string): name is keyof typeof FORMS => Object.hasOwn(FORMS, name) && name !== 'banner';

/** A prompt's figures as they are drawn: three mountains are a range, a surfer has a board, and the bird that steam forms is where the steam would be. */
function asDrawn(stage: Stage): Stage {
  const { given } = stage;
  const { shape } = stage.parts;
  const asked = stage.parts.figures.map((f, i) =>
    f.drawn === 'mountains' && f.count === 3
      ? { ...f, count: 1 }
      : /^books?$/.test(f.drawn) && standingOf(f.modifiers) === 'stacked'
        ? { ...f, drawn: 'stack of books', count: 1 }
        : i > 0 && f.count === 1 && f.relation !== 'made of' && SMALL.test(f.drawn) && isPlural(f.word)
          ? { ...f, count: 3 }
          : f,
  );
  const [first, second, third, ...rest] = asked;
  // Needle and thread are one drawing.
  const one = second && second.to === 0 && ['beside', 'with'].includes(second.relation ?? '') ? TOGETHER.find(([p, q]) => first.drawn === p && second.drawn === q) : undefined; // prettier-ignore
  if (one && !given) {
    const figures = [{ ...first, drawn: one[2] }, ...asked.slice(2).map((f) => ({ ...f, to: f.to === 1 ? 0 : f.to }))]; // prettier-ignore
    return asDrawn({ ...stage, parts: { ...stage.parts, figures } });
  }
  const ridden = riddenBy(asked);
  const isFormed = third?.relation === 'as' && third.to === 1 && (!third.turned || /^(?:smoke|steam|flames?|fire)$/.test(third.place ?? '')) && /^(?:smoke|fire|cloud|beam|light|steam|shadow|chimney|teapot|kettle|cup)$/.test(second.via === 'none' ? second.word : second.drawn); // prettier-ignore
  // A nest has its eggs, a tree its branch.
  const hasAlready = second !== undefined && has(first.drawn, second.drawn) && ['holding', 'with', 'inside', 'on'].includes(second.relation ?? ''); // prettier-ignore
  // A balloon shaped as the moon is the moon, held.
  const isShaped = third?.relation === 'as' && third.to === 1 && !third.turned && !isFormed && second.relation !== null;
  // A shield with a lion and a sword has them on it.
  const form = first && !shape && !given && second && isFormName(first.drawn) && asked.slice(1).every((f) => f.to === 0 && (f.relation === 'with' || (f.relation === 'inside' && f.turned))) ? first.drawn : null; // prettier-ignore
  if (form) {
    const within = asked.slice(1).map((f, i) => (i ? { ...f, relation: 'beside' as const, turned: false } : { ...f, relation: null, to: null, turned: false })); // prettier-ignore
    return { ...stage, parts: { ...stage.parts, shape: form, figures: within } };
  }
  // Of what is on a tray, that is held.
  const isServed = third?.relation === 'inside' && third.turned && third.to === 1 && second.to === 0 && /^(?:tray|plate|basket|bowl|dish|bag)$/.test(second.drawn); // prettier-ignore
  // Of tea that is poured into a cup, the cup.
  const isPoured = third !== undefined && /^(?:tea|coffee|milk|water|wine|juice|beer|honey|oil|cream|cocoa)$/.test(second.word) && /^pour/.test(second.said ?? ''); // prettier-ignore
  const figures = isPoured
    ? [first, { ...third, relation: 'over' as const, turned: false, to: 0, said: 'pouring' }, ...rest]
    : ridden
      ? [{ ...first, pose: 'standing' }, ridden]
      : isServed
        ? [first, { ...third, relation: second.relation, turned: false, to: 0, count: 1 }, ...rest]
        : isFormed
          ? [
              first,
              {
                ...third,
                relation: second.drawn === 'beam' ? ('beside' as const) : ('over' as const),
                turned: second.drawn !== 'beam',
                to: 0,
              },
              ...rest,
            ]
          : isShaped
            ? [
                first,
                {
                  ...third,
                  relation: second.relation,
                  turned: second.turned,
                  to: 0,
                  said: second.said,
                  place: second.place,
                },
                ...rest,
              ]
            : hasAlready
              ? [first, ...asked.slice(2)]
              : second && has(second.drawn, first.drawn) && !second.turned && asked.length === 2
                ? [{ ...second, relation: null, to: null }]
                : asked;
  return { ...stage, parts: { ...stage.parts, figures } };
}

/** How much of a corner's box is covered. */
const inkAt = (area: Area, corner: Area): number => sizeOf(intersect(area, corner)) / Math.max(1, sizeOf(corner));

/** A third figure with two that are arranged: over, under or behind them where it is said to be, low things along their foot; else where they leave a corner, or beside them on their line. */
function withThird(stage: Stage, layers: Layer[], asked: PromptFigure, figure: Figure): Layer[] {
  const all = union(...layers.filter((l) => l.isFigure).map((l) => l.area));
  const b = boundsOf(all.length ? all : layers.flatMap((l) => l.area));
  const { groundHex } = stage.palette;
  const inks = swapped(stage);
  const mid = b.x + b.width / 2;
  const put = (f: Figure, gap = 1.8): Layer[] => fitLayers([...layers, ...clear(stage, f, groundHex, inks, gap)], 88);
  if (LOW.test(asked.drawn))
    return put(placed(figure, { cx: 50, cy: b.y + b.height - 2, side: Math.max(54, b.width * 1.1), fill: 1 }), 1.4);
  if (asked.relation === 'around' && /wreath|laurel|ring|hoop|circle/.test(asked.drawn)) {
    const wreath = placed(figure, {
      cx: mid,
      cy: b.y + b.height / 2,
      side: 1.7 * Math.max(b.width, b.height),
      fill: 1,
    });
    return fitLayers([...finished(stage, wreath, groundHex, inks), ...layers], 90);
  }
  if (asked.relation === 'behind' && !asked.turned) {
    const back = placed(figure, { cx: mid, cy: b.y + b.height * 0.42, side: 1.12 * Math.max(b.width, b.height), fill: 1 }); // prettier-ignore
    return fitLayers([...finished(stage, back, groundHex, inks), layerOf(grown(all, 2), groundHex), ...layers], 88);
  }
  const side = 0.4 * Math.max(b.width, b.height);
  const isUp = (asked.relation === 'over' && asked.turned) || (asked.relation === 'under' && !asked.turned) || /^(?:sun|moon|star|stars|cloud|crown|halo|rainbow|lightning)$/.test(asked.drawn); // prettier-ignore
  const isDown = (asked.relation === 'over' && !asked.turned) || (asked.relation === 'under' && asked.turned) || (['on', 'riding'].includes(asked.relation ?? '') && !asked.turned); // prettier-ignore
  const third = placed(figure, { cx: mid, cy: 50, side: isDown ? 1.5 * side : side, fill: 0.9 });
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

/** How two go through one another. */
const LINKED = /\b(?:linked|interlinked|interlocked|interlocking|interlaced|intertwined|entwined|overlapping|joined)\b/;

/** Two outlines of a figure as two links of a chain: each over the other once. */
function interlinked(stage: Stage, figure: Figure): Layer[] {
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

/** Several of one figure going round a middle, each bent to the circle where it is long; what is tall is turned and not bent. */
function goingRound(figure: Figure, count: number): Figure {
  const n = Math.max(2, Math.min(8, count));
  const b = boundsOf(outlineOf(figure));
  const share = (2 * Math.PI * 0.86) / n;
  const isBent = b.height < 0.72 * b.width;
  const r = 30;
  const k = Math.min((share * r) / b.width, 27 / b.height);
  const one = isBent ? mapFigure(figure, (area) => bent(area, (x, y) => {
    const [t, d] = [((x - b.x) / b.width - 0.5) * ((b.width * k) / r) - Math.PI / 2, r + (b.y + b.height / 2 - y) * k];
    return [50 + d * Math.cos(t), 50 + d * Math.sin(t)];
  })) : placed(figure, { cx: 50, cy: 50 - (n === 2 ? 19 : r - 4), side: n === 2 ? 56 : 38, fill: 0.9 });
  const copies = Array.from({ length: n }, (_, i) => turnedAt(one, (2 * Math.PI * i) / n));
  return { ...figure, parts: copies.flatMap((c) => c.parts) };
} // prettier-ignore

/** The figures of a prompt in one picture; two or more in the form that is asked for. */
export function together(asked: Stage): Layer[] {
  const stage = asDrawn(asked);
  const { shape, figures } = stage.parts;
  const [alone] = figures;
  // Two that are linked go through one another.
  if (
    alone?.count === 2 &&
    LINKED.test(alone.modifiers.join(' ')) &&
    figures.slice(1).every((f) => f.relation === 'as')
  )
    return interlinked(stage, figureFor(stage, alone, 0));
  if (
    alone &&
    !figures[1] &&
    alone.count > 1 &&
    (shape === 'circle' || shape === null) &&
    [alone.pose ?? '', ...alone.modifiers].some((m) => GOING_ROUND.test(m) && (shape !== null || m === 'circling'))
  )
    // prettier-ignore
    return fitLayers(finished(stage, goingRound(figureFor(stage, alone, 0), alone.count)), 88);
  if (!shape || shape === 'banner' || figures.length < 2 || stage.given) return figuresOf(stage);
  const [field] = stage.palette.inks;
  const hull = FORMS[shape](45);
  const inner = recoloured({ ...stage, parts: { ...stage.parts, shape: null } }, field, onField(stage, field));
  const layers = scaled(figuresOf(inner), shape === 'triangle' || shape === 'diamond' ? 0.52 : 0.7, 0, shape === 'triangle' ? 10 : shape === 'shield' ? -3 : 0); // prettier-ignore
  return [...form(stage, hull, field), ...layers.map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, hull) : hull }))];
}

/** Figures alone. */
function figuresOf(stage: Stage): Layer[] {
  const { figures, rows } = stage.parts;
  const [first, second, third] = figures;
  if (!first) return stage.given ? single(stage, stage.given.figure) : [];
  // A hat sits on a head that looks at us better than on one seen from the side.
  const head =
    second?.relation === 'wearing' && stage.idea % 2 === 0 && !isCreature(first.drawn) && isThing(`${first.drawn} face`)
      ? { ...first, drawn: `${first.drawn} face` }
      : first;
  if (!second)
    return first.count > 1 &&
      !first.drawn.startsWith('crossed ') &&
      !first.modifiers.includes('crossed') &&
      !stage.given?.fixed &&
      !stage.parts.shape
      ? standingOf(first.modifiers) === 'stacked' && rows === null
        ? fitLayers(finished(stage, severalAsOne(placed(figureFor(stage, head, 0), WHOLE), first.count, 'stacked')), 88)
        : first.count === 2 && rows === null
          ? twoAlike(stage, figureFor(stage, head, 0), first.modifiers)
          : several(stage, figureFor(stage, head, 0), first.count, rows === 1 || first.count <= 3)
      : oneFigure(stage, head);
  // Who wears one thing and holds another is dressed, and has it in the hand.
  const worn = figures.find((f) => f.to === 0 && f.relation === 'wearing');
  const had = figures.findIndex((f, i) => i > 0 && f !== worn && f.to === 0 && ['holding', 'with'].includes(f.relation ?? '')); // prettier-ignore
  if (worn && had > 0 && !stage.given && isCreature(first.drawn) && !isSeenAside(first.drawn))
    return fitLayers(inHand(STANCES[stage.idea % STANCES.length])(stage, figureFor(stage, first, 0), figureFor(stage, figures[had], had)), 88); // prettier-ignore
  const a = groupFor(stage, head, 0);
  const b = groupFor(stage, second, 1);
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
  const ways = waysFor(first, second);
  // With leeway enough, all of them, one after the other.
  const way = stage.ideas >= IDEAS ? ways[stage.idea % ways.length] : arrangement(stage, ways);
  const layers = fitLayers(way(stage, a, b), third ? 80 : 86);
  if (!third) return layers;
  const room = boundsOf(layers.flatMap((l) => l.area));
  return withThird(stage, layers, third, figureFor(stage, third, 2));
}
