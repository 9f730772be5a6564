import { commissionArtwork } from '$lib/server/artworks';
import { deliveriesOf } from '$lib/server/deliveries';
import { forPage } from '$lib/server/load';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:commission');
  depends('odd-quill:work');
  return forPage(async () => {
    const artwork = await commissionArtwork(params.id, params.artwork);
    return { place: 'Deliver', artwork, ...(await deliveriesOf(artwork)) };
  });
};
