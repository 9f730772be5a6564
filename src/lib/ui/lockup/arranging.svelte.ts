import { onDestroy } from 'svelte';
import type { Box } from '$core/path';
import {
  alignmentOf,
  casedAs,
  freePartId,
  gapsOf,
  marksOf,
  partOf,
  tidied,
  type Alignment,
  type DrawnLockup,
  type DrawnPart,
  type FrameShape,
  type Lockup,
  type LockupEdit,
  type LockupLine,
  type LockupPart,
  type MarkPart,
  type SnapLine,
  type TextPart,
} from '$core/lockup';
import type { Artwork } from '$core/vector';
import type { LockupAnswer } from '$lib/contract/answers';
import { cuttingWorker, drawingWorker, layoutsWorker, lockupLookWorker } from '$lib/workers/client';
import type { LayoutShown, LetteringWant, LockupLook } from '$lib/workers/messages';
import { ask } from '../api';
import { notices } from '../notices.svelte';
import { reload } from '../reload';
import type { lockupLineOf } from '../work/line.svelte';
import { Handling } from './handling.svelte';
import { Kerning } from './kerning.svelte';

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
/** Room about the lockup on its paper, against the paper's longer side. */
const ROOM = 0.08;

/** What is done on the lockup's screen: which parts are chosen, what is being tried out, the lockup as it is drawn, and what was noticed in it. */
export class Arranging {
  chosen = $state.raw<readonly string[]>([]);
  act = $state<ActName | null>(null);
  drawn = $state.raw<DrawnLockup | null>(null);
  /** With what is the ground's cut out, as it is judged and delivered. */
  cut = $state.raw<Artwork | null>(null);
  paper = $state.raw<Box>({ x: 0, y: 0, width: 800, height: 500 });
  noticed = $state.raw<readonly LockupLine[] | null>(null);
  showsClear = $state(true);
  /** Characters that faces are to have which are offered. */
  having = $state('');
  /** Artworks by their step, those that came after the page too. */
  artworks = $state.raw<Readonly<Record<string, Artwork>>>({});

  /** Upright axes of the marks, by their step. */
  axes: LockupLook['axes'] = {};
  readonly kerning = new Kerning(this);
  readonly handling = new Handling(this);
  private readonly drawer = drawingWorker();
  private readonly cutter = cuttingWorker();
  private readonly looker = lockupLookWorker();
  private readonly arranger = layoutsWorker();
  /** Layouts of the mark and the name, and what they were made of. */
  laidOut = $state.raw<readonly LayoutShown[]>([]);
  private laidOutOf = '';
  private timer: ReturnType<typeof setTimeout> | null = null;

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
    this.drawn && this.part && !this.handling.isMoving ? gapsOf(this.drawn, this.part.id) : [],
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
      { want: 'draw', lockup, artworks: this.artworks, ground: this.ground() ?? '#FFFFFF', lettersOf: this.act === 'letters' ? (this.subject?.id ?? null) : null }, // prettier-ignore
      {
        onResult: (drawn) => {
          this.drawn = drawn;
          // While something is dragged its paper stays where it is.
          if (!this.handling.isMoving && (isSettled || !this.paperHolds(drawn))) this.fitPaper(drawn);
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

  /** Gives a text an ink of its own, which is as its ink was until it is recoloured. */
  ownInk(part: TextPart): void {
    const { inks } = this.line.kept;
    let n = 1;
    while (inks.some((i) => i.id === `lettering-${n}`)) n++;
    const hex = inks.find((i) => i.id === part.inkId)?.hex ?? '#111111';
    const ink = { id: `lettering-${n}`, hex, name: n === 1 ? 'lettering' : `lettering ${n}` };
    this.edit({ kind: 'own-ink', ink }, { kind: 'change-part', id: part.id, set: { inkId: ink.id } });
  }
  /** Recolours an ink of the lockup. */
  recolour(inkId: string, hex: string): void {
    this.edit({ kind: 'palette', edit: { kind: 'ink-colour', inkId, hex } });
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
    if (!tried || this.handling.isMoving) return;
    this.line.edit(...[tried].flat());
  }

  /** Text as it was typed is kept; what was typed in haste is put right as a step of its own, which can be taken back. */
  typed(id: string, text: string): void {
    const part = partOf(this.line.kept, id);
    if (part?.kind !== 'text') return;
    this.dropTried(id, { text });
    if (text !== part.text) this.line.edit({ kind: 'change-part', id, set: { text } });
    // As the client writes its own name, and without what is typed in haste.
    const tidy = part.role === 'name' ? casedAs(tidied(text), this.clientName()) : tidied(text);
    if (tidy !== text) this.line.edit({ kind: 'change-part', id, set: { text: tidy } });
  }

  // Choosing and moving.

  toggleAct(name: ActName): void {
    this.keepTried();
    this.act = this.act === name ? null : name;
    this.handling.picking = null;
  }
  choose(ids: readonly string[]): void {
    this.keepTried();
    if (ids[0] !== this.chosen[0]) this.kerning.letterAt = null;
    this.chosen = ids;
    this.handling.picking = null;
    this.kerning.pair = 0;
  }
  next(by: number): void {
    const list = [...this.lockup.parts].reverse().filter((p) => !p.hidden);
    if (!list.length) return;
    const at = list.findIndex((p) => this.chosen.includes(p.id));
    this.choose([list[((at < 0 ? (by > 0 ? -1 : 0) : at) + by + list.length) % list.length].id]);
  }
  escape(): void {
    if (this.handling.picking) this.handling.picking = null;
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
  movable(ids: readonly string[]): string[] {
    const reached = (id: string): string[] => {
      const part = partOf(this.lockup, id);
      if (part?.kind === 'frame') return part.around.flatMap(reached);
      if (part?.kind === 'text' && part.follows?.kind === 'frame') return reached(part.follows.frameId);
      return part ? [id] : [];
    };
    return ids.flatMap(reached).filter((id, k, all) => all.indexOf(id) === k);
  }

  /** Makes what is chosen so many times as large, about its middle. */
  scale(by: number): void {
    const { part } = this;
    const own = part && part.kind !== 'frame' ? this.drawnPart(part.id) : null;
    if (!part || !own) return;
    const { body } = own;
    this.edit({ kind: 'move-parts', ids: [part.id], dx: 0, dy: 0, scale: { by, x: body.x + body.width / 2, y: body.y + body.height / 2 } }); // prettier-ignore
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
