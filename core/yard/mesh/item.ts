import { facesOf, type Face } from '../look/faces.ts';
import type { Numbers } from '../grid/numbers.ts';
import type { Looks } from '../look/drawn.ts';
import type { PackWorld, YardDisplay, YardItem } from '../pack-world.ts';
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

/**
 * An item as it is seen in the hand, by the section Items and groups: its model, its picture, or the
 * block that it places; about the middle of its cell, in full light.
 */
export function meshItem(
  { pack, numbers, looks, pictureNumber }: Parts,
  item: YardItem,
): MeshArrays {
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
        at: [x - 0.5, y - 0.5, z - 0.5],
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

/** A tool of the ladder of which the pack has no item has no looks either. */
const isBare = ({ tool, texture, block }: YardItem): boolean =>
  tool !== undefined && texture === undefined && block === undefined;

/** What is clear in an item is not drawn; what is see-through is whole, since it hangs before all. */
const cutoffOf = (display: YardDisplay | undefined): number =>
  display?.alphaMode === 'opaque' ? 0 : Math.max(1, Math.ceil((display?.alphaCutoff ?? 0.1) * 255));
