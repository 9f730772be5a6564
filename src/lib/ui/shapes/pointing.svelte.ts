// Sets here are looked things up in, and never shown.
/* eslint-disable svelte/prefer-svelte-reactivity */
import { inverse, mapContour, mapPoint, nearestPlace, type Affine, type Point } from '$core/path';
import { withOtherHalf, type Axis } from '$core/redraw';
import {
  alignedPlaces,
  cornersLike,
  findNode,
  handlesAt,
  isEnd,
  placedNodes,
  pointOfContour,
  pointsOf,
  snapped,
  snapTargets,
  withArcs,
  withContours,
  withCorner,
  withHandleAt,
  withJoined,
  withNewPoint,
  withoutPoints,
  withPointsMoved,
  withRounded,
  withSmooth,
  withStraight,
  cutAt,
  type Edit,
  type Piece,
  type Placed,
  type PointAt,
  type SnapTargets,
} from '$core/vector';
import { notices } from '../notices.svelte';
import type { DrawGesture } from '../sheet/view';
import type { Shaping } from './shaping.svelte';

/** A point of a piece, by the piece. */
export interface Picked extends PointAt {
  readonly nodeId: string;
}

/** How near a press must be to a point, how far a drag must go to be one, and how near a place draws one, in pixels of the screen. */
const GRAB_PX = 7;
const DRAG_PX = 3;
const SNAP_PX = 6;

/** Two presses at one place within this are a double one. */
const DOUBLE_MS = 350;

/** Points nearer to one another than this lie in one place and move together, in px of the sheet. */
const SAME_PX = 0.01;

type Grip =
  | { readonly kind: 'point'; readonly at: Picked; readonly from: Point; moved: boolean }
  | {
      readonly kind: 'handle';
      readonly at: Picked;
      readonly which: 'into' | 'out';
      readonly from: Point;
      moved: boolean;
    }
  | { readonly kind: 'box'; readonly from: Point; readonly adds: readonly Picked[] };

const same = (p: Picked, q: Picked): boolean => p.nodeId === q.nodeId && p.contour === q.contour && p.index === q.index;

/** The points of what is chosen, dragged, added and changed. */
export class Pointing {
  on = $state(false);
  picked = $state.raw<readonly Picked[]>([]);
  boxing = $state.raw<{ x: number; y: number; width: number; height: number } | null>(null);
  /** What the place being dragged lies on, and where it is. */
  snap = $state.raw<{ at: Point; told: string } | null>(null);
  radiusPx = $state(8);
  /** Whether the other half follows what is changed. */
  isMirrored = $state(false);
  /** The axis that it follows about; null while it does not. */
  axis: () => Axis | null = () => null;

  private grip: Grip | null = null;
  private targets: SnapTargets | null = null;
  private last = { at: [0, 0] as Point, when: 0 };
  /** Where what is dragged is: the half that it lies in is the one that the other follows. */
  private side: Point | null = null;

  constructor(private readonly shaping: Shaping) {}

  /** The pieces whose points are shown: those that are chosen, or all. */
  get pieces(): Placed<Piece>[] {
    const { chosen } = this.shaping;
    return [...placedNodes(this.shaping.line.drawing.nodes)].filter(
      (p): p is Placed<Piece> =>
        p.node.kind === 'piece' &&
        ![...p.within, p.node].some((n) => n.hidden || n.locked) &&
        (!chosen.length || chosen.includes(p.node.id) || p.within.some((g) => chosen.includes(g.id))),
    );
  }

  toggle(): void {
    this.on = !this.on;
    this.picked = [];
    this.grip = null;
    this.shaping.tryNothing();
  }

  /** Points that are there no longer are not picked. */
  prune(): void {
    const left = this.picked.filter((p) => {
      const node = findNode(this.shaping.artwork, p.nodeId)?.node;
      const contour = node?.kind === 'piece' ? node.contours[p.contour] : undefined;
      return contour && p.index < contour.segments.length + (contour.open ? 1 : 0);
    });
    if (left.length !== this.picked.length) this.picked = left;
  }

  private mapOf(nodeId: string): Affine {
    return findNode(this.shaping.artwork, nodeId)!.map;
  }

