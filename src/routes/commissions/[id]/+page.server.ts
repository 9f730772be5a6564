import { wall } from '$lib/server/candidates';
import { getCommission } from '$lib/server/commissions';
import { listFinishes } from '$lib/server/engine-client';
import { forPage } from '$lib/server/load';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:commission');
  return forPage(async () => ({
    place: 'Rounds',
    wall: await wall((await getCommission(params.id)).id),
    // Without its engine the wall is still there to choose from.
    finishes: await listFinishes().catch(() => []),
  }));
};
