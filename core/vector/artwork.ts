import {
  compose,
  IDENTITY,
  mapContour,
  mapPoint,
  type Affine,
  type Contour,
  type FillRule,
  type Point,
  type StrokeStyle,
} from '../path';
import { mapGradient, type Gradient } from './gradient';

/** One named colour of an artwork; every piece with it changes when it does. */
export interface Ink {
  readonly id: string;
  /** "#RRGGBB"; of a gradient, the mean of its colours, which stands for it where one colour must. */
  readonly hex: string;
  readonly name: string;
  /** Colours that change over a piece, in place of one; its points are in the piece's own coordinates. */
  readonly gradient?: Gradient;
}

/** Something soft about a node, kept as figures; lengths are in px of the node's own coordinates. */
export type SoftEffect =
  | {
      readonly kind: 'blur';
      /** Standard deviation of a Gaussian. */
      readonly radiusPx: number;
    }
  | {
      readonly kind: 'shadow';
      readonly dxPx: number;
      readonly dyPx: number;
      /** Standard deviation of a Gaussian. */
      readonly blurPx: number;
      readonly inkId: string;
      readonly opacity: number;
    };

/** A shape that a node is seen through. */
export interface ClipShape {
  readonly contours: readonly Contour[];
  readonly rule?: FillRule;
}

/** Shapes whose lightness, or opacity, says how much of a node is seen. They are drawn in its own coordinates. */
export interface Mask {
  readonly nodes: readonly ArtNode[];
  readonly by: 'light' | 'opacity';
}

interface NodeCommon {
  readonly id: string;
  readonly name?: string;
  readonly hidden?: true;
  readonly locked?: true;
  /** From its own coordinates to those of what it lies in; left out where they are the same. */
  readonly transform?: Affine;
  /** 0..1; 1 when left out. */
  readonly opacity?: number;
  readonly effects?: readonly SoftEffect[];
  /** What of it is seen: the union of these, in its own coordinates. */
  readonly clip?: readonly ClipShape[];
  readonly mask?: Mask;
}

/** The line along a piece's outlines. */
export interface PieceStroke extends StrokeStyle {
  readonly inkId: string;
  /** 0..1; 1 when left out. */
  readonly opacity?: number;
}

/** The numbers by which edits name the points of a piece: they stay when other points come or go, and none is given twice. */
export interface PointNumbers {
  /** The next one to give. */
  readonly next: number;
  /** Those of each contour, its start first. */
  readonly of: readonly (readonly number[])[];
}

/** A part of the depth of an app icon, by its figures; lengths in px of the sheet, strengths 0..1 as opacities. */
export type DepthPart =
  | { readonly part: 'light'; readonly strength: number }
  | { readonly part: 'rim'; readonly strength: number; readonly widthPx: number }
  | { readonly part: 'highlight'; readonly strength: number; readonly dyPx: number; readonly blurPx: number }
  | { readonly part: 'soft-shadow'; readonly strength: number; readonly dyPx: number; readonly blurPx: number }
  | { readonly part: 'long-shadow'; readonly strength: number; readonly angleDeg: number; readonly lengthPx: number };

/** One shape of an artwork: contours with an ink for what they enclose, a line along them, or both. */
export interface Piece extends NodeCommon {
  readonly kind: 'piece';
  readonly contours: readonly Contour[];
  /** The ink of its fill; null for a line alone. */
  readonly inkId: string | null;
  /** Of the fill alone, 0..1; 1 when left out. */
  readonly fillOpacity?: number;
  /** What of crossing contours is filled; the non-zero rule when left out. */
  readonly rule?: 'evenodd';
  readonly stroke?: PieceStroke;
  /** Left out while points are numbered as they are read, 0 up. */
  readonly numbers?: PointNumbers;
  /** What it is a part of the depth of, and how it was made: `of` names nodes, none for all but what the mark stands on. It is none of the mark's own shapes. */
  readonly depth?: DepthPart & { readonly of: readonly string[] };
}

