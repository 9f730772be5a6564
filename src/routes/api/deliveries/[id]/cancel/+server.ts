import { answer } from '$lib/server/answer';
import { cancelDelivery } from '$lib/server/deliveries';
import type { RequestEvent } from './$types';

export const POST = answer(({ params }: RequestEvent) => cancelDelivery(params.id));
