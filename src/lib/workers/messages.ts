import type { Schemes } from '$core/colour';
import type { Construction, Symmetry } from '$core/exact';
import type { DrawnLockup, FaceChoice, Lockup, LockupLine } from '$core/lockup';
import type { Alternate } from '$core/typeset';
import type { ProofSheet } from '$core/judge';
import type { Contour } from '$core/path';
import type { Picture } from '$core/raster';
import type { Deviation, OfferedGuide } from '$core/redraw';
import type {
  EnclosedArea,
  EntryFault,
  MendWay,
  Noticed,
  PaletteColour,
  RetouchEntry,
  RetouchStep,
} from '$core/retouch';
import type { EconomyPoint, Trace, TraceOptions } from '$core/trace';
import type { Artwork, Edit, FoundShadow, NearlyLine, OneColour, Ramp, ShuffleAsk, Touching } from '$core/vector';

/** A mark to be judged: a picture by its address or its pixels, or an artwork. */
export type ProofSource =
  | { readonly kind: 'picture'; readonly href: string }
  | { readonly kind: 'pixels'; readonly picture: Picture }
  | { readonly kind: 'artwork'; readonly artwork: Artwork };

export interface ProofRequest {
  readonly id: number;
  readonly source: ProofSource;
}

export interface TraceRequest {
  readonly id: number;
  /** A trace, or the economy curve of traces by these options. */
  readonly want: 'trace' | 'economy';
  readonly href: string;
  readonly options: TraceOptions;
  /** Shared with the page: not 0 at index 0 means that nobody wants the result any more. */
  readonly stop: Int32Array | null;
}

/** What is asked about a picture and a list of steps on it. */
export type RetouchWant =
  /** The picture that the list makes. */
  | { readonly want: 'make'; readonly href: string; readonly entries: readonly RetouchEntry[] }
  /** What is worth a look in that, and its colours. */
  | { readonly want: 'look'; readonly href: string; readonly entries: readonly RetouchEntry[] }
  /** The fills of a mend that comes after the list. */
  | {
      readonly want: 'fills';
      readonly href: string;
      readonly entries: readonly RetouchEntry[];
      readonly step: RetouchStep & { kind: 'mend' };
      readonly count: number;
    }
  /** What a cut-out that comes after the list encloses. */
  | {
      readonly want: 'enclosed';
      readonly href: string;
      readonly entries: readonly RetouchEntry[];
      readonly step: RetouchStep & { kind: 'cut-out' };
    };

export type RetouchRequest = RetouchWant & { readonly id: number; readonly stop: Int32Array | null };

export interface MadePicture {
  readonly bitmap: ImageBitmap;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly faults: readonly EntryFault[];
  /** The same, small enough to be judged. */
  readonly small: Picture;
}

export interface Look {
  readonly noticed: readonly Noticed[];
  readonly palette: readonly PaletteColour[];
}

/** One way in which a mend may come out, seen small: the area and a little around it. */
export interface FillShown {
  readonly how: MendWay;
  readonly seed: number;
  readonly picture: Picture;
}

export type RetouchResult = MadePicture | Look | readonly FillShown[] | readonly EnclosedArea[];

/** What is asked about the shapes of an artwork. */
export type ShapesWant =
  /** What they nearly are: quick findings first. */
  | { readonly want: 'nearly'; readonly artwork: Artwork; readonly nodes: readonly string[] | 'all' }
  /** What edits make of them. */
  | { readonly want: 'edits'; readonly artwork: Artwork; readonly edits: readonly Edit[] }
  /** What they are constructed of, and about what they are the same. */
  | {
      readonly want: 'construction';
      readonly artwork: Artwork;
      readonly nodes: readonly string[] | 'all';
      readonly withinPx: number;
    }
  /** How many points do within how much. */
  | { readonly want: 'curve'; readonly artwork: Artwork; readonly nodes: readonly string[] | 'all' }
  /** Guides that a picture offers, whose edges these are. */
  | { readonly want: 'offered'; readonly edges: readonly Contour[]; readonly sizePx: number }
  /** Which of its inks touch. */
  | { readonly want: 'touching'; readonly artwork: Artwork }
  /** Other colours for its inks. */
  | { readonly want: 'schemes'; readonly artwork: Artwork; readonly ask: ShuffleAsk }
  /** It in one colour, and reversed. */
  | { readonly want: 'one-colour'; readonly artwork: Artwork }
  /** Whether its depth lies on shapes as they were, and which of its pieces are one shadow or one gradient. */
  | { readonly want: 'depth'; readonly artwork: Artwork }
  /** How far the artwork lies from those. */
  | { readonly want: 'deviation'; readonly artwork: Artwork; readonly edges: readonly Contour[] };

