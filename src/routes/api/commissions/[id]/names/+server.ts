import { NameDecision } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { decideName, listNames } from '$lib/server/words';
import type { RequestEvent } from './$types';

export const GET = answer(async ({ params }: RequestEvent) => listNames(params.id));
export const POST = answer(async ({ params, request }: RequestEvent) =>
  decideName(params.id, await bodyOf(NameDecision, request)),
);
