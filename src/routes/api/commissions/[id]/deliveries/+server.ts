import { answer } from '$lib/server/answer';
import { getCommission } from '$lib/server/commissions';
import { listDeliveries } from '$lib/server/deliveries';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params }: RequestEvent) => listDeliveries((await getCommission(params.id)).id));
