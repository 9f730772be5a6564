/** Lockups: what they are arranged of, their edits, and how their parts are moved. What they look like is drawn by core/typeset. */
export * from './schema';
export * from './lockup';
export * from './drawn';
export * from './edits';
export * from './snapping';
export * from './letter';
export { casedAs, tidied } from './tidy';
