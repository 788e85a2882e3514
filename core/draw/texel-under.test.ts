import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { modelQuads, uprightQuads, type ResolvedModel } from '../models/index.ts';
import { isOrientation, directions, dot, sides, vector, type Vec3 } from '../space/index.ts';
import type { Pixels } from '../textures/index.ts';
import { drawIsometric, patchesOf, texelUnder, type DrawnModel } from './index.ts';

const texels = 16;
const [width, height] = [16, 8];
const size = 40;
const texture = 'saltmarsh:lantern';
const sizeOf = () => ({ width, height });

const orientations = directions.flatMap((front) =>
  directions.flatMap((top) => (isOrientation({ front, top }) ? [{ front, top }] : [])),
);
const within = (most: number) => fc.integer({ min: 0, max: most });
const anySide = fc.record(
  {
    crop: fc
      .tuple(within(15), within(7), within(15), within(7))
      .map(([a, b, c, d]): [number, number, number, number] => [
        Math.min(a, c),
        Math.min(b, d),
        Math.abs(a - c) + 1,
        Math.abs(b - d) + 1,
      ]),
    quarters: within(3),
    mirrored: fc.boolean(),
  },
  { requiredKeys: [] },
);
const anyBox = fc
  .record({
    at: fc.tuple(within(11), within(11), within(11)),
    size: fc.tuple(within(11), within(11), within(11)).map((v) => vector((axis) => v[axis] + 5)),
    spin: fc.option(
      fc.record({
        about: fc.constantFrom('x' as const, 'y' as const, 'z' as const),
        by: fc.constantFrom(22.5, 45, -30),
        pivot: fc.constant([8, 8, 8] as Vec3),
      }),
      { nil: undefined },
    ),
    sides: fc.tuple(...sides.map(() => anySide)),
  })
  .map((box) => ({
    ...box,
    sides: Object.fromEntries(
      sides.map((side, i) => [side, { slot: 'face', texture, ...box.sides[i] }]),
    ),
  }));

/** A block of one or two boxes, turned somehow, with pictures kept upright or not. */
const anyDrawn = fc
  .tuple(
    fc.array(anyBox, { minLength: 1, maxLength: 2 }),
    fc.constantFrom(...orientations),
    fc.boolean(),
  )
  .map(([whole, orientation, upright]): DrawnModel => {
    // No two boxes have faces in one plane, of which rounding would decide which is seen.
    const boxes = whole.map((box, i) => ({
      ...box,
      at: vector((axis) => box.at[axis] + i * 0.31),
      size: vector((axis) => box.size[axis] + i * 0.17),
    }));
    const model = { boxes, slots: new Map(), unusedSlots: [] } as unknown as ResolvedModel;
    return {
      quads: upright
        ? uprightQuads(model, orientation, texels, sizeOf)
        : modelQuads(model, texels, sizeOf),
      orientation,
      alphaMode: 'opaque',
    };
  });

/** The line of sight of a sample of the drawing (ISO 5456-3, 5.2): from the south-east and above. */
function rayOfSample(column: number, row: number): { from: Vec3; to: Vec3 } {
  const side = size * 2;
  const scale = (side / texels / 2) * 0.97;
  const right = (column + 0.5 - side / 2) / (Math.cos(Math.PI / 6) * scale);
  const down = (row + 0.5 - side / 2) / scale;
  const [x, z] = [down + right / 2, down - right / 2];
  return { from: [x + 508, 508, z + 508], to: [-1, -1, -1] };
}

const picture = (isLit: (x: number, y: number) => boolean): Pixels => ({
  width,
  height,
  data: Uint8Array.from(
    Array.from({ length: width * height }, (_, i) => {
      const tone = isLit(i % width, Math.floor(i / width)) ? 255 : 0;
      return [tone, tone, tone, 255];
    }).flat(),
  ),
});
const drawn = (model: DrawnModel, isLit: (x: number, y: number) => boolean) =>
  drawIsometric([model], texels, size, () => picture(isLit)).data;

