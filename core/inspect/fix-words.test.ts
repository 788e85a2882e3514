import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sameData } from '../json/index.ts';
import { fixInWords } from './fix-words.ts';
import { inspect } from './run.ts';
import { sampleMod, withExample } from './sample.ts';

const said = (before: unknown, after: unknown) =>
  fixInWords({ title: 'x', changes: [{ path: '/blocks/lamp/traits', before, after }] }).map(
    ({ place, ...rest }) => [place, rest.before, rest.after],
  );

test.each([
  ['a value', 3, 4, [['lamp › traits', '3', '4']]],
  ['what differs in a whole', { a: 1, b: 2 }, { a: 1, b: 5 }, [['lamp › traits › b', '2', '5']]],
  ['what comes', {}, { a: true }, [['lamp › traits › a', 'nothing', 'true']]],
  ['a line that goes', [1, 2, 3], [1, 3], [['lamp › traits › 2', '2', 'nothing']]],
  ['a line that comes last', [1], [1, { use: ['x'] }], [['lamp › traits › 2', 'nothing', 'use x']]],
  ['lines of a list', [1, { a: 2 }], [1, { a: 3 }], [['lamp › traits › 2 › a', '2', '3']]],
])('%s is said', (_what, before, after, lines) => expect(said(before, after)).toEqual(lines));

test('a copied look is said as the row that comes', () => {
  const broken = withExample(sampleMod(), {
    '/blocks/lamp/looks/rows/3/when': { lit: true, heading: 'south' },
  });
  const [finding] = inspect(broken).filter(({ rule }) => rule === 'looks/state-without-row');
  expect(fixInWords(finding!.fix!)).toEqual([
    {
      place: 'lamp › looks › rows › 5',
      before: 'nothing',
      after: 'when heading south, lit false, use model saltmarsh:lamp',
    },
  ]);
});

test('nothing is said where nothing differs, and something wherever anything does', () =>
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (before, after) => {
      expect(said(before, before)).toEqual([]);
      expect(said(before, after).length === 0).toBe(sameData(before, after));
    }),
  ));
