import { InflateProblem, inflateWithin } from '../bytes/index.ts';
import { pngKinds, type PngParts } from './png-chunks.ts';
import { PictureProblem } from './problem.ts';

/**
 * A part of the picture that is stored by itself: every so manieth texel from a first one, in both
 * directions.
 */
interface Pass {
  left: number;
  top: number;
  across: number;
  down: number;
  width: number;
  height: number;
  rowBytes: number;
}

/**
 * The seven passes of an interlaced picture (ISO/IEC 15948, 8.2): first texel and step, across and
 * down.
 */
const interlacedPasses = [
  [0, 0, 8, 8],
  [4, 0, 8, 8],
  [0, 4, 4, 8],
  [2, 0, 4, 4],
  [0, 2, 2, 4],
  [1, 0, 2, 2],
  [0, 1, 1, 2],
] as const;
const samplesOf: Readonly<Record<number, number>> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 };

/**
 * The pixels of a PNG as RGBA, eight bits a channel, rows from the top. Throws a {@link
 * PictureProblem}.
 */
export function pixelsOf(parts: PngParts): Uint8Array {
  const { width, height } = parts;
  const passes = passesOf(parts);
  const length = passes.reduce((sum, pass) => sum + pass.height * (1 + pass.rowBytes), 0);
  const rows = unpack(parts.data, length);
  const pixels = new Uint8Array(width * height * 4);
  if (isStoredAsShown(parts)) {
    copyRows(rows, passes, pixels);
    return pixels;
  }
  const put = painter(parts, pixels);
  const step = Math.max(1, Math.ceil((samples(parts) * parts.depth) / 8));
  let at = 0;
  for (const pass of passes) {
    unfilter(rows, at, pass, step);
    for (let y = 0; y < pass.height; y += 1) {
      const row = rows.subarray(at + 1, at + 1 + pass.rowBytes);
      const line = (pass.top + y * pass.down) * width;
      for (let x = 0; x < pass.width; x += 1) put(row, x, (line + pass.left + x * pass.across) * 4);
      at += 1 + pass.rowBytes;
    }
  }
  return pixels;
}

/** Most pictures are kept just as they are handed out: four bytes a texel, row after row. */
const isStoredAsShown = ({ kind, depth, isInterlaced }: PngParts): boolean =>
  kind === pngKinds.colourAlpha && depth === 8 && !isInterlaced;

function copyRows(rows: Uint8Array, passes: readonly Pass[], pixels: Uint8Array): void {
  for (const pass of passes) {
    unfilter(rows, 0, pass, 4);
    for (let y = 0; y < pass.height; y += 1) {
      const from = y * (1 + pass.rowBytes) + 1;
      pixels.set(rows.subarray(from, from + pass.rowBytes), y * pass.rowBytes);
    }
  }
}

const samples = ({ kind }: PngParts): number => samplesOf[kind] ?? 1;

function passesOf(parts: PngParts): Pass[] {
  const { width, height, depth, isInterlaced } = parts;
  const steps = isInterlaced ? interlacedPasses : [[0, 0, 1, 1] as const];
  return steps.flatMap(([left, top, across, down]): Pass[] => {
    const pass = {
      left,
      top,
      across,
      down,
      width: Math.ceil((width - left) / across),
      height: Math.ceil((height - top) / down),
    };
    return pass.width > 0 && pass.height > 0
      ? [{ ...pass, rowBytes: Math.ceil((pass.width * samples(parts) * depth) / 8) }]
      : [];
  });
}

function unpack(data: readonly Uint8Array[], length: number): Uint8Array {
  try {
    return inflateWithin(withoutHead(data), length);
  } catch (error) {
    if (!(error instanceof InflateProblem)) throw error;
    throw new PictureProblem(
      {
        more: 'The PNG unpacks to more than its size allows.',
        less: 'The PNG is cut short: some of its pixels are missing.',
        damaged: 'The PNG is damaged: its pixels cannot be unpacked.',
      }[error.kind],
    );
  }
}

/**
 * The deflate stream without the two bytes before it (RFC 1950), which may lie in different pieces.
 */
function withoutHead(data: readonly Uint8Array[]): Uint8Array[] {
  const head: number[] = [];
  const rest = data.map((piece) => {
    const taken = Math.min(piece.length, 2 - head.length);
    head.push(...piece.subarray(0, taken));
    return piece.subarray(taken);
  });
  const [method = 0, flags = 0] = head;
  if (head.length < 2)
    throw new PictureProblem('The PNG is cut short: some of its pixels are missing.');
  if ((method & 15) !== 8 || (method * 256 + flags) % 31 !== 0 || (flags & 32) !== 0)
    throw new PictureProblem('The PNG is damaged: its pixels cannot be unpacked.');
  return rest;
}

/**
 * Takes the filters off the rows of a pass, in place (9.2). `step` is how many bytes lie between a
 * byte and the one that it is filtered by.
 */
