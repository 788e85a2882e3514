import { chosenCandidates, drawnModels } from '../draw/index.ts';
import { freeName, itemAt } from '../lists/index.ts';
import type { Mod, ResolvedBlock } from '../mod/index.ts';
import { cornersOf, resolvedModelOf, textureOf, type Quad } from '../models/index.ts';
import { rotationOf, turn, vector, type Vec3 } from '../space/index.ts';
import { decodePicture, encodePicture, frameCount, shownAt } from '../textures/index.ts';
import type { Face, Material, Part, PartBox, Scene } from './scene.ts';

type BlobOf = (sha256: string) => Uint8Array | undefined;

/**
 * A block in one state as a scene: every box of every model that it shows a part, with its pictures
 * as they show first. Faces without an area are left out.
 */
export function sceneOfState(mod: Mod, block: ResolvedBlock, state: number, blobOf: BlobOf): Scene {
  const { texels } = mod.header;
  const materials = new MaterialList(mod, blobOf);
  const names = chosenCandidates(block, state, 0).map(({ model }) => model);
  const taken = new Set<string>();
  const parts = drawnModels(mod, block, state).flatMap((drawn, n) => {
    const model = resolvedModelOf(mod, names[n] ?? '');
    const rotation = rotationOf(drawn.orientation);
    const intoScene = (point: Vec3) => placed(turn(rotation, fromMiddle(point, texels)));
    const byBox = new Map<number, Face[]>();
    for (const quad of drawn.quads) {
      if (isFlat(quad)) continue;
      const faces = byBox.get(quad.box) ?? [];
      byBox.set(quad.box, faces);
      faces.push({
        material: materials.number(quad.texture, quad.untinted ? undefined : drawn.tint, drawn),
        corners: quad.corners.map((corner, i) => ({
          at: intoScene(corner),
          uv: itemAt(quad.uv, i),
        })),
      });
    }
    return [...byBox].map(([index, faces]): Part => {
      const box = model?.boxes[index];
      const own = freeName(box?.name ?? `box_${index + 1}`, [...taken]);
      taken.add(own);
      return {
        name: own,
        ...(box?.group !== undefined && { group: box.group }),
        faces,
        ...(box && { box: partBox(cornersOf(box).map(intoScene)) }),
      };
    });
  });
  return { name: block.name, parts, materials: materials.list };
}

const fromMiddle = (corner: Vec3, texels: number): Vec3 =>
  vector((axis) => corner[axis] / texels - 0.5);
/** A box by the first of its corners and those that differ from it along one axis. */
function partBox(corners: readonly Vec3[]): PartBox {
  const corner = itemAt(corners, 0);
  const edge = (to: number) => vector((axis) => itemAt(corners, to)[axis] - corner[axis]);
  return { corner, edges: [edge(1), edge(2), edge(4)] };
}
const placed = ([x, y, z]: Vec3): Vec3 => [x, y + 0.5, z];

/** True where two of its sides have no length. */
function isFlat({ corners: [a, b, , d] }: Quad): boolean {
  const length = (to: Vec3) => Math.hypot(to[0] - a[0], to[1] - a[1], to[2] - a[2]);
  return length(b) < 1e-6 || length(d) < 1e-6;
}

/** A tint as it multiplies in linear light (IEC 61966-2-1). */
const linear = (value: number): number =>
  value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;

/** The materials of a scene: one for each picture and tint. */
class MaterialList {
  readonly list: Material[] = [];
  private readonly known = new Map<string, number>();
  private readonly mod: Mod;
  private readonly blobOf: BlobOf;

  constructor(mod: Mod, blobOf: BlobOf) {
    this.mod = mod;
    this.blobOf = blobOf;
  }

  number(
    texture: string | undefined,
    tint: readonly [number, number, number] | undefined,
    { alphaMode, alphaCutoff = 0.5 }: Pick<Material, 'alphaMode'> & { alphaCutoff?: number },
  ): number {
    const isTinted = tint?.some((value) => value !== 1) === true;
    const key = `${texture} ${isTinted}`;
    const before = this.known.get(key);
    if (before !== undefined) return before;
    const picture = texture === undefined ? undefined : this.pictureOf(texture);
    const name = texture === undefined ? 'open' : texture.slice(texture.indexOf(':') + 1);
    this.known.set(key, this.list.length);
    this.list.push({
      name: isTinted ? `${name} tinted` : name,
      ...(picture && { picture: { name, bytes: picture } }),
      alphaMode,
      alphaCutoff,
      tint: isTinted ? [linear(tint[0]), linear(tint[1]), linear(tint[2])] : [1, 1, 1],
    });
    return this.list.length - 1;
  }

  /** The PNG of a texture: of a strip, the frame that shows first. */
  private pictureOf(id: string): Uint8Array | undefined {
    const texture = textureOf(this.mod, id);
    const bytes = texture && this.blobOf(texture.picture.sha256);
    if (!texture || !bytes || frameCount(texture) <= 1) return bytes;
    return encodePicture(shownAt(texture, decodePicture(bytes), 0));
  }
}
