import * as v from 'valibot';
import { answer, formOf, parse } from '$lib/server/answer';
import { mendFile } from '$lib/server/retouching';

const whole = (low: number, high: number) =>
  v.pipe(v.string(), v.transform(Number), v.number(), v.integer('a whole number'), v.minValue(low), v.maxValue(high));

const MendQuery = v.object({
  count: v.optional(whole(1, 16), '4'),
  seed: v.optional(whole(0, 0xffffffff), '1'),
});

export const POST = answer(async ({ request, url }) => {
  const asked = parse(MendQuery, Object.fromEntries(url.searchParams));
  const { picture, area } = await formOf(request, ['picture', 'area']);
  return mendFile(picture, area, asked, request.signal);
});
