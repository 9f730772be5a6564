import {
  boxOfRuns,
  closeContour,
  compose,
  flatten,
  IDENTITY,
  mapContour,
  rectangleOfArcs,
  similarity,
  type Affine,
  type Box,
  type Contour,
} from '../path';
import {
  NODE_LIMIT,
  placedNodes,
  type ArtNode,
  type Artwork,
  type ClipShape,
  type Group,
  type Mask,
  type Piece,
  type PieceStroke,
} from '../vector';
import { SvgError } from './error';
import { fineBoxOf, Inks } from './paints';
import { contoursOf, SHAPES } from './shapes';
import { readStyleSheet, styleOf, type Style } from './style';
import { readLength, readNumbers, readReference, readShare, readTransform, viewBoxMap, type Viewport } from './values';
import { readXml, type XmlElement } from './xml';

/** What was read from a file. */
export interface SvgRead {
  readonly artwork: Artwork;
  /** What the file has and an artwork cannot, with how often. */
  readonly leftOut: readonly { readonly what: string; readonly count: number }[];
  /** What the file calls itself. */
  readonly title: string | null;
}

/** Properties that an element takes from what it lies in (SVG 1.1, appendix N). */
const INHERITED = (
  'fill stroke fill-opacity stroke-opacity fill-rule clip-rule stroke-width stroke-linecap stroke-linejoin stroke-miterlimit ' +
  'stroke-dasharray stroke-dashoffset visibility color paint-order marker marker-start marker-mid marker-end'
).split(' ');

/** Elements that are named where they are left out, with the word for them. */
const LEFT_OUT: Readonly<Record<string, string>> = {
  text: 'text',
  image: 'picture',
  foreignObject: 'foreign content',
  script: 'script',
  video: 'video',
  audio: 'sound',
  animate: 'animation',
  animateTransform: 'animation',
  animateMotion: 'animation',
  set: 'animation',
};

/** Elements walked through, those that are used several times each time: a file that uses parts in parts in parts has an end. */
const LIMIT_VISITS = 500_000;
/** Longest name that is taken over from an id. */
const NAME_MOST = 60;

interface Context {
  readonly inherited: Style;
  readonly viewport: Viewport;
  /** Elements that are being used, so that none uses itself. */
  readonly using: ReadonlySet<XmlElement>;
  /** The name of a group of one ink, such as ours are written. */
  readonly inkName: string | null;
}

/** What is seen of an element. */
interface Look {
  readonly opacity?: number;
  readonly clips: readonly (readonly ClipShape[])[];
  readonly mask?: Mask;
}

class Reader {
  readonly leftOut = new Map<string, number>();
  readonly inks: Inks;
  private readonly byId = new Map<string, XmlElement>();
  private readonly parents = new Map<XmlElement, XmlElement>();
  private readonly styles = new Map<XmlElement, Style>();
  private readonly sheet;
  private visits = 0;
  private nodes = 0;
  private groups = 0;

  constructor(readonly root: XmlElement) {
    let css = '';
    const index = (element: XmlElement): void => {
      const id = element.attributes.get('id');
      if (id !== undefined && !this.byId.has(id)) this.byId.set(id, element);
      if (element.name === 'style') css += element.text + '\n';
      for (const child of element.children) {
        this.parents.set(child, element);
        index(child);
      }
    };
    index(root);
    this.sheet = readStyleSheet(css);
    this.inks = new Inks({ byId: this.byId, styleOf: (e) => this.style(e) });
  }

  private style(element: XmlElement): Style {
    let style = this.styles.get(element);
    if (!style) {
      const within: XmlElement[] = [];
      for (let p = this.parents.get(element); p; p = this.parents.get(p)) within.unshift(p);
      this.styles.set(element, (style = styleOf(element, within, this.sheet)));
    }
    return style;
  }

  note(what: string): void {
    this.leftOut.set(what, (this.leftOut.get(what) ?? 0) + 1);
  }

  private newId(kind: 'piece' | 'group'): string {
    if (++this.nodes > NODE_LIMIT)
      throw new SvgError(`The SVG draws more than ${NODE_LIMIT} shapes: bring in a simpler one`);
    return kind === 'piece' ? `piece-${this.nodes - this.groups}` : `group-${++this.groups}`;
  }

