import { MotionAsked } from '$lib/contract/requests';
import { answer, parse } from '$lib/server/answer';
import { motionOfWork } from '$lib/server/packable';
import type { RequestEvent } from './$types';

/** A movement of a work as animated SVG: `?kind=`, and where it is not as its kind is best `&seconds=`, `&ease=`, `&loop=`, `&order=`, `&look=`. */
export const GET = answer(async ({ params, url }: RequestEvent) => {
  const { kind, look, seconds, loop, ...rest } = Object.fromEntries(url.searchParams);
  const wish = { ...rest, ...(seconds === undefined ? {} : { seconds: Number(seconds) }), ...(loop === undefined ? {} : { loop: loop === 'true' }) }; // prettier-ignore
  return new Response(await motionOfWork(params.id, parse(MotionAsked, { kind, look, wish })), {
    headers: {
      'content-type': 'image/svg+xml; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
      'cache-control': 'no-store',
    },
  });
});
