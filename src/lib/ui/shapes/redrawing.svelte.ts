import { nameColour } from '$core/colour';
import type { Contour, Point } from '$core/path';
import {
  awayFromGuide,
  contourOf,
  deviationFrom,
  EMPTY_PATH,
  FIGURES,
  figureBy,
  figureSoFar,
  guideFrom,
  isTaken,
  mirroredWith,
  PEN_WAYS,
  withClosed,
  withDragged,
  withoutLast,
  withPlace,
  type Axis,
  type FigureKind,
  type OfferedGuide,
  type PenPath,
  type PenWay,
} from '$core/redraw';
import { snapped, snapTargets, type Edit, type Piece, type SnapTargets } from '$core/vector';
import { keep, kept } from '../kept';
import { notices } from '../notices.svelte';
import type { DrawGesture } from '../sheet/view';
import type { Below } from './below.svelte';
import type { Shaping } from './shaping.svelte';

export const TOOLS = ['pen', 'circle', 'ellipse', 'rectangle', 'polygon', 'line', 'guides'] as const;
export type Tool = (typeof TOOLS)[number];

/** How near a press must be to something, and how far a drag must go to be one, in pixels of the screen. */
const GRAB_PX = 9;
const DRAG_PX = 4;
const SNAP_PX = 7;

/** The ink of a drawing that has none yet. */
const FIRST_HEX = '#1D2E4E';

type Settings = Pick<
  Redrawing,
  'tool' | 'way' | 'circleBy' | 'ellipseBy' | 'radiusPx' | 'sides' | 'widthPx' | 'filled' | 'inkId' | 'isMirrored'
>;
interface Draft extends Settings {
  readonly path: PenPath;
}

/** Drawing new shapes: with the pen, or as circles, rectangles and the like, by themselves or with their image. */
export class Redrawing {
  on = $state(false);
  tool = $state<Tool>('pen');
  way = $state<PenWay>('curve');
  circleBy = $state<'circle-centre' | 'circle-ends' | 'circle-three'>('circle-centre');
  ellipseBy = $state<'ellipse-box' | 'ellipse-axis'>('ellipse-box');
  radiusPx = $state(0);
  sides = $state(6);
  /** Of a line, in px. */
  widthPx = $state(8);
  /** Whether outlines are filled; else they are lines of a width. */
  filled = $state(true);
  inkId = $state('');
  isMirrored = $state(false);
  /** The path of the pen that is under way. */
  path = $state.raw<PenPath>(EMPTY_PATH);
  /** The places of a plain shape that is under way. */
  places = $state.raw<readonly Point[]>([]);
  /** Where the pointer is, or what it is drawn to. */
  hover = $state.raw<Point | null>(null);
  snap = $state.raw<{ at: Point; told: string } | null>(null);

  private from: Point | null = null;
  private dragged = false;
  private targets: SnapTargets | null = null;
  private undone: PenPath | null = null;

  constructor(
    private readonly shaping: Shaping,
    private readonly below: Below,
    private readonly axisNow: () => Axis,
    private readonly place: string,
  ) {
    const before = kept<Draft>(place, this.draft());
    if (before) {
      const { path, ...settings } = before;
      Object.assign(this, settings);
      if (path.places?.length) {
        this.path = path;
        this.on = true;
      }
    }
    if (!this.shaping.artwork.nodes.length) this.on = true;
  }

  private draft(): Draft {
    const { tool, way, circleBy, ellipseBy, radiusPx, sides, widthPx, filled, inkId, isMirrored, path } = this;
    return { tool, way, circleBy, ellipseBy, radiusPx, sides, widthPx, filled, inkId, isMirrored, path };
  }

  /** Keeps in the browser what is set, and the path under way. */
  remember(): void {
    keep(this.place, this.draft());
  }

  toggle(): void {
    this.on = !this.on;
    this.places = [];
    this.hover = this.snap = null;
    if (this.on) {
      this.shaping.choose([]);
      this.below.find();
    }
  }

  pick(tool: Tool): void {
    this.tool = tool;
    this.places = [];
    this.remember();
  }
  nextTool(by: number): void {
    this.pick(TOOLS[(TOOLS.indexOf(this.tool) + by + TOOLS.length) % TOOLS.length]);
  }
  nextWay(): void {
    this.way = PEN_WAYS[(PEN_WAYS.indexOf(this.way) + 1) % PEN_WAYS.length];
    this.remember();
  }