  /** The properties of an element, with those it inherits. */
  computed(element: XmlElement, { inherited }: Context): Map<string, string> {
    const own = this.style(element);
    const out = new Map<string, string>();
    for (const name of INHERITED) {
      const said = own.get(name);
      const value = said === undefined || said === 'inherit' ? inherited.get(name) : said;
      if (value !== undefined) out.set(name, value);
    }
    for (const name of [
      'opacity',
      'clip-path',
      'mask',
      'filter',
      'transform',
      'display',
      'overflow',
      'mix-blend-mode',
    ]) {
      const said = own.get(name);
      if (said !== undefined && said !== 'inherit') out.set(name, said);
    }
    return out;
  }

  /** What a list of elements draws. */
  children(elements: readonly XmlElement[], context: Context): ArtNode[] {
    return elements.flatMap((e) => this.element(e, context));
  }

  private element(element: XmlElement, context: Context): ArtNode[] {
    if (++this.visits > LIMIT_VISITS)
      throw new SvgError('The SVG uses its parts in one another too often: bring in a simpler one');
    if (Object.hasOwn(LEFT_OUT, element.name)) {
      this.note(LEFT_OUT[element.name]);
      return [];
    }
    const style = this.computed(element, context);
    if (style.get('display') === 'none') return [];
    const own: Context = { ...context, inherited: style, inkName: null };
    if (SHAPES.has(element.name)) return this.shape(element, style, context);
    switch (element.name) {
      case 'g':
      case 'a':
        return this.wrapped(element, style, own, this.children(element.children, this.forGroup(element, own)));
      case 'switch': {
        const chosen = element.children.find(
          (c) =>
            !c.attributes.get('requiredExtensions') && /^(|en\b.*)$/.test(c.attributes.get('systemLanguage') ?? ''),
        );
        return this.wrapped(element, style, own, chosen ? this.element(chosen, own) : []);
      }
      case 'svg':
        return this.wrapped(element, style, own, this.viewport(element, element, style, own));
      case 'use':
        return this.use(element, style, own);
      default:
        return [];
    }
  }

  /** A group of nothing but shapes with a fill of its own names that ink; such groups are written for each ink. */
  private forGroup(element: XmlElement, context: Context): Context {
    return this.isOfInk(element)
      ? { ...context, inkName: element.attributes.get('id')!.replaceAll('-', ' ') }
      : context;
  }

  private isOfInk(element: XmlElement): boolean {
    const { attributes: a, children } = element;
    const paint = a.get('fill') === 'none' ? a.get('stroke') : a.get('fill');
    return (
      a.has('id') &&
      paint !== undefined &&
      children.length > 0 &&
      children.every((c) => SHAPES.has(c.name) && !c.attributes.has('fill'))
    );
  }

  private nameOf(element: XmlElement): { name?: string } {
    // Ids that programs number by themselves say nothing.
    const id = element.attributes.get('label') ?? element.attributes.get('id');
    if (
      !id ||
      /^(path|g|rect|circle|ellipse|polygon|polyline|line|use|svg|layer|group|shape|piece|vector)?[-_]?\d*$/i.test(id)
    )
      return {};
    const name = id
      .replace(/[\u0000-\u001f\u007f]|\p{Surrogate}/gu, '')
      .replaceAll('-', ' ')
      .trim()
      .slice(0, NAME_MOST);
    return name ? { name } : {};
  }

  /** Nodes as one, where what they lie in moves, fades, clips or names them; the nodes themselves where it does nothing. */
  private wrapped(
    element: XmlElement,
    style: Style,
    context: Context,
    nodes: readonly ArtNode[],
    more: Affine = IDENTITY,
  ): ArtNode[] {
    if (!nodes.length) return [];
    const transform = compose(more, readTransform(style.get('transform')));
    const boxOfNodes = () => boxOf(nodes);
    const look = this.look(style, context, boxOfNodes);
    if (look === null) return [];
    const named = this.isOfInk(element) ? {} : this.nameOf(element);
    const isMoved = !isIdentity(transform);
    const fades = look.opacity !== undefined || look.clips.length > 0 || look.mask !== undefined;
    if (!isMoved && !fades && !named.name) return [...nodes];
    // One node can carry a move by itself.
    if (nodes.length === 1 && !fades && !named.name) {
      const [node] = nodes;
      return [{ ...node, transform: node.transform ? compose(node.transform, transform) : transform }];
    }
    return [
      this.clipped(look, transform, (inner) => ({
        id: this.newId('group'),
        kind: 'group',
        nodes,
        ...named,
        ...inner,
      })),
    ];
  }

