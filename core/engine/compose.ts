import { contrastRatio, mix } from '../colour';
import type { Kind, PromptParts } from '../prompt';
import { mapContour, star as starShape, type Contour } from '../vector';
import { circle, hole, rectangle, symmetric, turned, polygon, type Drawing, type Proportion } from './drawing';
import { areasOf, fitted } from './fit';
import { FINISHES } from './finish';
import { FIGURES } from './lexicon';
import { canBeMascot, dressFrom, mascot } from './mascot';
import type { Layer } from './paint';
import { paletteFor, tintOn, type Palette } from './palette';
import { hashOf, pick, randomFrom, type Random } from './random';

/** What decides one candidate: the parts of its prompt and its seeds. */
export interface SceneRequest {
  readonly prompt: string;
  readonly parts: PromptParts;
  readonly leeway: number;
  readonly colours: number | null;
  /** Of the whole round: what the four have in common. */
  readonly roundSeed: number;
  /** Of this candidate. */
  readonly seed: number;
  readonly position: number;
  /** Width over height. */
  readonly aspect: number;
}

export interface Scene {
  readonly layers: readonly Layer[];
  readonly groundHex: string;
}

interface Hand {
  readonly palette: Palette;
  readonly random: Random;
  readonly proportion: (figure: string) => Proportion;
  readonly finish: (drawing: Drawing, onHex: string, inks?: readonly string[]) => Layer[];
  readonly mirror: boolean;
  /** A companion goes below, where a hand would hold it, instead of above. */
  readonly low: boolean;
}

const draw = (hand: Hand, figure: string): Drawing => FIGURES[figure](hand.proportion(figure));
const area = (hex: string, ...contours: Contour[]): Layer => ({ contours, hex });

/** A figure with a gap of what lies below round it, so that it stands clear of it. */
function clear(hand: Hand, drawing: Drawing, onHex: string, inks?: readonly string[], gap = 4.2): Layer[] {
  return [{ contours: areasOf(drawing), hex: onHex, weight: gap }, ...hand.finish(drawing, onHex, inks)];
}

const scalloped = (r: number, n: number): Contour[] => {
  const bumps = Array.from({ length: n }, (_, i) =>
    turned(circle(50, 50 - r, (Math.PI * r) / n + 0.6), (2 * Math.PI * i) / n),
  );
  return [circle(50, 50, r), ...bumps];
};

const FIELDS: readonly ((r: number) => Contour[])[] = [
  (r) => [circle(50, 50, r)],
  (r) => [rectangle(50 - r * 0.94, 50 - r * 0.94, r * 1.88, r * 1.88, r * 0.42)],
  (r) => [starShape(50, 50, 3, r * 1.06, r * 1.06 * 0.999, Math.PI / 6)],
  (r) => scalloped(r * 0.93, 14),
];

/** Arrangements of one figure; the first is the plainest. */
const SINGLE: readonly ((hand: Hand, drawing: Drawing) => Layer[])[] = [
  (h, d) => h.finish(fitted(d, 50, 50, 74, h.mirror), h.palette.groundHex),
  (h, d) => {
    const field = h.palette.inks[0];
    return [
      area(field, circle(50, 50, 41)),
      ...h.finish(fitted(d, 50, 50, 53, h.mirror), field, [...h.palette.inks.slice(1), h.palette.groundHex]),
    ];
  },
  (h, d) => {
    const [first, disc = first] = h.palette.inks;
    const ground = h.palette.groundHex;
    const figure = fitted(d, 50, 53, 66, h.mirror);
    const back =
      disc === first ? [area(first, circle(50, 46, 40), hole(circle(50, 46, 36.6)))] : [area(disc, circle(50, 45, 34))];
    return [...back, ...clear(h, figure, ground)];
  },
  (h, d) => {
    const ring = h.palette.inks[0];
    return [
      area(ring, circle(50, 50, 43), hole(circle(50, 50, 39))),
      ...h.finish(fitted(d, 50, 50, 54, h.mirror), h.palette.groundHex),
    ];
  },
  (h, d) => {
    const field = h.palette.inks[0];
    return [
      area(field, ...FIELDS[1](43)),
      ...h.finish(fitted(d, 50, 50, 58, h.mirror), field, [...h.palette.inks.slice(1), h.palette.groundHex]),
    ];
  },
];

const CELESTIAL = new Set(['moon', 'sun', 'cloud', 'star']);
const CONTAINERS = new Set([
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
]);

