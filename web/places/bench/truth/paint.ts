import { itemAt } from '../../../../core/lists/index.ts';
import { useLocalStorage } from '@mantine/hooks';
import {
  lootSource,
  paintLoot,
  quickLoot,
  shortLoot,
  type Outcome,
} from '../../../../core/loot/index.ts';
import { lookUp, carried, idOf, type Count, type Mod } from '../../../../core/mod/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useMod, type BlockEditor } from '../../../api/hooks.tsx';
import { itemTitle } from '../../../parts/item.tsx';
import { asCells, useDropChoice } from './choice.tsx';

/**
 * The item that a person means who gives none: one that the block gives already, else one whose
 * name begins like the block's, else the first.
 */
function likelyItem(mod: Mod, { block, declared }: BlockEditor): string | undefined {
  const given =
    typeof declared.loot === 'object'
      ? declared.loot.draws
          .flatMap(({ lots }) => lots.flatMap(({ give }) => give ?? []))
          .find((give) => give !== block.id)
      : undefined;
  const names = Object.keys(mod.items).sort();
  const start = itemAt(block.name.split('_'), 0);
  const name =
    names.find((one) => one.startsWith(start)) ??
    names.find((one) => one.includes(start)) ??
    names[0];
  return given ?? (name === undefined ? undefined : idOf(mod.header.namespace, name));
}

/**
 * The strokes of the truth table: on the chosen cells or, where none is chosen or all are, on the
 * whole loot.
 */
export function usePaintDrops(editor: BlockEditor) {
  const mod = useMod();
  const choice = useDropChoice();
  const { chosen } = choice;
  const { block, set } = editor;
  const [item, setItem] = useLocalStorage<Record<string, string>>({
    key: 'obrank.drop',
    defaultValue: {},
    getInitialValueInEffect: false,
  });
  const with_ = lookUp(item, block.id) ?? likelyItem(mod, editor);
  // A blast has one cell, though the table counts two.
  const whole = !chosen.size || asCells(chosen, choice.truth).count === choice.truth.space.size;
  const source = lootSource(mod, block);
  const cells = count(chosen.size, 'cell');
  const stroke = (outcome: Outcome, words: string) =>
    set(
      `Drop ${words} in ${cells}`,
      ['loot'],
      paintLoot(block, choice.truth, asCells(chosen, choice.truth), outcome, source),
    );
  const keeps = carried(block.declared.states);
  const itself: Outcome = { give: block.id, ...(keeps.length ? { keeps } : {}) };
  return {
    whole,
    item: with_,
    setItem: (id: string) => setItem({ ...item, [block.id]: id }),
    itself: () =>
      whole ? set('Drop itself', ['loot'], quickLoot.itself()) : stroke(itself, 'itself'),
    nothing: () =>
      whole
        ? set('Drop nothing, on purpose', ['loot'], quickLoot.nothing())
        : stroke({}, 'nothing'),
    give: (id: string, many: Count) =>
      whole
        ? set(
            `Drop ${itemTitle(mod, id)}`,
            ['loot'],
            shortLoot(
              [{ times: 1, lots: [{ give: id, ...(many === 1 ? {} : { count: many }) }] }],
              block.id,
            ),
          )
        : stroke({ give: id, count: many }, itemTitle(mod, id)),
    itemOrItself: () =>
      with_ !== undefined &&
      set(
        `Drop ${itemTitle(mod, with_)}, itself when careful`,
        ['loot'],
        quickLoot.item(with_, block.id),
      ),
  };
}
