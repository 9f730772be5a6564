import { answer } from '$lib/server/answer';
import { getRound } from '$lib/server/rounds';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => getRound(params.id));
