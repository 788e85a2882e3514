import { expect, test } from '@jest/globals';
import { modelQuads, resolveModel, templateNamed } from '../models/index.ts';
import { resolveBlock } from '../mod/index.ts';
import { identityOrientation } from '../space/index.ts';
import type { Pixels } from '../textures/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import {
  candidatesIn,
  drawIsometric,
  drawnModels,
  fillingView,
  neededTextures,
  texturePixels,
} from './index.ts';

const plain = (r: number, g: number, b: number, a = 255): Pixels => ({
  width: 1,
  height: 1,
  data: new Uint8Array([r, g, b, a]),
});
const cube = (texture: string, size = 16) =>
  modelQuads(
    resolveModel(
      {
        slots: { face: texture },
        boxes: templateNamed('obrank:cube')!.model.boxes!.map((box) => ({
          ...box,
          at: [8 - size / 2, 0, 8 - size / 2],
          size: [size, size, size],
        })),
      },
      () => undefined,
      16,
    ),
    16,
    () => undefined,
  );
const draw = (
  quads: ReturnType<typeof cube>,
  alphaMode: 'opaque' | 'mask' | 'blend',
  pixels: Record<string, Pixels | undefined>,
) =>
  drawIsometric(
    [{ quads, orientation: identityOrientation, alphaMode }],
    16,
    64,
    (id) => pixels[id],
  );
const at = ({ width, data }: Pixels, x: number, y: number) => [
  ...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 4),
];

test('a cube: clear corners, the top brightest, the left side brighter than the right', () => {
  const picture = draw(cube('a'), 'opaque', { a: plain(200, 200, 200) });
  for (const [x, y] of [
    [0, 0],
    [63, 0],
    [0, 63],
    [63, 63],
  ] as const)
    expect(at(picture, x, y)).toEqual([0, 0, 0, 0]);
  const [top, left, right] = [at(picture, 32, 14), at(picture, 18, 40), at(picture, 46, 40)];
  expect(top).toEqual([200, 200, 200, 255]);
  expect(left[0]).toBe(Math.round(200 * 0.84));
  expect(right[0]).toBe(Math.round(200 * 0.66));
});

test('what is nearer hides what is farther, whatever the order', () => {
  const near = cube('near', 8).map((quad) => ({
    ...quad,
    corners: quad.corners.map(([x, y, z]) => [
      x + 8,
      y + 9,
      z + 8,
    ]) as unknown as typeof quad.corners,
  }));
  const pixels = { far: plain(0, 0, 255), near: plain(255, 0, 0) };
  expect(draw([...near, ...cube('far')], 'opaque', pixels)).toEqual(
    draw([...cube('far'), ...near], 'opaque', pixels),
  );
  expect(at(draw([...near, ...cube('far')], 'opaque', pixels), 32, 32)[2]).toBe(0);
});

test(
  'holes under mask are clear, blended faces let through, a missing texture is the ' + 'marker',
  () => {
    expect(at(draw(cube('a'), 'mask', { a: plain(9, 9, 9, 100) }), 32, 32)[3]).toBe(0);
    expect(at(draw(cube('a'), 'blend', { a: plain(9, 9, 9, 128) }), 32, 20)[3]).toBeGreaterThan(
      100,
    );
    expect(at(draw(cube('a'), 'blend', { a: plain(9, 9, 9, 128) }), 32, 20)[3]).toBeLessThan(255);
    const hatched = draw(cube('a'), 'opaque', {});
    const ochre = Array.from({ length: 64 * 64 }, (_, i) => at(hatched, i % 64, i >> 6)).filter(
      ([r, , b, a]) => a === 255 && r! - b! > 60,
    ).length;
    expect(ochre).toBeGreaterThan(300);
  },
);

test('a state without a look is drawn as a cube of the marker, and needs no texture', () => {
  const mod = sampleMod();
  const bare = resolveBlock(mod, 'lamp', {
    ...mod.blocks['lamp']!,
    looks: { mode: 'one-of', rows: [] },
  });
  const models = drawnModels(mod, bare, 0);
  expect(models[0]!.quads).toHaveLength(6);
  expect(neededTextures(models)).toEqual([]);
  expect(
    neededTextures(drawnModels(mod, resolveBlock(mod, 'lamp', mod.blocks['lamp']!), 0)),
  ).toEqual(['saltmarsh:lamp']);
  expect(texturePixels(mod, () => undefined)('saltmarsh:lamp')).toBeUndefined();
});

test('one-of shows the first row that matches, layered every one', () => {
  const mod = sampleMod();
  const rows = [
    { use: [{ model: 'saltmarsh:lamp' }] },
    { when: { lit: true }, use: [{ model: 'saltmarsh:bank' }] },
  ];
  const of = (mode: 'one-of' | 'layered') =>
    candidatesIn(resolveBlock(mod, 'lamp', { ...mod.blocks['lamp']!, looks: { mode, rows } }), 1)
      .length;
  expect([of('one-of'), of('layered')]).toEqual([1, 2]);
});

/** The bounds of what is not clear in a picture, as left, right, top and bottom. */
function boundsOf({ width, height, data }: Pixels): [number, number, number, number] {
  const filled = Array.from({ length: width * height }, (_, at) => at).filter(
    (at) => data[at * 4 + 3] !== 0,
  );
  const [columns, rows] = [
    filled.map((at) => at % width),
    filled.map((at) => Math.floor(at / width)),
  ];
  return [Math.min(...columns), Math.max(...columns), Math.min(...rows), Math.max(...rows)];
}

test(
  'a small thing fills its picture about its middle, no more than 2.2 times as large; a ' +
    'whole cube stays as it is',
  () => {
    const grey = plain(120, 120, 120);
    const view = (size: number) => {
      const quads = cube('a:grey', size);
      const models = [{ quads, orientation: identityOrientation, alphaMode: 'opaque' as const }];
      const filling = fillingView(models, 16, () => grey);
      return { filling, drawn: drawIsometric(models, 16, 96, () => grey, filling) };
    };
    expect(view(16).filling.zoom).toBeCloseTo(1, 1);
    expect(view(2).filling.zoom).toBe(2.2);
    const [left, right, top, bottom] = boundsOf(view(9).drawn);
    expect(Math.max(right - left, bottom - top)).toBeGreaterThan(82);
    expect(Math.abs(left + right - 95)).toBeLessThan(5);
    expect(Math.abs(top + bottom - 95)).toBeLessThan(5);
  },
);

test('nothing to draw is shown as the whole cell', () => {
  expect(fillingView([], 16, () => undefined)).toEqual({ zoom: 1, middle: [0.5, 0.5] });
});
