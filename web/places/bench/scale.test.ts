import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stocks } from '../../../core/mod/index.ts';
import { bundled, linearScale, logScale, placeTicks, snapped, valueAfterKey } from './scale.ts';

const scale = logScale(0.3, 16);
const ticks = stocks.map((stock) => ({ value: stock.traits.hardness as number, name: stock.name }));

test('equal ratios are equal steps, and what is outside lies at the ends', () => {
  expect(logScale(1, 100).at(10)).toBeCloseTo(0.5, 12);
  expect(scale.at(0.3)).toBe(0);
  expect(scale.at(16)).toBeCloseTo(1, 12);
  expect([scale.at(0), scale.at(-4), scale.at(99)]).toEqual([0, 0, 1]);
});

test('an amount comes back from its place as near as two digits can say', () =>
  fc.assert(
    fc.property(fc.double({ min: 0.3, max: 16, noNaN: true }), (amount) => {
      const back = scale.amount(scale.at(amount));
      expect(Math.abs(back - amount) / amount).toBeLessThan(amount < 1 ? 0.18 : 0.051);
      expect(String(back).replace('.', '').length).toBeLessThanOrEqual(3);
    }),
  ));

test('the scale never turns back', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (a, b) => {
        if (a < b) expect(scale.amount(a)).toBeLessThanOrEqual(scale.amount(b));
      },
    ),
  ));

test(
  'near a material the ruler takes its value, of two the nearer one; elsewhere the ' +
    'amount at the place',
  () => {
    const at = (name: string) => scale.at(ticks.find((tick) => tick.name === name)!.value);
    expect(snapped(scale, ticks, at('bronze') + 0.005, 0.02)).toBe(11);
    expect(snapped(scale, ticks, at('thatch') + 0.001, 0.2)).toBe(0.4);
    expect(snapped(scale, ticks, (at('brick') + at('timber')) / 2, 0.02)).toBe(3.7);
  },
);

test(
  'no two names on one line touch, every material has its place, and most have their ' + 'name',
  () => {
    const placed = placeTicks(scale, ticks);
    expect(placed.map((tick) => tick.name)).toEqual(stocks.map((stock) => stock.name));
    for (const line of [0, 1]) {
      const row = placed.filter((tick) => tick.line === line);
      row
        .slice(1)
        .forEach((tick, i) =>
          expect(tick.where - row[i]!.where).toBeGreaterThan(
            (tick.name.length + row[i]!.name.length) * 0.5 * 0.0098,
          ),
        );
    }
    expect(placed.filter((tick) => tick.line !== undefined).length).toBeGreaterThanOrEqual(11);
  },
);

test('a linear scale goes in whole steps, and own blocks on one place are one tick', () => {
  const light = linearScale(0, 15, 1);
  expect([light.at(3), light.amount(0.21), light.at(99)]).toEqual([0.2, 3, 1]);
  expect(linearScale(0, 1, 0.05).amount(0.33)).toBe(0.35);
  expect(
    bundled(
      light,
      [
        [13, 'Lantern'],
        [0, 'Crust'],
        [0, 'Thatch'],
        [undefined, 'Gate'],
      ] as const,
      ([value]) => value,
      ([, name]) => name,
    ).map(({ value, many, names }) => [value, many, names]),
  ).toEqual([
    [0, 2, ['Crust', 'Thatch']],
    [13, 1, ['Lantern']],
  ]);
  expect(
    bundled(
      light,
      Array.from({ length: 20 }, (_, i) => i),
      () => 4,
      String,
    )[0],
  ).toMatchObject({ many: 20, names: ['0', '1', '2', '3', '4', '5', '6', '7'] });
});

test('keys lead over a scale in whole steps and never off it', () => {
  const scale = { low: 0.3, high: 16, step: 0.1 };
  expect(valueAfterKey('ArrowRight', 3.2, scale)).toBe(3.3);
  expect(valueAfterKey('PageDown', 3.24, scale)).toBe(2.2);
  expect(valueAfterKey('Home', 3.2, scale)).toBe(0.3);
  expect(valueAfterKey('PageUp', 15.9, scale)).toBe(16);
  for (const key of ['Tab', 'a', 'constructor'])
    expect(valueAfterKey(key, 3.2, scale)).toBeUndefined();
});
