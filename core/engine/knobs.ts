import { hashOf, randomFrom } from '../random';

/** One step of a candidate's descent: a seed, and how far (0..1) it strays from what was before it. */
export interface Descent {
  readonly seed: number;
  readonly drift: number;
}

/**
 * All that chance decides in a candidate, by name: the same name gives the same value within a candidate, and a descendant's values
 * lie near its parent's when it drifts little. So a candidate is repeated, varied and grown from its list of seeds alone.
 */
export interface Knobs {
  /** 0 to 1. */
  (name: string): number;
  /** -1 to 1. */
  readonly spread: (name: string) => number;
  readonly pick: <T>(name: string, items: readonly T[]) => T;
  /** True with a probability. */
  readonly odds: (name: string, share: number) => boolean;
  /** 0 to 1, the same for all that stray little from one another: for choices that would change everything at once. */
  readonly steady: (name: string) => number;
  /** A stream of numbers of its own, for things without names such as grains and strokes. */
  readonly stream: (name: string) => () => number;
}

/** Drift below which a step changes nothing at once. */
const STEADY = 0.35;

/** Knobs from a line of descent, oldest first. */
export function knobsFrom(descent: readonly Descent[]): Knobs {
  const valueOf = (name: string, least = 0): number => {
    let value = 0.5;
    descent.forEach(({ seed, drift }, i) => {
      if (i > 0 && drift < least) return;
      const own = randomFrom(hashOf(seed, name))();
      value = i === 0 ? own : value + drift * (own - value);
    });
    return Math.min(0.999999, Math.max(0, value));
  };
  const seeds = descent.map((d) => d.seed).join(':');
  return Object.assign((name: string) => valueOf(name), {
    steady: (name: string) => valueOf(name, STEADY),
    spread: (name: string) => valueOf(name) * 2 - 1,
    pick: <T>(name: string, items: readonly T[]) => items[Math.floor(valueOf(name) * items.length)],
    odds: (name: string, share: number) => valueOf(name) < share,
    stream: (name: string) => randomFrom(hashOf(seeds, name)),
  });
}
