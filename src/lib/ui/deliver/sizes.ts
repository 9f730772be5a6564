/** Bytes as one reads them. */
export const bytesRead = (bytes: number): string =>
  bytes < 999_500 ? `${Math.max(1, Math.round(bytes / 1000))} KB` : `${(bytes / 1e6).toFixed(1)} MB`;

export const filesRead = (count: number): string => `${count} ${count === 1 ? 'file' : 'files'}`;
