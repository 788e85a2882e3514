import type { PackView, YardPicture } from '../pack-world.ts';

/** One picture of the pack in the atlas. */
export interface AtlasPicture {
  /** The tile of its first frame; the others follow. */
  tile: number;
  steps: readonly { frame: number; ticks: number }[];
  blend: boolean;
}

/** All frames of all pictures as tiles of one size in one square picture. */
export interface Atlas {
  /** So many texels is a tile wide and high, a power of two. */
  tileSide: number;
  /** So many tiles stand in a row. */
  perRow: number;
  /** RGBA: the picture itself, then half as large each time until a tile is one texel. */
  levels: { side: number; data: Uint8Array }[];
  /** By the number of the picture; 0 is the marker. */
  pictures: AtlasPicture[];
  /** The number of a picture by its id. */
  numberOf: ReadonlyMap<string, number>;
  /** Pictures that are drawn as the marker, since they cannot be read or have no room. */
  unread: string[];
}

/** The greatest side of the atlas, which every graphics card of today holds, and of a tile. */
const mostSide = 4096;
const mostTile = 256;
const least = 16;

const powerOver = (value: number): number => 2 ** Math.ceil(Math.log2(Math.max(1, value)));

/**
 * Lays the frames of all pictures into one. A tile is as large as the largest frame, a power of two,
 * so that each smaller copy is made of whole tiles and nothing bleeds into its neighbour. Where the
 * atlas would grow too large its tiles are halved.
 *
 * @example atlasOf(view, ['saltmarsh:gate/boards'], marker).numberOf.get('saltmarsh:gate/boards') // 1
 */
export function atlasOf(
  { pictureOf }: PackView,
  ids: readonly string[],
  marker: YardPicture,
): Atlas {
  const found = ids.map((id) => ({ id, picture: pictureOf(id) }));
  const shown = [{ id: '', picture: marker }, ...found].flatMap(({ id, picture }) => {
    const data = picture?.pixels();
    return picture && data ? [{ id, picture, data }] : [];
  });
  const largest = Math.max(least, ...shown.map(({ picture }) => sideOf(picture)));
  const frames = shown.reduce((sum, { picture }) => sum + picture.frames, 0);
  let tileSide = Math.min(mostTile, powerOver(largest));
  const roomFor = (side: number) => (mostSide / side) ** 2;
  while (tileSide > least && roomFor(tileSide) < frames) tileSide /= 2;
  const perRow = Math.min(mostSide / tileSide, powerOver(Math.sqrt(Math.min(frames, 1e6))));
  const side = perRow * tileSide;
  const data = new Uint8Array(side * side * 4);
  const pictures: AtlasPicture[] = [];
  const numberOf = new Map<string, number>();
  let tile = 0;
  for (const { id, picture, data: texels } of shown) {
    if (tile + picture.frames > perRow * perRow) continue;
    if (id) numberOf.set(id, pictures.length);
    pictures.push({ tile, steps: picture.steps, blend: picture.blend });
    for (let frame = 0; frame < picture.frames; frame += 1, tile += 1)
      lay(data, side, tile, tileSide, perRow, picture, texels, frame);
  }
  const unread = ids.filter((id) => !numberOf.has(id));
  return { tileSide, perRow, levels: smaller(data, side, tileSide), pictures, numberOf, unread };
}

const sideOf = ({ width, height }: YardPicture): number => Math.max(width, height);

/** Stretches a frame over its tile, texel by texel. */
function lay(
  into: Uint8Array,
  side: number,
  tile: number,
  tileSide: number,
  perRow: number,
  { width, height }: YardPicture,
  texels: Uint8Array,
  frame: number,
): void {
  const left = (tile % perRow) * tileSide;
  const top = Math.floor(tile / perRow) * tileSide;
  for (let y = 0; y < tileSide; y += 1) {
    const row = (frame * height + Math.floor((y * height) / tileSide)) * width;
    for (let x = 0; x < tileSide; x += 1) {
      const from = (row + Math.floor((x * width) / tileSide)) * 4;
      const to = ((top + y) * side + left + x) * 4;
      for (let part = 0; part < 4; part += 1) into[to + part] = texels[from + part] ?? 0;
    }
  }
}

/** Each level half as large: the mean of four texels, each colour as far as it is solid. */
function smaller(data: Uint8Array, side: number, tileSide: number): Atlas['levels'] {
  const levels = [{ side, data }];
  for (let tile = tileSide; tile > 1; tile /= 2) {
    const above = levels.at(-1)!;
    levels.push({ side: above.side / 2, data: halved(above.data, above.side) });
  }
  return levels;
}

function halved(data: Uint8Array, side: number): Uint8Array {
  const half = side / 2;
  const out = new Uint8Array(half * half * 4);
  for (let y = 0; y < half; y += 1)
    for (let x = 0; x < half; x += 1) {
      const from = [0, 4, side * 4, side * 4 + 4].map((step) => (y * 2 * side + x * 2) * 4 + step);
      const alphas = from.map((at) => data[at + 3] ?? 0);
      const alpha = alphas.reduce((sum, one) => sum + one, 0);
      const to = (y * half + x) * 4;
      out[to + 3] = Math.round(alpha / 4);
      for (let part = 0; part < 3 && alpha > 0; part += 1) {
        const sum = from.reduce((all, at, i) => all + (data[at + part] ?? 0) * (alphas[i] ?? 0), 0);
        out[to + part] = Math.round(sum / alpha);
      }
    }
  return out;
}

/** The frame of a picture that shows at a tick, the one it goes over into, and how far it is. */
export function frameAt(
  { steps, blend }: Pick<AtlasPicture, 'steps' | 'blend'>,
  tick: number,
): { frame: number; next: number; share: number } {
  const whole = steps.reduce((sum, { ticks }) => sum + ticks, 0);
  let left = steps.length > 1 && whole > 0 ? tick % whole : 0;
  for (const [i, { frame, ticks }] of steps.entries()) {
    if (left < ticks)
      return {
        frame,
        next: steps[(i + 1) % steps.length]?.frame ?? frame,
        share: blend && steps.length > 1 ? left / ticks : 0,
      };
    left -= ticks;
  }
  return { frame: 0, next: 0, share: 0 };
}
