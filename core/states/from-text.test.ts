import { expect, test } from '@jest/globals';
import { StateSpace, stateFromText } from './index.ts';

const space = new StateSpace([
  { name: 'heading', kind: 'heading', default: 'south' },
  { name: 'lit', kind: 'toggle', default: false },
  { name: 'level', kind: 'number', min: 0, max: 3, default: 2 },
]);

test('every state is found by its own words', () => {
  for (let state = 0; state < space.size; state += 1) {
    const text = Object.entries(space.decode(state)).map(([name, value]) => `${name}=${value}`);
    expect(stateFromText(space, text.join(', '))).toBe(state);
  }
});

test('what is not named has its default', () => {
  expect(stateFromText(space, '')).toBe(space.defaultState);
  expect(space.decode(stateFromText(space, ' lit = true '))).toEqual({
    heading: 'south',
    lit: true,
    level: 2,
  });
});

test('what is not there is said with what there is', () => {
  expect(() => stateFromText(space, 'wet=true')).toThrow(
    'There is no property wet. The block has heading, lit, level.',
  );
  expect(() => stateFromText(space, 'level=9')).toThrow('level is never 9. It is 0, 1, 2, 3.');
  expect(() => stateFromText(space, 'lit')).toThrow('lit is never nothing. It is false, true.');
  expect(() => stateFromText(new StateSpace([]), 'lit=true')).toThrow('The block has none.');
});
