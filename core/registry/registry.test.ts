import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { formNamed, newBlock } from '../forms/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { inspect } from '../inspect/index.ts';
import {
  applyChanges,
  changeProperty,
  entrySchemas,
  removeBlock,
  renameEntry,
  renamingProblem,
} from '../mod/index.ts';
import {
  codesInWords,
  compareVersions,
  shownEntries,
  type LedgerEntry,
  type LedgerOrder,
  lastRelease,
  release,
  releaseProblem,
  diffSinceRelease,
} from './index.ts';

const act = fc.oneof(
  fc.record({ do: fc.constant('add' as const), name: fc.constantFrom('pier', 'quay', 'weir') }),
  fc.record({ do: fc.constant('remove' as const), at: fc.nat(9) }),
  fc.record({
    do: fc.constant('rename' as const),
    at: fc.nat(9),
    to: fc.constantFrom('pier', 'quay', 'weir', 'dyke'),
  }),
  fc.record({ do: fc.constant('release' as const) }),
);

test(
  'whatever is added, renamed, removed, added again and released: no number ever moves, ' +
    'or comes back as something else',
  () =>
    fc.assert(
      fc.property(fc.array(act, { maxLength: 14 }), (acts) => {
        let mod = sampleMod();
        // Who has had each number, by the first name it ever went by.
        const owner = new Map<number, string>();
        const origin = new Map(Object.keys(mod.blocks).map((name) => [name, name]));
        let fresh = 0;
        let version = 1;
        for (const one of acts) {
          const names = Object.keys(mod.blocks).sort();
          const chosen = 'at' in one ? names[one.at % Math.max(1, names.length)] : undefined;
          if (one.do === 'add' && !mod.blocks[one.name]) {
            mod = applyChanges(
              mod,
              newBlock(mod, one.name, one.name, {
                form: formNamed('cube')!,
                stock: 'sand',
                pictures: { face: mod.textures['bank']!.picture },
              }),
            );
            origin.set(one.name, `${one.name} ${(fresh += 1)}`);
          } else if (one.do === 'remove' && chosen !== undefined) {
            mod = applyChanges(mod, removeBlock(mod, chosen));
            origin.delete(chosen);
          } else if (
            one.do === 'rename' &&
            chosen !== undefined &&
            !renamingProblem(mod, 'blocks', chosen, one.to)
          ) {
            mod = applyChanges(mod, renameEntry(mod, 'blocks', chosen, one.to));
            origin.set(one.to, origin.get(chosen)!);
            if (one.to !== chosen) origin.delete(chosen);
          } else if (one.do === 'release')
            mod = applyChanges(mod, release(mod, `0.${(version += 1)}.0`, '2026-03-31'));
          expect(entrySchemas.ledger.safeParse(mod.ledger).error).toBeUndefined();
          for (const entry of mod.ledger.entries) {
            if (entry.kind !== 'block') continue;
            const now = origin.get(entry.name)!;
            expect(owner.get(entry.number) ?? now).toBe(now);
            owner.set(entry.number, now);
          }
          const numbers = [...mod.ledger.entries, ...mod.ledger.retired].map(
            (entry) => entry.number,
          );
          expect(new Set(numbers).size).toBe(numbers.length);
          expect(diffSinceRelease(mod).broken).toEqual([]);
          expect(
            inspect(mod).filter(
              ({ rule, severity }) => rule.startsWith('registry/') && severity === 'error',
            ),
          ).toEqual([]);
        }
      }),
      { numRuns: 120 },
    ),
);

const released = () => applyChanges(sampleMod(), release(sampleMod(), '0.2.0', '2026-03-31'));

test(
  'a release freezes the registry and the version; of the one before only the counts ' + 'stay',
  () => {
    const mod = released();
    expect(mod.header.version).toBe('0.2.0');
    expect(lastRelease(mod.ledger)).toMatchObject({
      version: '0.2.0',
      on: '2026-03-31',
      counts: { groups: 1, blocks: 2, items: 0 },
    });
    const next = applyChanges(mod, release(mod, '0.3.0', '2026-04-01'));
    expect(next.ledger.releases!.map(({ version, entries }) => [version, entries?.length])).toEqual(
      [
        ['0.2.0', undefined],
        ['0.3.0', 3],
      ],
    );
    expect(releaseProblem(next, '0.3.0')).toBe(
      'Version 0.3.0 is released already. The next one must come after it.',
    );
    expect(releaseProblem(next, '3')).toBe('Use a semantic version such as 0.4.0.');
    expect(() => release(next, '0.1.0', '2026-04-02')).toThrow(RangeError);
  },
);

