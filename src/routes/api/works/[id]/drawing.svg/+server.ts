import { artworkToSvg } from '$core/export';
import { answer } from '$lib/server/answer';
import { inColourway } from '$lib/server/artworks';
import { drawnWork } from '$lib/server/lockups';
import type { RequestEvent } from './$types';

/** An artwork or lockup, or with `?step=` one of its steps, with `?colourway=` in one of its colourways, as SVG that a browser shows and does not run. */
export const GET = answer(async ({ params, url }: RequestEvent) => {
  const step = url.searchParams.get('step');
  const { drawing } = await drawnWork(params.id, step);
  const colourway = url.searchParams.get('colourway') ?? undefined;
  return new Response(artworkToSvg(inColourway(drawing, colourway), { lines: false }), {
    headers: {
      'content-type': 'image/svg+xml; charset=utf-8',
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': step ? 'private, max-age=31536000, immutable' : 'no-store',
    },
  });
});
