import { onDestroy } from 'svelte';
import type { Point } from '$core/path';
import {
  letteringNoticed,
  meanAt,
  mendLettering,
  type Area,
  type EnclosedArea,
  type Noticed,
  type Retouched,
  type RetouchEntry,
  type RetouchStep,
} from '$core/retouch';
import type { LetteringRead } from '$lib/contract/answers';
import { enclosedWorker, fillsWorker, lookingWorker, makingWorker } from '$lib/workers/client';
import type { FillShown, Look, MadePicture } from '$lib/workers/messages';
import { ApiError, ask } from '../api';
import type { DrawGesture } from '../sheet/view';
import type { retouchingLineOf } from '../work/line.svelte';
import { curveThrough, type OutlinePoint } from './outline';

export type ActName =
  'cover' | 'outline' | 'mend' | 'cut-out' | 'take-out' | 'colours' | 'ground' | 'straighten' | 'pick';

/** What one can do, with the keys. */
export const ACTS: readonly { readonly name: ActName; readonly label: string; readonly press: string }[] = [
  { name: 'cover', label: 'Cover', press: 'c' },
  { name: 'outline', label: 'Outline', press: 'o' },
  { name: 'mend', label: 'Mend', press: 'm' },
  { name: 'cut-out', label: 'Cut out', press: 'u' },
  { name: 'take-out', label: 'Take out', press: 't' },
  { name: 'colours', label: 'Colours', press: 'l' },
  { name: 'ground', label: 'Ground', press: 'g' },
  { name: 'straighten', label: 'Straighten', press: 's' },
];

/** How many fills are shown at first, and after asking for more. */
export const FILLS = { first: 4, more: 8 } as const;

/** How near a press has to come to a point of the outline, in pixels of the screen. */
const GRAB_PX = 8;

/** How long after a change the lettering is read again. */
const READ_AFTER_MS = 900;

type Line = ReturnType<typeof retouchingLineOf>;
type StepOf<K extends RetouchStep['kind']> = RetouchStep & { kind: K };

const freshId = (): string => `s${crypto.randomUUID().slice(0, 8)}`;

/** A stroke on its way into the picture. */
export interface Laid {
  readonly points: readonly Point[];
  readonly widthPx: number;
  /** Null where its colour is told from what is around, or where it paints none. */
  readonly hex: string | null;
}

/** What happens on the retouching screen: the act that is on, what is being drawn, and what the workers found. */
export class Retouching {
  act = $state<ActName | null>(null);
  brush = $state({ widthPx: 24, hex: null as string | null, oneSide: false });
  /** How an area to be mended is drawn. */
  areaBy = $state<Area['by']>('brush');
  part = $state<'colour' | 'piece' | 'outline'>('colour');
  /** What strokes on a cut-out do. */
  strokes = $state<'parts' | 'back' | 'away'>('parts');
  pickPx = $state<1 | 3 | 5>(1);
  /** What is drawn on the sheet for the frame: nothing, an axis to mirror about, or a box to cut to. */
  frame = $state<'none' | 'axis' | 'box'>('none');
  /** The entry whose form is open. */
  chosen = $state<string | null>(null);

  /** Points of the stroke under way, or the corners of the box. */
  stroke = $state.raw<readonly Point[]>([]);
  /** Strokes that are in the list and not yet in the picture that is shown. */
  laid = $state.raw<readonly Laid[]>([]);
  outline = $state.raw<readonly OutlinePoint[]>([]);
  hover = $state.raw<Point | null>(null);
  /** The end of the last stroke: a press with Shift goes on from it in a straight line. */
  private last: Point | null = null;

