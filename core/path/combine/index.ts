/** Uniting, subtracting, intersecting, cutting apart, growing and shrinking what outlines enclose. */
export type { Enclosed } from './arrange';
export { combined, combinedBy, CombineError, cutApart, type Combination, type Region } from './combined';
export { offsetOf, type OffsetJoin } from './offset';
export { widened } from './widen';
export { sweptArea } from './sweep';
