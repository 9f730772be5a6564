/** Colours as those see them who tell fewer apart. */
import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, formatHex, parse } from 'culori';
import { hexToOklab, oklabToHex } from './convert';

export const VISIONS = ['all', 'red-weak', 'green-weak', 'blue-weak', 'grey'] as const;
/** How somebody sees: all colours, without the cones for red, green or blue light, or lightness alone. */
export type Vision = (typeof VISIONS)[number];

const FILTERS = {
  'red-weak': filterDeficiencyProt(1),
  'green-weak': filterDeficiencyDeuter(1),
  'blue-weak': filterDeficiencyTrit(1),
} as const;

/** A colour as it is seen (Machado, Oliveira and Fernandes 2009, at full severity); in grey, its lightness. */
export function seenAs(hex: string, vision: Vision): string {
  if (vision === 'all') return hex.toUpperCase();
  if (vision === 'grey') return oklabToHex({ L: hexToOklab(hex).L, a: 0, b: 0 });
  const colour = parse(hex);
  return colour ? formatHex(FILTERS[vision](colour)).toUpperCase() : hex.toUpperCase();
}
