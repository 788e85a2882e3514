import * as THREE from 'three';
import type { DrawnModel } from '../../core/draw/index.ts';
import { facing, rotationOf, turn, type Direction } from '../../core/space/index.ts';

/** The faces of one texture as one mesh. */
export interface Part { texture: string | undefined; geometry: THREE.BufferGeometry; alphaMode: DrawnModel['alphaMode']; alphaCutoff: number; tint: readonly [number, number, number] }

/** A model with the sides that its own neighbours hide, where these differ from model to model. */
export interface PlacedModel extends DrawnModel { hidden?: ReadonlySet<Direction> }

/** How bright a face is by where it faces: the same light from the upper left as in the drawings. */
const brightness = (x: number, y: number, z: number): number => Math.min(1, x * x * 0.66 + y * y * (y > 0 ? 1 : 0.52) + z * z * 0.84);

/**
 * The drawn models as meshes, one for each texture and way of showing it, around the middle of a cell that is one unit wide. Faces that touch a side in
 * `hidden` are left out, as the game leaves out faces between neighbours.
 */
export function partsOf(models: readonly PlacedModel[], texels: number, hidden: ReadonlySet<Direction>): Part[] {
  const parts = new Map<string, { part: Omit<Part, 'geometry'>; positions: number[]; uvs: number[]; colours: number[]; index: number[] }>();
  models.forEach((model) => {
    const rotation = rotationOf(model.orientation);
    const [shiftX, shiftY, shiftZ] = (model.shift ?? [0, 0, 0]).map((texel) => texel / texels) as [number, number, number];
    for (const quad of model.quads) {
      if (quad.touches && (model.hidden ?? hidden).has(facing(model.orientation, quad.touches))) continue;
      const key = `${model.alphaMode} ${String(model.tint)} ${quad.texture ?? ''}`;
      const made = parts.get(key) ?? { part: { texture: quad.texture, alphaMode: model.alphaMode, alphaCutoff: model.alphaCutoff ?? 0.5, tint: model.tint ?? [1, 1, 1] }, positions: [], uvs: [], colours: [], index: [] };
      parts.set(key, made);
      const first = made.positions.length / 3;
      const light = brightness(...turn(rotation, quad.normal));
      quad.corners.forEach((corner, i) => {
        const [x, y, z] = turn(rotation, [corner[0] / texels - 0.5, corner[1] / texels - 0.5, corner[2] / texels - 0.5]);
        made.positions.push(x + shiftX, y + shiftY, z + shiftZ);
        made.uvs.push(quad.uv[i]![0], 1 - quad.uv[i]![1]);
        made.colours.push(light, light, light);
      });
      made.index.push(first, first + 1, first + 2, first, first + 2, first + 3);
    }
  });
  return [...parts.values()].map(({ part, positions, uvs, colours, index }) => {
    const geometry = new THREE.BufferGeometry();
    geometry.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3));
    geometry.setAttribute('uv', new THREE.Float32BufferAttribute(uvs, 2));
    geometry.setAttribute('color', new THREE.Float32BufferAttribute(colours, 3));
    geometry.setIndex(index);
    return { ...part, geometry };
  });
}
