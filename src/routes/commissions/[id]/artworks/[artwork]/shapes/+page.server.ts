import { getArtwork } from '$lib/server/artworks';
import { forPage } from '$lib/server/load';
import { Problem } from '$lib/server/problem';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  // Not with the rest of the commission: what this page itself does to the artwork is no news to it.
  depends('odd-quill:work');
  return forPage(async () => {
    const artwork = await getArtwork(params.artwork);
    if (artwork.commissionId !== params.id)
      throw new Problem(404, 'unknown_artwork', 'This commission has no such artwork');
    return { place: `Shapes of ${artwork.name}`, artwork };
  });
};
