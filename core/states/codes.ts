import { valuesOf, type Value } from './property.ts';
import type { StateSpace } from './space.ts';

/**
 * The values of a property in the order in which codes count them: listed, or a run of whole
 * numbers.
 */
export type CodeValues = Value[] | { from: number; to: number };

/**
 * One property in a code. `always` is set when the block no longer has the property: its part of
 * the code then stands for that value.
 */
export interface CodeDigit {
  property: string;
  values: CodeValues;
  always?: Value;
}

/**
 * How a state is stored in a saved world, as a whole number of so many bits. mixed-radix: property
 * by property, the first the slowest. bit-fields: each property in bits of its own, from bit `at`.
 * table: the codes themselves, in the order in which mixed radix over `digits` would count; −1
 * where no state is stored.
 */
export type CodeLayout =
  | { kind: 'mixed-radix'; bits: number; digits: CodeDigit[] }
  | { kind: 'bit-fields'; bits: number; fields: (CodeDigit & { at: number; width: number })[] }
  | { kind: 'table'; bits: number; digits: CodeDigit[]; codes: number[] };

/** The bits that `count` different codes need. `bitsFor(24)` is 5; one state needs none. */
export const bitsFor = (count: number): number => (count <= 1 ? 0 : Math.ceil(Math.log2(count)));

/** How many values a digit counts. */
export const valuesIn = (values: CodeValues): number =>
  'from' in values ? Math.max(0, values.to - values.from + 1) : values.length;

/** The values of a digit, listed. */
export const listValues = (values: CodeValues): readonly Value[] =>
  'from' in values ? Array.from({ length: valuesIn(values) }, (_, i) => values.from + i) : values;

const digitsOf = (space: StateSpace): CodeDigit[] =>
  space.properties.map((property) => ({
    property: property.name,
    values:
      property.kind === 'number'
        ? { from: Math.ceil(property.min), to: Math.floor(property.max) }
        : [...valuesOf(property)],
  }));

/** The layout that stores each state as its own number. */
export const mixedRadix = (space: StateSpace): CodeLayout => ({
  kind: 'mixed-radix',
  bits: bitsFor(space.trueSize),
  digits: digitsOf(space),
});

/**
 * The layout that gives each property bits of its own, the last property in the lowest: wasteful,
 * and easy to read in the mod's code.
 */
export function bitFields(space: StateSpace): CodeLayout {
  let at = 0;
  const fields = digitsOf(space)
    .reverse()
    .map((digit) => {
      const width = bitsFor(valuesIn(digit.values));
      at += width;
      return { ...digit, at: at - width, width };
    });
  return { kind: 'bit-fields', bits: at, fields: fields.reverse() };
}

/**
 * The layout that lists a code for each state, taken over from another layout, to be changed by
 * hand.
 */
export function codeTable(layout: CodeLayout, space: StateSpace): CodeLayout {
  const codes = [...encoderOf(layout, space)];
  return {
    kind: 'table',
    bits: Math.max(layout.bits, bitsFor(Math.max(...codes) + 1)),
    digits: digitsOf(space),
    codes,
  };
}

/**
 * The code of every state, in the order of the states; −1 for a state that the layout cannot store.
 */
export function encoderOf(layout: CodeLayout, space: StateSpace): Int32Array {
  const digits = layout.kind === 'bit-fields' ? layout.fields : layout.digits;
  const codes = new Int32Array(space.size);
  let weight = 1;
  const add = (digit: CodeDigit, worth: number) => {
    const listed = listValues(digit.values);
    const at = space.indexOf(digit.property);
    const places =
      at < 0
        ? [digit.always === undefined ? 0 : listed.indexOf(digit.always)]
        : space.values[at]!.map((value) => listed.indexOf(value));
    for (let state = 0; state < codes.length; state += 1) {
      const place = places[at < 0 ? 0 : space.digit(state, at)]!;
      if (codes[state]! >= 0) codes[state] = place < 0 ? -1 : codes[state]! + place * worth;
    }
  };
  for (let i = digits.length - 1; i >= 0; i -= 1) {
    add(digits[i]!, layout.kind === 'bit-fields' ? 2 ** layout.fields[i]!.at : weight);
    weight *= valuesIn(digits[i]!.values);
  }
  return layout.kind === 'table'
    ? codes.map((place) => (place < 0 ? -1 : (layout.codes[place] ?? -1)))
    : codes;
}