  /** A node with the first of some clips, within a group for each more; the outermost has the transform. */
  private clipped(
    { clips, mask, opacity }: Look,
    transform: Affine,
    make: (own: Pick<Group, 'transform' | 'clip' | 'mask' | 'opacity'>) => ArtNode,
  ): ArtNode {
    const moved = isIdentity(transform) ? {} : { transform };
    const [first, ...rest] = clips;
    let node = make({
      ...(first ? { clip: first } : {}),
      ...(mask ? { mask } : {}),
      ...(opacity === undefined ? {} : { opacity }),
      ...(rest.length ? {} : moved),
    });
    rest.forEach((clip, k) => {
      node = { id: this.newId('group'), kind: 'group', nodes: [node], clip, ...(k + 1 === rest.length ? moved : {}) };
    });
    return node;
  }

  /** Opacity and clips of an element; null where nothing of it is seen. */
  private look(style: Style, context: Context, box: () => Box | null): Look | null {
    const opacity = readShare(style.get('opacity'));
    if (opacity === 0) return null;
    if ((style.get('mix-blend-mode') ?? 'normal') !== 'normal') this.note('blend mode');
    if ((style.get('filter') ?? 'none') !== 'none') this.note('filter');
    const clips: (readonly ClipShape[])[] = [];
    if (!this.addClips(style.get('clip-path'), context, box, clips, new Set())) return null;
    const masked = this.mask(style.get('mask'), context, box);
    if (masked) clips.unshift([masked.frame]);
    return { ...(opacity < 1 ? { opacity } : {}), clips, ...(masked ? { mask: masked.mask } : {}) };
  }

  /** Adds what a clip path lets through, and what its own clip path does; false where that is nothing. */
  private addClips(
    written: string | undefined,
    context: Context,
    box: () => Box | null,
    clips: (readonly ClipShape[])[],
    seen: Set<XmlElement>,
  ): boolean {
    const element = this.byId.get(readReference(written) ?? '');
    if (element?.name !== 'clipPath' || seen.has(element)) return true;
    seen.add(element);
    const style = this.computed(element, context);
    const b = element.attributes.get('clipPathUnits') === 'objectBoundingBox' ? box() : undefined;
    if (b === null) return false;
    const units: Affine = b ? [b.width, 0, 0, b.height, b.x, b.y] : IDENTITY;
    const map = compose(readTransform(style.get('transform')), units);
    const shapes = element.children.flatMap((child) => this.clipShapes(child, { ...context, inherited: style }, map));
    if (!shapes.length) return false;
    clips.push(shapes);
    return this.addClips(style.get('clip-path'), context, box, clips, seen);
  }

  private clipShapes(element: XmlElement, context: Context, map: Affine): ClipShape[] {
    if (++this.visits > LIMIT_VISITS)
      throw new SvgError('The SVG uses its parts in one another too often: bring in a simpler one');
    if (element.name === 'text') this.note('text');
    const style = this.computed(element, context);
    if (style.get('display') === 'none' || (style.get('visibility') ?? 'visible') !== 'visible') return [];
    const own = compose(readTransform(style.get('transform')), map);
    if (element.name === 'use') {
      const target = this.byId.get(readReference(element.attributes.get('href')) ?? '');
      if (!target || context.using.has(target)) return [];
      const moved: Affine = [1, 0, 0, 1, this.length(element, 'x', context), this.length(element, 'y', context)];
      return this.clipShapes(
        target,
        { ...context, inherited: style, using: new Set([...context.using, target]) },
        compose(moved, own),
      );
    }
    if (!SHAPES.has(element.name)) return [];
    const contours = contoursOf(element, context.viewport).map((c) => mapContour(own, c));
    if (!contours.length) return [];
    return [{ contours, ...(style.get('clip-rule') === 'evenodd' ? { rule: 'evenodd' as const } : {}) }];
  }