/** Nodes that are moved, hidden or faded together. */
export interface Group extends NodeCommon {
  readonly kind: 'group';
  /** From the bottom to the top. */
  readonly nodes: readonly ArtNode[];
}

export type ArtNode = Piece | Group;

/** A line or circle to draw along; it belongs to the artwork and is never delivered. */
export type Guide =
  | { readonly id: string; readonly kind: 'line'; readonly through: Point; readonly angleDeg: number }
  | { readonly id: string; readonly kind: 'circle'; readonly centre: Point; readonly radiusPx: number };

/** Another full set of inks over the same shapes, beside that of the artwork itself, which is the master. */
export interface Colourway {
  readonly id: string;
  readonly name: string;
  /** How it was made, in a few words. */
  readonly how?: string;
  /** Colours by ink; an ink that is not among them has the master's. Gradients take theirs on as a whole. */
  readonly inks: readonly { readonly inkId: string; readonly hex: string }[];
}

/** What was decided by hand about an ink in one colour: filled, or left out; on a light ground, and reversed. */
export interface OneColourChoice {
  readonly inkId: string;
  readonly plain?: 'filled' | 'left';
  readonly reversed?: 'filled' | 'left';
}

/** A vector drawing: nodes from the bottom of the stack to its top. Its ground, where it has one, is a piece like others. */
export interface Artwork {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly inks: readonly Ink[];
  readonly nodes: readonly ArtNode[];
  readonly guides: readonly Guide[];
  readonly colourways?: readonly Colourway[];
  /** What the artwork's own set of inks is called. */
  readonly masterName?: string;
  readonly oneColour?: readonly OneColourChoice[];
}

export const inkOf = (artwork: Artwork, inkId: string | null): Ink | undefined =>
  inkId === null ? undefined : artwork.inks.find((i) => i.id === inkId);

/** A node, and where it stands: the groups it lies in, outermost first, and the map from its own coordinates to the artwork's. */
export interface Placed<N extends ArtNode = ArtNode> {
  readonly node: N;
  readonly within: readonly Group[];
  readonly map: Affine;
}

/** Every node with where it stands, from the bottom to the top, each group before what lies in it. */
export function* placedNodes(
  nodes: readonly ArtNode[],
  within: readonly Group[] = [],
  map: Affine = IDENTITY,
): Generator<Placed> {
  for (const node of nodes) {
    const own = node.transform ? compose(node.transform, map) : map;
    yield { node, within, map: own };
    if (node.kind === 'group') yield* placedNodes(node.nodes, [...within, node], own);
  }
}

/** All pieces, from the bottom to the top, hidden ones too. */
export function allPieces(artwork: Artwork): Piece[] {
  const out: Piece[] = [];
  const add = (nodes: readonly ArtNode[]): void => {
    for (const node of nodes)
      if (node.kind === 'piece') out.push(node);
      else add(node.nodes);
  };
  add(artwork.nodes);
  return out;
}

/** The node with an id, with where it stands; undefined when there is none. */
export function findNode(artwork: Artwork, id: string): Placed | undefined {
  for (const placed of placedNodes(artwork.nodes)) if (placed.node.id === id) return placed;
  return undefined;
}

/** The pieces of a node, itself where it is one, with where they stand. */
export function piecesWithin(placed: Placed): Placed<Piece>[] {
  const { node, within, map } = placed;
  if (node.kind === 'piece') return [placed as Placed<Piece>];
  return [...placedNodes(node.nodes, [...within, node], map)].filter(
    (p): p is Placed<Piece> => p.node.kind === 'piece',
  );
}

/** The inks that a piece is drawn with, its fill's first. */
export const inksOfPiece = ({ inkId, stroke }: Piece): string[] => [
  ...(inkId === null ? [] : [inkId]),
  ...(stroke ? [stroke.inkId] : []),
];

