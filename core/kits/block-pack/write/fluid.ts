import { idOf, usualFluid, type Fluid } from '../../../mod/index.ts';
import type { FluidDocument, FluidLookDocument } from '../format/index.ts';

/** Writes `rules/fluids/<name>.json`: how a fluid spreads, and what it does. */
export const writeFluid = (namespace: string, name: string, fluid: Fluid): FluidDocument => ({
  id: idOf(namespace, name),
  reach: fluid.reach,
  pace: fluid.pace,
  rises: fluid.rises,
  renews: fluid.renews,
  leaves: fluid.leaves,
  meets: fluid.meets,
  drag: fluid.drag,
  harm: fluid.harm,
  fire: fluid.fire,
  light: fluid.light ?? usualFluid.light,
  absorbs: fluid.absorbs ?? usualFluid.absorbs,
  pools: fluid.pools,
});

/** Writes `view/fluids/<name>.json`: what a fluid looks and sounds like. */
export const writeFluidLook = (
  namespace: string,
  name: string,
  fluid: Fluid,
): FluidLookDocument => ({
  fluid: idOf(namespace, name),
  still: fluid.still,
  flowing: fluid.flowing,
  alphaMode: fluid.alphaMode ?? usualFluid.alphaMode,
  sight: fluid.sight ?? usualFluid.sight,
  tint: fluid.tint ?? usualFluid.tint,
  mapColour: fluid.mapColour,
  soundSet: fluid.soundSet,
});
