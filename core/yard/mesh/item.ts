import { vector, type Vec3 } from '../../space/index.ts';
import { facesOf, type Face } from '../look/faces.ts';
import { turnedAbout } from '../look/turned.ts';
import type { Numbers } from '../grid/numbers.ts';
import type { Looks } from '../look/drawn.ts';
import type { PackWorld, YardDisplay, YardItem, YardPose } from '../pack-world.ts';
import { FaceBuffer, type MeshArrays } from './buffer.ts';
import { shadeToward, tintOf } from './shades.ts';

interface Parts {
  pack: PackWorld;
  numbers: Numbers;
  looks: Looks;
  pictureNumber: (id: string | undefined) => number;
}

/** A flat item is a picture as it hangs before one, seen from both sides. */
const flat = (picture: string | undefined): Face[] => {
  const front: Face = {
    corners: [
      [0, 1, 0.5],
      [0, 0, 0.5],
      [1, 0, 0.5],
      [1, 1, 0.5],
    ],
    uv: [
      [0, 0],
      [0, 1],
      [1, 1],
      [1, 0],
    ],
    normal: [0, 0, 1],
    picture,
    isTinted: false,
  };
  const [a, b, c, d] = front.corners;
  const back: Face = {
    ...front,
    corners: [d, c, b, a],
    uv: [...front.uv].reverse(),
    normal: [0, 0, -1],
  };
  return [front, back];
};

/** Where an item is seen. */
export type ItemPlace = 'hand' | 'ground';

/** How an item sits here where its pack leaves that to the engine. */
const usualPoses: Readonly<Record<ItemPlace, YardPose>> = {
  hand: { turn: [31, -9, 0], scale: 1, shift: [0, 0, 0] },
  ground: { turn: [0, 36, 0], scale: 0.3, shift: [0, -5.6, 0] },
};

/**
 * An item as it is seen in the hand or where it lies, by the section Items and groups: its model,
 * its picture, or the block that it places, in its pose; its front is +Z, in full light.
 */
export function meshItem(
  { pack, numbers, looks, pictureNumber }: Parts,
  item: YardItem,
  place: ItemPlace,
): MeshArrays {
  const pose = item.poses?.[place] ?? usualPoses[place];
  const block = item.block === undefined ? undefined : pack.blocks.get(item.block);
  const standing = block
    ? looks.at(numbers.of({ block: block.id, state: block.space.defaultState }), [0, 0, 0])
    : [];
  const faces: readonly Face[] =
    item.model !== undefined
      ? facesOf({ model: item.model, front: 'south', top: 'up' }, pack.view)
      : isBare(item)
        ? []
        : item.form === 'flat' || standing.length === 0
          ? flat(item.texture ?? standing[0]?.picture)
          : standing;
  const buffer = new FaceBuffer();
  for (const face of faces) {
    const display = block?.look?.display;
    buffer.add(
      face.corners.map(([x, y, z], i) => ({
        at: posed([x - 0.5, y - 0.5, z - 0.5], pose),
        uv: face.uv[i] ?? [0, 0],
        shade: shadeToward(face.normal),
      })),
      {
        picture: pictureNumber(face.picture),
        tint: tintOf(face.isTinted && display ? display.tint : 'none'),
        block: 15,
        sky: 15,
        cutoff: cutoffOf(display),
      },
    );
  }
  return buffer.done();
}

/** A point of an item where its pose brings it: turned, then scaled, then moved. */
function posed(point: Vec3, { turn: [byX, byY, byZ], scale, shift }: YardPose): Vec3 {
  const turned = (
    [
      ['y', byY],
      ['x', byX],
      ['z', byZ],
    ] as const
  ).reduce((at, [about, by]) => turnedAbout(at, { about, by }), point);
  return vector((axis) => turned[axis] * scale + shift[axis] / 16);
}

/** A tool of the ladder of which the pack has no item has no looks either. */
const isBare = ({ tool, texture, block }: YardItem): boolean =>
  tool !== undefined && texture === undefined && block === undefined;

/** What is clear in an item is not drawn; what is see-through is whole, since it hangs before all. */
const cutoffOf = (display: YardDisplay | undefined): number =>
  display?.alphaMode === 'opaque' ? 0 : Math.max(1, Math.ceil((display?.alphaCutoff ?? 0.1) * 255));
