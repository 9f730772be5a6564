import { answer } from '$lib/server/answer';
import { getCommission } from '$lib/server/commissions';
import { eventStream } from '$lib/server/event-stream';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params }: RequestEvent) => eventStream((await getCommission(params.id)).id));
