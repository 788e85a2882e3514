import type { Declared } from '../kits/index.ts';
import { pointer } from '../json/index.ts';
import type { Mod } from '../mod/index.ts';
import { byWeight, facetOf, type Finding } from './finding.ts';
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
  const findings = neighbours.flatMap((neighbour) =>
    neighbourRules.flatMap(({ id, severity, check }) =>
      check(mod, neighbour).map(({ message, at, cause, fix }): Finding => ({
        rule: id,
        severity,
        facet: facetOf(id),
        message,
        at: pointer(at),
        ...(cause !== undefined && { cause }),
        ...(fix && { fix }),
        ...placeOf?.(pointer(at)),
      })),
    ),
  );
  return toldOf(mod.header, findings).sort(byWeight);
}
