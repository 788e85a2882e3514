import type { Draw, Lot, LotWhen, Mod } from '../../../mod/index.ts';
import { idOf } from '../../../mod/index.ts';
import type { LuaValue } from './lua.ts';
import { engineName } from './names.ts';

/** Draws for the runtime: as declared, with the engine's names of items. */
export const drawsForEngine = (draws: readonly Draw[]): LuaValue =>
  draws.map(({ times, lots }) => ({ times, lots: lots.map(lotForEngine) }));

const lotForEngine = ({ give, table, when, ...lot }: Lot): LuaValue => ({
  ...(give !== undefined && { give: engineName(give) }),
  ...(table !== undefined && { table }),
  ...lot,
  ...(when && { when: conditionForEngine(when) }),
});

/** A condition, with every value that is asked for as a list. */
function conditionForEngine({ state, all, any, not, ...when }: LotWhen): LuaValue {
  return {
    ...when,
    ...(state && {
      state: Object.fromEntries(
        Object.entries(state).map(([name, wanted]) => [
          name,
          Array.isArray(wanted) ? wanted : [wanted],
        ]),
      ),
    }),
    ...(all && { all: all.map(conditionForEngine) }),
    ...(any && { any: any.map(conditionForEngine) }),
    ...(not && { none: conditionForEngine(not) }),
  };
}

/** The loot tables that lots of several blocks draw from, by their ids. */
export const tablesForEngine = ({ header, lootTables }: Mod): LuaValue =>
  Object.fromEntries(
    Object.entries(lootTables).map(([name, { draws }]) => [
      idOf(header.namespace, name),
      drawsForEngine(draws),
    ]),
  );