/**
 * The state that a code stands for, or undefined when it stands for none. It takes codes apart, so
 * it shares nothing with the encoder.
 */
export function decoderOf(
  layout: CodeLayout,
  space: StateSpace,
): (code: number) => number | undefined {
  const digits = layout.kind === 'bit-fields' ? layout.fields : layout.digits;
  const listed = digits.map((digit) => listValues(digit.values));
  const fromPlaces = (places: readonly number[]): number | undefined => {
    const state: Record<string, Value> = {};
    for (let i = 0; i < digits.length; i += 1) {
      const { property, always } = digits[i]!;
      const value = listed[i]![places[i]!];
      if (value === undefined) return undefined;
      const at = space.indexOf(property);
      if (at < 0) {
        if (value !== (always ?? listed[i]![0])) return undefined;
      } else if (!space.values[at]!.includes(value)) return undefined;
      else state[property] = value;
    }
    return space.encode(state);
  };
  const mixed = (place: number): number[] => {
    let rest = place;
    const places = digits.map(() => 0);
    for (let i = digits.length - 1; i >= 0; i -= 1) {
      const many = listed[i]!.length;
      places[i] = rest % many;
      rest = Math.floor(rest / many);
    }
    return rest > 0 ? digits.map(() => -1) : places;
  };
  if (layout.kind === 'bit-fields')
    return (code) =>
      fromPlaces(layout.fields.map(({ at, width }) => Math.floor(code / 2 ** at) % 2 ** width));
  if (layout.kind === 'mixed-radix') return (code) => fromPlaces(mixed(code));
  const placeOf = new Map<number, number>();
  layout.codes.forEach(
    (code, place) => code >= 0 && !placeOf.has(code) && placeOf.set(code, place),
  );
  return (code) => {
    const place = placeOf.get(code);
    return place === undefined ? undefined : fromPlaces(mixed(place));
  };
}

/** What is wrong with a layout, if anything, and the code of every state. */
export interface CodeProof {
  codes: Int32Array;
  /** The bits that the codes in use need. */
  bits: number;
  /** The first state that has no code. */
  without?: number;
  /** The first two states that share a code. */
  collision?: { first: number; second: number; code: number };
  /** The first state that does not come back from its own code, and what comes back instead. */
  lost?: { state: number; back: number | undefined };
}

/**
 * Proves that every state has a code of its own and comes back from it, by storing and reading
 * every one.
 *
 * @example proveCodes(mixedRadix(space), space).collision // undefined
 */
export function proveCodes(layout: CodeLayout, space: StateSpace): CodeProof {
  const codes = encoderOf(layout, space);
  const stateOf = decoderOf(layout, space);
  const proof: CodeProof = { codes, bits: 0 };
  const owner = new Map<number, number>();
  let most = 0;
  codes.forEach((code, state) => {
    if (code < 0) {
      proof.without ??= state;
      return;
    }
    most = Math.max(most, code);
    const first = owner.get(code);
    if (first === undefined) owner.set(code, state);
    else proof.collision ??= { first, second: state, code };
    const back = stateOf(code);
    if (back !== state && first === undefined) proof.lost ??= { state, back };
  });
  proof.bits = bitsFor(most + 1);
  return proof;
}

/**
 * A layout in which one state has another code, as a table by hand: its bits are as many as its
 * largest code needs.
 */
export function withCode(
  layout: CodeLayout,
  space: StateSpace,
  state: number,
  code: number,
): CodeLayout {
  const table = codeTable(layout, space);
  if (table.kind !== 'table') return table;
  const codes = table.codes.with(state, code);
  return { ...table, codes, bits: Math.max(1, bitsFor(Math.max(0, ...codes) + 1)) };
}
