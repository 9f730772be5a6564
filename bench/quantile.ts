/** The value below which a share 0..1 of some values lies; they need not be in order. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((p, q) => p - q);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
}
