/** What a client gets: the files of a package. */
export * from './names';
export * from './placing';
export * from './sets';
export * from './plan';
export * from './subject';
export * from './texts';
export * from './cut';
export * from './checks';
export * from './weigh';
export * from './compare';
