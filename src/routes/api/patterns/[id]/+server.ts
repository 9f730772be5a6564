import { PatternChange } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { changePattern } from '$lib/server/words';
import type { RequestEvent } from './$types';

export const PATCH = answer(async ({ params, request }: RequestEvent) =>
  changePattern(params.id, await bodyOf(PatternChange, request)),
);
