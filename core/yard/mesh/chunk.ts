import { scatterAt, vector, type Vec3 } from '../../space/index.ts';
import { open, type Meant } from '../grid/numbers.ts';
import { isHidden, type DrawnFace } from '../look/drawn.ts';
import { FaceBuffer, type Corner, type FaceLook, type MeshArrays } from './buffer.ts';
import { lightOf, stepTo, type Drawing } from './drawing.ts';
import { addFluid } from './fluid.ts';
import { Merging } from './merging.ts';
import { shadesOf, shadeToward, tintOf, unshaded, type Shades } from './shades.ts';

/** A chunk is so many cells wide, high and deep. */
export const chunkSide = 16;

/** A chunk as faces: what hides what lies behind, and what is seen through and goes by distance. */
export interface ChunkMesh {
  solid: MeshArrays;
  clear: MeshArrays;
}

/**
 * The faces of a chunk, given by the number of chunks from the corner of the world: those that a
 * neighbour hides are left out, and whole faces that look alike are merged to greater ones (greedy
 * meshing). Corners are shaded by the section Reference physics.
 *
 * @example meshChunk(drawing, [0, 1, 2]).solid.faces
 */
export function meshChunk(drawing: Drawing, chunk: Vec3): ChunkMesh {
  const { cells } = drawing;
  const from = vector((axis) => chunk[axis] * chunkSide);
  const to = vector((axis) => Math.min(from[axis] + chunkSide, cells.size[axis]));
  const middle = vector((axis) => from[axis] + chunkSide / 2);
  const out = {
    solid: new FaceBuffer(),
    clear: new FaceBuffer(),
    merging: new Merging(from, chunkSide),
  };
  for (let y = from[1]; y < to[1]; y += 1)
    for (let z = from[2]; z < to[2]; z += 1)
      for (let x = from[0]; x < to[0]; x += 1) {
        const number = cells.numbers[cells.indexOf([x, y, z])] ?? open;
        if (number !== open && !isBuried(drawing, number, x, y, z))
          addCell(drawing, number, [x, y, z], middle, out);
      }
  out.merging.into(out.solid);
  return { solid: out.solid.done(), clear: out.clear.done() };
}

/** Whether nothing of what stands in a cell is seen, as its neighbours hide whatever lies in its sides. */
function isBuried(
  { cells, looks }: Drawing,
  number: number,
  x: number,
  y: number,
  z: number,
): boolean {
  const hides = (dx: number, dy: number, dz: number) =>
    looks.hides(cells.numberAt(x + dx, y + dy, z + dz)) === 'always';
  return (
    hides(0, 1, 0) &&
    hides(0, -1, 0) &&
    hides(1, 0, 0) &&
    hides(-1, 0, 0) &&
    hides(0, 0, 1) &&
    hides(0, 0, -1) &&
    looks.liesInSides(number)
  );
}

interface Out {
  solid: FaceBuffer;
  clear: FaceBuffer;
  merging: Merging;
}

function addCell(drawing: Drawing, number: number, place: Vec3, middle: Vec3, out: Out): void {
  const meant = drawing.numbers.meant(number);
  if (meant?.kind === 'fluid') {
    const look = drawing.fluidLook(meant.id);
    addFluid(drawing, meant, place, middle, look.isClear ? out.clear : out.solid);
    return;
  }
  const shift = shiftOf(drawing, meant, place);
  for (const face of drawing.looks.at(number, place)) {
    const { side, display } = face;
    if (side && isOutOfSight(drawing, face, meant, stepTo(place, side))) continue;
    const look = lookOf(drawing, face, place, number);
    const shades = display.shadedCorners && side ? shadesOf(drawing, face, place, side) : unshaded;
    if (face.isWhole && side && display.alphaMode !== 'blend')
      out.merging.add(face, side, place, look, shades);
    else {
      const buffer = display.alphaMode === 'blend' ? out.clear : out.solid;
      buffer.add(cornersOf(face, place, middle, shift, shades), look);
    }
  }
}

/** Whether what stands beyond its side hides a face. */
function isOutOfSight(
  { cells, numbers, looks }: Drawing,
  face: DrawnFace,
  meant: Meant | undefined,
  there: Vec3,
): boolean {
  const number = cells.at(there);
  if (number === open || face.display.scatter > 0) return false;
  const hides = looks.hides(number);
  if (hides !== 'by what is there') return hides === 'always';
  const beyond = numbers.meant(number);
  if (beyond?.kind !== 'block') return false;
  const own = meant?.kind === 'block' ? meant.block.id : '';
  return isHidden(face, own, {
    block: beyond.block.id,
    display: beyond.block.look?.display,
    drawn: () => looks.at(number, there),
  });
}

function shiftOf(
  { texels }: Drawing,
  meant: Meant | undefined,
  [x, , z]: Vec3,
): readonly [number, number] {
  const scatter = meant?.kind === 'block' ? (meant.block.look?.display.scatter ?? 0) : 0;
  if (!scatter) return [0, 0];
  const [across, along] = scatterAt(x, z, scatter);
  return [across / texels, along / texels];
}

function lookOf(drawing: Drawing, face: DrawnFace, place: Vec3, number: number): FaceLook {
  const { alphaMode, alphaCutoff = 0.5, tint } = face.display;
  const { block, sky } = lightOf(drawing, place, face.normal);
  return {
    picture: drawing.pictureNumber(face.picture),
    tint: face.isTinted ? tintOf(tint) : tintOf('none'),
    block: Math.max(block, drawing.facts(number).emits),
    sky,
    cutoff: alphaMode === 'mask' ? Math.ceil(alphaCutoff * 255) : 0,
  };
}

function cornersOf(
  { corners, uv, normal }: DrawnFace,
  place: Vec3,
  middle: Vec3,
  [across, along]: readonly [number, number],
  shades: Shades,
): Corner[] {
  const shade = shadeToward(normal);
  return corners.map(([x, y, z], i) => ({
    at: [
      place[0] + x + across - middle[0],
      place[1] + y - middle[1],
      place[2] + z + along - middle[2],
    ],
    uv: uv[i] ?? [0, 0],
    shade: shade * (1 - (shades[i] ?? 0)),
  }));
}

/** The chunks of a world, as their numbers from its corner. */
export function chunksOf(size: Vec3): Vec3[] {
  const many = vector((axis) => Math.ceil(size[axis] / chunkSide));
  const chunks: Vec3[] = [];
  for (let y = 0; y < many[1]; y += 1)
    for (let z = 0; z < many[2]; z += 1)
      for (let x = 0; x < many[0]; x += 1) chunks.push([x, y, z]);
  return chunks;
}
