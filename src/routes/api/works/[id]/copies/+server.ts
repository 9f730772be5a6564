import { CopyStart } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { copyArtwork } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

export const POST = answer(
  async ({ params, request }: RequestEvent) => copyArtwork(params.id, (await bodyOf(CopyStart, request)).stepId),
  201,
);
