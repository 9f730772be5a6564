import { ColourPicked } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { pickColour, pickedColours } from '$lib/server/retouching';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => pickedColours(params.id));
export const POST = answer(async ({ params, request }: RequestEvent) =>
  pickColour(params.id, await bodyOf(ColourPicked, request)),
);
