/** Pencil sketches: the figure behind a photographed drawing, and shapes between shapes. */
export * from './clean';
export { looksLikeSketch } from './paper';
export * from './field';
export { centreLines } from './centre';
export { cornerCount, evenedRing, evenedRun, nearlyRound } from './even';
