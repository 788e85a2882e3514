import { expect, test } from '@jest/globals';
import { applyChanges } from '../mod/index.ts';
import { causesOf, inspect } from './index.ts';
import { sampleMod, withExample } from './sample.ts';

/** The lamp and the bank, and two more lamps, all of them showing a model that is not there. */
const broken = () =>
  withExample(sampleMod(), {
    '/blocks/lamp/looks/rows/0/use/0/model': 'saltmarsh:lmap',
    '/blocks/bank/looks/rows/0/use/0/model': 'saltmarsh:lmap',
    '/models/lamp/template': 'obrank:cub',
    '/models/bank/template': 'obrank:cub',
    '/blocks/bank/identity/group': null,
  });

test('findings of one rule with one cause are one, the one that most hang on first', () => {
  const causes = causesOf(inspect(broken()));
  expect(causes.map(({ rule, words, findings }) => [rule, words, findings.length])).toEqual([
    ['looks/model-missing', 'The model saltmarsh:lmap does not exist.', 2],
    ['models/template-missing', 'The template obrank:cub does not exist.', 2],
    ...causes.slice(2).map(({ rule, words, findings }) => [rule, words, findings.length]),
  ]);
  expect(causes.slice(2).every(({ findings }) => findings.length === 1)).toBe(true);
  const grave = causes.map(({ findings }) => findings[0]!.severity);
  expect(grave).toEqual(
    [...grave].sort((a, b) =>
      a === b ? 0 : a === 'error' ? -1 : b === 'error' ? 1 : a === 'warning' ? -1 : 1,
    ),
  );
});

test('every finding is in one cause, and those without stand alone', () => {
  const findings = inspect(broken());
  const causes = causesOf(findings);
  expect(causes.flatMap((cause) => cause.findings).sort()).toEqual([...findings].sort());
  for (const { words, findings: found } of causes)
    if (words === undefined) expect(found).toHaveLength(1);
});

test('what is mended at the bottom takes all that hang on it away', () => {
  const mod = broken();
  const [first] = causesOf(inspect(mod));
  const mended = applyChanges(
    mod,
    first!.findings.flatMap(({ fix }) => fix!.changes),
  );
  expect(causesOf(inspect(mended)).some(({ words }) => words === first!.words)).toBe(false);
});
