// Sets and maps here are looked things up in, and never shown.
/* eslint-disable svelte/prefer-svelte-reactivity */
import { onDestroy } from 'svelte';
import {
  coloursIn,
  contrasting,
  nameColour,
  seenAs,
  tuned,
  type Schemes,
  type Shared,
  type Tuning,
  type Vision,
} from '$core/colour';
import {
  colourwayFrom,
  colourwaysOf,
  depthInks,
  leastContrastOf,
  lentTo,
  MASTER,
  weakPairs,
  withHexes,
  type Artwork,
  type Edit,
  type OneColourState,
  type Touching,
  type WeakPair,
} from '$core/vector';
import type { Commission, GroundColour, OtherColourway, PictureBelow } from '$lib/contract/answers';
import { lookingWorker, oneColourWorker, schemesWorker, touchingWorker } from '$lib/workers/client';
import type { InOneColour } from '$lib/workers/messages';
import { ask } from '../api';
import { keep, kept } from '../kept';
import { notices } from '../notices.svelte';
import { PHOTOGRAPH, plainGround, type Ground } from './photograph';

/** What colourways are changed of: an artwork's line, or a lockup's inks over its shapes. */
export interface PaletteLine {
  readonly drawing: Artwork;
  readonly kept: Artwork;
  tried: Edit | readonly Edit[] | null;
  edit(...edits: readonly Edit[]): void;
  settled(): Promise<void>;
}
type Line = PaletteLine;

/** Grounds beside the brief's that every colourway is seen on. */
const PLAIN_GROUNDS: readonly GroundColour[] = [
  { name: 'white', hex: '#FFFFFF' },
  { name: 'mid grey', hex: '#808080' },
  { name: 'black', hex: '#111111' },
];

/** By what the table is sorted: not, by the least contrast on one of its grounds by its key, or on all of them. */
export const UNSORTED = '';
export const ON_ALL = 'on all grounds';

/** Artworks in colours that are kept for being seen again. */
const SEEN_MOST = 200;

/** No more lines than this of what was noticed. */
const WEAK_MOST = 4;

/** The colourways of an artwork on all grounds: the one that is chosen, its inks, what was shuffled and not kept. */
export class Colouring {
  /** The colourway that is chosen. */
  chosen = $state(MASTER);
  inkId = $state('');
  locked = $state.raw<readonly string[]>([]);
  least = $state(3);
  free = $state(false);
  vision = $state<Vision>('all');
  schemes = $state.raw<Schemes | null>(null);
  touching = $state.raw<Touching | null>(null);
  one = $state.raw<InOneColour | null>(null);
  busy = $state(false);
  /** UNSORTED, the key of a ground, or ON_ALL. */
  sortedBy = $state(UNSORTED);
  /** Whether the next press on the table takes the colour there for the ink that is tuned. */
  picking = $state(false);
  /** Colourways of other commissions, once they were asked for. */
  others = $state.raw<readonly OtherColourway[] | null>(null);
  private readonly looker = lookingWorker();
  private seed = 1;
  private shapes: Pick<Artwork, 'nodes' | 'oneColour'> | null = null;
  private readonly toucher = touchingWorker();
  private readonly shuffler = schemesWorker();
  private readonly oner = oneColourWorker();

  constructor(
    private readonly lineNow: () => Line,
    private readonly commission: () => Pick<Commission, 'grounds' | 'coloursWanted' | 'coloursUnwanted'>,
    private readonly place: string,
  ) {
    const before = kept(place, { least: 3, locked: [] as readonly string[], seed: 1, free: false });
    if (before)
      [this.least, this.locked, this.seed, this.free] = [before.least, before.locked, before.seed, before.free];
    onDestroy(() => {
      this.toucher.close();
      this.shuffler.close();
      this.oner.close();
      this.looker.close();
      this.lineNow().tried = null;
    });
  }

