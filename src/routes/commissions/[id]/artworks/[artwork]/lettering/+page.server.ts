import { commissionArtwork } from '$lib/server/artworks';
import { getCommission } from '$lib/server/commissions';
import { faceForWork } from '$lib/server/faces';
import { forPage } from '$lib/server/load';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, request }) => {
  depends('odd-quill:work');
  return forPage(async () => {
    const artwork = await commissionArtwork(params.id, params.artwork);
    const { name } = await getCommission(params.id);
    return {
      place: `Lettering for ${artwork.name}`,
      artwork,
      face: await faceForWork(artwork.drawing, name, request.signal),
    };
  });
};
