/** Pencil sketches: the figure behind a photographed drawing, and shapes between shapes. */
export * from './clean';
export * from './field';
export { centreLines } from './centre';
