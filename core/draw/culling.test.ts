import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleMod, withExample } from '../inspect/sample.ts';
import { resolveBlock } from '../mod/index.ts';
import { directions, type Vec3 } from '../space/index.ts';
import {
  cornerShade,
  coveredBy,
  drawnModels,
  hiddenBy,
  isHidden,
  type Hidden,
  type Patch,
} from './index.ts';

const with_ = (example: Record<string, unknown>) => withExample(sampleMod(), example);
const slab = {
  slots: { face: 'saltmarsh:bank' },
  boxes: [
    {
      at: [0, 0, 0],
      size: [16, 8, 16],
      sides: Object.fromEntries(
        ['front', 'back', 'left', 'right', 'top', 'bottom'].map((side) => [side, { slot: 'face' }]),
      ),
    },
  ],
};
/** How many quads of the bank stay beside a neighbour of its own kind to the east. */
function left(
  example: Record<string, unknown>,
  direction: (typeof directions)[number] = 'east',
): number {
  const mod = with_(example);
  const block = resolveBlock(mod, 'bank', mod.blocks['bank']!);
  const models = drawnModels(mod, block, 0);
  const by = hiddenBy(block, block, models, direction, 16);
  const hidden = new Map<(typeof directions)[number], Hidden>(by ? [[direction, by]] : []);
  return models.flatMap((model) => model.quads.filter((quad) => !isHidden(model, quad, hidden, 16)))
    .length;
}

test(
  'a cube beside itself: whole and by side leave one face out, never leaves none, ' +
    'joining one kind does it too',
  () => {
    expect(left({})).toBe(5);
    expect(left({ '/blocks/bank/traits/hidesNeighbours': 'by side' })).toBe(5);
    expect(left({ '/blocks/bank/traits/hidesNeighbours': 'by shape' })).toBe(5);
    expect(left({ '/blocks/bank/traits/hidesNeighbours': 'never' })).toBe(6);
    expect(left({ '/blocks/bank/traits': { hidesNeighbours: 'never', joinsOwnKind: true } })).toBe(
      5,
    );
  },
);

test(
  'a slab beside a slab: by side leaves all, by shape leaves one out; on top of it the ' +
    'face above stays',
  () => {
    expect(left({ '/models/bank': slab, '/blocks/bank/traits/hidesNeighbours': 'by side' })).toBe(
      6,
    );
    expect(left({ '/models/bank': slab, '/blocks/bank/traits/hidesNeighbours': 'by shape' })).toBe(
      5,
    );
    expect(
      left({ '/models/bank': slab, '/blocks/bank/traits/hidesNeighbours': 'by shape' }, 'up'),
    ).toBe(6);
    expect(
      left({ '/models/bank': slab, '/blocks/bank/traits/hidesNeighbours': 'by side' }, 'down'),
    ).toBe(6);
  },
);

const anyPatch = fc
  .tuple(fc.nat(7), fc.nat(7), fc.nat(7), fc.nat(7))
  .map(([a, b, c, d]): Patch => ({
    at: [Math.min(a, b), Math.min(c, d)],
    to: [Math.max(a, b) + 1, Math.max(c, d) + 1],
  }));

test('covering agrees with counting texels', () =>
  fc.assert(
    fc.property(anyPatch, fc.array(anyPatch, { maxLength: 5 }), (patch, patches) => {
      let open = 0;
      for (let x = patch.at[0]; x < patch.to[0]; x += 1)
        for (let y = patch.at[1]; y < patch.to[1]; y += 1)
          if (!patches.some(({ at, to }) => at[0] <= x && x < to[0] && at[1] <= y && y < to[1]))
            open += 1;
      expect(coveredBy(patch, patches)).toBe(open === 0);
    }),
  ));

test(
  'corners: open is bright, two sides taken is darkest, and what lies behind the face ' +
    'does not count',
  () => {
    const shade = (cells: Vec3[], corner: Vec3 = [0.5, 0.5, 0.5], normal: Vec3 = [0, 1, 0]) =>
      cornerShade(
        (at) => cells.some((cell) => cell.join() === at.join()),
        [0, 0, 0],
        corner,
        normal,
      );
    expect(shade([])).toBe(1);
    expect(shade([[1, 1, 0]])).toBeCloseTo(0.89);
    expect(shade([[1, 1, 1]])).toBeCloseTo(0.89);
    expect(
      shade([
        [1, 1, 0],
        [0, 1, 1],
      ]),
    ).toBeCloseTo(0.67);
    expect(
      shade([
        [1, 0, 0],
        [0, -1, 0],
      ]),
    ).toBe(1);
    expect(shade([[1, 1, 0]], [0.2, 0.5, 0.2])).toBe(1);
  },
);
