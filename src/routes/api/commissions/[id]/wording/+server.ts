import { answer } from '$lib/server/answer';
import { wordingFor } from '$lib/server/words';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params, url }: RequestEvent) =>
  wordingFor(params.id, (url.searchParams.get('search') ?? '').slice(0, 200)),
);