  private placeOf(at: Picked): Point {
    const placed = findNode(this.shaping.artwork, at.nodeId)!;
    return mapPoint(placed.map, pointOfContour((placed.node as Piece).contours[at.contour], at.index));
  }

  /** The pieces with the points that are picked changed, as one edit in words. */
  private edits(told: string, change: (piece: Piece, points: PointAt[], map: Affine) => Piece | null): Edit[] {
    const pieces: { piece: Piece; above: null }[] = [];
    const gone: string[] = [];
    for (const nodeId of new Set(this.picked.map((p) => p.nodeId))) {
      const placed = findNode(this.shaping.artwork, nodeId);
      if (placed?.node.kind !== 'piece') continue;
      const own = this.picked.filter((p) => p.nodeId === nodeId);
      const after = change(placed.node, own, placed.map);
      if (!after) gone.push(nodeId);
      else if (after !== placed.node) pieces.push({ piece: after, above: null });
    }
    if (!pieces.length && !gone.length) return [];
    const all = this.withOtherHalf(pieces.map((p) => p.piece)).map((piece) => ({ piece, above: null }));
    return [{ kind: 'put-pieces', pieces: all, gone, told }];
  }

  /** Pieces that change, with what follows them on the other side of the axis. */
  private withOtherHalf(pieces: readonly Piece[]): readonly Piece[] {
    const axis = this.axis();
    const side = this.side ?? (this.picked[0] ? this.placeOf(this.picked[0]) : null);
    return axis && side ? withOtherHalf(this.shaping.artwork, pieces, axis, side) : pieces;
  }

  /** Picks the points that lie at a place. */
  private repick(place: Point): void {
    this.picked = this.pointNear(place, 0.05);
  }

  private get words(): string {
    return this.picked.length === 1 ? 'a point' : `${this.picked.length} points`;
  }

  /** Does something to the points that are picked; `keeps` tells whether they are the same ones afterwards. */
  change(
    how: 'smooth' | 'corner' | 'straight' | 'arc' | 'level' | 'upright' | 'line' | 'round' | 'cut' | 'join' | 'remove',
  ): void {
    if (!this.picked.length) return notices.tell('Press points first, or drag a box about them', { id: 'points' });
    const { words } = this;
    const made = {
      smooth: () => this.edits(`${words} made smooth`, withSmooth),
      corner: () => this.edits(`${words} made a corner`, withCorner),
      straight: () => this.edits(`straight between ${words}`, withStraight),
      arc: () => this.edits(`arcs between ${words}`, withArcs),
      level: () => this.aligned('level'),
      upright: () => this.aligned('upright'),
      line: () => this.aligned('line'),
      round: () =>
        this.edits(`${words} rounded by ${this.radiusPx} px`, (piece, points) =>
          withRounded(piece, points, this.radiusPx),
        ),
      cut: () => this.edits(`cut open at ${words}`, (piece, [at]) => cutAt(piece, at.contour, at.index)),
      join: () => this.joined(),
      remove: () => this.edits(`${words} removed`, withoutPoints),
    }[how]();
    if (!made.length)
      return notices.tell(how === 'join' ? 'Pick two open ends first' : 'Nothing had to be changed', { id: 'points' });
    this.shaping.edit(made);
    if (how === 'round' || how === 'cut' || how === 'join' || how === 'remove') this.picked = [];
  }

  /** Two open ends made one outline: that of the first takes up that of the second, which its piece loses. */
  private joined(): Edit[] {
    const [a, b] = this.picked;
    const [one, two] = [a, b].map((p) => p && findNode(this.shaping.artwork, p.nodeId));
    if (this.picked.length !== 2 || one?.node.kind !== 'piece' || two?.node.kind !== 'piece') return [];
    if (!isEnd(one.node, a) || !isEnd(two.node, b)) return [];
    const back = inverse(one.map);
    if (!back) return [];
    const told = 'two ends joined';
    if (a.nodeId === b.nodeId) {
      const other = a.contour === b.contour ? null : one.node.contours[b.contour];
      const piece = withJoined(one.node, a, other, b.index);
      return [{ kind: 'put-pieces', pieces: [{ piece, above: null }], gone: [], told }];
    }
    const other = mapContour(back, mapContour(two.map, two.node.contours[b.contour]));
    const pieces = [withJoined(one.node, a, other, b.index)];
    const left = two.node.contours.filter((_, k) => k !== b.contour);
    if (left.length) pieces.push(withContours(two.node, left));
    const gone = left.length ? [] : [b.nodeId];
    return [{ kind: 'put-pieces', pieces: pieces.map((piece) => ({ piece, above: null })), gone, told }];
  }

