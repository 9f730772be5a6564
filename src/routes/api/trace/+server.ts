import { answer, parse } from '$lib/server/answer';
import { traceFile, TraceQuery } from '$lib/server/trace';
import { readBody } from '$lib/server/pictures';

export const POST = answer(async ({ request, url }) => {
  const asked = parse(TraceQuery, Object.fromEntries(url.searchParams));
  return traceFile(await readBody(request), asked, request.signal);
});
