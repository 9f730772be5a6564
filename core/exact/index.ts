/** Making outlines exact, economical and even. */
export {
  constructionOf,
  type Construction,
  type ConstructionCircle,
  type ConstructionLine,
  type Unit,
} from './construct';
export { chainsOf, type Chain } from './chains';
export { axisUpright, halved } from './halves';
export { likeNumbers } from './like';
export { Lines, polylineOf, strayOf } from './lines';
export { thinned, type Thinned } from './thin';
export { straightened, type Straightened } from './straighten';
export { NEARLY, type Nearly, type NearlyTrue } from './straighten/found';
export { madeSymmetrical, symmetriesOf, SymmetryError, type Likes, type Symmetry } from './symmetry';