  made = $state.raw<MadePicture | null>(null);
  look = $state.raw<Look | null>(null);
  fills = $state.raw<readonly FillShown[]>([]);
  enclosed = $state.raw<readonly EnclosedArea[]>([]);
  /** How far the picture and the fills are, 0..1; null when nothing is being made. */
  making = $state<number | null>(0);
  filling = $state<number | null>(null);
  looking = $state(true);
  /** What its lettering says, as the server read it; null before the first reading. */
  lettering = $state.raw<LetteringRead | null>(null);
  /** Why lettering cannot be read, in a sentence. */
  letteringOff = $state<string | null>(null);
  private isReading = false;
  private wantsReading = false;
  private isOver = false;
  /** Whether the picture as it was has none. */
  private hasNone = false;
  error = $state<string | null>(null);
  fillCount = $state<number>(FILLS.first);

  private readonly maker = makingWorker();
  private readonly looker = lookingWorker();
  private readonly filler = fillsWorker();
  private readonly encloser = enclosedWorker();

  constructor(
    private readonly lineNow: () => Line,
    /** Keeps a colour with the commission. */
    private readonly onpicked: (hex: string) => void,
  ) {
    onDestroy(() => {
      [this.maker, this.looker, this.filler, this.encloser].forEach((worker) => worker.close());
      this.isOver = true;
    });
  }

  get line(): Line {
    return this.lineNow();
  }
  get state(): Retouched {
    return this.line.drawing;
  }
  get href(): string {
    return `/api/pictures/${this.state.pictureId}`;
  }
  get entry(): RetouchEntry | null {
    return this.state.entries.find((e) => e.id === this.chosen) ?? null;
  }
  /** The entries below one. */
  private below(id: string): readonly RetouchEntry[] {
    const { entries } = this.state;
    return entries.slice(
      0,
      entries.findIndex((e) => e.id === id),
    );
  }

  /** Makes the picture of the list, and looks at it for what is worth a look. */
  make(entries: readonly RetouchEntry[]): void {
    const { href } = this;
    this.making = 0;
    this.maker.ask(
      { want: 'make', href, entries },
      {
        onProgress: (done) => (this.making = done),
        onResult: (made) => {
          this.made = made;
          this.making = null;
          this.error = null;
          this.laid = [];
        },
        onError: (message) => {
          this.error = message;
          this.making = null;
          this.laid = [];
        },
      },
    );
    void this.read();
    this.looking = true;
    this.looker.ask(
      { want: 'look', href, entries },
      {
        onResult: (look) => {
          this.look = look;
          this.looking = false;
        },
        onError: () => (this.looking = false),
      },
    );
  }

  /**
   * Has the lettering read, a moment after the last change, once that is kept; where the picture has none as it was, nothing that one does makes any. One reading at a
   * time, since a browser has few lines to a server, and one that is broken off may go on: they must not keep what was done from being kept.
   */
  private async read(): Promise<void> {
    this.wantsReading = true;
    if (this.isReading) return;
    this.isReading = true;
    while (this.wantsReading && !this.isOver) {
      this.wantsReading = false;
      await this.readOnce();
    }
    this.isReading = false;
  }

  private async readOnce(): Promise<void> {
    const isBare = this.state.entries.every((e) => e.hidden);
    if (this.hasNone && !isBare) return;
    if (this.lettering) await new Promise((resolve) => setTimeout(resolve, READ_AFTER_MS));
    await this.line.settled();
    if (this.wantsReading || this.isOver) return;
    try {
      const read = await ask<LetteringRead>('GET', `/api/works/${this.line.state.id}/lettering`);
      if (this.wantsReading) return;
      this.lettering = read;
      this.letteringOff = null;
      if (isBare) this.hasNone = read.lines.length === 0;
    } catch (error) {
      // The rest works without; what passes by itself is asked again at the next change.
      if (error instanceof ApiError && error.code === 'no_recognition') this.letteringOff = error.message;
    }
  }

  /** What is worth a look: the lettering first. */
  get noticed(): readonly Noticed[] {
    const { lettering, made, state } = this;
    const side = Math.max(made?.widthPx ?? state.widthPx, made?.heightPx ?? state.heightPx);
    return [
      ...(lettering ? letteringNoticed(lettering.lines, lettering.asked, side) : []),
      ...(this.look?.noticed ?? []),
    ];
  }

