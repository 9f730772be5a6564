/** Numbers that are nearly the same. */

/** Numbers near enough to the mean of those they lie with, sorted into groups, each given by indices; each number counts as its weight says, and `near` says whether one may join a group of a mean. */
export function likeNumbers(
  values: readonly number[],
  weights: readonly number[],
  near: (k: number, mean: number) => boolean,
): { members: number[]; mean: number }[] {
  const order = values.map((_, k) => k).sort((p, q) => values[p] - values[q]);
  const out: { members: number[]; mean: number; weight: number }[] = [];
  for (const k of order) {
    const last = out[out.length - 1];
    const mean = last && (last.mean * last.weight + values[k] * weights[k]) / (last.weight + weights[k]);
    if (last && near(k, mean) && last.members.every((m) => near(m, mean))) {
      last.members.push(k);
      last.mean = mean;
      last.weight += weights[k];
    } else out.push({ members: [k], mean: values[k], weight: weights[k] });
  }
  return out;
}
