import {
  cornerHeights,
  flowAt,
  type CellPlace,
  type Corners,
  type FluidWorld,
} from '../../../../core/fluids/index.ts';
import { mostBehind, type Point, type Projection } from './projection.ts';

/** What the section is drawn in: colours of the page, and of the fluid. */
export interface SectionInk {
  ground: string;
  groundTop: string;
  line: string;
  ink: string;
  soft: string;
  brass: string;
  /** The fluid, with its alpha. */
  fluid: string;
  fluidTop: string;
  /** The colour of a block by its id. */
  block: (id: string) => string;
}

export interface Section {
  world: FluidWorld;
  reach: number;
  rises: boolean;
  projection: Projection;
  ink: SectionInk;
  /** When each cell is reached, in seconds, by the number of the cell. */
  arrivals: ReadonlyMap<number, number>;
  /** Where the keyboard is, while the section has the focus. */
  cursor: CellPlace | undefined;
  /** Pictures of the surface: still, and flowing. */
  still: SurfacePicture | undefined;
  flowing: SurfacePicture | undefined;
}

/** One frame of a picture: which rows of the image it is, and whether a tint lies over it. */
export interface SurfacePicture {
  image: HTMLImageElement;
  top: number;
  width: number;
  height: number;
  isTinted: boolean;
}

/** Draws a world of one fluid, cut open: first what lies behind, then the cut. */
export function drawSection(context: CanvasRenderingContext2D, section: Section): void {
  const { world, projection } = section;
  const [wide, high] = world.size;
  for (let z = Math.max(0, projection.cut - mostBehind); z <= projection.cut; z += 1)
    for (let y = 0; y < high; y += 1)
      for (let x = 0; x < wide; x += 1) drawCell(context, section, [x, y, z]);
  earthBelow(context, section);
  hatch(context, section);
  for (let y = 0; y < high; y += 1)
    for (let x = 0; x < wide; x += 1) mark(context, section, [x, y, projection.cut]);
}

function drawCell(context: CanvasRenderingContext2D, section: Section, place: CellPlace): void {
  const { world, ink, projection } = section;
  const cell = world.at(place);
  if (cell.kind === 'open') return;
  const [x, y, z] = place;
  const isCut = z === projection.cut;
  const at = (dx: number, dy: number, dz: number) => projection.of([x + dx, y + dy, z + dz]);
  if (cell.kind === 'solid') {
    const isGround = cell.block === 'ground';
    const colour = isGround ? ink.ground : ink.block(cell.block);
    if (world.at([x, y + 1, z]).kind === 'open' && y + 1 < world.size[1])
      fill(
        context,
        [at(0, 1, 0), at(1, 1, 0), at(1, 1, 1), at(0, 1, 1)],
        isGround ? ink.groundTop : colour,
      );
    if (x + 1 < world.size[0] && world.at([x + 1, y, z]).kind !== 'solid')
      fill(context, [at(1, 0, 0), at(1, 1, 0), at(1, 1, 1), at(1, 0, 1)], colour);
    if (isCut) fill(context, [at(0, 0, 1), at(1, 0, 1), at(1, 1, 1), at(0, 1, 1)], colour);
    return;
  }
  const corners = section.rises ? full : cornerHeights(world, place, section.reach);
  drawFluid(context, section, place, corners);
}

/** What rises hangs below what is over it, and fills its cell. */
const full: Corners = { northWest: 1, northEast: 1, southEast: 1, southWest: 1 };

function drawFluid(
  context: CanvasRenderingContext2D,
  section: Section,
  place: CellPlace,
  { northWest, northEast, southEast, southWest }: Corners,
): void {
  const { world, ink, projection, reach } = section;
  const [x, y, z] = place;
  const at = (dx: number, dy: number, dz: number) => projection.of([x + dx, y + dy, z + dz]);
  const isOpen = (other: CellPlace) => world.at(other).kind === 'open';
  const isUnderOthers = world.isFluid(world.indexOf([x, y + 1, z]));
  if (!isUnderOthers) {
    const top: Quad = [
      at(0, northWest, 0),
      at(1, northEast, 0),
      at(1, southEast, 1),
      at(0, southWest, 1),
    ];
    fill(context, top, ink.fluidTop);
    const { east, south } = flowAt(world, place, reach);
    const isStill = east === 0 && south === 0;
    const picture = isStill ? section.still : section.flowing;
    if (picture) lay(context, picture, top, isStill ? 0 : Math.atan2(-east, south));
  }
  if (isOpen([x + 1, y, z]) && x + 1 < world.size[0])
    fill(context, [at(1, 0, 0), at(1, northEast, 0), at(1, southEast, 1), at(1, 0, 1)], ink.fluid);
  if (z === projection.cut) {
    const front: Quad = [at(0, southWest, 1), at(1, southEast, 1), at(1, 0, 1), at(0, 0, 1)];
    fill(context, front, ink.fluid);
    context.strokeStyle = ink.ink;
    context.lineWidth = 1.2;
    if (!isUnderOthers) stroke(context, [front[0], front[1]]);
  }
}

