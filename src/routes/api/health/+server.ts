import { answer } from '$lib/server/answer';
import { sql } from '$lib/server/database';

export const GET = answer(async () => {
  const [{ commissions }] = await sql<{ commissions: number }>('select count(*)::int as commissions from commission');
  return { ok: true, commissions };
});
