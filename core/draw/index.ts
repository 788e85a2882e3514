/** Software isometric drawing: thumbnails. */
export {
  drawIsometric,
  fillingView,
  tintOf,
  wholeCell,
  type DrawnModel,
  type PixelsOf,
  type View,
} from './isometric.ts';
export {
  candidatesIn,
  chosenCandidates,
  drawnModels,
  neededTextures,
  texturePixels,
  type Pick,
} from './block.ts';
export {
  cellsIn,
  compareSheets,
  drawSheet,
  sheetCells,
  sheetColumns,
  sheetProblem,
  sheetSteps,
  type SheetCell,
  type SheetComparison,
} from './sheet.ts';
export { hardToTell, mapNeighbours, meanFromAbove, type MapNeighbour } from './map-colour.ts';
export { cornerShade, coveredBy, hiddenBy, isHidden, type Hidden, type Patch } from './culling.ts';
export { drawForm } from './form.ts';
export { drawHeld, heldModels, heldShare, usualPoses } from './held.ts';
export { patchesOf, texelUnder, type SeenTexel, type TexelPatch } from './texel-under.ts';
export { stateShowing } from './showing-state.ts';
