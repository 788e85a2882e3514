import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stretchesOf, withPart } from './lines.ts';

test('the stretches of a template are the template, whatever it is', () =>
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('{{', '}}', '{%', '%}', 'a', ' ', '\n'), { maxLength: 20 }),
      fc.nat(30),
      fc.nat(30),
      (parts, begin, length) => {
        const template = parts.join('');
        const stretches = stretchesOf(template);
        expect(stretches.map(({ text }) => text).join('')).toBe(template);
        const cut = withPart(stretches, begin, begin + length);
        expect(cut.map(({ text }) => text).join('')).toBe(template);
        expect(cut.map(({ text, isPart }) => (isPart ? text : '')).join('')).toBe(
          template.slice(begin, begin + length),
        );
      },
    ),
  ));

test('what is printed and what is done are told apart, also while they are not closed yet', () => {
  expect(stretchesOf('a {{ b }}{% if c').map(({ kind, text }) => [kind, text])).toEqual([
    ['plain', 'a '],
    ['printed', '{{ b }}'],
    ['done', '{% if c'],
  ]);
});
