import { SpecimensAsked } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { specimensOf } from '$lib/server/faces';
import type { RequestEvent } from './$types';

export const POST = answer(async ({ request }: RequestEvent) =>
  specimensOf(await bodyOf(SpecimensAsked, request), request.signal),
);
