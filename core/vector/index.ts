/** Vector drawings: artworks, their inks and nodes, and their edits. */
export * from './gradient';
export * from './artwork';
export * from './numbers';
export * from './ink-names';
export * from './schema';
export * from './edits';
export * from './compact';
export { drawnShapes, greatestStray, sheetOutlines, withSheetOutlines } from './outlines';
export { thinnedArtwork } from './edits/economy';
export { straightenedArtwork, symmetriesOfArtwork } from './edits/exact';
export { piecesChanged } from './edits/put';
export * from './choose';
export * from './arrange';
export * from './reshape';
export * from './snap';
export * from './nearly';
export * from './construction';
