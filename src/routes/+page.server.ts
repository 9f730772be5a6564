import { listCommissions } from '$lib/server/commissions';
import { forPage } from '$lib/server/load';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = () => forPage(async () => ({ commissions: await listCommissions() }));
