import { artworkToSvg } from '$core/export';
import { answer } from '$lib/server/answer';
import { getArtwork, inColourway } from '$lib/server/artworks';
import { getStep } from '$lib/server/works';
import type { RequestEvent } from './$types';

/** An artwork, or with `?step=` one of its steps, with `?colourway=` in one of its colourways, as SVG that a browser shows and does not run. */
export const GET = answer(async ({ params, url }: RequestEvent) => {
  const step = url.searchParams.get('step');
  const { drawing } = step ? await getStep(params.id, step) : await getArtwork(params.id);
  const colourway = url.searchParams.get('colourway') ?? undefined;
  return new Response(artworkToSvg(inColourway(drawing, colourway), { lines: false }), {
    headers: {
      'content-type': 'image/svg+xml; charset=utf-8',
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': step ? 'private, max-age=31536000, immutable' : 'no-store',
    },
  });
});
