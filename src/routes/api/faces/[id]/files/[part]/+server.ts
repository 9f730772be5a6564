import { answer } from '$lib/server/answer';
import { faceFile } from '$lib/server/faces';
import type { RequestEvent } from './$types';

/** A part of a family as a font file: opened already, where it ships. */
export const GET = answer(async ({ params, url, request }: RequestEvent) => {
  const weight = Number(url.searchParams.get('weight') ?? 400) || 400;
  const file = await faceFile(
    params.id,
    params.part,
    weight,
    url.searchParams.get('italic') === 'true',
    request.signal,
  );
  return new Response(new Uint8Array(file), {
    headers: {
      'content-type': 'font/sfnt',
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': 'private, max-age=86400',
    },
  });
});
