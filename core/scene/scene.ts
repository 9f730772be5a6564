import {
  boxOf,
  circleOfArcs,
  compose,
  IDENTITY,
  mapContour,
  meanScale,
  plainShapeOf,
  similarity,
  strokeArea,
  tightBox,
  type Affine,
  type Area,
  type Box,
  type Contour,
  type FillRule,
  type StrokeStyle,
} from '../path';
import {
  inkOf,
  mapGradient,
  spelledOut,
  type Artwork,
  type ArtNode,
  type ClipShape,
  type Gradient,
  type Ink,
  type Mask,
  type Piece,
  type PieceStroke,
  type SoftEffect,
} from '../vector';

/** What a shape is filled with: an ink, its gradient in the scene's coordinates. */
export interface Paint {
  readonly inkId: string;
  readonly name: string;
  readonly hex: string;
  /** Mixed in sRGB. */
  readonly gradient?: Gradient;
}

/** A soft effect in the scene's coordinates, its ink as a colour. */
export type SceneEffect =
  | { readonly kind: 'blur'; readonly radiusPx: number }
  | {
      readonly kind: 'shadow';
      readonly dxPx: number;
      readonly dyPx: number;
      readonly blurPx: number;
      readonly hex: string;
      readonly opacity: number;
    };

/**
 * Shapes that are drawn together, and then blurred or shadowed, clipped, masked, and faded as one, in that order. Without any of these it only has a name.
 */
export interface SceneLayer {
  readonly nodeId: string;
  readonly name?: string;
  /** 0..1 */
  readonly opacity: number;
  readonly effects: readonly SceneEffect[];
  /** The union of these is seen, all of it where null. */
  readonly clip: readonly Required<ClipShape>[] | null;
  /** How light, or how opaque, these are says how much is seen; all of it where null. */
  readonly mask: { readonly shapes: readonly SceneShape[]; readonly by: Mask['by'] } | null;
}

/** One filled shape, or a line along outlines where those were asked for as lines. */
export interface SceneShape {
  readonly nodeId: string;
  readonly name?: string;
  readonly contours: readonly Contour[];
  readonly rule: FillRule;
  readonly paint: Paint;
  /** 0..1 */
  readonly opacity: number;
  /** Drawn along the contours, which are not filled. */
  readonly line?: StrokeStyle;
  /** What it lies in, outermost first; shapes that share a layer follow one another. */
  readonly layers: readonly SceneLayer[];
}

/** Any work as one flat list of shapes from the bottom to the top, every transform applied: what pages, proofs and writers draw from. */
export interface Scene {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly shapes: readonly SceneShape[];
}

export interface SceneOptions {
  /** Lines as the areas they cover; 'kept' leaves as lines those of one width under maps that keep shapes. */
  readonly strokes: 'outlined' | 'kept';
  /** How far outlines of lines may lie from true ones; a twentieth of a pixel of a picture of 1024 px when left out. */
  readonly tolerancePx?: number;
}

/** Whether a layer changes what is drawn in it, so that it must be drawn apart. */
export const isApart = ({ opacity, effects, clip, mask }: SceneLayer): boolean =>
  opacity < 1 || effects.length > 0 || clip !== null || mask !== null;

/** An area's rings as contours of straight lines. */
export const contoursOfArea = (area: Area): Contour[] =>
  area.map((ring) => {
    const n = ring.length / 2;
    const at = (k: number): [number, number] => [ring[2 * (k % n)], ring[2 * (k % n) + 1]];
    return { start: at(0), segments: Array.from({ length: n }, (_, k) => ({ kind: 'line', to: at(k + 1) })) };
  });

const isIdentity = (map: Affine): boolean => map.every((v, k) => v === IDENTITY[k]);

/** Contours under a map; the same ones where it changes nothing, so that what was made of them can be kept. */
const placed = (map: Affine, contours: readonly Contour[]): readonly Contour[] =>
  isIdentity(map) ? contours : contours.map((c) => mapContour(map, c));

