/** Depth of an app icon: light, rim, highlight and shadows, each a piece of its own that is made of what the mark encloses. */
import { hexToOklch, oklchToHex } from '../colour';
import {
  boxOf,
  combined,
  CombineError,
  flatten,
  mapContour,
  offsetOf,
  rectangle,
  rectangleOfArcs,
  signedArea,
  sweptArea,
  type Affine,
  type Box,
  type Contour,
  type Point,
} from '../path';
import {
  allPieces,
  findNode,
  inksOfPiece,
  placedNodes,
  usedInks,
  type Artwork,
  type ArtNode,
  type DepthPart,
  type Ink,
  type Piece,
} from './artwork';
import type { Edit } from './edits';
import { EditError, mapNodes } from './edits/define';
import { tinted } from './gradient';
import { drawnShapes, type DrawnShape } from './outlines';

export const DEPTH_PARTS = ['long-shadow', 'soft-shadow', 'highlight', 'light', 'rim'] as const;
export type DepthKind = DepthPart['part'];

/** What the parts are called, as nodes and on the screen. */
export const DEPTH_NAMES: Readonly<Record<DepthKind, string>> = {
  'long-shadow': 'Long shadow',
  'soft-shadow': 'Soft shadow',
  highlight: 'Inner highlight',
  light: 'Light from above',
  rim: 'Rim',
};

/** Parts that lie below the mark. */
const isBelow = (part: DepthKind): boolean => part === 'long-shadow' || part === 'soft-shadow';

/** A part as it is when nobody said otherwise, for a sheet of a size. */
export function plainPart(part: DepthKind, sizePx: number): DepthPart {
  const px = (share: number): number => Number((share * sizePx).toPrecision(2));
  switch (part) {
    case 'light':
      return { part, strength: 0.26 };
    case 'rim':
      return { part, strength: 0.65, widthPx: px(0.008) };
    case 'highlight':
      return { part, strength: 0.5, dyPx: px(0.012), blurPx: px(0.006) };
    case 'soft-shadow':
      return { part, strength: 0.35, dyPx: px(0.022), blurPx: px(0.018) };
    case 'long-shadow':
      return { part, strength: 0.3, angleDeg: 45, lengthPx: px(0.5) };
  }
}

/** The set for an app icon at one press. */
export const appIconDepth = (sizePx: number, shadow: 'soft' | 'long'): DepthPart[] =>
  ([shadow === 'soft' ? 'soft-shadow' : 'long-shadow', 'highlight', 'light', 'rim'] as const).map((part) =>
    plainPart(part, sizePx),
  );

/** Of the sheet, what the lowest shape must cover to be what the mark stands on. */
const TILE_SHARE = 0.55;

/** What the mark stands on, where it does: the lowest shape, if that covers most of the sheet. */
export function tileOf(artwork: Artwork): DrawnShape | null {
  const lowest = drawnShapes(artwork)[0];
  if (!lowest) return null;
  const area = Math.abs(lowest.contours.reduce((sum, c) => sum + signedArea(flatten(c, 0.5)), 0));
  return area >= TILE_SHARE * artwork.widthPx * artwork.heightPx ? lowest : null;
}

/** Of a tile's side, the radius of its corners. */
const TILE_CORNER = 0.225;
/** Of a tile's side, what the mark takes at most. */
const ON_TILE = 0.66;

