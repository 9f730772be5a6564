// Sets here are looked things up in, and never shown.
/* eslint-disable svelte/prefer-svelte-reactivity */
import { onDestroy } from 'svelte';
import { scaleAbout, shareAt, turnAbout, type Affine, type Box, type Point } from '$core/path';
import {
  aligned,
  boxOfNode,
  findNode,
  inStack,
  movedOnSheet,
  nodesAlike,
  nodesAt,
  nodesIn,
  nodesLeft,
  nodesOfInk,
  placedNodes,
  allPieces,
  inksOfPiece,
  restacked,
  snapped,
  snappedBox,
  snapTargets,
  specksOf,
  spread,
  unionOf,
  type Artwork,
  type Edit,
  type NearlyLine,
  type Piece,
  type Side,
  type SnapMore,
  type SnapTargets,
} from '$core/vector';
import { curveWorker, nearlyWorker, shapingWorker } from '$lib/workers/client';
import type { CurvePoint, ShapesMade } from '$lib/workers/messages';
import { notices } from '../notices.svelte';
import type { DrawGesture } from '../sheet/view';
import type { lineOf } from '../work/line.svelte';
import { handlesOf, type Handle } from './handles';

/** Acts that are done at once, and those that open a form. */
export type ActName =
  | 'unite'
  | 'subtract'
  | 'intersect'
  | 'cut-apart'
  | 'offset'
  | 'border'
  | 'thin-out'
  | 'fill-holes'
  | 'mirror'
  | 'align'
  | 'choose'
  | 'trim-hidden'
  | 'line';

/** What one can do, with the keys. */
export const ACTS: readonly { readonly name: ActName; readonly label: string; readonly press: string }[] = [
  { name: 'unite', label: 'Unite', press: 'u' },
  { name: 'subtract', label: 'Subtract', press: 's' },
  { name: 'intersect', label: 'Intersect', press: 'i' },
  { name: 'cut-apart', label: 'Cut apart', press: 'k' },
  { name: 'offset', label: 'Offset', press: 'o' },
  { name: 'border', label: 'Border', press: 'b' },
  { name: 'mirror', label: 'Mirror', press: 'm' },
  { name: 'align', label: 'Line up', press: 'l' },
  { name: 'thin-out', label: 'Thin out', press: 't' },
  { name: 'fill-holes', label: 'Fill holes', press: 'h' },
  { name: 'choose', label: 'Choose', press: 'c' },
  { name: 'trim-hidden', label: 'Trim hidden', press: 'x' },
  { name: 'line', label: 'Line', press: 'y' },
];

/** How long a drawing is left in peace before it is looked at, and how long a control before its effect is worked out. */
const LOOK_AFTER_MS = 350;

/** How near a press must be to a handle, and how far a drag must go to be one, in pixels of the screen. */
const GRAB_PX = 8;
const DRAG_PX = 3;

/** How near a side or middle draws a box that is dragged, in pixels of the screen. */
const SNAP_PX = 6;

/** Pieces smaller than this are offered as specks, as a share of the sheet's longer side squared. */
const SPECK_SHARE = 1 / 256;

type Line = ReturnType<typeof lineOf>;

type Gesture =
  | {
      readonly kind: 'move';
      readonly from: Point;
      readonly again: readonly string[];
      readonly toggles: string | null;
      moved: boolean;
    }
  | { readonly kind: 'box'; readonly from: Point; readonly adds: readonly string[] }
  | { readonly kind: 'handle'; readonly handle: Handle; readonly from: Point; readonly box: Box }
  | { readonly kind: 'about' };

