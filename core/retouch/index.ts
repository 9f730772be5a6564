/** Putting a picture right before it is traced: what one does to it, as a list of steps. */
export * from './area';
export * from './cut-out';
export * from './figure';
export * from './list';
export * from './mend';
export * from './noticed';
export * from './palette';
export * from './part';
export * from './steps';
export { letteringNoticed, mendLettering } from './lettering';
