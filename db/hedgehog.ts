/** The demo's hedgehog: the client's sketch drawn anew, as a designer would with guides, the pen, circles and ellipses. */
import { arcThrough, type Contour, type Point } from '../core/path';
import { figureBy, type FigureKind } from '../core/redraw';
import type { Edit, Piece } from '../core/vector';

/** The middle of the circles on which the spines end and begin, and their radii, in px of the sketch. */
const MIDDLE: Point = [470, 560];
const [TIPS_PX, VALLEYS_PX] = [386, 318];
const SPINES = 11;
/** From the first spine to the last, clockwise, in degrees. */
const [FIRST_DEG, LAST_DEG] = [186, 346];
const FOOT = 770;

const INKS = {
  juniper: { id: 'juniper', hex: '#2F5650', name: 'juniper' },
  seed: { id: 'seed', hex: '#B98A5E', name: 'seed' },
  quill: { id: 'quill', hex: '#8FB3A2', name: 'quill' },
  soil: { id: 'soil', hex: '#2B2320', name: 'soil' },
} as const;

/** The short strokes on its back, each from its root to its tip. */
const QUILLS: readonly (readonly [Point, Point])[] = [
  [[297, 402], [345, 490]],
  [[436, 328], [458, 436]],
  [[589, 360], [565, 453]],
  [[503, 450], [513, 553]],
  [[654, 483], [628, 572]],
  [[339, 521], [404, 594]],
  [[233, 591], [310, 644]],
]; // prettier-ignore

const about = (radius: number, deg: number): Point => {
  const t = (deg * Math.PI) / 180;
  const round = (v: number) => Math.round(v * 100) / 100;
  return [round(MIDDLE[0] + radius * Math.cos(t)), round(MIDDLE[1] + radius * Math.sin(t))];
};

/** Spines between two circles, closed by the curve of its back, its foot and its flank. */
function back(): Contour {
  const step = (LAST_DEG - FIRST_DEG) / (SPINES - 1);
  const places = Array.from({ length: 2 * SPINES - 1 }, (_, k) =>
    about(k % 2 ? VALLEYS_PX : TIPS_PX, FIRST_DEG + (k * step) / 2),
  );
  const [start, ...rest] = places;
  const [cheek, chin, heel, flank] = [about(312, 353), [430, FOOT], [226, FOOT], about(312, 178)] as const;
  return {
    start,
    segments: [
      ...[...rest, cheek].map((to) => ({ kind: 'line', to }) as const),
      arcThrough(cheek, [672, 684], chin)!,
      { kind: 'line', to: heel },
      arcThrough(heel, [166, 676], flank)!,
      { kind: 'line', to: start },
    ],
  };
}

/** The face, under the back. */
const FACE: Contour = {
  start: [748, 502],
  segments: [
    { kind: 'line', to: [936, 664] },
    { kind: 'line', to: [940, 715] },
    { kind: 'curve', c1: [900, 752], c2: [800, FOOT], to: [690, FOOT] },
    { kind: 'line', to: [400, FOOT] },
    { kind: 'line', to: [600, 560] },
    { kind: 'line', to: [748, 502] },
  ],
};

const NO_OPTIONS = { radiusPx: 0, sides: 3 };
const figure = (kind: FigureKind, ...places: Point[]): Contour => figureBy(kind, places, NO_OPTIONS)!;

/** The steps in which it is drawn, each as edits that belong together. */
export function hedgehogDrawn(): Edit[][] {
  let above: string | null = null;
  const drawn = (told: string, ...pieces: readonly Piece[]): Edit => ({
    kind: 'put-pieces',
    pieces: pieces.map((piece) => {
      const put = { piece, above };
      above = piece.id;
      return put;
    }),
    gone: [],
    told,
  });
  const area = (id: string, ink: keyof typeof INKS, contour: Contour, name = id): Piece => ({
    kind: 'piece',
    id,
    name,
    inkId: ink,
    contours: [contour],
  });
  const guide = (id: string, rest: object): Edit => ({ kind: 'set-guide', guide: { id, ...rest } as never });
  const line = (k: number, [from, to]: (typeof QUILLS)[number]): Piece => ({
    kind: 'piece',
    id: `quill-${k + 1}`,
    inkId: null,
    contours: [figure('line', from, to)],
    stroke: {
      inkId: 'quill',
      widthPx: 24,
      cap: 'round',
      join: 'round',
      mitreLimit: 4,
      profile: [
        { at: 0, share: 0.5 },
        { at: 1, share: 1 },
      ],
    },
  });
  const quills = QUILLS.map((q, k) => line(k, q));
  return [
    [
      guide('tips', { kind: 'circle', centre: MIDDLE, radiusPx: TIPS_PX }),
      guide('valleys', { kind: 'circle', centre: MIDDLE, radiusPx: VALLEYS_PX }),
      guide('foot', { kind: 'line', through: [0, FOOT], angleDeg: 0 }),
    ],
    [
      { kind: 'add-ink', ink: INKS.seed },
      drawn(
        'two feet drawn',
        area('hind-foot', 'seed', figure('ellipse-box', [303, 746], [423, 818]), 'hind foot'),
        area('fore-foot', 'seed', figure('ellipse-box', [570, 746], [690, 818]), 'fore foot'),
      ),
      drawn('the face drawn', area('face', 'seed', FACE)),
    ],
    [{ kind: 'add-ink', ink: INKS.juniper }, drawn('the back drawn', area('back', 'juniper', back()))],
    [
      { kind: 'add-ink', ink: INKS.soil },
      drawn(
        'nose and eye drawn',
        area('nose', 'soil', figure('circle-centre', [918, 694], [956, 694])),
        area('eye', 'soil', figure('circle-centre', [788, 630], [812, 630])),
      ),
    ],
    [{ kind: 'add-ink', ink: INKS.quill }, drawn('quills drawn as lines', ...quills)],
    [{ kind: 'outline-strokes', nodes: quills.map((q) => q.id) }],
    [{ kind: 'group-nodes', nodeIds: quills.map((q) => q.id), groupId: 'quills' }],
    [{ kind: 'node-name', nodeIds: ['quills'], name: 'quills' }],
  ];
}
