/** Vector drawings: outlines, artworks, their edits, and SVG. */
export * from './path';
export * from './arc';
export * from './pathdata';
export * from './gradient';
export * from './artwork';
export * from './edit';
export * from './svg';
export * from './render';
export * from './shapes';
export * from './read';
