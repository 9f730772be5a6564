import { HeadMove } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { moveHead } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) =>
  moveHead(params.id, (await bodyOf(HeadMove, request)).head, 'undo'),
);
