import { answer } from '$lib/server/answer';
import { enqueue } from '$lib/server/jobs';
import { tryAgain } from '$lib/server/rounds';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ params }: RequestEvent) => {
  const round = await tryAgain(params.id);
  await enqueue('round', round.id);
  return round;
}, 202);
