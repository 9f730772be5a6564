/** What one does with outlines: points, segments, contours, arcs, path data, polygons and their booleans. */
export * from './point';
export * from './affine';
export * from './outline';
export * from './contour';
export * from './arc';
export * from './pathdata';
export * from './shapes';
export * from './cut';
export * from './tangent';
export * from './nearest';
export * from './recognise';
export * from './polygon';
export * from './room';
export * from './steps';
export * from './tight';
export * from './stroke';
export * from './combine';
