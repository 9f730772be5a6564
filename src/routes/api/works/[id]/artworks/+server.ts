import { TraceKeep } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { keepTrace } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

export const POST = answer(
  async ({ params, request }: RequestEvent) => keepTrace({ workId: params.id }, await bodyOf(TraceKeep, request)),
  201,
);
