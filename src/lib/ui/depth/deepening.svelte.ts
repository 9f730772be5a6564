import { onDestroy } from 'svelte';
import { nearestShare, compose, inverse, mapPoint, type Affine, type Box, type Point } from '$core/path';
import {
  allPieces,
  appIconDepth,
  asKind,
  boxOfNode,
  depthOf,
  findNode,
  gradientHandles,
  gradientOver,
  inkOf,
  nodesAt,
  piecesWithin,
  placeAt,
  tileEdits,
  unionOf,
  plainPart,
  withEndAt,
  withStop,
  withStopAs,
  type Artwork,
  type ArtNode,
  type DepthKind,
  type DepthPart,
  type Edit,
  type FoundShadow,
  type Gradient,
  type Ink,
  type Piece,
  type Placed,
  type Ramp,
  type SoftEffect,
} from '$core/vector';
import { depthWorker, shapingWorker } from '$lib/workers/client';
import type { DepthSeen } from '$lib/workers/messages';
import { artworkToSvg } from '$core/export';
import { notices } from '../notices.svelte';
import { colourSeen } from '../pick';
import type { DrawGesture } from '../sheet/view';
import type { lineOf } from '../work/line.svelte';

type Line = ReturnType<typeof lineOf>;

/** How near a press must be to a handle, in pixels of the screen. */
const REACH_PX = 9;
/** Shadows and light are dark and soft to begin with. */
const SHADOW_INK = { id: 'shadow', name: 'Shadow', hex: '#14161C' };

const freshId = (of: string): string => `${of}-${crypto.randomUUID().slice(0, 8)}`;

/** What is done about depth on a screen: which nodes are chosen, their gradient with its handles, their soft effects, the parts of depth, and what was noticed. */
export class Deepening {
  chosen = $state.raw<readonly string[]>([]);
  /** The stop that is marked. */
  stop = $state(0);
  seen = $state.raw<DepthSeen | null>(null);
  busy = $state(false);
  /** Whether the next press on the sheet takes the colour there for the stop that is marked. */
  picking = $state(false);
  /** The part whose figures are shown. */
  open = $state<DepthKind | ''>('');

  private readonly shaper = shapingWorker();
  private readonly looker = depthWorker();
  private dragged: 'from' | 'to' | number | null = null;
  private looked: Artwork['nodes'] | null = null;

  constructor(
    private readonly lineNow: () => Line,
    private readonly ground: () => string | null,
  ) {
    onDestroy(() => {
      this.shaper.close();
      this.looker.close();
      this.lineNow().tried = null;
    });
  }

  get line(): Line {
    return this.lineNow();
  }

  readonly drawing = $derived.by((): Artwork => this.line.drawing);
  /** The pieces of what is chosen, those of groups too. */
  readonly pieces = $derived.by((): Placed<Piece>[] =>
    this.chosen.flatMap((id) => {
      const placed = findNode(this.drawing, id);
      return placed ? piecesWithin(placed) : [];
    }),
  );
  /** The ink that all pieces of what is chosen have; null where there are several. */
  readonly ink = $derived.by((): Ink | null => {
    const [first, ...rest] = this.pieces.map((p) => p.node.inkId);
    return first && rest.every((id) => id === first) ? (inkOf(this.drawing, first) ?? null) : null;
  });
  readonly gradient = $derived(this.ink?.gradient ?? null);
  /** From the gradient's coordinates to the sheet's: those of the first piece that has it. */
  readonly map = $derived.by((): Affine | null => this.pieces[0]?.map ?? null);
  readonly parts = $derived(depthOf(this.drawing));
  /** The soft effects of what is chosen, by its first node. */
  readonly effects = $derived.by((): readonly SoftEffect[] => this.first?.effects ?? []);
  private get first(): ArtNode | null {
    return this.chosen.length ? (findNode(this.drawing, this.chosen[0])?.node ?? null) : null;
  }
  get sizePx(): number {
    return Math.max(this.drawing.widthPx, this.drawing.heightPx);
  }

  /** Looks at the shapes anew, if they changed. */
  look(): void {
    const { kept } = this.line;
    this.chosen = this.chosen.filter((id) => findNode(kept, id));
    if (this.looked === kept.nodes) return;
    this.looked = kept.nodes;
    if (!kept.nodes.length) return void (this.seen = { isStale: false, shadows: [], ramps: [] });
    this.looker.ask(
      { want: 'depth', artwork: $state.snapshot(kept) as Artwork },
      { onResult: (seen) => (this.seen = seen), onError: (m) => notices.tell(m, { id: 'depth' }) },
    );
  }

  private get box(): Box | null {
    return unionOf(this.chosen.flatMap((id) => boxOfNode(this.drawing, id) ?? []));
  }