/** The inks of an artwork but those that only its masks have: what is seen, and recoloured, is made of these. */
export function seenInks(artwork: Artwork): Ink[] {
  const drawn = new Set(allPieces(artwork).flatMap(inksOfPiece));
  for (const { node } of placedNodes(artwork.nodes))
    for (const e of node.effects ?? []) if (e.kind === 'shadow') drawn.add(e.inkId);
  const used = usedInks(artwork.nodes);
  return artwork.inks.filter((i) => drawn.has(i.id) || !used.has(i.id));
}

/** Every ink that some nodes use, in masks and shadows too. */
export function usedInks(nodes: readonly ArtNode[], into = new Set<string>()): Set<string> {
  for (const node of nodes) {
    if (node.mask) usedInks(node.mask.nodes, into);
    for (const e of node.effects ?? []) if (e.kind === 'shadow') into.add(e.inkId);
    if (node.kind === 'group') usedInks(node.nodes, into);
    else for (const inkId of inksOfPiece(node)) into.add(inkId);
  }
  return into;
}

/** How many segments all contours have: the points a designer would see. */
export const countPoints = (artwork: Artwork): number =>
  allPieces(artwork).reduce((sum, p) => sum + p.contours.reduce((n, c) => n + c.segments.length, 0), 0);

export const countPieces = (artwork: Artwork, inkId?: string): number => {
  const pieces = allPieces(artwork);
  return inkId === undefined ? pieces.length : pieces.filter((p) => inksOfPiece(p).includes(inkId)).length;
};

/** The artwork with all its lengths times a factor. */
export function scaledArtwork(artwork: Artwork, scale: number): Artwork {
  const map: Affine = [scale, 0, 0, scale, 0, 0];
  return {
    ...artwork,
    widthPx: artwork.widthPx * scale,
    heightPx: artwork.heightPx * scale,
    inks: artwork.inks.map((i) => (i.gradient ? { ...i, gradient: mapGradient(map, i.gradient) } : i)),
    nodes: artwork.nodes.map((n) => scaledNode(n, scale)),
    guides: artwork.guides.map((g) =>
      g.kind === 'line'
        ? { ...g, through: mapPoint(map, g.through) }
        : { ...g, centre: mapPoint(map, g.centre), radiusPx: g.radiusPx * scale },
    ),
  };
}

/** A line with all its lengths times a factor. */
export const scaledStroke = (stroke: PieceStroke, scale: number): PieceStroke => ({
  ...stroke,
  widthPx: stroke.widthPx * scale,
  ...(stroke.dash ? { dash: stroke.dash.map((d) => d * scale) } : {}),
  ...(stroke.dashOffset ? { dashOffset: stroke.dashOffset * scale } : {}),
});

function scaledNode(node: ArtNode, scale: number): ArtNode {
  const map: Affine = [scale, 0, 0, scale, 0, 0];
  const common = {
    ...(node.transform
      ? {
          transform: [
            ...node.transform.slice(0, 4),
            node.transform[4] * scale,
            node.transform[5] * scale,
          ] as unknown as Affine,
        }
      : {}),
    ...(node.clip
      ? { clip: node.clip.map((c) => ({ ...c, contours: c.contours.map((k) => mapContour(map, k)) })) }
      : {}),
    ...(node.mask ? { mask: { ...node.mask, nodes: node.mask.nodes.map((n) => scaledNode(n, scale)) } } : {}),
    ...(node.effects
      ? {
          effects: node.effects.map((e) =>
            e.kind === 'blur'
              ? { ...e, radiusPx: e.radiusPx * scale }
              : { ...e, dxPx: e.dxPx * scale, dyPx: e.dyPx * scale, blurPx: e.blurPx * scale },
          ),
        }
      : {}),
  };
  if (node.kind === 'group') return { ...node, ...common, nodes: node.nodes.map((n) => scaledNode(n, scale)) };
  const { stroke } = node;
  return {
    ...node,
    ...common,
    contours: node.contours.map((c) => mapContour(map, c)),
    ...(stroke ? { stroke: scaledStroke(stroke, scale) } : {}),
  };
}
