import { ArtworkEdit } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { editArtwork } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) => {
  const { head, edit } = await bodyOf(ArtworkEdit, request);
  return editArtwork(params.id, head, edit);
}, 201);
