/** Drawings brought in: any static SVG as an artwork. */
export { readSvg, artworkFromSvg, type SvgRead } from './read';
export { SvgError } from './error';