  /** The mask of an element, and the frame that it reaches to; null where it has none. */
  private mask(
    written: string | undefined,
    context: Context,
    box: () => Box | null,
  ): { mask: Mask; frame: ClipShape } | null {
    const element = this.byId.get(readReference(written) ?? '');
    if (element?.name !== 'mask' || context.using.has(element)) return null;
    const style = this.computed(element, context);
    const b = box();
    if (!b) return null;
    const a = element.attributes;
    const inner = this.children(element.children, {
      ...context,
      inherited: style,
      using: new Set([...context.using, element]),
    });
    const nodes: ArtNode[] =
      a.get('maskContentUnits') === 'objectBoundingBox'
        ? [{ id: this.newId('group'), kind: 'group', nodes: inner, transform: [b.width, 0, 0, b.height, b.x, b.y] }]
        : inner;
    const inUser = a.get('maskUnits') === 'userSpaceOnUse';
    const size: Viewport = inUser ? context.viewport : { width: 1, height: 1 };
    const said = (name: string, along: 'x' | 'y', otherwise: string) =>
      readLength(a.get(name) ?? otherwise, along, size) ?? 0;
    const [x, y] = [said('x', 'x', '-10%'), said('y', 'y', '-10%')];
    const [w, h] = [said('width', 'x', '120%'), said('height', 'y', '120%')];
    const frame = inUser
      ? rectangleOfArcs(x, y, w, h)
      : rectangleOfArcs(b.x + x * b.width, b.y + y * b.height, w * b.width, h * b.height);
    const isAlpha = (style.get('mask-type') ?? a.get('mask-type')) === 'alpha';
    return { mask: { nodes, by: isAlpha ? 'opacity' : 'light' }, frame: { contours: [frame] } };
  }

  private length(element: XmlElement, name: string, { viewport }: Context): number {
    return readLength(element.attributes.get(name), name === 'x' || name === 'width' ? 'x' : 'y', viewport) ?? 0;
  }

  private use(element: XmlElement, style: Map<string, string>, context: Context): ArtNode[] {
    const target = this.byId.get(readReference(element.attributes.get('href')) ?? '');
    if (!target) {
      if (element.attributes.has('href')) this.note('reference to nothing in the file');
      return [];
    }
    if (context.using.has(target) || context.using.size > 64) return [];
    const own: Context = { ...context, using: new Set([...context.using, target]) };
    const moved: Affine = [1, 0, 0, 1, this.length(element, 'x', context), this.length(element, 'y', context)];
    let nodes: ArtNode[];
    if (target.name === 'symbol' || target.name === 'svg') {
      const inner = this.computed(target, own);
      nodes = this.wrapped(target, inner, own, this.viewport(target, element, inner, { ...own, inherited: inner }));
    } else nodes = this.element(target, own);
    return this.wrapped(element, style, context, nodes, moved);
  }

  /** What a symbol or an inner svg draws: `sized` says how large it is. */
  private viewport(element: XmlElement, sized: XmlElement, style: Style, context: Context): ArtNode[] {
    const { viewport } = context;
    const said = (name: 'width' | 'height'): number =>
      readLength(sized.attributes.get(name), name === 'width' ? 'x' : 'y', viewport) ??
      readLength(element.attributes.get(name), name === 'width' ? 'x' : 'y', viewport) ??
      viewport[name];
    const [width, height] = [said('width'), said('height')];
    if (!(width > 0 && height > 0)) return [];
    const box = readNumbers(element.attributes.get('viewBox'));
    const hasBox = box.length === 4 && box.every(Number.isFinite) && box[2] > 0 && box[3] > 0;
    const at: Affine =
      element.name === 'svg' && sized === element
        ? [1, 0, 0, 1, this.length(element, 'x', context), this.length(element, 'y', context)]
        : IDENTITY;
    const map = compose(
      hasBox ? viewBoxMap(box, { width, height }, element.attributes.get('preserveAspectRatio')) : IDENTITY,
      at,
    );
    const inner = this.children(element.children, {
      ...context,
      viewport: hasBox ? { width: box[2], height: box[3] } : { width, height },
    });
    if (!inner.length) return [];
    const moved: ArtNode[] = isIdentity(map)
      ? inner
      : [{ id: this.newId('group'), kind: 'group', nodes: inner, transform: map }];
    if (/^(visible|auto)$/.test(style.get('overflow') ?? 'hidden')) return moved;
    const frame = boxOf(moved);
    const [x, y] = [at[4], at[5]];
    // Most drawings stay inside their frame, and need no clip.
    if (
      frame &&
      frame.x >= x &&
      frame.y >= y &&
      frame.x + frame.width <= x + width &&
      frame.y + frame.height <= y + height
    )
      return moved;
    return [
      {
        id: this.newId('group'),
        kind: 'group',
        nodes: moved,
        clip: [{ contours: [rectangleOfArcs(x, y, width, height)] }],
      },
    ];
  }

