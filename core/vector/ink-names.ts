import { nameColour, nameColours } from '../colour';
import type { Ink } from './artwork';

/** Names for inks: of their colours, or of the two that a gradient goes between; each its own. */
export function namesOf(inks: readonly Pick<Ink, 'hex' | 'gradient'>[]): string[] {
  const plain = nameColours(inks.map((i) => i.hex));
  const seen = new Map<string, number>();
  return inks.map(({ gradient }, k) => {
    if (!gradient) return plain[k];
    const ends = [gradient.stops[0], gradient.stops[gradient.stops.length - 1]].map((s) => nameColour(s.hex));
    const name = ends[0] === ends[1] ? `${ends[0]} gradient` : ends.join(' to ');
    const count = (seen.get(name) ?? 0) + 1;
    seen.set(name, count);
    return count === 1 ? name : `${name} ${count}`;
  });
}