  /** Marks all lettering that was found as one area to be mended. */
  mendLettering(): void {
    const { lettering, made } = this;
    if (lettering?.lines.length && made)
      this.add(mendLettering(lettering.lines, Math.max(made.widthPx, made.heightPx)));
  }

  /** Finds what the chosen entry lets one choose from. */
  choices(): void {
    const { entry, href } = this;
    const step = entry?.step;
    if (entry && step?.kind === 'mend') {
      this.filling = 0;
      this.filler.ask(
        { want: 'fills', href, entries: this.below(entry.id), step: { ...step, seed: 1 }, count: this.fillCount },
        {
          onProgress: (done) => (this.filling = done),
          onCoarse: (fills) => (this.fills = fills),
          onResult: (fills) => {
            this.fills = fills;
            this.filling = null;
          },
          onError: () => (this.filling = null),
        },
      );
    } else this.fills = [];
    if (entry && step?.kind === 'cut-out')
      this.encloser.ask(
        { want: 'enclosed', href, entries: this.below(entry.id), step },
        { onResult: (enclosed) => (this.enclosed = enclosed), onError: () => (this.enclosed = []) },
      );
    else this.enclosed = [];
  }

  /** Adds a step to the list, and opens its form. */
  add(step: RetouchStep): void {
    const id = freshId();
    this.line.edit({ kind: 'add-step', id, step });
    this.chosen = id;
    this.fillCount = FILLS.first;
    this.fills = [];
  }

  addAll(steps: readonly RetouchStep[]): void {
    this.line.edit(...steps.map((step) => ({ kind: 'add-step', id: freshId(), step }) as const));
    this.chosen = null;
  }

  /** Changes the chosen step where it is of a kind, or adds one. */
  put(step: RetouchStep): void {
    const { entry } = this;
    if (entry?.step.kind === step.kind) this.line.edit({ kind: 'change-step', id: entry.id, step });
    else this.add(step);
  }

  /** Shows what a step would make, while a control moves. */
  attempt(step: RetouchStep): void {
    const { entry } = this;
    this.line.tried =
      entry?.step.kind === step.kind
        ? { kind: 'change-step', id: entry.id, step }
        : { kind: 'add-step', id: 'tried', step };
  }

  /** The chosen entry's step, where it is of a kind. */
  stepOf<K extends RetouchStep['kind']>(kind: K): StepOf<K> | null {
    const step = this.entry?.step;
    return step?.kind === kind ? (step as StepOf<K>) : null;
  }

  choose(id: string | null): void {
    this.chosen = this.chosen === id ? null : id;
    this.fillCount = FILLS.first;
    const kind = this.entry?.step.kind;
    const act = kind && ACT_OF[kind];
    if (act) this.act = act;
    // The brush is what the chosen stroke was made with.
    const cover = this.stepOf('cover');
    if (cover) this.brush = { widthPx: cover.widthPx, hex: cover.hex, oneSide: cover.oneSide };
  }

  toggle(act: ActName): void {
    this.act = this.act === act ? null : act;
    this.chosen = null;
    this.frame = 'none';
    this.leave();
  }

  /** Drops what is being drawn. */
  leave(): void {
    this.stroke = [];
    this.outline = [];
    this.hover = null;
  }

  takeFill({ how, seed }: FillShown): void {
    const step = this.stepOf('mend');
    if (step) this.put({ ...step, how, seed });
  }

  /** Whether presses on the sheet draw, with the act that is on. */
  get draws(): boolean {
    const { act } = this;
    return (
      act === 'cover' ||
      act === 'outline' ||
      act === 'mend' ||
      act === 'take-out' ||
      act === 'pick' ||
      (act === 'straighten' && this.frame !== 'none') ||
      act === 'cut-out'
    );
  }
  get isOutlining(): boolean {
    return (
      this.act === 'outline' ||
      (this.act === 'mend' && this.areaBy === 'outline') ||
      (this.act === 'take-out' && this.part === 'outline')
    );
  }
  get isBoxing(): boolean {
    return (this.act === 'mend' && this.areaBy === 'box') || (this.act === 'straighten' && this.frame === 'box');
  }
  get isDrawingAxis(): boolean {
    return this.act === 'straighten' && this.frame === 'axis';
  }
  get isBrushing(): boolean {
    const { act } = this;
    return (
      act === 'cover' || (act === 'mend' && this.areaBy === 'brush') || (act === 'cut-out' && this.strokes !== 'parts')
    );
  }

