/** Lettering in pictures: where it is, what it says, and whether that is what was asked for. */
export { readLettering, type FoundLine, type FoundWord, type Lettering, type Recognise, type Recognised, type ReadOptions, type Verdict } from './read'; // prettier-ignore
export { likeness, readsAs } from './spelling';