/** What happens on the screen of shapes: what is chosen, the gesture under way, the act whose form is open, and what was found. */
export class Shaping {
  chosen = $state.raw<readonly string[]>([]);
  act = $state<ActName | null>(null);
  /** The point about which what is chosen is scaled, turned and mirrored; null while none was chosen. */
  about = $state.raw<Point | null>(null);
  /** The box that is being drawn to choose what lies in it. */
  boxing = $state.raw<Box | null>(null);
  nearly = $state.raw<readonly NearlyLine[]>([]);
  looking = $state(true);
  /** Places of a line that is pointed at. */
  shown = $state.raw<NearlyLine | null>(null);
  /** What the last act did, or the one being tried would do. */
  made = $state.raw<ShapesMade | null>(null);
  /** Whether an act is being worked out. */
  busy = $state(false);
  /** Whether what is being worked out is made then, and not only shown; and what is to be made after that. */
  private making = false;
  private after: (() => void)[] = [];
  /** Whether what the open form says is to be done as soon as it is worked out: it was pressed before that. */
  doing = $state(false);
  offset = $state({ byPx: 4, join: 'round' as 'round' | 'mitre' | 'bevel' });
  border = $state({ byPx: 8, join: 'round' as 'round' | 'mitre' | 'bevel', inkId: '' });
  thin = $state({ tolerancePx: 0.1 });
  /** Of a line along outlines: its width in px, and the shares of it, in percent, at its start, its middle and its end. */
  stroke = $state({ widthPx: 8, start: 100, middle: 100, end: 100, cap: 'round' as 'butt' | 'round' | 'square', join: 'round' as 'mitre' | 'round' | 'bevel', inkId: '' }); // prettier-ignore
  /** How many points do within how much; null while it is being found. */
  curve = $state.raw<readonly CurvePoint[] | null>(null);
  lineUpBy = $state<'outline' | 'optical'>('outline');

  /** What a box that is dragged lies on, and where. */
  snap = $state.raw<{ at: Point; told: string } | null>(null);

  /** What else places are drawn to: the construction and the picture, while they show. */
  more: () => SnapMore = () => ({});