/** Arrangements of two figures; the first is the plainest for most pairs. */
const PAIRS: Readonly<
  Record<'behind' | 'above' | 'inside' | 'beside', (hand: Hand, a: Drawing, b: Drawing) => Layer[]>
> = {
  behind: (h, a, b) => {
    const [first, other = first] = h.palette.inks;
    const ground = h.palette.groundHex;
    const back = fitted(b, 50, 47, 78, h.mirror);
    const front = fitted(a, h.mirror ? 46 : 54, 55, 64);
    return [...h.finish(back, ground, [other, first]), ...clear(h, front, ground)];
  },
  above: (h, a, b) => {
    const ground = h.palette.groundHex;
    const [first, other = first] = h.palette.inks;
    return [
      ...h.finish(fitted(b, 50, 75, 40, h.mirror), ground, [other, first]),
      ...clear(h, fitted(a, 50, 36, 56), ground),
    ];
  },
  inside: (h, a, b) => {
    const [first, other = first] = h.palette.inks;
    const outer = fitted(b, 50, 50, 84, h.mirror).filter((p) => p.role === 'body' && p.weight === undefined);
    return [
      ...h.finish(outer, h.palette.groundHex, [first]),
      ...h.finish(fitted(a, 50, 53, 38), first, [other, h.palette.groundHex]),
    ];
  },
  beside: (h, a, b) => {
    const ground = h.palette.groundHex;
    const [first, other = first] = h.palette.inks;
    const side = h.mirror ? 22 : 78;
    const main = fitted(a, h.mirror ? 55 : 45, h.low ? 46 : 56, 70, h.mirror);
    return [...h.finish(main, ground), ...clear(h, fitted(b, side, h.low ? 74 : 25, 31), ground, [other, first], 5)];
  },
};

function pairOrder(parts: PromptParts): (keyof typeof PAIRS)[] {
  const [, b] = parts.figures;
  const held = b.relation === 'holding' || b.relation === 'wearing';
  if (CELESTIAL.has(b.drawn)) return ['behind', 'above', 'behind', 'beside'];
  if (b.relation === 'inside' && CONTAINERS.has(b.drawn)) return ['inside', 'inside', 'behind', 'above'];
  if (b.relation === 'on' || b.relation === 'over' || b.relation === 'riding')
    return ['above', 'above', 'beside', 'behind'];
  if (held) return ['beside', 'beside', 'above', 'behind'];
  return CONTAINERS.has(b.drawn) ? ['beside', 'above', 'inside', 'beside'] : ['beside', 'above', 'beside', 'above'];
}

/** How many arrangements a round may use: one at leeway 0, all of them at 100. */
const allowed = (leeway: number, of: number): number => Math.max(1, Math.min(of, 1 + Math.floor((leeway / 100) * of)));

function centre(hand: Hand, request: SceneRequest): Layer[] {
  const { parts, leeway, position, roundSeed } = request;
  const [a, b, c] = parts.figures;
  const drawing = draw(hand, a.drawn);
  if (b) {
    const order = pairOrder(parts);
    const layers = PAIRS[order[(position + (leeway > 60 ? roundSeed : 0)) % allowed(leeway, order.length)]](
      hand,
      drawing,
      draw(hand, b.drawn),
    );
    return c
      ? [...layers, ...clear(hand, fitted(draw(hand, c.drawn), hand.mirror ? 80 : 20, 24, 18), hand.palette.groundHex)]
      : layers;
  }
  const n = allowed(leeway, SINGLE.length);
  return SINGLE[position % n](hand, drawing);
}

/** Shrinks layers about the middle. */
const scaled = (layers: readonly Layer[], scale: number, dy = 0): Layer[] => {
  const map = [scale, 0, 0, scale, 50 - 50 * scale, 50 - 50 * scale + dy] as const;
  return layers.map((l) => ({
    ...l,
    contours: l.contours.map((c) => mapContour(map, c)),
    ...(l.weight === undefined ? {} : { weight: l.weight * scale }),
    ...(l.clip ? { clip: l.clip.map((c) => mapContour(map, c)) } : {}),
  }));
};

