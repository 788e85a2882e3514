import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  BitSet,
  bitsFor,
  coverage,
  dependsOn,
  expandRows,
  fromRows,
  rowsFromValues,
  StateSpace,
  toRows,
  valueIn,
  valuesOf,
  whenOf,
  type Property,
  type Row,
  type State,
  type When,
} from './index.ts';

const kinds = fc.constantFrom<Property[]>(
  { name: 'lit', kind: 'toggle', default: false },
  { name: 'level', kind: 'number', min: 2, max: 5, default: 2 },
  { name: 'hung', kind: 'choice', values: ['floor', 'wall', 'ceiling'], default: 'floor' },
  { name: 'heading', kind: 'heading', default: 'south' },
  { name: 'side', kind: 'direction', default: 'up' },
  { name: 'axis', kind: 'axis', default: 'y' },
);
const anySpace = fc
  .uniqueArray(kinds, { maxLength: 3, selector: (property) => property.name })
  .map((properties) => new StateSpace(properties));
const rowsFor = (space: StateSpace): fc.Arbitrary<Row<number>[]> =>
  fc.array(
    fc.record({
      when: fc
        .subarray([...space.properties])
        .chain((some) =>
          fc
            .tuple(
              ...some.map((property) => fc.subarray([...valuesOf(property)], { minLength: 1 })),
            )
            .map((values): When | undefined =>
              some.length
                ? Object.fromEntries(
                    some.map((property, i) => [
                      property.name,
                      values[i]!.length === 1 ? values[i]![0]! : values[i]!,
                    ]),
                  )
                : undefined,
            ),
        ),
      value: fc.integer({ min: 0, max: 2 }),
    }),
    { maxLength: 6 },
  );

/** What matching means, said as plainly as can be. */
const matches = (when: When | undefined, state: State): boolean =>
  Object.entries(when ?? {}).every(([name, wanted]) =>
    Array.isArray(wanted) ? wanted.includes(state[name]!) : wanted === state[name],
  );

test('a state and its number are the same thing', () =>
  fc.assert(
    fc.property(anySpace, (space) => {
      const named = Array.from({ length: space.size }, (_, state) => space.decode(state));
      expect(named.map((state) => space.encode(state))).toEqual(named.map((_, state) => state));
      expect(new Set(named.map((state) => JSON.stringify(state))).size).toBe(space.size);
      expect(space.size).toBeLessThanOrEqual(2 ** bitsFor(space.size));
    }),
  ));

test('the last property counts fastest, and what is not said is the default', () => {
  const space = new StateSpace([
    { name: 'heading', kind: 'heading', default: 'south' },
    { name: 'lit', kind: 'toggle', default: false },
  ]);
  expect(space.encode({ heading: 'east', lit: true })).toBe(3);
  expect(space.decode(7)).toEqual({ heading: 'west', lit: true });
  expect(space.decode(space.defaultState)).toEqual({ heading: 'south', lit: false });
  expect(space.encode({ heading: 'upward' })).toBe(space.encode({ heading: 'south' }));
  expect(space.describe(3)).toBe('heading = east, lit = true');
  expect(new StateSpace([]).describe(0)).toBe('the only state');
});

test('a space of a million states is refused without being laid out', () => {
  const space = new StateSpace([
    { name: 'level', kind: 'number', min: 0, max: 999_999, default: 0 },
    { name: 'again', kind: 'number', min: 0, max: 999_999, default: 0 },
  ]);
  expect(space.tooLarge).toBe(true);
  expect(space.trueSize).toBe(1e12);
  expect(space.size).toBe(1);
  expect(space.decode(0)).toEqual({});
});

test('a set of states does what a set of numbers does', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 200 }),
      fc.array(fc.nat(199)),
      fc.array(fc.nat(199)),
      (size, a, b) => {
        const within = (list: number[]) => new Set(list.filter((member) => member < size));
        const make = (members: Set<number>) =>
          [...members].reduce((set, member) => set.add(member), new BitSet(size));
        const [one, other] = [within(a), within(b)];
        const sorted = (members: Iterable<number>) => [...members].sort((x, y) => x - y);
        expect([...make(one).and(make(other))]).toEqual(
          sorted([...one].filter((member) => other.has(member))),
        );
        expect([...make(one).or(make(other))]).toEqual(sorted(new Set([...one, ...other])));
        expect([...make(one).without(make(other))]).toEqual(
          sorted([...one].filter((member) => !other.has(member))),
        );
        expect(make(one).complement().count).toBe(size - one.size);
        expect(make(one).first).toBe(sorted(one)[0]);
      },
    ),
  ));

test('coverage is what trying every state finds', () =>
  fc.assert(
    fc.property(
      anySpace.chain((space) => fc.tuple(fc.constant(space), rowsFor(space))),
      ([space, rows]) => {
        const first = Array.from({ length: space.size }, (_, state) =>
          rows.findIndex((row) => matches(row.when, space.decode(state))),
        );
        const { uncovered, wins, dead } = coverage(rows, space);
        expect([...uncovered]).toEqual(first.flatMap((row, state) => (row < 0 ? [state] : [])));
        wins.forEach((won, row) =>
          expect([...won]).toEqual(
            first.flatMap((winner, state) => (winner === row ? [state] : [])),
          ),
        );
        expect(dead.map(({ row }) => row)).toEqual(
          rows.flatMap((_, row) => (first.includes(row) ? [] : [row])),
        );
        for (const { row, coveredBy } of dead)
          for (const state of space.matching(rows[row]!.when))
            expect(coveredBy).toContain(first[state]);
        expect(expandRows(rows, space)).toEqual(first.map((row) => rows[row]?.value));
        expect(first.map((_, state) => valueIn(rows, space, state))).toEqual(
          expandRows(rows, space),
        );
      },
    ),
  ));

