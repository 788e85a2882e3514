import { cellAt, darkVolume, floodLight, type LightVolume } from './flood.ts';

/** How a room is cut open to be looked into: rows from the ceiling down, each from west to east. */
export interface RoomSection {
  levels: number[][];
  /** Where the block stands. */
  row: number;
  column: number;
}

const solid = 15;

/**
 * A room of air with walls, floor and ceiling that let nothing through, and one block on the middle
 * of its floor.
 */
function room(width: number, height: number, emitted: number, absorbed: number): LightVolume {
  const volume = darkVolume(width + 2, height + 2, width + 2);
  for (let y = 0; y < height + 2; y += 1)
    for (let z = 0; z < width + 2; z += 1)
      for (let x = 0; x < width + 2; x += 1)
        if (x === 0 || y === 0 || z === 0 || x > width || y > height || z > width)
          volume.absorbed[cellAt(volume, x, y, z)] = solid;
  const at = cellAt(volume, (width + 1) / 2, 1, (width + 1) / 2);
  volume.emitted[at] = emitted;
  volume.absorbed[at] = absorbed;
  floodLight(volume);
  return volume;
}

/**
 * The light in a room with the block in the middle of its floor, cut open through the block.
 * `width` is odd; levels are whole numbers from 0 to 15.
 *
 * @example roomSection(13, 0, 27, 5).levels[4][13] // 13, the block itself
 */
export function roomSection(
  emitted: number,
  absorbed: number,
  width: number,
  height: number,
): RoomSection {
  const volume = room(width, height, emitted, absorbed);
  const middle = (width + 1) / 2;
  const levels = Array.from({ length: height }, (_, row) =>
    Array.from(
      { length: width },
      (__, column) => volume.levels[cellAt(volume, column + 1, height - row, middle)] ?? 0,
    ),
  );
  return { levels, row: height - 1, column: middle - 1 };
}

/**
 * What is left of the brightest light behind walls of the block, one to `most` thick: the level in
 * the first cell of air behind.
 *
 * @example lightBehind(4, 3) // [10, 6, 2]: 15 − 4 − 1, 15 − 8 − 1, 15 − 12 − 1
 */
export function lightBehind(absorbed: number, most: number): number[] {
  return Array.from({ length: most }, (_, i) => {
    const volume = darkVolume(i + 3, 1, 1);
    volume.emitted[0] = 15;
    volume.absorbed.fill(absorbed, 1, i + 2);
    floodLight(volume);
    return volume.levels[i + 2] ?? 0;
  });
}
