import { expect, test } from '@jest/globals';
import { sampleMod } from '../inspect/sample.ts';
import { heldUnder } from '../lists/index.ts';
import { resolveBlock } from '../mod/index.ts';
import { drawHeld, drawnModels, heldModels, heldShare, usualPoses } from './index.ts';
import type { Pixels } from '../textures/index.ts';

const mod = sampleMod();
const bank = resolveBlock(mod, 'bank', mod.blocks['bank']!);
const plain: Pixels = { width: 1, height: 1, data: Uint8Array.from([200, 100, 50, 255]) };

/** The bounds of what is drawn, in shares of the picture: left, top, right, bottom. */
function bounds({ width, height, data }: Pixels): number[] {
  let [left, top, right, bottom] = [width, height, 0, 0];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      if ((data[(y * width + x) * 4 + 3] ?? 0) < 128) continue;
      [left, right] = [Math.min(left, x), Math.max(right, x + 1)];
      [top, bottom] = [Math.min(top, y), Math.max(bottom, y + 1)];
    }
  return [left / width, top / height, right / width, bottom / height];
}
const draw = (pose: Parameters<typeof drawHeld>[2]) =>
  bounds(drawHeld(heldModels(mod, bank), 16, pose, 200, () => plain));

test('seen straight on, a cube is a square of its scale in the middle', () => {
  const [left = 0, top = 0, right = 0, bottom = 0] = draw({
    turn: [0, 0, 0],
    scale: 1,
    shift: [0, 0, 0],
  });
  expect(right - left).toBeCloseTo(heldShare, 1);
  expect(bottom - top).toBeCloseTo(right - left, 1);
  expect((left + right) / 2).toBeCloseTo(0.5, 1);
  const half = draw({ turn: [0, 0, 0], scale: 0.5, shift: [0, 0, 0] });
  expect(half[2]! - half[0]!).toBeCloseTo((right - left) / 2, 1);
});

test('shifts go right and up, and a quarter turn about z stands a wide thing on its end', () => {
  const still = draw({ turn: [0, 0, 0], scale: 0.4, shift: [0, 0, 0] });
  const moved = draw({ turn: [0, 0, 0], scale: 0.4, shift: [4, 4, 0] });
  expect(moved[0]! - still[0]!).toBeCloseTo(heldShare / 4, 1);
  expect(moved[1]! - still[1]!).toBeCloseTo(-heldShare / 4, 1);
  const lamp = resolveBlock(mod, 'lamp', heldUnder(mod.blocks, 'lamp'));
  const size = (turn: [number, number, number]) => {
    const pose = { turn, scale: 0.9, shift: [0, 0, 0] as [number, number, number] };
    const [left = 0, top = 0, right = 0, bottom = 0] = bounds(
      drawHeld(heldModels(mod, lamp), 16, pose, 200, () => plain),
    );
    return [right - left, bottom - top];
  };
  const [wide = 0, high = 0] = size([0, 0, 0]);
  expect(high).toBeGreaterThan(wide);
  expect(size([0, 0, 90])[0]).toBeCloseTo(high, 1);
  expect(size([0, 0, 90])[1]).toBeCloseTo(wide, 1);
});

test('a model of its own is shown instead of the block', () => {
  const declared = {
    ...mod.blocks['bank']!,
    identity: { ...mod.blocks['bank']!.identity, held: { model: 'saltmarsh:lamp' } },
  };
  const held = { ...mod, blocks: { ...mod.blocks, bank: declared } };
  const lamp = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
  expect(heldModels(held, resolveBlock(held, 'bank', declared))[0]?.quads).toEqual(
    drawnModels(mod, lamp, 0)[0]?.quads,
  );
  expect(heldModels(mod, bank)).toEqual(drawnModels(mod, bank, 0));
});

test('in lists an item looks as our drawings of blocks do, a little smaller', () => {
  const [left = 0, top = 0, right = 0, bottom = 0] = draw(usualPoses.catalogue);
  expect(right - left).toBeGreaterThan(0.5);
  expect(left).toBeGreaterThan(0);
  expect(bottom - top).toBeGreaterThan(right - left);
});
