/** Judging marks: what is left of them small, in one colour, reversed and on grounds. */
export * from './mark';
export * from './proofs';
export * from './narrow';
