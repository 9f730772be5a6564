import { answer } from '$lib/server/answer';
import { getWork } from '$lib/server/works';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => getWork(params.id));
