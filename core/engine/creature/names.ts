/** Names of all that is built from measures. */
import { ROLE_NAMES } from './dress';
import type { Gesture } from './hand';
import { KINDS } from './kinds';

/** Words for hands, and the gesture of each. */
export const HANDS: Readonly<Record<string, Gesture>> = { hand: 'open', 'open hand': 'open', fist: 'fist', 'pointing hand': 'pointing', 'pointing finger': 'pointing', 'thumbs up': 'thumb up', 'thumb up': 'thumb up', 'holding hand': 'holding', 'cupped hand': 'holding', 'victory hand': 'two fingers' }; // prettier-ignore

export const BUILT_NAMES: readonly string[] = [...new Set([...KINDS.keys(), ...ROLE_NAMES, ...Object.keys(HANDS)])];
const NAMES = new Set(BUILT_NAMES);
export const isBuilt = (name: string): boolean => NAMES.has(name);
