import { answer } from '$lib/server/answer';
import { countCommissions } from '$lib/server/commissions';

export const GET = answer(async () => ({ ok: true, commissions: await countCommissions() }));
