import { onDestroy } from 'svelte';
import { contains, inverse, mapPoint, tightBox, type Box, type Point } from '$core/path';
import {
  alignmentOf,
  casedAs,
  freePartId,
  gapsOf,
  letterPoints,
  marksOf,
  partOf,
  snappedMove,
  tidied,
  withLetterPoint,
  type Alignment,
  type DrawnLockup,
  type DrawnPart,
  type FrameShape,
  type Lockup,
  type LockupEdit,
  type LockupLine,
  type LetterPoint,
  type LockupPart,
  type MarkPart,
  type SnapLine,
  type TextPart,
} from '$core/lockup';
import { findNode, nodesAt, type Artwork, type Piece } from '$core/vector';
import type { LockupAnswer } from '$lib/contract/answers';
import { cuttingWorker, drawingWorker, layoutsWorker, lockupLookWorker } from '$lib/workers/client';
import type { LayoutShown, LetteringWant, LockupLook } from '$lib/workers/messages';
import { ask } from '../api';
import { notices } from '../notices.svelte';
import { reload } from '../reload';
import type { DrawGesture } from '../sheet/view';
import type { lockupLineOf } from '../work/line.svelte';

type Line = ReturnType<typeof lockupLineOf>;

export const ACTS = [
  { name: 'faces', label: 'Faces', press: 't' },
  { name: 'layouts', label: 'Layouts', press: 'l' },
  { name: 'stands', label: 'Stands on', press: 'o' },
  { name: 'kern', label: 'Kern by hand', press: 'k' },
  { name: 'alternates', label: 'Alternates', press: 'a' },
  { name: 'warp', label: 'Bend', press: 'b' },
  { name: 'dress', label: 'Dress', press: 'r' },
  { name: 'letters', label: 'Letters', press: 'i' },
  { name: 'align', label: 'Align', press: 'm' },
  { name: 'add', label: 'Add', press: 'n' },
] as const;
export type ActName = (typeof ACTS)[number]['name'];

/** A change that is tried out is kept after so much peace. */
const KEPT_AFTER_MS = 900;
/** How near, in pixels of the screen, a part is drawn to what it may lie on. */
const SNAP_PX = 7;
/** Room about the lockup on its paper, against the paper's longer side. */
const ROOM = 0.08;
/** What one press of a key kerns, in em. */
const KERN_EM = 0.005;

/** What is done on the lockup's screen: which parts are chosen, what is being tried out, the lockup as it is drawn, and what was noticed in it. */
export class Arranging {
  chosen = $state.raw<readonly string[]>([]);
  act = $state<ActName | null>(null);
  drawn = $state.raw<DrawnLockup | null>(null);
  /** With what is the ground's cut out, as it is judged and delivered. */
  cut = $state.raw<Artwork | null>(null);
  paper = $state.raw<Box>({ x: 0, y: 0, width: 800, height: 500 });
  noticed = $state.raw<readonly LockupLine[] | null>(null);
  snapLines = $state.raw<readonly SnapLine[]>([]);
  /** The letter after which one kerns, by its place among the text's letters. */
  pair = $state(0);
  /** What the next press on the mark chooses: what a text passes behind, a path that it stands on, or nothing. */
  picking = $state<'behind' | 'path' | null>(null);
  showsClear = $state(true);
  /** The place of the letter that is changed by itself. */
  letterAt = $state<number | null>(null);
  /** Characters that faces are to have which are offered. */
  having = $state('');
  /** Artworks by their step, those that came after the page too. */
  artworks = $state.raw<Readonly<Record<string, Artwork>>>({});

  private axes: LockupLook['axes'] = {};
  private readonly drawer = drawingWorker();
  private readonly cutter = cuttingWorker();
  private readonly looker = lockupLookWorker();
  private readonly arranger = layoutsWorker();
  /** Layouts of the mark and the name, and what they were made of. */
  laidOut = $state.raw<readonly LayoutShown[]>([]);
  private laidOutOf = '';
  private timer: ReturnType<typeof setTimeout> | null = null;
  private drag: { from: Point; ids: readonly string[]; base: DrawnLockup; moved: boolean; was: readonly string[] } | null = null; // prettier-ignore
  private point: LetterPoint | null = null;
  private corner: { about: Point; from: Point; ids: readonly string[] } | null = null;

