import { answer } from '$lib/server/answer';
import { retouchedLettering } from '$lib/server/reading';

export const GET = answer(({ params, request }) => retouchedLettering(params.id!, request.signal));
