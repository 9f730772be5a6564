import { fileStem } from '$core/package';
import { answer } from '$lib/server/answer';
import { deliveryZip } from '$lib/server/deliveries';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params }: RequestEvent) => {
  const { zip, delivery } = await deliveryZip(params.id);
  return new Response(new Uint8Array(zip), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="${fileStem(delivery.about.commission)}-v${delivery.version}.zip"`,
      'cache-control': 'no-store',
    },
  });
});