  constructor(
    private readonly lineNow: () => Line,
    private readonly data: () => LockupAnswer,
    private readonly ground: () => string | null,
    private readonly clientName: () => string,
  ) {
    this.artworks = this.data().artworks;
    onDestroy(() => {
      this.keepTried();
      [this.drawer, this.cutter, this.looker, this.arranger].forEach((w) => w.close());
    });
  }

  get line(): Line {
    return this.lineNow();
  }
  readonly lockup = $derived.by((): Lockup => this.line.drawing);
  readonly parts = $derived.by((): readonly LockupPart[] => this.chosen.flatMap((id) => partOf(this.lockup, id) ?? []));
  /** The one part that is chosen; null where there are several, or none. */
  readonly part = $derived(this.parts.length === 1 ? this.parts[0] : null);
  readonly text = $derived(this.part?.kind === 'text' ? this.part : null);
  /** The text that acts on lettering are about: the one that is chosen, else the name. */
  readonly subject = $derived.by((): TextPart | null => {
    if (this.text) return this.text;
    const texts = this.lockup.parts.filter((p) => p.kind === 'text' && !p.hidden) as TextPart[];
    return texts.find((t) => t.role === 'name') ?? texts[0] ?? null;
  });
  readonly mark = $derived.by((): MarkPart | null => marksOf(this.lockup)[0] ?? null);
  readonly gaps = $derived.by((): readonly SnapLine[] =>
    this.drawn && this.part && !this.drag ? gapsOf(this.drawn, this.part.id) : [],
  );
  drawnPart(id: string): DrawnPart | null {
    return this.drawn?.parts.find((p) => p.id === id) ?? null;
  }

  /** Hears what the page's data brings. */
  hear(answer: LockupAnswer): void {
    this.artworks = { ...this.artworks, ...answer.artworks };
  }

  /** Draws the lockup as it is, what is tried out on top. */
  draw(): void {
    const lockup = this.lockup;
    const isSettled = this.line.tried === null;
    this.drawer.ask(
      { want: 'draw', lockup, artworks: this.artworks, ground: this.ground() ?? '#FFFFFF' },
      {
        onResult: (drawn) => {
          this.drawn = drawn;
          // While something is dragged its paper stays where it is.
          if (!this.drag && !this.corner && (isSettled || !this.paperHolds(drawn))) this.fitPaper(drawn);
        },
        onError: (m) => notices.tell(m, { id: 'lockup', grave: true }),
      },
    );
  }

  /** Looks at what is kept: judged with what is the ground's cut out. */
  look(): void {
    const { kept } = this.line;
    const { artworks } = this;
    this.looker.ask(
      { want: 'look', lockup: kept, artworks },
      {
        onResult: ({ lines, axes }) => {
          this.noticed = lines;
          this.axes = axes;
        },
        onError: (m) => notices.tell(m, { id: 'lockup' }),
      },
    );
    this.cutter.ask(
      { want: 'draw', lockup: kept, artworks, ground: 'cut' },
      { onResult: ({ artwork }) => (this.cut = artwork), onError: (m) => notices.tell(m, { id: 'lockup' }) },
    );
  }

  /** Makes layouts, unless those that there are were made of the same. */
  layouts(of: string, want: LetteringWant & { want: 'layouts' }): void {
    if (this.laidOutOf === of) return;
    this.laidOutOf = of;
    this.arranger.ask(want, {
      onResult: (all) => (this.laidOut = all),
      onError: (m) => notices.tell(m, { id: 'layouts' }),
    });
  }

