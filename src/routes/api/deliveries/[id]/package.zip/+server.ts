import { Readable } from 'node:stream';
import { fileStem } from '$core/package';
import { answer } from '$lib/server/answer';
import { deliveryZip } from '$lib/server/deliveries';
import type { RequestEvent } from './$types';

/** The newest package of a delivery, or with `?sha256=` the one of those bytes; put together while it is sent. */
export const GET = answer(async ({ params, url }: RequestEvent) => {
  const { zip, bytes, delivery } = await deliveryZip(params.id, url.searchParams.get('sha256') ?? undefined);
  return new Response(Readable.toWeb(Readable.from(zip, { objectMode: false })) as ReadableStream<Uint8Array>, {
    headers: {
      'content-type': 'application/zip',
      'content-length': String(bytes),
      'content-disposition': `attachment; filename="${delivery.about.stem ?? fileStem(delivery.about.commission)}-v${delivery.version}.zip"`,
      'cache-control': 'no-store',
    },
  });
});
