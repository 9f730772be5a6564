/** Putting a picture right before it is traced: what one does to it, as a list of steps. */
export * from './cut-out';
export * from './steps';
export * from './mend';
