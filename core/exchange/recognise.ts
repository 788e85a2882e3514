import { itemAt } from '../lists/index.ts';
import type { Box, BoxSide } from '../mod/index.ts';
import { naturalCrop, pictureFrame, spinPoint, tidy } from '../models/index.ts';
import { axes, cross, dot, sides, sideStep, vector, type Side, type Vec3 } from '../space/index.ts';
import { normalOf } from './glb-write.ts';
import type { Face, Part, PartBox } from './scene.ts';

/** A side of a recognised box: where its four corners lie on the picture of a material. */
export interface ReadSide {
  material: number;
  /** In the order of a quad: top left, bottom left, bottom right, top right. */
  uv: readonly (readonly [number, number])[];
}

/** A box that was recognised: in texels of the cell, each side with what it shows. */
export interface ReadBox {
  at: Box['at'];
  size: Box['size'];
  spin?: Box['spin'];
  sides: Partial<Record<Side, ReadSide>>;
}

/** So far apart two numbers are the same, in texels. */
const near = 2e-3;
const same = (a: number, b: number): boolean => Math.abs(a - b) < near;
const minus = (a: Vec3, b: Vec3): Vec3 => vector((axis) => a[axis] - b[axis]);
const unit = (a: Vec3): Vec3 => {
  const length = Math.hypot(...a) || 1;
  return vector((axis) => a[axis] / length);
};
const isParallel = (a: Vec3, b: Vec3): boolean => Math.abs(Math.abs(dot(a, b)) - 1) < 1e-4;
const isSquare = (a: Vec3, b: Vec3): boolean => Math.abs(dot(a, b)) < 1e-4;

/**
 * Faces as a box, where they are one: all of them on the six sides of one cuboid, each side that is
 * there covered whole. Turned boxes are recognised about one axis; a reason says why it is none.
 * `place` takes a point of the file to texels of the cell.
 *
 * @example recogniseBox(part, (point) => point) // { at: [0, 0, 0], size: [2, 14, 2], … }
 */
export function recogniseBox(
  { faces: given, box: said }: Pick<Part, 'faces' | 'box'>,
  place: (point: Vec3) => Vec3,
): ReadBox | string {
  const faces = given
    .map((face) => ({
      ...face,
      corners: face.corners.map((corner) => ({ ...corner, at: place(corner.at) })),
    }))
    .filter((face) => areaOf(face) > 1e-9);
  if (!faces.length) return 'it has no area';
  const known = said && placedBox(said, place);
  if (known) {
    const lying = spinOf(known.frame);
    const read = lying && boxIn(faces, known.ends, lying.axes, lying.spin);
    // What stands beside the faces counts only where they agree with it.
    if (read !== undefined && typeof read !== 'string') return read;
  }
  const frame = frameOf(faces);
  if (!frame) return 'its faces are not at right angles to each other';
  const lying = spinOf(frame);
  if (!lying) return 'it is turned about more than one axis';
  const points = faces.flatMap(({ corners }) => corners.map(({ at }) => at));
  return boxIn(faces, points, lying.axes, lying.spin);
}

/** A box that the writer said: its two outermost corners and its directions, in texels. */
function placedBox(
  { corner, edges }: PartBox,
  place: (point: Vec3) => Vec3,
): { ends: Vec3[]; frame: Vec3[] } | undefined {
  const from = place(corner);
  const ways = edges.map((edge) => minus(place(vector((axis) => corner[axis] + edge[axis])), from));
  const long = ways.filter((way) => Math.hypot(...way) > 1e-6);
  const [a, b] = long.map(unit);
  if (
    !a ||
    !b ||
    !long.map(unit).every((one, i, all) => all.every((other, j) => i === j || isSquare(one, other)))
  )
    return undefined;
  const to = vector((axis) => from[axis] + ways.reduce((sum, way) => sum + way[axis], 0));
  return {
    ends: [from, to],
    frame: [...long.map(unit), ...(long.length < 3 ? [unit(cross(a, b))] : [])],
  };
}

/** The three directions of the edges of a cuboid: by the normals and, for flat ones, the edges. */
function frameOf(faces: readonly Face[]): [Vec3, Vec3, Vec3] | undefined {
  const found: Vec3[] = [];
  for (const face of faces) {
    const normal = normalOf(face);
    if (found.some((one) => isParallel(one, normal))) continue;
    if (!found.every((one) => isSquare(one, normal))) return undefined;
    found.push(normal);
  }
  for (const face of faces)
    for (const edge of found.length < 3 ? edgesOf(face) : [])
      if (found.length < 3 && found.every((one) => isSquare(one, edge))) found.push(edge);
  const [a, b] = found;
  if (!a || !b) return undefined;
  return [a, b, found[2] ?? unit(cross(a, b))];
}

/** The edges of a face, those at right angles to another first: diagonals of triangles come last. */
function edgesOf({ corners }: Face): Vec3[] {
  const edges = corners.map(({ at }, i) =>
    unit(minus(itemAt(corners, (i + 1) % corners.length).at, at)),
  );
  const isCorner = (edge: Vec3, i: number) =>
    edges.some((other, j) => i !== j && isSquare(edge, other));
  return edges.filter(isCorner);
}

