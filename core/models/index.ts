/** Models: templates, slots, boxes to quads, facts. */
export { templateNamed, templates, type Template } from './templates.ts';
export { resolveModel, type FindModel, type ResolvedModel, type TexturedBox } from './resolve.ts';
export {
  modelQuads,
  naturalCrop,
  spinPoint,
  uprightQuads,
  type Quad,
  type TextureSize,
} from './quads.ts';
export { fillSlots, showTexture, type SlotUse } from './fill-slots.ts';
export { modelFillsCell, plainBoxes } from './facts.ts';
export { modelOf, ownModel, resolvedModelOf, textureOf, textureSizes } from './find.ts';
export { shapeByState, shapeIn } from './shapes.ts';
export { fitBoxes, type Fit } from './fit.ts';
export { fittedShapes, type FittedShape } from './fitted-shapes.ts';
