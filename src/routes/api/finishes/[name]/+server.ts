import { answer } from '$lib/server/answer';
import { finishPng } from '$lib/server/engine-client';
import type { RequestEvent } from './$types';

export const GET = answer(
  async ({ params }: RequestEvent) =>
    new Response(new Uint8Array(await finishPng(params.name)), {
      headers: { 'content-type': 'image/png', 'cache-control': 'public, max-age=3600' },
    }),
);
