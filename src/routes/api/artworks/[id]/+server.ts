import { answer } from '$lib/server/answer';
import { getArtwork } from '$lib/server/artworks';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => getArtwork(params.id));