/** A frame as the world's axes spun about one of them; undefined where that is not enough. */
function spinOf(
  frame: readonly Vec3[],
): { axes: [Vec3, Vec3, Vec3]; spin?: { about: 'x' | 'y' | 'z'; by: number } } | undefined {
  const world: Vec3[] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  const isWorld = (axis: Vec3) => world.some((one) => isParallel(one, axis));
  if (frame.every(isWorld))
    return {
      axes: [
        [1, 0, 0],
        [0, 1, 0],
        [0, 0, 1],
      ],
    };
  const fixed = world.findIndex((axis) => frame.some((one) => isParallel(one, axis)));
  if (fixed < 0) return undefined;
  const about = itemAt(axes, fixed);
  const [turned] = frame.filter((one) => !isParallel(one, itemAt(world, fixed)));
  if (!turned) return undefined;
  // The angle of an edge from an axis across, within an eighth of a turn either way.
  const [first, second] = [(fixed + 1) % 3, (fixed + 2) % 3];
  const degrees = (Math.atan2(itemAt(turned, second), itemAt(turned, first)) * 180) / Math.PI;
  const by = Math.round((degrees - Math.round(degrees / 90) * 90) * 1000) / 1000;
  const spun = world.map((axis) => spinPoint(axis, { about, by, pivot: [0, 0, 0] }));
  return { axes: spun as [Vec3, Vec3, Vec3], spin: { about, by } };
}

/** A box along three directions that holds `outermost`, and what the faces show on its sides. */
function boxIn(
  faces: readonly Face[],
  outermost: readonly Vec3[],
  along: readonly [Vec3, Vec3, Vec3],
  spin: { about: 'x' | 'y' | 'z'; by: number } | undefined,
): ReadBox | string {
  const points = faces.flatMap(({ corners }) => corners.map(({ at }) => at));
  const ends = along.map((axis) => {
    const all = outermost.map((point) => dot(point, axis));
    return [Math.min(...all), Math.max(...all)] as const;
  });
  const isCorner = points.every((point) =>
    along.every((axis, i) => itemAt(ends, i).some((end) => same(dot(point, axis), end))),
  );
  if (!isCorner) return 'not all of its corners are those of one box';
  const low = ends.map(([from]) => from);
  const size = ends.map(([from, to]) => tidy(to - from));
  const made: Partial<Record<Side, ReadSide>> = {};
  for (const side of sides) {
    const own = faces.filter((face) => liesOn(face, side, along, ends));
    if (!own.length) continue;
    const read = readSide(own, side, along, ends);
    if (!read) return `its ${side} is not covered whole`;
    made[side] = read;
  }
  const middle = vector((axis) =>
    ends.reduce((sum, [from, to], i) => sum + ((from + to) / 2) * itemAt(along, i)[axis], 0),
  );
  // A spun box is given as it lay before it was spun about its own middle.
  const at = spin
    ? vector((axis) => tidy(middle[axis] - itemAt(size, axis) / 2))
    : vector((axis) => tidy(itemAt(low, axis)));
  return {
    at: [...at],
    size: [itemAt(size, 0), itemAt(size, 1), itemAt(size, 2)],
    ...(spin && { spin: { ...spin, pivot: [tidy(middle[0]), tidy(middle[1]), tidy(middle[2])] } }),
    sides: made,
  };
}

type Ends = readonly (readonly [number, number])[];

function liesOn(face: Face, side: Side, along: readonly [Vec3, Vec3, Vec3], ends: Ends): boolean {
  const step = sideStep(side);
  const axis = step.findIndex((value) => value !== 0);
  const out = itemAt(along, axis);
  const end = itemAt(ends, axis)[itemAt(step, axis) > 0 ? 1 : 0];
  return (
    dot(normalOf(face), out) * itemAt(step, axis) > 0.99 &&
    face.corners.every(({ at }) => same(dot(at, out), end))
  );
}

