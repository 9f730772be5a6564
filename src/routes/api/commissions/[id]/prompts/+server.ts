import { promptsFor } from '$core/brief';
import { answer } from '$lib/server/answer';
import { getCommission } from '$lib/server/commissions';
import { Problem } from '$lib/server/problem';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params, url }: RequestEvent) => {
  const brief = await getCommission(params.id);
  const seed = Number(url.searchParams.get('seed') ?? 1);
  if (!Number.isInteger(seed) || seed < 0) throw new Problem(400, 'bad_seed', 'The seed is a whole number from 0');
  return promptsFor(brief, seed);
});