/** The edits that lay a tile with round corners under the mark, as large as the sheet has room; the mark comes to its middle, and becomes smaller where it would not stand free on it. */
export function tileEdits(artwork: Artwork, hex: string): Edit[] {
  const { widthPx, heightPx } = artwork;
  const side = Math.min(widthPx, heightPx);
  const [x, y] = [(widthPx - side) / 2, (heightPx - side) / 2];
  const ids = new Set([...artwork.inks.map((i) => i.id), ...[...placedNodes(artwork.nodes)].map((p) => p.node.id)]);
  let id = 'tile';
  for (let n = 2; ids.has(id); n++) id = `tile-${n}`;
  const contours = [rectangleOfArcs(x, y, side, side, TILE_CORNER * side)];
  const piece: Piece = { kind: 'piece', id, name: 'Tile', inkId: id, contours };
  const put: Edit = { kind: 'put-pieces', pieces: [{ piece, above: null }], gone: [], inks: [{ id, name: 'Tile', hex }], told: 'a tile laid under it' }; // prettier-ignore
  const mark = drawnShapes(artwork).flatMap((s) => s.contours);
  if (!mark.length) return [put];
  const box = boxOf(mark);
  const scale = Math.min(1, (ON_TILE * side) / Math.max(box.width, box.height, 1e-6));
  const by: Affine = [
    scale,
    0,
    0,
    scale,
    widthPx / 2 - scale * (box.x + box.width / 2),
    heightPx / 2 - scale * (box.y + box.height / 2),
  ];
  return [{ kind: 'node-transform', nodeIds: artwork.nodes.map((n) => n.id), by }, put];
}

/** An ink of depth: the same one for the same part. */
const inkIdOf = (part: DepthKind): string => `depth-${part}`;

/** An id for a part that no node has: another one than that which it takes the place of, so that one tells them apart. */
function freshId(artwork: Artwork, part: DepthKind): string {
  let id = inkIdOf(part);
  for (let n = 2; findNode(artwork, id); n++) id = `${inkIdOf(part)}-${n}`;
  return id;
}

/** Dark of a shadow on a colour: that hue, far down. */
const shadowHex = (ground: string): string => {
  const { C, hDeg } = hexToOklch(ground);
  return oklchToHex({ L: 0.18, C: Math.min(C, 0.06), hDeg });
};

interface Made {
  readonly ink: Ink;
  readonly piece: DepthPiece;
}

const down = ({ x, y, height }: Box): { from: Point; to: Point } => ({ from: [x, y], to: [x, y + height] });