function emblem(hand: Hand, request: SceneRequest): Layer[] {
  const [first, other = first] = hand.palette.inks;
  const ground = hand.palette.groundHex;
  const form = request.position % allowed(request.leeway, 4);
  const inner = scaled(centre(hand, { ...request, leeway: Math.min(request.leeway, 20), position: 0 }), 0.74);
  if (form === 1) {
    const shield = (k: number) =>
      mapContour([k, 0, 0, k, 50 - 50 * k, 50 - 50 * k], symmetric('M50 5C62 11 76 13 88 13C90 46 82 76 50 96'));
    return [
      area(first, shield(1)),
      area(ground, shield(0.93)),
      area(first, shield(0.89)),
      area(ground, shield(0.83)),
      ...scaled(inner, 0.86, -3),
    ];
  }
  if (form === 2)
    return [
      area(first, ...scalloped(41, 22)),
      area(ground, circle(50, 50, 38.5)),
      area(first, circle(50, 50, 36.8), hole(circle(50, 50, 35.6))),
      ...inner,
    ];
  const marks = [0, 1, 2, 3, 4, 5, 6, 7].map((i) =>
    turned(i % 2 ? circle(50, 11, 1.3) : starShape(50, 11, 5, 3.2, 1.35), (Math.PI * i) / 4),
  );
  if (form === 3)
    return [
      area(first, circle(50, 50, 45)),
      area(other === first ? ground : other, circle(50, 50, 42), hole(circle(50, 50, 40.6))),
      ...scaled(inner.length ? recoloured(hand, request) : [], 0.66),
    ];
  return [
    area(first, circle(50, 50, 46)),
    area(ground, ...marks, circle(50, 50, 33.6)),
    area(first, circle(50, 50, 32.2), hole(circle(50, 50, 31.2))),
    ...scaled(inner, 0.9),
  ];
}

/** The centre drawn on the dominant ink instead of on the ground. */
function recoloured(hand: Hand, request: SceneRequest): Layer[] {
  const [field, ...others] = hand.palette.inks;
  const palette: Palette = { groundHex: field, inks: [...others, hand.palette.groundHex] };
  return centre(handFor(request, palette), { ...request, leeway: 0, position: 0 });
}

function appIcon(hand: Hand, request: SceneRequest): Layer[] {
  const field = hand.palette.inks[request.position % allowed(request.leeway, hand.palette.inks.length)];
  const others = hand.palette.inks.filter((hex) => hex !== field);
  const palette: Palette = {
    groundHex: field,
    inks: [hand.palette.groundHex, ...others].sort((p, q) => contrastRatio(q, field) - contrastRatio(p, field)),
  };
  const inner = centre(handFor(request, palette), { ...request, leeway: 0, position: 0 });
  const tile = rectangle(4, 4, 92, 92, 21);
  const form = request.position % allowed(request.leeway, 4);
  const tone = mix(field, palette.inks[0], 0.16);
  const depth: Layer[] =
    form === 1
      ? [{ ...area(tone, circle(50, 50, 38)), clip: [tile] }]
      : form === 2
        ? [{ ...area(tone, circle(50, 108, 62)), clip: [tile] }]
        : form === 3
          ? [
              {
                ...area(
                  tone,
                  polygon([
                    [100, 0],
                    [100, 100],
                    [0, 100],
                  ]),
                ),
                clip: [tile],
              },
            ]
          : [];
  return [area(field, tile), ...depth, ...scaled(inner, form === 1 ? 0.74 : 0.84)];
}

function negativeSpace(hand: Hand, request: SceneRequest): Layer[] {
  const [field, ...others] = hand.palette.inks;
  const [a, b] = request.parts.figures;
  const form = FIELDS[request.position % allowed(request.leeway, FIELDS.length)];
  const cut = tintOn(field, [hand.palette.groundHex]);
  const figure = fitted(draw(hand, a.drawn), 50, 50, 62, hand.mirror).map((p) =>
    p.role === 'light' || p.role === 'accent' ? { ...p, role: 'light' as const } : { ...p, role: 'body' as const },
  );
  return [
    area(field, ...form(43)),
    ...FINISHES.flat(figure, cut, hand.random),
    ...(b
      ? hand.finish(fitted(draw(hand, b.drawn), 50, 55, 20), hand.palette.groundHex, [others[0] ?? field, field])
      : []),
  ];
}

function mascotScene(hand: Hand, request: SceneRequest): Layer[] {
  const [a, b] = request.parts.figures;
  if (!canBeMascot(a.drawn)) return centre(hand, request);
  const prop = b && b.drawn !== 'hat' ? draw(hand, b.drawn) : null;
  const figure = mascot(a.drawn, dressFrom(request.prompt), prop, hand.proportion(a.drawn));
  return hand.finish(fitted(figure, 50, 50, 88, hand.mirror && request.leeway > 30), hand.palette.groundHex);
}