  /** Points of several pieces level, upright or in line with one another on the sheet. */
  private aligned(how: 'level' | 'upright' | 'line'): Edit[] {
    const to = alignedPlaces(
      this.picked.map((p) => this.placeOf(p)),
      how,
    );
    return this.edits(`${this.words} made ${how === 'line' ? 'one line' : how}`, (piece, points, map) => {
      const back = inverse(map);
      if (!back) return piece;
      const placeFor = (at: PointAt) => mapPoint(back, to[this.picked.indexOf(at as Picked)]);
      return points.reduce((p, at) => withPointsMoved(p, [at], () => placeFor(at)), piece);
    });
  }

  /** Picks all corners of a piece that turn as much as the one that is picked. */
  pickAlike(): void {
    const [first] = this.picked;
    const node = first && findNode(this.shaping.artwork, first.nodeId)?.node;
    if (node?.kind === 'piece') this.picked = cornersLike(node, first).map((at) => ({ ...at, nodeId: node.id }));
  }

  draw({ what, point, shift, zoom }: DrawGesture): void {
    if (what === 'down') this.down(point, shift, zoom);
    else if (what === 'drag') this.drag(point, shift, zoom);
    else if (what === 'up') this.up();
  }

  private pointNear(point: Point, reach: number): Picked[] {
    let [found, least] = [[] as Picked[], reach];
    for (const { node, map } of this.pieces)
      for (const at of pointsOf(node)) {
        const p = mapPoint(map, pointOfContour(node.contours[at.contour], at.index));
        const off = Math.hypot(p[0] - point[0], p[1] - point[1]);
        if (off < least - SAME_PX) [found, least] = [[{ ...at, nodeId: node.id }], off];
        else if (Math.abs(off - least) <= SAME_PX && off < reach) found.push({ ...at, nodeId: node.id });
      }
    return found;
  }

  private down(point: Point, shift: boolean, zoom: number): void {
    const now = performance.now();
    const isDouble =
      now - this.last.when < DOUBLE_MS && Math.hypot(point[0] - this.last.at[0], point[1] - this.last.at[1]) * zoom < 4;
    this.last = { at: point, when: now };
    const reach = GRAB_PX / zoom;
    for (const at of this.picked) {
      const node = findNode(this.shaping.artwork, at.nodeId)?.node;
      if (node?.kind !== 'piece') continue;
      const handles = handlesAt(node, at);
      for (const which of ['into', 'out'] as const) {
        const h = handles[which];
        const place = h && mapPoint(this.mapOf(at.nodeId), h);
        if (place && Math.hypot(place[0] - point[0], place[1] - point[1]) <= reach) {
          this.grip = { kind: 'handle', at, which, from: point, moved: false };
          return;
        }
      }
    }
    const near = this.pointNear(point, reach);
    if (near.length) {
      const isPicked = near.some((p) => this.picked.some((q) => same(p, q)));
      if (shift)
        this.picked = isPicked ? this.picked.filter((q) => !near.some((p) => same(p, q))) : [...this.picked, ...near];
      else if (!isPicked) this.picked = near;
      this.grip = { kind: 'point', at: near[0], from: this.placeOf(near[0]), moved: false };
      this.targets = snapTargets(
        this.shaping.artwork,
        [...new Set(this.picked.map((p) => p.nodeId))],
        this.shaping.more(),
      );
      return;
    }
    if (isDouble && this.add(point, reach)) return;
    this.grip = { kind: 'box', from: point, adds: shift ? this.picked : [] };
  }

