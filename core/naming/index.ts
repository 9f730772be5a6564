/** Names for a client, by rules and word lists: made, said, and held against those there were. */
export { NAME_WAYS, NAMES_MOST, namesFor, unlikePair, type Name, type NamesAsked, type NameWay } from './names';
export { canBeSaid, editsBetween, firstSound, rhythmOf, stressOf, syllablesOf } from './say';