/** What a sample sees; nothing where it hits the very edge of a texel, which rounding decides. */
function seenAt(model: DrawnModel, column: number, row: number) {
  const at = (dx: number, dy: number) =>
    texelUnder([model], rayOfSample(column + dx, row + dy), texels, sizeOf);
  const hair = 1e-6;
  const seen = at(0, 0);
  const isSame = [
    [hair, hair],
    [hair, -hair],
    [-hair, hair],
    [-hair, -hair],
  ].every(([dx = 0, dy = 0]) => JSON.stringify(at(dx, dy)) === JSON.stringify(seen));
  return { seen, isEdge: !isSame };
}

describe('the texel under a line of sight', () => {
  test('is the one that the drawing shows there, and no other', () => {
    fc.assert(
      fc.property(anyDrawn, within(size - 1), within(size - 1), (model, column, row) => {
        const samples = [0, 1, 2, 3].map((i) =>
          seenAt(model, column * 2 + (i % 2), row * 2 + (i >> 1)),
        );
        fc.pre(!samples.some(({ isEdge }) => isEdge));
        const under = samples.map(({ seen }) => seen);
        const isUnder = (x: number, y: number) =>
          under.some((one) => one?.texel[0] === x && one.texel[1] === y);
        const pixel = (isLit: (x: number, y: number) => boolean) =>
          [...drawn(model, isLit).subarray((row * size + column) * 4)].slice(0, 4);
        expect(pixel(isUnder)).toEqual(pixel(() => true));
        expect(pixel((x, y) => !isUnder(x, y))).toEqual(pixel(() => false));
        const isEmpty = pixel(() => true)[3] === 0;
        expect(under.every((one) => one === undefined)).toBe(isEmpty);
      }),
      { numRuns: 200 },
    );
  });

  test('shows on a patch that the line of sight goes through', () => {
    fc.assert(
      fc.property(anyDrawn, within(2 * size - 1), within(2 * size - 1), (model, column, row) => {
        const ray = rayOfSample(column, row);
        const seen = texelUnder([model], ray, texels, sizeOf);
        if (!seen) return;
        const patches = patchesOf([model], seen, texels, sizeOf);
        const through = patches.filter(({ corners: [a, b, , d], normal }) => {
          const towards = dot(normal, ray.to);
          if (towards >= 0) return false;
          const way = dot(normal, minus(a, ray.from)) / towards;
          const at = minus(plus(ray.from, ray.to, way), a);
          const [right, down] = [minus(d, a), minus(b, a)];
          const share = (along: Vec3) => dot(at, along) / dot(along, along);
          return [share(right), share(down)].every((part) => part > -1e-6 && part < 1 + 1e-6);
        });
        expect(through.length).toBeGreaterThan(0);
      }),
    );
  });

  const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  const plus = (a: Vec3, b: Vec3, times: number): Vec3 => [
    a[0] + b[0] * times,
    a[1] + b[1] * times,
    a[2] + b[2] * times,
  ];

  test('is none on a face without a picture, or with one that nobody knows', () => {
    const cube = (shown: string | undefined) =>
      modelQuads(
        {
          boxes: [
            { at: [0, 0, 0], size: [16, 16, 16], sides: { front: { slot: 'f', texture: shown } } },
          ],
        } as unknown as ResolvedModel,
        texels,
        sizeOf,
      );
    const ray = { from: [3.5, 12.5, 40] as Vec3, to: [0, 0, -1] as Vec3 };
    const look = { orientation: { front: 'south', top: 'up' }, alphaMode: 'opaque' } as const;
    const under = (shown: string | undefined, known: boolean) =>
      texelUnder([{ ...look, quads: cube(shown) }], ray, texels, () =>
        known ? { width: 16, height: 16 } : undefined,
      );
    expect(under(texture, true)).toEqual({ texture, texel: [3, 3] });
    expect(under(undefined, true)).toBeUndefined();
    expect(under(texture, false)).toBeUndefined();
    expect(
      texelUnder([{ ...look, quads: cube(texture) }], { ...ray, to: [0, 0, 1] }, texels, sizeOf),
    ).toBeUndefined();
    expect(
      patchesOf(
        [{ ...look, quads: cube(texture) }],
        { texture, texel: [3, 3] },
        texels,
        () => undefined,
      ),
    ).toEqual([]);
  });
});
