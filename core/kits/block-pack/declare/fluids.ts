import { standIns, type Fluid, type Mod } from '../../../mod/index.ts';
import { FluidLookFile } from '../format/index.ts';
import type { ReadPack } from '../read/index.ts';
import { namesOf } from './blocks.ts';

/** What of a fluid stands in the file of its look. */
export const fluidLookParts = Object.keys(FluidLookFile.shape).filter((part) => part !== 'fluid');

/** The fluids, each of its two files together; one that could not be read is as good as there. */
export const fluidsOf = (pack: ReadPack): Mod['fluids'] =>
  Object.fromEntries([
    ...pack.unread.of('fluid').map((name): [string, Fluid] => [name, standIns.fluid]),
    ...[...pack.fluids].map(([name, { value }]): [string, Fluid] => {
      const { id: _, ...rules } = value;
      const { fluid: __, ...look } = pack.fluidLooks.get(name)?.value ?? {};
      return [name, { ...rules, ...look, names: namesOf(pack, `fluid.${name}`) }];
    }),
  ]);
