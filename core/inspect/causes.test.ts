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

test('what nobody can have is told by what one would need first', () => {
  const mod = withExample(sampleMod(), {
    '/items/oil': { names: { en: 'Oil' }, group: 'shore', texture: 'saltmarsh:lamp' },
    '/items/wick': { names: { en: 'Wick' }, group: 'shore', texture: 'saltmarsh:lamp' },
    '/blocks/lamp/identity/natural': null,
    '/recipes/wick': { kind: 'mix', takes: ['saltmarsh:oil'], gives: 'saltmarsh:wick' },
    '/recipes/lamp': { kind: 'mix', takes: ['saltmarsh:wick'], gives: 'saltmarsh:lamp' },
  });
  const found = causesOf(inspect(mod)).find(({ rule }) => rule === 'recipes/unobtainable')!;
  expect(found.words).toBe('Nobody can come to have saltmarsh:oil.');
  expect(found.findings).toHaveLength(3);
  // A circle has a bottom too.
  const circle = withExample(mod, {
    '/recipes/oil': { kind: 'mix', takes: ['saltmarsh:lamp'], gives: 'saltmarsh:oil' },
  });
  expect(inspect(circle).filter(({ rule }) => rule === 'recipes/unobtainable')).toHaveLength(3);
});