/** A part as a piece and its ink. `mark` is what the mark encloses, `outer` that of what it stands on, or its own. */
function made(
  artwork: Artwork,
  part: DepthPart,
  mark: readonly Contour[],
  tile: DrawnShape | null,
  of: readonly string[],
): Made {
  const outer = tile ? combined('unite', [{ contours: tile.contours, rule: tile.rule }]) : mark;
  const dark = shadowHex(tile ? (artwork.inks.find((i) => i.id === tile.inkId)?.hex ?? '#808080') : '#808080');
  const common = {
    kind: 'piece' as const,
    id: freshId(artwork, part.part),
    name: DEPTH_NAMES[part.part],
    inkId: inkIdOf(part.part),
    locked: true as const,
    depth: { ...part, of },
  };
  const ink = (hex: string, gradient?: Ink['gradient']): Ink => ({
    id: inkIdOf(part.part),
    name: DEPTH_NAMES[part.part],
    hex,
    ...(gradient ? { gradient } : {}),
  });
  const clip = tile ? { clip: [{ contours: outer }] } : {};
  const s = part.strength;
  switch (part.part) {
    case 'soft-shadow': {
      const contours = mark.map((c) => mapContour([1, 0, 0, 1, 0, part.dyPx], c));
      const effects = part.blurPx > 0 ? { effects: [{ kind: 'blur' as const, radiusPx: part.blurPx }] } : {};
      return { ink: ink(dark), piece: { ...common, contours, fillOpacity: s, ...effects, ...clip } };
    }
    case 'long-shadow': {
      const rad = (part.angleDeg * Math.PI) / 180;
      const by: Point = [part.lengthPx * Math.cos(rad), part.lengthPx * Math.sin(rad)];
      const swept = sweptArea({ contours: mark }, by);
      const sheet = [rectangle(0, 0, artwork.widthPx, artwork.heightPx)];
      const contours = combined('intersect', [{ contours: swept }, { contours: tile ? outer : sheet }]);
      // Along the way, from where it begins on the mark's near side.
      const unit: Point = [Math.cos(rad), Math.sin(rad)];
      const along = mark.flatMap((c) => {
        const run = flatten(c, 0.5);
        return Array.from({ length: run.length / 2 }, (_, k) => run[2 * k] * unit[0] + run[2 * k + 1] * unit[1]);
      });
      const [low, high] = [Math.min(...along), Math.max(...along)];
      const at = (a: number): Point => [a * unit[0], a * unit[1]];
      const gradient: Ink['gradient'] = {
        kind: 'linear',
        from: at((low + high) / 2),
        to: at((low + high) / 2 + 0.95 * part.lengthPx),
        stops: [
          { at: 0, hex: dark, opacity: s },
          { at: 1, hex: dark, opacity: 0 },
        ],
      };
      return { ink: ink(dark, gradient), piece: { ...common, contours } };
    }
    case 'highlight': {
      const moved = mark.map((c) => mapContour([1, 0, 0, 1, 0, part.dyPx], c));
      const contours = combined('subtract', [{ contours: mark }, { contours: moved }]);
      const effects = part.blurPx > 0 ? { effects: [{ kind: 'blur' as const, radiusPx: part.blurPx }] } : {};
      return {
        ink: ink('#FFFFFF'),
        piece: { ...common, contours, fillOpacity: s, ...effects, clip: [{ contours: mark }] },
      };
    }
    case 'light': {
      const gradient: Ink['gradient'] = {
        kind: 'linear',
        ...down(boxOf(outer)),
        stops: [
          { at: 0, hex: '#FFFFFF', opacity: s },
          { at: 0.55, hex: '#FFFFFF', opacity: 0 },
          { at: 0.55, hex: '#000000', opacity: 0 },
          { at: 1, hex: '#000000', opacity: 0.6 * s },
        ],
      };
      return { ink: ink('#FFFFFF', gradient), piece: { ...common, contours: outer } };
    }
    case 'rim': {
      const inner = offsetOf({ contours: outer }, -part.widthPx);
      const contours = inner.length ? combined('subtract', [{ contours: outer }, { contours: inner }]) : outer;
      const gradient: Ink['gradient'] = {
        kind: 'linear',
        ...down(boxOf(outer)),
        stops: [
          { at: 0, hex: '#FFFFFF', opacity: s },
          { at: 0.5, hex: '#FFFFFF', opacity: 0.12 * s },
          { at: 1, hex: '#FFFFFF', opacity: 0.4 * s },
        ],
      };
      return { ink: ink('#FFFFFF', gradient), piece: { ...common, contours } };
    }
  }
}

/** A piece that is a part of depth. */
export type DepthPiece = Piece & { readonly depth: DepthPart & { readonly of: readonly string[] } };
const isDepth = (n: ArtNode): n is DepthPiece => n.kind === 'piece' && n.depth !== undefined;

/** The parts of depth that an artwork has, in the order of the stack. */
export const depthOf = (artwork: Artwork): DepthPiece[] => allPieces(artwork).filter(isDepth);

/** The nodes without some parts of depth. */
const withoutParts = (nodes: readonly ArtNode[], parts: ReadonlySet<DepthKind>): readonly ArtNode[] =>
  mapNodes(nodes, (n) => (isDepth(n) && parts.has(n.depth.part) ? null : n));

/** The artwork without some parts of depth, and without the inks that only those had. */
export function withoutDepth(artwork: Artwork, parts: readonly DepthKind[]): Artwork {
  const nodes = withoutParts(artwork.nodes, new Set(parts));
  const used = usedInks(nodes);
  const own = new Set(parts.map(inkIdOf));
  return { ...artwork, nodes, inks: artwork.inks.filter((i) => used.has(i.id) || !own.has(i.id)) };
}

/** An ink made anew, in the colour that somebody gave it since it was first made. */
function inkAsBefore(ink: Ink, before: Ink | undefined): Ink {
  if (!before || before.hex === ink.hex) return ink;
  const { hex, name } = before;
  return { ...ink, name, hex, ...(ink.gradient ? { gradient: tinted(ink.gradient, ink.hex, hex) } : {}) };
}