// Gradients are never changed, only replaced: they are spelled out once.
const spelled = new WeakMap<Gradient, Gradient>();
function gradientFrom(gradient: Gradient, map: Affine): Gradient {
  let own = spelled.get(gradient);
  if (!own) spelled.set(gradient, (own = spelledOut(gradient)));
  return isIdentity(map) ? own : mapGradient(map, own);
}

const paintFrom = (ink: Ink, map: Affine): Paint => ({
  inkId: ink.id,
  name: ink.name,
  hex: ink.hex,
  ...(ink.gradient ? { gradient: gradientFrom(ink.gradient, map) } : {}),
});

function effectFrom(effect: SoftEffect, map: Affine, artwork: Artwork): SceneEffect {
  const scale = meanScale(map);
  if (effect.kind === 'blur') return { kind: 'blur', radiusPx: effect.radiusPx * scale };
  const { dxPx, dyPx, blurPx, inkId, opacity } = effect;
  const [a, b, c, d] = map;
  return {
    kind: 'shadow',
    dxPx: a * dxPx + c * dyPx,
    dyPx: b * dxPx + d * dyPx,
    blurPx: blurPx * scale,
    hex: inkOf(artwork, inkId)?.hex ?? '#000000',
    opacity,
  };
}

function layerFrom(node: ArtNode, map: Affine, artwork: Artwork, shapesOf: ShapesOf): SceneLayer {
  return {
    nodeId: node.id,
    ...(node.name ? { name: node.name } : {}),
    opacity: node.opacity ?? 1,
    effects: (node.effects ?? []).map((e) => effectFrom(e, map, artwork)),
    clip:
      node.clip?.map((c) => ({ contours: c.contours.map((k) => mapContour(map, k)), rule: c.rule ?? 'nonzero' })) ??
      null,
    mask: node.mask ? { shapes: shapesOf(node.mask.nodes, map), by: node.mask.by } : null,
  };
}

/** What some nodes draw, under a map. */
type ShapesOf = (nodes: readonly ArtNode[], map: Affine) => readonly SceneShape[];

type Line = Pick<SceneShape, 'contours' | 'line' | 'rule'>;

/** Circles whose lines meet in their middles, as the discs that they cover; null where any has another shape. Renderers disagree about such lines: some leave a hole. */
function coveredDiscs(contours: readonly Contour[], widthPx: number): Contour[] | null {
  const discs: Contour[] = [];
  for (const contour of contours) {
    const plain = plainShapeOf(contour, widthPx / 500);
    if (plain?.kind !== 'circle' || plain.r > widthPx / 2) return null;
    discs.push(circleOfArcs(plain.cx, plain.cy, plain.r + widthPx / 2));
  }
  return discs.length ? discs : null;
}

/** A piece's line in the scene's coordinates: kept as a line where that is asked for and can be, else as the area it covers. */
function lineFrom(
  piece: Piece,
  stroke: PieceStroke,
  map: Affine,
  { strokes, tolerancePx }: Required<SceneOptions>,
): Line {
  const kept = similarity(map);
  const { widthPx, cap, join, mitreLimit, dash, dashOffset, profile } = stroke;
  const discs = dash || profile ? null : coveredDiscs(piece.contours, widthPx);
  if (discs) return { contours: placed(map, discs), rule: 'nonzero' };
  if (strokes === 'kept' && kept && !profile) {
    const line: StrokeStyle = {
      widthPx: widthPx * kept.scale,
      cap,
      join,
      mitreLimit,
      ...(dash ? { dash: dash.map((d) => d * kept.scale) } : {}),
      ...(dashOffset ? { dashOffset: dashOffset * kept.scale } : {}),
    };
    return { contours: placed(map, piece.contours), line, rule: 'nonzero' };
  }
  const area = contoursOfArea(strokeArea(piece.contours, stroke, tolerancePx / Math.max(1e-6, meanScale(map))));
  return { contours: placed(map, area), rule: 'nonzero' };
}

