import type { Kit } from '../kit.ts';
import { writeBlockFiles, writeBlockPack } from './write/index.ts';

/** The kit of Obrank's own open format. */
export const blockPack: Kit = {
  name: 'block-pack',
  title: 'Block Pack, edition 1',
  limits: {
    states: 65_536,
    stateCodeBits: 16,
    wholeShares: false,
    pattern: [6, 6],
    boxes: 256,
    reach: 16,
    textureSide: 1024,
  },
  write: writeBlockPack,
  writeBlock: writeBlockFiles,
};

/** The same format for engines that store a state in four bits and choose candidates by whole shares. */
export const smallBlockPack: Kit = {
  ...blockPack,
  name: 'block-pack-small',
  title: 'Block Pack, edition 1, for four-bit states',
  // Such engines count half as many ticks.
  physics: { tickRate: 10, wrongTool: 4 },
  limits: { ...blockPack.limits, states: 16, stateCodeBits: 4, wholeShares: true, pattern: [4, 4] },
};
