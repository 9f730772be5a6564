import { undoable, type Scope } from '$lib/server/changes';
import { getCommission } from '$lib/server/commissions';
import { forPage } from '$lib/server/load';
import { threadOf } from '$lib/server/thread';
import type { LayoutServerLoad } from './$types';

/** What the undo of a screen is about; null where it has one of its own, or nothing that could be taken back. */
function scopeOf(screen: string | null, candidateId: string | undefined): Scope | null {
  switch (screen?.replace('/commissions/[id]', '')) {
    case '':
      return { of: 'decisions' };
    case '/words':
      return { of: 'names' };
    case '/brief':
      return { of: 'brief' };
    case '/candidates/[candidate]':
      return { of: 'decisions', candidateId };
    default:
      return null;
  }
}

export const load: LayoutServerLoad = ({ params, route, depends }) => {
  depends('odd-quill:commission');
  const scope = scopeOf(route.id, (params as { candidate?: string }).candidate);
  return forPage(async () => {
    const commission = await getCommission(params.id);
    const [thread, changes] = await Promise.all([threadOf(commission.id), scope && undoable(commission.id, scope)]);
    return { commission, thread, scope, changes };
  });
};
