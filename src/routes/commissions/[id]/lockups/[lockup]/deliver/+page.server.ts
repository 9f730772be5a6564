import { listDeliveries } from '$lib/server/deliveries';
import { forPage } from '$lib/server/load';
import { drawnOfCommission } from '$lib/server/lockups';
import { packagePlan } from '$lib/server/packable';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:commission');
  depends('odd-quill:work');
  return forPage(async () => {
    const artwork = await drawnOfCommission(params.id, params.lockup);
    const [plan, deliveries] = await Promise.all([packagePlan(artwork.id), listDeliveries(params.id)]);
    return { place: 'Deliver', artwork, plan, deliveries };
  });
};
