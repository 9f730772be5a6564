import { RoundStart } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { wall } from '$lib/server/candidates';
import { getCommission } from '$lib/server/commissions';
import { enqueue } from '$lib/server/jobs';
import { startRound } from '$lib/server/rounds';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params }: RequestEvent) => wall((await getCommission(params.id)).id));
export const POST = answer(async ({ params, request }: RequestEvent) => {
  const round = await startRound(params.id, await bodyOf(RoundStart, request));
  await enqueue('round', round.id);
  return round;
}, 202);
