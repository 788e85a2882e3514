import { expect, test } from '@jest/globals';
import { applyChanges, ModSchema } from '../mod/index.ts';
import { fixAll, inspect, rules } from './index.ts';
import { sampleMod, withExample } from './sample.ts';

const of = (mod: ReturnType<typeof sampleMod>, rule: string) => inspect(mod).filter((finding) => finding.rule === rule);

test('the same mistake in many blocks is mended in one go', () => {
  const mod = withExample(sampleMod(), { '/blocks/lamp/tags': [], '/blocks/bank/tags': [] });
  const { changes, mended } = fixAll(mod, 'traits/missing-in-tool-tag');
  expect(mended).toBe(2);
  expect(of(applyChanges(mod, changes), 'traits/missing-in-tool-tag')).toEqual([]);
});

test('fixes of one list follow one another: three dead rows, four things without a number', () => {
  const dead = withExample(sampleMod(), { '/blocks/bank/looks/rows': Array.from({ length: 4 }, () => ({ use: [{ model: 'saltmarsh:bank' }] })) });
  const rows = fixAll(dead, 'looks/dead-row');
  expect(rows.mended).toBeGreaterThanOrEqual(3);
  expect(applyChanges(dead, rows.changes).blocks['bank']!.looks.rows).toHaveLength(1);
  const unregistered = withExample(sampleMod(), { '/ledger/entries': [], '/items/oil': { names: { en: 'Oil' } } });
  const { entries } = applyChanges(unregistered, fixAll(unregistered, 'registry/not-registered').changes).ledger;
  expect(entries.map((entry) => entry.number)).toEqual([0, 1, 2, 3]);
  expect(new Set(entries.map((entry) => entry.name))).toEqual(new Set(['shore', 'bank', 'lamp', 'oil']));
});

test('for every rule, mending all leaves a mod that fits the schema and no finding of it that a fix could still mend', () => {
  for (const rule of rules) {
    if (rule.over === 'pack') continue;
    const broken = withExample(sampleMod(), rule.fails);
    const mended = applyChanges(broken, fixAll(broken, rule.id).changes);
    expect([rule.id, of(mended, rule.id).filter((finding) => finding.fix)]).toEqual([rule.id, []]);
    expect(ModSchema.safeParse(mended).error).toBeUndefined();
  }
});

test('nothing to mend changes nothing', () => expect(fixAll(sampleMod(), 'names/missing')).toEqual({ changes: [], mended: 0 }));
