import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inspect } from '../inspect/index.ts';
import { sampleMod, withExample } from '../inspect/sample.ts';
import { expandRows, proveCodes, StateSpace, type Property } from '../states/index.ts';
import {
  applyChanges,
  changeProperty,
  codesOf,
  invertChanges,
  ModSchema,
  orderProperties,
  removeBlock,
  resolveBlock,
  splitBlock,
  propertyUses,
  usesByOthers,
  usesInWords,
  type Mod,
} from './index.ts';

/** A lamp that names its properties everywhere: in looks, light, shapes, drops and placing. */
const mod = (): Mod =>
  withExample(sampleMod(), {
    '/blocks/lamp/states/properties/2': {
      name: 'hung',
      kind: 'choice',
      values: ['floor', 'wall', 'ceiling'],
      default: 'floor',
    },
    '/blocks/lamp/states/placing/1': {
      set: 'hung',
      to: 'fixed',
      value: 'wall',
      when: { clicked: ['north'] },
    },
    '/blocks/lamp/looks/rows/0/when': { heading: 'north', hung: ['wall', 'ceiling'] },
    '/blocks/lamp/shapes': {
      outline: [{ when: { hung: 'ceiling' }, value: 'whole' }, { value: 'model' }],
    },
    '/blocks/lamp/loot': {
      draws: [
        {
          times: 1,
          lots: [
            { give: 'saltmarsh:lamp', when: { state: { hung: 'wall' }, careful: true } },
            { give: 'saltmarsh:bank' },
          ],
        },
      ],
    },
  });
const after = (changes: ReturnType<typeof changeProperty>, from = mod()) =>
  applyChanges(from, changes);
const lamp = (from: Mod) => resolveBlock(from, 'lamp', from.blocks['lamp']!);
const hung = mod().blocks['lamp']!.states.properties[2] as Property & { kind: 'choice' };

test(
  'a new name is followed through every row, lot, shape and rule of placing, and ' +
    'nothing else changes',
  () => {
    const renamed = after(changeProperty(mod(), 'lamp', 2, { ...hung, name: 'fixed_to' }));
    const block = renamed.blocks['lamp']!;
    expect(JSON.stringify(block)).not.toMatch(/hung/);
    expect(block.looks.rows[0]!.when).toEqual({ heading: 'north', fixed_to: ['wall', 'ceiling'] });
    expect(block.shapes!.outline).toEqual([
      { when: { fixed_to: 'ceiling' }, value: 'whole' },
      { value: 'model' },
    ]);
    expect(block.states.placing![1]).toEqual({
      set: 'fixed_to',
      to: 'fixed',
      value: 'wall',
      when: { clicked: ['north'] },
    });
    expect((block.loot as { draws: { lots: unknown[] }[] }).draws[0]!.lots[0]).toEqual({
      give: 'saltmarsh:lamp',
      when: { state: { fixed_to: 'wall' }, careful: true },
    });
    expect(JSON.stringify(inspect(renamed))).toBe(
      JSON.stringify(inspect(mod())).replaceAll('hung', 'fixed_to'),
    );
    expect(
      proveCodes(codesOf(renamed.ledger, 'lamp', lamp(renamed).space), lamp(renamed).space).codes,
    ).toEqual(
      proveCodes(codesOf(mod().ledger, 'lamp', lamp(mod()).space), lamp(mod()).space).codes,
    );
  },
);

test(
  'a value that is renamed in its place is followed; one that is taken away leaves the ' +
    'conditions',
  () => {
    const renamed = after(
      changeProperty(mod(), 'lamp', 2, { ...hung, values: ['floor', 'side', 'ceiling'] }),
    ).blocks['lamp']!;
    expect(renamed.looks.rows[0]!.when).toEqual({ heading: 'north', hung: ['side', 'ceiling'] });
    expect(renamed.states.placing![1]!.value).toBe('side');
    const fewer = after(changeProperty(mod(), 'lamp', 2, { ...hung, values: ['floor', 'ceiling'] }))
      .blocks['lamp']!;
    expect(fewer.looks.rows[0]!.when).toEqual({ heading: 'north', hung: ['ceiling'] });
    expect((fewer.loot as { draws: { lots: unknown[] }[] }).draws[0]!.lots).toEqual([
      { give: 'saltmarsh:bank' },
    ]);
  },
);

