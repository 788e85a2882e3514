import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { defaultTraits, emptyMod, stocks, traitNames, type TraitName } from '../mod/index.ts';
import { readCell, spokenCell } from './read-cell.ts';

const { header } = emptyMod('saltmarsh', 'Saltmarsh');
const ladder = {
  tools: { ...header.tools, grades: ['reed', 'flint', 'brack'].map((name) => ({ name, pace: 2 })) },
};

test.each<[TraitName, string, unknown]>([
  ['hardness', '2.5', 2.5],
  ['hardness', ' 2,5 ', 2.5],
  ['hardness', 'unbreakable', 'unbreakable'],
  ['hardness', 'soft', undefined],
  ['gated', 'yes', true],
  ['gated', 'N', false],
  ['gated', 'true', true],
  ['gated', 'perhaps', undefined],
  ['leastGrade', 'Flint', 1],
  ['leastGrade', '2', 2],
  ['leastGrade', 'glass', undefined],
  ['toolKind', 'spa', 'spade'],
  ['alphaMode', 'bl', 'blend'],
  ['alphaMode', 'glow', undefined],
  ['lightEmitted', '12', 12],
  ['lightEmitted', '[{"when":{"lit":true},"value":12},{"value":0}]', expect.any(Array)],
  ['mapColour', '', undefined],
])('%s: what is typed as %j is %j', (trait, typed, value) =>
  expect(readCell(trait, typed, ladder)).toEqual(value),
);

test('what a table says of a stock trait is read as what it is', () =>
  fc.assert(
    fc.property(fc.constantFrom(...stocks), fc.constantFrom(...traitNames), ({ traits }, trait) => {
      const value = traits[trait];
      expect(readCell(trait, spokenCell(trait, value, ladder), ladder)).toEqual(value);
    }),
  ));

test('grades are called by their names, what is above the ladder by its number', () => {
  expect(spokenCell('leastGrade', 1, ladder)).toBe('flint');
  expect(spokenCell('leastGrade', 7, ladder)).toBe('7');
  expect(spokenCell('gated', defaultTraits.gated, ladder)).toBe('no');
});