  private get figure(): FigureKind | null {
    switch (this.tool) {
      case 'circle':
        return this.circleBy;
      case 'ellipse':
        return this.ellipseBy;
      case 'rectangle':
      case 'polygon':
      case 'line':
        return this.tool;
      default:
        return null;
    }
  }

  /** What is being drawn, as far as it is: its outlines, with those of its image. */
  get underWay(): Contour[] {
    const contour = this.contourNow();
    if (!contour) return [];
    return this.isMirrored ? mirroredWith(contour, this.axisNow()).flat() : [contour];
  }

  private contourNow(): Contour | null {
    const { figure, hover } = this;
    if (figure) {
      const places = hover && this.places.length ? [...this.places, hover] : this.places;
      return figureBy(figure, places, this) ?? figureSoFar(figure, places);
    }
    if (this.tool !== 'pen' || !this.path.places.length) return null;
    const { path } = this;
    // While nothing is dragged, the way to the pointer is seen.
    const ahead = hover && !this.from && !path.closed ? withPlace(path, this.newPlace(hover)) : path;
    return contourOf(ahead);
  }

  private newPlace(at: Point) {
    return { at, way: this.way, out: null, by: null };
  }

  /** How far what is being drawn lies from the picture's edges, at most, in px; null where there is neither. */
  get offPx(): number | null {
    const { edges } = this.below;
    const contour = this.contourNow();
    return edges && contour ? deviationFrom(edges, [{ contours: [contour], inkId: '' }], false).greatestPx : null;
  }

  draw({ what, point, shift, zoom }: DrawGesture): void {
    if (what === 'leave') {
      this.hover = this.snap = null;
      return;
    }
    if (this.tool === 'guides') {
      if (what === 'down') this.takeGuide(point, zoom);
      return;
    }
    const at = this.drawn(point, shift, zoom);
    if (what === 'hover') this.hover = at;
    else if (what === 'down') this.down(at, point, zoom);
    else if (what === 'drag') this.drag(at, point, zoom);
    else if (what === 'up') this.up(at);
  }

  /** A place, drawn to what is near by; with Shift level with or under the place before. */
  private drawn(point: Point, shift: boolean, zoom: number): Point {
    this.targets ??= snapTargets(this.shaping.artwork, [], this.shaping.more());
    const last = this.tool === 'pen' ? this.path.places.at(-1)?.at : this.places.at(-1);
    if (shift && last) {
      const [dx, dy] = [point[0] - last[0], point[1] - last[1]];
      this.snap = null;
      // Level, upright or at 45 degrees, whichever is nearest.
      const turn = Math.round(Math.atan2(dy, dx) / (Math.PI / 4)) * (Math.PI / 4);
      const along = dx * Math.cos(turn) + dy * Math.sin(turn);
      return [last[0] + along * Math.cos(turn), last[1] + along * Math.sin(turn)];
    }
    const on = snapped(point, this.targets, SNAP_PX / zoom);
    this.snap = on.told ? { at: on.at, told: on.told } : null;
    return on.at;
  }

  /** What is drawn to has changed. */
  refresh(): void {
    this.targets = null;
  }

  private near = (p: Point, q: Point, zoom: number, px = GRAB_PX): boolean =>
    Math.hypot(p[0] - q[0], p[1] - q[1]) * zoom <= px;

  private down(at: Point, point: Point, zoom: number): void {
    this.from = point;
    this.dragged = false;
    this.hover = null;
    if (this.tool === 'pen') {
      const { places } = this.path;
      if (places.length > 1 && this.near(places[0].at, point, zoom)) this.path = withClosed(this.path, this.way);
      else this.path = withPlace(this.path, this.newPlace(at));
      return;
    }
    this.places = [...this.places, at];
  }

  private drag(at: Point, point: Point, zoom: number): void {
    if (!this.from) return;
    this.dragged ||= !this.near(this.from, point, zoom, DRAG_PX);
    if (!this.dragged) return;
    if (this.tool === 'pen') this.path = withDragged(this.path, at);
    else this.hover = at;
  }