test('removing says what it touches, and leaves each state as it was with the default', () => {
  expect(propertyUses(mod().blocks['lamp']!, 'hung')).toEqual([
    { what: 'row of the look', times: 1 },
    { what: 'row of the outline', times: 1 },
    { what: 'lot', times: 1 },
    { what: 'rule of placing', times: 1 },
  ]);
  const from = mod();
  const removed = after(changeProperty(from, 'lamp', 2, undefined), from);
  const [before, now] = [lamp(from), lamp(removed)];
  const shown = expandRows(before.looks.rows, before.space);
  expandRows(now.looks.rows, now.space).forEach((use, state) =>
    expect(use).toEqual(shown[before.space.encode({ ...now.space.decode(state), hung: 'floor' })]),
  );
  expect(removed.blocks['lamp']!.looks.rows).toHaveLength(3);
  expect(ModSchema.safeParse(removed).success).toBe(true);
  expect(applyChanges(removed, invertChanges(changeProperty(from, 'lamp', 2, undefined)))).toEqual(
    from,
  );
});

test(
  'whatever is changed, states that stay keep their codes, the result fits the schema, ' +
    'and undo brings everything back',
  () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.nat(4),
            fc.constantFrom<Property | undefined>(
              undefined,
              { name: 'wet', kind: 'toggle', default: true },
              { name: 'level', kind: 'number', min: 0, max: 2, default: 1 },
              { ...hung, values: ['floor', 'wall', 'ceiling', 'chain'] },
              { name: 'turned', kind: 'axis', default: 'y' },
            ),
          ),
          { maxLength: 4 },
        ),
        (steps) => {
          let now = mod();
          for (const [at, property] of steps) {
            const { properties } = now.blocks['lamp']!.states;
            if (
              (at >= properties.length && !property) ||
              properties.some(({ name }, i) => name === property?.name && i !== at)
            )
              continue;
            const changes = changeProperty(now, 'lamp', Math.min(at, properties.length), property);
            const next = applyChanges(now, changes);
            expect(ModSchema.safeParse(next).error).toBeUndefined();
            expect(applyChanges(next, invertChanges(changes))).toEqual(now);
            const space = lamp(next).space;
            expect(proveCodes(codesOf(next.ledger, 'lamp', space), space)).toMatchObject({
              codes: expect.anything(),
            });
            const { collision, without, lost } = proveCodes(
              codesOf(next.ledger, 'lamp', space),
              space,
            );
            expect([collision, without, lost]).toEqual([undefined, undefined, undefined]);
            now = next;
          }
        },
      ),
      { numRuns: 60 },
    ),
);

test('another order keeps the codes that saved worlds hold', () => {
  const from = mod();
  const ordered = applyChanges(from, orderProperties(from, 'lamp', [2, 0, 1]));
  const [before, now] = [lamp(from).space, lamp(ordered).space];
  const [was, is] = [
    proveCodes(codesOf(from.ledger, 'lamp', before), before).codes,
    proveCodes(codesOf(ordered.ledger, 'lamp', now), now).codes,
  ];
  was.forEach((code, state) => expect(is[now.encode(before.decode(state))]).toBe(code));
});

test(
  'a block whose codes the ledger holds can be removed: its number is retired, the ' +
    'codes go, undo brings both back',
  () => {
    const from = mod();
    const held = applyChanges(from, orderProperties(from, 'lamp', [1, 0, 2]));
    expect(held.ledger.entries[2]!.codes).toBeDefined();
    const changes = removeBlock(held, 'lamp');
    const removed = applyChanges(held, changes);
    expect(removed.ledger.retired).toEqual([{ number: 2, kind: 'block', name: 'lamp' }]);
    expect(ModSchema.safeParse(removed).error).toBeUndefined();
    expect(applyChanges(removed, invertChanges(changes))).toEqual(held);
  },
);

test(
  'a property moved out becomes blocks of their own, each registered and looking as ' +
    'that state did',
  () => {
    const from = mod();
    const split = applyChanges(from, splitBlock(from, 'lamp', 'lit'));
    expect(Object.keys(split.blocks).sort()).toEqual(['bank', 'lamp', 'lamp_lit']);
    expect(new StateSpace(split.blocks['lamp_lit']!.states.properties).size).toBe(12);
    expect(split.blocks['lamp_lit']!.traits.lightEmitted).toEqual([{ value: 12 }, { value: 0 }]);
    expect(split.blocks['lamp']!.traits.lightEmitted).toEqual([{ value: 0 }]);
    expect(split.ledger.entries.at(-1)).toMatchObject({ number: 3, name: 'lamp_lit' });
    expect(ModSchema.safeParse(split).success).toBe(true);
    expect(() => splitBlock(split, 'lamp', 'hung')).not.toThrow();
  },
);