/** Flattens an artwork. Hidden nodes, guides, and what has no ink are not in it. */
export function sceneOf(artwork: Artwork, options: SceneOptions): Scene {
  const { widthPx, heightPx } = artwork;
  const asked = { tolerancePx: Math.max(widthPx, heightPx) / 20_480, ...options };
  const inks = new Map(artwork.inks.map((i) => [i.id, i]));
  let shapes: SceneShape[] = [];
  /** Drawn aside from what is drawn already. */
  const aside: ShapesOf = (nodes, map) => {
    const before = shapes;
    shapes = [];
    add(nodes, map, []);
    const own = shapes;
    shapes = before;
    return own;
  };

  function addPiece(piece: Piece, map: Affine, layers: readonly SceneLayer[]): void {
    const fill = piece.inkId === null ? undefined : inks.get(piece.inkId);
    const drawn = piece.stroke && inks.get(piece.stroke.inkId);
    const both = fill !== undefined && drawn !== undefined;
    let [own, opacity] = [layers, 1];
    // Fill and line fade as one; a fill or a line alone can carry the opacity itself.
    if (piece.effects?.length || piece.clip || piece.mask || (both && (piece.opacity ?? 1) < 1))
      own = [...layers, layerFrom(piece, map, artwork, aside)];
    else opacity = piece.opacity ?? 1;
    const common = { nodeId: piece.id, ...(piece.name ? { name: piece.name } : {}), layers: own };
    if (fill)
      shapes.push({
        ...common,
        contours: placed(map, piece.contours),
        rule: piece.rule ?? 'nonzero',
        paint: paintFrom(fill, map),
        opacity: opacity * (piece.fillOpacity ?? 1),
      });
    if (drawn)
      shapes.push({
        ...common,
        ...lineFrom(piece, piece.stroke!, map, asked),
        paint: paintFrom(drawn, map),
        opacity: opacity * (piece.stroke!.opacity ?? 1),
      });
  }

  function add(nodes: readonly ArtNode[], map: Affine, layers: readonly SceneLayer[]): void {
    for (const node of nodes) {
      if (node.hidden) continue;
      const own = node.transform ? compose(node.transform, map) : map;
      if (node.kind === 'piece') addPiece(node, own, layers);
      else {
        const layer = layerFrom(node, own, artwork, aside);
        add(node.nodes, own, layer.name || isApart(layer) ? [...layers, layer] : layers);
      }
    }
  }
  add(artwork.nodes, IDENTITY, []);
  return { widthPx, heightPx, shapes };
}

/** A layer with what lies in it, or a shape. */
export type SceneNode =
  | { readonly kind: 'shape'; readonly shape: SceneShape }
  | { readonly kind: 'layer'; readonly layer: SceneLayer; readonly nodes: readonly SceneNode[] };

/** The list with its layers as a tree, for those who draw a layer by itself. */
export function layered({ shapes }: Pick<Scene, 'shapes'>): readonly SceneNode[] {
  const root: SceneNode[] = [];
  let open: { layer: SceneLayer; nodes: SceneNode[] }[] = [];
  for (const shape of shapes) {
    let shared = 0;
    while (shared < open.length && shape.layers[shared] === open[shared].layer) shared++;
    open = open.slice(0, shared);
    for (const layer of shape.layers.slice(shared)) {
      const nodes: SceneNode[] = [];
      (open[open.length - 1]?.nodes ?? root).push({ kind: 'layer', layer, nodes });
      open.push({ layer, nodes });
    }
    (open[open.length - 1]?.nodes ?? root).push({ kind: 'shape', shape });
  }
  return root;
}

/** Nodes as the flat list again, within some layers. */
export const shapesIn = (nodes: readonly SceneNode[], layers: readonly SceneLayer[] = []): SceneShape[] =>
  nodes.flatMap((node) =>
    node.kind === 'shape' ? [{ ...node.shape, layers }] : shapesIn(node.nodes, [...layers, node.layer]),
  );

/** The box about a shape, of a line about all that its joins may reach. */
export function boxOfShape({ contours, line }: SceneShape): Box {
  const box = tightBox(contours) ?? boxOf(contours);
  const by = line ? (line.widthPx / 2) * Math.max(1.5, line.join === 'mitre' ? line.mitreLimit : 1) : 0;
  return { x: box.x - by, y: box.y - by, width: box.width + 2 * by, height: box.height + 2 * by };
}
