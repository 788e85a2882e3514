import type { Quad } from '../models/index.ts';
import { rotationOf, turn, type Orientation, type Vec3 } from '../space/index.ts';
import { marker, type Pixels } from '../textures/index.ts';

/** A model to draw: its quads, how it is turned, and how its textures are shown. */
export interface DrawnModel {
  quads: readonly Quad[];
  orientation: Orientation;
  alphaMode: 'opaque' | 'mask' | 'blend';
  alphaCutoff?: number;
  tint?: readonly [number, number, number];
  /** How far it stands from its place, in texels of the world. */
  shift?: Vec3;
}

/** The colour by which a face of a model is multiplied; undefined for one that is not tinted. */
export const tintOf = (model: DrawnModel, quad: Quad): DrawnModel['tint'] =>
  quad.untinted ? undefined : model.tint;

/** The pixels of one frame of a texture; undefined draws the marker. */
export type PixelsOf = (texture: string) => Pixels | undefined;

const cos30 = Math.cos(Math.PI / 6);
/**
 * How bright a face is by the axis it faces along: seen from the south-east and above, lit from the
 * upper left.
 */
const brightness: Vec3 = [0.66, 1, 0.84];
/** Samples along each side of a pixel. */
const samples = 2;

/**
 * Which part of the picture of a cell is drawn: how much larger, and about which middle, in shares
 * of the picture.
 */
export interface View {
  zoom: number;
  middle: readonly [x: number, y: number];
}
/** The cell as a whole, so that pictures of several states compare. */
export const wholeCell: View = { zoom: 1, middle: [0.5, 0.5] };
/** The cell and the one on top of it. */
export const twoCells: View = { zoom: 0.65, middle: [0.5, 0.25] };

/** The picture in which the bounds of what is drawn are looked for is so many pixels wide. */
const boundsSize = 48;
/** A small thing is shown so many times as large at most: it should still look small. */
const mostZoom = 2.2;

/**
 * The view in which what is drawn fills the picture: plants and thin things, which leave most of
 * their cell empty. Goes by texels, not by boxes, since most of a plant's texture is clear. All
 * that is drawn is seen in `whole`.
 */
export function fillingView(
  models: readonly DrawnModel[],
  texels: number,
  pixelsOf: PixelsOf,
  whole: View = wholeCell,
): View {
  const { data } = drawIsometric(models, texels, boundsSize, pixelsOf, whole);
  let [left, right, top, bottom] = [boundsSize, -1, boundsSize, -1];
  for (let y = 0; y < boundsSize; y += 1)
    for (let x = 0; x < boundsSize; x += 1) {
      if (data[(y * boundsSize + x) * 4 + 3] === 0) continue;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = y;
    }
  if (right < 0) return whole;
  const closer = (0.94 * boundsSize) / Math.max(right - left + 1, bottom - top + 1);
  const middleOf = (axis: 0 | 1, from: number, to: number) =>
    whole.middle[axis] + ((from + to + 1) / 2 / boundsSize - 0.5) / whole.zoom;
  return {
    zoom: Math.max(whole.zoom, Math.min(mostZoom, whole.zoom * closer)),
    middle: [middleOf(0, left, right), middleOf(1, top, bottom)],
  };
}

/**
 * Draws models of one cell isometrically (ISO 5456-3, 5.2) on a clear ground, `size` pixels square.
 * Orthographic, so that a face maps to the screen by an affine transform and each sample finds its
 * texel by inverting it; hidden faces fall to a depth buffer.
 *
 * @example drawIsometric([{ quads, orientation: identityOrientation, alphaMode: 'opaque' }], 16, 64, pixelsOf)
 */
export function drawIsometric(
  models: readonly DrawnModel[],
  texels: number,
  size: number,
  pixelsOf: PixelsOf,
  { zoom, middle }: View = wholeCell,
): Pixels {
  const side = size * samples;
  const canvas: Canvas = {
    side,
    colour: new Float32Array(side * side * 4),
    depth: new Float32Array(side * side).fill(-Infinity),
    scale: (side / texels / 2) * 0.97 * zoom,
    middle: [side * (0.5 + (0.5 - middle[0]) * zoom), side * (0.5 + (0.5 - middle[1]) * zoom)],
  };
  const faces = models.flatMap((model) =>
    model.quads
      .map((quad) => place(quad, model, texels, canvas))
      .filter((face) => face.facing > 1e-6),
  );
  // Blended faces come after all others, the farthest first.
  const solid = faces.filter((face) => face.model.alphaMode !== 'blend');
  const blended = faces
    .filter((face) => face.model.alphaMode === 'blend')
    .sort((a, b) => a.middle - b.middle);
  for (const face of [...solid, ...blended])
    fillFace(
      canvas,
      face,
      face.quad.texture === undefined ? undefined : pixelsOf(face.quad.texture),
    );
  return shrink(canvas, size);
}

interface Canvas {
  side: number;
  colour: Float32Array;
  depth: Float32Array;
  scale: number;
  /** Where the middle of the cell comes to lie. */
  middle: [x: number, y: number];
}
interface Face {
  quad: Quad;
  model: DrawnModel;
  points: { x: number; y: number; depth: number }[];
  facing: number;
  middle: number;
  light: number;
}

