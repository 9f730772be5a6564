import { RetouchSteps } from '$lib/contract/requests';
import { answer, formOf, jsonOf, parse } from '$lib/server/answer';
import { retouchFile } from '$lib/server/retouching';

export const POST = answer(async ({ request }) => {
  const { picture, steps } = await formOf(request, ['picture', 'steps']);
  return retouchFile(picture, parse(RetouchSteps, jsonOf(steps)), request.signal);
});
