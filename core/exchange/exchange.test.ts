import { Document, WebIO } from '@gltf-transform/core';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { validateBytes } from 'gltf-validator';
import * as THREE from 'three';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { OBJExporter } from 'three/examples/jsm/exporters/OBJExporter.js';
import { itemAt } from '../lists/index.ts';
import { emptyMod, resolveBlock, type Block, type Box, type Mod } from '../mod/index.ts';
import { modelQuads, resolveModel, textureSizes, type Quad } from '../models/index.ts';
import { axes, orientations, sides, type Orientation } from '../space/index.ts';
import { decodePicture, encodePicture, pictureFacts } from '../textures/index.ts';
import {
  exchangeLimits,
  ExchangeProblem,
  likelyUnit,
  modelOfScene,
  readGltf,
  readObj,
  sceneOfState,
  writeGlb,
  writeObj,
  type ReadModel,
  type ReadScene,
} from './index.ts';

const whole = (min: number, max: number) => fc.integer({ min, max });
const triple = (min: number, max: number) =>
  fc.tuple(whole(min, max), whole(min, max), whole(min, max));
const side = fc.record(
  {
    slot: fc.constantFrom('wood', 'iron'),
    crop: fc.tuple(whole(0, 8), whole(0, 8), whole(1, 8), whole(1, 8)),
    quarters: whole(0, 3),
    mirrored: fc.boolean(),
  },
  { requiredKeys: ['slot'] },
);
const box = fc.record(
  {
    group: fc.constantFrom('frame', 'laths'),
    at: triple(-4, 12),
    size: triple(0, 10).filter((size) => size.filter((length) => length > 0).length >= 2),
    spin: fc.record({
      about: fc.constantFrom(...axes),
      by: fc.constantFrom(-45, -22.5, 10, 22.5, 45, 90, 130),
      pivot: triple(0, 16),
    }),
    sides: fc.record(Object.fromEntries(sides.map((one) => [one, side])), { requiredKeys: [] }),
  },
  { requiredKeys: ['at', 'size', 'sides'] },
) as fc.Arbitrary<Box>;
const boxes = fc.array(box, { minLength: 1, maxLength: 5 });

/** Two pictures of different sizes, in which every texel differs. */
const picture = (width: number, height: number, tone: number) =>
  encodePicture({
    width,
    height,
    data: Uint8Array.from({ length: width * height * 4 }, (_, i) =>
      i % 4 === 3 ? 255 : (i * 7 + tone) % 251,
    ),
  });
const blobs = new Map([
  ['a'.repeat(64), picture(16, 16, 3)],
  ['b'.repeat(64), picture(32, 16, 90)],
]);
const texture = (sha256: string) => ({
  picture: { sha256, bytes: 1, ...pictureFacts(decodePicture(blobs.get(sha256)!)) },
});

const blockOf = (use: Block['looks']['rows'][number]['use'], traits: Block['traits']): Block => ({
  identity: {},
  traits,
  states: { properties: [] },
  looks: { mode: 'one-of', rows: [{ use }] },
  tags: [],
  names: {},
});

function modWith(all: readonly Box[], orientation?: Orientation, traits: Block['traits'] = {}) {
  const mod: Mod = {
    ...emptyMod('m', 'M'),
    textures: { wood: texture('a'.repeat(64)), iron: texture('b'.repeat(64)) },
    models: { rack: { boxes: [...all], slots: { wood: 'm:wood', iron: 'm:iron' } } },
    blocks: { rack: blockOf([{ model: 'm:rack', ...orientation }], traits) },
  };
  const scene = sceneOfState(mod, resolveBlock(mod, 'rack', mod.blocks['rack']!), 0, (sha256) =>
    blobs.get(sha256),
  );
  return { mod, scene };
}

const options = {
  texels: 16,
  unit: 'block' as const,
  sizeOf: (bytes: Uint8Array) => decodePicture(bytes),
};

/** The faces of a model that have an area: corners and places on the picture in its texels. */
function facesOf(
  quads: readonly Quad[],
  sizeOf: (texture: string) => { width: number; height: number },
) {
  const length = (a: readonly number[], b: readonly number[]) =>
    Math.hypot(...a.map((value, i) => value - itemAt(b, i)));
  return quads
    .filter(({ corners: [a, b, , d] }) => length(a, b) > 0.001 && length(a, d) > 0.001)
    .map(({ corners, uv, texture: shown }) => {
      const { width, height } = sizeOf(shown ?? '');
      return {
        shown,
        corners: corners.map((at, i) => [
          ...at,
          itemAt(uv, i)[0] * width,
          itemAt(uv, i)[1] * height,
        ]),
      };
    });
}
type Faces = ReturnType<typeof facesOf>;