test(
  'what an item carries, and what groups of conditions ask, follow a new name and are ' +
    'left out with the property',
  () => {
    const carrying = withExample(mod(), {
      '/blocks/lamp/states/placing/2': { set: 'lit', to: 'from the item' },
      '/blocks/lamp/loot': {
        draws: [
          {
            times: 1,
            lots: [
              {
                give: 'saltmarsh:lamp',
                keeps: ['lit', 'hung'],
                when: { any: [{ state: { hung: 'wall' } }, { careful: true }] },
              },
              { give: 'saltmarsh:bank', when: { not: { state: { hung: 'floor' } } } },
            ],
          },
        ],
      },
    });
    expect(
      propertyUses(carrying.blocks['lamp']!, 'hung').find(({ what }) => what === 'lot')!.times,
    ).toBe(2);
    const renamed = after(
      changeProperty(carrying, 'lamp', 2, { ...hung, name: 'fixed_to' }),
      carrying,
    );
    expect(
      (renamed.blocks['lamp']!.loot as { draws: { lots: unknown[] }[] }).draws[0]!.lots,
    ).toEqual([
      {
        give: 'saltmarsh:lamp',
        keeps: ['lit', 'fixed_to'],
        when: { any: [{ state: { fixed_to: 'wall' } }, { careful: true }] },
      },
      { give: 'saltmarsh:bank', when: { not: { state: { fixed_to: 'floor' } } } },
    ]);
    // Without it the block always hangs as it did by default, on the floor: what asks for the wall
    // goes, what asks for anything but the floor never holds.
    const gone = after(changeProperty(carrying, 'lamp', 2, undefined), carrying);
    expect((gone.blocks['lamp']!.loot as { draws: { lots: unknown[] }[] }).draws[0]!.lots).toEqual([
      { give: 'saltmarsh:lamp', keeps: ['lit'], when: { any: [{ careful: true }] } },
    ]);
  },
);

describe('what reactions say of a property of another block', () => {
  const asking = withExample(mod(), {
    '/blocks/bank/reactions': [
      {
        when: 'used',
        if: {
          crouching: true,
          neighbour: { side: 'up', is: 'saltmarsh:lamp', state: { hung: ['wall', 'floor'] } },
        },
        then: [
          {
            do: 'place',
            block: 'saltmarsh:lamp',
            side: 'up',
            state: { hung: 'wall', lit: true },
          },
        ],
      },
    ],
    '/blocks/lamp/reactions': [
      {
        when: 'placed',
        then: [{ do: 'place', block: 'saltmarsh:lamp', side: 'up', state: { hung: 'wall' } }],
      },
    ],
  });
  const reactionsOf = (from: Mod, name: string) => from.blocks[name]!.reactions;

  test('follows a new name and a renamed value, there and in its own', () => {
    const values = ['floor', 'side', 'ceiling'];
    const changes = changeProperty(asking, 'lamp', 2, { ...hung, name: 'fixed_to', values });
    const renamed = after(changes, asking);
    expect(reactionsOf(renamed, 'bank')).toEqual([
      {
        when: 'used',
        if: {
          crouching: true,
          neighbour: { side: 'up', is: 'saltmarsh:lamp', state: { fixed_to: ['side', 'floor'] } },
        },
        then: [
          {
            do: 'place',
            block: 'saltmarsh:lamp',
            side: 'up',
            state: { fixed_to: 'side', lit: true },
          },
        ],
      },
    ]);
    expect(reactionsOf(renamed, 'lamp')![0]!.then[0]).toMatchObject({
      state: { fixed_to: 'side' },
    });
    expect(applyChanges(renamed, invertChanges(changes))).toEqual(asking);
  });

  test('is told before it goes', () => {
    const uses = usesByOthers(asking, 'lamp', 'hung');
    expect(uses).toEqual([{ what: 'reaction of other blocks', times: 1 }]);
    expect(usesInWords([...uses, { what: 'reaction', times: 2 }])).toBe(
      '1 reaction of other blocks and 2 reactions',
    );
    expect(usesByOthers(asking, 'bank', 'hung')).toEqual([]);
  });

  test('goes with it: as if it were the default for ever', () => {
    const gone = after(changeProperty(asking, 'lamp', 2, undefined), asking);
    expect(reactionsOf(gone, 'bank')).toEqual([
      {
        when: 'used',
        if: { crouching: true, neighbour: { side: 'up', is: 'saltmarsh:lamp' } },
        then: [{ do: 'place', block: 'saltmarsh:lamp', side: 'up', state: { lit: true } }],
      },
    ]);
    expect(reactionsOf(gone, 'lamp')![0]!.then).toEqual([
      { do: 'place', block: 'saltmarsh:lamp', side: 'up' },
    ]);
    const onTheWall = withExample(asking, {
      '/blocks/bank/reactions/0/if/neighbour/state': { hung: 'wall' },
    });
    const never = after(changeProperty(onTheWall, 'lamp', 2, undefined), onTheWall);
    expect(reactionsOf(never, 'bank')).toEqual([]);
  });
});
