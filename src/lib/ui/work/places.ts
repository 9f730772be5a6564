import type { WorkKind } from '$lib/contract/answers';

/** The screen of a work. */
export const placeOf = (commissionId: string, { id, kind }: { readonly id: string; readonly kind: WorkKind }): string =>
  `/commissions/${commissionId}/${kind === 'retouched' ? 'retouched' : 'artworks'}/${id}`;
