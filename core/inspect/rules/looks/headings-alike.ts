import { itemAt } from '../../../lists/index.ts';
import { expandRows, kindsOf, type Property } from '../../../states/index.ts';
import { spreadRows } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';

/** The kinds of properties that say how a block lies. */
const turning: ReadonlySet<Property['kind']> = new Set(['heading', 'direction', 'axis']);

export const headingsAlike = blockRule({
  id: 'looks/headings-alike',
  severity: 'hint',
  guesses: true,
  title: 'Two headings that look the same',
  why:
    'Some values of the heading, direction or axis show another look, but two of them ' +
    'show exactly the same one. Often a row was copied and its front not changed.',
  messages: {
    headingsAlike: '{block} looks the same with {property} = {first} and {property} = {second}.',
  },
  fails: { '/blocks/lamp/looks/rows/1/use/0/front': 'north' },
  passes: {},
  check({ name, space, looks }, context) {
    if (space.tooLarge || looks.mode === 'layered' || !looks.rows.length) return [];
    if (!space.properties.some(({ kind }) => turning.has(kind))) return [];
    const { of } = kindsOf(expandRows(looks.rows, space));
    return space.properties.flatMap((property, i) => {
      if (!turning.has(property.kind)) return [];
      const values = itemAt(space.values, i);
      const alike = (a: number, b: number) =>
        of.every(
          (kind, state) => space.digit(state, i) !== a || kind === of[space.withDigit(state, i, b)],
        );
      const pairs = values.flatMap((_, a) =>
        values.flatMap((__, b) => (a < b && alike(a, b) ? [[a, b] as const] : [])),
      );
      // When all are alike, the property changes nothing, and that has a rule of its own.
      if (!pairs.length || pairs.length === (values.length * (values.length - 1)) / 2) return [];
      const [a, b] = itemAt(pairs, 0);
      const rows = spreadRows(looks.rows, space, i);
      return [
        {
          at: ['states', 'properties', i],
          says: 'headingsAlike',
          parts: {
            block: name,
            property: property.name,
            first: String(values[a]),
            second: String(values[b]),
          },
          fix:
            rows && context.set(`Spread the look along ${property.name}`, ['looks', 'rows'], rows),
        },
      ];
    });
  },
});
