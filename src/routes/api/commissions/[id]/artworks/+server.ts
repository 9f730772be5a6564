import { ArtworkStart } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { bringInSvg, startArtwork } from '$lib/server/artworks';
import { readBody, SVG_LIMIT_BYTES } from '$lib/server/pictures';
import type { RequestEvent } from './$types';

/** An SVG file, which is the body itself with its name in the query; or, as JSON, what an artwork of nothing is to be. */
export const POST = answer(async ({ params, request, url }: RequestEvent) => {
  if ((request.headers.get('content-type') ?? '').startsWith('application/json'))
    return { artwork: await startArtwork(params.id, await bodyOf(ArtworkStart, request)), leftOut: [] };
  return bringInSvg(
    params.id,
    await readBody(request, SVG_LIMIT_BYTES),
    url.searchParams.get('name') ?? '',
    request.signal,
  );
}, 201);
