import type { WorkKind } from '$lib/contract/answers';

const PLACES: Readonly<Record<WorkKind, string>> = { retouched: 'retouched', artwork: 'artworks', lockup: 'lockups' };

/** The screen of a work. */
export const placeOf = (commissionId: string, { id, kind }: { readonly id: string; readonly kind: WorkKind }): string =>
  `/commissions/${commissionId}/${PLACES[kind]}/${id}`;
