/** Writers over the one scene. */
export * from './svg';
export * from './names';
