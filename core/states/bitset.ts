/** A set of whole numbers from 0 to size − 1, one bit each. Made for set algebra over states. */
export class BitSet {
  private readonly words: Int32Array;

  constructor(readonly size: number, words?: Int32Array) {
    this.words = words ?? new Int32Array(Math.ceil(size / 32));
  }

  /** All numbers from 0 to size − 1. */
  static full(size: number): BitSet {
    return new BitSet(size).complement();
  }

  /** The numbers from 0 to size − 1 for which the question is answered with yes. */
  static where(size: number, holds: (member: number) => boolean): BitSet {
    const set = new BitSet(size);
    for (let member = 0; member < size; member += 1) if (holds(member)) set.add(member);
    return set;
  }

  copy(): BitSet {
    return new BitSet(this.size, this.words.slice());
  }

  add(member: number): this {
    this.words[member >>> 5]! |= 1 << (member & 31);
    return this;
  }

  /** Adds the members of another set to this one. */
  addAll(other: BitSet): this {
    const [mine, theirs] = [this.words, other.words];
    for (let i = 0; i < mine.length; i += 1) mine[i] = mine[i]! | theirs[i]!;
    return this;
  }

  /** Keeps of this set only what is also in the other. */
  keepAll(other: BitSet): this {
    const [mine, theirs] = [this.words, other.words];
    for (let i = 0; i < mine.length; i += 1) mine[i] = mine[i]! & theirs[i]!;
    return this;
  }

  /** Takes the members of the other set out of this one. */
  dropAll(other: BitSet): this {
    const [mine, theirs] = [this.words, other.words];
    for (let i = 0; i < mine.length; i += 1) mine[i] = mine[i]! & ~theirs[i]!;
    return this;
  }

  /** Calls back with each member in ascending order: the quick way through large sets. */
  forEach(visit: (member: number) => void): void {
    const { words } = this;
    for (let at = 0; at < words.length; at += 1) {
      let word = words[at]!;
      while (word) {
        visit(at * 32 + 31 - Math.clz32(word & -word));
        word &= word - 1;
      }
    }
  }

  /** True when the question is answered with yes for some member. */
  some(holds: (member: number) => boolean): boolean {
    const { words } = this;
    for (let at = 0; at < words.length; at += 1)
      for (let word = words[at]!; word; word &= word - 1) if (holds(at * 32 + 31 - Math.clz32(word & -word))) return true;
    return false;
  }

  has(member: number): boolean {
    return (((this.words[member >>> 5] ?? 0) >>> (member & 31)) & 1) === 1;
  }

  and(other: BitSet): BitSet {
    return this.copy().keepAll(other);
  }

  or(other: BitSet): BitSet {
    return this.copy().addAll(other);
  }

  /** The members of this set that are not in the other. */
  without(other: BitSet): BitSet {
    return this.copy().dropAll(other);
  }

  complement(): BitSet {
    const words = this.words.map((word) => ~word);
    const spare = this.size & 31;
    if (spare && words.length) words[words.length - 1]! &= (1 << spare) - 1;
    return new BitSet(this.size, words);
  }

  get isEmpty(): boolean {
    for (let i = 0; i < this.words.length; i += 1) if (this.words[i]) return false;
    return true;
  }

  /** True when every member of this set is in the other. */
  isWithin(other: BitSet): boolean {
    for (let i = 0; i < this.words.length; i += 1) if (this.words[i]! & ~other.words[i]!) return false;
    return true;
  }

  /** True when every member that all the sets share is in `outer`. Nothing is laid out, and it stops at the first that is not. */
  static sharedWithin(sets: readonly BitSet[], outer: BitSet): boolean {
    const free = outer.words;
    if (sets.length > 4) return BitSet.shared(sets, sets[0]!).isWithin(outer);
    const a = sets[0]?.words;
    if (!a) return outer.count === outer.size;
    const [b, c, d] = [sets[1]?.words ?? a, sets[2]?.words ?? a, sets[3]?.words ?? a];
    for (let i = 0; i < free.length; i += 1) if (a[i]! & b[i]! & c[i]! & d[i]! & ~free[i]!) return false;
    return true;
  }

  /** The members that all the sets share within `outer`, as a new set: up to four sets in one walk. */
  static shared(sets: readonly BitSet[], outer: BitSet): BitSet {
    const words = outer.words.slice();
    for (let at = 0; at < sets.length; at += 4) {
      const a = sets[at]!.words;
      const [b, c, d] = [sets[at + 1]?.words ?? a, sets[at + 2]?.words ?? a, sets[at + 3]?.words ?? a];
      for (let i = 0; i < words.length; i += 1) words[i] = words[i]! & a[i]! & b[i]! & c[i]! & d[i]!;
    }
    return new BitSet(outer.size, words);
  }

  /** How many members the set has (population count: Warren, Hacker's Delight, 2nd ed., 5-1). */
  get count(): number {
    let total = 0;
    for (const word of this.words) {
      let v = word - ((word >>> 1) & 0x55555555);
      v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
      total += Math.imul((v + (v >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
    }
    return total;
  }

  /** The members in ascending order. */
  *[Symbol.iterator](): Generator<number> {
    for (let at = 0; at < this.words.length; at += 1) {
      let word = this.words[at]!;
      while (word) {
        const low = 31 - Math.clz32(word & -word);
        yield at * 32 + low;
        word &= word - 1;
      }
    }
  }

  /** The smallest member, or undefined for the empty set. */
  get first(): number | undefined {
    return this[Symbol.iterator]().next().value ?? undefined;
  }
}