  get line(): Line {
    return this.lineNow();
  }
  /** As it is shown, with what is being tried. */
  get drawing(): Artwork {
    return this.line.drawing;
  }
  readonly grounds = $derived.by((): readonly Ground[] => {
    const own = this.commission().grounds;
    const plain = PLAIN_GROUNDS.filter((g) => !own.some((o) => o.hex.toUpperCase() === g.hex));
    return [...[...own, ...plain].map(plainGround), PHOTOGRAPH];
  });
  readonly rows = $derived.by(() => colourwaysOf(this.drawing));
  /** Inks of the mark: those of light and shadow alone are left to its depth. */
  readonly inks = $derived.by(() => {
    const depth = depthInks(this.drawing);
    return this.drawing.inks.map((ink, k) => ({ ...ink, k })).filter((i) => !depth.has(i.id));
  });
  /** The rows as the table has them. */
  readonly sorted = $derived.by(() => {
    const { rows, sortedBy, grounds } = this;
    const on = sortedBy === ON_ALL ? grounds : grounds.filter((g) => g.key === sortedBy);
    if (!on.length) return rows;
    const least = new Map(rows.map((r) => [r.id, Math.min(...on.map((g) => this.leastOn(r.hexes, g).least))]));
    return [...rows].sort((p, q) => least.get(q.id)! - least.get(p.id)!);
  });
  /** The one that is chosen, and its colours. */
  readonly row = $derived(this.rows.find((r) => r.id === this.chosen) ?? this.rows[0]);
  readonly hexes = $derived(this.row.hexes);
  /** What has too little contrast in it: inks that touch, and inks on the brief's grounds. */
  readonly weak = $derived.by((): readonly WeakPair[] => {
    const { drawing, hexes, touching, least } = this;
    if (!touching || touching.shares.length !== hexes.length) return [];
    return weakPairs(drawing, hexes, this.commission().grounds, least, touching).slice(0, WEAK_MOST);
  });

  remember(): void {
    keep(this.place, { least: this.least, locked: this.locked, seed: this.seed, free: this.free });
  }

  /** Looks at the shapes anew, if they changed: which inks touch, and how the mark stands in one colour. */
  look(): void {
    const { kept: artwork } = this.line;
    const { nodes, oneColour } = artwork;
    if (this.shapes?.nodes === nodes && this.shapes.oneColour === oneColour) return;
    this.shapes = { nodes, oneColour };
    const own = $state.snapshot(artwork) as Artwork;
    this.toucher.ask(
      { want: 'touching', artwork: own },
      { onResult: (t) => (this.touching = t), onError: (m) => notices.tell(m, { id: 'colours' }) },
    );
    this.oner.ask(
      { want: 'one-colour', artwork: own },
      { onResult: (o) => (this.one = o), onError: () => (this.one = null) },
    );
  }

  /** The artwork in colours, as it is seen; the same one as long as neither its shapes nor those change. */
  seen(hexes: readonly string[]): Artwork {
    const { drawing, vision } = this;
    const own = hexes.map((hex) => seenAs(hex, vision));
    const gradients = drawing.inks.some((i) => i.gradient) ? JSON.stringify(drawing.inks) : '';
    const key = `${own.join()}${gradients}`;
    if (this.seenOf !== drawing.nodes) {
      this.seenOf = drawing.nodes;
      this.seenBefore.clear();
    }
    let artwork = this.seenBefore.get(key);
    if (!artwork) {
      artwork = withHexes(drawing, new Map(drawing.inks.map((ink, k) => [ink.id, own[k]])));
      if (this.seenBefore.size > SEEN_MOST) this.seenBefore.clear();
      this.seenBefore.set(key, artwork);
    }
    return artwork;
  }
  private seenOf: Artwork['nodes'] | null = null;
  private readonly seenBefore = new Map<string, Artwork>();
  groundSeen(hex: string): string {
    return seenAs(hex, this.vision);
  }

  /** The least contrast on a ground as it is seen, and what has it; on a picture, on any colour in it. */
  leastOn(hexes: readonly string[], ground: Ground): { least: number; between: readonly [string, string] | null } {
    if (!this.touching) return { least: Infinity, between: null };
    const seen = (hex: string) => seenAs(hex, this.vision);
    return leastContrastOf(this.drawing, hexes.map(seen), ground.hexes.map(seen), this.touching);
  }

