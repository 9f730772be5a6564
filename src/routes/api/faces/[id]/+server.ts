import { answer } from '$lib/server/answer';
import { faceToldOf } from '$lib/server/faces';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => faceToldOf(params.id));
