import { artworkOf } from '$lib/server/artworks';
import { forPage } from '$lib/server/load';
import { retouchedOf, retouchedPicture } from '$lib/server/retouching';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, request }) => {
  depends('odd-quill:commission');
  return forPage(async () => {
    const { id, name, head } = await retouchedOf(params.id, params.work);
    const [picture, artwork] = await Promise.all([retouchedPicture(id, head, request.signal), artworkOf(id)]);
    return {
      place: `Trace of ${name}`,
      retouched: { id, name, head },
      picture,
      artwork: artwork && { head: artwork.head, version: artwork.version, traceOptions: artwork.traceOptions },
    };
  });
};
