import { itemAt } from '../lists/index.ts';
import {
  bitsFor,
  encoderOf,
  listValues,
  mixedRadix,
  valuesIn,
  type CodeDigit,
  type CodeLayout,
} from './codes.ts';
import { valuesOf, type Property, type Value } from './property.ts';
import { StateSpace } from './space.ts';

/**
 * The layout after properties or values came or went, such that every state that was stored before
 * keeps its code. A property that is new counts as if it had had its default all along; one that is
 * gone keeps its place in the code. Where the layout itself cannot grow
 * without moving codes it becomes a table: old codes as they were, new states at the next numbers
 * that were never used.
 *
 * @example keepCodesStable(mixedRadix(before), before, after)
 */
export function keepCodesStable(
  layout: CodeLayout,
  before: StateSpace,
  after: StateSpace,
): CodeLayout {
  if (after.tooLarge || before.tooLarge) return after.tooLarge ? layout : mixedRadix(after);
  if (layout.kind === 'mixed-radix') {
    const digits = grownDigits(layout.digits, before, after);
    if (digits)
      return {
        kind: 'mixed-radix',
        digits,
        bits: bitsFor(digits.reduce((many, { values }) => many * valuesIn(values), 1)),
      };
  }
  if (layout.kind === 'bit-fields') {
    const fields = grownFields(layout.fields, before, after);
    if (fields)
      return {
        kind: 'bit-fields',
        fields,
        bits: fields.reduce((bits, { at, width }) => Math.max(bits, at + width), 0),
      };
  }
  return grownTable(layout, before, after);
}

/**
 * A layout in which a property or its values go by other names. The codes stay. Where a property
 * that is gone had the new name, its part of the code gets a name of its own, so that the two are
 * never taken for one.
 */
export function renameInCodes(
  layout: CodeLayout,
  from: string,
  to: string,
  values: ReadonlyMap<Value, Value> = new Map(),
): CodeLayout {
  const digits: readonly CodeDigit[] = layout.kind === 'bit-fields' ? layout.fields : layout.digits;
  let gone = `gone_${to}`.slice(0, 60);
  while (digits.some(({ property }) => property === gone)) gone += '_';
  const rename = <D extends CodeDigit>(digit: D): D => {
    if (digit.property === to && from !== to) return { ...digit, property: gone };
    if (digit.property !== from) return digit;
    return {
      ...digit,
      property: to,
      values:
        'from' in digit.values || !values.size
          ? digit.values
          : digit.values.map((value) => values.get(value) ?? value),
    };
  };
  return layout.kind === 'bit-fields'
    ? { ...layout, fields: layout.fields.map(rename) }
    : { ...layout, digits: layout.digits.map(rename) };
}

const propertyNamed = (space: StateSpace, name: string): Property | undefined =>
  space.properties[space.indexOf(name)];

/** The digit with what the property now is: `missing` are values that it does not count yet. */
function reviewed<D extends CodeDigit>(
  digit: D,
  before: StateSpace,
  after: StateSpace,
): { digit: D; missing: Value[] } {
  const now = propertyNamed(after, digit.property);
  const { always, ...rest } = digit;
  if (!now) {
    const then = propertyNamed(before, digit.property);
    return {
      digit: { ...digit, always: always ?? then?.default ?? listValues(digit.values)[0] },
      missing: [],
    };
  }
  const listed = new Set(listValues(digit.values));
  return {
    digit: rest as unknown as D,
    missing: valuesOf(now).filter((value) => !listed.has(value)),
  };
}

const extended = (digit: CodeDigit, missing: readonly Value[]): CodeDigit['values'] => {
  const { values } = digit;
  if (!missing.length) return values;
  if ('from' in values && missing.every((value, i) => value === values.to + 1 + i))
    return { from: values.from, to: values.to + missing.length };
  return [...listValues(values), ...missing];
};

