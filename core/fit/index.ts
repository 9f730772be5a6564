/** Following points with as few lines, arcs and curves as keep to a tolerance. */
export { onCircles } from './biarcs';
export { breaksOf, type Spans } from './breaks';
export { fitChain, steady } from './chain';
export { findCorners, Track, type Corner } from './corners';
export { limitsOf, scatterOf, softened } from './scatter';
export { fitArc, fitCubic, fitLine, measure, type Fit, type Run } from './span';
export type { Deviation, FitOptions, Located, Stroke } from './stroke';
export { solved } from './solve';
export { wholeCircle, wholeEllipse } from './whole';
