import { HeadMove } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { returnTo } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) =>
  returnTo(params.id, (await bodyOf(HeadMove, request)).head, params.step),
);