/** Faces of one list that are not in the other, whatever corner they begin at. */
const missing = (wanted: Faces, found: Faces): Faces =>
  wanted.filter(
    ({ corners, shown }) =>
      !found.some(
        (other) =>
          other.shown === shown &&
          corners.every((corner) =>
            other.corners.some((one) =>
              one.every((value, i) => Math.abs(value - itemAt(corner, i)) < 0.02),
            ),
          ),
      ),
  );

/** What was read as faces, its slots shown with the textures of the same name. */
function readFaces(read: ReadModel, mod: Mod): Faces {
  const slots = Object.fromEntries(read.slots.map(({ slot }) => [slot, `m:${slot}`]));
  const model = resolveModel({ boxes: read.boxes, slots }, () => undefined, 16);
  return facesOf(modelQuads(model, 16, textureSizes(mod)), textureSizes(mod) as never);
}
const ownFaces = (mod: Mod): Faces =>
  facesOf(
    modelQuads(
      resolveModel(mod.models['rack']!, () => undefined, 16),
      16,
      textureSizes(mod),
    ),
    textureSizes(mod) as never,
  );

function expectSame(mod: Mod, scene: ReadScene): void {
  const read = modelOfScene(scene, options);
  expect(read.notes).toEqual([]);
  const [was, is] = [ownFaces(mod), readFaces(read, mod)];
  expect({ lost: missing(was, is), new: missing(is, was) }).toEqual({ lost: [], new: [] });
}
const isEmpty = (mod: Mod) => ownFaces(mod).length === 0;

describe('a model goes out and comes back', () => {
  test('as GLB: the same boxes with the same parts of the same pictures', () => {
    fc.assert(
      fc.property(boxes, (all) => {
        const { mod, scene } = modWith(all);
        if (isEmpty(mod)) return;
        expectSame(
          mod,
          readGltf(writeGlb(scene), 'rack', () => undefined),
        );
      }),
    );
  });

  test('as OBJ with its materials and pictures beside it', () => {
    fc.assert(
      fc.property(boxes, (all) => {
        const { mod, scene } = modWith(all);
        if (isEmpty(mod)) return;
        const files = writeObj(scene, 'rack');
        expectSame(
          mod,
          readObj(files.get('rack.obj')!, 'rack', (name) => files.get(name)),
        );
      }),
    );
  });

  test('names and groups come along', () => {
    const all: Box[] = [
      {
        name: 'leg',
        group: 'frame',
        at: [0, 0, 0],
        size: [2, 9, 2],
        sides: { front: { slot: 'wood' } },
      },
      { name: 'lath', at: [0, 9, 0], size: [16, 1, 2], sides: { top: { slot: 'iron' } } },
    ];
    const { scene } = modWith(all);
    const { boxes: read } = modelOfScene(
      readGltf(writeGlb(scene), 'rack', () => undefined),
      options,
    );
    expect(read).toEqual(all);
  });

  test('turned by each of the 24 orientations it is still made of boxes', () => {
    fc.assert(
      fc.property(boxes, fc.constantFrom(...orientations), (all, orientation) => {
        const { mod, scene } = modWith(all, orientation);
        if (isEmpty(mod)) return;
        const read = modelOfScene(
          readGltf(writeGlb(scene), 'rack', () => undefined),
          options,
        );
        expect(read.notes).toEqual([]);
        expect(readFaces(read, mod)).toHaveLength(ownFaces(mod).length);
      }),
    );
  });
});

