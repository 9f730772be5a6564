import { answer } from '$lib/server/answer';
import { keepReference } from '$lib/server/candidates';
import { readBody } from '$lib/server/pictures';
import type { RequestEvent } from './$types';

/** The file is the body itself. */
export const POST = answer(
  async ({ params, request }: RequestEvent) => keepReference(params.id, await readBody(request)),
  201,
);
