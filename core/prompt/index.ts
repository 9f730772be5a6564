/** Reading prompts, and comparing them. */
export { letteringAsked, readPrompt } from './read';
export {
  KINDS,
  RELATION_NAMES,
  SHAPES,
  splitList,
  type FoundFigure,
  type Kind,
  type Lexicon,
  type NamedColour,
  type PromptFigure,
  type PromptParts,
  type Relation,
  type Settled,
  type Shape,
} from './words';
export * from './diff';
