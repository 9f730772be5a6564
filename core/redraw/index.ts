/** Drawing a mark anew over a picture: plain shapes, the pen, one half and the other, guides that the picture offers, and how far the drawing lies from it. */
export { deviationFrom, pictureEdges, type Deviation, type PictureEdges } from './deviation';
export { FIGURES, figureBy, figureSoFar, type FigureKind, type FigureOptions } from './figures';
export { withOtherHalf } from './follow';
export { mirroredWith, type Axis } from './mirrored';
export { awayFromGuide, guideFrom, isTaken, offeredGuides, type OfferedGuide } from './offered';
export {
  arcOnwards,
  contourOf,
  EMPTY_PATH,
  PEN_WAYS,
  withClosed,
  withDragged,
  withoutLast,
  withPlace,
  type PenPath,
  type PenPlace,
  type PenWay,
} from './pen';
