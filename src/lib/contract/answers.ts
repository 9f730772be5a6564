/** What the API answers, as the server writes it and the interface reads it. */
import type { FoundFigure, Kind, PromptParts, Settled } from '$core/prompt';
import type { Embedding, FaceFiles, FamilyFacts, OwnFaceFacts } from '$core/lettering';
import type { Lockup } from '$core/lockup';
import type { MotionKind } from '$core/motion';
import type { For, Look, PackageChanges, PackageCheck, PackageSets, PlannedFile, Weight } from '$core/package';
import type { TraceOptions } from '$core/trace';
import type { FoundLine, Verdict } from '$core/reading';
import type { EntryFault, Retouched } from '$core/retouch';
import type { Artwork, Edit } from '$core/vector';
import type { NameWay } from '$core/naming';
import type { Economy, ThreadCost, Told, WordTold } from '$core/wording';

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
  /** The engine can grow from it; another picture can only be followed. */
  readonly grows: boolean;
  /** The engine can draw it larger. */
  readonly enlarges: boolean;
  /** For a candidate made from a sketch: the share 0..1 of it that is left, and where the sketch's picture lies, in shares of this one. */
  readonly sketch: SketchLeft | null;
  /** What its lettering says; null until it was read. */
  readonly lettering: CandidateLettering | null;
  readonly createdAt: string;
}

/** Lettering that was read in a candidate, held against what its prompt asked for. */
export interface CandidateLettering {
  readonly verdict: Verdict;
  /** All its words; empty where there are none. */
  readonly reads: string;
  /** Empty where none was asked for. */
  readonly asked: string;
}

/** Lettering of a picture, line by line. */
export interface LetteringRead {
  readonly asked: string;
  readonly verdict: Verdict;
  readonly lines: readonly FoundLine[];
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
  /** What could be drawn instead of words that nothing is drawn for; an engine may not say. */
  readonly near?: Readonly<Record<string, readonly string[]>>;
}

export interface Wall {
  readonly rounds: readonly Round[];
  readonly broughtIn: readonly Candidate[];
}

/** A name for the client that was decided about. */
export interface ClientName {
  readonly id: string;
  readonly name: string;
  readonly way: NameWay;
  readonly of: readonly string[];
  readonly told: string;
  readonly decision: DecisionState;
}

/** A prompt with a gap for its figure, for every commission. */
export interface Pattern {
  readonly id: string;
  readonly prompt: string;
  readonly settings: {
    readonly leaveOut: string;
    readonly leeway: number;
    readonly finish: string | null;
    readonly kind: Kind | null;
    readonly detail: number | null;
    readonly colours: number | null;
    readonly count: number;
  };
  /** It was put away. */
  readonly archived: boolean;
}

/** The prompts of a commission, kept ones first, what led where, and what it cost. */
export interface Wording {
  readonly prompts: readonly Told[];
  readonly words: { readonly kept: readonly WordTold[]; readonly aside: readonly WordTold[] };
  readonly rounds: readonly Told[];
  readonly economy: Economy;
  readonly threads: readonly ThreadCost[];
  /** Credits of rounds that no thread came through. */
  readonly besides: number;
}

/** Anything with a history. */
export type WorkKind = 'retouched' | 'artwork' | 'lockup';

export interface WorkStep {
  readonly id: string;
  readonly number: number;
  readonly parent: string | null;
  /** What it was: edits of what was there, or what made it anew. */
  readonly kind: 'trace' | 'retouch' | 'edits' | 'brought-in' | 'blank' | 'copy' | 'lockup';
  readonly told: string;
  readonly createdAt: string;
}

/** A work of an artwork's drawing, or of another kind's state. */
export interface WorkState<State = Artwork> {
  readonly id: string;
  readonly commissionId: string;
  readonly kind: WorkKind;
  readonly name: string;
  readonly head: string;
  readonly version: number;
  /** What it is at its head: an artwork's drawing, a retouched picture's list. */
  readonly drawing: State;
  /** The candidate that it was made from; null for what was brought in, copied or begun from nothing. */
  readonly candidateId: string | null;
  readonly groundHex: string | null;
  /** Of the trace that it goes back to; null where it goes back to none. */
  readonly traceOptions: TraceOptions | null;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** Newest first. */
  readonly steps: readonly WorkStep[];
}

