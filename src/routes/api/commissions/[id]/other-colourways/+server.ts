import { answer } from '$lib/server/answer';
import { otherColourways } from '$lib/server/colourways';
import { getCommission } from '$lib/server/commissions';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params }: RequestEvent) => otherColourways((await getCommission(params.id)).id));
