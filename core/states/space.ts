import { BitSet } from './bitset.ts';
import { isOrientation, valueCount, valuesOf, type Property, type Value } from './property.ts';

/**
 * One choice for every property, by name. Used at the edges; inside core a state is a whole number.
 */
export type State = Readonly<Record<string, Value>>;

/** What a row asks of a state: for each named property the one value or the values that match. */
export type When = Record<string, Value | Value[]>;

/** The most states that a block may have anywhere in Obrank. */
export const mostStates = 65_536;

/** So many bits of sets are kept at most: 16 MB. */
const mostKept = 2 ** 27;

/**
 * The states of a block as the whole numbers 0 … size − 1: mixed radix over its properties, the
 * last property counting fastest (Knuth, The Art of Computer Programming 2, 4.1).
 */
export class StateSpace {
  readonly size: number;
  /** The product of all value counts, even where it is too large to work with. */
  readonly trueSize: number;
  /** The values of each property, in the order of the properties. */
  readonly values: readonly (readonly Value[])[];
  /** For each property, how far apart two states are that differ in it by one value. */
  readonly steps: readonly number[];
  private readonly byName: ReadonlyMap<string, number>;
  private readonly slices = new Map<string, BitSet>();
  private whole: BitSet | undefined;

  /**
   * A space of more than {@link mostStates} states is cut to its default state: `tooLarge` tells.
   */
  constructor(readonly properties: readonly Property[]) {
    this.trueSize = properties.reduce((product, property) => product * valueCount(property), 1);
    this.values = this.tooLarge ? [] : properties.map(valuesOf);
    this.size = this.tooLarge ? 1 : this.trueSize;
    let step = this.size;
    this.steps = this.values.map((list) => (step = list.length ? step / list.length : 0));
    this.byName = new Map(this.values.map((_, i) => [properties[i]!.name, i]));
  }

  get tooLarge(): boolean {
    return this.trueSize > mostStates;
  }

  /** The set of all states. It is kept and shared: not to be changed. */
  get everything(): BitSet {
    return (this.whole ??= BitSet.full(this.size));
  }

  /** The place of a property among the properties; −1 when there is none of that name. */
  indexOf(property: string): number {
    return this.byName.get(property) ?? -1;
  }

  /**
   * Which value of the property at that place the state has: its place among the property's values.
   */
  digit(state: number, index: number): number {
    return Math.floor(state / this.steps[index]!) % this.values[index]!.length;
  }

  /** The state with another value, by its place, of the property at that place. */
  withDigit(state: number, index: number, digit: number): number {
    return state + (digit - this.digit(state, index)) * this.steps[index]!;
  }

  /** The named values of a state. `decode(encode(s))` is `s`. */
  decode(state: number): State {
    return Object.fromEntries(
      this.values.map((list, index) => [
        this.properties[index]!.name,
        list[this.digit(state, index)]!,
      ]),
    );
  }

  /**
   * The number of a state; a property that is not named, or has a value it does not know, counts
   * with its default (or first) value.
   */
  encode(state: State): number {
    return this.values.reduce((sum, list, index) => {
      const property = this.properties[index]!;
      const given = list.indexOf(state[property.name] ?? property.default);
      const digit = given >= 0 ? given : Math.max(0, list.indexOf(property.default));
      return sum + digit * this.steps[index]!;
    }, 0);
  }

  /** The state in which every property has its default. */
  get defaultState(): number {
    return this.encode({});
  }

  /**
   * The set of states in which a property has one value. Empty when there is no such property or
   * value.
   */
  slice(name: string, value: Value): BitSet {
    const key = `${name}=${typeof value}:${String(value)}`;
    const known = this.slices.get(key);
    if (known) return known;
    const set = new BitSet(this.size);
    const at = this.indexOf(name);
    const digit = at < 0 ? -1 : this.values[at]!.indexOf(value);
    if (digit >= 0) {
      const step = this.steps[at]!;
      const period = step * this.values[at]!.length;
      for (let from = digit * step; from < this.size; from += period)
        for (let i = 0; i < step; i += 1) set.add(from + i);
    }
    this.slices.set(key, set);
    return set;
  }

