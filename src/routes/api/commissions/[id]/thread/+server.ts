import { answer } from '$lib/server/answer';
import { getCommission } from '$lib/server/commissions';
import { threadOf } from '$lib/server/thread';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params }: RequestEvent) => threadOf((await getCommission(params.id)).id));
