import { deliveriesOf } from '$lib/server/deliveries';
import { forPage } from '$lib/server/load';
import { drawnOfCommission } from '$lib/server/lockups';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:commission');
  depends('odd-quill:work');
  return forPage(async () => {
    const artwork = await drawnOfCommission(params.id, params.lockup);
    return { place: 'Deliver', artwork, ...(await deliveriesOf(artwork)) };
  });
};
