import type { Vec3 } from '../space/index.ts';

/** The greatest light level. */
export const fullLight = 15;

/** What light a cell gives, and how much of what enters it is lost, 0 to 15 each. */
export interface Lighting {
  emits: number;
  absorbs: number;
}

/**
 * The light of blocks in a bounded world, by the section Reference physics of the format: a
 * neighbour that shares a face gets the level less the greater of 1 and what it absorbs, and the
 * greatest wins. Levels are worked out from the greatest down, each cell once (Dial, "Algorithm
 * 360", 1969).
 *
 * @example new Light([3, 1, 1]).shine(([x]) => ({ emits: x ? 0 : 14, absorbs: 0 })).at([2, 0, 0]) // 12
 */
export class Light {
  private readonly levels: Uint8Array;

  constructor(readonly size: Vec3) {
    this.levels = new Uint8Array(size[0] * size[1] * size[2]);
  }

  /** The level of a cell; 0 outside of the world. */
  at([x, y, z]: Vec3): number {
    const [w, h, d] = this.size;
    const isInside = x >= 0 && y >= 0 && z >= 0 && x < w && y < h && z < d;
    return isInside ? (this.levels[x + w * (z + d * y)] ?? 0) : 0;
  }

  /** Lights the world anew. */
  shine(cellAt: (place: Vec3) => Lighting): this {
    const { levels } = this;
    const [w, h, d] = this.size;
    const absorbs = new Uint8Array(levels.length);
    const byLevel: number[][] = Array.from({ length: fullLight + 1 }, () => []);
    levels.fill(0);
    for (let y = 0, i = 0; y < h; y += 1)
      for (let z = 0; z < d; z += 1)
        for (let x = 0; x < w; x += 1, i += 1) {
          const cell = cellAt([x, y, z]);
          absorbs[i] = Math.max(1, cell.absorbs);
          levels[i] = cell.emits;
          if (cell.emits > 0) byLevel[cell.emits]?.push(i);
        }
    const layer = w * d;
    const enter = (cell: number, level: number) => {
      const left = level - (absorbs[cell] ?? fullLight);
      if (left <= (levels[cell] ?? 0)) return;
      levels[cell] = left;
      byLevel[left]?.push(cell);
    };
    for (let level = fullLight; level > 1; level -= 1)
      for (const i of byLevel[level] ?? []) {
        if (levels[i] !== level) continue;
        const x = i % w;
        const z = Math.floor(i / w) % d;
        if (x > 0) enter(i - 1, level);
        if (x < w - 1) enter(i + 1, level);
        if (z > 0) enter(i - w, level);
        if (z < d - 1) enter(i + w, level);
        if (i >= layer) enter(i - layer, level);
        if (i + layer < levels.length) enter(i + layer, level);
      }
    return this;
  }
}
