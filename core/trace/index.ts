/** Turning pictures into artworks, and telling their colours apart. */
export * from './trace';
export { type Symmetry } from './symmetry';
export { findGround, findInks, flatPixels, nearestInk, type FoundInk } from './inks';
export { NOTHING, unmix, type Cells } from './cells';
