/** Bytes: digests and ZIP archives. Knows nobody. */
export { crc32 } from './crc.ts';
export { inflateWithin, InflateProblem } from './inflate.ts';
export { digestOf } from './digest.ts';
export { digestList, listedDigests, unlisted } from './digest-list.ts';
export {
  readZip,
  unsafePath,
  usualBounds,
  writeZip,
  ZipProblem,
  type Files,
  type ZipBounds,
} from './zip.ts';