/** A picture that may lie below an artwork while that is drawn. */
export interface PictureBelow {
  readonly id: string;
  readonly href: string;
  readonly label: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** The artwork was made from it. */
  readonly isSource: boolean;
}

/** A colourway of an artwork of another commission, to take colours from. */
export interface OtherColourway {
  readonly workId: string;
  readonly commission: string;
  readonly artwork: string;
  readonly colourwayId: string;
  readonly name: string;
  readonly hexes: readonly string[];
}

/** What acts on a work led to. */
export interface ActsAnswer<State = Artwork> {
  readonly head: string;
  readonly version: number;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** The steps that acts of this request led to, newest first. */
  readonly added: readonly WorkStep[];
  /** The state at the head; null where the acts were edits alone, which whoever sent them has made already. */
  readonly drawing: State | null;
  /** The act that could not be done; neither were those after it, while those before it were. */
  readonly refused: { readonly key: string; readonly code: string; readonly message: string } | null;
}

/** An SVG file as an artwork. */
export interface BroughtIn {
  readonly artwork: WorkState;
  readonly leftOut: readonly { readonly what: string; readonly count: number }[];
}

/** A lockup, and what it names. */
export interface LockupAnswer {
  readonly work: WorkState<Lockup>;
  /** The artworks that its marks show, by their step; those that are gone are left out. */
  readonly artworks: Readonly<Record<string, Artwork>>;
  /** The artworks as they stand now. */
  readonly marks: readonly {
    readonly id: string;
    readonly name: string;
    readonly head: string;
    readonly version: number;
  }[];
  /** Numbers of the steps that its marks show. */
  readonly versions: Readonly<Record<string, number>>;
  /** Other lockups of the commission that spell the name otherwise. */
  readonly others: readonly { readonly id: string; readonly name: string; readonly spelling: string | null }[];
}

/** A face that was brought in, and what its file says. */
export type BroughtFace = OwnFaceFacts & { readonly id: string };

/** The face that lettering is begun with. */
export interface FaceBegun {
  readonly family: string;
  readonly name: string;
  readonly weight: number;
  readonly licence: string;
  readonly because: readonly string[];
}

/** A family's files, and its licence. */
export interface FaceToldOf {
  readonly id: string;
  readonly name: string;
  readonly licence: string;
  readonly licenceText: string;
  readonly embedding: Embedding;
  readonly files: FaceFiles;
}

/** A face that ships, with what it has in common with an artwork, and at which weight. */
export type LikeFaceAnswer = FamilyFacts & {
  readonly weight: number;
  readonly because: readonly string[];
  /** Of its capitals, against their height; null where it was not measured. */
  readonly width: number | null;
};

/** A retouched picture: its list of steps. */
export type RetouchedState = WorkState<Retouched>;

/** The picture that a list made at a step of its history, and which of its steps did not fit. */
export interface RetouchedPicture {
  readonly pictureId: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly faults: readonly EntryFault[];
}

export type { Edit };

export interface DeliveryFile {
  readonly name: string;
  readonly about: string;
  readonly bytes: number;
  /** Left out of packages that were made before files were told apart. */
  readonly for?: For;
  readonly widthPx?: number | null;
  readonly heightPx?: number | null;
  readonly sha256?: string;
}

/** What a package says of itself. */
export interface PackageAbout {
  readonly commission: string;
  /** What names of files begin with. */
  readonly stem?: string;
  readonly client: string;
  readonly artwork: string;
  /** The one set of inks that was asked for, where it was one. */
  readonly colourway?: { readonly id: string; readonly name: string };
  readonly version: number;
  /** ISO date of the delivery, as in "2026-11-24". */
  readonly date: string;
}

/** A work that a delivery has, as it was when that was asked for. */
export interface DeliveredWork {
  readonly workId: string;
  readonly stepId: string;
  readonly kind: WorkKind;
  readonly name: string;
  readonly stem: string;
  readonly version: number;
  /** ISO date of that version. */
  readonly date: string;
}

