import type { Kit } from '../kit.ts';
import { writeBlockFiles, writeBlockPack } from './write/index.ts';

/** The kit of Obrank's own open format. */
export const blockPack: Kit = {
  name: 'block-pack',
  title: 'Block Pack, edition 1',
  limits: { states: 65_536, stateCodeBits: 16, boxes: 256, reach: 16, textureSide: 1024 },
  write: writeBlockPack,
  writeBlock: writeBlockFiles,
};
