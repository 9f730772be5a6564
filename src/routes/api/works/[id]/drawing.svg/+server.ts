import { artworkToSvg } from '$core/export';
import { answer } from '$lib/server/answer';
import { inColourway } from '$lib/server/artworks';
import { drawnWork } from '$lib/server/lockups';
import { drawnInLook } from '$lib/server/packable';
import type { RequestEvent } from './$types';

/** An artwork or lockup, or with `?step=` one of its steps, with `?colourway=` in one of its colourways or `?look=` in one of its looks, as SVG that a browser shows and does not run. */
export const GET = answer(async ({ params, url }: RequestEvent) => {
  const step = url.searchParams.get('step');
  const look = url.searchParams.get('look');
  const shown = look
    ? await drawnInLook(params.id, look, step)
    : inColourway((await drawnWork(params.id, step)).drawing, url.searchParams.get('colourway') ?? undefined);
  return new Response(artworkToSvg(shown, { lines: false }), {
    headers: {
      'content-type': 'image/svg+xml; charset=utf-8',
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': step ? 'private, max-age=31536000, immutable' : 'no-store',
    },
  });
});