  draw(gesture: DrawGesture, isPicking: boolean): void {
    const { what, point, shift } = gesture;
    this.hover = what === 'leave' ? null : point;
    if (isPicking || this.act === 'pick') {
      if (what === 'up') this.pick(point);
      return;
    }
    if (this.isOutlining) return this.drawOutline(gesture);
    if (what === 'hover' || what === 'leave') return;
    if (this.isBoxing || this.isDrawingAxis) {
      if (what === 'down') this.stroke = [point, point];
      else this.stroke = [this.stroke[0] ?? point, point];
      if (what !== 'up') return;
      if (this.isBoxing) this.finishBox();
      else this.finishAxis();
    } else if (this.isBrushing) {
      if (what === 'down') this.stroke = shift && this.last ? [this.last, point] : [point];
      else if (what === 'drag') this.stroke = [...this.stroke, point];
      else this.finishStroke();
    } else if (what === 'up') this.press(point);
  }

  private finishStroke(): void {
    const points = thinned(this.stroke);
    if (!points.length) return;
    this.last = points[points.length - 1] as [number, number];
    const { widthPx, hex, oneSide } = this.brush;
    this.laid = [...this.laid, { points, widthPx, hex: this.act === 'cover' ? hex : null }];
    this.stroke = [];
    if (this.act === 'cover') this.add({ kind: 'cover', points, widthPx, hex, oneSide });
    else if (this.act === 'mend') this.mend({ by: 'brush', points, widthPx });
    else if (this.act === 'cut-out') {
      const step = this.cutOutStep();
      this.put({ ...step, strokes: [...step.strokes, { points, widthPx, back: this.strokes === 'back' }] });
    }
  }

  private finishBox(): void {
    const [[ax, ay], [bx, by]] = [this.stroke[0], this.stroke[1]];
    const [w, h] = [Math.abs(bx - ax), Math.abs(by - ay)];
    this.stroke = [];
    if (w < 1 || h < 1) return;
    const box: [number, number, number, number] = [Math.min(ax, bx), Math.min(ay, by), w, h];
    if (this.act === 'mend') this.mend({ by: 'box', box });
    else this.add({ kind: 'crop', box, margin: 0 });
    this.frame = 'none';
  }

  private finishAxis(): void {
    const [[ax, ay], [bx, by]] = this.stroke;
    this.stroke = [];
    if (Math.hypot(bx - ax, by - ay) < 4) return;
    this.frame = 'none';
    const axis = { x: (ax + bx) / 2, y: (ay + by) / 2, angleRad: Math.atan2(by - ay, bx - ax) };
    this.add({ kind: 'mirror', axis, keep: 'left' });
  }

  private drawOutline({ what, point, zoom }: DrawGesture): void {
    const { outline } = this;
    const grab = GRAB_PX / zoom;
    if (what === 'down') {
      const [first] = outline;
      if (first && outline.length > 2 && isNear(first.at, point, grab)) return this.finishOutline();
      this.outline = [...outline, { at: point, handle: null }];
    } else if (what === 'drag' && outline.length) {
      const end = outline[outline.length - 1];
      const handle: Point = [point[0] - end.at[0], point[1] - end.at[1]];
      this.outline = [...outline.slice(0, -1), { ...end, handle: isNear([0, 0], handle, grab / 2) ? null : handle }];
    }
  }

  finishOutline(): void {
    if (this.outline.length < 3) return;
    const outline = curveThrough(this.outline, true);
    this.outline = [];
    if (this.act === 'mend') this.mend({ by: 'outline', outline });
    else if (this.act === 'take-out') this.mend({ by: 'outline', outline }, 'an outlined part');
    else this.add({ kind: 'fill', outline, hex: this.brush.hex });
  }

