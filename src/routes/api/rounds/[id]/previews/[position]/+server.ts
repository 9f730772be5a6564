import { answer } from '$lib/server/answer';
import { previews } from '$lib/server/previews';
import { unknown } from '$lib/server/problem';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => {
  const png = previews.of(params.id, Number(params.position));
  if (!png) throw unknown('preview');
  return new Response(new Uint8Array(png), { headers: { 'content-type': 'image/png', 'cache-control': 'no-store' } });
});
