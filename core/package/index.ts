/** What a client gets: the files of a package. */
export * from './package';
export * from './placing';
export * from './plan';
export { default as sizes } from './sizes.json';
