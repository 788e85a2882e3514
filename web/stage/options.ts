import { useLocalStorage } from '@mantine/hooks';
import { drawnModels, type DrawnModel } from '../../core/draw/index.ts';
import type { Mod, ResolvedBlock } from '../../core/mod/index.ts';
import { vector, type Vec3 } from '../../core/space/index.ts';

export const arrangements = ['Alone', 'Row', 'Wall', 'Ground', 'Patch'] as const;
export type Arrangement = (typeof arrangements)[number];
export const hours = ['Day', 'Dusk', 'Night'] as const;

/** How the block stands, at which hour, and what is drawn over it. */
export interface SceneOptions {
  arrangement: Arrangement;
  hour: (typeof hours)[number];
  outline: boolean;
  light: boolean;
}

const start: SceneOptions = { arrangement: 'Alone', hour: 'Day', outline: false, light: false };

/** How one looks at the stage: remembered in this browser. */
export function useStageOptions(): [SceneOptions, (options: SceneOptions) => void] {
  const [kept, setOptions] = useLocalStorage<SceneOptions>({
    key: 'obrank.stage',
    defaultValue: start,
    getInitialValueInEffect: false,
  });
  return [arrangements.includes(kept.arrangement) ? kept : start, setOptions];
}

/** The cells in which the block stands. */
export const cells: Record<Arrangement, Vec3[]> = {
  Alone: [[0, 0, 0]],
  Ground: [[0, 0, 0]],
  Row: [-1, 0, 1].map((x) => [x, 0, 0]),
  Wall: [0, 1, 2].flatMap((y) => [-1, 0, 1].map((x): Vec3 => [x, y, 0])),
  // Twelve by twelve places, so that one sees how candidates and scattering fall.
  Patch: Array.from({ length: 144 }, (_, i): Vec3 => [(i % 12) - 6, 0, Math.floor(i / 12) - 6]),
};

/** Every model that stands on the stage, each in its cell, with the candidate that shows there. */
export const standingModels = (
  mod: Mod,
  block: ResolvedBlock,
  state: number,
  arrangement: Arrangement,
): DrawnModel[] =>
  cells[arrangement].flatMap((cell) =>
    drawnModels(mod, block, state, arrangement === 'Alone' ? 0 : cell).map((model) => ({
      ...model,
      shift: vector((axis) => cell[axis] * mod.header.texels + (model.shift?.[axis] ?? 0)),
    })),
  );
