/** Putting a picture right before it is traced. */
export * from './cut-out';
