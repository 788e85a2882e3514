/** Bytes: digests and ZIP archives. Knows nobody. */
export { digestOf } from './digest.ts';
export { readZip, unsafePath, usualBounds, writeZip, ZipProblem, type Files, type ZipBounds } from './zip.ts';
