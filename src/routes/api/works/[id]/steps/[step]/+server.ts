import { answer } from '$lib/server/answer';
import { getStep } from '$lib/server/works';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => getStep(params.id, params.step));