export type ShapesRequest = ShapesWant & { readonly id: number; readonly stop: Int32Array | null };

/** An artwork's pieces after edits, as one edit that is quickly made, and what that did in figures. */
export interface ShapesMade {
  /** Null where nothing changed. */
  readonly put: Edit | null;
  readonly told: string;
  readonly points: readonly [number, number];
  readonly areaPx2: readonly [number, number];
  /** How far outlines lie, at most, from those before. */
  readonly greatestPx: number;
}

export interface ConstructionFound {
  readonly construction: Construction;
  /** The likeliest axis of all that was asked about, and of each group, by its id; those that have none are left out. */
  readonly axes: readonly { readonly of: string | null; readonly axis: Symmetry & { kind: 'mirror' } }[];
}

/** So many points do, within so much. */
export interface CurvePoint {
  readonly tolerancePx: number;
  readonly points: number;
  readonly greatestPx: number;
}

export type ShapesResult =
  | readonly NearlyLine[]
  | ShapesMade
  | ConstructionFound
  | readonly CurvePoint[]
  | readonly OfferedGuide[]
  | Deviation
  | Touching
  | Schemes
  | InOneColour
  | DepthSeen;

/** What is worth a look in an artwork's depth. */
export interface DepthSeen {
  readonly isStale: boolean;
  readonly shadows: readonly FoundShadow[];
  readonly ramps: readonly Ramp[];
}

/** An artwork in one colour, on a light ground and on a dark one. */
export interface InOneColour {
  readonly plain: OneColour;
  readonly reversed: OneColour;
}

/** What is asked about lockups and lettering. */
export type LetteringWant =
  /** It drawn: what is the ground's painted with that, or cut out of what lies below. */
  | { readonly want: 'draw'; readonly lockup: Lockup; readonly artworks: Artworks; readonly ground: string; readonly lettersOf?: string | null } // prettier-ignore
  /** It in other layouts, and in other faces of the same layout. */
  | {
      readonly want: 'layouts';
      readonly mark: { readonly workId: string; readonly stepId: string; readonly artwork: Artwork };
      readonly name: string;
      readonly line: string;
      readonly face: FaceChoice;
      readonly inkId: string | null;
    }
  /** What is worth a look in it. */
  | { readonly want: 'look'; readonly lockup: Lockup; readonly artworks: Artworks }
  /** What a face has beside its plain letters, of a text. */
  | { readonly want: 'alternates'; readonly face: FaceChoice; readonly text: string };
/** Artworks by their step. */
export type Artworks = Readonly<Record<string, Artwork>>;

/** On a channel of its own, since several ask one worker; replies come on the same. */
export type LetteringRequest = LetteringWant & { readonly id: number; readonly channel: number; readonly stop: Int32Array | null }; // prettier-ignore

/** One layout, drawn. */
export interface LayoutShown {
  readonly id: string;
  readonly words: string;
  readonly lockup: Lockup;
  readonly artwork: Artwork;
}

export type LetteringResult = DrawnLockup | readonly LayoutShown[] | LockupLook | AlternatesShown;

/** What is worth a look in a lockup, and the upright axes of its marks, by their step, across in the artwork. */
export interface LockupLook {
  readonly lines: readonly LockupLine[];
  readonly axes: Readonly<Record<string, readonly { readonly at: number; readonly told: string }[]>>;
}

/** What a face offers for a text: alternates as pictures, its axes, and its weights. */
export interface AlternatesShown {
  readonly alternates: readonly Alternate[];
  readonly axes: readonly {
    readonly tag: string;
    readonly min: number;
    readonly default: number;
    readonly max: number;
  }[];
  readonly weights: readonly number[];
  readonly hasItalic: boolean;
  readonly hasSmallCapitals: boolean;
}

export type Reply<T> =
  | { readonly id: number; readonly what: 'progress'; readonly done: number }
  /** A first, coarse result; a better one follows. */
  | { readonly id: number; readonly what: 'coarse'; readonly result: T }
  | { readonly id: number; readonly what: 'result'; readonly result: T }
  | { readonly id: number; readonly what: 'stopped' }
  | { readonly id: number; readonly what: 'error'; readonly message: string };

export type ProofReply = Reply<ProofSheet>;
export type TraceReply = Reply<Trace>;
export type EconomyReply = Reply<readonly EconomyPoint[]>;