  /** Gives an ink the nearest lightness at which it has enough contrast. */
  putRight({ inkId, against }: WeakPair): void {
    const k = this.drawing.inks.findIndex((i) => i.id === inkId);
    const better = contrasting(this.hexes[k], against, this.least);
    if (better) this.set([[inkId, better]]);
    else notices.tell(`No lightness of it has ${this.least} : 1 with ${against}`, { id: 'colours' });
  }

  /** The edit that gives inks of the chosen colourway other colours. */
  private editOf(changes: readonly (readonly [string, string])[]): Edit[] {
    if (this.chosen === MASTER) return changes.map(([inkId, hex]) => ({ kind: 'ink-colour', inkId, hex }));
    return [
      { kind: 'colourway-inks', colourwayId: this.chosen, inks: changes.map(([inkId, hex]) => ({ inkId, hex })) },
    ];
  }
  set(changes: readonly (readonly [string, string])[]): void {
    this.line.tried = null;
    if (changes.length) this.line.edit(...this.editOf(changes));
  }
  try(changes: readonly (readonly [string, string])[]): void {
    this.line.tried = this.editOf(changes);
  }

  /** One step for the ink that is marked, or for all that are not locked. */
  step(how: Tuning): void {
    const { inks, hexes } = this;
    const changes = inks.flatMap(({ k, ...ink }): [string, string][] => {
      if (this.inkId ? ink.id !== this.inkId : this.locked.includes(ink.id)) return [];
      const hex = tuned(hexes[k], how);
      return hex === hexes[k] ? [] : [[ink.id, hex]];
    });
    this.set(changes);
  }

  /** What becomes of an ink in one colour, or reversed; whether that was decided by hand. */
  stateOf(inkId: string, on: 'plain' | 'reversed'): { state: OneColourState; isByHand: boolean } | null {
    const made = this.one?.[on];
    if (!made) return null;
    const choice = this.drawing.oneColour?.find((c) => c.inkId === inkId)?.[on];
    return { state: choice ?? made.states[inkId], isByHand: choice !== undefined };
  }

  /** Turns that round by hand, or leaves it to what touches what again. */
  turnState(inkId: string, on: 'plain' | 'reversed'): void {
    const now = this.stateOf(inkId, on);
    if (!now) return;
    const state = now.isByHand ? null : now.state === 'filled' ? 'left' : 'filled';
    this.line.edit({ kind: 'one-colour', inkId, on, state });
  }

  toggleLock(inkId: string): void {
    this.locked = this.locked.includes(inkId) ? this.locked.filter((k) => k !== inkId) : [...this.locked, inkId];
    this.remember();
  }

  /** Twelve more schemes, other ones than before. */
  shuffle(): void {
    this.busy = true;
    const { coloursWanted, coloursUnwanted, grounds } = this.commission();
    const wish = {
      count: 12,
      seed: this.seed++,
      least: this.least,
      grounds: grounds.map((g) => g.hex),
      locked: this.locked.filter((k) => this.drawing.inks.some((i) => i.id === k)),
      wanted: coloursIn(coloursWanted),
      unwanted: coloursIn(coloursUnwanted),
      free: this.free,
    };
    this.remember();
    this.shuffler.ask(
      { want: 'schemes', artwork: $state.snapshot(this.line.kept) as Artwork, ask: wish },
      {
        onResult: (schemes) => {
          this.busy = false;
          this.schemes = schemes;
        },
        onError: (message) => {
          this.busy = false;
          notices.tell(message, { id: 'colours' });
        },
      },
    );
  }

  /** Keeps one of the schemes as a colourway. */
  keepScheme(k: number): void {
    const scheme = this.schemes?.schemes[k];
    if (!scheme) return;
    const { drawing, touching } = this;
    const shares = touching?.shares ?? drawing.inks.map(() => 1);
    const most = shares.indexOf(Math.max(...shares));
    this.add(nameColour(scheme.hexes[most]), scheme.hexes, scheme.how);
    this.schemes = { ...this.schemes!, schemes: this.schemes!.schemes.filter((_, m) => m !== k) };
  }

