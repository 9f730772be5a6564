import { extname } from 'node:path';
import { answer } from '$lib/server/answer';
import { deliveryFile } from '$lib/server/deliveries';
import type { RequestEvent } from './$types';

const MEDIA_TYPES: Readonly<Record<string, string>> = {
  '.svg': 'image/svg+xml; charset=utf-8',
  '.png': 'image/png',
  '.jpg': 'image/jpeg',
  '.ico': 'image/vnd.microsoft.icon',
  '.pdf': 'application/pdf',
  '.eps': 'application/postscript',
  '.json': 'application/json',
  '.webmanifest': 'application/manifest+json',
};

/** A file of the newest package of a delivery, shown and not run. */
export const GET = answer(async ({ params }: RequestEvent) => {
  const bytes = await deliveryFile(params.id, params.name);
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': MEDIA_TYPES[extname(params.name)] ?? 'text/plain; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-store',
    },
  });
});
