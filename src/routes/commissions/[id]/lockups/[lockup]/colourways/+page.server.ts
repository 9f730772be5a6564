import { forPage } from '$lib/server/load';
import { commissionLockup, drawnWork } from '$lib/server/lockups';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:work');
  return forPage(async () => {
    const lockup = await commissionLockup(params.id, params.lockup);
    const { drawing } = await drawnWork(lockup.work.id);
    return { place: `Colourways of ${lockup.work.name}`, lockup, drawing };
  });
};
