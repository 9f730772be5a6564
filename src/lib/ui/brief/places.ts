/** Where this browser keeps what is being written about a commission. */

/** A commission that is about to be started. */
export const NEW_COMMISSION = 'odd-quill-new-commission';

/** Fields of a brief that are not saved yet. */
export const briefPlace = (commissionId: string): string => `odd-quill-brief-${commissionId}`;
