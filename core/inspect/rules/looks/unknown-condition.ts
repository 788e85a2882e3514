import { itemAt } from '../../../lists/index.ts';
import { conditionsOf } from '../../../mod/index.ts';
import { valuesOf, type When } from '../../../states/index.ts';
import { closest, count, didYouMean } from '../../../words/index.ts';
import { blockRule, type BlockReport } from '../../rule.ts';
import { valuesByState } from '../../values-by-state.ts';

/** So many are named one by one; the rest is said in one sentence. */
const mostListed = 24;

export const unknownCondition = blockRule({
  id: 'looks/unknown-condition',
  severity: 'error',
  title: 'Condition on an unknown property or value',
  why: 'A row that asks for a property or a value that the block does not have never matches.',
  messages: {
    propertyUnknown: '{block}: {what} asks for {key}, which is no property of the block.{hint}',
    numberOutside: '{block}: {what} asks for {key} = {value}, but {key} goes from {min} to {max}.',
    valueUnknown: '{block}: {what} asks for {key} = {value}, but {key} has no such value.{hint}',
    valueQuoted:
      '{block}: {what} asks for {key} = "{value}" in quotes; the value is {value} without them.',
    andMore:
      '{block}: {moreConditions} {ask} for properties or values that the block does not ' + 'have.',
  },
  newLooks: 'with states',
  fails: { '/blocks/lamp/looks/rows/0/when': { heading: 'nort' } },
  passes: { '/blocks/lamp/looks/rows/0/when': null },
  check(block, context) {
    const { called: name, space, declared } = block;
    const conditions: { at: (string | number)[]; what: string; when: When }[] = [];
    declared.looks.rows.forEach(
      ({ when }, i) =>
        when &&
        conditions.push({
          at: ['looks', 'rows', i, 'when'],
          what: `row ${i + 1} of the look`,
          when,
        }),
    );
    for (const { called, at, rows } of valuesByState(block))
      rows.forEach(
        ({ when }, i) =>
          when &&
          conditions.push({ at: [...at, i, 'when'], what: `row ${i + 1} of its ${called}`, when }),
      );
    if (typeof declared.loot === 'object')
      for (const { when, at } of conditionsOf(declared.loot.draws))
        if (when.state)
          conditions.push({
            at: ['loot', ...at, 'state'],
            what: `lot ${Number(at[3]) + 1}`,
            when: when.state,
          });
    const found = conditions.flatMap(({ at, what, when }) =>
      Object.entries(when).flatMap(([key, wanted]): BlockReport[] => {
        const property = space.properties.find((one) => one.name === key);
        if (!property) {
          const near = closest(
            key,
            space.properties.map((one) => one.name),
          );
          const { [key]: moved, ...rest } = when;
          return [
            {
              at: [...at, key],
              says: 'propertyUnknown',
              parts: { block: name, what, key, hint: didYouMean(near) },
              fix:
                near && !Object.hasOwn(rest, near)
                  ? context.set(`Ask for ${near}`, at, { ...rest, [near]: moved! })
                  : undefined,
            },
          ];
        }
        const values = valuesOf(property);
        const odd = (Array.isArray(wanted) ? wanted : [wanted]).find(
          (value) => !values.includes(value),
        );
        if (odd === undefined) return [];
        // Of numbers the bounds say more than the nearest spelling.
        if (property.kind === 'number')
          return [
            {
              at: [...at, key],
              says: 'numberOutside',
              parts: {
                block: name,
                what,
                key,
                value: String(odd),
                min: property.min,
                max: property.max,
              },
            },
          ];
        const near = closest(String(odd), values.map(String));
        const meant = values.find((value) => String(value) === near);
        const isQuoted = meant !== undefined && String(odd) === near;
        return [
          {
            at: [...at, key],
            says: isQuoted ? 'valueQuoted' : 'valueUnknown',
            parts: {
              ...(isQuoted ? {} : { hint: didYouMean(near) }),
              block: name,
              what,
              key,
              value: String(odd),
            },
            fix:
              meant !== undefined && !Array.isArray(wanted)
                ? context.set(`Ask for ${key} = ${near}`, [...at, key], meant)
                : undefined,
          },
        ];
      }),
    );
    const rest = found.length - mostListed;
    return rest > 0
      ? [
          ...found.slice(0, mostListed),
          {
            at: itemAt(found, mostListed).at,
            says: 'andMore',
            parts: {
              block: name,
              moreConditions: count(rest, 'more condition'),
              ask: rest === 1 ? 'asks' : 'ask',
            },
          },
        ]
      : found;
  },
});
