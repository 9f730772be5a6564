import { PatternStart } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { listPatterns, startPattern } from '$lib/server/words';

export const GET = answer(() => listPatterns());
export const POST = answer(async ({ request }) => startPattern(await bodyOf(PatternStart, request)), 201);
