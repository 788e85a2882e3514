import { itemAt } from '../../lists/index.ts';
import type { Pixels } from '../../textures/png.ts';
import { sides, type Side } from '../../space/index.ts';
import { modelQuads, type Quad, type TextureSize } from '../quads.ts';
import type { ResolvedModel } from '../resolve.ts';
import { wholePlace } from './free-places.ts';
import type { Unwrapped } from './unwrap.ts';

/** A tone for each side where nothing is painted yet, light from above. */
const tones: Record<Side, readonly [number, number, number]> = {
  top: [238, 230, 208],
  front: [222, 206, 170],
  left: [198, 182, 148],
  right: [198, 182, 148],
  back: [172, 158, 130],
  bottom: [142, 131, 110],
};

interface Baking {
  /** The model as it was, with the pictures that it showed. */
  before: ResolvedModel;
  after: Unwrapped;
  texels: number;
  sizeOf: TextureSize;
  pixelsOf: (texture: string) => Pixels | undefined;
  /** The picture as it was, where other models show of it too. */
  base?: Pixels;
}

/**
 * The picture for a model that was unwrapped: on the place of each side what the side showed
 * before, so that the model looks as it did. Sides that showed nothing get a plain tone. What is no
 * side's is filled with the mean colour unless something of the picture is clear.
 */
export function bakeUnwrapped(baking: Baking): Pixels {
  const { before, after, texels, sizeOf, base } = baking;
  const picture = emptyPicture(after, base);
  const lying = modelQuads(
    { ...before, boxes: after.boxes.map((box) => ({ ...box, sides: textured(box.sides) })) },
    texels,
    () => after,
  );
  const shown = modelQuads(before, texels, sizeOf);
  lying.forEach((quad, i) => bakeSide(picture, quad, itemAt(shown, i), baking));
  fillRest(picture);
  return picture.pixels;
}

/** A picture to paint on: every side in its tone, its edge a little darker, all else clear. */
export function paintingTemplate({ boxes, width, height }: Unwrapped): Pixels {
  const data = new Uint8Array(width * height * 4);
  for (const { sides: made } of boxes)
    for (const side of sides) {
      const crop = made[side]?.crop;
      if (!crop) continue;
      const { left, top, width: w, height: h } = wholePlace(crop);
      for (let y = 0; y < h; y += 1)
        for (let x = 0; x < w; x += 1) {
          const isEdge = x === 0 || y === 0 || x === w - 1 || y === h - 1;
          const tone = tones[side].map((value) => Math.round(value * (isEdge ? 0.82 : 1)));
          data.set([...tone, 255], ((top + y) * width + left + x) * 4);
        }
    }
  return { width, height, data };
}

const textured = (made: Unwrapped['boxes'][number]['sides']) =>
  Object.fromEntries(
    Object.entries(made).map(([side, one]) => [side, { ...one, texture: 'sheet' }]),
  );

interface Painted {
  pixels: Pixels;
  /** Which texels are somebody's. */
  painted: Uint8Array;
}

function emptyPicture({ width, height }: Unwrapped, base?: Pixels): Painted {
  const data = new Uint8Array(width * height * 4);
  const painted = new Uint8Array(width * height);
  for (let y = 0; y < Math.min(base?.height ?? 0, height); y += 1) {
    const row = base!.data.subarray(y * base!.width * 4, (y * base!.width + base!.width) * 4);
    data.set(row.subarray(0, width * 4), y * width * 4);
    painted.fill(1, y * width, y * width + Math.min(base!.width, width));
  }
  return { pixels: { width, height, data }, painted };
}

function bakeSide(
  { pixels: { width, height, data }, painted }: Painted,
  quad: Quad,
  shown: Quad,
  { after, pixelsOf }: Baking,
): void {
  const crop = after.boxes[quad.box]?.sides[quad.side]?.crop;
  if (!crop) return;
  const { left, top, width: w, height: h } = wholePlace(crop);
  const from = shown.texture === undefined ? undefined : pixelsOf(shown.texture);
  for (let y = top; y < Math.min(height, top + h); y += 1)
    for (let x = left; x < Math.min(width, left + w); x += 1) {
      const at = onSide(quad.uv, (x + 0.5) / width, (y + 0.5) / height);
      data.set(colourAt(shown, at, from), (y * width + x) * 4);
      painted[y * width + x] = 1;
    }
}

/** Where on a side, right and down from 0 to 1, a point of its picture is. */
function onSide(uv: Quad['uv'], u: number, v: number): readonly [number, number] {
  const [[u0, v0], [u1, v1], , [u3, v3]] = [0, 1, 2, 3].map((i) => itemAt(uv, i)) as [
    readonly [number, number],
    readonly [number, number],
    unknown,
    readonly [number, number],
  ];
  const [rightU, rightV, downU, downV] = [u3 - u0, v3 - v0, u1 - u0, v1 - v0];
  const area = rightU * downV - rightV * downU || 1e-12;
  const [a, b] = [u - u0, v - v0];
  const within = (value: number) => Math.min(0.9999, Math.max(0.0001, value));
  return [within((a * downV - b * downU) / area), within((rightU * b - rightV * a) / area)];
}

function colourAt(
  { uv, side }: Quad,
  [right, down]: readonly [number, number],
  from: Pixels | undefined,
): ArrayLike<number> {
  if (!from) return [...tones[side], 255];
  const [topLeft, bottomLeft, topRight] = [itemAt(uv, 0), itemAt(uv, 1), itemAt(uv, 3)];
  const place = ([0, 1] as const).map(
    (i) => topLeft[i] + right * (topRight[i] - topLeft[i]) + down * (bottomLeft[i] - topLeft[i]),
  );
  const x = Math.min(from.width - 1, Math.max(0, Math.floor(itemAt(place, 0) * from.width)));
  const y = Math.min(from.height - 1, Math.max(0, Math.floor(itemAt(place, 1) * from.height)));
  return from.data.subarray((y * from.width + x) * 4, (y * from.width + x) * 4 + 4);
}

/** Fills what is nobody's with the mean of the rest, so that no hole is in a picture without any. */
function fillRest({ pixels: { data }, painted }: Painted): void {
  const sum = [0, 0, 0];
  let many = 0;
  for (let i = 0; i < painted.length; i += 1) {
    if (!painted[i]) continue;
    if (data[i * 4 + 3] !== 255) return;
    sum.forEach((_, channel) => (sum[channel]! += data[i * 4 + channel] ?? 0));
    many += 1;
  }
  if (!many) return;
  const mean = [...sum.map((value) => Math.round(value / many)), 255];
  for (let i = 0; i < painted.length; i += 1) if (!painted[i]) data.set(mean, i * 4);
}
