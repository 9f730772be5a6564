/** Making outlines exact, economical and even. */
export { chainsOf, type Chain } from './chains';
export { halved } from './halves';
export { Lines, polylineOf, strayOf } from './lines';
export { thinned, type Thinned } from './thin';
export { straightened, type Straightened } from './straighten';
export { NEARLY, type Nearly, type NearlyTrue } from './straighten/found';
export {
  madeSymmetrical,
  mirrorIn,
  symmetriesOf,
  SymmetryError,
  turnAbout,
  type Likes,
  type Symmetry,
} from './symmetry';
