import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inspect } from '../inspect/index.ts';
import { sampleMod, withExample } from '../inspect/sample.ts';
import {
  applyChanges,
  invertChanges,
  namingsOf,
  renamed,
  renameEntry,
  renamingProblem,
  type Mod,
  type RenamedKind,
} from './index.ts';

/** A mod in which everything that can be renamed is named somewhere. */
const whole = (): Mod =>
  withExample(sampleMod(), {
    '/items/salt': { names: { en: 'Salt' }, texture: 'saltmarsh:lamp' },
    '/recipes/lamp': {
      kind: 'pattern',
      pattern: ['sl'],
      keys: { s: '#saltmarsh:salts', l: 'saltmarsh:lamp' },
      gives: 'saltmarsh:bank',
    },
    '/recipes/cut': {
      kind: 'cut',
      takes: 'saltmarsh:salt',
      choices: [{ gives: 'saltmarsh:lamp' }],
    },
    '/recipes/fire': {
      kind: 'fire',
      takes: '#saltmarsh:salts',
      gives: 'saltmarsh:salt',
      seconds: 4,
    },
    '/lootTables/finds': {
      draws: [
        {
          times: 1,
          lots: [
            { give: 'saltmarsh:salt', share: 1 },
            { table: 'saltmarsh:rare', share: 1 },
          ],
        },
      ],
    },
    '/lootTables/rare': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank' }] }] },
    '/items/pail': {
      names: { en: 'Pail' },
      group: 'shore',
      tags: ['saltmarsh:salts'],
      bucket: { of: 'saltmarsh:bank', empty: 'saltmarsh:salt' },
    },
    '/header/groups/0/icon': 'saltmarsh:salt',
    '/recipes/mix': {
      kind: 'mix',
      takes: ['saltmarsh:salt', 'saltmarsh:bank'],
      gives: 'saltmarsh:salt',
    },
    '/itemTags/salts': { members: ['saltmarsh:salt', 'saltmarsh:lamp'] },
    '/blockTags/all': { members: ['#saltmarsh:shore', 'saltmarsh:lamp'] },
    '/blocks/lamp/loot': {
      draws: [
        {
          times: 1,
          lots: [
            { give: 'saltmarsh:lamp' },
            { give: 'saltmarsh:salt' },
            { table: 'saltmarsh:finds' },
          ],
        },
      ],
    },
    '/blocks/lamp/traits/soundSet': 'saltmarsh:clink',
    '/soundSets/clink': { step: [{ sound: 'saltmarsh:clink/a' }] },
    '/sounds/clink~1a': { sha256: '0'.repeat(63) + '7', bytes: 90, format: 'wav' },
    '/models/tall': { template: 'saltmarsh:lamp', slots: {} },
  });

/** How often an id stands in the mod as a whole string, or with # before it. */
const times = (mod: Mod, id: string) =>
  [...JSON.stringify(mod).matchAll(new RegExp(`"#?${id}"`, 'g'))].length;

const namesOf = (mod: Mod, kind: RenamedKind): string[] =>
  kind === 'groups' ? mod.header.groups.map((group) => group.name) : Object.keys(mod[kind]);
const anyEntry = fc.constantFrom(
  ...renamed.flatMap((kind) =>
    namesOf(whole(), kind).map((name): [RenamedKind, string] => [kind, name]),
  ),
);

test(
  'an entry that is renamed is renamed wherever it is named: nothing new is found ' +
    'wrong, and undoing it gives the mod before',
  () =>
    fc.assert(
      fc.property(anyEntry, ([kind, name]) => {
        const mod = whole();
        const before = inspect(mod)
          .map((finding) => finding.rule)
          .sort();
        const changes = renameEntry(mod, kind, name, 'another');
        const after = applyChanges(mod, changes);
        expect(namesOf(after, kind)).toContain('another');
        expect(namesOf(after, kind)).not.toContain(name);
        expect(namingsOf(after, kind, name)).toEqual([]);
        expect(namingsOf(after, kind, 'another')).toHaveLength(namingsOf(mod, kind, name).length);
        expect(
          inspect(after)
            .map((finding) => finding.rule)
            .sort(),
        ).toEqual(before);
        expect(applyChanges(after, invertChanges(changes))).toEqual(mod);
      }),
    ),
);

test(
  'a block: its lots, recipes and tags follow, its number stays, and the ledger keeps ' +
    'what it was called',
  () => {
    const after = applyChanges(whole(), renameEntry(whole(), 'blocks', 'lamp', 'beacon'));
    expect(after.blocks['beacon']!.loot).toMatchObject({
      draws: [
        {
          lots: [
            { give: 'saltmarsh:beacon' },
            { give: 'saltmarsh:salt' },
            { table: 'saltmarsh:finds' },
          ],
        },
      ],
    });
    expect(after.recipes['lamp']).toMatchObject({ keys: { l: 'saltmarsh:beacon' } });
    expect(after.ledger.entries.find((entry) => entry.name === 'beacon')).toEqual({
      number: 2,
      kind: 'block',
      name: 'beacon',
      formerly: ['lamp'],
    });
    // The model and the texture of that name are their own.
    expect(times(after, 'saltmarsh:lamp')).toBe(
      namingsOf(after, 'models', 'lamp').length + namingsOf(after, 'textures', 'lamp').length,
    );
    const back = applyChanges(after, renameEntry(after, 'blocks', 'beacon', 'lamp'));
    expect(back.ledger.entries.find((entry) => entry.name === 'lamp')!.formerly).toEqual([
      'beacon',
    ]);
  },
);

test.each<[RenamedKind, string, string, RegExp]>([
  ['blocks', 'lamp', 'bank', /already one called bank/],
  ['blocks', 'lamp', 'salt', /id of an item/],
  ['items', 'salt', 'lamp', /id of a block/],
  ['blocks', 'lamp', 'Lamp', /lowercase/],
  ['blocks', 'lamp', 'gone', /was retired/],
  ['textures', 'lamp', '../lamp', /lowercase/],
])('%s %s cannot be called %s', (kind, from, to, sentence) => {
  const mod = {
    ...whole(),
    ledger: { ...whole().ledger, retired: [{ number: 9, kind: 'block' as const, name: 'gone' }] },
  };
  expect(renamingProblem(mod, kind, from, to)).toMatch(sentence);
  expect(() => renameEntry(mod, kind, from, to)).toThrow(sentence);
});
