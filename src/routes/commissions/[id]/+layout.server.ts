import { undoable } from '$lib/server/changes';
import { getCommission } from '$lib/server/commissions';
import { forPage } from '$lib/server/load';
import { threadOf } from '$lib/server/thread';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ params, depends }) => {
  depends('odd-quill:commission');
  return forPage(async () => {
    const commission = await getCommission(params.id);
    const [thread, changes] = await Promise.all([threadOf(commission.id), undoable(commission.id)]);
    return { commission, thread, changes };
  });
};
