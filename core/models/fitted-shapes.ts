import type { Mod } from '../mod/mod.schema.ts';
import type { ResolvedBlock } from '../mod/resolve.ts';
import type { PlainBox } from '../space/index.ts';
import type { Row } from '../states/index.ts';
import { fitBoxes } from './fit.ts';
import { shapeByState } from './shapes.ts';

/** A shape of few boxes for every state, and the worst that it is off in any of them. */
export interface FittedShape {
  rows: Row<PlainBox[]>[];
  /** The share of air, 0 to 1. */
  air: number;
  /** In texels. */
  deepest: number;
}

/** In more ways than this a model is not fitted: somebody waits for it. */
const mostWays = 24;

/**
 * Shapes that cover what a block shows, with 1, 2, … up to `most` boxes in each state; fewer where
 * fewer are the model itself. Undefined where its states show it in more ways than can be fitted
 * while one waits; empty where it shows nothing that one could bump into.
 *
 * @example fittedShapes(mod, chair, 6)?.map(({ air }) => air) // [0.61, 0.24, 0.11, 0.04]
 */
export function fittedShapes(
  mod: Mod,
  block: ResolvedBlock,
  most: number,
): FittedShape[] | undefined {
  const model = shapeByState(mod, block, [{ value: 'model' }]);
  if (model.length > mostWays) return undefined;
  const fits = model.map((row) => ({ row, fits: fitBoxes(row.value, most) }));
  const many = Math.max(0, ...fits.map((one) => one.fits.length));
  return Array.from({ length: many }, (_, index) => {
    const chosen = fits.map(({ row, fits: covers }) => ({
      row,
      fit: covers[Math.min(index, covers.length - 1)],
    }));
    return {
      rows: chosen.map(({ row, fit }) => ({ ...row, value: fit?.boxes ?? [] })),
      air: Math.max(...chosen.map(({ fit }) => fit?.air ?? 0)),
      deepest: Math.max(...chosen.map(({ fit }) => fit?.deepest ?? 0)),
    };
  });
}
