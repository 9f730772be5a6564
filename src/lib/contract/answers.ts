/** What the API answers, as the server writes it and the interface reads it. */
import type { FoundFigure, Kind, PromptParts, Settled } from '$core/prompt';
import type { PackageAbout } from '$core/package';
import type { TraceOptions } from '$core/trace';
import type { Artwork, Edit } from '$core/vector';

/** Every refusal has this shape. */
export interface ProblemAnswer {
  readonly error: {
    readonly code: string;
    /** One sentence for the person: what happened, what was kept, what to do. */
    readonly message: string;
    readonly fields?: Readonly<Record<string, string>>;
  };
}

export interface GroundColour {
  readonly name: string;
  readonly hex: string;
}

export interface Brief {
  readonly name: string;
  readonly client: string;
  readonly trade: string;
  readonly audience: string;
  readonly mood: string;
  readonly coloursWanted: string;
  readonly coloursUnwanted: string;
  readonly grounds: readonly GroundColour[];
  readonly kindOfMark: string;
  readonly notes: string;
  readonly allowance: number;
}

export interface Commission extends Brief {
  readonly id: string;
  readonly archived: boolean;
  readonly revision: number;
  readonly createdAt: string;
  /** Credits charged, and those that running rounds may yet be charged. */
  readonly creditsSpent: number;
  readonly creditsReserved: number;
}

export type Station = 'brief' | 'rounds' | 'trace' | 'artwork' | 'delivered';

/** A commission in the list, with pictures of where it stands. */
export interface CommissionCard {
  readonly id: string;
  readonly name: string;
  readonly client: string;
  readonly trade: string;
  readonly archived: boolean;
  readonly revision: number;
  readonly createdAt: string;
  readonly station: Station;
  readonly rounds: number;
  readonly kept: number;
  readonly artworks: number;
  readonly deliveries: number;
  /** Artworks first, then kept and undecided candidates, newest first. */
  readonly pictures: readonly { readonly href: string; readonly label: string }[];
}

export type RoundState = 'waiting' | 'drawing' | 'done' | 'failed' | 'cancelled';
export type DecisionState = 'undecided' | 'kept' | 'aside';

export interface Candidate {
  readonly id: string;
  /** "5.1" from a round, the file's name when brought in. */
  readonly label: string;
  readonly roundId: string | null;
  readonly position: number;
  readonly pictureId: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly seed: number | null;
  readonly fileName: string | null;
  readonly decision: DecisionState;
  readonly artworkId: string | null;
  /** The engine can grow from it and draw it larger; a picture that was brought in or mended can only be followed. */
  readonly hasRecipe: boolean;
  /** For a candidate made from a sketch: the share 0..1 of it that is left, and where the sketch's picture lies, in shares of this one. */
  readonly sketch: SketchLeft | null;
  readonly createdAt: string;
}

export interface SketchLeft {
  readonly kept: number;
  readonly frame: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  readonly pictureId: string;
}

/** A picture that was given with a prompt. */
export interface RoundReference {
  readonly pictureId: string;
  readonly closeness: number;
  readonly candidateId: string | null;
}

/** Where a round started from, with the labels of the candidates as they stand on the wall. */
export type RoundWay =
  | { readonly kind: 'prompt' }
  | { readonly kind: 'offshoot'; readonly from: string; readonly candidateId: string; readonly drift: number }
  | { readonly kind: 'crossing'; readonly from: string; readonly with: string; readonly balance: number }
  | { readonly kind: 'redo'; readonly from: string; readonly candidateId: string }
  | { readonly kind: 'enlarge'; readonly from: string; readonly candidateId: string; readonly factor: number };

export interface FinishChoice {
  readonly name: string;
  readonly about: string;
}

export interface Round {
  readonly id: string;
  readonly number: number;
  readonly prompt: string;
  readonly leaveOut: string;
  readonly leeway: number;
  readonly ratio: string;
  readonly colours: number | null;
  readonly count: number;
  readonly seed: number;
  readonly state: RoundState;
  readonly progress: number;
  readonly error: string | null;
  readonly figures: readonly FoundFigure[] | null;
  /** Contradictions of the prompt, and which side won. */
  readonly settled: readonly Settled[];
  readonly finish: string | null;
  readonly kind: Kind | null;
  readonly detail: number | null;
  readonly flaws: number;
  readonly references: readonly RoundReference[];
  readonly way: RoundWay;
  readonly creditsCharged: number;
  readonly createdAt: string;
  readonly candidates: readonly Candidate[];
}

export interface Understood {
  readonly parts: PromptParts;
  readonly figures: readonly FoundFigure[];
}

export interface Wall {
  readonly rounds: readonly Round[];
  readonly broughtIn: readonly Candidate[];
}

export interface ArtworkStep {
  readonly id: string;
  readonly number: number;
  readonly parent: string | null;
  readonly kind: 'trace' | 'edit';
  readonly told: string;
  readonly createdAt: string;
}

export interface ArtworkState {
  readonly id: string;
  readonly commissionId: string;
  readonly candidateId: string;
  readonly name: string;
  readonly head: string;
  readonly version: number;
  readonly drawing: Artwork;
  readonly groundHex: string | null;
  readonly traceOptions: TraceOptions;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** Newest first. */
  readonly steps: readonly ArtworkStep[];
}

export type { Edit };

export interface DeliveryFile {
  readonly name: string;
  readonly about: string;
  readonly bytes: number;
}

export interface Delivery {
  readonly id: string;
  readonly number: number;
  readonly artworkId: string;
  readonly stepId: string;
  readonly version: number;
  readonly about: PackageAbout;
  readonly note: string;
  readonly state: 'waiting' | 'packing' | 'done' | 'failed';
  readonly error: string | null;
  readonly files: readonly DeliveryFile[];
  readonly bytes: number;
  readonly sha256: string | null;
  readonly createdAt: string;
}

/** One concept's line of descent, after the rounds. */
export interface ThreadBranch {
  readonly candidate: Candidate;
  readonly artwork: {
    readonly id: string;
    readonly head: string;
    readonly version: number;
    readonly steps: number;
  } | null;
  readonly deliveries: number;
}

export interface Thread {
  readonly rounds: number;
  readonly broughtIn: number;
  readonly latestPictureId: string | null;
  readonly branches: readonly ThreadBranch[];
}

/** What is heard over the event stream of a commission. */
export interface WatchEvent {
  readonly subject: 'commission' | 'round' | 'candidate' | 'artwork' | 'delivery' | 'everything';
  readonly id: string;
  readonly commissionId: string;
  readonly state?: string;
  readonly progress?: number | null;
}
