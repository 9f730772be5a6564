import type { ProofSheet } from '$core/judge';
import type { EconomyPoint, Trace, TraceOptions } from '$core/trace';
import type { Artwork } from '$core/vector';

/** A mark to be judged: a picture by its address, or an artwork. */
export type ProofSource =
  { readonly kind: 'picture'; readonly href: string } | { readonly kind: 'artwork'; readonly artwork: Artwork };

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
