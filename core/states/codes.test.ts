import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  bitFields,
  codeTable,
  withCode,
  decoderOf,
  encoderOf,
  mixedRadix,
  proveCodes,
  renameInCodes,
  keepCodesStable,
  StateSpace,
  whatToDrop,
  type CodeLayout,
  type Property,
} from './index.ts';

const heading: Property = { name: 'heading', kind: 'heading', default: 'south' };
const lit: Property = { name: 'lit', kind: 'toggle', default: false };
const hung: Property = {
  name: 'hung',
  kind: 'choice',
  values: ['floor', 'wall', 'ceiling'],
  default: 'floor',
};
const level: Property = { name: 'level', kind: 'number', min: 2, max: 6, default: 3 };
const all = [
  heading,
  lit,
  hung,
  level,
  { name: 'side', kind: 'direction', default: 'up' },
  { name: 'axis', kind: 'axis', default: 'y' },
] as Property[];
const layouts: ((space: StateSpace) => CodeLayout)[] = [
  mixedRadix,
  bitFields,
  (space) => codeTable(bitFields(space), space),
];
const anyLayout = fc.constantFrom(...layouts);
const anyProperties = fc.shuffledSubarray(all, { maxLength: 4 });
const clean = { collision: undefined, without: undefined, lost: undefined };
const wrong = ({ collision, without, lost }: ReturnType<typeof proveCodes>) => ({
  collision,
  without,
  lost,
});

test(
  'code ∘ decode is the identity, whatever the layout, and the codes fit the bits that ' +
    'it says',
  () =>
    fc.assert(
      fc.property(anyProperties, anyLayout, (properties, make) => {
        const space = new StateSpace(properties);
        const layout = make(space);
        const codes = encoderOf(layout, space);
        const stateOf = decoderOf(layout, space);
        codes.forEach((code, state) => expect(stateOf(code)).toBe(state));
        expect(new Set(codes).size).toBe(space.size);
        const proof = proveCodes(layout, space);
        expect(wrong(proof)).toEqual(clean);
        expect(proof.bits).toBeLessThanOrEqual(layout.bits);
        expect(Math.max(...codes)).toBeLessThan(2 ** layout.bits);
      }),
    ),
);

/** The space after one change: a property added or taken away, a value added, or another order. */
const anyChange = fc
  .tuple(fc.constantFrom('add', 'remove', 'value', 'order'), fc.nat(5), fc.nat(5))
  .map(([what, a, b]) => (properties: Property[]): Property[] => {
    const spare = all.filter((one) => !properties.some(({ name }) => name === one.name));
    if (what === 'add' && spare.length)
      return [...properties.slice(0, b), spare[a % spare.length]!, ...properties.slice(b)];
    if (what === 'remove')
      return properties.filter((_, i) => i !== a % Math.max(1, properties.length));
    if (what === 'order') return properties.toReversed();
    return properties.map((one) =>
      one.kind === 'choice'
        ? { ...one, values: [...one.values, `extra_${one.values.length}`] }
        : one.kind === 'number'
          ? { ...one, max: one.max + 1, min: one.min - (b % 2) }
          : one,
    );
  });

test(
  'codes stay through every history of changes: a state that is still there keeps its ' +
    'code, and no code is given to another state',
  () =>
    fc.assert(
      fc.property(
        anyProperties.filter((properties) => properties.length < 4),
        anyLayout,
        fc.array(anyChange, { maxLength: 5 }),
        (start, make, changes) => {
          let properties = start;
          let space = new StateSpace(properties);
          let layout = make(space);
          for (const change of changes) {
            const next = change(properties);
            const after = new StateSpace(next);
            if (after.size > 600) return;
            const settled = keepCodesStable(layout, space, after);
            expect(wrong(proveCodes(settled, after))).toEqual(clean);
            const [was, now] = [encoderOf(layout, space), encoderOf(settled, after)];
            const gone = properties.filter(({ name }) => after.indexOf(name) < 0);
            const fresh = next.filter(({ name }) => space.indexOf(name) < 0);
            was.forEach((code, state) => {
              const named = space.decode(state);
              const stays = gone.every((property) => named[property.name] === property.default);
              if (stays) expect(now[after.encode(named)]).toBe(code);
            });
            // A code that stood for a state means that state still, or nothing.
            const stood = new Map([...was].map((code, state) => [code, state]));
            now.forEach((code, state) => {
              const before = stood.get(code);
              if (before === undefined) return;
              const [then, today] = [space.decode(before), after.decode(state)];
              for (const { name } of next)
                if (space.indexOf(name) >= 0) expect(today[name]).toBe(then[name]);
              for (const property of fresh) expect(today[property.name]).toBe(property.default);
            });
            [properties, space, layout] = [next, after, settled];
          }
        },
      ),
      { numRuns: 60 },
    ),
);

