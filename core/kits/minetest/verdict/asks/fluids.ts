import { idOf, titleOf, type Mod } from '../../../../mod/index.ts';
import { blocksOf, fluidNodes } from '../../write/fluids.ts';
import { engineName } from '../../write/names.ts';
import { inWords, type Check } from '../check.ts';

/** Cells within so many steps along the two axes: a source with all that runs from it. */
const cellsWithin = (steps: number): number => 2 * steps * (steps + 1) + 1;

/**
 * Each fluid poured on flat ground: how far it comes, in how many cells it stands, whether a second
 * source makes a third one between, and what is left when all of them are taken away.
 */
export const fluidChecks = (mod: Mod): Check[] =>
  Object.entries(mod.fluids)
    // What meets the ground of the trial, or rises, runs otherwise there, which is said beside.
    .filter(([, { rises }]) => !rises)
    .map(([name, fluid]): Check => {
      const far = blocksOf(fluid);
      const left = fluid.leaves === undefined || far === 0 ? '' : engineName(fluid.leaves);
      const ours = [far, cellsWithin(far), fluid.renews === true, left];
      return {
        about: `${titleOf(mod, name, fluid.names)}, poured on flat ground and taken away`,
        of: { kind: 'fluid', name },
        facet: 'traits',
        ask: { kind: 'fluid', ...fluidNodes(mod, name), id: idOf(mod.header.namespace, name) },
        judge: (answer) =>
          JSON.stringify(answer) === JSON.stringify(ours)
            ? undefined
            : { ours: sayOf(ours), engine: sayOf(answer) },
      };
    });

function sayOf(answer: unknown): string {
  if (!Array.isArray(answer)) return inWords(answer);
  const [far, many, renews, left] = answer as [number, number, boolean, string];
  return (
    `${far} blocks far, ${many} cells, ` +
    `${renews ? 'a source between two' : 'no source between two'}, ` +
    (left ? `leaves ${left}` : 'leaves nothing')
  );
}
