/** Lettering: faces, shaping, spacing, arcs, outlines. */
export * from './font-file';
export * from './face';
export * from './family';
export { opticalKern, pairOf, spaceBetween, type GlyphPair } from './optical';
export * from './set';
export * from './shelf';
export * from './own';
export * from './specimen';
export * from './fit';
export * from './arc';
export { along, type AlongOptions } from './along';
export { warped, type Warp } from './warp';
export * from './artwork';
export * from './catalogue';
export * from './measure';
export { facesLike, widthOf, type LikeFace } from './looks';
