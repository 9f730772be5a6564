/** The text is no SVG that an artwork can be read from; the message says why, in a sentence for the person who brought it. */
export class SvgError extends Error {
  override readonly name = 'SvgError';
}
