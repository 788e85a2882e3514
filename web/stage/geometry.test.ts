import { expect, test } from '@jest/globals';
import * as THREE from 'three';
import { drawnModels, type Hidden } from '../../core/draw/index.ts';
import { sampleMod } from '../../core/inspect/sample.ts';
import { resolveBlock } from '../../core/mod/index.ts';
import { directions, orientations, type Direction } from '../../core/space/index.ts';
import { partsOf } from './geometry.ts';

const mod = sampleMod();
const modelsOf = (name: string, state = 0) =>
  drawnModels(mod, resolveBlock(mod, name, mod.blocks[name]!), state);
const triangles = (parts: ReturnType<typeof partsOf>) =>
  parts.reduce((sum, part) => sum + part.geometry.getIndex()!.count / 3, 0);

test('a cube is one mesh of twelve triangles that fills the cell', () => {
  const [part, ...rest] = partsOf(modelsOf('bank'), 16);
  expect(rest).toEqual([]);
  expect(part!.texture).toBe('saltmarsh:bank');
  expect(triangles([part!])).toBe(12);
  part!.geometry.computeBoundingBox();
  expect(part!.geometry.boundingBox).toEqual(
    new THREE.Box3(new THREE.Vector3(-0.5, -0.5, -0.5), new THREE.Vector3(0.5, 0.5, 0.5)),
  );
});

test(
  'faces towards a neighbour that hides them are left out, whichever way the model is ' + 'turned',
  () => {
    for (const orientation of orientations) {
      for (const hidden of directions) {
        const parts = partsOf(
          modelsOf('bank').map((model) => ({
            ...model,
            orientation,
            hidden: new Map<Direction, Hidden>([[hidden, 'all']]),
          })),
          16,
        );
        expect(triangles(parts)).toBe(10);
        const normals = faceNormals(parts[0]!.geometry);
        const step = {
          north: [0, 0, -1],
          south: [0, 0, 1],
          east: [1, 0, 0],
          west: [-1, 0, 0],
          up: [0, 1, 0],
          down: [0, -1, 0],
        }[hidden];
        expect(
          normals.some((normal) => normal.every((value, i) => Math.abs(value - step[i]!) < 1e-6)),
        ).toBe(false);
      }
    }
  },
);

/** The normal of every triangle, from the order of its corners: what the graphics card goes by. */
function faceNormals(geometry: THREE.BufferGeometry): number[][] {
  const positions = geometry.getAttribute('position');
  const index = geometry.getIndex()!;
  return Array.from({ length: index.count / 3 }, (_, i) => {
    const [a, b, c] = [0, 1, 2].map((corner) =>
      new THREE.Vector3().fromBufferAttribute(positions, index.getX(i * 3 + corner)),
    ) as [THREE.Vector3, THREE.Vector3, THREE.Vector3];
    return b.sub(a).cross(c.sub(a)).normalize().toArray();
  });
}

test('every triangle faces outward in every orientation', () => {
  for (const orientation of orientations) {
    const [part] = partsOf(
      modelsOf('bank').map((model) => ({ ...model, orientation })),
      16,
    );
    const positions = part!.geometry.getAttribute('position');
    faceNormals(part!.geometry).forEach((normal, i) => {
      const corner = new THREE.Vector3().fromBufferAttribute(
        positions,
        part!.geometry.getIndex()!.getX(i * 3),
      );
      expect(corner.dot(new THREE.Vector3(...normal))).toBeCloseTo(0.5, 6);
    });
  }
});

test('the lamp turns with its heading', () => {
  const middle = (heading: string) => {
    const block = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
    const [part] = partsOf(drawnModels(mod, block, block.space.encode({ heading })), 16);
    part!.geometry.computeBoundingBox();
    return part!.geometry
      .boundingBox!.getCenter(new THREE.Vector3())
      .toArray()
      .map((value) => Math.round(value * 16));
  };
  // The sample's lamp stands against its front: 4 texels of 16 off the middle.
  expect(middle('south')).toEqual([0, -2, 4]);
  expect(middle('north')).toEqual([0, -2, -4]);
  expect(middle('east')).toEqual([4, -2, 0]);
  expect(middle('west')).toEqual([-4, -2, 0]);
});