type Quad = readonly [Point, Point, Point, Point];

function outline(context: CanvasRenderingContext2D, points: readonly Point[]): void {
  context.beginPath();
  points.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
}
function fill(context: CanvasRenderingContext2D, quad: Quad, colour: string): void {
  outline(context, quad);
  context.closePath();
  context.fillStyle = colour;
  context.fill();
}
function stroke(context: CanvasRenderingContext2D, points: readonly Point[]): void {
  outline(context, points);
  context.stroke();
}

/** Lays a picture over a slanting side, its foot turned to where the fluid runs. */
function lay(
  context: CanvasRenderingContext2D,
  { image, top, width, height, isTinted }: SurfacePicture,
  [a, b, c, d]: Quad,
  turn: number,
): void {
  context.save();
  outline(context, [a, b, c, d]);
  context.closePath();
  context.clip();
  context.imageSmoothingEnabled = false;
  // The plane of the side: one step along its north edge, one along its west edge.
  context.transform(b[0] - a[0], b[1] - a[1], d[0] - a[0], d[1] - a[1], a[0], a[1]);
  context.translate(0.5, 0.5);
  context.rotate(turn);
  const reach = turn === 0 ? 0.5 : 0.75;
  if (isTinted) context.globalCompositeOperation = 'multiply';
  context.drawImage(image, 0, top, width, height, -reach, -reach, reach * 2, reach * 2);
  context.restore();
}

/** The earth goes on below the world, down to the foot of the picture. */
function earthBelow(context: CanvasRenderingContext2D, { world, projection, ink }: Section): void {
  const [left, foot] = projection.of([0, 0, projection.cut + 1]);
  const [right] = projection.of([world.size[0], 0, projection.cut + 1]);
  context.fillStyle = ink.ground;
  context.fillRect(left, foot - 0.5, right - left, context.canvas.height);
}

/** The ground along the cut is hatched, as in every section through the earth. */
function hatch(context: CanvasRenderingContext2D, { world, projection, ink }: Section): void {
  const { unit, cut } = projection;
  context.save();
  context.beginPath();
  const [wide, high] = world.size;
  for (let y = 0; y < high; y += 1)
    for (let x = 0; x < wide; x += 1) {
      const cell = world.at([x, y, cut]);
      if (cell.kind !== 'solid' || cell.block !== 'ground') continue;
      const [left, top] = projection.of([x, y + 1, cut + 1]);
      context.rect(left, top, unit + 0.5, unit + 0.5);
    }
  const [west, base] = projection.of([0, 0, cut + 1]);
  context.rect(west, base, unit * wide, context.canvas.height);
  context.clip();
  context.strokeStyle = ink.line;
  context.lineWidth = 1;
  const foot = context.canvas.height;
  const [left] = projection.of([0, 0, cut + 1]);
  const [right, top] = projection.of([wide, high, cut + 1]);
  context.beginPath();
  for (let along = left - (foot - top); along < right; along += 7) {
    context.moveTo(along, foot);
    context.lineTo(along + (foot - top), top);
  }
  context.stroke();
  context.restore();
}

/** What stands in a cell of the cut: when it is reached, the source, and where the keyboard is. */
function mark(context: CanvasRenderingContext2D, section: Section, place: CellPlace): void {
  const { world, projection, ink, arrivals, cursor } = section;
  const { unit } = projection;
  const [x, y, z] = place;
  const [left, foot] = projection.of([x, y, z + 1]);
  const index = world.indexOf(place);
  const seconds = arrivals.get(index);
  context.textAlign = 'center';
  if (world.isSource(index)) {
    context.fillStyle = ink.brass;
    context.beginPath();
    context.arc(left + unit / 2, foot - unit / 2, Math.max(3, unit * 0.16), 0, Math.PI * 2);
    context.fill();
  } else if (seconds !== undefined && unit >= 17) {
    context.font = `${Math.min(11, unit * 0.44)}px "IBM Plex Mono", monospace`;
    context.fillStyle = world.isFluid(index) ? ink.ink : ink.soft;
    context.fillText(inShort(seconds), left + unit / 2, foot - unit * 0.3);
  }
  if (cursor?.every((part, axis) => part === place[axis])) {
    context.strokeStyle = ink.brass;
    context.lineWidth = 2;
    context.strokeRect(left + 1, foot - unit + 1, unit - 2, unit - 2);
  }
}

/** Seconds in three signs at most: `.8`, `3.2`, `14`. */
const inShort = (seconds: number): string =>
  seconds >= 10 ? seconds.toFixed(0) : seconds.toFixed(1).replace(/^0/, '');
