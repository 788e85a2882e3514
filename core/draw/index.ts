/** Software isometric drawing: thumbnails. */
export { drawIsometric, type DrawnModel, type PixelsOf } from './isometric.ts';
export { candidatesIn, drawnModels, neededTextures, pickCandidate, texturePixels } from './block.ts';
