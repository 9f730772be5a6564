import { namesFor } from '$core/naming';
import { NamesWanted } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';

export const POST = answer(async ({ request }) => namesFor(await bodyOf(NamesWanted, request)));