/** A look of a work, and what it is wanted for. */
export interface DeliveredRow {
  readonly workId: string;
  readonly look: Look;
  readonly for: readonly For[];
  readonly stem: string;
}

/** What is wanted of which works. */
export interface DeliveryAsked {
  readonly works: readonly DeliveredWork[];
  readonly rows: readonly DeliveredRow[];
  readonly sets: PackageSets;
  readonly grounds: readonly GroundColour[];
}

export interface Delivery {
  readonly id: string;
  readonly number: number;
  readonly workId: string;
  readonly stepId: string;
  readonly version: number;
  readonly about: PackageAbout;
  readonly note: string;
  readonly state: 'waiting' | 'packing' | 'done' | 'failed' | 'cancelled';
  /** Share of its files that are made, 0..1, and the last of them. */
  readonly progress: number;
  readonly doing: string | null;
  readonly error: string | null;
  /** Null in deliveries of one work from before. */
  readonly asked: DeliveryAsked | null;
  /** Of the package made last; none in lists. */
  readonly files: readonly DeliveryFile[];
  readonly fileCount: number;
  readonly bytes: number;
  /** Of the package made last. */
  readonly sha256: string | null;
  /** What was looked at before it left; none in lists. */
  readonly checks: readonly PackageCheck[];
  /** How many of those are to be looked at. */
  readonly faults: number;
  /** Against the one that was done before it; null where there is none, or its files were not told apart. */
  readonly changes: (PackageChanges & { readonly since: number }) | null;
  /** Every package that was ever made of it, newest first: more than one where making it again gave other bytes. */
  readonly packages: readonly { readonly sha256: string; readonly bytes: number; readonly createdAt: string }[];
  readonly createdAt: string;
}

/** A work as it can be packed: its looks, each with what it is wanted for to begin with. */
export interface PackableWork extends DeliveredWork {
  /** It is what is delivered from, or made of the same mark. */
  readonly isRelated: boolean;
  /** The movements that it can have. */
  readonly motions: readonly MotionKind[];
  readonly widthPx: number;
  readonly heightPx: number;
  readonly looks: readonly { readonly look: Look; readonly for: readonly For[] }[];
}

/** A file that a package could have. */
export type PackableFile = Pick<PlannedFile, 'name' | 'for' | 'part' | 'about' | 'making' | 'widthPx' | 'heightPx'> & {
  readonly workId: string;
  readonly look: string;
};

/** All that a package of a commission's works could have, of which one takes what is wanted. */
export interface PackagePlan {
  readonly works: readonly PackableWork[];
  readonly files: readonly PackableFile[];
  readonly sets: PackageSets;
}

/** What can be told of a look of a work before files are made of it. */
export interface LookFacts {
  readonly checks: readonly PackageCheck[];
  readonly weight: Weight;
  /** Of what a press takes, with how it is printed if nothing else is said: shares in percent. */
  readonly inks: readonly {
    readonly hex: string;
    readonly name: string;
    readonly cmyk: readonly [number, number, number, number];
  }[];
}

/** A work on the thread, with the works that were made from it. */
export interface ThreadWork {
  readonly id: string;
  readonly kind: WorkKind;
  readonly name: string;
  readonly head: string;
  readonly version: number;
  readonly steps: number;
  readonly deliveries: number;
  /** It was begun as nothing and drawn, not traced. */
  readonly isDrawn: boolean;
  readonly works: readonly ThreadWork[];
}

/** One concept's line of descent, after the rounds: from a candidate, or from a work that none was made from. It forks where its works do. */
export interface ThreadBranch {
  readonly candidate: Candidate | null;
  readonly works: readonly ThreadWork[];
}

export interface Thread {
  readonly rounds: number;
  readonly broughtIn: number;
  readonly latestPictureId: string | null;
  readonly branches: readonly ThreadBranch[];
}

/** What is heard over the event stream of a commission. */
export interface WatchEvent {
  readonly subject: 'commission' | 'round' | 'candidate' | 'work' | 'delivery' | 'everything';
  readonly id: string;
  readonly commissionId: string;
  readonly state?: string;
  readonly progress?: number | null;
  /** Of a delivery: the file that was made last. */
  readonly doing?: string | null;
  /** Of a work. */
  readonly head?: string;
}