  private shape(element: XmlElement, style: Style, context: Context): ArtNode[] {
    if ((style.get('visibility') ?? 'visible') !== 'visible') return [];
    const all = contoursOf(element, context.viewport);
    const contours = all.filter(isWithinReach);
    if (contours.length < all.length) this.note('outline too far away to draw');
    if (!contours.length) return [];
    for (const name of ['marker', 'marker-start', 'marker-mid', 'marker-end'])
      if ((style.get(name) ?? 'none') !== 'none') this.note('marker');
    const colour = style.get('color') ?? 'black';
    const { viewport, inkName } = context;
    const fill = this.inks.read(style.get('fill') ?? 'black', colour, contours, viewport, inkName);
    const fillOpacity = (fill?.opacity ?? 1) * readShare(style.get('fill-opacity'));
    const stroke = this.stroke(style, colour, contours, context);
    const hasFill = fill !== null && fillOpacity > 0;
    if (!hasFill && !stroke) return [];
    const look = this.look(style, context, () => fineBoxOf(contours));
    if (look === null) return [];
    const transform = readTransform(style.get('transform'));
    const filled = hasFill ? { inkId: fill.inkId, ...(fillOpacity < 1 ? { fillOpacity } : {}) } : { inkId: null };
    const common = {
      kind: 'piece' as const,
      contours: stroke ? contours : contours.map(closeContour),
      ...(style.get('fill-rule') === 'evenodd' && hasFill ? { rule: 'evenodd' as const } : {}),
      ...this.nameOf(element),
    };
    const strokeFirst = /^\s*(stroke|markers\s+stroke)/.test(style.get('paint-order') ?? '');
    if (strokeFirst && stroke && hasFill) {
      const pair: Piece[] = [
        { ...common, id: this.newId('piece'), inkId: null, stroke },
        { ...common, id: this.newId('piece'), ...filled },
      ];
      return [
        this.clipped(look, transform, (own) => ({ id: this.newId('group'), kind: 'group', nodes: pair, ...own })),
      ];
    }
    return [
      this.clipped(look, transform, (own) => ({
        ...common,
        id: this.newId('piece'),
        ...filled,
        ...(stroke ? { stroke } : {}),
        ...own,
      })),
    ];
  }

  private stroke(style: Style, colour: string, contours: readonly Contour[], context: Context): PieceStroke | null {
    const { viewport, inkName } = context;
    const paint = this.inks.read(style.get('stroke') ?? 'none', colour, contours, viewport, inkName);
    if (!paint) return null;
    const widthPx = readLength(style.get('stroke-width') ?? '1', 'both', viewport) ?? 1;
    const opacity = paint.opacity * readShare(style.get('stroke-opacity'));
    if (!(widthPx > 0) || opacity === 0) return null;
    const cap = style.get('stroke-linecap') ?? 'butt';
    const join = style.get('stroke-linejoin') ?? 'miter';
    const limit = Number(style.get('stroke-miterlimit') ?? 4);
    const written = style.get('stroke-dasharray') ?? 'none';
    const dash =
      written === 'none'
        ? []
        : written
            .trim()
            .split(/[\s,]+/)
            .map((d) => readLength(d, 'both', viewport) ?? -1);
    const isDashed = dash.length > 0 && dash.length <= 64 && dash.every((d) => d >= 0) && dash.some((d) => d > 0);
    const dashOffset = readLength(style.get('stroke-dashoffset') ?? '0', 'both', viewport) ?? 0;
    return {
      inkId: paint.inkId,
      ...(opacity < 1 ? { opacity } : {}),
      widthPx,
      cap: cap === 'round' || cap === 'square' ? cap : 'butt',
      join: join === 'round' || join === 'bevel' ? join : 'mitre',
      mitreLimit: limit >= 1 && limit <= 1000 ? limit : 4,
      ...(isDashed ? { dash } : {}),
      ...(isDashed && dashOffset ? { dashOffset } : {}),
    };
  }
}

const isIdentity = (map: Affine): boolean => map.every((v, k) => Math.abs(v - IDENTITY[k]) < 1e-12);

/** How far from its origin a drawing may reach, in its units. */
const REACH = 1e6;
const isWithinReach = ({ start, segments }: Contour): boolean =>
  [start, ...segments.flatMap((s) => (s.kind === 'curve' ? [s.c1, s.c2, s.to] : [s.to]))].every(
    ([x, y]) => Math.abs(x) <= REACH && Math.abs(y) <= REACH,
  );

/** The box of what nodes draw, lines left out, in the coordinates they lie in. */
function boxOf(nodes: readonly ArtNode[]): Box | null {
  const runs: number[][] = [];
  for (const { node, map } of placedNodes(nodes)) {
    if (node.kind !== 'piece') continue;
    const scale = similarity(map)?.scale ?? 1;
    const box = fineBoxOf(node.contours);
    if (!box) continue;
    const tolerance = Math.max(box.width, box.height, 1e-6) / 4000;
    for (const c of node.contours) runs.push(flatten(mapContour(map, c), tolerance * Math.max(scale, 1e-6)));
  }
  return boxOfRuns(runs);
}

