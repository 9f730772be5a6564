/** Colour spaces, contrast and colour words. */
export * from './convert';
export * from './lend';
export * from './names';
export * from './schemes';
export * from './tune';
export * from './vision';