/** Where among nodes a part belongs: shadows right below the mark, light on top, each kind in its turn. */
function placeFor(nodes: readonly ArtNode[], kind: DepthKind, isMark: (n: ArtNode) => boolean): number {
  let at = isBelow(kind) ? nodes.findIndex(isMark) : nodes.length;
  const turn = (n: ArtNode): number => (isDepth(n) ? DEPTH_PARTS.indexOf(n.depth.part) : -1);
  while (at > 0 && turn(nodes[at - 1]) > DEPTH_PARTS.indexOf(kind)) at--;
  return at;
}

/**
 * The artwork with parts of depth about some of its nodes, or, where none is named, about all but what the mark stands on; each takes the place of the one of its kind that was there. Shadows come right
 * below the mark, light on top. Throws an EditError where there is nothing to make it of, and a CombineError.
 */
export function withDepth(artwork: Artwork, of: readonly string[], parts: readonly DepthPart[]): Artwork {
  const bare = { ...artwork, nodes: withoutParts(artwork.nodes, new Set(parts.map((p) => p.part))) };
  const tile = tileOf(bare);
  const way = new Map([...placedNodes(bare.nodes)].map((p) => [p.node.id, [...p.within, p.node].map((n) => n.id)]));
  const wayTo = ({ id }: DrawnShape): string[] => way.get(id) ?? way.get(id.replace(/-line$/, ''))!;
  const shapes = drawnShapes(bare).filter((s) =>
    of.length ? wayTo(s).some((n) => of.includes(n)) : s.id !== tile?.id,
  );
  if (!shapes.length)
    throw new EditError(of.length ? 'nothing of what was chosen is seen' : 'there is no mark that could have depth');
  const base = shapes.some((s) => s.id === tile?.id) ? null : tile;
  const mark = combined('unite', shapes.map(({ contours, rule }) => ({ contours, rule }))); // prettier-ignore
  const all = parts.map((p) => made(artwork, p, mark, base, of));
  const roots = new Set(shapes.map((s) => wayTo(s)[0]));
  const nodes = [...bare.nodes];
  const inks = new Map(bare.inks.map((i) => [i.id, i]));
  for (const { ink, piece } of all) {
    if (!piece.contours.length) throw new EditError(`${DEPTH_NAMES[piece.depth.part]} would have no area`);
    inks.set(ink.id, inkAsBefore(ink, inks.get(ink.id)));
    nodes.splice(
      placeFor(nodes, piece.depth.part, (n) => roots.has(n.id)),
      0,
      piece,
    );
  }
  return { ...bare, inks: [...inks.values()], nodes };
}

/** Whether parts of depth lie on shapes that have changed since: made anew, they would be others. */
export function depthIsStale(artwork: Artwork): boolean {
  const own = depthOf(artwork);
  try {
    const anew = depthOf(madeAnew(artwork));
    return own.some(({ depth, contours }) => {
      const now = anew.find((p) => p.depth.part === depth.part);
      return JSON.stringify(now?.contours) !== JSON.stringify(contours);
    });
  } catch (error) {
    if (error instanceof EditError || error instanceof CombineError) return true;
    throw error;
  }
}

/** The artwork with its depth made of its shapes as they are now. */
export const madeAnew = (artwork: Artwork): Artwork =>
  depthOf(artwork).reduce((a, { depth: { of, ...part } }) => withDepth(a, of, [part as DepthPart]), artwork);

/** Inks of shadows, light and rims alone: no colourway changes the mark by them. */
export function depthInks(artwork: Artwork): Set<string> {
  const [own, other] = [new Set<string>(), new Set<string>()];
  for (const { node } of placedNodes(artwork.nodes)) {
    for (const e of node.effects ?? []) if (e.kind === 'shadow') own.add(e.inkId);
    if (node.kind === 'piece') for (const inkId of inksOfPiece(node)) (node.depth ? own : other).add(inkId);
  }
  return new Set([...own].filter((id) => !other.has(id)));
}
