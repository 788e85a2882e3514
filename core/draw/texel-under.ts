import type { Quad, Ray, TextureSize } from '../models/index.ts';
import { dot, eachOfFour, rotationOf, turn, vector, type Vec3 } from '../space/index.ts';
import type { DrawnModel } from './isometric.ts';

/** A texel of a picture that is seen on a block. */
export interface SeenTexel {
  texture: string;
  /** Its place on one frame of the picture, from the upper left corner. */
  texel: readonly [x: number, y: number];
}

/** A quad as it stands in the cell: its upper left corner, and the ways right and down from it. */
interface Placed {
  quad: Quad;
  corner: Vec3;
  right: Vec3;
  down: Vec3;
  normal: Vec3;
}

const minus = (a: Vec3, b: Vec3): Vec3 => vector((axis) => a[axis] - b[axis]);

function placed(
  quad: Quad,
  { orientation, shift = [0, 0, 0] }: DrawnModel,
  texels: number,
): Placed {
  const rotation = rotationOf(orientation);
  const middle = texels / 2;
  const [topLeft, bottomLeft, , topRight] = eachOfFour(quad.corners, (corner) => {
    const turned = turn(
      rotation,
      vector((axis) => corner[axis] - middle),
    );
    return vector((axis) => turned[axis] + middle + shift[axis]);
  });
  return {
    quad,
    corner: topLeft,
    right: minus(topRight, topLeft),
    down: minus(bottomLeft, topLeft),
    normal: turn(rotation, quad.normal),
  };
}

/**
 * The texel that a line of sight meets first on the faces that look towards it, whether it is clear
 * or not; undefined where it meets none, or a face without a picture. `ray` in texels of the cell.
 *
 * @example texelUnder(drawnModels(mod, block, 0), { from: [8, 8, 40], to: [0, 0, -1] }, 16, sizeOf)
 */
export function texelUnder(
  models: readonly DrawnModel[],
  { from, to }: Ray,
  texels: number,
  sizeOf: TextureSize,
): SeenTexel | undefined {
  let nearest = Infinity;
  let struck: { quad: Quad; across: number; along: number } | undefined;
  for (const model of models)
    for (const quad of model.quads) {
      const { corner, right, down, normal } = placed(quad, model, texels);
      const towards = dot(normal, to);
      if (towards > -1e-12) continue;
      const distance = dot(normal, minus(corner, from)) / towards;
      if (distance <= 0 || distance >= nearest) continue;
      const at = vector((axis) => from[axis] + to[axis] * distance - corner[axis]);
      const across = dot(at, right) / dot(right, right);
      const along = dot(at, down) / dot(down, down);
      if (!(across >= 0 && across < 1 && along >= 0 && along < 1)) continue;
      nearest = distance;
      struck = { quad, across, along };
    }
  if (struck?.quad.texture === undefined) return undefined;
  const { texture } = struck.quad;
  const size = sizeOf(texture);
  if (!size) return undefined;
  const [[u, v], [rightU, rightV], [downU, downV]] = waysOf(struck.quad);
  const place = (part: number, many: number): number =>
    Math.max(0, Math.min(many - 1, Math.floor(part * many)));
  return {
    texture,
    texel: [
      place(u + struck.across * rightU + struck.along * downU, size.width),
      place(v + struck.across * rightV + struck.along * downV, size.height),
    ],
  };
}

type Pair = readonly [u: number, v: number];

/** Where a quad's picture begins, and how it goes on along its right and down. */
function waysOf({ uv }: Quad): [start: Pair, right: Pair, down: Pair] {
  const [start = [0, 0], bottom = [0, 0], , top = [0, 0]] = uv;
  return [
    start,
    [top[0] - start[0], top[1] - start[1]],
    [bottom[0] - start[0], bottom[1] - start[1]],
  ];
}

/** Where a texel begins or ends on its picture; beyond the picture its last texels go on. */
function endOf(place: number, many: number, end: 0 | 1): number {
  if (end === 0) return place === 0 ? -farAway : place / many;
  return place === many - 1 ? farAway : (place + 1) / many;
}
const farAway = 1000;

/** A patch of a block on which one texel shows: four corners in texels of the cell, and its way out. */
export interface TexelPatch {
  corners: readonly [Vec3, Vec3, Vec3, Vec3];
  normal: Vec3;
}

/** Every patch of a block on which a texel shows, cut off at the edges of its faces. */
export function patchesOf(
  models: readonly DrawnModel[],
  { texture, texel: [x, y] }: SeenTexel,
  texels: number,
  sizeOf: TextureSize,
): TexelPatch[] {
  const size = sizeOf(texture);
  if (!size) return [];
  return models.flatMap((model) =>
    model.quads.flatMap((quad): TexelPatch[] => {
      if (quad.texture !== texture) return [];
      const [[u, v], [rightU, rightV], [downU, downV]] = waysOf(quad);
      const area = rightU * downV - rightV * downU;
      if (Math.abs(area) < 1e-12) return [];
      // Crops lie along the picture's sides, so that two opposite corners say all.
      const [one, other] = ([0, 1] as const).map((end) => {
        const [du, dv] = [endOf(x, size.width, end) - u, endOf(y, size.height, end) - v];
        return [(du * downV - dv * downU) / area, (dv * rightU - du * rightV) / area] as const;
      }) as [Pair, Pair];
      const span = (i: 0 | 1): [number, number] => [
        Math.max(0, Math.min(one[i], other[i])),
        Math.min(1, Math.max(one[i], other[i])),
      ];
      const [[left, right], [top, bottom]] = [span(0), span(1)];
      if (right - left < 1e-9 || bottom - top < 1e-9) return [];
      const place = placed(quad, model, texels);
      const at = (across: number, along: number): Vec3 =>
        vector(
          (axis) => place.corner[axis] + place.right[axis] * across + place.down[axis] * along,
        );
      return [
        {
          corners: [at(left, top), at(left, bottom), at(right, bottom), at(right, top)],
          normal: place.normal,
        },
      ];
    }),
  );
}
