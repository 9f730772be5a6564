import { answer } from '$lib/server/answer';
import { remakeDelivery } from '$lib/server/deliveries';
import { enqueue } from '$lib/server/jobs';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params }: RequestEvent) => {
  const delivery = await remakeDelivery(params.id);
  await enqueue('delivery', delivery.id);
  return delivery;
}, 202);