describe('what is written', () => {
  test('a tint is a colour of the material in linear light; a side without it has another one', () => {
    const { scene } = modWith(
      [
        {
          at: [0, 0, 0],
          size: [2, 9, 2],
          sides: { front: { slot: 'wood' }, top: { slot: 'wood', untinted: true } },
        },
      ],
      undefined,
      { tint: '#ff8000', alphaMode: 'mask' },
    );
    expect(scene.materials.map(({ name, tint }) => [name, tint])).toEqual([
      ['wood tinted', [1, expect.closeTo(0.2159, 3), 0]],
      ['wood', [1, 1, 1]],
    ]);
    const text = new TextDecoder().decode(writeObj(scene, 'leg').get('leg.mtl'));
    expect(text).toContain('newmtl wood_tinted\nKd 1 0.215861 0\n');
    expect(text).toContain('map_Kd leg_1.png\nmap_d leg_1.png');
  });

  test('as OBJ a box is lines that anybody can read', () => {
    const { scene } = modWith([
      { name: 'mat', at: [0, 0, 0], size: [16, 0, 8], sides: { top: { slot: 'wood' } } },
    ]);
    expect(new TextDecoder().decode(writeObj(scene, 'mat').get('mat.obj'))).toBe(
      [
        '# rack, one unit a block',
        'mtllib mat.mtl',
        'o mat',
        'g default',
        '# box -0.5 0 -0.5 1 0 0 0 0 0 0 0 0.5',
        'v -0.5 0 -0.5',
        'v -0.5 0 0',
        'v 0.5 0 0',
        'v 0.5 0 -0.5',
        'vt 0 1',
        'vt 0 0.5',
        'vt 1 0.5',
        'vt 1 1',
        'vn 0 1 0',
        'usemtl wood',
        'f 1/1/1 2/2/1 3/3/1 4/4/1',
        '',
      ].join('\n'),
    );
  });

  test('passes the validator of the format without an error or a warning', async () => {
    const traits = [
      {},
      { alphaMode: 'mask', alphaCutoff: 0.3 },
      { alphaMode: 'blend', tint: '#88aa44' },
    ];
    for (const all of fc.sample(boxes, { numRuns: 40, seed: 11 }))
      for (const one of traits as Block['traits'][]) {
        const { scene } = modWith(all, undefined, one);
        const { issues } = await validateBytes(writeGlb(scene));
        expect([issues.numErrors, issues.numWarnings, issues.messages]).toEqual([
          0,
          0,
          expect.anything(),
        ]);
      }
  });

  test('a state that shows nothing is a file without faces', async () => {
    const { scene } = modWith([]);
    const { issues } = await validateBytes(writeGlb(scene));
    expect([issues.numErrors, issues.numWarnings]).toEqual([0, 0]);
    expect(() => readGltf(writeGlb(scene), 'rack', () => undefined)).toThrow(
      'The file holds no faces, so there is nothing to take over.',
    );
  });

  test('another reader finds the same corners', async () => {
    const { scene } = modWith([
      { name: 'leg', at: [0, 0, 0], size: [2, 9, 2], sides: { front: { slot: 'wood' } } },
    ]);
    const document = await new WebIO().readBinary(writeGlb(scene));
    const [mesh] = document.getRoot().listMeshes();
    const positions = mesh!.listPrimitives()[0]!.getAttribute('POSITION')!;
    expect(positions.getMax([])).toEqual([-0.375, 0.5625, -0.375]);
    expect(document.getRoot().listTextures()[0]!.getSize()).toEqual([16, 16]);
  });
});

/** A reader of files for three's exporter, which knows browsers alone. */
class Reader {
  result: ArrayBuffer | string | null = null;
  onloadend: () => void = () => undefined;
  readAsArrayBuffer(blob: Blob): void {
    void blob.arrayBuffer().then((bytes) => {
      this.result = bytes;
      this.onloadend();
    });
  }
}

/** A post and a plank turned by 30° about y, as somebody else would build them. */
function foreignScene(): THREE.Group {
  const group = new THREE.Group();
  const material = new THREE.MeshStandardMaterial({ name: 'Planks' });
  const post = new THREE.Mesh(new THREE.BoxGeometry(0.25, 1, 0.25), material);
  post.name = 'Corner Post';
  post.position.set(-0.375, 0.5, -0.375);
  const plank = new THREE.Mesh(new THREE.BoxGeometry(1, 0.125, 0.25), material);
  plank.name = 'Plank.001';
  plank.position.set(0, 0.75, 0);
  plank.rotation.y = Math.PI / 6;
  group.add(post, plank);
  group.updateMatrixWorld(true);
  return group;
}
const foreignBoxes = [
  { name: 'corner_post', at: [0, 0, 0], size: [4, 16, 4] },
  {
    name: 'plank_001',
    at: [0, 11, 6],
    size: [16, 2, 4],
    spin: { about: 'y', by: 30, pivot: [8, 12, 8] },
  },
];

