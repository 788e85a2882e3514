import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { letterCases } from '../../../mod/index.ts';
import { Templates } from '../engine.ts';
import { ownFilters } from './index.ts';
import { inCase } from './letter-case.ts';
import { filterWords } from './words.ts';

const scope = {
  own: {
    candidate: { front: 'east', top: 'up' },
    when: { lit: true },
    list: [{ side: 'left' }, { side: 'right' }, { side: 'left' }],
  },
  everywhere: {},
};
const written = (template: string) => {
  const rendered = new Templates(new Map(), {}).renderLine('line', template, scope);
  return 'text' in rendered ? rendered.text : rendered.problem.message;
};

describe('each filter gives what the documents say', () => {
  test.each(filterWords.map(({ name, example, gives }) => [name, example, gives]))(
    '%s',
    (_, example, gives) => expect(written(example)).toBe(gives),
  );

  test('every filter of our own is described', () =>
    expect(Object.keys(ownFilters({})).sort()).toEqual(filterWords.map(({ name }) => name).sort()));
});

test('a name that goes through all ways of writing comes back, as long as its words are plain', () =>
  fc.assert(
    fc.property(
      fc.array(fc.stringMatching(/^[a-z][a-z]{1,6}$/), { minLength: 1, maxLength: 5 }),
      fc.array(fc.constantFrom(...letterCases), { maxLength: 4 }),
      (words, ways) => {
        const name = words.join('_');
        const through = ways
          .filter((way) => way !== 'upper')
          .reduce<string>((at, way) => inCase(at, way), name);
        expect(inCase(through, 'snake')).toBe(name);
      },
    ),
  ));

test('JSON leaves out what is nothing in groups, and keeps it in lists', () => {
  const json = (value: unknown) =>
    ownFilters({})['json']!.call({ context: { memoryLimit: { use: () => undefined } } }, value);
  expect(json({ a: null, b: [null, 1], c: { d: null } })).toBe('{"b":[null,1],"c":{}}');
});
