import type { Declared } from '../kits/index.ts';
import { pointer } from '../json/index.ts';
import { kitFor } from '../kits/index.ts';
import { asBlock, resolveBlock, sameData, statesUnder, type Mod } from '../mod/index.ts';
import { blockFinding, rulesOverStates } from './block-rules.ts';
import { BlockContext } from './context.ts';
import { byWeight, facetOf, type Finding } from './finding.ts';
import { looksOver, plainStates } from './new-looks.ts';
import type { Neighbour } from './rule.ts';
import { neighbourRules } from './rules/index.ts';
import { toldOf } from './silence.ts';

/**
 * What two mods do to each other that no mod shows alone: things of a neighbour that it does not
 * have, ids and numbers that both claim, recipes that take the same. Told of the first, at its
 * places; where these lie in files, `placeOf` says where.
 *
 * @example inspectBeside(mod, [{ title: 'Driftwood', mod: other }])
 */
export function inspectBeside(
  mod: Mod,
  neighbours: readonly Neighbour[],
  placeOf?: Declared['placeOf'],
): Finding[] {
  const findings = neighbours.flatMap((neighbour) => [
    ...ofLooksOver(mod, neighbour, placeOf),
    ...neighbourRules.flatMap(({ id, severity, check }) =>
      check(mod, neighbour).map(({ message, at, block, cause, fix }): Finding => ({
        rule: id,
        severity,
        facet: facetOf(id),
        message,
        at: pointer(at),
        ...(block !== undefined && { block }),
        ...(cause !== undefined && { cause }),
        ...(fix && { fix }),
        ...placeOf?.(pointer(at)),
      })),
    ),
  ]);
  return toldOf(mod.header, findings).sort(byWeight);
}

/**
 * What is wrong with the new looks over a neighbour's blocks by the states that these really have,
 * where the mod says none or others. What does not rest on states, and what rests on the same ones,
 * is said without the neighbour.
 */
const ofLooksOver = (
  mod: Mod,
  { mod: other }: Neighbour,
  placeOf: Declared['placeOf'] | undefined,
): Finding[] =>
  looksOver(mod, other).flatMap(({ name, look, block }) => {
    const states = plainStates(block.states);
    const said = statesUnder(name, look);
    if (said && sameData(plainStates(said), states)) return [];
    const shown = resolveBlock(mod, name, asBlock(name, { ...look, states }));
    const context = new BlockContext(mod, shown, kitFor(mod));
    return rulesOverStates.flatMap((rule) =>
      rule
        .check(shown, context)
        .map((report) => blockFinding(rule, name, report))
        .map((finding) => ({ ...finding, ...placeOf?.(finding.at ?? '') })),
    );
  });
