/** Mending: an area of a picture filled to match what surrounds it. */
export { mended, mendFills, type MendFill, type MendOptions, type MendWay } from './fills';
export { grownMask, type Mask } from './hole';
