/** Reading prompts, and comparing them. */
export { letteringAsked, readPrompt } from './read';
export { bareFigure, withoutSome } from './figures';
export { gerundOf, isAdjective, isKnownWord, isPlural, nounKind, presentOf, singulars } from './classes';
export { stretchesOf, type Stretch } from './stretches';
export type { LetterStyle } from './letter-style';
export { RELATION_NAMES, type Relation } from './relations';
export { WORD_PARTS, type WordPart } from './reading';
export {
  type SaidColour,
  KINDS,
  SHAPES,
  splitList,
  type FoundFigure,
  type Kind,
  type Lexicon,
  type NamedColour,
  type PromptFigure,
  type PromptParts,
  type PromptWord,
  type Settled,
  type Shape,
} from './words';
export * from './diff';
