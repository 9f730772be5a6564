/** Lettering in pictures: where it is, what it says, and whether that is what was asked for. */
export { type Recognise, type Recognised } from './looks';
export { readLettering, type FoundLine, type FoundWord, type Lettering, type ReadOptions, type Verdict } from './read';
