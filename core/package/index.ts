/** What a client gets: the files of a package. */
export * from './package';
export * from './placing';
export * from './plan';
export * from './subject';
export * from './texts';
export * from './cut';
export * from './checks';
export { default as sizes } from './sizes.json';