describe('what others write', () => {
  test('boxes of three.js as GLB', async () => {
    Object.assign(globalThis, { FileReader: Reader });
    const bytes = (await new GLTFExporter().parseAsync(foreignScene(), {
      binary: true,
    })) as ArrayBuffer;
    const read = modelOfScene(
      readGltf(new Uint8Array(bytes), 'x', () => undefined),
      options,
    );
    expect(read.notes).toEqual([]);
    expect(read.boxes).toMatchObject(foreignBoxes);
    expect(Object.keys(read.boxes[0]!.sides)).toHaveLength(6);
  });

  test('boxes of three.js as OBJ', () => {
    const text = new OBJExporter().parse(foreignScene());
    const read = modelOfScene(
      readObj(new TextEncoder().encode(text), 'x', () => undefined),
      options,
    );
    expect(read.boxes).toMatchObject(foreignBoxes);
  });

  test('a sphere among boxes is left out and said', () => {
    const group = foreignScene();
    const ball = new THREE.Mesh(new THREE.SphereGeometry(0.3, 8, 6));
    ball.name = 'Ball';
    group.add(ball);
    const read = modelOfScene(
      readObj(new TextEncoder().encode(new OBJExporter().parse(group)), 'x', () => undefined),
      options,
    );
    expect(read.boxes).toHaveLength(2);
    expect(read.notes).toEqual([
      '1 part left out, since its faces are not at right angles to each other: Ball.',
    ]);
  });

  test('glTF Transform: a quad under nodes that turn, move and scale it', async () => {
    const document = new Document();
    const buffer = document.createBuffer();
    const points = [0, 0, 0, 1, 0, 0, 1, 1, 0, 0, 1, 0];
    const position = document
      .createAccessor()
      .setType('VEC3')
      .setArray(new Float32Array(points))
      .setBuffer(buffer);
    const uv = document
      .createAccessor()
      .setType('VEC2')
      .setNormalized(true)
      .setArray(new Uint8Array([0, 255, 255, 255, 255, 0, 0, 0]))
      .setBuffer(buffer);
    const indices = document
      .createAccessor()
      .setArray(new Uint32Array([0, 1, 2, 0, 2, 3]))
      .setBuffer(buffer);
    const primitive = document
      .createPrimitive()
      .setAttribute('POSITION', position)
      .setAttribute('TEXCOORD_0', uv)
      .setIndices(indices);
    const mesh = document.createMesh('sign').addPrimitive(primitive);
    const inner = document.createNode('board').setMesh(mesh).setScale([0.5, 0.25, 1]);
    const half = Math.SQRT1_2;
    const outer = document
      .createNode('frame')
      .addChild(inner)
      .setRotation([0, half, 0, half])
      .setTranslation([0, 0.5, 0.25]);
    document.createScene().addChild(outer);
    const bytes = await new WebIO().writeBinary(document);
    const read = modelOfScene(
      readGltf(bytes, 'x', () => undefined),
      options,
    );
    // Turned by a quarter about y its front looks along +x, which is the left.
    expect(read.boxes).toMatchObject([
      {
        name: 'board',
        group: 'frame',
        at: [8, 8, 4],
        size: [0, 4, 8],
        sides: { left: { slot: 'face' } },
      },
    ]);
  });

  test('a file in texels is known by its size', () => {
    const text = 'v 0 0 0\nv 16 0 0\nv 16 8 0\nv 0 8 0\nf 1 2 3 4\n';
    const scene = readObj(new TextEncoder().encode(text), 'x', () => undefined);
    expect(likelyUnit(scene)).toBe('texel');
    expect(modelOfScene(scene, { ...options, unit: 'texel' }).boxes[0]).toMatchObject({
      at: [8, 0, 8],
      size: [16, 8, 0],
    });
  });
});

