/** Textures: reading PNG with care, facts of pictures, strips. */
export {
  decodePicture,
  encodePicture,
  maxPictureSide,
  PictureProblem,
  type Pixels,
} from './png.ts';
export { pictureFacts } from './facts-of.ts';
export { pictureEntry } from './entry.ts';
export {
  frameAt,
  frameCount,
  frameSize,
  shownAt,
  showingAt,
  stepsOf,
  type Showing,
  type Step,
} from './strip.ts';
export { marker } from './marker.ts';
export { climateTints, tintColour, type ClimateTint } from './tint.ts';
export { basePicture } from './base.ts';
export { textureUsers } from './users.ts';
