import { contains, tightBox, type Point } from '$core/path';
import { partOf, snappedMove, type DrawnLockup, type DrawnPart, type LetterPoint, type SnapLine } from '$core/lockup';
import { findNode, nodesAt, type Piece } from '$core/vector';
import { notices } from '../notices.svelte';
import type { DrawGesture } from '../sheet/view';
import type { Arranging } from './arranging.svelte';

/** How near, in pixels of the screen, a part is drawn to what it may lie on. */
const SNAP_PX = 7;

/** What presses and drags on the sheet do: parts chosen, moved and made larger, points of a letter moved, nodes of the mark picked. */
export class Handling {
  snapLines = $state.raw<readonly SnapLine[]>([]);
  /** What the next press on the mark chooses: what a text passes behind, a path that it stands on, or nothing. */
  picking = $state<'behind' | 'path' | null>(null);
  private drag: { from: Point; ids: readonly string[]; base: DrawnLockup; moved: boolean } | null = null;
  private point: LetterPoint | null = null;
  private corner: { about: Point; from: Point; ids: readonly string[] } | null = null;

  constructor(private readonly on: Arranging) {}

  /** Whether a gesture is under way that moves something. */
  get isMoving(): boolean {
    return this.drag !== null || this.corner !== null || this.point !== null;
  }

  /** The part under a place, the topmost first. */
  private partAt(p: Point, reach: number): string | null {
    const all = [...(this.on.drawn?.parts ?? [])].reverse();
    const isIn = ({ box }: DrawnPart): boolean =>
      p[0] >= box.x - reach && p[0] <= box.x + box.width + reach && p[1] >= box.y - reach && p[1] <= box.y + box.height + reach; // prettier-ignore
    const exact = all.find((d) => isIn(d) && contains(d.outlines, p));
    const near = all.find((d) => d.text && d.text.baselines.length && isIn(d));
    return (exact ?? near ?? all.find((d) => !d.text && partOf(this.on.lockup, d.id)?.kind === 'mark' && isIn(d)))?.id ?? null; // prettier-ignore
  }

  /** A press or drag on the sheet, in the lockup's coordinates. */
  gesture({ what, point, shift, zoom }: DrawGesture): void {
    const p: Point = [point[0] + this.on.paper.x, point[1] + this.on.paper.y];
    if (what === 'down') return this.down(p, shift, zoom);
    if (what === 'drag' && this.point) return this.on.kerning.movePoint(this.point, p);
    if (what === 'drag' && this.corner) return this.scaleTo(p);
    if (what === 'drag' && this.drag) {
      const { from, ids, base } = this.drag;
      const [dx, dy] = [p[0] - from[0], p[1] - from[1]];
      if (!this.drag.moved && Math.hypot(dx, dy) * zoom < 3) return;
      this.drag.moved = true;
      const snap = shift ? { dx, dy, lines: [] } : snappedMove(base, ids, dx, dy, SNAP_PX / zoom);
      this.snapLines = snap.lines;
      this.on.line.tried = { kind: 'move-parts', ids: [...ids], dx: snap.dx, dy: snap.dy };
    }
    if (what === 'up') {
      const { drag, corner, point } = this;
      this.drag = this.corner = this.point = null;
      this.snapLines = [];
      if ((drag?.moved || corner || point) && this.on.line.tried) this.on.keepTried();
    }
  }

  private down(p: Point, shift: boolean, zoom: number): void {
    this.on.keepTried();
    if (this.picking) return this.pick(p);
    this.point = this.on.kerning.pointNear(p, 8 / zoom);
    if (this.point) return;
    const handle =
      this.on.part && this.on.part.kind !== 'frame' && this.on.act !== 'letters'
        ? this.on.drawnPart(this.on.part.id)
        : null;
    if (handle && this.on.part && this.on.part.kind !== 'frame') {
      const { box } = handle;
      const corners: readonly (readonly [Point, Point])[] = [
        [[box.x, box.y], [box.x + box.width, box.y + box.height]],
        [[box.x + box.width, box.y], [box.x, box.y + box.height]],
        [[box.x, box.y + box.height], [box.x + box.width, box.y]],
        [[box.x + box.width, box.y + box.height], [box.x, box.y]],
      ]; // prettier-ignore
      const hit = corners.find(([c]) => Math.hypot(c[0] - p[0], c[1] - p[1]) * zoom < 9);
      if (hit) {
        this.corner = { about: hit[1], from: p, ids: [this.on.part.id] };
        return;
      }
    }
    if (this.on.act === 'kern' && this.on.text)
      this.on.kerning.pair = this.on.kerning.pairAt(p) ?? this.on.kerning.pair;
    const id = this.partAt(p, 4 / zoom);
    if (!id) return this.on.choose([]);
    const was = this.on.chosen;
    if (shift) this.on.choose(was.includes(id) ? was.filter((c) => c !== id) : [...was, id]);
    else if (!was.includes(id)) this.on.choose([id]);
    if (this.on.drawn) this.drag = { from: p, ids: this.on.movable(this.on.chosen), base: this.withAxes(this.on.drawn), moved: false }; // prettier-ignore
  }

  /** The lockup as it is drawn, with the axes of its marks to be drawn to. */
  private withAxes(drawn: DrawnLockup): DrawnLockup {
    const parts = drawn.parts.map((p): DrawnPart => {
      const mark = partOf(this.on.lockup, p.id);
      const own = mark?.kind === 'mark' && !mark.turnDeg ? this.on.axes[mark.stepId] : undefined;
      return own?.length && mark?.kind === 'mark' ? { ...p, axes: own.map(({ at, told }) => ({ at: mark.x + mark.scale * at, told })) } : p; // prettier-ignore
    });
    return { ...drawn, parts };
  }

  private scaleTo(p: Point): void {
    const { about, from, ids } = this.corner!;
    const [was, is] = [from, p].map((q) => Math.hypot(q[0] - about[0], q[1] - about[1]));
    const by = Math.max(0.02, Math.min(50, is / Math.max(was, 1e-6)));
    this.on.line.tried = { kind: 'move-parts', ids: [...ids], dx: 0, dy: 0, scale: { by, x: about[0], y: about[1] } };
  }

  private pick(p: Point): void {
    const { mark, text } = this.on;
    const artwork = mark && this.on.artworks[mark.stepId];
    if (!mark || !text || !artwork) return;
    const own: Point = [(p[0] - mark.x) / mark.scale, (p[1] - mark.y) / mark.scale];
    const id = nodesAt(artwork, own).find((n) => findNode(artwork, n)?.node.kind === 'piece');
    if (!id) return notices.tell('Nothing of the mark lies there: press one of its pieces', { id: 'pick' });
    if (this.picking === 'behind') {
      const nodes = text.behind?.nodes ?? [];
      const next = nodes.includes(id) ? nodes.filter((n) => n !== id) : [...nodes, id];
      this.on.set(text.id, { behind: next.length ? { markId: mark.id, nodes: next } : null });
    } else {
      const piece = findNode(artwork, id)!.node as Piece;
      // The longest of its outlines.
      const sizes = piece.contours.map((c) => tightBox([c])).map((box) => (box ? box.width + box.height : 0));
      const contour = sizes.indexOf(Math.max(...sizes));
      this.on.set(text.id, { follows: { kind: 'path', markId: mark.id, nodeId: id, contour, at: 0.25 } });
    }
    this.picking = null;
  }
}