/**
 * A digit for a property that is new: its default comes first, so that it adds nothing to the codes
 * of before.
 */
const freshDigit = (property: Property): CodeDigit => {
  const values = valuesOf(property);
  return {
    property: property.name,
    values: [property.default, ...values.filter((value) => value !== property.default)],
  };
};
const newcomers = (digits: readonly CodeDigit[], after: StateSpace) =>
  after.properties.filter(({ name }) => !digits.some((digit) => digit.property === name));

function grownDigits(
  digits: readonly CodeDigit[],
  before: StateSpace,
  after: StateSpace,
): CodeDigit[] | undefined {
  const looked = digits.map((digit) => reviewed(digit, before, after));
  // Only the slowest digit may count further without moving what lies above it.
  if (looked.some(({ missing }, i) => i > 0 && missing.length > 0)) return undefined;
  return [
    ...newcomers(digits, after).map(freshDigit).reverse(),
    ...looked.map(({ digit, missing }) => ({ ...digit, values: extended(digit, missing) })),
  ];
}

type Field = CodeDigit & { at: number; width: number };
function grownFields(
  fields: readonly Field[],
  before: StateSpace,
  after: StateSpace,
): Field[] | undefined {
  const grown: Field[] = [];
  let top = fields.reduce((bits, { at, width }) => Math.max(bits, at + width), 0);
  for (const field of fields) {
    const { digit, missing } = reviewed(field, before, after);
    const values = extended(digit, missing);
    const width = Math.max(field.width, bitsFor(valuesIn(values)));
    if (width > field.width && field.at + field.width < top) return undefined;
    top = Math.max(top, field.at + width);
    grown.push({ ...digit, values, width });
  }
  for (const property of newcomers(fields, after)) {
    const digit = freshDigit(property);
    const width = bitsFor(valuesIn(digit.values));
    grown.unshift({ ...digit, at: top, width });
    top += width;
  }
  return grown;
}

function grownTable(layout: CodeLayout, before: StateSpace, after: StateSpace): CodeLayout {
  const old = layout.kind === 'bit-fields' ? layout.fields : layout.digits;
  const plain = ({ property, values, always }: CodeDigit): CodeDigit =>
    always === undefined ? { property, values } : { property, values, always };
  const digits = [
    ...newcomers(old, after).map(freshDigit).reverse(),
    ...old.map((digit) => {
      const looked = reviewed(digit, before, after);
      return plain({ ...looked.digit, values: extended(looked.digit, looked.missing) });
    }),
  ];
  // Every combination that was ever counted, as a space of its own, so that codes of states that
  // are gone are never given again.
  const ever = (list: readonly CodeDigit[]) =>
    new StateSpace(
      list.map(({ property, values }) => ({
        name: property,
        kind: 'choice' as const,
        values: listValues(values) as string[],
        default: listValues(values)[0] as string,
      })),
    );
  const whole = ever(digits);
  if (whole.tooLarge) return mixedRadix(after);
  const was = ever(old);
  const codesBefore = encoderOf(layout, was);
  const codes = new Array<number>(whole.size).fill(-1);
  const fresh = new Set(newcomers(old, after).map(({ name }) => name));
  for (let place = 0; place < whole.size; place += 1) {
    const state = whole.decode(place);
    const known =
      old.every(({ property, values }) => listValues(values).includes(state[property]!)) &&
      [...fresh].every((name) => state[name] === propertyNamed(after, name)!.default);
    if (known) codes[place] = codesBefore[was.encode(state)] ?? 0;
  }
  let next = codesBefore.reduce((most, code) => Math.max(most, code + 1), 0);
  const stored: CodeLayout = {
    kind: 'table',
    bits: 0,
    digits,
    codes: codes.map((_, place) => place),
  };
  for (const place of encoderOf(stored, after))
    if (place >= 0 && itemAt(codes, place) < 0) codes[place] = next++;
  return { kind: 'table', bits: bitsFor(next), digits, codes };
}
