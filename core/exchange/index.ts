/** Models as files of other programs: glTF 2.0 and OBJ, out and in. */
export { sceneOfState } from './export.ts';
export { writeGlb } from './glb-write.ts';
export { readGltf } from './gltf-read.ts';
export {
  likelyUnit,
  modelOfScene,
  type FileUnit,
  type ReadModel,
  type ReadSlot,
} from './import.ts';
export { readObj, type Beside } from './obj-read.ts';
export { writeObj } from './obj-write.ts';
export { exchangeLimits, ExchangeProblem, type ReadScene, type Scene } from './scene.ts';
