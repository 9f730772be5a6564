import { answer } from '$lib/server/answer';
import { retouchedPicture } from '$lib/server/retouching';
import type { RequestEvent } from './$types';

/** Which picture a retouched picture is, at its head or with `?step=` at one of its steps. */
export const GET = answer(({ params, url, request }: RequestEvent) =>
  retouchedPicture(params.id, url.searchParams.get('step'), request.signal),
);
