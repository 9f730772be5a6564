import { CommissionStart } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { listCommissions, startCommission } from '$lib/server/commissions';

export const GET = answer(() => listCommissions());
export const POST = answer(async ({ request }) => startCommission(await bodyOf(CommissionStart, request)), 201);
