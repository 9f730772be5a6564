/** Mending: an area of a picture filled to match what surrounds it. */
export { MEND_WAYS, mended, mendFills, mendWith, type MendFill, type MendOptions, type MendWay } from './fills';
export { grownMask, type Mask } from './hole';
