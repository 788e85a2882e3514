import { expect, test } from '@jest/globals';
import { sampleMod, withExample } from '../inspect/sample.ts';
import { resolveBlock } from '../mod/index.ts';
import { mapNeighbours, meanFromAbove } from './index.ts';

const resolved = (example: Record<string, unknown>, name = 'bank') => {
  const mod = withExample(sampleMod(), example);
  return { mod, block: resolveBlock(mod, name, mod.blocks[name]!) };
};

test(
  'seen from above a cube has the mean of its texture, times its tint; a column that of ' +
    'its end',
  () => {
    const { mod, block } = resolved({});
    expect(meanFromAbove(mod, block, 0)).toBe('#8d8d86');
    const tinted = resolved({ '/blocks/bank/traits/tint': '#ff0000' });
    expect(meanFromAbove(tinted.mod, tinted.block, 0)).toBe('#8d0000');
    const column = resolved({
      '/models/bank': {
        template: 'obrank:column',
        slots: { side: 'saltmarsh:bank', end: 'saltmarsh:lamp' },
      },
      '/textures/lamp/picture/mean': '#102030',
    });
    expect(meanFromAbove(column.mod, column.block, 0)).toBe('#102030');
    const bare = resolved({ '/models/bank/slots/face': 'saltmarsh:gone' });
    expect(meanFromAbove(bare.mod, bare.block, 0)).toBeUndefined();
  },
);

test(
  'neighbours on the map: the most alike first, each colour once, the block itself not ' +
    'among them',
  () => {
    const { mod, block } = resolved({ '/blocks/bank/traits/mapColour': '#b0812f' });
    const near = mapNeighbours(mod, block, 4);
    expect(near).toHaveLength(4);
    expect(near[0]).toMatchObject({ name: 'Lamp', colour: '#b0812f', apart: 0, contrast: 1 });
    expect(new Set(near.map((one) => one.colour)).size).toBe(4);
    expect([...near].sort((a, b) => a.apart - b.apart)).toEqual(near);
  },
);

test('black and white are 100 apart and have the greatest contrast', () => {
  const { mod, block } = resolved({
    '/blocks/bank/traits/mapColour': '#000000',
    '/blocks/lamp/traits/mapColour': '#ffffff',
  });
  const far = mapNeighbours(mod, block, 99).at(-1)!;
  expect([far.name, Number(far.apart.toFixed(6)), Number(far.contrast.toFixed(6))]).toEqual([
    'Lamp',
    100,
    21,
  ]);
});