test('what changed since: what is new, renamed, retired, and whether old worlds survive it', () => {
  let mod = released();
  mod = applyChanges(
    mod,
    newBlock(mod, 'pier', 'Pier', {
      form: formNamed('cube')!,
      stock: 'timber',
      pictures: { face: mod.textures['bank']!.picture },
    }),
  );
  mod = applyChanges(mod, renameEntry(mod, 'blocks', 'bank', 'mudbank'));
  expect(diffSinceRelease(mod)).toMatchObject({
    added: [{ name: 'pier' }],
    renamed: [{ from: 'bank', to: 'mudbank', number: 1 }],
    survives: true,
  });
  mod = applyChanges(mod, removeBlock(mod, 'mudbank'));
  expect(diffSinceRelease(mod)).toMatchObject({
    retired: [{ name: 'bank', number: 1 }],
    survives: false,
  });
  mod = applyChanges(mod, [{ path: '/ledger/retired/0/successor', after: 'saltmarsh:pier' }]);
  expect(diffSinceRelease(mod).survives).toBe(true);
});

test(
  'state codes: those that are kept by the ledger survive new properties; those that ' +
    'are laid out anew do not',
  () => {
    const mod = released();
    const grown = applyChanges(
      mod,
      changeProperty(mod, 'lamp', 2, { name: 'wet', kind: 'toggle', default: false, byCode: true }),
    );
    expect(diffSinceRelease(grown)).toMatchObject({ codes: [], survives: true });
    const at = grown.ledger.entries.findIndex(({ name }) => name === 'lamp');
    const anew = applyChanges(grown, [
      { path: `/ledger/entries/${at}/codes`, before: grown.ledger.entries[at]!.codes },
    ]);
    const { codes, survives } = diffSinceRelease(anew);
    expect(survives).toBe(false);
    expect(codes).toMatchObject([
      { block: 'lamp', example: { code: 1, was: 'heading = north, lit = true' } },
    ]);
    expect(codes[0]!.moved + codes[0]!.lost).toBeGreaterThan(0);
  },
);

test('versions stand in the order of the standard', () => {
  const order = [
    '1.0.0-alpha',
    '1.0.0-alpha.1',
    '1.0.0-alpha.beta',
    '1.0.0-beta',
    '1.0.0-beta.2',
    '1.0.0-beta.11',
    '1.0.0-rc.1',
    '1.0.0',
    '1.0.1',
    '1.2.0',
    '1.11.0',
    '2.0.0',
  ];
  for (const [i, a] of order.entries())
    for (const [j, b] of order.entries())
      expect(Math.sign(compareVersions(a, b))).toBe(Math.sign(i - j));
  expect(compareVersions('1.0.0+one', '1.0.0+two')).toBe(0);
});

const property = (name: string) =>
  fc.oneof(
    fc.record({
      name: fc.constant(name),
      kind: fc.constant('toggle' as const),
      default: fc.boolean(),
      byCode: fc.constant(true),
    }),
    fc.record({
      name: fc.constant(name),
      kind: fc.constant('number' as const),
      min: fc.constant(0),
      max: fc.integer({ min: 1, max: 4 }),
      default: fc.constant(0),
      byCode: fc.constant(true),
    }),
    fc.integer({ min: 2, max: 4 }).map((many) => ({
      name,
      kind: 'choice' as const,
      values: ['low', 'mid', 'high', 'spring'].slice(0, many),
      default: 'low',
      byCode: true,
    })),
  );
const change = fc.oneof(
  fc.record({
    do: fc.constant('put' as const),
    at: fc.nat(3),
    property: fc.constantFrom('tide', 'wet', 'bound').chain(property),
  }),
  fc.record({ do: fc.constant('take' as const), at: fc.nat(3) }),
  fc.record({ do: fc.constant('release' as const) }),
);

