/**
 * A box of cells with what each gives and takes of light, and the level that follows. Cells are
 * numbered x fastest, then z, then y.
 */
export interface LightVolume {
  readonly width: number;
  readonly height: number;
  readonly depth: number;
  /** Levels 0 to 15 that each cell gives. */
  readonly emitted: Uint8Array;
  /** Levels 0 to 15 that are lost on the way into each cell; one is lost in any case. */
  readonly absorbed: Uint8Array;
  /** The level in each cell. */
  readonly levels: Uint8Array;
}

/** The brightest level. */
const brightest = 15;

/** A dark volume of air. */
export function darkVolume(width: number, height: number, depth: number): LightVolume {
  const size = width * height * depth;
  return {
    width,
    height,
    depth,
    emitted: new Uint8Array(size),
    absorbed: new Uint8Array(size),
    levels: new Uint8Array(size),
  };
}

/** The number of a cell. `cellAt(volume, 1, 0, 0)` is 1. */
export const cellAt = ({ width, depth }: LightVolume, x: number, y: number, z: number): number =>
  (y * depth + z) * width + x;

/** Calls back with each of the up to six neighbours of a cell. */
function eachNeighbour(
  { width, height, depth }: LightVolume,
  cell: number,
  visit: (neighbour: number) => void,
): void {
  const x = cell % width;
  const z = Math.floor(cell / width) % depth;
  const y = Math.floor(cell / (width * depth));
  if (x > 0) visit(cell - 1);
  if (x < width - 1) visit(cell + 1);
  if (z > 0) visit(cell - width);
  if (z < depth - 1) visit(cell + width);
  if (y > 0) visit(cell - width * depth);
  if (y < height - 1) visit(cell + width * depth);
}

/** Cells by their level, so that the brightest are always looked at first. */
class Buckets {
  private readonly lists: number[][] = Array.from({ length: brightest + 1 }, () => []);

  add(cell: number, level: number): void {
    this.lists[level]!.push(cell);
  }

  /**
   * Takes all cells out, the brightest first; what is added meanwhile at or below the level at hand
   * is taken too.
   */
  drain(visit: (cell: number, level: number) => void): void {
    for (let level = brightest; level > 0; level -= 1) {
      const list = this.lists[level]!;
      for (let cell = list.pop(); cell !== undefined; cell = list.pop()) visit(cell, level);
    }
  }
}

/**
 * Lets light spread from the cells in the buckets: each neighbour gets the level less what is lost
 * on the way into it; the greatest wins.
 */
function spread(volume: LightVolume, waiting: Buckets): void {
  const { levels, absorbed } = volume;
  waiting.drain((cell, level) => {
    // Since then something brighter may have come here, and has spread already.
    if (levels[cell] !== level) return;
    eachNeighbour(volume, cell, (neighbour) => {
      const arrives = level - Math.max(1, absorbed[neighbour] ?? 0);
      if (arrives <= (levels[neighbour] ?? 0)) return;
      levels[neighbour] = arrives;
      waiting.add(neighbour, arrives);
    });
  });
}

/**
 * Works out the level of every cell from nothing: a flood from all that gives light, the brightest
 * first (Dial, Algorithm 360: Shortest-Path Forest with Topological Ordering, 1969). Linear in the
 * cells.
 */
export function floodLight(volume: LightVolume): void {
  const { levels, emitted } = volume;
  const waiting = new Buckets();
  levels.set(emitted);
  for (let cell = 0; cell < levels.length; cell += 1)
    if ((levels[cell] ?? 0) > 0) waiting.add(cell, levels[cell] ?? 0);
  spread(volume, waiting);
}

/**
 * Changes what one cell gives and takes, and puts the levels around it right: first what came from
 * or through the cell is taken back, then light spreads in again from what is left. The result is
 * that of a fresh {@link floodLight}; the work that of the cells whose level may change.
 *
 * @example setLight(volume, cellAt(volume, 8, 4, 8), { emitted: 13, absorbed: 0 })
 */
export function setLight(
  volume: LightVolume,
  cell: number,
  now: { emitted: number; absorbed: number },
): void {
  const { levels, emitted, absorbed } = volume;
  const waiting = new Buckets();
  volume.emitted[cell] = now.emitted;
  volume.absorbed[cell] = now.absorbed;
  const leaving = new Buckets();
  leaving.add(cell, levels[cell] ?? 0);
  const taken = levels[cell] ?? 0;
  levels[cell] = 0;
  if ((emitted[cell] ?? 0) > 0) waiting.add(cell, emitted[cell] ?? 0);
  const edge: number[] = [cell];
  if (taken > 0)
    leaving.drain((from, level) =>
      eachNeighbour(volume, from, (neighbour) => {
        const there = levels[neighbour] ?? 0;
        if (there === 0) return;
        // What is darker by at least the loss may have come from here; it is taken back, and comes
        // again if it came from elsewhere.
        if (there <= level - Math.max(1, absorbed[neighbour] ?? 0)) {
          levels[neighbour] = 0;
          leaving.add(neighbour, there);
          edge.push(neighbour);
        } else waiting.add(neighbour, there);
      }),
    );
  for (const gone of edge) {
    const own = emitted[gone] ?? 0;
    if (own > (levels[gone] ?? 0)) levels[gone] = own;
    if ((levels[gone] ?? 0) > 0) waiting.add(gone, levels[gone] ?? 0);
    eachNeighbour(
      volume,
      gone,
      (neighbour) => (levels[neighbour] ?? 0) > 0 && waiting.add(neighbour, levels[neighbour] ?? 0),
    );
  }
  spread(volume, waiting);
}
