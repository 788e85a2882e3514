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
    for (let y = 0, i = 0; y < h; y += 1)
      for (let z = 0; z < d; z += 1)
        for (let x = 0; x < w; x += 1, i += 1) {
          const cell = cellAt([x, y, z]);
          absorbs[i] = cell.absorbs;
          levels[i] = cell.emits;
        }
    flood(levels, absorbs, this.size);
    return this;
  }
}

/**
 * Spreads light from the cells that have it: `levels` holds at first what each gives, and then what
 * reaches it. Both arrays go x first, then z, then y. From the greatest level down each cell is
 * looked at once (Dial, "Algorithm 360", 1969).
 *
 * @example flood(levels, absorbs, [3, 1, 1]) // levels 14 0 0 become 14 13 12
 */
export function flood(levels: Uint8Array, absorbs: Uint8Array, [w, h, d]: Vec3): void {
  const byLevel: number[][] = Array.from({ length: fullLight + 1 }, () => []);
  for (let i = 0; i < levels.length; i += 1) {
    const level = levels[i] ?? 0;
    if (level > 1) byLevel[level]?.push(i);
  }
  const layer = w * d;
  const enter = (cell: number, level: number) => {
    const left = level - Math.max(1, absorbs[cell] ?? fullLight);
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
      if (i < layer * (h - 1)) enter(i + layer, level);
    }
}

/** So many levels of daylight the darkest night takes. */
const nightTakes = 11;

/**
 * How many levels of daylight are lost at an hour, from 0 and 1 (midnight) over 0.5 (noon): none
 * while the sun is well up, {@link nightTakes} by night, and step by step between.
 *
 * @example darkness(0.5) // 0
 */
export function darkness(hour: number): number {
  const height = -Math.cos(2 * Math.PI * hour);
  const share = Math.min(1, Math.max(0, (0.3 - height) / 0.6));
  return Math.round(share * nightTakes);
}

/**
 * The daylight of a world: 15 in each cell that absorbs nothing and above which nothing absorbs
 * any, spread like all light.
 */
export function daylight(absorbs: Uint8Array, size: Vec3): Uint8Array {
  const [w, h, d] = size;
  const levels = new Uint8Array(w * h * d);
  const layer = w * d;
  for (let column = 0; column < layer; column += 1)
    for (let y = h - 1; y >= 0; y -= 1) {
      const i = column + y * layer;
      if (absorbs[i]) break;
      levels[i] = fullLight;
    }
  flood(levels, absorbs, size);
  return levels;
}
