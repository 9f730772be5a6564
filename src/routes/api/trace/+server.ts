import { answer, parse } from '$lib/server/answer';
import { traceFile, TraceQuery } from '$lib/server/trace';
import { readBody } from '$lib/server/pictures';

export const POST = answer(async ({ request, url }) =>
  traceFile(await readBody(request), parse(TraceQuery, Object.fromEntries(url.searchParams))),
);