  /** Adds a point to the outline near by, which stays as it is; false where there is none. */
  private add(point: Point, reach: number): boolean {
    for (const { node, map } of [...this.pieces].reverse()) {
      const back = inverse(map);
      if (!back) continue;
      const own = mapPoint(back, point);
      for (const [contour, c] of node.contours.entries()) {
        const place = nearestPlace(c, own);
        if (!place || place.t <= 0 || place.t >= 1) continue;
        const at = mapPoint(map, place.point);
        if (Math.hypot(at[0] - point[0], at[1] - point[1]) > reach) continue;
        const piece = withNewPoint(node, contour, place.segment, place.t);
        this.shaping.edit([{ kind: 'put-pieces', pieces: [{ piece, above: null }], gone: [], told: 'a point added' }]);
        this.picked = [{ nodeId: node.id, contour, index: place.segment + 1 }];
        return true;
      }
    }
    return false;
  }

  private drag(point: Point, shift: boolean, zoom: number): void {
    const { grip } = this;
    if (!grip) return;
    const [fx, fy] = grip.from;
    if (grip.kind === 'box') {
      this.boxing = {
        x: Math.min(fx, point[0]),
        y: Math.min(fy, point[1]),
        width: Math.abs(point[0] - fx),
        height: Math.abs(point[1] - fy),
      };
      return;
    }
    grip.moved ||= Math.hypot(point[0] - fx, point[1] - fy) * zoom > DRAG_PX;
    if (!grip.moved) return;
    if (grip.kind === 'handle') {
      const told = 'a handle moved';
      const { nodeId } = grip.at;
      const placed = findNode(this.shaping.artwork, nodeId);
      const back = placed && inverse(placed.map);
      if (!back || placed.node.kind !== 'piece') return;
      // With Shift a handle turns by itself.
      const piece = withHandleAt(placed.node, grip.at, grip.which, mapPoint(back, point), shift);
      this.side = point;
      const pieces = this.withOtherHalf([piece]).map((p) => ({ piece: p, above: null }));
      this.shaping.line.tried = { kind: 'put-pieces', pieces, gone: [], told };
      return;
    }
    let to = point;
    if (shift) to = Math.abs(point[0] - fx) > Math.abs(point[1] - fy) ? [point[0], fy] : [fx, point[1]];
    const on = this.targets ? snapped(to, this.targets, SNAP_PX / zoom) : { at: to, told: null };
    this.snap = on.told ? { at: on.at, told: on.told } : null;
    const [dx, dy] = [on.at[0] - fx, on.at[1] - fy];
    this.side = on.at;
    const edits = this.edits(`${this.words} moved`, (piece, points, map) => {
      const back = inverse(map);
      if (!back) return piece;
      return withPointsMoved(piece, points, (p) => {
        const [x, y] = mapPoint(map, p);
        return mapPoint(back, [x + dx, y + dy]);
      });
    });
    this.shaping.line.tried = edits;
  }

  private up(): void {
    const { grip, boxing } = this;
    this.grip = null;
    this.boxing = null;
    this.snap = null;
    if (!grip) return;
    if (grip.kind === 'box') {
      if (!boxing) {
        this.picked = grip.adds;
        return;
      }
      const inside = this.pieces.flatMap(({ node, map }) =>
        pointsOf(node)
          .filter((at) => {
            const [x, y] = mapPoint(map, pointOfContour(node.contours[at.contour], at.index));
            return x >= boxing.x && x <= boxing.x + boxing.width && y >= boxing.y && y <= boxing.y + boxing.height;
          })
          .map((at) => ({ ...at, nodeId: node.id })),
      );
      this.picked = [...grip.adds, ...inside];
      return;
    }
    const { tried } = this.shaping.line;
    if (tried) {
      this.shaping.edit([tried].flat() as Edit[]);
      // Outlines of which one half follows the other have their points numbered anew.
      if (this.axis() && this.side && grip.kind === 'point') this.repick(this.side);
    }
    this.side = null;
  }

  /** Leaves the gesture, the points that are picked, or the points; false where there was nothing to leave. */
  escape(): boolean {
    if (!this.on) return false;
    if (this.grip) {
      this.grip = null;
      this.boxing = this.snap = null;
      this.shaping.tryNothing();
    } else if (this.picked.length) this.picked = [];
    else this.toggle();
    return true;
  }
}
