import { promptsFor } from '$core/brief';
import { getCommission } from '$lib/server/commissions';
import { forPage } from '$lib/server/load';
import { listNames, listPatterns, wordingFor } from '$lib/server/words';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, url, depends }) => {
  depends('odd-quill:commission');
  const seed = Math.max(0, Math.floor(Number(url.searchParams.get('seed') ?? 1))) || 1;
  return forPage(async () => {
    const commission = await getCommission(params.id);
    const [names, patterns, wording] = await Promise.all([listNames(params.id), listPatterns(), wordingFor(params.id)]);
    return { place: 'Words', seed, directions: promptsFor(commission, seed), names, patterns, wording };
  });
};
