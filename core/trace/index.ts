/** Turning pictures into artworks, and telling their colours apart. */
export * from './trace';
export { findSymmetry, type AxisWanted, type Symmetry } from './symmetry';
export { reportOf, type TraceReport } from './report';
export { type FoundInk } from './inks';
export { tellApart, type Apart } from './apart';
export { NOTHING, type Cells } from './cells';
export { dropAreas } from './ground';
export { neighboursOf, sidesOf } from './regions';
export { prepare, type Prepared } from './strokes';
export { BEYOND, chainOf } from './chains';