  /**
   * The set of states in which a property has one of several values. It is kept and shared: not to
   * be changed.
   */
  allowing(name: string, values: readonly Value[]): BitSet {
    if (values.length === 1) return this.slice(name, values[0]!);
    const key = `${name}=${JSON.stringify(values)}`;
    let set = this.slices.get(key);
    if (!set) {
      set = values.reduce(
        (all, value) => all.addAll(this.slice(name, value)),
        new BitSet(this.size),
      );
      // What is asked for again and again is kept; what is asked for in thousands of ways would
      // only fill the memory.
      if (this.slices.size * this.size < mostKept) this.slices.set(key, set);
    }
    return set;
  }

  /**
   * The states that a condition matches, of all or of those `within`, as a new set. No condition
   * matches all.
   */
  matching(when: When | undefined, within = this.everything): BitSet {
    const asked = Object.entries(when ?? {}).map(([name, wanted]) =>
      Array.isArray(wanted) ? this.allowing(name, wanted) : this.slice(name, wanted),
    );
    return BitSet.shared(asked, within);
  }

  /**
   * A state in words: `heading = east, lit = true`; a block without properties has "the only
   * state".
   */
  describe(state: number): string {
    const words = Object.entries(this.decode(state)).map(
      ([name, value]) => `${name} = ${String(value)}`,
    );
    return words.join(', ') || 'the only state';
  }

  /** How many properties differ between two states. */
  distance(a: number, b: number): number {
    let apart = 0;
    for (let at = 0; at < this.values.length; at += 1)
      if (this.digit(a, at) !== this.digit(b, at)) apart += 1;
    return apart;
  }

  /**
   * For each state the member of the set that differs from it in the fewest properties; of equals,
   * one that is only turned another way, then one that differs in a later property. Undefined for
   * an empty set. Breadth first from all members at once: linear in states × properties.
   */
  nearest(members: BitSet): Int32Array | undefined {
    const nearest = new Int32Array(this.size).fill(-1);
    let front = [...members];
    if (!front.length) return undefined;
    for (const member of front) nearest[member] = member;
    // States that differ in one property alone lie on a line. Once one of them is reached, so are
    // all: a line is walked once.
    const walked = this.values.map(() => new Uint8Array(this.size));
    const late = this.properties.map((_, at) => at).reverse();
    const isTurn = (at: number) => isOrientation(this.properties[at]!.kind);
    const order = [...late.filter(isTurn), ...late.filter((at) => !isTurn(at))];
    while (front.length) {
      const next: number[] = [];
      for (const at of order)
        for (const state of front) {
          const line = this.withDigit(state, at, 0);
          if (walked[at]![line]) continue;
          walked[at]![line] = 1;
          for (let digit = 0; digit < this.values[at]!.length; digit += 1) {
            const other = line + digit * this.steps[at]!;
            if (nearest[other]! >= 0) continue;
            nearest[other] = nearest[state]!;
            next.push(other);
          }
        }
      front = next;
    }
    return nearest;
  }
}

/**
 * A condition that matches exactly the given values of each property; a property with all of its
 * values is not named. `digits` holds for each property the places of its values.
 *
 * @example whenOf(space, [[1], [0, 1]]) // { heading: 'east' }
 */
export function whenOf(
  space: StateSpace,
  digits: readonly (readonly number[])[],
): When | undefined {
  const named = space.properties.flatMap((property, index): [string, Value | Value[]][] => {
    const [values, all] = [digits[index]!, space.values[index]!];
    if (values.length === all.length) return [];
    return [
      [property.name, values.length === 1 ? all[values[0]!]! : values.map((digit) => all[digit]!)],
    ];
  });
  return named.length ? Object.fromEntries(named) : undefined;
}
