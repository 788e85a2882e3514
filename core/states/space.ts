import { BitSet } from './bitset.ts';
import { valueCount, valuesOf, type Property, type Value } from './property.ts';

/** One choice for every property, by name. Used at the edges; inside core a state is a whole number. */
export type State = Readonly<Record<string, Value>>;

/** What a row asks of a state: for each named property the one value or the values that match. */
export type When = Record<string, Value | Value[]>;

/** The most states that a block may have anywhere in Obrank. */
export const mostStates = 65_536;

/**
 * The states of a block as the whole numbers 0 … size − 1: mixed radix over its properties, the last property
 * counting fastest (Knuth, The Art of Computer Programming 2, 4.1).
 */
export class StateSpace {
  readonly size: number;
  /** The product of all value counts, even where it is too large to work with. */
  readonly trueSize: number;
  private readonly values: readonly (readonly Value[])[];
  private readonly steps: readonly number[];
  private readonly byName: ReadonlyMap<string, number>;
  private readonly slices = new Map<string, BitSet>();

  /** A space of more than {@link mostStates} states is cut to its default state: `tooLarge` tells. */
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

  /** The position of a property's value in a state. */
  private digit(state: number, at: number): number {
    return Math.floor(state / this.steps[at]!) % this.values[at]!.length;
  }

  /** The named values of a state. `decode(encode(s))` is `s`. */
  decode(state: number): State {
    return Object.fromEntries(this.values.map((list, at) => [this.properties[at]!.name, list[this.digit(state, at)]!]));
  }

  /** The number of a state; a property that is not named, or has a value it does not know, counts with its default (or first) value. */
  encode(state: State): number {
    return this.values.reduce((sum, list, at) => {
      const property = this.properties[at]!;
      const given = list.indexOf(state[property.name] ?? property.default);
      const digit = given >= 0 ? given : Math.max(0, list.indexOf(property.default));
      return sum + digit * this.steps[at]!;
    }, 0);
  }

  /** The state in which every property has its default. */
  get defaultState(): number {
    return this.encode({});
  }

  /** The set of states in which a property has one value. Empty when there is no such property or value. */
  private slice(name: string, value: Value): BitSet {
    const key = `${name}=${typeof value}:${String(value)}`;
    const known = this.slices.get(key);
    if (known) return known;
    const set = new BitSet(this.size);
    const at = this.byName.get(name);
    const digit = at === undefined ? -1 : this.values[at]!.indexOf(value);
    if (at !== undefined && digit >= 0) {
      const step = this.steps[at]!;
      const period = step * this.values[at]!.length;
      for (let from = digit * step; from < this.size; from += period) for (let i = 0; i < step; i += 1) set.add(from + i);
    }
    this.slices.set(key, set);
    return set;
  }

  /** The set of states that a condition matches. No condition matches all. */
  matching(when: When | undefined): BitSet {
    let set = BitSet.full(this.size);
    for (const [name, wanted] of Object.entries(when ?? {})) {
      const values = Array.isArray(wanted) ? wanted : [wanted];
      set = set.and(values.map((value) => this.slice(name, value)).reduce((all, one) => all.or(one), new BitSet(this.size)));
    }
    return set;
  }

  /** A state in words: `heading = east, lit = true`; a block without properties has "the only state". */
  describe(state: number): string {
    const words = Object.entries(this.decode(state)).map(([name, value]) => `${name} = ${String(value)}`);
    return words.join(', ') || 'the only state';
  }

  /** How many properties differ between two states. */
  distance(a: number, b: number): number {
    return this.values.reduce((sum, _, at) => sum + (this.digit(a, at) === this.digit(b, at) ? 0 : 1), 0);
  }
}