/** What a side shows: where its four corners lie on the picture. Undefined where faces leave gaps. */
function readSide(
  faces: readonly Face[],
  side: Side,
  along: readonly [Vec3, Vec3, Vec3],
  ends: Ends,
): ReadSide | undefined {
  const { up, right } = pictureFrame[side];
  const inBox = ({ at }: { at: Vec3 }) => along.map((axis) => dot(at, axis));
  const [acrossAxis, upAxis] = [right, up].map((way) => way.findIndex((value) => value !== 0));
  const extent = (axis: number) => itemAt(ends, axis)[1] - itemAt(ends, axis)[0];
  const whole = extent(acrossAxis ?? 0) * extent(upAxis ?? 0);
  const covered = faces.reduce((sum, face) => sum + areaOf(face), 0);
  const [first] = faces;
  if (!first || Math.abs(covered - whole) > near * (1 + whole)) return undefined;
  const cornerAt = (vertical: number, horizontal: number) => {
    const wanted = (axis: number, sign: number, way: Vec3) =>
      itemAt(ends, axis)[sign * itemAt(way, axis) > 0 ? 1 : 0];
    const [x, y] = [wanted(acrossAxis ?? 0, horizontal, right), wanted(upAxis ?? 0, vertical, up)];
    for (const { corners } of faces)
      for (const corner of corners) {
        const at = inBox(corner);
        if (same(itemAt(at, acrossAxis ?? 0), x) && same(itemAt(at, upAxis ?? 0), y))
          return corner.uv;
      }
    return undefined;
  };
  const uv = [cornerAt(1, -1), cornerAt(-1, -1), cornerAt(-1, 1), cornerAt(1, 1)];
  if (uv.some((one) => one === undefined)) return undefined;
  return { material: first.material, uv: uv.flatMap((one) => (one ? [one] : [])) };
}

/** The area of a flat polygon. */
export function areaOf({ corners }: Face): number {
  const [origin, ...rest] = corners;
  if (!origin) return 0;
  let sum: Vec3 = [0, 0, 0];
  rest.slice(1).forEach(({ at }, i) => {
    const part = cross(minus(itemAt(rest, i).at, origin.at), minus(at, origin.at));
    sum = vector((axis) => sum[axis] + part[axis]);
  });
  return Math.hypot(...sum) / 2;
}

/**
 * Where corners lie on a picture as a crop of it, mirrored and turned by quarters; undefined where
 * they are skewed. Without a crop where that shows the same.
 */
export function sideFromUv(
  { uv }: ReadSide,
  slot: string,
  box: Pick<Box, 'at' | 'size'>,
  side: Side,
  texels: number,
  picture: { width: number; height: number },
): BoxSide | undefined {
  const points = uv.map(([u, v]): [number, number] => [u * picture.width, v * picture.height]);
  const crop = boundsOf(points);
  const lies = lyingOf(points, crop);
  if (!lies) return undefined;
  const { quarters, mirrored } = lies;
  const scale = [picture.width / texels, picture.height / texels];
  const natural = naturalCrop(box, side, texels).map((v, i) => v * itemAt(scale, i % 2));
  const isNatural =
    !mirrored && !quarters && natural.every((v, i) => Math.abs(v - itemAt(crop, i)) < blurred);
  return {
    slot,
    ...(!isNatural && { crop }),
    ...(quarters && { quarters }),
    ...(mirrored && { mirrored: true }),
  };
}

/** So far a corner may be off on a picture, in its texels: files hold numbers of few digits. */
const blurred = 0.02;

/** Left, top, width and height of points on a picture. */
function boundsOf(
  points: readonly (readonly [number, number])[],
): [number, number, number, number] {
  const [left, right] = [Math.min, Math.max].map((end) => end(...points.map(([u]) => u)));
  const [top, bottom] = [Math.min, Math.max].map((end) => end(...points.map(([, v]) => v)));
  return [
    tidy(left ?? 0),
    tidy(top ?? 0),
    tidy((right ?? 0) - (left ?? 0)),
    tidy((bottom ?? 0) - (top ?? 0)),
  ];
}

/** How corners go round a rectangle: turned by quarters, mirrored; undefined where they are skewed. */
function lyingOf(
  points: readonly (readonly [number, number])[],
  [left, top, width, height]: readonly [number, number, number, number],
): { quarters: number; mirrored: boolean } | undefined {
  for (const mirrored of [false, true])
    for (const quarters of [0, 1, 2, 3]) {
      const [from, to] = mirrored ? [left + width, left] : [left, left + width];
      const corners = [
        [from, top],
        [from, top + height],
        [to, top + height],
        [to, top],
      ];
      const fits = points.every(([u, v], i) => {
        const [wantedU = 0, wantedV = 0] = itemAt(corners, (i + quarters) % 4);
        return Math.abs(u - wantedU) < blurred && Math.abs(v - wantedV) < blurred;
      });
      if (fits) return { quarters, mirrored };
    }
  return undefined;
}

/** A part as parts whose faces hang together by their corners. */
export function looseParts(part: Part): Part[] {
  const key = (at: Vec3) => at.map((value) => Math.round(value * 1e4)).join();
  const groups: { keys: Set<string>; faces: Face[] }[] = [];
  for (const face of part.faces) {
    const keys = face.corners.map(({ at }) => key(at));
    const met = groups.filter((group) => keys.some((one) => group.keys.has(one)));
    const joined = {
      keys: new Set([...met.flatMap((group) => [...group.keys]), ...keys]),
      faces: [...met.flatMap((group) => group.faces), face],
    };
    for (const group of met) groups.splice(groups.indexOf(group), 1);
    groups.push(joined);
  }
  const { box: _, ...rest } = part;
  return groups.map(({ faces }, i) => ({
    ...rest,
    name: i ? `${part.name}_${i + 1}` : part.name,
    faces,
  }));
}
