import { directionStep, scatterAt, vector, type Direction, type Vec3 } from '../../space/index.ts';
import type { Cells } from '../grid/cells.ts';
import type { CellFacts } from '../grid/facts.ts';
import { open, type Meant, type Numbers } from '../grid/numbers.ts';
import { isHidden, type DrawnFace, type Looks, type Neighbour } from '../look/drawn.ts';
import { fullLight } from '../light.ts';
import { FaceBuffer, type Corner, type FaceLook, type MeshArrays } from './buffer.ts';
import { addFluid } from './fluid.ts';
import { Merging } from './merging.ts';

/** A chunk is so many cells wide, high and deep. */
export const chunkSide = 16;

/** A world as it is drawn: what stands where, how it looks, and its light. */
export interface Drawing {
  cells: Cells;
  numbers: Numbers;
  looks: Looks;
  facts: (number: number) => CellFacts;
  /** The number of a picture; 0 for the marker. */
  pictureNumber: (id: string | undefined) => number;
  fluidLook: (id: string) => { still?: string; flowing?: string; tint?: string; isClear: boolean };
  /** The light of blocks, and that of the day, by cell. */
  block: Uint8Array;
  sky: Uint8Array;
  texels: number;
}

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
  const out = { solid: new FaceBuffer(), clear: new FaceBuffer(), merging: new Merging(middle) };
  for (let y = from[1]; y < to[1]; y += 1)
    for (let z = from[2]; z < to[2]; z += 1)
      for (let x = from[0]; x < to[0]; x += 1) {
        const number = cells.numbers[cells.indexOf([x, y, z])] ?? open;
        if (number !== open) addCell(drawing, number, [x, y, z], middle, out);
      }
  out.merging.into(out.solid);
  return { solid: out.solid.done(), clear: out.clear.done() };
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
  const own = meant?.kind === 'block' ? meant.block.id : '';
  const shift = shiftOf(drawing, meant, place);
  for (const face of drawing.looks.at(number, place)) {
    const { side } = face;
    if (side && isHidden(face, own, neighbourOf(drawing, stepTo(place, side)))) continue;
    const look = lookOf(drawing, face, place, number);
    const shades = face.display.shadedCorners && side ? shadesOf(drawing, face, place, side) : none;
    if (face.isWhole && side && face.display.alphaMode !== 'blend')
      out.merging.add(face, side, place, look, shades);
    else {
      const buffer = face.display.alphaMode === 'blend' ? out.clear : out.solid;
      buffer.add(cornersOf(face, place, middle, shift, shades), look);
    }
  }
}

const none: readonly [number, number, number, number] = [0, 0, 0, 0];
export const stepTo = (place: Vec3, side: Direction): Vec3 => {
  const step = directionStep(side);
  return [place[0] + step[0], place[1] + step[1], place[2] + step[2]];
};

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

function neighbourOf({ cells, numbers, looks }: Drawing, place: Vec3): Neighbour {
  const number = cells.at(place);
  const meant = numbers.meant(number);
  const block = meant?.kind === 'block' ? meant.block : undefined;
  return {
    block: block?.id,
    display: block?.look?.display,
    drawn: () => looks.at(number, place),
  };
}

/** The light of a cell in one of the two arrays; outside of the world it is that of open air. */
const levelAt = ({ cells }: Drawing, levels: Uint8Array, place: Vec3, outside: number): number =>
  cells.isInside(place) ? (levels[cells.indexOf(place)] ?? 0) : outside;

/** The brighter of the light in the cell itself and in the one that a face looks into. */
export function lightOf(
  drawing: Drawing,
  place: Vec3,
  normal: Vec3,
): { block: number; sky: number } {
  const next = stepTo(place, directionNear(normal));
  const { block, sky } = drawing;
  return {
    block: Math.max(levelAt(drawing, block, place, 0), levelAt(drawing, block, next, 0)),
    sky: Math.max(levelAt(drawing, sky, place, fullLight), levelAt(drawing, sky, next, fullLight)),
  };
}

/** The direction that is nearest to the way that a face looks. */
function directionNear([x, y, z]: Vec3): Direction {
  const [a, b, c] = [Math.abs(x), Math.abs(y), Math.abs(z)];
  if (b >= a && b >= c) return y > 0 ? 'up' : 'down';
  if (a >= c) return x > 0 ? 'east' : 'west';
  return z > 0 ? 'south' : 'north';
}

function lookOf(drawing: Drawing, face: DrawnFace, place: Vec3, number: number): FaceLook {
  const { alphaMode, alphaCutoff = 0.5, tint } = face.display;
  const { block, sky } = lightOf(drawing, place, face.normal);
  return {
    picture: drawing.pictureNumber(face.picture),
    tint: tintOf(face.isTinted ? tint : 'none'),
    block: Math.max(block, drawing.facts(number).emits),
    sky,
    cutoff: alphaMode === 'mask' ? Math.max(1, Math.ceil(alphaCutoff * 255)) : 0,
  };
}

const climate = ['grass', 'leaf', 'water'];

/** A tint as a point has it: a colour and 0, or which of the climate's colours it is. */
export function tintOf(tint: string): [number, number, number, number] {
  const chosen = climate.indexOf(tint);
  if (chosen >= 0) return [255, 255, 255, chosen + 1];
  const hex = /^#([\da-f]{6})$/i.exec(tint)?.[1];
  if (hex === undefined) return [255, 255, 255, 0];
  const part = (at: number) => Number.parseInt(hex.slice(at, at + 2), 16);
  return [part(0), part(2), part(4), 0];
}

/** How bright a face is by the way it looks, so that the sides of a block can be told apart. */
export const shadeToward = ([x, y]: Vec3): number => 0.8 + 0.2 * y - 0.07 * Math.abs(x);

function cornersOf(
  { corners, uv, normal }: DrawnFace,
  place: Vec3,
  middle: Vec3,
  [across, along]: readonly [number, number],
  shades: readonly number[],
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

/**
 * How much darker each corner of a face is: by 11 in 100 for each taken cell of the two beside it
 * and the one across, in the layer that it looks into, and by 33 where both beside it are.
 */
function shadesOf(
  { cells, facts }: Drawing,
  { corners }: DrawnFace,
  place: Vec3,
  side: Direction,
): [number, number, number, number] {
  const before = stepTo(place, side);
  const axis = directionStep(side).findIndex((part) => part !== 0);
  const [a, b] = [(axis + 1) % 3, (axis + 2) % 3] as [0 | 1 | 2, 0 | 1 | 2];
  const taken = (da: number, db: number): number => {
    const there: [number, number, number] = [...before];
    there[a] += da;
    there[b] += db;
    return facts(cells.at(there)).isTaken ? 1 : 0;
  };
  return corners.map((corner) => {
    const [da, db] = [corner[a] > 0.5 ? 1 : -1, corner[b] > 0.5 ? 1 : -1];
    const beside = taken(da, 0) + taken(0, db);
    return (beside === 2 ? 3 : beside + taken(da, db)) * 0.11;
  }) as [number, number, number, number];
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
