import { expect, test } from '@jest/globals';
import { belongsToField } from './belongs-to-field.ts';

test('undoing in a field is the mod’s where nothing is typed that it does not have', () => {
  const field = (committed: string) => ({ tagName: 'INPUT', dataset: { committed } });
  expect(belongsToField('z', field('true'), true)).toBe(false);
  expect(belongsToField('Z', field('true'), true)).toBe(false);
  expect(belongsToField('z', field('false'), true)).toBe(true);
  expect(belongsToField('z', field('true'))).toBe(true);
  expect(belongsToField('a', field('true'), true)).toBe(true);
  expect(belongsToField('z', { tagName: 'INPUT' }, true)).toBe(true);
});

test.each([
  ['z', { tagName: 'INPUT', type: 'text' }, true],
  ['z', { tagName: 'TEXTAREA' }, true],
  ['z', { tagName: 'DIV', isContentEditable: true }, true],
  ['z', { tagName: 'INPUT', type: 'checkbox' }, false],
  [' ', { tagName: 'INPUT', type: 'checkbox' }, true],
  ['f', { tagName: 'INPUT', type: 'radio' }, false],
  ['ArrowLeft', { tagName: 'INPUT', type: 'radio' }, true],
  ['z', { tagName: 'INPUT', type: 'text', readOnly: true }, false],
  ['ArrowDown', { tagName: 'INPUT', type: 'text', readOnly: true }, true],
  ['z', { tagName: 'SELECT' }, false],
  ['ArrowLeft', { tagName: 'BUTTON' }, false],
])('%s on %j', (key, aimed, belongs) => {
  expect(belongsToField(key, aimed)).toBe(belongs);
});
