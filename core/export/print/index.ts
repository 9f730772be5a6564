/** Pages for printing: PDF and Encapsulated PostScript, and what colours are on a press. */
export * from './colour';
export * from './pdf';
export * from './eps';
export { pageGradient, type PageGradient } from './operators';
