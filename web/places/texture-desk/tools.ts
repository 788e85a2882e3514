import type { PaintingTool } from '../../../core/textures/painting/index.ts';
import type { KeyName } from '../../parts/keys/table.ts';

/** The verbs of touching up, each with its key. */
export const toolFacts: Record<PaintingTool, { title: string; key: KeyName; does: string }> = {
  draw: { title: 'Draw', key: 'drawTool', does: 'Texel by texel, along the pointer.' },
  line: {
    title: 'Line',
    key: 'lineTool',
    does: 'Straight from where you press to where you let go.',
  },
  rectangle: { title: 'Rectangle', key: 'rectangleTool', does: 'From corner to corner.' },
  fill: { title: 'Fill', key: 'fillTool', does: 'What has one colour and hangs together.' },
  change: { title: 'Change', key: 'replaceTool', does: 'One colour, wherever it is on the frame.' },
  alpha: { title: 'Alpha', key: 'alphaTool', does: 'How solid texels are; their colour stays.' },
  pick: { title: 'Pick', key: 'pickTool', does: 'Take a colour up from the picture or the block.' },
  move: { title: 'Move', key: 'moveTool', does: 'Mark a part, then drag it elsewhere.' },
};
