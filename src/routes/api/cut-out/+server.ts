import * as v from 'valibot';
import { answer, parse } from '$lib/server/answer';
import { readBody } from '$lib/server/pictures';
import { cutOutFile } from '$lib/server/retouching';

const CutOutQuery = v.object({ inner: v.optional(v.picklist(['auto', 'keep', 'drop']), 'auto') });

export const POST = answer(async ({ request, url }) => {
  const { inner } = parse(CutOutQuery, Object.fromEntries(url.searchParams));
  return cutOutFile(await readBody(request), inner, request.signal);
});
