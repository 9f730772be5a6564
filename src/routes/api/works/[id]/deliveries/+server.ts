import { DeliveryStart } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { startDelivery } from '$lib/server/deliveries';
import { enqueue } from '$lib/server/jobs';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params, request }: RequestEvent) => {
  const delivery = await startDelivery(params.id, await bodyOf(DeliveryStart, request));
  await enqueue('delivery', delivery.id);
  return delivery;
}, 202);