test('rows made from values mean exactly those values', () =>
  fc.assert(
    fc.property(
      anySpace.chain((space) =>
        fc.tuple(
          fc.constant(space),
          fc.array(fc.nat(2), { minLength: space.size, maxLength: space.size }),
        ),
      ),
      ([space, values]) => {
        const rows = rowsFromValues(values, space);
        expect(expandRows(rows, space)).toEqual(values);
        const named = new Set(rows.flatMap((row) => Object.keys(row.when ?? {})));
        expect(named).toEqual(dependsOn(rows, space));
      },
    ),
  ));

test('a plain value is one row for all states', () => {
  expect(toRows(14)).toEqual([{ value: 14 }]);
  expect(toRows<number[]>([1, 2])).toEqual([{ value: [1, 2] }]);
  expect(toRows([{ when: { lit: true }, value: 14 }, { value: 0 }])).toHaveLength(2);
});

test('the nearest member is as near as any, found by comparing with each', () =>
  fc.assert(
    fc.property(
      anySpace.chain((space) =>
        fc.tuple(fc.constant(space), fc.uniqueArray(fc.nat(space.size - 1), { maxLength: 5 })),
      ),
      ([space, list]) => {
        const nearest = space.nearest(
          list.reduce((set, member) => set.add(member), new BitSet(space.size)),
        );
        if (!list.length) {
          expect(nearest).toBeUndefined();
          return;
        }
        nearest!.forEach((member, state) => {
          expect(list).toContain(member);
          expect(space.distance(state, member)).toBe(
            Math.min(...list.map((other) => space.distance(state, other))),
          );
        });
      },
    ),
  ));

test(
  'a condition made from values matches exactly their combinations, and a changed digit ' +
    'changes one property',
  () =>
    fc.assert(
      fc.property(
        anySpace.chain((space) =>
          fc.tuple(
            fc.constant(space),
            fc.tuple(
              ...space.values.map((list) =>
                fc.subarray(
                  list.map((_, i) => i),
                  { minLength: 1 },
                ),
              ),
            ),
            fc.nat(space.size - 1),
          ),
        ),
        ([space, digits, state]) => {
          const set = space.matching(whenOf(space, digits));
          expect(set.has(state)).toBe(
            digits.every((list, at) => list.includes(space.digit(state, at))),
          );
          space.values.forEach((list, at) =>
            list.forEach((value, digit) => {
              expect(space.decode(space.withDigit(state, at, digit))).toEqual({
                ...space.decode(state),
                [space.properties[at]!.name]: value,
              });
            }),
          );
        },
      ),
    ),
);

test(
  'sets that are changed in place, and questions about several at once, agree with sets ' +
    'of numbers',
  () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 150 }),
        fc.array(fc.nat(149)),
        fc.array(fc.nat(149)),
        fc.array(fc.nat(149)),
        (size, a, b, c) => {
          const within = (list: number[]) => new Set(list.filter((member) => member < size));
          const [one, other, outer] = [within(a), within(b), within(c)];
          const make = (members: Set<number>) =>
            BitSet.where(size, (member) => members.has(member));
          const sorted = (members: Iterable<number>) => [...members].sort((x, y) => x - y);
          expect([...make(one).addAll(make(other))]).toEqual(sorted(new Set([...one, ...other])));
          expect([...make(one).keepAll(make(other))]).toEqual(
            sorted([...one].filter((member) => other.has(member))),
          );
          expect([...make(one).dropAll(make(other))]).toEqual(
            sorted([...one].filter((member) => !other.has(member))),
          );
          const visited: number[] = [];
          make(one).forEach((member) => visited.push(member));
          expect(visited).toEqual(sorted(one));
          expect(make(one).isWithin(make(other))).toBe(
            [...one].every((member) => other.has(member)),
          );
          expect(BitSet.sharedWithin([make(one), make(other)], make(outer), new BitSet(size))).toBe(
            [...one].every((member) => !other.has(member) || outer.has(member)),
          );
          expect(BitSet.sharedWithin([make(one)], make(outer), make(other))).toBe(
            [...one].every((member) => outer.has(member) || other.has(member)),
          );
          expect([...BitSet.shared([make(one), make(other)], make(outer))]).toEqual(
            sorted([...one].filter((member) => other.has(member) && outer.has(member))),
          );
          // Sets know between which words they lie; what was narrowed can be widened again.
          const moved = make(one).keepAll(make(other)).addAll(make(outer)).dropAll(make(one));
          const left = [...outer].filter((member) => !one.has(member));
          expect([[...moved], moved.count, moved.first, moved.isEmpty]).toEqual([
            sorted(left),
            left.length,
            sorted(left)[0],
            !left.length,
          ]);
          expect(moved.some((member) => member % 2 === 1)).toBe(
            left.some((member) => member % 2 === 1),
          );
          expect([...moved.complement().and(make(outer))]).toEqual(
            sorted([...outer].filter((member) => one.has(member))),
          );
          const copy = make(one);
          copy.copy().add(0).dropAll(make(one));
          expect([...copy]).toEqual(sorted(one));
        },
      ),
    ),
);

test('one row without a condition is a plain value, everything else stays rows', () => {
  expect(fromRows([{ value: 14 }])).toBe(14);
  expect(fromRows(toRows('whole'))).toBe('whole');
  const conditional = [{ when: { lit: true }, value: 14 }];
  expect(fromRows(conditional)).toBe(conditional);
  expect(fromRows([...conditional, { value: 0 }])).toHaveLength(2);
});
