import { expect, test } from '@jest/globals';
import { applyChanges, ModSchema } from '../mod/index.ts';
import { fixAll, inspect, rules } from './index.ts';
import { sampleMod, withExample } from './sample.ts';

const of = (mod: ReturnType<typeof sampleMod>, rule: string) =>
  inspect(mod).filter((finding) => finding.rule === rule);

test('the same mistake in many blocks is mended in one go', () => {
  const mod = withExample(sampleMod(), { '/blocks/lamp/tags': [], '/blocks/bank/tags': [] });
  const { changes, mended } = fixAll(mod, 'traits/missing-in-tool-tag');
  expect(mended).toBe(2);
  expect(of(applyChanges(mod, changes), 'traits/missing-in-tool-tag')).toEqual([]);
});

test('fixes of one list follow one another: three dead rows, four things without a number', () => {
  const dead = withExample(sampleMod(), {
    '/blocks/bank/looks/rows': Array.from({ length: 4 }, () => ({
      use: [{ model: 'saltmarsh:bank' }],
    })),
  });
  const rows = fixAll(dead, 'looks/dead-row');
  expect(rows.mended).toBeGreaterThanOrEqual(3);
  expect(applyChanges(dead, rows.changes).blocks['bank']!.looks.rows).toHaveLength(1);
  const unregistered = withExample(sampleMod(), {
    '/ledger/entries': [],
    '/items/oil': { names: { en: 'Oil' } },
  });
  const { entries } = applyChanges(
    unregistered,
    fixAll(unregistered, 'registry/not-registered').changes,
  ).ledger;
  expect(entries.map((entry) => entry.number)).toEqual([0, 1, 2, 3]);
  expect(new Set(entries.map((entry) => entry.name))).toEqual(
    new Set(['shore', 'bank', 'lamp', 'oil']),
  );
});

test(
  'for every rule, mending all leaves a mod that fits the schema and no finding of it ' +
    'that a fix could still mend',
  () => {
    for (const rule of rules) {
      if (rule.over === 'files' || rule.over === 'neighbours') continue;
      const broken = withExample(sampleMod(), rule.fails);
      const mended = applyChanges(broken, fixAll(broken, rule.id).changes);
      expect([rule.id, of(mended, rule.id).filter((finding) => finding.fix)]).toEqual([
        rule.id,
        [],
      ]);
      expect(ModSchema.safeParse(mended).error).toBeUndefined();
    }
  },
);

test('nothing to mend changes nothing', () =>
  expect(fixAll(sampleMod(), 'names/missing')).toEqual({ changes: [], mended: 0 }));

test(
  'tags, names and loot in one go: other mods are declared one after the other, circles ' +
    'are opened, odd chances put right',
  () => {
    const mod = withExample(sampleMod(), {
      '/blocks/bank/tags': ['saltmarsh:spade_dug', 'driftwood:soft', 'kelp:wet'],
      '/blocks/lamp/tags': ['saltmarsh:pick_dug', 'shingle:bright'],
      '/blockTags/a': { members: ['#saltmarsh:b'] },
      '/blockTags/b': { members: ['#saltmarsh:a', '#saltmarsh:b'] },
      '/blocks/lamp/names': {},
      '/blocks/bank/names': {},
      '/header/groups/0/names': {},
      '/blocks/lamp/loot': {
        draws: [
          {
            times: { tries: 2, chance: 50 },
            lots: [{ give: 'saltmarsh:lamp', when: { any: [{ chance: 20 }, { chance: -1 }] } }],
          },
        ],
      },
    });
    const mend = (rule: string) => applyChanges(mod, fixAll(mod, rule).changes);
    expect(
      mend('tags/other-mod-undeclared')
        .header.needs!.map(({ namespace }) => namespace)
        .sort(),
    ).toEqual(['driftwood', 'kelp', 'shingle']);
    expect(of(mend('tags/circle'), 'tags/circle')).toEqual([]);
    const named = mend('names/missing');
    expect([
      named.blocks['lamp']!.names,
      named.blocks['bank']!.names,
      named.header.groups[0]!.names,
    ]).toEqual([{ en: 'Lamp' }, { en: 'Bank' }, { en: 'Shore' }]);
    expect(mend('loot/chance-outside').blocks['lamp']!.loot).toEqual({
      draws: [
        {
          times: { tries: 2, chance: 0.5 },
          lots: [{ give: 'saltmarsh:lamp', when: { any: [{ chance: 0.2 }, { chance: 0 }] } }],
        },
      ],
    });
  },
);