  /** Fills what is chosen plainly, or with one gradient over all of it. */
  fill(kind: 'plain' | Gradient['kind']): void {
    const { ink, gradient, box } = this;
    if (kind === 'plain') {
      if (ink?.gradient) this.line.edit({ kind: 'plain-ink', inkId: ink.id });
      return;
    }
    if (!box) return;
    if (ink && gradient) {
      if (gradient.kind === kind) return;
      const back = inverse(this.map!);
      if (!back) return;
      const [p, q] = [mapPoint(back, [box.x, box.y]), mapPoint(back, [box.x + box.width, box.y + box.height])];
      const own = { x: Math.min(p[0], q[0]), y: Math.min(p[1], q[1]), width: Math.abs(q[0] - p[0]), height: Math.abs(q[1] - p[1]) }; // prettier-ignore
      this.stop = 0;
      return this.set(asKind(gradient, kind, own));
    }
    const first = inkOf(this.drawing, this.pieces.find((p) => p.node.inkId !== null)?.node.inkId ?? null);
    const made = gradientOver(box, kind, first?.hex ?? '#808080');
    this.stop = 0;
    this.line.edit({
      kind: 'fill-gradient',
      nodeIds: [...this.chosen],
      inkId: freshId('ink'),
      name: `${first?.name ?? 'ink'} gradient`.slice(0, 60),
      gradient: made as never,
    });
  }

  private editOf(gradient: Gradient): Edit {
    return { kind: 'ink-gradient', inkId: this.ink!.id, gradient: gradient as never };
  }
  set(gradient: Gradient): void {
    this.line.tried = null;
    this.line.edit(this.editOf(gradient));
  }
  try(gradient: Gradient): void {
    this.line.tried = this.editOf(gradient);
  }

  /** What one does with the pointer on the sheet: a handle is dragged, a place on the way becomes a stop, a node is chosen. */
  gesture({ what, point, shift, zoom }: DrawGesture): void {
    if (what === 'down') this.press(point, shift, zoom);
    else if (this.dragged !== null && (what === 'drag' || what === 'up')) this.drag(point, what === 'up');
  }

  /** Takes the colour that is seen at a place for the stop that is marked. */
  private async pick(point: Point): Promise<void> {
    this.picking = false;
    const { line, stop } = this;
    const { widthPx, heightPx } = line.kept;
    const href = `data:image/svg+xml,${encodeURIComponent(artworkToSvg(line.kept, { lines: false }))}`;
    const hex = await colourSeen(href, [widthPx, heightPx], point, this.ground()).catch(() => null);
    const gradient = inkOf(line.kept, this.ink?.id ?? null)?.gradient;
    if (!hex) notices.tell('There is no colour at that place: the stop is as it was', { id: 'depth' });
    else if (gradient?.stops[stop]) this.set(withStopAs(gradient, stop, { hex }));
  }

  private press(point: Point, shift: boolean, zoom: number): void {
    if (this.picking) return void this.pick(point);
    const { gradient, map } = this;
    const reach = REACH_PX / zoom;
    const near = (p: Point): boolean => Math.hypot(p[0] - point[0], p[1] - point[1]) <= reach;
    if (gradient && map) {
      const handle = gradientHandles(gradient, map).findLast((h) => near(h.at));
      if (handle) {
        this.dragged = handle.name;
        const at =
          typeof handle.name === 'number' ? handle.name : handle.name === 'from' ? 0 : gradient.stops.length - 1;
        this.stop = at;
        return;
      }
      const [a, b] = [0, 1].map((at) => mapPoint(map, placeAt(gradient, at)));
      const at = nearestShare(point, a, b);
      if (at > 0 && at < 1 && near([a[0] + at * (b[0] - a[0]), a[1] + at * (b[1] - a[1])])) return this.addStop(at);
    }
    const found = nodesAt(this.drawing, point);
    if (!found.length) {
      if (!shift) this.choose([]);
      return;
    }
    // A press again means what lies below.
    const now = found.findIndex((id) => this.chosen.includes(id));
    const next = found[(now + 1) % found.length];
    if (shift) this.choose(now >= 0 ? this.chosen.filter((id) => id !== found[now]) : [...this.chosen, found[0]]);
    else this.choose([next]);
  }

  choose(ids: readonly string[]): void {
    this.chosen = ids;
    this.stop = 0;
    this.line.tried = null;
  }

  private drag(point: Point, isLast: boolean): void {
    const { line, dragged } = this;
    // From what is kept, not from what was tried before.
    const ink = inkOf(line.kept, this.ink?.id ?? null);
    const map = this.map && ink?.gradient?.transform ? compose(ink.gradient.transform, this.map) : this.map;
    const back = map && inverse(map);
    if (ink?.gradient && back && dragged !== null) {
      const own = mapPoint(back, point);
      const { from, to } = ink.gradient;
      const changed =
        typeof dragged === 'number'
          ? withStopAs(ink.gradient, dragged, { at: Number(nearestShare(own, from, to).toFixed(4)) })
          : withEndAt(ink.gradient, dragged, own);
      if (isLast) this.set(changed);
      else this.try(changed);
    }
    if (isLast) this.dragged = null;
  }

  addStop(at: number): void {
    const { gradient } = this;
    if (!gradient || gradient.stops.length >= 64) return;
    const made = withStop(gradient, Number(at.toFixed(4)));
    this.stop = made.stops.findIndex((s) => s.at === Number(at.toFixed(4)));
    this.set(made);
  }