  private up(at: Point): void {
    const { figure } = this;
    const wasDragged = this.dragged;
    this.from = null;
    this.dragged = false;
    if (this.tool === 'pen') {
      if (this.path.closed) this.finish();
      else this.remember();
      return;
    }
    if (wasDragged) this.places = [...this.places, at];
    this.hover = null;
    if (!figure || this.places.length < FIGURES[figure].places) return;
    const contour = figureBy(figure, this.places, this);
    this.places = [];
    if (contour) this.commit(contour);
    else notices.tell('These places make nothing: try others', { id: 'draw' });
  }

  /** Ends the path of the pen as it is. */
  finish(): void {
    const contour = contourOf(this.path);
    if (!contour) return;
    this.path = EMPTY_PATH;
    this.commit(contour);
    this.remember();
  }

  /** Takes the last place back; false where there is none. */
  back(): boolean {
    if (this.places.length) this.places = this.places.slice(0, -1);
    else if (this.path.places.length) {
      this.path = withoutLast(this.path);
      this.remember();
    } else return false;
    return true;
  }

  /** Makes what was drawn pieces of the artwork. */
  private commit(contour: Contour): void {
    const { artwork } = this.shaping;
    const edits: Edit[] = [];
    let inkId = artwork.inks.some((i) => i.id === this.inkId) ? this.inkId : (artwork.inks[0]?.id ?? '');
    if (!inkId) {
      inkId = 'ink-1';
      edits.push({ kind: 'add-ink', ink: { id: inkId, hex: FIRST_HEX, name: nameColour(FIRST_HEX) } });
      this.inkId = inkId;
    }
    const drawn = this.isMirrored ? mirroredWith(contour, this.axisNow()) : [[contour]];
    let above = artwork.nodes.at(-1)?.id ?? null;
    const pieces = drawn.map((contours) => {
      const isLine = !this.filled || this.tool === 'line' || contours.every((c) => c.open && c.segments.length < 2);
      const piece: Piece = {
        kind: 'piece',
        id: `drawn-${crypto.randomUUID().slice(0, 8)}`,
        contours: isLine ? contours : contours.map(({ open: _open, ...c }) => c),
        inkId: isLine ? null : inkId,
        ...(isLine
          ? { stroke: { inkId, widthPx: this.widthPx, cap: 'round', join: 'round', mitreLimit: 4 } as const }
          : {}),
      };
      const put = { piece, above };
      above = piece.id;
      return put;
    });
    const what = this.tool === 'pen' ? 'an outline' : `${this.tool === 'ellipse' ? 'an' : 'a'} ${this.tool}`;
    edits.push({
      kind: 'put-pieces',
      pieces: $state.snapshot(pieces) as typeof pieces,
      gone: [],
      told: `${what} drawn${pieces.length > 1 ? ', and its image' : ''}`,
    });
    this.shaping.edit(edits);
    this.refresh();
  }

  /** Takes the guide that is offered near a place, or lets one go that was taken. */
  private takeGuide(point: Point, zoom: number): void {
    const reach = GRAB_PX / zoom;
    const own = this.shaping.artwork.guides.find((g) => awayFromGuide(g, point) <= reach);
    if (own) return this.shaping.edit([{ kind: 'remove-guide', guideId: own.id }]);
    const offered = this.untaken.find((g) => awayFromGuide(g, point) <= reach);
    if (offered) this.take([offered]);
  }

  /** Guides that are offered and were not taken. */
  get untaken(): readonly OfferedGuide[] {
    const { guides } = this.shaping.artwork;
    return this.below.offered.filter((o) => !isTaken(o, guides));
  }

  take(offered: readonly OfferedGuide[]): void {
    if (!offered.length) return;
    const fresh = () => `guide-${crypto.randomUUID().slice(0, 8)}`;
    this.shaping.edit(offered.map((o): Edit => ({ kind: 'set-guide', guide: guideFrom(o, fresh()) as never })));
    this.refresh();
  }

  /** Leaves what is under way, or drawing; what the pen drew can be brought back. False where there was nothing to leave. */
  escape(): boolean {
    if (!this.on) return false;
    this.from = null;
    if (this.places.length) this.places = [];
    else if (this.path.places.length) {
      const left = (this.undone = this.path);
      this.path = EMPTY_PATH;
      this.remember();
      if (left.places.length > 1)
        notices.tell('The path was left', {
          id: 'path-left',
          action: {
            label: 'Bring it back',
            run: () => {
              if (this.undone) this.path = this.undone;
              this.on = true;
              this.tool = 'pen';
              this.remember();
            },
          },
        });
    } else this.toggle();
    return true;
  }
}
