import { expect, test } from '@jest/globals';
import { drawIsometric, drawnModels, type DrawnModel } from '../draw/index.ts';
import { heldUnder } from '../lists/index.ts';
import { applyChanges, emptyMod, resolveBlock } from '../mod/index.ts';
import { modelQuads, resolveModel, templateNamed } from '../models/index.ts';
import { directionStep, identityOrientation, type Heading, type Vec3 } from '../space/index.ts';
import type { Pixels } from '../textures/index.ts';
import { formNamed, newBlock } from './index.ts';

const texels = 16;
const size = 96;
const plain: Pixels = { width: 1, height: 1, data: new Uint8Array([200, 180, 160, 255]) };
/** Red above, blue below. */
const halves: Pixels = {
  width: 1,
  height: 2,
  data: new Uint8Array([255, 0, 0, 255, 0, 0, 255, 255]),
};

function buttons() {
  const form = formNamed('button')!;
  const mod = emptyMod('saltmarsh', 'Saltmarsh');
  const pictures = { face: 'saltmarsh:face' };
  const made = applyChanges(mod, newBlock(mod, 'it', 'It', { form, stock: 'timber', pictures }));
  return { mod: made, block: resolveBlock(made, 'it', heldUnder(made.blocks, 'it')) };
}
const drawn = (models: readonly DrawnModel[], pixels: Pixels) =>
  drawIsometric(models, texels, size, () => pixels);

/** Where the knob is, worked by hand: six wide, four high, two deep or one when it is pressed. */
function knobByHand(mount: string, heading: Heading, deep: number): [at: Vec3, size: Vec3] {
  const far = 16 - deep;
  const onWalls: Record<Heading, [at: Vec3, size: Vec3]> = {
    south: [
      [5, 6, 0],
      [6, 4, deep],
    ],
    north: [
      [5, 6, far],
      [6, 4, deep],
    ],
    east: [
      [0, 6, 5],
      [deep, 4, 6],
    ],
    west: [
      [far, 6, 5],
      [deep, 4, 6],
    ],
  };
  if (mount === 'wall') return onWalls[heading];
  const y = mount === 'floor' ? 0 : far;
  return heading === 'north' || heading === 'south'
    ? [
        [5, y, 6],
        [6, deep, 4],
      ]
    : [
        [6, y, 5],
        [4, deep, 6],
      ];
}

/** A box where it stands, turned by nothing. */
function boxAt(at: Vec3, extent: Vec3): DrawnModel {
  const [cube] = templateNamed('obrank:cube')!.model.boxes!;
  const model = resolveModel(
    { slots: { face: 'saltmarsh:face' }, boxes: [{ ...cube!, at: [...at], size: [...extent] }] },
    () => undefined,
    texels,
  );
  return {
    quads: modelQuads(model, texels, () => undefined),
    orientation: identityOrientation,
    alphaMode: 'opaque',
  };
}

/** The colour of the picture where a point of the cell is seen, of an isometric drawing. */
function colourAt({ data, width }: Pixels, [x, y, z]: Vec3): 'red' | 'blue' | 'none' {
  const scale = (size / texels / 2) * 0.97;
  const [cx, cy, cz] = [x - 8, y - 8, z - 8];
  const column = Math.floor(size / 2 + (cx - cz) * Math.cos(Math.PI / 6) * scale);
  const row = Math.floor(size / 2 + ((cx + cz) / 2 - cy) * scale);
  const from = (row * width + column) * 4;
  if (!data[from + 3]) return 'none';
  return data[from]! > data[from + 2]! ? 'red' : 'blue';
}

test('the pictures of all 24 states of a button are those of a knob that was placed by hand', () => {
  const { mod, block } = buttons();
  const seen = new Set<string>();
  for (let state = 0; state < block.space.size; state += 1) {
    const { mount, heading, pressed } = block.space.decode(state);
    const [at, extent] = knobByHand(String(mount), heading as Heading, pressed ? 1 : 2);
    const picture = drawn(drawnModels(mod, block, state), plain);
    expect([state, picture]).toEqual([state, drawn([boxAt(at, extent)], plain)]);
    seen.add(picture.data.join());
  }
  expect(block.space.size).toBe(24);
  // On the floor and under the ceiling north and south differ by what is painted on them alone.
  expect(seen.size).toBe(16);
});

test('what is painted on a button stands upright on a wall, and points along its heading elsewhere', () => {
  const { mod, block } = buttons();
  const front = (mount: string, heading: Heading, deep: number): Vec3 =>
    mount === 'floor' ? [8, deep, 8] : heading === 'south' ? [8, 8, deep] : [deep, 8, 8];
  const cases: [mount: string, heading: Heading][] = [
    ['wall', 'south'],
    ['wall', 'east'],
    ...(['north', 'east', 'south', 'west'] as const).map((heading): [string, Heading] => [
      'floor',
      heading,
    ]),
  ];
  for (const [mount, heading] of cases)
    for (const pressed of [false, true]) {
      const state = block.space.encode({ mount, heading, pressed });
      const picture = drawn(drawnModels(mod, block, state), halves);
      const middle = front(mount, heading, pressed ? 1 : 2);
      const top = directionStep(mount === 'wall' ? 'up' : heading);
      const [above, below] = [1, -1].map((sign) =>
        colourAt(picture, middle.map((at, axis) => at + sign * top[axis]!) as unknown as Vec3),
      );
      expect([mount, heading, pressed, above, below]).toEqual([
        mount,
        heading,
        pressed,
        'red',
        'blue',
      ]);
    }
});
