import { InOneColour } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { inOneColour } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) =>
  inOneColour(params.id, await bodyOf(InOneColour, request), request.signal),
);
