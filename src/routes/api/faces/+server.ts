import { answer } from '$lib/server/answer';
import { listFaces } from '$lib/server/setting';
import type { RequestEvent } from './$types';

export const GET = answer(({ url }: RequestEvent) =>
  listFaces(
    url.searchParams.get('mood') ?? '',
    url.searchParams.get('class'),
    (url.searchParams.get('having') ?? '').slice(0, 24),
  ),
);
