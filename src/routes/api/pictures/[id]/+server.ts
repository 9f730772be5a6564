import { answer } from '$lib/server/answer';
import { picturePng } from '$lib/server/pictures';
import type { RequestEvent } from './$types';

export const GET = answer(
  async ({ params }: RequestEvent) =>
    new Response(new Uint8Array(await picturePng(params.id)), {
      headers: {
        'content-type': 'image/png',
        'cache-control': 'private, max-age=31536000, immutable',
        'content-disposition': 'inline',
      },
    }),
);