  /** The edits that give what is chosen other soft effects; a shadow's ink comes with it where there is none. */
  private softened(effects: readonly SoftEffect[]): Edit[] {
    const needs = effects.some((e) => e.kind === 'shadow' && e.inkId === SHADOW_INK.id) && !inkOf(this.line.kept, SHADOW_INK.id); // prettier-ignore
    return [
      ...(needs ? [{ kind: 'add-ink' as const, ink: SHADOW_INK }] : []),
      { kind: 'node-effects' as const, nodeIds: [...this.chosen], effects: effects.map((e) => ({ ...e })) },
    ];
  }
  soften(effects: readonly SoftEffect[]): void {
    this.line.edit(...this.softened(effects));
  }
  trySoft(effects: readonly SoftEffect[]): void {
    this.line.tried = this.softened(effects);
  }
  addSoft(kind: SoftEffect['kind']): void {
    const unit = Number((0.012 * this.sizePx).toPrecision(2));
    this.soften([
      ...this.effects,
      kind === 'blur'
        ? { kind, radiusPx: unit / 2 }
        : { kind, dxPx: 0, dyPx: unit, blurPx: unit, inkId: SHADOW_INK.id, opacity: 0.35 },
    ]);
  }

  /** The set for an app icon, about what is chosen or about the whole mark. */
  iconDepth(shadow: 'soft' | 'long'): void {
    this.make([{ kind: 'depth', of: [...this.chosen], parts: appIconDepth(this.sizePx, shadow) }]);
  }
  /** A tile with round corners under the mark, in a colour; that of a ground it is seen on, or a quiet dark. */
  layTile(hex: string | null): void {
    this.line.edit(...tileEdits(this.line.kept, hex ?? '#2B2F3A'));
  }

  /** A part that is not there yet. */
  addPart(part: DepthKind): void {
    this.make([{ kind: 'depth', of: [...this.chosen], parts: [plainPart(part, this.sizePx)] }]);
    this.open = part;
  }
  removePart(part: DepthKind): void {
    this.line.edit({ kind: 'remove-depth', parts: [part] });
    if (this.open === part) this.open = '';
  }
  /** A part by other figures, while they change, and when they are settled. */
  partAs(part: DepthPart, of: readonly string[], isSettled: boolean): void {
    this.make([{ kind: 'depth', of: [...of], parts: [part] }], !isSettled);
  }
  /** Depth made of the shapes as they are now. */
  makeAnew(): void {
    this.make(
      this.parts.map(({ depth: { of, ...part } }) => ({ kind: 'depth', of: [...of], parts: [part as DepthPart] })),
    );
  }
  /** Pieces that are one soft shadow, or one gradient, made that. */
  makeOne(...found: readonly (Ramp | FoundShadow)[]): void {
    this.make(found.map((f) => ('gradient' in f ? this.gradientEdit(f) : this.shadowEdit(f))));
  }
  private shadowEdit({ ids, of, offBy: _offBy, ...look }: FoundShadow): Edit {
    return { kind: 'one-shadow', nodes: [...ids], of: [...of], ...look, pieceId: freshId('shadow'), inkId: freshId('ink') }; // prettier-ignore
  }
  private gradientEdit({ ids, gradient }: Ramp): Edit {
    return {
      kind: 'one-gradient',
      nodes: [...ids],
      inkId: freshId('ink'),
      name: this.nameFor(ids),
      gradient: gradient as never,
    };
  }
  private nameFor(ids: readonly string[]): string {
    const node = findNode(this.line.kept, ids[ids.length >> 1])?.node;
    const ink = node?.kind === 'piece' ? inkOf(this.line.kept, node.inkId) : undefined;
    return `${ink?.name ?? 'ink'} gradient`.slice(0, 60);
  }

  /** What is to be tried once the worker is done with what was tried before: a slider moves faster. */
  private waiting: readonly Edit[] | null = null;

  /** Has a worker make edits, and tries what came of it, or keeps it. */
  private make(edits: readonly Edit[], isTry = false): void {
    if (isTry && this.busy) return void (this.waiting = edits);
    this.waiting = null;
    this.busy = true;
    this.shaper.ask(
      { want: 'edits', artwork: $state.snapshot(this.line.kept) as Artwork, edits: $state.snapshot(edits) as Edit[] },
      {
        onResult: ({ put }) => {
          this.busy = false;
          if (put && isTry) this.line.tried = put;
          else if (put) this.line.edit(put);
          if (this.waiting) this.make(this.waiting, true);
        },
        onError: (message) => {
          this.busy = false;
          this.line.tried = null;
          notices.tell(message, { id: 'depth' });
        },
      },
    );
  }

  /** Chooses the piece after the one that is chosen, from the top of the stack down. */
  next(by: number): void {
    const pieces = allPieces(this.drawing).filter((p) => !p.depth && !p.hidden && !p.locked);
    if (!pieces.length) return;
    const at = pieces.findIndex((p) => this.chosen.includes(p.id));
    const from = at < 0 ? (by > 0 ? pieces.length : -1) : at;
    this.choose([pieces[(from - by + pieces.length) % pieces.length].id]);
  }
}