/** Rows and columns of a sheet: what was asked for, or as near to the picture's shape as the number of figures allows. */
export function sheetGrid(count: number, parts: PromptParts, aspect: number): { rows: number; columns: number } {
  if (parts.rows && parts.columns) return { rows: Math.min(6, parts.rows), columns: Math.min(6, parts.columns) };
  if (parts.rows) return { rows: parts.rows, columns: Math.ceil(count / parts.rows) };
  if (parts.columns) return { rows: Math.ceil(count / parts.columns), columns: parts.columns };
  const columns = Math.max(1, Math.min(count, Math.round(Math.sqrt(count * aspect))));
  return { rows: Math.ceil(count / columns), columns };
}

function iconSheet(hand: Hand, request: SceneRequest): Layer[] {
  const figures = request.parts.figures;
  const { rows, columns } = sheetGrid(figures.length, request.parts, request.aspect);
  const width = 100 * Math.max(1, request.aspect);
  const height = 100 / Math.min(1, request.aspect);
  const cell = Math.min(width / columns, height / rows) * 0.94;
  const style = request.position % allowed(request.leeway, 3);
  const [first, ...others] = hand.palette.inks;
  const ground = hand.palette.groundHex;
  const out: Layer[] = [];
  for (let i = 0; i < rows * columns; i++) {
    const figure = figures[i % figures.length];
    const cx = 50 - (cell * columns) / 2 + cell * ((i % columns) + 0.5);
    const cy = 50 - (cell * rows) / 2 + cell * (Math.floor(i / columns) + 0.5);
    const size = cell * 0.4;
    if (style === 1) out.push(area(first, circle(cx, cy, size)));
    if (style === 2) out.push(area(first, rectangle(cx - size, cy - size, 2 * size, 2 * size, size * 0.36)));
    const on = style ? first : ground;
    out.push(
      ...hand.finish(
        fitted(draw(hand, figure.drawn), cx, cy, style ? cell * 0.52 : cell * 0.72),
        on,
        style ? [ground, ...others] : undefined,
      ),
    );
  }
  return out;
}

function handFor(request: SceneRequest, palette: Palette): Hand {
  const { parts, seed, leeway, roundSeed } = request;
  const random = randomFrom(hashOf(seed, 'hand'));
  const name = parts.finish && Object.hasOwn(FINISHES, parts.finish) ? parts.finish : 'flat';
  const drift =
    leeway >= 75 && !parts.finish ? pick(random, ['flat', 'flat', 'silhouette', 'inline', 'stencil']) : name;
  const finish = FINISHES[drift];
  // A common share keeps the four one idea; the rest is the candidate's own and grows with leeway.
  const own = 0.3 + (0.7 * leeway) / 100;
  return {
    palette,
    random,
    low: ['holding', 'riding', 'on'].includes(parts.figures[1]?.relation ?? ''),
    mirror: leeway > 20 && randomFrom(hashOf(seed, 'mirror'))() > 0.5,
    proportion: (figure) => (part) => {
      const common = randomFrom(hashOf(roundSeed, figure, part))() * 2 - 1;
      const mine = randomFrom(hashOf(seed, figure, part))() * 2 - 1;
      return common * (1 - own) + mine * own;
    },
    finish: (drawing, onHex, inks = palette.inks) => finish(drawing, tintOn(onHex, inks), random),
  };
}

/** Composes one candidate as layers to paint. The parts must have at least one figure. */
export function compose(request: SceneRequest): Scene {
  const palette = paletteFor(
    request.parts,
    request.colours,
    randomFrom(hashOf(request.leeway > 50 ? request.seed : request.roundSeed, 'palette')),
  );
  const hand = handFor(request, palette);
  const kind: Kind = request.parts.kind ?? (request.parts.figures.length > 3 ? 'icon sheet' : 'pictorial');
  const layers = {
    pictorial: centre,
    abstract: (h: Hand, r: SceneRequest) =>
      SINGLE[r.position % allowed(r.leeway, SINGLE.length)](h, FIGURES.abstract(h.proportion(r.parts.figures[0].word))),
    emblem,
    'negative space': negativeSpace,
    mascot: mascotScene,
    'app icon': appIcon,
    'icon sheet': iconSheet,
  }[kind](hand, request);
  return { layers, groundHex: palette.groundHex };
}
