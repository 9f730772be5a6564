import { answer } from '$lib/server/answer';
import { picturePng } from '$lib/server/pictures';
import { retouchedPicture } from '$lib/server/retouching';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params, url, request }: RequestEvent) => {
  const step = url.searchParams.get('step');
  const { pictureId } = await retouchedPicture(params.id, step, request.signal);
  return new Response(new Uint8Array(await picturePng(pictureId)), {
    headers: {
      'content-type': 'image/png',
      'content-disposition': 'inline',
      'cache-control': step ? 'private, max-age=31536000, immutable' : 'no-store',
    },
  });
});
