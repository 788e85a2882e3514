import type { Box, Mod, Shape } from '../mod/index.ts';
import { fromRows, toRows, type ByState } from '../states/index.ts';

type Triple = [number, number, number];

/**
 * The mod with every length in texels of a block as if a block had so many: boxes, pivots and
 * shapes. Crops stay, since they are texels of a picture.
 *
 * @example scaledTo(mod, 32).models['lamp'].boxes[0].size // twice as long from 16
 */
export function scaledTo(mod: Mod, texels: number): Mod {
  const by = texels / mod.header.texels;
  if (by === 1) return mod;
  const triple = (value: readonly number[]): Triple => value.map((part) => part * by) as Triple;
  const box = ({ at, size, spin, ...rest }: Box): Box => ({
    ...rest,
    at: triple(at),
    size: triple(size),
    ...(spin && { spin: { ...spin, pivot: triple(spin.pivot) } }),
  });
  const shape = (value: Shape): Shape =>
    typeof value === 'string'
      ? value
      : value.map(({ at, size }) => ({ at: triple(at), size: triple(size) }));
  const byState = (value: ByState<Shape>): ByState<Shape> =>
    fromRows(toRows(value).map((row) => ({ ...row, value: shape(row.value) })));
  const over = <T>(record: Record<string, T>, make: (one: T) => T): Record<string, T> =>
    Object.fromEntries(Object.entries(record).map(([name, one]) => [name, make(one)]));
  return {
    ...mod,
    models: over(mod.models, (model) =>
      model.boxes ? { ...model, boxes: model.boxes.map(box) } : model,
    ),
    blocks: over(mod.blocks, (block) =>
      block.shapes
        ? {
            ...block,
            shapes: {
              ...(block.shapes.collision && { collision: byState(block.shapes.collision) }),
              ...(block.shapes.outline && { outline: byState(block.shapes.outline) }),
            },
          }
        : block,
    ),
  };
}

/** What would change if a block had so many texels. */
export interface Scaling {
  /** How many times as long lengths become. */
  by: number;
  /** Models whose boxes are scaled. */
  models: number;
  /** Blocks whose own shapes are scaled. */
  shapes: number;
  /** Pictures that are not as wide as a block would be. */
  pictures: number;
}

/**
 * What {@link scaledTo} would change, in numbers.
 *
 * @example scalingOf(mod, 32) // { by: 2, models: 14, shapes: 3, pictures: 51 }
 */
export function scalingOf({ header, models, blocks, textures }: Mod, texels: number): Scaling {
  return {
    by: texels / header.texels,
    models: Object.values(models).filter(({ boxes }) => boxes?.length).length,
    shapes: Object.values(blocks).filter(({ shapes }) => shapes).length,
    pictures: Object.values(textures).filter(({ picture }) => picture.width !== texels).length,
  };
}
