import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import { cornerShade, hiddenBy, type DrawnModel, type Hidden } from '../../core/draw/index.ts';
import type { ResolvedBlock } from '../../core/mod/index.ts';
import {
  vector,
  eachOfFour,
  identityOrientation,
  directions,
  directionStep,
  type Direction,
  type Vec3,
} from '../../core/space/index.ts';
import { basePicture } from '../../core/textures/index.ts';
import { partsOf, type PlacedModel } from './geometry.ts';

/**
 * The cells of earth around the block: under it, behind it and at its left, so that one looks into
 * the corner in which it stands.
 */
export const earthCells: readonly Vec3[] = [-1, 0, 1].flatMap((x) =>
  [-1, 0, 1].flatMap((z) =>
    [-1, 0, 1].flatMap((y): Vec3[] => (y === -1 || x === -1 || z === -1 ? [[x, y, z]] : [])),
  ),
);
/** Earth is whole and opaque, so of what touches it nothing is drawn. */
export const inEarth = new Map<Direction, Hidden>(
  directions
    .filter((direction) =>
      earthCells.some((cell) => cell.join() === directionStep(direction).join()),
    )
    .map((direction) => [direction, 'all']),
);

const soil = basePicture('#8a7055', 16, 5);
const isEarth = (place: Vec3) => earthCells.some((cell) => cell.join() === place.join());
const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

/**
 * Earth around the block, its faces left out where the block says that it hides them. Where that is
 * said wrongly one sees through the world, here as in the game.
 */
export function Earth({
  block,
  models,
  texels,
  ambient,
}: {
  block: ResolvedBlock;
  models: readonly DrawnModel[];
  texels: number;
  ambient: readonly [number, number, number];
}) {
  const geometry = useMemo(() => {
    const earth = { name: '', traits: { ...block.traits, joinsOwnKind: false } };
    const placed = earthCells.map((cell): PlacedModel => ({
      quads: cube(texels),
      orientation: identityOrientation,
      alphaMode: 'opaque',
      shift: vector((axis) => cell[axis] * texels),
      hidden: new Map(
        directions.flatMap((direction): [Direction, Hidden][] => {
          const at = add(cell, directionStep(direction));
          if (isEarth(at)) return [[direction, 'all']];
          const by = at.every((value) => value === 0)
            ? hiddenBy(earth, block, models, direction, texels)
            : undefined;
          return by ? [[direction, by]] : [];
        }),
      ),
      shade: (corner, normal) => cornerShade(isEarth, cell, corner, normal),
    }));
    return partsOf(placed, texels)[0]?.geometry;
  }, [block, models, texels]);
  const map = useMemo(() => {
    const made = new THREE.DataTexture(soil.data, soil.width, soil.height);
    made.colorSpace = THREE.SRGBColorSpace;
    made.magFilter = THREE.NearestFilter;
    made.needsUpdate = true;
    return made;
  }, []);
  useEffect(() => () => geometry?.dispose(), [geometry]);
  useEffect(() => () => map.dispose(), [map]);
  if (!geometry) return null;
  return (
    <mesh geometry={geometry} position={[0, 0.5, 0]}>
      <meshBasicMaterial map={map} vertexColors color={[...ambient]} toneMapped={false} />
    </mesh>
  );
}

const corners: Record<Direction, readonly [Vec3, Vec3, Vec3, Vec3]> = {
  south: [
    [0, 1, 1],
    [0, 0, 1],
    [1, 0, 1],
    [1, 1, 1],
  ],
  north: [
    [1, 1, 0],
    [1, 0, 0],
    [0, 0, 0],
    [0, 1, 0],
  ],
  east: [
    [1, 1, 1],
    [1, 0, 1],
    [1, 0, 0],
    [1, 1, 0],
  ],
  west: [
    [0, 1, 0],
    [0, 0, 0],
    [0, 0, 1],
    [0, 1, 1],
  ],
  up: [
    [0, 1, 0],
    [0, 1, 1],
    [1, 1, 1],
    [1, 1, 0],
  ],
  down: [
    [0, 0, 1],
    [0, 0, 0],
    [1, 0, 0],
    [1, 0, 1],
  ],
};
const sideOf = {
  south: 'front',
  north: 'back',
  east: 'right',
  west: 'left',
  up: 'top',
  down: 'bottom',
} as const;

/** The six faces of a cell of earth. */
function cube(texels: number): DrawnModel['quads'] {
  return directions.map((direction) => ({
    corners: eachOfFour(corners[direction], (corner) => vector((axis) => corner[axis] * texels)),
    normal: directionStep(direction),
    side: sideOf[direction],
    touches: sideOf[direction],
    texture: undefined,
    slot: 'earth',
    box: 0,
    uv: [
      [0, 0],
      [0, 1],
      [1, 1],
      [1, 0],
    ],
  }));
}
