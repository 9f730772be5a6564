/** The values nearest to given ones that keep to linear conditions. */

/** A condition: the sum of some unknowns, each times a factor, is 0. */
export interface Condition {
  readonly unknowns: readonly number[];
  readonly factors: readonly number[];
}

/** Residuals smaller than this share of the first are none. */
const SETTLED = 1e-12;

/**
 * The values nearest to `given` under conditions, by the sum of squares each counted as its weight says: the least correction of all, found by conjugate
 * gradients (Hestenes and Stiefel 1952) on the normal equations of the multipliers, which conditions that say the same twice do not trouble.
 */
export function nearestUnder(
  given: Float64Array,
  weights: Float64Array,
  conditions: readonly Condition[],
): Float64Array {
  const out = Float64Array.from(given);
  const m = conditions.length;
  if (!m) return out;
  const spread = new Float64Array(given.length);
  /** Conditions' sums over what multipliers move the unknowns by. */
  const applied = (multipliers: Float64Array): Float64Array => {
    spread.fill(0);
    conditions.forEach(({ unknowns, factors }, r) =>
      unknowns.forEach((u, k) => (spread[u] += (multipliers[r] * factors[k]) / weights[u])),
    );
    return Float64Array.from(conditions, ({ unknowns, factors }) =>
      unknowns.reduce((sum, u, k) => sum + factors[k] * spread[u], 0),
    );
  };
  const multipliers = new Float64Array(m);
  const rest = Float64Array.from(conditions, ({ unknowns, factors }) =>
    unknowns.reduce((sum, u, k) => sum + factors[k] * given[u], 0),
  );
  let way = Float64Array.from(rest);
  let size = rest.reduce((s, x) => s + x * x, 0);
  const enough = SETTLED ** 2 * size;
  for (let round = 0; round < 4 * m + 50 && size > enough && size > 1e-26; round++) {
    const along = applied(way);
    const curve = way.reduce((s, x, r) => s + x * along[r], 0);
    if (!(curve > 0)) break;
    const step = size / curve;
    for (let r = 0; r < m; r++) {
      multipliers[r] += step * way[r];
      rest[r] -= step * along[r];
    }
    const next = rest.reduce((s, x) => s + x * x, 0);
    way = way.map((x, r) => rest[r] + (next / size) * x);
    size = next;
  }
  applied(multipliers);
  for (let u = 0; u < out.length; u++) out[u] -= spread[u];
  return out;
}