  private fitPaper({ artwork, origin }: DrawnLockup): void {
    const room = ROOM * Math.max(artwork.widthPx, artwork.heightPx);
    this.paper = { x: origin[0] - room, y: origin[1] - room, width: artwork.widthPx + 2 * room, height: artwork.heightPx + 2 * room }; // prettier-ignore
  }
  private paperHolds({ artwork, origin }: DrawnLockup): boolean {
    const { x, y, width, height } = this.paper;
    return origin[0] >= x && origin[1] >= y && origin[0] + artwork.widthPx <= x + width && origin[1] + artwork.heightPx <= y + height; // prettier-ignore
  }

  // What is changed.

  edit(...edits: readonly LockupEdit[]): void {
    this.keepTried();
    if (edits.length) this.line.edit(...edits);
  }

  /** Changes fields of a part. */
  set(id: string, fields: Record<string, unknown>): void {
    this.dropTried(id, fields);
    this.line.edit({ kind: 'change-part', id, set: fields });
  }

  /** Shows a change of a part while a control moves; it is kept when that is left in peace. */
  try(id: string, fields: Record<string, unknown>): void {
    const tried = this.triedChange(id);
    this.line.tried = { kind: 'change-part', id, set: { ...tried, ...fields } };
    this.armed();
  }

