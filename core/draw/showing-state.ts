import type { Mod, ResolvedBlock } from '../mod/index.ts';
import { vector, type Vec3 } from '../space/index.ts';
import { drawnModels } from './block.ts';
import type { DrawnModel } from './isometric.ts';

/** So many states are looked at; a block with more has shown all its pictures by then. */
const mostStates = 1024;

/**
 * The state in which a block shows most of a texture on its first candidates, the first of several;
 * undefined where it shows none of it.
 *
 * @example stateShowing(mod, resolveBlock(mod, 'tide_lantern'), 'saltmarsh:lantern/pane_lit') // 1
 */
export function stateShowing(mod: Mod, block: ResolvedBlock, texture: string): number | undefined {
  if (block.space.tooLarge) return undefined;
  const many = Math.min(block.space.size, mostStates);
  let best: { state: number; area: number } | undefined;
  for (let state = 0; state < many; state += 1) {
    const area = shownArea(drawnModels(mod, block, state), texture);
    if (area > (best?.area ?? 0)) best = { state, area };
  }
  return best?.state;
}

/** On how much of the models a texture shows, in square texels. */
function shownArea(models: readonly DrawnModel[], texture: string): number {
  let area = 0;
  for (const { quads } of models)
    for (const quad of quads) {
      if (quad.texture !== texture) continue;
      const [corner, below, , beside] = quad.corners;
      area += distance(corner, below) * distance(corner, beside);
    }
  return area;
}

const distance = (a: Vec3, b: Vec3): number => Math.hypot(...vector((axis) => a[axis] - b[axis]));
