/** Writers over the one scene. */
export * from './svg';
export * from './construction';
export * from './names';
export * from './ico';
export * from './print';
