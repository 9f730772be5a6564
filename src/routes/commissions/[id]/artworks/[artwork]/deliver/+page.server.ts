import { commissionArtwork } from '$lib/server/artworks';
import { getCommission } from '$lib/server/commissions';
import { listDeliveries, packageAbout } from '$lib/server/deliveries';
import { forPage } from '$lib/server/load';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:commission');
  depends('odd-quill:work');
  return forPage(async () => {
    const [artwork, commission] = await Promise.all([
      commissionArtwork(params.id, params.artwork),
      getCommission(params.id),
    ]);
    const deliveries = await listDeliveries(commission.id);
    const about = await packageAbout(artwork, commission);
    return {
      place: 'Deliver',
      artwork,
      about,
      deliveries: deliveries.filter((d) => d.workId === artwork.id),
    };
  });
};
