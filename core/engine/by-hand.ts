/** All drawings of ours, by their names. */
import type { Drawing, Proportion } from './drawing';
import { ANIMALS } from './figures-animals';
import { EVERYDAY } from './figures-everyday';
import { FINDS } from './figures-finds';
import { HOME } from './figures-home';
import { NATURE } from './figures-nature';
import { PEOPLE } from './figures-people';
import { PLACES } from './figures-places';
import { SHOP } from './figures-shop';
import { THINGS } from './figures-things';
import { TOOLS } from './figures-tools';

/** Figures drawn by hand for this engine, with seeded proportions. */
export const BY_HAND: Readonly<Record<string, (t: Proportion) => Drawing>> = {
  ...ANIMALS,
  ...NATURE,
  ...THINGS,
  ...TOOLS,
  ...HOME,
  ...PLACES,
  ...FINDS,
  ...EVERYDAY,
  ...SHOP,
  ...PEOPLE,
};
