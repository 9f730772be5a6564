import { forPage } from '$lib/server/load';
import { commissionLockup } from '$lib/server/lockups';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  depends('odd-quill:work');
  return forPage(async () => {
    const lockup = await commissionLockup(params.id, params.lockup);
    return { place: lockup.work.name, lockup, year: new Date().getFullYear() };
  });
};
