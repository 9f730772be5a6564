export { creatureOf, KINDS as CREATURES, PEOPLE, type Build, type Kind as CreatureKind } from './kinds';
export { EXPRESSION_NAMES, expressionOf, faceParts, type Expression, type FacePlace } from './face';
export { headParts } from './head';
export { robotParts } from './robot';
export { hasProfile, profileParts } from './profile';
export { curledParts, isFourFooted, POSES, sideParts, type Pose } from './side';
export {
  dressFrom,
  dyedDress,
  eyewearParts,
  hatParts,
  inCloth,
  isCut,
  isRole,
  neckParts,
  ROLE_NAMES,
  type Dress,
  type Eyewear,
  type Hat,
} from './dress';
export { figureParts } from './mascot';
export { STANCE_NAMES, stanceOf, type Age, type Held, type Stance } from './upright';
export { handParts, GESTURES, type Gesture } from './hand';
export { limb, taper, TONES, type Joint } from './pieces';
export { BUILT_NAMES, HANDS, isBuilt } from './names';
