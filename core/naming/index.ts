/** Names for a client, by rules and word lists: made, said, and held against those there were. */
export { NAME_WAYS, NAMES_MOST, namesFor, type Name, type NamesAsked, type NameWay } from './names';
export { canBeSaid, firstSound, rhythmOf, stressOf, syllablesOf } from './say';
