import { answer } from '$lib/server/answer';
import { constructionOfWork } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

/** What an artwork, or one of its steps, is constructed of. */
export const GET = answer(async ({ params, url, request }: RequestEvent) => {
  const { construction } = await constructionOfWork(params.id, url.searchParams.get('step'), request.signal);
  return construction;
});
