/** Models: templates, slots, boxes to quads, facts. */
export { templateNamed, templates, type Template } from './templates.ts';
export { resolveModel, type FindModel, type ResolvedModel, type TexturedBox } from './resolve.ts';
export {
  modelQuads,
  naturalCrop,
  pictureFrame,
  spinPoint,
  uprightQuads,
  type Quad,
  type TextureSize,
} from './quads.ts';
export {
  coveredFaces,
  facesInOnePlane,
  sidesWithoutArea,
  slits,
  type BoxFace,
  type Slit,
} from './faces.ts';
export { fillSlots, ownModelFor, showTexture, type SlotUse } from './fill-slots.ts';
export { cornersOf, modelFillsCell, plainBox, plainBoxes } from './facts.ts';
export {
  added,
  again,
  aligned,
  grouped,
  repeated,
  spaceOf,
  without,
  type Added,
  type Alignment,
} from './boxes/arrange.ts';
export {
  mirrored,
  moved,
  sized,
  snapped,
  tidy,
  type Chosen,
  type TextureWay,
} from './boxes/change.ts';
export { boxesAsText, boxesFromText } from './boxes/text.ts';
export { boxesOf, withBoxes, modelWithBoxes } from './boxes/own.ts';
export { boxUnder, type Ray, type Struck } from './boxes/pick.ts';
export { wallTextures } from './wall-textures.ts';
export { ownModelsFor, sharedModels } from './own-models.ts';
export { blocksShowing, ownTextureFor, showingFirst } from './shown-textures.ts';
export { modelOf, ownModel, resolvedModelOf, textureOf, textureSizes } from './find.ts';
export { shapeByState, shapeIn } from './shapes.ts';
export { fitBoxes, type Far, type Fit } from './fit.ts';
export { shapeOfModel, shapeOff, shapeWithModel, type ShapeOff } from './model-shape.ts';
export { fittedShapes, type FittedShape } from './fitted-shapes.ts';
export { paintingTemplate } from './unwrap/bake.ts';
export { sheetSlot, sidesWithoutPlace } from './unwrap/sheet.ts';
export { unwrapModel, type UnwrappedModel } from './unwrap/unwrap-model.ts';
export { unwrapBoxes } from './unwrap/unwrap.ts';
export {
  matchPictures,
  replacedPicture,
  openSlots,
  takePictures,
  type ArrivingPicture,
  type OpenSlot,
  type PictureGoal,
} from './arriving-pictures.ts';