describe('what is damaged', () => {
  const { scene } = modWith([
    {
      name: 'leg',
      at: [0, 0, 0],
      size: [2, 9, 2],
      sides: { front: { slot: 'wood' }, top: { slot: 'iron' } },
    },
  ]);
  const good = writeGlb(scene);
  const read = (bytes: Uint8Array) => readGltf(bytes, 'x', () => undefined);

  test('cut off anywhere, it is refused in a sentence', () => {
    for (let length = 0; length < good.length; length += 13) {
      let problem: unknown;
      try {
        read(good.subarray(0, length));
      } catch (error) {
        problem = error;
      }
      expect(problem).toBeInstanceOf(ExchangeProblem);
      expect((problem as Error).message).toMatch(/^[A-Z].*\.$/);
    }
  });

  test('whatever bytes are changed, it is read or refused in a sentence', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(whole(0, good.length - 1), whole(0, 255)), {
          minLength: 1,
          maxLength: 8,
        }),
        (changes) => {
          const bytes = good.slice();
          for (const [at, value] of changes) bytes[at] = value;
          try {
            read(bytes);
          } catch (error) {
            expect(error).toBeInstanceOf(ExchangeProblem);
          }
        },
      ),
      { numRuns: 500 },
    );
  });

  const json = (value: object) =>
    new TextEncoder().encode(JSON.stringify({ asset: { version: '2.0' }, ...value }));

  test.each([
    ['nothing', new Uint8Array(), /no JSON/],
    ['a picture', picture(2, 2, 1), /no JSON/],
    [
      'an older one',
      new TextEncoder().encode('{"asset":{"version":"1.0"}}'),
      /It is glTF 1.0; 2.0 is read/,
    ],
    [
      'a circle',
      json({ scenes: [{ nodes: [0] }], nodes: [{ children: [1] }, { children: [0] }] }),
      /lead back to themselves/,
    ],
    ['a node that is not there', json({ scenes: [{ nodes: [7] }] }), /names node 7/],
    [
      'compressed',
      json({ extensionsRequired: ['EXT_packed'] }),
      /cannot be read without EXT_packed/,
    ],
    [
      'numbers beyond the data',
      json({
        scenes: [{ nodes: [0] }],
        nodes: [{ mesh: 0 }],
        meshes: [{ primitives: [{ attributes: { POSITION: 0 } }] }],
        accessors: [{ bufferView: 0, componentType: 5126, count: 9, type: 'VEC3' }],
        bufferViews: [{ buffer: 0, byteLength: 12 }],
        buffers: [{ byteLength: 12, uri: 'data:application/octet-stream;base64,AAAAAAAAAAAAAAAA' }],
      }),
      /Numbers reach beyond their data/,
    ],
    [
      'more corners than there is room for',
      json({
        scenes: [{ nodes: [0] }],
        nodes: [{ mesh: 0 }],
        meshes: [{ primitives: [{ attributes: { POSITION: 0 } }] }],
        accessors: [{ componentType: 5126, count: 4_000_000_000, type: 'VEC3' }],
      }),
      /more than 200000 corners/,
    ],
    [
      'few nodes that are many',
      json({
        scenes: [{ nodes: [0] }],
        nodes: Array.from({ length: 40 }, (_, i) => (i < 39 ? { children: [i + 1, i + 1] } : {})),
      }),
      /more than 4096 parts/,
    ],
  ])('%s', (_, bytes, says) => {
    expect(() => read(bytes)).toThrow(ExchangeProblem);
    expect(() => read(bytes)).toThrow(says);
  });

  test('a file that is too large is refused before it is read', () => {
    const large = new Uint8Array(exchangeLimits.bytes + 1);
    expect(() => read(large)).toThrow('The file is larger than 32 MB.');
    expect(() => readObj(large, 'x', () => undefined)).toThrow('The file is larger than 32 MB.');
  });

  test.each([
    ['v 0 0\n', 'Line 1 should hold a number and does not.'],
    ['v 0 0 0\nf 1 2 3\n', 'Line 2 names a corner that is not there.'],
    ['v 0 0 0\nf 1 1\n', 'Line 2 is a face of fewer than 3 corners.'],
    ['hello\n', 'The file holds no faces, so it is no OBJ file or an empty one.'],
  ])('OBJ: %j', (text, says) => {
    expect(() => readObj(new TextEncoder().encode(text), 'x', () => undefined)).toThrow(says);
  });

  test('OBJ: a library or a picture that is not beside it is said', () => {
    const text =
      'mtllib a.mtl\nv 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nusemtl oak\nf -4 -3 -2 -1\nl 1 2\n';
    const without = readObj(new TextEncoder().encode(text), 'x', () => undefined);
    expect(without.notes).toEqual([
      'The materials a.mtl are not beside it, so its pictures are open.',
      'Lines and points are left out.',
    ]);
    const library = new TextEncoder().encode('newmtl oak\nmap_Kd oak.png\n');
    const found = readObj(new TextEncoder().encode(text), 'x', (name) =>
      name === 'a.mtl' ? library : undefined,
    );
    expect(found.notes[0]).toBe('The picture oak.png is not beside it, so its slot is open.');
    expect(modelOfScene(found, options).slots).toEqual([{ slot: 'oak', picture: undefined }]);
  });
});
