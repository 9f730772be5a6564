import { answer } from '$lib/server/answer';
import { getDelivery } from '$lib/server/deliveries';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => getDelivery(params.id));
