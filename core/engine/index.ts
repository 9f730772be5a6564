/** The stand-in image engine's drawing: prompts to pictures, seeded and repeatable. */
export * from './request';
export { FIGURES, findFigure } from './lexicon';
export { FINISHES, FINISH_WORDS } from './finish';
export { hashOf, randomFrom } from './random';
