/** Numbers from seeds, the same on every machine. */
/** A stream of seeded random numbers, each in 0..1 (Mulberry32, Ettinger 2017); the same on every machine. */
export type Random = () => number;

/** A 32-bit whole number from any texts and numbers (FNV-1a, Fowler, Noll and Vo 1991). */
export function hashOf(...parts: readonly (string | number)[]): number {
  let h = 0x811c9dc5;
  for (const ch of parts.join('\u0001')) h = Math.imul(h ^ ch.codePointAt(0)!, 0x01000193);
  return h >>> 0;
}

export function randomFrom(seed: number): Random {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** One of the items. */
export const pick = <T>(random: Random, items: readonly T[]): T => items[Math.floor(random() * items.length)];
