/** Pictures of pixels: shrinking them, and covering them with outlines. */
export * from './picture';
export * from './cover';
export * from './blur';
export * from './near';
export * from './distance';
export * from './regions';
