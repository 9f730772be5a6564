import { answer } from '$lib/server/answer';
import { cancelRound } from '$lib/server/rounds';
import type { RequestEvent } from './$types';

export const POST = answer(({ params }: RequestEvent) => cancelRound(params.id));