test(
  'worked examples: a new property is slower than the old ones and its default adds ' + 'nothing',
  () => {
    const before = new StateSpace([heading]);
    const after = new StateSpace([heading, hung]);
    const settled = keepCodesStable(mixedRadix(before), before, after);
    expect(settled).toEqual({
      kind: 'mixed-radix',
      bits: 4,
      digits: [
        { property: 'hung', values: ['floor', 'wall', 'ceiling'] },
        { property: 'heading', values: ['north', 'east', 'south', 'west'] },
      ],
    });
    expect(encoderOf(settled, after)[after.encode({ heading: 'west', hung: 'ceiling' })]).toBe(11);
    const fields = keepCodesStable(bitFields(before), before, after);
    expect(fields).toMatchObject({
      bits: 4,
      fields: [
        { property: 'hung', at: 2, width: 2 },
        { property: 'heading', at: 0, width: 2 },
      ],
    });
    expect(renameInCodes(settled, 'hung', 'fixed_to', new Map([['wall', 'side']]))).toMatchObject({
      digits: [{ property: 'fixed_to', values: ['floor', 'side', 'ceiling'] }, {}],
    });
  },
);

test(
  'a value added to a property that is not the slowest makes a table: old codes as they ' +
    'were, new ones above',
  () => {
    const before = new StateSpace([lit, hung]);
    const more = { ...hung, values: ['floor', 'wall', 'ceiling', 'chain'] } as Property;
    const after = new StateSpace([lit, more]);
    const settled = keepCodesStable(mixedRadix(before), before, after);
    expect(settled.kind).toBe('table');
    expect([...encoderOf(settled, after)]).toEqual([0, 1, 2, 6, 3, 4, 5, 7]);
  },
);

test(
  'what a layout loses is told: a shared code, a missing one, a state that comes back ' +
    'as another',
  () => {
    const space = new StateSpace([lit, { name: 'wet', kind: 'toggle', default: false }]);
    const digits = [
      { property: 'lit', values: [false, true] },
      { property: 'wet', values: [false, true] },
    ];
    expect(
      proveCodes({ kind: 'table', bits: 2, digits, codes: [0, 1, 1, 3] }, space).collision,
    ).toEqual({ first: 1, second: 2, code: 1 });
    expect(
      proveCodes({ kind: 'table', bits: 2, digits, codes: [0, 1, -1, 3] }, space).without,
    ).toBe(2);
    expect(
      proveCodes({ kind: 'mixed-radix', bits: 1, digits: digits.slice(0, 1) }, space).collision,
    ).toEqual({ first: 0, second: 1, code: 0 });
    expect(
      proveCodes(
        {
          kind: 'bit-fields',
          bits: 2,
          fields: [
            { ...digits[0]!, at: 0, width: 1 },
            { ...digits[1]!, at: 0, width: 1 },
          ],
        },
        space,
      ).collision,
    ).toBeDefined();
    // A field too narrow for its values stores a state that is read as another.
    expect(
      proveCodes(
        {
          kind: 'bit-fields',
          bits: 2,
          fields: [
            { property: 'lit', values: [false, true], at: 1, width: 0 },
            { ...digits[1]!, at: 0, width: 1 },
          ],
        },
        space,
      ).lost,
    ).toBeDefined();
  },
);

test(
  'what to drop: the ways with the fewest properties, the one that keeps the most ' +
    'states first',
  () => {
    const space = new StateSpace([heading, hung, lit]);
    expect(whatToDrop(space, 5)).toEqual([]);
    expect(
      whatToDrop(space, 4).map(({ properties, states, blocks }) => [
        properties.join(),
        states,
        blocks,
      ]),
    ).toEqual([
      ['lit', 12, 2],
      ['hung', 8, 3],
      ['heading', 6, 4],
    ]);
    expect(
      whatToDrop(space, 2).map(({ properties, states }) => [properties.join('+'), states]),
    ).toEqual([
      ['hung+lit', 4],
      ['heading+lit', 3],
      ['heading+hung', 2],
    ]);
  },
);

test('65,536 states are stored and read back', () => {
  const space = new StateSpace([{ name: 'n', kind: 'number', min: 0, max: 65_535, default: 0 }]);
  const { codes, ...proof } = proveCodes(mixedRadix(space), space);
  expect(codes[65_535]).toBe(65_535);
  expect(proof).toEqual({ bits: 16 });
  expect(JSON.stringify(mixedRadix(space)).length).toBeLessThan(120);
});

test('one code changed by hand makes a table of as many bits as its largest code needs', () => {
  const space = new StateSpace([{ name: 'lit', kind: 'toggle', default: false }]);
  expect(withCode(mixedRadix(space), space, 1, 9)).toMatchObject({
    kind: 'table',
    bits: 4,
    codes: [0, 9],
  });
  expect(withCode(mixedRadix(space), space, 1, 0)).toMatchObject({ bits: 1, codes: [0, 0] });
});
