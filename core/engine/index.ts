/** The stand-in image engine's drawing: prompts to pictures, seeded and repeatable. */
export * from './request';
export { findFigure } from './lexicon';
export { FINISHES, FINISH_WORDS } from './finish';
export { THING_NAMES } from './things';
export type { RedoArea } from './redo';
export type { Recipe } from './recipe';
export { contactSheet, finishExample, knownFinish } from './show';
