import type { Mod, ResolvedBlock } from '../mod/index.ts';
import { facing, vector, type Direction, type Vec3 } from '../space/index.ts';
import { drawnModels } from './block.ts';
import type { DrawnModel } from './isometric.ts';

/** So many states are looked at; a block with more has shown all its pictures by then. */
const mostStates = 1024;

/** The sides that are seen at once: blocks are looked at from the south-east and above. */
const facesViewer = new Set<Direction>(['south', 'east', 'up']);
/** What is turned away counts for so much less than what one sees at once. */
const awayShare = 0.1;

/**
 * The state in which a block shows most of a texture on its first candidates, the first of several:
 * on the sides that one sees at once before those that are turned away. Undefined where it shows
 * none of it.
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

/** On how much of the models a texture shows, in square texels; less where it is turned away. */
function shownArea(models: readonly DrawnModel[], texture: string): number {
  let area = 0;
  for (const { quads, orientation } of models)
    for (const quad of quads) {
      if (quad.texture !== texture) continue;
      const [corner, below, , beside] = quad.corners;
      const seen = facesViewer.has(facing(orientation, quad.side)) ? 1 : awayShare;
      area += distance(corner, below) * distance(corner, beside) * seen;
    }
  return area;
}

const distance = (a: Vec3, b: Vec3): number => Math.hypot(...vector((axis) => a[axis] - b[axis]));