function unfilter(bytes: Uint8Array, from: number, { height, rowBytes }: Pass, step: number): void {
  for (let y = 0; y < height; y += 1) {
    const row = from + y * (1 + rowBytes);
    const filter = bytes[row] ?? 0;
    if (filter > 4)
      throw new PictureProblem(
        'The PNG is damaged: a row is filtered in a way that the standard does not know.',
      );
    if (filter === 0) continue;
    const above = y === 0 ? -1 : row - rowBytes;
    if (filter === 1) addLeft(bytes, row + 1, rowBytes, step);
    else if (filter === 2) addAbove(bytes, row + 1, rowBytes, above);
    else addPredicted(bytes, row + 1, { rowBytes, step, above, isMean: filter === 3 });
  }
}

function addLeft(bytes: Uint8Array, from: number, rowBytes: number, step: number): void {
  for (let i = from + step; i < from + rowBytes; i += 1) bytes[i]! += bytes[i - step]!;
}

function addAbove(bytes: Uint8Array, from: number, rowBytes: number, above: number): void {
  if (above < 0) return;
  for (let i = 0; i < rowBytes; i += 1) bytes[from + i]! += bytes[above + i]!;
}

/** The third and the fourth filter, which look at more than one byte. */
function addPredicted(
  bytes: Uint8Array,
  from: number,
  row: { rowBytes: number; step: number; above: number; isMean: boolean },
): void {
  const { rowBytes, step, above, isMean } = row;
  for (let i = 0; i < rowBytes; i += 1) {
    const left = i >= step ? bytes[from + i - step]! : 0;
    const up = above < 0 ? 0 : bytes[above + i]!;
    const corner = above < 0 || i < step ? 0 : bytes[above + i - step]!;
    bytes[from + i]! += isMean ? (left + up) >> 1 : nearest(left, up, corner);
  }
}

/** The predictor of the fourth filter (9.4). */
function nearest(left: number, up: number, corner: number): number {
  const guess = left + up - corner;
  const toLeft = Math.abs(guess - left);
  const toUp = Math.abs(guess - up);
  const toCorner = Math.abs(guess - corner);
  if (toLeft <= toUp && toLeft <= toCorner) return left;
  return toUp <= toCorner ? up : corner;
}

type Put = (row: Uint8Array, x: number, at: number) => void;

/** How one texel of a row becomes RGBA. */
function painter(
  { kind, depth, palette = new Uint8Array(), clear }: PngParts,
  pixels: Uint8Array,
): Put {
  const count = samplesOf[kind] ?? 1;
  const sample = (row: Uint8Array, x: number, channel: number): number => {
    const place = x * count + channel;
    if (depth === 8) return row[place] ?? 0;
    if (depth === 16) return ((row[place * 2] ?? 0) << 8) | (row[place * 2 + 1] ?? 0);
    const bit = place * depth;
    return ((row[bit >> 3] ?? 0) >> (8 - depth - (bit & 7))) & (2 ** depth - 1);
  };
  const byte = (value: number): number =>
    depth === 8 ? value : depth === 16 ? Math.round(value / 257) : (value * 255) / (2 ** depth - 1);
  const clearAt = (channel: number): number =>
    clear ? ((clear[channel * 2] ?? 0) << 8) | (clear[channel * 2 + 1] ?? 0) : -1;
  const set = (offset: number, red: number, green: number, blue: number, alpha: number) => {
    pixels[offset] = red;
    pixels[offset + 1] = green;
    pixels[offset + 2] = blue;
    pixels[offset + 3] = alpha;
  };
  switch (kind) {
    case pngKinds.palette:
      return (row, x, offset) => {
        const index = sample(row, x, 0);
        if (index * 3 >= palette.length)
          throw new PictureProblem(
            'The PNG is damaged: it shows a colour that its palette does not have.',
          );
        set(
          offset,
          palette[index * 3] ?? 0,
          palette[index * 3 + 1] ?? 0,
          palette[index * 3 + 2] ?? 0,
          clear?.[index] ?? 255,
        );
      };
    case pngKinds.grey:
    case pngKinds.greyAlpha: {
      const hole = kind === pngKinds.grey ? clearAt(0) : -1;
      return (row, x, offset) => {
        const value = sample(row, x, 0);
        const grey = byte(value);
        set(
          offset,
          grey,
          grey,
          grey,
          count === 2 ? byte(sample(row, x, 1)) : value === hole ? 0 : 255,
        );
      };
    }
    default: {
      const holes = kind === pngKinds.colour ? [clearAt(0), clearAt(1), clearAt(2)] : [-1];
      return (row, x, offset) => {
        const [red, green, blue] = [sample(row, x, 0), sample(row, x, 1), sample(row, x, 2)];
        const isHole = red === holes[0] && green === holes[1] && blue === holes[2];
        set(
          offset,
          byte(red),
          byte(green),
          byte(blue),
          count === 4 ? byte(sample(row, x, 3)) : isHole ? 0 : 255,
        );
      };
    }
  }
}
