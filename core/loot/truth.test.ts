import { expect, test } from '@jest/globals';
import { sampleMod, withExample } from '../inspect/sample.ts';
import { resolveBlock, type Loot, type Mod } from '../mod/index.ts';
import {
  carefulName,
  drawsInReach,
  lootSource,
  mostCells,
  truthTable,
  wayName,
  waysOf,
} from './index.ts';

const table = (loot: Loot, more: Record<string, unknown> = {}, named: string[] = [], luck = 0) => {
  const mod: Mod = withExample(sampleMod(), { '/blocks/lamp/loot': loot, ...more });
  const block = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
  return { mod, block, truth: truthTable(block, mod.header, lootSource(mod, block), named, luck) };
};
const lots = (...list: object[]): Loot => ({ draws: [{ times: 1, lots: list }] });

test(
  'rows are the ways that count, columns what the loot asks of the state, each usually ' +
    'and carefully',
  () => {
    const { truth } = table('itself');
    expect(truth.ways.map(({ name }) => name)).toEqual([
      'bare hands',
      'flint pick',
      'bronze pick',
      'steel pick',
      'a blast',
    ]);
    expect(truth.properties).toEqual([]);
    expect(truth.cells).toHaveLength(10);
    expect(
      table(
        lots({ give: 'saltmarsh:lamp', when: { not: { state: { lit: true } } } }),
      ).truth.properties.map(({ name }) => name),
    ).toEqual(['lit']);
    expect(table('itself', {}, ['heading']).truth.space.properties.map(({ name }) => name)).toEqual(
      [wayName, carefulName, 'heading'],
    );
  },
);

test(
  'each cell is what breaking it so brings: gated, itself, and by a blast whatever the ' + 'gate',
  () => {
    const { truth } = table(
      lots(
        { give: 'saltmarsh:lamp', when: { state: { lit: true } } },
        { give: 'saltmarsh:bank', count: [1, 3] },
      ),
    );
    const cell = (way: string, careful: boolean, lit: boolean) =>
      truth.cells[truth.space.encode({ [wayName]: way, [carefulName]: careful, lit })];
    expect(cell('bare hands', false, true)).toBe('gated');
    // Bronze asks for its own grade.
    expect(cell('flint pick', false, true)).toBe('gated');
    expect(cell('bronze pick', false, true)).toEqual([
      { give: 'saltmarsh:lamp', keeps: [], mean: 1, chance: 1 },
    ]);
    expect(cell('bronze pick', true, false)).toEqual([
      { give: 'saltmarsh:bank', keeps: [], mean: 2, chance: 1 },
    ]);
    expect(cell('a blast', false, false)).toEqual(cell('a blast', true, false));
    expect(
      truth.breakingOf(
        truth.space.encode({ [wayName]: 'a blast', [carefulName]: true, lit: true }),
      ),
    ).toMatchObject({ careful: false, blast: true });
  },
);

test('kinds of tools that only another table asks for are rows as well', () => {
  const { mod, block } = table(lots({ table: 'saltmarsh:finds' }), {
    '/lootTables/finds': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank', when: { tool: 'shears' } }] }],
    },
  });
  const source = lootSource(mod, block);
  expect(drawsInReach(block.draws, source)).toHaveLength(2);
  expect(waysOf(block, mod.header, source).map(({ name }) => name)).toContain('steel shears');
});

test('luck moves what is drawn by share', () => {
  const loot = lots({ give: 'saltmarsh:lamp', share: 1, luck: 2 }, { share: 1 });
  const mean = (luck: number) =>
    (table(loot, {}, [], luck).truth.cells[4] as { mean: number }[])[0]!.mean;
  expect([mean(0), mean(1), mean(2)]).toEqual([0.5, 0.75, 5 / 6]);
});

test('columns that would make too many cells are left out, the last first', () => {
  const number = (name: string) => ({
    name,
    kind: 'number',
    min: 0,
    max: 39,
    default: 0,
    byCode: true,
  });
  const { truth } = table(lots({ give: 'saltmarsh:lamp', when: { state: { a: 1, b: 2 } } }), {
    '/blocks/lamp/states/properties': [number('a'), number('b')],
    '/blocks/lamp/states/placing': null,
  });
  expect(truth.properties.map(({ name }) => name)).toEqual(['a']);
  expect(truth.cells.length).toBeLessThanOrEqual(mostCells);
});

test('an unbreakable block drops nothing to any tool', () => {
  const { truth } = table('itself', { '/blocks/lamp/traits/hardness': 'unbreakable' });
  expect(truth.cells.filter((cell) => cell === 'cannot be dug')).toHaveLength(8);
});
