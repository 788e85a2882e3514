import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Box } from '../mod/index.ts';
import {
  identityOrientation,
  facing,
  orientations,
  orientBox,
  rotationOf,
  sides,
  turn,
  type Orientation,
  type Vec3,
} from '../space/index.ts';
import { modelQuads, resolveModel, uprightQuads, type Quad } from './index.ts';

const none = () => undefined;
const boxOf = (
  at: [number, number, number],
  size: [number, number, number],
  crop?: [number, number, number, number],
): Box => ({
  at,
  size,
  sides: Object.fromEntries(sides.map((side) => [side, { slot: 'a', crop }])),
});
const resolved = (boxes: Box[]) => resolveModel({ boxes, slots: { a: 'x:y' } }, none, 16);
const anyBox = fc.record({
  at: fc.tuple(fc.nat(15), fc.nat(15), fc.nat(15)),
  size: fc.tuple(
    fc.integer({ min: 1, max: 16 }),
    fc.integer({ min: 1, max: 16 }),
    fc.integer({ min: 1, max: 16 }),
  ),
});

/**
 * A quad as it lies in the world: each corner with what the picture shows there, in an order of its
 * own.
 */
const lying = (quad: Quad, orientation: Orientation) =>
  quad.corners
    .map((corner, i) => {
      const [x, y, z] = turn(
        rotationOf(orientation),
        corner.map((value) => value - 8) as unknown as Vec3,
      );
      return [x + 8, y + 8, z + 8, ...quad.uv[i]!]
        .map((value) => Math.round(value * 1000) / 1000 + 0)
        .join();
    })
    .sort();

test(
  'in all 24 orientations an upright model shows what it would show had its boxes been ' +
    'made as they now lie',
  () =>
    fc.assert(
      fc.property(anyBox, fc.constantFrom(...orientations), ({ at, size }, orientation) => {
        const upright = uprightQuads(resolved([boxOf(at, size)]), orientation, 16, none).map(
          (quad) => lying(quad, orientation),
        );
        const { at: to, size: as } = orientBox({ at, size }, orientation, 16);
        const made = modelQuads(resolved([boxOf(to, as)]), 16, none).map((quad) =>
          lying(quad, identityOrientation),
        );
        expect([...upright].sort()).toEqual([...made].sort());
      }),
    ),
);

test(
  'the picture of an upright face is never mirrored, and a face keeps its side, its ' +
    'slot and the wall that it touches',
  () => {
    for (const orientation of orientations) {
      const plain = modelQuads(resolved([boxOf([0, 0, 0], [16, 16, 16])]), 16, none);
      uprightQuads(resolved([boxOf([0, 0, 0], [16, 16, 16])]), orientation, 16, none).forEach(
        (quad, i) => {
          expect([quad.side, quad.slot, quad.touches, quad.normal]).toEqual([
            plain[i]!.side,
            plain[i]!.slot,
            plain[i]!.touches,
            plain[i]!.normal,
          ]);
          // Anticlockwise corners keep showing the picture from its top left anticlockwise.
          expect(quad.uv).toEqual([
            [0, 0],
            [0, 1],
            [1, 1],
            [1, 0],
          ]);
          const [topLeft, bottomLeft] = quad.corners.map((corner) =>
            turn(rotationOf(orientation), corner.map((value) => value - 8) as unknown as Vec3),
          );
          const up = topLeft!.map((value, axis) => Math.sign(value - bottomLeft![axis]!) + 0);
          expect(up).toEqual(
            facing(orientation, quad.side) === 'up'
              ? [0, 0, -1]
              : facing(orientation, quad.side) === 'down'
                ? [0, 0, 1]
                : [0, 1, 0],
          );
        },
      );
    }
  },
);

test(
  'a crop that was given is turned about its middle where its face comes to lie on its ' +
    'side, so texels keep their size',
  () => {
    const model = resolved([boxOf([4, 0, 4], [8, 16, 8], [4, 0, 8, 16])]);
    const front = uprightQuads(model, { front: 'south', top: 'east' }, 16, () => ({
      width: 16,
      height: 16,
    })).find((quad) => quad.side === 'front')!;
    const [us, vs] = [front.uv.map(([u]) => u * 16), front.uv.map(([, v]) => v * 16)];
    expect([Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)]).toEqual([
      0, 16, 4, 12,
    ]);
    expect(uprightQuads(model, identityOrientation, 16, () => ({ width: 16, height: 16 }))).toEqual(
      modelQuads(model, 16, () => ({ width: 16, height: 16 })),
    );
  },
);

test('boxes with a spin keep their pictures', () => {
  const spun = resolved([
    { ...boxOf([0, 0, 8], [16, 16, 0]), spin: { about: 'y', by: 45, pivot: [8, 0, 8] } },
  ]);
  for (const orientation of orientations)
    expect(uprightQuads(spun, orientation, 16, none)).toEqual(modelQuads(spun, 16, none));
});