  private gesture: Gesture | null = null;
  private targets: SnapTargets | null = null;
  private startBox: Box | null = null;
  private readonly shaper = shapingWorker();
  private readonly looker = nearlyWorker();
  private readonly curver = curveWorker();
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly lineNow: () => Line) {
    onDestroy(() => {
      clearTimeout(this.timer);
      this.shaper.close();
      this.looker.close();
      this.curver.close();
      this.lineNow().tried = null;
    });
  }

  get line(): Line {
    return this.lineNow();
  }
  get artwork(): Artwork {
    return this.line.kept;
  }
  /** What acts are done to: what is chosen, or else everything. */
  get nodes(): readonly string[] | 'all' {
    return this.chosen.length ? this.chosen : 'all';
  }
  /** The box about what is chosen, as it is shown. */
  get box(): Box | null {
    const { drawing } = this.line;
    return unionOf(this.chosen.map((k) => boxOfNode(drawing, k)).filter((b) => b !== null));
  }

  /** Where that point is shown: in the middle, until another was chosen. */
  get pivot(): Point | null {
    const { box, about } = this;
    return box && (about ?? [box.x + box.width / 2, box.y + box.height / 2]);
  }

  /** Looks again at what the artwork nearly is, a moment after it stopped changing. */
  look(): void {
    clearTimeout(this.timer);
    // Where nothing is drawn yet, nothing is nearly anything.
    this.looking = this.artwork.nodes.length > 0;
    if (!this.looking) {
      this.nearly = [];
      return;
    }
    this.timer = setTimeout(() => {
      const { artwork } = this;
      this.looker.ask(
        { want: 'nearly', artwork: $state.snapshot(artwork) as Artwork, nodes: this.nodes },
        {
          onCoarse: (found) => (this.nearly = found),
          onResult: (found) => {
            this.nearly = found;
            this.looking = false;
          },
          onError: (message) => {
            this.looking = false;
            notices.tell(message, { id: 'nearly' });
          },
        },
      );
    }, LOOK_AFTER_MS);
  }

  /** Nodes that are gone are chosen no longer. */
  prune(): void {
    const left = this.chosen.filter((k) => findNode(this.artwork, k));
    if (left.length !== this.chosen.length) this.chosen = left;
  }

  choose(ids: readonly string[]): void {
    this.chosen = [...new Set(ids)];
    this.about = null;
    this.lookAnew();
    this.preview();
  }

  /** Nothing is known yet of what the open form would do to what is chosen now. */
  private lookAnew(): void {
    this.made = null;
    this.tryNothing();
    if (this.act === 'thin-out') this.lookForCurve();
  }

  toggle(id: string): void {
    this.choose(this.chosen.includes(id) ? this.chosen.filter((k) => k !== id) : [...this.chosen, id]);
  }

  chooseBy(how: 'ink' | 'alike' | 'left' | 'all' | 'specks'): void {
    const { artwork, chosen } = this;
    if (how === 'left') return this.choose(nodesLeft(artwork, chosen));
    if (how === 'all') return this.choose(nodesLeft(artwork, []));
    if (how === 'alike') return this.choose(nodesAlike(artwork, chosen));
    if (how === 'specks')
      return this.choose(specksOf(artwork, (SPECK_SHARE * Math.max(artwork.widthPx, artwork.heightPx)) ** 2));
    const inks = new Set(
      allPieces(artwork)
        .filter((p) => chosen.includes(p.id))
        .flatMap(inksOfPiece),
    );
    this.choose([...inks].flatMap((inkId) => nodesOfInk(artwork, inkId)));
  }

  /** Shows what is hidden, and hides what is shown. */
  swapHidden(): void {
    const { nodes } = this.artwork;
    const [hidden, shown] = [nodes.filter((n) => n.hidden), nodes.filter((n) => !n.hidden)];
    const edit = (list: typeof nodes, isHidden: boolean): Edit[] =>
      list.length ? [{ kind: 'node-hidden', nodeIds: list.map((n) => n.id), hidden: isHidden }] : [];
    this.edit([...edit(hidden, false), ...edit(shown, true)]);
  }

  /** Makes quick edits at once. */
  edit(edits: readonly Edit[]): void {
    this.tryNothing();
    if (edits.length) this.line.edit(...edits);
  }

  /**
   * Works edits out in the worker, and then makes them, or only shows them. What is being made is not overtaken: what comes meanwhile is made after it, or
   * shown then.
   */
  work(edits: readonly Edit[], how: 'make' | 'try', then?: (made: ShapesMade) => void): void {
    if (this.making) {
      if (how === 'make') this.after.push(() => this.work(edits, how, then));
      return;
    }
    const { act } = this;
    this.busy = true;
    this.making = how === 'make';
    this.shaper.ask(
      { want: 'edits', artwork: $state.snapshot(this.artwork) as Artwork, edits },
      {
        onResult: (made) => {
          this.busy = this.making = false;
          // The form that wanted to show it was left meanwhile.
          if (how === 'try' && this.act !== act) return;
          this.made = made;
          if (how === 'try') {
            this.line.tried = made.put;
            if (this.doing) this.apply();
            return;
          }
          this.line.tried = null;
          if (made.put) this.line.edit(made.put);
          else notices.tell('Nothing had to be changed', { id: 'shapes' });
          then?.(made);
          this.goOn();
        },
        onError: (message) => {
          this.busy = this.making = this.doing = false;
          this.line.tried = null;
          notices.tell(`That cannot be done: ${message}`, { id: 'shapes' });
          if (how === 'make') this.goOn();
        },
      },
    );
  }

  /** What came while something was being made, or else what the open form would do now. */
  private goOn(): void {
    const next = this.after.shift();
    if (next) next();
    else if (this.act && !this.line.tried) this.preview();
  }

  tryNothing(): void {
    this.line.tried = null;
    this.doing = false;
  }

  /** Does an act, or opens its form. */
  toggleAct(name: ActName): void {
    if (name === 'unite' || name === 'subtract' || name === 'intersect' || name === 'cut-apart') {
      if (this.chosen.length < 2) return notices.tell('Choose two pieces or more first', { id: 'shapes' });
      // From the bottom of the stack to its top, as one sees them; what is taken away is what lies above.
      const order = inStack(this.artwork, this.chosen);
      return this.work([{ kind: name, nodes: order }], 'make', () => {
        if (name !== 'cut-apart') this.chosen = order.slice(0, 1);
      });
    }
    if (name === 'fill-holes' || name === 'trim-hidden')
      return this.work([{ kind: name, nodes: this.nodes === 'all' ? 'all' : [...this.nodes] }], 'make');
    this.act = this.act === name ? null : name;
    this.lookAnew();
    if (this.act === 'line') this.readStroke();
    else if (this.act) this.preview();
  }

  /** Finds how many points do within how much. */
  private lookForCurve(): void {
    this.curve = null;
    this.curver.ask(
      { want: 'curve', artwork: $state.snapshot(this.artwork) as Artwork, nodes: this.nodes },
      {
        onCoarse: (curve) => (this.curve = curve),
        onResult: (curve) => (this.curve = curve),
        onError: () => (this.curve = []),
      },
    );
  }

  /** The pieces that are chosen, those in groups too. */
  get pieces(): Piece[] {
    const { artwork, chosen } = this;
    return [...placedNodes(artwork.nodes)].flatMap(({ node, within }) =>
      node.kind === 'piece' && (chosen.includes(node.id) || within.some((g) => chosen.includes(g.id))) ? [node] : [],
    );
  }

  /** Begins the form of a line with that of what is chosen. */
  private readStroke(): void {
    const own = this.pieces.find((p) => p.stroke)?.stroke;
    if (!own) return;
    const share = (at: number) => Math.round(100 * (own.profile?.length ? shareAt(own.profile, at) : 1));
    const { widthPx, cap, join, inkId } = own;
    this.stroke = { widthPx, cap, join, inkId, start: share(0), middle: share(0.5), end: share(1) };
  }

  /** The line that the form says, along what is chosen; null takes it away. */
  private strokeEdits(isThere: boolean): Edit[] {
    const pieces = this.pieces.filter((p) => isThere || (p.stroke && p.inkId !== null));
    if (!pieces.length) return [];
    const { widthPx, cap, join, start, middle, end } = this.stroke;
    const inkId = this.artwork.inks.some((i) => i.id === this.stroke.inkId)
      ? this.stroke.inkId
      : (this.artwork.inks[0]?.id ?? '');
    const isEven = start === 100 && middle === 100 && end === 100;
    const profile = isEven
      ? {}
      : { profile: [start, middle, end].map((share, k) => ({ at: k / 2, share: share / 100 })) };
    const stroke = isThere ? { inkId, widthPx, cap, join, mitreLimit: 4, ...profile } : null;
    return [{ kind: 'piece-stroke', nodeIds: pieces.map((p) => p.id), stroke }];
  }

  /** Shows, or makes, the line that the form says. */
  alongChosen(how: 'try' | 'make'): void {
    const edits = this.strokeEdits(true);
    if (how === 'try') this.line.tried = edits.length ? edits : null;
    else if (edits.length) this.edit(edits);
    else notices.tell('Choose what is to have the line first', { id: 'shapes' });
  }

  /** Takes the line away from what is filled as well. */
  withoutLine(): void {
    this.edit(this.strokeEdits(false));
  }

  /** Makes areas of lines, of what is chosen or of all. */
  outlineLines(): void {
    this.work([{ kind: 'outline-strokes', nodes: this.nodes === 'all' ? 'all' : [...this.nodes] }], 'make');
  }

  /** What the open form would do, if it is one that changes shapes; null where it does nothing yet. */
  private formEdits(): Edit[] | null {
    const nodes = this.nodes === 'all' ? ('all' as const) : [...this.nodes];
    if (this.act === 'offset') return this.offset.byPx === 0 ? null : [{ kind: 'offset', nodes, ...this.offset }];
    if (this.act === 'thin-out') return [{ kind: 'economy', nodes, ...this.thin }];
    if (this.act === 'border') {
      const inkId = this.border.inkId || this.artwork.inks[0]?.id;
      if (!inkId || this.border.byPx <= 0) return null;
      const pieceId = `border-${crypto.randomUUID().slice(0, 8)}`;
      return [{ kind: 'border', nodes, ...this.border, inkId, pieceId }];
    }
    return null;
  }

  /** Shows what the open form would do. */
  preview(): void {
    const edits = this.formEdits();
    if (edits) this.work(edits, 'try');
    else this.tryNothing();
  }

  /** What is shown was worked out on an artwork that is another by now. */
  refresh(): void {
    if (!this.formEdits()) return;
    this.made = null;
    this.preview();
  }

  /** Does what the open form says, and shows already; what is still being worked out is done once it is. */
  apply(): void {
    if (!this.formEdits()) return;
    this.doing = this.busy;
    const put = this.busy ? null : this.made?.put;
    if (!put) return;
    this.edit([put]);
    this.act = null;
  }

  putRight(line: NearlyLine): void {
    this.shown = null;
    if (line.edit.kind === 'remove-nodes') this.edit([line.edit]);
    else this.work([line.edit], 'make');
  }

  mirror(axis: 0 | 1, copies = false): void {
    const { box, artwork, chosen } = this;
    const whole = box ?? { x: 0, y: 0, width: artwork.widthPx, height: artwork.heightPx };
    const [x, y] = this.about ?? [whole.x + whole.width / 2, whole.y + whole.height / 2];
    // Copies come about the middle of the sheet, where the other half belongs, until a point was chosen.
    const by: Affine =
      axis === 0
        ? [-1, 0, 0, 1, copies && !this.about ? artwork.widthPx : 2 * x, 0]
        : [1, 0, 0, -1, 0, copies && !this.about ? artwork.heightPx : 2 * y];
    const nodes = chosen.length ? chosen : artwork.nodes.map((n) => n.id);
    if (!copies) return this.edit(movedOnSheet(artwork, nodes, by));
    this.duplicate(by);
  }

  duplicate(by: Affine = [1, 0, 0, 1, 12, 12]): void {
    if (!this.chosen.length) return notices.tell('Choose what is to be duplicated first', { id: 'shapes' });
    const suffix = `-${crypto.randomUUID().slice(0, 6)}`;
    const moves = movedOnSheet(this.artwork, this.chosen, by);
    const edits = inStack(this.artwork, this.chosen).map((nodeId): Edit => {
      const own = moves.find((m) => m.kind === 'node-transform' && m.nodeIds.includes(nodeId));
      return {
        kind: 'duplicate-node',
        nodeId,
        suffix,
        ...(own?.kind === 'node-transform' ? { by: own.by } : {}),
      };
    });
    this.edit(edits);
    this.chosen = this.chosen.map((k) => k + suffix);
  }

  remove(): void {
    if (this.chosen.length) this.edit([{ kind: 'remove-nodes', nodeIds: [...this.chosen] }]);
    this.chosen = [];
  }

  move(dx: number, dy: number): void {
    this.edit(movedOnSheet(this.artwork, this.chosen, [1, 0, 0, 1, dx, dy]));
  }

  lineUp(side: Side): void {
    this.edit(aligned(this.artwork, this.chosen, side, this.lineUpBy));
  }

  spread(axis: 0 | 1): void {
    if (this.chosen.length < 3) return notices.tell('Choose three pieces or more first', { id: 'shapes' });
    this.edit(spread(this.artwork, this.chosen, axis, this.lineUpBy));
  }

  restack(to: 'forward' | 'back' | 'top' | 'bottom'): void {
    this.edit(restacked(this.artwork, this.chosen, to));
  }

  group(): void {
    if (this.chosen.length < 2) return notices.tell('Choose two pieces or more first', { id: 'shapes' });
    const groupId = `group-${crypto.randomUUID().slice(0, 8)}`;
    this.edit([{ kind: 'group-nodes', nodeIds: inStack(this.artwork, this.chosen), groupId }]);
    this.chosen = [groupId];
  }

  ungroup(): void {
    const groups = this.chosen.flatMap((k) => {
      const node = findNode(this.artwork, k)?.node;
      return node?.kind === 'group' ? [node] : [];
    });
    this.edit(groups.map((g) => ({ kind: 'ungroup', groupId: g.id })));
    if (groups.length) this.chosen = groups.flatMap((g) => g.nodes.map((n) => n.id));
  }

  /** Puts what is chosen where a box says, in px of the sheet, or turns it by degrees about its middle. */
  place(what: 'x' | 'y' | 'width' | 'height' | 'turn', value: number): void {
    const { box } = this;
    if (!box) return;
    const pivot = this.about ?? ([box.x + box.width / 2, box.y + box.height / 2] as const);
    const by: Affine | null =
      what === 'x'
        ? [1, 0, 0, 1, value - box.x, 0]
        : what === 'y'
          ? [1, 0, 0, 1, 0, value - box.y]
          : what === 'turn'
            ? turnAbout(pivot, (value * Math.PI) / 180)
            : value > 0 && box[what] > 0
              ? scaleAbout(this.about ?? [box.x, box.y], value / box[what], value / box[what])
              : null;
    if (by && by.some((x, k) => Math.abs(x - [1, 0, 0, 1, 0, 0][k]) > 1e-9))
      this.edit(movedOnSheet(this.artwork, this.chosen, by));
  }

  /** A gesture on the sheet. */
  draw({ what, point, shift, zoom }: DrawGesture): void {
    if (what === 'down') this.down(point, shift, zoom);
    else if (what === 'drag') this.drag(point, shift, zoom);
    else if (what === 'up') this.up();
  }

  private down(point: Point, shift: boolean, zoom: number): void {
    const { box, about } = this;
    // Before the handles: one that it lies on would do nothing about itself.
    if (box && about && Math.hypot(about[0] - point[0], about[1] - point[1]) <= GRAB_PX / zoom) {
      this.gesture = { kind: 'about' };
      this.targets = snapTargets(this.artwork, [], this.more());
      return;
    }
    const handle = box
      ? handlesOf(box, zoom).find((h) => Math.hypot(h.at[0] - point[0], h.at[1] - point[1]) <= GRAB_PX / zoom)
      : undefined;
    if (box && handle) {
      this.gesture = { kind: 'handle', handle, from: point, box };
      return;
    }
    const there = nodesAt(this.artwork, point);
    if (!there.length) {
      this.gesture = { kind: 'box', from: point, adds: shift ? this.chosen : [] };
      return;
    }
    const own = there.find((k) => this.chosen.includes(k));
    // With Shift what is chosen is let go where it is not dragged, and what is not is chosen as well.
    if (shift && !own) this.toggle(there[0]);
    else if (!own) this.choose(there.slice(0, 1));
    this.gesture = {
      kind: 'move',
      from: point,
      again: own && !shift ? there : [],
      toggles: shift && own ? own : null,
      moved: false,
    };
  }

  private drag(point: Point, shift: boolean, zoom: number): void {
    const { gesture } = this;
    if (!gesture) return;
    if (gesture.kind === 'about') {
      const on = this.targets ? snapped(point, this.targets, SNAP_PX / zoom) : { at: point, told: null };
      this.about = on.at;
      this.snap = on.told ? { at: on.at, told: on.told } : null;
      return;
    }
    const [fx, fy] = gesture.from;
    let [dx, dy] = [point[0] - fx, point[1] - fy];
    if (gesture.kind === 'box') {
      this.boxing = { x: Math.min(fx, point[0]), y: Math.min(fy, point[1]), width: Math.abs(dx), height: Math.abs(dy) };
      return;
    }
    if (gesture.kind === 'move') {
      if (!gesture.moved && Math.hypot(dx, dy) * zoom > DRAG_PX) {
        gesture.moved = true;
        this.startBox = this.box;
        this.targets = snapTargets(this.artwork, this.chosen, this.more());
      }
      if (!gesture.moved || !this.chosen.length) return;
      if (shift) [dx, dy] = Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
      const { startBox: box, targets } = this;
      if (box && targets) {
        const on = snappedBox({ ...box, x: box.x + dx, y: box.y + dy }, targets, SNAP_PX / zoom);
        // With Shift it goes one way alone.
        const by: Point = shift ? (dx === 0 ? [0, on.by[1]] : [on.by[0], 0]) : on.by;
        [dx, dy] = [dx + by[0], dy + by[1]];
        this.snap = on.told ? { at: [box.x + box.width + dx, box.y + dy], told: on.told } : null;
      }
      this.line.tried = movedOnSheet(this.artwork, this.chosen, [1, 0, 0, 1, dx, dy]);
      return;
    }
    const { handle, box, from } = gesture;
    this.line.tried = movedOnSheet(this.artwork, this.chosen, handle.map(box, from, point, shift, this.about));
  }

  private up(): void {
    const { gesture, boxing } = this;
    this.gesture = null;
    this.boxing = this.snap = null;
    if (!gesture || gesture.kind === 'about') return;
    if (gesture.kind === 'box') {
      this.choose(boxing ? [...gesture.adds, ...nodesIn(this.artwork, boxing)] : gesture.adds);
      return;
    }
    const tried = this.line.tried;
    if (tried) return this.edit([tried].flat() as Edit[]);
    if (gesture.kind !== 'move' || gesture.moved) return;
    if (gesture.toggles) this.toggle(gesture.toggles);
    // A press on what is chosen: what lies below it.
    else if (gesture.again.length > 1) {
      const at = gesture.again.findIndex((k) => this.chosen.includes(k));
      this.choose([gesture.again[(at + 1) % gesture.again.length]]);
    }
  }

  /** Leaves the gesture, the form, or what is chosen, whichever comes first. */
  escape(): void {
    if (this.gesture || this.boxing) {
      this.gesture = null;
      this.boxing = this.snap = null;
      this.tryNothing();
    } else if (this.act) this.toggleAct(this.act);
    else this.choose([]);
  }
}
