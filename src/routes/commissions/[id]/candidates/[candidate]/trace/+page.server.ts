import { getArtwork } from '$lib/server/artworks';
import { getCandidate } from '$lib/server/candidates';
import { forPage } from '$lib/server/load';
import { Problem } from '$lib/server/problem';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:commission');
  return forPage(async () => {
    const candidate = await getCandidate(params.candidate);
    if (candidate.commissionId !== params.id)
      throw new Problem(404, 'unknown_candidate', 'This commission has no such candidate');
    const artwork = candidate.artworkId ? await getArtwork(candidate.artworkId) : null;
    return {
      place: `Trace of ${candidate.label}`,
      candidate,
      artwork: artwork && {
        id: artwork.id,
        head: artwork.head,
        version: artwork.version,
        traceOptions: artwork.traceOptions,
      },
    };
  });
};
