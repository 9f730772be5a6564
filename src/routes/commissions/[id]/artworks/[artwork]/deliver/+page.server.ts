import { packageEntries } from '$core/package';
import { getArtwork } from '$lib/server/artworks';
import { getCommission } from '$lib/server/commissions';
import { listDeliveries, packageAbout } from '$lib/server/deliveries';
import { forPage } from '$lib/server/load';
import { Problem } from '$lib/server/problem';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:commission');
  depends('odd-quill:work');
  return forPage(async () => {
    const [artwork, commission] = await Promise.all([getArtwork(params.artwork), getCommission(params.id)]);
    const deliveries = await listDeliveries(commission.id);
    if (artwork.commissionId !== params.id)
      throw new Problem(404, 'unknown_artwork', 'This commission has no such artwork');
    const about = await packageAbout(artwork, commission);
    return {
      place: 'Deliver',
      artwork,
      contents: packageEntries(about),
      deliveries: deliveries.filter((d) => d.workId === artwork.id),
    };
  });
};