/** The size of a drawing in its user units, and where its view box lies in that. */
function frameOf(root: XmlElement): { size: Viewport; map: Affine } {
  const a = root.attributes;
  const box = readNumbers(a.get('viewBox'));
  const hasBox = box.length === 4 && box.every(Number.isFinite) && box[2] > 0 && box[3] > 0;
  const whole: Viewport = hasBox ? { width: box[2], height: box[3] } : { width: 100, height: 100 };
  const given = (name: 'width' | 'height'): number | undefined => {
    const text = a.get(name);
    const value = text?.trim().endsWith('%') ? undefined : readLength(text, name === 'width' ? 'x' : 'y', whole);
    return value !== undefined && value > 0 ? value : undefined;
  };
  const [width, height] = [given('width'), given('height')];
  if (!hasBox) {
    if (!width || !height)
      throw new SvgError('The SVG has neither a viewBox nor a width and height: give it one of them');
    return { size: { width, height }, map: IDENTITY };
  }
  // The shape of the page is what width and height say; its unit stays the view box's own.
  const to = {
    width: width ?? (height ? (height * box[2]) / box[3] : box[2]),
    height: height ?? (width ? (width * box[3]) / box[2] : box[3]),
  };
  const placed = viewBoxMap(box, to, a.get('preserveAspectRatio'));
  const unit = Math.sqrt(placed[0] * placed[3]);
  const rounded = (v: number) => (Math.abs(v - Math.round(v)) < 1e-9 ? Math.round(v) : v);
  return {
    size: { width: rounded(to.width / unit), height: rounded(to.height / unit) },
    map: placed.map((v) => rounded(v / unit)) as unknown as Affine,
  };
}

const LEAST_SIDE = 1e-3;
const MOST_SIDE = 20_000;

/**
 * Reads any static SVG 1.1 or 2 as an artwork: all shapes, nested transforms, `use` and `symbol`, style sheets and inherited properties, lines, gradients,
 * clip paths, masks, opacity, view boxes and units. What an artwork cannot have is left out and named. Takes time in proportion to the
 * text; entities, other files and scripts are never followed. Throws an SvgError.
 */
export function readSvg(text: string): SvgRead {
  const root = readXml(text);
  if (root.name !== 'svg') throw new SvgError('The file is no SVG, whatever its name says');
  const frame = frameOf(root);
  const reader = new Reader(root);
  const box = readNumbers(root.attributes.get('viewBox'));
  const viewport: Viewport =
    box.length === 4 && box[2] > 0 && box[3] > 0 ? { width: box[2], height: box[3] } : frame.size;
  const nothing: Context = { inherited: new Map(), viewport, using: new Set([root]), inkName: null };
  const style = reader.computed(root, nothing);
  const opacity = readShare(style.get('opacity'));
  let nodes = style.get('display') === 'none' ? [] : reader.children(root.children, { ...nothing, inherited: style });
  let map = frame.map;
  let { width, height } = frame.size;
  // Drawings in units so large or small that px of theirs mean nothing are brought to a size that can be handled.
  const longer = Math.max(width, height);
  if (longer > MOST_SIDE || longer < 1) {
    const scale = (longer > MOST_SIDE ? MOST_SIDE : 512) / longer;
    map = compose(map, [scale, 0, 0, scale, 0, 0]);
    [width, height] = [width * scale, height * scale];
  }
  if (!(Math.min(width, height) >= LEAST_SIDE)) throw new SvgError('The SVG has no area');
  if (!isIdentity(map)) nodes = nodes.map((n) => ({ ...n, transform: n.transform ? compose(n.transform, map) : map }));
  if (opacity < 1 && nodes.length) nodes = [{ id: 'group-0', kind: 'group', nodes, opacity }];
  const title =
    root.children
      .find((c) => c.name === 'title')
      ?.text.trim()
      .slice(0, 120) || null;
  return {
    artwork: { widthPx: width, heightPx: height, inks: reader.inks.list(), nodes, guides: [] },
    leftOut: [...reader.leftOut].map(([what, count]) => ({ what, count })),
    title,
  };
}

/** The artwork of an SVG; what is left out of it is not told. Throws an SvgError. */
export const artworkFromSvg = (text: string): Artwork => readSvg(text).artwork;
