import { expect, test } from '@jest/globals';
import * as THREE from 'three';
import { drawIsometric, drawnModels, type DrawnModel } from '../../core/draw/index.ts';
import { flattened } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { itemAt } from '../../core/lists/index.ts';
import { resolveBlocks } from '../../core/mod/index.ts';
import { orientations } from '../../core/space/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import { readFiles } from '../../demo/art/read-files.ts';
import { partsOf } from './geometry.ts';

const size = 72;
const { mod: declared } = readModFolder(readFiles('demo/saltmarsh'));
const mod = flattened(declared);
const { texels } = mod.header;

/**
 * A colour for each texture that stays itself however bright it is, and of which no two mix to a
 * third: what is a mixture lies on an edge.
 */
const hues = [
  [255, 0, 0],
  [0, 255, 0],
  [0, 0, 255],
] as const;
const mixture = 255;

/** The number of a hue at each pixel, 0 where nothing is drawn, a mixture at edges. */
type Picture = Uint8Array;

/** The software renderer's picture, every texture a hue. */
function drawn(models: readonly DrawnModel[], textures: readonly (string | undefined)[]): Picture {
  const plain = (id: string): Pixels => {
    const hue = itemAt(hues, textures.indexOf(id) % hues.length);
    return { width: 1, height: 1, data: Uint8Array.from([...hue, 255]) };
  };
  const { data } = drawIsometric(models, texels, size, plain);
  return Uint8Array.from({ length: size * size }, (_, i) => {
    const [r = 0, g = 0, b = 0, a = 0] = data.subarray(i * 4, i * 4 + 4);
    if (a < 128) return 0;
    const most = Math.max(r, g, b);
    const on = [r, g, b].flatMap((value, n) => (value > most / 8 ? [n] : []));
    return on.length === 1 ? 1 + itemAt(on, 0) : mixture;
  });
}

/**
 * The stage's geometry as three's own camera sees it from the same side, its triangles filled by
 * their depth.
 */
function staged(models: readonly DrawnModel[], textures: readonly (string | undefined)[]): Picture {
  // A cell is half of the picture wide, but for the margin that our drawings leave.
  const reach = 1 / 0.97 / Math.sqrt(1.5);
  const camera = new THREE.OrthographicCamera(-reach, reach, reach, -reach, 0.1, 20);
  camera.position.set(5, 5, 5);
  camera.lookAt(0, 0, 0);
  camera.updateMatrixWorld();
  camera.updateProjectionMatrix();
  const picture = new Uint8Array(size * size);
  const depth = new Float32Array(size * size).fill(Infinity);
  for (const { geometry, texture } of partsOf(models, texels)) {
    const hue = 1 + (textures.indexOf(texture) % hues.length);
    const points = geometry.getAttribute('position');
    const at = (i: number) => {
      const point = new THREE.Vector3().fromBufferAttribute(points, i).project(camera);
      return { x: ((point.x + 1) / 2) * size, y: ((1 - point.y) / 2) * size, z: point.z };
    };
    const index = geometry.getIndex()!;
    for (let i = 0; i < index.count; i += 3)
      fill([0, 1, 2].map((n) => at(index.getX(i + n))) as never, hue, picture, depth);
  }
  return picture;
}

interface Point {
  x: number;
  y: number;
  z: number;
}

/** Fills a triangle that looks at the camera, the nearest winning at the middle of each pixel. */
function fill(
  [a, b, c]: [Point, Point, Point],
  hue: number,
  picture: Picture,
  depth: Float32Array,
) {
  const area = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
  if (area >= -1e-9) return;
  const [low, high] = [Math.min, Math.max];
  for (
    let y = Math.max(0, Math.floor(low(a.y, b.y, c.y)));
    y < Math.min(size, high(a.y, b.y, c.y));
    y += 1
  )
    for (
      let x = Math.max(0, Math.floor(low(a.x, b.x, c.x)));
      x < Math.min(size, high(a.x, b.x, c.x));
      x += 1
    ) {
      const [px, py] = [x + 0.5, y + 0.5];
      const u = ((px - a.x) * (c.y - a.y) - (py - a.y) * (c.x - a.x)) / area;
      const v = ((b.x - a.x) * (py - a.y) - (b.y - a.y) * (px - a.x)) / area;
      if (u < -1e-6 || v < -1e-6 || u + v > 1 + 1e-6) continue;
      const z = a.z + u * (b.z - a.z) + v * (c.z - a.z);
      const i = y * size + x;
      if (z >= depth[i]! - 1e-6) continue;
      depth[i] = z;
      picture[i] = hue;
    }
}

const around = [-1, 0, 1].flatMap((dy) => [-1, 0, 1].map((dx) => dy * size + dx));

/**
 * Pixels more than a pixel away from every edge of one picture that are another in the other, where
 * it is no sliver thinner than a pixel, which falls between the samples.
 */
function apart(one: Picture, other: Picture): number {
  let many = 0;
  for (let y = 1; y < size - 1; y += 1)
    for (let x = 1; x < size - 1; x += 1) {
      const at = y * size + x;
      const same = (picture: Picture) =>
        around.filter((step) => picture[at + step] === one[at]).length;
      if (same(one) === 9 && other[at] !== one[at] && same(other) < 5) many += 1;
    }
  return many;
}

test('a picture that is off by two pixels is found', () => {
  const [, block] = resolveBlocks(mod).map((one) => [one.name, one] as const)[0]!;
  const models = drawnModels(mod, block, block.space.defaultState);
  const textures = [...new Set(models.flatMap(({ quads }) => quads.map((q) => q.texture)))];
  const [flat, deep] = [drawn(models, textures), staged(models, textures)];
  expect(apart(flat, deep)).toBe(0);
  expect(
    apart(
      flat,
      Uint8Array.from(deep, (_, i) => deep[i - 2] ?? 0),
    ),
  ).toBeGreaterThan(20);
});

test.each(resolveBlocks(mod).map((block) => [block.name, block] as const))(
  'the stage and the drawing of %s have their edges within a pixel, in all 24 orientations',
  (_, block) => {
    const wrong = orientations.flatMap((orientation) => {
      const models = drawnModels(mod, block, block.space.defaultState).map((model) => ({
        ...model,
        alphaMode: 'opaque' as const,
        tint: undefined,
        orientation,
      }));
      const textures = [...new Set(models.flatMap(({ quads }) => quads.map((q) => q.texture)))];
      const [flat, deep] = [drawn(models, textures), staged(models, textures)];
      const differing = apart(flat, deep) + apart(deep, flat);
      return differing ? [{ orientation, differing }] : [];
    });
    expect(wrong).toEqual([]);
  },
);