  private armed(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => this.keepTried(), KEPT_AFTER_MS);
  }
  private triedChange(id: string): Record<string, unknown> {
    const tried = [this.line.tried ?? []].flat()[0] as LockupEdit | undefined;
    if (tried?.kind === 'change-part' && tried.id === id) return tried.set;
    this.keepTried();
    return {};
  }
  private dropTried(id: string, fields: Record<string, unknown>): void {
    const tried = [this.line.tried ?? []].flat()[0] as LockupEdit | undefined;
    const isSame = tried?.kind === 'change-part' && tried.id === id && Object.keys(tried.set).every((k) => k in fields);
    if (isSame) this.line.tried = null;
    else this.keepTried();
  }

  /** What is being tried out becomes a step. */
  keepTried(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    const { tried } = this.line;
    if (!tried || this.drag) return;
    this.line.edit(...[tried].flat());
  }

  /** Text as it was typed is kept; what was typed in haste is put right as a step of its own, which can be taken back. */
  typed(id: string, text: string): void {
    const part = partOf(this.line.kept, id);
    const tried = this.line.tried;
    this.line.tried = null;
    if (this.timer) clearTimeout(this.timer);
    if (part?.kind !== 'text') return;
    if (text !== part.text || tried) {
      const before = part.text;
      if (text !== before) this.line.edit({ kind: 'change-part', id, set: { text } });
    }
    // As the client writes its own name, and without what is typed in haste.
    const tidy = part.role === 'name' ? casedAs(tidied(text), this.clientName()) : tidied(text);
    if (tidy !== text) this.line.edit({ kind: 'change-part', id, set: { text: tidy } });
  }

  // Choosing and moving.

  toggleAct(name: ActName): void {
    this.keepTried();
    this.act = this.act === name ? null : name;
    this.picking = null;
  }
  choose(ids: readonly string[]): void {
    this.keepTried();
    if (ids[0] !== this.chosen[0]) this.letterAt = null;
    this.chosen = ids;
    this.picking = null;
    this.pair = 0;
  }
  next(by: number): void {
    const list = [...this.lockup.parts].reverse().filter((p) => !p.hidden);
    if (!list.length) return;
    const at = list.findIndex((p) => this.chosen.includes(p.id));
    this.choose([list[((at < 0 ? (by > 0 ? -1 : 0) : at) + by + list.length) % list.length].id]);
  }
  escape(): void {
    if (this.picking) this.picking = null;
    else if (this.act) this.act = null;
    else this.choose([]);
  }
  remove(): void {
    const { chosen } = this;
    if (!chosen.length) return;
    this.choose([]);
    this.edit({ kind: 'remove-parts', ids: [...chosen] });
  }
  restack(by: number): void {
    if (!this.part) return;
    const at = this.lockup.parts.indexOf(this.part);
    const to = Math.max(0, Math.min(this.lockup.parts.length - 1, at + by));
    if (to !== at) this.edit({ kind: 'order-part', id: this.part.id, to });
  }
  /** Moves what is chosen; frames move with what they go round. */
  move(dx: number, dy: number): void {
    const ids = this.movable(this.chosen);
    if (ids.length) this.edit({ kind: 'move-parts', ids, dx, dy });
  }
  align(how: Alignment): void {
    if (!this.drawn) return;
    const moves = alignmentOf(this.drawn, this.chosen, how);
    if (moves.length) this.edit(...moves.map(({ id, dx, dy }): LockupEdit => ({ kind: 'move-parts', ids: this.movable([id]), dx, dy }))); // prettier-ignore
  }

  /** The parts that move when some are moved: a frame is moved by what it goes round, with what stands on it. */
  private movable(ids: readonly string[]): string[] {
    const reached = (id: string): string[] => {
      const part = partOf(this.lockup, id);
      if (part?.kind === 'frame') return part.around.flatMap(reached);
      if (part?.kind === 'text' && part.follows?.kind === 'frame') return reached(part.follows.frameId);
      return part ? [id] : [];
    };
    return ids.flatMap(reached).filter((id, k, all) => all.indexOf(id) === k);
  }

  /** The part under a place, the topmost first. */
  private partAt(p: Point, reach: number): string | null {
    const all = [...(this.drawn?.parts ?? [])].reverse();
    const isIn = ({ box }: DrawnPart): boolean =>
      p[0] >= box.x - reach && p[0] <= box.x + box.width + reach && p[1] >= box.y - reach && p[1] <= box.y + box.height + reach; // prettier-ignore
    const exact = all.find((d) => isIn(d) && contains(d.outlines, p));
    const near = all.find((d) => d.text && d.text.baselines.length && isIn(d));
    return (exact ?? near ?? all.find((d) => !d.text && partOf(this.lockup, d.id)?.kind === 'mark' && isIn(d)))?.id ?? null; // prettier-ignore
  }

  /** A press or drag on the sheet, in the lockup's coordinates. */
  gesture({ what, point, shift, zoom }: DrawGesture): void {
    const p: Point = [point[0] + this.paper.x, point[1] + this.paper.y];
    if (what === 'down') return this.down(p, shift, zoom);
    if (what === 'drag' && this.point) return this.movePoint(p);
    if (what === 'drag' && this.corner) return this.scaleTo(p);
    if (what === 'drag' && this.drag) {
      const { from, ids, base } = this.drag;
      const [dx, dy] = [p[0] - from[0], p[1] - from[1]];
      if (!this.drag.moved && Math.hypot(dx, dy) * zoom < 3) return;
      this.drag.moved = true;
      const snap = shift ? { dx, dy, lines: [] } : snappedMove(base, ids, dx, dy, SNAP_PX / zoom);
      this.snapLines = snap.lines;
      this.line.tried = { kind: 'move-parts', ids: [...ids], dx: snap.dx, dy: snap.dy };
    }
    if (what === 'up') {
      const { drag, corner, point } = this;
      this.drag = this.corner = this.point = null;
      this.snapLines = [];
      if ((drag?.moved || corner || point) && this.line.tried) this.keepTried();
    }
  }

  private down(p: Point, shift: boolean, zoom: number): void {
    this.keepTried();
    if (this.picking) return this.pick(p);
    this.point = this.pointNear(p, 8 / zoom);
    if (this.point) return;
    const handle =
      this.part && this.part.kind !== 'frame' && this.act !== 'letters' ? this.drawnPart(this.part.id) : null;
    if (handle && this.part && this.part.kind !== 'frame') {
      const { box } = handle;
      const corners: readonly (readonly [Point, Point])[] = [
        [[box.x, box.y], [box.x + box.width, box.y + box.height]],
        [[box.x + box.width, box.y], [box.x, box.y + box.height]],
        [[box.x, box.y + box.height], [box.x + box.width, box.y]],
        [[box.x + box.width, box.y + box.height], [box.x, box.y]],
      ]; // prettier-ignore
      const hit = corners.find(([c]) => Math.hypot(c[0] - p[0], c[1] - p[1]) * zoom < 9);
      if (hit) {
        this.corner = { about: hit[1], from: p, ids: [this.part.id] };
        return;
      }
    }
    if (this.act === 'kern' && this.text) this.pair = this.pairAt(p) ?? this.pair;
    const id = this.partAt(p, 4 / zoom);
    if (!id) return this.choose([]);
    const was = this.chosen;
    if (shift) this.choose(was.includes(id) ? was.filter((c) => c !== id) : [...was, id]);
    else if (!was.includes(id)) this.choose([id]);
    if (this.drawn) this.drag = { from: p, ids: this.movable(this.chosen), base: this.withAxes(this.drawn), moved: false, was }; // prettier-ignore
  }

  /** The lockup as it is drawn, with the axes of its marks to be drawn to. */
  private withAxes(drawn: DrawnLockup): DrawnLockup {
    const parts = drawn.parts.map((p): DrawnPart => {
      const mark = partOf(this.lockup, p.id);
      const own = mark?.kind === 'mark' && !mark.turnDeg ? this.axes[mark.stepId] : undefined;
      return own?.length && mark?.kind === 'mark' ? { ...p, axes: own.map(({ at, told }) => ({ at: mark.x + mark.scale * at, told })) } : p; // prettier-ignore
    });
    return { ...drawn, parts };
  }

  private scaleTo(p: Point): void {
    const { about, from, ids } = this.corner!;
    const [was, is] = [from, p].map((q) => Math.hypot(q[0] - about[0], q[1] - about[1]));
    const by = Math.max(0.02, Math.min(50, is / Math.max(was, 1e-6)));
    this.line.tried = { kind: 'move-parts', ids: [...ids], dx: 0, dy: 0, scale: { by, x: about[0], y: about[1] } };
  }

  /** The letter whose outline is changed by hand, as it is drawn. */
  readonly ownLetter = $derived.by(() => {
    if (this.act !== 'letters' || this.letterAt === null) return null;
    if (this.subject?.instead?.[String(this.letterAt)]?.kind !== 'drawn') return null;
    return this.letters.find((l) => l.at === this.letterAt) ?? null;
  });
  private pointNear(p: Point, reach: number): LetterPoint | null {
    const { ownLetter } = this;
    if (!ownLetter) return null;
    const off = (q: LetterPoint): number => {
      const [x, y] = mapPoint(ownLetter.map, q.at);
      return Math.hypot(x - p[0], y - p[1]);
    };
    const near = letterPoints(ownLetter.outlines).filter((q) => off(q) <= reach);
    return near.length ? near.reduce((a, b) => (off(b) < off(a) ? b : a)) : null;
  }
  private movePoint(p: Point): void {
    const { ownLetter, point, subject } = this;
    const back = ownLetter && inverse(ownLetter.map);
    const kept = subject && (partOf(this.line.kept, subject.id) as TextPart).instead?.[String(this.letterAt)];
    if (!back || !point || !subject || kept?.kind !== 'drawn') return;
    const contours = withLetterPoint(kept.contours, point, mapPoint(back, p));
    this.line.tried = { kind: 'change-part', id: subject.id, set: { instead: { ...subject.instead, [String(this.letterAt)]: { kind: 'drawn', contours } } } }; // prettier-ignore
  }

  /** Makes what is chosen so many times as large, about its middle. */
  scale(by: number): void {
    const { part } = this;
    const own = part && part.kind !== 'frame' ? this.drawnPart(part.id) : null;
    if (!part || !own) return;
    const { body } = own;
    this.edit({ kind: 'move-parts', ids: [part.id], dx: 0, dy: 0, scale: { by, x: body.x + body.width / 2, y: body.y + body.height / 2 } }); // prettier-ignore
  }

  /** The letter before the gap that is nearest to a place. */
  private pairAt(p: Point): number | null {
    const letters = this.drawnPart(this.text?.id ?? '')?.text?.letters ?? [];
    let best: { k: number; off: number } | null = null;
    letters.slice(0, -1).forEach((l, k) => {
      const rad = (l.turnDeg * Math.PI) / 180;
      const gap: Point = [l.origin[0] + l.advance * Math.cos(rad), l.origin[1] + l.advance * Math.sin(rad)];
      const off = Math.hypot(gap[0] - p[0], gap[1] - p[1]);
      if (!best || off < best.off) best = { k, off };
    });
    return best ? (best as { k: number }).k : null;
  }

  // Kerning by hand.

  readonly letters = $derived.by(() => (this.subject && this.drawn ? (this.drawnPart(this.subject.id)?.text?.letters ?? []) : [])); // prettier-ignore
  nextPair(by: number): void {
    const most = this.letters.length - 1;
    if (most > 0) this.pair = (this.pair + by + most) % most;
  }
  /** What is added by hand after the marked letter, in em. */
  readonly kerned = $derived.by((): number => this.subject?.byHand?.[String(this.letters[this.pair]?.at)] ?? 0);
  kern(by: number): void {
    const letter = this.letters[this.pair];
    const { subject } = this;
    if (!letter || !subject) return;
    this.kernTo(Number((this.kerned + by * KERN_EM).toFixed(4)));
  }
  kernTo(value: number): void {
    const letter = this.letters[this.pair];
    const { subject } = this;
    if (!letter || !subject) return;
    const { [String(letter.at)]: _was, ...rest } = subject.byHand ?? {};
    const byHand = value === 0 ? rest : { ...rest, [String(letter.at)]: value };
    this.try(subject.id, { byHand: Object.keys(byHand).length ? byHand : null });
  }

  // Picking nodes of the mark.

  private pick(p: Point): void {
    const { mark, text } = this;
    const artwork = mark && this.artworks[mark.stepId];
    if (!mark || !text || !artwork) return;
    const own: Point = [(p[0] - mark.x) / mark.scale, (p[1] - mark.y) / mark.scale];
    const id = nodesAt(artwork, own).find((n) => findNode(artwork, n)?.node.kind === 'piece');
    if (!id) return notices.tell('Nothing of the mark lies there: press one of its pieces', { id: 'pick' });
    if (this.picking === 'behind') {
      const nodes = text.behind?.nodes ?? [];
      const next = nodes.includes(id) ? nodes.filter((n) => n !== id) : [...nodes, id];
      this.set(text.id, { behind: next.length ? { markId: mark.id, nodes: next } : null });
    } else {
      const piece = findNode(artwork, id)!.node as Piece;
      // The longest of its outlines.
      const sizes = piece.contours.map((c) => tightBox([c])).map((box) => (box ? box.width + box.height : 0));
      const contour = sizes.indexOf(Math.max(...sizes));
      this.set(text.id, { follows: { kind: 'path', markId: mark.id, nodeId: id, contour, at: 0.25 } });
    }
    this.picking = null;
  }

  // Adding.

  addText(role: TextPart['role'], text: string): void {
    const like = this.subject;
    const box = this.drawn ? this.paperBody() : this.paper;
    const id = freePartId(this.lockup, 't');
    const part: TextPart = {
      kind: 'text',
      id,
      role,
      text,
      face: like?.face ?? { family: 'jost', weight: 500 },
      x: box.x + box.width / 2,
      y: box.y + box.height + (like?.sizePx ?? 100) * 0.75,
      sizePx: (like?.sizePx ?? 100) * (role === 'name' ? 1 : 0.42),
      tracking: role === 'name' ? 0 : 0.12,
      leading: 1.2,
      align: 'centre',
      kerning: 'face',
      letters: role === 'name' ? 'typed' : 'capitals',
      inkId: like?.inkId ?? this.lockup.inks[0].id,
    };
    this.edit({ kind: 'add-part', part });
    this.chosen = [id];
    this.act = null;
  }
  private paperBody(): Box {
    const { drawn } = this;
    const { artwork, origin, clearPx } = drawn!;
    return { x: origin[0] + clearPx, y: origin[1] + clearPx, width: artwork.widthPx - 2 * clearPx, height: artwork.heightPx - 2 * clearPx }; // prettier-ignore
  }
  addFrame(shape: FrameShape): void {
    const ids = this.chosen.length ? [...this.chosen] : this.lockup.parts.filter((p) => !p.hidden).map((p) => p.id);
    const isText = ['banner', 'ribbon', 'rules', 'underline'].includes(shape);
    const around = isText ? ids.filter((i) => partOf(this.lockup, i)?.kind === 'text').slice(0, 1) : ids.filter((i) => { const p = partOf(this.lockup, i); return p && !(p.kind === 'text' && p.follows?.kind === 'frame'); }); // prettier-ignore
    if (!around.length) return notices.tell(isText ? 'Choose the text that it is for first' : 'Choose what it is to go round first', { id: 'frame' }); // prettier-ignore
    const cap = this.drawn?.capHeightPx ?? 100;
    const inkId = this.subject?.inkId ?? this.lockup.inks[0].id;
    const isCloth = shape === 'banner' || shape === 'ribbon';
    const id = freePartId(this.lockup, 'f');
    const at = Math.min(...around.map((i) => this.lockup.parts.findIndex((p) => p.id === i)));
    this.edit({
      kind: 'add-part',
      part: {
        kind: 'frame',
        id,
        shape,
        around,
        gapPx: cap * (shape === 'underline' ? 0.35 : isCloth ? 0.5 : 0.6),
        bandPx: shape === 'double-ring' ? cap * 1.9 : shape === 'rules' ? cap * 1.5 : 0,
        linePx: isCloth ? 0 : cap * 0.09,
        lineInkId: inkId,
        fillInkId: isCloth ? (this.lockup.inks.find((i) => i.id !== inkId)?.id ?? null) : null,
        ...(shape === 'double-ring' ? { divider: 'dot' as const } : {}),
      },
      to: Math.max(0, at),
    });
    this.chosen = [id];
    this.act = null;
  }

  // What is newer elsewhere.

  /** Marks that show an older step of their artwork than there is. */
  readonly older = $derived.by(() =>
    marksOf(this.lockup).flatMap((m) => {
      const now = this.data().marks.find((w) => w.id === m.workId);
      const shown = this.data().versions[m.stepId];
      return now && now.head !== m.stepId ? [{ part: m, now, shown }] : [];
    }),
  );
  async bringNewer(part: MarkPart, head: string): Promise<void> {
    try {
      const { drawing } = await ask<{ drawing: Artwork }>('GET', `/api/works/${part.workId}/steps/${head}`);
      this.artworks = { ...this.artworks, [head]: drawing };
      this.edit({ kind: 'mark-step', id: part.id, stepId: head, inks: drawing.inks as never });
    } catch (error) {
      notices.fail(error);
    }
  }

  /** Gives all other lockups of the commission this one's spelling. */
  async spellAlike(name: string): Promise<void> {
    try {
      await this.line.settled();
      const ids = this.data().others.map((o) => o.id);
      const commission = this.line.state.commissionId;
      const { changed } = await ask<{ changed: number }>('PATCH', `/api/commissions/${commission}/lockups`, {
        name,
        ids,
      });
      notices.tell(`${changed} lockup${changed === 1 ? '' : 's'} now say “${name}”; each can be undone there`);
      await reload('odd-quill:work');
    } catch (error) {
      notices.fail(error);
    }
  }

  /** Opens the list of faces with those that have some characters. */
  facesHaving(characters: string, partId: string): void {
    this.choose([partId]);
    this.having = characters;
    this.act = 'faces';
  }
}
