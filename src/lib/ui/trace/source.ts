/** What is traced. */
export interface TraceSource {
  /** Settings are kept in the browser under it. */
  readonly id: string;
  /** As in "candidate 3.1". */
  readonly label: string;
  readonly href: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Where its trace is kept, and the step of a retouched picture that it is of. */
  readonly keepPath: string;
  readonly stepId?: string;
  /** What an artwork is drawn over that is begun here instead of a trace. */
  readonly over: { readonly overCandidateId: string } | { readonly overWorkId: string };
  /** The screen of what is traced. */
  readonly back: string;
}
