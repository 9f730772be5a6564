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
  type Tuning,
  type Vision,
} from '$core/colour';
import {
  colourwayFrom,
  colourwaysOf,
  leastContrastOf,
  MASTER,
  weakPairs,
  withHexes,
  type Artwork,
  type Edit,
  type OneColourState,
  type Touching,
  type WeakPair,
} from '$core/vector';
import type { Commission, GroundColour } from '$lib/contract/answers';
import { oneColourWorker, schemesWorker, touchingWorker } from '$lib/workers/client';
import type { InOneColour } from '$lib/workers/messages';
import { keep, kept } from '../kept';
import { notices } from '../notices.svelte';
import type { lineOf } from '../work/line.svelte';

type Line = ReturnType<typeof lineOf>;

/** Grounds beside the brief's that every colourway is seen on. */
const PLAIN_GROUNDS: readonly GroundColour[] = [
  { name: 'white', hex: '#FFFFFF' },
  { name: 'mid grey', hex: '#808080' },
  { name: 'black', hex: '#111111' },
];

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
  readonly grounds = $derived.by((): readonly GroundColour[] => {
    const own = this.commission().grounds;
    return [...own, ...PLAIN_GROUNDS.filter((g) => !own.some((o) => o.hex.toUpperCase() === g.hex))];
  });
  readonly rows = $derived.by(() => colourwaysOf(this.drawing));
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

  /** The artwork in colours, as it is seen. */
  seen(hexes: readonly string[]): Artwork {
    const { drawing, vision } = this;
    return withHexes(drawing, new Map(drawing.inks.map((ink, k) => [ink.id, seenAs(hexes[k], vision)])));
  }
  groundSeen(hex: string): string {
    return seenAs(hex, this.vision);
  }

  leastOn(hexes: readonly string[], ground: string): { least: number; between: readonly [string, string] | null } {
    if (!this.touching) return { least: Infinity, between: null };
    return leastContrastOf(this.drawing, hexes, [ground], this.touching);
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
    const { drawing, hexes } = this;
    const changes = drawing.inks.flatMap((ink, k): [string, string][] => {
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
    const ask = {
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
      { want: 'schemes', artwork: $state.snapshot(this.line.kept) as Artwork, ask },
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
    const taken = new Set(this.rows.map((r) => r.name));
    const stem = nameColour(scheme.hexes[most]);
    let name = stem;
    for (let n = 2; taken.has(name); n++) name = `${stem} ${n}`;
    const id = `colourway-${crypto.randomUUID().slice(0, 8)}`;
    this.line.edit({
      kind: 'add-colourway',
      colourway: colourwayFrom(drawing, id, name, scheme.hexes, scheme.how) as never,
    });
    this.chosen = id;
    this.schemes = { ...this.schemes!, schemes: this.schemes!.schemes.filter((_, m) => m !== k) };
  }

  /** A copy of the chosen colourway, to be changed by hand. */
  copy(): void {
    const own = this.row;
    const id = `colourway-${crypto.randomUUID().slice(0, 8)}`;
    this.line.edit({ kind: 'add-colourway', colourway: colourwayFrom(this.drawing, id, `${own.name} by hand`, own.hexes, 'by hand') as never }); // prettier-ignore
    this.chosen = id;
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
