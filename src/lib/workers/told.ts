/** Errors that the language and the browser throw: what they say is of the program, not of what somebody did. */
const INTERNAL = [TypeError, RangeError, ReferenceError, SyntaxError, URIError, EvalError, DOMException];

/**
 * What a person is told of an error: its own sentence where it was written for one; where the program itself stumbled, that it did, and that nothing
 * is lost, with the error on the console.
 */
export function sentenceOf(error: unknown): string {
  if (error instanceof Error && !INTERNAL.some((kind) => error instanceof kind)) return error.message;
  console.error(error);
  return 'This did not work: a mistake of the program, not yours. What was there before is still there';
}
