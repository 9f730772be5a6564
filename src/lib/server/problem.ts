import type { ProblemAnswer } from '../contract/answers';

/** A refusal with an HTTP status, a code for programs and a sentence for people. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly fields?: Readonly<Record<string, string>>,
    /** When it makes sense to ask again. */
    readonly retryAfterSeconds?: number,
  ) {
    super(message);
  }
}

export const unknown = (what: string): Problem =>
  new Problem(404, `unknown_${what}`, `There is no such ${what}: it may have been a mistyped address`);

export function problemResponse(problem: Problem): Response {
  const { code, message, fields, retryAfterSeconds } = problem;
  const body: ProblemAnswer = { error: { code, message, ...(fields ? { fields } : {}) } };
  const headers = {
    'cache-control': 'no-store',
    ...(retryAfterSeconds ? { 'retry-after': String(retryAfterSeconds) } : {}),
  };
  return Response.json(body, { status: problem.status, headers });
}

const POSTGRES_GONE = /^(08|57P0|53300|ECONN|EPIPE|ENOENT|ETIMEDOUT)/;

/** Whether an error means that the database is not there (any more), and not that a statement was wrong. */
export function databaseIsGone(error: unknown): boolean {
  const { code, message, errors } = error as { code?: string; message?: string; errors?: unknown[] };
  if (Array.isArray(errors) && errors.some(databaseIsGone)) return true;
  return (
    POSTGRES_GONE.test(code ?? '') ||
    /Connection terminated|timeout exceeded when trying to connect|is not queryable/i.test(message ?? '')
  );
}

/** Any error as a refusal; what nobody foresaw becomes a 500 without its details. */
export function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (databaseIsGone(error))
    return new Problem(
      503,
      'database_away',
      'The database is not answering: nothing was lost, and it is tried again',
      undefined,
      2,
    );
  const { code } = error as { code?: string };
  if (code === '23503')
    return new Problem(404, 'unknown_reference', 'Something that this refers to is not there: nothing was changed');
  if (code === '22021' || code === '22P05')
    return new Problem(400, 'bad_text', 'The text has a character that cannot be kept: take it out and send it again');
  if (code === '53100' || code === 'ENOSPC')
    return new Problem(507, 'disk_full', 'The disk is full: nothing was changed; make room and try again');
  console.error(error);
  return new Problem(500, 'failed', 'Something failed on the server: nothing was changed; try again');
}
