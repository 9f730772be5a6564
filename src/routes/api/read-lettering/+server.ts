import * as v from 'valibot';
import { answer, parse } from '$lib/server/answer';
import { readBody } from '$lib/server/pictures';
import { readFile } from '$lib/server/reading';

const ReadQuery = v.object({ asked: v.optional(v.pipe(v.string(), v.maxLength(500, 'at most 500 characters')), '') });

export const POST = answer(async ({ request, url }) => {
  const { asked } = parse(ReadQuery, Object.fromEntries(url.searchParams));
  return readFile(await readBody(request), asked.trim(), request.signal);
});
