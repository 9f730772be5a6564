import { readApp } from '$core/brief';
import { AppDescribed } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { pictureFrom } from '$lib/server/pictures';

export const POST = answer(async ({ request }) => {
  const { description, screens } = await bodyOf(AppDescribed, request);
  return readApp(description, await Promise.all(screens.map((png) => pictureFrom(Buffer.from(png, 'base64')))));
});
