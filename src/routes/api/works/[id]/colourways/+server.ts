import { Shuffle } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { shuffledSchemes } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) =>
  shuffledSchemes(params.id, await bodyOf(Shuffle, request), request.signal),
);
