import { answer } from '$lib/server/answer';
import { facesLikeWork } from '$lib/server/faces';
import type { RequestEvent } from './$types';

export const GET = answer(({ params, request }: RequestEvent) => facesLikeWork(params.id, request.signal));
