import { CopyStart } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { copyWork } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

export const POST = answer(
  async ({ params, request }: RequestEvent) => copyWork(params.id, (await bodyOf(CopyStart, request)).stepId),
  201,
);