test(
  'whatever properties are added, changed and taken away: codes that the ledger keeps ' +
    'never mean another state than in the last release',
  () =>
    fc.assert(
      fc.property(fc.array(change, { maxLength: 8 }), (changes) => {
        let mod = released();
        let version = 3;
        // A name that was given to something else means something else: what asks for it by name is
        // told so, and rightly.
        const renamedAway = new Set<string>();
        const gone = new Set<string>();
        for (const one of changes) {
          const { properties } = mod.blocks['lamp']!.states;
          if (one.do === 'put' && renamedAway.has(one.property.name)) continue;
          const replaced = one.do === 'put' ? properties[one.at]?.name : undefined;
          // So does one that is gone, once another one is renamed to it.
          const isNewName = one.do === 'put' && replaced !== one.property.name;
          if (replaced !== undefined && isNewName && gone.has(one.property.name)) continue;
          if (one.do === 'take' && properties[one.at]) gone.add(properties[one.at]!.name);
          if (replaced !== undefined && one.do === 'put' && replaced !== one.property.name)
            renamedAway.add(replaced);
          if (one.do === 'release')
            mod = applyChanges(mod, release(mod, `0.${(version += 1)}.0`, '2026-03-31'));
          else if (one.do === 'take' && properties[one.at])
            mod = applyChanges(mod, changeProperty(mod, 'lamp', one.at, undefined));
          else if (
            one.do === 'put' &&
            !properties.some(({ name }, i) => name === one.property.name && i !== one.at)
          )
            mod = applyChanges(
              mod,
              changeProperty(mod, 'lamp', Math.min(one.at, properties.length), one.property),
            );
          // Codes may come to stand for nothing, when a value is gone for good; they never come to
          // stand for something else.
          expect(diffSinceRelease(mod).codes.map(({ moved }) => moved)).toEqual(
            diffSinceRelease(mod).codes.map(() => 0),
          );
        }
      }),
      { numRuns: 150 },
    ),
);

test('a property that takes the name of one that is gone is not taken for it', () => {
  let mod = released();
  const tide = {
    name: 'tide',
    kind: 'choice' as const,
    values: ['low', 'mid'],
    default: 'low',
    byCode: true,
  };
  for (const [at, put] of [
    [2, tide],
    [2, undefined],
    [0, tide],
    [2, { name: 'bound', kind: 'number' as const, min: 0, max: 2, default: 0, byCode: true }],
  ] as const)
    mod = applyChanges(
      mod,
      changeProperty(
        mod,
        'lamp',
        at,
        put && { ...put, ...('values' in put ? { values: [...put.values] } : {}) },
      ),
    );
  expect(diffSinceRelease(mod).codes.map(({ moved }) => moved)).toEqual(
    diffSinceRelease(mod).codes.map(() => 0),
  );
});

test('the ledger is found by name, by an old name and by number, and listed in three orders', () => {
  const entries: LedgerEntry[] = [
    { number: 7, kind: 'block', name: 'lamp', formerly: ['lantern'] },
    { number: 12, kind: 'group', name: 'shore' },
    { number: 3, kind: 'item', name: 'oil' },
  ];
  const names = (filter: string, order: LedgerOrder) =>
    shownEntries(entries, filter, order).map(({ name }) => name);
  expect(names('', 'order')).toEqual(['shore', 'lamp', 'oil']);
  expect(names('', 'number')).toEqual(['oil', 'lamp', 'shore']);
  expect(names('', 'name')).toEqual(['lamp', 'oil', 'shore']);
  expect([names('LANTERN', 'order'), names('3', 'order'), names('1', 'order')]).toEqual([
    ['lamp'],
    ['oil'],
    [],
  ]);
});

test('codes in a few words: their range, or how they are laid out, and their bits', () => {
  const digits = { bits: 5, digits: [] };
  expect(codesInWords({ kind: 'mixed-radix', ...digits }, 24)).toBe('0–23, 5 bits');
  expect(codesInWords({ kind: 'mixed-radix', ...digits }, 1)).toBe('0');
  expect(codesInWords({ kind: 'bit-fields', bits: 6, fields: [] }, 24)).toBe('fields, 6 bits');
});
