import { tintColour } from '../../../../core/textures/index.ts';
import { colourFromHex, hexOf } from '../../../../core/textures/facts/index.ts';
import type { Colour } from '../../../../core/textures/painting/index.ts';
import {
  lookUp,
  ownName,
  resolveBlock,
  stockNamed,
  usualFluid,
  type Fluid,
  type Mod,
} from '../../../../core/mod/index.ts';
import type { SectionInk } from './draw.ts';

/** What a fluid without a picture is drawn in. */
const unseen = '#7f9094';
/** So much of what lies behind is covered by a fluid that is seen through. */
const covers = 0.72;

/** The colour of a fluid on the whole: its own for maps, else the mean of its picture, tinted. */
export function fluidColour(
  mod: Mod,
  { still, flowing, mapColour, tint = usualFluid.tint }: Fluid,
) {
  const own = ownName(mod.header.namespace, still ?? flowing ?? '');
  const mean = lookUp(mod.textures, own ?? '')?.picture.mean;
  const base = colourFromHex(mean ?? mapColour ?? unseen) ?? [127, 144, 148, 255];
  const by = tintColour(tint);
  return hexOf(
    [0, 1, 2].map((i) => Math.round((base[i] ?? 0) * (by[i] ?? 1))) as unknown as Colour,
  );
}

/** The colour of a block on the whole, by its id. */
function blockColour(mod: Mod, id: string): string {
  const name = ownName(mod.header.namespace, id);
  const block = name === undefined ? undefined : lookUp(mod.blocks, name);
  if (block && name !== undefined) return resolveBlock(mod, name, block).traits.mapColour;
  const fluid = name === undefined ? undefined : lookUp(mod.fluids, name);
  if (fluid) return fluidColour(mod, fluid);
  return stockNamed(id.slice(id.indexOf(':') + 1))?.traits.mapColour ?? unseen;
}

/** The colours of a section: those of the page as they are now, and those of the fluid. */
export function inkOf(element: Element, mod: Mod, fluid: Fluid): SectionInk {
  const style = getComputedStyle(element);
  const page = (name: string) => style.getPropertyValue(name).trim();
  const colour = fluidColour(mod, fluid);
  const alpha = (fluid.alphaMode ?? usualFluid.alphaMode) === 'blend' ? covers : 1;
  const byte = Math.round(alpha * 255)
    .toString(16)
    .padStart(2, '0');
  return {
    ground: page('--stage-far'),
    groundTop: page('--stage-mid'),
    line: page('--grid'),
    ink: page('--ink'),
    soft: page('--soft'),
    brass: page('--brass'),
    fluid: `${colour}${byte}`,
    fluidTop: colour,
    block: (id) => blockColour(mod, id),
  };
}
