import { describe, expect, test } from '@jest/globals';
import { vector, type Vec3 } from '../../space/index.ts';
import type { YardPicture } from '../pack-world.ts';
import { Looks } from '../look/drawn.ts';
import { WorldNow } from '../run/world-now.ts';
import { demoWorld } from '../../../demo/art/demo-world.ts';
import { atlasOf, frameAt } from './atlas.ts';
import type { MeshArrays } from './buffer.ts';
import { chunksOf, meshChunk, type ChunkMesh } from './chunk.ts';
import { tintOf } from './shades.ts';
import { meshItem } from './item.ts';

const { world } = demoWorld();
const stone = { block: 'obrank:granite', state: 0 } as const;

/** A world of a few blocks, meshed. */
function meshed(lay: (put: WorldNow['lay']) => void, size: Vec3 = [16, 16, 16]) {
  const now = new WorldNow(world, size, () => 0.5);
  lay(now.lay);
  now.light();
  const looks = new Looks(world, now.numbers);
  const drawing = {
    cells: now.cells,
    numbers: now.numbers,
    looks,
    facts: now.facts,
    pictureNumber: (id: string | undefined) => world.view.pictures.indexOf(id ?? '') + 1,
    fluidLook: () => ({ isClear: true }),
    block: now.lighting.block,
    sky: now.lighting.sky,
    texels: world.texels,
  };
  const chunks = chunksOf(size).map((chunk) => meshChunk(drawing, chunk));
  return { now, looks, drawing, chunks, faces: chunks.reduce((sum, one) => sum + allIn(one), 0) };
}
const allIn = ({ solid, clear }: ChunkMesh): number => solid.faces + clear.faces;

/** The area of all faces, in cells: merged or not it is the same. */
const areaOf = ({ positions, faces }: MeshArrays): number => {
  let area = 0;
  for (let face = 0; face < faces; face += 1) {
    const corner = (i: number) => vector((axis) => positions[face * 12 + i * 3 + axis]!);
    const [a, b, d] = [corner(0), corner(1), corner(3)];
    const edge = (to: Vec3) => Math.hypot(to[0] - a[0], to[1] - a[1], to[2] - a[2]);
    area += edge(b) * edge(d);
  }
  return area;
};

describe('Reference physics, Faces', () => {
  test('a block alone has six, two side by side hide the two between them', () => {
    expect(meshed((put) => put([4, 4, 4], stone)).faces).toBe(6);
    const two = meshed((put) => {
      put([4, 4, 4], stone);
      put([5, 4, 4], stone);
    });
    expect(areaOf(two.chunks[0]!.solid)).toBe(10);
  });

  test('one sees through what never hides its neighbours, but not into its own kind', () => {
    const glass = { block: 'obrank:glass', state: 0 };
    const found = meshed((put) => {
      put([4, 4, 4], glass);
      put([5, 4, 4], glass);
      put([4, 3, 4], stone);
    });
    expect(areaOf(found.chunks[0]!.solid)).toBe(6);
    // Of the glass what lies between the two is left out, and its bottom on the stone.
    expect(areaOf(found.chunks[0]!.clear)).toBe(9);
  });

  test('faces that look alike are merged, also across a whole layer', () => {
    const layer = meshed((put) => {
      for (let x = 0; x < 16; x += 1) for (let z = 0; z < 16; z += 1) put([x, 0, z], stone);
    });
    const [chunk] = layer.chunks;
    expect(areaOf(chunk!.solid)).toBe(2 * 256 + 4 * 16);
    expect(chunk!.solid.faces).toBeLessThan(20);
  });

  test('under shadedCorners a taken cell darkens the corners beside it by 11 in 100', () => {
    const found = meshed((put) => {
      put([4, 4, 4], stone);
      put([5, 5, 4], stone);
    });
    const { lights, positions, faces } = found.chunks[0]!.solid;
    const shades = new Set<number>();
    for (let point = 0; point < faces * 4; point += 1)
      if (positions[point * 3 + 1] === 5 - 8) shades.add(lights[point * 4 + 2]!);
    // The top is 1 as it is: 255, and 227 where the other block stands beside it.
    expect([...shades]).toEqual(expect.arrayContaining([255, Math.round(255 * 0.89)]));
  });
});

