import { itemAt } from '../../core/lists/index.ts';
import * as THREE from 'three';
import { isHidden, tintOf, type DrawnModel, type Hidden } from '../../core/draw/index.ts';
import { rotationOf, turn, type Direction, type Vec3 } from '../../core/space/index.ts';

/** The faces of one texture as one mesh. */
export interface Part {
  texture: string | undefined;
  geometry: THREE.BufferGeometry;
  alphaMode: DrawnModel['alphaMode'];
  alphaCutoff: number;
  tint: readonly [number, number, number];
}

/**
 * How bright a corner of a face is, from 0 to 1, by its place in units of cells from the middle of
 * its cell and where the face looks.
 */
export type Shade = (corner: Vec3, normal: Vec3) => number;

/**
 * A model with what its own neighbours hide of it and how its corners are shaded, where these
 * differ from model to model.
 */
export interface PlacedModel extends DrawnModel {
  hidden?: ReadonlyMap<Direction, Hidden>;
  shade?: Shade;
}

const nothing: ReadonlyMap<Direction, Hidden> = new Map();

/**
 * How bright a face is by where it faces: the same light from the upper left as in the drawings.
 */
const brightness = (x: number, y: number, z: number): number =>
  Math.min(1, x * x * 0.66 + y * y * (y > 0 ? 1 : 0.52) + z * z * 0.84);

/**
 * The drawn models as meshes, one for each texture and way of showing it, around the middle of a
 * cell that is one unit wide. Faces that their neighbours hide are left out, as the game leaves
 * them out.
 */
export function partsOf(models: readonly PlacedModel[], texels: number): Part[] {
  const parts = new Map<
    string,
    {
      part: Omit<Part, 'geometry'>;
      positions: number[];
      uvs: number[];
      colours: number[];
      index: number[];
    }
  >();
  models.forEach((model) => {
    const rotation = rotationOf(model.orientation);
    const [shiftX, shiftY, shiftZ] = (model.shift ?? [0, 0, 0]).map((texel) => texel / texels) as [
      number,
      number,
      number,
    ];
    for (const quad of model.quads) {
      if (isHidden(model, quad, model.hidden ?? nothing, texels)) continue;
      const tint = tintOf(model, quad);
      const key = `${model.alphaMode} ${String(tint)} ${quad.texture ?? ''}`;
      const made = parts.get(key) ?? {
        part: {
          texture: quad.texture,
          alphaMode: model.alphaMode,
          alphaCutoff: model.alphaCutoff ?? 0.5,
          tint: tint ?? [1, 1, 1],
        },
        positions: [],
        uvs: [],
        colours: [],
        index: [],
      };
      parts.set(key, made);
      const first = made.positions.length / 3;
      const normal = turn(rotation, quad.normal);
      const light = brightness(...normal);
      quad.corners.forEach((corner, i) => {
        const [x, y, z] = turn(rotation, [
          corner[0] / texels - 0.5,
          corner[1] / texels - 0.5,
          corner[2] / texels - 0.5,
        ]);
        made.positions.push(x + shiftX, y + shiftY, z + shiftZ);
        made.uvs.push(itemAt(quad.uv, i)[0], 1 - itemAt(quad.uv, i)[1]);
        const bright = light * (model.shade?.([x, y, z], normal) ?? 1);
        made.colours.push(bright, bright, bright);
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
