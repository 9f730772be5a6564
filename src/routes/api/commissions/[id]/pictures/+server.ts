import { answer } from '$lib/server/answer';
import { bringIn } from '$lib/server/candidates';
import { readBody } from '$lib/server/pictures';
import type { RequestEvent } from './$types';

/** The file is the body itself; its name stands in the query. */
export const POST = answer(
  async ({ params, request, url }: RequestEvent) =>
    bringIn(params.id, await readBody(request), url.searchParams.get('name') ?? ''),
  201,
);