describe('Fluids, the surface', () => {
  const [fluid] = world.fluids.keys();

  test('a source alone stands ⅞ high; under another one it is full', () => {
    const one = meshed((put) => put([4, 4, 4], { fluid: fluid! }));
    const heights = (mesh: MeshArrays) =>
      Math.max(...Array.from(mesh.positions).filter((_, i) => i % 3 === 1)) + 8;
    expect(heights(one.chunks[0]!.clear)).toBeCloseTo(4 + 7 / 8, 6);
    const two = meshed((put) => {
      put([4, 4, 4], { fluid: fluid! });
      put([4, 5, 4], { fluid: fluid! });
    });
    expect(heights(two.chunks[0]!.clear)).toBeCloseTo(5 + 7 / 8, 6);
  });
});

describe('all pictures in one', () => {
  const plain = (side: number, frames: number, value: number): YardPicture => ({
    width: side,
    height: side,
    frames,
    steps: Array.from({ length: frames }, (_, frame) => ({ frame, ticks: 2 })),
    blend: true,
    pixels: () => new Uint8Array(side * side * frames * 4).fill(value),
  });
  const pictures = new Map([
    ['a', plain(16, 3, 255)],
    ['b', plain(8, 1, 120)],
    ['c', plain(32, 2, 60)],
  ]);
  const view = { ...world.view, pictureOf: (id: string) => pictures.get(id) };
  const atlas = atlasOf(view, ['a', 'b', 'c', 'gone'], plain(16, 1, 7));

  test('each frame has a tile of its own; what is not there is the marker', () => {
    expect(atlas.tileSide).toBe(32);
    expect(atlas.pictures.map(({ tile }) => tile)).toEqual([0, 1, 4, 5]);
    expect(atlas.unread).toEqual(['gone']);
  });

  test('nothing bleeds into its neighbour, in any of the smaller copies', () => {
    const values = [7, 255, 255, 255, 120, 60, 60];
    for (const { side, data } of atlas.levels) {
      const tile = side / atlas.perRow;
      values.forEach((value, number) => {
        const [left, top] = [
          (number % atlas.perRow) * tile,
          Math.floor(number / atlas.perRow) * tile,
        ];
        for (let y = 0; y < tile; y += 1)
          for (let x = 0; x < tile; x += 1)
            expect(data[((top + y) * side + left + x) * 4]).toBe(value);
      });
    }
    expect(atlas.levels.at(-1)!.side).toBe(atlas.perRow);
  });

  test('Textures and colours: each frame shows for its ticks, and goes over into the next', () => {
    const strip = {
      steps: [
        { frame: 0, ticks: 4 },
        { frame: 2, ticks: 2 },
      ],
      blend: true,
    };
    expect(frameAt(strip, 1)).toEqual({ frame: 0, next: 2, share: 0.25 });
    expect(frameAt(strip, 5)).toEqual({ frame: 2, next: 0, share: 0.5 });
    expect(frameAt({ ...strip, blend: false }, 7)).toEqual({ frame: 0, next: 2, share: 0 });
  });
});

test('a tint is a colour, or what the climate chooses', () => {
  expect([tintOf('none'), tintOf('leaf'), tintOf('#10ff20')]).toEqual([
    [255, 255, 255, 0],
    [255, 255, 255, 2],
    [16, 255, 32, 0],
  ]);
});

test('every item of the demo is seen as something', () => {
  const { drawing } = meshed(() => undefined);
  for (const item of world.view.items) {
    const mesh = meshItem({ pack: world, ...drawing }, item, 'hand');
    expect([item.id, mesh.faces > 0]).toEqual([item.id, true]);
  }
});
