import { FavouriteFace } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { bringInFace, broughtFaces, favouriteFaces, FONT_LIMIT_BYTES, markFavourite } from '$lib/server/faces';
import { readBody } from '$lib/server/pictures';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params }: RequestEvent) => ({
  faces: await broughtFaces(params.id),
  favourites: await favouriteFaces(params.id),
}));

/** A font file, which is the body itself. */
export const POST = answer(
  async ({ params, request }: RequestEvent) =>
    bringInFace(params.id, await readBody(request, FONT_LIMIT_BYTES), request.signal),
  201,
);

export const PUT = answer(async ({ params, request }: RequestEvent) => ({
  favourites: await markFavourite(params.id, await bodyOf(FavouriteFace, request)),
}));