function place(quad: Quad, model: DrawnModel, texels: number, { middle, scale }: Canvas): Face {
  const rotation = rotationOf(model.orientation);
  const half = texels / 2;
  const [shiftX, shiftY, shiftZ] = model.shift ?? [0, 0, 0];
  const points = quad.corners.map((corner) => {
    const [tx, ty, tz] = turn(rotation, [corner[0] - half, corner[1] - half, corner[2] - half]);
    const [x, y, z] = [tx + shiftX, ty + shiftY, tz + shiftZ];
    return {
      x: middle[0] + (x - z) * cos30 * scale,
      y: middle[1] + ((x + z) / 2 - y) * scale,
      depth: x + y + z,
    };
  });
  const normal = turn(rotation, quad.normal);
  const light = Math.min(
    1,
    normal[0] ** 2 * brightness[0] +
      normal[1] ** 2 * brightness[1] +
      normal[2] ** 2 * brightness[2],
  );
  return {
    quad,
    model,
    points,
    facing: normal[0] + normal[1] + normal[2],
    middle: points.reduce((sum, point) => sum + point.depth / 4, 0),
    light,
  };
}

function fillFace(
  { side, colour, depth }: Canvas,
  { quad, model, points, light }: Face,
  pixels: Pixels = marker,
): void {
  const [p0, p1, , p3] = points as [
    Face['points'][0],
    Face['points'][0],
    Face['points'][0],
    Face['points'][0],
  ];
  const [ax, ay, bx, by] = [p3.x - p0.x, p3.y - p0.y, p1.x - p0.x, p1.y - p0.y];
  const area = ax * by - ay * bx;
  if (Math.abs(area) < 1e-9) return;
  const [uv0, uv1, , uv3] = quad.uv as [
    readonly [number, number],
    readonly [number, number],
    unknown,
    readonly [number, number],
  ];
  const [au, av, bu, bv] = [uv3[0] - uv0[0], uv3[1] - uv0[1], uv1[0] - uv0[0], uv1[1] - uv0[1]];
  const known = pixels !== marker;
  const [tr, tg, tb] = (known ? tintOf(model, quad) : undefined) ?? [1, 1, 1];
  const mode = known ? model.alphaMode : 'opaque';
  const cutoff = (model.alphaCutoff ?? 0.5) * 255;
  const low = (pick: (p: { x: number; y: number }) => number) =>
    Math.max(0, Math.floor(Math.min(...points.map(pick))));
  const high = (pick: (p: { x: number; y: number }) => number) =>
    Math.min(side - 1, Math.ceil(Math.max(...points.map(pick))));
  const [x0, x1, y0, y1] = [low((p) => p.x), high((p) => p.x), low((p) => p.y), high((p) => p.y)];
  for (let y = y0; y <= y1; y += 1)
    for (let x = x0; x <= x1; x += 1) {
      const [dx, dy] = [x + 0.5 - p0.x, y + 0.5 - p0.y];
      const a = (dx * by - dy * bx) / area;
      const b = (ax * dy - ay * dx) / area;
      if (a < 0 || a > 1 || b < 0 || b > 1) continue;
      const at = y * side + x;
      const z = p0.depth + a * (p3.depth - p0.depth) + b * (p1.depth - p0.depth);
      if (z <= (depth[at] ?? 0)) continue;
      const u = Math.min(
        pixels.width - 1,
        Math.max(0, Math.floor((uv0[0] + a * au + b * bu) * pixels.width)),
      );
      const v = Math.min(
        pixels.height - 1,
        Math.max(0, Math.floor((uv0[1] + a * av + b * bv) * pixels.height)),
      );
      const from = (v * pixels.width + u) * 4;
      const alpha = pixels.data[from + 3] ?? 0;
      if (mode === 'mask' && alpha < cutoff) continue;
      const cover = mode === 'blend' ? alpha / 255 : 1;
      if (cover === 0) continue;
      const to = at * 4;
      // Colours are kept premultiplied by their cover (Porter and Duff, 1984).
      colour[to] = (pixels.data[from] ?? 0) * tr * light * cover + (colour[to] ?? 0) * (1 - cover);
      colour[to + 1] =
        (pixels.data[from + 1] ?? 0) * tg * light * cover + (colour[to + 1] ?? 0) * (1 - cover);
      colour[to + 2] =
        (pixels.data[from + 2] ?? 0) * tb * light * cover + (colour[to + 2] ?? 0) * (1 - cover);
      colour[to + 3] = 255 * cover + (colour[to + 3] ?? 0) * (1 - cover);
      if (mode !== 'blend') depth[at] = z;
    }
}

/** Averages the samples of each pixel and divides the cover out again. */
function shrink({ side, colour }: Canvas, size: number): Pixels {
  const data = new Uint8Array(size * size * 4);
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1) {
      const sum = [0, 0, 0, 0];
      for (let sy = 0; sy < samples; sy += 1)
        for (let sx = 0; sx < samples; sx += 1) {
          const from = ((y * samples + sy) * side + x * samples + sx) * 4;
          for (let i = 0; i < 4; i += 1) sum[i]! += colour[from + i] ?? 0;
        }
      const to = (y * size + x) * 4;
      const cover = sum[3]! / (255 * samples * samples);
      for (let i = 0; i < 3; i += 1)
        data[to + i] = cover ? Math.min(255, Math.round(sum[i]! / (samples * samples) / cover)) : 0;
      data[to + 3] = Math.round(cover * 255);
    }
  return { width: size, height: size, data };
}