  /** Adds a colourway and chooses it; where one is called the same, it is numbered. */
  private add(stem: string, hexes: readonly string[], how: string): void {
    const taken = new Set(this.rows.map((r) => r.name));
    const short = stem.slice(0, 56).trim();
    let name = short;
    for (let n = 2; taken.has(name); n++) name = `${short} ${n}`;
    const id = `colourway-${crypto.randomUUID().slice(0, 8)}`;
    const colourway = colourwayFrom(this.drawing, id, name, hexes, how.slice(0, 120));
    this.line.edit({ kind: 'add-colourway', colourway: colourway as never });
    this.chosen = id;
  }

  /** A copy of the chosen colourway, to be changed by hand. */
  copy(): void {
    this.add(`${this.row.name} by hand`, this.row.hexes, 'by hand');
  }

  /** A colourway in the colours of a palette, what is dark and light kept. Inks that are locked stay. */
  private lend(palette: readonly Shared[], name: string, how: string): void {
    const { inks, touching, locked, least, row } = this;
    if (inks.every((i) => locked.includes(i.id)))
      return void notices.tell('All inks are locked: unlock those that may change', { id: 'colours' });
    const hexes = lentTo(this.line.kept, row.hexes, palette, { locked, least }, touching ?? undefined);
    this.add(name, hexes, how);
  }

  /** One in the colours of a picture. */
  fromPicture({ href, label }: Pick<PictureBelow, 'href' | 'label'>): void {
    this.busy = true;
    this.looker.ask(
      { want: 'look', href, entries: [] },
      {
        onResult: (look) => {
          this.busy = false;
          if (!look.palette.length) return void notices.tell(`${label} has no colours`, { id: 'colours' });
          this.lend(look.palette.slice(0, Math.max(2, this.inks.length)), `as ${label}`, `the colours of ${label}, dark to light kept`); // prettier-ignore
        },
        onError: (message) => {
          this.busy = false;
          notices.tell(message, { id: 'colours' });
        },
      },
    );
  }

  /** Asks for what others there are, once. */
  async lookForOthers(commissionId: string): Promise<void> {
    if (this.others) return;
    try {
      this.others = await ask<OtherColourway[]>('GET', `/api/commissions/${commissionId}/other-colourways`);
    } catch (error) {
      notices.fail(error);
    }
  }
  /** One in the colours of another commission's. */
  fromOther({ hexes, artwork, commission, name }: OtherColourway): void {
    const palette = hexes.map((hex) => ({ hex, share: 1 / hexes.length }));
    this.lend(palette, `as ${artwork}`, `${name} of ${artwork}, ${commission}`);
  }

  /** Takes a colour that was picked for the ink that is tuned. */
  picked(hex: string | null): void {
    this.picking = false;
    if (!hex) notices.tell('There is no colour at that place: the ink is as it was', { id: 'colours' });
    else if (this.inkId) this.set([[this.inkId, hex]]);
  }

  rename(name: string): void {
    if (name.trim()) this.line.edit({ kind: 'colourway-name', colourwayId: this.chosen === MASTER ? null : this.chosen, name: name.trim() }); // prettier-ignore
  }
  makeMaster(): void {
    if (this.chosen === MASTER) return;
    this.line.edit({ kind: 'make-master', colourwayId: this.chosen });
    this.chosen = MASTER;
  }
  remove(): void {
    if (this.chosen === MASTER) return;
    const at = this.rows.findIndex((r) => r.id === this.chosen);
    this.line.edit({ kind: 'remove-colourway', colourwayId: this.chosen });
    this.chosen = this.rows[Math.max(0, at - 1)]?.id ?? MASTER;
  }
  next(by: number): void {
    const at = this.rows.findIndex((r) => r.id === this.chosen);
    this.chosen = this.rows[(at + by + this.rows.length) % this.rows.length].id;
  }
}
