import type { Schemes } from '../core/colour';
import type { CandidateRequest, Recipe, SketchKept } from '../core/engine';
import type { Construction } from '../core/exact';
import type { SvgRead } from '../core/import';
import type { Picture } from '../core/raster';
import type { Lettering } from '../core/reading';
import type { EnclosedArea, EntryFault, InnerChoice, MendWay, RetouchEntry } from '../core/retouch';
import type { Trace, TraceOptions } from '../core/trace';
import type { Artwork, Edit, OneColour, OneColourOptions, ShuffleAsk } from '../core/vector';
import type { LockupFault } from '../core/lockup';
import type { FaceFileAsk } from './faces';
import type { LikeFound, LockupDrawing, LockupsAsk, MadeLockups } from './make-lockups';
import type { OwnFaceFacts, Specimen } from '../core/lettering';
import type { SpecimensAsk } from './specimens';
import type { FileAsk, FileMade, LookAsk, LookMade } from './package-tasks';
import type { LetteringAsk, SetLettering } from './set-lettering';

/** What a worker thread can do: for each kind of task, what goes in and what comes out. */
export interface Tasks {
  draw: {
    input: { request: CandidateRequest; position: number };
    output: {
      png: Uint8Array;
      seed: number;
      widthPx: number;
      heightPx: number;
      recipe: Recipe;
      sketch: SketchKept | null;
    };
  };
  /** The example of a finish, as a PNG. */
  example: { input: { finish: string }; output: Uint8Array };
  trace: { input: { picture: Picture; options: Partial<TraceOptions> }; output: Trace };
  /** An SVG file's text as an artwork. */
  readSvg: { input: string; output: SvgRead };
  /** A list made of a picture, passing over what does not fit. */
  retouch: {
    input: { picture: Picture; entries: readonly RetouchEntry[] };
    output: { png: Uint8Array; widthPx: number; heightPx: number; faults: readonly EntryFault[] };
  };
  mend: {
    input: { picture: Picture; area: Picture; count: number; seed: number };
    output: readonly { how: MendWay; png: Uint8Array }[];
  };
  cutOut: {
    input: { picture: Picture; inner: InnerChoice };
    output: { png: Uint8Array; groundHex: string | null; inner: readonly EnclosedArea[] };
  };
  /** Edits made in turn, and what that was, in words. */
  applyEdits: { input: { artwork: Artwork; edits: readonly Edit[] }; output: { artwork: Artwork; told: string } };
  /** What an artwork's pieces are constructed of. */
  construct: { input: { artwork: Artwork; nodes: readonly string[] | 'all' }; output: Construction };
  /** Schemes for an artwork's inks. */
  shuffle: { input: { artwork: Artwork; ask: ShuffleAsk }; output: Schemes };
  oneColour: { input: { artwork: Artwork; options: OneColourOptions }; output: OneColour };
  /** A text set in a face that ships. */
  setLettering: { input: LetteringAsk; output: SetLettering };
  /** A mark and a name in layouts. */
  lockups: { input: LockupsAsk; output: MadeLockups };
  /** A lockup as an artwork, and what of it could not be as it is meant. */
  drawLockup: { input: LockupDrawing; output: { artwork: Artwork; faults: readonly LockupFault[] } };
  /** A text in several faces. */
  specimens: { input: SpecimensAsk; output: readonly Specimen[] };
  /** The faces that ship, the likest to an artwork first, and at which weight. */
  facesLike: { input: Artwork; output: readonly LikeFound[] };
  /** The quiet one that is likest to an artwork and has all letters of a text. */
  faceFor: { input: { artwork: Artwork; text: string }; output: LikeFound };
  /** A part of a face that ships, or a file that was brought in, opened; null where there is none. */
  faceFile: { input: FaceFileAsk; output: Uint8Array | null };
  /** What a font file says of itself. */
  readFace: { input: Uint8Array; output: OwnFaceFacts };
  readLettering: { input: { picture: Picture; asked: string | null }; output: Lettering };
  /** A work in a look, as packages have it. */
  packageLook: { input: LookAsk; output: LookMade };
  /** A file of a package, made and looked at. */
  packageFile: { input: FileAsk; output: FileMade };
}

export type TaskKind = keyof Tasks;

/** From the pool to a thread. `stop` is one shared number: not 0 means that nobody wants the result any more. */
export interface TaskMessage {
  readonly kind: TaskKind;
  readonly input: Tasks[TaskKind]['input'];
  readonly stop: Int32Array;
}

/** From a thread to the pool. */
export type TaskReply =
  | { readonly what: 'progress'; readonly done: number }
  | { readonly what: 'preview'; readonly picture: Picture }
  | { readonly what: 'result'; readonly output: Tasks[TaskKind]['output'] }
  | { readonly what: 'error'; readonly name: string; readonly message: string; readonly code?: string };
