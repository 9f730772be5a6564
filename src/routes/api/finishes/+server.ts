import { answer } from '$lib/server/answer';
import { listFinishes } from '$lib/server/engine-client';

export const GET = answer(() => listFinishes());
