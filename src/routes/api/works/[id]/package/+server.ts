import { PackageAsked } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { packagePlan } from '$lib/server/packable';
import type { RequestEvent } from './$types';

export const GET = answer(({ params }: RequestEvent) => packagePlan(params.id));

export const POST = answer(async ({ params, request }: RequestEvent) =>
  packagePlan(params.id, (await bodyOf(PackageAsked, request)).sets),
);