  private mend(area: Area, what = ''): void {
    this.add({ kind: 'mend', areas: [area], growPx: 0, how: null, seed: 1, what });
  }

  private cutOutStep(): StepOf<'cut-out'> {
    return this.stepOf('cut-out') ?? { kind: 'cut-out', inner: 'auto', parts: [], strokes: [] };
  }

  private press(point: Point): void {
    const at: [number, number] = [point[0], point[1]];
    if (this.act === 'take-out' && this.part !== 'outline')
      this.add({ kind: 'take-out', at: [at], part: this.part, how: null, what: '' });
    else if (this.act === 'cut-out') this.dropPart(at, null);
  }

  /** One of the areas that the figure encloses goes or stays, by a place in it. */
  dropEnclosed(place: number, dropped: boolean): void {
    const { at } = this.enclosed[place];
    this.dropPart([at[0], at[1]], dropped);
  }

  settleTone(step: StepOf<'tone'>): void {
    this.line.tried = null;
    const before = this.stepOf('tone');
    if (JSON.stringify(before) !== JSON.stringify(step)) this.put(step);
  }

  settleTurn(degrees: number): void {
    this.line.tried = null;
    if (degrees !== (this.stepOf('turn')?.degrees ?? 0)) this.put({ kind: 'turn', degrees });
  }

  /** A part of a cut-out goes or comes back: what there is now decides, where nothing is said. */
  dropPart(at: [number, number], dropped: boolean | null): void {
    const step = this.cutOutStep();
    const { made } = this;
    const alpha = made ? alphaAt(made, at) : 255;
    const rest = step.parts.filter((p) => Math.hypot(p.at[0] - at[0], p.at[1] - at[1]) > 0.5);
    this.put({ ...step, parts: [...rest, { at, dropped: dropped ?? alpha > 127 }] });
  }

  private pick(point: Point): void {
    const { made } = this;
    if (!made) return;
    const hex = pixelsOf(made, point, this.pickPx);
    if (!hex) return;
    this.brush.hex = hex;
    this.onpicked(hex);
  }
}

/** The act whose form belongs to a kind of step. */
const ACT_OF: Partial<Record<RetouchStep['kind'], ActName>> = {
  cover: 'cover',
  fill: 'outline',
  mend: 'mend',
  'cut-out': 'cut-out',
  'take-out': 'take-out',
  recolour: 'colours',
  palette: 'colours',
  'true-ends': 'colours',
  tone: 'colours',
  ground: 'ground',
  turn: 'straighten',
  mirror: 'straighten',
  crop: 'straighten',
  square: 'straighten',
};

const isNear = (p: Point, q: Point, px: number): boolean => Math.hypot(p[0] - q[0], p[1] - q[1]) <= px;

/** Points of a stroke without those that lie within a fraction of a pixel of the one before. */
function thinned(points: readonly Point[]): [number, number][] {
  const out: [number, number][] = [];
  for (const [x, y] of points) {
    const before = out[out.length - 1];
    if (!before || Math.hypot(x - before[0], y - before[1]) >= 0.4)
      out.push([Math.round(x * 100) / 100, Math.round(y * 100) / 100]);
  }
  return out;
}

/** A few pixels of what was made. */
function around(made: MadePicture, [x, y]: Point, sidePx: number): ImageData {
  const canvas = new OffscreenCanvas(sidePx, sidePx);
  const context = canvas.getContext('2d')!;
  const r = (sidePx - 1) / 2;
  context.drawImage(made.bitmap, r - Math.floor(x), r - Math.floor(y));
  return context.getImageData(0, 0, sidePx, sidePx);
}

const alphaAt = (made: MadePicture, at: Point): number => around(made, at, 1).data[3];

function pixelsOf(made: MadePicture, at: Point, sidePx: number): string | null {
  const { data } = around(made, at, sidePx);
  const middle = sidePx / 2;
  return meanAt({ widthPx: sidePx, heightPx: sidePx, rgba: data }, middle, middle, sidePx);
}
