import { commissionArtwork } from '$lib/server/artworks';
import { picturesBelow } from '$lib/server/below';
import { forPage } from '$lib/server/load';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  // Not with the rest of the commission: what this page itself does to the artwork is no news to it.
  depends('odd-quill:work');
  return forPage(async () => {
    const artwork = await commissionArtwork(params.id, params.artwork);
    return { place: `Colourways of ${artwork.name}`, artwork, pictures: await picturesBelow(artwork) };
  });
};
