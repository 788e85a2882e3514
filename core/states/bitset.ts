/**
 * A set of whole numbers from 0 to size − 1, one bit each. Made for set algebra over states: sets
 * know between which words their members lie, so that small sets are quick in large spaces.
 *
 * @example new BitSet(40).add(3).add(33).count // 2
 */
export class BitSet {
  private readonly words: Int32Array;
  /** Only words from `low` up to and without `high` can hold members. */
  private low: number;
  private high: number;

  constructor(
    readonly size: number,
    words?: Int32Array,
    low = 0,
    high = words?.length ?? 0,
  ) {
    this.words = words ?? new Int32Array(Math.ceil(size / 32));
    this.low = low;
    this.high = high;
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
    return new BitSet(this.size, this.words.slice(), this.low, this.high);
  }

  add(member: number): this {
    const at = member >>> 5;
    this.words[at]! |= 1 << (member & 31);
    this.reach(at, at + 1);
    return this;
  }

  private reach(low: number, high: number): void {
    if (this.low === this.high) [this.low, this.high] = [low, high];
    else {
      if (low < this.low) this.low = low;
      if (high > this.high) this.high = high;
    }
  }

  /** Adds the members of another set to this one. */
  addAll(other: BitSet): this {
    const [mine, theirs] = [this.words, other.words];
    for (let i = other.low; i < other.high; i += 1) mine[i] = mine[i]! | theirs[i]!;
    if (other.low < other.high) this.reach(other.low, other.high);
    return this;
  }

  /** Keeps of this set only what is also in the other. */
  keepAll(other: BitSet): this {
    const [mine, theirs] = [this.words, other.words];
    for (let i = this.low; i < this.high; i += 1) mine[i] = mine[i]! & theirs[i]!;
    return this;
  }

  /** Takes the members of the other set out of this one. */
  dropAll(other: BitSet): this {
    const [mine, theirs] = [this.words, other.words];
    const [from, to] = [Math.max(this.low, other.low), Math.min(this.high, other.high)];
    for (let i = from; i < to; i += 1) mine[i] = mine[i]! & ~theirs[i]!;
    return this;
  }

  /** Calls back with each member in ascending order: the quick way through large sets. */
  forEach(visit: (member: number) => void): void {
    const { words, low, high } = this;
    for (let at = low; at < high; at += 1)
      for (let word = words[at]!; word; word &= word - 1)
        visit(at * 32 + 31 - Math.clz32(word & -word));
  }

  /** True when the question is answered with yes for some member. */
  some(holds: (member: number) => boolean): boolean {
    const { words, low, high } = this;
    for (let at = low; at < high; at += 1)
      for (let word = words[at]!; word; word &= word - 1)
        if (holds(at * 32 + 31 - Math.clz32(word & -word))) return true;
    return false;
  }

  has(member: number): boolean {
    return (((this.words[member >>> 5] ?? 0) >>> (member & 31)) & 1) === 1;
  }

  and(other: BitSet): BitSet {
    return BitSet.shared([other], this);
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
    for (let i = this.low; i < this.high; i += 1) if (this.words[i]) return false;
    return true;
  }

  /** True when every member of this set is in the other. */
  isWithin(other: BitSet): boolean {
    for (let i = this.low; i < this.high; i += 1)
      if (this.words[i]! & ~other.words[i]!) return false;
    return true;
  }

  /**
   * True when every member that all the sets share is in one of the two others. Nothing is laid
   * out, and it stops at the first that is not.
   */
  static sharedWithin(sets: readonly BitSet[], one: BitSet, two: BitSet): boolean {
    if (!sets.length) return one.or(two).count === one.size;
    if (sets.length > 4) return BitSet.shared(sets, sets[0]!).isWithin(one.or(two));
    const [low, high] = BitSet.bounds(sets, sets[0]!);
    const [a, b, c, d] = BitSet.four(sets, 0);
    for (let i = low; i < high; i += 1)
      if (a[i]! & b[i]! & c[i]! & d[i]! & ~(one.words[i]! | two.words[i]!)) return false;
    return true;
  }

  /**
   * The members that all the sets share within `outer`, as a new set: up to four sets in one walk.
   */
  static shared(sets: readonly BitSet[], outer: BitSet): BitSet {
    if (!sets.length) return outer.copy();
    const [low, high] = BitSet.bounds(sets, outer);
    const words = new Int32Array(outer.words.length);
    let from = outer.words;
    for (let at = 0; at < sets.length; at += 4) {
      const [a, b, c, d] = BitSet.four(sets, at);
      for (let i = low; i < high; i += 1) words[i] = from[i]! & a[i]! & b[i]! & c[i]! & d[i]!;
      from = words;
    }
    return new BitSet(outer.size, words, low, high);
  }

  /** The words of four sets from one place on; where there are fewer, the first stands in. */
  private static four(
    sets: readonly BitSet[],
    index: number,
  ): [Int32Array, Int32Array, Int32Array, Int32Array] {
    const a = sets[index]!.words;
    return [
      a,
      sets[index + 1]?.words ?? a,
      sets[index + 2]?.words ?? a,
      sets[index + 3]?.words ?? a,
    ];
  }

  /** Between which words members can lie that all the sets share. */
  private static bounds(sets: readonly BitSet[], outer: BitSet): [number, number] {
    let { low, high } = outer;
    for (const set of sets) {
      if (set.low > low) low = set.low;
      if (set.high < high) high = set.high;
    }
    return [Math.min(low, high), high];
  }

  /** How many members the set has (population count: Warren, Hacker's Delight, 2nd ed., 5-1). */
  get count(): number {
    let total = 0;
    for (let i = this.low; i < this.high; i += 1) {
      let v = this.words[i]! - ((this.words[i]! >>> 1) & 0x55555555);
      v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
      total += Math.imul((v + (v >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
    }
    return total;
  }

  /** The members in ascending order. */
  *[Symbol.iterator](): Generator<number> {
    for (let at = this.low; at < this.high; at += 1) {
      let word = this.words[at]!;
      while (word) {
        yield at * 32 + 31 - Math.clz32(word & -word);
        word &= word - 1;
      }
    }
  }

  /** The smallest member, or undefined for the empty set. */
  get first(): number | undefined {
    for (const member of this) return member;
    return undefined;
  }
}
