import { answer } from '$lib/server/answer';
import { candidateLettering } from '$lib/server/reading';

export const GET = answer(({ params, request }) => candidateLettering(params.id!, request.signal));
