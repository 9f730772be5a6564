import { constructionToSvg } from '$core/export';
import { answer } from '$lib/server/answer';
import { constructionOfWork } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

/** A drawing of what an artwork, or one of its steps, is constructed of. */
export const GET = answer(async ({ params, url, request }: RequestEvent) => {
  const step = url.searchParams.get('step');
  const { name, artwork, construction } = await constructionOfWork(params.id, step, request.signal);
  return new Response(constructionToSvg(artwork, construction, `Construction of ${name}`), {
    headers: {
      'content-type': 'image/svg+xml; charset=utf-8',
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': step ? 'private, max-age=31536000, immutable' : 'no-store',
    },
  });
});
